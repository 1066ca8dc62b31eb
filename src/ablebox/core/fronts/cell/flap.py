# SPDX-License-Identifier: GPL-3.0-or-later
"""A flap that lifts up or drops down; its supports are chosen by its weight and height, or by what stands on it.

What a support says it holds is a flap 400 mm (16 in) high; a higher one counts as a heavier one. A flap used as a desk carries
25 kg (55 lb), an arm and a book (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, field

from ...assembly.fitting import FittingKind
from ...assembly.part import Face
from ...assembly.role import PartKind
from ...assembly.solid import Box
from ...case.fields import check_names, one_of, option
from ...case.shell import Shell, Work
from ...hardware import Hardware
from ...lengths import Length, millimetres
from ..area import Area
from ..attached import attach, beside, first_free, leaf_at, over
from ..fit.choice import OwnFit
from ..fit.same import LikeOthers
from ..leaf import Leaf
from ..making.choice import OwnMaking
from ..making.same import LikeDoors
from ..nearest import nearest
from ..weight import weight
from .context import FaceContext


@dataclass(frozen=True, slots=True)
class Flap:
    """Choices of a flap.

    Args:
        way: whether it lifts up or drops down.
        desk: whether it is written on when it is down.
        making: how it is made.
        fit: how it meets the face.
    """

    way: str = one_of("opens", "up", {"up": "upwards", "down": "downwards"})
    desk: bool = option("used as a desk", False)
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
        if self.way == "down" and self.desk:
            kilograms += DESK
        item, count, why, lacks = _supports(
            shell, "support-up" if self.way == "up" else "support-down", kilograms, area.height.length
        )
        hinges = 2 if area.width.length.mm < 900 else 3
        work.buy("hinges for flaps", hinges)
        work.buy(item.name, count, why, lacks)
        self._hang(face, work, leaf, area, hinges, item.name, count)
        face.pulls.on_front(shell, work, making, leaf, "low" if self.way == "up" else "high")
        return work

    def _hang(
        self, face: FaceContext, work: Work, leaf: Leaf, area: Area, hinges: int, support: str, supports: int
    ) -> None:
        """Place hinges along the edge it turns on, and supports at its ends, with their screws."""
        upper = self.way == "up"
        left, right, low, high = (edge.ticks for edge in area.opening)
        edge, back = (high if upper else low), leaf.back.ticks
        away, inner = -1 if upper else 1, max(face.shell.front.ticks, back)
        first = min(_IN.ticks, (right - left) // 4)
        half, reach = _WIDE.ticks // 2, _DEEP.ticks
        heights = sorted((edge, edge + away * reach))
        for i in range(hinges):
            wanted = left + first + (right - left - 2 * first) * i // (hinges - 1)
            free = first_free(face, work, leaf, area.path, [
                (x, Box((x - half, back, heights[0]), (x + half, back + reach, heights[1])))
                for x in nearest(wanted, max(left + half, wanted - first), min(right - half, wanted + first))
            ])  # fmt: skip
            if free is None:
                continue
            x, box = free
            door = leaf_at(work, leaf, x, edge + away * _ON.ticks)
            level = over(face, upper, edge, x, back)
            off = half // 2
            attach(face, work, leaf, area.path, FittingKind.FLAP_HINGE, "hinges for flaps", box, (
                (door, Face.BACK, [(x + by, 0, edge + away * _ON.ticks) for by in (-off, off)]),
                (level, Face.BOTTOM if upper else Face.TOP, [(x + by, inner + _ON.ticks, 0) for by in (-off, off)]),
            ))  # fmt: skip
        middle = (low + high) // 2
        for is_right, x in ((False, left), (True, right))[: min(2, supports)]:
            inward = -1 if is_right else 1
            xs = sorted((x, x + inward * _WIDE.ticks // 2))
            free = first_free(face, work, leaf, area.path, [
                (level, Box((xs[0], back, level - _DEEP.ticks), (xs[1], back + 2 * _DEEP.ticks, level + _DEEP.ticks)))
                for level in nearest(middle, low + _DEEP.ticks, high - _DEEP.ticks)
            ])  # fmt: skip
            if free is None:
                continue
            at, box = free
            upright = beside(face, is_right, x, at, back)
            y = inner + _DEEP.ticks
            door = leaf_at(work, leaf, x + inward * _ON.ticks, at)
            attach(face, work, leaf, area.path, FittingKind.FLAP_SUPPORT, support, box, (
                (upright, Face.LEFT if is_right else Face.RIGHT, [(0, y, at + by) for by in (-_ON.ticks, _ON.ticks)]),
                (door, Face.BACK, [(x + inward * _ON.ticks, 0, at)]),
            ))  # fmt: skip


#: Hinges of flaps: how far in from its ends, how far from its edge they are screwed on, how wide and deep they are (common practice).
_IN, _ON, _WIDE, _DEEP = millimetres(100), millimetres(16), millimetres(60), millimetres(30)


#: For what height a support's load is told, and what lies on a desk, in kg.
RATED, DESK = millimetres(400), 25.0


def _supports(shell: Shell, kind: str, kilograms: float, height: Length) -> tuple[Hardware, int, str, str]:
    """Return supports for a flap, how many, why, and what the rack lacks: the weakest one or two that hold it."""
    weigh, high = shell.units.weigh, shell.units.write(height, True)
    told = f"flap of {weigh(kilograms)}, {high} high"
    kilograms *= max(1.0, height.mm / RATED.mm)
    items = sorted(shell.hardware(kind), key=lambda item: (item.carries or 0, item.name))
    for item in items:
        for count in (1, 2):
            if (item.kilograms or 0.0) * count >= kilograms:
                return item, count, told, ""
    most = items[-1]
    holds = weigh(2 * (most.kilograms or 0.0))
    lacks = f"a {told} pulls like {weigh(kilograms)} and two of the strongest on the rack hold {holds}"
    return most, 2, told, lacks
