# SPDX-License-Identifier: GPL-3.0-or-later
"""Back in rabbets along the sides' back edges: its edges are hidden.

W - 2(t - j) less a play of 1/16 in, with j the depth of the rabbet (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import CutKind, Face, Placed
from ..lengths import ZERO, Length, inches, millimetres
from ..reckoning import Reckoned
from ..stock import Rack
from .back import BACK, back_thickness, clear_before, is_thick, nailed
from .fields import option, size, stock
from .rails import inside_rails
from .shell import Lines, Shell, Work


@dataclass(frozen=True, slots=True)
class RabbetedBack:
    """Choices of a back in rabbets.

    Args:
        goods: code of its stock.
        rabbet: how far it reaches over each side.
        play: what is taken off its width, over both sides, so that it goes in.
        rail: width of the hanging rails in front of it.
        upper_rail: whether there is a rail under the top.
        lower_rail: whether there is one on the bottom.
    """

    goods: str = stock("stock of the back", "back")
    rabbet: Length = size("rabbet depth", inches("3/8"))
    play: Length = size("play, to set it in", inches("1/16"), zero=True)
    rail: Length = size("hanging rail width", inches("3 1/2"))
    upper_rail: bool = option("a rail under the top", True)
    lower_rail: bool = option("a rail on the bottom", False)

    words = "in a rabbet"
    over_edges = False

    def hangs(self, rack: Rack) -> bool:
        """Whether there is something to screw through to the wall: a rail, or a back that is thick enough itself."""
        return self.upper_rail or is_thick(rack, self.goods)

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
        """Return the back, its rabbets, and the rails in front of it.

        Raises:
            SizeImpossible: if nothing is left of the side beside the rabbet.
        """
        shell.need(self.rabbet, millimetres(1), "rabbet depth", "Type a depth, such as 3/8 in.")
        left = shell.thickness.length - self.rabbet
        shell.need(left, millimetres(1), "wood left beside the back's rabbet", "Make the rabbet shallower.")
        shell.need(self.play, ZERO, "play of the back", "Type 0 or more.")
        held = self.rabbet - self.play
        shell.need(held, millimetres(1), "what the rabbet holds of the back", "Make it deeper or the play less.")
        book, thickness = shell.book, back_thickness(shell, self.goods)
        rabbet = book.chosen(self.rabbet, "rabbet depth", "back.rabbet")
        play = book.chosen(self.play, "play, to set it in", "back.play")
        half = self.play.share(2)[0]
        width = book.named(shell.inside + rabbet.times(2) - play, "back, width", "back/width")
        height = book.named(lines.side_top - lines.back_foot, "back, length", "back/length")
        face = shell.front + lines.clear_depth.length
        reach = (face, face + thickness.length)
        low = max(lines.back_foot.length, lines.foot.length)
        work = Work(sums=[rabbet, play])
        rise = (low, lines.side_top.length)
        work.cut_both_sides(shell, CutKind.RABBET, "for the back", reach, rise, self.rabbet, half)
        corner = (shell.thickness.length - self.rabbet + half, face, lines.back_foot.length)
        work.parts.append(
            Placed(BACK, "back", self.goods, height, width, thickness, (2, 0, 1), corner, shows=Face.FRONT)
        )
        work.add(inside_rails(shell, lines, self.rail, self.upper_rail, self.lower_rail))
        return work

    def hold(self, work: Work) -> None:
        """Ask for what holds it to the case, once everything it lies against is there."""
        nailed(work, True)
