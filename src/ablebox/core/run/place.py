# SPDX-License-Identifier: GPL-3.0-or-later
"""Where each member of a run stands, and a run as the row of them, with what is left over."""

from __future__ import annotations

from dataclasses import dataclass

from ..lengths import ZERO, Length
from ..reckoning import Reckoned


@dataclass(frozen=True, slots=True)
class Place:
    """Where something stands in a run.

    Args:
        letter: of the case; empty for a space.
        space: number of the space among all, from 1; 0 for a case.
        width: what it takes of the run.
        x: its left edge, from the wall's left end.
        low: its lower edge over the floor.
        high: its upper edge over the floor.
        depth: how deep it is.
        panels: what end panels, or stiles that stand proud, at its left and its right take of its width.
    """

    letter: str
    space: int
    width: Reckoned
    x: Length
    low: Length
    high: Length
    depth: Length
    panels: tuple[Length, Length] = (ZERO, ZERO)

    @property
    def case_x(self) -> Length:
        """Where the case itself begins, behind an end panel at its left."""
        return self.x + self.panels[0]

    @property
    def case_width(self) -> Length:
        """How wide the case itself is."""
        return self.width.length - self.panels[0] - self.panels[1]

    @property
    def end(self) -> Length:
        """Its right edge."""
        return self.x + self.width.length

    @property
    def name(self) -> str:
        """What it is known by: the case's letter, or the space's number."""
        return self.letter or f"space {self.space}"


@dataclass(frozen=True, slots=True)
class Line:
    """One run.

    Args:
        wall: number of the wall, from 1.
        upper: whether it is the one that hangs.
        places: what stands in it, from left to right.
        total: their widths added up; ``None`` if there is nothing.
        usable: what there is for them; ``None`` where the wall was not measured.
        open_left: whether nothing is at the wall's left end.
        open_right: whether nothing is at its right end, or the run ends well before that.
    """

    wall: int
    upper: bool
    places: tuple[Place, ...]
    total: Reckoned | None
    usable: Reckoned | None
    open_left: bool = False
    open_right: bool = False

    def front(self, place: Place) -> Length:
        """Return how far out of the wall the front of a filler stands: flush with the case beside it, the left one first."""
        at = self.places.index(place)
        beside = [each for each in (*self.places[max(0, at - 1) : at], *self.places[at + 1 : at + 2]) if each.letter]
        return beside[0].depth if beside else place.depth

    @property
    def left_over(self) -> Length | None:
        """What nothing takes of the width there is; below 0 if it is too little."""
        if self.usable is None or self.total is None:
            return None
        return self.usable.length - self.total.length
