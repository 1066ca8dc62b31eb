# SPDX-License-Identifier: GPL-3.0-or-later
"""Does it fit the room: width of the run, mouth, ceiling, tipping up."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from math import isqrt

from ..cabinet.design import Case
from ..case.base_frame import BaseFrame
from ..fit.fit import fit_of
from ..lengths import ZERO, Length, inches
from ..project import rows
from ..project.tree import Project
from ..room.wall import heights_over
from ..run.members import hangs, sunk
from ..run.place import Place
from ..run.space import SpaceKind
from ..run.strip import boxes_of
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

#: A hung case narrower than this is of no use (common practice).
_NARROWEST = inches(6)
#: So little to spare is told (of our own).
_SPARE = inches("1/2")


def _with_width(project: Project, case: Case, width: Length) -> Project:
    return project.with_case(replace(case, follows=False, width=width))


def _with_height(project: Project, case: Case, height: Length) -> Project:
    return project.with_case(replace(case, height=height))


def run_against_wall(made: Made) -> Iterator[Snag]:
    """No run is wider than the smallest width, and it should leave the allowance."""
    for line in made.lines:
        room, write = made.rooms[line.wall - 1], made.units.write
        smallest, over = room.governing, line.left_over
        if line.usable is None or line.total is None or smallest is None or over is None or over >= ZERO:
            continue
        cases = [made.project.case(place.letter) for place in line.places if place.letter]
        fixed = [case for case in cases if not case.follows]
        words = " and ".join(place.name for place in line.places)
        where = "an alcove" if len(made.rooms) == 1 else room.wall.name
        fix, fitting = None, (fixed[0].width + over) if len(fixed) == 1 and not fixed[0].turned % 2 else ZERO
        if fitting > ZERO:
            fix = Fix(f"Make {fixed[0].letter} {write(fitting)} wide", _with_width(made.project, fixed[0], fitting))
        letter, key = (fixed[0].letter if fixed else ""), line.total.key
        allowance = smallest.length - room.usable.length if room.usable else ZERO
        if ZERO - over > allowance:
            text = (
                f"{words}: {write(line.total.length)} wide in {where} of {write(line.usable.length + allowance)} at its narrowest; "
                f"{write(line.usable.length)} leaves room to get it in."
            )
            yield Snag("fit.width", Level.STOP, text, letter, key, fix)
        else:
            text = (
                f"{words}: only {write(allowance + over)} to spare in {'the alcove' if len(made.rooms) == 1 else where}, you want "
                f"{write(room.wall.allowance)} to get it in."
            )
            yield Snag("fit.spare", Level.WARN, text, letter, key, fix)


def beyond_the_end(made: Made) -> Iterator[Snag]:
    """What hangs goes on beyond the end of the wall where something tall stands before it."""
    for line in made.lines:
        governing, last = made.rooms[line.wall - 1].governing, line.places[-1] if line.places else None
        over = line.left_over
        if not line.upper or governing is None or last is None or last.end <= governing.length or (over or ZERO) < ZERO:
            continue
        write = made.units.write
        text = (
            f"{last.name} hangs from {write(last.x)} to {write(last.end)}, beyond the end of {made.rooms[line.wall - 1].wall.name} at "
            f"{write(governing.length)}: move it to the left of what is tall."
        )
        yield Snag("fit.beyond", Level.STOP, text, last.letter)


def one_in_another(made: Made) -> Iterator[Snag]:
    """What hangs and what stands below it do not take the same room of the wall."""
    for below in made.lines:
        if below.upper:
            continue
        hanging = [place for place in made.line(below.wall, True).places if _solid(made, place)]
        lowest = min((place.low for place in hanging), default=None)
        for stands in below.places:
            if lowest is None or stands.high <= lowest or not _solid(made, stands):
                continue
            for hung in hanging:
                both = min(stands.end, hung.end) - max(stands.x, hung.x)
                if both <= ZERO or stands.high <= hung.low or hung.high <= stands.low:
                    continue
                write = made.units.write
                text = (
                    f"{hung.name} hangs from {write(hung.x)} to {write(hung.end)}, and {stands.name} stands there from {write(stands.x)} to "
                    f"{write(stands.end)}, {write(stands.high)} high: make it narrower, hang it higher, or move one of them."
                )
                key = f"{hung.letter}/width" if hung.letter else f"space/{hung.space}.width"
                yield Snag("fit.through", Level.STOP, text, hung.letter, key, _clear_of(made, hung, stands))
                break


def _solid(made: Made, place: Place) -> bool:
    return not place.space or made.project.spaces[place.space - 1].kind is not SpaceKind.OPEN


def _clear_of(made: Made, hung: Place, stands: Place) -> Fix | None:
    """Return the fix that lets a hung case end where something tall begins, or hangs it over what leaves room for it."""
    if not hung.letter:
        return None
    case, write = made.project.case(hung.letter), made.units.write
    ceiling = made.rooms[case.wall - 1].ceiling
    if ceiling is not None and stands.high + case.height <= ceiling.length:
        return Fix(
            f"Hang {case.letter} at {write(stands.high)}", made.project.with_case(replace(case, hang=stands.high))
        )
    narrower = made.units.whole_steps(hung.width.length - (hung.end - stands.x))
    if case.follows or hung.x >= stands.x or narrower < _NARROWEST:
        return None
    return Fix(f"Make {case.letter} {write(narrower)} wide", _with_width(made.project, case, narrower))


def through_the_mouth(made: Made) -> Iterator[Snag]:
    """Each case in an alcove goes in through the mouth, front to back, its stiles that stand proud with it."""
    for case in made.project.cases:
        mouth = made.rooms[case.wall - 1].mouth
        proud = sum(made.assembly(case.letter).proud, ZERO)
        width = made.assembly(case.letter).outside[0].length + proud
        if mouth is not None and case.in_alcove and width > mouth.length:
            most = made.units.whole_steps(mouth.length)
            text = (
                f"{case.letter}: {made.units.write(width)} wide, the mouth is {made.units.write(mouth.length)}: "
                f"take off what narrows the mouth, or build it {made.units.write(most)} or less."
            )
            carcass = most - proud
            after = _with_width(made.project, case, carcass) if carcass > ZERO else None
            fix = Fix(f"Make {case.letter} {made.units.write(carcass)} wide", after) if after is not None else None
            yield Snag("fit.mouth", Level.STOP, text, case.letter, f"{case.letter}/width", fix)


def level_under(made: Made, case: Case) -> Length:
    """Return how high the level line is that a case stands on, or that what hangs is measured from."""
    line = fit_of(made).line(case.wall)
    return line.line if line is not None else ZERO


def lowest_ceiling(made: Made, case: Case) -> Length | None:
    """Return the height there is for a case: the lowest ceiling over it less the highest floor under it."""
    room = made.rooms[case.wall - 1]
    place = made.place(case.letter)
    heights = [room.ceiling.length] if room.ceiling is not None else []
    floor = ZERO
    if place is not None:
        heights += heights_over(room.wall.ceilings, place.x, place.end)
        floor = max([ZERO, level_under(made, case)])
    return min(heights) - floor if heights else None


def tipped_under(made: Made, case: Case) -> Length | None:
    """Return the height there is to tip a case up: the highest ceiling along its wall, from where it is slid under a slope."""
    room = made.rooms[case.wall - 1]
    heights = [level.high for level in room.wall.ceilings]
    if not heights:
        return lowest_ceiling(made, case)
    if room.ceiling is not None:
        heights.append(room.ceiling.length)
    return max(heights) - max([ZERO, *(level.high for level in room.wall.floor_levels)])


def under_the_ceiling(made: Made) -> Iterator[Snag]:
    """Each case in a run is lower than the ceiling over it, and can be tipped up under it.

    A case built lying down needs the diagonal of its height and depth: sqrt(h^2 + d^2). Under a slope it is tipped up where the
    ceiling is highest, and slid to its place.
    """
    write = made.units.write
    for case in made.project.cases:
        ceiling = lowest_ceiling(made, case) if case.in_alcove else None
        if ceiling is None:
            continue
        if hangs(case):
            yield from _hung_too_high(made, case, ceiling)
            continue
        top = ceiling.ticks
        highest = tipped_under(made, case) or ceiling
        height, depth = (case.height - sunk(case)).ticks, case.depth.ticks
        # What stands on a base frame is tipped up without it.
        apart = (case.kick.height - sunk(case)).ticks if isinstance(case.kick, BaseFrame) else 0
        tipped = height - apart
        diagonal = Length(isqrt(tipped**2 + depth**2))
        most = min(Length(isqrt(max(0, highest.ticks**2 - depth**2)) + apart), ceiling)
        if height <= top and tipped**2 + depth**2 <= highest.ticks**2:
            spare = highest - Length(isqrt(tipped**2 + depth**2))
            if spare < _SPARE and tipped > depth:
                text = f"{case.letter} can be tipped up with {write(spare)} to spare: measure the ceiling where that is done, without its door and light."
                yield Snag("fit.tip-spare", Level.NOTE, text, case.letter, f"{case.letter}/height")
            continue
        fix = None
        if most.ticks > 0:
            lower = made.units.whole_steps(most)
            fix = Fix(f"Make {case.letter} {write(lower)} high", _with_height(made.project, case, lower))
        if height > top:
            text = f"{case.letter}: {write(case.height)} high under a ceiling of {write(ceiling)}."
            yield Snag("fit.ceiling", Level.STOP, text, case.letter, f"{case.letter}/height", fix)
        else:
            text = (
                f"{case.letter} cannot be tipped up: {write(Length(tipped))} high and {write(case.depth)} deep needs "
                f"{write(diagonal)}, the ceiling is at {write(highest)}; build it {write(most)} or less, "
                f"{'or in two parts' if apart else 'or on a separate base'}."
            )
            yield Snag("fit.tip-up", Level.STOP, text, case.letter, f"{case.letter}/height", fix)


def _hung_too_high(made: Made, case: Case, ceiling: Length) -> Iterator[Snag]:
    place = made.place(case.letter)
    low = place.low if place is not None else case.hang
    write, top = made.units.write, low + case.height
    if top > ceiling and case.on is not None:
        text = f"{case.letter} stands at {write(low)} and ends at {write(top)}; the ceiling over it is at {write(ceiling)}."
        yield Snag("fit.ceiling", Level.STOP, text, case.letter, f"{case.letter}/height")
    elif top > ceiling:
        lower = ceiling - case.height
        fix = None
        if lower > ZERO:
            after = made.project.with_case(replace(case, hang=lower))
            fix = Fix(f"Hang {case.letter} at {write(lower)}", after)
        text = f"{case.letter} hangs at {write(case.hang)} and ends at {write(top)}; the ceiling over it is at {write(ceiling)}."
        yield Snag("fit.ceiling", Level.STOP, text, case.letter, f"{case.letter}/hang", fix)


def crowns_under_the_ceiling(made: Made) -> Iterator[Snag]:
    """A strip that stands on cases has its height under the lowest ceiling over them."""
    write = made.units.write
    for number, strip in enumerate(made.project.strips, start=1):
        room, line = made.rooms[strip.wall - 1], made.line(strip.wall, strip.upper)
        for box in boxes_of(strip, line, made.project.spaces, made.project.rack.stock(strip.goods).thickness):
            heights = [room.ceiling.length] if room.ceiling is not None else []
            heights += heights_over(room.wall.ceilings, Length(box.low[0]), Length(box.high[0]))
            low, high = Length(box.low[2]), Length(box.high[2])
            if not heights or high <= min(heights):
                continue
            room_left = made.units.whole_steps(min(heights) - low)
            text = (
                f"The {strip.name} stands on cases {write(low)} high and reaches {write(high)}; the ceiling over it is at "
                f"{write(min(heights))}: make it narrower, or the cases lower."
            )
            fix = None
            if room_left > ZERO:
                after = replace(made.project, strips=rows.changed(made.project.strips, number, width=room_left))
                fix = Fix(f"Make the {strip.name} {write(room_left)} wide", after)
            yield Snag("fit.crown", Level.STOP, text, "", f"strip/{number}.width", fix)
            break


CHECKS: tuple[Check, ...] = (
    run_against_wall, one_in_another, beyond_the_end, through_the_mouth, under_the_ceiling, crowns_under_the_ceiling,
)  # fmt: skip
