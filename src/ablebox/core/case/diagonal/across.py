# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts that stand across a corner: told straight, as one works on them, and turned to their place."""

from __future__ import annotations

from dataclasses import dataclass, replace

from ...assembly.fastener import Fastener, Point
from ...assembly.footprint import Ring, Slant, bounds
from ...assembly.part import Placed
from ...assembly.solid import Box


def turned(straight: Placed, ring: Ring, slant: Slant) -> Placed:
    """Return a part that is told straight before a slant, in its place across the corner."""
    return replace(straight, cuts=(), holes=(), footprint=ring, straight=straight, slant=slant)


def told_straight(part: Placed) -> Placed:
    """Return a part with the holes that were bored into it in its place told where one bores them, as it lies straight."""
    slant = part.slant
    if part.straight is None or slant is None or not part.holes:
        return part
    holes = tuple(
        replace(each, centres=tuple((*slant.seen((x, y)), z) for x, y, z in each.centres)) for each in part.holes
    )
    return replace(part, holes=(), straight=replace(part.straight, holes=part.straight.holes + holes))


@dataclass(frozen=True, slots=True)
class Board:
    """A board behind a slant whose ends run along the sides: longest at its back.

    Args:
        ring: its form seen from above.
        first: where its long side begins, along the slant, in ticks.
        last: where its long side ends.
        ends: from where to where each end is aslant, along the slant.
    """

    ring: Ring
    first: int
    last: int
    ends: tuple[tuple[int, int], tuple[int, int]]


def board(slant: Slant, start: int, near: int, far: int) -> Board:
    """Return a board from ``near`` to ``far`` behind a slant, from ``start`` at the left to ``start`` at the front."""
    ring = (
        (start, slant.y_at(start, near)), (slant.x_at(start, near), start),
        (slant.x_at(start, far), start), (start, slant.y_at(start, far)),
    )  # fmt: skip
    along = [slant.seen(point)[0] for point in ring]
    first, last = min(along), max(along)
    return Board(ring, first, last, ((first, along[0]), (along[1], last)))


def across(slant: Slant, fastener: Fastener) -> Fastener:
    """Return a fastener that is told straight, in its place across the corner."""
    return replace(fastener, head=_placed(slant, fastener.head), tip=_placed(slant, fastener.tip))


def around(slant: Slant, box: Box) -> Box:
    """Return the box along the axes around one that is told straight."""
    corners = [slant.point(u, v) for u in box.span(0) for v in box.span(1)]
    x0, x1, y0, y1 = bounds(corners)
    return Box((x0, y0, box.low[2]), (x1, y1, box.high[2]))


def _placed(slant: Slant, at: Point) -> Point:
    return (*slant.point(at[0], at[1]), at[2])
