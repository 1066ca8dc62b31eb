# SPDX-License-Identifier: GPL-3.0-or-later
"""A case as it is carried in: its size and weight with what stays on it, who lifts it, and whether it passes every place on its way."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from math import cos, pi, sin

from ..assembly.fitting import STANDS_ON
from ..assembly.part import Assembly
from ..lengths import Length
from ..room.room import Way
from ..shop.made import Made
from ..shop.weights import ALONE_KG, kilograms


@dataclass(frozen=True, slots=True)
class Passed:
    """How a case passes a place.

    Args:
        way: the place.
        bare: whether doors and drawers are off for it.
        spare: what is left over across it, below 0 where it does not pass.
        round: the longest that goes round the turn behind it; ``None`` where there is no turn.
        goes: whether it gets through, and round.
    """

    way: Way
    bare: bool
    spare: Length
    round: Length | None
    goes: bool


def size(assembly: Assembly, bare: bool) -> tuple[Length, Length, Length]:
    """Return the width, height and depth of a case as it is carried: without its top, its base frame, and doors if they are off."""
    low, high = [0, 0, 0], [number.length.ticks for number in assembly.outside]
    body = [p for p in assembly.parts if p.stands == "carcass" or (p.stands == "front" and not bare)]
    for part in body:
        for axis in range(3):
            low[axis] = min(low[axis], part.box.low[axis])
    if body:
        low[2] = min(part.box.low[2] for part in body)
        feet = [each.box.low[2] for each in assembly.fittings if each.kind in STANDS_ON]
        low[2] = min([low[2], *feet])
    return Length(high[0] - low[0]), Length(high[2 - 1] - low[2]), Length(high[2] - low[1])


def passes(made: Made, letter: str, room: int) -> list[Passed]:
    """Return how a case passes each place on the way into its room; bare where it does so only then."""
    return [_passed(made.assembly(letter), way) for way in made.project.room.ways if way.room == room]


def _passed(assembly: Assembly, way: Way) -> Passed:
    whole = _tried(assembly, way, False)
    return whole if whole.goes else _tried(assembly, way, True)


def in_sections(assembly: Assembly, ways: Iterable[Way], count: int) -> bool:
    """Whether a case passes every way as so many sections of equal width, doors and drawers off."""
    wide, high, deep = size(assembly, True)
    each = wide.share(count)[0]
    return all(_measured((each, high, deep), way, True).goes for way in ways)


def _tried(assembly: Assembly, way: Way, bare: bool) -> Passed:
    return _measured(size(assembly, bare), way, bare)


def _measured(sizes: tuple[Length, Length, Length], way: Way, bare: bool) -> Passed:
    low, high = sorted((way.width, way.height))
    small, middle, long = sorted(sizes)
    spare = min(low - small, high - middle)
    longest = round_the_turn(way.width, way.turn, small) if way.turn is not None else None
    goes = spare >= Length(0) and (longest is None or long <= longest)
    return Passed(way, bare, spare, longest, goes)


def round_the_turn(width: Length, turn: Length, deep: Length) -> Length:
    """Return the longest box of a depth that goes round a right-angled turn, standing upright.

    The longest ladder for widths a and b is (a^(2/3) + b^(2/3))^(3/2) (a school problem of calculus); a box of depth d
    needs the least over angles of (a sin t + b cos t - d) / (sin t cos t), which is looked for in small steps.
    """
    a, b, d = width.mm, turn.mm, deep.mm
    best = min((a * sin(t) + b * cos(t) - d) / (sin(t) * cos(t)) for t in (pi / 2 * i / 400 for i in range(4, 397)))
    return Length(max(0, int(best * 16_000)))


@dataclass(frozen=True, slots=True)
class Lift:
    """Who lifts a case.

    Args:
        kg: what it weighs as it is carried.
        bare: whether doors, drawers and shelves are out.
        hands: how many lift it.
    """

    kg: float
    bare: bool
    hands: int


def lift(made: Made, letter: str) -> Lift:
    """Return what a case weighs as it is carried and how many lift it: out comes what makes it too heavy for two, or for the way."""
    assembly, case = made.assembly(letter), made.project.case(letter)
    whole, bare = kilograms(made, assembly), kilograms(made, assembly, bare=True)
    room = made.rooms[case.wall - 1].wall.room
    by_way = any(each.bare for each in passes(made, letter, room))
    out = by_way or (whole > 2 * ALONE_KG and bare < whole)
    weight = bare if out else whole
    hands = 1 if weight <= ALONE_KG else 2 if weight <= 2 * ALONE_KG else 3
    # What hangs is held by one while another drives the first screw, and what is tall is tipped up by two.
    two = case.is_hung or assembly.outside[1].length.mm > 1500
    return Lift(weight, out, max(hands, 2 if two else 1))
