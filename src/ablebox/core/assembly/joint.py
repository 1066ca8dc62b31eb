# SPDX-License-Identifier: GPL-3.0-or-later
"""A joint as a school asks for it: which part is fastened to which, by what; where each fastener stands follows from that."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from .part import Face
from .role import Role


class Way(Enum):
    """What a joint is held by; the value is what stands in files."""

    POCKET = "pocket"
    SCREWS = "screws"
    CONNECTORS = "confirmats"
    DOWELS = "dowels"
    BISCUITS = "biscuits"
    NAILS = "nails"


class Spacing(Enum):
    """Which of the shop's pitches a joint takes."""

    JOINT = "joint"
    BACK_EDGE = "back_edge"
    BACK_FIELD = "back_field"
    PANEL = "panel"
    FRAME = "frame"
    COUNTER = "counter"
    BASE = "base"
    END_PANEL = "end_panel"
    FOUR = "four"


@dataclass(frozen=True, slots=True)
class Joint:
    """A joint to be fastened.

    Args:
        way: by what.
        first: the part the fasteners are driven through, or bored into from its own face as pockets are.
        second: the part they end in.
        spacing: how far apart they stand.
        face: for pockets the face of the first part they are bored from; for anything else the face of it the heads sit
            on, where that does not follow from how the parts meet. ``None`` if it does.
        place: path of the front it is for; empty for anything else.
        item: kind of hardware its screws are chosen from; empty for what is usual for its way.
        apart: whether it is made before what lies against its heads is there.
        spare: whether others hold it as well, so that it may find no room.
    """

    way: Way
    first: Role
    second: Role
    spacing: Spacing = Spacing.JOINT
    face: Face | None = None
    place: str = ""
    item: str = ""
    apart: bool = False
    spare: bool = False
