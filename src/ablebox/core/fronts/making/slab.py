# SPDX-License-Identifier: GPL-3.0-or-later
"""Slab: one piece of sheet, banded all around."""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import Cut, CutKind, Face, Placed
from ...assembly.solid import Box
from ...case.fields import band, stock
from ...case.shell import Shell, Work
from ...lengths import Length, millimetres
from ..leaf import Leaf
from .one_piece import OnePiece


@dataclass(frozen=True, slots=True)
class Slab(OnePiece):
    """Choices of a slab.

    Args:
        goods: code of its stock.
        edging: code of the band on all four edges; empty for bare edges.
    """

    goods: str = stock("stock of the fronts", "doors")
    edging: str = band("band of the fronts", "veneer")

    words = "slab"

    def build(self, shell: Shell, leaf: Leaf) -> Work:
        """Return the slab.

        Raises:
            SizeImpossible: if a lip leaves nothing of it.
        """
        thickness = self.thickness(shell)
        edging = shell.rack.edging(self.edging)
        bands = tuple((face, edging) for face in (Face.LEFT, Face.RIGHT, Face.BOTTOM, Face.TOP)) if edging else ()
        corner = (leaf.x, leaf.back - thickness.length, leaf.z)
        long, wide, axes = (leaf.width, leaf.height, (0, 2, 1)) if leaf.level else (leaf.height, leaf.width, (2, 0, 1))
        part = Placed(leaf.role, leaf.name, self.goods, long, wide, thickness, axes, corner, hand=leaf.hand,
                      bands=bands, shows=Face.FRONT, stands="front", matched=leaf.matched)  # fmt: skip
        work = Work(parts=[part])
        if leaf.lip:
            shell.need(thickness.length - leaf.lip, millimetres(3), "lip of the front", "Use thicker stock.")
            for cut in lips(part.box, leaf.lip):
                work.cut(leaf.role, cut)
        return work


def lips(box: Box, lip: Length) -> list[Cut]:
    """Return the rabbets all around the back of a lipped front, as wide as they are deep."""
    t, back = lip.ticks, box.high[1]
    (x0, _, z0), (x1, _, z1) = box.low, box.high
    found = []
    for low, high in (
        ((x0, back - t, z0), (x0 + t, back, z1)),
        ((x1 - t, back - t, z0), (x1, back, z1)),
        ((x0 + t, back - t, z0), (x1 - t, back, z0 + t)),
        ((x0 + t, back - t, z1 - t), (x1 - t, back, z1)),
    ):
        found.append(Cut(CutKind.RABBET, "for the lip", Box(low, high), Face.BACK, filled=False))
    return found
