# SPDX-License-Identifier: GPL-3.0-or-later
"""A cord outlet: a hole right through a part, lined with a cord grommet.

2 3/8 in (60 mm) for desk tops and shelves, 2 in from the back edge (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import Placed
from ...lengths import Length, inches
from ..fields import size
from ..shell import Shell
from .round_hole import RoundHole


@dataclass(frozen=True, slots=True)
class CordOutlet:
    """Choices of a cord outlet.

    Args:
        role: of the part.
        along: its centre, along the part's length.
        across: its centre, across the part's width.
        diameter: of the hole the grommet goes into.
    """

    role: str
    along: Length = size("centre along the length", inches(4))
    across: Length = size("centre across the width", inches(4))
    diameter: Length = size("hole for the grommet", inches("2 3/8"))

    words = "cord outlet"

    def work(self, shell: Shell, part: Placed, parts: tuple[Placed, ...]) -> Placed:
        """Return the part with its hole.

        Raises:
            SizeImpossible: if the hole breaks out of the part or meets a joint.
        """
        return RoundHole(self.role, self.along, self.across, self.diameter).work(shell, part, parts)

    def let_in(self, shell: Shell, part: Placed) -> tuple[str, str]:
        """Return what is bought for it, and why."""
        return f"cord grommet {shell.units.write(self.diameter, True)}", f"lines the cord outlet in the {part.name}"
