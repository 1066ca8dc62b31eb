# SPDX-License-Identifier: GPL-3.0-or-later
"""A thick structural back between the sides, 1/2 to 3/4 in: it carries the case, so there are no rails."""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.joint import Way
from ..assembly.part import Face, Placed
from ..reckoning import Reckoned
from ..stock import Rack
from .back import BACK, THICK, back_thickness, clear_before, screwed
from .fields import check_names, one_of, stock
from .joint.butt import FASTENERS
from .joint.fasten import butted
from .shell import LEFT, RIGHT, Lines, Shell, Work


@dataclass(frozen=True, slots=True)
class ThickBack:
    """Choices of a thick back.

    Args:
        goods: code of its stock.
        fastener: what holds it.
    """

    goods: str = stock("stock of the back", "case")
    fastener: str = one_of("held by", "pocket", FASTENERS)

    words = "thick, between the sides"
    over_edges = False

    def __post_init__(self) -> None:
        check_names(self)

    def hangs(self, rack: Rack) -> bool:
        """Whether there is something to screw through to the wall: the back itself."""
        return True

    def side_depth(self, shell: Shell) -> Reckoned:
        """Return the depth of the sides: all of the carcass'."""
        return shell.carcass_depth

    def clear_depth(self, shell: Shell) -> Reckoned:
        """Return the depth from the carcass' front edge to the back's face.

        Raises:
            SizeImpossible: if nothing is left in front of the back.
        """
        return clear_before(shell, back_thickness(shell, self.goods))

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Return the back.

        Raises:
            SizeImpossible: if its stock is too thin to carry the case.
        """
        thickness = back_thickness(shell, self.goods)
        shell.need(
            thickness.length,
            THICK,
            "thickness of the structural back",
            "Take thicker stock, or a thin back with rails.",
        )
        book = shell.book
        width = book.named(shell.inside, "back, width", "back/width")
        height = book.named(lines.side_top - lines.back_foot, "back, length", "back/length")
        corner = (shell.thickness.length, shell.front + lines.clear_depth.length, lines.back_foot.length)
        part = Placed(BACK, "back", self.goods, height, width, thickness, (2, 0, 1), corner, shows=Face.FRONT)
        work = Work(parts=[part])
        for side in (LEFT, RIGHT):
            butted(work, Way(self.fastener), BACK, side, Face.BACK)
        return work

    def hold(self, work: Work) -> None:
        """Ask for what holds it to the case, once everything it lies against is there."""
        screwed(work)
