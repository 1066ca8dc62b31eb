# SPDX-License-Identifier: GPL-3.0-or-later
"""How much room tools and hands ask for: how far they stand out from what they work on, and how wide they are there."""

from __future__ import annotations

from dataclasses import dataclass, fields
from enum import Enum

from .lengths import Length, inches


class Tool(Enum):
    """What reaches for something; the value is what it is called in JSON."""

    DRIVER = "driver"
    DRILL = "drill"
    RIGHT_ANGLE = "right_angle"
    HAND = "hand"
    BRUSH = "brush"
    CLAMP = "clamp"


@dataclass(frozen=True, slots=True)
class Room:
    """The room a tool asks for.

    Args:
        length: how far it stands out.
        width: how wide it is there, both ways.
    """

    length: Length
    width: Length


@dataclass(frozen=True, slots=True)
class Reach:
    """The shop's own tools.

    Lengths are common practice: a driver stands out 7 in, a drill with its bit 10 to 12, a right-angle one 4, a hand with a
    brush 6 by 4, a clamp head about 4. Widths are of what goes between the parts: a long 1/4 in bit; of hands and
    brushes the whole.

    Args:
        driver: a driver with a long bit.
        drill: a drill with its bit.
        right_angle: a right-angle driver or drill.
        hand: a hand that puts something in or wipes glue off.
        brush: a hand with a brush.
        clamp: the head of a clamp.
    """

    driver: Room = Room(inches(7), inches("1/4"))
    drill: Room = Room(inches(11), inches("1/4"))
    right_angle: Room = Room(inches(4), inches("1/4"))
    hand: Room = Room(inches(6), inches(4))
    brush: Room = Room(inches(6), inches(4))
    clamp: Room = Room(inches(4), inches(2))

    def of(self, tool: Tool) -> Room:
        """Return the room a tool asks for."""
        found: Room = getattr(self, tool.value)
        return found

    def rows(self) -> dict[str, Room]:
        """Return every tool's room, by its name in JSON."""
        return {each.name: getattr(self, each.name) for each in fields(self)}
