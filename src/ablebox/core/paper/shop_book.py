# SPDX-License-Identifier: GPL-3.0-or-later
"""The shop book: what goes to the bench on paper, as PDF.

Cover with snags and what to buy; each case with its drawings and sums; the cut list by
material; every sheet to scale with its cuts; machining of each part; what is bought; the days; every step at the bench, and in
the room; the log; cautions.
"""

from __future__ import annotations

from collections.abc import Mapping

from ..bench.bench import bench_of
from ..cuts.plan import Plan
from ..shop.made import Made
from .book_bench import cautions_page, hardware_page, machining_pages, settings_page
from .book_cases import case_pages, cover_page, run_pages
from .book_cuts import board_pages, cut_list_pages, fence_list_pages, sheet_page, store_page
from .book_fit import fit_pages
from .book_job import buying_page, days_pages, log_pages
from .book_steps import steps_pages
from .pages import Pages


def shop_book(made: Made, plans: Mapping[str, Plan]) -> bytes:
    """Return the shop book of a project.

    Args:
        made: what was made.
        plans: the cut plan of each kind of sheet, by its code.
    """
    book = Pages(made, plans)
    cover_page(book)
    run_pages(book)
    for case, _ in made.built:
        case_pages(book, case.letter)
    cut_list_pages(book)
    for code, plan in plans.items():
        for number, sheet in enumerate(plan.sheets, start=1):
            sheet_page(book, code, plan, sheet, number)
    fence_list_pages(book, plans)
    store_page(book, plans)
    board_pages(book)
    hardware_page(book)
    machining_pages(book)
    buying_page(book, plans)
    settings_page(book)
    days_pages(book)
    for steps in bench_of(made).cases:
        steps_pages(book, steps.letter)
    fit_pages(book)
    log_pages(book)
    cautions_page(book)
    return book.finish()
