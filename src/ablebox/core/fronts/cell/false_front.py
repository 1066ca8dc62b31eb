# SPDX-License-Identifier: GPL-3.0-or-later
"""A false front: it looks like a drawer and is fixed, before a sink for instance."""

from __future__ import annotations

from dataclasses import dataclass, field

from ...case.shell import Work
from ..area import Area
from ..making.choice import OwnMaking
from ..making.same import LikeDoors
from .context import FaceContext


@dataclass(frozen=True, slots=True)
class FalseFront:
    """Choices of a fixed front.

    Args:
        making: how it is made.
    """

    making: OwnMaking = field(default_factory=LikeDoors)

    words = "false front"
    opens = ""

    def build(self, face: FaceContext, area: Area) -> Work:
        """Return the front."""
        making, made = face.making_of(self.making, area, drawer=True)
        leaf = face.leaf(area, "false", "false front", making, level=True, made=made)
        work = making.build(face.shell, leaf)
        work.hardware.append(("clips for false fronts", 2))
        return work
