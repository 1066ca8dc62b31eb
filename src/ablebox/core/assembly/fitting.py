# SPDX-License-Identifier: GPL-3.0-or-later
"""Hardware in space: slides, hinges, pins, pulls and what else is fixed to a case, each as the box it takes up."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from .role import Role
from .solid import Box


class FittingKind(Enum):
    """What it is; the value is what it is called in JSON."""

    SLIDE_CASE = "slide-case-member"
    SLIDE_BOX = "slide-box-member"
    SLIDE_LOCK = "slide-lock"
    HINGE_CUP = "hinge-cup"
    HINGE_ARM = "hinge-arm"
    HINGE_PLATE = "hinge-plate"
    FLAP_HINGE = "flap-hinge"
    FLAP_SUPPORT = "flap-support"
    PIN = "pin"
    PULL = "pull"
    KNOB = "knob"
    ROD = "rod"
    SOCKET = "rod-socket"
    ROD_SUPPORT = "rod-support"
    FOOT = "foot"
    CASTER = "caster"
    CLIP = "clip"
    DOOR_RACK = "door-rack"


#: What a case stands on that is bought.
STANDS_ON = frozenset({FittingKind.FOOT, FittingKind.CASTER})


@dataclass(frozen=True, slots=True)
class Fitting:
    """A piece of hardware in its place.

    Args:
        kind: what it is.
        name: as it stands in the buying list.
        box: the space it takes up.
        holds: the parts it is fixed to or carries.
    """

    kind: FittingKind
    name: str
    box: Box
    holds: tuple[Role, ...]
