# SPDX-License-Identifier: GPL-3.0-or-later
"""What was measured, how everything stands there, and each case as it is designed, with the sums behind its sizes."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from ...drawing import case_views
from ...drawing.exploded import exploded
from ...drawing.look import Look
from ...drawing.plan_view import plan_view
from ...drawing.replay import fitted
from ...drawing.room_view import room_view
from ...drawing.run_view import run_view
from ...drawing.shapes import Drawing
from ...reckoning import Reckoned
from ...room.island import FREE
from ...shop.made import goods_words
from ..canvas.pdf_canvas import width_of
from .chapter import Chapter
from .flow import GUTTER
from .pages import EDGE, Pages
from .typesetting import LEADING, PLAIN, TYPE


def measure_pages(book: Pages) -> None:
    """Write the walls as measured and as they are filled, the room from above, then case by case."""
    _walls(book)
    _cases(book)


def _walls(book: Pages) -> None:
    made = book.made
    title = "The space, as measured" if len(made.rooms) == 1 else "The rooms, as measured"

    def begin() -> None:
        book.start(Chapter.MEASURE, title)

    begin()
    walls = [_wall(book, number) for number, _ in enumerate(made.rooms, start=1)]
    while walls:
        count = 2 if len(walls) > 1 and all(each.narrow(book) for each in walls[:2]) else 1
        beside, walls = walls[:count], walls[count:]
        wide = (book.wide - (count - 1) * GUTTER) / count
        words = max(book.high(each.words, wide) for each in beside)
        if book.y + 20 + words + _WALL > book.bottom:
            begin()
        high = min(_WALL, (book.bottom - book.y) / 2 - 40) if len(made.rooms) > 1 else _WALL
        top = book.y
        for i, each in enumerate(beside):
            x, book.y = EDGE + i * (wide + GUTTER), top
            book.heading(x, each.name)
            book.words(x, each.words, wide)
            at = top + 22 + words
            book.draw(each.view, (x, at, x + wide, at + high))
        book.y = top + 22 + words + high + 10
    if len(made.rooms) > 1:
        if book.y + 240 > book.bottom:
            begin()
        book.heading(EDGE, "From above; what hangs is drawn with broken lines")
        low = min(book.bottom, book.y + 330)
        book.draw(plan_view(made, 0), (EDGE, book.y, book.width - EDGE, low))
        book.y = low


#: How high a wall is drawn at most, in points, and what of its scale it may lose where two stand beside each other.
_WALL, _LOSES = 262.0, 0.8


@dataclass(frozen=True, slots=True)
class _Wall:
    """A wall as it stands on paper: its name, what was measured, and its view."""

    name: str
    words: str
    view: Drawing

    def narrow(self, book: Pages) -> bool:
        """Whether half the page is as good as wide enough for it."""
        whole, half = (
            fitted(self.view, 0, 0, wide, _WALL, None).scale for wide in (book.wide, (book.wide - GUTTER) / 2)
        )
        return half >= whole * _LOSES


def _wall(book: Pages, number: int) -> _Wall:
    made = book.made
    room, line = made.rooms[number - 1], made.line(number)
    filled = bool(line.places or made.line(number, True).places)
    texts = []
    for reading, width in zip(room.wall.widths, room.widths, strict=True):
        up = f", {book.write(reading.up)} up" if reading.up is not None else ""
        texts.append(f"{book.write(width.length)} wide at {reading.words}{up} ({reading.method.words})")
    texts += [
        f"{book.write(also.length)} {also.label}"
        for also in (room.ceiling, room.mouth, room.rising, room.falling, room.usable) if also is not None
    ]  # fmt: skip
    over = line.left_over
    if over is not None and line.usable is not None and line.places:
        texts.append(f"{book.write(over) if over.ticks >= 0 else '0'} of {book.write(line.usable.length)} is left over")
    if room.wall.island is not None:
        texts.append(FREE)
    words = "; ".join(texts) + "." if texts else "Not measured yet."
    return _Wall(room.wall.name, words, run_view(made, number, "") if filled else room_view(made, number))


def _cases(book: Pages) -> None:
    """Two cases a page, three where there is room: from the front, cut through or from above, taken apart, and their sums."""

    def begin() -> None:
        book.start(
            Chapter.MEASURE, "The cases", "", "From the front, cut through (a corner case from above), and taken apart."
        )

    book.plain, book.leading = PLAIN, _LEADING
    left = [(letters, _LEAST + _sums_high(book, letters[0])) for letters in _alike(book)]
    while left:
        begin()
        room = book.bottom - book.y
        count = max(1, next((n for n in range(len(left), 1, -1) if sum(high for _, high in left[:n]) <= room), 1))
        # What is left of the page makes the drawings larger, as far as they gain by it.
        more = min(_MOST - _LEAST, (room - sum(high for _, high in left[:count])) / count)
        top = book.y
        for letters, high in left[:count]:
            _case(book, letters, top, high + more - 8)
            top += high + more
        left = left[count:]
    book.plain, book.leading = 1.0, LEADING


def _alike(book: Pages) -> list[list[str]]:
    """Return the letters of the cases, those together that are the same to the last part and sum."""
    found: dict[object, list[str]] = {}
    for case, assembly in book.made.built:
        if book.shows(case.letter):
            parts = tuple((part.role, part.box, part.goods, part.cuts, part.outline) for part in assembly.parts)
            sizes = tuple(number.length for number in assembly.outside)
            found.setdefault((sizes, parts, tuple(_sums(book, case.letter)), case.goods), []).append(case.letter)
    return list(found.values())


#: What the drawings of a case and its heading take at least, and at most, in points.
_LEAST, _MOST = 158.0, 400.0
#: From line to line, as a share of the type.
_LEADING = 1.15


def _sums(book: Pages, letter: str) -> list[str]:
    """Return the sums of a case people ask about."""
    return [_line(book, number) for number in _numbers(book, letter)]


def _columns_of(book: Pages, letter: str) -> list[Sequence[str]]:
    """Return the sums of a case in two columns, cut where they come out as equal as can be."""
    sums, half = _sums(book, letter), (book.wide - GUTTER) / 2
    high = [book.high(text, half) for text in sums]
    cut = min(range(len(sums) + 1), key=lambda n: (max(sum(high[:n]), sum(high[n:])), -n))
    return [sums[:cut], sums[cut:]]


def _sums_high(book: Pages, letter: str) -> float:
    """Return how high the sums of a case come out."""
    half = (book.wide - GUTTER) / 2
    return max((sum(book.high(text, half) for text in column) for column in _columns_of(book, letter)), default=0.0)


def _case(book: Pages, letters: Sequence[str], top: float, high: float) -> None:
    made, letter = book.made, letters[0]
    case = made.project.case(letter)
    book.y = top
    title = ", ".join(f"{each} {made.project.case(each).name}" for each in letters)
    words = goods_words(made.project.rack.sheet_goods(case.goods), made.units)
    built = f"{words} · {case.frame.words} · {case.kick.words} · back {case.back.words} · top {case.top.words}"
    if len(letters) > 1:
        built = f"The same to the last part, codes as in {letter} · {built}"
    beside = width_of(title, 14, True) + 12
    if beside + width_of(built, TYPE, False) <= book.wide:
        book.canvas.text(EDGE, top, title, 14, "start", "ink", True)
        book.words(EDGE + beside, built, book.wide - beside)
        book.y += 4
    else:
        book.words(EDGE, title, book.wide, 14, bold=True)
        book.words(EDGE, built, book.wide)
    half = (book.wide - GUTTER) / 2
    columns, low = _columns_of(book, letter), _sums_high(book, letter)
    room = max(110.0, top + high - book.y - low - 12)
    views = [case_views.elevation(made, letter), case_views.section(made, letter)]
    if made.assembly(letter).slant is not None:
        # A corner case is known by what it is from above.
        views[1] = case_views.plan(made, letter)
    views.append(exploded(made.assembly(letter), case_views.codes_by_role(made.parts, letter), Look()))
    x = EDGE
    for share, view in zip((0.38, 0.36, 0.26), views, strict=True):
        wide = book.wide * share
        book.draw(view, (x + 4, book.y, x + wide - 4, book.y + room - 4))
        x += wide
    at = book.y + room + 6
    for i, column in enumerate(columns):
        book.y = at
        for text in column:
            book.words(EDGE + i * (half + GUTTER), text, half)


#: Numbers people ask about, by the ends of their keys.
_KEYS = (
    "width", "plan.across", "side.left/width", "inside.width", "inside.depth", "bottom/length", "back/width", "back/length", "top/length",
    "frame.between", "partition/length", "fixed/length", "shelf/length", "shelf/width", "door/width", "door/length",
)  # fmt: skip


def _numbers(book: Pages, letter: str) -> list[Reckoned]:
    found = [book.made.numbers[f"{letter}/{key}"] for key in _KEYS if f"{letter}/{key}" in book.made.numbers]
    return [number for number in found if number.terms]


def _line(book: Pages, number: Reckoned) -> str:
    if not number.terms:
        return f"{number.label} {book.write(number.length)}, {number.source}"
    return f"{number.label}: {sum_words(book, number)} = {book.write(number.length)}"


def sum_words(book: Pages, number: Reckoned) -> str:
    """Return a sum so that it is read once: ``22 9/16 inside + 2 × 1/4 dado``."""
    first = number.terms[0].item
    if len(number.terms) == 1 and first.shared_among > 1 and first.terms:
        return f"({sum_words(book, first)}) ÷ {first.shared_among}"
    pieces = []
    for i, term in enumerate(number.terms):
        sign = "" if i == 0 and term.sign > 0 else ("+ " if term.sign > 0 else "− ")
        times = f"{term.times} × " if term.times != 1 else ""
        pieces.append(f"{sign}{times}{book.write(term.item.length)} {term.item.label}")
    return " ".join(pieces)
