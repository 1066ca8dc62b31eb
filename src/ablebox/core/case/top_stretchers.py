# SPDX-License-Identifier: GPL-3.0-or-later
"""Top of a base case: two flat stretchers between the sides, 3 to 4 in wide (common practice)."""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import Face, Placed
from ..lengths import ZERO, Length, inches
from ..reckoning import Reckoned
from ..stock import Grain
from .shell import Interior, Shell, Work


@dataclass(frozen=True, slots=True)
class TwoStretchers:
    """Choices of the two stretchers.

    Args:
        width: of each stretcher, front to back.
    """

    width: Length = inches("3 1/2")

    def ceiling(self, shell: Shell) -> Reckoned:
        """Return the height of the stretchers' underside."""
        thickness = shell.goods.reckoned_thickness("stretcher thickness", shell.units)
        return shell.book.named(shell.height - thickness, "underside of the stretchers", "ceiling")

    def build(self, shell: Shell, interior: Interior) -> Work:
        """Return the front and the back stretcher.

        Raises:
            SizeImpossible: if they do not both fit in front of the back.
        """
        shell.need(self.width, inches("1/2"), "stretcher width", "Type a width, such as 3 1/2 in.")
        free = interior.clear_depth.length - self.width * 2
        shell.need(free, ZERO, "room between the stretchers", "Make the stretchers narrower or the case deeper.")
        length = shell.book.named(shell.inside, "stretcher, length", "stretcher/length")
        width = shell.book.chosen(self.width, "stretcher width", "stretcher.width")
        across = shell.book.named(width, "stretcher, width", "stretcher/width")
        work = Work(sums=[width])
        for role, y, bands in (
            ("stretcher.front", ZERO, shell.band(Face.FRONT)),
            ("stretcher.back", interior.clear_depth.length - self.width, ()),
        ):
            work.parts.append(
                Placed(
                    role,
                    f"stretcher, {role.split('.')[1]}",
                    shell.goods.code,
                    length,
                    across,
                    shell.thickness,
                    (0, 1, 2),
                    (shell.thickness.length, y, interior.ceiling.length),
                    grain=Grain.ANY,
                    bands=bands,
                )
            )
        return work
