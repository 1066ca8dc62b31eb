# SPDX-License-Identifier: GPL-3.0-or-later
"""Widths that follow from the alcove: what the fixed cases leave is shared out equally."""

from __future__ import annotations

from collections.abc import Sequence

from ..cabinet.design import Case
from ..reckoning import Book, Origin, Reckoned
from ..room.alcove import Measured


def following_widths(cases: Sequence[Case], room: Measured) -> dict[str, Reckoned]:
    """Return the widths of the cases that follow from the alcove, by letter.

    Without readings nothing follows, and each case keeps the width it was given.
    """
    followers = [case for case in cases if case.follows and case.in_alcove and not case.turned % 2]
    usable = room.usable
    if usable is None or not followers:
        return {}
    left = usable.times(1)
    for case in cases:
        if case.in_alcove and case not in followers:
            book, words = Book(f"{case.letter}/"), f"case {case.letter}"
            left = left - (
                book.chosen(case.depth, f"{words}, its depth", "depth")
                if case.turned % 2
                else book.chosen(case.width, words, "width")
            )
    widths = {}
    for case in followers:
        book = Book(f"{case.letter}/")
        note = "follows from the alcove"
        if len(followers) == 1:
            widths[case.letter] = book.named(left, "case width", "width", note)
        else:
            widths[case.letter] = book.shared(left, len(followers), "case width", "width", note)
    return widths


def taken(outside: tuple[Reckoned, Reckoned, Reckoned], turned: int) -> Reckoned:
    """Return what a case takes of the run: its width, or its depth where it stands turned by a quarter."""
    return outside[2] if turned % 2 else outside[0]


def run_width(widths: Sequence[Reckoned]) -> Reckoned:
    """Add the widths of the cases in the alcove up, as a named sum."""
    total = widths[0].times(1)
    for width in widths[1:]:
        total = total + width
    return Reckoned(total.length, "width of the run", "run/width", Origin.RECKONED, "", total.terms)
