# SPDX-License-Identifier: GPL-3.0-or-later
"""Pocket holes: bored at 15 degrees from a face towards an end, so that a screw leaves the end in the middle of the stock.

The screw's head sits on a ledge: 5/8 in before the end in stock up to 9/16 in thick, 3/4 in up to 1 in, 1 1/2 in
thicker; pockets are 3/8 in (9.5 mm) wide; screws 1 in long for 1/2 in stock, 1 1/4 for 3/4, 2 1/2 for 1 1/2 (common practice).
"""

from __future__ import annotations

from math import ceil, cos, radians, sin

from ..assembly.fastener import Point
from ..assembly.part import Holes, Placed
from ..lengths import Length, inches, millimetres

COS, SIN = cos(radians(15)), sin(radians(15))
WIDE = millimetres("9.5")
#: How thick a long driver bit is (common practice: 1/4 in).
BIT = inches("1/4")
#: The least from a pocket's axis to an edge along the end.
FROM_EDGE = inches("3/8")
_LEDGES = ((inches("9/16"), inches("5/8")), (inches(1), inches("3/4")))
_SCREWS = ((inches("9/16"), inches(1)), (inches(1), inches("1 1/4")))
#: What metric screws of these sizes may be longer: 32 mm for 1 1/4 in.
ROUNDED = millimetres(1)
_THICK_LEDGE, _THICK_SCREW = inches("1 1/2"), inches("2 1/2")


def ledge(thickness: Length) -> Length:
    """Return how far before the end the screw's head sits, along its axis."""
    return next((at for most, at in _LEDGES if thickness <= most), _THICK_LEDGE)


def screw(thickness: Length) -> Length:
    """Return the usual length of the screw."""
    return next((at for most, at in _SCREWS if thickness <= most), _THICK_SCREW)


def depth(thickness: Length) -> Length:
    """Return how deep a pocket is along its axis, from its mouth to the ledge."""
    return Length(round(thickness.ticks / 2 / SIN)) - ledge(thickness)


def shortest(thickness: Length) -> Length:
    """Return the least length of a part with a pocket at its end.

    The bit leaves the pocket at 15 degrees and has to pass over what stands at the part's other end, in its plane.
    """
    sunk = thickness.ticks / 2 - ledge(thickness).ticks * SIN
    over = (sunk + BIT.ticks / 2 / COS) * COS / SIN
    return Length(ceil(ledge(thickness).ticks * COS + over))


def mouth_of(part: Placed, holes: Holes, at: int) -> tuple[Point, tuple[float, float, float], int]:
    """Return where a hole begins on its face, the way it goes into the wood, and how deep, in ticks.

    Args:
        part: the part.
        holes: holes of it.
        at: which of them.
    """
    axis, side = holes.face.value
    point = list(holes.centres[at])
    point[axis] = part.box.high[axis] if side > 0 else part.box.low[axis]
    way = [0.0, 0.0, 0.0]
    way[axis] = -float(side)
    if holes.toward is not None:
        square, leaning = (COS, SIN) if holes.steep else (SIN, COS)
        way[axis] *= square
        way[holes.toward.axis] = holes.toward.value[1] * leaning
    return (point[0], point[1], point[2]), (way[0], way[1], way[2]), holes.depth.ticks
