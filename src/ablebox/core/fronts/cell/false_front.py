# SPDX-License-Identifier: GPL-3.0-or-later
"""A false front: it looks like a drawer or a door and is fixed, before a sink or at an end for instance."""

from __future__ import annotations

from dataclasses import dataclass, field

from ...assembly.role import PartKind
from ...case.fields import check_names, one_of
from ...case.shell import Work
from ..area import Area
from ..fit.choice import OwnFit
from ..fit.same import LikeOthers
from ..making.choice import OwnMaking
from ..making.same import LikeDoors
from .context import FaceContext


@dataclass(frozen=True, slots=True)
class FalseFront:
    """Choices of a fixed front.

    Args:
        making: how it is made.
        fit: how it meets the face.
        look: what it looks like: decides how it is made and which way its grain runs.
    """

    making: OwnMaking = field(default_factory=LikeDoors)
    fit: OwnFit = field(default_factory=LikeOthers)
    look: str = one_of("looks like a", "drawer", {"drawer": "drawer", "door": "door"})

    words = "false front"
    opens = ""

    def __post_init__(self) -> None:
        check_names(self)

    def build(self, face: FaceContext, area: Area) -> Work:
        """Return the front."""
        drawer = self.look == "drawer"
        making, made = face.making_of(self.making, area, drawer=drawer)
        name = "false front" if drawer else "false door"
        leaf = face.leaf(area, PartKind.FALSE_FRONT, name, making, level=drawer, made=made)
        work = making.build(face.shell, leaf)
        work.buy("clips for false fronts", 2)
        return work
