# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts that belong to no case: written down by hand or read from a list."""

from __future__ import annotations

from collections.abc import Sequence

from ..project.placed import LOOSE
from ..project.tree import LoosePart
from ..reckoning import Origin, leaf
from ..stock import Rack
from ..units import Units
from .bare import bare_part
from .listing import Part


def loose_parts(loose: Sequence[LoosePart], rack: Rack, units: Units) -> list[Part]:
    """Return them as parts, in their order; each piece has a place of its own."""
    return [_part(number, each, rack, units) for number, each in enumerate(loose, start=1)]


def _part(number: int, each: LoosePart, rack: Rack, units: Units) -> Part:
    goods = rack.sheet_goods(each.goods)
    key = f"loose/{number}."
    length = leaf(each.length, f"length of {each.name}", key + "length", Origin.CHOICE)
    width = leaf(each.width, f"width of {each.name}", key + "width", Origin.CHOICE)
    roles = tuple(f"{number}.{i}" for i in range(1, each.count + 1))
    return bare_part(f"{LOOSE}-{number:02d}", each.name, roles, goods, length, width, each.grain, units)
