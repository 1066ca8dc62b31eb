# SPDX-License-Identifier: GPL-3.0-or-later
"""A groove for a strip light, along the front of a shelf, top or bottom, or upright in a side, stopped before both ends.

5/8 in wide, 5/16 deep, 1 1/2 in behind the front edge; its lead wants a hole of 3/8 in at one end, clear of a dado of
3/8 in (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from ...assembly.part import Cut, CutKind, Holes, Placed
from ...assembly.solid import Box
from ...assembly.uses import Use
from ...lengths import Length, inches, millimetres
from ..fields import check_names, one_of, size
from ..shell import Shell
from .place import INTO, face_into, keep_clear, point_on


@dataclass(frozen=True, slots=True)
class LightGroove:
    """Choices of a groove for a strip light.

    Args:
        role: of the part.
        into: into which face: ``low`` for the one that looks down, to the left or forward.
        across: from the front or lower edge to the groove.
        short: how far it stops before each end.
        wide: of the groove.
        deep: of the groove.
        lead: the hole for its lead, behind it.
    """

    role: str
    into: str = one_of("into which face", "low", INTO)
    across: Length = size("from the front or lower edge", inches("1 1/2"))
    short: Length = size("stops short of each end", inches("1/2"), zero=True)
    wide: Length = size("groove width", inches("5/8"))
    deep: Length = size("groove depth", inches("5/16"))
    lead: Length = size("hole for its lead", inches("3/8"))

    words = "strip light"

    def __post_init__(self) -> None:
        check_names(self)

    def work(self, shell: Shell, part: Placed, parts: tuple[Placed, ...]) -> Placed:
        """Return the part with its groove and the hole for the lead.

        Raises:
            SizeImpossible: if too little is left of the part, or the groove meets a joint.
        """
        thick = part.thickness.length
        shell.need(
            thick - self.deep * 2, -millimetres(1), "wood over the groove for the light", "At most half through."
        )
        rest = part.width.length - self.across - self.wide
        shell.need(rest, millimetres(5), "wood behind the groove for the light", "Move it forward.")
        shell.need(self._long(part), inches(3), "length of the strip light", "Let it stop nearer to the ends.")
        face = face_into(part, self.into)
        axis, side = face.value
        low, high = list(part.box.low), list(part.box.high)
        low[part.axes[0]] += self.short.ticks
        high[part.axes[0]] -= self.short.ticks
        low[part.axes[1]] += self.across.ticks
        high[part.axes[1]] = low[part.axes[1]] + self.wide.ticks
        if side < 0:
            high[axis] = low[axis] + self.deep.ticks
        else:
            low[axis] = high[axis] - self.deep.ticks
        box = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
        keep_clear(shell, part, parts, box, "groove for the light")
        cut = Cut(CutKind.GROOVE, "for the light", box, face, filled=False)
        at = point_on(part, self.short + self.lead, self.across + self.wide.share(2)[0])
        hole = Holes(Use.THROUGH, face, self.lead, thick, (at,))
        return replace(part, cuts=(*part.cuts, cut), holes=(*part.holes, hole))

    def let_in(self, shell: Shell, part: Placed) -> tuple[str, str]:
        """Return what is bought for it, and why."""
        long = shell.units.write(self._long(part), True)
        return f"strip light with its cover, {long} long", f"let into the {part.name}"

    def _long(self, part: Placed) -> Length:
        return part.length.length - self.short * 2
