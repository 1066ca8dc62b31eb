# SPDX-License-Identifier: GPL-3.0-or-later
"""What a cell of a face knows of the rest: the case, the fit, how leaves are made, hinges, boxes and slides."""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import BaySpace, Hand, Placed
from ...case.shell import Shell
from ...lengths import Length
from ...reckoning import Reckoned
from ..area import Area
from ..drawer.box import DrawerBox
from ..drawer.slides import Slides
from ..edges import Edges
from ..hinges import CupHinge
from ..leaf import Leaf
from ..making.choice import Fit, Making, OwnMaking
from ..making.same import LikeDoors
from ..pulls import Pulls


@dataclass(frozen=True, slots=True)
class FaceContext:
    """The face a cell stands in.

    Args:
        edges: the members around its openings.
        fit: how fronts meet them.
        making: how doors and flaps are made.
        drawer_making: how drawer fronts and false fronts are made.
        pulls: the pulls.
        hung: whether the case hangs on the wall.
        hinge: the hinges.
        box: drawer boxes.
        slides: drawer slides.
        bays: the clear spaces behind the face.
        parts: the parts of the case so far.
        back: the back's face, behind the case's front.
    """

    edges: Edges
    fit: Fit
    making: Making
    drawer_making: OwnMaking
    pulls: Pulls
    hung: bool
    hinge: CupHinge
    box: DrawerBox
    slides: Slides
    bays: tuple[BaySpace, ...]
    parts: tuple[Placed, ...]
    back: Length

    @property
    def shell(self) -> Shell:
        """The case."""
        return self.edges.shell

    def making_of(self, own: OwnMaking, area: Area, drawer: bool = False) -> tuple[Making, str]:
        """Return how a front is made, and where that stands in the design.

        Args:
            own: what its cell says.
            area: its place.
            drawer: whether it is a drawer front or a false one.
        """
        if not isinstance(own, LikeDoors):
            return own, f"{area.path}.making"
        if drawer and not isinstance(self.drawer_making, LikeDoors):
            return self.drawer_making, "fronts.drawer_fronts"
        return self.making, "fronts.making"

    def back_of(self, making: Making) -> Length:
        """Return where the back face of a leaf stands: at the face, inside it, or in the opening by its lip."""
        if self.fit.inset:
            return making.thickness(self.shell).length
        return self.fit.lip

    def leaf(
        self, area: Area, role: str, name: str, making: Making, *, x: Length | None = None, width: Reckoned | None = None,
        hand: Hand = Hand.NONE, level: bool = False, made: str = "fronts.making",
    ) -> Leaf:  # fmt: skip
        """Return a leaf that fills an area, or a part of its width."""
        return Leaf(
            area.role(role), name, area.x if x is None else x, area.z, width or area.width, area.height,
            self.back_of(making), self.fit.lip, hand, level, made,
        )  # fmt: skip

    def behind(self, area: Area) -> BaySpace | None:
        """Return the space behind the middle of an opening; ``None`` if a partition stands there."""
        left, right, low, high = area.opening
        x, z = (left.ticks + right.ticks) // 2, (low.ticks + high.ticks) // 2
        for bay in self.bays:
            if bay.box.low[0] <= x < bay.box.high[0] and bay.box.low[2] <= z < bay.box.high[2]:
                return bay
        return None

    def upright(self, area: Area, right: bool) -> str:
        """Return the role of the side or partition a door is hung on; empty where there is none or a frame before it."""
        if self.edges.framed:
            return ""
        bay = self.behind(area)
        return (bay.right if right else bay.left) if bay is not None else ""
