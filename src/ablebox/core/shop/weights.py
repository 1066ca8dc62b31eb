# SPDX-License-Identifier: GPL-3.0-or-later
"""What cases weigh, and which of them two people lift."""

from __future__ import annotations

from ..assembly.part import Assembly
from ..assembly.role import COUNTERS, PartKind
from ..materials import load_of, material
from .carrying import members
from .made import Made

#: What one person lifts, about (50 lb or 23 kg, common practice).
ALONE_KG = 23.0
#: What comes out before a case is lifted, by what a part belongs to in the end.
_COMES_OUT = frozenset(
    {PartKind.SHELF, PartKind.DRAWER, PartKind.INNER_DRAWER, PartKind.PULL_OUT, PartKind.FALSE_BOTTOM}
)


def kilograms(made: Made, assembly: Assembly, bare: bool = False, counters: bool = False) -> float:
    """Return the weight of a case's wood.

    Hardware is not counted, nor what is fixed once it stands: a top, a base or kick board under it, end panels.

    Args:
        made: what the project comes to.
        assembly: the case.
        bare: whether doors, drawers and loose shelves are out.
        counters: whether the counter on it counts too.
    """
    found, rack = 0.0, made.project.rack
    for part in assembly.parts:
        if part.stands == "apart" and not (counters and part.role.kind in COUNTERS):
            continue
        if bare and (part.stands == "front" or part.role.whole.kind in _COMES_OUT):
            continue
        volume = part.length.length.mm * part.width.length.mm * part.thickness.length.mm
        found += volume * material(rack.stock(part.goods).stuff).density * 1e-9
    return found


def contents(made: Made, assembly: Assembly) -> float:
    """Return what a full case holds, in kg: its load on every shelf, bottom and top, and in every drawer."""
    case = made.project.case(assembly.letter)
    load, found = load_of(case.load), 0.0
    for member in members(assembly, (), made.project.rack, case.load):
        found += load.weight * member.beam.depth * member.beam.span / 1e6 + member.beam.person
    for part in assembly.parts:
        if part.role.kind is PartKind.BOX_BOTTOM:
            found += load.weight * part.length.length.mm * part.width.length.mm / 1e6
    return found


def lifting(made: Made, assembly: Assembly) -> str:
    """Return what a case weighs, how many lift it, and what they take out first if it is too much for two."""
    weight, bare = kilograms(made, assembly), kilograms(made, assembly, bare=True)
    words = made.units.weigh(weight)
    if weight <= ALONE_KG:
        return words
    if weight > 2 * ALONE_KG and bare < weight:
        words = f"{words}, {made.units.weigh(bare)} with doors, drawers and shelves out"
    return f"{words}, {'two' if bare <= 2 * ALONE_KG else 'three'} people lift it"
