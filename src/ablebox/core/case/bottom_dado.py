# SPDX-License-Identifier: GPL-3.0-or-later
"""Bottom in dadoes: it lies on the kick board and in a dado in each side.

Dadoes are 1/4 to 3/8 in deep in 3/4 in stock and never over half of it; they are as wide as
the stock really is (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import CutKind, Face, Placed
from ..lengths import ZERO, Length, inches, millimetres
from .shell import Interior, Shell, Work


@dataclass(frozen=True, slots=True)
class DadoBottom:
    """Choices of the bottom in dadoes.

    Args:
        dado: how deep the dadoes are.
    """

    dado: Length = inches("1/4")

    def build(self, shell: Shell, interior: Interior) -> Work:
        """Return the bottom and its dadoes.

        Raises:
            SizeImpossible: if a dado would go through the side.
        """
        shell.need(self.dado, millimetres("0.5"), "dado depth", "Type a depth, such as 1/4 in.")
        left = shell.thickness.length - self.dado
        shell.need(left, millimetres(1), "wood left under the dado", "Make the dado shallower.")
        book = shell.book
        dado = book.chosen(self.dado, "dado depth", "bottom.dado")
        length = book.named(shell.inside + dado.times(2), "bottom, length", "bottom/length")
        width = book.named(interior.clear_depth, "bottom, width", "bottom/width")
        work = Work(sums=[dado])
        reach = (ZERO, interior.clear_depth.length)
        rise = (interior.floor.length, interior.floor_top.length)
        work.cut_both_sides(shell, CutKind.DADO, "for the bottom", reach, rise, self.dado)
        work.parts.append(
            Placed(
                "bottom",
                "bottom",
                shell.goods.code,
                length,
                width,
                shell.thickness,
                (0, 1, 2),
                (shell.thickness.length - self.dado, ZERO, interior.floor.length),
                bands=shell.band(Face.FRONT),
                shows=Face.TOP,
            )
        )
        return work
