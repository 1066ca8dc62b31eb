# SPDX-License-Identifier: GPL-3.0-or-later
"""What a person says of what stands on what, which sizes follow another's, and which rooms there are."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from ..cabinet.support import Support
from ..lengths import ZERO, Length
from ..room.room import Room, Way
from ..room.wall import End, Wall
from ..run.space import SpaceKind
from ..run.tie import Same, Tie
from .tree import Project


def stand_on(project: Project, letter: str, support: Support | None) -> Project:
    """Return the project with a case on something else; ``None`` for the floor, or where it hangs."""
    return project.with_case(replace(project.case(letter), on=support))


def supports(project: Project, letter: str) -> list[tuple[Support, str]]:
    """Return what a case may stand on, each with what it is called: cases of its wall that do not stand on it, and what is there already."""
    case = project.case(letter)
    above = {letter}
    while more := {c.letter for c in project.cases if c.on is not None and c.on.letter in above} - above:
        above |= more
    found = [
        (Support(other.letter), f"case {other.letter}") for other in project.cases
        if other.in_alcove and other.wall == case.wall and other.letter not in above
    ]  # fmt: skip
    found += [
        (Support("", number), f"the {space.name}") for number, space in enumerate(project.spaces, start=1)
        if space.wall == case.wall and space.kind in (SpaceKind.FOUND, SpaceKind.APPLIANCE)
    ]  # fmt: skip
    return found


def tied_to(project: Project, letter: str, same: Same) -> Tie | None:
    """Return what a size of a case follows; ``None`` if it is its own."""
    return next((tie for tie in project.ties if (tie.case, tie.same) == (letter, same)), None)


def tie(project: Project, letter: str, same: Same, to: str | int | None, ridge: bool = False) -> Project:
    """Return the project with a size of a case following another's, its letter or the number of its space; ``None`` for its own.

    What it follows must not follow it: of sizes in a ring each keeps its own. With ``ridge`` a height follows the ridge of a space.
    """
    old = tied_to(project, letter, same)
    rest = tuple(each for each in project.ties if each is not old)
    if to is None:
        return replace(project, ties=rest)
    plus = old.plus if old is not None else ZERO
    new = Tie(letter, same, to, 0, plus) if isinstance(to, str) else Tie(letter, same, "", to, plus, ridge)
    return replace(project, ties=(*rest, new))


def with_plus(project: Project, number: int, plus: Length) -> Project:
    """Return the project with more or less added to what a size follows, by the number of the tie from 1."""
    ties = tuple(replace(t, plus=plus) if i == number else t for i, t in enumerate(project.ties, start=1))
    return replace(project, ties=ties)


def with_spaces_renumbered(project: Project, number: Callable[[int], int | None]) -> Project:
    """Return the project in which what stands on a space, or follows one, names it by its new number; what is gone is let go."""
    cases = []
    for case in project.cases:
        if case.on is not None and case.on.space:
            new = number(case.on.space)
            case = replace(case, on=None if new is None else replace(case.on, space=new))
        cases.append(case)
    ties = []
    for each in project.ties:
        if not each.space:
            ties.append(each)
        elif (new := number(each.space)) is not None:
            ties.append(replace(each, space=new))
    return replace(project, cases=tuple(cases), ties=tuple(ties))


# Rooms


def with_another_room(project: Project, name: str = "") -> Project:
    """Return the project with one more room, of one wall that nobody has measured yet."""
    room = project.room
    count = len(room.names) + 1
    walls = {wall.name for wall in room.walls}
    wall = next(f"Wall {i}" for i in range(len(walls) + 1, 1000) if f"Wall {i}" not in walls)
    new = Wall(wall, left=End.WALL, right=End.WALL, allowance=room.walls[-1].allowance, room=count)
    names = (*room.names, name.strip() or f"Room {count}")
    return replace(project, room=replace(room, walls=(*room.walls, new), names=names))


def with_room_named(project: Project, number: int, name: str) -> Project:
    """Return the project with a room called otherwise."""
    names = tuple(name if i == number else old for i, old in enumerate(project.room.names, start=1))
    return replace(project, room=replace(project.room, names=names))


def without_empty_rooms(room: Room) -> Room:
    """Return rooms without those that have no wall any more; ways into them go with them."""
    there = sorted({wall.room for wall in room.walls})
    new = {old: i for i, old in enumerate(there, start=1)}
    walls = tuple(replace(wall, room=new[wall.room]) for wall in room.walls)
    ways: tuple[Way, ...] = tuple(replace(way, room=new[way.room]) for way in room.ways if way.room in new)
    names = tuple(name for i, name in enumerate(room.names, start=1) if i in new)
    return replace(room, walls=walls, ways=ways, names=names)
