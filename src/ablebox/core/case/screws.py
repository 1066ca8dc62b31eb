# SPDX-License-Identifier: GPL-3.0-or-later
"""How long a screw may be: through both parts less 1/8 to 1/4 in, never out of the face (common practice)."""

from __future__ import annotations

from ..lengths import Length, inches, millimetres
from ..units import System

_SPARE = inches("1/8")
_STEPS = {System.INCH: inches("1/4"), System.MM: millimetres(5)}


def longest_screw(first: Length, second: Length, system: System) -> Length:
    """Return the longest screw in stock sizes that goes through the first part and stays in the second."""
    step = _STEPS[system].ticks
    return Length(max(step, (first + second - _SPARE).ticks // step * step))
