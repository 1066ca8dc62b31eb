# SPDX-License-Identifier: GPL-3.0-or-later
"""A panel of the doors' stock on an end, screwed on from inside; it takes its thickness of the run.

To the floor, and out over the fronts, or flush with the face (common practice). Behind a face frame that stands proud it
begins at the frame's back.
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.joint import Spacing, Way
from ...assembly.part import Face, Hand, Placed
from ...assembly.role import PartKind, Role, Side
from ...lengths import ZERO, Length, inches
from ...reckoning import Reckoned
from ...stock import Rack
from ...units import Units
from ..fields import band, option, size, stock
from ..shell import LEFT, RIGHT, Lines, Shell, Work


@dataclass(frozen=True, slots=True)
class EndPanel:
    """Choices of an end panel.

    Args:
        goods: code of its stock.
        edging: code of the band on its front edge.
        to_floor: whether it goes down to the floor, past the toe kick.
        fronts: whether it covers the edges of the fronts.
        scribe: what it is cut wider at the wall, to be scribed.
    """

    goods: str = stock("stock of the end panel", "doors")
    edging: str = band("band of the end panel", "veneer")
    to_floor: bool = option("down to the floor", True)
    fronts: bool = option("out over the fronts", True)
    scribe: Length = size("cut wider, to scribe", ZERO, zero=True)

    words = "an end panel"

    def thickness(self, rack: Rack, units: Units) -> Reckoned:
        """Return the thickness of its stock."""
        return rack.sheet_goods(self.goods).reckoned_thickness("end panel, thickness", units)

    def build(self, shell: Shell, lines: Lines, side: str, fronts: Length) -> Work:
        """Return the panel.

        Args:
            shell: the case.
            lines: its lines.
            side: ``left`` or ``right``.
            fronts: what the fronts stand out by.

        Raises:
            SizeImpossible: if its stock is thicker than a frame before it is proud.
        """
        book, thick = shell.book, self.thickness(shell.rack, shell.units)
        proud = shell.proud[0 if side == "left" else 1]
        if proud:
            shell.need(proud - thick.length, ZERO, f"frame proud before the {side} end panel", "Let it stand prouder.")
        tall = shell.height.times(1)
        low = ZERO
        if not self.to_floor and lines.line.length:
            tall, low = shell.height - lines.line, lines.line.length
        length = book.named(tall, "end panel, length", f"end.{side}/length")
        # Behind a frame that covers its edge it is as deep as the carcass.
        deep, y = (shell.carcass_depth.times(1), shell.front) if proud else (shell.depth.times(1), ZERO)
        if self.fronts and fronts and not proud:
            deep, y = (
                deep + book.chosen(fronts, "front thickness", f"end.{side}/fronts", "what stands before the face"),
                ZERO - fronts,
            )
        if self.scribe:
            deep = deep + book.chosen(self.scribe, "cut wider, to scribe", f"{side}_seen.scribe")
        width = book.named(deep, "end panel, width", f"end.{side}/width")
        edging = shell.rack.edging(self.edging)
        left = side == "left"
        x = ZERO - thick.length if left else shell.over_sides.length
        part = Placed(Role(PartKind.END_PANEL, Side(side)), f"end panel, {side}", self.goods, length, width, thick, (2, 1, 0), (x, y, low),
                      hand=Hand.LEFT if left else Hand.RIGHT, bands=((Face.FRONT, edging),) if edging else (),
                      shows=Face.LEFT if left else Face.RIGHT, stands="apart")  # fmt: skip
        work = Work(parts=[part], sums=[thick])
        if edging and edging.deduction:
            shell.need(width.length - edging.deduction, inches(1), "end panel, width", "Take a thinner band.")
        work.join(Way.SCREWS, LEFT if left else RIGHT, part.role, Spacing.END_PANEL)
        return work
