# SPDX-License-Identifier: GPL-3.0-or-later
"""A wall of the room as measured: its width at several places, floor and ceiling along it, studs, and what is on it.

The smallest width governs; of heights, the highest floor and the lowest ceiling over each case.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from enum import Enum
from functools import cached_property
from itertools import pairwise

from ..lengths import ZERO, Length, inches
from ..reckoning import Book, Origin, Reckoned, leaf
from .backing import Backing, Stud
from .island import Island
from .obstacle import Obstacle
from .reading import Method, Reading


class End(Enum):
    """What is at an end of a wall."""

    WALL = "wall"
    OPEN = "open"
    CORNER = "corner"

    @property
    def words(self) -> str:
        """What it is called."""
        return _ENDS[self]


_ENDS = {
    End.WALL: "a wall",
    End.OPEN: "open",
    End.CORNER: "a corner the run comes round",
}


@dataclass(frozen=True, slots=True)
class Level:
    """A height at a place along a wall.

    Args:
        at: from the wall's left end.
        high: over the level line the heights are told from, or down from the wall's own line; the floor may be below it.
        out: how far out of the wall; ceilings are told at the wall.
    """

    at: Length
    high: Length
    out: Length = ZERO

    def __post_init__(self) -> None:
        if self.at < ZERO or self.out < ZERO:
            raise ValueError("a height is told at a place along the wall")


@dataclass(frozen=True, slots=True)
class Wall:
    """A wall as measured.

    Args:
        name: what it is called.
        widths: readings of the width between its ends, lowest place first.
        ceiling: reading of the height from floor to ceiling.
        mouth: reading of the width a case has to pass on its way in; ``None`` if nothing narrows it.
        rising: reading of the diagonal from the lower left corner to the upper right one.
        falling: reading of the other diagonal.
        allowance: what is left free over all, so that a case can be got in
            (1/2 in between two walls, common practice).
        left: what is at its left end.
        right: what is at its right end.
        floor: how high the floor is along it, where it is not level.
        ceilings: how high the ceiling is along it, where it is not level: a slope, a soffit, a stair.
        studs: what holds screws behind its face, as it was found.
        obstacles: what is on it.
        island: where it stands if it is no wall but an island; ``None`` for a wall.
        room: number of the room it belongs to, from 1.
        backing: what it is made of.
        lining: how thick its lining is, as measured; ``None`` if nobody has.
        struck: how high a line over the level the floor's heights are told from, a laser's or a water level's, from which they were
            read downward; ``None`` where they are told upward.
        joists: where the middles of joists cross over it, from the left end.
        lean_left: how far the top of what is at its left end stands farther into the room than its foot; below 0 if it leans back.
        lean_right: the same of its right end.
    """

    name: str = "Alcove"
    widths: tuple[Reading, ...] = ()
    ceiling: Reading | None = None
    mouth: Reading | None = None
    rising: Reading | None = None
    falling: Reading | None = None
    allowance: Length = inches("1/2")
    left: End = End.WALL
    right: End = End.WALL
    floor: tuple[Level, ...] = ()
    ceilings: tuple[Level, ...] = ()
    studs: tuple[Stud, ...] = ()
    obstacles: tuple[Obstacle, ...] = ()
    island: Island | None = None
    room: int = 1
    backing: Backing = Backing.FRAMED
    lining: Length | None = None
    struck: Length | None = None
    joists: tuple[Length, ...] = ()
    lean_left: Length = ZERO
    lean_right: Length = ZERO

    def __post_init__(self) -> None:
        if self.allowance < ZERO:
            raise ValueError("the allowance is 0 or more")
        places = [(reading.place, reading.deep) for reading in self.widths]
        if len(set(places)) != len(places):
            raise ValueError("two readings of width have the same place")
        for levels in (self.floor, self.ceilings):
            stations = [(level.at, level.out) for level in levels]
            if len(set(stations)) != len(stations):
                raise ValueError("two heights are told at the same place")
        if any(level.high <= ZERO for level in self.ceilings):
            raise ValueError("a ceiling is above the floor")
        if any(joist < ZERO for joist in self.joists):
            raise ValueError("a joist is at a place along the wall")
        if self.room < 1 or (self.lining is not None and self.lining < ZERO):
            raise ValueError("rooms are counted from 1, and a lining is 0 or more thick")

    @property
    def floor_levels(self) -> tuple[Level, ...]:
        """The floor's heights over the level line, whichever way they were read."""
        if self.struck is None:
            return self.floor
        return tuple(replace(level, high=self.struck - level.high) for level in self.floor)


def between(rows: Sequence[tuple[Length, Length]], at: Length) -> Length:
    """Return what holds at a place, straight between the places where it was told, in order; beyond the last as there."""
    if at <= rows[0][0]:
        return rows[0][1]
    for (low, one), (high, other) in pairwise(rows):
        if at <= high:
            return one + Length((other - one).ticks * (at - low).ticks // (high - low).ticks)
    return rows[-1][1]


def height_at(levels: Sequence[Level], at: Length) -> Length | None:
    """Return the height at a place, straight between the places where it was told; ``None`` if it was nowhere."""
    known = sorted((level.at, level.high) for level in levels)
    return between(known, at) if known else None


def heights_over(levels: Sequence[Level], low: Length, high: Length) -> list[Length]:
    """Return the heights at both ends of a stretch and wherever one was told in between."""
    places = [low, high, *(level.at for level in levels if low < level.at < high)]
    return [found for place in places if (found := height_at(levels, place)) is not None]


class Measured:
    """What the readings of a wall come to.

    Args:
        wall: the wall.
        tape_body: the length printed on the tape's body.
        number: of the wall in the room, from 1.
    """

    def __init__(self, wall: Wall, tape_body: Length, number: int = 1) -> None:
        self.wall, self.tape_body, self.number = wall, tape_body, number
        self.prefix = prefix_of(number)
        self._book = Book(self.prefix)

    def width_key(self, index: int) -> str:
        """The key of the ``index``-th width."""
        return f"{self.prefix}width.{index + 1}"

    @cached_property
    def widths(self) -> tuple[Reckoned, ...]:
        """Each width, in the order the readings were taken."""
        return tuple(
            reading.reckon(self._book, f"width.{i + 1}", f"width at {reading.words}", self.tape_body)
            for i, reading in enumerate(self.wall.widths)
        )

    @cached_property
    def governing(self) -> Reckoned | None:
        """The smallest width; ``None`` without readings."""
        if not self.widths:
            return None
        smallest = min(self.widths, key=lambda width: width.length)
        count = len(self.widths)
        note = f"smallest of {count} readings" if count > 1 else "the only reading"
        return self._book.named(smallest, "smallest width", "width", note)

    @property
    def spread(self) -> Length:
        """How far the widest and the narrowest reading are apart."""
        lengths = [width.length for width in self.widths]
        return max(lengths) - min(lengths) if lengths else ZERO

    @cached_property
    def ceiling(self) -> Reckoned | None:
        """The height from floor to ceiling; ``None`` if it was not measured."""
        return self._single(self.wall.ceiling, "ceiling", "ceiling height")

    @cached_property
    def mouth(self) -> Reckoned | None:
        """The width of the mouth; ``None`` if it was not measured."""
        return self._single(self.wall.mouth, "mouth", "mouth width")

    @cached_property
    def rising(self) -> Reckoned | None:
        """The diagonal from the lower left to the upper right corner; ``None`` if it was not measured."""
        return self._single(self.wall.rising, "rising", "diagonal, up to the right")

    @cached_property
    def falling(self) -> Reckoned | None:
        """The other diagonal; ``None`` if it was not measured."""
        return self._single(self.wall.falling, "falling", "diagonal, down to the right")

    @property
    def lean(self) -> Length | None:
        """How far the top stands farther to the right than the floor, below 0 to the left; ``None`` if nobody measured.

        Of a space W wide whose diagonals are d and e the top leans by (d^2 - e^2) / (4 W): the difference times the mean
        diagonal over twice the width (common practice; plane geometry).
        """
        if self.rising is None or self.falling is None or self.governing is None:
            return None
        d, e, w = (each.length.ticks for each in (self.rising, self.falling, self.governing))
        return Length((d**2 - e**2) // (4 * w))

    def _single(self, reading: Reading | None, key: str, label: str) -> Reckoned | None:
        return None if reading is None else reading.reckon(self._book, key, label, self.tape_body)

    @cached_property
    def usable(self) -> Reckoned | None:
        """The widest that may stand there: the smallest width less the allowance, which an open end does not ask for."""
        if self.governing is None:
            return None
        if End.OPEN in (self.wall.left, self.wall.right):
            return self._book.named(self.governing, "wide, at most", "usable", "one end is open")
        allowance = leaf(self.wall.allowance, "to get it in", f"{self.prefix}allowance", Origin.CHOICE)
        return self._book.named(self.governing - allowance, "wide, at most", "usable")


#: Readings of a wall that stand alone, by their place in it.
SINGLE = ("ceiling", "mouth", "rising", "falling")


def prefix_of(number: int) -> str:
    """Return what the keys of a wall's numbers begin with."""
    return "room/" if number == 1 else f"room{number}/"


def number_of(head: str) -> int | None:
    """Return the number of the wall whose keys begin so; ``None`` if it is no wall's."""
    rest = head.removeprefix("room")
    if head == "room":
        return 1
    return int(rest) if head.startswith("room") and rest.isdigit() and int(rest) > 1 else None


def first_readings(width: Length, height: Length) -> Wall:
    """Return a wall to start from, with readings at the three usual places."""
    places = ("floor", "counter", "top")
    return Wall(
        widths=tuple(Reading(place, width) for place in places),
        ceiling=Reading("ceiling", height, Method.TAPE_ACROSS),
    )
