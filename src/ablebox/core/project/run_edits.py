# SPDX-License-Identifier: GPL-3.0-or-later
"""What a person does to a run: fillers, appliances and open spaces put in, members moved, mirrored and shared out."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from ..cabinet.design import Case
from ..cabinet.mirrored import mirrored as mirrored_case
from ..case.counter.none import NoCounter
from ..case.end.undecided import Undecided
from ..case.plan_diagonal import Diagonal
from ..case.plan_straight import Straight
from ..lengths import ZERO, Length, inches, millimetres
from ..run.bases import Running
from ..run.counters import corner_cases, covered
from ..run.members import hangs
from ..run.place import Line, Place
from ..run.space import RunSpace, SpaceKind
from ..run.strip import RunStrip
from ..units import System
from . import rows
from .changes import duplicate_case
from .placed import FILLER, STRIP, with_numbers, without_number
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
    return replace(with_numbers(project, FILLER, lambda old: new.get(old, old)), cases=cases, spaces=tuple(spaces))


def stand_at(project: Project, letter: str, wall: int) -> Project:
    """Return the project with a case in the run of a wall; 0 for standing by itself."""
    case = project.case(letter)
    if wall == 0:
        return project.with_case(replace(case, in_alcove=False, follows=False))
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


def with_strip(project: Project, line: Line, name: str) -> Project:
    """Return the project with a strip along a run: of the rack's boards if it has any, 2 1/2 in or 60 mm wide."""
    rack, inch = project.rack, project.units.system is System.INCH
    codes = [row.code for row in rack.boards] + [row.code for row in rack.goods]
    goods = codes[0] if codes else ""
    width = inches("2 1/2") if inch else millimetres(60)
    return replace(project, strips=(*project.strips, RunStrip(line.wall, line.upper, name, goods, width)))


def change_strip(project: Project, number: int, **changes: Any) -> Project:
    """Return the project with a strip changed, by its number from 1."""
    return replace(project, strips=rows.changed(project.strips, number, **changes))


def without_strip(project: Project, number: int) -> Project:
    """Return the project without a strip; what was cut of it is forgotten, as numbers move up."""
    return replace(without_number(project, STRIP, number), strips=rows.without(project.strips, number))
