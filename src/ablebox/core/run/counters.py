# SPDX-License-Identifier: GPL-3.0-or-later
"""One top over several cases: it is the first one's, and goes on over those to its right, what stands between, and fillers."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from ..cabinet.design import Case
from ..case.counter.sheet_top import SheetTop
from ..case.plan_diagonal import Diagonal
from ..lengths import Length
from ..reckoning import Origin, Reckoned, added_up
from .ends import Ends
from .place import Line
from .space import RunSpace, SpaceKind


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


@dataclass(frozen=True, slots=True)
class Under:
    """What a counter lies on.

    Args:
        across: the width of all of it.
        before: how much of that is at the left of the case it belongs to.
        joined: whether its left and its right end meet a wall or another top, and are not seen.
        corner: whether its left end meets the front edge of a top that comes round the corner.
    """

    across: Reckoned
    before: Length
    joined: tuple[bool, bool]
    corner: bool = False


def under(
    case: Case, line: Line, spaces: Sequence[RunSpace], corners: frozenset[str], beside: Ends, round_it: bool
) -> Under | None:
    """Return what a case's counter lies on: cases, what stands between them, and fillers at its ends.

    Appliances at its ends count where that is chosen, as far as they are no higher than the case. At its left it goes on only where
    no other case stands before it, at its right up to the next one. ``None`` if it has no counter, or stands in no run.

    Args:
        case: the case.
        line: the run it stands in.
        spaces: everything that stands between cases.
        corners: letters of the cases with a face across a corner.
        beside: what stands beside every case.
        round_it: whether a top comes round the corner at the left end of the run.
    """
    letters, names = covered(case, line, corners), [place.letter for place in line.places]
    reached = reach(case, line, spaces, corners)
    if reached is None:
        return None
    own, (first, last) = names.index(letters[0]), reached
    total = added_up(place.width for place in line.places[first : last + 1])
    key = f"{case.letter}/counter.across"
    across = Reckoned(total.length, "width it lies on", key, Origin.RECKONED, "", total.terms)
    if first == last and not any(line.places[own].panels):
        across = line.places[own].width
    before = line.places[own].case_x - line.places[first].x
    return Under(
        across,
        before,
        (_joined(line, first, -1, letters, beside), _joined(line, last, 1, letters, beside)),
        round_it and first == 0,
    )


def reach(case: Case, line: Line, spaces: Sequence[RunSpace], corners: frozenset[str]) -> tuple[int, int] | None:
    """Return the first and the last of the places of a run a case's counter lies on; ``None`` if it has none, or is in no run."""
    letters, names = covered(case, line, corners), [place.letter for place in line.places]
    if not letters or case.letter not in names or not isinstance(case.counter, SheetTop):
        return None
    first, last = names.index(letters[0]), names.index(letters[-1])

    def lies(at: int) -> bool:
        if not 0 <= at < len(names) or names[at]:
            return False
        space = spaces[line.places[at].space - 1]
        if space.kind is SpaceKind.APPLIANCE:
            return isinstance(case.counter, SheetTop) and case.counter.beside and space.height <= case.height
        return space.kind is SpaceKind.FILLER

    if not any(names[:first]):
        while lies(first - 1):
            first -= 1
    while lies(last + 1):
        last += 1
    return first, last


def topped(cases: Sequence[Case], lines: Sequence[Line], corners: frozenset[str]) -> set[str]:
    """Return the letters of the straight cases on which a top lies."""
    found = {letter for line in lines if not line.upper for case in cases if case.in_alcove and case.wall == line.wall
             for letter in covered(case, line, corners)}  # fmt: skip
    return found - corners


def _joined(line: Line, at: int, step: int, letters: list[str], beside: Ends) -> bool:
    """Whether an end of a top is not seen: at a wall, or beside another top."""
    side = "left" if step < 0 else "right"
    own = letters[0] if step < 0 else letters[-1]
    if line.places[at].letter == own:
        there = beside[own][side]
        return there.wall or (there.case is not None and isinstance(there.case.counter, SheetTop))
    # It goes on over a filler or an appliance: at the end of the run it meets the wall, or is free.
    ends_there = not 0 <= at + step < len(line.places)
    return ends_there and not (line.open_left if step < 0 else line.open_right)
