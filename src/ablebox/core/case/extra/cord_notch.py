# SPDX-License-Identifier: GPL-3.0-or-later
"""A notch in an edge of a part: for cords behind a shelf, a partition or a top.

2 in long and 1 in deep, for a plug with its cord (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from ...assembly.part import CutKind, Placed
from ...lengths import ZERO, Length, inches, millimetres
from ..fields import check_names, one_of, size
from ..shell import Shell
from .place import through


@dataclass(frozen=True, slots=True)
class CordNotch:
    """Choices of a notch in an edge.

    Args:
        role: of the part.
        edge: which edge of its width.
        along: its middle, along the part's length.
        long: along the part's length.
        deep: across it.
    """

    role: str
    edge: str = one_of("in which edge", "high", {"low": "front or lower", "high": "back or upper"})
    along: Length = size("middle along the length", inches(4))
    long: Length = size("notch along the length", inches(2))
    deep: Length = size("notch across the width", inches(1))

    words = "notch for cords"

    def __post_init__(self) -> None:
        check_names(self)

    def work(self, shell: Shell, part: Placed, parts: tuple[Placed, ...]) -> Placed:
        """Return the part with its notch.

        Raises:
            SizeImpossible: if nothing is left beside the notch, or it meets a joint.
        """
        wide, a = part.width.length, self.long.share(2)[0]
        shell.need(wide - self.deep, millimetres(20), "wood left beside the notch for cords", "Make it less deep.")
        across = (ZERO, self.deep) if self.edge == "low" else (wide - self.deep, wide)
        span = (self.along - a, self.along - a + self.long)
        cut = through(shell, part, parts, CutKind.NOTCH, "for cords", span, across)
        return replace(part, cuts=(*part.cuts, cut))
