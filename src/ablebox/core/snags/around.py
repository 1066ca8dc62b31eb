# SPDX-License-Identifier: GPL-3.0-or-later
"""What is around cases in the room: heat, electrical panels, doors and lamps against fronts that open, old houses, clothes on rods."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from itertools import pairwise

from ..appliances import APPLIANCES
from ..assembly.fitting import FittingKind
from ..assembly.role import PartKind
from ..cabinet.places import at
from ..fit.fit import fit_of
from ..fronts.cell.appliance import ApplianceSpace
from ..lengths import ZERO, Length, inches
from ..room.obstacle import OBSTACLES, Deal
from ..room.wall import End
from ..run.place import Line, Place
from ..run.space import SpaceKind
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

#: From a cooktop to wood over it that is not protected; the clear space before a panel: wide, deep, high (usual rules; the maker's book
#: and local codes decide). How deep a case with a rod is inside for clothes across it (common practice).
_HEAT, _PANEL, _CLOTHES = inches(30), (inches(30), inches(36), inches(78)), inches(22)
_HOT = frozenset({"cooktop", "heater"})


def heat(made: Made) -> Iterator[Snag]:
    """Wood over a cooktop keeps its distance."""
    write = made.units.write
    for line in made.lines:
        if line.upper:
            continue
        hung = [p for p in made.line(line.wall, True).places if p.letter]
        for name, x, end, top in _hot(made, line):
            for place in hung:
                if place.x < end and x < place.end and place.low - top < _HEAT:
                    raised = made.project.with_case(replace(made.project.case(place.letter), hang=top + _HEAT))
                    text = (
                        f"{place.letter} hangs {write(place.low - top)} over the {name}: {write(_HEAT)} to wood that is not protected is the usual rule; the "
                        "maker's book and local code decide."
                    )
                    fix = (
                        Fix(f"Hang {place.letter} at {write(top + _HEAT)}", raised)
                        if made.project.case(place.letter).is_hung
                        else None
                    )
                    yield Snag("around.heat", Level.STOP, text, place.letter, f"{place.letter}/hang", fix)


def _hot(made: Made, line: Line) -> Iterator[tuple[str, Length, Length, Length]]:
    """Return what is hot at a wall: its name, from where to where, and how high its top is."""
    for place in line.places:
        if place.space:
            space = made.project.spaces[place.space - 1]
            if space.kind is SpaceKind.APPLIANCE and APPLIANCES[space.what].hot:
                yield space.name, place.x, place.end, space.height
    for obstacle in made.rooms[line.wall - 1].wall.obstacles:
        if obstacle.kind in _HOT:
            yield obstacle.words, obstacle.x, obstacle.x + obstacle.width, obstacle.low + obstacle.height


def panels(made: Made) -> Iterator[Snag]:
    """An electrical panel keeps its clear space before it, and is never built over or cut around."""
    write = made.units.write
    for line in made.lines:
        for number, obstacle in enumerate(made.rooms[line.wall - 1].wall.obstacles, start=1):
            if obstacle.kind != "panel":
                continue
            wide, deep, high = _PANEL
            side = max(ZERO, (wide - obstacle.width).share(2)[0])
            low, up = obstacle.x - side, obstacle.x + obstacle.width + side
            for place in line.places:
                if place.letter and place.x < up and low < place.end and place.low < high:
                    text = (
                        f"{place.letter} stands in the clear space of the electrical panel, {write(wide)} wide, {write(deep)} deep and {write(high)} high by the usual rule: "
                        "move the run; a panel is never cut around or put in a closet, and local codes decide."
                    )
                    key = f"{made.rooms[line.wall - 1].prefix}obstacle.{number}.x"
                    yield Snag("around.panel", Level.STOP, text, place.letter, key)


def appliances_said(made: Made) -> Iterator[Snag]:
    """An appliance with no size or air said is asked about, and one that hangs for its screws and weight."""
    for case, assembly in made.built:
        for space in assembly.fronts:
            cell = at(case, space.path)
            if isinstance(cell, ApplianceSpace) and (cell.width is None or cell.height is None or cell.depth is None):
                name = APPLIANCES[cell.what].words
                text = f"{case.letter}: the {name} has no size yet; type what its book says, the air around it too, before its opening is cut."
                yield Snag("around.unsaid", Level.NOTE, text, case.letter)
    for line in made.lines:
        for place in line.places:
            space_of = made.project.spaces[place.space - 1] if place.space else None
            if space_of is None or space_of.kind is not SpaceKind.APPLIANCE:
                continue
            key = f"space/{place.space}.air"
            if not space_of.air and not space_of.behind and not space_of.above:
                text = f"{space_of.name}: no air around it is said; its book tells what it wants at its sides, behind and above."
                yield Snag("around.air", Level.NOTE, text, "", key)
            if line.upper and APPLIANCES[space_of.what].hangs:
                text = (
                    f"{space_of.name} hangs under a case or at the wall: its maker's screws and template hold it, not the case's bottom alone; note its weight, and its "
                    "height over a stove."
                )
                yield Snag("around.hangs", Level.NOTE, text, "", key)


def old_house(made: Made) -> Iterator[Snag]:
    """Old trim may be painted with lead; old soffits may hold ducts, wires and asbestos."""
    for line in made.lines:
        if not any(place.letter for place in line.places) or line.upper:
            continue
        for number, obstacle in enumerate(made.rooms[line.wall - 1].wall.obstacles, start=1):
            old = OBSTACLES[obstacle.kind].old
            if old and obstacle.deal is Deal.REMOVE:
                key = f"{made.rooms[line.wall - 1].prefix}obstacle.{number}.x"
                yield Snag(
                    "around.old",
                    Level.NOTE,
                    f"{obstacle.words.capitalize()} comes off {made.rooms[line.wall - 1].wall.name}. {old}",
                    "",
                    key,
                )


def doors_of_the_room(made: Made) -> Iterator[Snag]:
    """A room door round the corner does not swing into a drawer that is out."""
    write = made.units.write
    for one, two in pairwise(made.rooms):
        if two.wall.island is not None or one.wall.room != two.wall.room or End.OPEN in (one.wall.right, two.wall.left):
            continue
        long = one.governing.length if one.governing is not None else None
        for room, other, near_end in ((one, two, True), (two, one, False)):
            for number, obstacle in enumerate(room.wall.obstacles, start=1):
                if obstacle.kind != "door" or (near_end and long is None):
                    continue
                gap = (long - obstacle.x - obstacle.width) if near_end and long is not None else obstacle.x
                for place in _first(made, other.number, near_end):
                    reach = place.depth + _out(made, place)
                    swing = obstacle.width
                    if _out(made, place) > ZERO and gap < reach and (place.x if near_end else ZERO) < swing:
                        text = (
                            f"{place.letter}: with a drawer out it reaches {write(reach)} into the room, and the door of {room.wall.name} begins {write(gap)} from the corner: "
                            "let the door open the other way, or put doors there."
                        )
                        yield Snag("around.door", Level.WARN, text, place.letter, f"{room.prefix}obstacle.{number}.x")


def _first(made: Made, wall: int, left: bool) -> list[Place]:
    """Return the case nearest to the corner a door is beside."""
    places = [p for p in made.line(wall).places if p.letter]
    return (places[:1] if left else places[-1:]) if places else []


def _out(made: Made, place: Place) -> Length:
    """Return how far the longest drawer of a case comes out."""
    boxes = [p for p in made.assembly(place.letter).parts if p.role.kind is PartKind.BOX_SIDE]
    return max((p.length.length for p in boxes), default=ZERO)


def flaps(made: Made) -> Iterator[Snag]:
    """A flap that lifts up does not meet the ceiling or a lamp."""
    write = made.units.write
    for line in made.lines:
        room = made.rooms[line.wall - 1]
        for place in line.places:
            if not place.letter:
                continue
            for space in made.assembly(place.letter).fronts:
                if space.opens != "up":
                    continue
                hinge = place.low + space.front[3]
                # Opened by a hundred degrees and ten its lower edge stands higher than its hinge by a third of it.
                top = hinge + space.height.length.share(3)[0]
                lamps = [
                    o for o in room.wall.obstacles
                    if o.kind == "light" and o.x < place.end and place.x < o.x + o.width and o.low < top and o.low + o.height > hinge - inches(2)
                ]  # fmt: skip
                if room.ceiling is not None and top > room.ceiling.length:
                    text = f"{place.letter}: its flap, open, reaches {write(top)}, the ceiling is at {write(room.ceiling.length)}: stop it at a right angle, or hang it lower."
                    yield Snag("around.flap", Level.WARN, text, place.letter)
                elif lamps:
                    text = f"{place.letter}: its flap, open, meets the light over it: have that moved, or take doors."
                    yield Snag("around.flap", Level.WARN, text, place.letter)


def clothes(made: Made) -> Iterator[Snag]:
    """Clothes across a rod want the depth of a hanger."""
    write = made.units.write
    for case, assembly in made.built:
        for bay in assembly.bays:
            rods = [f for f in assembly.fittings if f.kind is FittingKind.ROD and f.box.meets(bay.box)]
            deep = Length(bay.box.high[1] - bay.box.low[1])
            if rods and deep < _CLOTHES:
                more = _CLOTHES - deep
                after = made.project.with_case(replace(case, depth=case.depth + more))
                text = f"{case.letter} is {write(deep)} deep inside at its rod: clothes on hangers want {write(_CLOTHES)}; make it deeper, or hang them front to back."
                yield Snag(
                    "around.clothes",
                    Level.WARN,
                    text,
                    case.letter,
                    f"{case.letter}/depth",
                    Fix(f"Make {case.letter} {write(case.depth + more)} deep", after),
                )
                break


def ways_in(made: Made) -> Iterator[Snag]:
    """Every case has a way to its place among what stands there by then."""
    for entry in fit_of(made).order:
        if entry.way is None:
            text = (
                f"{entry.letter} has no way to its place in any order: what stands beside it laps it before and behind. Leave a filler between them, or hang its fronts "
                "once it stands."
            )
            yield Snag("around.way", Level.WARN, text, entry.letter)


CHECKS: tuple[Check, ...] = (heat, panels, appliances_said, old_house, doors_of_the_room, flaps, clothes, ways_in)
