# SPDX-License-Identifier: GPL-3.0-or-later
"""A notch out of a corner of a part: around a pipe, a baseboard or a beam.

Its size to start from is common practice.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from ...assembly.part import CutKind, Placed
from ...lengths import ZERO, Length, inches, millimetres
from ..fields import check_names, one_of, size
from ..shell import Shell
from .place import through


@dataclass(frozen=True, slots=True)
class CornerNotch:
    """Choices of a notch at a corner.

    Args:
        role: of the part.
        end: at which end of its length.
        edge: at which edge of its width.
        long: along the part's length.
        wide: across it.
    """

    role: str
    end: str = one_of("at which end", "low", {"low": "lower or left", "high": "upper or right"})
    edge: str = one_of("at which edge", "high", {"low": "front or lower", "high": "back or upper"})
    long: Length = size("notch along the length", inches(4))
    wide: Length = size("notch across the width", inches("1/2"))

    words = "notch at a corner"

    def __post_init__(self) -> None:
        check_names(self)

    def work(self, shell: Shell, part: Placed, parts: tuple[Placed, ...]) -> Placed:
        """Return the part with its notch.

        Raises:
            SizeImpossible: if nothing is left beside the notch, or it meets a joint.
        """
        shell.need(part.width.length - self.wide, millimetres(5), "wood left beside the notch", "Make it narrower.")
        shell.need(part.length.length - self.long, millimetres(5), "wood left beyond the notch", "Make it shorter.")
        spans = []
        for at, reach, whole in ((self.end, self.long, part.length.length), (self.edge, self.wide, part.width.length)):
            spans.append((ZERO, reach) if at == "low" else (whole - reach, whole))
        cut = through(shell, part, parts, CutKind.NOTCH, "to go around something", spans[0], spans[1])
        return replace(part, cuts=(*part.cuts, cut))
