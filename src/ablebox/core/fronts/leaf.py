# SPDX-License-Identifier: GPL-3.0-or-later
"""One leaf: a door, a flap or a drawer front, before it is decided how it is made."""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import Hand
from ..assembly.role import Role
from ..lengths import Length
from ..reckoning import Reckoned


@dataclass(frozen=True, slots=True)
class Leaf:
    """A leaf in its place.

    Args:
        role: its role; its parts have roles below it.
        name: its name.
        x: left edge, from the case's left side.
        z: lower edge, above the floor.
        width: of it.
        height: of it.
        back: where its back face stands, front to back.
        lip: how far it stands inside its opening, its edges rabbeted away.
        hand: which hand it is.
        level: whether its grain runs level, as on drawer fronts.
        made: where the choice of how it is made stands in the design.
        matched: whether its grain runs on into its neighbours.
    """

    role: Role
    name: str
    x: Length
    z: Length
    width: Reckoned
    height: Reckoned
    back: Length
    lip: Length
    hand: Hand = Hand.NONE
    level: bool = False
    made: str = "fronts.making"
    matched: bool = False
