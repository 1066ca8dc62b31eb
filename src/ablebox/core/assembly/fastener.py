# SPDX-License-Identifier: GPL-3.0-or-later
"""Fasteners in space: what they are, where head and tip are, what they pass and what they end in."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from ..lengths import Length
from .role import Role

#: A place in a case, in ticks.
Point = tuple[int, int, int]


class FastenerKind(Enum):
    """What holds two things together; the value is what it is called in JSON."""

    SCREW = "screw"
    POCKET_SCREW = "pocket-screw"
    CONNECTOR = "connector"
    DOWEL = "dowel"
    BISCUIT = "biscuit"
    NAIL = "nail"
    SLIDE_SCREW = "slide-screw"
    PLATE_SCREW = "plate-screw"
    HINGE_SCREW = "hinge-screw"
    PULL_SCREW = "pull-screw"
    FITTING_SCREW = "fitting-screw"
    WALL_SCREW = "wall-screw"
    BOLT = "bolt"

    @property
    def glued(self) -> bool:
        """Whether it lies inside both parts, with no head on a face."""
        return self in (FastenerKind.DOWEL, FastenerKind.BISCUIT)


class Into(Enum):
    """What a fastener ends in that is no piece of wood."""

    WALL = "wall"
    PULL = "pull"
    NUT = "nut"
    HARDWARE = "hardware"


@dataclass(frozen=True, slots=True)
class Fastener:
    """A fastener in its place.

    Args:
        kind: what it is.
        name: as it stands in the buying list.
        diameter: of its shank.
        head: where its axis meets the surface its head sits on, in ticks; the far end of a dowel or biscuit.
        tip: the end of its point, in ticks.
        through: what it passes, in order.
        into: the part it ends in, or what else.
        why: the rule its length was chosen by, with its numbers.
        place: path of the front it is for; empty for anything else.
    """

    kind: FastenerKind
    name: str
    diameter: Length
    head: Point
    tip: Point
    through: tuple[Role, ...]
    into: Role | Into
    why: str = ""
    place: str = ""
