# SPDX-License-Identifier: GPL-3.0-or-later
"""What one case owns and others share: a counter over several, a base frame under them, a kick board before them.

Each case is fastened to it as it would be to its own: the counter screwed on from below, the bottom screwed down to the base
frame, the kick board nailed to every side it passes (common practice).
"""

from __future__ import annotations

from collections.abc import Iterator

from ..assembly.fastener import Point
from ..assembly.joint import Joint, Spacing, Way
from ..assembly.moved import moved_fastener, moved_fitting, moved_part
from ..assembly.part import Assembly, Placed
from ..assembly.role import BASES, COUNTERS, PartKind, Role
from ..case.bottom import BOTTOM
from ..case.counter.held import from_below
from ..case.shell import LEFT, RIGHT
from ..fastening.lay_out import Layer, Shop

#: What goes on past the case that owns it.
_SHARED = COUNTERS | BASES | {PartKind.KICK}
#: What it is fastened to.
_OWN = (PartKind.SIDE, PartKind.BOTTOM, PartKind.STRETCHER, PartKind.TOP)


def shares(owner: Assembly) -> bool:
    """Whether anything of a case goes on past its sides."""
    across = owner.outside[0].length.ticks
    return any(p.role.kind in _SHARED and (p.box.low[0] < 0 or p.box.high[0] > across) for p in owner.parts)


def held(owner: Assembly, other: Assembly, by: Point, shop: Shop) -> Layer:
    """Return the fasteners between what a case owns and a case that shares it, in the axes of the owner.

    Args:
        owner: the case whose counter, base frame or kick board it is.
        other: the case that stands under, on or behind it.
        by: where the other one's origin stands in the axes of the owner.
        shop: what fasteners are chosen from.
    """
    common = [part for part in owner.parts if part.role.kind in _SHARED]
    own = [moved_part(part, by) for part in other.parts if part.role.kind in _OWN]
    placed = [*owner.fasteners, *(moved_fastener(each, by) for each in other.fasteners)]
    fittings = [moved_fitting(each, by) for each in other.fittings]
    layer = Layer(shop, [*common, *own], fittings, placed)
    for joint in _joints(common, own):
        layer.fasten(joint)
    return layer


def _joints(common: list[Placed], own: list[Placed]) -> Iterator[Joint]:
    yield from from_below(own, common)
    for part in common:
        if part.role.kind is PartKind.KICK:
            for side in (LEFT, RIGHT):
                yield Joint(Way.NAILS, part.role, side, spare=True)
        elif part.role.kind in BASES:
            yield Joint(Way.SCREWS, BOTTOM, part.role, Spacing.BASE, apart=True, spare=True)


def driven_from_owner(role: Role) -> bool:
    """Whether a fastener that passes a part first is driven from what the owner has."""
    return role.kind in _SHARED
