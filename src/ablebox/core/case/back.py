# SPDX-License-Identifier: GPL-3.0-or-later
"""What all backs share: the depth they leave clear in front of them."""

from __future__ import annotations

from ..assembly.role import PartKind, Role
from ..lengths import inches
from ..reckoning import Reckoned
from .shell import Shell

BACK = Role(PartKind.BACK)


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
