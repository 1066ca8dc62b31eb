# SPDX-License-Identifier: GPL-3.0-or-later
"""Anytime search for a cut plan.

First every construction rule with every sort order, then rounds of ruin and recreate: a few
sheets, the emptiest among them, are taken apart and laid anew in a shuffled order. Idea:
Schrimpf and others, "Record Breaking Optimization Results Using the Ruin and Recreate
Principle" (2000), cited from memory.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from random import Random

from ...errors import PartTooLarge, StockShort
from ...lengths import Length
from ...units import System, Units
from ..bound import bound
from ..checker import check
from ..plan import Plan
from ..problem import Block, Piece, Problem
from ..saw_order import tidied
from .blanks import Bed, Blank, beds, blanks, to_sheet
from .construct import RULES, Lay, Rule, lay_out
from .score import Score, score

_MM = Units(System.MM)

_SORTS: tuple[Callable[[Blank], tuple[int, ...]], ...] = (
    lambda blank: (-blank.length * blank.width, -blank.length),
    lambda blank: (-max(blank.length, blank.width), -blank.width),
    lambda blank: (-blank.width, -blank.length),
    lambda blank: (-blank.length, -blank.width),
    lambda blank: (-blank.length - blank.width, -blank.length),
)


@dataclass(frozen=True, slots=True)
class Progress:
    """Where the search stands.

    Args:
        rounds: rounds done.
        total: rounds asked for.
        best: the best plan so far, already checked.
    """

    rounds: int
    total: int
    best: Plan


def plan(
    problem: Problem, rounds: int, stop: Callable[[], bool], seed: int = 1, units: Units = _MM
) -> Iterator[Progress]:
    """Search for a plan; yields whenever a better one is found, and once at the end.

    The first plan comes at once; the same problem, rounds and seed give the same plans.

    Args:
        problem: what to cut from what.
        rounds: rounds of ruin and recreate; fewer are done when the plan is proven and has
            settled.
        stop: asked between rounds; the best plan so far is kept when it says so.
        seed: of the shuffling.
        units: how sizes are written in refusals.

    Raises:
        PartTooLarge: if a piece fits on no sheet.
        StockShort: if the sheets run out.
    """
    _refuse_impossible(problem, units)
    search = _Search(problem, Random(seed))
    yield Progress(0, rounds, search.plan())
    improved = search.try_all_rules(stop)
    if improved:
        yield Progress(0, rounds, search.plan())
    quiet = 0
    for done in range(1, rounds + 1):
        if stop() or (quiet > 300 and search.settled):
            break
        if search.ruin_and_recreate():
            quiet = 0
            yield Progress(done, rounds, search.plan())
        else:
            quiet += 1
    yield Progress(rounds, rounds, search.plan())


def last(
    problem: Problem, rounds: int, stop: Callable[[], bool] = lambda: False, seed: int = 1, units: Units = _MM
) -> Plan:
    """Return the best plan of a whole search."""
    *_, final = plan(problem, rounds, stop, seed, units)
    return final.best


def _refuse_impossible(problem: Problem, units: Units) -> None:

    def size(length: int, width: int) -> str:
        return f"{units.write(Length(length))} × {units.write(Length(width), unit=True)}"

    whole: tuple[Piece | Block, ...] = (*problem.blocks, *problem.pieces)
    for piece in whole:
        there = [supply for supply in problem.supplies if supply.count != 0]
        if not any(problem.holds(supply, piece) for supply in there):
            usable = [problem.usable(supply) for supply in there]
            best = max(usable, key=lambda u: u[0] * u[1], default=(0, 0))
            raise PartTooLarge(piece.code, size(piece.length, piece.width), size(*best) if min(best) > 0 else "")


class _Search:
    def __init__(self, problem: Problem, rng: Random) -> None:
        self.problem, self.rng = problem, rng
        self.beds, self.blanks = beds(problem), blanks(problem)
        self.smallest = min((min(blank.length, blank.width) for blank in self.blanks), default=1)
        self.bound = bound(problem)
        self.lays: list[Lay] = self._first()
        self.score: Score = score(self.lays)

    def _first(self) -> list[Lay]:
        fewest_left, missing = len(self.blanks), ""
        for by in _SORTS:
            order = sorted(self.blanks, key=by)
            for rule in RULES:
                lays = lay_out(order, self.beds, rule, self.smallest)
                if lays is not None:
                    return lays
                held, code = self._held(order, rule)
                if len(order) - held <= fewest_left:
                    fewest_left, missing = len(order) - held, code
        raise StockShort(missing, fewest_left)

    def _held(self, order: list[Blank], rule: Rule) -> tuple[int, str]:
        """Return how many blanks the stock holds when those without room are passed over, and the first of these."""
        held: list[Blank] = []
        missing = ""
        for blank in order:
            if lay_out([*held, blank], self.beds, rule, self.smallest) is None:
                missing = missing or blank.code
            else:
                held.append(blank)
            if len(held) > 200:
                break
        return len(held), missing

    @property
    def settled(self) -> bool:
        """Whether fewer sheets are out of the question."""
        return len(self.lays) <= self.bound.sheets

    def plan(self) -> Plan:
        """Return the best layout as a plan, after the checker has passed it.

        Raises:
            AssertionError: if the search itself is at fault; such a plan is never shown.
        """
        ordered = sorted(self.lays, key=lambda lay: (not lay.bed.supply.offcut, -lay.filled))
        kerf, trim = self.problem.kerf, self.problem.trim
        laid = tuple(to_sheet(self.problem, lay.bed, lay.placed) for lay in ordered)
        made = Plan(self.problem, tuple(tidied(sheet, kerf, trim) for sheet in laid), self.bound)
        faults = check(made)
        if faults and self.problem.blocks:
            # Pushing pieces together may have torn a block apart.
            made = Plan(self.problem, laid, self.bound)
            faults = check(made)
        if faults:
            raise AssertionError("; ".join(faults))
        return made

    def _keep_if_better(self, lays: list[Lay] | None) -> bool:
        if lays is None:
            return False
        new = score(lays)
        if new >= self.score:
            return False
        self.lays, self.score = lays, new
        return True

    def try_all_rules(self, stop: Callable[[], bool]) -> bool:
        """Try every rule with every order; return whether anything got better."""
        better = False
        for beds_order in self._bed_orders():
            for by in _SORTS:
                order = sorted(self.blanks, key=by)
                for rule in RULES:
                    if stop():
                        return better
                    better |= self._keep_if_better(lay_out(order, beds_order, rule, self.smallest))
        return better

    def _bed_orders(self) -> list[list[Bed]]:
        bought = [bed for bed in self.beds if not bed.supply.offcut]
        if len(bought) < 2:
            return [self.beds]
        offcuts = [bed for bed in self.beds if bed.supply.offcut]
        return [self.beds, offcuts + bought[::-1]]

    def ruin_and_recreate(self) -> bool:
        """Take a few sheets apart and lay their pieces anew; keep it if better."""
        rng, lays = self.rng, self.lays
        if not lays:
            return False
        count = min(len(lays), rng.choice((1, 2, 2, 3, 3, 4)))
        emptiest = min(range(len(lays)), key=lambda i: lays[i].filled)
        chosen = set(rng.sample(range(len(lays)), count))
        if rng.random() < 0.7:
            chosen = {emptiest, *list(chosen)[: count - 1]} if count > 1 else {emptiest}
        loose = [blank for i in sorted(chosen) for blank, *_ in lays[i].placed]
        kept = [lay for i, lay in enumerate(lays) if i not in chosen]
        by = rng.choice(_SORTS)
        jitter = rng.choice((0.05, 0.2, 0.5))
        if rng.random() < 0.9:
            first = [-abs(by(blank)[0]) * (1 + jitter * rng.random()) for blank in loose]
            order = [loose[i] for i in sorted(range(len(loose)), key=first.__getitem__)]
        else:
            order = rng.sample(loose, len(loose))
        left = self._beds_left(kept)
        rule = rng.choice(RULES)
        fresh = lay_out(order, left, rule, self.smallest, limit=len(chosen) + 1)
        return fresh is not None and self._keep_if_better(kept + fresh)

    def _beds_left(self, kept: list[Lay]) -> list[Bed]:
        left = []
        for bed in self.beds:
            if bed.count is None:
                left.append(bed)
                continue
            free = bed.count - sum(lay.bed.supply is bed.supply for lay in kept)
            if free > 0:
                left.append(Bed(bed.supply, bed.length, bed.width, free))
        if self.rng.random() < 0.3:
            bought = [bed for bed in left if not bed.supply.offcut]
            left = [bed for bed in left if bed.supply.offcut] + self.rng.sample(bought, len(bought))
        return left
