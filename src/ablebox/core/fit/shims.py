# SPDX-License-Identifier: GPL-3.0-or-later
"""How much each corner, rung, leg and foot is packed: from the floor under it up to the level line.

Sides are packed at their front and back corners, base frames where rungs meet their long boards, legs and feet each (common
practice). Feet are turned; one that does not reach is told.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from ..assembly.fitting import FittingKind
from ..assembly.part import Assembly, Face, Placed
from ..assembly.role import PartKind, Role, Side
from ..assembly.solid import Box
from ..cabinet.design import Case
from ..case.base_frame import BaseFrame
from ..lengths import ZERO, Length
from ..room.wall import between
from ..run.place import Place
from ..shop.made import Made
from .struck import Struck, floor_of, out_of, standing_on_floor

#: A place something stands on: its part, or the number of a foot, and where in the case.
Stood = tuple[Role | None, int, Length, Length]


@dataclass(frozen=True, slots=True)
class Shim:
    """What is packed at one place.

    Args:
        letter: of the case.
        role: the part that is packed; ``None`` for a foot.
        fitting: number of the foot among the case's hardware, from 0; -1 for a part.
        at: where, in the case's axes: from its left side, and from its front.
        along: where along the wall.
        out: how far out of it.
        floor: how high the floor is there.
        thickness: how much is packed, or a foot is turned out.
        reach: by how much a foot is too short; 0 if it reaches, below 0 if it is too long.
    """

    letter: str
    role: Role | None
    fitting: int
    at: tuple[Length, Length]
    along: Length
    out: Length
    floor: Length
    thickness: Length
    reach: Length = ZERO

    @property
    def is_foot(self) -> bool:
        """Whether it is a foot that is turned."""
        return self.role is None


def shims(made: Made, lines: list[Struck]) -> list[Shim]:
    """Return what is packed under every case, in order."""
    return [
        shim for line in lines for place in standing_on_floor(made, line.wall) for shim in _under(made, line, place)
    ]


def _under(made: Made, line: Struck, place: Place) -> Iterator[Shim]:
    case, assembly = made.project.case(place.letter), made.assembly(place.letter)
    floor, deep = floor_of(made, line.wall), out_of(made, place)
    for role, fitting, x, y in points(made, case, assembly):
        along, out = _in_room(case, assembly, place, deep, x, y)
        high = floor.at(along, out)
        thickness = line.line - high - _ripped(case, assembly, role, x)
        reach = ZERO
        if fitting >= 0:
            reach = _reach(made, assembly, fitting, thickness)
        yield Shim(place.letter, role, fitting, (x, y), along, out, high, thickness, reach)


def _in_room(case: Case, assembly: Assembly, place: Place, deep: Length, x: Length, y: Length) -> tuple[Length, Length]:
    """Return where a place of a case is: along its wall, and out of it."""
    wide, long = assembly.outside[0].length, assembly.outside[2].length
    turned = {0: (x, y), 1: (y, wide - x), 2: (wide - x, long - y), 3: (long - y, x)}[case.turned]
    return place.case_x + turned[0], deep - turned[1]


def points(made: Made, case: Case, assembly: Assembly) -> list[Stood]:
    """Return the places of a case that stand on the floor: its part, or the number of its foot, and where."""
    feet: list[Stood] = [
        (None, i, *_middle(each.box)) for i, each in enumerate(assembly.fittings) if each.kind is FittingKind.FOOT
    ]
    if feet:
        return feet
    parts = [part for part in assembly.parts if part.box.low[2] == 0]
    legs: list[Stood] = [(part.role, -1, *_middle(part.box)) for part in parts if part.role.kind is PartKind.LEG]
    if legs:
        return legs
    if isinstance(case.kick, BaseFrame):
        rungs = [part for part in assembly.parts if part.role.kind is PartKind.RUNG]
        return list(_of_frame([*(part for part in parts if part.role.kind is PartKind.BASE), *rungs]))
    found: list[Stood] = []
    for part in parts:
        if part.role.kind is PartKind.SIDE:
            # The right side of a corner case stands along the other wall.
            run = 0 if part.axes[2] == 1 else 1
            middle = _middle(part.box)[1 - run]
            for end in _foot(part, run):
                found.append((part.role, -1, end, middle) if run == 0 else (part.role, -1, middle, end))
    return found


def _middle(box: Box) -> tuple[Length, Length]:
    low, high = box.low, box.high
    return Length((low[0] + high[0]) // 2), Length((low[1] + high[1]) // 2)


def _of_frame(parts: list[Placed]) -> Iterator[Stood]:
    """Return the places of a base frame: where rungs meet its long boards."""
    boards = {
        side: next((p for p in parts if p.role.kind is PartKind.BASE and p.role.side is side), None)
        for side in (Side.FRONT, Side.BACK)
    }
    for rung in parts:
        if rung.role.kind is not PartKind.RUNG:
            continue
        for side, board in boards.items():
            if board is not None:
                own = next(
                    p for p in parts if p.role.kind is PartKind.BASE and p.role.side is side and _beside(p, rung)
                )  # fmt: skip
                yield own.role, -1, _middle(rung.box)[0], _middle(own.box)[1]


def _beside(board: Placed, rung: Placed) -> bool:
    middle = (rung.box.low[0] + rung.box.high[0]) // 2
    return board.box.low[0] <= middle <= board.box.high[0]


def _foot(side: Placed, run: int) -> tuple[Length, Length]:
    """Return where a side stands on the floor along an axis, from end to end, its notches left out."""
    front, back = side.box.span(run)
    for gap in side.gaps:
        if gap.low[2] <= 0 < gap.high[2]:
            if gap.low[run] <= front < gap.high[run]:
                front = gap.high[run]
            if gap.low[run] < back <= gap.high[run]:
                back = gap.low[run]
    return Length(front), Length(back)


def _ripped(case: Case, assembly: Assembly, role: Role | None, x: Length) -> Length:
    """Return how much less a place is packed because its board reaches below the level line, and is ripped to the floor."""
    if role is None or not isinstance(case.kick, BaseFrame) or role.kind is not PartKind.BASE:
        return ZERO
    scribe = next((each for each in case.scribes if each.role == role and each.edge is Face.BOTTOM), None)
    if scribe is None:
        return case.kick.below
    part = assembly.part(role)
    return case.kick.below - between([(s.at, s.off) for s in scribe.stations], x - Length(part.box.low[0]))


def _reach(made: Made, assembly: Assembly, fitting: int, thickness: Length) -> Length:
    """Return by how much a foot is too short to be turned out so far; below 0 if it cannot be turned in so far."""
    foot = assembly.fittings[fitting]
    item = next((each for each in made.shop_of().items("foot") if each.name == foot.name), None)
    if item is None:
        return ZERO
    high = foot.box.size[2] + thickness
    if high > item.length + item.taken:
        return high - item.length - item.taken
    return min(ZERO, high - item.length + item.taken)
