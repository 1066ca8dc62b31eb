# SPDX-License-Identifier: GPL-3.0-or-later
"""What stands in whose way: for each of six directions, which body hits which, and what is between a tool and its work.

The table of who hits whom is the directional blocking graph of Wilson and Latombe, "Geometric reasoning about mechanical
assembly" (1994), cited from memory. Bodies that have space in common where they stand, such as glued ones, do not count
as hitting each other.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from ..assembly.solid import Box

Ints = NDArray[np.int64]
Mask = NDArray[np.bool_]

#: The six directions: axis and sign.
WAYS: tuple[tuple[int, int], ...] = ((0, -1), (0, 1), (1, -1), (1, 1), (2, -1), (2, 1))
#: A tool may graze what is beside it by this, in ticks: a hundredth of a millimetre.
_GRAZE = 160


class Space:
    """Bodies in space.

    Args:
        bodies: the boxes of each body.
    """

    def __init__(self, bodies: Sequence[Sequence[Box]]) -> None:
        self.count = len(bodies)
        boxes = [box for body in bodies for box in body]
        self.low: Ints = np.array([box.low for box in boxes], np.int64).reshape(-1, 3)
        self.high: Ints = np.array([box.high for box in boxes], np.int64).reshape(-1, 3)
        #: The same axis by axis, for what is compared with many tools.
        self._lows, self._highs = self.low.T.astype(np.float64), self.high.T.astype(np.float64)
        self.owner: Ints = np.repeat(np.arange(self.count), [len(body) for body in bodies])
        self._starts = np.cumsum([0, *(len(body) for body in bodies)])[:-1]
        #: For each direction, whether a body that moves that way hits another.
        self.hits: dict[tuple[int, int], Mask] = {}
        over = [
            (self.low[:, None, a] < self.high[None, :, a]) & (self.low[None, :, a] < self.high[:, None, a])
            for a in range(3)
        ]
        for axis in range(3):
            one, two = (a for a in range(3) if a != axis)
            beside = over[one] & over[two]
            beyond = self.low[None, :, axis] >= self.high[:, None, axis]
            plus = self._of_bodies(beside & beyond)
            self.hits[axis, 1], self.hits[axis, -1] = plus, plus.T

    def _of_bodies(self, cells: Mask) -> Mask:
        """Return what holds between bodies of what holds between their boxes."""
        if not self.count:
            return np.zeros((0, 0), np.bool_)
        found = np.logical_or.reduceat(np.logical_or.reduceat(cells, self._starts, 0), self._starts, 1)
        np.fill_diagonal(found, False)
        return found

    def tied(self, one: int, other: int, axis: int) -> None:
        """Let two bodies part along one axis only, as dowels between them have it."""
        for a, sign in WAYS:
            if a != axis:
                self.hits[a, sign][one, other] = self.hits[a, sign][other, one] = True

    def free(self, group: Sequence[int], there: Mask, way: tuple[int, int]) -> bool:
        """Whether a group can move away straight, whatever else of ``there`` stands."""
        others = there.copy()
        others[list(group)] = False
        return not (self.hits[way][list(group)] & others).any()

    def blockers(self, group: Sequence[int], there: Mask, way: tuple[int, int]) -> list[int]:
        """Return what a group would hit."""
        others = there.copy()
        others[list(group)] = False
        return [int(i) for i in np.flatnonzero((self.hits[way][list(group)] & others).any(0))]

    def boxes(self, bodies: Mask) -> tuple[Ints, Ints]:
        """Return the boxes of some bodies: their low and their high corners."""
        mine = bodies[self.owner]
        return self.low[mine], self.high[mine]

    def between(self, start: NDArray[np.float64], end: NDArray[np.float64], half: NDArray[np.float64]) -> Mask:
        """Return for each tool, a rod from one place to another, whether each body is in its way.

        Args:
            start: where each begins, at its work, in ticks.
            end: where each ends.
            half: half its width.
        """
        if not len(start) or not self.count:
            return np.zeros((len(start), self.count), np.bool_)
        way = end - start
        # The rod begins half its width out, so that the face it stands on is not in its way.
        long = np.linalg.norm(way, axis=1)
        unit = way / np.maximum(long, 1.0)[:, None]
        begin = start + unit * (half + _GRAZE)[:, None]
        run = end - begin
        wide = (half - _GRAZE)[:, None]
        # Nearly every tool stands straight out, and takes up a box. Most boxes are told apart by the first axis.
        low, high = np.minimum(begin, end) - wide, np.maximum(begin, end) + wide
        first = (self._lows[0] < high[:, :1]) & (self._highs[0] > low[:, :1])
        tool, box = np.nonzero(first)
        for axis in (1, 2):
            met = (self._lows[axis][box] < high[tool, axis]) & (self._highs[axis][box] > low[tool, axis])
            tool, box = tool[met], box[met]
        # Of one that stands aslant the box is only around it.
        slants = (np.abs(run) > 1.0).sum(1) > 1
        if slants.any():
            met = ~slants[tool] | self._pierced(begin[tool], run[tool], wide[tool], box)
            tool, box = tool[met], box[met]
        found = np.zeros((len(start), self.count), np.bool_)
        found[tool, self.owner[box]] = True
        return found

    def _pierced(
        self, begin: NDArray[np.float64], run: NDArray[np.float64], wide: NDArray[np.float64], box: Ints
    ) -> Mask:
        """Return of pairs of a rod and a box whether they meet."""
        far = np.where(np.abs(run) < 1e-9, 1e-9, run)
        ahead = np.stack([(self.low[box] - wide - begin) / far, (self.high[box] + wide - begin) / far])
        return np.asarray(np.maximum(ahead.min(0).max(1), 0.0) < np.minimum(ahead.max(0).min(1), 1.0))

    def of_each(self, cells: Mask) -> Mask:
        """Return what holds of each body, row by row, of what holds of its boxes."""
        return np.asarray(np.logical_or.reduceat(cells, self._starts, 1))
