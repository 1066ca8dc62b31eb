# SPDX-License-Identifier: GPL-3.0-or-later
"""What to buy: sheets, feet of banding with waste, pins and hinges."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping
from fractions import Fraction
from math import ceil

from ..cuts.plan import Plan
from ..lengths import TICKS_PER_FOOT, TICKS_PER_MM, Length
from ..parts.machining import HoleRow
from ..shop.made import Made
from ..units import System

#: Banding bought over what is needed (10 %, common practice).
BAND_WASTE = Fraction(1, 10)
PINS_A_SHELF = 4


def sheets_to_buy(made: Made, plans: Mapping[str, Plan]) -> list[tuple[str, int]]:
    """Return what sheets the plans take and how many of each; offcuts at hand are named as such."""
    rows = []
    for code, plan in plans.items():
        goods = made.project.rack.sheet_goods(code)
        for supply, count in Counter(sheet.supply for sheet in plan.sheets).items():
            size = f"{made.units.write(Length(supply.length))} × {made.units.write(Length(supply.width))}"
            rows.append((f"{goods.name}, {'offcut on the rack' if supply.offcut else 'sheet'} {size}", count))
    return rows


def banding(made: Made) -> list[tuple[str, str]]:
    """Return how much of each edging is needed, waste included, in whole feet or metres."""
    runs: dict[str, int] = {}
    for part in made.parts:
        for band in part.bands:
            runs[band.edging.name] = runs.get(band.edging.name, 0) + band.run.ticks * part.count
    inch = made.units.system is System.INCH
    unit = TICKS_PER_FOOT if inch else 1000 * TICKS_PER_MM
    words = "ft" if inch else "m"
    return [(name, f"{ceil(run * (1 + BAND_WASTE) / unit)} {words}") for name, run in runs.items()]


def hardware(made: Made) -> list[tuple[str, int]]:
    """Return hinges, shelf pins and pulls, counted from the parts."""
    hinges = pins = doors = 0
    for part in made.parts:
        for item in part.machining:
            if isinstance(item, HoleRow) and item.name == "hinge cups":
                hinges += len(item.at) * part.count
        if part.roles[0].startswith("shelf"):
            pins += PINS_A_SHELF * part.count
        if part.roles[0].startswith("door"):
            doors += part.count
    rows = [
        ("concealed hinges with plates, full overlay", hinges),
        ("shelf pins", pins),
        ("pulls or knobs", doors),
    ]
    return [(name, count) for name, count in rows if count]
