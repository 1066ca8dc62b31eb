# SPDX-License-Identifier: GPL-3.0-or-later
"""The wood of a part, in millimetres: how far inside it a point is.

Limits (common practice): a tip keeps 1/8 in (3 mm) from every face in stock over 5/8 in (16 mm), 1/16 in (1.5 mm) in thinner.
"""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from math import hypot, radians

from ..part import Placed

Vector = tuple[float, float, float]
TICKS = 16_000.0
_THICK, _FAR, _NEAR = 15.875, 2.99, 1.49
#: Boxes that only touch share less than this.
TOUCH = 0.15
#: Where in a piece of a slanting form it is asked whether there is wood; of a plain box its middle tells for all of it.
_WITHIN = ((0.5, 0.5, 0.5), (0.1, 0.1, 0.1), (0.9, 0.9, 0.9), (0.1, 0.9, 0.5), (0.9, 0.1, 0.5))
#: What pocket holes lean by.
LEAN = radians(15)


class Solid:
    """The wood of a part: its box less its cuts, within its form; in mm."""

    __slots__ = ("cuts", "high", "low", "part", "plane", "ring", "thick")

    def __init__(self, part: Placed) -> None:
        self.part = part
        self.low, self.high = mm(part.box.low), mm(part.box.high)
        self.thick = part.thickness.length.mm
        self.ring, self.plane = _ring(part)
        self.cuts = [
            (mm(cut.box.low), mm(cut.box.high)) for cut in part.cuts if not (cut.kind.slants and self.ring is not None)
        ]

    @property
    def margin(self) -> float:
        """How far a tip keeps from its faces."""
        return _FAR if self.thick > _THICK else _NEAR

    def fills(self, low: Vector, high: Vector) -> bool:
        """Whether there is any wood between two corners: looked at piece by piece, between the faces of what is cut out there."""
        a = [max(low[i], self.low[i]) for i in (0, 1, 2)]
        b = [min(high[i], self.high[i]) for i in (0, 1, 2)]
        if any(b[i] - a[i] <= 0 for i in (0, 1, 2)):
            return False
        near = [cut for cut in self.cuts if all(cut[0][i] < b[i] and a[i] < cut[1][i] for i in (0, 1, 2))]
        faces = [sorted({a[i], b[i], *(at[i] for cut in near for at in cut if a[i] < at[i] < b[i])}) for i in (0, 1, 2)]
        shares = _WITHIN if self.ring is not None else _WITHIN[:1]
        return any(
            self.depth((x0 + (x1 - x0) * s, y0 + (y1 - y0) * t, z0 + (z1 - z0) * u)) > 0
            for x0, x1 in pairwise(faces[0]) for y0, y1 in pairwise(faces[1]) for z0, z1 in pairwise(faces[2]) for s, t, u in shares
        )  # fmt: skip

    def depth(self, at: Vector) -> float:
        """Return how far inside the wood a point is; below 0 outside."""
        best = within(at, self.low, self.high)
        if self.ring is not None:
            a, b = self.plane
            best = min(best, _inside_ring((at[a], at[b]), self.ring))
        for low, high in self.cuts:
            if best <= -1:
                break
            inside = within(at, low, high)
            if inside > 0:
                best = min(best, -inside)
                continue
            gap = sum(max(low[i] - at[i], at[i] - high[i], 0.0) ** 2 for i in (0, 1, 2))
            if gap < best * best or best < 0:
                best = min(best, gap**0.5)
        return best


def within(at: Vector, low: Vector, high: Vector) -> float:
    """Return how far inside a box a point is; below 0 outside."""
    return min(at[0] - low[0], high[0] - at[0], at[1] - low[1], high[1] - at[1], at[2] - low[2], high[2] - at[2])


def _ring(part: Placed) -> tuple[list[tuple[float, float]] | None, tuple[int, int]]:
    """Return the corners of a part's form and the two axes it lies in; ``None`` for a plain box."""
    if part.tilt is not None:
        y, z = part.box.low[1] / TICKS, part.box.low[2] / TICKS
        slant = hypot(part.tilt.run.mm, part.tilt.rise.mm)
        c, s = part.tilt.run.mm / slant, part.tilt.rise.mm / slant
        w, t = part.width.length.mm, part.thickness.length.mm
        under = (y + t * s, z)
        return [under, (under[0] + w * c, under[1] + w * s), (under[0] + w * c - t * s, under[1] + w * s + t * c),
                (y, z + t * c)], (1, 2)  # fmt: skip
    if part.footprint:
        return [(a / TICKS, b / TICKS) for a, b in part.footprint], (0, 1)
    if part.outline:
        along, across = part.axes[0], part.axes[1]
        low = part.box.low
        return [(low[along] / TICKS + a.mm, low[across] / TICKS + b.mm) for a, b in part.outline], (along, across)
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


def mm(at: tuple[int, int, int]) -> Vector:
    """Return a place in millimetres."""
    return at[0] / TICKS, at[1] / TICKS, at[2] / TICKS
