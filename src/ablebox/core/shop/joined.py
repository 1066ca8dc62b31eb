# SPDX-License-Identifier: GPL-3.0-or-later
"""What holds cases to each other and to the wall: screws from inside one case into its neighbour, and through rails into studs.

Neighbours are screwed together at front and back, four screws, six where they are tall; framed ones through their stiles
(common practice). Where they are to be taken apart again, bolts go through both sides. What holds them to the building is told in ``anchored``.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from itertools import pairwise

from ..assembly.fastener import Fastener, FastenerKind, Into, Point
from ..assembly.joint import Joint, Spacing, Way
from ..assembly.moved import moved_fastener, moved_fitting, moved_part
from ..assembly.part import Assembly, Placed
from ..assembly.role import PartKind, Role, Side
from ..assembly.solid import Box
from ..cabinet.design import Case
from ..case.base_frame import BaseFrame
from ..case.base_skirt import Skirt
from ..case.bottom import BOTTOM
from ..case.kick_notched import NotchedKick
from ..case.shell import LEFT, RIGHT
from ..fastening.lay_out import Layer, Shop
from ..lengths import Length, inches
from ..order.joining import Joining
from ..project.placed import FILLER
from ..run.place import Line, Place
from .anchor import Anchor
from .anchored import rail_anchors, to_the_floor, to_the_wall
from .between import Derived, Joined
from .bolted import bolted
from .fillers import screwed_to
from .shared import driven_from_owner, held, shares

#: Diameter of a connecting bolt's sleeve, and of its cap (5/16 in and 5/8 in, common practice).
_SLEEVE, _CAP = inches("5/16"), inches("5/8")
#: So few bolts hold two cases (common practice); where there is room for fewer, screws do.
_BOLTS = 2
#: Cases this high are tall.
_TALL = inches(60)
_STILES = (Role(PartKind.FRAME_STILE, Side.RIGHT), Role(PartKind.FRAME_STILE, Side.LEFT))


def joined(made: Derived) -> list[Joined]:
    """Return every fastener between cases, and between cases and walls."""
    found: list[Joined] = []
    for line in made.lines:
        for one, two in pairwise(line.places):
            if one.letter and two.letter and _straight(made, one.letter) and _straight(made, two.letter):
                found += _together(made, one, two)
        found += _shared(made, line)
        found += _beside(made, line)
    for case in made.project.cases:
        found += _stacked(made, case)
    found += [Joined(each.letter, each.fastener) for each in made.anchors if each.fastener.through]
    return [*found, *bolted(made)]


def anchored(made: Derived) -> list[Anchor]:
    """Return everything that holds cases to the building."""
    found: list[Anchor] = []
    for line in made.lines:
        room = made.rooms[line.wall - 1]
        if room.wall.island is None:
            for place in line.places:
                if place.letter and place.letter not in made.unbuilt and not made.project.case(place.letter).turned:
                    found += to_the_wall(made, place, room)
        else:
            for place in line.places:
                kick = made.project.case(place.letter).kick if place.letter else None
                if place.letter not in made.unbuilt and isinstance(kick, NotchedKick | BaseFrame | Skirt):
                    found += to_the_floor(made, place)
    return [*found, *rail_anchors(made)]


def _shared(made: Derived, line: Line) -> Iterator[Joined]:
    """What holds the cases of a run to counters, base frames and kick boards of others."""
    places = [place for place in line.places if place.letter and _straight(made, place.letter)]
    for place in places:
        owner = made.assembly(place.letter)
        if not shares(owner):
            continue
        for there in places:
            if there.letter == place.letter:
                continue
            other = made.assembly(there.letter)
            by = _by(owner, place, other, there)
            layer = held(owner, other, by, made.shop_of())
            for each in layer.fasteners:
                if driven_from_owner(each.through[0]):
                    yield Joined(place.letter, each, there.letter)
                else:
                    back = (-by[0], -by[1], -by[2])
                    yield Joined(there.letter, moved_fastener(each, back), place.letter)


def _beside(made: Derived, line: Line) -> Iterator[Joined]:
    """What holds fillers to the cases beside them."""
    for one, two in pairwise(line.places):
        case, filler = (one, two) if one.letter else (two, one)
        if not case.letter or filler.letter or not _straight(made, case.letter):
            continue
        space = made.project.spaces[filler.space - 1]
        for each in screwed_to(made.assembly(case.letter), case, filler, space, made.project.rack, made.shop_of()):
            yield Joined(case.letter, each, FILLER)


def _by(one: Assembly, place: Place, two: Assembly, there: Place) -> Point:
    """Return where the second case's origin stands in the axes of the first: their backs are at the wall."""
    return (
        (there.case_x - place.case_x).ticks,
        (one.outside[2].length - two.outside[2].length).ticks,
        (there.low - place.low).ticks,
    )


def _straight(made: Derived, letter: str) -> bool:
    case = made.project.case(letter)
    return letter not in made.unbuilt and not case.turned and made.assembly(letter).slant is None


def _together(made: Derived, one: Place, two: Place) -> Iterator[Joined]:
    first, second = made.assembly(one.letter), made.assembly(two.letter)
    by = _by(first, one, second, two)
    pairs = [(RIGHT, LEFT)] if not one.panels[1] and not two.panels[0] else []
    pairs.append(_STILES)
    tall = min(first.outside[1].length, second.outside[1].length) >= _TALL
    for own, others in pairs:
        mine = next((part for part in first.parts if part.role == own), None)
        theirs = next((moved_part(part, by) for part in second.parts if part.role == others), None)
        if mine is None or theirs is None:
            continue
        # Both cases have a part called so: the neighbour's has a name of its own here.
        beside = replace(theirs, role=Role(theirs.role.kind, Side.SECOND, (1,)))
        placed = [f for f in first.fasteners if _in(f, own)]
        placed += [_renamed(moved_fastener(f, by), beside.role) for f in second.fasteners if _in(f, others)]
        fittings = [f for f in first.fittings if own in f.holds]
        fittings += [replace(moved_fitting(f, by), holds=(beside.role,)) for f in second.fittings if others in f.holds]
        # What stands against the inside, such as a kick board, has no screw's head behind it.
        inside = [part for part in first.parts if part is not mine and part.box.touches(mine.box)]
        layer = Layer(made.shop_of(), [mine, beside, *inside], fittings, placed)
        bolts = _Bolts(made.shop_of(), mine, beside, second, by, others) if _bolted(made, one.letter, own) else None
        spacing = Spacing.JOINT if own in _STILES else Spacing.END_PANEL if tall else Spacing.FOUR
        layer.fasten(Joint(Way.SCREWS, own, beside.role, spacing, apart=True, spare=True))
        screws = [each for each in layer.fasteners if each.kind is FastenerKind.SCREW]
        bolted_at = [bolt for each in screws if bolts is not None and (bolt := bolts.at(each)) is not None]
        if len(bolted_at) >= _BOLTS:
            yield from (Joined(one.letter, bolt, two.letter, others) for bolt in bolted_at)
        else:
            yield from (Joined(one.letter, replace(each, into=others), two.letter) for each in screws)


def _bolted(made: Derived, letter: str, role: Role) -> bool:
    """Whether what stands to the right of a case is bolted to its side; through stiles there are screws."""
    return role not in _STILES and made.project.bench.order_of(letter).joining is Joining.BOLTS


class _Bolts:
    """Bolts right through two sides, in the places of screws.

    Args:
        shop: what they are chosen from.
        mine: the side they are put in from.
        theirs: the neighbour's side, in the axes of the first case.
        second: the neighbour.
        by: where the neighbour stands in those axes.
        role: of its side.
    """

    def __init__(self, shop: Shop, mine: Placed, theirs: Placed, second: Assembly, by: Point, role: Role) -> None:
        self.mine, self.theirs = mine, theirs
        through = Length(theirs.box.high[0] - mine.box.low[0])
        items = sorted(shop.items("case-bolt"), key=lambda item: item.length)
        self.item = next((each for each in items if each.length >= through), None)
        self.why = f"through both sides, {shop.write(through)}; cap and sleeve draw up"
        parts = (moved_part(part, by) for part in second.parts if part.role != role and not part.role.comes_out)
        self.inside = [part.box for part in parts if part.box.touches(theirs.box)]

    def at(self, screw: Fastener) -> Fastener | None:
        """Return the bolt in the place of a screw; ``None`` where its cap would have no place, or none is long enough."""
        head = list(screw.head)
        head[0] = self.mine.box.low[0]
        tip = list(head)
        tip[0] = self.theirs.box.high[0]
        room = _CAP.ticks // 2
        cap = Box((tip[0], tip[1] - room, tip[2] - room), (tip[0] + room, tip[1] + room, tip[2] + room))
        if self.item is None or any(cap.meets(box) for box in self.inside):
            return None
        first, last = (head[0], head[1], head[2]), (tip[0], tip[1], tip[2])
        return Fastener(FastenerKind.BOLT, self.item.name, _SLEEVE, first, last, screw.through, Into.NUT, self.why)


def _stacked(made: Derived, case: Case) -> Iterator[Joined]:
    """What holds a case to the one it stands on: screws down through its bottom into the top of that, not through it."""
    if case.on is None or not case.on.letter or case.letter in made.unbuilt or case.on.letter in made.unbuilt:
        return
    places = {place.letter: place for line in made.lines for place in line.places}
    if case.letter not in places or case.on.letter not in places or case.turned:
        return
    place, there = places[case.letter], places[case.on.letter]
    upper, lower = made.assembly(case.letter), made.assembly(case.on.letter)
    if upper.slant is not None or lower.slant is not None:
        return
    by = _by(upper, place, lower, there)
    bottom = next((part for part in upper.parts if part.role == BOTTOM), None)
    tops = [moved_part(part, by) for part in lower.parts if part.role.kind in (PartKind.COUNTER, PartKind.TOP)]
    top = max(
        (part for part in tops if bottom is not None and part.box.touches(bottom.box)),
        key=lambda p: p.box.high[2],
        default=None,
    )
    if bottom is None or top is None:
        return
    # Both have a part called so: the lower one's has a name of its own here.
    under = replace(top, role=Role(PartKind.COUNTER, Side.SECOND, (1,)))
    placed = [f for f in upper.fasteners if _in(f, BOTTOM)]
    layer = Layer(made.shop_of(), [bottom, under], [], placed)
    layer.fasten(Joint(Way.SCREWS, BOTTOM, under.role, Spacing.FOUR, apart=True, spare=True))
    for each in layer.fasteners:
        if each.kind is FastenerKind.SCREW and each.into == under.role:
            yield Joined(case.letter, replace(each, into=top.role), case.on.letter)


def _in(fastener: Fastener, role: Role) -> bool:
    return role in fastener.through or fastener.into == role


def _renamed(fastener: Fastener, role: Role) -> Fastener:
    """Return a fastener of the neighbour as far as the one part of it is concerned that meets this case."""
    return replace(fastener, through=(), into=role)
