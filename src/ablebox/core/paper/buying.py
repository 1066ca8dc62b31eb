# SPDX-License-Identifier: GPL-3.0-or-later
"""What to buy: sheets, boards, feet of banding with waste, hardware; and what it costs."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping
from dataclasses import dataclass
from fractions import Fraction
from math import ceil

from ..cuts.boards import BoardPlan, Stick, plan_boards
from ..cuts.plan import Plan
from ..lengths import TICKS_PER_FOOT, TICKS_PER_MM, Length, inches
from ..shop.made import Made
from ..stock import Board, BoardGoods, Edging
from ..units import System

#: Banding bought over what is needed (10 %, common practice).
BAND_WASTE = Fraction(1, 10)
#: What each end of a board loses to checks (common practice).
END_LOSS = inches(1)


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
    for assembly in made.assemblies:
        for name, pieces in assembly.hardware.items():
            found[name] += pieces
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


@dataclass(frozen=True, slots=True)
class BoardNeed:
    """How much of one size of board is needed.

    Args:
        goods: the boards.
        board: the size.
        run: length of all parts cut from it.
        plan: which part is cut from which board.
    """

    goods: BoardGoods
    board: Board
    run: Length
    plan: BoardPlan

    @property
    def pieces(self) -> int:
        """How many boards are bought."""
        return len(self.plan.boards)


def boards_to_buy(made: Made) -> list[BoardNeed]:
    """Return the boards to buy for frames and legs, the least length there can be; 1 in (25 mm) is lost at each end.

    Cut ends lose an inch or so to checks and saw (common practice).
    """
    needs = []
    for (goods, board), plan in board_plans(made).items():
        run = Length(sum(stick.length for cut in plan.boards for stick in cut.sticks))
        needs.append(BoardNeed(goods, board, run, plan))
    return needs


def board_plans(made: Made) -> dict[tuple[BoardGoods, Board], BoardPlan]:
    """Return the plan for each size of board that is needed: each part from the narrowest board it can be ripped from."""
    sticks: dict[tuple[BoardGoods, Board], list[Stick]] = {}
    for part in made.parts:
        if isinstance(part.goods, BoardGoods):
            board = part.goods.board_for(part.cut_width.length)
            if board is not None:
                pieces = [Stick(code, part.cut_length.length.ticks) for code in part.pieces]
                sticks.setdefault((part.goods, board), []).extend(pieces)
    kerf = made.project.rack.saw.kerf.ticks
    found = {}
    for (goods, board), pieces in sticks.items():
        lengths = [row.length.ticks for row in goods.boards if row.width == board.width]
        found[(goods, board)] = plan_boards(pieces, lengths, kerf, END_LOSS.ticks)
    return found


def board_words(need: BoardNeed, made: Made) -> str:
    """Return one line of the buying list."""
    inch = made.units.system is System.INCH
    run = f"{ceil(need.run.ticks / (TICKS_PER_FOOT if inch else 1000 * TICKS_PER_MM))} {'ft' if inch else 'm'}"
    lengths = Counter(cut.length for cut in need.plan.boards)
    counts = " + ".join(f"{n} × {made.units.write(Length(length))} long" for length, n in lengths.items())
    fewer = ", no plan takes less" if need.plan.proven else ""
    text = f"{need.goods.name}, {need.board.name}: {counts} ({run} of parts{fewer})"
    for stick in need.plan.too_long:
        text += f"; {stick.code} is longer than any board"
    return text


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
    for need in boards_to_buy(made):
        prices_of_length = {row.length.ticks: row.price for row in need.goods.boards if row.width == need.board.width}
        for cut in need.plan.boards:
            price = prices_of_length.get(cut.length)
            if price is None:
                unknown.append(f"{need.goods.name} {need.board.name}")
            else:
                total += price
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
