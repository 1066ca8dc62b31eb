# SPDX-License-Identifier: GPL-3.0-or-later
"""How warm the shop is: while somebody works in it and at other times, and dates on which that differs."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

#: What no shop is below or above, in degrees Celsius, a limit of our own.
_LEAST, _MOST = -40, 60


@dataclass(frozen=True, slots=True)
class Colder:
    """Dates on which it is colder, or warmer.

    Args:
        first: the first of them.
        last: the last of them.
        worked: how warm it is while somebody works, in degrees Celsius.
        left: how warm at other times.
    """

    first: date
    last: date
    worked: int
    left: int

    def __post_init__(self) -> None:
        if self.last < self.first:
            raise ValueError("the last date comes after the first")
        _in_reason(self.worked, self.left)


@dataclass(frozen=True, slots=True)
class Warmth:
    """How warm the shop is.

    Args:
        worked: while somebody works, in degrees Celsius.
        left: at other times.
        dates: when it is otherwise.
    """

    worked: int = 18
    left: int = 15
    dates: tuple[Colder, ...] = ()

    def __post_init__(self) -> None:
        _in_reason(self.worked, self.left)

    def on(self, day: date) -> tuple[int, int]:
        """Return how warm it is on a date, while somebody works and at other times."""
        for row in self.dates:
            if row.first <= day <= row.last:
                return row.worked, row.left
        return self.worked, self.left


def _in_reason(*degrees: int) -> None:
    if not all(_LEAST <= each <= _MOST for each in degrees):
        raise ValueError(f"a shop is {_LEAST} to {_MOST} degrees Celsius warm")
