# SPDX-License-Identifier: GPL-3.0-or-later
"""A clear space inside a case, as a fitting sees it."""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.role import PartKind, Role
from ...assembly.solid import Box
from ...lengths import ZERO, Length
from ...reckoning import Reckoned
from ..shell import Lines, Shell


@dataclass(frozen=True, slots=True)
class Space:
    """A clear space between two uprights.

    Args:
        shell: the case.
        lines: its lines.
        path: where it stands in the design, such as ``inside.bays.0``.
        tag: its number for roles and keys: empty for the whole inside, ``2``, ``2.1``.
        left: role of the upright at its left.
        right: role of the upright at its right.
        x: where it begins, from the case's left side.
        width: between the uprights.
        floor: role of the part below.
        bottom: height of that part's upper face.
        ceiling: role of the part above that can take joints; ``None`` if there is none.
        top: height of the underside of whatever is above.
        height: of the space.
        depth: from the carcass' front edge to the back's face.
        obstacles: what stands in it already, such as hanging rails: name and box.
        frame_over: how far a face frame's stiles reach into it before the left and the right upright.
        set_back: how far the front edges of the parts below and above stay back.
        nth: which fitting of its kind in this space is asking, from 1.
        avoid: hinges that shelves keep clear of.
        bored: pin holes there are in it already: how far back and how high each is, and its radius.
    """

    shell: Shell
    lines: Lines
    path: str
    tag: str
    left: Role
    right: Role
    x: Length
    width: Reckoned
    floor: Role
    bottom: Reckoned
    ceiling: Role | None
    top: Reckoned
    height: Reckoned
    depth: Reckoned
    obstacles: tuple[tuple[str, Box], ...]
    frame_over: tuple[Length, Length]
    set_back: tuple[Length, Length] = (ZERO, ZERO)
    nth: int = 1
    avoid: tuple[Box, ...] = ()
    bored: tuple[tuple[int, int, int], ...] = ()

    def key(self, name: str) -> str:
        """Return a key of something in this space."""
        name = f"{name}-{self.nth}" if self.nth > 1 else name
        return f"{name}.{self.tag}" if self.tag else name

    def role(self, kind: PartKind, *number: int) -> Role:
        """Return the role of something in this space."""
        place = tuple(int(step) for step in self.tag.split(".")) if self.tag else ()
        return Role(kind, number=(*place, *number), nth=self.nth)

    @property
    def end(self) -> Length:
        """Where it ends, from the case's left side."""
        return self.x + self.width.length

    @property
    def front(self) -> Length:
        """Where it begins, behind the case's front."""
        return self.shell.front

    @property
    def back(self) -> Length:
        """The back's face, behind the case's front."""
        return self.shell.front + self.depth.length

    @property
    def box(self) -> Box:
        """The space itself."""
        low = (self.x.ticks, self.front.ticks, self.bottom.length.ticks)
        return Box(low, (self.end.ticks, self.back.ticks, self.top.length.ticks))

    def clear_heights(self) -> tuple[Length, Length]:
        """Return from where to where shelves may lie without meeting what stands in the space."""
        low, high = self.bottom.length.ticks, self.top.length.ticks
        middle = (low + high) // 2
        for _, box in self.obstacles:
            met = box.meet(self.box)
            if met.volume and met.low[2] + met.high[2] >= 2 * middle:
                high = min(high, met.low[2])
            elif met.volume:
                low = max(low, met.high[2])
        return Length(low), Length(high)

    def reaches_housing(self, setback: Length, what: str) -> None:
        """Refuse a part whose channel would begin before the set-back shelf it is cut into.

        Raises:
            SizeImpossible: with both numbers.
        """
        for role, back in zip((self.floor, self.ceiling), self.set_back, strict=True):
            if role and back > setback:
                write = self.shell.units.write
                why = f"the shelf it stands in is set back {write(back, True)}, the {what} {write(setback, True)}"
                raise self.shell.refuse(what, why, "Set that shelf back less, or use butt joints.")

    def met(self, box: Box) -> str:
        """Return the name of what already stands where a box would; empty if nothing does."""
        return next((name for name, other in self.obstacles if other.meet(box).volume), "")
