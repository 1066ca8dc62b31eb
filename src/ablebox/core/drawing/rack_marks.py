# SPDX-License-Identifier: GPL-3.0-or-later
"""Racks on doors as they are drawn: dashed where a door hides them, their outline where a case is cut through."""

from __future__ import annotations

from collections.abc import Iterable

from ..assembly.fitting import FittingKind
from ..assembly.part import Assembly
from ..assembly.role import Role
from ..lengths import TICKS_PER_MM
from .shapes import Area


def racks_on(
    assembly: Assembly, axes: tuple[int, int], doors: Iterable[Role] | None = None, at: int | None = None
) -> list[Area]:
    """Return the outlines of the racks on some doors.

    Args:
        assembly: the case.
        axes: the two axes one sees, across and up.
        doors: roles of the doors, or of what they are made of; all if not given.
        at: where the case is cut, across the axis one looks along: only racks there are seen; ``None`` for all.
    """
    a, b = axes
    across = 3 - a - b
    wanted = None if doors is None else {role.whole for role in doors}
    found = []
    for each in assembly.fittings:
        if each.kind is not FittingKind.DOOR_RACK or (wanted is not None and each.holds[0].whole not in wanted):
            continue
        low, high = each.box.low, each.box.high
        if at is not None and not low[across] <= at <= high[across]:
            continue
        size = (high[a] - low[a]) / TICKS_PER_MM, (high[b] - low[b]) / TICKS_PER_MM
        found.append(Area(low[a] / TICKS_PER_MM, low[b] / TICKS_PER_MM, *size, "", "quiet", 1.1, dashed=at is None))
    return found
