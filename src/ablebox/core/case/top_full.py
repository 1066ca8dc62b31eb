# SPDX-License-Identifier: GPL-3.0-or-later
"""A full top: between the sides, in dadoes or rabbets, or laid over them. Wall and tall cases have one.

Top laid over: W, and the sides lose t. In dadoes it is set down from the sides' ends, since a
channel at the very end would be a rabbet (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import ClassVar

from ..assembly.part import Face, Placed
from ..assembly.role import PartKind, Role
from ..lengths import ZERO, Length, inches
from ..reckoning import Reckoned
from .fields import size
from .joint.choice import EndJoint
from .joint.dado import Dado
from .joint.fasten import fasten
from .joint.over import LaidOver
from .joint.rabbet import Rabbet
from .shell import LEFT, RIGHT, Lines, Shell, Work

TOP = Role(PartKind.TOP)


@dataclass(frozen=True, slots=True)
class FullTop:
    """Choices of a full top.

    Args:
        joint: how it meets the sides.
        down: from the sides' upper ends to its upper face.
    """

    joint: EndJoint = field(default_factory=Rabbet)
    down: Length = size("set down from the top", ZERO, zero=True)

    role: ClassVar[Role | None] = TOP
    nailer = False

    @property
    def words(self) -> str:
        """The school in a few words."""
        return f"full, {self.joint.words}"

    def _down(self, shell: Shell) -> Reckoned:
        return shell.book.chosen(self.down, "set down from the top", "top.down")

    def side_top(self, shell: Shell) -> Reckoned:
        """Return the height of the sides' upper ends."""
        if not self.joint.over:
            return shell.height
        top = shell.goods.reckoned_thickness("top thickness", shell.units)
        return shell.book.named(shell.height - top, "top of the sides", "side.top")

    def ceiling(self, shell: Shell) -> Reckoned:
        """Return the height of its underside.

        Raises:
            SizeImpossible: if it is set down where its joint does not allow that.
        """
        shell.need(self.down, ZERO, "top set down", "Type 0 or more.")
        if self.down and isinstance(self.joint, (Rabbet, LaidOver)):
            raise shell.refuse(
                "top", f"{self.joint.words} it stands at the very end", "Set it down by 0, or take dadoes."
            )
        if isinstance(self.joint, Dado):
            shell.need(
                self.down, inches("1/4"), "wood above the top's dadoes", "Set the top down further, or take rabbets."
            )
        thickness = shell.goods.reckoned_thickness("top thickness", shell.units)
        total = shell.height - thickness
        if self.down:
            total = total - self._down(shell)
        return shell.book.named(total, "underside of the top", "ceiling")

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Return the top and what is cut for it."""
        joint, book = self.joint, shell.book
        reach = joint.reach(shell, "top.joint", "top")
        total = shell.inside.times(1) if reach is None else shell.inside + reach.times(2)
        if isinstance(joint, LaidOver):
            total = shell.over_sides.times(1)
        length = book.named(total, "top, length", "top/length")
        width = book.named(lines.side_depth if joint.over else lines.clear_depth, "top, width", "top/width")
        work = Work(sums=[reach] if reach is not None else [])
        if self.down:
            work.sums.append(self._down(shell))
        enters = reach.length if reach is not None else ZERO
        low = lines.ceiling.length
        if joint.kind is not None:
            span = (shell.front, shell.front + lines.clear_depth.length)
            work.cut_both_sides(shell, joint.kind, "for the top", span, (low, low + shell.thickness.length), enters)
        work.parts.append(
            Placed(
                TOP,
                "top",
                shell.goods.code,
                length,
                width,
                shell.thickness,
                (0, 1, 2),
                (shell.thickness.length - enters, shell.front, low),
                bands=shell.band(Face.FRONT),
                shows=Face.BOTTOM,
            )
        )
        fasten(work, joint, TOP, LEFT, Face.TOP, Face.RIGHT)
        fasten(work, joint, TOP, RIGHT, Face.TOP, Face.LEFT)
        return work
