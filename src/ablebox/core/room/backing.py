# SPDX-License-Identifier: GPL-3.0-or-later
"""What is behind a wall's face and holds screws: studs, ribs of a vehicle, threaded inserts, or a solid wall."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from ..lengths import ZERO, Length, inches, millimetres

#: How wide a stud is, and a lining nobody has measured: 1/2 in or 12.5 mm of plasterboard (common practice).
STUD_WIDE, LINING = inches("1 1/2"), millimetres("12.5")


class Backing(Enum):
    """What a wall is made of; the value is what stands in files."""

    FRAMED = "framed"
    SOLID = "solid"

    @property
    def words(self) -> str:
        """What it is called."""
        return {"framed": "studs or ribs behind a lining", "solid": "solid: brick, block or concrete"}[self.value]


class HoldKind(Enum):
    """What one finds behind a lining; the value is what stands in files."""

    STUD = "stud"
    RIB = "rib"
    INSERT = "insert"

    @property
    def words(self) -> str:
        """What it is called."""
        return {"stud": "stud", "rib": "rib of a vehicle", "insert": "threaded insert"}[self.value]


class Found(Enum):
    """How one knows of it; the value is what stands in files."""

    FINDER = "finder"
    HOLE = "hole"

    @property
    def words(self) -> str:
        """What it is called: a finder may have found a pipe, a strap or the edge of a stud."""
        return {"finder": "by a finder, not proven", "hole": "proven by a hole"}[self.value]


@dataclass(frozen=True, slots=True)
class Stud:
    """Something behind the wall's face that holds a screw.

    Args:
        at: where its middle is, from the wall's left end.
        kind: what it is.
        wide: how wide it is there.
        found: how one knows of it.
        up: how high over the level line, the floor's highest point, of an insert; ``None`` for what goes from floor to ceiling.
    """

    at: Length
    kind: HoldKind = HoldKind.STUD
    wide: Length = STUD_WIDE
    found: Found = Found.FINDER
    up: Length | None = None

    def __post_init__(self) -> None:
        if self.at < ZERO or self.wide <= ZERO:
            raise ValueError("a stud is at a place along the wall, and has a width above 0")
        if (self.kind is HoldKind.INSERT) != (self.up is not None):
            raise ValueError("an insert is at a height, a stud or rib goes from floor to ceiling")
