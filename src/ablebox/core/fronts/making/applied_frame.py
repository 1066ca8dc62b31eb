# SPDX-License-Identifier: GPL-3.0-or-later
"""Applied frame: a slab with flat strips glued on its face, so that it looks like frame and panel.

Stiles run through, rails = width - 2 stiles; the front is as thick as slab and strips together
(common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import Face, Placed
from ...assembly.role import PartKind, Side
from ...case.fields import band, size, stock
from ...case.shell import Shell, Work
from ...lengths import Length, inches
from ...reckoning import Reckoned
from ..leaf import Leaf
from .one_piece import OnePiece
from .slab import Slab


@dataclass(frozen=True, slots=True)
class AppliedFrame(OnePiece):
    """Choices of an applied frame.

    Args:
        goods: code of the slab's stock.
        edging: code of the band on its edges; empty for bare edges.
        strips: code of the strips' stock.
        stile: width of the stiles.
        rail: width of the rails.
    """

    goods: str = stock("stock of the fronts", "doors")
    edging: str = band("band of the fronts", "veneer")
    strips: str = stock("stock of the strips", "back")
    stile: Length = size("stile width", inches("2 1/4"))
    rail: Length = size("rail width", inches("2 1/4"))

    words = "slab, applied frame"

    @property
    def _slab(self) -> Slab:
        return Slab(self.goods, self.edging)

    def _strip(self, shell: Shell) -> Reckoned:
        return shell.rack.sheet_goods(self.strips).reckoned_thickness("strip thickness", shell.units)

    def thickness(self, shell: Shell) -> Reckoned:
        """Return how thick slab and strips are together."""
        total = self._slab.thickness(shell) + self._strip(shell)
        return Reckoned(total.length, "front thickness", terms=total.terms)

    def build(self, shell: Shell, leaf: Leaf) -> Work:
        """Return the slab and its strips.

        Raises:
            SizeImpossible: if the strips leave nothing between them.
        """
        book, key = shell.book, leaf.role
        thin = self._strip(shell)
        stile = book.chosen(self.stile, "stile width", f"{leaf.made}.stile")
        rail = book.chosen(self.rail, "rail width", f"{leaf.made}.rail")
        between = book.named(leaf.width - stile.times(2), "applied rail, length", f"{key}.rail/length")
        hole = book.named(leaf.height - rail.times(2), "between the applied rails", f"{key}.hole/height")
        for number in (between, hole):
            shell.need(number.length, inches("1/2"), f"{number.label} of the {leaf.name}", "Make the strips narrower.")
        work = self._slab.build(shell, leaf)
        y = leaf.back - self.thickness(shell).length
        long = book.named(leaf.height, "applied stile, length", f"{key}.stile/length")
        wide = book.named(stile, "applied stile, width", f"{key}.stile/width")
        high = book.named(rail, "applied rail, width", f"{key}.rail/width")
        right, top = leaf.x + leaf.width.length - self.stile, leaf.z + leaf.height.length - self.rail
        upright, level = (2, 0, 1), (0, 2, 1)
        rows: tuple[
            tuple[PartKind, Side, tuple[Reckoned, Reckoned], tuple[int, int, int], tuple[Length, Length]], ...
        ] = (
            (PartKind.APPLIED_STILE, Side.LEFT, (long, wide), upright, (leaf.x, leaf.z)),
            (PartKind.APPLIED_STILE, Side.RIGHT, (long, wide), upright, (right, leaf.z)),
            (PartKind.APPLIED_RAIL, Side.BOTTOM, (between, high), level, (leaf.x + self.stile, leaf.z)),
            (PartKind.APPLIED_RAIL, Side.TOP, (between, high), level, (leaf.x + self.stile, top)),
        )
        for kind, side, (a, b), axes, (x, z) in rows:
            name = "stile" if kind is PartKind.APPLIED_STILE else "rail"
            work.parts.append(
                Placed(key.part(kind, side), f"{leaf.name}: applied {name}", self.strips, a, b, thin, axes, (x, y, z),
                       shows=Face.FRONT, stands="front")
            )  # fmt: skip
        work.sums += [between, hole]
        return work
