# SPDX-License-Identifier: GPL-3.0-or-later
"""The two sides: full height to the floor, mirror images of each other."""

from __future__ import annotations

from ..assembly.part import Face, Hand, Placed
from ..lengths import ZERO
from .shell import LEFT, RIGHT, Shell, Work


def build(shell: Shell) -> Work:
    """Return the two sides, before other schools cut into them.

    Raises:
        SizeImpossible: if there is no room between them.
    """
    inside = shell.inside
    remedy = "Make the case wider or its stock thinner."
    shell.need(inside.length, shell.thickness.length, "inside width", remedy)
    length = shell.book.named(shell.height, "side, length", "side/length")
    width = shell.book.named(shell.depth, "side, width", "side/width")
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
                (x, ZERO, ZERO),
                hand=hand,
                bands=shell.band(Face.FRONT),
                shows=seen,
            )
        )
    return work
