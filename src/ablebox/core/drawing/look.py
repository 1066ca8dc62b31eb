# SPDX-License-Identifier: GPL-3.0-or-later
"""From where a case is looked at in space."""

from __future__ import annotations

import math
from dataclasses import dataclass

from .shapes import Point

#: A place in space, in mm.
Corner = tuple[float, float, float]


@dataclass(frozen=True, slots=True)
class Look:
    """From where a case is looked at.

    Args:
        turn: degrees around, 0 from the front, positive to see the right side.
        lift: degrees above the floor.
        apart: how far parts are drawn apart: 0 assembled, 1 well apart.
    """

    turn: float = 32.0
    lift: float = 22.0
    apart: float = 0.55

    @property
    def towards(self) -> Corner:
        """The direction to the viewer."""
        a, e = math.radians(self.turn), math.radians(self.lift)
        return math.sin(a) * math.cos(e), -math.cos(a) * math.cos(e), math.sin(e)

    def flat(self, point: Corner) -> Point:
        """Return where a point lies on the picture."""
        a, e = math.radians(self.turn), math.radians(self.lift)
        x, y, z = point
        right = x * math.cos(a) + y * math.sin(a)
        deep = -x * math.sin(a) + y * math.cos(a)
        return right, z * math.cos(e) + deep * math.sin(e)
