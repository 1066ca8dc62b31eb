# SPDX-License-Identifier: GPL-3.0-or-later
"""What holds cases to the building: which screw goes where, into what, how far, and by which sum.

Into a stud goes what is left of a screw behind rail, back and lining: an inch and a quarter at least, and six times its diameter. A
stud counts only where the screw has wood of the rail at both sides: half an inch inside the case's side at least. In a solid wall a
plug holds two inches of screw; ribs of vehicles and threaded inserts take half an inch. Where nobody has found studs, screws are
planned 16 in (400 mm) apart and are to be moved to them (all common practice). What is behind a wall is never known: find studs,
pipes and wires first.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from ..assembly.fastener import Fastener, FastenerKind, Into, Point
from ..assembly.part import Assembly, Placed
from ..assembly.role import BOXES, PartKind, Role, Side
from ..fastening.occupied import Rod, rods_of
from ..fastening.sizes import DIAMETER
from ..fastening.wood import solid, spans
from ..hardware import Hardware
from ..lengths import TICKS_PER_MM, ZERO, Length, inches, millimetres
from ..project.placed import STRIP
from ..room.backing import LINING, Backing, HoldKind, Stud
from ..room.wall import Measured, Wall
from ..run.place import Place
from ..run.stacked import stands
from ..run.strip import RunStrip, Sits
from ..units import System, Units
from .anchor import INTO_STUD, Anchor, Holds
from .between import Derived

#: How often its diameter a screw goes into a stud; how far into a plug; into a rib or an insert.
DIAMETERS, INTO_PLUG, INTO_RIB = 6, inches(2), inches("1/2")
#: How far inside the case's side a screw is; how far apart where nobody found studs; how far a screw may dodge a hole.
INSIDE, APART, _SIDEWAYS = inches("1/2"), inches(16), inches("1/2")
#: A case that reaches the ceiling so far is fixed into joists as well, if its mouth is this wide.
_TO_CEILING, _WIDE_MOUTH = inches(1), inches(36)
_KIND = FastenerKind.WALL_SCREW
_SECOND = Role(PartKind.BACK, Side.SECOND)
#: The block a case of an island is screwed to the floor through: how high it is, and how far from the case's end (common practice).
_BLOCK, _FROM_END = inches("1 1/2"), inches("1 1/2")
#: Half of how wide a driver is, how long a drill with its bit is (common practice), and what is lifted out of its way.
_DRIVER, _DRILL = inches("1/8").ticks, inches(12).ticks
_LOOSE = frozenset({PartKind.SHELF, PartKind.SLOPING_SHELF, PartKind.FALSE_BOTTOM, PartKind.PULL_OUT})
#: How near a back is to the rail it lies against, in ticks (of our own).
_AGAINST = millimetres(2).ticks


_OF = {HoldKind.STUD: Holds.STUD, HoldKind.RIB: Holds.RIB, HoldKind.INSERT: Holds.INSERT}


def needed(holds: Holds, units: Units) -> Length:
    """Return how far a screw goes into something at least; for those who measure in millimetres the next whole one."""
    least = _needed(holds)
    return least if units.system is System.INCH else Length(-(-least.ticks // TICKS_PER_MM) * TICKS_PER_MM)


def _needed(holds: Holds) -> Length:
    if holds is Holds.SOLID:
        return INTO_PLUG
    if holds in (Holds.RIB, Holds.INSERT):
        return INTO_RIB
    return max(INTO_STUD, DIAMETER[_KIND] * DIAMETERS)


def clear(assembly: Assembly, part: Placed) -> tuple[int, int]:
    """Return between which places across a case a screw through a rail has wood at both sides, inside the case's sides."""
    low, high = part.box.span(0)
    if assembly.slant is not None:
        # Across a corner the backs meet each other, and the sides stand on their far ends.
        edge = part.thickness.length.ticks + INSIDE.ticks
        return low + edge, high - edge
    for side in assembly.parts:
        if side.role.kind is PartKind.SIDE:
            if side.role.side is Side.LEFT:
                low = max(low, side.box.high[0])
            else:
                high = min(high, side.box.low[0])
    return low + INSIDE.ticks, high - INSIDE.ticks


def holds(part: Placed) -> bool:
    """Whether a case is screwed to the wall through a part: a rail, a stretcher on edge at the back, a thick back."""
    kind = part.role.kind
    if part.role == _SECOND:
        return False
    if kind is PartKind.STRETCHER:
        return part.axes[2] == 1 and part.role.side is Side.BACK
    return kind is PartKind.RAIL or (kind is PartKind.BACK and part.thickness.length >= millimetres(11))


def to_the_wall(made: Derived, place: Place, room: Measured) -> Iterator[Anchor]:
    """Return what holds a case of a run to its wall, and to joists where it reaches the ceiling."""
    assembly, wall = made.assembly(place.letter), room.wall
    rail = _rail_behind(made, place)
    for part in assembly.parts:
        if not holds(part):
            continue
        if rail is not None and not stands(made.project.case(place.letter)):
            yield from _into_rail(made, assembly, part, rail)
            continue
        for number, at, z in _places(assembly, part, wall, place):
            if _behind_another(assembly, part, (at, part.box.low[1], z)):
                continue
            kind = _OF[wall.studs[number - 1].kind] if number else Holds.STUD
            if wall.backing is Backing.SOLID and not number:
                kind = Holds.SOLID
            anchor = _screw(made, assembly, part, (at, part.box.low[1], z), wall, kind, number)
            if anchor is not None:
                yield anchor
    if assembly.slant is not None:
        yield from _round_the_corner(made, assembly, room)
    yield from _to_joists(made, place, room)


def _round_the_corner(made: Derived, assembly: Assembly, room: Measured) -> Iterator[Anchor]:
    """Return what holds the second back of a corner case to the wall that follows: its places count from the corner."""
    after = next((each for each in made.rooms if each.number == room.number + 1), None)
    part = next((p for p in assembly.parts if p.role == _SECOND), None)
    if after is None or part is None or after.wall.room != room.wall.room or after.wall.island is not None:
        return
    deep = assembly.outside[2].length
    edge = part.thickness.length + INSIDE
    for number, stud in enumerate(after.wall.studs, start=1):
        y = (deep - stud.at).ticks
        if stud.up is None and part.box.low[1] + edge.ticks <= y <= part.box.high[1] - edge.ticks:
            at = (part.box.low[0], y, _height(part))
            anchor = _screw(made, assembly, part, at, after.wall, _OF[stud.kind], number, 0)
            if anchor is not None:
                yield anchor


def to_the_floor(made: Derived, place: Place) -> Iterator[Anchor]:
    """Return what holds a case of an island to the floor: a screw down through a block inside each end of its base, in the middle of its depth."""
    assembly = made.assembly(place.letter)
    items = sorted(made.shop_of().items("wall-screw"), key=lambda item: item.length)
    wide, deep = (assembly.outside[axis].length.ticks for axis in (0, 2))
    for x in (_FROM_END.ticks, wide - _FROM_END.ticks):
        head = (x, deep // 2, _BLOCK.ticks)
        anchor = _anchor(assembly.letter, (("block", _BLOCK),), Holds.FLOOR, 0, head, 2, items, (), made.units, -1)
        if anchor is not None:
            yield anchor


def rail_anchors(made: Derived) -> Iterator[Anchor]:
    """Return what holds rails and cleats to their walls: a screw at each stud they cross."""
    shop = made.shop_of()
    for strip in made.project.strips:
        if not strip.sits.on_the_wall:
            continue
        wall, line = made.rooms[strip.wall - 1].wall, made.line(strip.wall, strip.upper)
        for x0, x1 in spans_of(strip, made):
            thick = made.project.rack.stock(strip.goods).thickness
            places = [
                (i, (stud.at - x0).ticks, _OF[stud.kind]) for i, stud in enumerate(wall.studs, start=1)
                if x0 + INSIDE <= stud.at <= x1 - INSIDE and stud.up is None
            ]  # fmt: skip
            if wall.backing is Backing.SOLID and not wall.studs:
                places = [(0, at, Holds.SOLID) for at in _apart(INSIDE.ticks, (x1 - x0 - INSIDE).ticks)]
            for i, at, kind in places:
                items = sorted(shop.items("wall-screw"), key=lambda item: item.length)
                passes = ((strip.name, thick), _lining(wall))
                anchor = _anchor(
                    STRIP, passes, kind, i, (at, 0, strip.width.share(2)[0].ticks), 1, items, (), made.units
                )
                if anchor is not None and line.places:
                    yield anchor


def spans_of(strip: RunStrip, made: Derived) -> list[tuple[Length, Length]]:
    """Return from where to where along its wall each length of a rail on the wall goes: behind what hangs beside each other, and beyond."""
    found: list[tuple[Length, Length]] = []
    for place in made.line(strip.wall, strip.upper).places:
        if not place.letter:
            continue
        if found and found[-1][1] == place.x:
            found[-1] = found[-1][0], place.end
        else:
            found.append((place.x, place.end))
    return [(max(ZERO, low - strip.beyond), high + strip.beyond) for low, high in found]


def _rail_behind(made: Derived, place: Place) -> RunStrip | None:
    """Return the rail on the wall a case is held by; ``None`` if there is none."""
    line = next(line for line in made.lines if place in line.places)
    return next(
        (s for s in made.project.strips if s.sits.on_the_wall and (s.wall, s.upper) == (line.wall, line.upper)), None
    )  # fmt: skip


def _places(assembly: Assembly, part: Placed, wall: Wall, place: Place) -> list[tuple[int, int, int]]:
    """Return where screws go through a rail: number of the stud, across, and up; 0 for a stud nobody has found."""
    if wall.studs:
        return _at_studs(assembly, part, wall.studs, place)
    low, high = clear(assembly, part)
    return [(0, at, _height(part)) for at in _apart(low, high)]


def _at_studs(assembly: Assembly, part: Placed, studs: Sequence[Stud], place: Place) -> list[tuple[int, int, int]]:
    low, high = clear(assembly, part)
    found = []
    for number, stud in enumerate(studs, start=1):
        at = (stud.at - place.case_x).ticks
        z = _height(part)
        if stud.up is not None:
            z = (stud.up - place.low).ticks
            if not part.box.low[2] + INSIDE.ticks <= z <= part.box.high[2] - INSIDE.ticks:
                continue
        if low <= at <= high:
            found.append((number, at, z))
    return found


def _height(part: Placed) -> int:
    """Return how high screws go through a rail: in its middle; of a thick back near its upper edge."""
    low, high = part.box.span(2)
    return high - inches(4).ticks if part.role.kind is PartKind.BACK else (low + high) // 2


def _apart(low: int, high: int) -> list[int]:
    """Return places 16 in apart around the middle of a stretch, two at least."""
    if high <= low:
        return []
    count = max(2, 1 + (high - low) // APART.ticks)
    step = min(APART.ticks, (high - low) // (count - 1))
    first = (low + high - step * (count - 1)) // 2
    return [first + step * i for i in range(count)]


def _lining(wall: Wall) -> tuple[str, Length]:
    return ("lining as measured", wall.lining) if wall.lining is not None else ("lining, as is usual", LINING)


def _screw(
    made: Derived, assembly: Assembly, part: Placed, at: Point, wall: Wall, kind: Holds, number: int, axis: int = 1
) -> Anchor | None:
    shop = made.shop_of()
    items = sorted(shop.items("wall-screw"), key=lambda item: item.length)
    before = _before(assembly, part, at) if axis == 1 else None
    at = (at[0], before.box.low[1] if before is not None else at[1], at[2])
    behind = Length(assembly.outside[2 if axis == 1 else 0].length.ticks - at[axis])
    passes = (("case", behind), *((_lining(wall),) if kind is not Holds.INSERT or wall.lining is not None else ()))
    radius = DIAMETER[_KIND].ticks // 2
    taken = [rod for hole in part.holes for rod in rods_of(part, hole)]
    taken += [
        Rod(f.head, f.tip, f.diameter.ticks // 2)
        for f in assembly.fasteners
        if part.role in f.through or f.into == part.role
    ]
    across = 1 - axis
    low, high = clear(assembly, part) if axis == 1 else part.box.span(1)
    for by in (0, 1, -1) if kind is not Holds.INSERT else (0,):
        line = list(at)
        line[across] += by * _SIDEWAYS.ticks
        head = (line[0], line[1], line[2])
        through = [before.role, part.role] if before is not None else [part.role]
        through += [
            each.role for each in assembly.parts
            if each.role != part.role and each.box.low[axis] >= part.box.high[axis] and spans(each, axis, head)
        ]  # fmt: skip
        anchor = _anchor(assembly.letter, passes, kind, number, head, axis, items, tuple(through), made.units)
        if anchor is None:
            return None
        own = solid(part, axis, head, part.box.low[axis], part.box.high[axis], radius)
        rod = Rod(head, anchor.fastener.tip, radius)
        free = own and low <= head[across] <= high and not any(rod.near(other) for other in taken)
        if free and not _walled_in(assembly, head, axis):
            return anchor
    return None


def _walled_in(assembly: Assembly, head: Point, axis: int) -> bool:
    """Whether something that stays stands before the head of a screw, such as a partition on a stud."""
    across = 1 - axis
    for part in assembly.parts:
        stays = part.stands == "carcass" and part.role.kind not in _LOOSE and part.role.whole.kind not in BOXES
        near = head[axis] - _DRILL < part.box.high[axis] and part.box.low[axis] < head[axis]
        if not stays or not near or part.slant is not None:
            continue
        for by in (-_DRIVER, _DRIVER):
            line = list(head)
            line[across] += by
            if spans(part, axis, (line[0], line[1], line[2])):
                return True
    return False


def _behind_another(assembly: Assembly, part: Placed, at: Point) -> bool:
    """Whether another rail is before one at a place: the screws of that pass both."""
    return any(
        other.role != part.role and holds(other) and other.box.high[1] <= part.box.low[1] and spans(other, 1, at)
        for other in assembly.parts
    )


def _before(assembly: Assembly, part: Placed, at: Point) -> Placed | None:
    """Return the back that lies against the front of a rail: the head sits on that; ``None`` if there is none."""
    return next(
        (
            each for each in assembly.parts
            if each.role.kind is PartKind.BACK and each.role != part.role
            and abs(each.box.high[1] - part.box.low[1]) <= _AGAINST and spans(each, 1, at)
        ),
        None,
    )  # fmt: skip


def _anchor(
    letter: str, passes: tuple[tuple[str, Length], ...], kind: Holds, number: int, head: Point, axis: int, items: Sequence[Hardware],
    through: tuple[Role, ...], units: Units, sign: int = 1,
) -> Anchor | None:  # fmt: skip
    """Return the shortest screw that goes in far enough, else the longest."""
    if not items:
        return None
    before = sum((length for _, length in passes), ZERO)
    need = needed(kind, units)
    item = next((each for each in items if each.length >= before + need), items[-1])
    tip = list(head)
    tip[axis] += sign * item.length.ticks
    write = units.write
    sums = " + ".join(f"{write(length, True)} {words}" for words, length in passes)
    why = f"{sums} + {write(need, True)} or more into the {kind.words}"
    fastener = Fastener(_KIND, item.name, DIAMETER[_KIND], head, (tip[0], tip[1], tip[2]), through, Into.WALL, why)
    return Anchor(letter, fastener, axis, kind, need, item.length - before, number, passes)


def _into_rail(made: Derived, assembly: Assembly, part: Placed, rail: RunStrip) -> Iterator[Anchor]:
    """Return what holds a case to a rail on the wall: screws 16 in apart that stay inside it; a bevelled cleat holds by itself."""
    if rail.sits is Sits.CLEAT:
        return
    thick = made.project.rack.stock(rail.goods).thickness
    behind = Length(assembly.outside[2].length.ticks - part.box.low[1])
    before = max(behind - thick, part.thickness.length)
    items = sorted(
        (each for each in made.shop_of().items("screw") if each.length < before + thick), key=lambda item: item.length
    )
    low, high = clear(assembly, part)
    z = _height(part)
    if not items or part.role.side is Side.LOWER:
        return
    for at in _apart(low, high):
        head = (at, part.box.low[1], z)
        item = items[-1]
        tip = (at, part.box.low[1] + item.length.ticks, z)
        why = f"{made.units.write(before, True)} case, the rest into the {rail.name}, short of its back"
        fastener = Fastener(_KIND, item.name, DIAMETER[_KIND], head, tip, (part.role,), Into.WALL, why)
        yield Anchor(
            assembly.letter, fastener, 1, Holds.RAIL, inches("1/2"), item.length - before, 0, (("case", before),)
        )  # fmt: skip


def _to_joists(made: Derived, place: Place, room: Measured) -> Iterator[Anchor]:
    """Return what holds a wide case that ends at the ceiling to the joists over it: screws up through its top, in the middle of its depth."""
    assembly, wall = made.assembly(place.letter), room.wall
    if room.ceiling is None or place.width.length < _WIDE_MOUTH or room.ceiling.length - place.high > _TO_CEILING:
        return
    top = next((part for part in assembly.parts if part.role.kind is PartKind.TOP), None)
    if top is None:
        return
    items = sorted(made.shop_of().items("wall-screw"), key=lambda item: item.length)
    low, high = clear(assembly, top)
    gap = max(ZERO, room.ceiling.length - place.high)
    passes = (("top", top.thickness.length), ("gap, shimmed", gap), _lining(wall))
    y = sum(top.box.span(1)) // 2
    for number, joist in enumerate(wall.joists, start=1):
        at = (joist - place.case_x).ticks
        if low <= at <= high:
            anchor = _anchor(
                assembly.letter, passes, Holds.JOIST, number, (at, y, top.box.low[2]), 2, items, (top.role,), made.units
            )  # fmt: skip
            if anchor is not None:
                yield anchor
