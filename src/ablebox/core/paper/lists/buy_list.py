# SPDX-License-Identifier: GPL-3.0-or-later
"""One list of everything that is bought, to the last screw: how much, what is on hand, how far it has come, where it is needed first."""

from __future__ import annotations

import csv
import io
from collections import Counter
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass
from enum import Enum
from math import ceil
from typing import Any

from ...assembly.role import COUNTERS
from ...bench.bench import Bench, JobStep, bench_of
from ...bench.driven import screws
from ...bench.hardware_at import hardware_at
from ...bench.verb import What
from ...buying.book import Buying
from ...coats.schedule import schedules
from ...cuts.plan import Plan
from ...drawing.finish_words import OUNCES, QUART
from ...finish.needs import amounts, finished, schedule_of
from ...shop.boards import board_plans
from ...shop.made import Made
from ...units import System
from .buying import banding, glue, hardware, packets, sheets_to_buy

#: A sheet of abrasive paper does so many square metres (common practice).
_PAPER = 2.0
#: Screws, nails and dowels bought beyond what is counted: they break and roll away (common practice: a tenth).
_SPARE = 0.1


class BuyKind(Enum):
    """What it is; the value is what it is called."""

    SHEETS = "sheets"
    BOARDS = "boards"
    BAND = "band"
    HARDWARE = "hardware"
    FASTENERS = "fasteners"
    GLUE = "glue"
    FINISH = "finish"
    ABRASIVE = "abrasive"


@dataclass(frozen=True, slots=True)
class BuyRow:
    """Something that is bought.

    Args:
        kind: what it is.
        name: its name.
        needed: how many or how much, in its unit.
        unit: its unit; empty where it is counted.
        spare: what one would want beyond that.
        sold: how it is sold, such as packets.
        book: how far its buying has come.
        first: the number of the step it is needed at first; ``None`` if all its steps are done.
        look: what is looked at when it has come.
    """

    kind: BuyKind
    name: str
    needed: int
    unit: str
    spare: int
    sold: str
    book: Buying
    first: int | None
    look: str = ""

    @property
    def to_buy(self) -> int:
        """How many are still to be bought, spare ones with them."""
        return max(0, self.needed + self.spare - self.book.on_hand)

    @property
    def amount(self) -> str:
        """How much is still to be bought, as it is read: ``36 ×``, ``17 m``, ``1 sheet``."""
        unit = "sheet" if self.unit == "sheets" and self.to_buy == 1 else self.unit or "×"
        return f"{self.to_buy} {unit}" if self.to_buy else "enough"

    @property
    def cents(self) -> int:
        """What that costs, in hundredths; 0 where nobody knows."""
        return self.to_buy * self.book.cents


def buy_list(made: Made, plans: Mapping[str, Plan]) -> list[BuyRow]:
    """Return everything that is bought, what is needed first first.

    Args:
        made: what the project comes to.
        plans: the cut plan of each kind of sheet, by its code.
    """
    rows = list(_Rows(made, plans).all())
    return sorted(rows, key=lambda row: (row.first is None, row.first or 0, row.kind.value, row.name))


class _Rows:
    def __init__(self, made: Made, plans: Mapping[str, Plan]) -> None:
        self.made, self.plans = made, plans
        self.bench: Bench = bench_of(made)
        self.open = [job for job in self.bench.steps if not self.bench.is_done(job)]

    def all(self) -> Iterator[BuyRow]:
        saw = self._first(lambda job: job.step.what is What.SAW)
        tops = {
            self.made.project.rack.stock(part.goods).name for _, assembly in self.made.built for part in assembly.parts
            if part.role.kind in COUNTERS
        }  # fmt: skip
        for name, count in sheets_to_buy(self.made, self.plans):
            if "offcut on the rack" not in name:
                look = "measure the thickness of each"
                if any(name.startswith(f"{top},") for top in tops):
                    look += "; tops are cut from it: lay a straight edge across, both ways"
                yield self._row(BuyKind.SHEETS, name, count, first=saw, look=look)
        for goods, plan in board_plans(self.made):
            for code, count in Counter(board.plank.code for board in plan.bought).items():
                yield self._row(
                    BuyKind.BOARDS, f"{goods.name}, {code}", count, first=saw, look="straight, flat, few knots"
                )
        band = self._first(lambda job: job.step.what is What.BAND)
        for name, words in banding(self.made):
            amount, unit = words.split(" ")
            yield self._row(BuyKind.BAND, name, int(amount), unit, first=band)
        yield from self._hardware()
        much = glue(self.made)
        if much:
            amount, unit = much.split(" ")
            yield self._row(
                BuyKind.GLUE, "wood glue", int(amount), unit, first=self._first(lambda job: job.step.wait > 0)
            )
        yield from self._finish()

    def _hardware(self) -> Iterator[BuyRow]:
        firsts: dict[str, int] = {}
        fasteners = {each.name for _, assembly in self.made.built for each in assembly.fasteners}
        fasteners |= {joined.fastener.name for joined in self.made.joined}
        fasteners |= {anchor.fastener.name for anchor in self.made.anchors}
        hung = {
            case.letter: hardware_at(self.bench.assembly(case.letter), case.steps)
            for case in self.bench.cases if self.bench.is_case(case.letter)
        }  # fmt: skip
        for job in self.open:
            for letter, step in job.rows:
                for screw in screws(self.bench, letter, step):
                    firsts.setdefault(screw.name, job.n)
                for row in hung.get(letter, {}).get(step.key, ()):
                    firsts.setdefault(row.name, job.n)
        last = self._first(lambda job: job.step.what is What.CARRY)
        for name, count in hardware(self.made):
            kind = BuyKind.FASTENERS if name in fasteners else BuyKind.HARDWARE
            spare = ceil(count * _SPARE) if kind is BuyKind.FASTENERS else 0
            sold = packets(self.made, name, count + spare)
            yield self._row(kind, name, count, spare=spare, sold=sold, first=firsts.get(name, last))

    def _finish(self) -> Iterator[BuyRow]:
        first = self._first(lambda job: job.step.what in (What.FINISH, What.PREFINISH))
        inch = self.made.units.system is System.INCH
        for amount in amounts(self.made):
            if inch:
                much, unit = ceil(amount.litres / QUART * OUNCES), "fl oz"
            else:
                much, unit = ceil(amount.litres * 1000), "ml"
            sold = f"{amount.coats} coat{'s' if amount.coats > 1 else ''}"
            yield self._row(BuyKind.FINISH, amount.product, much, unit, sold=sold, first=first)
        grits: Counter[int] = Counter()
        for case, _ in self.made.built:
            for row in finished(self.made, case.letter):
                schedule = schedule_of(self.made, row.where)
                for coat in schedules()[schedule.code].coats if schedule is not None else ():
                    if row.edge or not coat.edges:
                        grits[coat.grit] += ceil(row.area * case.copies * 1e6)
        for grit, area in sorted(grits.items()):
            yield self._row(
                BuyKind.ABRASIVE, f"abrasive paper, grit {grit}", ceil(area * 1e-6 / _PAPER), "sheets", first=first
            )

    def _first(self, wanted: Callable[[JobStep], bool]) -> int | None:
        return next((job.n for job in self.open if wanted(job)), None)

    def _row(
        self, kind: BuyKind, name: str, needed: int, unit: str = "", spare: int = 0, sold: str = "", first: int | None = None, look: str = "",
    ) -> BuyRow:  # fmt: skip
        known = self.made.project.buying.get(name, Buying())
        if not known.cents:
            price = next(
                (item.price for item in self.made.project.rack.hardware if item.name == name and item.price), 0
            )
            known = Buying(known.state, known.on_hand, price or 0)
        return BuyRow(kind, name, needed, unit, spare, sold, known, first, look)


def buy_tree(rows: list[BuyRow]) -> list[dict[str, Any]]:
    """Return the list as plain data."""
    return [
        {
            "kind": row.kind.value, "name": row.name, "needed": row.needed, "unit": row.unit, "spare": row.spare, "on_hand": row.book.on_hand,
            "to_buy": row.to_buy, "sold": row.sold, "state": row.book.state.value, "cents_each": row.book.cents, "cents": row.cents,
            "first_step": row.first, "look": row.look,
        }
        for row in rows
    ]  # fmt: skip


def buy_csv(rows: list[BuyRow]) -> str:
    """Return the list as a table."""
    out = io.StringIO()
    tree = buy_tree(rows)
    table = csv.writer(out, lineterminator="\n")
    if tree:
        table.writerow(tree[0])
        for row in tree:
            table.writerow(["" if value is None else value for value in row.values()])
    return out.getvalue()
