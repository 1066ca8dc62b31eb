# SPDX-License-Identifier: GPL-3.0-or-later
"""Concealed hinges: how many a door takes, and where their cups and plates go.

Cup 35 mm, 12 to 13 mm deep, its edge 3 to 6 mm from the door's edge; two hinges up to
40 in, three to 60, four to 80; the outer ones about 100 mm from the ends; plates on a line
37 mm behind the front edge, their screws 32 mm apart (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass
from math import ceil

from ..case.fields import size
from ..lengths import ZERO, Length, inches, millimetres

PLATE_LINE = millimetres(37)
PLATE_SCREWS = millimetres(32)
PLATE_HOLE, PLATE_DEPTH = millimetres(5), millimetres(10)
END_DISTANCE = millimetres(100)
_HEIGHTS = ((inches(40), 2), (inches(60), 3), (inches(80), 4))


@dataclass(frozen=True, slots=True)
class CupHinge:
    """A concealed hinge.

    Args:
        cup: diameter of the cup.
        depth: how deep it is bored.
        edge: from the door's edge to the edge of the cup.
    """

    cup: Length = size("hinge cup diameter", millimetres(35))
    depth: Length = size("hinge cup depth", millimetres("12.5"))
    edge: Length = size("cup from the door's edge", millimetres(5))


#: What each hinge beyond the first carries, in kg (about 15 lb, common practice).
CARRIES = 7.0
#: A door wider than this pulls at its hinges as if it weighed more, by as much as it is wider (24 in, common practice).
WIDE = inches(24)
#: More hinges than this do not share their load any more (common practice).
MOST = 5


def hinge_count(height: Length, kilograms: float = 0.0, carries: float = CARRIES, width: Length = ZERO) -> int:
    """Return how many hinges a door of this height, weight and width takes, ``MOST`` at most.

    Two up to 40 in, three to 60, four to 80, and one for what each carries beyond the first, about 7 kg
    if nobody has said; a wide door counts as a heavier one (common practice).
    """
    return min(MOST, hinges_wanted(height, kilograms, carries, width))


def hinges_wanted(height: Length, kilograms: float, carries: float, width: Length) -> int:
    """Return how many hinges a door would take, were there no limit."""
    by_height = next((count for limit, count in _HEIGHTS if height <= limit), 5)
    pull = kilograms * max(1.0, width.mm / WIDE.mm)
    return max(by_height, 1 + max(1, ceil(pull / (carries or CARRIES))))


def hinge_heights(height: Length, count: int) -> list[Length]:
    """Return the heights of the hinges' centres above the door's lower edge.

    On short doors the outer ones move in, to a fifth of the height.
    """
    end = min(END_DISTANCE, height.share(5)[-1])
    steps = (height - end * 2).share(count - 1)
    heights = [end]
    for step in steps:
        heights.append(heights[-1] + step)
    return heights
