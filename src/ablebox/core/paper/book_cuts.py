# SPDX-License-Identifier: GPL-3.0-or-later
"""What a shop book says of cutting: the cut list, sheets, boards, fence settings, what a store is asked for."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from functools import partial

from ..cuts.divide import Board
from ..cuts.plan import CutSheet, Plan
from ..cuts.saw_cut import SawCut
from ..cuts.saw_order import cuts_of, terms_of
from ..drawing.cut_words import line_words, sheet_notes
from ..drawing.replay import fitted, replay
from ..drawing.sheet_view import sheet_view
from ..lengths import Length
from ..parts.listing import Part
from ..parts.words import edges, grain
from ..shop.batches import numbers_of, order_of
from ..shop.boards import board_plans
from ..shop.made import goods_words
from ..shop.on_sheets import pieces_in
from ..shop.rests import kept
from ..stock import SawStyle
from .board_words import rip_words
from .fence_list import fence_rows, store_lines
from .pages import EDGE, Pages


def cut_list_pages(book: Pages) -> None:
    """List every part by what it is cut from."""
    title = "Cut list"
    book.start(title, "Cut size is at the saw, thick bands taken off; finished size has them on.")
    columns = (
        ("code", EDGE, "start"), ("part", EDGE + 50, "start"), ("no.", EDGE + 175, "end"),
        ("cut length", EDGE + 245, "end"), ("cut width", EDGE + 305, "end"),
        ("finished", EDGE + 325, "start"), ("grain", EDGE + 450, "start"), ("banded edges", EDGE + 525, "start"),
    )  # fmt: skip
    for goods in book.made.stock:
        parts = [part for part in book.made.parts if part.goods.code == goods.code]
        if parts:
            book.room_for(80, title)
            book.heading(EDGE, goods_words(goods, book.made.units))
            book.table(columns, [_cut_row(book, part) for part in parts], title)


def _cut_row(book: Pages, part: Part) -> tuple[str, ...]:
    finished = f"{book.write(part.length.length)} × {book.write(part.width.length)}"
    return (
        part.code, part.name, str(part.count), book.write(part.cut_length.length),
        book.write(part.cut_width.length), finished, grain(part), edges(part) or "none",
    )  # fmt: skip


#: Which way the show face lies: a blade tears where it leaves the wood (common practice).
_FACE = {
    SawStyle.TRACK: "down under the track saw, up on the table saw",
    SawStyle.STORE: "down under a hand-held saw, up on the table saw",
}


def sheet_page(book: Pages, code: str, plan: Plan, sheet: CutSheet, number: int) -> None:
    """Draw a sheet to scale with its cuts in order."""
    goods = book.made.project.rack.sheet_goods(code)
    saw = book.made.project.rack.saw
    terms = terms_of(plan, sheet)
    under = f"kerf {book.write(Length(terms.kerf))} · trim {book.write(Length(terms.trim))} · {sheet.used:.0%} used"
    under += f" · show face {_FACE.get(saw.style, 'up')}"
    if goods.grained:
        under += " · grain runs left to right"
    title = f"{goods.name}, sheet {plan.numbers[number - 1]}"
    book.start(f"{title} of {len(plan.sheets)}", under)
    by_code = {part.code: part for part in book.made.parts}
    view = sheet_view(plan, sheet, by_code, book.made.units, goods.grained)
    names = pieces_in(book.made, code, plan)[number - 1]
    cuts, numbers = order_of(book.made, plan, number - 1), numbers_of(book.made, plan, number - 1)
    replay(view, book.canvas, fitted(view, EDGE, book.y, book.width - 2 * EDGE - 200, book.height - book.y - EDGE))
    keep = partial(kept, book.made.project, code)
    rests = [rest for rest in cuts_of(plan, sheet).rests if keep(rest)]
    _cuts(
        book,
        list(zip(numbers, cuts, strict=True)),
        names,
        keep,
        [*sheet_notes(plan, sheet, cuts, numbers), *(_keep(book, plan, sheet, rest) for rest in rests)],
        title,
    )


def board_pages(book: Pages) -> None:
    """Which part is cut from which board."""
    plans = board_plans(book.made)
    if not plans:
        return
    title = "Boards"
    book.start(
        title,
        "Rip the strips, then cut the longest first; an inch (25 mm) is off each end, and a kerf between two parts.",
    )
    for goods, plan in plans:
        book.room_for(50, title)
        book.heading(EDGE, goods.name)
        if plan.proven:
            book.words(EDGE, "No plan takes less length of board.", book.width - 2 * EDGE, 9, "settled")
        for number, board in enumerate(plan.boards, start=1):
            book.room_for(30, title)
            for text in rip_words(number, board, plan, book.write, goods.extra_width, goods.extra_length):
                book.words(EDGE, text, book.width - 2 * EDGE, 9.5)
        book.y += 6


def _keep(book: Pages, plan: Plan, sheet: CutSheet, rest: Board) -> str:
    size = f"{book.write(Length(rest.length))} × {book.write(Length(rest.width))}"
    return f"Keep {cuts_of(plan, sheet).name_of(rest)}: {size}"


def _cuts(
    book: Pages, cuts: Sequence[tuple[int, SawCut]], names: Sequence[str], keep: Callable[[Board], bool], notes: Sequence[str],
    title: str,
) -> None:  # fmt: skip
    x = book.width - EDGE - 185
    book.heading(x, "Cuts, in order")
    lines = [_cut_words(book, n, cut, names, keep) for n, cut in cuts]
    for text in (*lines, *notes):
        if book.y + 24 > book.height - EDGE:
            book.start(f"{title}, cuts continued")
            x = EDGE
        book.words(x, text, 185 if x > EDGE else book.width - 2 * EDGE, 8.5)


def _cut_words(book: Pages, number: int, cut: SawCut, names: Sequence[str], keep: Callable[[Board], bool]) -> str:
    return f"{number}. {line_words(cut, names, book.write, keep)}"


def fence_list_pages(book: Pages, plans: Mapping[str, Plan]) -> None:
    """Every setting of a kind of sheet in the order of work, with what is cut at it."""
    title = "Fence list"
    book.start(title, "What is set, in the order of work, until something else is set; strips by sheet and name.")
    for code, plan in plans.items():
        rows = fence_rows(book.made, code, plan)
        book.room_for(60, title)
        book.heading(EDGE, f"{book.made.project.rack.sheet_goods(code).name}: {len(rows)} settings for all sheets")
        for row in rows:
            book.room_for(30, title)
            book.words(EDGE, row.words(book.write), book.width - 2 * EDGE, 9.5)
        book.y += 6


def store_page(book: Pages, plans: Mapping[str, Plan]) -> None:
    """The rough cuts the store is asked for, where it makes the first ones."""
    lines = store_lines(book.made, plans)
    if not lines:
        return
    title = "Cuts at the store"
    book.start(
        title, "Ask for these; they are over size and trued up at home. Check each piece before it leaves the saw."
    )
    for line in lines:
        book.room_for(16, title)
        book.words(EDGE, line, book.width - 2 * EDGE, 11)
