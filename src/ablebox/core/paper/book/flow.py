# SPDX-License-Identifier: GPL-3.0-or-later
"""Columns of text that are filled one after another, page after page."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Protocol

#: The gap between two columns, in points.
GUTTER = 20.0


def column_wide(wide: float, columns: int) -> float:
    """Return how wide each of some columns is that stand beside each other."""
    return (wide - (columns - 1) * GUTTER) / columns


def columns_filled(heights: Sequence[float], room: float, columns: int) -> int:
    """Return how many things, in order, fill columns that are so high at most."""
    column, y = 0, 0.0
    for i, high in enumerate(heights):
        if y + high > room:
            column, y = column + 1, 0.0
        if column == columns or high > room:
            return i
        y += high
    return len(heights)


class Paged(Protocol):
    """What columns stand on: pages, of which one is at hand."""

    y: float
    begun: float
    left: float

    @property
    def wide(self) -> float:
        """How wide the space between the margins is."""

    @property
    def bottom(self) -> float:
        """Down to where a page may be written on."""


class Flow:
    """Columns that are filled one after another, page after page.

    Args:
        book: the pages.
        columns: how many beside each other.
        again: starts a further page.
    """

    def __init__(self, book: Paged, columns: int, again: Callable[[], None]) -> None:
        self.book, self.columns, self.again = book, columns, again
        self.top, self.at = book.y, 0
        self.deepest = book.y
        #: Down to where columns go on this page; the last of them down to the foot whatever is said.
        self.low = book.bottom
        self.last_low = book.bottom

    @property
    def wide(self) -> float:
        """How wide a column is."""
        return column_wide(self.book.wide, self.columns)

    @property
    def x(self) -> float:
        """The left edge of the column at hand."""
        return self.book.left + self.at * (self.wide + GUTTER)

    def need(self, height: float) -> None:
        """Go on in the next column where there is no room left for so much."""
        book = self.book
        self.deepest = max(self.deepest, book.y)
        low = self.last_low if self.at == self.columns - 1 else self.low
        at_top = book.y == self.top
        if book.y + height <= low or (at_top and self.top <= book.begun):
            return
        # What has no room even at the top of a column that begins below other things goes on a page of its own.
        self.at = self.columns if at_top else self.at + 1
        if self.at == self.columns:
            self.turn()
        book.y = self.top

    def turn(self) -> None:
        """Go on on a further page."""
        self.again()
        self.at, self.top, self.low, self.last_low = 0, self.book.y, self.book.bottom, self.book.bottom
        self.deepest = self.book.y

    def end(self) -> None:
        """Go on below all columns."""
        self.book.y = max(self.deepest, self.book.y)
        self.columns, self.at = 1, 0
