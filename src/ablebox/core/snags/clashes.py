# SPDX-License-Identifier: GPL-3.0-or-later
"""Do cases stand in one another, at one wall or round a corner: with all they have, stiles proud of their sides, end panels, tops.

What hangs is held against what stands below it too, and crowns and light rails take part.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from itertools import combinations, product

from ..assembly.footprint import apart
from ..assembly.part import Placed
from ..assembly.role import BOXES
from ..assembly.solid import Box, volume_left
from ..lengths import ZERO, Length, millimetres
from ..run.members import hangs
from ..run.place import Place
from ..shop.made import Made
from ..shop.standing import Standing, corners, round_the_corner, standing
from .called import called
from .opening import filler_beside
from .snag import Check, Fix, Level, Snag

#: Less than this is what a joint or a line gives; a limit of our own.
_LEAST = millimetres("0.5").ticks


@dataclass(frozen=True, slots=True)
class _Solid:
    """What is held against others.

    Args:
        of: what it is of.
        parts: its parts, without what is inside drawers.
        around: the box around them.
    """

    of: Standing
    parts: tuple[Placed, ...]
    around: Box

    @property
    def name(self) -> str:
        """What it is told apart by."""
        return self.of.letter or self.parts[0].name


def stand_in_each_other(made: Made) -> Iterator[Snag]:
    """Tell each two cases, or strips, of a wall that are in one place, by what of them, and by how much."""
    for room in made.rooms:
        for one, two in combinations(_solids(standing(made, room.number)), 2):
            if one.of.place is None or two.of.place is None or not _told_already(one.of.place, two.of.place):
                yield from _told(made, one, two, "", _higher(made, one, two))


def stand_in_each_other_round_corners(made: Made) -> Iterator[Snag]:
    """Tell each two cases that are in one place where the run comes round a corner."""
    for before, after, long in corners(made):
        there = standing(made, after.number)
        turned = [replace(each, parts=tuple(round_the_corner(each.parts, long))) for each in there]
        for one, two in product(_solids(standing(made, before.number)), _solids(turned)):
            yield from _told(made, one, two, " round the corner", _moved_on(made, one, two))


def _solids(there: Iterable[Standing]) -> list[_Solid]:
    found = []
    for each in there:
        parts = tuple(part for part in each.parts if part.role.whole.kind not in BOXES)
        if parts:
            found.append(_Solid(each, parts, _around(parts)))
    return found


def _told(made: Made, one: _Solid, two: _Solid, where: str, fix: Fix | None) -> Iterator[Snag]:
    met = _met(one.parts, two.parts) if one.around.meets(two.around) else None
    if met is None:
        return
    size = Length(min(size.ticks for size in one.around.meet(two.around).size))
    first, second = (_words(made, of, part) for of, part in zip((one, two), met, strict=True))
    letter = one.of.letter or two.of.letter
    text = f"{first} and {second} are in one place{where}, by {made.units.write(size, True)}: move one of them, or make that smaller."
    yield Snag("clash.cases", Level.STOP, text[0].upper() + text[1:], letter, f"{letter}/width" if letter else "", fix)


def _words(made: Made, of: _Solid, part: Placed) -> str:
    letter = of.of.letter
    return f"{letter}'s {called(made.assembly(letter), part.role)}" if letter else f"the {part.name}"


def _told_already(one: Place, two: Place) -> bool:
    """Whether the cases themselves take the same room of the wall, which the run tells."""
    across = min(one.end, two.end) > max(one.x, two.x)
    return across and min(one.high, two.high) > max(one.low, two.low)


def _higher(made: Made, one: _Solid, two: _Solid) -> Fix | None:
    """Return the fix that hangs one of two cases over the other; ``None`` where none or both hang."""
    for hung, other in ((one, two), (two, one)):
        if not hung.of.letter or not other.of.letter:
            continue
        case = made.project.case(hung.of.letter)
        level = case.hang + Length(other.around.high[2] - hung.around.low[2])
        if case.is_hung and not hangs(made.project.case(other.of.letter)) and level >= ZERO:
            return Fix(
                f"Hang {case.letter} at {made.units.write(level)}", made.project.with_case(replace(case, hang=level))
            )
    return None


def _moved_on(made: Made, one: _Solid, two: _Solid) -> Fix | None:
    """Return the fix that puts a filler before the first case round the corner, as wide as the two share."""
    if not two.of.letter:
        return None
    share = Length(one.around.meet(two.around).size[1].ticks)
    steps = made.units.whole_steps(share)
    wide = steps if steps == share else steps + made.units.step
    return filler_beside(made, made.project.case(two.of.letter), "left", wide) if wide > ZERO else None


def _around(parts: Iterable[Placed]) -> Box:
    boxes = [part.box for part in parts]
    low = [min(box.low[axis] for box in boxes) for axis in (0, 1, 2)]
    high = [max(box.high[axis] for box in boxes) for axis in (0, 1, 2)]
    return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))


def _met(ones: Iterable[Placed], others: Iterable[Placed]) -> tuple[Placed, Placed] | None:
    """Return the two parts that share most; ``None`` if none do."""
    best: tuple[Placed, Placed] | None = None
    most = _LEAST
    for one, two in product(ones, others):
        if not one.box.meets(two.box) or apart(one.ring, two.ring):
            continue
        common = one.box.meet(two.box)
        thin = min(size.ticks for size in common.size)
        if thin > most and volume_left(common, [cut.box for cut in one.cuts + two.cuts]):
            best, most = (one, two), thin
    return best


CHECKS: tuple[Check, ...] = (stand_in_each_other, stand_in_each_other_round_corners)
