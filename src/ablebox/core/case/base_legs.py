# SPDX-License-Identifier: GPL-3.0-or-later
"""Legs: four square legs of board stock glued up under the bottom, with stretchers between them if wanted.

The legs carry the case under its corners, set in from its outside.

Legs 1 1/2 in square and 6 in high, 1 in inside the edges (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.joint import Way
from ..assembly.part import Placed
from ..assembly.role import PartKind, Role
from ..lengths import ZERO, Length, inches
from ..reckoning import Reckoned
from .bottom import BOTTOM
from .fields import option, size, stock
from .shell import Lines, Shell, Work


@dataclass(frozen=True, slots=True)
class Legs:
    """Choices of the legs.

    Args:
        goods: code of the boards they are cut from; as thick as the legs are.
        height: of the legs.
        thick: width of each leg across its board.
        inset: how far they stand in from the outside.
        stretchers: whether front and back legs are joined by stretchers.
        rise: height of the stretchers' lower edges above the floor.
    """

    goods: str = stock("boards for the legs", "frame", boards=True)
    height: Length = size("height of the legs", inches(6))
    thick: Length = size("width of a leg", inches("1 1/2"))
    inset: Length = size("inset of the legs", inches(1), zero=True)
    stretchers: bool = option("stretchers between the legs", False)
    rise: Length = size("stretchers above the floor", inches(2), zero=True)

    words = "legs"

    def foot(self, shell: Shell) -> Reckoned:
        """Return the height of the sides' lower ends."""
        return self.line(shell)

    def line(self, shell: Shell) -> Reckoned:
        """Return the height of the lower edge of the face: the case stands on its legs.

        Raises:
            SizeImpossible: if the legs have no height.
        """
        shell.need(self.height, inches("1/2"), "height of the legs", "Type their height, such as 6 in.")
        return shell.book.chosen(self.height, "height of the legs", "kick.height")

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Return legs and stretchers.

        Raises:
            SizeImpossible: if they do not fit under the case, or no board is wide enough.
        """
        book, boards = shell.book, shell.rack.board_goods(self.goods)
        if boards.board_for(self.thick) is None:
            widest = shell.units.write(boards.widest, True)
            raise shell.refuse("legs", f"no board of {boards.name} is wider than {widest}", "Make the legs narrower.")
        thick = boards.reckoned_thickness("leg thickness", shell.units)
        # Up to the bottom, which stands higher than the sides where a rail is before its edge.
        up_to = lines.floor if self.inset >= shell.thickness.length else lines.line
        length = book.named(up_to, "leg, length", "leg/length")
        width = book.named(book.chosen(self.thick, "width of a leg", "kick.thick"), "leg, width", "leg/width")
        wide, deep = shell.over_sides.length, lines.side_depth.length
        room_x = wide - (self.inset + self.thick) * 2
        room_y = deep - (self.inset + thick.length) * 2
        shell.need(room_x, inches(1), "room between the legs", "Set the legs in less, or make them narrower.")
        shell.need(room_y, inches(1), "room between front and back legs", "Set the legs in less.")
        work = Work(sums=[lines.line])
        xs = (self.inset, wide - self.inset - self.thick)
        ys = (shell.front + self.inset, shell.front + deep - self.inset - thick.length)
        for i, (x, y) in enumerate((x, y) for x in xs for y in ys):
            work.parts.append(
                Placed(
                    Role(PartKind.LEG, number=(i + 1,)),
                    "leg",
                    self.goods,
                    length,
                    width,
                    thick,
                    (2, 0, 1),
                    (x, y, ZERO),
                    stands="apart",
                )
            )
            work.join(Way.SCREWS, BOTTOM, work.parts[-1].role)
        if self.stretchers:
            self._add_stretchers(shell, lines, work, xs, ys[0] + thick.length)
        return work

    def _add_stretchers(self, shell: Shell, lines: Lines, work: Work, xs: tuple[Length, Length], y: Length) -> None:
        book, boards = shell.book, shell.rack.board_goods(self.goods)
        thick = boards.reckoned_thickness("leg thickness", shell.units)
        inset = book.chosen(self.inset, "inset of the legs", "kick.inset")
        between = book.named(
            lines.side_depth - inset.times(2) - thick.times(2), "leg stretcher, length", "leg-stretcher/length"
        )
        width = book.named(
            book.chosen(self.thick, "width of a leg", "kick.thick"), "leg stretcher, width", "leg-stretcher/width"
        )
        room = self.height - self.rise - self.thick
        shell.need(room, ZERO, "room above the leg stretchers", "Set the stretchers lower, or make the legs longer.")
        offset = (self.thick - thick.length).share(2)[0]
        shell.need(offset, ZERO, "stretcher thicker than the leg", "Make the legs wider.")
        for i, x in enumerate(xs):
            work.parts.append(
                Placed(Role(PartKind.LEG_STRETCHER, number=(i + 1,)), "leg stretcher", self.goods, between, width, thick, (1, 2, 0),
                       (x + offset, y, self.rise), stands="apart")
            )  # fmt: skip
            for leg in (i * 2 + 1, i * 2 + 2):
                work.join(Way.DOWELS, Role(PartKind.LEG_STRETCHER, number=(i + 1,)), Role(PartKind.LEG, number=(leg,)))
