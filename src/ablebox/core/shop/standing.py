# SPDX-License-Identifier: GPL-3.0-or-later
"""Everything as it stands at its wall, and round a corner: parts of cases, and strips, in one set of axes.

The axes of a wall: x along it from its left end, y from the wall to the back (so what stands before it has y below 0), z over the
floor. The wall that follows round a corner runs into the room: its x is this one's -y, its -y this one's x from the corner back.
A corner counts as square here.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from itertools import pairwise

from ..assembly.by_case import ByCase
from ..assembly.fastener import Point
from ..assembly.moved import moved_part
from ..assembly.part import Placed
from ..assembly.role import PartKind, Role
from ..assembly.solid import Box
from ..assembly.turned import Turn
from ..lengths import Length
from ..reckoning import leaf
from ..room.wall import End, Measured
from ..run.place import Place
from ..run.strip import RunStrip, boxes_of
from .between import Derived


@dataclass(frozen=True, slots=True)
class Standing:
    """Something that stands in the room.

    Args:
        letter: of the case; empty for a strip.
        place: where its case stands; ``None`` for a strip.
        parts: its parts, in the axes of a wall.
    """

    letter: str
    place: Place | None
    parts: tuple[Placed, ...]


def standing(made: Derived, wall: int) -> list[Standing]:
    """Return what stands and hangs at a wall: cases, and the strips over and under them."""
    found = []
    for upper in (False, True):
        line = made.line(wall, upper)
        found += [Standing(place.letter, place, at_the_wall(made, place)) for place in line.places if place.letter]
        for number, strip in enumerate(made.project.strips, start=1):
            if (strip.wall, strip.upper) == (wall, upper):
                thick = made.project.rack.stock(strip.goods).thickness
                boxes = boxes_of(strip, line, made.project.spaces, thick)
                found += [Standing("", None, (_strip(strip, number, i, box),)) for i, box in enumerate(boxes, start=1)]
    return found


#: Parts of cases in the axes of their walls, by how they are turned and where they stand.
_KNOWN: ByCase[tuple[int, Point], tuple[Placed, ...]] = ByCase(300)


def at_the_wall(made: Derived, place: Place) -> tuple[Placed, ...]:
    """Return the parts of a case in the axes of its wall; what slopes is left out where it stands turned."""
    assembly, turned = made.assembly(place.letter), made.project.case(place.letter).turned
    wide, deep = assembly.outside[0].length.ticks, assembly.outside[2].length.ticks
    out = wide if turned % 2 else deep
    by = (place.case_x.ticks, -out, place.low.ticks)

    def stand() -> tuple[Placed, ...]:
        if not turned:
            return tuple(moved_part(part, by) for part in assembly.parts)
        turn = Turn(-turned % 4, wide, deep)
        return tuple(moved_part(turn.part(part), by) for part in assembly.parts if part.tilt is None)

    return _KNOWN.get(assembly, (turned % 4, by), stand)


def round_the_corner(parts: Iterable[Placed], long: Length) -> Iterator[Placed]:
    """Return parts of the wall that follows round a corner in the axes of the one before it.

    Args:
        parts: in the axes of their own wall.
        long: how long the wall before is.
    """
    turn = Turn(1, 0, 0)
    for part in parts:
        if part.tilt is None:
            yield moved_part(turn.part(part), (long.ticks, 0, 0))


def corners(made: Derived) -> Iterator[tuple[Measured, Measured, Length]]:
    """Return each two walls with a corner the run comes round between them, and how long the first is."""
    for before, after in pairwise(room for room in made.rooms if room.wall.island is None):
        if after.wall.left is not End.CORNER or after.wall.room != before.wall.room:
            continue
        long = before.governing.length if before.governing is not None else None
        ends = [place.end for upper in (False, True) for place in made.line(before.number, upper).places]
        if long is None and ends:
            long = max(ends)
        if long is not None:
            yield before, after, long


def _strip(strip: RunStrip, number: int, at: int, box: Box) -> Placed:
    long, thick, high = (leaf(size, strip.name) for size in box.size)
    x, y, z = (Length(low) for low in box.low)
    role = Role(PartKind.RUN_STRIP, number=(number, at))
    return Placed(role, strip.name, strip.goods, long, high, thick, (0, 2, 1), (x, y, z), stands="apart")
