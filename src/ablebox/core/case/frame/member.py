# SPDX-License-Identifier: GPL-3.0-or-later
"""One stile or rail on its way into a face frame."""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.role import Role
from ...assembly.solid import Box
from ...reckoning import Reckoned


@dataclass(frozen=True, slots=True)
class Member:
    """A stile or rail.

    Args:
        role: its place in the design.
        name: its name.
        axis: 0 for a rail, 2 for a stile.
        box: the space it fills between its neighbours, joints left out.
        length: between its neighbours.
        width: of it.
        ends: the members at its low and high end, ``None`` where it ends free or at another case's stile.
        outer: whether it belongs to the frame's outline.
    """

    role: Role
    name: str
    axis: int
    box: Box
    length: Reckoned
    width: Reckoned
    ends: tuple[Member | None, Member | None] = (None, None)
    outer: bool = False

    def stretched(self, low: int, high: int) -> Box:
        """Return its box with so many ticks more at the low and the high end."""
        start, end = list(self.box.low), list(self.box.high)
        start[self.axis] -= low
        end[self.axis] += high
        return Box((start[0], start[1], start[2]), (end[0], end[1], end[2]))


def band(box: Box, y: tuple[int, int]) -> Box:
    """Return a box narrowed to a range of depth."""
    return Box((box.low[0], y[0], box.low[2]), (box.high[0], y[1], box.high[2]))


def end_of(member: Member, side: int, reach: int) -> Box:
    """Return the piece by which a member reaches into its neighbour at one end (0 low, 1 high)."""
    low, high = list(member.box.low), list(member.box.high)
    if side == 0:
        high[member.axis] = low[member.axis]
        low[member.axis] -= reach
    else:
        low[member.axis] = high[member.axis]
        high[member.axis] += reach
    return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
