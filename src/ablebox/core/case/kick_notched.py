# SPDX-License-Identifier: GPL-3.0-or-later
"""Toe kick, notched school: the sides reach the floor and are notched, a kick board stands behind.

The fewest parts there can be, but each case is levelled alone. Usual size 4 in high and
3 in deep (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import CutKind, Face, Placed
from ..lengths import ZERO, Length, inches
from ..reckoning import Reckoned
from .shell import Interior, Shell, Work


@dataclass(frozen=True, slots=True)
class NotchedKick:
    """Choices of the notched toe kick.

    Args:
        height: from the floor to the underside of the bottom.
        depth: from the front edge of the sides to the kick board's face.
    """

    height: Length = inches(4)
    depth: Length = inches(3)

    def floor(self, shell: Shell) -> Reckoned:
        """Return the height of the bottom's underside.

        Raises:
            SizeImpossible: if there is nothing to notch.
        """
        shell.need(self.height, inches("1/2"), "toe kick height", "Type the height of the kick, such as 4 in.")
        shell.need(self.depth, inches("1/2"), "toe kick depth", "Type the depth of the kick, such as 3 in.")
        return shell.book.chosen(self.height, "toe kick height", "kick.height")

    def build(self, shell: Shell, interior: Interior) -> Work:
        """Return the kick board and the notches."""
        thickness = shell.thickness.length
        room = interior.clear_depth.length - self.depth - thickness
        shell.need(room, ZERO, "room behind the toe kick", "Make the kick shallower or the case deeper.")
        work = Work(sums=[interior.floor, shell.book.chosen(self.depth, "toe kick depth", "kick.depth")])
        work.cut_both_sides(
            shell, CutKind.NOTCH, "for the toe kick", (ZERO, self.depth), (ZERO, self.height), thickness
        )
        length = shell.book.named(shell.inside, "kick board, length", "kick/length")
        width = shell.book.named(interior.floor, "kick board, width", "kick/width")
        work.parts.append(
            Placed(
                "kick",
                "kick board",
                shell.goods.code,
                length,
                width,
                shell.thickness,
                (0, 2, 1),
                (thickness, self.depth, ZERO),
                shows=Face.FRONT,
            )
        )
        return work
