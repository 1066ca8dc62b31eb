# SPDX-License-Identifier: GPL-3.0-or-later
"""What holds cases to each other and to the wall: screws from inside one case into its neighbour, and through rails into studs.

Neighbours are screwed together at front and back, four screws, six where they are tall; framed ones through their stiles.
Into the wall goes what is left of a screw behind rail, back and a lining of 1/2 in (12.5 mm): an inch and a quarter at
least, so screws of 2 1/2 to 3 in; one at each stud a rail crosses, at 16 in (400 mm) where no studs were measured
(common practice). What is behind a wall is never known: find studs, pipes and wires first.
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
from ..case.shell import LEFT, RIGHT
from ..fastening.lay_out import Layer, Shop
from ..fastening.occupied import Rod, rods_of
from ..fastening.sizes import DIAMETER
from ..fastening.wood import solid, spans
from ..hardware import Hardware
from ..lengths import Length, inches, millimetres
from ..project.placed import FILLER
from ..run.place import Line, Place
from .between import Derived, Joined
from .bolted import bolted
from .fillers import screwed_to
from .shared import driven_from_owner, held, shares

#: Cases this high are tall.
_TALL = inches(60)
#: The lining of a wall, and what a screw holds in a stud behind it.
LINING, INTO_STUD = millimetres("12.5"), inches("1 1/4")
_STUDS, _CLEAR, _SIDEWAYS = inches(16), inches(1), inches("1/2")
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
        if made.rooms[line.wall - 1].wall.island is None:
            for place in line.places:
                if place.letter and _straight(made, place.letter):
                    found += _to_the_wall(made, place, made.rooms[line.wall - 1].wall.studs, found)
    return [*found, *bolted(made)]


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
        parts = [p for p in first.parts if p.role == own] + [
            moved_part(p, by) for p in second.parts if p.role == others
        ]
        if len(parts) < 2:
            continue
        placed = [f for f in first.fasteners if _in(f, own)]
        placed += [_renamed(moved_fastener(f, by), others) for f in second.fasteners if _in(f, others)]
        fittings = [f for f in first.fittings if own in f.holds]
        fittings += [moved_fitting(f, by) for f in second.fittings if others in f.holds]
        layer = Layer(made.shop_of(), parts, fittings, placed)
        spacing = Spacing.JOINT if own in _STILES else Spacing.END_PANEL if tall else Spacing.FOUR
        layer.fasten(Joint(Way.SCREWS, own, others, spacing, apart=True, spare=True))
        for each in layer.fasteners:
            if each.kind is FastenerKind.SCREW:
                yield Joined(one.letter, each, two.letter)


def _in(fastener: Fastener, role: Role) -> bool:
    return role in fastener.through or fastener.into == role


def _renamed(fastener: Fastener, role: Role) -> Fastener:
    """Return a fastener of the neighbour as far as the one part of it is concerned that meets this case."""
    return replace(fastener, through=(), into=role)


def _to_the_wall(made: Derived, place: Place, studs: tuple[Length, ...], found: list[Joined]) -> Iterator[Joined]:
    assembly, shop = made.assembly(place.letter), made.shop_of()
    items = sorted(shop.items("wall-screw"), key=lambda item: item.length)
    behind = assembly.outside[2].length.ticks
    for part in assembly.parts:
        if not _holds(part):
            continue
        (x0, y0, z0), (x1, _, z1) = part.box.low, part.box.high
        z = (z0 + z1) // 2 if part.role.kind is not PartKind.BACK else z1 - inches(4).ticks
        for at in _crossed(x0, x1, place, studs):
            screw = _screw(assembly, part, (at, y0, z), behind, items, shop)
            if screw is not None:
                yield Joined(place.letter, screw)


def _holds(part: Placed) -> bool:
    """Whether a case is screwed to the wall through a part: a rail, a stretcher on edge at the back, a thick back."""
    kind = part.role.kind
    if kind is PartKind.STRETCHER:
        return part.axes[2] == 1 and part.role.side is Side.BACK
    return kind is PartKind.RAIL or (kind is PartKind.BACK and part.thickness.length >= millimetres(11))


def _crossed(x0: int, x1: int, place: Place, studs: tuple[Length, ...]) -> list[int]:
    """Return where a rail crosses studs, in the case's axes; without any measured, 16 in apart around its middle."""
    low, high = x0 + _CLEAR.ticks, x1 - _CLEAR.ticks
    if studs:
        return [at for stud in studs if low <= (at := (stud - place.case_x).ticks) <= high]
    if high <= low:
        return []
    count = max(2, 1 + (high - low) // _STUDS.ticks)
    step = min(_STUDS.ticks, (high - low) // (count - 1))
    first = (low + high - step * (count - 1)) // 2
    return [first + step * i for i in range(count)]


def _screw(
    assembly: Assembly, part: Placed, at: Point, behind: int, items: list[Hardware], shop: Shop
) -> Fastener | None:
    kind = FastenerKind.WALL_SCREW
    radius = DIAMETER[kind].ticks // 2
    need = Length(behind - at[1]) + LINING + INTO_STUD
    item = next((each for each in items if each.length >= need), items[-1])
    taken = [rod for holes in part.holes for rod in rods_of(part, holes)]
    taken += [Rod(f.head, f.tip, f.diameter.ticks // 2) for f in assembly.fasteners if _in(f, part.role)]
    for by in (0, 1, -1):
        x = at[0] + by * _SIDEWAYS.ticks
        head, tip = (x, at[1], at[2]), (x, at[1] + item.length.ticks, at[2])
        own = solid(part, 1, head, at[1], part.box.high[1], radius)
        if own and not any(Rod(head, tip, radius).near(other) for other in taken):
            through = [part.role] + [
                each.role for each in assembly.parts
                if each.role != part.role and each.box.low[1] >= part.box.high[1] and spans(each, 1, head)
            ]  # fmt: skip
            write = shop.write
            why = f"{write(Length(behind - at[1]))} of case + {write(LINING)} of lining + {write(INTO_STUD)} or more of stud"
            return Fastener(kind, item.name, DIAMETER[kind], head, tip, tuple(through), Into.WALL, why)
    return None
