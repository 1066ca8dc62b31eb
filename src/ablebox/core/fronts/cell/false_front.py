# SPDX-License-Identifier: GPL-3.0-or-later
"""A false front: it looks like a drawer or a door and is fixed, before a sink or at an end for instance."""

from __future__ import annotations

from dataclasses import dataclass, field

from ...assembly.fitting import FittingKind
from ...assembly.part import Face
from ...assembly.role import PartKind
from ...assembly.solid import Box
from ...case.fields import check_names, one_of
from ...case.shell import Work
from ...lengths import millimetres
from ..area import Area
from ..attached import attach, beside, first_free, leaf_at, over
from ..fit.choice import OwnFit
from ..fit.same import LikeOthers
from ..leaf import Leaf
from ..making.choice import OwnMaking
from ..making.same import LikeDoors
from ..nearest import nearest
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
        self._clip(face, work, leaf, area)
        return work

    def _clip(self, face: FaceContext, work: Work, leaf: Leaf, area: Area) -> None:
        """Place a clip behind each end, screwed to the front and to the upright beside it."""
        left, right, low, high = (edge.ticks for edge in area.opening)
        middle, back, size = (low + high) // 2, leaf.back.ticks, _CLIP.ticks
        for is_right, x in ((False, left), (True, right)):
            inward = -1 if is_right else 1
            # Where the opening goes on past the front, as near its end as the clip has wood.
            x = max(x, leaf.x.ticks) if not is_right else min(x, (leaf.x + leaf.width.length).ticks)
            at, xs = x + inward * size // 2, sorted((x, x + inward * size))
            half = size // 2
            free = first_free(face, work, leaf, area.path, [
                (level, Box((xs[0], back, level - half), (xs[1], back + size, level + half)))
                for level in nearest(middle, low + half, high - half)
            ])  # fmt: skip
            if free is None:
                continue
            level, box = free
            front = leaf_at(work, leaf, at, level)
            y = max(back, face.shell.front.ticks) + size // 2
            upright = beside(face, is_right, x, level, back)
            if upright is None and self._on_a_level(face, work, leaf, area, at):
                continue
            attach(face, work, leaf, area.path, FittingKind.CLIP, "clips for false fronts", box, (
                (front, Face.BACK, [(at, 0, level)]),
                (upright, Face.LEFT if is_right else Face.RIGHT, [(0, y, level)]),
            ))  # fmt: skip

    def _on_a_level(self, face: FaceContext, work: Work, leaf: Leaf, area: Area, at: int) -> bool:
        """Place a clip on what is below or above an end beside which no upright stands; return whether there is anything."""
        back, size, half = leaf.back.ticks, _CLIP.ticks, _CLIP.ticks // 2
        _, _, low, high = (edge.ticks for edge in area.opening)
        for upper, edge in ((False, max(low, leaf.z.ticks)), (True, min(high, (leaf.z + leaf.height.length).ticks))):
            wood = over(face, upper, edge, at, back)
            zs = sorted((edge, edge - size if upper else edge + size))
            box = Box((at - half, back, zs[0]), (at + half, back + size, zs[1]))
            front = leaf_at(work, leaf, at, sum(zs) // 2)
            if wood is None or front is None or any(part.box.meets(box) for part in face.parts):
                continue
            y = max(back, face.shell.front.ticks) + half
            attach(face, work, leaf, area.path, FittingKind.CLIP, "clips for false fronts", box, (
                (front, Face.BACK, [(at, 0, sum(zs) // 2)]), (wood, Face.BOTTOM if upper else Face.TOP, [(at, y, 0)]),
            ))  # fmt: skip
            return True
        return False


#: How large a clip is (common practice).
_CLIP = millimetres(24)
