# SPDX-License-Identifier: GPL-3.0-or-later
"""The first chapter: what the job is, for whom, how it looks, what it takes, what is open."""

from __future__ import annotations

from collections.abc import Sequence

from ...drawing import case_views
from ...drawing.exploded import exploded
from ...drawing.look import Look
from ...drawing.plan_view import plan_view
from ...drawing.run_view import run_view
from ...drawing.shapes import Drawing
from ...project.log_edits import open_items
from ...shop.plans import verdict
from ...shop.weights import kilograms, lifting
from ...snags.every import snags
from ..canvas.pdf_canvas import width_of
from ..canvas.recorded import Recorder
from ..lists.buying import boards_to_buy, cost, money, sheets_to_buy
from ..lists.log_words import entry_words
from .chapter import Chapter
from .day_pages import in_a_line
from .flow import GUTTER
from .pages import EDGE, Pages
from .table import Column, table
from .typesetting import TYPE


def cover_pages(book: Pages, contents: Sequence[Chapter]) -> None:
    """Write the cover, and further pages for snags it has no room for.

    Args:
        book: the pages.
        contents: the chapters that follow, for the list of them; pages are told once they are known.
    """
    made = book.made

    def begin() -> None:
        book.start(Chapter.COVER, made.project.name, "", made.project.place)

    begin()
    high = (book.bottom - book.y) * 0.40
    views = _views(book)
    each = high / len(views)
    for view in views:
        scale = book.draw(view, (EDGE, book.y, book.width - EDGE, book.y + each))
        book.told_scale(scale)
        book.y += each
    book.y += 14
    top, wide = book.y, (book.wide - GUTTER) / 2
    _facts(book, wide)
    left = book.y
    book.y = top
    _contents(book, contents, EDGE + wide + GUTTER, wide)
    book.y = max(book.y, left) + 8
    _open(book)


def _views(book: Pages) -> list[Drawing]:
    """Return the whole job: its longest walls from the front, the room from above; else its cases one by one."""
    made = book.made
    lines = [
        (sum(1 for p in (*made.line(n).places, *made.line(n, True).places) if p.letter), -n)
        for n, _ in enumerate(made.rooms, start=1)
    ]
    walls = [-n for count, n in sorted(lines, reverse=True) if count]
    if not walls:
        return [_apart(book, case.letter) for case, _ in made.built[:2]] or [plan_view(made, 0)]
    return [run_view(made, walls[0], "")]


def _apart(book: Pages, letter: str) -> Drawing:
    return exploded(book.made.assembly(letter), case_views.codes_by_role(book.made.parts, letter), Look())


def _facts(book: Pages, wide: float) -> None:
    """Sheets, boards, weight, money, days and the cases."""
    made = book.made
    book.heading(EDGE, "What it takes")
    book.words(EDGE, f"{verdict(book.plans)}.", wide, bold=True)
    for name, count in sheets_to_buy(made, book.plans):
        book.words(EDGE, f"{count} × {name}", wide)
    boards = boards_to_buy(made)
    for line in boards:
        book.words(EDGE, line, wide)
    total, unknown = cost(made, book.plans)
    if total:
        book.words(
            EDGE, f"Stock comes to {money(total)}" + (f", without {', '.join(unknown)}." if unknown else "."), wide
        )
    if made.built:
        weight = sum(kilograms(made, assembly) * case.copies for case, assembly in made.built)
        book.words(EDGE, f"It weighs {made.units.weigh(weight)} in all.", wide)
    line = in_a_line(book)
    if line:
        book.words(EDGE, line, wide)


def _contents(book: Pages, contents: Sequence[Chapter], x: float, wide: float) -> None:
    """Leave room for the list of chapters; it is written once the pages are known (``fill_contents``)."""
    book.heading(x, "In this book")
    for chapter in contents:
        book.page.links.append(((x, book.y - 8, x + wide, book.y + 8), f"chapter-{chapter.value}"))
        book.y += 16


def fill_contents(book: Pages, contents: Sequence[Chapter]) -> None:
    """Write the chapters there are on the cover, each with the number of its first page, and let it lead there."""
    first: dict[str, int] = {}
    for number, page in enumerate(book.pages, start=1):
        for name in page.chapters:
            first.setdefault(name, number)
    cover = book.pages[0]
    places = [box for box, _ in cover.links]
    cover.links.clear()
    told = [chapter for chapter in contents if chapter.value in first and chapter is not Chapter.COVER]
    canvas = Recorder(cover)
    for (left, top, right, low), chapter in zip(places, told, strict=False):
        middle, text = (top + low) / 2, str(first[chapter.value])
        canvas.text(left, middle, chapter.words, TYPE, "start", "ink", False)
        canvas.text(right, middle, text, 12.0, "end", "ink", True)
        begins = left + width_of(chapter.words, TYPE, False) + 6
        canvas.polyline([(begins, low - 4), (right - width_of(text, 12.0, True) - 6, low - 4)], "line", 0.8, True)
        cover.links.append(((left, top, right, low), f"chapter-{chapter.value}"))


def _open(book: Pages) -> None:
    """Cases, snags and open items."""
    made = book.made
    flow = book.flow(2, lambda: book.start(Chapter.COVER, f"{made.project.name}: what is open"))
    flow.need(30)
    book.heading(flow.x, "Cases")
    for case in made.project.cases:
        size = " × ".join(book.write(number.length) for number in made.assembly(case.letter).outside)
        text = f"{case.letter}  {case.name}: {size} (w, h, d), {lifting(made, made.assembly(case.letter))}"
        flow.need(book.high(text, flow.wide))
        book.words(flow.x, text, flow.wide)
    book.y += 6
    found = snags(made)
    flow.need(90 if found else 20)
    book.heading(flow.x, "Snags" if found else "No snags")
    for snag in found:
        text = f"{snag.level.words}: {snag.sentence}"
        flow.need(book.high(text, flow.wide - 18) + 3)
        book.tick(flow.x, book.y)
        book.words(flow.x + 18, text, flow.wide - 18)
        book.y += 3
    still = open_items(made.project)
    if still:
        flow.need(36)
        book.y += 4
        book.heading(flow.x, "Still open in the log")
        for _, entry in still:
            text = entry_words(entry)
            flow.need(book.high(text, flow.wide - 18) + 3)
            book.tick(flow.x, book.y)
            book.words(flow.x + 18, text, flow.wide - 18)
            book.y += 3
    flow.end()


def changes_page(book: Pages, since: int, rows: Sequence[tuple[str, str]]) -> None:
    """Write what changed since a page set that was printed.

    Args:
        book: the pages.
        since: its number.
        rows: what, and how it changed.
    """

    def begin() -> None:
        book.start(Chapter.COVER, f"What changed since page set {since}")

    begin()
    if not rows:
        book.words(EDGE, "Nothing that stands on paper.", book.wide)
        return
    columns = (Column("", 0, "tick"), Column("what", 22, bold=True, wide=150), Column("how", 180, wide=book.wide - 180))
    table(book, columns, [("x", *row) for row in rows], begin)
