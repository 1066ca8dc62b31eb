# SPDX-License-Identifier: GPL-3.0-or-later
"""What is on a wall and in the way of cases: outlets, pipes, windows, baseboards, and what is to be done about each."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from ..lengths import ZERO, Length, inches


class Deal(Enum):
    """What is done about an obstacle."""

    CUT = "cut an opening for it"
    CLEAR = "keep clear of it"
    NOTCH = "notch round it"
    REMOVE = "take it away"

    @property
    def words(self) -> str:
        """What it is called."""
        return self.value


@dataclass(frozen=True, slots=True)
class ObstacleKind:
    """A kind of obstacle.

    Args:
        words: what it is called.
        deal: what is usually done about it.
        reach: whether a hand has to reach it afterwards.
        width: of it, usually.
        height: of it, usually.
        low: over the floor, usually.
        out: how far it stands out of the wall, usually.
    """

    words: str
    deal: Deal
    reach: bool
    width: Length
    height: Length
    low: Length
    out: Length = ZERO


#: Usual sizes and heights are common practice; each is measured.
OBSTACLES: dict[str, ObstacleKind] = {
    "outlet": ObstacleKind("outlet", Deal.CUT, True, inches("2 3/4"), inches("4 1/2"), inches(14), inches("1/4")),
    "switch": ObstacleKind("switch", Deal.CLEAR, True, inches("2 3/4"), inches("4 1/2"), inches(46), inches("1/4")),
    "pipe": ObstacleKind("pipe", Deal.CUT, False, inches(2), inches(2), inches(16), inches(3)),
    "window": ObstacleKind(
        "window with its trim", Deal.CLEAR, False, inches(36), inches(40), inches(42), inches("3/4")
    ),
    "baseboard": ObstacleKind("baseboard", Deal.REMOVE, False, inches(96), inches("5 1/2"), ZERO, inches("5/8")),
    "vent": ObstacleKind("vent", Deal.CLEAR, True, inches(12), inches(6), inches(1), inches("1/4")),
    "soffit": ObstacleKind("soffit", Deal.CLEAR, False, inches(96), inches(12), inches(84), inches(14)),
    "radiator": ObstacleKind("radiator", Deal.CLEAR, True, inches(36), inches(24), inches(4), inches(4)),
    "door": ObstacleKind("door and its swing", Deal.CLEAR, False, inches(32), inches(80), ZERO, inches(32)),
    "valve": ObstacleKind("valve or panel", Deal.CUT, True, inches(6), inches(6), inches(20), inches(2)),
}


@dataclass(frozen=True, slots=True)
class Obstacle:
    """Something on a wall.

    Args:
        kind: a row of the table of obstacles.
        x: where it begins, from the wall's left end.
        low: its lower edge over the floor.
        width: of it, trim included.
        height: of it.
        out: how far it stands out of the wall.
        deal: what is done about it.
    """

    kind: str
    x: Length
    low: Length
    width: Length
    height: Length
    out: Length = ZERO
    deal: Deal = Deal.CLEAR

    def __post_init__(self) -> None:
        if self.kind not in OBSTACLES:
            raise ValueError(f"an obstacle is one of {', '.join(OBSTACLES)}")
        if self.width <= ZERO or self.height <= ZERO or min(self.x, self.low, self.out) < ZERO:
            raise ValueError("an obstacle has a width and a height above 0 and a place on the wall")

    @property
    def words(self) -> str:
        """What it is called."""
        return OBSTACLES[self.kind].words


def usual(kind: str, x: Length) -> Obstacle:
    """Return an obstacle of a kind in its usual size, at a place along the wall."""
    row = OBSTACLES[kind]
    return Obstacle(kind, x, row.low, row.width, row.height, row.out, row.deal)
