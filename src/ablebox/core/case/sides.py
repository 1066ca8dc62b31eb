# SPDX-License-Identifier: GPL-3.0-or-later
"""The two sides: mirror images of each other, from what the case stands on up to the top."""

from __future__ import annotations

from ..assembly.part import Face, Hand, Placed
from ..lengths import ZERO, inches
from .shell import LEFT, RIGHT, Lines, Shell, Work


def build(shell: Shell, lines: Lines) -> Work:
    """Return the two sides, before other schools cut into them.

    Raises:
        SizeImpossible: if there is no room between them.
    """
    inside = shell.inside
    remedy = "Make the case wider or its stock thinner."
    shell.need(inside.length, shell.thickness.length, "inside width", remedy)
    total = lines.side_top - lines.foot if lines.foot.length else lines.side_top.times(1)
    length = shell.book.named(total, "side, length", "side/length")
    width = shell.book.named(lines.side_depth, "side, width", "side/width")
    shell.need(length.length, inches(2), "side length", "Make the case higher, or what it stands on lower.")
    work = Work(sums=[inside])
    for role, x, hand, seen in (
        (LEFT, ZERO, Hand.LEFT, Face.RIGHT),
        (RIGHT, shell.over_sides.length - shell.thickness.length, Hand.RIGHT, Face.LEFT),
    ):
        work.parts.append(
            Placed(
                role,
                f"side, {hand.value}",
                shell.goods.code,
                length,
                width,
                shell.thickness,
                (2, 1, 0),
                (x, shell.front, lines.foot.length),
                hand=hand,
                bands=shell.band(Face.FRONT),
                shows=seen,
            )
        )
    return work
