# SPDX-License-Identifier: GPL-3.0-or-later
"""What is in the wood of each part already: fasteners and holes, as rods from one point to another."""

from __future__ import annotations

from ..assembly.fastener import Fastener, Point
from ..assembly.part import Holes, Placed
from ..assembly.role import Role
from ..lengths import millimetres
from .pocket import mouth_of

#: Wood left between two things in one part (common practice).
WEB = millimetres(2).ticks


class Rod:
    """Something round in the wood.

    Args:
        one: where its axis begins, in ticks.
        two: where it ends.
        radius: of it, in ticks.
    """

    __slots__ = ("high", "low", "one", "radius", "two")

    def __init__(self, one: Point, two: Point, radius: int) -> None:
        self.one, self.two, self.radius = one, two, radius
        # The box around it, with half of the wood that is left between two: most pairs are told apart by that.
        reach = radius + WEB // 2
        (a, b, c), (d, e, f) = one, two
        self.low = (a if a < d else d) - reach, (b if b < e else e) - reach, (c if c < f else f) - reach
        self.high = (a if a > d else d) + reach, (b if b > e else e) + reach, (c if c > f else f) + reach

    def near(self, other: Rod) -> bool:
        """Whether too little is left between this and another one."""
        a, b, c, d = self.low, self.high, other.low, other.high
        if (
            a[0] >= d[0] or c[0] >= b[0] or a[1] >= d[1] or c[1] >= b[1] or a[2] >= d[2] or c[2] >= b[2]
        ):  # fmt: skip
            return False
        reach = self.radius + other.radius + WEB
        return squared_apart(self.one, self.two, other.one, other.two) < reach * reach


def squared_apart(p1: Point, q1: Point, p2: Point, q2: Point) -> float:
    """Return the square of the least distance of two straight pieces, in square ticks.

    The closest points lie where a line square to both meets them, cut off at their ends (Ericson, Real-Time Collision
    Detection, 2005, section 5.1.9; from memory).
    """
    d1 = (q1[0] - p1[0], q1[1] - p1[1], q1[2] - p1[2])
    d2 = (q2[0] - p2[0], q2[1] - p2[1], q2[2] - p2[2])
    r = (p1[0] - p2[0], p1[1] - p2[1], p1[2] - p2[2])
    a, e, f = _dot(d1, d1), _dot(d2, d2), _dot(d2, r)
    if a == 0 and e == 0:
        return float(_dot(r, r))
    if a == 0:
        s, t = 0.0, _cut(f / e)
    else:
        c = _dot(d1, r)
        if e == 0:
            s, t = _cut(-c / a), 0.0
        else:
            b = _dot(d1, d2)
            span = a * e - b * b
            s = _cut((b * f - c * e) / span) if span else 0.0
            t = (b * s + f) / e
            if t < 0:
                s, t = _cut(-c / a), 0.0
            elif t > 1:
                s, t = _cut((b - c) / a), 1.0
    gap = [r[i] + d1[i] * s - d2[i] * t for i in range(3)]
    return gap[0] * gap[0] + gap[1] * gap[1] + gap[2] * gap[2]


def _dot(a: Point, b: Point) -> int:
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2]


def _cut(share: float) -> float:
    return min(1.0, max(0.0, share))


def rods_of(part: Placed, holes: Holes) -> list[Rod]:
    """Return holes of a part as rods."""
    radius, found = holes.diameter.ticks // 2, []
    for i in range(len(holes.centres)):
        at, axis, depth = mouth_of(part, holes, i)
        end = [round(at[a] + axis[a] * depth) for a in range(3)]
        found.append(Rod(at, (end[0], end[1], end[2]), radius))
    return found


class Taken:
    """What is in the wood of each part, while a case is being fitted out."""

    def __init__(self) -> None:
        self.rods: dict[Role, list[Rod]] = {}

    def add(self, fastener: Fastener) -> None:
        """Note a fastener in every part it goes through and ends in."""
        rod = Rod(fastener.head, fastener.tip, fastener.diameter.ticks // 2)
        for role in (*fastener.through, *((fastener.into,) if isinstance(fastener.into, Role) else ())):
            self.rods.setdefault(role, []).append(rod)

    def bore(self, part: Placed, holes: Holes) -> None:
        """Note holes in a part."""
        self.rods.setdefault(part.role, []).extend(rods_of(part, holes))

    def free(self, role: Role, rod: Rod) -> bool:
        """Whether nothing in a part is near a rod."""
        return not any(rod.near(other) for other in self.rods.get(role, ()))
