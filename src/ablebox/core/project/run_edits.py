# SPDX-License-Identifier: GPL-3.0-or-later
"""What a person does to a run: fillers, appliances and open spaces put in, members moved, mirrored and shared out."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from ..cabinet.design import Case
from ..cabinet.mirrored import mirrored as mirrored_case
from ..case.counter.none import NoCounter
from ..case.plan_diagonal import Diagonal
from ..case.plan_straight import Straight
from ..lengths import ZERO, Length, inches, millimetres
from ..run.bases import Running
from ..run.counters import corner_cases, covered
from ..run.members import hangs
from ..run.place import Line
from ..run.space import RunSpace, SpaceKind
from ..units import System
from . import rows
from .placed import FILLER, with_numbers, without_number
from .stand_edits import with_spaces_renumbered
from .tree import Project


def with_space(project: Project, kind: SpaceKind, line: Line, before: str) -> Project:
    """Return the project with a space before a case of a run, or at its end.

    A filler takes what is left over, or a usual width where a case follows the run (1 1/2 in or 40 mm); an appliance comes in a usual
    size (30 in or 600 mm wide, common practice), to be replaced by its own.
    """
    inch = project.units.system is System.INCH
    standing = [project.case(place.letter) for place in line.places if place.letter]
    like = next((case for case in standing if case.letter == before), standing[-1] if standing else None)
    high = like.height if like is not None else (inches("34 1/2") if inch else millimetres(880))
    deep = like.depth if like is not None else (inches(24) if inch else millimetres(600))
    wide: Length | None = inches(30) if inch else millimetres(600)
    if kind is SpaceKind.FILLER:
        narrow = inches("1 1/2") if inch else millimetres(40)
        wide = narrow if any(case.follows for case in standing) else None
    air = (inches("1/8") if inch else millimetres(3)) if kind is SpaceKind.APPLIANCE else ZERO
    behind = (inches(1) if inch else millimetres(25)) if kind is SpaceKind.APPLIANCE else ZERO
    goods = project.rack.goods[0].code if kind is SpaceKind.FILLER and project.rack.goods else ""
    scribe = (inches("1/2") if inch else millimetres(12)) if kind is SpaceKind.FILLER else ZERO
    new = RunSpace(
        line.wall, before, kind, kind.words, wide, high, deep, air, behind, ZERO, line.upper, goods, scribe
    )  # fmt: skip
    return replace(project, spaces=(*project.spaces, new))


def change_space(project: Project, number: int, **changes: Any) -> Project:
    """Return the project with a space changed, by its number from 1."""
    return replace(project, spaces=rows.changed(project.spaces, number, **changes))


def without_space(project: Project, number: int) -> Project:
    """Return the project without a space; what was cut of it is forgotten, as numbers move up."""
    project = with_spaces_renumbered(project, lambda old: None if old == number else old - (old > number))
    return replace(without_number(project, FILLER, number), spaces=rows.without(project.spaces, number))


def moved(project: Project, line: Line, at: int, by: int) -> Project:
    """Return the project with a member of a run one place farther to the left or right; others keep their order.

    Args:
        project: the project.
        line: the run.
        at: which member, from 0.
        by: -1 for left, 1 for right.
    """
    names = [place.letter or place.space for place in line.places]
    if not 0 <= at + by < len(names):
        return project
    names[at], names[at + by] = names[at + by], names[at]
    return ordered(project, line, names)


def mirrored(project: Project, line: Line) -> Project:
    """Return the project with a run the other way round; what a case has at one end goes to the other.

    A base that goes on under others, and a top that lies on them, begin at what is now the first of them.
    """
    names = [place.letter or place.space for place in reversed(line.places)]
    widths = {place.letter: place.case_width for place in line.places if place.letter}
    own = [project.case(letter) for letter in widths]
    turned = {case.letter: mirrored_case(case, widths[case.letter]) for case in own}
    for group in _groups(own):
        _lead(turned, group)
    corners = corner_cases(project.cases)
    for case in own:
        under = covered(case, line, corners)
        if len(under) > 1:
            turned[under[-1]] = replace(turned[under[-1]], counter=turned[case.letter].counter)
            turned[case.letter] = replace(turned[case.letter], counter=NoCounter())
    for case in turned.values():
        project = project.with_case(case)
    return ordered(project, line, names)


def _groups(row: list[Case]) -> list[list[Case]]:
    """Return the cases of a row in groups that stand on one base."""
    found: list[list[Case]] = []
    for case in row:
        if found and isinstance(case.kick, Running) and case.kick.carried:
            found[-1].append(case)
        else:
            found.append([case])
    return found


def _lead(turned: dict[str, Case], group: list[Case]) -> None:
    """Let the last of a group have the base that the first one had."""
    first, last = turned[group[0].letter], turned[group[-1].letter]
    one, other = first.kick, last.kick
    if len(group) > 1 and isinstance(one, Running) and isinstance(other, Running):
        turned[first.letter] = replace(first, kick=replace(one, carried=True))
        turned[last.letter] = replace(last, kick=replace(other, carried=False))


def ordered(project: Project, line: Line, names: list[str | int]) -> Project:
    """Return the project with the members of a run in another order: letters of cases, numbers of spaces.

    A space keeps its number, except among those before the same case: these are numbered as they stand.
    """
    letters = [name for name in names if isinstance(name, str)]
    own = [case for case in project.cases if case.letter in letters]
    new_order = iter([project.case(letter) for letter in letters])
    cases = tuple(next(new_order) if case in own else case for case in project.cases)
    groups: dict[str, list[int]] = {}
    for i, name in enumerate(names):
        if isinstance(name, int):
            before = next((other for other in names[i + 1 :] if isinstance(other, str)), "")
            groups.setdefault(before, []).append(name)
    spaces, new = list(project.spaces), {}
    for before, numbers in groups.items():
        for slot, number in zip(sorted(numbers), numbers, strict=True):
            spaces[slot - 1], new[number] = replace(project.spaces[number - 1], before=before), slot
    after = replace(with_numbers(project, FILLER, lambda old: new.get(old, old)), cases=cases, spaces=tuple(spaces))
    return with_spaces_renumbered(after, lambda old: new.get(old, old))


def stand_at(project: Project, letter: str, wall: int) -> Project:
    """Return the project with a case in the run of a wall; 0 for standing by itself."""
    case = project.case(letter)
    if wall == 0:
        return project.with_case(replace(case, in_alcove=False, follows=False, on=None))
    return project.with_case(replace(case, in_alcove=True, wall=wall))


def put_in(project: Project, letter: str, wall: int, after: str) -> Project:
    """Return the project with a case in the run of a wall, behind another; a corner case at its end, as deep as its neighbours.

    Args:
        project: the project.
        letter: of the case.
        wall: number of the wall, from 1.
        after: letter of the case it is put behind; the last one if there is none.
    """
    case = replace(project.case(letter), in_alcove=True, wall=wall)
    others = [each for each in project.cases if each.letter != letter]
    if isinstance(case.plan, Diagonal):
        case = _as_deep(project, case, others)
        after = next((each.letter for each in reversed(others) if each.in_alcove and each.wall == wall), "")
    at = next((i for i, each in enumerate(others) if each.letter == after), len(others) - 1) + 1
    others.insert(at, case)
    return replace(project, cases=tuple(others))


def _as_deep(project: Project, case: Case, others: list[Case]) -> Case:
    """Return a corner case whose sides are as deep as the cases that stand beside them."""
    plan = case.plan
    assert isinstance(plan, Diagonal)
    walls = [i for i, wall in enumerate(project.room.walls, start=1) if wall.island is None]
    following = walls[walls.index(case.wall) + 1 :][:1] if case.wall in walls else []

    def row(wall: int) -> list[Case]:
        found = [each for each in others if each.in_alcove and each.wall == wall and hangs(each) is hangs(case)]
        return [each for each in found if isinstance(each.plan, Straight)]

    before, behind = row(case.wall), [each for wall in following for each in row(wall)]
    left = before[-1].depth if before else plan.left
    right = behind[0].depth if behind else left
    return replace(case, plan=replace(plan, left=left, right=right))
