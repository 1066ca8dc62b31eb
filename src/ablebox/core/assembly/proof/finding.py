# SPDX-License-Identifier: GPL-3.0-or-later
"""What the proof of hardware and fasteners finds wrong."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from ..fastener import Fastener
from ..fitting import Fitting
from ..role import Role
from ..uses import Use


class Fault(Enum):
    """What is wrong."""

    TIP = "tip"
    STRAY = "stray"
    HEAD = "head"
    MEET = "meet"
    HOLE = "hole"
    CUP = "cup"
    AIR = "air"
    PINS = "pins"
    HINGE = "hinge"
    CLASH = "clash"
    LOOSE = "loose"
    RACK = "rack"
    SWING = "swing"
    ONE_SIDED = "one-sided"


@dataclass(frozen=True, slots=True)
class Finding:
    """Something that is wrong with hardware or a fastener.

    Args:
        fault: what.
        roles: the parts it is about, the one it is in first.
        have: what there is, in mm, or how many.
        need: what there should be.
        fastener: which one; ``None`` for hardware and holes.
        fitting: which piece of hardware; ``None`` for anything else.
        use: what a hole is for; ``None`` for anything else.
        beside: what hardware the fitting meets; ``None`` where it meets wood.
    """

    fault: Fault
    roles: tuple[Role, ...]
    have: float = 0.0
    need: float = 0.0
    fastener: Fastener | None = None
    fitting: Fitting | None = None
    use: Use | None = None
    beside: Fitting | None = None
