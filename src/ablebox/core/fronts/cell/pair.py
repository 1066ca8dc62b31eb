# SPDX-License-Identifier: GPL-3.0-or-later
"""A pair of doors. Each is (width - gap) / 2 (common practice)."""

from __future__ import annotations

from dataclasses import dataclass, field

from ...assembly.part import Hand
from ...assembly.role import PartKind, Side
from ...case.shell import Work
from ...lengths import inches
from ..area import Area
from ..fit.choice import OwnFit
from ..fit.same import LikeOthers
from ..hanging import hang
from ..making.choice import OwnMaking
from ..making.same import LikeDoors
from .context import FaceContext
from .inner import InnerDrawers
from .racks import DoorRacks


@dataclass(frozen=True, slots=True)
class Pair:
    """Choices of a pair of doors.

    Args:
        making: how they are made.
        fit: how they meet the face.
        inner: drawers behind them.
        racks: racks on the back of each.
    """

    making: OwnMaking = field(default_factory=LikeDoors)
    fit: OwnFit = field(default_factory=LikeOthers)
    inner: InnerDrawers = field(default_factory=InnerDrawers)
    racks: DoorRacks = field(default_factory=DoorRacks)

    words = "pair of doors"
    opens = "pair"

    def build(self, face: FaceContext, area: Area) -> Work:
        """Return both doors with their hinges.

        Raises:
            SizeImpossible: if a door has no size or cannot take its hinges.
        """
        shell = face.shell
        making, where = face.making_of(self.making, area)
        gap = face.fit.in_pair(face.edges)
        both = area.width - gap
        shell.need(both.length, inches(4), "width of both doors", "Make the case wider or the gaps less.")
        width = shell.book.shared(both, 2, "door, width", f"{area.role(PartKind.DOOR)}/width")
        height = shell.book.named(area.height, "door, length", f"{area.role(PartKind.DOOR)}/length")
        work = Work(sums=[gap, width, height])
        inner = Work()
        self.inner.build(face, inner, area, (True, True), making.thickness(shell).length)
        right_x = area.x + area.width.length - width.length
        for hand, x, over in ((Hand.LEFT, area.x, area.over[0]), (Hand.RIGHT, right_x, area.over[1])):
            leaf = face.leaf(area, PartKind.DOOR, f"door, {hand.value}", making, x=x, width=width, hand=hand,
                             side=Side(hand.value), made=where)  # fmt: skip
            made = making.build(shell, leaf)
            hang(face, made, leaf, making, area, over, self.inner.angle, inner.parts)
            self.racks.build(face, made, leaf, area.path)
            face.pulls.on_door(shell, made, making, leaf, face.hung)
            work.add(made)
        work.add(inner)
        return work
