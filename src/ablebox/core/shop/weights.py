# SPDX-License-Identifier: GPL-3.0-or-later
"""What cases weigh, and which of them two people lift."""

from __future__ import annotations

from ..assembly.part import Assembly
from ..materials import materials
from .made import Made

#: What one person lifts, about (50 lb or 23 kg, common practice).
ALONE_KG = 23.0


def kilograms(made: Made, assembly: Assembly) -> float:
    """Return the weight of a case's wood, doors and drawers in.

    Hardware is not counted, nor what is fixed once it stands: a top, a base or kick board under it, end panels.
    """
    found, rack = 0.0, made.project.rack
    for part in (each for each in assembly.parts if each.stands != "apart"):
        volume = part.length.length.mm * part.width.length.mm * part.thickness.length.mm
        found += volume * materials()[rack.stock(part.goods).stuff].density * 1e-9
    return found


def lifting(made: Made, assembly: Assembly) -> str:
    """Return what a case weighs, and whether two people lift it."""
    weight = kilograms(made, assembly)
    people = ", two people lift it" if weight > ALONE_KG else ""
    return f"{made.units.weigh(weight)}{people}"
