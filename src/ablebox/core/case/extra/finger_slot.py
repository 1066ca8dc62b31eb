# SPDX-License-Identifier: GPL-3.0-or-later
"""A finger slot right through a part, its ends rounded: bored at both ends and sawn between.

4 in long and 1 in wide, for four fingers (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from ...assembly.part import CutKind, Placed
from ...lengths import Length, inches
from ..fields import size
from ..shell import Shell
from .place import through


@dataclass(frozen=True, slots=True)
class FingerSlot:
    """Choices of a finger slot.

    Args:
        role: of the part.
        along: its middle, along the part's length.
        across: its middle, across the part's width.
        long: along the part's length.
        wide: across it.
    """

    role: str
    along: Length = size("middle along the length", inches(8))
    across: Length = size("middle across the width", inches(2))
    long: Length = size("slot length", inches(4))
    wide: Length = size("slot width", inches(1))

    words = "finger slot"

    def work(self, shell: Shell, part: Placed, parts: tuple[Placed, ...]) -> Placed:
        """Return the part with its slot.

        Raises:
            SizeImpossible: if the slot breaks out of the part or meets a joint.
        """
        a, b = self.long.share(2)
        c, d = self.wide.share(2)
        cut = through(shell, part, parts, CutKind.WINDOW, "finger slot, ends rounded",
                      (self.along - a, self.along + b), (self.across - c, self.across + d))  # fmt: skip
        return replace(part, cuts=(*part.cuts, cut))
