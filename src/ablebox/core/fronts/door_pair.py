# SPDX-License-Identifier: GPL-3.0-or-later
"""A pair of slab doors in full overlay on a frameless case, or over a face frame.

Front = outside - 2 x reveal; each door of a pair (W - 2 reveals - gap) / 2; reveal 1/16 in
or 1.5 to 2 mm, gap 1/8 in or 3 mm (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, field

from ..assembly.part import Face, Hand, Holes, Placed
from ..case.fields import band, size, stock
from ..case.shell import Lines, Shell, Work
from ..lengths import ZERO, Length, inches, millimetres
from ..reckoning import Reckoned
from .hinges import PLATE_DEPTH, PLATE_HOLE, PLATE_LINE, PLATE_SCREWS, CupHinge, hinge_heights


@dataclass(frozen=True, slots=True)
class DoorPair:
    """Choices of a pair of full overlay slab doors.

    Args:
        goods: code of their stock.
        edging: code of the band on all four edges; empty for bare edges.
        reveal: what shows of the case at each side.
        reveal_top: what shows above the doors.
        reveal_bottom: what shows of the bottom below them.
        gap: between the two doors.
        hinge: the hinges.
    """

    goods: str = stock("stock of the doors", "doors")
    edging: str = band("band of the doors", "veneer")
    reveal: Length = size("reveal at the sides", inches("1/16"), zero=True)
    reveal_top: Length = size("reveal above the doors", inches("1/16"), zero=True)
    reveal_bottom: Length = size("reveal below the doors", inches("1/16"), zero=True)
    gap: Length = size("gap between the doors", inches("1/8"), zero=True)
    hinge: CupHinge = field(default_factory=CupHinge)

    words = "pair of doors, full overlay"

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Return both doors, with their cups, and the plate holes in the sides.

        Raises:
            SizeImpossible: if a door has no size or cannot take its hinges.
        """
        for length, what in (
            (self.reveal, "reveal at the sides"),
            (self.reveal_top, "reveal above the doors"),
            (self.reveal_bottom, "reveal below the doors"),
            (self.gap, "gap between the doors"),
        ):
            shell.need(length, ZERO, what, "Type 0 or more.")
        width, height = self._sizes(shell, lines)
        goods = shell.rack.sheet_goods(self.goods)
        shell.need(
            goods.thickness - self.hinge.depth, millimetres(1), "wood behind the hinge cups", "Use thicker doors."
        )
        shell.need(self.hinge.cup, millimetres(10), "hinge cup", "Type the cup's diameter, such as 35 mm.")
        cup_room = width.length - self.hinge.cup - self.hinge.edge * 2
        shell.need(cup_room, ZERO, "door width beside the hinge cups", "Make the case wider.")
        shell.need(height.length, inches(8), "door height", "Make the case higher or the kick lower.")

        work = Work(sums=self._choices(shell))
        heights = [lines.line.length + self.reveal_bottom + h for h in hinge_heights(height.length)]
        self._add_doors(shell, lines, work, width, height, heights)
        work.hardware += [("concealed hinges with plates, full overlay", 2 * len(heights)), ("pulls or knobs", 2)]
        if shell.frame is not None:
            # Plates are screwed to the stiles, not to the sides behind them.
            return work
        half = PLATE_SCREWS.share(2)[0]
        plates = [(PLATE_LINE, z + offset) for z in heights for offset in (-half, half)]
        work.bore_both_sides("hinge plates", PLATE_HOLE, PLATE_DEPTH, plates)
        return work

    def _choices(self, shell: Shell) -> list[Reckoned]:
        return [
            shell.book.chosen(self.reveal, "reveal, each side", "fronts.reveal"),
            shell.book.chosen(self.reveal_top, "reveal, top", "fronts.reveal_top"),
            shell.book.chosen(self.reveal_bottom, "reveal, bottom", "fronts.reveal_bottom"),
            shell.book.chosen(self.gap, "gap between the doors", "fronts.gap"),
        ]

    def _sizes(self, shell: Shell, lines: Lines) -> tuple[Reckoned, Reckoned]:
        reveal, top, bottom, gap = self._choices(shell)
        both = shell.over_sides - reveal.times(2) - gap
        for proud, side in zip(shell.proud, ("left", "right"), strict=True):
            if proud:
                both = both + shell.book.chosen(proud, f"frame proud of the {side} side", f"frame.{side}.proud")
        shell.need(both.length, inches(4), "width of both doors", "Make the case wider or the reveals less.")
        width = shell.book.shared(both, 2, "door, width", "door/width")
        total = shell.height - top - bottom
        if lines.line.length:
            total = shell.height - lines.line - top - bottom
        return width, shell.book.named(total, "door, length", "door/length")

    def _add_doors(
        self, shell: Shell, lines: Lines, work: Work, width: Reckoned, height: Reckoned, heights: list[Length]
    ) -> None:
        goods = shell.rack.sheet_goods(self.goods)
        thickness = goods.reckoned_thickness("door thickness", shell.units)
        edging = shell.rack.edging(self.edging)
        bands = tuple((face, edging) for face in (Face.LEFT, Face.RIGHT, Face.BOTTOM, Face.TOP)) if edging else ()
        z = lines.line.length + self.reveal_bottom
        inwards = self.hinge.edge + self.hinge.cup.share(2)[0]
        left_x = self.reveal - shell.proud[0]
        right_x = shell.over_sides.length + shell.proud[1] - self.reveal - width.length
        for hand, x, cup_x in (
            (Hand.LEFT, left_x, left_x + inwards),
            (Hand.RIGHT, right_x, right_x + width.length - inwards),
        ):
            centres = tuple((cup_x.ticks, 0, h.ticks) for h in heights)
            cups = Holes("hinge cups", Face.BACK, self.hinge.cup, self.hinge.depth, centres)
            work.parts.append(
                Placed(
                    f"door.{hand.value}",
                    f"door, {hand.value}",
                    self.goods,
                    height,
                    width,
                    thickness,
                    (2, 0, 1),
                    (x, -goods.thickness, z),
                    hand=hand,
                    holes=(cups,),
                    bands=bands,
                    shows=Face.FRONT,
                    stands="front",
                )
            )
