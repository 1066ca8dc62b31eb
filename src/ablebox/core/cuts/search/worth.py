# SPDX-License-Identifier: GPL-3.0-or-later
"""What a layout is worth while it is being searched for: what its sheets cost, the emptiest of them in part only.

The emptiest sheet counts by half of what is cut off for what lies on it and half of what lies on it, so that it empties
further. A little of the area is added, so that of sheets that cost the same the smaller ones are taken.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from .blanks import Bed
from .construct import Lay

_AREA = 0.01
#: How much the emptiest sheet's room counts where sheets of several kinds are bought: less than any of them costs.
_MIXED = 0.3


@dataclass(frozen=True, slots=True)
class Laid:
    """A laid sheet, what it costs, and which share of it is laid and cut off for what lies on it."""

    lay: Lay
    cost: float
    laid: float
    cut: float


class Worth:
    """Judges layouts.

    Args:
        beds: kinds of sheet.
    """

    def __init__(self, beds: Sequence[Bed]) -> None:
        largest = max((bed.length * bed.width for bed in beds), default=1)
        dearest = max((bed.cost for bed in beds), default=1) or 1
        self._costs = {
            id(bed): 0.0 if bed.supply.offcut else bed.cost / dearest + _AREA * bed.length * bed.width / largest
            for bed in beds
        }
        self._room = 1.0 if sum(not bed.supply.offcut for bed in beds) < 2 else _MIXED

    def sheets(self, lays: Sequence[Lay]) -> list[Laid]:
        """Return layouts of sheets with what they are worth."""
        return [self.sheet(lay) for lay in lays]

    def sheet(self, lay: Lay) -> Laid:
        """Return a sheet's layout with what it is worth."""
        bed, long, wide, area = lay.bed, 0, 0, 0
        for blank, x, y, turned in lay.placed:
            a, b = (blank.width, blank.length) if turned else (blank.length, blank.width)
            long, wide, area = max(long, x + a), max(wide, y + b), area + a * b
        cut = min(long / bed.length, wide / bed.width)
        return Laid(lay, self._costs[id(bed)], area / (bed.length * bed.width), cut)

    def rank(self, sheets: Sequence[Laid]) -> tuple[float, float]:
        """Return what decides which of two layouts is the better one: what its sheets cost, then what it is worth."""
        return round(sum(sheet.cost for sheet in sheets), 7), round(self.of(sheets), 9)

    def of(self, sheets: Sequence[Laid], cut_alone: bool = False) -> float:
        """Return what a layout is worth on the way; smaller is better.

        Args:
            sheets: the layout.
            cut_alone: whether the emptiest sheet counts by what is cut off for it alone.
        """
        total, room = 0.0, 0.0
        for sheet in sheets:
            total += sheet.cost
            free = 1.0 - sheet.cut if cut_alone else 1.0 - 0.5 * sheet.cut - 0.5 * sheet.laid
            room = max(room, free * sheet.cost)
        return total - self._room * room
