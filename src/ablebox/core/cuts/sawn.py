# SPDX-License-Identifier: GPL-3.0-or-later
"""Proves the order of cuts of a sheet: saws it, with nothing but what each cut tells, and looks at what comes of it.

It knows boards, kerf and four edges, and shares no code with what makes the order.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from .divide import CutWay
from .plan import CutSheet
from .saw_cut import Becomes, CutKind, EdgeIs, Given, SawCut


@dataclass(frozen=True, slots=True)
class _Wood:
    """A board: low and high along the sheet, low and high across it, and its edges in the same order."""

    sides: tuple[int, ...]
    edges: tuple[EdgeIs, ...]


def faults(sheet: CutSheet, kerf: int, cuts: Sequence[SawCut]) -> tuple[str, ...]:
    """Return what goes wrong when a sheet is cut as told, in words; nothing is the proof of the order.

    Args:
        sheet: the sheet, and where each piece lies.
        kerf: width of a cut.
        cuts: in order.
    """
    whole = _Wood((0, sheet.supply.length, 0, sheet.supply.width), (EdgeIs.FACTORY,) * 4)
    there, parts, wrong = {"": whole}, dict[int, _Wood](), list[str]()
    if not cuts and len(sheet.spots) == 1:
        parts[0] = there.pop("")
    for cut in cuts:
        board = there.pop(cut.strip, None)
        if board is None:
            return (*wrong, f"there is no board {cut.strip} to cut yet")
        told = _faults_of(cut, board)
        if told:
            return (*wrong, told)
        made = _cut(cut, board, kerf)
        if len(made) != len(cut.gives):
            return (*wrong, f"the cut of {cut.strip} gives {len(made)} boards, not {len(cut.gives)}")
        for wood, given in zip(made, cut.gives, strict=True):
            if _sides(given) != wood.sides:
                wrong.append(f"{given.strip} comes out at another place or size")
            if given.what is Becomes.STRIP and there.setdefault(given.strip, wood) is not wood:
                wrong.append(f"two boards are called {given.strip}")
            elif given.what is Becomes.PART and parts.setdefault(given.spot, wood) is not wood:
                wrong.append(f"piece {given.spot + 1} is cut twice")
    wrong += [f"{name or 'the sheet'} is left, and nothing says what for" for name in there]
    for number, spot in enumerate(sheet.spots):
        wood_of = parts.get(number)
        long, wide = spot.reach
        if wood_of is None:
            wrong.append(f"{spot.code} is never cut free")
        elif wood_of.sides != (spot.x, spot.x + long, spot.y, spot.y + wide):
            wrong.append(f"{spot.code} comes out at another place or size")
        elif EdgeIs.ROUGH in wood_of.edges:
            wrong.append(f"{spot.code} has an edge that is not true")
    return tuple(wrong)


def _sides(given: Given) -> tuple[int, int, int, int]:
    board = given.board
    return board.x, board.x + board.length, board.y, board.y + board.width


def _faults_of(cut: SawCut, board: _Wood) -> str:
    """Return what is wrong with a cut before it is made; empty if nothing."""
    first = 2 if cut.way is CutWay.RIP else 0
    edge = board.edges[first + (0 if cut.low else 1)]
    if edge is not cut.edge:
        return f"the edge of {cut.strip} is {edge.value}, not {cut.edge.value}"
    if edge is EdgeIs.ROUGH and cut.kind not in (CutKind.ROUGH, CutKind.TRUE):
        return f"{cut.strip} is cut to size from a rough edge"
    if not 0 < cut.setting < board.sides[first + 1] - board.sides[first]:
        return f"{cut.strip} is not as wide as what is set"
    return ""


def _cut(cut: SawCut, board: _Wood, kerf: int) -> list[_Wood]:
    """Return what a cut makes of a board: what is kept against the edge, then the rest, if the kerf leaves any."""
    first = 2 if cut.way is CutWay.RIP else 0
    fresh = EdgeIs.ROUGH if cut.kind is CutKind.ROUGH else EdgeIs.SAWN
    low, high = board.sides[first], board.sides[first + 1]
    if cut.low:
        spans = [(low, low + cut.setting, 1), (low + cut.setting + kerf, high, 0)]
    else:
        spans = [(high - cut.setting, high, 0), (low, high - cut.setting - kerf, 1)]
    made = []
    for start, end, new in spans:
        if end > start:
            sides, edges = list(board.sides), list(board.edges)
            sides[first : first + 2] = start, end
            edges[first + new] = fresh
            made.append(_Wood(tuple(sides), tuple(edges)))
    return made
