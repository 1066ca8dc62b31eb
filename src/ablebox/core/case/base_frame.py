# SPDX-License-Identifier: GPL-3.0-or-later
"""A separate base frame: two long boards and rungs between them, levelled once, under one or several cases.

Best on bad floors; one long kick board hides the joints between cases; sides are shorter by its
height; rungs at most 24 in (600 mm) apart (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.joint import Spacing, Way
from ..assembly.part import Face, Placed
from ..assembly.role import PartKind, Role, Side
from ..lengths import ZERO, Length, inches
from ..reckoning import Reckoned
from ..stock import Grain
from .bottom import BOTTOM
from .fields import option, size
from .long_board import HALF, joined, pieces
from .shell import LEFT, RIGHT, Lines, Shell, Work

RUNG_SPACING = inches(24)
#: The closest spacing tried, so that no rung stands where a block joins pieces of a long board.
_CLOSEST = inches(10)


@dataclass(frozen=True, slots=True)
class BaseFrame:
    """Choices of the base frame.

    Args:
        height: of the frame.
        setback: from the front edge of the sides to its face.
        back: how far it stays clear of the case's back.
        carried: whether the case stands on the frame of its neighbour at the left.
        below: how far the long boards reach below the level line, to be ripped to the floor; rungs end at the line.
    """

    height: Length = size("base frame height", inches(4))
    setback: Length = size("set back at the front", inches(3), zero=True)
    back: Length = size("set back at the back", inches(1), zero=True)
    carried: bool = option("stands on its left neighbour's frame", False)
    below: Length = size("reaches below the level line", ZERO, zero=True)

    words = "separate base frame"

    def foot(self, shell: Shell) -> Reckoned:
        """Return the height of the sides' lower ends."""
        return self.line(shell)

    def line(self, shell: Shell) -> Reckoned:
        """Return the height of the lower edge of the face: the case stands on the frame.

        Raises:
            SizeImpossible: if the frame has no height.
        """
        shell.need(self.height, inches("1/2"), "base frame height", "Type its height, such as 4 in.")
        return shell.book.chosen(self.height, "base frame height", "kick.height")

    def build(self, shell: Shell, lines: Lines, under: Reckoned | None = None) -> Work:
        """Return the frame's boards.

        Args:
            shell: the case.
            lines: its lines.
            under: the width of all cases that stand on the frame; the case's own if not given.

        Raises:
            SizeImpossible: if the case is not deep enough for a frame.
        """
        if self.carried:
            return Work(sums=[lines.line])
        book, thickness = shell.book, shell.thickness
        t = thickness.length
        setback = book.chosen(self.setback, "set back at the front", "kick.setback")
        back = book.chosen(self.back, "set back at the back", "kick.back")
        deep = book.named(lines.side_depth - setback - back, "base frame, depth", "base/depth")
        shell.need(deep.length, t * 2 + inches(1), "base frame depth", "Set it back less, or make the case deeper.")
        width = under or shell.over_sides
        boards = pieces(shell, shell.goods, width, "base frame, length", "base/length")
        across = book.named(deep - thickness.times(2), "rung, length", "rung/length")
        high = book.named(lines.line, "base frame, width", "base/width")
        rung_high, below = high, self.below
        if below:
            rung_high = book.named(
                lines.line - book.chosen(below, "below the level line", "kick.below"),
                "rung, width",
                "rung/width",
            )
            shell.need(rung_high.length, inches(2), "rung width", "Let it reach below the line by less.")
        y = shell.front + self.setback
        work = Work(sums=[lines.line, setback, back, deep])
        for side, name, at, seen in (
            (Side.FRONT, "kick board", y, Face.FRONT),
            (Side.BACK, "base frame, back", y + deep.length - t, None),
        ):
            work.parts += [
                Placed(Role(PartKind.BASE, side, piece), name, shell.goods.code, long, high, thickness, (0, 2, 1), (x, at, ZERO), shows=seen,
                       stands="apart")
                for piece, long, x in boards
            ]  # fmt: skip
        clear = width.length - t
        spans = _spans(clear, t, [x for _, _, x in boards[1:]])
        for i in range(spans + 1):
            x = Length(clear.ticks * i // spans)
            work.parts.append(
                Placed(Role(PartKind.RUNG, number=(i + 1,)), "rung", shell.goods.code, across, rung_high, thickness, (1, 2, 0),
                       (x, y + t, below), grain=Grain.ANY, stands="apart")
            )  # fmt: skip
        for side, at in ((Side.FRONT, y + t), (Side.BACK, y + deep.length - t * 2)):
            own = [part for part in work.parts if part.role.kind is PartKind.BASE and part.role.side is side]
            joined(shell, work, own, Role(PartKind.BASE_BLOCK, side), at, ())
        long = [part.role for part in work.parts if part.role.kind is PartKind.BASE]
        for i in range(spans + 1):
            rung = Role(PartKind.RUNG, number=(i + 1,))
            for each in long:
                work.join(Way.POCKET, rung, each, face=Face.RIGHT if i < spans else Face.LEFT)
            work.join(Way.SCREWS, BOTTOM, rung, Spacing.BASE, apart=True, spare=True)
        # The sides stand on its ends, whatever is between it and the bottom.
        work.join(Way.POCKET, Role(PartKind.RUNG, number=(1,)), LEFT, Spacing.BASE, Face.RIGHT, spare=True)
        work.join(Way.POCKET, Role(PartKind.RUNG, number=(spans + 1,)), RIGHT, Spacing.BASE, Face.LEFT, spare=True)
        for each in long:
            work.join(Way.SCREWS, BOTTOM, each, Spacing.BASE, apart=True, spare=True)
        return work


def _spans(clear: Length, thickness: Length, joints: list[Length]) -> int:
    """Return how many equal spans there are between rungs: as few as may be, with no rung where long boards are joined."""
    least = max(1, -(-clear.ticks // RUNG_SPACING.ticks))
    keep = HALF.ticks
    for spans in range(least, max(least, clear.ticks // _CLOSEST.ticks) + 1):
        lefts = [clear.ticks * i // spans for i in range(spans + 1)]
        if not any(x.ticks - keep - thickness.ticks < left < x.ticks + keep for x in joints for left in lefts):
            return spans
    return least
