# SPDX-License-Identifier: GPL-3.0-or-later
"""What came out, to be written down on paper: each with a line to write on, two that are short beside each other."""

from __future__ import annotations

from collections.abc import Sequence

from ..canvas.pdf_canvas import width_of
from .pages import Pages
from .typesetting import PLAIN, TYPE

#: How high a line to write on is, how long at least with the gap before it, and the gap between two beside each other, in points.
HIGH, _BLANK, _APART = 17.0, 46.0, 8.0


def side_by_side(texts: Sequence[str], room: float) -> list[list[str]]:
    """Return what is written down line by line: two that are short stand beside each other.

    Args:
        texts: what each is.
        room: how wide they may be, in points.
    """
    rows: list[list[str]] = []
    for text in texts:
        longest = max(width_of(each, TYPE * PLAIN, False) for each in (text, *(rows[-1] if rows else ())))
        if rows and len(rows[-1]) == 1 and longest + _BLANK <= room / 2:
            rows[-1].append(text)
        else:
            rows.append([text])
    return rows


def write_down(book: Pages, row: Sequence[str], x: float, room: float) -> None:
    """Write what goes on one line, each with a line to write on, and go down below it."""
    share = room / len(row)
    for i, text in enumerate(row):
        at = x + i * share
        # Where words are long those without a figure are smaller, so that there is a line to write on.
        plain = 1.0 if width_of(text, TYPE, False) + _BLANK - _APART <= share else PLAIN
        book.y += 1
        start = book.line(at, text.split(), TYPE, plain=plain) + 3
        book.y -= 1
        book.blank(start, book.y + 1, max(30.0, at + share - (_APART if len(row) > 1 else 0) - start))
    book.y += HIGH
