# SPDX-License-Identifier: GPL-3.0-or-later
"""The drawing of a sheet on paper: pieces with their codes, cuts with their numbers, the edges that lay against fence or stop.

Numbers stand on their cuts or beside the sheet with a line to them; a piece that is too small for its code has it beside the sheet.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import inf

from ...cuts.divide import Board, CutWay
from ...cuts.plan import CutSheet, Plan
from ...cuts.problem import Spot
from ...cuts.saw_cut import CutKind, SawCut, With
from ...cuts.saw_order import cuts_of
from ...drawing.palette import tint
from ...drawing.replay import View, replay
from ...drawing.shapes import Area, Drawing, Point
from ...lengths import TICKS_PER_MM, Length
from ...parts.listing import Part
from ...shop.rests import kept
from ...stock import SheetGoods
from ..canvas.crossing import cross, from_line, runs_through
from ..canvas.pdf_canvas import width_of
from ..canvas.recorded import FIGURE, Box, Words, meet, place
from .pages import Pages
from .typesetting import SMALL

#: How near the sheet's edge a cut ends that ends there, in points.
_AT = 6.0
#: Half a numbered ring, from the sheet to the rings beside it, and from row to row of them, in points.
_RING, _OFF, _ROW = 9.5, 15.0, 20.5
#: Room beside the drawing for rings and sizes: left, top, right, below, in points.
ROOM = (52.0, 30.0, 44.0, 34.0)
#: How far codes beside the sheet stand apart at least, so that two are not read as one, in points.
_APART = 4.0
#: How far a line to a code keeps off other pieces' middles; what running through one or through another such line, and what running
#: through words or a ring, is worth as a longer way; in points.
_CLEAR, _THROUGH, _OVER = 5.0, 120.0, 90.0
#: The type of a code on a piece.
_CODE = 13.0
#: Where words move to in their piece, off rings and marks, as shares of the room there is: right, and down.
_MOVED = (
    (0, 0), (0, 1), (0, -1), (0.25, 0), (-0.25, 0), (0.5, 0), (-0.5, 0), (1, 0), (-1, 0), (1, 1), (-1, 1), (1, -1), (-1, -1), (0.5, 1), (-0.5, -1),
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Told:
    """A cut as it is told: its number in the order of work, the cut, the pieces in what is kept."""

    n: int
    cut: SawCut
    pieces: tuple[str, ...]
    keeps: tuple[str, ...]


def inside(spot: Spot, board: Board) -> bool:
    """Whether a piece lies within a board."""
    long, wide = spot.reach
    return (
        board.x <= spot.x and board.y <= spot.y and spot.x + long <= board.x + board.length and spot.y + wide <= board.y + board.width
    )  # fmt: skip


class SheetPicture:
    """The drawing of a sheet."""

    def __init__(
        self, book: Pages, code: str, plan: Plan, sheet: CutSheet, goods: SheetGoods, names: Sequence[str], told: Sequence[Told],
    ) -> None:  # fmt: skip
        self.book, self.code, self.plan, self.sheet, self.goods, self.names = book, code, plan, sheet, goods, names
        self.told = told
        self.order = cuts_of(plan, sheet)
        self.parts: Mapping[str, Part] = {part.code: part for part in book.made.parts}
        self.taken: list[Box] = []
        #: Where marks stand that words keep off if they can.
        self.marks: list[Box] = []
        self.leaders: list[tuple[Point, Point]] = []

    def scale(self, wide: float, high: float) -> float:
        """Return points in a millimetre where it may be so wide and so high, with what stands around it."""
        left, top, right, low = ROOM
        supply = self.sheet.supply
        return min(
            (wide - left - right) / (supply.length / TICKS_PER_MM), (high - top - low) / (supply.width / TICKS_PER_MM)
        )

    def high(self, wide: float) -> float:
        """Return how high it comes out where it takes all of a width."""
        return self.scale(wide, inf) * self.sheet.supply.width / TICKS_PER_MM + ROOM[1] + ROOM[3]

    def draw(self, share: float) -> None:
        """Draw it on a share of the page at most, and go down below it."""
        book = self.book
        long, wide = self.sheet.supply.length / TICKS_PER_MM, self.sheet.supply.width / TICKS_PER_MM
        left, top, right, low = ROOM
        scale = self.scale(book.wide, (book.bottom - book.y) * share)
        x = book.left + left + (book.wide - left - right - long * scale) / 2
        self.view = View(scale, x, book.y + top + wide * scale)
        self.within = (book.left - 10, book.y - 2, book.left + book.wide + 10, book.y + top + wide * scale + low)
        self.edge: Box = (x, book.y + top, x + long * scale, book.y + top + wide * scale)
        replay(self._ground(), book.canvas, self.view)
        self._sizes(long, wide)
        for told in self.told:
            self._line(told)
        self._carets()
        for told in sorted(self.told, key=lambda each: (each.cut.level, each.n)):
            self._ring(told)
        # What is kept first: words on pieces move off lines to what is too small for words.
        for rest in self.order.rests:
            if kept(book.made.project, self.code, rest):
                self._rest(rest)
        rows = [
            (spot, name, self.order.strip_of(i))
            for i, (spot, name) in enumerate(zip(self.sheet.spots, self.names, strict=True))
        ]
        # From above: lines to codes beside the sheet do not cross.
        for spot, name, strip in sorted(rows, key=lambda row: (-row[0].y - row[0].reach[1], row[0].x)):
            self._piece(spot, name, strip)
        book.told_scale(scale)
        legend = "this edge lies against the fence or the stop"
        book.y = self.within[3] + 2
        if book.left + 36 + width_of(legend, SMALL + 1, False) > (self.edge[0] + self.edge[2]) / 2 - 20:
            # Below the sheet's length.
            book.y += 12
        book.canvas.polyline([(book.left, book.y), (book.left + 22, book.y)], "ink", 3.4, False)
        book.canvas.polyline(
            [(book.left + 7, book.y - 8), (book.left + 11, book.y - 2), (book.left + 15, book.y - 8)], "ink", 1.6, False
        )
        book.canvas.text(book.left + 30, book.y - 2, legend, SMALL + 1, "start", "ink", False)
        book.y += 12

    def _ground(self) -> Drawing:
        drawing = Drawing(self.sheet.supply.code)
        long, wide = self.sheet.supply.length / TICKS_PER_MM, self.sheet.supply.width / TICKS_PER_MM
        drawing.add(Area(0, 0, long, wide, "card", "ink", 1.4, "hatch"))
        for rest in self.order.rests:
            if kept(self.book.made.project, self.code, rest):
                x, y, dx, dy = (t / TICKS_PER_MM for t in (rest.x, rest.y, rest.length, rest.width))
                drawing.add(Area(x, y, dx, dy, "settled-wash", "settled", 1.0, "dots"))
        pattern = "grain-x" if self.goods.grained else ""
        for spot in self.sheet.spots:
            dx, dy = (reach / TICKS_PER_MM for reach in spot.reach)
            x, y = spot.x / TICKS_PER_MM, spot.y / TICKS_PER_MM
            drawing.add(Area(x, y, dx, dy, tint(self.parts[spot.code].case), "ink", 1.1, pattern))
        return drawing

    def _sizes(self, long: float, wide: float) -> None:
        left, _, right, low = self.edge
        write = self.book.write
        for text, x, y, upright in (
            (write(Length(self.sheet.supply.length)), (left + right) / 2, low + 34, False),
            (write(Length(self.sheet.supply.width)), left - 42, (self.edge[1] + low) / 2, True),
        ):
            wide_text = width_of(text, 13.0, True)
            self._put(Words(x if upright else x - wide_text / 2, y, text, 13.0, "ink", True, upright))

    # Cuts

    def _ends(self, cut: SawCut) -> tuple[tuple[float, float], tuple[float, float]]:
        """Return where a cut begins and ends on the page."""
        board, at = cut.board, cut.at / TICKS_PER_MM
        x, y = board.x / TICKS_PER_MM, board.y / TICKS_PER_MM
        if cut.way is CutWay.RIP:
            return self.view.at(x, at), self.view.at(x + board.length / TICKS_PER_MM, at)
        return self.view.at(at, y), self.view.at(at, y + board.width / TICKS_PER_MM)

    def _line(self, told: Told) -> None:
        one, two = self._ends(told.cut)
        self.book.canvas.polyline([one, two], "select", 2.2, told.cut.kind is CutKind.TRIM)

    def _ring(self, told: Told) -> None:
        """Put the number of a cut on its line, or beside the sheet with a leader."""
        (x0, y0), (x1, y1) = self._ends(told.cut)
        across = told.cut.way is CutWay.CROSS
        left, top, right, low = self.edge
        places: list[tuple[float, float]] = []
        # From the edge of the sheet: where the cut begins or ends there, outside it.
        if across:
            if abs(y1 - top) < _AT:
                places += [
                    (x1 + side, top - _OFF - row * _ROW) for row in (0, 1) for side in (0.0, 13.0, -13.0, 26.0, -26.0)
                ]
            if abs(y0 - low) < _AT:
                places += [(x0 + side, low + _OFF) for side in (0.0, 13.0, -13.0, 26.0, -26.0)]
        else:
            if abs(x0 - left) < _AT:
                places += [
                    (left - _OFF - row * _ROW, y0 + side) for row in (0, 1) for side in (0.0, 12.0, -12.0, 22.0, -22.0)
                ]
            if abs(x1 - right) < _AT:
                places += [
                    (right + _OFF + row * _ROW, y1 + side) for row in (0, 1) for side in (0.0, 12.0, -12.0, 22.0, -22.0)
                ]
        on = [
            (x0 + (x1 - x0) * share, y0 + (y1 - y0) * share)
            for share in (0.16, 0.84, 0.3, 0.7, 0.5, 0.08, 0.92, 0.4, 0.6)
        ]
        places = (places[:5] + on + places[5:]) if places else on
        middle = ((x0 + x1) / 2, (y0 + y1) / 2)
        spare = [
            (middle[0] + dx, middle[1] + dy) for far in (16, 24, 34, 46, 60, 80) for dx, dy in ((far, 0), (-far, 0), (0, far), (0, -far), (far, far), (-far, -far))
        ]  # fmt: skip
        radius = ring_of(told.n)
        at = next((p for p in (*places, *spare) if self._ring_fits(p, radius)), places[0])
        self._draw_ring(at, told.n, (x0, y0), (x1, y1))

    def _ring_fits(self, at: tuple[float, float], radius: float) -> bool:
        box = _round(at, radius)
        inside = (
            box[0] >= self.within[0]
            and box[1] >= self.within[1]
            and box[2] <= self.within[2]
            and box[3] <= self.within[3]
        )
        return inside and not any(meet(box, other, 0.5) for other in self.taken)

    def _draw_ring(self, at: tuple[float, float], n: int, one: tuple[float, float], two: tuple[float, float]) -> None:
        canvas = self.book.canvas
        near = (
            min(max(at[0], min(one[0], two[0])), max(one[0], two[0])),
            min(max(at[1], min(one[1], two[1])), max(one[1], two[1])),
        )
        if abs(near[0] - at[0]) + abs(near[1] - at[1]) > 1:
            canvas.polyline([at, near], "select", 1.2, False)
        canvas.circle(*at, ring_of(n), "card", "select", 1.8)
        canvas.text(*at, str(n), FIGURE, "middle", "ink", True)
        self.taken.append(_round(at, ring_of(n)))

    def _carets(self) -> None:
        """Mark on every piece the edges that lay against the fence or the stop when it was cut to size."""
        canvas = self.book.canvas
        for spot in self.sheet.spots:
            long, wide = spot.reach
            for way in CutWay:
                cut = next((t.cut for t in reversed(self.told) if t.cut.way is way and inside(spot, t.cut.kept)), None)
                if cut is None or cut.by is With.LINE:
                    continue
                (x0, y0), (x1, y1) = (
                    self.view.at(spot.x / TICKS_PER_MM, spot.y / TICKS_PER_MM),
                    self.view.at((spot.x + long) / TICKS_PER_MM, (spot.y + wide) / TICKS_PER_MM),
                )
                if min(x1 - x0, y0 - y1) < 14:
                    continue
                if way is CutWay.RIP:
                    y, step = (y0, -6.0) if cut.low else (y1, 6.0)
                    x = x0 + min(14.0, (x1 - x0) * 0.3)
                    canvas.polyline([(x0, y), (x1, y)], "ink", 2.4, False)
                    canvas.polyline([(x - 4, y + step), (x, y), (x + 4, y + step)], "ink", 1.5, False)
                    self.marks.append((x - 4, min(y, y + step), x + 4, max(y, y + step)))
                else:
                    x, step = (x0, 6.0) if cut.low else (x1, -6.0)
                    y = y0 - min(14.0, (y0 - y1) * 0.3)
                    canvas.polyline([(x, y0), (x, y1)], "ink", 2.4, False)
                    canvas.polyline([(x + step, y - 4), (x, y), (x + step, y + 4)], "ink", 1.5, False)
                    self.marks.append((min(x, x + step), y - 4, max(x, x + step), y + 4))

    # Pieces and what is left over

    def _piece(self, spot: Spot, name: str, strip: str) -> None:
        part, write = self.parts[spot.code], self.book.write
        size = f"{write(part.cut_length.length)} × {write(part.cut_width.length)}"
        box = self._box(spot.x, spot.y, *spot.reach)
        also = f"{part.name} · {strip}" if strip else part.name
        self._written(box, name, [also, size])

    def _rest(self, rest: Board) -> None:
        size = f"{self.book.write(Length(rest.length))} × {self.book.write(Length(rest.width))}"
        self._written(self._box(rest.x, rest.y, rest.length, rest.width), f"keep {self.order.name_of(rest)}", [size])

    def _box(self, x: int, y: int, long: int, wide: int) -> Box:
        left, low = self.view.at(x / TICKS_PER_MM, y / TICKS_PER_MM)
        right, top = self.view.at((x + long) / TICKS_PER_MM, (y + wide) / TICKS_PER_MM)
        return left, top, right, low

    def _written(self, box: Box, code: str, lines: Sequence[str]) -> None:
        """Write a code and what else there is room for into a rectangle; beside it with a leader where it is too small."""
        left, top, right, low = box
        wide, high = right - left - 6, low - top - 4
        x, y = (left + right) / 2, (top + low) / 2
        for many in range(len(lines), -1, -1):
            rows = [(code, _CODE, True), *((line, FIGURE, False) for line in lines[len(lines) - many :])]
            tall = sum(size * 1.2 for _, size, _ in rows)
            fits = tall <= high and all(width_of(text, size, bold) <= wide for text, size, bold in rows)
            if fits and self._column(rows, x, y, box):
                return
        one = f"{code}  {lines[-1]}"
        for text, size in ((one, FIGURE), (code, _CODE), (code, FIGURE)):
            if (
                low - top >= size + 1
                and width_of(text, size, True) <= wide
                and self._column([(text, size, True)], x, y, box)
            ):
                return
        for text in (one, code):
            spare = (high + 2 - width_of(text, FIGURE, True)) / 2
            if wide >= 6 and spare >= 0:
                places = [Words(x, y + dy * spare, text, FIGURE, "ink", True, True) for dy in (0.0, -1.0, 1.0)]
                free = [each for each in places if not any(meet(each.box, b, 0.5) for b in self.taken)]
                if free:
                    self._put(min(free, key=lambda each: self._on_marks(each.box)))
                    return
        self._beside(x, y, code)

    def _beside(self, x: float, y: float, code: str) -> None:
        """Write a code outside the sheet, as near as there is room, with a line to its piece."""
        left, top, right, low = self.edge
        long, half = width_of(code, FIGURE, True), FIGURE / 2
        spots = [(right + 7, y + dy) for dy in range(-80, 81, 4)] + [
            (left - 7 - long, y + dy) for dy in range(-80, 81, 4)
        ]
        spots += [
            (x - long / 2 + dx, at) for dx in range(-120, 121, 6) for at in (top - 10, low + 10, top - 24, low + 24)
        ]
        free = [
            spot for spot in spots
            if self.within[0] <= spot[0] and spot[0] + long <= self.within[2] and self.within[1] <= spot[1] - half and spot[1] + half <= self.within[3]
            and not any(meet((spot[0] - _APART, spot[1] - half, spot[0] + long + _APART, spot[1] + half), box, 1.0) for box in self.taken)
        ]  # fmt: skip

        def far(spot: Point) -> float:
            # A line that runs through other things leaves open which of them is meant.
            led = _led((x, y), Words(*spot, code, FIGURE, "ink", True))
            way = abs(spot[0] + long / 2 - x) + abs(spot[1] - y)
            words_met = sum(runs_through((x, y), led, box) for box in self.taken)
            return way + _THROUGH * self._through((x, y), led) + _OVER * words_met

        home = Words(x - long / 2, y, code, FIGURE, "ink", True)
        words = Words(*min(free, key=far), code, FIGURE, "ink", True) if free else place(home, self.taken, self.within)
        near = _led((x, y), words)
        self.leaders.append(((x, y), near))
        self.book.canvas.polyline([(x, y), near], "ink", 0.9, False)
        self.book.canvas.circle(x, y, 2.0, "ink", "", 0)
        self._put(words)

    def _through(self, one: Point, two: Point) -> int:
        """Return how many middles of other pieces and lines to other codes a line runs through."""
        middles = sum(
            middle != one and from_line(middle, one, two) < _CLEAR
            for middle in (_middle(self._box(spot.x, spot.y, *spot.reach)) for spot in self.sheet.spots)
        )
        return middles + sum(cross(one, two, *line) for line in self.leaders)

    def _column(self, rows: Sequence[tuple[str, float, bool]], x: float, y: float, box: Box) -> bool:
        """Write lines under each other in a rectangle, moved off the rings; return whether there is such a place."""
        tall, wide = sum(size * 1.2 for _, size, _ in rows), max(width_of(t, s, b) for t, s, b in rows)
        left, top, right, low = box
        spare_x, spare_y = max(0.0, (right - left - wide) / 2 - 3), max(0.0, (low - top - tall) / 2 - 2)
        places = [(x + dx * spare_x, y + dy * spare_y) for dx, dy in _MOVED]
        boxes = [(a - wide / 2, b - tall / 2, a + wide / 2, b + tall / 2) for a, b in places]
        free = [each for each in boxes if not any(meet(each, other, 0.5) for other in self.taken)]
        if not free:
            return False
        around = min(free, key=self._on_marks)
        at = around[1]
        for text, size, bold in rows:
            middle = (around[0] + around[2]) / 2
            self._put(Words(middle - width_of(text, size, bold) / 2, at + size * 0.6, text, size, "ink", bold))
            at += size * 1.2
        return True

    def _on_marks(self, box: Box) -> int:
        """Return how many marks, and lines to codes beside the sheet, words would stand on."""
        return sum(meet(box, mark, 1.0) for mark in self.marks) + sum(runs_through(*line, box) for line in self.leaders)

    def _put(self, words: Words) -> None:
        """Write words, with nothing running through them."""
        self.book.page.strokes.append(words)
        self.taken.append(words.box)


def _middle(box: Box) -> Point:
    return (box[0] + box[2]) / 2, (box[1] + box[3]) / 2


def _led(at: Point, words: Words) -> Point:
    """Return where a line from a piece ends at words outside the sheet."""
    (x, y), box = at, words.box
    # At the middle of their end where they stand beside the piece, so that it is plain which words a line comes from.
    beside = not box[0] - 1 <= x <= box[2] + 1
    return (
        min(max(x, box[0] - 1), box[2] + 1), (box[1] + box[3]) / 2 if beside else min(max(y, box[1]), box[3]),
    )  # fmt: skip


def ring_of(n: int) -> float:
    """Return half the width of the ring around a number."""
    return max(_RING, width_of(str(n), FIGURE, True) / 2 + 2.5)


def _round(at: tuple[float, float], radius: float) -> Box:
    return at[0] - radius, at[1] - radius, at[0] + radius, at[1] + radius
