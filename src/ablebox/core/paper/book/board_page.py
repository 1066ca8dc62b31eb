# SPDX-License-Identifier: GPL-3.0-or-later
"""Boards as they are ripped and cut: a row for each strip, its width before it, its pieces on it, ticked when it is cut up."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence

from ...cuts.boards import Stick
from ...cuts.rips import Ripped, RipPlan, Strip
from ...drawing.palette import tint
from ...lengths import ZERO, Length
from ...shop.boards import board_plans
from ...stock import BoardGoods
from ..canvas.pdf_canvas import width_of
from .chapter import Chapter
from .pages import EDGE, Pages
from .typesetting import PLAIN, TYPE
from .writing import BOX

#: A strip as it is drawn, from one to the next, words beneath it, and from a board to the next, in points.
_HIGH, _NEXT, _BENEATH, _APART = 14.2, 16.0, 13.0, 6.0
#: What words keep from the ends of the piece they stand on, and from other words beside them, in points.
_OFF, _BESIDE = 2.5, 10.0
#: From line to line, as a share of the type.
_LEADING = 1.14


def board_pages(book: Pages) -> None:
    """Write which part is cut from which board."""
    plans = board_plans(book.made)
    if not plans:
        return

    def begin() -> None:
        under = (
            "Rip each strip at the width before it, then cut off its pieces, the longest first; an inch (25 mm) is off each end, and a kerf "
            "between two parts. Lengths are to scale, widths are not."
        )
        book.start(Chapter.BOARDS, "Boards", "", under)

    begin()
    with book.set_as(_LEADING, PLAIN):
        for goods, plan in plans:
            _goods(book, goods, plan, begin)


def _goods(book: Pages, goods: BoardGoods, plan: RipPlan, begin: Callable[[], None]) -> None:
    boards = [_Board(book, goods, plan, number) for number in range(1, len(plan.boards) + 1)]
    planed = _planed(book, goods)
    proven = ": no plan takes less length of board" if plan.proven else ""
    above = 18.0 + (book.high(planed, book.wide) + 3 if planed else 0.0)
    if book.y + above + boards[0].high > book.bottom:
        begin()
    book.heading(EDGE, f"{goods.name}{proven}")
    if planed:
        book.words(EDGE, planed, book.wide)
        book.y += 3
    for board in boards:
        if book.y + board.high > book.bottom:
            begin()
        board.write()
    book.y += 8


def _planed(book: Pages, goods: BoardGoods) -> str:
    """Return how much larger than they end up strips are ripped and pieces are cut; empty for nothing."""
    told = []
    if goods.extra_width > ZERO:
        told.append(
            f"joint an edge and plane it {book.write(goods.extra_width)} narrower, as is written behind the arrow"
        )
    if goods.extra_length > ZERO:
        told.append(f"square its pieces {book.write(goods.extra_length)} shorter than they are cut")
    return f"From each strip: {', then '.join(told)}." if told else ""


class _Board:
    """A board on paper.

    Args:
        book: the pages.
        goods: what it is.
        plan: what is cut from which board.
        number: of the board, from 1.
    """

    def __init__(self, book: Pages, goods: BoardGoods, plan: RipPlan, number: int) -> None:
        self.book, self.goods, self.plan = book, goods, plan
        self.board: Ripped = plan.boards[number - 1]
        plank = self.board.plank
        source = "bought"
        if plank.count is not None:
            source = "from the rack" + (f", from {book.write(Length(plank.at))} on" if plank.at else "")
        self.title = f"Board {number}: {plank.code}, {book.write(Length(plank.length))} long, {source}"
        # All boards of a kind stand at one scale, widths before their strips.
        rips = [self._rip(each, strip) for each in plan.boards for strip in each.strips]
        self.left = BOX + 6 + max((width_of(rip, TYPE, True) for rip in rips), default=0.0) + 6
        longest = max(each.plank.length for each in plan.boards)
        self.scale = (book.wide - self.left) / longest
        self.notes = self._notes()
        self.beside = width_of(self.title, TYPE, True) + 16

    @property
    def high(self) -> float:
        """How high it comes out."""
        rows = sum(_NEXT + (_BENEATH * len(self._placed(strip))) for strip in self.board.strips)
        return self._head_high + rows + _APART

    @property
    def _head_high(self) -> float:
        notes = self.book.high(self.notes, self.book.wide - self.beside) if self.notes else 0.0
        return max(TYPE * _LEADING, notes) + 1

    def write(self) -> None:
        """Write it, and go down below it."""
        # What is written stands with its middle at a place, strips below theirs.
        book, top = self.book, self.book.y
        book.y = top = top + TYPE / 2 - 2
        book.canvas.text(EDGE, top, self.title, TYPE, "start", "ink", True)
        if self.notes:
            book.words(EDGE + self.beside, self.notes, book.wide - self.beside)
        book.y = top - (TYPE / 2 - 2) + self._head_high
        for strip in self.board.strips:
            self._strip(strip)
        book.y += _APART

    def _rip(self, board: Ripped, strip: Strip) -> str:
        """Return the width a strip is ripped at, and planed to; that of the board where nothing is ripped."""
        if strip.width >= board.plank.width and self.goods.extra_width == ZERO:
            return "whole"
        return self._width(strip.width)

    def _width(self, ticks: int) -> str:
        """Return a width as it is ripped, and what it is planed to where it is."""
        planed = (
            f" → {self.book.write(Length(ticks) - self.goods.extra_width)}" if self.goods.extra_width > ZERO else ""
        )
        return f"{self.book.write(Length(ticks))}{planed}"

    def _size(self, stick: Stick) -> str:
        return self.book.write(Length(stick.length))

    def _narrower(self, strip: Strip, stick: Stick) -> str:
        """Return what a piece is ripped to once it is cut off; empty where it is as wide as its strip."""
        width = self.plan.widths.get(stick.code, strip.width)
        return self._width(width) if width < strip.width else ""

    def _on(self, stick: Stick) -> str:
        """Return what stands on a piece: code and length, the code alone, or nothing, as there is room."""
        room = stick.length * self.scale - 2 * _OFF
        texts = (f"{stick.code}  {self._size(stick)}", stick.code)
        return next((text for text in texts if width_of(text, TYPE, True) <= room), "")

    def _notes(self) -> str:
        """Return what of the pieces does not stand on them: lengths there is no room for, and what is ripped once more."""
        found: dict[str, dict[str, list[str]]] = {}
        for strip in self.board.strips:
            for stick in strip.cut.sticks:
                size = self._size(stick) if self._on(stick) == stick.code else ""
                narrower = self._narrower(strip, stick)
                if size or narrower:
                    found.setdefault(narrower, {}).setdefault(size, []).append(stick.code)
        told = []
        for narrower, sizes in found.items():
            codes = ", ".join(
                ", ".join(each) + (f" at {size}" if size else "")
                for size, each in sorted(sizes.items(), key=lambda row: row[0] == "")
            )
            told.append(f"{codes}: then ripped to {narrower}" if narrower else codes)
        return "; ".join(told)

    def _beneath(self, strip: Strip) -> list[tuple[float, str]]:
        """Return the words beneath a strip, with the middle of the piece each belongs to."""
        return [
            (x + long / 2, f"{stick.code}  {self._size(stick)}")
            for stick, x, long in self._pieces(strip)
            if not self._on(stick)
        ]

    def _pieces(self, strip: Strip) -> Iterator[tuple[Stick, float, float]]:
        """Return the pieces of a strip, each with where it begins on its board and how long it is drawn."""
        x = self.board.plank.loss
        for stick in strip.cut.sticks:
            yield stick, x * self.scale, stick.length * self.scale
            x += stick.length + self.book.made.project.rack.saw.kerf.ticks

    def _placed(self, strip: Strip) -> list[list[tuple[float, float, str]]]:
        """Return the words beneath a strip row by row: left end, the middle of their piece, and what is said."""
        words = self._beneath(strip)
        rows: list[list[tuple[float, float, str]]] = []
        room = self.book.wide - self.left
        while words:
            # A line to a lower row passes at the right of all words above it.
            limits = [*(middle - _BESIDE / 2 for middle, _ in words[1:]), room]
            count = next((n for n in range(len(words), 1, -1) if _long(words[:n]) <= limits[n - 1]), 1)
            rows.append(_pushed(words[:count], limits[count - 1]))
            words = words[count:]
        return rows

    def _strip(self, strip: Strip) -> None:
        book, canvas = self.book, self.book.canvas
        x0, y, board = EDGE + self.left, self.book.y, self.board
        low = y + _HIGH
        book.tick(EDGE, y + _HIGH / 2)
        canvas.text(x0 - 6, y + _HIGH / 2, self._rip(board, strip), TYPE, "end", "ink", True)
        _bar(canvas.polygon, x0, y, board.plank.length * self.scale, low, "card", "quiet", 0.8)
        ends = x0
        for stick, x, long in self._pieces(strip):
            _bar(canvas.polygon, x0 + x, y, long, low, tint(stick.code.partition("-")[0]), "ink", 1.0)
            canvas.text(x0 + x + long / 2, y + _HIGH / 2, self._on(stick), TYPE, "middle", "ink", True)
            ends = x0 + x + long + book.made.project.rack.saw.kerf.ticks * self.scale
        left = strip.cut.rest * self.scale
        words = f"{book.write(Length(strip.cut.rest))} left"
        if strip.cut.rest and width_of(words, TYPE, False) + 2 * _OFF <= left:
            canvas.text(ends + left / 2, y + _HIGH / 2, words, TYPE, "middle", "ink", False)
        at, rows = low + _BENEATH / 2 + 1, self._placed(strip)
        for row in rows:
            for begins, middle, text in row:
                wide = width_of(text, TYPE, True)
                canvas.polyline(
                    [(x0 + middle, low - 4), (x0 + min(max(middle, begins), begins + wide), at - TYPE / 2)],
                    "ink",
                    0.7,
                    False,
                )
                canvas.text(x0 + begins, at, text, TYPE, "start", "ink", True)
            at += _BENEATH
        book.y = y + _NEXT + _BENEATH * len(rows)


def _bar(
    polygon: Callable[..., None], x: float, y: float, long: float, low: float, fill: str, line: str, weight: float
) -> None:
    polygon([(x, y), (x + long, y), (x + long, low), (x, low)], fill, line, weight, False)


def _long(words: Sequence[tuple[float, str]]) -> float:
    return sum(width_of(text, TYPE, True) for _, text in words) + _BESIDE * (len(words) - 1)


def _pushed(words: Sequence[tuple[float, str]], limit: float) -> list[tuple[float, float, str]]:
    """Return words as near to the middles of their pieces as they stand beside each other, none beyond a limit."""
    begins: list[float] = []
    end = -_BESIDE
    for middle, text in words:
        wide = width_of(text, TYPE, True)
        begins.append(max(end + _BESIDE, middle - wide / 2))
        end = begins[-1] + wide
    for i in range(len(words) - 1, -1, -1):
        begins[i] = max(0.0, min(begins[i], limit - width_of(words[i][1], TYPE, True)))
        limit = begins[i] - _BESIDE
    return [(at, middle, text) for at, (middle, text) in zip(begins, words, strict=True)]
