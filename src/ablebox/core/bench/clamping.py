# SPDX-License-Identifier: GPL-3.0-or-later
"""Whether a clamp can be set across a joint that nothing but glue and dowels or biscuits draws together.

A clamp presses along the dowels, from both ends of the wood that touches there; the jaw needs its room beyond each end.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from itertools import product

import numpy as np

from ..assembly.fastener import Fastener
from ..reach import Room
from ..ways.space import Mask, Space

#: A jaw may graze what is beside it by this, in ticks: a hundredth of a millimetre.
_NEAR = 160
#: A clamp draws a gap shut that is no wider than this, in ticks: 1/16 in (of our own).
_SHUT = 25_400
#: Where a jaw that covers the line of a dowel may stand, in halves of its width, the likeliest first.
_SHIFTS = sorted(product((0.0, -0.96, 0.96), repeat=2), key=lambda at: abs(at[0]) + abs(at[1]))


class Clamps:
    """The clamps of a case.

    Args:
        space: everything in it.
        solid: which bodies can be in the way.
        fasteners: those of the case.
        room: what a clamp's head asks for.
    """

    def __init__(self, space: Space, solid: Mask, fasteners: Sequence[Fastener], room: Room) -> None:
        self.space, self.solid, self.fasteners = space, solid, fasteners
        self.long, self.half = room.length.ticks, room.width.ticks / 2
        self._lines: dict[int, tuple[int, list[tuple[int, int, int]]]] = {}
        self._jaws: dict[tuple[int, int, int, int], Mask] = {}

    def set(self, numbers: Iterable[int], holds: frozenset[int], there: Mask) -> Mask | None:
        """Return what keeps clamps off a joint while some bodies are there; ``None`` if they can be set.

        Args:
            numbers: the dowels or biscuits of one joint.
            holds: the bodies it joins.
            there: what stands then, the joint's own parts as well.
        """
        rows = sorted(numbers, key=lambda number: self.fasteners[number].head)
        for number in dict.fromkeys((rows[0], rows[-1])):
            met = self._ends(number, holds, there)
            if met is not None:
                return met
        return None

    def _ends(self, number: int, holds: frozenset[int], there: Mask) -> Mask | None:
        """Return what is in the way of a clamp along a dowel, at the worse end; ``None`` if nothing is."""
        axis, line = self._line(number)
        rows = [row for row in line if there[row[2]]]
        # What slopes is told by slices, which a line may miss.
        rows += [self._span(body, axis) for body in holds - {row[2] for row in rows}]
        own = [row for row in rows if row[2] in holds]
        first, last = min(own), max(own, key=lambda row: row[1])
        for row in rows:
            if row[0] <= last[1] + _SHUT and row[1] > last[1]:
                last = row
        for row in sorted(rows, key=lambda row: -row[1]):
            if row[1] >= first[0] - _SHUT and row[0] < first[0]:
                first = row
        here = there & self.solid
        for sign, owner in ((-1, first[2]), (1, last[2])):
            # Nearly always the likeliest place will do: the others are looked at only then.
            fewest: Mask | None = None
            for place in range(len(_SHIFTS)):
                met = self._jaw(number, sign, owner, place) & here
                if not met.any():
                    break
                if fewest is None or met.sum() < fewest.sum():
                    fewest = met
            else:
                return fewest
        return None

    def _line(self, number: int) -> tuple[int, list[tuple[int, int, int]]]:
        """Return the axis of a dowel, and the boxes on its line from one end to the other, with whose they are."""
        if number not in self._lines:
            fastener = self.fasteners[number]
            axis = max(range(3), key=lambda a: abs(fastener.head[a] - fastener.tip[a]))
            at = np.array(fastener.head)
            inside = (self.space.low <= at) & (self.space.high >= at)
            inside[:, axis] = True
            # A groove that the line crosses lets the press through: each body counts from end to end.
            spans: dict[int, tuple[int, int, int]] = {}
            for i in np.flatnonzero(inside.all(1) & self.solid[self.space.owner]):
                owner, low, high = int(self.space.owner[i]), int(self.space.low[i, axis]), int(self.space.high[i, axis])
                before = spans.get(owner, (low, high, owner))
                spans[owner] = min(low, before[0]), max(high, before[1]), owner
            self._lines[number] = axis, sorted(spans.values())
        return self._lines[number]

    def _span(self, body: int, axis: int) -> tuple[int, int, int]:
        """Return how far a body reaches along an axis, and which it is."""
        mine = self.space.owner == body
        return int(self.space.low[mine, axis].min()), int(self.space.high[mine, axis].max()), body

    def _jaw(self, number: int, sign: int, owner: int, place: int) -> Mask:
        """Return for a place of a jaw on the body at the end of the wood whether each other body is in its way."""
        key = number, sign, owner, place
        if key not in self._jaws:
            axis, _ = self._line(number)
            across = [a for a in range(3) if a != axis]
            low, high = np.zeros(3), np.zeros(3)
            for a, by in zip(across, _SHIFTS[place], strict=True):
                middle = self.fasteners[number].head[a] + by * self.half
                low[a], high[a] = middle - self.half + _NEAR, middle + self.half - _NEAR
            over = [(self.space.low[:, a] < high[a]) & (self.space.high[:, a] > low[a]) for a in across]
            beside = over[0] & over[1]
            # It stands on what of the body is furthest out under it.
            mine = self.space.owner == owner
            out = (self.space.high if sign > 0 else self.space.low)[mine & beside, axis]
            end = sign * int((sign * out).max()) if len(out) else self.fasteners[number].head[axis]
            low[axis], high[axis] = sorted((end + sign * _NEAR, end + sign * self.long))
            hit = beside & ~mine & (self.space.low[:, axis] < high[axis]) & (self.space.high[:, axis] > low[axis])
            self._jaws[key] = self.space.of_each(hit[None])[0]
        return self._jaws[key]
