# SPDX-License-Identifier: GPL-3.0-or-later
"""An island: a line in the room where cases stand with no wall behind them."""

from __future__ import annotations

from dataclasses import dataclass

from ..lengths import ZERO, Length

#: How what stands with no wall behind it is held (common practice).
FREE = "Screw cleats to the floor inside the base, and the base to them: an island has no wall to hold it."


@dataclass(frozen=True, slots=True)
class Island:
    """Where an island stands, told from the first wall.

    Args:
        along: from the first wall's left end to the island's, along that wall.
        away: from the first wall to the island's nearer side.
        faces_wall: whether its fronts look at the first wall; away from it if not.
    """

    along: Length
    away: Length
    faces_wall: bool = False

    def __post_init__(self) -> None:
        if min(self.along, self.away) < ZERO:
            raise ValueError("an island stands in the room, at 0 or more from the first wall and its left end")
