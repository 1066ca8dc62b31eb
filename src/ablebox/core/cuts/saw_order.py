# SPDX-License-Identifier: GPL-3.0-or-later
"""A sheet as a sequence of saw cuts, found from where its pieces lie.

Trim cuts come first, then each board is divided by parallel cuts: rips run along the
sheet's length, crosscuts across it. A cut is told by the fence setting: the width it keeps.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from enum import Enum
from functools import lru_cache

from ..lengths import inches
from .plan import CutSheet, Spot


class CutWay(Enum):
    """The way a cut runs."""

    RIP = "rip"
    CROSS = "crosscut"


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
        trim: whether it only takes a factory edge off.
    """

    way: CutWay
    setting: int
    board: Board
    kept: Board
    codes: tuple[str, ...]
    trim: bool = False


@dataclass(frozen=True, slots=True)
class Cutting:
    """All cuts of a sheet, and what is left over.

    Args:
        cuts: in the order they are made.
        rests: rectangles left over, largest first.
    """

    cuts: tuple[SawCut, ...]
    rests: tuple[Board, ...]


#: Rests with both sides at least this long are worth keeping (strips under about 2 in are scrap, common practice).
WORTH_KEEPING = inches(4)


def worth_keeping(rest: Board) -> bool:
    """Whether a rest is an offcut to keep rather than scrap."""
    return min(rest.length, rest.width) >= WORTH_KEEPING.ticks


@lru_cache(maxsize=256)
def cutting(sheet: CutSheet, kerf: int, trim: int) -> Cutting:
    """Return the cuts that free every piece of a checked sheet.

    Args:
        sheet: a sheet that the checker has passed.
        kerf: width of a cut, in ticks.
        trim: what is cut off each factory edge first, in ticks.
    """
    length, width = sheet.supply.length, sheet.supply.width
    cuts: list[SawCut] = []
    board = Board(0, 0, length, width)
    if trim:
        codes = tuple(spot.code for spot in sheet.spots)
        for way, size in ((CutWay.RIP, width - trim), (CutWay.CROSS, length - trim)):
            for setting in (size, size - trim):
                cuts.append(SawCut(way, setting, board, board, codes, trim=True))
        board = Board(trim, trim, length - 2 * trim, width - 2 * trim)
    tried = []
    for first in (None, CutWay.RIP, CutWay.CROSS):
        made: list[SawCut] = []
        rests: list[Board] = []
        if first is None or len(_parts(board, list(sheet.spots), kerf, first)) > 1:
            _divide(board, list(sheet.spots), kerf, made, rests, first)
            largest = max((rest.length * rest.width for rest in rests), default=0)
            tried.append((largest, made, rests))
    # The first cut decides how large a remainder can stay in one piece.
    _, made, rests = max(tried, key=lambda way: way[0])
    rests.sort(key=lambda rest: -rest.length * rest.width)
    return Cutting((*cuts, *made), tuple(rests))


def _divide(
    board: Board, spots: list[Spot], kerf: int, cuts: list[SawCut], rests: list[Board], first: CutWay | None = None
) -> None:
    """Divide a board by parallel cuts, the first of them a certain way if asked, until every piece is free."""
    if len(spots) == 1 and spots[0].reach == (board.length, board.width):
        return
    way, parts = max(
        ((way, _parts(board, spots, kerf, way)) for way in (CutWay.RIP, CutWay.CROSS)),
        key=lambda found: (
            found[0] is first,
            sum(bool(inside) for _, inside in found[1]),
            found[1][0][0] != board,
            _largest_rest(found[1]),
        ),
    )
    rip = way is CutWay.RIP
    left = board
    for piece, inside in parts:
        setting = piece.width if rip else piece.length
        if setting < (left.width if rip else left.length):
            cuts.append(SawCut(way, setting, left, piece, tuple(spot.code for spot in inside)))
            left = _after(left, setting + kerf, rip)
        if not inside and min(piece.length, piece.width) > 0:
            rests.append(piece)
    for piece, inside in parts:
        if inside:
            _divide(piece, inside, kerf, cuts, rests)


def _largest_rest(parts: list[tuple[Board, list[Spot]]]) -> int:
    return max((piece.length * piece.width for piece, inside in parts if not inside), default=0)


def _after(board: Board, taken: int, rip: bool) -> Board:
    if rip:
        return Board(board.x, board.y + taken, board.length, max(0, board.width - taken))
    return Board(board.x + taken, board.y, max(0, board.length - taken), board.width)


def _parts(board: Board, spots: list[Spot], kerf: int, way: CutWay) -> list[tuple[Board, list[Spot]]]:
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


def tidied(sheet: CutSheet, kerf: int, trim: int) -> CutSheet:
    """Return the sheet with every piece pushed to the low corner of the board it is cut from.

    Waste then lies behind the pieces, where a fence does not have to be set for it.
    """
    board = Board(trim, trim, sheet.supply.length - 2 * trim, sheet.supply.width - 2 * trim)
    return CutSheet(sheet.supply, tuple(_pushed(board, list(sheet.spots), kerf)))


def _pushed(board: Board, spots: list[Spot], kerf: int) -> list[Spot]:
    low_x, low_y = min(spot.x for spot in spots), min(spot.y for spot in spots)
    moved = [replace(spot, x=spot.x - low_x + board.x, y=spot.y - low_y + board.y) for spot in spots]
    if len(moved) == 1:
        return moved
    way, parts = max(
        ((way, [part for part in _parts(board, moved, kerf, way) if part[1]]) for way in (CutWay.RIP, CutWay.CROSS)),
        key=lambda found: len(found[1]),
    )
    done: list[Spot] = []
    at = board
    for piece, inside in parts:
        rip = way is CutWay.RIP
        size = piece.width if rip else piece.length
        done += _pushed(Board(at.x, at.y, piece.length, piece.width), inside, kerf)
        at = _after(at, size + kerf, rip)
    return done
