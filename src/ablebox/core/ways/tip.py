# SPDX-License-Identifier: GPL-3.0-or-later
"""A loose flat part tipped through an opening narrower than itself: one end up, drawn out, as a shelf behind a frame is.

Its section is turned step by step among the sections of what is beside it; then, tipped, it must pass what stands before
it. In millimetres; a few hundredths of a millimetre are not counted as touching.
"""

from __future__ import annotations

from math import cos, radians, sin

import numpy as np
from numpy.typing import NDArray

from ..lengths import TICKS_PER_MM
from .space import Ints

_Floats = NDArray[np.float64]
#: Degrees from step to step and at most, and how deep something may reach in without touching, in mm (of our own).
_STEP, _MOST, _SLACK = 6, 78, 0.05
#: A part this much wider than thick is flat, and one so much longer than the other side of its section can be tipped (of our own).
_FLAT = 4.0
#: How far it is lifted at most while it is turned, in mm (of our own).
_LIFTS = (0.0, 3.0, 10.0, 25.0)
#: Places along its length tried at each angle.
_SHIFTS = 3


def tipped_out(low: Ints, high: Ints, other_low: Ints, other_high: Ints) -> tuple[int, int] | None:
    """Return the axis along which a part can be drawn out once it is tipped about it, and which way; ``None`` if none.

    Args:
        low: the part's low corner, in ticks.
        high: its high corner.
        other_low: low corners of what stands.
        other_high: their high corners.
    """
    size = (high - low) / TICKS_PER_MM
    flat = int(np.argmin(size))
    # Through the front or the back; what lies upright that way, upwards.
    for along in (1,) if flat != 1 else (2,):
        end = 3 - flat - along
        if size[end] < _FLAT * size[flat]:
            continue
        part = low / TICKS_PER_MM, high / TICKS_PER_MM
        others = other_low / TICKS_PER_MM, other_high / TICKS_PER_MM
        for sign in (-1, 1):
            if any(_passes(part, others, along, sign, end, flat, lift) for lift in (1, -1)):
                return along, sign
    return None


def _passes(
    part: tuple[_Floats, _Floats],
    others: tuple[_Floats, _Floats],
    along: int,
    sign: int,
    end: int,
    flat: int,
    turn: int,
) -> bool:
    """Whether a part can be turned, one way round, until it passes what stands before it."""
    (low, high), (other_low, other_high) = part, others
    beside = (other_low[:, along] < high[along] - _SLACK) & (other_high[:, along] > low[along] + _SLACK)
    before = other_high[:, along] > low[along] + _SLACK if sign > 0 else other_low[:, along] < high[along] - _SLACK

    def section(which: NDArray[np.bool_]) -> _Floats:
        return np.stack(
            [other_low[which, end], other_high[which, end], other_low[which, flat], other_high[which, flat]], axis=1
        )

    long, thick = high[end] - low[end], high[flat] - low[flat]
    near = (other_low[:, end] < high[end]) & (other_high[:, end] > low[end])
    near &= (other_low[:, flat] < high[flat] + long + _LIFTS[-1]) & (other_high[:, flat] > low[flat] - _SLACK)
    around, ahead = section(beside & near), section(before & near)
    if _shut(low, high, around, ahead, end, flat):
        return False
    for angle in range(_STEP, _MOST + 1, _STEP):
        way, places = _places(low, end, flat, long, thick, angle, turn)
        turned = places[~_meet(places, way, long, thick, around)]
        if not len(turned):
            return False
        if not _meet(turned, way, long, thick, ahead).all():
            return True
    return False


def _shut(low: _Floats, high: _Floats, around: _Floats, ahead: _Floats, end: int, flat: int) -> bool:
    """Whether what stands before a part covers all it could pass through, however it is turned: a door does."""
    over = around[(around[:, 2] >= high[flat] - _SLACK)]
    top = float(over[:, 2].min()) if len(over) else float(high[flat] + high[end] - low[end])
    walls = ahead[(ahead[:, 2] <= low[flat] + _SLACK) & (ahead[:, 3] >= top - _SLACK)]
    reached = float(low[end])
    gap = 0.0
    for left, right in sorted((float(row[0]), float(row[1])) for row in walls):
        gap = max(gap, min(left, float(high[end])) - reached)
        reached = max(reached, right)
    gap = max(gap, float(high[end]) - reached)
    # Through less than this not even its thickness goes.
    return bool(gap < high[flat] - low[flat])


def _places(
    low: _Floats, end: int, flat: int, long: float, thick: float, angle: int, turn: int
) -> tuple[_Floats, _Floats]:
    """Return the way the length of a turned section runs, and corners where it may lie."""
    a = radians(angle)
    wide = long * cos(a) + thick * sin(a)
    spare = long - wide
    left = low[end] + spare * np.linspace(0.0, 1.0, _SHIFTS)
    # The corner at its low end; where it turns the other way the low end is the right one.
    x = left + (thick * sin(a) if turn > 0 else 0.0)
    y = low[flat] + np.array(_LIFTS) + (0.0 if turn > 0 else long * sin(a))
    return np.array([cos(a), turn * sin(a)]), np.stack([np.repeat(x, len(y)), np.tile(y, len(x))], axis=1)


def _meet(corners: _Floats, way: _Floats, long: float, thick: float, rects: _Floats) -> NDArray[np.bool_]:
    """Return for each corner whether a section there meets any of some rectangles (separating axis theorem)."""
    if not len(rects):
        return np.zeros(len(corners), np.bool_)
    across = np.array([-way[1], way[0]])
    own = np.array([[0.0, 0.0], way * long, way * long + across * thick, across * thick])
    lows, highs = own.min(0), own.max(0)
    met = np.ones((len(corners), len(rects)), np.bool_)
    for axis in (0, 1):
        low, high = rects[None, :, 2 * axis], rects[None, :, 2 * axis + 1]
        met &= (low < corners[:, None, axis] + highs[axis] - _SLACK) & (
            high > corners[:, None, axis] + lows[axis] + _SLACK
        )
    points = np.stack([rects[:, [0, 2]], rects[:, [1, 2]], rects[:, [1, 3]], rects[:, [0, 3]]], axis=1)
    for line, length in ((way, long), (across, thick)):
        along = points @ line
        at = (corners @ line)[:, None]
        met &= (along.min(1)[None] < at + length - _SLACK) & (along.max(1)[None] > at + _SLACK)
    return np.asarray(met.any(1))
