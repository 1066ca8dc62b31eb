# SPDX-License-Identifier: GPL-3.0-or-later
"""Toe kick, notched school: the sides reach the floor and are notched, a kick board stands behind.

The fewest parts there can be, but each case is levelled alone. Usual size 4 in high and
3 in deep (common practice). An island is notched and closed at the back as well. One board before several cases hides
their joints: it stands before the sides, whose notches are deeper by its thickness.
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.joint import Way
from ..assembly.part import CutKind, Face, Placed
from ..assembly.role import PartKind, Role, Side
from ..lengths import ZERO, Length, inches
from ..reckoning import NOTHING, Reckoned
from .fields import option, size
from .joint.fasten import butted
from .long_board import joined, pieces, sides_behind
from .shell import LEFT, RIGHT, Lines, Shell, Work

KICK, BEHIND = Role(PartKind.KICK), Role(PartKind.KICK, Side.BACK)


@dataclass(frozen=True, slots=True)
class NotchedKick:
    """Choices of the notched toe kick.

    Args:
        height: from the floor to the underside of the bottom, or to the frame's lower edge.
        depth: from the front edge of the sides to the kick board's face.
        both_sides: whether the back is notched and closed in the same way.
        carried: whether its left neighbour's kick board goes on before it.
    """

    height: Length = size("toe kick height", inches(4))
    depth: Length = size("toe kick depth", inches(3))
    both_sides: bool = option("also at the back", False)
    carried: bool = option("left neighbour's board goes on", False)

    words = "notched"

    def foot(self, shell: Shell) -> Reckoned:
        """Return the height of the sides' lower ends: they stand on the floor."""
        return NOTHING

    def line(self, shell: Shell) -> Reckoned:
        """Return the height of the lower edge of the face.

        Raises:
            SizeImpossible: if there is nothing to notch.
        """
        shell.need(self.height, inches("1/2"), "toe kick height", "Type the height of the kick, such as 4 in.")
        shell.need(self.depth, inches("1/2"), "toe kick depth", "Type the depth of the kick, such as 3 in.")
        return shell.book.chosen(self.height, "toe kick height", "kick.height")

    def build(self, shell: Shell, lines: Lines, under: Reckoned | None = None) -> Work:
        """Return the kick board and the notches.

        Args:
            shell: the case.
            lines: its lines.
            under: the width of all cases its board goes on before; ``None`` where it is between its own sides.

        Raises:
            SizeImpossible: if the case is not deep enough.
        """
        thickness, front = shell.thickness.length, shell.front
        count = 2 if self.both_sides else 1
        room = lines.clear_depth.length - (self.depth + thickness) * count
        shell.need(room, ZERO, "room behind the toe kick", "Make the kick shallower or the case deeper.")
        chosen = shell.book.chosen(self.depth, "toe kick depth", "kick.depth")
        work = Work(sums=[lines.line, chosen])
        deep = lines.side_depth.length
        length = shell.book.named(shell.inside, "kick board, length", "kick/length")
        width = shell.book.named(lines.floor, "kick board, width", "kick/width")
        rows = [(KICK, "kick board", ZERO, self.depth)]
        if self.both_sides:
            rows.append((BEHIND, "kick board", deep - self.depth, deep - self.depth - thickness))
        through = self.carried or under is not None
        for role, name, notch, at in rows:
            deep_in = thickness if through and role is KICK else ZERO
            reach = (front + notch, front + notch + self.depth + deep_in)
            work.cut_both_sides(shell, CutKind.NOTCH, "for the toe kick", reach, (ZERO, self.height), thickness)
            if through and role is KICK:
                # Before the sides it ends where their notches do; a frame's rail hangs above it.
                high = shell.book.named(lines.line, "kick board, width", "kick/width")
                boards = self._through(shell, front + at, high, under)
                work.parts += boards
                for board in boards:
                    work.join(Way.NAILS, board.role, LEFT, spare=len(boards) > 1)
                    work.join(Way.NAILS, board.role, RIGHT, spare=len(boards) > 1)
                if under is not None:
                    behind = sides_behind(shell, under)
                    joined(shell, work, boards, Role(PartKind.KICK_BLOCK), front + at + thickness, behind)
                continue
            corner = (thickness, front + at, ZERO)
            seen = Face.FRONT if role is KICK else Face.BACK
            work.parts.append(
                Placed(role, name, shell.goods.code, length, width, shell.thickness, (0, 2, 1), corner, shows=seen)
            )
            for side in (LEFT, RIGHT):
                butted(work, Way.POCKET, role, side, Face.BACK if role is KICK else Face.FRONT)
        return work

    def _through(self, shell: Shell, y: Length, width: Reckoned, under: Reckoned | None) -> list[Placed]:
        """Return the board before this case and those it goes on before; none where it is the neighbour's."""
        if under is None:
            return []
        return [
            Placed(Role(PartKind.KICK, number=piece), "kick board", shell.goods.code, long, width, shell.thickness, (0, 2, 1), (x, y, ZERO),
                   shows=Face.FRONT, stands="apart")
            for piece, long, x in pieces(shell, shell.goods, under, "kick board, length", "kick/length")
        ]  # fmt: skip
