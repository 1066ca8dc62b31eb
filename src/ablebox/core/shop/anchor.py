# SPDX-License-Identifier: GPL-3.0-or-later
"""A screw between a case, or a rail on the wall, and the building."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from ..assembly.fastener import Fastener
from ..lengths import Length, inches

#: What a screw holds in a stud; farther in wires may run (common practice).
INTO_STUD = inches("1 1/4")


class Holds(Enum):
    """What of the building a screw ends in; the value is what it is called in JSON."""

    STUD = "stud"
    JOIST = "joist"
    RIB = "rib"
    SOLID = "solid"
    INSERT = "insert"
    FLOOR = "floor"
    RAIL = "rail"

    @property
    def words(self) -> str:
        """What it is called."""
        return {"solid": "plug in the wall", "rail": "rail on the wall", "insert": "threaded insert"}.get(
            self.value, self.value
        )


@dataclass(frozen=True, slots=True)
class Anchor:
    """A screw between a case, or a rail, and the building.

    Args:
        letter: of the case; that of strips for a rail.
        fastener: the screw, in the case's axes, or in those of the rail's own length: x along it from its left end, z up.
        axis: along which it goes.
        holds: what it ends in.
        needs: how far it must go in.
        goes: how far it goes in.
        stud: number of the stud, rib or insert on its wall, from 1; 0 if nobody has found one.
        passes: what it passes before that, in words and lengths.
    """

    letter: str
    fastener: Fastener
    axis: int
    holds: Holds
    needs: Length
    goes: Length
    stud: int = 0
    passes: tuple[tuple[str, Length], ...] = ()

    @property
    def length(self) -> Length:
        """How long the screw is."""
        f = self.fastener
        return Length(abs(f.tip[self.axis] - f.head[self.axis]))

    @property
    def short(self) -> bool:
        """Whether the longest screw of the rack goes in too little."""
        return self.goes < self.needs

    @property
    def by_wires(self) -> bool:
        """Whether it goes so far behind the stud's face that wires may run there."""
        return self.holds is Holds.STUD and self.goes > INTO_STUD
