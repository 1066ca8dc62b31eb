# SPDX-License-Identifier: GPL-3.0-or-later
"""Adjustable shelves on pins.

Play 1/8 to 1/4 in in the width and 1/4 in in the depth; holes 1/4 in or 5 mm, 1 in or 32 mm
apart, none in the lowest and highest few inches; the front row is set from the front edge,
the back row from the back's face (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import Face, Placed
from ..lengths import ZERO, Length, inches, millimetres
from .shell import Interior, Shell, Work


@dataclass(frozen=True, slots=True)
class PinShelves:
    """Choices of shelves on pins.

    Args:
        count: how many shelves.
        play: what is taken off the inside width, over both ends.
        setback: how far the front edge stays behind the case's.
        hole: diameter of the pin holes.
        hole_depth: depth of the pin holes.
        pitch: from hole to hole.
        inset: from front edge and back's face to the rows.
        margin: the lowest hole above the floor, and at least this below the top.
    """

    count: int = 1
    play: Length = inches("1/8")
    setback: Length = inches("1/4")
    hole: Length = inches("1/4")
    hole_depth: Length = inches("3/8")
    pitch: Length = inches(1)
    inset: Length = inches(2)
    margin: Length = inches(4)

    def __post_init__(self) -> None:
        if not 0 <= self.count <= 20:
            raise ValueError("a case has 0 to 20 shelves on pins")

    def pin_heights(self, shell: Shell, interior: Interior) -> list[Length]:
        """Return the heights of the holes in a row, lowest first, measured from the ground."""
        low, high = interior.floor_top.length + self.margin, interior.ceiling.length - self.margin
        shell.need(self.pitch, self.hole + millimetres(3), "pitch of the pin holes", "Space the holes farther apart.")
        count = (high - low).ticks // self.pitch.ticks + 1 if high >= low else 0
        return [low + self.pitch * i for i in range(count)]

    def build(self, shell: Shell, interior: Interior) -> Work:
        """Return the shelves, each on the pins nearest to an equal division, and the pin holes.

        Raises:
            SizeImpossible: if there is no room for the shelves or the rows of holes.
        """
        if not self.count:
            return Work()
        thickness, depth = shell.thickness.length, interior.clear_depth.length
        shell.need(thickness - self.hole_depth, millimetres(1), "wood behind the pin holes", "Bore them shallower.")
        shell.need(self.hole, millimetres(2), "pin hole", "Type the pins' diameter, such as 1/4 in or 5 mm.")
        shell.need(self.hole_depth, millimetres(2), "pin hole depth", "Type a depth, such as 3/8 in.")
        shell.need(self.margin, self.hole, "margin of the pin holes", "Keep the holes away from floor and top.")
        shell.need(self.inset, self.hole, "inset of the pin holes", "Keep the holes away from the edges.")
        between = depth - self.inset * 2
        shell.need(between, self.hole * 2, "room between the rows of pin holes", "Set the rows nearer to the edges.")
        holes = self.pin_heights(shell, interior)
        if len(holes) < self.count:
            raise shell.refuse(
                "shelf pins", f"there is room for {len(holes)} rows of holes", "Take fewer shelves or a higher case."
            )
        work = self._shelves(shell, interior, self._levels(shell, interior, holes))
        rows = (self.inset, depth - self.inset)
        work.bore_both_sides("shelf pins", self.hole, self.hole_depth, [(y, z) for y in rows for z in holes])
        return work

    def _levels(self, shell: Shell, interior: Interior, holes: list[Length]) -> list[Length]:
        """Return the height of each shelf's underside: the top of a pin near an equal division."""
        clear = interior.ceiling.length - interior.floor_top.length
        levels: list[Length] = []
        start = 0
        for i in range(self.count):
            target = interior.floor_top.length.ticks + clear.ticks * (i + 1) // (self.count + 1)
            last = len(holes) - (self.count - 1 - i)
            start = min(range(start, last), key=lambda n: abs(holes[n].ticks - target)) + 1
            levels.append(holes[start - 1] + self.hole.share(2)[0])
        tops = [*levels[1:], interior.ceiling.length]
        for low, high in zip(levels, tops, strict=True):
            shell.need(high - low - shell.thickness.length, ZERO, "room above a shelf", "Take fewer shelves.")
        return levels

    def _shelves(self, shell: Shell, interior: Interior, levels: list[Length]) -> Work:
        book = shell.book
        play = book.chosen(self.play, "play, both ends", "shelf.play")
        setback = book.chosen(self.setback, "set back at the front", "shelf.setback")
        length = book.named(shell.inside - play, "shelf, length", "shelf/length")
        width = book.named(interior.clear_depth - setback, "shelf, width", "shelf/width")
        shell.need(self.play, ZERO, "play of the shelf", "Type 0 or more.")
        shell.need(self.setback, ZERO, "setback of the shelf", "Type 0 or more.")
        shell.need(length.length, inches(1), "shelf length", "Make the play less.")
        shell.need(width.length, inches(1), "shelf width", "Make the setback less.")
        work = Work(sums=[play, setback])
        x = shell.thickness.length + self.play.share(2)[0]
        for i, level in enumerate(levels):
            work.parts.append(
                Placed(
                    f"shelf.{i + 1}",
                    "shelf",
                    shell.goods.code,
                    length,
                    width,
                    shell.thickness,
                    (0, 1, 2),
                    (x, self.setback, level),
                    bands=shell.band(Face.FRONT),
                    shows=Face.TOP,
                )
            )
        return work
