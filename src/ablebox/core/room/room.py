# SPDX-License-Identifier: GPL-3.0-or-later
"""The room: its walls in order, left to right as one turns, how square its corners are, and the way into it.

The body of a tape is about 3 in long, as is written on it (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass
from math import isqrt

from ..lengths import ZERO, Length, inches
from .wall import Wall


@dataclass(frozen=True, slots=True)
class Way:
    """A place everything must pass on its way in: a door, a stair, a turn of a hall.

    Args:
        name: what it is called.
        width: clear.
        height: clear.
        turn: how far one can go straight on behind it before turning; ``None`` if there is no turn.
        room: number of the room it leads to, from 1.
    """

    name: str
    width: Length
    height: Length
    turn: Length | None = None
    room: int = 1

    def __post_init__(self) -> None:
        if self.width <= ZERO or self.height <= ZERO or (self.turn is not None and self.turn <= ZERO):
            raise ValueError("a way in has a width and a height above 0")
        if self.room < 1:
            raise ValueError("rooms are counted from 1")


@dataclass(frozen=True, slots=True)
class Corner:
    """A corner measured by three lengths: so far along each wall, and across.

    Args:
        wall: number of the wall at whose right end it is, from 1.
        along: so far along that wall from the corner.
        other: so far along the next one.
        across: between the two marks; 5 for 3 and 4 where the corner is square.
    """

    wall: int
    along: Length
    other: Length
    across: Length

    def __post_init__(self) -> None:
        if min(self.along, self.other, self.across) <= ZERO or self.across >= self.along + self.other:
            raise ValueError("a corner is measured by three lengths that make a triangle")

    @property
    def square(self) -> Length:
        """What the length across would be in a square corner (Pythagoras), to the tick below."""
        return Length(isqrt(self.along.ticks**2 + self.other.ticks**2))

    @property
    def open_by(self) -> Length:
        """How much farther the end of the second wall's mark is out than in a square corner; below 0 if it is in.

        The other wall leans by (across squared - along squared - other squared) / (2 x along), by the law of cosines.
        """
        over = self.across.ticks**2 - self.along.ticks**2 - self.other.ticks**2
        return Length(over // (2 * self.along.ticks))


@dataclass(frozen=True, slots=True)
class Room:
    """What was measured: one room, or several.

    Args:
        walls: of all rooms, of each as one turns to the right; the first is the one one begins with.
        tape_body: the length printed on the tape's body.
        ways: what everything must pass on its way in.
        corners: how square they are.
        names: what the rooms are called.
    """

    walls: tuple[Wall, ...] = (Wall(),)
    tape_body: Length = inches(3)
    ways: tuple[Way, ...] = ()
    corners: tuple[Corner, ...] = ()
    names: tuple[str, ...] = ("Room",)

    def __post_init__(self) -> None:
        numbers = [wall.room for wall in self.walls] + [way.room for way in self.ways]
        if not self.names or any(number > len(self.names) for number in numbers):
            raise ValueError("a wall and a way in belong to a room there is")
        if [wall.room for wall in self.walls] != sorted(wall.room for wall in self.walls):
            raise ValueError("the walls of one room stand one after the other")
        if not self.walls:
            raise ValueError("a room has a wall")
        if self.tape_body < ZERO:
            raise ValueError("the tape's body is 0 or more")
        if any(not 1 <= corner.wall <= len(self.walls) for corner in self.corners):
            raise ValueError("a corner is at a wall there is")

    @property
    def all_called(self) -> list[str]:
        """What each wall is called: by its room as well, where there are several."""
        return [self.called(number) for number in range(1, len(self.walls) + 1)]

    def called(self, number: int) -> str:
        """Return what a wall is called where walls of all rooms are listed, by its number from 1."""
        wall = self.walls[number - 1]
        return f"{self.names[wall.room - 1]}: {wall.name}" if len(self.names) > 1 else wall.name
