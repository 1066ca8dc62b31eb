# SPDX-License-Identifier: GPL-3.0-or-later
"""A fastener between a case and something else, and what has to be known of a project to find them."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

from ..assembly.fastener import Fastener
from ..assembly.part import Assembly
from ..assembly.role import Role
from ..errors import AbleBoxError
from ..fastening.lay_out import Shop
from ..project.tree import Project
from ..room.wall import Measured
from ..run.place import Line
from ..units import Units
from .anchor import Anchor


@dataclass(frozen=True, slots=True)
class Joined:
    """A fastener between a case and something else.

    Args:
        letter: of the case it is driven from; its places are in that case's axes.
        fastener: the fastener.
        other: letter of the case it ends in, that of fillers; empty where it ends in the wall.
        passes: what it passes of that other one, after what ``fastener`` names; ``None`` where it ends in it.
    """

    letter: str
    fastener: Fastener
    other: str = ""
    passes: Role | None = None


class Derived(Protocol):
    """What a project comes to, as far as it is built."""

    project: Project
    rooms: tuple[Measured, ...]
    unbuilt: dict[str, AbleBoxError]
    units: Units

    @property
    def anchors(self) -> list[Anchor]:
        """Everything that holds cases to the building."""

    @property
    def lines(self) -> tuple[Line, ...]:
        """The runs of all walls."""

    def line(self, wall: int, upper: bool = False) -> Line:
        """Return the run of a wall: what stands on the floor, or what hangs."""

    def assembly(self, letter: str) -> Assembly:
        """Return a case as built."""

    def shop_of(self) -> Shop:
        """Return what fasteners are chosen from."""
