# SPDX-License-Identifier: GPL-3.0-or-later
"""Glue: how long it stays open, in clamps and unloaded, and how much longer in the cold."""

from __future__ import annotations

from dataclasses import dataclass

#: How much longer glue takes to set below so many degrees Celsius (common practice; the maker's figure decides).
SLOWER = ((12, 2.0), (15, 1.5), (18, 1.25))


@dataclass(frozen=True, slots=True)
class Glue:
    """A wood glue (common practice: open 10 to 15 minutes, 30 to 60 in clamps, loaded next day, not below 50 F or 10 C).

    Args:
        open: minutes until a joint must be closed.
        clamp: minutes in clamps, in a warm shop.
        load: minutes until it may be loaded.
        least: the least temperature of air, wood and glue, in degrees Celsius.
    """

    open: int = 15
    clamp: int = 45
    load: int = 1_440
    least: int = 10

    def __post_init__(self) -> None:
        if not 1 <= self.open <= self.clamp <= self.load:
            raise ValueError("glue stays open for a while, then longer in clamps, then unloaded")

    def clamped(self, celsius: int) -> int:
        """Return how many minutes it stays in clamps at a temperature."""
        factor = next((by for below, by in SLOWER if celsius < below), 1.0)
        return round(self.clamp * factor)
