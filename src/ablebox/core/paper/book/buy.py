# SPDX-License-Identifier: GPL-3.0-or-later
"""What is bought: everything to the last screw, and each piece of hardware with the rule it was chosen by."""

from __future__ import annotations

from ..lists.buy_list import buy_list
from ..lists.buying import hardware, packets, reasons
from .chapter import Chapter
from .pages import EDGE, Column, Pages
from .typesetting import LEADING, PLAIN

#: From line to line where reasons are told, as a share of the type.
_LEADING = 1.15


def buy_pages(book: Pages) -> None:
    """Write the list to take to the store, and why each piece of hardware is what it is."""
    rows = buy_list(book.made, book.plans)

    def begin() -> None:
        book.start(Chapter.BUY, "To buy", "", "A tenth of the fasteners to spare; what is needed first stands first.")

    begin()
    if not rows:
        book.words(EDGE, "Nothing is to be bought.", book.wide)
    wide = book.wide
    columns = (
        Column("", 0, "tick"), Column("how many", 88, "end", bold=True, size=12), Column("what", 100, wide=wide * 0.48),
        Column("sold as", 106 + wide * 0.49, wide=wide * 0.13), Column("step", 106 + wide * 0.67, "end"), Column("how far", 114 + wide * 0.67, wide=wide * 0.12),
    )  # fmt: skip
    table = [
        (
            "x",
            row.amount,
            row.name + (f"; {row.look}" if row.look else ""),
            row.sold,
            str(row.first or ""),
            row.book.state.value,
        )
        for row in rows
    ]
    if rows:
        book.table(columns, table, begin, gap=2.4)
    _why(book)


def _why(book: Pages) -> None:
    rows, whys = hardware(book.made), reasons(book.made)
    told = [(name, pieces, whys[name]) for name, pieces in rows if name in whys]
    if not told:
        return

    def begin() -> None:
        book.start(Chapter.BUY, "Hardware, and why")

    if book.y + 60 > book.bottom:
        begin()
    else:
        book.heading(EDGE, "Hardware, and why")
    flow = book.flow(book.columns, begin)
    book.plain, book.leading = PLAIN, _LEADING
    for name, pieces, why in told:
        sold = packets(book.made, name, pieces)
        head = f"{pieces} × {name}" + (f", {sold}" if sold else "")
        flow.need(book.high(head, flow.wide, bold=True) + book.high(why, flow.wide) + 4)
        book.words(flow.x, head, flow.wide, bold=True)
        book.words(flow.x, why, flow.wide)
        book.y += 4
    book.plain, book.leading = 1.0, LEADING
    flow.end()
