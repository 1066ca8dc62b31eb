# SPDX-License-Identifier: GPL-3.0-or-later
"""What is on the walls against what stands at them: obstacles, studs, the way in, appliances, corners."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..assembly.role import BOXES, PartKind
from ..assembly.solid import Box
from ..cabinet.design import Case
from ..case.back_none import NoBack
from ..case.base_feet import Feet
from ..case.base_legs import Legs
from ..case.cutouts import Cutout
from ..case.kick_notched import NotchedKick
from ..fit.carried import passes, size
from ..lengths import ZERO, Length, inches
from ..room.obstacle import OBSTACLES, Deal, Obstacle
from ..run.place import Place
from ..run.space import SpaceKind
from ..shop.made import Made
from .called import called
from .sections import in_sections
from .snag import Check, Fix, Level, Snag

#: What an opening for an outlet or a pipe is larger at each side (1/2 in, common practice).
_ROUND = inches("1/2")


def obstacles_in_the_way(made: Made) -> Iterator[Snag]:
    """What is on a wall behind a case is cut out for, notched round, taken away, or the case stands clear of it."""
    for line in made.lines:
        room = made.rooms[line.wall - 1]
        for number, obstacle in enumerate(room.wall.obstacles, start=1):
            key = f"{room.prefix}obstacle.{number}.x"
            for place in line.places:
                if place.letter and _behind(place, obstacle) and obstacle.deal is not Deal.REMOVE:
                    yield from _obstacle(made, made.project.case(place.letter), place, obstacle, key)
                    yield from _meets(made, place, obstacle, key)


def _meets(made: Made, place: Place, obstacle: Obstacle, key: str) -> Iterator[Snag]:
    """What stands so far out of the wall that it reaches a drawer, a pull-out or a shelf, or what of the case is before that."""
    assembly, case = made.assembly(place.letter), made.project.case(place.letter)
    if case.turned or assembly.slant is not None:
        return
    x, z, deep = obstacle.x - place.case_x, obstacle.low - place.low, assembly.outside[2].length
    low = (x.ticks, (deep - obstacle.out).ticks, z.ticks)
    box = Box(low, ((x + obstacle.width).ticks, deep.ticks, (z + obstacle.height).ticks))
    met = [part for part in assembly.parts if part.role.whole.kind in _INSIDE and part.box.meets(box)]
    if not met:
        return
    first = min(met, key=lambda part: (part.role.whole.kind not in BOXES, part.box.low[2]))
    text = (
        f"{place.letter}: the {obstacle.words} stands {made.units.write(obstacle.out)} out of the wall and meets the "
        f"{called(assembly, first.role.whole)}: make that shallower, move it, or have what is there moved by a licensed trade."
    )
    yield Snag("room.meets", Level.STOP, text, place.letter, key)


#: What inside a case an obstacle must not reach.
_INSIDE = BOXES | {
    PartKind.PULL_OUT,
    PartKind.SHELF,
    PartKind.FIXED_SHELF,
    PartKind.PARTITION,
    PartKind.SLOPING_SHELF,
    PartKind.ROD,
}


def _behind(place: Place, obstacle: Obstacle) -> bool:
    across = place.x < obstacle.x + obstacle.width and obstacle.x < place.end
    return across and place.low < obstacle.low + obstacle.height and obstacle.low < place.high


def _obstacle(made: Made, case: Case, place: Place, obstacle: Obstacle, key: str) -> Iterator[Snag]:
    write, words = made.units.write, obstacle.words
    where = f"{write(obstacle.x)} from the left and {write(obstacle.low)} up"
    if obstacle.deal is Deal.CUT:
        if isinstance(case.back, NoBack):
            return
        x, z = obstacle.x - place.case_x, obstacle.low - place.low
        if any(_covers(cutout, x, z, obstacle) for cutout in case.cutouts):
            yield from _out_of_reach(made, case, obstacle, (x, x + obstacle.width, z, z + obstacle.height), key)
            return
        inside = x > ZERO and x + obstacle.width < place.case_width
        fix, more = None, made.units.usual(_ROUND)
        if inside and z > ZERO:
            opening = Cutout(words, x - more, z - more, obstacle.width + more * 2, obstacle.height + more * 2)
            after = made.project.with_case(replace(case, cutouts=(*case.cutouts, opening)))
            fix = Fix(f"Cut an opening in {case.letter}'s back", after)
        text = f"{case.letter} stands before the {words}, {where}: cut an opening in its back, {write(more)} larger all round."
        if not inside:
            text = f"{case.letter}: the {words}, {where}, is behind its side: move the run, or have it moved by a licensed trade."
        yield Snag("room.cut", Level.WARN, text, case.letter, key, fix)
    elif obstacle.deal is Deal.NOTCH:
        if isinstance(case.kick, NotchedKick) or obstacle.out <= case.set_in:
            return
        text = (
            f"{case.letter}: the {words} stands {write(obstacle.out)} out of the wall; notch the sides round it, or let them go on "
            f"behind the back by {write(obstacle.out)}."
        )
        fix = Fix(f"Let {case.letter}'s sides go on", made.project.with_case(replace(case, set_in=obstacle.out)))
        yield Snag("room.notch", Level.NOTE, text, case.letter, key, fix)
    else:
        reach = " and nobody reaches it any more" if OBSTACLES[obstacle.kind].reach else ""
        text = f"{case.letter} stands before the {words}, {where}{reach}: move the run, or make room there."
        yield Snag("room.clear", Level.STOP, text, case.letter, key)


def _out_of_reach(
    made: Made, case: Case, obstacle: Obstacle, at: tuple[Length, Length, Length, Length], key: str
) -> Iterator[Snag]:
    """An outlet that was cut out for is out of reach behind a drawer, or behind what is fixed."""
    if not OBSTACLES[obstacle.kind].reach or case.turned:
        return
    left, right, low, high = at
    for space in made.assembly(case.letter).fronts:
        x0, x1, z0, z1 = space.opening
        if space.side == "front" and x0 < right and left < x1 and z0 < high and low < z1:
            if space.opens == "out":
                how = f"behind {case.letter}'s {space.words}: the box has to be lifted out to reach it"
            elif not space.opens and space.roles:
                how = f"behind {case.letter}'s {space.words}, which does not open"
            else:
                continue
            text = f"The {obstacle.words} is {how}; move it, have it moved by a licensed trade, or put a door there."
            yield Snag("room.reach", Level.WARN, text, case.letter, key)
            return


def _covers(cutout: Cutout, x: Length, z: Length, obstacle: Obstacle) -> bool:
    return (
        cutout.x <= x
        and cutout.z <= z
        and x + obstacle.width <= cutout.x + cutout.width
        and z + obstacle.height <= cutout.z + cutout.height
    )


def through_the_way_in(made: Made) -> Iterator[Snag]:
    """A case passes every door on the way into its room as it is carried, and gets round the turn behind it."""
    write = made.units.write
    for case, assembly in made.built:
        room = made.rooms[case.wall - 1].wall.room
        for each in passes(made, case.letter, room):
            if each.goes:
                continue
            way = each.way
            small, middle, long = sorted(size(assembly, True))
            if each.spare < ZERO:
                text = (
                    f"{case.letter}: {write(small)} × {write(middle)} does not pass the {way.name}, {write(way.width)} × "
                    f"{write(way.height)}: build it in sections that are bolted together in the room, or carry it in before the back is on."
                )
                yield Snag(
                    "room.way", Level.STOP, text, case.letter, f"{case.letter}/width", in_sections(made, case, room)
                )
            elif each.round is not None and way.turn is not None:
                text = (
                    f"{case.letter} is {write(long)} long and does not go round the turn behind the {way.name}: with {write(way.turn)} "
                    f"before it and {write(small)} of depth, {write(each.round)} would."
                )
                yield Snag(
                    "room.turn", Level.STOP, text, case.letter, f"{case.letter}/width", in_sections(made, case, room)
                )


#: Least way between two fronts; one person works in 42 in, two in 48 (Kitchen Planning Guidelines, National Kitchen and Bath
#: Association, from memory).
_WAY, _WORK = inches(36), inches(42)


def round_islands(made: Made) -> Iterator[Snag]:
    """An island leaves a way to the run before it, is fastened to the floor, and its back is decided where it is seen."""
    write = made.units.write
    for room in made.rooms:
        island, places = room.wall.island, made.line(room.number).places
        if island is None or not places:
            continue
        start, end = island.along, island.along + (places[-1].end - places[0].x)
        first = next(each.number for each in made.rooms if each.wall.room == room.wall.room)
        across = [place.depth for place in made.line(first).places if place.x < end and start < place.end]
        beside = max(across, default=ZERO)
        way = island.away - beside
        least, work = made.units.usual(_WAY), made.units.usual(_WORK)
        key = f"{room.prefix}island.away"
        if way < work:
            far = beside + work
            wall = replace(room.wall, island=replace(island, away=far))
            fix = Fix(f"Set it {write(far)} from the wall", made.project.with_wall(room.number, wall))
            level = Level.STOP if way < least else Level.NOTE
            text = (
                f"Between {room.wall.name} and the run of {made.rooms[first - 1].wall.name} there are {write(way)}: {write(least)} is the least to "
                f"pass, {write(work)} to work in."
            )
            yield Snag("room.aisle", level, text, "", key, fix)
        for place in places:
            kick = made.project.case(place.letter).kick if place.letter else None
            if isinstance(kick, (Feet, Legs)):
                text = (
                    f"{place.letter} stands free in {room.wall.name} on {kick.words}, and nothing holds it to the floor: take a notched "
                    "kick or a base frame, and screw it to cleats on the floor."
                )
                yield Snag("room.island", Level.WARN, text, place.letter)


def appliances_breathe(made: Made) -> Iterator[Snag]:
    """An appliance has its height under what hangs, and its depth with the air behind it."""
    write = made.units.write
    for line in made.lines:
        for place in line.places:
            space = made.project.spaces[place.space - 1] if place.space else None
            if space is None or space.kind is not SpaceKind.APPLIANCE or line.upper:
                continue
            hung = [p for p in made.line(line.wall, True).places if p.letter and p.x < place.end and place.x < p.end]
            needed = space.height + space.above
            for other in hung:
                if other.low < needed:
                    text = (
                        f"{space.name} is {write(space.height)} high and wants {write(space.above)} above it; {other.letter} hangs at "
                        f"{write(other.low)}."
                    )
                    raised = made.project.with_case(replace(made.project.case(other.letter), hang=needed))
                    fix = Fix(f"Hang {other.letter} at {write(needed)}", raised)
                    yield Snag("room.appliance", Level.STOP, text, other.letter, f"{other.letter}/hang", fix)
            beside = [p.depth for p in line.places if p.letter]
            if beside and space.depth + space.behind > max(beside):
                over = space.depth + space.behind - max(beside)
                text = (
                    f"{space.name}: {write(space.depth)} deep and {write(space.behind)} of air behind it stands {write(over)} before the "
                    "cases beside it."
                )
                yield Snag("room.stands-out", Level.NOTE, text, "", f"space/{place.space}.depth")


def corners_square(made: Made) -> Iterator[Snag]:
    """A corner that is not square takes room from the case in it, or leaves a gap behind it."""
    write = made.units.write
    for number, corner in enumerate(made.project.room.corners, start=1):
        off = corner.open_by
        if abs(off.ticks) * 200 < corner.other.ticks:
            continue
        how = "closed" if off < ZERO else "open"
        size = write(Length(abs(off.ticks)))
        text = (
            f"The corner at the right of {made.project.wall(corner.wall).name} is {how} by {size} in {write(corner.other)}: "
            f"leave the filler or the top there wider by that and scribe it."
        )
        yield Snag("room.corner", Level.NOTE, text, "", f"corner/{number}.across")


CHECKS: tuple[Check, ...] = (
    obstacles_in_the_way,
    through_the_way_in,
    appliances_breathe,
    corners_square,
    round_islands,
)
