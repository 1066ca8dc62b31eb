# SPDX-License-Identifier: GPL-3.0-or-later
"""The bottom: between the sides, in dadoes or rabbets, or under them.

W - 2t between the sides, and twice the joint's depth more in dadoes or rabbets (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, field

from ..assembly.part import CutKind, Face, Placed
from ..assembly.role import PartKind, Role
from ..lengths import ZERO
from .joint.choice import EndJoint
from .joint.dado import Dado
from .joint.fasten import fasten
from .joint.over import LaidOver
from .joint.rabbet import Rabbet
from .shell import LEFT, RIGHT, Lines, Shell, Work

BOTTOM = Role(PartKind.BOTTOM)


@dataclass(frozen=True, slots=True)
class Bottom:
    """Choices of the bottom.

    Args:
        joint: how it meets the sides; laid over means that the sides stand on it.
    """

    joint: EndJoint = field(default_factory=Dado)

    @property
    def words(self) -> str:
        """The school in a few words."""
        return "under the sides" if self.joint.over else self.joint.words

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Return the bottom and what is cut for it.

        Raises:
            SizeImpossible: if the joint cannot be made there.
        """
        joint, book = self.joint, shell.book
        at_the_end = lines.floor.length == lines.foot.length
        if isinstance(joint, Rabbet) and not at_the_end:
            raise shell.refuse(
                "bottom in rabbets", "the sides go on below it, and a rabbet is cut at an end", "Take dadoes instead."
            )
        reach = joint.reach(shell, "bottom.joint", "bottom")
        total = shell.inside.times(1) if reach is None else shell.inside + reach.times(2)
        if isinstance(joint, LaidOver):
            total = shell.over_sides.times(1)
        length = book.named(total, "bottom, length", "bottom/length")
        depth = lines.side_depth if joint.over else lines.clear_depth
        width = book.named(depth, "bottom, width", "bottom/width")
        work = Work(sums=[reach] if reach is not None else [])
        enters = reach.length if reach is not None else ZERO
        if joint.kind is not None:
            front = shell.front
            # A channel at the very end of the sides is open there: that is a rabbet, whatever it is called.
            work.cut_both_sides(
                shell,
                CutKind.RABBET if at_the_end else joint.kind,
                "for the bottom",
                (front, front + lines.clear_depth.length),
                (lines.floor.length, lines.floor_top.length),
                enters,
            )
        x = shell.thickness.length - enters
        work.parts.append(
            Placed(
                BOTTOM,
                "bottom",
                shell.goods.code,
                length,
                width,
                shell.thickness,
                (0, 1, 2),
                (x, shell.front, lines.floor.length),
                bands=shell.band(Face.FRONT),
                shows=Face.TOP,
            )
        )
        fasten(work, joint, BOTTOM, LEFT, Face.BOTTOM, Face.RIGHT)
        fasten(work, joint, BOTTOM, RIGHT, Face.BOTTOM, Face.LEFT)
        return work
