# SPDX-License-Identifier: GPL-3.0-or-later
"""What fronts stand out by at each side of a case: a counter goes on over them."""

from __future__ import annotations

from dataclasses import dataclass

from ...lengths import ZERO, Length
from ..shell import Shell, Work


@dataclass(frozen=True, slots=True)
class Around:
    """What fronts stand out by at each side of a case; 0 for inset fronts or none.

    Args:
        front: before the face.
        rear: behind the back.
        left: beyond the left end.
        right: beyond the right end.
    """

    front: Length = ZERO
    rear: Length = ZERO
    left: Length = ZERO
    right: Length = ZERO

    @staticmethod
    def of(shell: Shell, work: Work) -> Around:
        """Return it for a case whose fronts are all built."""
        width, depth = shell.over_sides.length.ticks, shell.depth.length.ticks
        out = {"front": 0, "rear": 0, "left": 0, "right": 0}
        for space in work.fronts:
            for part in work.parts:
                if part.role in space.roles and part.stands == "front":
                    (x0, y0, _), (x1, y1, _) = part.box.low, part.box.high
                    by = {"front": -y0, "rear": y1 - depth, "left": -x0, "right": x1 - width}[space.side]
                    out[space.side] = max(out[space.side], by)
        return Around(**{side: Length(by) for side, by in out.items()})
