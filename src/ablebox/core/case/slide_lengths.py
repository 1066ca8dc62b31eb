# SPDX-License-Identifier: GPL-3.0-or-later
"""Lengths in which drawer slides are sold: 10 to 28 in by 2, 250 to 700 mm by 50 (common practice)."""

from __future__ import annotations

from ..lengths import Length, inches, millimetres
from ..units import System

SLIDE_LENGTHS = {
    System.INCH: tuple(inches(n) for n in range(10, 29, 2)),
    System.MM: tuple(millimetres(n) for n in range(250, 701, 50)),
}


def longest_within(room: Length, system: System) -> Length | None:
    """Return the longest slide that fits; ``None`` if even the shortest does not."""
    return max((length for length in SLIDE_LENGTHS[system] if length <= room), default=None)
