# SPDX-License-Identifier: GPL-3.0-or-later
"""What holds cases to the building: studs enough, screws long enough and enough of them, and nothing that tips.

Two studs at least for what hangs, else a rail across studs first. A screw of 5 mm into a stud bears 80 lb (36 kg) hung on it (common
practice; makers and local codes decide).
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..case.base_casters import Casters
from ..case.base_feet import Feet
from ..case.base_legs import Legs
from ..fit.fit import fit_of
from ..fit.links import anchors_of
from ..fit.tipping import anchored, tipping, why
from ..lengths import ZERO, Length, inches
from ..project.placed import STRIP
from ..project.run_edits import stand_at
from ..project.strip_edits import change_strip
from ..room.backing import Backing
from ..run.place import Place
from ..run.strip import RunStrip, Sits
from ..shop.anchored import spans_of
from ..shop.made import Made
from ..shop.weights import contents, kilograms
from .snag import Check, Fix, Level, Snag

#: What one screw into a stud bears of what hangs on it, in kg, and how wide a rail on the wall is.
BEARS, _RAIL = 36.0, inches("3 1/2")
#: What holds a case is less than so many times what tips it: it is told (of our own).
_NEARLY = 2.0
#: How far the upper half of a bevelled cleat is lifted over the lower one: half of its width, 1/4 in more (common practice).
_LIFT = inches("1/4")


def two_studs(made: Made) -> Iterator[Snag]:
    """What hangs is held by two studs at least, or a rail across studs; what is tall reaches one, or its neighbour."""
    for line in made.lines:
        room = made.rooms[line.wall - 1]
        wall, write = room.wall, made.units.write
        if wall.island is not None or wall.backing is Backing.SOLID or not wall.studs:
            continue
        if line.upper and any(
            s.sits.on_the_wall and (s.wall, s.upper) == (line.wall, True) for s in made.project.strips
        ):
            continue
        for place in line.places:
            case = made.project.case(place.letter) if place.letter else None
            if case is None or not case.is_hung or case.letter in made.unbuilt:
                continue
            held = {(a.axis, a.stud) for a in anchors_of(fit_of(made), place.letter) if a.stud}
            if len(held) > 1:
                continue
            what = "1 stud" if held else "no stud"
            near = min((stud.at for stud in wall.studs), key=lambda at: abs((at - place.x).ticks))
            where = "" if held else f", the nearest is at {write(near)}"
            text = (
                f"{place.letter} hangs between {write(place.x)} and {write(place.end)} and its rails meet {what} there, half an inch inside its "
                f"sides{where}: screw a rail across two studs first and hang it on that."
            )
            yield Snag(
                "room.stud",
                Level.WARN,
                text,
                place.letter,
                f"{place.letter}/width",
                _rail_across(made, place, line.wall),
            )


def _rail_across(made: Made, place: Place, number: int) -> Fix | None:
    """Return the fix that puts a rail on the wall behind what hangs there, long enough for two studs."""
    goods = made.project.rack.goods[0].code if made.project.rack.goods else ""
    if not goods:
        return None
    strip = RunStrip(number, True, "wall rail", goods, made.units.usual(_RAIL), ZERO, Sits.BEHIND)
    studs = [stud.at for stud in made.rooms[number - 1].wall.studs if stud.up is None]
    for beyond in (ZERO, *(inches(n) for n in (2, 4, 8, 12, 16, 24))):
        tried = replace(strip, beyond=beyond)
        after = replace(made.project, strips=(*made.project.strips, tried))
        spans = spans_of(tried, made)
        if spans and all(
            sum(low + inches("1/2") <= at <= high - inches("1/2") for at in studs) > 1 for low, high in spans
        ):
            return Fix("Screw a rail to the wall behind them first", after)
    return None


def tied(made: Made) -> Iterator[Snag]:
    """What can tip is anchored, or screwed to a case that is."""
    held = anchored(made)
    for case in made.project.cases:
        place = made.place(case.letter)
        if place is None or case.letter in made.unbuilt or case.letter in held or case.is_hung:
            continue
        wall = made.rooms[case.wall - 1].wall
        reason = why(made, case)
        if not reason or wall.island is not None:
            continue
        if wall.studs or wall.backing is Backing.SOLID or not case.back.hangs(made.project.rack):
            text = (
                f"{case.letter} is tied to nothing, and {reason}: no stud is behind a rail of it, nor is it screwed to a case that has an anchor; "
                "screw a rail to the wall first, or tie it to its neighbour."
            )
            yield Snag("anchor.none", Level.WARN, text, case.letter)


def hung_on_nothing(made: Made) -> Iterator[Snag]:
    """What hangs has a screw into the building; wallboard and hollow-wall plugs hold nothing that hangs."""
    held = anchored(made)
    for case in made.project.cases:
        place = made.place(case.letter)
        if not case.is_hung or place is None or case.letter in held or case.letter in made.unbuilt:
            continue
        if made.rooms[case.wall - 1].wall.studs:
            # Told with the studs.
            continue
        text = (
            f"{case.letter} hangs and no screw holds it to the wall: give it a rail, or a rail on the wall across studs; wallboard and hollow-wall "
            "plugs hold nothing that hangs."
        )
        yield Snag("anchor.hung", Level.STOP, text, case.letter)


def screws_long_enough(made: Made) -> Iterator[Snag]:
    """The longest screw of the rack goes into the building as far as it must."""
    told = set()
    for anchor in made.anchors:
        if not anchor.short or (anchor.letter, anchor.holds) in told:
            continue
        told.add((anchor.letter, anchor.holds))
        write = made.units.write
        of = anchor.letter if anchor.letter != STRIP else "The rail on the wall"
        text = (
            f"{of}: the longest screw on the rack, {write(anchor.length, True)}, goes {write(max(ZERO, anchor.goes), True)} into the {anchor.holds.words} and "
            f"{write(anchor.needs, True)} is the least; add one of {write(anchor.length - anchor.goes + anchor.needs, True)} or more to the rack."
        )
        yield Snag("anchor.short", Level.STOP, text, "" if anchor.letter == STRIP else anchor.letter)


def enough_screws(made: Made) -> Iterator[Snag]:
    """What hangs weighs no more than its screws bear."""
    for case, assembly in made.built:
        rows = [a for a in anchors_of(fit_of(made), case.letter) if a.axis != 2]
        if not case.is_hung or not rows:
            continue
        own, load = kilograms(made, assembly), contents(made, assembly)
        if own + load <= len(rows) * BEARS:
            continue
        need = -int(-(own + load) // BEARS)
        weigh = made.units.weigh
        text = (
            f"{case.letter} weighs {weigh(own)} and holds up to {weigh(load)}: {len(rows)} screw{'s bear' if len(rows) > 1 else ' bears'} about {weigh(len(rows) * BEARS)}; use {need} "
            "or more, two at each stud, or a rail on the wall (makers and local codes decide)."
        )
        yield Snag("anchor.load", Level.WARN, text, case.letter)


def without_a_wall(made: Made) -> Iterator[Snag]:
    """What has no wall behind it does not tip with all its drawers out and somebody leaning on one; it is never called safe."""
    for case, _ in made.built:
        island = made.place(case.letter) is not None and made.rooms[case.wall - 1].wall.island is not None
        rolls = isinstance(case.kick, Casters)
        free = not case.in_alcove or rolls or (island and isinstance(case.kick, Feet | Legs))
        if not free or case.is_hung or not (reason := why(made, case)):
            continue
        found = tipping(made, case)
        ratio = f"{found.tips / found.holds:.1f} times what holds it" if found.holds > 0 else "more than holds it"
        if found.over:
            text = (
                f"{case.letter} stands without a wall and tips over its front edge: with {_drawers(found.drawers)} out and loaded and 60 lb on one the moment is "
                f"{ratio}; make its base wider, let only one drawer out at a time, or stand it at a wall and anchor it."
            )
            fix = None
            if not rolls and not case.in_alcove:
                fix = Fix(f"Stand {case.letter} at the wall", stand_at(made.project, case.letter, 1))
            yield Snag("anchor.tips", Level.WARN, text, case.letter, "", fix)
        elif rolls or found.tips * _NEARLY > found.holds:
            text = f"{case.letter} stands without a wall, and {reason}: by its moments it stays, and that is not safe; anchor it wherever a wall is."
            yield Snag("anchor.free", Level.NOTE, text, case.letter)


def _drawers(count: int) -> str:
    return "its drawer" if count == 1 else f"{count} drawers"


def rails_on_the_wall(made: Made) -> Iterator[Snag]:
    """A rail on the wall crosses two studs, has its thickness behind what hangs, and a bevelled one its lift above."""
    write = made.units.write
    for number, strip in enumerate(made.project.strips, start=1):
        if not strip.sits.on_the_wall:
            continue
        room = made.rooms[strip.wall - 1]
        thick = made.project.rack.stock(strip.goods).thickness
        studs = [stud.at for stud in room.wall.studs if stud.up is None]
        for low, high in spans_of(strip, made):
            crossed = sum(low + inches("1/2") <= at <= high - inches("1/2") for at in studs)
            if studs and crossed < 2:
                text = f"The {strip.name} from {write(low)} to {write(high)} crosses {crossed or 'no'} stud{'s' if not crossed else ''}: let it go on beyond its ends to two."
                yield Snag(
                    "anchor.rail", Level.STOP, text, "", f"strip/{number}.beyond", _longer(made, number, strip, studs)
                )
        for place in made.line(strip.wall, strip.upper).places:
            case = made.project.case(place.letter) if place.letter else None
            if case is None or not case.is_hung:
                continue
            if case.set_in < thick and not case.back.over_edges:
                after = made.project.with_case(replace(case, set_in=thick))
                text = (
                    f"{case.letter} hangs before a {strip.name} {write(thick)} thick and would stand off the wall by {write(thick - case.set_in)}: let its sides go on "
                    "behind the back by that."
                )
                yield Snag(
                    "anchor.stands-off",
                    Level.WARN,
                    text,
                    case.letter,
                    f"{case.letter}/set_in",
                    Fix(f"Let {case.letter}'s sides go on", after),
                )
            lift = strip.width.share(2)[0] + _LIFT
            if strip.sits is Sits.CLEAT and room.ceiling is not None and room.ceiling.length - place.high < lift:
                left = room.ceiling.length - place.high
                text = (
                    f"{case.letter} hangs on a bevelled cleat and is lifted over it by {write(lift)}: {write(max(ZERO, left))} is above it; hang it lower, or on "
                    "a straight rail."
                )
                lower = case.hang - (lift - left)
                fix = (
                    Fix(f"Hang {case.letter} at {write(lower)}", made.project.with_case(replace(case, hang=lower)))
                    if lower > ZERO
                    else None
                )
                yield Snag("anchor.lift-on", Level.STOP, text, case.letter, f"{case.letter}/hang", fix)


def _longer(made: Made, number: int, strip: RunStrip, studs: list[Length]) -> Fix | None:
    for beyond in (inches(n) for n in (2, 4, 8, 12, 16, 24)):
        tried = replace(strip, beyond=strip.beyond + beyond)
        if all(
            sum(low + inches("1/2") <= at <= high - inches("1/2") for at in studs) > 1
            for low, high in spans_of(tried, made)
        ):
            return Fix(
                f"Let it go on by {made.units.write(tried.beyond)}", change_strip(made.project, number, beyond=tried.beyond)
            )  # fmt: skip
    return None


CHECKS: tuple[Check, ...] = (
    two_studs, tied, hung_on_nothing, screws_long_enough, enough_screws, without_a_wall, rails_on_the_wall,
)  # fmt: skip
