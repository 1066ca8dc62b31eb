# SPDX-License-Identifier: GPL-3.0-or-later
"""What is bought: everything to the last screw, each piece of hardware with the rule it was chosen by."""

from __future__ import annotations

from dataclasses import dataclass
from itertools import zip_longest

from ...buying.book import BuyState
from ..canvas.pdf_canvas import width_of
from ..lists.buy_list import BuyRow, buy_list
from ..lists.buying import reasons
from .chapter import Chapter
from .flow import Flow
from .pages import EDGE, Pages
from .typesetting import PLAIN, TYPE
from .writing import BOX

#: From line to line, as a share of the type; between two rows; how large amounts are; what stands between columns, in points.
_LEADING, _APART, _AMOUNT, _GAP = 1.13, 2.4, 12.0, 6.0


@dataclass(frozen=True, slots=True)
class _Told:
    """A row as it is written: how much, what, the step it is needed at, and what is said of it in smaller words."""

    amount: str
    name: str
    step: str
    why: str


def buy_pages(book: Pages) -> None:
    """Write the list to take to the store, with why each piece of hardware is what it is."""
    whys = reasons(book.made)
    listed = buy_list(book.made, book.plans)
    # What is looked at in several rows that follow each other stands below the last of them.
    looks = [
        row.look if after is None or after.look != row.look else "" for row, after in zip_longest(listed, listed[1:])
    ]
    rows = [_told(row, look, whys.get(row.name, "")) for row, look in zip(listed, looks, strict=True)]

    def begin() -> None:
        under = "A tenth of the fasteners to spare. What is needed first stands first, its step at the right."
        book.start(Chapter.BUY, "To buy", "", under)

    if not rows:
        begin()
        book.words(EDGE, "Nothing is to be bought.", book.wide)
        return
    amounts = max(width_of(row.amount, _AMOUNT, True) for row in rows)

    def write() -> None:
        begin()
        flow = book.flow(book.columns, begin)
        for row in rows:
            flow.need(_high(book, row, amounts, flow.wide))
            _row(book, flow, row, amounts)
        flow.end()

    with book.set_as(_LEADING, PLAIN):
        book.evenly(write)


def _told(row: BuyRow, look: str, why: str) -> _Told:
    needed = f"{row.needed} needed" if row.spare else ""
    state = row.book.state.value if row.book.state is not BuyState.TO_ORDER else ""
    name = ", ".join(filter(None, (row.name, row.sold)))
    said = "; ".join(filter(None, (state, needed, look)))
    return _Told(row.amount, name, str(row.first or ""), "; ".join(filter(None, (said, why))))


def _room(row: _Told, amounts: float, wide: float) -> float:
    """Return how wide a name may be."""
    return wide - BOX - amounts - 3 * _GAP - width_of(row.step, TYPE, False)


def _high(book: Pages, row: _Told, amounts: float, wide: float) -> float:
    below = book.high(row.why, wide - BOX - _GAP) if row.why else 0.0
    return len(book.broken(row.name, _room(row, amounts, wide), TYPE)) * TYPE * _LEADING + below + _APART


def _row(book: Pages, flow: Flow, row: _Told, amounts: float) -> None:
    canvas, x = book.canvas, flow.x + BOX + _GAP
    book.tick(flow.x, book.y)
    canvas.text(x + amounts, book.y, row.amount, _AMOUNT, "end", "ink", True)
    canvas.text(flow.x + flow.wide, book.y, row.step, TYPE, "end", "ink", False)
    for line in book.broken(row.name, _room(row, amounts, flow.wide), TYPE):
        canvas.text(x + amounts + _GAP, book.y, line, TYPE, "start", "ink", False)
        book.y += TYPE * _LEADING
    if row.why:
        book.words(x, row.why, flow.wide - BOX - _GAP)
    book.y += _APART
