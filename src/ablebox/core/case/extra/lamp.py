# SPDX-License-Identifier: GPL-3.0-or-later
"""A round lamp let into a part, with a hole for its lead right through its middle.

2 1/4 in across and 7/16 deep, the lead 3/8 (common practice; the lamp's own sheet decides).
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from ...assembly.part import Holes, Placed
from ...assembly.uses import Use
from ...lengths import Length, inches, millimetres
from ..fields import check_names, one_of, size
from ..shell import Shell
from .place import INTO, box_in, face_into, keep_clear, point_on


@dataclass(frozen=True, slots=True)
class Lamp:
    """Choices of a lamp that is let in.

    Args:
        role: of the part.
        into: into which face: ``low`` for the one that looks down, to the left or forward.
        along: its centre, along the part's length.
        across: its centre, across the part's width.
        diameter: of the hole.
        deep: of the hole.
        lead: the hole for its lead.
    """

    role: str
    into: str = one_of("into which face", "low", INTO)
    along: Length = size("centre along the length", inches(6))
    across: Length = size("centre across the width", inches(6))
    diameter: Length = size("hole for the lamp", inches("2 1/4"))
    deep: Length = size("depth of that", inches("7/16"))
    lead: Length = size("hole for its lead", inches("3/8"))

    words = "lamp let in"

    def __post_init__(self) -> None:
        check_names(self)

    def work(self, shell: Shell, part: Placed, parts: tuple[Placed, ...]) -> Placed:
        """Return the part with both holes.

        Raises:
            SizeImpossible: if a hole breaks out of the part or meets a joint.
        """
        thick, radius = part.thickness.length, self.diameter.share(2)[0]
        shell.need(thick - self.deep, millimetres(3), "wood behind the lamp", "Bore it shallower.")
        for centre, end in ((self.along, part.length.length), (self.across, part.width.length)):
            for rest in (centre - radius, end - centre - radius):
                shell.need(rest, millimetres(3), f"wood beside the lamp in the {part.name}", "Move it inwards.")
        span = ((self.along - radius, self.along + radius), (self.across - radius, self.across + radius))
        keep_clear(shell, part, parts, box_in(part, *span), "lamp")
        face, at = face_into(part, self.into), (point_on(part, self.along, self.across),)
        bored = (
            Holes(Use.LAMP, face, self.diameter, self.deep, at),
            Holes(Use.THROUGH, face, self.lead, thick, at),
        )
        return replace(part, holes=(*part.holes, *bored))

    def let_in(self, shell: Shell, part: Placed) -> tuple[str, str]:
        """Return what is bought for it, and why."""
        return f"lamp to let in, {shell.units.write(self.diameter, True)} across", f"let into the {part.name}"
