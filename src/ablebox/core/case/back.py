# SPDX-License-Identifier: GPL-3.0-or-later
"""What all backs share: the depth they leave clear in front of them."""

from __future__ import annotations

from ..assembly.joint import Spacing, Way
from ..assembly.part import Face
from ..assembly.role import PartKind, Role
from ..lengths import inches, millimetres
from ..reckoning import Reckoned
from ..stock import Rack
from .shell import Shell, Work

BACK = Role(PartKind.BACK)


#: Parts whose edges a back lies against at its own edges, and those in its field.
_EDGES = frozenset({PartKind.SIDE, PartKind.BOTTOM, PartKind.TOP, PartKind.STRETCHER, PartKind.RAIL})
_FIELD = frozenset({PartKind.PARTITION, PartKind.FIXED_SHELF})


def nailed(work: Work, into_sides: bool) -> None:
    """Nail a thin back to everything it lies against, from behind.

    Args:
        work: everything in the case so far.
        into_sides: whether it goes over the sides' edges or into their rabbets; a back in grooves is held by them.
    """
    for part in tuple(work.parts):
        kind = part.role.kind
        if kind is PartKind.SIDE and not into_sides:
            continue
        if kind in _EDGES or kind in _FIELD:
            spacing = Spacing.BACK_EDGE if kind in _EDGES else Spacing.BACK_FIELD
            work.join(Way.NAILS, BACK, part.role, spacing, Face.BACK)


def screwed(work: Work) -> None:
    """Screw a thick back to what ends at it, from behind; its own fasteners hold it between the sides."""
    for part in tuple(work.parts):
        if part.role.kind in (_EDGES | _FIELD) - {PartKind.SIDE}:
            work.join(Way.SCREWS, BACK, part.role, Spacing.PANEL, Face.BACK)


def back_thickness(shell: Shell, goods: str) -> Reckoned:
    """Return how thick a back of this stock is."""
    return shell.rack.sheet_goods(goods).reckoned_thickness("back thickness", shell.units)


def clear_before(shell: Shell, *behind: Reckoned) -> Reckoned:
    """Return the clear depth: the carcass' depth less what stands at its back.

    Raises:
        SizeImpossible: if nothing is left of it.
    """
    total = shell.carcass_depth
    for thickness in behind:
        total = total - thickness
    depth = shell.book.named(total, "clear depth", "inside.depth")
    shell.need(depth.length, inches(1), "clear depth", "Make the case deeper or its stock thinner.")
    return depth


#: From this on a back is something to fasten through (7/16 in, so that 1/2 in and 12 mm stock counts; common practice).
THICK = millimetres(11)


def is_thick(rack: Rack, goods: str) -> bool:
    """Whether a back of a stock carries a case by itself."""
    return rack.sheet_goods(goods).thickness >= THICK
