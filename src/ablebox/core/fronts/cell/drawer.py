# SPDX-License-Identifier: GPL-3.0-or-later
"""A drawer: its front, and its box on slides behind it."""

from __future__ import annotations

from dataclasses import dataclass, field

from ...assembly.joint import Spacing, Way
from ...assembly.part import Face, Want, Wanting
from ...assembly.role import BOTH, PartKind, Role, Side
from ...case.fields import optional_size
from ...case.shell import Work
from ...lengths import Length, millimetres
from ..area import Area
from ..fit.choice import OwnFit
from ..fit.same import LikeOthers
from ..leaf import Leaf
from ..making.choice import Making, OwnMaking
from ..making.framed import Framed
from ..making.same import LikeDoors
from .context import FaceContext
from .hung_box import BoxPlace, hang_box

#: How far a front may reach beyond the middle of what it closes against before that stands behind it; a limit of our own.
_OVER = millimetres(6)


@dataclass(frozen=True, slots=True)
class Drawer:
    """Choices of a drawer.

    Args:
        making: how its front is made.
        low: height of the box where it is lower than the opening, as behind the tall front of a pull-out.
        fit: how its front meets the face.
    """

    making: OwnMaking = field(default_factory=LikeDoors)

    low: Length | None = optional_size("box height", "as it fits")
    fit: OwnFit = field(default_factory=LikeOthers)

    words = "drawer"
    opens = "out"

    def build(self, face: FaceContext, area: Area) -> Work:
        """Return front and box, and the slides' screw holes.

        Raises:
            SizeImpossible: if the opening takes no box, or no slide fits.
        """
        shell = face.shell
        making, made = face.making_of(self.making, area, drawer=True)
        front = face.leaf(area, PartKind.DRAWER_FRONT, "drawer front", making, level=True, made=made)
        work = making.build(shell, front)
        place = box_place(face, area, front.back)
        asked = (self.low, f"{area.path}.low") if self.low is not None else None
        hang_box(face, work, area.role(PartKind.DRAWER), place, asked)
        screw_on(face, work, making, front, area.role(PartKind.DRAWER), area)
        behind_the_front(face, work, area)
        face.pulls.on_front(shell, work, making, front)
        return work


def box_place(face: FaceContext, area: Area, front: Length) -> BoxPlace:
    """Return where a box hangs behind a front.

    Raises:
        SizeImpossible: if a partition or fixed shelf stands there.
    """
    bay = face.behind(area)
    if bay is None:
        raise face.shell.refuse(
            "drawer", "a partition or a fixed shelf stands behind its front", "Move it, or divide the face there."
        )
    return BoxPlace(bay, *area.opening, front, area.path).within_bay()


def screw_on(face: FaceContext, work: Work, making: Making, front: Leaf, box: Role, area: Area) -> None:
    """Screw a front on from inside its box: four screws, into its core, or into the stiles of a framed one.

    Args:
        face: the face.
        work: the front's parts and the box's.
        making: how the front is made.
        front: the front.
        box: role of the box.
        area: the front's place.
    """
    inside = box.part(PartKind.BOX_FRONT)
    if isinstance(making, Framed):
        members = [front.role.part(PartKind.STILE, side) for side in BOTH]
        members += [front.role.part(PartKind.LEAF_RAIL, side) for side in (Side.BOTTOM, Side.TOP)]
        for member in members:
            work.join(Way.SCREWS, inside, member, face=Face.BACK, place=area.path, item="screw", spare=True)
        return
    work.join(Way.SCREWS, inside, front.role, Spacing.FOUR, Face.BACK, place=area.path, item="screw")


def behind_the_front(face: FaceContext, work: Work, area: Area) -> None:
    """Note what stands behind a part of a drawer's front: a partition that its box passes, a shelf it stands over."""
    bay = face.behind(area)
    if bay is None:
        return
    left, right, low, high = (edge.ticks for edge in area.opening)
    role = area.role(PartKind.DRAWER)
    for side, upright, off in (
        (Side.LEFT, bay.left, bay.box.low[0] - left),
        (Side.RIGHT, bay.right, right - bay.box.high[0]),
    ):
        part = next((each for each in face.parts if each.role == upright), None)
        if part is not None and upright.kind is PartKind.PARTITION and off > part.thickness.length.ticks + _OVER.ticks:
            work.wanting.append(Wanting(Want.PARTITION, role, upright, side, Length(off), area.path))
    for shelf, off in ((bay.floor, bay.box.low[2] - low), (bay.ceiling, high - bay.box.high[2])):
        part = next((each for each in face.parts if each.role == shelf), None)
        if (
            part is not None
            and part.role.kind is PartKind.FIXED_SHELF
            and off > part.thickness.length.ticks + _OVER.ticks
        ):
            work.wanting.append(Wanting(Want.SHELF, role, part.role, Side.NONE, Length(off), area.path))
