# SPDX-License-Identifier: GPL-3.0-or-later
"""How members of a run share its width: a boundary dragged, equal shares, modules, one wide case made several."""

from __future__ import annotations

from dataclasses import replace

from ..cabinet.design import Case
from ..case.end.undecided import Undecided
from ..lengths import ZERO, Length, inches, millimetres
from ..run.members import hangs
from ..run.place import Line, Place
from ..run.space import SpaceKind
from ..units import System
from .changes import duplicate_case
from .run_edits import change_space, with_space
from .tree import Project


def with_boundary(project: Project, line: Line, at: int, x: Length) -> Project:
    """Return the project with the boundary between a member of a run and the next one at a place along the wall.

    What follows the run goes on following it, as far as one of the two does not; both together keep their width.

    Args:
        project: the project.
        line: the run.
        at: which member is at the left of the boundary, from 0.
        x: the place, from the wall's left end.

    Raises:
        ValueError: if a member would lose all its width.
    """
    left, right = line.places[at], line.places[at + 1]
    by = x - left.end
    if left.width.length + by <= ZERO or right.width.length - by <= ZERO:
        raise ValueError("what stands in a run keeps some width; drag it less far")
    if not (_follows(project, left) and not _follows(project, right)):
        project = _widened(project, left, by)
        if _follows(project, right):
            return project
    return _widened(project, right, ZERO - by)


def _follows(project: Project, place: Place) -> bool:
    if place.letter:
        return project.case(place.letter).follows
    return project.spaces[place.space - 1].width is None


def _widened(project: Project, place: Place, by: Length) -> Project:
    if place.letter:
        case = project.case(place.letter)
        # A width that followed begins from what it has come to.
        size = place.case_width + by
        turned = replace(case, depth=size) if case.turned % 2 else replace(case, width=size)
        return project.with_case(replace(turned, follows=False))
    space = project.spaces[place.space - 1]
    return change_space(project, place.space, width=place.width.length - space.air * 2 + by)


def in_pieces(project: Project, letter: str, count: int, width: Length) -> Project:
    """Return the project with several cases side by side in place of one.

    Args:
        project: the project.
        letter: of the case; it stays, as the first of them.
        count: how many.
        width: of each, unless the case follows the run; then they all do.
    """
    case = project.case(letter)
    # What was measured on the wide one says nothing of the narrow ones.
    measured = {key: size for key, size in project.measured.items() if not key.startswith(f"{letter}/")}
    project = replace(project, measured=measured)
    ends = [case.left_seen, *[Undecided()] * (2 * count - 2), case.right_seen]
    last = letter
    for i in range(count):
        if i:
            project, last = duplicate_case(project, last)
        project = project.with_case(
            replace(project.case(last), width=width, left_seen=ends[2 * i], right_seen=ends[2 * i + 1])
        )
    return project


def share_out(project: Project, line: Line) -> Project:
    """Return the project with all cases of a run following its width, each an equal share."""
    letters = {place.letter for place in line.places if place.letter}

    def follow(case: Case) -> Case:
        own = case.letter in letters and not case.turned % 2 and hangs(case) is line.upper
        return replace(case, follows=True) if own else case

    return replace(project, cases=tuple(follow(case) for case in project.cases))


def in_modules(project: Project, line: Line, module: Length) -> Project:
    """Return the project with each case of a run that follows as many modules wide as it can be; fillers take the rest.

    Args:
        project: the project.
        line: the run.
        module: of which widths are multiples, such as 3 in or 100 mm.
    """
    for place in line.places:
        if place.letter and project.case(place.letter).follows:
            count = place.width.length.ticks // module.ticks
            if count:
                case = replace(project.case(place.letter), follows=False, width=Length(module.ticks * count))
                project = project.with_case(case)
    fillers = [
        number
        for number, space in enumerate(project.spaces, start=1)
        if space.kind is SpaceKind.FILLER and (space.wall, space.upper) == (line.wall, line.upper)
    ]
    if any(project.spaces[number - 1].width is None for number in fillers):
        return project
    if fillers:
        return change_space(project, fillers[-1], width=None)
    return with_space(project, SpaceKind.FILLER, line, "")


def modules(system: System) -> tuple[Length, ...]:
    """Return the modules widths of cases come in (common practice): 3 in, or 100 mm, first."""
    if system is System.INCH:
        return inches(3), inches("1 1/2"), inches(6)
    return millimetres(100), millimetres(50), millimetres(150)
