# SPDX-License-Identifier: GPL-3.0-or-later
"""How thick fasteners are, how long one may be, and how near to a face it may end.

A tip ends no nearer to a face than 1/8 in (3 mm) in stock over 5/8 in, 1/16 in (1.5 mm) in thinner stock. Face to face a
screw goes through one part and stays that far inside the other; into an edge it goes an inch and a quarter; nails into an
edge three times the thickness they fasten. Thicknesses: case and pocket screws No. 8 (4.2 mm), connector screws 7 mm, dowels
8 mm, brads of 18 gauge 1.2 mm, screws of slides and hinges No. 6 (3.5 mm), of plates 6.3 mm in holes of 5 mm, of pulls
4 mm, into walls 5 mm, bolts of tops 1/4 in (common practice).
"""

from __future__ import annotations

from ..assembly.fastener import FastenerKind
from ..lengths import Length, inches, millimetres

#: How much of a screw goes into an edge.
INTO_EDGE = inches("1 1/4")
#: A screw that holds less than this holds nothing.
LEAST_THREAD = millimetres(6)
_THICK = inches("5/8")

DIAMETER: dict[FastenerKind, Length] = {
    FastenerKind.SCREW: millimetres("4.2"),
    FastenerKind.POCKET_SCREW: millimetres("4.2"),
    FastenerKind.CONNECTOR: millimetres(7),
    FastenerKind.DOWEL: millimetres(8),
    FastenerKind.BISCUIT: millimetres(4),
    FastenerKind.NAIL: millimetres("1.2"),
    FastenerKind.SLIDE_SCREW: millimetres("3.5"),
    FastenerKind.PLATE_SCREW: millimetres("6.3"),
    FastenerKind.HINGE_SCREW: millimetres("3.5"),
    FastenerKind.PULL_SCREW: millimetres(4),
    FastenerKind.FITTING_SCREW: millimetres("3.5"),
    FastenerKind.WALL_SCREW: millimetres(5),
    FastenerKind.BOLT: millimetres("6.35"),
}
#: How wide heads are, where they are wider than the shank.
HEAD: dict[FastenerKind, Length] = {
    FastenerKind.SCREW: millimetres(8),
    FastenerKind.CONNECTOR: millimetres(10),
    FastenerKind.WALL_SCREW: millimetres(12),
}


def margin(thickness: Length) -> Length:
    """Return how much wood is left between a tip and the nearest face in stock of a thickness."""
    return inches("1/8") if thickness > _THICK else inches("1/16")
