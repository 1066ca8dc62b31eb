# SPDX-License-Identifier: GPL-3.0-or-later
"""What to buy: sheets, boards, feet of banding with waste, hardware; and what it costs."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping, Sequence
from fractions import Fraction
from math import ceil

from ...assembly.fastener import FastenerKind
from ...assembly.part import Assembly, CutKind
from ...assembly.role import COUNTERS, Role
from ...cuts.plan import Plan
from ...cuts.rips import RipPlan
from ...hardware import usual
from ...lengths import TICKS_PER_MM, Length, inches
from ...parts.words import running
from ...project.placed import FILLER
from ...shop.boards import board_plans
from ...shop.made import Made
from ...stock import BoardGoods, Edging
from ...units import System, Units

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
    return [
        (edging.name, running(ceil(run * (1 + BAND_WASTE)), made.units)) for edging, run in _band_runs(made).items()
    ]


def hardware(made: Made) -> list[tuple[str, int]]:
    """Return hinges, pins, feet, every screw, nail and dowel, and what else is bought, over all cases."""
    found: Counter[str] = Counter()
    for case, assembly in made.built:
        for name, pieces in assembly.hardware.items():
            found[name] += pieces * case.copies
    for joined in made.joined:
        if joined.other:
            found[joined.fastener.name] += 1
    # Each copy of a case is held to the building as the first is.
    copies = {case.letter: case.copies for case, _ in made.built}
    for anchor in made.anchors:
        found[anchor.fastener.name] += copies.get(anchor.letter, 1)
    return list(found.items())


def packets(made: Made, name: str, count: int) -> str:
    """Return how many packets so many of an item come to; empty where it is sold singly."""
    units = made.units
    known = [*made.project.rack.hardware, *usual(units.system)]
    item = next((each for each in known if each.name == name and each.packet), None)
    if item is None or item.packet is None:
        return ""
    number = ceil(count / item.packet)
    return f"{number} packet{'s' if number > 1 else ''} of {item.packet}"


#: Glue spread on a joint, in litres a square metre, waste included (about 180 g and 10 %; common practice).
_GLUE = 0.2


def glue(made: Made) -> str:
    """Return how much glue the joints take, as it is sold: in millilitres, or ounces.

    What touches in dadoes, grooves and rabbets, and where one part is fastened to another.
    """
    area = 0.0
    for case, assembly in made.built:
        area += case.copies * _glued(assembly)
    millilitres = area * 1e-6 * _GLUE * 1000
    if not millilitres:
        return ""
    if made.units.system is System.INCH:
        return f"{ceil(millilitres / 29.57)} oz"
    return f"{ceil(millilitres / 50) * 50} ml"


def _glued(assembly: Assembly) -> float:
    """Return the area that is glued, in square millimetres."""
    found, boxes = 0.0, {part.role: part.box for part in assembly.parts}
    for part in assembly.parts:
        for cut in part.cuts:
            if cut.holds_a_part and cut.kind is not CutKind.GROOVE:
                deep, *rest = sorted(size.mm for size in cut.box.size)
                found += rest[0] * rest[1] + 2 * deep * rest[1]
    pairs = {(each.through[-1], each.into) for each in assembly.fasteners if each.through and each.kind in _WITH_GLUE}
    for one, two in pairs:
        if isinstance(two, Role) and one in boxes and two in boxes:
            met = boxes[one].meet(boxes[two])
            sizes = sorted((h - b) / TICKS_PER_MM for b, h in zip(met.low, met.high, strict=True))
            found += max(0.0, sizes[1]) * max(0.0, sizes[2])
    return found


#: What holds a joint until its glue does; hardware, fronts and cases are put on dry.
_WITH_GLUE = frozenset({
    FastenerKind.POCKET_SCREW, FastenerKind.DOWEL, FastenerKind.BISCUIT, FastenerKind.NAIL, FastenerKind.CONNECTOR,
})  # fmt: skip


def reasons(made: Made) -> dict[str, str]:
    """Return why each item of hardware was chosen, the cases it was chosen for first."""
    found: dict[str, dict[str, list[str]]] = {}
    rows = [(assembly.letter, item.name, item.why) for assembly in made.assemblies for item in assembly.bought]
    for joined in made.joined:
        words = "to the wall" if not joined.other else "to a filler" if joined.other == FILLER else "case to case"
        if any(role.kind in COUNTERS for role in joined.fastener.through) and joined.other:
            words = "top to top"
        rows.append(
            (joined.letter, joined.fastener.name, f"{words}: {joined.fastener.why}" if joined.fastener.why else words)
        )
    for letter, name, why in rows:
        if why:
            letters = found.setdefault(name, {}).setdefault(why, [])
            if letter not in letters:
                letters.append(letter)
    return {name: _by_case(whys) for name, whys in found.items()}


def _by_case(whys: Mapping[str, Sequence[str]]) -> str:
    """Return reasons with the letters of their cases; what all of them say is said once, behind them."""
    said = {why: why.split("; ") for why in whys}
    first = next(iter(said.values()))
    common = [clause for clause in first if len(said) > 1 and all(clause in clauses for clauses in said.values())]
    rows: dict[str, list[str]] = {}
    for why, letters in whys.items():
        own = "; ".join(clause for clause in said[why] if clause not in common)
        rows.setdefault(own, []).extend(letters)
    told = [f"{', '.join(sorted(letters))}{': ' * bool(own)}{own}" for own, letters in rows.items()]
    return "; ".join([*told, *([f"all: {'; '.join(common)}"] if common else [])])


def boards_to_buy(made: Made) -> list[str]:
    """Return one line of the buying list for each size of board."""
    rows = []
    for goods, plan in board_plans(made):
        bought = Counter((board.plank.code, board.plank.length) for board in plan.bought)
        for (name, length), count in bought.items():
            rows.append(f"{goods.name}, {name}: {count} × {made.units.write(Length(length), True)} long")
        if bought:
            rows[-1] += f"; {_volume(goods, plan, made.units)} in all"
        if bought and plan.proven:
            rows[-1] += "; no plan takes less"
        if not bought:
            rows.append(f"{goods.name}: the rack has enough")
        for part in plan.too_large:
            rows[-1] += f"; {part.code} is larger than any board"
    return rows


#: What planing has taken off a board's thickness, and the cubic inches of a board foot (common practice).
_PLANED, _BOARD_FOOT = inches("1/4"), 144


def _volume(goods: BoardGoods, plan: RipPlan, units: Units) -> str:
    """Return how much wood the boards that are bought are: board feet as sold rough, or cubic metres."""
    area = sum(board.plank.length * board.plank.width for board in plan.bought)
    if units.system is System.MM:
        return f"{area * goods.nominal.ticks / (1000 * TICKS_PER_MM) ** 3:.3f} m³"
    inch = inches(1).ticks
    rough = (goods.nominal + _PLANED).ticks / inch
    return f"{area * rough / inch**2 / _BOARD_FOOT:.1f} board feet"


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
