# SPDX-License-Identifier: GPL-3.0-or-later
"""Where one front lies on the face, and the opening behind it."""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.role import PartKind, Role, Side
from ..lengths import Length
from ..reckoning import Reckoned


@dataclass(frozen=True, slots=True)
class Area:
    """One front's place.

    Args:
        path: of its cell in the design.
        tag: its number for roles: empty for the only one, ``1``, ``2.1``.
        x: its left edge, from the case's left side.
        z: its lower edge, above the floor.
        width: of the front.
        height: of the front.
        over: how far it reaches beyond its opening at left, right, bottom and top.
        outer: at which of these sides the face ends.
        side: the side of the case, in the roles of what stands there; empty for its front.
    """

    path: str
    tag: str
    x: Length
    z: Length
    width: Reckoned
    height: Reckoned
    over: tuple[Length, Length, Length, Length]
    outer: tuple[bool, bool, bool, bool] = (True, True, True, True)
    side: str = ""

    @property
    def opening(self) -> tuple[Length, Length, Length, Length]:
        """The opening behind it: left, right, lower and upper edge."""
        left, right, low, high = self.over
        return (
            self.x + left,
            self.x + self.width.length - right,
            self.z + low,
            self.z + self.height.length - high,
        )

    def key(self, name: str) -> str:
        """Return a key of something of this front."""
        name = f"{self.side}.{name}" if self.side else name
        return f"{name}.{self.tag}" if self.tag else name

    def role(self, kind: PartKind, side: Side = Side.NONE, *number: int) -> Role:
        """Return the role of a part of this front."""
        place = tuple(int(step) for step in self.tag.split(".")) if self.tag else ()
        return Role(kind, side, (*place, *number), face=self.side)
