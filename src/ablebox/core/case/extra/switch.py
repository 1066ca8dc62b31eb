# SPDX-License-Identifier: GPL-3.0-or-later
"""A small switch for lights, let into a side, rail or partition through a round hole.

1/2 in (12 to 13 mm) for a push or door switch (common practice; the switch's own sheet decides).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import Placed
from ...lengths import Length, inches
from ..fields import size
from ..shell import Shell
from .round_hole import RoundHole


@dataclass(frozen=True, slots=True)
class Switch:
    """Choices of a switch.

    Args:
        role: of the part.
        along: its centre, along the part's length.
        across: its centre, across the part's width.
        diameter: of the hole.
    """

    role: str
    along: Length = size("centre along the length", inches(4))
    across: Length = size("centre across the width", inches(1))
    diameter: Length = size("hole for the switch", inches("1/2"))

    words = "switch"

    def work(self, shell: Shell, part: Placed, parts: tuple[Placed, ...]) -> Placed:
        """Return the part with its hole.

        Raises:
            SizeImpossible: if the hole breaks out of the part or meets a joint.
        """
        return RoundHole(self.role, self.along, self.across, self.diameter).work(shell, part, parts)

    def let_in(self, shell: Shell, part: Placed) -> tuple[str, str]:
        """Return what is bought for it, and why."""
        return f"switch for lights, {shell.units.write(self.diameter, True)} hole", f"let into the {part.name}"
