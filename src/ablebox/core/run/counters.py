# SPDX-License-Identifier: GPL-3.0-or-later
"""One top over several cases: it is the first one's, and goes on over those to its right and what stands between."""

from __future__ import annotations

from collections.abc import Iterable

from ..cabinet.design import Case
from ..case.counter.sheet_top import SheetTop
from ..case.plan_diagonal import Diagonal
from ..reckoning import Origin, Reckoned, added_up
from .line import Line


def covered(case: Case, line: Line, corners: frozenset[str]) -> list[str]:
    """Return the letters of the cases a case's counter lies on, its own first; empty if it has none.

    Args:
        case: the case.
        line: the run it stands in.
        corners: letters of the cases with a face across a corner: a straight top ends before one.
    """
    if not isinstance(case.counter, SheetTop):
        return []
    letters = [place.letter for place in line.places if place.letter]
    if case.letter not in letters:
        return [case.letter]
    at = letters.index(case.letter)
    found = letters[at : at + case.counter.over]
    return found[: next((i for i, letter in enumerate(found) if i and letter in corners), len(found))]


def corner_cases(cases: Iterable[Case]) -> frozenset[str]:
    """Return the letters of the cases with a face across a corner."""
    return frozenset(case.letter for case in cases if isinstance(case.plan, Diagonal))


def counter_across(case: Case, line: Line, corners: frozenset[str]) -> Reckoned | None:
    """Return the width of everything a case's counter lies on; ``None`` where that is the case alone.

    Args:
        case: the case.
        line: the run it stands in.
        corners: letters of the cases with a face across a corner.
    """
    letters = covered(case, line, corners)
    if len(letters) < 2:
        return None
    names = [place.letter for place in line.places]
    first, last = names.index(letters[0]), names.index(letters[-1])
    total = added_up(place.width for place in line.places[first : last + 1])
    key = f"{case.letter}/counter.across"
    return Reckoned(total.length, "width it lies on", key, Origin.RECKONED, "", total.terms)
