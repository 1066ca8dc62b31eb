# SPDX-License-Identifier: GPL-3.0-or-later
"""What stands between cases in a run: fillers, appliances, open spaces, and pieces that are there already.

A filler is cut 1/2 in wider, to be scribed (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from ..appliances import APPLIANCES
from ..lengths import ZERO, Length, inches


class SpaceKind(Enum):
    """What stands there."""

    FILLER = "filler"
    APPLIANCE = "appliance"
    OPEN = "open space"
    FOUND = "already there"

    @property
    def words(self) -> str:
        """What it is called."""
        return "old piece" if self is SpaceKind.FOUND else self.value


@dataclass(frozen=True, slots=True)
class RunSpace:
    """Something between cases that is no case.

    Args:
        wall: number of the wall, from 1.
        before: letter of the case it stands before; empty for the end of the run.
        kind: what it is.
        name: what it is called.
        width: of it, an appliance's own; ``None`` for an equal share of what is left over.
        height: of it.
        depth: of it, an appliance's with its handles.
        air: what an appliance wants free at each side.
        behind: what it wants free behind it.
        above: what it wants free above it.
        upper: whether it is in the upper run, among hung cases.
        goods: code of the stock a filler is made of.
        scribe: what a filler is cut wider, to be scribed to the wall.
        kick: how high the kick of a piece is that is there already; 0 if it has none.
        what: which appliance it is, a row of their table.
        ridge: how high a ridge runs along the front of a piece that is there already, such as a rail or a bead; 0 if it has none.
    """

    wall: int
    before: str
    kind: SpaceKind
    name: str
    width: Length | None
    height: Length
    depth: Length
    air: Length = ZERO
    behind: Length = ZERO
    above: Length = ZERO
    upper: bool = False
    goods: str = ""
    scribe: Length = inches("1/2")
    kick: Length = ZERO
    what: str = "other"
    ridge: Length = ZERO

    def __post_init__(self) -> None:
        if self.wall < 1:
            raise ValueError("walls are counted from 1")
        if (self.width is not None and self.width <= ZERO) or self.height <= ZERO or self.depth <= ZERO:
            raise ValueError("what stands in a run has sizes above 0, or no width for a share of what is left over")
        if min(self.air, self.behind, self.above, self.scribe, self.kick, self.ridge) < ZERO:
            raise ValueError("what is left free is 0 or more")
        if self.what not in APPLIANCES:
            raise ValueError(f"an appliance is one of {', '.join(APPLIANCES)}")
