# SPDX-License-Identifier: GPL-3.0-or-later
"""Where hardware may stand that finds something in its way: the nearest place to where it is wanted comes first."""

from __future__ import annotations

from ..lengths import millimetres

#: By how much it is moved at a time, a step of our own.
_STEP = millimetres(8).ticks


def nearest(middle: int, low: int, high: int) -> list[int]:
    """Return places within limits by small steps, the nearest to one first."""
    steps = range(1, max(0, high - low) // _STEP + 1)
    return [middle, *(at for i in steps for at in (middle - i * _STEP, middle + i * _STEP) if low <= at <= high)]
