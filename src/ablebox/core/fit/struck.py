# SPDX-License-Identifier: GPL-3.0-or-later
"""The level line of each wall, struck from the highest point of the floor under what stands there.

Walls with a corner that the run comes round share one line: their tops meet. What is on a base that is ripped to the floor asks for
no packing where the base follows the floor (common practice).
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from itertools import pairwise

from ..case.base_casters import Casters
from ..lengths import ZERO, Length
from ..room.ground import Ground
from ..room.wall import End
from ..run.place import Place
from ..shop.made import Made


@dataclass(frozen=True, slots=True)
class Struck:
    """The level line of a wall.

    Args:
        room: number of the room.
        wall: number of the wall.
        line: how high it is over the room's level datum.
        highest: where the highest point of the floor under its run is: along the wall, and out of it.
        lowest: how high the lowest is.
        read: whether anybody has read the floor.
    """

    room: int
    wall: int
    line: Length
    highest: tuple[Length, Length]
    lowest: Length
    read: bool

    @property
    def fall(self) -> Length:
        """How far the floor falls under the run."""
        return self.line - self.lowest


def standing_on_floor(made: Made, wall: int) -> list[Place]:
    """Return the cases of a wall that stand on its floor, from left to right; on casters they roll where it is level."""
    return [
        place for place in made.line(wall).places
        if place.letter and place.letter not in made.unbuilt and not isinstance(made.project.case(place.letter).kick, Casters)
    ]  # fmt: skip


def out_of(made: Made, place: Place) -> Length:
    """Return how far a case stands out of its wall, its doors apart."""
    assembly = made.assembly(place.letter)
    turned = made.project.case(place.letter).turned % 2
    return assembly.outside[0 if turned else 2].length


def floor_of(made: Made, wall: int) -> Floor:
    """Return the floor before a wall; before an island that has no readings of its own that of the first wall of its room."""
    here = made.rooms[wall - 1].wall
    if here.island is not None and not here.floor:
        first = next(room.wall for room in made.rooms if room.wall.room == here.room)
        return Floor(Ground(first.floor_levels), here.island.along, here.island.away)
    return Floor(Ground(here.floor_levels))


@dataclass(frozen=True, slots=True)
class Floor:
    """The floor before a wall, in the wall's own places.

    Args:
        ground: as it was read.
        along: where the wall's left end is, in the places of the readings.
        out: how far its face is out there.
    """

    ground: Ground
    along: Length = ZERO
    out: Length = ZERO

    def at(self, along: Length, out: Length) -> Length:
        """Return how high the floor is."""
        return self.ground.at(self.along + along, self.out + out)

    def corners(self, low: Length, high: Length, near: Length, far: Length) -> list[tuple[Length, Length]]:
        """Return the places where its highest point can be."""
        found = self.ground.corners(self.along + low, self.along + high, self.out + near, self.out + far)
        return [(a - self.along, o - self.out) for a, o in found]


def struck(made: Made) -> list[Struck]:
    """Return the level line of every wall something stands at."""
    own = [each for each in (_own(made, room.number) for room in made.rooms) if each is not None]
    found = []
    for group in _groups(made, own):
        line = max(each.line for each in group)
        found += [
            Struck(each.room, each.wall, line, each.highest, each.lowest, each.read) for each in group
        ]  # fmt: skip
    return sorted(found, key=lambda each: each.wall)


def _own(made: Made, wall: int) -> Struck | None:
    places, floor = standing_on_floor(made, wall), floor_of(made, wall)
    at = [each for place in places for each in floor.corners(place.x, place.end, ZERO, out_of(made, place))]
    # A base goes on through what stands between its cases.
    for one, two in pairwise(places):
        if two.letter in made.run.bases.get(made.run.base_under(one.letter), ()) and one.end < two.x:
            at += floor.corners(one.end, two.x, ZERO, out_of(made, one))
    if not at:
        return None
    highest = max(at, key=lambda each: floor.at(*each))
    lowest = min(floor.at(*each) for each in at)
    room = made.rooms[wall - 1].wall
    return Struck(room.room, wall, floor.at(*highest), highest, lowest, floor.ground.known)


def _groups(made: Made, rows: list[Struck]) -> Iterator[list[Struck]]:
    """Return the walls whose runs meet round corners together."""
    group: list[Struck] = []
    for each in rows:
        wall = made.rooms[each.wall - 1].wall
        meets = group and wall.left is End.CORNER and wall.room == group[-1].room and wall.island is None
        if group and not meets:
            yield group
            group = []
        group.append(each)
    if group:
        yield group
