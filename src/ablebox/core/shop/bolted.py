# SPDX-License-Identifier: GPL-3.0-or-later
"""What draws two tops together where they meet, on one wall or round a corner: bolts through the strips under them.

Two bolts a joint, at a quarter from each end of it, through the middle of both strips, with half an inch for washer and nut; tops
without strips are joined with biscuits in their edges (common practice).
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from itertools import combinations, product

from ..assembly.fastener import Fastener, FastenerKind, Into, Point
from ..assembly.joint import Joint, Way
from ..assembly.moved import moved_fastener
from ..assembly.part import Placed
from ..assembly.role import COUNTERS, PartKind, Role, Side
from ..assembly.turned import Turn
from ..fastening.lay_out import Layer, Shop
from ..fastening.occupied import Rod
from ..fastening.sizes import DIAMETER
from ..fastening.wood import solid
from ..lengths import Length, inches, millimetres
from .between import Derived, Joined
from .standing import Standing, corners, round_the_corner, standing

#: What washer and nut take of a bolt; the least of a joint that is bolted; how near tops are that meet.
NUT, _LEAST, _NEAR = inches("1/2"), inches(6).ticks, millimetres(1).ticks
_STEP = millimetres(8).ticks


@dataclass(frozen=True, slots=True)
class _Top:
    letter: str
    parts: tuple[Placed, ...]
    rods: tuple[tuple[Role, Rod], ...]
    back: Point


@dataclass(frozen=True, slots=True)
class _Meeting:
    """Where two strips lie against each other: on which axis, which way from the first, and from where to where along it."""

    axis: int
    way: int
    start: int
    end: int


def bolted(made: Derived) -> Iterator[Joined]:
    """Return what joins tops to each other."""
    shop = made.shop_of()
    for room in made.rooms:
        tops = [top for each in standing(made, room.number) if (top := _top(made, each)) is not None]
        for one, two in combinations(tops, 2):
            yield from _joined(one, two, shop)
    for before, after, long in corners(made):
        firsts = [top for each in standing(made, before.number) if (top := _top(made, each)) is not None]
        seconds = [top for each in standing(made, after.number) if (top := _top(made, each, long)) is not None]
        for one, two in product(firsts, seconds):
            yield from _joined(one, two, shop)


def _top(made: Derived, there: Standing, long: Length | None = None) -> _Top | None:
    """Return the top of a case, in the axes of its wall, or of the one before it round the corner; ``None`` if it has none."""
    parts = [part for part in there.parts if part.role.kind in COUNTERS]
    if there.place is None or not parts or made.project.case(there.letter).turned or there.letter in made.unbuilt:
        return None
    assembly, place = made.assembly(there.letter), there.place
    by = (place.case_x.ticks, -assembly.outside[2].length.ticks, place.low.ticks)
    own = {part.role for part in parts}
    fasteners = [
        moved_fastener(each, by) for each in assembly.fasteners if each.into in own or own.intersection(each.through)
    ]
    if long is not None:
        parts = list(round_the_corner(parts, long))
        turn = Turn(1, 0, 0)
        fasteners = [moved_fastener(turn.fastener(each), (long.ticks, 0, 0)) for each in fasteners]
    rods = [
        (role, Rod(each.head, each.tip, each.diameter.ticks // 2))
        for each in fasteners
        for role in (*each.through, each.into)
        if isinstance(role, Role)
    ]
    return _Top(there.letter, tuple(parts), tuple(rods), (-by[0], -by[1], -by[2]))


def _joined(one: _Top, two: _Top, shop: Shop) -> Iterator[Joined]:
    found = _met(one.parts, two.parts, PartKind.STRIP)
    if found is not None:
        own, other, met = found
        for at in (met.start + (met.end - met.start) // 4, met.end - (met.end - met.start) // 4):
            bolt = _bolt(one, two, own, other, met, at, shop)
            if bolt is not None:
                yield Joined(one.letter, moved_fastener(bolt, one.back), two.letter, other.role)
        return
    found = _met(one.parts, two.parts, PartKind.COUNTER)
    if found is None:
        return
    own, other, _ = found
    # Seen from the first case the other one's top has a name of its own.
    second = Role(PartKind.COUNTER, Side.SECOND, (1,))
    layer = Layer(shop, (own, replace(other, role=second)))
    layer.fasten(Joint(Way.BISCUITS, own.role, second, spare=True))
    for each in layer.fasteners:
        yield Joined(one.letter, moved_fastener(replace(each, into=other.role), one.back), two.letter, None)


def _met(ones: Iterable[Placed], others: Iterable[Placed], kind: PartKind) -> tuple[Placed, Placed, _Meeting] | None:
    """Return the two parts of a kind that lie against each other farthest; ``None`` if none do far enough."""
    best: tuple[Placed, Placed, _Meeting] | None = None
    most = _LEAST
    for one, two in product(ones, others):
        if one.role.kind is not kind or two.role.kind is not kind or one.box.span(2) != two.box.span(2):
            continue
        for axis, way in product((0, 1), (1, -1)):
            gap = (two.box.low[axis] - one.box.high[axis]) if way > 0 else (one.box.low[axis] - two.box.high[axis])
            start, end = (pick(each.box.span(1 - axis)[i] for each in (one, two)) for i, pick in ((0, max), (1, min)))
            if 0 <= gap <= _NEAR and end - start >= most:
                best, most = (one, two, _Meeting(axis, way, start, end)), end - start
    return best


def _bolt(one: _Top, two: _Top, own: Placed, other: Placed, met: _Meeting, at: int, shop: Shop) -> Fastener | None:
    """Return a bolt through two strips at a place along them, or as near to it as both have free wood."""
    kind, axis = FastenerKind.BOLT, met.axis
    head = own.box.low[axis] if met.way > 0 else own.box.high[axis]
    end = other.box.high[axis] if met.way > 0 else other.box.low[axis]
    through = Length(abs(end - head))
    items = sorted(shop.items("counter-bolt"), key=lambda item: item.length)
    item = next((each for each in items if each.length >= through + NUT), None)
    if item is None:
        return None
    radius, z = DIAMETER[kind].ticks // 2, sum(own.box.span(2)) // 2
    for step in range((met.end - met.start) // (4 * _STEP)):
        for place in (at + step * _STEP, at - step * _STEP):
            line = [place, place, z]
            line[axis] = head
            tip = list(line)
            tip[axis] = head + met.way * item.length.ticks
            first, last = (line[0], line[1], line[2]), (tip[0], tip[1], tip[2])
            rod = Rod(first, last, radius)
            near = any(role == own.role and rod.near(each) for role, each in one.rods)
            near = near or any(role == other.role and rod.near(each) for role, each in two.rods)
            ends = own.box.high[axis] if met.way > 0 else own.box.low[axis]
            begins = other.box.low[axis] if met.way > 0 else other.box.high[axis]
            if (
                not near
                and solid(own, axis, first, head, ends, radius)
                and solid(other, axis, first, begins, end, radius)
            ):
                write = shop.write
                why = f"through {write(through)} of strips, {write(item.length - through)} for washer and nut"
                return Fastener(kind, item.name, DIAMETER[kind], first, last, (own.role,), Into.NUT, why)
    return None
