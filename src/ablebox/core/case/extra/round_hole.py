# SPDX-License-Identifier: GPL-3.0-or-later
"""A round hole right through a part: for a cable, a pipe, or a finger pull.

1 1/2 in to start from, for a cord with its plug (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from ...assembly.part import Holes, Placed
from ...assembly.uses import Use
from ...lengths import Length, inches
from ..fields import size
from ..shell import Shell
from .place import box_in, face_of, keep_clear, point_on


@dataclass(frozen=True, slots=True)
class RoundHole:
    """Choices of a round hole.

    Args:
        role: of the part.
        along: its centre, along the part's length.
        across: its centre, across the part's width.
        diameter: of the hole.
    """

    role: str
    along: Length = size("centre along the length", inches(4))
    across: Length = size("centre across the width", inches(4))
    diameter: Length = size("diameter", inches("1 1/2"))

    words = "round hole"

    def work(self, shell: Shell, part: Placed, parts: tuple[Placed, ...]) -> Placed:
        """Return the part with its hole.

        Raises:
            SizeImpossible: if the hole breaks out of the part or meets a joint.
        """
        radius = self.diameter.share(2)[0]
        for centre, end, what in (
            (self.along, part.length.length, "length"),
            (self.across, part.width.length, "width"),
        ):
            shell.need(
                centre - radius, Length(16_000), f"wood beside the hole in the {part.name}", "Move the hole inwards."
            )
            rest = end - centre - radius
            shell.need(rest, Length(16_000), f"wood beside the hole, along the {what}", "Move the hole inwards.")
        span = ((self.along - radius, self.along + radius), (self.across - radius, self.across + radius))
        keep_clear(shell, part, parts, box_in(part, *span), "hole")
        at = point_on(part, self.along, self.across)
        bored = Holes(Use.THROUGH, face_of(part), self.diameter, part.thickness.length, (at,))
        return replace(part, holes=(*part.holes, bored))
