# SPDX-License-Identifier: GPL-3.0-or-later
"""What stands in a run, in order: cases, and the spaces between them."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from ..cabinet.design import Case
from ..case.base_frame import BaseFrame
from ..lengths import ZERO, Length
from .space import RunSpace


@dataclass(frozen=True, slots=True)
class Member:
    """A member of a run.

    Args:
        case: the case; ``None`` for a space.
        space: number of the space among all, from 1; 0 for a case.
    """

    case: Case | None
    space: int = 0


def hangs(case: Case) -> bool:
    """Whether a case is above what stands on the floor: it hangs on the wall, or stands on something."""
    return case.is_hung or case.on is not None


def sunk(case: Case) -> Length:
    """Return how far a case reaches below the level line, on a base that is ripped to the floor."""
    return case.kick.below if isinstance(case.kick, BaseFrame) else ZERO


def is_tall(case: Case) -> bool:
    """Whether a case is one nothing hangs over: more than twice as high as it is deep (common practice)."""
    return case.height > case.depth * 2


def lowest(cases: Iterable[Case | None]) -> Length | None:
    """Return how high the lowest hung case hangs; ``None`` if none does."""
    return min((case.hang for case in cases if case is not None and case.is_hung), default=None)


def members(wall: int, cases: Sequence[Case], spaces: Sequence[RunSpace], upper: bool) -> list[Member]:
    """Return the members of a run of a wall, in order: cases as they stand in the project, each after the spaces before it.

    Beside what hangs, a tall case that stands on the floor counts as far as it is higher than the lowest hung one. One that is not
    tall never pushes what hangs aside, however high it is made: it would stand in it then, which is told.
    """
    standing = [case for case in cases if case.in_alcove and case.wall == wall]
    own = [(i, s) for i, s in enumerate(spaces, start=1) if s.wall == wall and s.upper is upper]
    letters, low = {case.letter for case in standing}, lowest(standing)
    found: list[Member] = []
    for case in standing:
        found += [Member(None, i) for i, space in own if space.before == case.letter]
        if hangs(case) is upper or (upper and low is not None and is_tall(case) and case.height > low):
            found.append(Member(case))
    return found + [Member(None, i) for i, space in own if space.before not in letters]
