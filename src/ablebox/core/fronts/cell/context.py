# SPDX-License-Identifier: GPL-3.0-or-later
"""What a cell of a face knows of the rest: the case, the fit, how leaves are made, hinges, boxes and slides."""

from __future__ import annotations

from dataclasses import dataclass, field, replace

from ...assembly.part import BaySpace, Hand, Placed
from ...assembly.role import PartKind, Side
from ...case.frame.face_frame import FaceFrame
from ...case.runners import Hanging
from ...case.shell import Shell
from ...fastening.occupied import Taken
from ...lengths import ZERO, Length, inches
from ...reckoning import Origin, Reckoned, leaf
from ..area import Area
from ..drawer.box import DrawerBox
from ..drawer.slides import Slides
from ..edges import Edges
from ..fit.choice import Fit, OwnFit
from ..fit.same import LikeOthers
from ..hinges import CupHinge
from ..leaf import Leaf
from ..making.choice import Making, OwnMaking
from ..making.same import LikeDoors
from ..pulls import Pulls

#: How grain runs through the fronts of a face.
GRAIN = {
    "each": "each on its own", "columns": "up each column", "face": "up the whole face", "level": "across the face",
    "run": "across the whole run",
}  # fmt: skip
#: Those in which it runs level.
LEVEL = {"level", "run"}


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
        grain: how the grain runs through the fronts, a name of ``GRAIN``.
        taken: what is in the wood of the case already; what is hung is added to it.
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
    grain: str = "each"
    taken: Taken = field(default_factory=Taken)

    @property
    def hanging(self) -> Hanging:
        """What drawers are hung in."""
        frame = self.edges.frame
        boards = frame.goods if isinstance(frame, FaceFrame) else ""
        return Hanging(self.shell, self.parts, self.taken, boards)

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

    def fitted(self, own: OwnFit, area: Area) -> tuple[FaceContext, Area, list[Reckoned]]:
        """Return the face and the place of a front under the fit its cell asks for, and the sums of it.

        A front of its own fit is reckoned from its opening, as any other is: opening + 2 x overlay,
        opening - 2 x gap (common practice).

        Args:
            own: what its cell says.
            area: its place under the fit of the whole face.

        Raises:
            SizeImpossible: if nothing is left of the front.
        """
        if isinstance(own, LikeOthers):
            return self, area, []
        edges = replace(self.edges, fit_at=f"{area.path}.fit")
        sides = ("left", "right", "bottom", "top")
        over = tuple(
            own.over(edges, side) if outer else own.over_mid(edges, side in ("left", "right"))
            for side, outer in zip(sides, area.outer, strict=True)
        )
        for side, outer, reach in zip(sides, area.outer, over, strict=True):
            if outer:
                shows = edges.member(side).length - reach
                remedy = "Take a smaller overlay for this front, or a wider member."
                self.shell.need(shows, ZERO, f"what shows at the {side} of a front with a fit of its own", remedy)
        left, right, low, high = area.opening
        width = self._sized(area, right - left, over[:2], sides[:2], "width")
        height = self._sized(area, high - low, over[2:], sides[2:], "height")
        place = replace(area, x=left - over[0], z=low - over[2], width=width, height=height, over=over)  # type: ignore[arg-type]
        return replace(self, edges=edges, fit=own), place, [width, height]

    def _sized(
        self, area: Area, opening: Length, over: tuple[Length, ...], sides: tuple[str, ...], way: str
    ) -> Reckoned:
        total = leaf(opening, f"opening {way}", origin=Origin.RECKONED, note="between what stands around it").times(1)
        for each, side in zip(over, sides, strict=True):
            if each > ZERO:
                total = total + leaf(each, f"overlay, {side}", origin=Origin.RECKONED, note="by its own fit")
            elif each < ZERO:
                total = total - leaf(-each, f"gap, {side}", origin=Origin.RECKONED, note="by its own fit")
        number = self.shell.book.named(total, f"front {way}", area.key("own-fit") + f"/{way}")
        self.shell.need(number.length, inches(1), f"front {way} under its own fit", "Take another fit for it.")
        return number

    def back_of(self, making: Making) -> Length:
        """Return where the back face of a leaf stands: at the face, inside it, or in the opening by its lip."""
        if self.fit.inset:
            return making.thickness(self.shell).length
        return self.fit.lip

    def leaf(
        self, area: Area, kind: PartKind, name: str, making: Making, *, x: Length | None = None, width: Reckoned | None = None,
        hand: Hand = Hand.NONE, side: Side = Side.NONE, level: bool = False, made: str = "fronts.making",
    ) -> Leaf:  # fmt: skip
        """Return a leaf that fills an area, or a part of its width; grain that runs through decides its way."""
        matched = self.grain != "each"
        if matched:
            level = self.grain in LEVEL
        return Leaf(
            area.role(kind, side), name, area.x if x is None else x, area.z, width or area.width, area.height,
            self.back_of(making), self.fit.lip, hand, level, made, matched,
        )  # fmt: skip

    def behind(self, area: Area) -> BaySpace | None:
        """Return the space behind the middle of an opening; ``None`` if a partition stands there."""
        left, right, low, high = area.opening
        x, z = (left.ticks + right.ticks) // 2, (low.ticks + high.ticks) // 2
        for bay in self.bays:
            if bay.box.low[0] <= x < bay.box.high[0] and bay.box.low[2] <= z < bay.box.high[2]:
                return bay
        return None
