# SPDX-License-Identifier: GPL-3.0-or-later
"""Who stands beside each end of a case, and whether the end is seen: at the end of a run, above or before a smaller neighbour."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from ..cabinet.design import Case
from ..case.end.choice import ENDS, SeenEnd
from ..case.end.end_panel import EndPanel
from ..case.end.undecided import Undecided
from ..case.plan_diagonal import Diagonal
from ..lengths import ZERO, Length, inches
from ..room.wall import End, Measured
from .members import Member, hangs, members, sunk
from .place import Line
from .space import RunSpace, SpaceKind

SIDES = ("left", "right")
#: A neighbour this much shallower or lower still hides an end: its fronts, and a top's edge, cover that (common practice).
_NEAR = inches("3/4")


@dataclass(frozen=True, slots=True)
class Beside:
    """What is beside an end of a case.

    Args:
        case: the case that stands there; ``None`` if none does.
        words: what is there, such as ``beside B`` or ``at the wall``.
        seen: whether something of the end is seen.
        wall: whether a wall is there.
    """

    case: Case | None
    words: str
    seen: bool
    wall: bool = False


Ends = Mapping[str, dict[str, Beside]]


def ends(cases: Sequence[Case], spaces: Sequence[RunSpace], walls: Sequence[Measured]) -> dict[str, dict[str, Beside]]:
    """Return what is beside both ends of every case, by its letter and the side."""
    found: dict[str, dict[str, Beside]] = {}
    for room in walls:
        for upper in (False, True):
            row = members(room.number, cases, spaces, upper)
            for at, member in enumerate(row):
                if member.case is None or hangs(member.case) is not upper:
                    continue
                found[member.case.letter] = {
                    side: _in_the_corner(member.case, side) or _beside(room, row, at + step, member.case, side, spaces)
                    for side, step in zip(SIDES, (-1, 1), strict=True)
                }
    for case in cases:
        if not case.in_alcove:
            found[case.letter] = {side: Beside(None, "where it stands free", True) for side in SIDES}
    return found


def beyond(line: Line, beside: Ends) -> dict[str, Beside] | None:
    """Return what is beside the last case of a run that ends before its wall does; ``None`` where it does not."""
    last = line.places[-1].letter if line.places else ""
    if not line.open_right or last not in beside or not beside[last]["right"].wall:
        return None
    return {**beside[last], "right": Beside(None, "beside what is left of the wall", True)}


def _in_the_corner(case: Case, side: str) -> Beside | None:
    """Return what is beside the side of a corner case that stands round the corner: the run there."""
    if isinstance(case.plan, Diagonal) and side == "right":
        return Beside(None, "round the corner", False)
    return None


def _beside(
    room: Measured, row: Sequence[Member], at: int, case: Case, side: str, spaces: Sequence[RunSpace]
) -> Beside:
    if not 0 <= at < len(row):
        end: End = getattr(room.wall, side)
        if end is End.OPEN:
            return Beside(None, "at the open end", True)
        return Beside(None, "at the wall" if end is End.WALL else "in the corner", False, True)
    member = row[at]
    if member.case is not None:
        return _case(case, member.case)
    space = spaces[member.space - 1]
    if space.kind is SpaceKind.OPEN:
        return Beside(None, f"beside “{space.name}”", True)
    if space.kind is SpaceKind.FILLER:
        return Beside(None, f"beside the {space.name}", False)
    low = case.hang if hangs(case) else ZERO - sunk(case)
    return _hidden(None, f"the {space.name}", low + case.height - space.height, case.depth - space.depth)


def _case(case: Case, other: Case) -> Beside:
    if case.turned or other.turned:
        return Beside(other, f"beside {other.letter}", False)
    top, reach = _top(case), _top(other)
    below = other.hang - case.hang if hangs(case) and hangs(other) else ZERO
    return _hidden(other, other.letter, max(top - reach, below), _depth(case) - _depth(other))


def _depth(case: Case) -> Length:
    """Return how deep a case is where it stands in its run; a corner case at its left side."""
    return case.plan.left if isinstance(case.plan, Diagonal) else case.depth


def _hidden(other: Case | None, name: str, higher: Length, deeper: Length) -> Beside:
    if higher > _NEAR:
        return Beside(other, f"above {name}" if other is None or not hangs(other) else f"beside {name}", True)
    if deeper > _NEAR:
        return Beside(other, f"before {name}", True)
    return Beside(other, f"beside {name}", False)


def _top(case: Case) -> Length:
    return case.hang + case.height if hangs(case) else case.height - sunk(case)


def look(case: Case, side: str, beside: Ends) -> SeenEnd | None:
    """Return how an end of a case looks; ``None`` where it is not seen, or fronts of its own close it."""
    own = beside.get(case.letter)
    if own is None or not own[side].seen or any(face == side for face, _ in case.side_faces):
        return None
    seen: SeenEnd = getattr(case, ENDS[side])
    return seen


def panels(case: Case, beside: Ends) -> dict[str, EndPanel]:
    """Return the end panels a case gets, by side."""
    looks = {side: look(case, side, beside) for side in SIDES}
    return {side: each for side, each in looks.items() if isinstance(each, EndPanel)}


def undecided(case: Case, beside: Ends) -> list[str]:
    """Return the sides of a case that are seen and of which nobody has said how they look."""
    return [side for side in SIDES if isinstance(look(case, side, beside), Undecided)]
