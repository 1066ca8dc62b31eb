# SPDX-License-Identifier: GPL-3.0-or-later
"""What a member takes of a run: a case with its end panels, an appliance with the air at its sides."""

from __future__ import annotations

from collections.abc import Mapping

from ..cabinet.design import Case
from ..lengths import ZERO
from ..reckoning import Book, Origin, Reckoned, leaf
from .space import RunSpace


def width_of_space(space: RunSpace, number: int, shared: Mapping[int, Reckoned]) -> Reckoned:
    """Return what a space takes of the run: its width, an appliance's with the air at both sides."""
    book, words = Book(f"space/{number}."), space.name or space.kind.words
    if space.width is None:
        return shared.get(number) or leaf(
            ZERO, f"{words}: nothing is left for it", f"space/{number}.width", Origin.RECKONED
        )
    own = leaf(space.width, f"width of {words}", f"space/{number}.width", Origin.CHOICE)
    if not space.air:
        return own
    air = leaf(space.air, "air at each side", f"space/{number}.air", Origin.CHOICE)
    return book.named(own + air.times(2), f"place of {words}", "place")


#: Thickness of the end panels each case gets, by its letter and the side.
Panels = Mapping[str, Mapping[str, Reckoned]]


def taken(case: Case, widths: Mapping[str, Reckoned], panels: Panels) -> Reckoned:
    """Return what a case takes of the run: its width, or its depth where it stands turned; end panels and proud stiles with it."""
    own = _of_case(case, widths)
    added = panels.get(case.letter)
    if not added:
        return own
    total = own.times(1)
    for each in added.values():
        total = total + each
    return Book(f"{case.letter}/").named(total, f"place of case {case.letter}", "place")


def _of_case(case: Case, widths: Mapping[str, Reckoned]) -> Reckoned:
    book, words = Book(f"{case.letter}/"), f"case {case.letter}"
    if case.turned % 2:
        return book.chosen(case.depth, f"{words}, its depth", "depth")
    return widths.get(case.letter) or book.chosen(case.width, words, "width")
