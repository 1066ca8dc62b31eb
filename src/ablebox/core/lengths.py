# SPDX-License-Identifier: GPL-3.0-or-later
"""Exact lengths.

A length is a whole number of ticks of 1/16 micrometre. One inch is 25.4 mm exactly
(international inch, 1959), so an inch is 406,400 ticks, 1/128 in is 3,175 and 0.01 mm
is 160: everything a shop writes down is held without rounding.
"""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from functools import cache

TICKS_PER_MM = 16_000
TICKS_PER_INCH = 406_400
TICKS_PER_FOOT = 12 * TICKS_PER_INCH


@dataclass(frozen=True, slots=True, order=True)
class Length:
    """An exact length, or a difference of lengths.

    Args:
        ticks: the length in ticks of 1/16 micrometre.
    """

    ticks: int

    def __post_init__(self) -> None:
        if type(self.ticks) is not int:
            raise TypeError(f"a length holds whole ticks, not {self.ticks!r}")

    def __add__(self, other: Length) -> Length:
        return Length(self.ticks + other.ticks)

    def __sub__(self, other: Length) -> Length:
        return Length(self.ticks - other.ticks)

    def __abs__(self) -> Length:
        return Length(abs(self.ticks))

    def __neg__(self) -> Length:
        return Length(-self.ticks)

    def __mul__(self, count: int) -> Length:
        return Length(self.ticks * count)

    __rmul__ = __mul__

    def __bool__(self) -> bool:
        return self.ticks != 0

    def share(self, count: int) -> list[Length]:
        """Share the length out into ``count`` lengths that add up to it again.

        They differ by one tick at most; the larger ones come first.

        Raises:
            ValueError: if ``count`` is less than one.
        """
        if count < 1:
            raise ValueError("a length is shared out among one or more")
        each, extra = divmod(self.ticks, count)
        return [Length(each + (1 if i < extra else 0)) for i in range(count)]

    @property
    def mm(self) -> float:
        """The length in millimetres as a float, for drawings and outside formats only."""
        return self.ticks / TICKS_PER_MM


ZERO = Length(0)


def from_fraction(value: Fraction, ticks_per_unit: int) -> Length:
    """Return ``value`` units as a length, to the nearest tick (half away from zero)."""
    scaled = value * ticks_per_unit
    whole, rest = divmod(abs(scaled.numerator), scaled.denominator)
    ticks = whole + (1 if 2 * rest >= scaled.denominator else 0)
    return Length(ticks if scaled >= 0 else -ticks)


@cache
def inches(value: str | int) -> Length:
    """Return a length from inches written as a whole number, fraction or decimal.

    ``inches("23/32")``, ``inches("24 1/4")``, ``inches(36)``.
    """
    total = sum((Fraction(piece) for piece in str(value).split()), Fraction(0))
    return from_fraction(total, TICKS_PER_INCH)


@cache
def millimetres(value: str | int) -> Length:
    """Return a length from millimetres written as a whole number or decimal."""
    return from_fraction(Fraction(str(value)), TICKS_PER_MM)
