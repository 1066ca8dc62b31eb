# SPDX-License-Identifier: GPL-3.0-or-later
"""One door, hung at the left or at the right."""

from __future__ import annotations

from dataclasses import dataclass, field

from ...assembly.part import Hand
from ...assembly.role import PartKind
from ...case.fields import check_names, one_of
from ...case.shell import Work
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
class Door:
    """Choices of a door.

    Args:
        hung: at which side.
        making: how it is made.
        fit: how it meets the face.
        inner: drawers behind it.
        racks: racks on its back.
    """

    hung: str = one_of("hung at the", "left", {"left": "left", "right": "right"})
    making: OwnMaking = field(default_factory=LikeDoors)
    fit: OwnFit = field(default_factory=LikeOthers)
    inner: InnerDrawers = field(default_factory=InnerDrawers)
    racks: DoorRacks = field(default_factory=DoorRacks)

    words = "door"

    def __post_init__(self) -> None:
        check_names(self)

    @property
    def opens(self) -> str:
        """How it opens: as it is hung."""
        return self.hung

    def build(self, face: FaceContext, area: Area) -> Work:
        """Return the door with its hinges.

        Raises:
            SizeImpossible: if it has no size or cannot take its hinges.
        """
        hand = Hand.LEFT if self.hung == "left" else Hand.RIGHT
        making, made = face.making_of(self.making, area)
        leaf = face.leaf(area, PartKind.DOOR, f"door, {self.hung}", making, hand=hand, made=made)
        work = making.build(face.shell, leaf)
        right = hand is Hand.RIGHT
        over = area.over[1 if right else 0]
        inner = Work()
        self.inner.build(face, inner, area, (not right, right), making.thickness(face.shell).length)
        hang(face, work, leaf, making, area, over, self.inner.angle, inner.parts)
        self.racks.build(face, work, leaf, area.path)
        face.pulls.on_door(face.shell, work, making, leaf, face.hung)
        work.add(inner)
        return work
