# SPDX-License-Identifier: GPL-3.0-or-later
"""A space kept free for cords and plugs before a part: before the back at an outlet, above a shelf, under a top.

Nothing is taken out of the part; what stands in the space is told (``snags/cords``). 6 in wide and high and 2 in deep, for two plugs
with their cords bent aside (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import Placed
from ...assembly.solid import Box
from ...lengths import ZERO, Length, inches
from ..fields import check_names, one_of, size
from ..shell import Shell
from .place import INTO, box_in, face_into


@dataclass(frozen=True, slots=True)
class CordSpace:
    """Choices of a space for cords.

    Args:
        role: of the part it lies against.
        into: on which side of the part.
        along: its middle, along the part's length.
        across: its middle, across the part's width.
        long: along the part's length.
        wide: across its width.
        deep: from the part's face on.
    """

    role: str
    into: str = one_of("on which side", "low", INTO)
    along: Length = size("middle along the length", inches(6))
    across: Length = size("middle across the width", inches(6))
    long: Length = size("space along the length", inches(6))
    wide: Length = size("space across the width", inches(6))
    deep: Length = size("kept free from the face on", inches(2))

    words = "space for cords"

    def __post_init__(self) -> None:
        check_names(self)

    def work(self, shell: Shell, part: Placed, parts: tuple[Placed, ...]) -> Placed:
        """Return the part as it is.

        Raises:
            SizeImpossible: if the space reaches beyond the part.
        """
        del parts
        for middle, size_of, whole in (
            (self.along, self.long, part.length.length), (self.across, self.wide, part.width.length),
        ):  # fmt: skip
            half = size_of.share(2)[0]
            if middle - half < ZERO or middle + half > whole:
                what = f"it reaches beyond the part, {shell.units.write(whole, True)}"
                raise shell.refuse(f"{self.words} at the {part.name}", what, "Move it, or make it smaller.")
        return part

    def box(self, part: Placed) -> Box:
        """Return the space in the case, in ticks."""
        along, across = (
            (middle - size_of.share(2)[0], middle - size_of.share(2)[0] + size_of)
            for middle, size_of in ((self.along, self.long), (self.across, self.wide))
        )
        inside = box_in(part, along, across)
        axis, side = face_into(part, self.into).value
        low, high = list(inside.low), list(inside.high)
        if side < 0:
            low[axis], high[axis] = low[axis] - self.deep.ticks, low[axis]
        else:
            low[axis], high[axis] = high[axis], high[axis] + self.deep.ticks
        return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
