# SPDX-License-Identifier: GPL-3.0-or-later
"""What is done by hand on the Sheets stage: pieces are taken up, moved, turned and pinned, cuts are made, plans set aside."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QObject, pyqtSignal

from ...core.cuts.divide import Board
from ...core.cuts.plan import CutSheet, Plan
from ...core.cuts.problem import Spot
from ...core.cuts.saw_cut import SawCut
from ...core.cuts.saw_order import cuts_of
from ...core.project.tree import HeldSheet
from ...core.shop.batches import order_of
from ...core.shop.by_hand import cuts_made, pinned, put_down
from ...core.shop.cut_off import sheet_cut
from ...core.shop.held import own_sheet
from ...core.shop.rests import kept, other_way
from ..desk import Desk
from .sheet_drawing import Put

#: A sheet: material, plan, sheet, and its number within the plan, from 1.
Here = tuple[str, Plan, CutSheet, int]


class SheetHand(QObject):
    """The hand.

    Args:
        desk: the workplace.
        sheet_at: returns the number of the sheet whose small picture lies at a point of the screen.
    """

    #: Something else is taken up, or a plan was set aside.
    changed = pyqtSignal()

    def __init__(self, desk: Desk, sheet_at: Callable[..., int | None]) -> None:
        super().__init__()
        self.desk, self._sheet_at = desk, sheet_at
        self.chosen: Spot | None = None
        self.rest: Board | None = None
        #: A plan set aside for comparison, by the code of its stock.
        self.aside: dict[str, Plan] = {}

    def sheets(self) -> list[Here]:
        """Return all sheets in order."""
        plans, wanted = self.desk.planner.plans, self.desk.document.made.problems
        return [
            (code, plans[code], sheet, number)
            for code in wanted
            if code in plans
            for number, sheet in enumerate(plans[code].sheets, start=1)
        ]

    def current(self) -> Here | None:
        """Return the sheet at hand; ``None`` while there is none, or while it is being planned anew."""
        found = self.sheets()
        here = found[min(self.desk.selection.sheet, len(found) - 1)] if found else None
        known = {part.code for part in self.desk.document.made.parts}
        return here if here and all(spot.code in known for spot in here[2].spots) else None

    def order(self, plan: Plan, number: int) -> tuple[SawCut, ...]:
        """Return the cuts of a sheet in the order of work."""
        return order_of(self.desk.document.made, plan, number - 1)

    def done(self, code: str, plan: Plan, number: int) -> int:
        """Return how many cuts of a sheet are made."""
        own = self._own(code, plan, number)
        return own.cuts if own is not None else 0

    def _own(self, code: str, plan: Plan, number: int) -> HeldSheet | None:
        sheets = self.desk.document.made.holdings[code].sheets
        return own_sheet(sheets, plan, number) if len(sheets) == len(plan.problem.held) else None

    def fast(self, plan: Plan, number: int) -> tuple[Spot, ...]:
        """Return the pieces that are pinned on a sheet."""
        held = plan.problem.held
        return held[number - 1].spots if number <= len(held) else ()

    def walk(self, by: int) -> None:
        """Make the next cut of the sheet at hand, or take one back."""
        here = self.current()
        if here is None:
            return
        code, plan, sheet, number = here
        before, cuts = self.done(code, plan, number), len(self.order(plan, number))
        done = max(0, min(cuts, before + by))
        if done != before:
            self.choose(None, None)
            after = cuts_made(self.desk.document.made, code, plan, number, done)
            self.desk.change(f"Cut {done} of {cuts}", after)
            self._follow(code, sheet)

    def is_cut(self) -> None:
        """Take the sheet at hand off the rack: its pieces are done, its offcuts are kept."""
        here = self.current()
        if here is None:
            return
        code, plan, _, number = here
        made = self.desk.document.made
        name = made.project.rack.sheet_goods(code).name
        self.desk.change(f"{name}, sheet {plan.numbers[number - 1]} is cut", sheet_cut(made, code, plan, number))

    def take(self, x: float, y: float) -> None:
        """Take up the piece or the offcut under a point of the sheet, in ticks."""
        here = self.current()
        if here is None or self.done(here[0], here[1], here[3]):
            return
        spot = next((s for s in here[2].spots if _on(x, y, s.x, s.y, *s.reach)), None)
        rests = cuts_of(here[1], here[2]).rests
        rest = next((r for r in rests if _on(x, y, r.x, r.y, r.length, r.width)), None)
        self.choose(spot, rest if spot is None else None)

    def choose(self, spot: Spot | None, rest: Board | None) -> None:
        """Take up a piece or an offcut, or nothing."""
        if (spot, rest) != (self.chosen, self.rest):
            self.chosen, self.rest = spot, rest
            self.changed.emit()

    def put(self, put: Put) -> None:
        """A piece was dragged and let go: on this sheet, or on the small picture of another."""
        here = self.current()
        if here is None:
            return
        code, _, _, number = here
        other, to, x, y = self._sheet_at(put.point), number, put.x, put.y
        if other is not None:
            code_there, _, _, to = self.sheets()[other]
            if code_there != code:
                self.desk.document.refused.emit("That sheet is of another material; the piece stays where it was.")
                return
            x = y = 0
        self.put_down(put.spot, to, x, y)

    def put_down(self, spot: Spot, to: int, x: int, y: int, turn: bool = False) -> None:
        """Put a piece of the sheet at hand down on a sheet of the same material, or turn it where it lies."""
        here = self.current()
        if here is None:
            return
        code, plan, _, number = here
        found = put_down(self.desk.document.made, code, plan, number, spot, to, x, y, turn)
        if found is None:
            why = "what lies there stays, or does not fit elsewhere"
            if turn:
                why = "its grain runs the other way, or there is no room"
            self.desk.document.refused.emit(f"{spot.code} cannot lie there: {why}.")
            return
        after, by_hand, lies = found
        self.desk.planner.offer(code, by_hand)
        self.chosen = None
        self.desk.change(f"{spot.code}: {'turned' if turn else 'moved'} on the sheet", after)
        now = self.desk.planner.plans.get(code)
        target = next((sheet for sheet in now.sheets if lies in sheet.spots), None) if now else None
        if target is not None:
            self.chosen = lies
            self._follow(code, target)
        self.changed.emit()

    def _follow(self, code: str, sheet: CutSheet) -> None:
        """Keep a sheet at hand when its place among the sheets has changed: what lies on it tells it, begun or not."""
        found = [i for i, row in enumerate(self.sheets()) if (row[0], row[2].spots) == (code, sheet.spots)]
        if found:
            self.desk.selection.select(sheet=found[0])

    def pin(self) -> None:
        """Pin the piece at hand where it lies, or let it go."""
        here = self.current()
        if here is None or self.chosen is None or self.chosen not in here[2].spots:
            return
        code, plan, sheet, number = here
        spot = self.chosen
        fast = spot in self.fast(plan, number)
        words = f"{spot.code}: {'let go' if fast else 'pinned'} on the sheet"
        self.desk.change(words, pinned(self.desk.document.made, code, plan, number, spot, not fast))
        self._follow(code, sheet)

    def turn(self) -> None:
        """Turn the piece at hand by a quarter."""
        here = self.current()
        if here is not None and self.chosen is not None and self.chosen in here[2].spots:
            self.put_down(self.chosen, here[3], 0, 0, turn=True)

    def turn_rest(self, rest: Board) -> None:
        """Scrap an offcut that is kept, or keep one that is scrap."""
        here = self.current()
        if here is not None:
            project = self.desk.document.project
            words = "Scrap an offcut" if kept(project, here[0], rest) else "Keep an offcut"
            self.desk.change(words, other_way(project, here[0], rest))

    def set_aside(self) -> None:
        """Set the plan at hand aside."""
        here = self.current()
        if here is not None:
            self.aside[here[0]] = here[1]
            self.changed.emit()

    def take_aside(self) -> None:
        """Put the plan that was set aside in the place of this one, and this one aside."""
        here = self.current()
        if here is None or here[0] not in self.aside:
            return
        code, plan = here[0], here[1]
        aside = self.aside[code]
        if aside.problem != plan.problem:
            self.desk.document.refused.emit(
                "Parts, stock or saw have changed since that plan was set aside; undo those changes to take it."
            )
            return
        self.aside[code] = plan
        self.desk.planner.put(code, aside)

    def forget_aside(self) -> None:
        """Forget the plan that was set aside."""
        self.aside.clear()
        self.changed.emit()


def _on(x: float, y: float, left: int, low: int, long: int, wide: int) -> bool:
    return left <= x <= left + long and low <= y <= low + wide
