# SPDX-License-Identifier: GPL-3.0-or-later
"""A run along a wall: what stands on the floor, or hangs above it, one beside the other, and what is left over.

Widths that follow, and spaces without a width, share equally what the others leave of the smallest width. Round a
corner the run of the wall before takes its depth first. Hung cases share the wall with what stands as high as they hang.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from ..cabinet.design import Case
from ..lengths import ZERO, Length, inches
from ..reckoning import Book, Origin, Reckoned, added_up
from ..room.wall import End, Measured
from .counters import corner_cases, covered
from .members import Member, hangs, lowest, members, sunk
from .place import Line, Place
from .round_corner import in_the_corner, round_the_corner
from .shares import shares
from .space import RunSpace
from .taken import Panels, taken, width_of_space

#: What is left of a wall beside the last case that nobody scribes any more: its end is seen from there (common practice).
GAP = inches(1)


def lines(
    cases: Sequence[Case], spaces: Sequence[RunSpace], walls: Sequence[Measured], panels: Panels | None = None
) -> tuple[list[Line], dict[str, Reckoned]]:
    """Return the runs of all walls, and the widths of the cases that follow, by letter.

    Args:
        cases: all cases.
        spaces: all spaces.
        walls: the walls as measured, in order.
        panels: thickness of the end panels cases get.
    """
    found: list[Line] = []
    widths: dict[str, Reckoned] = {}
    before: list[tuple[Line, Measured]] = []
    for room in walls:
        floor: Line | None = None
        if before and before[0][1].wall.room != room.wall.room:
            before = []
        for upper in (False, True):
            row = members(room.number, cases, spaces, upper)
            corner = in_the_corner(before, row, spaces, upper)
            line, own = _line(room, row, spaces, upper, corner, floor, panels or {}, cases)
            widths |= own
            if upper is False:
                floor = line
            found.append(line)
        if room.wall.island is None:
            before = [(line, room) for line in found[-2:]]
    return found, widths


def _line(
    room: Measured,
    row: list[Member],
    spaces: Sequence[RunSpace],
    upper: bool,
    corner: list[Place],
    floor: Line | None,
    panels: Panels,
    everyone: Sequence[Case] = (),
) -> tuple[Line, dict[str, Reckoned]]:
    hung_at = lowest(member.case for member in row)
    start, usable = ZERO, room.usable
    taken_round = round_the_corner(room, corner)
    if taken_round is not None:
        start = taken_round.length
        if usable is not None:
            usable = _usable(room, upper, usable - taken_round)
    if End.OPEN not in (room.wall.left, room.wall.right) and room.governing is not None and taken_round is None:
        start += room.wall.allowance.share(2)[0]
    followers = [
        member.case
        for member in row
        if member.case is not None
        and member.case.follows
        and not member.case.turned % 2
        and hangs(member.case) is upper
        and member.case.on is None
    ]
    open_widths = [member.space for member in row if member.case is None and spaces[member.space - 1].width is None]
    above = [
        member.case for member in row if member.case is not None and member.case.on is not None and member.case.follows
    ]
    wide = {
        case.letter: width
        for case in above
        if floor is not None and (width := over_all(case, floor, everyone)) is not None
    }
    own, shared = shares(usable, row, spaces, followers, open_widths, panels)
    own |= wide
    places, x = [], start
    for member in row:
        case, number = member.case, member.space
        if case is None:
            space = spaces[number - 1]
            width = width_of_space(space, number, shared)
            low = hung_at or ZERO if upper else ZERO
            places.append(Place("", number, width, x, low, low + space.height, space.depth))
        elif upper and not hangs(case):
            standing = next((p for p in floor.places if p.letter == case.letter), None) if floor else None
            if standing is not None:
                x = max(x, standing.end)
            continue
        else:
            width = taken(case, own, panels)
            low = case.hang if upper else ZERO - sunk(case)
            x = max(x, on_at(case, places, floor)) if case.on is not None else x
            thick = panels.get(case.letter, {})
            both = tuple(thick[side].length if side in thick else ZERO for side in ("left", "right"))
            places.append(Place(case.letter, 0, width, x, low, low + case.height, case.depth, both))  # type: ignore[arg-type]
        x += width.length
    total = added_up(place.width for place in places) if places else None
    if total is not None:
        key = f"run{'' if room.number == 1 else room.number}{'.upper' if upper else ''}/width"
        total = Reckoned(total.length, "width of the run", key, Origin.RECKONED, "", total.terms)
    tall = [p.width for p in _tall(row, upper, floor)]
    for each in tall:
        if usable is not None:
            usable = _usable(room, upper, usable - each)
    short = usable is not None and total is not None and usable.length - total.length >= GAP
    open_left, open_right = room.wall.left is End.OPEN, room.wall.right is End.OPEN or short
    return Line(room.number, upper, tuple(places), total, usable, open_left, open_right), own


def over_all(case: Case, floor: Line, cases: Sequence[Case]) -> Reckoned | None:
    """Return the width of all that a case stands on: the cases under one top with the one it stands on, and what is between; ``None`` if nothing is there."""
    assert case.on is not None
    corners = corner_cases(cases)
    name = case.on.letter or f"space {case.on.space}"
    letters = next(
        (under for each in cases if each.wall == case.wall and case.on.letter in (under := covered(each, floor, corners))), [name]
    )  # fmt: skip
    at = [i for i, place in enumerate(floor.places) if place.name in (*letters, name)]
    if not at:
        return None
    total = added_up(place.width for place in floor.places[min(at) : max(at) + 1])
    return Book(f"{case.letter}/").named(total, "case width", "width", "as wide as what it stands on")


def on_at(case: Case, places: Sequence[Place], floor: Line | None) -> Length:
    """Return where a case begins that stands on something: as far along that as was chosen."""
    assert case.on is not None
    below = [*(floor.places if floor is not None else ()), *places]
    name = case.on.letter or f"space {case.on.space}"
    found = next((place for place in below if place.name == name), None)
    return max(ZERO, found.x + case.on.along) if found is not None else ZERO


def _tall(row: list[Member], upper: bool, floor: Line | None) -> list[Place]:
    if not upper or floor is None:
        return []
    letters = {member.case.letter for member in row if member.case is not None and not hangs(member.case)}
    return [place for place in floor.places if place.letter in letters]


def _usable(room: Measured, upper: bool, left: Reckoned) -> Reckoned:
    words = "left for what hangs" if upper else "left for the run"
    return Reckoned(
        left.length, words, f"{room.prefix}left{'.upper' if upper else ''}", Origin.RECKONED, "", left.terms
    )


def without_case(spaces: Sequence[RunSpace], letter: str, following: str) -> tuple[RunSpace, ...]:
    """Return spaces that stood before a case which is gone, before the one after it."""
    return tuple(replace(space, before=following) if space.before == letter else space for space in spaces)
