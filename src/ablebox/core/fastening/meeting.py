# SPDX-License-Identifier: GPL-3.0-or-later
"""How two parts meet: on which axis, and from where to where along and across."""

from __future__ import annotations

from dataclasses import dataclass, replace

from ..assembly.part import Face, Placed
from ..assembly.solid import Box
from ..lengths import millimetres
from .wood import spans

#: Play a fastener may bridge between two parts, a limit of our own.
_PLAY = millimetres(3).ticks


@dataclass(frozen=True, slots=True)
class Meeting:
    """Where a fastener goes from one part into another; all in ticks.

    Args:
        first: the part it is driven from.
        second: the part it ends in.
        axis: along which it is driven.
        drive: +1 or -1 along that axis.
        leaves: where the first part ends.
        enters: where the second begins.
        along: the axis along which the joint is longest.
        start: where the joint begins along it.
        end: where it ends.
        across: the axis across it.
        across_start: where it begins across.
        across_end: where it ends across.
    """

    first: Placed
    second: Placed
    axis: int
    drive: int
    leaves: int
    enters: int
    along: int
    start: int
    end: int
    across: int
    across_start: int
    across_end: int

    @property
    def length(self) -> int:
        """How long the joint is."""
        return self.end - self.start


def meeting(first: Placed, second: Placed, heads: Face | None) -> Meeting | None:
    """Return how a fastener goes from one part into another; ``None`` where they do not meet.

    Args:
        first: the part it is driven from.
        second: the part it ends in.
        heads: the face of the first part the heads sit on; ``None`` to find it by how the parts touch.
    """
    if heads is not None:
        axis, side = heads.value
        leaves = first.box.low[axis] if side > 0 else first.box.high[axis]
        found = _between(first, second, axis, -side, leaves, leaves)
        return _through(found) if found is not None else None
    for axis in range(3):
        for drive in (1, -1):
            leaves = first.box.high[axis] if drive > 0 else first.box.low[axis]
            enters = second.box.low[axis] if drive > 0 else second.box.high[axis]
            if 0 <= (enters - leaves) * drive <= _PLAY:
                found = _between(first, second, axis, drive, leaves, enters)
                if found is not None:
                    return found
    return _in_a_notch(first, second)


def _in_a_notch(first: Placed, second: Placed) -> Meeting | None:
    """Return how a fastener goes from a part in a notch of another into the end of the notch."""
    for gap in second.gaps:
        for axis in range(3):
            for drive in (1, -1):
                leaves = first.box.high[axis] if drive > 0 else first.box.low[axis]
                enters = gap.high[axis] if drive > 0 else gap.low[axis]
                low, high = second.box.span(axis)
                if 0 <= (enters - leaves) * drive <= _PLAY and low < enters < high:
                    found = _between(first, second, axis, drive, leaves, enters, gap)
                    if found is not None:
                        return found
    return None


def _through(found: Meeting) -> Meeting | None:
    """Return a meeting with where the first part's own wood ends, as at a rabbet; ``None`` if the second is not right behind."""
    axis, drive = found.axis, found.drive
    head = found.first.box.low[axis] if drive > 0 else found.first.box.high[axis]
    at = [0, 0, 0]
    at[found.across] = (found.across_start + found.across_end) // 2
    # Its middle may lie in a dado, where no head sits.
    for share in (2, 1, 3):
        at[found.along] = found.start + (found.end - found.start) * share // 4
        for low, high in spans(found.first, axis, (at[0], at[1], at[2])):
            if head in (low, high):
                leaves = high if drive > 0 else low
                a, b = found.second.box.span(axis)
                behind = a - _PLAY <= leaves < b if drive > 0 else a < leaves <= b + _PLAY
                return replace(found, leaves=leaves, enters=leaves) if behind else None
    return None


def _between(
    first: Placed, second: Placed, axis: int, drive: int, leaves: int, enters: int, gap: Box | None = None
) -> Meeting | None:
    sides, boxes = [], [first.box, second.box, *((gap,) if gap is not None else ())]
    for other in ((axis + 1) % 3, (axis + 2) % 3):
        low, high = max(box.low[other] for box in boxes), min(box.high[other] for box in boxes)
        if low >= high:
            return None
        sides.append((high - low, other, low, high))
    sides.sort(key=lambda side: -side[0])
    (_, along, start, end), (_, across, low, high) = sides
    return Meeting(first, second, axis, drive, leaves, enters, along, start, end, across, low, high)
