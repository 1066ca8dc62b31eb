# SPDX-License-Identifier: GPL-3.0-or-later
"""What a person does to the room: walls, what is on them, heights along them, studs, corners, the way in."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from ..cabinet.metric import metric
from ..lengths import ZERO, Length, inches, millimetres
from ..room.backing import Found, HoldKind, Stud
from ..room.island import Island
from ..room.obstacle import usual
from ..room.reading import Method, Reading
from ..room.room import Corner, Way
from ..room.wall import SINGLE, End, Level, Wall, height_at
from ..units import System
from . import rows
from .run_edits import without_space
from .stand_edits import without_empty_rooms
from .strip_edits import without_strip
from .tree import Project


def with_room(project: Project, **changes: Any) -> Project:
    """Return the project with the room changed."""
    return replace(project, room=replace(project.room, **changes))


def change_wall(project: Project, number: int, **changes: Any) -> Project:
    """Return the project with a wall changed."""
    return project.with_wall(number, replace(project.wall(number), **changes))


def with_another_wall(project: Project) -> Project:
    """Return the project with one more wall that nobody has measured yet, round the corner of the last one."""
    last = next((wall for wall in reversed(project.room.walls) if wall.island is None), project.room.walls[0])
    names = {wall.name for wall in project.room.walls}
    name = next(f"Wall {i}" for i in range(len(names) + 1, 1000) if f"Wall {i}" not in names)
    new = Wall(name, left=End.CORNER, allowance=last.allowance, room=project.room.walls[-1].room)
    return with_room(project, walls=(*project.room.walls, new))


def with_island(project: Project) -> Project:
    """Return the project with an island, far enough from the first wall's run to work between (42 in, 1070 mm)."""
    inch = project.units.system is System.INCH
    deep, aisle, along = (
        (inches(25), inches(42), inches(24)) if inch else (millimetres(620), millimetres(1070), millimetres(600))
    )
    new = Wall(
        "Island",
        left=End.OPEN,
        right=End.OPEN,
        allowance=ZERO,
        island=Island(along, deep + aisle),
        room=project.room.walls[-1].room,
    )
    return with_room(project, walls=(*project.room.walls, _named_apart(project, new)))


def with_back_row(project: Project, number: int) -> Project:
    """Return the project with a second row of cases at the back of what stands in an island, looking the other way."""
    wall = project.wall(number)
    island = wall.island
    depths = [case.depth for case in project.cases if case.in_alcove and case.wall == number]
    depths += [space.depth for space in project.spaces if space.wall == number]
    if island is None or not depths:
        return project
    deep = max(depths)
    away = island.away - deep if not island.faces_wall else island.away + deep
    behind = Island(island.along, max(ZERO, away), not island.faces_wall)
    new = replace(wall, name=f"{wall.name}, back", island=behind, room=project.room.walls[-1].room)
    return with_room(project, walls=(*project.room.walls, _named_apart(project, new)))


def _named_apart(project: Project, wall: Wall) -> Wall:
    taken = {other.name for other in project.room.walls}
    names = (wall.name, *(f"{wall.name} {i}" for i in range(2, 1000)))
    return replace(wall, name=next(name for name in names if name not in taken))


def without_wall(project: Project, number: int) -> Project:
    """Return the project without a wall; its cases stand free, at the first wall, what stood between them goes.

    Raises:
        ValueError: if it is the only wall.
    """
    if len(project.room.walls) == 1:
        raise ValueError("a room has a wall")
    walls = rows.without(project.room.walls, number)
    cases = []
    for case in project.cases:
        if case.wall == number:
            cases.append(replace(case, wall=1, in_alcove=False, follows=False))
        else:
            cases.append(replace(case, wall=case.wall - (case.wall > number)))
    for at in range(len(project.spaces), 0, -1):
        if project.spaces[at - 1].wall == number:
            project = without_space(project, at)
    for at in range(len(project.strips), 0, -1):
        if project.strips[at - 1].wall == number:
            project = without_strip(project, at)
    spaces = tuple(replace(space, wall=space.wall - (space.wall > number)) for space in project.spaces)
    strips = tuple(replace(strip, wall=strip.wall - (strip.wall > number)) for strip in project.strips)
    corners = tuple(
        replace(corner, wall=corner.wall - (corner.wall > number))
        for corner in project.room.corners
        if corner.wall != number
    )
    room = without_empty_rooms(replace(project.room, walls=walls, corners=corners))
    return replace(project, room=room, cases=tuple(cases), spaces=spaces, strips=strips)


def with_obstacle(project: Project, number: int, kind: str) -> Project:
    """Return the project with another obstacle on a wall, of its usual size, in the middle."""
    wall = project.wall(number)
    width = _width(wall)
    new = usual(kind, ZERO)
    if project.units.system is System.MM:
        new = metric(new)
    wide = min(new.width, width)
    x = ZERO if wide == width else project.units.usual((width - wide).share(2)[0])
    return change_wall(project, number, obstacles=(*wall.obstacles, replace(new, x=x, width=wide)))


def _width(wall: Wall) -> Length:
    return min((reading.read for reading in wall.widths), default=inches(96))


def with_method(project: Project, number: int, index: int | str, method: Method) -> Project:
    """Return the project with a reading taken in a way, and with it those of its wall of which nobody has said how.

    Args:
        project: the project.
        number: of the wall.
        index: of the width, from 0, or the name of a reading that stands alone.
        method: the way.
    """
    wall = project.wall(number)

    def said(reading: Reading, own: bool) -> Reading:
        return replace(reading, method=method) if own or reading.method is Method.UNSAID else reading

    widths = tuple(said(reading, i == index) for i, reading in enumerate(wall.widths))
    alone = {name: said(each, name == index) for name in SINGLE if (each := getattr(wall, name)) is not None}
    return change_wall(project, number, widths=widths, **alone)


def with_studs(project: Project, number: int, first: Length, spacing: Length) -> Project:
    """Return the project with studs on a wall from the first found one on, as far apart as is usual there."""
    wall, at, found = project.wall(number), first, list[Stud]()
    while at < _width(wall):
        found.append(Stud(at))
        at += spacing
    return change_wall(project, number, studs=tuple(found))


def change_stud(project: Project, number: int, at: int, **changes: Any) -> Project:
    """Return the project with a stud of a wall changed, by its number from 1."""
    return change_wall(project, number, studs=rows.changed(project.wall(number).studs, at, **changes))


def with_stud_as(project: Project, number: int, at: int, kind: HoldKind) -> Project:
    """Return the project with a stud of a wall being something else; an insert is put where a usual rail is, 34 in (860 mm) over the floor."""
    high = inches(34) if project.units.system is System.INCH else millimetres(860)
    up = (project.wall(number).studs[at - 1].up or high) if kind is HoldKind.INSERT else None
    return change_stud(project, number, at, kind=kind, up=up)


def with_studs_proven(project: Project, number: int) -> Project:
    """Return the project with all studs of a wall proven by holes."""
    return change_wall(
        project, number, studs=tuple(replace(each, found=Found.HOLE) for each in project.wall(number).studs)
    )


def spacing(system: System) -> Length:
    """Return how far apart studs usually are, middle to middle (common practice): 16 in, or 400 mm."""
    return inches(16) if system is System.INCH else millimetres(400)


def with_height(project: Project, number: int, what: str) -> Project:
    """Return the project with one more height told along a wall: of the ``floor`` or the ``ceilings``."""
    wall = project.wall(number)
    levels: tuple[Level, ...] = getattr(wall, what)
    width = _width(wall)
    taken = {level.at for level in levels if level.out == ZERO}
    places = [ZERO, width, width.share(2)[0], width.share(4)[0], width - width.share(4)[0]]
    places += [width.share(16)[0] * i for i in range(1, 16)]
    at = next(place for place in places if place not in taken)
    read = wall.ceiling.read if wall.ceiling is not None else inches(96)
    high = ZERO if what == "floor" else (height_at(levels, at) or read)
    return change_wall(project, number, **{what: (*levels, Level(at, high))})


def without(project: Project, number: int, what: str, at: int) -> Project:
    """Return the project without one row of a wall's list, counted from 1."""
    return change_wall(project, number, **{what: rows.without(getattr(project.wall(number), what), at)})


def with_way(project: Project, room: int = 1) -> Project:
    """Return the project with one more way in: a door as usual (30 x 80 in, 760 x 2000 mm, common practice)."""
    inch = project.units.system is System.INCH
    wide, high = (inches(30), inches(80)) if inch else (millimetres(760), millimetres(2000))
    return with_room(project, ways=(*project.room.ways, Way("door", wide, high, None, room)))


def with_corner(project: Project, wall: int) -> Project:
    """Return the project with the corner at a wall's right end measured by 3, 4 and 5 (feet, or 600, 800 and 1000 mm)."""
    inch = project.units.system is System.INCH
    unit = inches(12) if inch else millimetres(200)
    corner = Corner(wall, unit * 3, unit * 4, unit * 5)
    return with_room(project, corners=(*project.room.corners, corner))


def with_joists(project: Project, number: int, first: Length, apart: Length) -> Project:
    """Return the project with joists over a wall from the first found one on, as far apart as is usual there."""
    wall, at, found = project.wall(number), first, list[Length]()
    while at < _width(wall):
        found.append(at)
        at += apart
    return change_wall(project, number, joists=tuple(found))


def with_floor_in_front(project: Project, number: int) -> Project:
    """Return the project with the floor read in a second row before a wall, as far out as cases are deep: as high as at the wall at first."""
    wall = project.wall(number)
    depths = [case.depth for case in project.cases if case.in_alcove and case.wall == number]
    out = max(depths, default=inches(24) if project.units.system is System.INCH else millimetres(600))
    behind = [level for level in wall.floor if level.out == ZERO]
    if any(level.out == out for level in wall.floor):
        return project
    return change_wall(project, number, floor=(*wall.floor, *(replace(level, out=out) for level in behind)))
