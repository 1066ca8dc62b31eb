# SPDX-License-Identifier: GPL-3.0-or-later
"""The cases as they are designed: from the front, cut through and taken apart, then the sums behind their sizes."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from ...drawing import case_views
from ...drawing.exploded import exploded
from ...drawing.look import Look
from ...shop.made import goods_words
from ..canvas.pdf_canvas import width_of
from .case_sums import Sum, asked, high, sums, write_sum
from .chapter import Chapter
from .flow import GUTTER, columns_filled
from .pages import EDGE, Pages
from .typesetting import PLAIN, TYPE

#: How high the drawings of a case are at least, at most, and in what steps they are tried, in points.
_LEAST, _MOST, _STEP = 128, 300, 4
#: How wide a case is drawn at least, in points, and how its width is shared out to the three drawings.
_WIDE, _SHARES = 500.0, (0.38, 0.36, 0.26)
#: From line to line, as a share of the type; what a heading, a case and the name of the sums keep from what is below, in points.
_LEADING, _HEAD, _APART, _NAME = 1.15, 6.0, 8.0, 20.0
_SUMS = "How their sizes come out"
_LEGEND = "In words what differs from case to case; the figure before an arrow is the case's own."


def case_pages(book: Pages) -> None:
    """Write the cases on as few pages as they go on with their sums, the drawings as large as that leaves them."""

    def begin() -> None:
        book.start(
            Chapter.MEASURE, "The cases", "", "From the front, cut through (a corner case from above), and taken apart."
        )

    def begin_sums() -> None:
        book.start(Chapter.MEASURE, _SUMS, "", _LEGEND)

    cases = _alike(book)
    if not cases:
        return
    begin()
    with book.set_as(_LEADING, PLAIN):
        told = sums(asked(book.made.numbers, [letter for letters in cases for letter in letters]), book.write)
        across = max(1, int((book.wide + GUTTER) // (_WIDE + GUTTER)))
        rows = [cases[i : i + across] for i in range(0, len(cases), across)]
        wide = (book.wide - (across - 1) * GUTTER) / across
        heads = [max(_head_high(book, letters, wide) for letters in row) for row in rows]
        drawn, _ = min(
            ((size, _pages(book, [head + size for head in heads], [high(book, each, book.column) for each in told])) for size in range(_LEAST, _MOST, _STEP)),
            key=lambda row: (row[1], -row[0]),
        )  # fmt: skip
        for row, head in zip(rows, heads, strict=True):
            if book.y + head + drawn > book.bottom:
                begin()
            top = book.y
            for i, letters in enumerate(row):
                book.y = top
                _case(book, letters, EDGE + i * (wide + GUTTER), wide, head, drawn)
            book.y = top + head + drawn + _APART
        if told:
            _write_sums(book, told, begin_sums)


def _alike(book: Pages) -> list[list[str]]:
    """Return the letters of the cases, those together that are the same to the last part."""
    found: dict[object, list[str]] = {}
    for case, assembly in book.made.built:
        if book.shows(case.letter):
            parts = tuple((part.role, part.box, part.goods, part.cuts, part.outline) for part in assembly.parts)
            sizes = tuple(number.length for number in assembly.outside)
            found.setdefault((sizes, parts, case.goods), []).append(case.letter)
    return list(found.values())


def _pages(book: Pages, rows: Sequence[float], told: Sequence[float]) -> int:
    """Return how many pages rows of cases of these heights take with their sums."""
    pages, y = 1, book.begun
    for row in rows:
        if y + row > book.bottom:
            pages, y = pages + 1, book.begun
        y += row + _APART
    while told:
        if y > book.begun:
            y += _NAME
        count = columns_filled(told, book.bottom - y, book.columns)
        # What is higher than a page goes on one all the same.
        told = told[count if y > book.begun else max(1, count) :]
        if told:
            pages, y = pages + 1, book.begun
    return pages


def _write_sums(book: Pages, told: Sequence[Sum], begin: Callable[[], None]) -> None:
    """Write the sums below the cases, their columns as high as each other where all have room there."""
    heights = [high(book, each, book.column) for each in told]
    if columns_filled(heights, book.bottom - book.y - _NAME, book.columns):
        name = f"{_SUMS}."
        book.line(EDGE, f"{name} {_LEGEND}".split(), TYPE, lead=len(name.split()), plain=book.plain)
        book.y += _NAME
    else:
        begin()
    flow = book.flow(book.columns, begin)
    room = book.bottom - book.y
    even = next((h for h in range(40, int(room), 4) if columns_filled(heights, h, book.columns) == len(heights)), room)
    flow.low = book.y + even
    for each in told:
        write_sum(book, flow, each)
    flow.end()


def _head(book: Pages, letters: Sequence[str]) -> tuple[str, str]:
    """Return the name of a case, and how it is built."""
    made, letter = book.made, letters[0]
    case = made.project.case(letter)
    title = ", ".join(f"{each} {made.project.case(each).name}" for each in letters)
    words = goods_words(made.project.rack.sheet_goods(case.goods), made.units)
    built = f"{words} · {case.frame.words} · {case.kick.words} · back {case.back.words} · top {case.top.words}"
    return title, f"The same to the last part, codes as in {letter} · {built}" if len(letters) > 1 else built


def _in_a_line(book: Pages, title: str, built: str, wide: float) -> bool:
    return book.in_a_line(built, wide - width_of(title, 14, True) - 12, book.plain)


def _head_high(book: Pages, letters: Sequence[str], wide: float) -> float:
    title, built = _head(book, letters)
    if _in_a_line(book, title, built, wide):
        return TYPE * _LEADING + _HEAD
    return book.high(title, wide, 14, True) + book.high(built, wide) + _HEAD


def _case(book: Pages, letters: Sequence[str], left: float, wide: float, head: float, drawn: float) -> None:
    """Draw a case below its name."""
    made, letter, top = book.made, letters[0], book.y
    title, built = _head(book, letters)
    if _in_a_line(book, title, built, wide):
        beside = width_of(title, 14, True) + 12
        book.canvas.text(left, top, title, 14, "start", "ink", True)
        book.words(left + beside, built, wide - beside)
    else:
        book.words(left, title, wide, 14, bold=True)
        book.words(left, built, wide)
    views = [case_views.elevation(made, letter), case_views.section(made, letter)]
    if made.assembly(letter).slant is not None:
        # A corner case is known by what it is from above.
        views[1] = case_views.plan(made, letter)
    views.append(exploded(made.assembly(letter), case_views.codes_by_role(made.parts, letter), Look()))
    at, x = top + head, left
    for share, view in zip(_SHARES, views, strict=True):
        book.draw(view, (x + 4, at, x + wide * share - 4, at + drawn - 4))
        x += wide * share
