# SPDX-License-Identifier: GPL-3.0-or-later
"""Strips along runs as parts, in pieces as long as their stock allows."""

from __future__ import annotations

from collections.abc import Sequence

from ..lengths import ZERO, Length, inches
from ..project.placed import STRIP
from ..reckoning import Origin, leaf
from ..run.place import Line
from ..run.space import RunSpace
from ..run.strip import RunStrip, lengths
from ..stock import BoardGoods, Bought, Grain, Rack
from ..units import Units
from .bare import bare_part
from .listing import Part

#: What both ends of a length of stock lose together (an inch each, common practice).
_ENDS = inches(2)


def strip_parts(
    strips: Sequence[RunStrip], lines: Sequence[Line], spaces: Sequence[RunSpace], rack: Rack, units: Units
) -> list[Part]:
    """Return the pieces of all strips, those of one length together."""
    found: list[Part] = []
    for number, strip in enumerate(strips, start=1):
        line = next(each for each in lines if (each.wall, each.upper) == (strip.wall, strip.upper))
        goods = rack.stock(strip.goods)
        width = leaf(strip.width, f"width of the {strip.name}", f"strip/{number}.width", Origin.CHOICE)
        pieces: dict[Length, list[int]] = {}
        all_lengths = lengths(strip, number, line, spaces, _longest(goods, strip.width))
        for i, each in enumerate(all_lengths):
            pieces.setdefault(each.length, []).append(i)
        for of_length in pieces.values():
            roles = tuple(f"{number}.{i + 1}" for i in of_length)
            code = f"{STRIP}-{len(found) + 1:02d}"
            length = all_lengths[of_length[0]]
            found.append(bare_part(code, strip.name, roles, goods, length, width, Grain.LENGTH, units))
    return found


def _longest(goods: Bought, width: Length) -> Length:
    """Return the longest piece of a width that a stock gives; 0 if it has none."""
    if isinstance(goods, BoardGoods):
        there = [board.length for board in goods.boards if board.width >= width + goods.extra_width]
    else:
        there = [sheet.length for sheet in goods.sheets if not sheet.offcut and sheet.count != 0]
    return max(ZERO, max(there, default=ZERO) - _ENDS)
