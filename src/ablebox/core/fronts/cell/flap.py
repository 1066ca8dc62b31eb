# SPDX-License-Identifier: GPL-3.0-or-later
"""A flap that lifts up or drops down; its supports are chosen by its weight."""

from __future__ import annotations

from dataclasses import dataclass, field

from ...case.fields import check_names, one_of
from ...case.shell import Work
from ..area import Area
from ..making.choice import OwnMaking
from ..making.same import LikeDoors
from ..weight import weight
from .context import FaceContext

_HEAVY = 5.0


@dataclass(frozen=True, slots=True)
class Flap:
    """Choices of a flap.

    Args:
        way: whether it lifts up or drops down.
        making: how it is made.
    """

    way: str = one_of("opens", "up", {"up": "upwards", "down": "downwards"})
    making: OwnMaking = field(default_factory=LikeDoors)

    words = "flap"

    def __post_init__(self) -> None:
        check_names(self)

    @property
    def opens(self) -> str:
        """How it opens: up or down."""
        return self.way

    def build(self, face: FaceContext, area: Area) -> Work:
        """Return the flap, and count hinges and supports."""
        making, made = face.making_of(self.making, area)
        leaf = face.leaf(area, "flap", f"flap, opens {self.way}", making, level=True, made=made)
        work = making.build(face.shell, leaf)
        kilograms = weight(face.shell.rack, work.parts)
        supports = 2 if kilograms > _HEAVY else 1
        words = "lift supports" if self.way == "up" else "flap stays"
        work.hardware += [
            ("hinges for flaps", 2 if area.width.length.mm < 900 else 3),
            (f"{words} for {kilograms:.1f} kg", supports),
        ]
        face.pulls.on_front(face.shell, work, making, leaf, low=self.way == "up")
        return work
