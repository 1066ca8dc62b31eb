# SPDX-License-Identifier: GPL-3.0-or-later
"""What no brush reaches once a case stands: what bounds a space that no hand gets into, and panels in their grooves.

Doors, drawers and loose shelves are out when a case is finished; a frame stays, and its mouth may be narrower than what is
behind it.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence

import numpy as np

from ..assembly.part import Placed
from ..assembly.role import PartKind, Role
from ..assembly.solid import Box
from ..lengths import millimetres
from ..reach import Tool
from ..ways.space import Ints
from .geometry import Geometry

#: What is this near bounds a space, and how many ways two that lie face to face overlap (of our own).
_BESIDE, _FACE_TO_FACE = millimetres(3), 2


def unreached(geometry: Geometry) -> Iterator[Role]:
    """Return the parts that are finished before they are put in."""
    found: dict[Role, None] = {part.role: None for part in geometry.parts if part.role.kind is PartKind.PANEL}
    stays = [i for i, part in enumerate(geometry.parts) if not part.role.comes_out]
    low, high = geometry.space.boxes(np.isin(np.arange(geometry.space.count), stays))
    hand = geometry.reach.of(Tool.BRUSH).width.ticks
    for bay in geometry.assembly.bays:
        for space in _divided(bay.box, [geometry.parts[i] for i in stays]):
            if not _gets_in(space, low, high, hand):
                found |= dict.fromkeys(part.role for part in geometry.parts if _bounds(part, space))
    yield from found


def _divided(bay: Box, parts: Sequence[Placed]) -> list[Box]:
    """Return the spaces that what stands in a bay leaves of it, as dividers and false bottoms do."""
    spaces = [bay]
    for part in parts:
        axis = part.axes[2]
        low, high = part.box.span(axis)
        if axis == 1 or not part.box.meets(bay) or not bay.low[axis] < high or not low < bay.high[axis]:
            continue
        found = []
        for space in spaces:
            across = [a for a in range(3) if a != axis]
            wide = all(
                min(part.box.high[a], space.high[a]) - max(part.box.low[a], space.low[a]) > (space.high[a] - space.low[a]) // 2
                for a in across
            )  # fmt: skip
            if not wide or not space.low[axis] < high or not low < space.high[axis]:
                found.append(space)
                continue
            for a, b in ((space.low[axis], low), (high, space.high[axis])):
                if b > a:
                    found.append(Box(_at(space.low, axis, a), _at(space.high, axis, b)))
        spaces = found
    return spaces


def _at(corner: tuple[int, int, int], axis: int, place: int) -> tuple[int, int, int]:
    row = list(corner)
    row[axis] = place
    return row[0], row[1], row[2]


def _bounds(part: Placed, space: Box) -> bool:
    """Whether a part bounds a space: at its sides, over or under it, or behind it."""
    if part.role.comes_out:
        return False
    near = all(
        part.box.low[a] <= space.high[a] + _BESIDE.ticks and part.box.high[a] >= space.low[a] - _BESIDE.ticks for a in range(3)
    )  # fmt: skip
    inside = sum(part.box.low[a] < space.high[a] and part.box.high[a] > space.low[a] for a in range(3))
    return near and inside >= _FACE_TO_FACE and part.box.high[1] > space.low[1]


def _gets_in(space: Box, low: Ints, high: Ints, wide: int) -> bool:
    """Whether a hand gets into a space from the front or from behind, past what stands there, and has room in it."""
    (x0, y0, z0), (x1, y1, z1) = space.low, space.high
    if min(x1 - x0, z1 - z0) < wide:
        return False
    beside = (low[:, 0] < x1) & (high[:, 0] > x0) & (low[:, 2] < z1) & (high[:, 2] > z0)
    for before in (low[:, 1] < y0 + 1, high[:, 1] > y1 - 1):
        # What reaches into the mouth; a hand slips past it where a square of its own width is left.
        met = beside & before
        lows, highs = low[met][:, [0, 2]], high[met][:, [0, 2]]
        for x in {x0, *(int(at) for at in highs[:, 0] if x0 < at <= x1 - wide)}:
            for z in {z0, *(int(at) for at in highs[:, 1] if z0 < at <= z1 - wide)}:
                ahead = (lows < np.array([x + wide, z + wide])).all(1) & (highs > np.array([x, z])).all(1)
                if x + wide <= x1 and z + wide <= z1 and not ahead.any():
                    return True
    return False
