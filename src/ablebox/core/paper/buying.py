# SPDX-License-Identifier: GPL-3.0-or-later
"""What to buy: sheets, boards, feet of banding with waste, hardware; and what it costs."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping
from fractions import Fraction
from math import ceil

from ..cuts.plan import Plan
from ..lengths import TICKS_PER_FOOT, TICKS_PER_MM, Length
from ..shop.boards import board_plans
from ..shop.made import Made
from ..stock import Edging
from ..units import System

#: Banding bought over what is needed (10 %, common practice).
BAND_WASTE = Fraction(1, 10)


def sheets_to_buy(made: Made, plans: Mapping[str, Plan]) -> list[tuple[str, int]]:
    """Return what sheets the plans take and how many of each; offcuts at hand are named as such."""
    rows = []
    for code, plan in plans.items():
        goods = made.project.rack.sheet_goods(code)
        for supply, count in Counter(sheet.supply for sheet in plan.sheets).items():
            size = f"{made.units.write(Length(supply.length))} × {made.units.write(Length(supply.width))}"
            rows.append((f"{goods.name}, {'offcut on the rack' if supply.offcut else 'sheet'} {size}", count))
    return rows


def _band_runs(made: Made) -> dict[Edging, int]:
    """Return how far each band runs, in ticks, waste not included."""
    runs: Counter[Edging] = Counter()
    for part in made.parts:
        for band in part.bands:
            runs[band.edging] += band.run.ticks * part.count
    return runs


def banding(made: Made) -> list[tuple[str, str]]:
    """Return how much of each edging is needed, waste included, in whole feet or metres."""
    inch = made.units.system is System.INCH
    unit = TICKS_PER_FOOT if inch else 1000 * TICKS_PER_MM
    words = "ft" if inch else "m"
    return [(edging.name, f"{ceil(run * (1 + BAND_WASTE) / unit)} {words}") for edging, run in _band_runs(made).items()]


def hardware(made: Made) -> list[tuple[str, int]]:
    """Return hinges, pins, screws, feet and what else is bought, over all cases."""
    found: Counter[str] = Counter()
    for case, assembly in zip(made.project.cases, made.assemblies, strict=True):
        for name, pieces in assembly.hardware.items():
            found[name] += pieces * case.copies
    return list(found.items())


def reasons(made: Made) -> dict[str, str]:
    """Return why each item of hardware was chosen, the cases it was chosen for first."""
    found: dict[str, dict[str, list[str]]] = {}
    for assembly in made.assemblies:
        for item in assembly.bought:
            if item.why:
                letters = found.setdefault(item.name, {}).setdefault(item.why, [])
                if assembly.letter not in letters:
                    letters.append(assembly.letter)
    return {
        name: "; ".join(f"{', '.join(letters)}: {why}" for why, letters in whys.items()) for name, whys in found.items()
    }


def boards_to_buy(made: Made) -> list[str]:
    """Return one line of the buying list for each size of board."""
    rows = []
    for goods, plan in board_plans(made):
        bought = Counter((board.plank.code, board.plank.length) for board in plan.bought)
        for (name, length), count in bought.items():
            rows.append(f"{goods.name}, {name}: {count} × {made.units.write(Length(length), True)} long")
        if bought and plan.proven:
            rows[-1] += "; no plan takes less"
        if not bought:
            rows.append(f"{goods.name}: the rack has enough")
        for part in plan.too_large:
            rows[-1] += f"; {part.code} is larger than any board"
    return rows


def cost(made: Made, plans: Mapping[str, Plan]) -> tuple[int, list[str]]:
    """Return what the stock costs in hundredths, and the names of stock that has no price yet.

    Hardware counts as far as it has prices.
    """
    total, unknown = 0, []
    for code, plan in plans.items():
        goods = made.project.rack.sheet_goods(code)
        prices = {(row.length.ticks, row.width.ticks, row.offcut): row.price for row in goods.sheets}
        for sheet in plan.sheets:
            supply = sheet.supply
            price = 0 if supply.offcut else prices.get((supply.length, supply.width, False))
            if price is None:
                unknown.append(goods.name)
            else:
                total += price
    for boards, rips in board_plans(made):
        for board in rips.bought:
            if board.plank.price is None:
                unknown.append(f"{boards.name} {board.plank.code}")
            else:
                total += board.plank.price
    for edging, run in _band_runs(made).items():
        if edging.price is None:
            unknown.append(edging.name)
        else:
            total += ceil(edging.price * run * (1 + BAND_WASTE) / (1000 * TICKS_PER_MM))
    prices_of = {item.name: item.price or 0 for item in made.project.rack.hardware}
    for name, pieces in hardware(made):
        total += prices_of.get(name, 0) * pieces
    return total, list(dict.fromkeys(unknown))


def money(hundredths: int) -> str:
    """Write an amount in whatever currency the prices are in."""
    return f"{hundredths // 100:,}.{hundredths % 100:02d}".replace(",", " ")
