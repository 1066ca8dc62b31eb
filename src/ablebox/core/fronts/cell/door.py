# SPDX-License-Identifier: GPL-3.0-or-later
"""One door, hung at the left or at the right."""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import Hand
from ...case.fields import check_names, one_of
from ...case.shell import Work
from ..area import Area
from ..hanging import hang
from .context import FaceContext


@dataclass(frozen=True, slots=True)
class Door:
    """Choices of a door.

    Args:
        hung: at which side.
    """

    hung: str = one_of("hung at the", "left", {"left": "left", "right": "right"})

    words = "door"

    def __post_init__(self) -> None:
        check_names(self)

    def build(self, face: FaceContext, area: Area) -> Work:
        """Return the door with its hinges.

        Raises:
            SizeImpossible: if it has no size or cannot take its hinges.
        """
        hand = Hand.LEFT if self.hung == "left" else Hand.RIGHT
        leaf = face.leaf(area, "door", f"door, {self.hung}", face.making, hand=hand)
        work = face.making.build(face.shell, leaf)
        right = hand is Hand.RIGHT
        over = area.over[1 if right else 0]
        hang(
            face.shell,
            work,
            leaf,
            face.making,
            face.hinge,
            over,
            face.upright(area, right),
            face.fit.inset,
            face.edges.framed,
        )
        work.hardware.append(("pulls or knobs", 1))
        return work
