# SPDX-License-Identifier: GPL-3.0-or-later
"""When hardware is hung, and what is put together for itself is made (common practice)."""

from __future__ import annotations

from ..assembly.fitting import FittingKind
from .phases import Phase
from .units import UnitKind
from .verb import What

#: Hardware that waits for a whole of its own: when it is hung, and what the step is about.
HUNG = {
    FittingKind.SLIDE_CASE: (Phase.SLIDES, What.SLIDES),
    FittingKind.HINGE_PLATE: (Phase.PLATES, What.PLATES),
    FittingKind.FLAP_HINGE: (Phase.PLATES, What.PLATES),
    FittingKind.FLAP_SUPPORT: (Phase.PLATES, What.PLATES),
    FittingKind.PIN: (Phase.SHELVES, What.SHELVES),
    FittingKind.PULL: (Phase.PULLS, What.PULLS),
    FittingKind.KNOB: (Phase.PULLS, What.PULLS),
    FittingKind.FOOT: (Phase.BASE, What.BASE),
    FittingKind.CASTER: (Phase.BASE, What.BASE),
}
#: What is put together for itself: when, and what the step is about.
MADE = {
    UnitKind.BOX: (Phase.BOXES, What.BOXES),
    UnitKind.LEAF: (Phase.LEAVES, What.LEAVES),
    UnitKind.FRAME: (Phase.FRAME_MADE, What.FRAME_MADE),
    UnitKind.BASE: (Phase.BASE - 1, What.BASE),
    UnitKind.LEGS: (Phase.BASE - 1, What.BASE),
    UnitKind.COUNTER: (Phase.TOP_MADE, What.COUNTER_MADE),
}
#: Hardware that stays at its part when that is moved.
AT_PART = {
    FittingKind.HINGE_CUP: What.HINGES,
    FittingKind.DOOR_RACK: What.RACKS,
    FittingKind.SLIDE_BOX: What.BOX_SLIDES,
    FittingKind.SLIDE_LOCK: What.BOX_SLIDES,
}
