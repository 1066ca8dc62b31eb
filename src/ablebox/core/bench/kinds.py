# SPDX-License-Identifier: GPL-3.0-or-later
"""When parts of each kind go in, and what the step is about (common practice)."""

from __future__ import annotations

from ..assembly.part import Placed
from ..assembly.role import PartKind, Side
from ..order.frame import Frame
from ..order.order import Order
from .phases import Phase, back_phase, front_phase, top_phase
from .units import Unit, UnitKind
from .verb import What

#: Parts of the body in their order: one side down, what is between, the other side, what is butted between both.
_BODY = {
    PartKind.BOTTOM: (1, What.CASE),
    PartKind.PARTITION: (2, What.PARTITIONS),
    PartKind.FIXED_SHELF: (3, What.SHELVES_FIXED),
    PartKind.DIVIDER: (4, What.PARTITIONS),
    PartKind.FALSE_BOTTOM: (4, What.SHELVES_FIXED),
    PartKind.TOP: (6, What.CASE_TOP),
    PartKind.STRETCHER: (7, What.TOP_RAILS),
    PartKind.RAIL: (8, What.RAILS),
}
_LATER = {
    PartKind.KICK: (Phase.KICK, What.KICK),
    PartKind.KICK_BLOCK: (Phase.KICK, What.KICK),
    PartKind.END_PANEL: (Phase.ENDS, What.END),
    PartKind.APPLIED_STILE: (Phase.ENDS, What.END),
    PartKind.APPLIED_RAIL: (Phase.ENDS, What.END),
    PartKind.PACKER: (Phase.PACKERS, What.PACKERS),
    PartKind.CLEAT: (Phase.PACKERS, What.PACKERS),
    PartKind.SHELF: (Phase.SHELVES, What.SHELVES),
    PartKind.SLOPING_SHELF: (Phase.SHELVES, What.SHELVES),
    PartKind.PULL_OUT: (Phase.BOXES_IN, What.BOXES_IN),
    PartKind.BOX_ALONG: (Phase.DIVIDERS, What.DIVIDERS),
    PartKind.BOX_ACROSS: (Phase.DIVIDERS, What.DIVIDERS),
    PartKind.ROD: (Phase.FITTINGS, What.FITTINGS),
    PartKind.FILLER: (Phase.KICK, What.KICK),
}
_LEAVES = frozenset({PartKind.DOOR, PartKind.FLAP})
#: Fronts come after the doors of their case.
_FRONTS_AFTER = 5
_RAIL_AFTER = 5


def when(unit: Unit, first: Placed, order: Order) -> tuple[int, int, What]:
    """Return when a unit goes in, its place among those of the same time, and what the step is about.

    Args:
        unit: the unit.
        first: its first part.
        order: how the order was chosen.
    """
    kind, side = first.role.kind, first.role.side
    if unit.kind is UnitKind.BOX:
        return Phase.BOXES_IN, int(first.box.low[2]), What.BOXES_IN
    if unit.kind is UnitKind.FRAME or (order.frame is not Frame.APART and kind.value.startswith("frame.")):
        return (Phase.FRAME_FIRST if order.frame is Frame.FIRST else Phase.FRAME), 0, What.FRAME
    if unit.kind in (UnitKind.BASE, UnitKind.LEGS):
        return Phase.BASE, 0, What.BASE
    if unit.kind is UnitKind.COUNTER:
        return top_phase(order), 0, What.COUNTER
    whole = first.role.whole.kind
    if whole in _LEAVES:
        return front_phase(order, Phase.FRONTS), 0, What.DOORS
    if whole in (PartKind.DRAWER_FRONT, PartKind.FALSE_FRONT):
        return front_phase(order, Phase.FRONTS), _FRONTS_AFTER + 1, What.FRONTS
    if kind is PartKind.SIDE:
        return (Phase.BODY, 5, What.SIDE) if side is Side.RIGHT else (Phase.BODY, 0, What.CASE)
    if kind is PartKind.BACK:
        return back_phase(order), 0, What.BACK
    if kind in _BODY:
        place, what = _BODY[kind]
        # A rail behind the back goes on after it, and is in the way of its nails.
        return (back_phase(order) + _RAIL_AFTER if kind is PartKind.RAIL else Phase.BODY), place, what
    if kind in _LATER:
        phase, what = _LATER[kind]
        return phase, int(first.box.low[2]) if what is What.SHELVES else 0, what
    return Phase.BODY, 9, What.SHELVES_FIXED
