# SPDX-License-Identifier: GPL-3.0-or-later
"""Do cases of one wall stand in one another: with all they have, stiles proud of their sides, end panels, tops that stand out.

What hangs is held against what stands below it too.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from itertools import combinations

from ..assembly.moved import moved_part
from ..assembly.part import Placed
from ..assembly.role import BOXES
from ..assembly.solid import Box, volume_left
from ..lengths import Length, millimetres
from ..run.members import hangs
from ..run.place import Place
from ..shop.made import Made
from .called import called
from .snag import Check, Fix, Level, Snag

#: Less than this is what a joint or a line gives; a limit of our own.
_LEAST = millimetres("0.5").ticks


def stand_in_each_other(made: Made) -> Iterator[Snag]:
    """Tell each two cases of a wall that are in one place, by what of them, and by how much."""
    by_wall: dict[int, list[Place]] = {}
    for line in made.lines:
        by_wall.setdefault(line.wall, []).extend(place for place in line.places if place.letter)
    for places in by_wall.values():
        there = {place.letter: place for place in places if _straight(made, place)}
        solid = {letter: _parts(made, place) for letter, place in there.items()}
        around = {letter: _around(parts) for letter, parts in solid.items() if parts}
        for one, two in combinations(around, 2):
            if not around[one].meets(around[two]) or _told_already(there[one], there[two]):
                continue
            met = _met(solid[one], solid[two])
            if met is None:
                continue
            first, second = met
            size = Length(min(size.ticks for size in around[one].meet(around[two]).size))
            text = (
                f"{one}'s {called(made.assembly(one), first.role)} and {two}'s {called(made.assembly(two), second.role)} are in one place, by "
                f"{made.units.write(size, True)}: move one of the cases, or make that smaller."
            )
            yield Snag("clash.cases", Level.STOP, text, one, f"{one}/width", _higher(made, one, two, around))


def _told_already(one: Place, two: Place) -> bool:
    """Whether the cases themselves take the same room of the wall, which the run tells."""
    across = min(one.end, two.end) > max(one.x, two.x)
    return across and min(one.high, two.high) > max(one.low, two.low)


def _higher(made: Made, one: str, two: str, around: dict[str, Box]) -> Fix | None:
    """Return the fix that hangs one of two cases over the other; ``None`` where none or both hang."""
    for hung, other in ((one, two), (two, one)):
        case = made.project.case(hung)
        if hangs(case) and not hangs(made.project.case(other)):
            level = case.hang + Length(around[other].high[2] - around[hung].low[2])
            return Fix(f"Hang {hung} at {made.units.write(level)}", made.project.with_case(replace(case, hang=level)))
    return None


def _straight(made: Made, place: Place) -> bool:
    return not made.project.case(place.letter).turned and made.assembly(place.letter).slant is None


def _parts(made: Made, place: Place) -> list[Placed]:
    """Return the parts of a case along its wall, from the wall out; what is inside drawers is left out."""
    assembly = made.assembly(place.letter)
    by = (place.case_x.ticks, -assembly.outside[2].length.ticks, place.low.ticks)
    return [moved_part(part, by) for part in assembly.parts if part.role.whole.kind not in BOXES]


def _around(parts: list[Placed]) -> Box:
    low, high = (
        tuple(pick(getattr(part.box, end)[axis] for part in parts) for axis in (0, 1, 2))
        for pick, end in ((min, "low"), (max, "high"))
    )
    return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))


def _met(ones: list[Placed], others: list[Placed]) -> tuple[Placed, Placed] | None:
    """Return the two parts that share most; ``None`` if none do."""
    best: tuple[Placed, Placed] | None = None
    most = _LEAST
    for one in ones:
        for two in others:
            if not one.box.meets(two.box):
                continue
            common = one.box.meet(two.box)
            thin = min(size.ticks for size in common.size)
            if thin > most and volume_left(common, [cut.box for cut in one.cuts + two.cuts]):
                best, most = (one, two), thin
    return best


CHECKS: tuple[Check, ...] = (stand_in_each_other,)
