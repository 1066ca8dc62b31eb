# SPDX-License-Identifier: GPL-3.0-or-later
"""Fastens a counter: its strips are glued and screwed under it, and it is screwed on from below.

Through whatever lies flat at the top of the case, one at each corner and every 24 in; where nothing does, by pockets bored
from the inner faces of the sides and of stretchers on edge (common practice).
"""

from __future__ import annotations

from ...assembly.joint import Spacing, Way
from ...assembly.part import Face, Placed
from ...assembly.role import COUNTERS, PartKind
from ..shell import LEFT, Work


def fasten_counter(work: Work) -> None:
    """Ask for the fasteners of a counter.

    Args:
        work: everything in the case so far.
    """
    slabs = [part for part in work.parts if part.role.kind is PartKind.COUNTER]
    strips = [part for part in work.parts if part.role.kind is PartKind.STRIP]
    for strip in strips:
        for slab in slabs:
            work.join(Way.SCREWS, strip.role, slab.role, Spacing.PANEL, apart=True)
    lowest = [part for part in work.parts if part.role.kind in COUNTERS and part.role.kind is not PartKind.SPLASH]
    flat = [part for part in work.parts if _flat(part)]
    for over in lowest if slabs else ():
        for part in flat:
            work.join(Way.SCREWS, part.role, over.role, Spacing.COUNTER, apart=True, spare=True)
        if not flat:
            for part in work.parts:
                if part.role.kind is PartKind.STRETCHER:
                    work.join(Way.POCKET, part.role, over.role, Spacing.COUNTER, Face.BACK, spare=True)
                elif part.role.kind is PartKind.SIDE:
                    inner = Face.RIGHT if part.role == LEFT else Face.LEFT
                    work.join(Way.POCKET, part.role, over.role, Spacing.COUNTER, inner, spare=True)


def _flat(part: Placed) -> bool:
    return part.axes[2] == 2 and part.role.kind in (PartKind.STRETCHER, PartKind.TOP)
