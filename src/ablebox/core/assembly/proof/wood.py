# SPDX-License-Identifier: GPL-3.0-or-later
"""The wood of a part, in millimetres: how far inside it a point is.

Limits (common practice): a tip keeps 1/8 in (3 mm) from every face in stock over 5/8 in (16 mm), 1/16 in (1.5 mm) in thinner.
"""

from __future__ import annotations

from collections.abc import Sequence
from math import hypot, radians

from ..part import Placed

Vector = tuple[float, float, float]
TICKS = 16_000.0
_THICK, _FAR, _NEAR = 15.875, 2.99, 1.49
#: Boxes that only touch share less than this.
TOUCH = 0.15
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
