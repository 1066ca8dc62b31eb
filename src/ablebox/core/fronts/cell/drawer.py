# SPDX-License-Identifier: GPL-3.0-or-later
"""A drawer: its front, and its box on slides behind it."""

from __future__ import annotations

from dataclasses import dataclass, field

from ...assembly.role import PartKind
from ...case.fields import optional_size
from ...case.screws import buy_screws
from ...case.shell import Work
from ...lengths import Length
from ..area import Area
from ..fit.choice import OwnFit
from ..fit.same import LikeOthers
from ..making.choice import OwnMaking
from ..making.same import LikeDoors
from .context import FaceContext
from .hung_box import BoxPlace, hang_box


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
        thick = making.thickness(shell).length
        buy_screws(shell, work, 4, face.box.side(shell).length, thick, ("box", "front"))
        face.pulls.on_front(shell, work, making, front, behind=face.box.side(shell).length)
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
    packed = "stile" if face.edges.framed else ""
    return BoxPlace(bay, *area.opening, front, packed).within_bay()
