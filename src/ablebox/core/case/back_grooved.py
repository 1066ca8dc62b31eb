# SPDX-License-Identifier: GPL-3.0-or-later
"""Back in a groove, with a hanging rail behind it.

The groove is set in from the back edge by the thickness of the rail; bottom, shelf and
stretchers stop in front of it. Back = W - 2t + 2 x groove depth - play, the play 1/16 in
(common practice). A thin back carries no load: the case is fastened through the rail.
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import CutKind, Face, Placed
from ..lengths import ZERO, Length, inches, millimetres
from ..reckoning import Reckoned
from ..stock import Grain
from .shell import Interior, Shell, Work


@dataclass(frozen=True, slots=True)
class GroovedBack:
    """Choices of the back in a groove.

    Args:
        goods: code of its stock.
        groove: how deep the grooves are.
        play: what is taken off its width, over both sides, so that it slides in.
        rail: width of the hanging rail, floor to top.
    """

    goods: str = "back"
    groove: Length = inches("1/4")
    play: Length = inches("1/16")
    rail: Length = inches("3 1/2")

    def _thickness(self, shell: Shell) -> Reckoned:
        return shell.rack.sheet_goods(self.goods).reckoned_thickness("back thickness", shell.units)

    def clear_depth(self, shell: Shell) -> Reckoned:
        """Return the depth from the front edge to the back's face.

        Raises:
            SizeImpossible: if nothing is left in front of the back.
        """
        rail = shell.goods.reckoned_thickness("hanging rail thickness", shell.units)
        depth = shell.book.named(shell.depth - rail - self._thickness(shell), "clear depth", "inside.depth")
        shell.need(depth.length, inches(1), "clear depth", "Make the case deeper or its stock thinner.")
        return depth

    def build(self, shell: Shell, interior: Interior) -> Work:
        """Return back, hanging rail and grooves.

        Raises:
            SizeImpossible: if the groove would go through the side, or the play empty it.
        """
        shell.need(self.play, ZERO, "play of the back", "Type 0 or more.")
        side_left = shell.thickness.length - self.groove
        shell.need(side_left, millimetres(1), "wood left under the back's groove", "Make the groove shallower.")
        held = self.groove - self.play.share(2)[0]
        shell.need(
            held, millimetres(1), "what the groove holds of the back", "Make the groove deeper or the play less."
        )
        rail_room = shell.height.length - interior.floor.length - self.rail
        shell.need(rail_room, ZERO, "room for the hanging rail", "Make the rail narrower or the case higher.")
        shell.need(self.rail, inches("1/2"), "hanging rail width", "Type a width, such as 3 1/2 in.")

        work = Work()
        self._add_back(shell, interior, work)
        self._add_rail(shell, work)
        return work

    def _add_back(self, shell: Shell, interior: Interior, work: Work) -> None:
        book, thickness = shell.book, self._thickness(shell)
        groove = book.chosen(self.groove, "groove depth", "back.groove")
        play = book.chosen(self.play, "play, to slide it in", "back.play")
        width = book.named(shell.inside + groove.times(2) - play, "back, width", "back/width")
        height = book.named(shell.height - interior.floor, "back, length", "back/length")
        left_play = self.play.share(2)[0]
        face = interior.clear_depth.length
        reach = (face, face + thickness.length)
        rise = (interior.floor.length, shell.height.length)
        work.sums += [groove, play]
        work.cut_both_sides(shell, CutKind.GROOVE, "for the back", reach, rise, self.groove, left_play)
        work.parts.append(
            Placed(
                "back",
                "back",
                self.goods,
                height,
                width,
                thickness,
                (2, 0, 1),
                (shell.thickness.length - self.groove + left_play, face, interior.floor.length),
                shows=Face.FRONT,
            )
        )

    def _add_rail(self, shell: Shell, work: Work) -> None:
        book, thickness = shell.book, shell.thickness
        length = book.named(shell.inside, "hanging rail, length", "rail/length")
        chosen = book.chosen(self.rail, "hanging rail width", "rail.width")
        width = book.named(chosen, "hanging rail, width", "rail/width")
        work.sums.append(chosen)
        work.parts.append(
            Placed(
                "rail",
                "hanging rail",
                shell.goods.code,
                length,
                width,
                thickness,
                (0, 2, 1),
                (thickness.length, shell.depth.length - thickness.length, shell.height.length - self.rail),
                grain=Grain.ANY,
            )
        )
