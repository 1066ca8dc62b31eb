# SPDX-License-Identifier: GPL-3.0-or-later
"""The way each case comes in, found by taking the room apart: what can be taken out last in the usual order comes out first.

As at the bench: what is fewer stands less in the way, so the first that can be taken out is always a right choice (assembly by
disassembly, after Wilson and Latombe, "Geometric reasoning about mechanical assembly", 1994, cited from memory). Walls, ceilings and
what stands out of a wall are never taken out. A corner counts as square, as everywhere in the run.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from ..assembly.part import Placed
from ..assembly.role import BASES, COUNTERS, PartKind
from ..assembly.solid import Box
from ..lengths import ZERO, Length, inches
from ..room.obstacle import Deal
from ..room.wall import End, Measured
from ..run.place import Place
from ..shop.made import Made
from ..shop.standing import at_the_wall, corners, round_the_corner
from ..ways.cells import cells
from ..ways.space import Ints
from ..ways.way import Move, way_of_boxes
from .carried import lift

#: The low and the high corners of boxes.
Boxes = tuple[Ints, Ints]
#: Ways out of a place at a wall, the likeliest first: to the front, along the wall, up. Nothing goes down.
_WAYS = ((1, -1), (0, 1), (0, -1), (2, 1))
#: Farther than any room reaches, in ticks, and how thick what never moves is.
_FAR = inches(2000).ticks
#: What is put on in the room, after cases stand, or set before they do.
_LATER = COUNTERS | BASES | {PartKind.KICK}


@dataclass(frozen=True, slots=True)
class Taken:
    """A case in the order of going in.

    Args:
        letter: of the case.
        way: how it comes in, in the axes of its wall; ``None`` where there is no way.
    """

    letter: str
    way: tuple[Move, ...] | None


def in_order(made: Made, usual: Sequence[str], above: Mapping[str, frozenset[str]]) -> list[Taken]:
    """Return cases in an order in which each has a way in, as near to the usual one as can be.

    Args:
        made: the job.
        usual: letters in the usual order, first things first.
        above: letters of what stands on each: that goes in after it.
    """
    left = list(usual)
    rooms = {letter: space for space in _spaces(made, usual) for letter in space.bodies}
    found: list[Taken] = []
    while left:
        standing = set(left)
        free = [letter for letter in reversed(left) if not above.get(letter, frozenset()) & standing]
        ways = ((letter, rooms[letter].way(letter, standing) if letter in rooms else ()) for letter in free)
        letter, way = next((row for row in ways if row[1] is not None), (free[0] if free else left[-1], None))
        left.remove(letter)
        found.append(Taken(letter, way))
    return found[::-1]


class _Body:
    """A case in space.

    Args:
        parts: what comes in with it, in the axes of its chain of walls.
        quarters: how many corners its wall is behind the first.
        deep: how deep it is, in ticks.
    """

    def __init__(self, parts: Sequence[Placed], quarters: int, deep: int) -> None:
        self.parts, self.quarters, self.deep = parts, quarters, deep

    @cached_property
    def around(self) -> Boxes:
        """The one box around all its parts."""
        boxes = [part.box for part in self.parts]
        low = [min(box.low[a] for box in boxes) for a in range(3)]
        high = [max(box.high[a] for box in boxes) for a in range(3)]
        return np.array([low], np.int64), np.array([high], np.int64)

    @cached_property
    def boxes(self) -> Boxes:
        """The boxes of its parts."""
        return _boxes([box for part in self.parts for box in _solid(part)])


class _Chain:
    """Walls the run goes along, corner by corner, in the axes of the first."""

    def __init__(self, made: Made, walls: Sequence[tuple[Measured, int, int]], letters: Sequence[str]) -> None:
        self.bodies: dict[str, _Body] = {}
        for room, quarters, _ in walls:
            for upper in (False, True):
                for place in made.line(room.number, upper).places:
                    if place.letter in letters and place.letter not in self.bodies:
                        parts = _turned(_carried(made, place), walls, room)
                        if parts:
                            self.bodies[place.letter] = _Body(parts, quarters, place.depth.ticks)
        self.fixed = _boxes(
            [
                _turned_box(box, walls, room)
                for at, (room, _, _) in enumerate(walls)
                for box in _fixed(room, at == 0, at == len(walls) - 1)
            ]
        )

    def way(self, letter: str, standing: set[str]) -> tuple[Move, ...] | None:
        """Return how a case comes to its place among what stands, in the axes of its wall; ``None`` if it cannot.

        It is out once it is out by its own depth: there is the room's free floor, where it can be turned.
        """
        body = self.bodies[letter]
        others = [other for name, other in self.bodies.items() if name in standing and name != letter]
        front = _round(_WAYS[0], body.quarters)
        # Nearly every case has nothing beside or before the box around it: then its parts need not be looked at one by one.
        if _clear(body.around, _near(body, [self.fixed, *(other.around for other in others)]), front):
            return (Move(1, 1),)
        prefer = [_round(way, body.quarters) for way in _WAYS]
        near = _near(body, [self.fixed, *(other.boxes for other in others)])
        way = way_of_boxes(body.boxes, near, prefer)
        return None if way is None else tuple(Move(*_round((move.axis, move.sign), -body.quarters)) for move in way)


def _clear(mine: Boxes, rest: Boxes, way: tuple[int, int]) -> bool:
    """Whether every box that is not all behind another is clear of the way that takes."""
    (axis, sign), ((low,), (high,)), (lows, highs) = way, mine, rest
    beside = [(lows[:, a] < high[a]) & (highs[:, a] > low[a]) for a in range(3) if a != axis]
    behind = highs[:, axis] <= low[axis] if sign > 0 else lows[:, axis] >= high[axis]
    return not (beside[0] & beside[1] & ~behind).any()


def _near(body: _Body, rows: Sequence[Boxes]) -> Boxes:
    """Return of boxes those nearer to a case than it is deep."""
    (low,), (high,) = body.around
    lows, highs = np.concatenate([row[0] for row in rows]), np.concatenate([row[1] for row in rows])
    near = (lows < high + body.deep).all(1) & (highs > low - body.deep).all(1)
    return lows[near], highs[near]


def _solid(part: Placed) -> list[Box]:
    """Return the space a part takes: what is cut out of it is for what stands there already, and stays there."""
    return cells(part) if part.footprint or part.tilt is not None else [part.box]


def _boxes(boxes: Sequence[Box]) -> Boxes:
    return (
        np.array([box.low for box in boxes], np.int64).reshape(-1, 3),
        np.array([box.high for box in boxes], np.int64).reshape(-1, 3),
    )


def _spaces(made: Made, letters: Sequence[str]) -> Iterator[_Chain]:
    """Return the walls something stands at, those with a corner between them together."""
    joined = {after.number: (before, long) for before, after, long in corners(made)}
    walls: list[tuple[Measured, int, int]] = []
    for room in made.rooms:
        if walls and room.number in joined:
            walls.append((room, walls[-1][1] + 1, joined[room.number][1].ticks))
            continue
        if walls:
            yield _Chain(made, walls, letters)
        walls = [(room, 0, 0)]
    if walls:
        yield _Chain(made, walls, letters)


def _carried(made: Made, place: Place) -> list[Placed]:
    """Return the parts of a case that come in with it, in the axes of its wall."""
    bare = lift(made, place.letter).bare
    return [
        part for part in at_the_wall(made, place)
        if part.stands != "apart" and part.role.whole.kind not in _LATER and part.role.kind not in _LATER
        and not (bare and part.stands == "front")
    ]  # fmt: skip


def _turned(parts: Sequence[Placed], walls: Sequence[tuple[Measured, int, int]], room: Measured) -> list[Placed]:
    """Return parts at a wall in the axes of the first."""
    found = list(parts)
    at = next(i for i, row in enumerate(walls) if row[0].number == room.number)
    for _, _, long in walls[at:0:-1]:
        found = list(round_the_corner(found, Length(long)))
    return found


def _turned_box(box: Box, walls: Sequence[tuple[Measured, int, int]], room: Measured) -> Box:
    at = next(i for i, row in enumerate(walls) if row[0].number == room.number)
    for _, _, long in walls[at:0:-1]:
        (x0, y0, z0), (x1, y1, z1) = box.low, box.high
        box = Box((y0 + long, -x1, z0), (y1 + long, -x0, z1))
    return box


def _round(way: tuple[int, int], quarters: int) -> tuple[int, int]:
    """Return a direction after as many corners, back if there are fewer than none."""
    x, y, z = (way[1] if axis == way[0] else 0 for axis in range(3))
    for _ in range(quarters % 4):
        x, y = y, -x
    return next((axis, step) for axis, step in enumerate((x, y, z)) if step)


def _fixed(room: Measured, first: bool, last: bool) -> Iterator[Box]:
    """Return what never moves at a wall, in its axes: itself, the walls at its ends, the ceiling, what stands out of it."""
    wall = room.wall
    long = room.governing.length.ticks if room.governing is not None else _FAR
    if wall.island is None:
        yield Box((0, 0, -_FAR), (long, _FAR, _FAR))
        if first and wall.left is not End.OPEN:
            yield Box((-_FAR, -_FAR, -_FAR), (0, _FAR, _FAR))
        if last and wall.right is not End.OPEN and room.governing is not None:
            yield Box((long, -_FAR, -_FAR), (_FAR, _FAR, _FAR))
    if room.ceiling is not None:
        yield Box((-_FAR, -_FAR, room.ceiling.length.ticks), (_FAR, _FAR, _FAR))
    for each in wall.obstacles:
        if each.out > ZERO and each.deal is not Deal.REMOVE:
            x, low = each.x.ticks, each.low.ticks
            yield Box((x, -each.out.ticks, low), (x + each.width.ticks, 0, low + each.height.ticks))
