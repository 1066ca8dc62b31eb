# SPDX-License-Identifier: GPL-3.0-or-later
"""The search without compiled loops: the first layout, every rule with every order, joined sides, sheets laid anew one by one.

It also holds the best layout there is, makes a checked plan of it, and looks for a better bound. Idea of laying anew:
Schrimpf and others, "Record Breaking Optimization Results Using the Ruin and Recreate
Principle" (2000), cited from memory.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Iterator
from dataclasses import replace
from functools import partial
from random import Random

from ....late import Late
from ...errors import StockShort
from ..bound import Bound, bound, sharper
from ..checker import check
from ..plan import Plan
from ..problem import Problem
from ..tidy import tidied
from .beam import GUIDES, Beam, Layer
from .blanks import Bed, Blank, beds, blanks, to_sheet
from .construct import RULES, Lay, Rule, lay_out, rules_for
from .joining import MANY, Joiner
from .mixed import cheaper
from .score import Score, score
from .settings import Simpler
from .strips import in_strips

#: Products of functions the plainer bound tries, times pieces.
BOUND_WORK = 700_000
#: Sheets a beam is offered, as a multiple of what the area asks for.
_SURELY = 1.5
#: Sheets looked at for a place where there are many blanks.
_RECENT = 30

_SORTS: tuple[Callable[[Blank], tuple[int, ...]], ...] = (
    lambda blank: (-blank.length * blank.width, -blank.length),
    lambda blank: (-max(blank.length, blank.width), -blank.width),
    lambda blank: (-blank.width, -blank.length),
    lambda blank: (-blank.length, -blank.width),
    lambda blank: (-blank.length - blank.width, -blank.length),
)


def proved(made: Plan) -> Plan:
    """Return a plan that the checker has passed.

    Raises:
        AssertionError: if the search itself is at fault; such a plan is never shown.
    """
    faults = check(made)
    if faults:
        raise AssertionError("; ".join(faults))
    return made


class Plain:
    """The best layout of a problem, and plain ways to a better one.

    Args:
        problem: what to cut from what.
        rng: of all choices.
        lay: the beam's compiled loop, for a first layout of very many blanks; ``None`` if the plain way is taken.

    Raises:
        StockShort: if the sheets run out.
    """

    def __init__(self, problem: Problem, rng: Random, lay: Callable[..., float] | None = None) -> None:
        self.problem, self.rng = problem, rng
        self.beds, self.blanks = beds(problem), blanks(problem)
        self.smallest = min((min(blank.length, blank.width) for blank in self.blanks), default=1)
        self.rules = rules_for(problem.sawing.stages)
        self.bound = bound(problem)
        self.many = len(self.blanks) > MANY
        self.far_too_many = len(self.blanks) > 2 * MANY
        self._lay = lay
        self._planned: tuple[list[Lay], Plan] | None = None
        self.lays: list[Lay] = self._first()
        self.score: Score = score(self.lays)

    def _first(self) -> list[Lay]:
        if self.many and len(self.beds) == 1 and not self.problem.sawing.stages:
            if self._lay is not None:
                bed = self.beds[0]
                most = int(_SURELY * self.bound.by_area) + 3 if bed.count is None else bed.count
                lays = Layer(self._lay, True, 1).lay(self.blanks, [bed] * most, Beam(1, GUIDES - 1))
                if lays is not None:
                    return lays
            quick = in_strips(self.blanks, self.beds[0])
            if quick is not None:
                return quick
        fewest_left, missing = len(self.blanks), ""
        for by in _SORTS:
            order = sorted(self.blanks, key=by)
            for rule in self.rules:
                lays = lay_out(order, self.beds, rule, self.smallest, recent=_RECENT if self.many else 0)
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
        if self.problem.by_price:
            return sum(self.problem.cost(lay.bed.supply) for lay in self.lays) <= self.bound.cost
        return sum(not lay.bed.supply.offcut for lay in self.lays) <= self.bound.sheets

    def planned(self) -> Callable[[], Plan]:
        """Return what makes a plan of the best layout there is now."""
        return partial(self.plan, self.lays, self.bound)

    def plan(self, lays: list[Lay], known: Bound) -> Plan:
        """Return a layout as a plan, after the checker has passed it.

        Args:
            lays: the layout.
            known: how few sheets there can be.

        Raises:
            AssertionError: if the search itself is at fault; such a plan is never shown.
        """
        if self._planned is not None and self._planned[0] is lays and self._planned[1].bound == known:
            return self._planned[1]
        ordered = sorted(lays, key=lambda lay: (not lay.bed.supply.offcut, -lay.filled))
        terms = self.problem.terms
        laid = tuple(to_sheet(self.problem, lay.bed, lay.placed) for lay in ordered)
        # A short search of very many blanks has no time to push them together; it all can be cut as it is.
        hasty = self._lay is not None and self.far_too_many
        made = Plan(self.problem, laid if hasty else tuple(tidied(sheet, terms) for sheet in laid), known)
        if self.problem.blocks and check(made):
            # Pushing pieces together may have torn a block apart.
            together = {member.code for block in self.problem.blocks for member in block.members}
            sheets = (
                sheet if any(spot.code in together for spot in sheet.spots) else tidied(sheet, terms) for sheet in laid
            )
            made = Plan(self.problem, tuple(sheets), known)
        proved(made)
        self._planned = (lays, made)
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
            for by in _SORTS[: 1 if self.many else None]:
                order = sorted(self.blanks, key=by)
                for rule in self.rules[: 2 if self.many else None]:
                    if stop():
                        return better
                    better |= self._keep_if_better(lay_out(order, beds_order, rule, self.smallest))
        return better

    def sharpen(self, worth: bool, work: int = BOUND_WORK) -> bool:
        """Look for a better bound where the area's does not prove the plan; return whether there is one.

        Args:
            worth: whether the search is long enough for the solver of the best bound to be loaded.
            work: how much the plainer one may try.
        """
        if self.settled:
            return False
        old = self.bound
        if worth:
            # By name, as the compiled loop is: a short search never pays for it.
            self.bound = Late.PAIR_BOUND.module.sharpest(self.problem, old)
        else:
            self.bound = sharper(self.problem, old, work)
        return self.bound != old

    def sharpen_by_patterns(self, worth: Callable[..., float], stop: Callable[[], bool]) -> bool:
        """Where one sheet is missing to a proof, look for it in prices of patterns; return whether the bound got better.

        Args:
            worth: the compiled loop.
            stop: asked again and again.
        """
        if sum(not lay.bed.supply.offcut for lay in self.lays) != self.bound.sheets + 1:
            return False
        old = self.bound
        laid = [Counter(code for blank, *_ in lay.placed for code in _codes(blank)) for lay in self.lays]
        self.bound = Late.PATTERN_BOUND.module.by_patterns(self.problem, old, laid, worth, stop)
        return self.bound != old

    def join(self, times: int, stop: Callable[[], bool]) -> bool:
        """Join blanks along equal sides a few times and lay out what they come to; return whether it got better."""
        largest = max(self.beds, key=lambda bed: bed.length * bed.width, default=None)
        if largest is None or self.many or self.problem.sawing.stages:
            return False
        joiner, better = Joiner(largest.length, largest.width, self.rng), False
        for _ in range(times):
            if stop() or self.settled:
                break
            sheets, rest = joiner.whole_sheets(joiner.join(self.blanks, 0.0))
            order = [*sheets, *sorted(rest, key=lambda blank: -blank.area)]
            lays = lay_out(order, self.beds, RULES[0], self.smallest)
            better |= self._keep_if_better(lays and [_apart(lay) for lay in lays])
        return better

    def cheapen(self, stop: Callable[[], bool]) -> None:
        """Where sheets of several sizes are to be had, put what lies on one or two of them on cheaper ones."""
        if len(self.beds) < 2 or self.many:
            return
        while not stop():
            found = cheaper(self.lays, self.beds, _SORTS, self.rules, self.smallest, stop)
            if found is None or not self._keep_if_better(found):
                return

    def simplify(self, stop: Callable[[], bool], tries: int) -> None:
        """Lay each sheet so that the fence is set less often."""
        if self.far_too_many or stop():
            return
        self.lays = Simpler(self.problem, self.rules, self.smallest, self.rng).lays(self.lays, stop, tries)

    def ruined(self, rounds: int, stop: Callable[[], bool]) -> Iterator[tuple[int, bool]]:
        """Ruin and recreate until stopped or settled; yields each round done and whether it got better."""
        quiet = 0
        for done in range(1, rounds + 1):
            if stop() or (quiet > 300 and self.settled):
                return
            better = self.ruin_and_recreate()
            quiet = 0 if better else quiet + 1
            yield done, better

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
        rule = rng.choice(self.rules)
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
                left.append(replace(bed, count=free))
        if self.rng.random() < 0.3:
            bought = [bed for bed in left if not bed.supply.offcut]
            left = [bed for bed in left if bed.supply.offcut] + self.rng.sample(bought, len(bought))
        return left


def _apart(lay: Lay) -> Lay:
    """Return a bed with the blanks that were joined taken apart."""
    return Lay(lay.bed, [each for blank, x, y, turned in lay.placed for each in blank.single(x, y, turned)], lay.free)


def _codes(blank: Blank) -> list[str]:
    """Return the codes of the pieces of a blank, one for each."""
    return [
        code
        for one, *_ in blank.single(0, 0, False)
        for code in ([member.code for member in one.block.members] if one.block is not None else [one.code])
    ]
