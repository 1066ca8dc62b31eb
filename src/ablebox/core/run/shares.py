# SPDX-License-Identifier: GPL-3.0-or-later
"""Equal shares of what is left of a run, for the cases that follow it and for spaces without a width."""

from __future__ import annotations

from collections.abc import Sequence

from ..cabinet.design import Case
from ..lengths import ZERO
from ..reckoning import Book, Reckoned
from .members import Member
from .space import RunSpace
from .taken import Panels, taken, width_of_space


def shares(
    usable: Reckoned | None,
    row: list[Member],
    spaces: Sequence[RunSpace],
    followers: list[Case],
    open_widths: list[int],
    panels: Panels,
) -> tuple[dict[str, Reckoned], dict[int, Reckoned]]:
    """Return the widths of the cases that follow and of the spaces without one: equal shares of what is left.

    Args:
        usable: what there is for the run; ``None`` where the wall was not measured.
        row: its members.
        spaces: all spaces.
        followers: cases among them whose width follows.
        open_widths: numbers of the spaces among them without a width.
        panels: thickness of the end panels cases get.

    Returns:
        Widths of cases by letter, and of spaces by number.
    """
    if usable is None or not (followers or open_widths):
        return {}, {}
    left = usable.times(1)
    for member in row:
        case, number = member.case, member.space
        if case is not None and case not in followers:
            left = left - taken(case, {}, panels)
        elif case is not None:
            for each in panels.get(case.letter, {}).values():
                left = left - each
        elif number not in open_widths:
            left = left - width_of_space(spaces[number - 1], number, {})
    count = len(followers) + len(open_widths)
    widths: dict[str, Reckoned] = {}
    for case in followers:
        book, note = Book(f"{case.letter}/"), "follows from the run"
        if count == 1:
            widths[case.letter] = book.named(left, "case width", "width", note)
        else:
            widths[case.letter] = book.shared(left, count, "case width", "width", note)
    if left.length <= ZERO:
        return widths, {}
    shared = {}
    for number in open_widths:
        book, words = Book(f"space/{number}."), f"width of {spaces[number - 1].name or spaces[number - 1].kind.words}"
        note = "a share of what is left over"
        if count == 1:
            shared[number] = book.named(left, words, "width", note)
        else:
            shared[number] = book.shared(left, count, words, "width", note)
    return widths, shared
