# SPDX-License-Identifier: GPL-3.0-or-later
"""Casters: the case rolls. Four, or six from 48 in (1200 mm) on, two of them with brakes (common practice)."""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.fitting import FittingKind
from ..lengths import ZERO, Length, inches
from ..reckoning import Reckoned
from .fields import size
from .shell import Lines, Shell, Work
from .standing import Standing

_LONG = inches(48)
#: What a shim makes up for.
_OFF = inches("1/8")


@dataclass(frozen=True, slots=True)
class Casters:
    """Choices of the casters.

    Args:
        height: over all, wheel and plate.
    """

    height: Length = size("height of the casters", inches(4))

    words = "casters"

    def foot(self, shell: Shell) -> Reckoned:
        """Return the height of the sides' lower ends."""
        return self.line(shell)

    def line(self, shell: Shell) -> Reckoned:
        """Return the height of the lower edge of the face: the case stands on its casters.

        Raises:
            SizeImpossible: if the casters have no height.
        """
        shell.need(self.height, inches("1/2"), "height of the casters", "Type their height over all, such as 4 in.")
        return shell.book.chosen(self.height, "height of the casters", "kick.height")

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Count the casters."""
        count = 6 if shell.over_sides.length >= _LONG else 4
        work = Work(sums=[lines.line])
        write = shell.units.write
        item = min(shell.hardware("caster"), key=lambda each: (abs((each.length - self.height).ticks), each.length))
        off = abs((item.length - self.height).ticks)
        lacks = ""
        if off > _OFF.ticks:
            lacks = f"casters {write(self.height, True)} high are none on the rack; the nearest are {write(item.length, True)}"
        work.buy(item.name, count - 2, f"{write(item.length, True)} high over all", lacks, "caster")
        braked = f"{item.name}, with brakes"
        work.buy(braked, 2)
        work.later.append(Standing(shell, FittingKind.CASTER, item.name, count // 2, ZERO, braked))
        return work
