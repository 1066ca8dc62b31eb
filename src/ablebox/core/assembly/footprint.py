# SPDX-License-Identifier: GPL-3.0-or-later
"""Forms seen from above that are no rectangles along the axes: what stands across a corner, in whole ticks."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from math import isqrt

from ..lengths import Length

#: A corner of a form, in ticks: x and y.
Corner = tuple[int, int]
Ring = tuple[Corner, ...]


def bounds(ring: Sequence[Corner]) -> tuple[int, int, int, int]:
    """Return the least and the greatest x, and the least and the greatest y."""
    xs, ys = [x for x, _ in ring], [y for _, y in ring]
    return min(xs), max(xs), min(ys), max(ys)


def rectangle(x0: int, x1: int, y0: int, y1: int) -> Ring:
    """Return a rectangle as a form."""
    return (x0, y0), (x1, y0), (x1, y1), (x0, y1)


def apart(one: Sequence[Corner], other: Sequence[Corner]) -> bool:
    """Whether two convex forms have no area in common; they may touch.

    Two convex forms are apart where a line along an edge of one of them parts them (separating axis theorem).
    """
    return any(_parts(edge, one, other) for ring in (one, other) for edge in _edges(ring))


def _edges(ring: Sequence[Corner]) -> Iterator[Corner]:
    for (ax, ay), (bx, by) in zip(ring, [*ring[1:], ring[0]], strict=True):
        yield by - ay, ax - bx


def _parts(normal: Corner, one: Sequence[Corner], other: Sequence[Corner]) -> bool:
    n, m = normal
    first, second = [n * x + m * y for x, y in one], [n * x + m * y for x, y in other]
    return max(first) <= min(second) or max(second) <= min(first)


def span_at(ring: Sequence[Corner], axis: int, at: int) -> tuple[int, int] | None:
    """Return from where to where a line across a convex form runs inside it.

    Args:
        ring: the form.
        axis: along which the line's place is told: 0 for a line of equal x.
        at: its place.
    """
    met = []
    for one, two in zip(ring, [*ring[1:], ring[0]], strict=True):
        low, high = sorted((one, two), key=lambda corner: corner[axis])
        if low[axis] <= at <= high[axis]:
            run = high[axis] - low[axis]
            other = 1 - axis
            if run == 0:
                met += [low[other], high[other]]
            else:
                met.append(low[other] + (high[other] - low[other]) * (at - low[axis]) // run)
    return (min(met), max(met)) if met and max(met) > min(met) else None


@dataclass(frozen=True, slots=True)
class Slant:
    """A straight line across a corner, from ``(0, a)`` at the left to ``(b, 0)`` at the front; the case lies behind it.

    Args:
        a: how far back it begins at the left, in ticks.
        b: how far to the right it ends at the front.
    """

    a: int
    b: int

    @property
    def length(self) -> int:
        """How long it is, to the tick below (Pythagoras)."""
        return isqrt(self.a**2 + self.b**2)

    def _value(self, offset: int) -> int:
        # A line behind it by an offset: a x + b y = a b + offset x length; rounded so that what lies behind it does.
        return self.a * self.b + offset * (self.length + 1 if offset > 0 else self.length)

    def y_at(self, x: int, offset: int = 0) -> int:
        """Return where a line behind it by ``offset`` is at an x, to the tick behind."""
        return -(-(self._value(offset) - self.a * x) // self.b)

    def x_at(self, y: int, offset: int = 0) -> int:
        """Return where a line behind it by ``offset`` is at a y, to the tick behind."""
        return -(-(self._value(offset) - self.b * y) // self.a)

    def point(self, along: int, behind: int) -> Corner:
        """Return a place along it and behind it (before it if below 0), to the tick before."""
        n = self.length
        return (along * self.b + behind * self.a) // n, (self.a * n - along * self.a + behind * self.b) // n

    def seen(self, corner: Corner) -> Corner:
        """Return how far along it and behind it a place is."""
        x, y, n = corner[0], corner[1] - self.a, self.length
        return (x * self.b - y * self.a) // n, (x * self.a + y * self.b) // n

    def behind(self, x0: int, x1: int, y0: int, y1: int, offset: int = 0) -> Ring:
        """Return what of a rectangle lies behind it: five corners, where it cuts the left and the front edge."""
        return (x0, self.y_at(x0, offset)), (self.x_at(y0, offset), y0), (x1, y0), (x1, y1), (x0, y1)


def turned_box(slant: Slant, x: tuple[Length, Length], y: tuple[Length, Length]) -> Ring:
    """Return a rectangle told along a slant and behind it, in its place."""
    corners = ((x[0], y[0]), (x[1], y[0]), (x[1], y[1]), (x[0], y[1]))
    return tuple(slant.point(u.ticks, v.ticks) for u, v in corners)
