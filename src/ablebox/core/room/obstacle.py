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


class Trade(Enum):
    """Whose work something is."""

    OWN = ""
    ELECTRICIAN = "electrician"
    PLUMBER = "plumber"
    LICENSED = "licensed trade"


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
        trade: whose work it is to move or change it.
        work: what is done about it before cases go in, where that is a trade's.
        keep: what becomes of it where it is taken off.
        old: what to look at first in an old house.
    """

    words: str
    deal: Deal
    reach: bool
    width: Length
    height: Length
    low: Length
    out: Length = ZERO
    trade: Trade = Trade.OWN
    work: str = ""
    keep: str = ""
    old: str = ""


_KEPT, _PAINT = "and keep it to refit", "Old paint may hold lead: have it tested before it is sanded or broken."
_BOXED = "have its box brought out to the new face"
#: Usual sizes and heights are common practice; each is measured.
OBSTACLES: dict[str, ObstacleKind] = {
    "outlet": ObstacleKind("outlet", Deal.CUT, True, inches("2 3/4"), inches("4 1/2"), inches(14), inches("1/4"), Trade.ELECTRICIAN, _BOXED),
    "switch": ObstacleKind("switch", Deal.CLEAR, True, inches("2 3/4"), inches("4 1/2"), inches(46), inches("1/4"), Trade.ELECTRICIAN, _BOXED),
    "light": ObstacleKind("light", Deal.CLEAR, False, inches(6), inches(6), inches(80), inches(6), Trade.ELECTRICIAN, "have it moved or switched off"),
    "cord": ObstacleKind("cord or cable", Deal.CUT, False, inches(1), inches(1), inches(14), inches("1/2"), keep="and lead it out of the way"),
    "grommet": ObstacleKind("cord outlet of a top", Deal.CUT, True, inches("2 3/8"), inches("2 3/8"), inches(28), ZERO),
    "pipe": ObstacleKind("pipe", Deal.CUT, False, inches(2), inches(2), inches(16), inches(3), Trade.PLUMBER, "have it shut off and capped where it is in the way"),
    "tank": ObstacleKind("tank or heater of water", Deal.CLEAR, True, inches(18), inches(30), inches(4), inches(18), Trade.PLUMBER, "keep the room its maker asks for"),
    "window": ObstacleKind("window with its trim", Deal.CLEAR, False, inches(36), inches(40), inches(42), inches("3/4")),
    "sill": ObstacleKind("window sill", Deal.CLEAR, False, inches(40), inches("1 1/4"), inches(36), inches(4)),
    "baseboard": ObstacleKind("baseboard", Deal.REMOVE, False, inches(96), inches("5 1/2"), ZERO, inches("5/8"), keep=_KEPT, old=_PAINT),
    "crown": ObstacleKind("crown moulding", Deal.REMOVE, False, inches(96), inches(4), inches(92), inches(3), keep=_KEPT, old=_PAINT),
    "carpet": ObstacleKind("carpet and its tack strip", Deal.REMOVE, False, inches(96), inches("1/2"), ZERO, inches(24), keep="where the case stands, cut back to its edge"),
    "vent": ObstacleKind("vent", Deal.CLEAR, True, inches(12), inches(6), inches(1), inches("1/4")),
    "soffit": ObstacleKind(
        "soffit", Deal.CLEAR, False, inches(96), inches(12), inches(84), inches(14), keep="once it was looked into",
        old="It may hold ducts, pipes and wires, and old board may hold asbestos: a look hole first, then those who may.",
    ),
    "radiator": ObstacleKind("radiator", Deal.CLEAR, True, inches(36), inches(24), inches(4), inches(4), Trade.PLUMBER, "have it shut off where it is in the way"),
    "heater": ObstacleKind("heater or stove", Deal.CLEAR, True, inches(24), inches(30), ZERO, inches(20), Trade.LICENSED, "keep the room its maker and local codes ask for"),
    "cooktop": ObstacleKind("cooktop or range", Deal.CLEAR, True, inches(30), inches(36), ZERO, inches(25), Trade.LICENSED, "have gas or power connected by those who may"),
    "door": ObstacleKind("door and its swing", Deal.CLEAR, False, inches(32), inches(80), ZERO, inches(32)),
    "valve": ObstacleKind("valve", Deal.CUT, True, inches(6), inches(6), inches(20), inches(2), Trade.PLUMBER, "mark it so that it stays in reach"),
    "panel": ObstacleKind("electrical panel", Deal.CLEAR, True, inches("14 1/2"), inches(30), inches(44), inches(4), Trade.ELECTRICIAN, "keep its clear space; it is never built over"),
}  # fmt: skip


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
