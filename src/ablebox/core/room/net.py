# SPDX-License-Identifier: GPL-3.0-or-later
"""Heights of a floor that were read anywhere, joined to triangles (Delaunay, by SciPy)."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from scipy.spatial import Delaunay, QhullError

from ..lengths import Length
from .wall import Level


class Net:
    """Readings joined to triangles.

    Args:
        levels: the readings.

    Raises:
        QhullError: if they lie in one line.
    """

    def __init__(self, levels: Sequence[Level]) -> None:
        self.levels = levels
        self._joined = Delaunay(np.array([[each.at.ticks, each.out.ticks] for each in levels], float))

    def height(self, along: Length, out: Length) -> Length | None:
        """Return how high the floor is at a place; ``None`` outside of all triangles."""
        point = np.array([along.ticks, out.ticks], float)
        found = int(self._joined.find_simplex(point[None])[0])
        if found < 0:
            return None
        corners, shift = self._joined.simplices[found], self._joined.transform[found]
        first = shift[:2] @ (point - shift[2])
        weights = np.append(first, 1 - first.sum())
        heights = np.array([self.levels[i].high.ticks for i in corners], float)
        return Length(int(np.floor(weights @ heights + 0.5)))


def net_of(levels: Sequence[Level]) -> Net | None:
    """Return readings joined to triangles; ``None`` if they lie in one line."""
    try:
        return Net(levels)
    except (QhullError, ValueError):
        return None
