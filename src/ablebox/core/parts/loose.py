# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts that belong to no case: written down by hand or read from a list."""

from __future__ import annotations

from collections.abc import Sequence

from ..assembly.part import Hand
from ..project.tree import LoosePart
from ..reckoning import Origin, leaf
from ..stock import Grain, Rack
from ..units import Units
from .listing import Part

#: What stands before their numbers, where parts of cases have their letter.
LOOSE = "x"


def loose_parts(loose: Sequence[LoosePart], rack: Rack, units: Units) -> list[Part]:
    """Return them as parts, in their order; each piece has a place of its own."""
    return [_part(number, each, rack, units) for number, each in enumerate(loose, start=1)]


def _part(number: int, each: LoosePart, rack: Rack, units: Units) -> Part:
    goods = rack.sheet_goods(each.goods)
    key = f"loose/{number}."
    length = leaf(each.length, f"length of {each.name}", key + "length", Origin.CHOICE)
    width = leaf(each.width, f"width of {each.name}", key + "width", Origin.CHOICE)
    return Part(
        code=f"{LOOSE}-{number:02d}",
        case=LOOSE,
        name=each.name,
        roles=tuple(f"{number}.{i}" for i in range(1, each.count + 1)),
        goods=goods,
        length=length,
        width=width,
        thickness=goods.reckoned_thickness("thickness", units),
        cut_length=length,
        cut_width=width,
        grain=each.grain if goods.grained else Grain.ANY,
        hand=Hand.NONE,
        bands=(),
        machining=(),
        shows=None,
        axes=(0, 1, 2),
    )
