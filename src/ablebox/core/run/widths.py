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
    followers = [case for case in cases if case.follows and case.in_alcove]
    usable = room.usable
    if usable is None or not followers:
        return {}
    left = usable.times(1)
    for case in cases:
        if case.in_alcove and not case.follows:
            left = left - Book(f"{case.letter}/").chosen(case.width, f"case {case.letter}", "width")
    widths = {}
    for case in followers:
        book = Book(f"{case.letter}/")
        note = "follows from the alcove"
        if len(followers) == 1:
            widths[case.letter] = book.named(left, "case width", "width", note)
        else:
            widths[case.letter] = book.shared(left, len(followers), "case width", "width", note)
    return widths


def run_width(widths: Sequence[Reckoned]) -> Reckoned:
    """Add the widths of the cases in the alcove up, as a named sum."""
    total = widths[0].times(1)
    for width in widths[1:]:
        total = total + width
    return Reckoned(total.length, "width of the run", "run/width", Origin.RECKONED, "", total.terms)
