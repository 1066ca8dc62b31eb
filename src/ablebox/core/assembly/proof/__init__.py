# SPDX-License-Identifier: GPL-3.0-or-later
"""Proves hardware and fasteners from where they are: in wood, clear of each other and of every face, on something.

It shares nothing with the code that places them: it reckons in millimetres, with distances from points and between straight
pieces, where that works in ticks along lines. What it finds is told with its numbers.

Limits (common practice): a tip in wood keeps 1/8 in (3 mm) from every face in stock over 5/8 in (16 mm), 1/16 in (1.5 mm)
in thinner; a cup leaves 2.5 mm; an adjustable shelf stands on four pins, one round a corner on three at least; between two
things in one part a millimetre of wood is left.
"""

from __future__ import annotations

from ..part import Assembly
from .driven import heads, strays, tips
from .finding import Fault, Finding
from .held import clashes, holes_left, hung, joined, loose, shelves
from .meetings import meetings
from .racks import racks
from .wood import Solid

__all__ = ["Fault", "Finding", "prove"]


def prove(assembly: Assembly) -> list[Finding]:
    """Return everything wrong with the hardware and fasteners of a case; an empty list is the proof that they are sound."""
    if not assembly.fasteners and not assembly.fittings:
        return []
    solids = {part.role: Solid(part) for part in (*assembly.parts, *assembly.beside) if part.straight is None}
    return [
        *tips(assembly, solids),
        *strays(assembly, solids),
        *heads(assembly, solids),
        *meetings(assembly, solids),
        *holes_left(assembly),
        *hung(assembly),
        *joined(assembly),
        *shelves(assembly),
        *clashes(assembly, solids),
        *loose(assembly),
        *racks(assembly, solids),
    ]
