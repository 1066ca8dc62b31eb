# SPDX-License-Identifier: GPL-3.0-or-later
"""Proves hardware and fasteners from where they are: in wood, clear of each other and of every face, on something.

It shares nothing with the code that places them: it reckons in millimetres, with distances from points and between straight
pieces, where that works in ticks along lines. What it finds is told with its numbers.

Limits (common practice): a tip in wood keeps 1/8 in (3 mm) from every face in stock over 5/8 in (16 mm), 1/16 in (1.5 mm)
in thinner; a cup leaves 2.5 mm; an adjustable shelf stands on four pins, one round a corner on three at least; between two
things in one part a millimetre of wood is left.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from enum import Enum
from math import cos, hypot, radians, sin

import numpy as np

from .fastener import Fastener, FastenerKind
from .fitting import Fitting, FittingKind
from .part import Assembly, Holes, Placed
from .role import PartKind, Role
from .uses import Use

Vector = tuple[float, float, float]
_TICKS = 16_000.0
_THICK, _FAR, _NEAR = 15.875, 2.99, 1.49
_CUP, _WEB, _PINS, _PINS_ROUND = 2.49, 0.95, 4, 3
#: Boxes that only touch share less than this.
_TOUCH = 0.15
_LEAN = radians(15)


class Fault(Enum):
    """What is wrong."""

    TIP = "tip"
    STRAY = "stray"
    HEAD = "head"
    MEET = "meet"
    HOLE = "hole"
    CUP = "cup"
    AIR = "air"
    PINS = "pins"
    HINGE = "hinge"
    CLASH = "clash"
    LOOSE = "loose"


@dataclass(frozen=True, slots=True)
class Finding:
    """Something that is wrong with hardware or a fastener.

    Args:
        fault: what.
        roles: the parts it is about, the one it is in first.
        have: what there is, in mm, or how many.
        need: what there should be.
        fastener: which one; ``None`` for hardware and holes.
        fitting: which piece of hardware; ``None`` for anything else.
        use: what a hole is for; ``None`` for anything else.
    """

    fault: Fault
    roles: tuple[Role, ...]
    have: float = 0.0
    need: float = 0.0
    fastener: Fastener | None = None
    fitting: Fitting | None = None
    use: Use | None = None


def prove(assembly: Assembly) -> list[Finding]:
    """Return everything wrong with the hardware and fasteners of a case; an empty list is the proof that they are sound."""
    if not assembly.fasteners and not assembly.fittings:
        return []
    solids = {part.role: _Solid(part) for part in assembly.parts if part.straight is None}
    return [
        *_tips(assembly, solids),
        *_strays(assembly, solids),
        *_heads(assembly, solids),
        *_meetings(assembly, solids),
        *_holes(assembly),
        *_hung(assembly),
        *_shelves(assembly),
        *_clashes(assembly, solids),
        *_loose(assembly),
    ]


class _Solid:
    """The wood of a part: its box less its cuts, within its form; in mm."""

    __slots__ = ("cuts", "high", "low", "part", "plane", "ring", "thick")

    def __init__(self, part: Placed) -> None:
        self.part = part
        self.low, self.high = _mm(part.box.low), _mm(part.box.high)
        self.thick = part.thickness.length.mm
        self.ring, self.plane = _ring(part)
        self.cuts = [
            (_mm(cut.box.low), _mm(cut.box.high))
            for cut in part.cuts
            if not (cut.kind.slants and self.ring is not None)
        ]

    @property
    def margin(self) -> float:
        """How far a tip keeps from its faces."""
        return _FAR if self.thick > _THICK else _NEAR

    def depth(self, at: Vector) -> float:
        """Return how far inside the wood a point is; below 0 outside."""
        best = _within(at, self.low, self.high)
        if self.ring is not None:
            a, b = self.plane
            best = min(best, _inside_ring((at[a], at[b]), self.ring))
        for low, high in self.cuts:
            if best <= -1:
                break
            inside = _within(at, low, high)
            if inside > 0:
                best = min(best, -inside)
                continue
            gap = sum(max(low[i] - at[i], at[i] - high[i], 0.0) ** 2 for i in (0, 1, 2))
            if gap < best * best or best < 0:
                best = min(best, gap**0.5)
        return best


def _within(at: Vector, low: Vector, high: Vector) -> float:
    """Return how far inside a box a point is; below 0 outside."""
    return min(at[0] - low[0], high[0] - at[0], at[1] - low[1], high[1] - at[1], at[2] - low[2], high[2] - at[2])


def _ring(part: Placed) -> tuple[list[tuple[float, float]] | None, tuple[int, int]]:
    """Return the corners of a part's form and the two axes it lies in; ``None`` for a plain box."""
    if part.tilt is not None:
        y, z = part.box.low[1] / _TICKS, part.box.low[2] / _TICKS
        slant = hypot(part.tilt.run.mm, part.tilt.rise.mm)
        c, s = part.tilt.run.mm / slant, part.tilt.rise.mm / slant
        w, t = part.width.length.mm, part.thickness.length.mm
        under = (y + t * s, z)
        return [under, (under[0] + w * c, under[1] + w * s), (under[0] + w * c - t * s, under[1] + w * s + t * c),
                (y, z + t * c)], (1, 2)  # fmt: skip
    if part.footprint:
        return [(a / _TICKS, b / _TICKS) for a, b in part.footprint], (0, 1)
    if part.outline:
        along, across = part.axes[0], part.axes[1]
        low = part.box.low
        return [(low[along] / _TICKS + a.mm, low[across] / _TICKS + b.mm) for a, b in part.outline], (along, across)
    return None, (0, 1)


def _inside_ring(at: tuple[float, float], ring: Sequence[tuple[float, float]]) -> float:
    """Return how far inside a polygon a point is; below 0 outside."""
    inside, near = False, float("inf")
    for (ax, ay), (bx, by) in zip(ring, [*ring[1:], ring[0]], strict=True):
        if (ay > at[1]) != (by > at[1]) and at[0] < (bx - ax) * (at[1] - ay) / (by - ay) + ax:
            inside = not inside
        dx, dy = bx - ax, by - ay
        long = dx * dx + dy * dy
        share = min(1.0, max(0.0, ((at[0] - ax) * dx + (at[1] - ay) * dy) / long)) if long else 0.0
        near = min(near, hypot(at[0] - ax - share * dx, at[1] - ay - share * dy))
    return near if inside else -near


def _mm(at: tuple[int, int, int]) -> Vector:
    return at[0] / _TICKS, at[1] / _TICKS, at[2] / _TICKS


def _tips(assembly: Assembly, solids: dict[Role, _Solid]) -> Iterator[Finding]:
    """A tip that ends in wood keeps its distance from every face; so do both ends of a dowel."""
    for each in assembly.fasteners:
        ends = [(each.tip, each.into)]
        if each.kind.glued:
            ends.append((each.head, each.through[0]))
        for at, role in ends:
            solid = solids.get(role) if isinstance(role, Role) else None
            if solid is None:
                continue
            deep = solid.depth(_mm(at))
            if deep < solid.margin:
                yield Finding(Fault.TIP, (solid.part.role, *each.through), deep, solid.margin, each)


def _strays(assembly: Assembly, solids: dict[Role, _Solid]) -> Iterator[Finding]:
    """A fastener passes what it names, and nothing else."""
    every = list(solids.values())
    for each in assembly.fasteners:
        head, tip = _mm(each.head), _mm(each.tip)
        low, high = (
            [min(a, b) for a, b in zip(head, tip, strict=True)],
            [max(a, b) for a, b in zip(head, tip, strict=True)],
        )
        way = [tip[i] - head[i] for i in (0, 1, 2)]
        for solid in every:
            a, b = solid.low, solid.high
            role = solid.part.role
            named = role in each.through
            if not named and (
                role == each.into or b[0] <= low[0] or a[0] >= high[0] + _TOUCH or b[1] <= low[1]
                or a[1] >= high[1] + _TOUCH or b[2] <= low[2] or a[2] >= high[2] + _TOUCH
            ):  # fmt: skip
                continue
            passed = any(
                solid.depth((head[0] + way[0] * s, head[1] + way[1] * s, head[2] + way[2] * s)) > _TOUCH for s in _ALONG
            )
            if passed != named:
                yield Finding(Fault.STRAY, (role, *each.through), fastener=each)


def _heads(assembly: Assembly, solids: dict[Role, _Solid]) -> Iterator[Finding]:
    """A head in a dado or groove of the part it holds is not under what sits in there: nobody could drive it."""
    for each in assembly.fasteners:
        own = solids.get(each.through[0]) if each.kind in _DRIVEN and each.through else None
        if own is None:
            continue
        head, tip = _mm(each.head), _mm(each.tip)
        long = sum((tip[i] - head[i]) ** 2 for i in (0, 1, 2)) ** 0.5
        out = (*(head[i] - (tip[i] - head[i]) / long for i in (0, 1, 2)),)
        if _within(out, own.low, own.high) <= 0:
            continue
        for role, solid in solids.items():
            if role != own.part.role and solid.depth(out) > _TOUCH:
                yield Finding(Fault.HEAD, (role, own.part.role), fastener=each)


_DRIVEN = (FastenerKind.SCREW, FastenerKind.CONNECTOR)
#: Where along a fastener it is asked what it is in.
_ALONG = tuple(0.02 + 0.96 * i / 24 for i in range(25))


@dataclass(frozen=True, slots=True)
class _Rod:
    one: Vector
    two: Vector
    radius: float
    fastener: Fastener | None
    use: Use | None
    set: int


def _meetings(assembly: Assembly, solids: dict[Role, _Solid]) -> Iterator[Finding]:
    """No two things in one part meet, unless one is the hole of the other."""
    rods: dict[Role, list[_Rod]] = {}
    for each in assembly.fasteners:
        rod = _Rod(_mm(each.head), _mm(each.tip), each.diameter.mm / 2, each, None, 0)
        for role in {*each.through, each.into}:
            if isinstance(role, Role):
                rods.setdefault(role, []).append(rod)
    number = 0
    for part in assembly.parts:
        if part.straight is not None:
            continue
        for holes in part.holes:
            number += 1
            for i in range(len(holes.centres)):
                one, two = _bored(part, holes, i)
                rods.setdefault(part.role, []).append(_Rod(one, two, holes.diameter.mm / 2, None, holes.use, number))
    for role, kept in rods.items():
        if len(kept) > 1 and role in solids:
            yield from _meet(role, kept)


def _bored(part: Placed, holes: Holes, at: int) -> tuple[Vector, Vector]:
    """Return where a hole begins and ends."""
    axis, side = holes.face.value
    start = [c / _TICKS for c in holes.centres[at]]
    start[axis] = (part.box.high[axis] if side > 0 else part.box.low[axis]) / _TICKS
    way, deep = [0.0, 0.0, 0.0], holes.depth.mm
    way[axis] = -float(side)
    if holes.toward is not None:
        square, leaning = (cos(_LEAN), sin(_LEAN)) if holes.steep else (sin(_LEAN), cos(_LEAN))
        way[axis] *= square
        way[holes.toward.axis] = holes.toward.value[1] * leaning
    end = [start[a] + way[a] * deep for a in range(3)]
    return (start[0], start[1], start[2]), (end[0], end[1], end[2])


def _meet(role: Role, kept: Sequence[_Rod]) -> Iterator[Finding]:
    one = np.array([rod.one for rod in kept])
    two = np.array([rod.two for rod in kept])
    radius = np.array([rod.radius for rod in kept])
    low, high = np.minimum(one, two) - radius[:, None] - _WEB, np.maximum(one, two) + radius[:, None] + _WEB
    over = np.all((low[:, None, :] < high[None, :, :]) & (low[None, :, :] < high[:, None, :]), axis=2)
    for a, b in zip(*np.nonzero(np.triu(over, 1)), strict=True):
        first, second = kept[a], kept[b]
        if first.fastener is None and second.fastener is None and first.set == second.set:
            continue
        if _same_axis(first, second):
            continue
        gap = _between(one[a], two[a], one[b], two[b]) - first.radius - second.radius
        if gap < _WEB:
            yield Finding(Fault.MEET, (role,), float(gap), _WEB, first.fastener or second.fastener,
                          use=first.use or second.use)  # fmt: skip


def _same_axis(first: _Rod, second: _Rod) -> bool:
    """Whether one is the hole of the other: both lie on one line and overlap."""
    if first.fastener is not None and second.fastener is not None:
        return False
    a, b = np.array(first.one), np.array(first.two)
    way = b - a
    long = float(np.sqrt((way * way).sum()))
    if not long:
        return False
    way = way / long
    places = []
    for point in (second.one, second.two):
        off = np.array(point) - a
        along = float(off @ way)
        if float(np.sqrt(((off - along * way) ** 2).sum())) > 0.7:
            return False
        places.append(along)
    if first.fastener is None and second.fastener is None:
        # Two holes on one line are one, as a screw's and its sinking are, only where they are bored from one face.
        return first.use is not second.use and abs(places[0]) < 0.7
    return min(places) < long + 0.7 and max(places) > -0.7


def _between(p1: np.ndarray, q1: np.ndarray, p2: np.ndarray, q2: np.ndarray) -> float:
    """Return the least distance of two straight pieces: of their inside, or from an end of one to the other."""
    d1, d2 = q1 - p1, q2 - p2
    cross = np.cross(d1, d2)
    norm = float(cross @ cross)
    if norm > 1e-9:
        off = p2 - p1
        s = float(np.linalg.det(np.array([off, d2, cross]))) / norm
        t = float(np.linalg.det(np.array([off, d1, cross]))) / norm
        if 0 <= s <= 1 and 0 <= t <= 1:
            return float(abs(float(off @ cross)) / norm**0.5)
    return min(_off(p1, p2, q2), _off(q1, p2, q2), _off(p2, p1, q1), _off(q2, p1, q1))


def _off(point: np.ndarray, start: np.ndarray, end: np.ndarray) -> float:
    way = end - start
    long = float(way @ way)
    share = min(1.0, max(0.0, float((point - start) @ way) / long)) if long else 0.0
    rest = point - start - share * way
    return float(np.sqrt(float(rest @ rest)))


def _holes(assembly: Assembly) -> Iterator[Finding]:
    """Every hole has its wood left: beside it, and under it unless it goes through; cups a little more."""
    for part in assembly.parts:
        told = part.told
        low, high = np.array(told.box.low) / _TICKS, np.array(told.box.high) / _TICKS
        for holes in told.holes:
            axis = holes.face.axis
            deep = holes.depth.mm * (1.0 if holes.toward is None else cos(_LEAN) if holes.steep else sin(_LEAN))
            left = float(high[axis] - low[axis]) - deep
            need = _CUP if holes.use is Use.CUP else _WEB
            if left < need and not (left < 0.02 and holes.use in _THROUGH):
                fault = Fault.CUP if holes.use is Use.CUP else Fault.HOLE
                yield Finding(fault, (part.role,), left, need, use=holes.use)


#: Holes that may go right through.
_THROUGH = frozenset({Use.THROUGH, Use.PULL, Use.CLEARANCE, Use.CONNECTOR})
#: A head this near to a piece of hardware holds it.
_NEARBY = 2.5
_NEEDS_TWO = {
    FittingKind.SLIDE_CASE: FastenerKind.SLIDE_SCREW,
    FittingKind.HINGE_PLATE: FastenerKind.PLATE_SCREW,
}


def _hung(assembly: Assembly) -> Iterator[Finding]:
    """Every slide and plate lies on wood and is screwed to it twice."""
    for fitting in assembly.fittings:
        kind = _NEEDS_TWO.get(fitting.kind)
        if kind is None:
            continue
        if not fitting.holds:
            yield Finding(Fault.AIR, (), 0, 2, fitting=fitting)
            continue
        low, high = _mm(fitting.box.low), _mm(fitting.box.high)
        count = 0
        for each in assembly.fasteners:
            if each.kind in (kind, FastenerKind.HINGE_SCREW) and fitting.holds[0] in (*each.through, each.into):
                count += _within(_mm(each.head), low, high) >= -_NEARBY
        if count < 2:
            yield Finding(Fault.AIR, fitting.holds, count, 2, fitting=fitting)


def _shelves(assembly: Assembly) -> Iterator[Finding]:
    """Every adjustable shelf lies on its pins, in holes that are there."""
    pins = [each for each in assembly.fittings if each.kind is FittingKind.PIN]
    bored: set[tuple[Role, int, int, int]] = set()
    for part in assembly.parts:
        for holes in part.holes:
            if holes.use is Use.PIN:
                for x, y, z in holes.centres:
                    point = [x, y, z]
                    point[holes.face.axis] = 0
                    bored.add((part.role, point[0], point[1], point[2]))
    for part in assembly.parts:
        if part.role.kind is not PartKind.SHELF:
            continue
        count = 0
        for pin in pins:
            if part.role not in pin.holds or pin.box.high[2] != part.box.low[2]:
                continue
            middle = [(a + b) // 2 for a, b in zip(pin.box.low, pin.box.high, strict=True)]
            under = (
                all(part.box.low[a] < pin.box.high[a] and pin.box.low[a] < part.box.high[a] for a in (0, 1))
                and part.box.low[1] <= middle[1] <= part.box.high[1]
            )
            holes_there = any(
                (pin.holds[0], *place) in bored
                for place in ((0, middle[1], middle[2]), (middle[0], 0, middle[2]))
            )  # fmt: skip
            count += under and holes_there
        need = _PINS_ROUND if part.footprint else _PINS
        if count < need:
            yield Finding(Fault.PINS, (part.role,), count, need)


#: Hardware that takes up room before wood.
_BODIES = frozenset({
    FittingKind.SLIDE_CASE, FittingKind.SLIDE_BOX, FittingKind.HINGE_ARM, FittingKind.HINGE_PLATE, FittingKind.ROD,
    FittingKind.SOCKET, FittingKind.FOOT, FittingKind.CASTER, FittingKind.PULL, FittingKind.KNOB,
})  # fmt: skip
#: Where in what two boxes share it is asked whether there is wood.
_INSIDE = ((0.5, 0.5, 0.5), (0.1, 0.1, 0.1), (0.9, 0.9, 0.9), (0.1, 0.9, 0.5), (0.9, 0.1, 0.5))
_OF_HINGES = frozenset({FittingKind.HINGE_ARM, FittingKind.HINGE_PLATE})


def _clashes(assembly: Assembly, solids: dict[Role, _Solid]) -> Iterator[Finding]:
    """No hardware stands where wood is: no shelf in a hinge, no rail in a slide."""
    if assembly.slant is not None:
        return
    every = list(solids.values())
    for fitting in assembly.fittings:
        if fitting.kind not in _BODIES:
            continue
        low = [at + _TOUCH for at in _mm(fitting.box.low)]
        high = [at - _TOUCH for at in _mm(fitting.box.high)]
        for solid in every:
            c, d = solid.low, solid.high
            if (
                d[0] <= low[0]
                or c[0] >= high[0]
                or d[1] <= low[1]
                or c[1] >= high[1]
                or d[2] <= low[2]
                or c[2] >= high[2]
            ):
                continue
            if solid.part.role in fitting.holds:
                continue
            a, b = [max(low[i], c[i]) for i in (0, 1, 2)], [min(high[i], d[i]) for i in (0, 1, 2)]
            if any(
                solid.depth((a[0] + (b[0] - a[0]) * s[0], a[1] + (b[1] - a[1]) * s[1], a[2] + (b[2] - a[2]) * s[2])) > 0
                for s in _INSIDE
            ):
                fault = Fault.HINGE if fitting.kind in _OF_HINGES else Fault.CLASH
                yield Finding(fault, (solid.part.role, *fitting.holds), fitting=fitting)


#: What is glued on or laid in, and needs nothing driven.
_LAID = frozenset({
    PartKind.EDGING, PartKind.APPLIED_STILE, PartKind.APPLIED_RAIL, PartKind.SPLASH, PartKind.SHELF, PartKind.DIVIDER,
    PartKind.BOX_ALONG, PartKind.BOX_ACROSS, PartKind.FALSE_BOTTOM, PartKind.PANEL,
})  # fmt: skip


def _loose(assembly: Assembly) -> Iterator[Finding]:
    """Everything is held: by a fastener, by hardware, or by what it is let into."""
    held: set[Role | str] = set()
    for each in assembly.fasteners:
        held.update(each.through)
        if isinstance(each.into, Role):
            held.add(each.into)
    for fitting in assembly.fittings:
        held.update(fitting.holds)
    parts = [part for part in assembly.parts if part.role not in held and part.role.kind not in _LAID]
    for part in parts:
        # A tongue, tenon or whole edge of it in a channel of another part, or one of its own channels over another.
        let_in = any(
            cut.box.meets(part.box) for other in assembly.parts if other is not part for cut in other.cuts
            if cut.kind.holds_a_part
        ) or any(
            cut.box.meets(other.box) for cut in part.cuts if cut.kind.holds_a_part for other in assembly.parts
            if other is not part
        )  # fmt: skip
        if not let_in:
            yield Finding(Fault.LOOSE, (part.role,))
