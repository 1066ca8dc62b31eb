# SPDX-License-Identifier: GPL-3.0-or-later
"""The floor under a run and the ceiling over it: how far they fall, and what does not reach.

Packs up to 3/4 in are usual; above that a base that follows the floor, or feet, are better (common practice).
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace

from ..assembly.part import Face
from ..assembly.role import PartKind, Role, Side
from ..cabinet.design import Case
from ..case.base_casters import Casters
from ..case.base_feet import Feet
from ..case.base_frame import BaseFrame
from ..case.scribe import Scribe, Station
from ..fit.fit import fit_of
from ..fit.shims import Shim
from ..fit.struck import Struck, floor_of, out_of, standing_on_floor
from ..lengths import ZERO, Length, inches
from ..project.tree import Project
from ..room.wall import heights_over
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

#: How much is packed at most without a second thought, and how far a kick board or crown is off before it is scribed.
_PACK, _SEEN = inches("3/4"), inches("1/4")


def floor_falls(made: Made) -> Iterator[Snag]:
    """A floor that falls a lot asks for bases that follow it, or feet."""
    write = made.units.write
    for line in fit_of(made).lines:
        if not line.read:
            continue
        worst = max((s for s in _of(made, line) if not s.is_foot), key=lambda s: s.thickness, default=None)
        name = made.rooms[line.wall - 1].wall.name
        if worst is not None and worst.thickness > _PACK:
            text = (
                f"The floor falls {write(line.fall)} under the run of {name}: {worst.letter} would be packed by {write(worst.thickness)}; take bases ripped to "
                "the floor, or adjustable feet."
            )
            yield Snag("level.fall", Level.WARN, text, worst.letter, "", _ripped(made, line))
        elif line.fall > _SEEN:
            text = f"The floor falls {write(line.fall)} under the run of {name}: kick boards are scribed to it, or a strip covers the gap under them."
            yield Snag("level.kick", Level.NOTE, text)


def _of(made: Made, line: Struck) -> list[Shim]:
    letters = {place.letter for place in standing_on_floor(made, line.wall)}
    return [shim for shim in fit_of(made).shims if shim.letter in letters]


def _ripped(made: Made, line: Struck) -> Fix | None:
    """Return the fix that makes the base frames of a run higher by the fall of the floor and rips them to it; ``None`` where others stand there."""
    places = standing_on_floor(made, line.wall)
    cases = [made.project.case(place.letter) for place in places]
    if not all(isinstance(case.kick, BaseFrame) for case in cases):
        return None
    floor = floor_of(made, line.wall)
    project: Project = made.project
    for group in _groups(cases):
        own = [place for place in places if place.letter in {case.letter for case in group}]
        at = [spot for place in own for spot in floor.corners(place.x, place.end, ZERO, out_of(made, place))]
        lowest = min(floor.at(*spot) for spot in at)
        for case in group:
            project = project.with_case(_on_ripped(made, case, line, lowest))
    return Fix("Make their bases higher and rip them to the floor", project)


def _groups(cases: Sequence[Case]) -> list[list[Case]]:
    """Return the cases of a run in groups that stand on one base frame."""
    found: list[list[Case]] = []
    for case in cases:
        if found and isinstance(case.kick, BaseFrame) and case.kick.carried:
            found[-1].append(case)
        else:
            found.append([case])
    return found


def _on_ripped(made: Made, case: Case, line: Struck, lowest: Length) -> Case:
    """Return a case on a base that is higher by what the floor falls under it, and ripped to the floor."""
    assert isinstance(case.kick, BaseFrame)
    fall, assembly, floor, place = (
        line.line - lowest,
        made.assembly(case.letter),
        floor_of(made, line.wall),
        made.place(case.letter),
    )
    assert place is not None
    boards = [Role(PartKind.BASE, side) for side in (Side.FRONT, Side.BACK)]
    scribes = [each for each in case.scribes if each.role not in boards]
    for role in boards:
        part = next((p for p in assembly.parts if p.role == role), None)
        if part is None:
            continue
        low, high = (Length(t) for t in part.box.span(0))
        out = assembly.outside[2].length - Length(sum(part.box.span(1)) // 2)
        ats = sorted(
            {
                low,
                high,
                *(each.at - place.case_x for each in floor.ground.levels if low < each.at - place.case_x < high),
            }
        )
        stations = tuple(Station(at - low, max(ZERO, floor.at(place.case_x + at, out) - lowest)) for at in ats)
        if any(station.off for station in stations):
            scribes.append(Scribe(role, Face.BOTTOM, stations))
    kick = replace(case.kick, height=case.kick.height + fall, below=case.kick.below + fall)
    return replace(case, kick=kick, height=case.height + fall, scribes=tuple(scribes))


def feet_reach(made: Made) -> Iterator[Snag]:
    """Every foot can be turned as far as the floor asks for."""
    write = made.units.write
    told = set()
    for shim in sorted(fit_of(made).shims, key=lambda each: -abs(each.reach.ticks)):
        if not shim.reach or shim.letter in told:
            continue
        told.add(shim.letter)
        case = made.project.case(shim.letter)
        short = shim.reach > ZERO
        by = shim.reach if short else ZERO - shim.reach
        text = (
            f"{shim.letter}: the foot {write(shim.at[0])} from its left and {write(shim.at[1])} from its front is {write(by)} too {'short' if short else 'long'} for the "
            f"floor there; {'take higher feet, or pack it' if short else 'take lower feet'}."
        )
        fix, height = None, _other_feet(made, case)
        if height is not None and isinstance(case.kick, Feet):
            after = replace(
                case, kick=replace(case.kick, height=height), height=case.height + height - case.kick.height
            )
            fix = Fix(f"Stand {case.letter} on feet {write(height)} high", made.project.with_case(after))
        yield Snag("level.foot", Level.STOP, text, shim.letter, f"{shim.letter}/kick.height", fix)


def _other_feet(made: Made, case: Case) -> Length | None:
    """Return the height of feet nearest to the chosen at which all of them reach; ``None`` if no feet on the rack do."""
    if not isinstance(case.kick, Feet):
        return None
    rows = [shim.thickness for shim in fit_of(made).shims if shim.letter == case.letter]
    items = list(made.shop_of().items("foot"))
    found = []
    for item in items:
        least, most = item.length - item.taken - min(rows), item.length + item.taken - max(rows)
        if least > most:
            continue
        height = min(max(case.kick.height, least), most)
        if min(items, key=lambda each: (abs((each.length - height).ticks), each.length)) is item:
            found.append(height)
    return min(found, key=lambda height: abs((height - case.kick.height).ticks), default=None)  # type: ignore[union-attr]


def rolls_on_a_slope(made: Made) -> Iterator[Snag]:
    """What stands on casters stands where the floor is level."""
    for case in made.project.cases:
        place = made.place(case.letter)
        if place is None or not isinstance(case.kick, Casters):
            continue
        floor = floor_of(made, case.wall)
        heights = [floor.at(*at) for at in floor.corners(place.x, place.end, ZERO, place.depth)]
        fall = max(heights) - min(heights)
        if fall > inches("1/8"):
            text = f"{case.letter} stands on casters where the floor falls {made.units.write(fall)}: it cannot be packed; give it brakes, or feet."
            yield Snag("level.casters", Level.NOTE, text, case.letter)


def ceiling_falls(made: Made) -> Iterator[Snag]:
    """What reaches near a ceiling that falls along it is scribed or trimmed at its top."""
    write = made.units.write
    for line in made.lines:
        room = made.rooms[line.wall - 1]
        for place in line.places:
            heights = heights_over(room.wall.ceilings, place.x, place.end) if place.letter else []
            if not heights or max(heights) - min(heights) <= _SEEN or min(heights) - place.high > inches(3):
                continue
            if min(heights) <= place.high:
                continue
            text = (
                f"{place.letter} ends {write(min(heights) - place.high)} to {write(max(heights) - place.high)} under the ceiling: a crown or filler over it is cut as a "
                "taper with these two numbers."
            )
            yield Snag("level.ceiling", Level.NOTE, text, place.letter)


CHECKS: tuple[Check, ...] = (floor_falls, feet_reach, rolls_on_a_slope, ceiling_falls)
