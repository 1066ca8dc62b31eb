# SPDX-License-Identifier: GPL-3.0-or-later
"""Writing lengths the way a shop does: to its precision, with a mark where that is not exact.

Rounding happens here and nowhere else. A size that is a little more than what is written
is *strong* and gets a ``+``; one that is a little less is *weak* and gets a ``−``.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum
from math import gcd

from .lengths import TICKS_PER_INCH, TICKS_PER_MM, Length

STRONG, WEAK = "+", "−"


class System(Enum):
    """The two unit systems."""

    INCH = "inch"
    MM = "mm"


#: What a shop may work to: name shown to people -> ticks. Every step is a whole number of ticks.
PRECISIONS: dict[System, dict[str, int]] = {
    System.INCH: {"1/16": 25_400, "1/32": 12_700, "1/64": 6_350, "1/128": 3_175},
    System.MM: {"1": 16_000, "0.5": 8_000, "0.1": 1_600},
}


#: Metric steps: under so many millimetres, so many ticks.
_STEPS = ((3, TICKS_PER_MM // 2), (20, TICKS_PER_MM), (100, 5 * TICKS_PER_MM))


def neat(length: Length) -> Length:
    """Return the metric size near a length; half millimetres are neat already.

    It goes in steps people measure in: 0.5 mm under 3, 1 under 20, 5 under 100, 10 from there on (common practice).
    """
    if length.ticks % (TICKS_PER_MM // 2) == 0:
        return length
    step = next((step for under, step in _STEPS if length.ticks < under * TICKS_PER_MM), 10 * TICKS_PER_MM)
    if step <= TICKS_PER_MM:
        # Depths and gaps: never more than in inches, or a dado would pass half of the stock.
        return Length(length.ticks // step * step)
    return Length((2 * length.ticks + step) // (2 * step) * step)


@dataclass(frozen=True, slots=True)
class Units:
    """The unit system in force and the precision each system is written to.

    Args:
        system: inches or millimetres.
        inch_step: the smallest fraction of an inch written, such as ``1/32``.
        mm_step: the smallest part of a millimetre written, such as ``0.1``.
    """

    system: System = System.INCH
    inch_step: str = "1/32"
    mm_step: str = "0.1"

    def __post_init__(self) -> None:
        for system, step in ((System.INCH, self.inch_step), (System.MM, self.mm_step)):
            if step not in PRECISIONS[system]:
                allowed = ", ".join(PRECISIONS[system])
                raise ValueError(f"precision {step} is not one of {allowed}")

    @property
    def name(self) -> str:
        """The unit as it stands once in a view: ``in`` or ``mm``."""
        return "in" if self.system is System.INCH else "mm"

    @property
    def words(self) -> str:
        """The unit in full: ``inches`` or ``millimetres``."""
        return "inches" if self.system is System.INCH else "millimetres"

    @property
    def step(self) -> Length:
        """The smallest length that is written."""
        chosen = self.inch_step if self.system is System.INCH else self.mm_step
        return Length(PRECISIONS[self.system][chosen])

    def usual(self, length: Length) -> Length:
        """Return a usual size, told in inches, as those who measure in these units would have it."""
        return length if self.system is System.INCH else neat(length)

    def whole_steps(self, length: Length) -> Length:
        """Return the largest length that is written exactly and is no more than this one."""
        step = self.step.ticks
        return Length(length.ticks // step * step)

    def rounded(self, length: Length) -> tuple[Length, str]:
        """Return the nearest whole number of steps and the strong or weak mark, if any."""
        step = self.step.ticks
        count = (2 * abs(length.ticks) + step) // (2 * step)
        near = Length(count * step if length.ticks >= 0 else -count * step)
        if near == length:
            return near, ""
        return near, STRONG if abs(length.ticks) > abs(near.ticks) else WEAK

    def write(self, length: Length, unit: bool = False) -> str:
        """Write ``length`` to the shop's precision, as in ``26 3/4``, ``17 27/32+`` or ``622.5``.

        Args:
            length: what to write.
            unit: whether to add the unit's name.
        """
        near, mark = self.rounded(length)
        number = _inch_text(near) if self.system is System.INCH else _mm_text(near)
        return f"{number}{mark}{' ' + self.name if unit else ''}"

    @property
    def weight(self) -> tuple[str, int]:
        """The unit of weight, and how many milligrams it has (international pound, 1959, to the milligram)."""
        return ("lb", 453_592) if self.system is System.INCH else ("kg", 1_000_000)

    def weigh(self, kilograms: float) -> str:
        """Write a weight, as in ``64 lb`` or ``8.5 kg``."""
        name, milligrams = self.weight
        amount = kilograms * 1_000_000 / milligrams
        return f"{amount:.0f} {name}" if amount >= 9.95 else f"{amount:.1f} {name}"

    def area(self, square_metres: float) -> str:
        """Write an area, as in ``34 sq ft`` or ``3.2 m²`` (the international foot of 1959, 304.8 mm)."""
        if self.system is System.INCH:
            feet = square_metres / 0.3048**2
            return f"{feet:.0f} sq ft" if feet >= 9.95 else f"{feet:.1f} sq ft"
        return f"{square_metres:.1f} m²" if square_metres >= 0.995 else f"{square_metres:.2f} m²"

    def degrees(self, celsius: int) -> str:
        """Write a temperature, as in ``64 F`` or ``18 C``."""
        return f"{round(celsius * 9 / 5 + 32)} F" if self.system is System.INCH else f"{celsius} C"

    def exact(self, length: Length) -> str:
        """Write ``length`` so that typing it again gives the very same length."""
        if self.system is System.INCH and length.ticks % PRECISIONS[System.INCH]["1/128"] == 0:
            return _inch_text(length)
        return _mm_text(length) + ("" if self.system is System.MM else " mm")


def _inch_text(length: Length) -> str:
    sign = WEAK if length.ticks < 0 else ""
    whole, rest = divmod(abs(length.ticks), TICKS_PER_INCH)
    if rest == 0:
        return f"{sign}{whole}"
    shared = gcd(rest, TICKS_PER_INCH)
    fraction = f"{rest // shared}/{TICKS_PER_INCH // shared}"
    return f"{sign}{whole} {fraction}" if whole else f"{sign}{fraction}"


def _mm_text(length: Length) -> str:
    sign = WEAK if length.ticks < 0 else ""
    whole, rest = divmod(abs(length.ticks), TICKS_PER_MM)
    decimals = f"{rest * 10**7 // TICKS_PER_MM:07d}".rstrip("0")
    return f"{sign}{whole}.{decimals}" if decimals else f"{sign}{whole}"
