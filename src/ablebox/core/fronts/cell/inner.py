# SPDX-License-Identifier: GPL-3.0-or-later
"""Drawers behind a door: they stand back behind it and are packed off the hinges.

The side a door is hinged at is packed out by about an inch (25 mm), so that the box clears hinges
and door; hinges that open 155 degrees or more swing the door out of the way (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.role import PartKind, Side
from ...case.fields import check_names, count, optional_size, size
from ...case.shell import Work
from ...lengths import ZERO, Length, inches
from ..area import Area
from .context import FaceContext
from .hung_box import BoxPlace, hang_box

#: How far a door with drawers behind it opens, in degrees.
_WIDE = 155


@dataclass(frozen=True, slots=True)
class InnerDrawers:
    """Choices of drawers behind a door.

    Args:
        count: how many.
        high: height of their boxes; ``None`` for what an equal share gives.
        packer: what the hinge side is packed out by.
        behind: how far they stand behind the door.
    """

    count: int = count("how many", 0, 8)
    high: Length | None = optional_size("height of their boxes", "as it fits")
    packer: Length = size("packed off the hinges by", inches(1), zero=True)
    behind: Length = size("behind the door", inches("1/2"), zero=True)

    words = "drawers behind it"

    def __post_init__(self) -> None:
        check_names(self)

    @property
    def angle(self) -> int:
        """How far the door must open, in degrees; 0 if nothing stands behind it."""
        return _WIDE if self.count else 0

    def build(self, face: FaceContext, work: Work, area: Area, hinged: tuple[bool, bool], door: Length) -> None:
        """Add the drawers to a door's work.

        Args:
            face: the face.
            work: the door's.
            area: its place.
            hinged: whether it is hinged at the left and at the right.
            door: its thickness.

        Raises:
            SizeImpossible: if they have no room, or a partition stands behind the door.
        """
        if not self.count:
            return
        bay = face.behind(area)
        if bay is None:
            raise face.shell.refuse("drawers behind a door", "a partition stands there", "Divide the face before it.")
        left, right, low, high = area.opening
        x0, x1 = Length(bay.box.low[0]), Length(bay.box.high[0])
        left = max(left, x0 + (self.packer if hinged[0] else ZERO))
        right = min(right, x1 - (self.packer if hinged[1] else ZERO))
        low, high = max(low, Length(bay.box.low[2])), min(high, Length(bay.box.high[2]))
        front = max(face.shell.front, door if face.fit.inset else face.fit.lip) + self.behind
        asked = (self.high, f"{area.path}.inner.high") if self.high is not None else None
        for i, share in enumerate((high - low).share(self.count)):
            place = BoxPlace(bay, left, right, low, low + share, front, area.path)
            hang_box(face, work, area.role(PartKind.INNER_DRAWER, Side.NONE, i + 1), place, asked)
            low = low + share
