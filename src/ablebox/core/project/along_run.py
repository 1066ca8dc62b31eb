# SPDX-License-Identifier: GPL-3.0-or-later
"""What goes along a whole run at once: one kick board before its cases, tops over them, stiles that follow."""

from __future__ import annotations

from dataclasses import replace

from ..cabinet.design import Case
from ..case.counter.none import NoCounter
from ..case.counter.sheet_top import STAGGER, SheetTop
from ..case.frame.face_frame import FaceFrame
from ..case.plan_straight import Straight
from ..lengths import ZERO, Length
from ..run.bases import Running
from ..run.counters import corner_cases, reach
from ..run.members import is_tall
from ..run.place import Line
from ..run.space import SpaceKind
from .changes import fitted_stock
from .tree import Project


def _own(project: Project, line: Line) -> list[Case]:
    return [project.case(place.letter) for place in line.places if place.letter]


def stiles_follow(project: Project, line: Line) -> Project:
    """Return the project with the outer stiles of all framed cases of a run following from their neighbours."""
    for case in _own(project, line):
        if isinstance(case.frame, FaceFrame):
            project = project.with_case(replace(case, frame=replace(case.frame, follow=True)))
    return project


def one_kick(project: Project, line: Line) -> Project:
    """Return the project with one base before all cases of a run that touch and stand alike: the first one's goes on.

    A space, an end panel or a base of another kind or size begins a new one.
    """
    before: Case | None = None
    for place in line.places:
        case = project.case(place.letter) if place.letter else None
        if case is None or not isinstance(case.kick, Running) or not isinstance(case.plan, Straight) or case.turned:
            before = None
            continue
        alike = before is not None and not place.panels[0] and _same_base(case, before)
        case = replace(case, kick=replace(case.kick, carried=alike))
        project, before = project.with_case(case), None if place.panels[1] else case
    return project


def _same_base(case: Case, other: Case) -> bool:
    one, two = case.kick, other.kick
    if not isinstance(one, Running) or not isinstance(two, Running) or case.depth != other.depth:
        return False
    return replace(one, carried=False) == replace(two, carried=False)


def one_top(project: Project, line: Line) -> Project:
    """Return the project with a top over all cases of a run that are as high and as deep as each other.

    It goes on over what stands between them unless that is open or higher; a corner case has a top of its own.
    """
    groups: list[list[Case]] = [[]]
    for place in line.places:
        case = project.case(place.letter) if place.letter else None
        first = groups[-1][0] if groups[-1] else None
        if case is None:
            space = project.spaces[place.space - 1]
            if space.kind is SpaceKind.OPEN or (first is not None and space.height > first.height):
                groups.append([])
        elif case.turned or is_tall(case):
            # A tall case has no top one works on.
            groups.append([])
        elif first is None or (isinstance(case.plan, Straight) and _as_high(case, first)):
            groups[-1].append(case)
        else:
            groups.append([case])
        if case is not None and not isinstance(case.plan, Straight):
            groups.append([])
    for group in groups:
        for i, case in enumerate(group):
            old = case.counter if isinstance(case.counter, SheetTop) else SheetTop()
            counter: SheetTop | NoCounter = NoCounter()
            if i == 0:
                counter = replace(old, over=len(group))
                counter = replace(counter, joint=_joint(project, line, replace(case, counter=counter), old))
            project = project.with_case(fitted_stock(project, replace(case, counter=counter)))
    return project


def _joint(project: Project, line: Line, case: Case, top: SheetTop) -> Length | None:
    """Return where a top that is longer than its sheets is joined: over the last side both pieces allow; else as it was.

    The joint of the strips under it is staggered, so the first piece leaves room for that (common practice).
    """
    goods = next((row for row in project.rack.goods if row.code == top.goods), None)
    longest = max((sheet.length for sheet in goods.sheets), default=ZERO) if goods is not None else ZERO
    longest = longest - project.rack.saw.trims
    reached = reach(case, line, project.spaces, corner_cases(project.cases))
    if reached is None:
        return top.joint
    first, last = reached
    start, end = line.places[first].x - top.left, line.places[last].end + top.right
    if longest <= ZERO or end - start <= longest:
        return top.joint
    sides = [place.end - start for place in line.places[first:last] if place.letter]
    good = [at for at in sides if at + STAGGER <= longest and end - start - at + STAGGER <= longest]
    return max(good, default=top.joint)


def _as_high(case: Case, other: Case) -> bool:
    return (case.height, case.depth) == (other.height, other.depth) and isinstance(other.plan, Straight)
