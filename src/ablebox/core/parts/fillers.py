# SPDX-License-Identifier: GPL-3.0-or-later
"""Fillers of a run as parts: as high as what they stand beside, wider by what is scribed off them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ..lengths import millimetres
from ..project.placed import FILLER
from ..reckoning import Book, Origin, Reckoned, leaf
from ..run.space import RunSpace, SpaceKind
from ..stock import Grain, Rack
from ..units import Units
from .bare import bare_part
from .listing import Part

#: What is narrower is no part one could cut; the gap is caulked, or lost in the scribe (common practice).
THIN = millimetres(3)


def filler_parts(spaces: Sequence[RunSpace], widths: Mapping[int, Reckoned], rack: Rack, units: Units) -> list[Part]:
    """Return the fillers that have a width and a stock, in their order.

    Args:
        spaces: everything that stands between cases.
        widths: what each takes of its run, by its number from 1.
        rack: the stock.
        units: how sizes are written.
    """
    found: list[Part] = []
    for number, space in enumerate(spaces, start=1):
        width = widths.get(number)
        if space.kind is SpaceKind.FILLER and space.goods and width is not None and width.length >= THIN:
            found.append(_part(len(found) + 1, number, space, width, rack, units))
    return found


def _part(at: int, number: int, space: RunSpace, width: Reckoned, rack: Rack, units: Units) -> Part:
    goods, book = rack.stock(space.goods), Book(f"space/{number}.")
    scribe = leaf(space.scribe, "cut wider, to scribe", f"space/{number}.scribe", Origin.CHOICE)
    length = leaf(space.height, f"height of the {space.name}", f"space/{number}.height", Origin.CHOICE)
    wide = book.named(width + scribe, f"width of the {space.name}, to be scribed", "part.width")
    return bare_part(f"{FILLER}-{at:02d}", space.name, (f"{number}",), goods, length, wide, Grain.LENGTH, units)
