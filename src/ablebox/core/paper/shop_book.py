# SPDX-License-Identifier: GPL-3.0-or-later
"""The shop book: chapters in the order of work, from what it is to how it is looked after."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence

from ..cuts.plan import Plan
from ..project.tree import Project
from ..shop.made import Made
from .book_bench import bench_pages
from .book_buy import buy_pages
from .book_care import care_pages
from .book_cover import changes_page, cover_pages, days_pages, fill_contents
from .book_cuts import boards_pages, sheets_pages
from .book_finish import finish_pages
from .book_fit import fit_pages
from .book_machine import machine_pages
from .book_measure import measure_pages
from .chapter import Chapter
from .pages import Pages, pdf_of
from .paper_size import Paper, paper, usual_paper
from .recorded import Page

_CHAPTERS: dict[Chapter, Callable[[Pages], None]] = {
    Chapter.MEASURE: measure_pages, Chapter.BUY: buy_pages, Chapter.SHEETS: sheets_pages, Chapter.BOARDS: boards_pages,
    Chapter.MACHINE: machine_pages, Chapter.BENCH: bench_pages, Chapter.FINISH: finish_pages, Chapter.FIT: fit_pages, Chapter.CARE: care_pages,
}  # fmt: skip


def paper_of(project: Project, locale: str = "") -> Paper:
    """Return the size of paper a project is printed on: the one chosen, else the one usual where its locale is spoken."""
    return usual_paper(locale, project.units.system)


def book_pages(
    made: Made, plans: Mapping[str, Plan], on: Paper | None = None, date: str = "", chapters: Sequence[Chapter] = (), revision: int = 0,
    changed: tuple[int, Sequence[tuple[str, str]]] | None = None,
) -> list[Page]:  # fmt: skip
    """Return the pages of a shop book.

    Args:
        made: what was made.
        plans: the cut plan of each kind of sheet, by its code.
        on: the size of paper; the usual one if not given.
        date: as it stands at the foot.
        chapters: which; all if none is named.
        revision: number of the page set; 0 where nothing was printed yet.
        changed: the page set before and what changed since, as a page; ``None`` for none.
    """
    book = Pages(made, plans, on or paper_of(made.project), date, revision)
    wanted = [each for each in Chapter if not chapters or each in chapters]
    if Chapter.COVER in wanted:
        cover_pages(book, [each for each in wanted if each is not Chapter.COVER])
        days_pages(book)
    if changed is not None:
        changes_page(book, *changed)
    for chapter in wanted:
        if chapter in _CHAPTERS:
            _CHAPTERS[chapter](book)
    if not book.pages:
        book.start(wanted[0], wanted[0].words, "", "Nothing stands in this chapter yet.")
    if Chapter.COVER in wanted:
        fill_contents(book, wanted)
    return book.finish()


def shop_book(
    made: Made,
    plans: Mapping[str, Plan],
    on: Paper | None = None,
    date: str = "",
    chapters: Sequence[Chapter] = (),
    revision: int = 0,
) -> bytes:
    """Return the shop book of a project as PDF; see ``book_pages``."""
    return pdf_of(book_pages(made, plans, on, date, chapters, revision), f"{made.project.name}: shop book")


__all__ = ["book_pages", "paper", "paper_of", "shop_book"]
