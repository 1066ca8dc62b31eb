# SPDX-License-Identifier: GPL-3.0-or-later
"""A pull-out behind one front: trays above each other, all screwed to it, each on slides of its own.

The trays share the height equally; the lowest stands where a drawer's box would (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, field

from ...assembly.put_on import PutOn
from ...assembly.role import PartKind, Side
from ...case.fields import check_names, count, size
from ...case.shell import Work
from ...lengths import Length, inches
from ..area import Area
from ..fit.choice import OwnFit
from ..fit.same import LikeOthers
from ..making.choice import OwnMaking
from ..making.same import LikeDoors
from .context import FaceContext
from .drawer import behind_the_front, box_place, screw_on
from .hung_box import BoxPlace, hang_box


@dataclass(frozen=True, slots=True)
class PullOutFront:
    """Choices of a pull-out.

    Args:
        trays: how many; 0 for a bought frame.
        high: height of their boxes.
        making: how its front is made.
        fit: how its front meets the face.
    """

    trays: int = count("trays", 2, 6)
    high: Length = size("height of the trays", inches(4))
    making: OwnMaking = field(default_factory=LikeDoors)
    fit: OwnFit = field(default_factory=LikeOthers)

    words = "pull-out"
    opens = "out"

    def __post_init__(self) -> None:
        check_names(self)

    def build(self, face: FaceContext, area: Area) -> Work:
        """Return front and trays.

        Raises:
            SizeImpossible: if the trays have no room.
        """
        shell = face.shell
        making, made = face.making_of(self.making, area)
        front = face.leaf(area, PartKind.DRAWER_FRONT, "pull-out front", making, made=made)
        work = making.build(shell, front)
        if not self.trays:
            face.pulls.on_front(shell, work, making, front, "high")
            work.buy("frame for a pull-out", put_on=PutOn.FRONT)
            return work
        place = box_place(face, area, front.back)
        shares = (place.high - place.low).share(self.trays)
        low = place.low
        for i, share in enumerate(shares):
            role = area.role(PartKind.DRAWER)
            if i:
                role = role.part(PartKind.TRAY, Side.NONE, i + 1)
            own = BoxPlace(place.bay, place.left, place.right, low, low + share, place.front, place.path)
            hang_box(face, work, role, own, (self.high, f"{area.path}.high"))
            screw_on(face, work, making, front, role, area)
            low = low + share
        behind_the_front(face, work, area)
        face.pulls.on_front(shell, work, making, front, "high")
        return work
