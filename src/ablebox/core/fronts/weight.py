# SPDX-License-Identifier: GPL-3.0-or-later
"""What parts weigh, from their size and what they are made of."""

from __future__ import annotations

from collections.abc import Iterable

from ..assembly.part import Placed
from ..materials import material
from ..stock import Rack


def weight(rack: Rack, parts: Iterable[Placed]) -> float:
    """Return the weight of parts in kg, what is cut out of them not taken off."""
    total = 0.0
    for part in parts:
        stuff = material(rack.stock(part.goods).stuff)
        volume = part.length.length.mm * part.width.length.mm * part.thickness.length.mm / 1e9
        total += volume * stuff.density
    return total
