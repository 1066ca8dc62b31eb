# SPDX-License-Identifier: GPL-3.0-or-later
"""A flap that lifts up or drops down; its supports are chosen by its weight."""

from __future__ import annotations

from dataclasses import dataclass, field

from ...assembly.role import PartKind
from ...case.fields import check_names, one_of
from ...case.shell import Shell, Work
from ...hardware import Hardware
from ..area import Area
from ..fit.choice import OwnFit
from ..fit.same import LikeOthers
from ..making.choice import OwnMaking
from ..making.same import LikeDoors
from ..weight import weight
from .context import FaceContext


@dataclass(frozen=True, slots=True)
class Flap:
    """Choices of a flap.

    Args:
        way: whether it lifts up or drops down.
        making: how it is made.
        fit: how it meets the face.
    """

    way: str = one_of("opens", "up", {"up": "upwards", "down": "downwards"})
    making: OwnMaking = field(default_factory=LikeDoors)
    fit: OwnFit = field(default_factory=LikeOthers)

    words = "flap"

    def __post_init__(self) -> None:
        check_names(self)

    @property
    def opens(self) -> str:
        """How it opens: up or down."""
        return self.way

    def build(self, face: FaceContext, area: Area) -> Work:
        """Return the flap, and count hinges and supports."""
        shell = face.shell
        making, made = face.making_of(self.making, area)
        leaf = face.leaf(area, PartKind.FLAP, f"flap, opens {self.way}", making, level=True, made=made)
        work = making.build(shell, leaf)
        kilograms = weight(shell.rack, work.parts)
        item, count, why, lacks = _supports(shell, "support-up" if self.way == "up" else "support-down", kilograms)
        work.buy("hinges for flaps", 2 if area.width.length.mm < 900 else 3)
        work.buy(item.name, count, why, lacks)
        face.pulls.on_front(shell, work, making, leaf, "low" if self.way == "up" else "high")
        return work


def _supports(shell: Shell, kind: str, kilograms: float) -> tuple[Hardware, int, str, str]:
    """Return supports for a flap, how many, why, and what the rack lacks: the weakest one or two that hold it."""
    items = sorted(shell.hardware(kind), key=lambda item: (item.carries or 0, item.name))
    for item in items:
        for count in (1, 2):
            if (item.kilograms or 0.0) * count >= kilograms:
                return item, count, f"flap of {shell.units.weigh(kilograms)}", ""
    most = items[-1]
    weigh = shell.units.weigh
    holds = weigh(2 * (most.kilograms or 0.0))
    lacks = f"a flap weighs {weigh(kilograms)} and two of the strongest on the rack hold {holds}"
    return most, 2, f"flap of {shell.units.weigh(kilograms)}", lacks
