# SPDX-License-Identifier: GPL-3.0-or-later
"""Anytime search for a cut plan.

A first plan comes at once; then the compiled loops take over (``anytime``). Where they are not there yet, or in short
searches, every construction rule is tried with every sort order, equal sides are joined, and a few sheets at a time
are taken apart and laid anew. At the end sheets become cheaper and simpler to cut. Idea of laying anew:
Schrimpf and others, "Record Breaking Optimization Results Using the Ruin and Recreate
Principle" (2000), cited from memory.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import replace
from functools import cached_property, partial
from random import Random

from ....late import Late
from ...errors import PartTooLarge, StockShort
from ...lengths import Length
from ...units import System, Units
from ..bound import Bound, bound, sharper
from ..checker import check
from ..plan import Plan
from ..problem import Block, Piece, Problem
from ..tidy import tidied
from .anytime import Anytime
from .around import Around
from .beam import GUIDES, Beam, Layer
from .blanks import Bed, Blank, beds, blanks, to_sheet
from .compiled import COMPILED
from .construct import RULES, Lay, Rule, lay_out, rules_for
from .joining import MANY, Joiner, sides_are_rare
from .mixed import cheaper
from .score import Score, score
from .settings import Simpler
from .strips import in_strips

_MM = Units(System.MM)

#: Rounds from which on it pays to wait for the compiled loop, and how many of them one step of it counts for.
_WORTH_LOADING, _A_STEP = 1_000, 10
#: From this share of the search on the best bound is looked for, where the plan is not proven yet.
_BOUND_FROM = 0.3
#: Products of functions the plainer one tries, times pieces.
_BOUND_WORK = 700_000
#: In a second there is time for a bound of so few kinds, and to make sheets with so few blanks simpler to cut.
_FEW_KINDS, _FEW_BLANKS = 40, 60
#: Sheets a beam is offered, as a multiple of what the area asks for.
_SURELY = 1.5
#: Sheets looked at for a place where there are many blanks.
_RECENT = 30
#: A better plan is shown when so much more of the search is over; of many blanks, of few.
_SHOW_EVERY, _SHOW_OFTEN = 0.08, 0.02
#: Share of a long search from which on the plan is only made simpler to cut.
_SIMPLER_FROM = 0.92

_SORTS: tuple[Callable[[Blank], tuple[int, ...]], ...] = (
    lambda blank: (-blank.length * blank.width, -blank.length),
    lambda blank: (-max(blank.length, blank.width), -blank.width),
    lambda blank: (-blank.width, -blank.length),
    lambda blank: (-blank.length, -blank.width),
    lambda blank: (-blank.length - blank.width, -blank.length),
)


class Progress:
    """Where the search stands.

    Args:
        rounds: rounds done.
        total: rounds asked for.
        make: makes the best plan so far; asked only where somebody looks at it.
    """

    def __init__(self, rounds: int, total: int, make: Callable[[], Plan]) -> None:
        self.rounds, self.total, self._make = rounds, total, make

    @cached_property
    def best(self) -> Plan:
        """The best plan so far, already checked."""
        return self._make()


def plan(
    problem: Problem,
    rounds: int,
    stop: Callable[[], bool],
    seed: int = 1,
    units: Units = _MM,
    spent: Callable[[], float] | None = None,
    compiled: bool | None = None,
    long: bool = True,
) -> Iterator[Progress]:
    """Search for a plan; yields whenever a better one is found, and once at the end.

    The first plan comes at once; the same problem, rounds and seed give the same plans, unless the
    search is led by a clock.

    Args:
        problem: what to cut from what.
        rounds: rounds of ruin and recreate; fewer are done when the plan is proven and has
            settled.
        stop: asked between rounds; the best plan so far is kept when it says so.
        seed: of the shuffling.
        units: how sizes are written in refusals.
        spent: what share of the time allowed is spent, where a clock leads.
        compiled: whether the compiled loop is used; by the rounds if not given. Where a clock leads and it was
            never compiled before, it is used only if it comes in time.
        long: whether there is time to load the loops that come with the compiler, about a second and a half.

    Raises:
        PartTooLarge: if a piece fits on no sheet.
        StockShort: if the sheets run out.
    """
    _refuse_impossible(problem, units)
    if problem.held:
        yield from _around(problem, rounds, stop, seed, units, spent, compiled, long)
        return
    worth = (rounds >= _WORTH_LOADING if compiled is None else compiled) and bool(problem.pieces)
    # The beam's loop is there at once where it was compiled before; otherwise only a search without a clock waits for it.
    patient = worth and (spent is None or COMPILED.beam is not None) and not COMPILED.failed
    # A short search of very many blanks begins with a beam, which takes less time than a plan that is thrown away.
    search = _Search(problem, Random(seed), COMPILED.beam if worth and spent is not None and not long else None)
    over, stop = stop, _earlier(stop, spent, worth and long and not search.far_too_many)
    if worth and not patient:
        COMPILED.start()
    yield Progress(0, rounds, search.planned())
    if not patient and (worth or not search.many) and search.sharpen(worth):
        yield Progress(0, rounds, search.planned())
    if (not patient or sides_are_rare(search.blanks)) and search.join(4, stop):
        yield Progress(0, rounds, search.planned())
    if not search.settled and not patient and not search.far_too_many and search.try_all_rules(stop):
        yield Progress(0, rounds, search.planned())
    done = 0
    if patient and COMPILED.beam is None:
        COMPILED.wait()
    if not worth or COMPILED.beam is None:
        for done, better in search.ruined(rounds, lambda: stop() or (worth and COMPILED.beam is not None)):
            if better:
                yield Progress(done, rounds, search.planned())
    beam = COMPILED.beam if worth else None
    if beam is not None and search.lays and not stop():
        share = spent or (lambda: min(1.0, done / rounds))
        others = COMPILED.wait if patient and long else lambda: COMPILED.loop
        anytime = Anytime(beam, others, search.beds, search.blanks, search.lays, problem.sawing.stages, seed)
        short = not long and len(problem.pieces) > _FEW_KINDS
        shown, bounded = 0.0, not patient or short
        while done < rounds and not stop() and not (search.settled and anytime.settled(share())):
            done += _A_STEP
            if not bounded and share() > _BOUND_FROM:
                bounded = True
                if search.sharpen(long, _BOUND_WORK if long else _BOUND_WORK // 10):
                    yield Progress(min(done, rounds), rounds, search.planned())
            if anytime.step(share(), search.bound.sheets):
                search.lays = anytime.lays
                if share() >= shown + (_SHOW_EVERY if search.many else _SHOW_OFTEN):
                    shown = share()
                    yield Progress(min(done, rounds), rounds, search.planned())
    search.cheapen(stop)
    if long or len(search.blanks) <= _FEW_BLANKS:
        search.simplify(over, rounds)
    yield Progress(rounds, rounds, search.planned())


def _at(step: Progress, made: Plan) -> Progress:
    """Return a step of the search with another plan."""
    return Progress(step.rounds, step.total, lambda: made)


def _around(
    problem: Problem, rounds: int, stop: Callable[[], bool], seed: int, units: Units,
    spent: Callable[[], float] | None, compiled: bool | None, long: bool,
) -> Iterator[Progress]:  # fmt: skip
    """Search around what is held.

    Where directions of cuts are limited, what is laid beside a held piece may ask for one more: then fewer are allowed
    there, and at last nothing is laid beside it.
    """
    stages = problem.sawing.stages
    fewer = [(stages, True), *((each, True) for each in range(stages - 1, 1, -1)), (stages, False)]
    for allowed, beside in fewer:
        around = Around(problem, beside)
        inner = replace(around.inner, sawing=replace(problem.sawing, stages=allowed))
        good = False
        for step in plan(inner, rounds, stop, seed, units, spent, compiled, long):
            whole = around.back(step.best)
            if check(whole):
                if not good:
                    break
                continue
            good = True
            yield _at(step, whole)
        if good:
            return
    _proved(whole)


def _earlier(stop: Callable[[], bool], spent: Callable[[], float] | None, worth: bool) -> Callable[[], bool]:
    """Return when to stop looking for better plans: where a clock leads, some time is left for simpler ones."""
    if spent is None or not worth:
        return stop
    return lambda: stop() or spent() > _SIMPLER_FROM


def _proved(made: Plan) -> Plan:
    """Return a plan that the checker has passed.

    Raises:
        AssertionError: if the search itself is at fault; such a plan is never shown.
    """
    faults = check(made)
    if faults:
        raise AssertionError("; ".join(faults))
    return made


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
    def __init__(self, problem: Problem, rng: Random, beam: Callable[..., float] | None = None) -> None:
        self.problem, self.rng = problem, rng
        self.beds, self.blanks = beds(problem), blanks(problem)
        self.smallest = min((min(blank.length, blank.width) for blank in self.blanks), default=1)
        self.rules = rules_for(problem.sawing.stages)
        self.bound = bound(problem)
        self.many = len(self.blanks) > MANY
        self.far_too_many = len(self.blanks) > 2 * MANY
        self._beam = beam
        self._planned: tuple[list[Lay], Plan] | None = None
        self.lays: list[Lay] = self._first()
        self.score: Score = score(self.lays)

    def _first(self) -> list[Lay]:
        if self.many and len(self.beds) == 1 and not self.problem.sawing.stages:
            if self._beam is not None:
                bed = self.beds[0]
                most = int(_SURELY * self.bound.by_area) + 3 if bed.count is None else bed.count
                lays = Layer(self._beam, True, 1).lay(self.blanks, [bed] * most, Beam(1, GUIDES - 1))
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
        hasty = self._beam is not None and self.far_too_many
        made = Plan(self.problem, laid if hasty else tuple(tidied(sheet, terms) for sheet in laid), known)
        if self.problem.blocks and check(made):
            # Pushing pieces together may have torn a block apart.
            together = {member.code for block in self.problem.blocks for member in block.members}
            sheets = (
                sheet if any(spot.code in together for spot in sheet.spots) else tidied(sheet, terms) for sheet in laid
            )
            made = Plan(self.problem, tuple(sheets), known)
        _proved(made)
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

    def sharpen(self, worth: bool, work: int = _BOUND_WORK) -> bool:
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
