# SPDX-License-Identifier: GPL-3.0-or-later
"""The shop book: chapters in the order of work, from what it is to how it is looked after."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from ...cuts.plan import Plan
from ...project.tree import Project
from ...shop.made import Made
from ..canvas.page_files import as_svg
from ..canvas.paper_size import NAMES, Paper, paper, usual_paper
from ..canvas.recorded import Page
from .bench import bench_pages
from .buy import buy_pages
from .care import care_pages
from .chapter import Chapter
from .cover import changes_page, cover_pages, fill_contents
from .cuts import boards_pages, sheets_pages
from .day_pages import days_pages
from .finish import finish_pages
from .fit import fit_pages
from .machine import machine_pages
from .measure import measure_pages
from .pages import Pages, pdf_of

_CHAPTERS: dict[Chapter, Callable[[Pages], None]] = {
    Chapter.MEASURE: measure_pages, Chapter.BUY: buy_pages, Chapter.SHEETS: sheets_pages, Chapter.BOARDS: boards_pages,
    Chapter.MACHINE: machine_pages, Chapter.BENCH: bench_pages, Chapter.FINISH: finish_pages, Chapter.FIT: fit_pages, Chapter.CARE: care_pages,
}  # fmt: skip


def paper_of(project: Project, locale: str = "") -> Paper:
    """Return the size of paper a project is printed on: the one it keeps, else the one usual where a locale is spoken."""
    kept = project.paper.size
    return paper(kept) if kept in NAMES else usual_paper(locale, project.units.system)


@dataclass(frozen=True, slots=True)
class Wanted:
    """What is wanted of a book.

    Args:
        on: the size of paper; the project's own if not given.
        date: as it stands at the foot.
        chapters: which; those the project keeps, or all, if none is named.
        cases: letters of the cases told one by one; those the project keeps, or all, if none is named.
        changed: the page set before and what changed since, as a page; ``None`` for none.
    """

    on: Paper | None = None
    date: str = ""
    chapters: Sequence[Chapter] = ()
    cases: Sequence[str] = ()
    changed: tuple[int, Sequence[tuple[str, str]]] | None = None


def book_pages(made: Made, plans: Mapping[str, Plan], wanted: Wanted = Wanted()) -> list[Page]:
    """Return the pages of a shop book.

    Args:
        made: what was made.
        plans: the cut plan of each kind of sheet, by its code.
        wanted: what is wanted of it.
    """
    kept = made.project.paper
    # Letters of cases that are gone say nothing; where none is left all are told.
    there = {case.letter for case in made.project.cases}
    cases = tuple(letter for letter in wanted.cases or kept.cases if letter in there)
    chosen = wanted.chapters or [each for each in Chapter if each.value in kept.chapters]
    told = [each for each in Chapter if not chosen or each in chosen]
    book = Pages(made, plans, wanted.on or paper_of(made.project), wanted.date, kept.revision, cases, told)
    if Chapter.COVER in told:
        cover_pages(book, [each for each in told if each is not Chapter.COVER])
        days_pages(book)
    if wanted.changed is not None:
        changes_page(book, *wanted.changed)
    for chapter in told:
        if chapter in _CHAPTERS:
            _CHAPTERS[chapter](book)
    if not book.pages:
        book.start(told[0], told[0].words, "", "Nothing stands in this chapter yet.")
    if Chapter.COVER in told:
        fill_contents(book, told)
    return book.finish()


def shop_book(made: Made, plans: Mapping[str, Plan], wanted: Wanted = Wanted()) -> bytes:
    """Return the shop book of a project as PDF; see ``book_pages``."""
    return pdf_of(book_pages(made, plans, wanted), f"{made.project.name}: shop book")


def book_of_project(
    project: Project, plans: Mapping[str, Plan], wanted: Wanted
) -> tuple[bytes, list[tuple[tuple[str, ...], str]]]:
    """Return the shop book of a project as PDF, and the chapters and the title of each page: all of it can be sent to another process."""
    pages = book_pages(Made(project), plans, wanted)
    return pdf_of(pages, f"{project.name}: shop book"), [(page.chapters, page.title) for page in pages]


def page_as_svg(project: Project, plans: Mapping[str, Plan], wanted: Wanted, number: int) -> bytes:
    """Return one page of a shop book as SVG, from 0."""
    return as_svg(book_pages(Made(project), plans, wanted)[number])
