# SPDX-License-Identifier: GPL-3.0-or-later
"""The floor before a wall, wherever it was read: along it, and out from it.

Heights read at the wall only, or in rows (at the wall, at the front of the cases), go straight from reading to reading along each
row, and straight from row to row; beyond the last they stay as they are. Heights read anywhere are joined to triangles
(Delaunay, by SciPy); outside of them the nearest reading counts.
"""

from __future__ import annotations

from collections.abc import Sequence

from ...late import Late
from ..lengths import ZERO, Length
from .wall import Level, between, height_at


class Ground:
    """The floor before a wall.

    Args:
        levels: the heights that were told, over the level line.
    """

    def __init__(self, levels: Sequence[Level]) -> None:
        self.levels = tuple(levels)
        rows: dict[Length, list[Level]] = {}
        for level in levels:
            rows.setdefault(level.out, []).append(level)
        self._rows = sorted(rows.items())
        # A row of one reading among others says nothing of what is beside it.
        self._in_rows = len(self._rows) < 2 or all(len(row) > 1 for _, row in self._rows)
        self._net = None if self._in_rows else Late.NET.module.net_of(self.levels)

    @property
    def known(self) -> bool:
        """Whether anybody has read it."""
        return bool(self.levels)

    def at(self, along: Length, out: Length) -> Length:
        """Return how high the floor is over the level line at a place; 0 where nobody has read it."""
        if not self.levels:
            return ZERO
        if self._in_rows:
            return self._of_rows(along, out)
        return self._of_net(along, out)

    def _of_rows(self, along: Length, out: Length) -> Length:
        return between([(at, height_at(row, along) or ZERO) for at, row in self._rows], out)

    def _of_net(self, along: Length, out: Length) -> Length:
        inside = self._net.height(along, out) if self._net is not None else None
        if inside is not None:
            return inside  # type: ignore[no-any-return]
        nearest = min(
            self.levels, key=lambda each: (each.at - along).ticks ** 2 + (each.out - out).ticks ** 2
        )  # fmt: skip
        return nearest.high

    def corners(self, low: Length, high: Length, near: Length, far: Length) -> list[tuple[Length, Length]]:
        """Return the places where the highest point of a stretch of floor can be: its corners, readings in it, and where they meet its edge."""
        along = {low, high, *(each.at for each in self.levels if low < each.at < high)}
        out = {near, far, *(each.out for each in self.levels if near < each.out < far)}
        return [(a, o) for a in sorted(along) for o in sorted(out)]
