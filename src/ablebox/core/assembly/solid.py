# SPDX-License-Identifier: GPL-3.0-or-later
"""Boxes in space with exact corners."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from itertools import pairwise, product

from ..lengths import Length

AXES = "xyz"


@dataclass(frozen=True, slots=True)
class Box:
    """A box along the axes, from ``low`` to ``high`` in ticks.

    Args:
        low: the corner nearest left, front, floor.
        high: the corner farthest from it.
    """

    low: tuple[int, int, int]
    high: tuple[int, int, int]

    @classmethod
    def at(cls, corner: tuple[Length, Length, Length], size: tuple[Length, Length, Length]) -> Box:
        """Return the box with this corner and size."""
        low = tuple(c.ticks for c in corner)
        high = tuple(c.ticks + s.ticks for c, s in zip(corner, size, strict=True))
        return cls(low, high)  # type: ignore[arg-type]

    @property
    def size(self) -> tuple[Length, Length, Length]:
        """How far it reaches along x, y and z."""
        return tuple(Length(h - o) for o, h in zip(self.low, self.high, strict=True))  # type: ignore[return-value]

    @property
    def volume(self) -> int:
        """Its volume in cubic ticks; 0 where it is empty."""
        dx, dy, dz = (max(0, h - o) for o, h in zip(self.low, self.high, strict=True))
        return dx * dy * dz

    def meets(self, other: Box) -> bool:
        """Whether both have any space in common."""
        # Spelled out: checks ask it of every two parts of a case.
        (a, b, c), (d, e, f) = self.low, self.high
        (k, m, n), (o, p, q) = other.low, other.high
        return (
            (a if a > k else k) < (d if d < o else o)
            and (b if b > m else m) < (e if e < p else p)
            and (c if c > n else n) < (f if f < q else q)
        )

    def touches(self, other: Box) -> bool:
        """Whether both have any point in common, be it of their faces."""
        return all(self.low[a] <= other.high[a] and other.low[a] <= self.high[a] for a in (0, 1, 2))

    def meet(self, other: Box) -> Box:
        """Return what both have in common; empty where they do not meet."""
        (a, b, c), (d, e, f) = self.low, self.high
        (k, m, n), (o, p, q) = other.low, other.high
        return Box((max(a, k), max(b, m), max(c, n)), (min(d, o), min(e, p), min(f, q)))

    def span(self, axis: int) -> tuple[int, int]:
        """Return where it starts and ends along an axis (0 is x, 1 is y, 2 is z)."""
        return self.low[axis], self.high[axis]


def pieces_left(space: Box, taken: Iterable[Box]) -> list[Box]:
    """Return what of ``space`` no box of ``taken`` covers, as boxes.

    The space is split at every face of every box, which makes the answer exact.
    """
    pieces = [space.meet(box) for box in taken if space.meets(box)]
    if not pieces:
        return [space]
    grid = [
        sorted({space.low[a], space.high[a], *(edge for piece in pieces for edge in piece.span(a))}) for a in range(3)
    ]
    left = []
    for (x0, x1), (y0, y1), (z0, z1) in product(*(list(pairwise(line)) for line in grid)):
        # Written out: this is asked for every pair of parts.
        if not any(
            p.low[0] <= x0
            and x1 <= p.high[0]
            and p.low[1] <= y0
            and y1 <= p.high[1]
            and p.low[2] <= z0
            and z1 <= p.high[2]
            for p in pieces
        ):
            left.append(Box((x0, y0, z0), (x1, y1, z1)))
    return left


def volume_left(space: Box, taken: Iterable[Box]) -> int:
    """Return how much of ``space`` no box of ``taken`` covers, in cubic ticks, exactly."""
    return sum(piece.volume for piece in pieces_left(space, taken))
