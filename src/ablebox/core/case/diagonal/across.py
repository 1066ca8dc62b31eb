# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts that stand across a corner: told straight, as one works on them, and turned to their place."""

from __future__ import annotations

from dataclasses import dataclass, replace

from ...assembly.footprint import Ring, Slant
from ...assembly.part import Placed


def turned(straight: Placed, ring: Ring) -> Placed:
    """Return a part that is told straight, in its place across the corner."""
    return replace(straight, cuts=(), holes=(), footprint=ring, straight=straight)


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
