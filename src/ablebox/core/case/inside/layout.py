# SPDX-License-Identifier: GPL-3.0-or-later
"""How the inside is divided: into columns by partitions, into rows by fixed shelves, to any depth.

The leaves are bays with their fittings. To add a fitting: write its module beside the others,
and widen ``Fitting`` by its record.
"""

from __future__ import annotations

from dataclasses import dataclass, field

from ...assembly.solid import Box
from ...lengths import Length
from ..fields import optional_size
from ..joint.choice import MiddleJoint
from ..joint.dado import Dado
from .false_bottom import FalseBottom
from .hanging_rod import HangingRod
from .pull_out import PullOut
from .shelves_on_pins import PinShelves
from .sloping import SlopingShelves
from .slots import Slots

Fitting = PinShelves | Slots | HangingRod | SlopingShelves | PullOut | FalseBottom


@dataclass(frozen=True, slots=True)
class Bay:
    """A space with fittings.

    Args:
        fittings: what stands in it.
    """

    fittings: tuple[Fitting, ...] = ()

    words = "one bay"


@dataclass(frozen=True, slots=True)
class Columns:
    """A space divided by partitions.

    Args:
        bays: the spaces between them, left to right.
        widths: of each space; ``None`` for an equal share of what is left.
        joint: how partitions meet what is below and above them.
        high: height of the partitions, if they do not reach up to what is above.
    """

    bays: tuple[Inside, ...]
    widths: tuple[Length | None, ...]
    joint: MiddleJoint = field(default_factory=Dado)
    high: Length | None = optional_size("partition height", "up to the top")

    words = "partitions"

    def __post_init__(self) -> None:
        if not 2 <= len(self.bays) <= 12 or len(self.widths) != len(self.bays):
            raise ValueError("partitions make 2 to 12 bays, each with a width or none")


@dataclass(frozen=True, slots=True)
class Rows:
    """A space divided by fixed shelves.

    Args:
        bays: the spaces between them, lowest first.
        heights: of each space; ``None`` for an equal share of what is left.
        setbacks: how far each shelf's front edge stays back, lowest first.
        joint: how the shelves meet the uprights.
    """

    bays: tuple[Inside, ...]
    heights: tuple[Length | None, ...]
    setbacks: tuple[Length, ...]
    joint: MiddleJoint = field(default_factory=Dado)

    words = "fixed shelves"

    def __post_init__(self) -> None:
        if not 2 <= len(self.bays) <= 20 or len(self.heights) != len(self.bays):
            raise ValueError("fixed shelves make 2 to 20 bays, each with a height or none")
        if len(self.setbacks) != len(self.bays) - 1:
            raise ValueError("there is one setback for each fixed shelf, one less than bays")


Inside = Bay | Columns | Rows


@dataclass(frozen=True, slots=True)
class Layout:
    """What dividing came to, for the face frame before it.

    Args:
        split: ``columns``, ``rows`` or empty.
        dividers: the partitions' or shelves' boxes, in order.
        children: the layouts of the spaces between them.
        part_height: whether partitions end below what is above.
    """

    split: str = ""
    dividers: tuple[Box, ...] = ()
    children: tuple[Layout, ...] = ()
    part_height: bool = False
