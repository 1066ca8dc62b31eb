# SPDX-License-Identifier: GPL-3.0-or-later
"""No recess: the sides stand on the floor, and a skirting board closes the front below the bottom.

With a face frame the wide bottom rail does that, and there is no board behind it: the rail is
as high as the skirting that runs against it.

Skirting 3 in high (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.joint import Way
from ..assembly.part import Face, Placed
from ..assembly.role import PartKind, Role
from ..lengths import ZERO, Length, inches
from ..reckoning import NOTHING, Reckoned
from .fields import size
from .joint.fasten import butted
from .shell import LEFT, RIGHT, Lines, Shell, Work


@dataclass(frozen=True, slots=True)
class Skirt:
    """Choices of the skirting.

    Args:
        height: from the floor to the underside of the bottom, without a face frame.
    """

    height: Length = size("skirting height", inches(3))

    words = "no recess"

    def foot(self, shell: Shell) -> Reckoned:
        """Return the height of the sides' lower ends: they stand on the floor."""
        return NOTHING

    def line(self, shell: Shell) -> Reckoned:
        """Return the height of the lower edge of the face: the floor, where a frame's rail reaches it.

        Raises:
            SizeImpossible: if the skirting has no height.
        """
        if shell.frame is not None:
            return NOTHING
        shell.need(self.height, inches("1/2"), "skirting height", "Type the height of the skirting, such as 3 in.")
        return shell.book.chosen(self.height, "skirting height", "kick.height")

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Return the skirting board; none behind a frame."""
        if shell.frame is not None:
            return Work()
        shell.need(lines.clear_depth.length, shell.thickness.length, "room for the skirting", "Make the case deeper.")
        length = shell.book.named(shell.inside, "skirting, length", "kick/length")
        width = shell.book.named(lines.floor, "skirting, width", "kick/width")
        corner = (shell.thickness.length, ZERO, ZERO)
        board = Placed(
            Role(PartKind.KICK),
            "skirting",
            shell.goods.code,
            length,
            width,
            shell.thickness,
            (0, 2, 1),
            corner,
            shows=Face.FRONT,
        )
        work = Work(parts=[board], sums=[lines.line])
        for side in (LEFT, RIGHT):
            butted(work, Way.POCKET, board.role, side, Face.BACK)
        return work
