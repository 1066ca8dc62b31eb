# SPDX-License-Identifier: GPL-3.0-or-later
"""Back in a groove, with hanging rails behind it.

The groove is set in from the back edge by the thickness of the rail; bottom, shelf and
top stop in front of it. Back = W - 2t + 2 x groove depth - play, the play 1/16 in
(common practice). A thin back carries no load: the case is fastened through the rails.
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import CutKind, Face, Placed
from ..lengths import ZERO, Length, inches, millimetres
from ..reckoning import Reckoned
from ..stock import Rack
from .back import BACK, back_thickness, clear_before, nailed
from .fields import option, size, stock
from .rails import LOWER, UPPER, rails
from .shell import Lines, Shell, Work


@dataclass(frozen=True, slots=True)
class GroovedBack:
    """Choices of the back in a groove.

    Args:
        goods: code of its stock.
        groove: how deep the grooves are.
        play: what is taken off its width, over both sides, so that it slides in.
        rail: width of the hanging rails, floor to top.
        lower_rail: whether there is one at the bottom as well.
    """

    goods: str = stock("stock of the back", "back")
    groove: Length = size("groove depth", inches("1/4"))
    play: Length = size("play, to slide it in", inches("1/16"), zero=True)
    rail: Length = size("hanging rail width", inches("3 1/2"))
    lower_rail: bool = option("a rail at the bottom as well", False)

    words = "in a groove"
    over_edges = False

    def hangs(self, rack: Rack) -> bool:
        """Whether there is something to screw through to the wall: its hanging rails."""
        return True

    def side_depth(self, shell: Shell) -> Reckoned:
        """Return the depth of the sides: all of the carcass'."""
        return shell.carcass_depth

    def clear_depth(self, shell: Shell) -> Reckoned:
        """Return the depth from the carcass' front edge to the back's face.

        Raises:
            SizeImpossible: if nothing is left in front of the back.
        """
        rail = shell.goods.reckoned_thickness("hanging rail thickness", shell.units)
        return clear_before(shell, rail, back_thickness(shell, self.goods))

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Return back, hanging rails and grooves.

        Raises:
            SizeImpossible: if the groove would go through the side, or the play empty it.
        """
        shell.need(self.play, ZERO, "play of the back", "Type 0 or more.")
        side_left = shell.thickness.length - self.groove
        shell.need(side_left, millimetres(1), "wood left under the back's groove", "Make the groove shallower.")
        held = self.groove - self.play.share(2)[0]
        remedy = "Make the groove deeper or the play less."
        shell.need(held, millimetres(1), "what the groove holds of the back", remedy)
        count = 2 if self.lower_rail else 1
        top, foot = lines.side_top.length, lines.back_foot.length
        shell.need(top - foot - self.rail * count, ZERO, "room for the hanging rails", "Make the rails narrower.")
        work = self._back(shell, lines)
        heights = [(UPPER, top - self.rail)]
        if self.lower_rail:
            heights.append((LOWER, foot))
        y = shell.front + shell.carcass_depth.length - shell.thickness.length
        work.add(rails(shell, self.rail, y, tuple(heights), False))
        return work

    def _back(self, shell: Shell, lines: Lines) -> Work:
        book, thickness = shell.book, back_thickness(shell, self.goods)
        groove = book.chosen(self.groove, "groove depth", "back.groove")
        play = book.chosen(self.play, "play, to slide it in", "back.play")
        width = book.named(shell.inside + groove.times(2) - play, "back, width", "back/width")
        height = book.named(lines.side_top - lines.back_foot, "back, length", "back/length")
        left_play = self.play.share(2)[0]
        face = shell.front + lines.clear_depth.length
        reach = (face, face + thickness.length)
        rise = (lines.back_foot.length, lines.side_top.length)
        work = Work(sums=[groove, play])
        work.cut_both_sides(shell, CutKind.GROOVE, "for the back", reach, rise, self.groove, left_play)
        corner = (shell.thickness.length - self.groove + left_play, face, lines.back_foot.length)
        work.parts.append(
            Placed(BACK, "back", self.goods, height, width, thickness, (2, 0, 1), corner, shows=Face.FRONT)
        )
        return work

    def hold(self, work: Work) -> None:
        """Ask for what holds it to the case, once everything it lies against is there."""
        nailed(work, False)
