# SPDX-License-Identifier: GPL-3.0-or-later
"""Do two things in one part meet: fasteners, holes, channels; a millimetre of wood is left between them (common practice)."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from math import cos, hypot, sin

import numpy as np

from ..fastener import Fastener
from ..part import Assembly, Holes, Placed
from ..role import Role
from ..uses import Use
from .finding import Fault, Finding
from .wood import LEAN, TICKS, Solid, Vector, mm

_WEB = 0.95


@dataclass(frozen=True, slots=True)
class _Rod:
    one: Vector
    two: Vector
    radius: float
    fastener: Fastener | None
    use: Use | None
    set: int


def meetings(assembly: Assembly, solids: dict[Role, Solid]) -> Iterator[Finding]:
    """No two things in one part meet, unless one is the hole of the other."""
    rods: dict[Role, list[_Rod]] = {}
    for each in assembly.fasteners:
        rod = _Rod(mm(each.head), mm(each.tip), each.diameter.mm / 2, each, None, 0)
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
    start = [c / TICKS for c in holes.centres[at]]
    start[axis] = (part.box.high[axis] if side > 0 else part.box.low[axis]) / TICKS
    way, deep = [0.0, 0.0, 0.0], holes.depth.mm
    way[axis] = -float(side)
    if holes.toward is not None:
        square, leaning = (cos(LEAN), sin(LEAN)) if holes.steep else (sin(LEAN), cos(LEAN))
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
        facing = _facing(one[a], two[a], one[b], two[b], first.radius + second.radius)
        gap = _between(one[a], two[a], one[b], two[b]) - first.radius - second.radius if facing is None else facing
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


def _facing(p1: np.ndarray, q1: np.ndarray, p2: np.ndarray, q2: np.ndarray, radii: float) -> float | None:
    """Return the wood between two along one way that end before each other, as holes from both faces; ``None`` for any other.

    Their ends are flat: what is between them is wood along the way, however near they are across it.
    """
    way = q1 - p1
    long = float(np.sqrt(float(way @ way)))
    other = q2 - p2
    if not long or float(np.abs(np.cross(way, other)).max()) > 1e-6:
        return None
    way = way / long
    start, end = sorted((float((p2 - p1) @ way), float((q2 - p1) @ way)))
    apart = max(start - long, -end)
    if apart <= 0:
        return None
    off = p2 - p1
    beside = max(0.0, float(np.sqrt(float(((off - (off @ way) * way) ** 2).sum()))) - radii)
    return float(hypot(apart, beside))


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
