# SPDX-License-Identifier: GPL-3.0-or-later
"""Back laid on over everything: it squares the case, and its edge shows at a finished end.

W x case height, the sides shallower by its thickness (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import Face, Placed
from ..lengths import ZERO, Length, inches
from ..reckoning import Reckoned
from ..stock import Rack
from .back import BACK, back_thickness, clear_before, is_thick, nailed
from .fields import option, size, stock
from .rails import inside_rails
from .shell import Lines, Shell, Work


@dataclass(frozen=True, slots=True)
class LaidOnBack:
    """Choices of a back laid on.

    Args:
        goods: code of its stock.
        rail: width of the hanging rails in front of it.
        upper_rail: whether there is a rail under the top.
        lower_rail: whether there is one on the bottom.
    """

    goods: str = stock("stock of the back", "back")
    rail: Length = size("hanging rail width", inches("3 1/2"))
    upper_rail: bool = option("a rail under the top", True)
    lower_rail: bool = option("a rail on the bottom", False)

    words = "laid on"
    over_edges = True

    def hangs(self, rack: Rack) -> bool:
        """Whether there is something to screw through to the wall: a rail, or a back that is thick enough itself."""
        return self.upper_rail or is_thick(rack, self.goods)

    def side_depth(self, shell: Shell) -> Reckoned:
        """Return the depth of the sides: the carcass' less the back's thickness."""
        return self.clear_depth(shell)

    def clear_depth(self, shell: Shell) -> Reckoned:
        """Return the depth from the carcass' front edge to the back's face.

        Raises:
            SizeImpossible: if nothing is left in front of the back.
        """
        return clear_before(shell, back_thickness(shell, self.goods))

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Return the back and the rails in front of it.

        Raises:
            SizeImpossible: if there is no room for the rails.
        """
        book = shell.book
        width = book.named(shell.over_sides, "back, width", "back/width")
        total = shell.height - lines.floor if lines.floor.length else shell.height.times(1)
        height = book.named(total, "back, length", "back/length")
        corner = (ZERO, shell.front + lines.clear_depth.length, lines.floor.length)
        part = Placed(
            BACK,
            "back",
            self.goods,
            height,
            width,
            back_thickness(shell, self.goods),
            (2, 0, 1),
            corner,
            shows=Face.FRONT,
        )
        work = Work(parts=[part])
        work.add(inside_rails(shell, lines, self.rail, self.upper_rail, self.lower_rail))
        return work

    def hold(self, work: Work) -> None:
        """Ask for what holds it to the case, once everything it lies against is there."""
        nailed(work, True)
