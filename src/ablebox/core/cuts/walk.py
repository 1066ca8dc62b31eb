# SPDX-License-Identifier: GPL-3.0-or-later
"""All cuts that free the pieces of a sheet, each from a board as it really is then: its size and its four edges.

Nothing is measured from a rough edge but what is cut off once more: a strip with two rough edges gets its first edge,
then its size. Rough cuts come first; edges of the sheet are trimmed on what they leave, or on the whole sheet where there
are none. What is left over and has no use is never a cut of its own: it stays at a strip until that gets its size.
"""

from __future__ import annotations

from dataclasses import dataclass, field

from .divide import Board, CutWay, Divided, divided, rough_ends
from .plan import CutSheet
from .problem import Terms
from .saw_cut import Becomes, CutKind, EdgeIs

_LOW, _HIGH = 0, 1


@dataclass(slots=True, eq=False)
class Stock:
    """A board on its way: where it is, what its edges are, and which cut made it.

    Args:
        name: its name.
        board: where it lies on the sheet.
        edges: what its edges are, by the way of the cuts that run along them, low and high.
        after: number of the cut that gave it; -1 for the whole sheet.
        what: what it is.
        spot: which piece it is.
    """

    name: str
    board: Board
    edges: dict[CutWay, list[EdgeIs]]
    after: int = -1
    what: Becomes = Becomes.STRIP
    spot: int = -1


@dataclass(slots=True)
class Draft:
    """A cut before it is known what it is made with.

    Args:
        stock: what is cut.
        kind: what it is for.
        way: which way it runs.
        low: whether the low edge lies against what holds the size.
        setting: the size that is kept.
        kept: what is kept.
        rest: what is left over; ``None`` if the kerf takes it.
        level: how many times the direction has changed before.
    """

    stock: Stock
    kind: CutKind
    way: CutWay
    low: bool
    setting: int
    kept: Stock
    rest: Stock | None
    level: int


@dataclass(slots=True)
class Walk:
    """The way of a sheet through the saw.

    Args:
        sheet: the sheet; the checker has passed it.
        terms: how it is cut.
    """

    sheet: CutSheet
    terms: Terms
    cuts: list[Draft] = field(default_factory=list)
    wastes: int = 0

    def run(self) -> list[Draft]:
        """Return every cut once, each after those it needs."""
        size = self.sheet.supply
        factory = {way: [EdgeIs.FACTORY, EdgeIs.FACTORY] for way in CutWay}
        whole = Stock("", Board(0, 0, size.length, size.width), factory)
        tree = divided(self.sheet, self.terms)
        ends = rough_ends(tree, self.terms, self.terms.over(size))
        if ends and tree.way is not None:
            self._roughed(whole, tree, ends)
            return self.cuts
        for way in CutWay:
            whole = self._trued(whole, way, *tree.board.span(way), 0)
        self._apart(whole, tree, 0)
        return self.cuts

    # One cut

    def _cut(
        self, stock: Stock, way: CutWay, low: bool, setting: int, kind: CutKind, names: tuple[str, str], level: int
    ) -> tuple[Stock, Stock | None]:
        """Make a cut; return what is kept against the edge, and the rest."""
        new = EdgeIs.ROUGH if kind is CutKind.ROUGH else EdgeIs.SAWN
        start, end = stock.board.span(way)
        number, kerf = len(self.cuts), self.terms.kerf
        if low:
            kept = stock.board.cut_to(way, start, start + setting)
            over = stock.board.cut_to(way, min(end, start + setting + kerf), end)
            kept_edges, rest_edges = [stock.edges[way][_LOW], new], [new, stock.edges[way][_HIGH]]
        else:
            kept = stock.board.cut_to(way, end - setting, end)
            over = stock.board.cut_to(way, start, max(start, end - setting - kerf))
            kept_edges, rest_edges = [new, stock.edges[way][_HIGH]], [stock.edges[way][_LOW], new]
        across = {way.other: list(stock.edges[way.other])}
        first = Stock(names[0], kept, {way: kept_edges, **across}, number)
        rest = None
        if min(over.length, over.width) > 0:
            rest = Stock(names[1], over, {way: rest_edges, way.other: list(stock.edges[way.other])}, number)
        self.cuts.append(Draft(stock, kind, way, low, setting, first, rest, level))
        return first, rest

    def _waste(self, stock: Stock | None, name: str = "") -> None:
        """Say of what is left over that it is an offcut, or scrap with a name nothing else has."""
        if stock is None:
            return
        keep = min(stock.board.length, stock.board.width) >= self.terms.sawing.least
        stock.what, stock.name = Becomes.KEEP if keep else Becomes.SCRAP, name if keep else ""
        if not stock.name:
            self.wastes += 1
            stock.name = f"w{self.wastes}"

    def _trued(self, stock: Stock, way: CutWay, low: int, high: int, level: int, name: str | None = None) -> Stock:
        """Return a board cut to two places across cuts of one way: the better edge lies against the fence first.

        It keeps its name if it gets no other.
        """
        start, end = stock.board.span(way)
        off_low, off_high = low - start, end - high
        rough = [edge is EdgeIs.ROUGH for edge in stock.edges[way]]
        sides: list[bool] = []
        if off_low > 0 and off_high > 0:
            # A rough edge is a poor guide: where there is another, that one; what is cut off first is the other side.
            first_low = rough[_HIGH]
            sides = [first_low, not first_low]
        elif off_high > 0:
            sides = [True]
        elif off_low > 0:
            sides = [False]
        for by_low in sides:
            start, end = stock.board.span(way)
            setting = high - start if by_low else end - low
            gone = stock.edges[way][_HIGH if by_low else _LOW]
            kind = CutKind.TRUE if gone is EdgeIs.ROUGH else CutKind.TRIM
            if gone is EdgeIs.SAWN:
                kind = CutKind.RIP if way is CutWay.RIP else CutKind.CROSS
            names = stock.name if name is None else name, ""
            stock, rest = self._cut(stock, way, by_low, setting, kind, names, level)
            self._waste(rest)
        return stock

    # The whole

    def _roughed(self, whole: Stock, tree: Divided, ends: list[int]) -> None:
        """Cut through the sheet over size as often as there is room, then take each strip on its own."""
        assert tree.way is not None
        way, over = tree.way, self.terms.over(self.sheet.supply)
        left: Stock | None = whole
        strips: list[tuple[Stock, Divided]] = []
        for number in ends:
            assert left is not None
            part = tree.parts[number]
            last = number + 1 == len(tree.parts)
            to = part.board.span(way)[1] + (over if number == 0 else over // 2)
            # What is beyond is named at once where it is the last part as it is.
            whole_rest = number + 2 == len(tree.parts) and tree.parts[-1].board.span(way)[1] == left.board.span(way)[1]
            names = str(number + 1), str(number + 2) if whole_rest else ""
            strip, left = self._cut(left, way, True, to - left.board.span(way)[0], CutKind.ROUGH, names, 0)
            strips.append((strip, part))
            if last:
                self._waste(left, str(number + 2))
                left = None
        for strip, part in strips:
            stock = self._trued(strip, way, *part.board.span(way), 0)
            stock = self._trued(stock, way.other, *tree.board.span(way.other), 0)
            self._finish(stock, part, 0)
        if left is not None:
            left = self._trued(left, way, tree.parts[len(ends)].board.span(way)[0], left.board.span(way)[1], 0)
            left = self._trued(left, way.other, *tree.board.span(way.other), 0)
            self._parts(left, tree, len(ends), 0, "")

    def _finish(self, stock: Stock, part: Divided, level: int) -> None:
        """Go on with what has been cut to be a part of something."""
        if part.way is None:
            stock.what = Becomes.PART
            stock.spot = next(i for i, spot in enumerate(self.sheet.spots) if spot == part.spots[0])
        else:
            self._apart(stock, part, level + 1)

    def _apart(self, stock: Stock, node: Divided, level: int) -> None:
        """Take a board apart as its tree says."""
        if node.way is None:
            self._finish(stock, node, level)
        else:
            self._parts(stock, node, 0, level, stock.name)

    def _parts(self, stock: Stock, node: Divided, first: int, level: int, of: str) -> None:
        """Cut the parts of a board off its low side, one after another, from one of them on."""
        assert node.way is not None
        way, kerf, least = node.way, self.terms.kerf, self.terms.sawing.least
        size_kind = CutKind.RIP if way is CutWay.RIP else CutKind.CROSS
        left: Stock | None = stock
        count = first + 1
        for number in range(first, len(node.parts)):
            part = node.parts[number]
            assert left is not None
            low, high = part.board.span(way)
            start, end = left.board.span(way)
            across = left.board.span(way.other)
            if low - kerf - start >= least and across[1] - across[0] >= least:
                whole_rest = number + 1 == len(node.parts) and high == end
                names = _name(of, count), _name(of, count + 1) if whole_rest else left.name
                keep, left = self._cut(left, way, True, low - kerf - start, size_kind, names, level)
                self._waste(keep, keep.name)
                count += 1
                assert left is not None
                start = low
            if low > start and left.edges[way][_LOW] is EdgeIs.FACTORY:
                # An end that is no good, as boards have them, is cut off before anything is measured from it.
                left = self._trued(left, way, low, end, level)
                start = low
            name = _name(of, count)
            count += 1
            after = node.parts[number + 1] if number + 1 < len(node.parts) else None
            if high < end:
                # What is beyond is named at once where it is the next part as it is, or an offcut.
                beyond = left.name
                if after is not None and number + 2 == len(node.parts):
                    low_of_it, high_of_it = after.board.span(way)
                    if high_of_it == end and low_of_it - 2 * kerf - high < least:
                        beyond = _name(of, count)
                kept, left = self._cut(left, way, True, high - start, size_kind, (name, beyond), level)
                if after is None:
                    self._waste(left, _name(of, count))
                    left = None
            else:
                kept, left = left, None
            if low > start:
                kept = self._trued(kept, way, low, high, level, name)
            self._finish(kept, part, level)


def _name(of: str, number: int) -> str:
    """Return the name of a part of something, from 1: figures and letters in turn."""
    if of and of[-1].isdigit():
        letters = ""
        while number:
            number, at = divmod(number - 1, 26)
            letters = chr(ord("a") + at) + letters
        return of + letters
    return of + str(number)


def walked(sheet: CutSheet, terms: Terms) -> list[Draft]:
    """Return every cut of a sheet once, each after those it needs.

    Args:
        sheet: the sheet; the checker has passed it.
        terms: how it is cut.
    """
    return Walk(sheet, terms).run()
