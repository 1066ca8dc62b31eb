# SPDX-License-Identifier: GPL-3.0-or-later
"""How far apart a shop sets its fasteners, and what it keeps free of them: its own choices, usual ones to start with.

Usual values are common practice: panels joined about every 6 in (150 mm), backs 6 in at their edges and 10 in the
field, screwed panels 7, frames to cases 10, counters and bases at each corner and every 24.
"""

from __future__ import annotations

from dataclasses import dataclass

from .lengths import Length, inches, millimetres


@dataclass(frozen=True, slots=True)
class Pitches:
    """The pitches of a shop.

    Args:
        joint: along panels that are joined.
        back_edge: of nails along the edges of a back.
        back_field: of nails in the middle of a back.
        panel: of panels screwed face to face.
        frame: of a face frame on its case.
        counter: of a counter, from below.
        base: of what stands on a base frame, and of the frame.
        ends: the first and last screw from the ends of a joint.

    Raises:
        ValueError: if one is under 1/2 in (12 mm).
    """

    joint: Length = inches(6)
    back_edge: Length = inches(6)
    back_field: Length = inches(10)
    panel: Length = inches(7)
    frame: Length = inches(10)
    counter: Length = inches(24)
    base: Length = inches(24)
    ends: Length = inches(2)

    def __post_init__(self) -> None:
        for name in self.__slots__:
            if getattr(self, name) < millimetres(12):
                raise ValueError("fasteners stand 1/2 in (12 mm) apart or more")
