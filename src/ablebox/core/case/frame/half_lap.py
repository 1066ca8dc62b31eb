# SPDX-License-Identifier: GPL-3.0-or-later
"""Half laps: each part gives half of its thickness where they cross; the stile keeps the front half.

A rail runs to the outer edge of an outer stile; where two parts meet one inner stile from both
sides, each laps half of its width.
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.joint import Way
from ...assembly.part import Cut, CutKind, Face
from ...lengths import Length
from ...reckoning import Reckoned, leaf
from ..shell import Shell
from .member import Member, band, end_of


@dataclass(frozen=True, slots=True)
class HalfLap:
    """A half lap."""

    @property
    def words(self) -> str:
        """The joint in a few words."""
        return "half laps"

    def reach(self, shell: Shell, other: Member) -> Reckoned | None:
        """Return how far a part laps over the other: all of its width, or half of an inner one's."""
        if other.outer:
            return other.width
        half = other.width.length.share(2)[-1]
        return leaf(half, f"lap, half of the {other.name}", note="half of its width")

    def join(self, member: Member, side: int, other: Member, reach: Length) -> tuple[list[Cut], list[Cut]]:
        """Return both halves: what is cut out of the part, and out of the other."""
        lap = end_of(member, side, reach.ticks)
        front, back = lap.low[1], lap.high[1]
        middle = (front + back) // 2
        own = Cut(CutKind.LAP, f"over the {other.name}", band(lap, (front, middle)), Face.FRONT, filled=False)
        return [own], [Cut(CutKind.LAP, f"for the {member.name}", band(lap, (middle, back)), Face.BACK)]

    @property
    def way(self) -> Way | None:
        """Glue holds it."""
        return None
