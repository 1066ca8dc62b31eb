# SPDX-License-Identifier: GPL-3.0-or-later
"""What a shop book says of cutting: the cut list, sheets, boards, fence settings, what a store is asked for."""

from __future__ import annotations

from collections.abc import Mapping

from ..cuts.plan import CutSheet, Plan
from ..cuts.saw_order import CutKind, Cutting, CutWay, SawCut, cuts_of, worth_keeping
from ..drawing.replay import fitted, replay
from ..drawing.sheet_view import sheet_view
from ..lengths import Length
from ..parts.listing import Part
from ..parts.words import edges, grain
from ..shop.boards import board_plans
from ..shop.made import goods_words
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


def sheet_page(book: Pages, code: str, plan: Plan, sheet: CutSheet, number: int) -> None:
    """Draw a sheet to scale with its cuts in order."""
    goods = book.made.project.rack.sheet_goods(code)
    saw = book.made.project.rack.saw
    under = f"kerf {book.write(saw.kerf)} · trim {book.write(saw.trim)} · {sheet.used:.0%} used"
    if goods.grained:
        under += " · grain runs left to right"
    book.start(f"{goods.name}, sheet {number} of {len(plan.sheets)}", under)
    by_code = {part.code: part for part in book.made.parts}
    view = sheet_view(plan, sheet, by_code, book.made.units, goods.grained)
    order = cuts_of(plan, sheet)
    replay(view, book.canvas, fitted(view, EDGE, book.y, book.width - 2 * EDGE - 200, book.height - book.y - EDGE))
    _cuts(book, order, f"{goods.name}, sheet {number}")


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
            for text in rip_words(number, board, plan, book.write):
                book.words(EDGE, text, book.width - 2 * EDGE, 9.5)
        book.y += 6


def _cuts(book: Pages, order: Cutting, title: str) -> None:
    x = book.width - EDGE - 185
    book.heading(x, "Cuts, in order")
    lines = [_cut_words(book, i, cut) for i, cut in enumerate(order.cuts, start=1)]
    kept = [rest for rest in order.rests if worth_keeping(rest)]
    lines += [f"Keep {book.write(Length(r.length))} × {book.write(Length(r.width))}" for r in kept]
    for text in lines:
        if book.y + 12 > book.height - EDGE:
            book.start(f"{title}, cuts continued")
            x = EDGE
        book.words(x, text, 185 if x > EDGE else book.width - 2 * EDGE, 8.5)


def _cut_words(book: Pages, number: int, cut: SawCut) -> str:
    way = "rip" if cut.way is CutWay.RIP else "crosscut"
    at = book.write(Length(cut.setting))
    if cut.trim:
        return f"{number}. Trim: {way} at {at}"
    codes = list(dict.fromkeys(cut.codes))
    keeps = ", ".join(codes[:4]) + (f" and {len(codes) - 4} more" if len(codes) > 4 else "") if codes else "a rest"
    if cut.kind is CutKind.ROUGH:
        return f"{number}. Rough {way} at {at}, over size: {keeps}"
    if cut.kind is CutKind.TRUE:
        return f"{number}. True up to {at}: {keeps}"
    return f"{number}. {way.capitalize()} at {at}: {keeps}"


def fence_list_pages(book: Pages, plans: Mapping[str, Plan]) -> None:
    """Every fence setting of a kind of sheet once, with the sheets it is for: what to cut in one go."""
    title = "Fence list"
    book.start(title, "Each setting once for all sheets of a kind: level by level, so that the fence moves least.")
    for code, plan in plans.items():
        rows = fence_rows(plan)
        book.room_for(60, title)
        book.heading(EDGE, f"{book.made.project.rack.sheet_goods(code).name}: {len(rows)} settings for all sheets")
        level = -1
        for row in rows:
            book.room_for(30, title)
            if row.level != level:
                level = row.level
                words = ("through whole sheets", "through what that came to", "after that")[min(level, 2)]
                book.words(EDGE, f"Cuts {words}", book.width - 2 * EDGE, 9, "quiet")
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
