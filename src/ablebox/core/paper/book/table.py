# SPDX-License-Identifier: GPL-3.0-or-later
"""Tables over the width of a page: their headings stand on every page they go on."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

from .pages import EDGE, Pages
from .typesetting import SMALL, TYPE


@dataclass(frozen=True, slots=True)
class Column:
    """A column of a table.

    Args:
        heading: over it.
        x: where it stands, from the left edge of the table, in points.
        anchor: ``start`` or ``end``; ``tick`` for a box, ``blank`` for a line to write on, as long as ``wide``.
        wide: how wide what stands in it may be; it is broken into lines there. 0 for no limit.
        bold: whether it is bold.
        size: of its type.
    """

    heading: str
    x: float
    anchor: str = "start"
    wide: float = 0.0
    bold: bool = False
    size: float = TYPE


def table(
    book: Pages, columns: Sequence[Column], rows: Sequence[Sequence[str]], again: Callable[[], None], gap: float = 4.0
) -> None:
    """Write a table over the width of the page; its heading stands on every page."""

    def head() -> None:
        for column in columns:
            anchor = column.anchor if column.anchor in ("start", "end") else "start"
            book.canvas.text(EDGE + column.x, book.y, column.heading, SMALL, anchor, "ink", False)
        book.y += 8
        book.rule(EDGE, book.wide, "ink", 1.0)
        book.y += 11

    if book.y + 50 > book.bottom:
        again()
    head()
    for row in rows:
        cells = _cells(book, columns, row)
        largest = max(column.size for column in columns)
        high = _row_high(book, columns, cells, gap)
        if book.y + high > book.bottom:
            again()
            head()
        top = book.y
        for column, cell in zip(columns, cells, strict=True):
            x = EDGE + column.x
            if column.anchor == "tick":
                if cell[0]:
                    book.tick(x, top, cell[0] == "done")
            elif column.anchor == "blank":
                book.blank(x, top, column.wide)
            else:
                for i, text in enumerate(cell):
                    book.canvas.text(
                        x, top + i * largest * book.leading, text, column.size, column.anchor, "ink", column.bold
                    )
        book.y = top + high
    book.y += 6


def table_high(book: Pages, columns: Sequence[Column], rows: Sequence[Sequence[str]], gap: float = 4.0) -> float:
    """Return how high a table comes out on one page."""
    return 25.0 + sum(_row_high(book, columns, _cells(book, columns, row), gap) for row in rows)


def _cells(book: Pages, columns: Sequence[Column], row: Sequence[str]) -> list[list[str]]:
    """Return what stands in a row, column by column, in lines."""
    return [
        book.broken(text, column.wide, column.size, column.bold) if column.wide and text and column.anchor in ("start", "end") else [text]
        for column, text in zip(columns, row, strict=True)
    ]  # fmt: skip


def _row_high(book: Pages, columns: Sequence[Column], cells: Sequence[Sequence[str]], gap: float) -> float:
    return max(map(len, cells)) * max(column.size for column in columns) * book.leading + gap
