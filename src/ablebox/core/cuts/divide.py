# SPDX-License-Identifier: GPL-3.0-or-later
"""A laid sheet as a tree: divided by parallel cuts, what that comes to by cuts the other way, and so on.

Only where pieces lie counts here; what a person does to come there is told by ``saw_order``.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum
from functools import lru_cache

from ..lengths import inches
from .plan import CutSheet
from .problem import Spot, Terms

#: More directions than any sheet takes.
_NEVER = 1_000
#: Pieces narrower than this are crosscut from a long strip (common practice: a short narrow piece is not ripped).
_NARROW = inches(6).ticks


class CutWay(Enum):
    """The way a cut runs: along the sheet's length, or across it."""

    RIP = "rip"
    CROSS = "crosscut"

    @property
    def other(self) -> CutWay:
        """The other way."""
        return CutWay.CROSS if self is CutWay.RIP else CutWay.RIP


@dataclass(frozen=True, slots=True)
class Board:
    """A rectangle of the sheet: x, y and its reach along the sheet's length and width, in ticks."""

    x: int
    y: int
    length: int
    width: int

    @property
    def area(self) -> int:
        """Length times width."""
        return self.length * self.width

    def span(self, way: CutWay) -> tuple[int, int]:
        """Return from where to where it reaches across cuts of one way."""
        return (self.y, self.y + self.width) if way is CutWay.RIP else (self.x, self.x + self.length)

    def cut_to(self, way: CutWay, low: int, high: int) -> Board:
        """Return what cuts of one way leave of it between two places."""
        if way is CutWay.RIP:
            return Board(self.x, low, self.length, high - low)
        return Board(low, self.y, high - low, self.width)


@dataclass(slots=True)
class Divided:
    """A board that is cut into parts by parallel cuts; ``way`` is ``None`` for a piece of its own.

    Args:
        board: the board.
        spots: the pieces on it.
        way: which way the cuts run.
        parts: what it is cut into, from the low side; what is left over is no part.
        rests: what is left over between them, at the kerf's distance from both.
    """

    board: Board
    spots: list[Spot]
    way: CutWay | None
    parts: list[Divided]
    rests: list[Board]

    @property
    def depth(self) -> int:
        """How many times the direction changes; what only takes waste off a single piece is not counted."""
        return 0 if len(self.spots) < 2 else 1 + max(part.depth for part in self.parts)

    @property
    def count(self) -> int:
        """How many parts it and its parts are cut into, rests counted: the more, the more cuts."""
        return len(self.parts) + len(self.rests) + sum(part.count for part in self.parts)

    def all_rests(self) -> list[Board]:
        """Return what is left over, in it and in its parts."""
        return [*self.rests, *(rest for part in self.parts for rest in part.all_rests())]

    def levels(self, level: int = 0) -> list[tuple[int, Divided]]:
        """Return everything that is divided, with how often the direction has changed before."""
        return [(level, self), *(row for part in self.parts for row in part.levels(level + 1))]


@lru_cache(maxsize=4096)
def divided(sheet: CutSheet, terms: Terms) -> Divided:
    """Return a sheet that the checker has passed as a tree.

    As few directions as were asked for; then the way that leaves room for cuts over size, where they are wanted; then
    the largest offcut; then fewer parts.

    Args:
        sheet: the sheet.
        terms: how it is cut.
    """
    board, kerf, sawing = Board(*terms.usable(sheet.supply)), terms.kerf, terms.sawing
    limited = bool(sawing.stages)
    tried = []
    for first in (None, CutWay.RIP, CutWay.CROSS):
        if first is None or len(slices(board, list(sheet.spots), kerf, first)) > 1:
            made = _divide(board, list(sheet.spots), kerf, first, limited)
            largest = max(
                (rest.area for rest in made.all_rests() if min(rest.length, rest.width) >= sawing.least), default=0
            )
            levels = min(0, sawing.stages - made.depth) if sawing.stages else 0
            tried.append((levels, len(rough_ends(made, terms, terms.over(sheet.supply))), largest, -made.count, made))
    return max(tried, key=lambda row: row[:4])[4]


def rough_ends(node: Divided, terms: Terms, over: int) -> list[int]:
    """Return after which parts, by their numbers, there is room to cut through the sheet over size.

    A strip with one rough edge is over size by all of it, one with two by half on each.

    Args:
        node: the sheet as a tree.
        terms: how it is cut.
        over: how much larger the first cuts are made; 0 for none.
    """
    if node.way is None or not over:
        return []
    kerf, sawing = terms.kerf, terms.sawing
    spans = [part.board.span(node.way) for part in node.parts]
    end = node.board.span(node.way)[1] + terms.far
    found: list[int] = []
    for i, (_, high) in enumerate(spans):
        if sawing.rough_cuts is not None and len(found) >= sawing.rough_cuts:
            break
        last = i + 1 == len(spans)
        room = (end if last else spans[i + 1][0]) - high - kerf
        if room >= rough_room(i, last, over):
            found.append(i)
        elif found or not last:
            # A cut to the line ends it: what is beyond it is cut at home.
            break
    return found


def rough_room(number: int, last: bool, over: int) -> int:
    """Return how much wider than the kerf the gap after a part is, where the cut there is made over size.

    Args:
        number: of the part, from 0.
        last: whether nothing is cut from what is beyond.
        over: what is cut over size.
    """
    return (over if number == 0 else over // 2) + (0 if last else over // 2)


def _divide(board: Board, spots: list[Spot], kerf: int, first: CutWay | None = None, limited: bool = False) -> Divided:
    """Divide a board by parallel cuts until every piece is free.

    Args:
        board: the board.
        spots: the pieces on it.
        kerf: width of a cut.
        first: the way of the first cuts, if it matters.
        limited: whether the direction is to change as seldom as can be.
    """
    if len(spots) == 1 and spots[0].reach == (board.length, board.width):
        return Divided(board, spots, None, [], [])
    slender = min(min(spot.reach) for spot in spots) < _NARROW
    way, parts = max(
        ((way, slices(board, spots, kerf, way)) for way in (CutWay.RIP, CutWay.CROSS)),
        key=lambda found: (
            found[0] is first,
            -turns_of(found[1], kerf) if limited else 0,
            sum(bool(inside) for _, inside in found[1]),
            len(found[1]) > 1 or found[1][0][0] != board,
            slender and len(spots) > 1 and _long_strips(found[0], spots),
            max((piece.area for piece, inside in found[1] if not inside), default=0),
        ),
    )
    inner = [_divide(part, inside, kerf, None, limited) for part, inside in parts if inside]
    return Divided(board, spots, way, inner, [part for part, inside in parts if not inside])


def _long_strips(way: CutWay, spots: list[Spot]) -> bool:
    """Whether the narrowest piece is as wide as the strips that cuts of one way make: it is then crosscut last."""
    long, wide = min(spots, key=lambda spot: min(spot.reach)).reach
    return (way is CutWay.RIP) == (wide <= long)


def slices(board: Board, spots: list[Spot], kerf: int, way: CutWay) -> list[tuple[Board, list[Spot]]]:
    """Return the most parts that parallel cuts divide a board into; a rest has no spots and is wider than nothing."""
    at, end = board.span(way)

    def span(spot: Spot) -> tuple[int, int]:
        start = spot.y if way is CutWay.RIP else spot.x
        return start, start + spot.reach[1 if way is CutWay.RIP else 0]

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
        if low - kerf > at:
            parts.append((board.cut_to(way, at, low - kerf), []))
        parts.append((board.cut_to(way, low, high), inside))
        at = high + kerf
    if at < end:
        parts.append((board.cut_to(way, at, end), []))
    return parts


def _turns(spots: list[Spot], board: Board, kerf: int) -> int:
    """Return how many directions of cuts one after another free all pieces; waste at a single piece is not counted."""
    if len(spots) < 2:
        return 0
    return 1 + min(turns_of(slices(board, spots, kerf, way), kerf) for way in (CutWay.RIP, CutWay.CROSS))


def turns_of(parts: list[tuple[Board, list[Spot]]], kerf: int) -> int:
    """Return the most directions a part takes; many if these cuts take nothing apart."""
    there = [(part, inside) for part, inside in parts if inside]
    if len(there) < 2:
        return 0 if len(there[0][1]) < 2 else _NEVER
    return max(_turns(inside, part, kerf) for part, inside in there)
