# SPDX-License-Identifier: GPL-3.0-or-later
"""A sheet as a sequence of saw cuts, found from where its pieces lie.

Trim cuts come first, then the sheet is divided by parallel cuts, then what that came to, the other way, and so on:
rips run along the sheet's length, crosscuts across it. A cut is told by the fence setting: the width it keeps. All
boards of one level are cut before the next, and those with the same setting one after another, so that
the fence is moved as seldom as can be.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from enum import Enum
from functools import lru_cache

from ..lengths import inches
from .plan import CutSheet, Plan
from .problem import Sawing, Spot


class CutWay(Enum):
    """The way a cut runs."""

    RIP = "rip"
    CROSS = "crosscut"


class CutKind(Enum):
    """What a cut is for."""

    TRIM = "trim"
    ROUGH = "rough"
    TRUE = "true up"
    SIZE = "to size"


@dataclass(frozen=True, slots=True)
class Board:
    """A rectangle of the sheet: x, y and its reach along the sheet's length and width, in ticks."""

    x: int
    y: int
    length: int
    width: int


@dataclass(frozen=True, slots=True)
class SawCut:
    """One cut.

    Args:
        way: rip or crosscut.
        setting: what the fence or stop is set to: the width or length that is kept.
        board: what is cut.
        kept: the piece of it on the fence side, ``setting`` wide.
        codes: codes of what the kept piece holds; empty where it is waste or an offcut.
        kind: what it is for; a rough cut is set wider than what is kept in the end.
        level: how many times the direction has changed before it.
        fresh: whether the edge against the fence is one that has just been sawn, not one of the sheet's own.
    """

    way: CutWay
    setting: int
    board: Board
    kept: Board
    codes: tuple[str, ...]
    kind: CutKind = CutKind.SIZE
    level: int = 0
    fresh: bool = False

    @property
    def trim(self) -> bool:
        """Whether it only takes a factory edge off."""
        return self.kind is CutKind.TRIM

    @property
    def divides(self) -> bool:
        """Whether it makes two boards of one."""
        return self.kind in (CutKind.ROUGH, CutKind.SIZE)


@dataclass(frozen=True, slots=True)
class Cutting:
    """All cuts of a sheet, and what is left over.

    Args:
        cuts: in the order they are made.
        rests: rectangles left over, largest first.
    """

    cuts: tuple[SawCut, ...]
    rests: tuple[Board, ...]

    @property
    def settings(self) -> int:
        """How many times the fence or the stop is set."""
        return settings(self.cuts)


def settings(cuts: Iterable[SawCut]) -> int:
    """Return how many times the fence or the stop is set for cuts in this order."""
    count, last = 0, None
    for cut in cuts:
        if (cut.way, cut.setting) != last:
            count, last = count + 1, (cut.way, cut.setting)
    return count


#: More directions than any sheet takes.
_NEVER = 1_000
#: Rests with both sides at least this long are worth keeping (strips under about 2 in are scrap, common practice).
WORTH_KEEPING = inches(4)


def worth_keeping(rest: Board) -> bool:
    """Whether a rest is an offcut to keep rather than scrap."""
    return min(rest.length, rest.width) >= WORTH_KEEPING.ticks


def cuts_of(plan: Plan, sheet: CutSheet) -> Cutting:
    """Return the cuts of a sheet of a plan."""
    return cutting(sheet, plan.problem.kerf, plan.problem.trim, plan.problem.sawing)


def worth(plan: Plan) -> tuple[int, int, int, int]:
    """Return what plans for one problem are compared by; less is better.

    What the sheets cost, how many there are, the largest remainder, and how often the fence is set.
    """
    largest, fence = 0, 0
    for sheet in plan.sheets:
        order = cuts_of(plan, sheet)
        fence += order.settings
        if order.rests and not sheet.supply.offcut:
            largest = max(largest, order.rests[0].length * order.rests[0].width)
    return plan.cost, len(plan.sheets), -largest, fence


@dataclass(slots=True)
class _Divided:
    """A board that is cut into parts by parallel cuts; ``way`` is ``None`` for a piece of its own."""

    board: Board
    spots: list[Spot]
    way: CutWay | None
    parts: list[tuple[Board, _Divided | None]]

    @property
    def depth(self) -> int:
        """How many times the direction changes; what only takes waste off a single piece is not counted."""
        if len(self.spots) < 2:
            return 0
        return 1 + max(inside.depth for _, inside in self.parts if inside is not None)

    @property
    def count(self) -> int:
        """How many parts it and its parts are cut into: the more, the more cuts."""
        return len(self.parts) + sum(inside.count for _, inside in self.parts if inside is not None)

    def rests(self) -> list[Board]:
        """Return what is left over, in it and in its parts."""
        found = []
        for board, inside in self.parts:
            if inside is not None:
                found += inside.rests()
            elif min(board.length, board.width) > 0:
                found.append(board)
        return found


@lru_cache(maxsize=1024)
def cutting(sheet: CutSheet, kerf: int, trim: int, sawing: Sawing = Sawing()) -> Cutting:  # noqa: B008
    """Return the cuts that free every piece of a checked sheet.

    Args:
        sheet: a sheet that the checker has passed.
        kerf: width of a cut, in ticks.
        trim: what is cut off each factory edge first, in ticks.
        sawing: how the sheet goes through the saw.
    """
    length, width = sheet.supply.length, sheet.supply.width
    cuts: list[SawCut] = []
    board = Board(0, 0, length, width)
    if trim:
        codes = tuple(spot.code for spot in sheet.spots)
        for way, size in ((CutWay.RIP, width - trim), (CutWay.CROSS, length - trim)):
            for setting in (size, size - trim):
                cuts.append(SawCut(way, setting, board, board, codes, CutKind.TRIM, fresh=setting != size))
        board = Board(trim, trim, length - 2 * trim, width - 2 * trim)
    tried = []
    for first in (None, CutWay.RIP, CutWay.CROSS):
        if first is None or len(parts_of(board, list(sheet.spots), kerf, first)) > 1:
            made = _divide(board, list(sheet.spots), kerf, first, bool(sawing.stages))
            rests = made.rests()
            largest = max((rest.length * rest.width for rest in rests if worth_keeping(rest)), default=0)
            # As few levels as were asked for; then the first cut decides how large a remainder stays in one piece.
            levels = min(0, sawing.stages - made.depth) if sawing.stages else 0
            tried.append((levels, largest, -made.count, made, rests))
    *_, whole, rests = max(tried, key=lambda way: way[:3])
    rests.sort(key=lambda rest: -rest.length * rest.width)
    made_cuts = _in_levels(whole, kerf, board)
    if sawing.over:
        made_cuts = _roughed(made_cuts, whole, sawing)
    return Cutting((*cuts, *made_cuts), tuple(rests))


def _divide(board: Board, spots: list[Spot], kerf: int, first: CutWay | None = None, limited: bool = False) -> _Divided:
    """Divide a board by parallel cuts until every piece is free.

    Args:
        board: the board.
        spots: the pieces on it.
        kerf: width of a cut.
        first: the way of the first cuts, if it matters.
        limited: whether the direction is to change as seldom as can be.
    """
    if len(spots) == 1 and spots[0].reach == (board.length, board.width):
        return _Divided(board, spots, None, [])
    way, parts = max(
        ((way, parts_of(board, spots, kerf, way)) for way in (CutWay.RIP, CutWay.CROSS)),
        key=lambda found: (
            found[0] is first,
            -turns_of(found[1], kerf) if limited else 0,
            sum(bool(inside) for _, inside in found[1]),
            found[1][0][0] != board,
            _largest_rest(found[1]),
        ),
    )
    return _Divided(
        board,
        spots,
        way,
        [(part, _divide(part, inside, kerf, None, limited) if inside else None) for part, inside in parts],
    )


def _own_cuts(divided: _Divided, kerf: int, level: int, sheet: Board) -> list[SawCut]:
    """Return the cuts that make the parts of one board, in order."""
    rip, left, cuts = divided.way is CutWay.RIP, divided.board, []
    for piece, inside in divided.parts:
        setting = piece.width if rip else piece.length
        if setting < (left.width if rip else left.length):
            codes = tuple(spot.code for spot in inside.spots) if inside else ()
            way = CutWay.RIP if rip else CutWay.CROSS
            fresh = left.y != sheet.y if rip else left.x != sheet.x
            cuts.append(SawCut(way, setting, left, piece, codes, CutKind.SIZE, level, fresh))
            left = left_of(left, setting + kerf, rip)
    return cuts


def _in_levels(whole: _Divided, kerf: int, sheet: Board) -> list[SawCut]:
    """Return all cuts level by level, equal settings one after another."""
    found: list[SawCut] = []
    boards, level = [whole], 0
    while boards:
        waiting = [cuts[::-1] for board in boards if (cuts := _own_cuts(board, kerf, level, sheet))]
        now: tuple[CutWay, int] | None = None
        while waiting:
            heads = {(cuts[-1].way, cuts[-1].setting) for cuts in waiting}
            if now not in heads:
                now = max(heads, key=lambda head: (head[0] is CutWay.RIP, head[1]))
            for cuts in waiting:
                while cuts and (cuts[-1].way, cuts[-1].setting) == now:
                    found.append(cuts.pop())
            waiting = [cuts for cuts in waiting if cuts]
        boards = [inside for board in boards for _, inside in board.parts if inside is not None]
        level += 1
    return found


def _roughed(cuts: list[SawCut], whole: _Divided, sawing: Sawing) -> list[SawCut]:
    """Return the cuts with the first ones through the whole sheet made over size, and trued up before the rest.

    Over size takes room: as many cuts are rough as the waste at the end of the sheet allows, the others are cut
    to the line.
    """
    own = [cut for cut in cuts if cut.level == 0]
    rip = whole.way is CutWay.RIP
    end, inside = whole.parts[-1] if whole.parts else (whole.board, None)
    room = (end.width if rip else end.length) if inside is None else 0
    count = min(room // sawing.over, sum(bool(cut.codes) for cut in own))
    if sawing.rough_cuts is not None:
        count = min(count, sawing.rough_cuts)
    rough: list[SawCut] = []
    true: list[SawCut] = []
    for cut in own:
        if cut.codes and len(true) < count:
            rough.append(replace(cut, setting=cut.setting + sawing.over, kind=CutKind.ROUGH))
            true.append(replace(cut, board=cut.kept, kind=CutKind.TRUE, fresh=True))
        else:
            rough.append(cut)
    return [*rough, *true, *cuts[len(own) :]]


def _turns(board: Board, spots: list[Spot], kerf: int) -> int:
    """Return how many directions of cuts one after another free all pieces; waste at a single piece is not counted."""
    if len(spots) < 2:
        return 0
    ways = (parts_of(board, spots, kerf, way) for way in (CutWay.RIP, CutWay.CROSS))
    return 1 + min(turns_of(parts, kerf) for parts in ways)


def turns_of(parts: list[tuple[Board, list[Spot]]], kerf: int) -> int:
    """Return the most directions a part takes; many if these cuts take nothing apart."""
    there = [(part, inside) for part, inside in parts if inside]
    if len(there) < 2:
        return 0 if len(there[0][1]) < 2 else _NEVER
    return max(_turns(part, inside, kerf) for part, inside in there)


def _largest_rest(parts: list[tuple[Board, list[Spot]]]) -> int:
    return max((piece.length * piece.width for piece, inside in parts if not inside), default=0)


def left_of(board: Board, taken: int, rip: bool) -> Board:
    """Return what is left of a board when so much has been cut off its low side, kerf included."""
    if rip:
        return Board(board.x, board.y + taken, board.length, max(0, board.width - taken))
    return Board(board.x + taken, board.y, max(0, board.length - taken), board.width)


def parts_of(board: Board, spots: list[Spot], kerf: int, way: CutWay) -> list[tuple[Board, list[Spot]]]:
    """Return the most parts that parallel cuts divide a board into; a rest has no spots."""
    rip = way is CutWay.RIP
    at, end = (board.y, board.y + board.width) if rip else (board.x, board.x + board.length)

    def span(spot: Spot) -> tuple[int, int]:
        start = spot.y if rip else spot.x
        return start, start + spot.reach[1 if rip else 0]

    groups: list[tuple[int, int, list[Spot]]] = []
    for spot in sorted(spots, key=span):
        low, high = span(spot)
        if groups and low < groups[-1][1] + kerf:
            first, reach, inside = groups[-1]
            groups[-1] = (first, max(reach, high), [*inside, spot])
        else:
            groups.append((low, high, [spot]))
    parts: list[tuple[Board, list[Spot]]] = []
    for low, high, inside in groups:
        if low > at:
            parts.append((_slice(board, at, max(at, low - kerf), rip), []))
        parts.append((_slice(board, low, high, rip), inside))
        at = high + kerf
    if at < end:
        parts.append((_slice(board, at, end, rip), []))
    return parts


def _slice(board: Board, low: int, high: int, rip: bool) -> Board:
    if rip:
        return Board(board.x, low, board.length, high - low)
    return Board(low, board.y, high - low, board.width)
