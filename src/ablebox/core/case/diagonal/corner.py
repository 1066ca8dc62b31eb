# SPDX-License-Identifier: GPL-3.0-or-later
"""The outlines of a corner case: its face across, and how thick what stands behind it is."""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.footprint import Ring, Slant
from ...lengths import Length, inches
from ...reckoning import Origin, Reckoned, leaf
from ..plan_diagonal import Diagonal
from ..shell import Lines, Shell

#: A face narrower than this is no door (common practice).
_LEAST = inches(8)


@dataclass(frozen=True, slots=True)
class Corner:
    """A corner case as set out: distances from its left front corner, where no wood is.

    Args:
        plan: its choices.
        shell: its outside and stock.
        lines: its lines.
        slant: its face.
        back: thickness of its two backs.
    """

    plan: Diagonal
    shell: Shell
    lines: Lines
    slant: Slant
    back: Reckoned

    @property
    def front(self) -> int:
        """How far behind the face the carcass begins, in ticks: the thickness of its face frame."""
        return self.shell.front.ticks

    @property
    def wide(self) -> int:
        """Along the first wall."""
        return self.shell.over_sides.length.ticks

    @property
    def deep(self) -> int:
        """Along the second wall."""
        return self.shell.depth.length.ticks

    @property
    def t(self) -> int:
        """Thickness of its sides."""
        return self.shell.thickness.length.ticks

    @property
    def face(self) -> Reckoned:
        """Width of its face: the way from one side's front edge to the other's (Pythagoras)."""
        write = self.shell.units.write
        a, b = Length(self.slant.a), Length(self.slant.b)
        across = leaf(
            Length(self.slant.length), f"across {write(a)} and {write(b)}, √(a² + b²)", origin=Origin.RECKONED
        )
        return self.shell.book.named(across, "face, across the corner", "plan.across")

    @property
    def ring(self) -> Ring:
        """Its form seen from above."""
        return self.slant.behind(0, self.wide, 0, self.deep)

    @property
    def inside(self) -> Reckoned:
        """Clear width along the first wall."""
        total = self.shell.width - self.shell.thickness - self.back
        return self.shell.book.named(total, "inside width", "inside.width")

    @property
    def inside_depth(self) -> Reckoned:
        """Clear depth along the second wall."""
        total = self.shell.depth - self.shell.thickness - self.back
        return self.shell.book.named(total, "inside depth", "inside.depth")

    def legs(self) -> tuple[Reckoned, Reckoned]:
        """Return depths of both sides, as chosen."""
        choose = self.shell.book.chosen
        return (
            choose(self.plan.left, "depth of the left side", "plan.left"),
            choose(self.plan.right, "depth of the side round the corner", "plan.right"),
        )


def set_out(plan: Diagonal, shell: Shell, lines: Lines, back: Reckoned) -> Corner:
    """Return the outlines of a corner case.

    Raises:
        SizeImpossible: if no face is left between its sides.
    """
    for side, over, words in (
        (plan.left, shell.depth.length, "left side"),
        (plan.right, shell.over_sides.length, "side round the corner"),
    ):
        shell.need(
            side - shell.thickness.length * 2 - shell.front * 2, inches(2), f"depth of the {words}", "Make it deeper."
        )
        shell.need(over - side, inches(4), f"face beside the {words}", "Make the case larger, or that side less deep.")
    slant = Slant((shell.depth.length - plan.left).ticks, (shell.over_sides.length - plan.right).ticks)
    shell.need(Length(slant.length), _LEAST, "face across the corner", "Make the case larger, or its sides less deep.")
    flat = max(slant.a, slant.b)
    if flat > 2 * min(slant.a, slant.b):
        raise shell.refuse(
            "face across the corner", "it stands almost along a wall", "Make both ends of the corner more alike."
        )
    return Corner(plan, shell, lines, slant, back)
