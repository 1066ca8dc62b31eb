# SPDX-License-Identifier: GPL-3.0-or-later
"""Fastens a counter: its strips are glued and screwed under it, and it is screwed on from below.

Through whatever lies flat at the top of the case, one at each corner and every 24 in; where nothing does, by pockets bored
from the inner faces of the sides and of stretchers on edge (common practice).
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from ...assembly.joint import Joint, Spacing, Way
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
            if strip.box.touches(slab.box):
                work.join(Way.SCREWS, strip.role, slab.role, Spacing.PANEL, apart=True)
    if slabs:
        work.joints += from_below(work.parts, work.parts)


def from_below(parts: Iterable[Placed], over: Iterable[Placed]) -> Iterator[Joint]:
    """Return the joints that hold a counter on a case.

    Args:
        parts: of the case.
        over: the counter's, in the case's axes.
    """
    own = list(parts)
    for top in over:
        if top.role.kind not in COUNTERS or top.role.kind is PartKind.SPLASH:
            continue
        flat = [part for part in own if _flat(part) and part.box.touches(top.box)]
        for part in flat:
            yield Joint(Way.SCREWS, part.role, top.role, Spacing.COUNTER, apart=True, spare=True)
        for part in own if not flat else ():
            if not part.box.touches(top.box):
                continue
            if part.role.kind is PartKind.STRETCHER:
                yield Joint(Way.POCKET, part.role, top.role, Spacing.COUNTER, Face.BACK, spare=True)
            elif part.role.kind is PartKind.SIDE:
                inner = Face.RIGHT if part.role == LEFT else Face.LEFT
                yield Joint(Way.POCKET, part.role, top.role, Spacing.COUNTER, inner, spare=True)


def _flat(part: Placed) -> bool:
    return part.axes[2] == 2 and part.role.kind in (PartKind.STRETCHER, PartKind.TOP)
