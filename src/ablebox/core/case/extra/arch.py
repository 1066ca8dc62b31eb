# SPDX-License-Identifier: GPL-3.0-or-later
"""An arched edge: an arc of a circle over the whole length, highest in the middle.

With chord L and rise r the radius is (L^2 / 4 + r^2) / 2r (plane geometry).

Its size to start from is common practice.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import isqrt

from ...assembly.part import Face, Placed
from ...lengths import Length, inches, millimetres
from ..fields import check_names, one_of, size
from ..scribe import Scribe, Station, scribed
from ..shell import Shell

_STEPS = 32


@dataclass(frozen=True, slots=True)
class Arch:
    """Choices of an arched edge.

    Args:
        role: of the part.
        edge: which edge of its width.
        rise: how much is taken off in the middle.
    """

    role: str
    edge: str = one_of("which edge", "low", {"low": "front or lower", "high": "back or upper"})
    rise: Length = size("rise in the middle", inches(1))

    words = "arched edge"

    def __post_init__(self) -> None:
        check_names(self)

    def radius(self, chord: Length) -> Length:
        """Return the radius of the arc over a chord."""
        return Length((chord.ticks**2 // 4 + self.rise.ticks**2) // (2 * self.rise.ticks))

    def work(self, shell: Shell, part: Placed, parts: tuple[Placed, ...]) -> Placed:
        """Return the part with its arch.

        Raises:
            SizeImpossible: if the arch leaves too little, or meets a joint.
        """
        shell.need(self.rise, millimetres(1), "rise of the arch", "Type a rise, such as 1 in.")
        chord = part.length.length
        shell.need(
            chord.share(2)[1] - self.rise, millimetres(1), "half the length beyond the rise", "Make the rise less."
        )
        radius = self.radius(chord).ticks
        stations = []
        for i in range(_STEPS + 1):
            at = chord.ticks * i // _STEPS
            from_middle = abs(at - chord.ticks // 2)
            off = isqrt(max(0, radius**2 - from_middle**2)) - (radius - self.rise.ticks)
            stations.append(Station(Length(at), Length(max(0, off))))
        side = -1 if self.edge == "low" else 1
        face = next(f for f in Face if f.value == (part.axes[1], side))
        return next(
            p for p in scribed(shell, (Scribe(part.role, face, tuple(stations)),), parts) if p.role == part.role
        )
