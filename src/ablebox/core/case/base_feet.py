# SPDX-License-Identifier: GPL-3.0-or-later
"""Adjustable feet with a kick board clipped to the front ones: frameless and metric shops.

Feet under the sides' front and back corners, two more for each 36 in (900 mm) begun beyond the
first; the kick board clears the floor by 1/8 in (3 mm) so that it goes in after levelling
(common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.fitting import FittingKind
from ..assembly.part import Face, Placed
from ..assembly.role import PartKind, Role
from ..lengths import ZERO, Length, inches, millimetres
from ..reckoning import Reckoned
from .fields import option, size
from .long_board import pieces
from .shell import Lines, Shell, Work
from .standing import Clips, Standing

_FOOT = inches(36)


@dataclass(frozen=True, slots=True)
class Feet:
    """Choices of the feet.

    Args:
        height: of the feet, as they are set.
        setback: from the front edge of the sides to the kick board's face.
        clear: between kick board and floor.
        kick: whether there is a kick board.
        carried: whether its left neighbour's kick board goes on before it.
    """

    height: Length = size("height of the feet", inches(4))
    setback: Length = size("kick board set back", inches(2))
    clear: Length = size("kick board off the floor", inches("1/8"), zero=True)
    kick: bool = option("clipped kick board", True)
    carried: bool = option("left neighbour's board goes on", False)

    words = "adjustable feet"

    def foot(self, shell: Shell) -> Reckoned:
        """Return the height of the sides' lower ends."""
        return self.line(shell)

    def line(self, shell: Shell) -> Reckoned:
        """Return the height of the lower edge of the face: the case stands on its feet.

        Raises:
            SizeImpossible: if the feet have no height.
        """
        shell.need(self.height, inches("1/2"), "height of the feet", "Type their height, such as 4 in or 100 mm.")
        return shell.book.chosen(self.height, "height of the feet", "kick.height")

    def build(self, shell: Shell, lines: Lines, under: Reckoned | None = None) -> Work:
        """Return the kick board, and count feet and clips.

        Args:
            shell: the case.
            lines: its lines.
            under: the width of all cases its board goes on before; the case's own if not given.

        Raises:
            SizeImpossible: if the kick board has no room.
        """
        wide = shell.over_sides.length
        feet = 2 * (2 + (wide.ticks - 1) // _FOOT.ticks)
        work = Work(sums=[lines.line])
        name = self.buy(shell, work, feet, lines.floor.length)
        behind = self.setback + shell.thickness.length if self.kick else ZERO
        work.later.append(Standing(shell, FittingKind.FOOT, name, feet // 2, behind))
        if not self.kick or self.carried:
            return work
        book = shell.book
        setback = book.chosen(self.setback, "kick board set back", "kick.setback")
        clear = book.chosen(self.clear, "clear of the floor", "kick.clear")
        room = lines.side_depth.length - self.setback - shell.thickness.length
        shell.need(room, inches(1), "room behind the kick board", "Set it back less, or make the case deeper.")
        total = under or shell.over_sides
        width = book.named(lines.line - clear, "kick board, width", "kick/width")
        shell.need(width.length, millimetres(10), "kick board width", "Let it clear the floor by less.")
        y = shell.front + self.setback
        work.parts += [
            Placed(Role(PartKind.KICK, number=piece), "kick board", shell.goods.code, length, width, shell.thickness, (0, 2, 1), (x, y, self.clear),
                   shows=Face.FRONT, stands="apart")
            for piece, length, x in pieces(shell, shell.goods, total, "kick board, length", "kick/length", "each on clips of its own")
        ]  # fmt: skip
        work.later.append(Clips(shell))
        work.sums += [setback, clear]
        return work

    def buy(self, shell: Shell, work: Work, feet: int, high: Length) -> str:
        """Choose the feet that reach up to the bottom, the nearest that can be turned to it; return their name.

        Args:
            shell: the case.
            work: takes what is bought.
            feet: how many.
            high: from the floor to the bottom's underside; behind a face frame more than the feet's own height.
        """
        write = shell.units.write
        item = min(shell.hardware("foot"), key=lambda foot: (abs((foot.length - high).ticks), foot.length))
        off, low, most = high - item.length, item.length - item.taken, item.length + item.taken
        lacks = ""
        if not low <= high <= most:
            lacks = f"feet {write(high, True)} high are none on the rack; the nearest reach {write(low, True)} to {write(most, True)}"
        why = f"{write(item.length, True)} high" + (f", turned by {write(max(off, -off), True)}" if off else "")
        work.buy(item.name, feet, why, lacks, "foot")
        return item.name
