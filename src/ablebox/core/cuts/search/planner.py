# SPDX-License-Identifier: GPL-3.0-or-later
"""Anytime search for a cut plan.

A first plan comes at once; then the compiled loops take over (``anytime``). Where they are not there yet, or in short
searches, every construction rule is tried with every sort order, equal sides are joined, and a few sheets at a time
are taken apart and laid anew (``plain``). At the end sheets become cheaper and simpler to cut.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import replace
from functools import cached_property
from random import Random

from ...errors import PartTooLarge
from ...lengths import Length
from ...units import System, Units
from ..checker import check
from ..plan import Plan
from ..problem import Block, Piece, Problem
from .anytime import Anytime
from .around import Around
from .compiled import COMPILED
from .joining import sides_are_rare
from .plain import BOUND_WORK, Plain, proved

_MM = Units(System.MM)

#: Rounds from which on it pays to wait for the compiled loop, and how many of them one step of it counts for.
_WORTH_LOADING, _A_STEP = 1_000, 10
#: From this share of the search on the best bound is looked for, where the plan is not proven yet.
_BOUND_FROM = 0.3
#: The shares between which prices of patterns are looked at, where one sheet is missing to a proof.
_PATTERNS_FROM, _PATTERNS_TO = 0.75, 0.9
#: In a second there is time for a bound of so few kinds, and to make sheets with so few blanks simpler to cut.
_FEW_KINDS, _FEW_BLANKS = 40, 60
#: A better plan is shown when so much more of the search is over; of many blanks, of few.
_SHOW_EVERY, _SHOW_OFTEN = 0.08, 0.02
#: Share of a long search from which on the plan is only made simpler to cut.
_SIMPLER_FROM = 0.92


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
        long: whether there is time for the best bound, and to make long lists simpler to cut.

    Raises:
        PartTooLarge: if a piece fits on no sheet.
        StockShort: if the sheets run out.
    """
    _refuse_impossible(problem, units)
    if problem.held:
        yield from _around(problem, rounds, stop, seed, units, spent, compiled, long)
        return
    worth = (rounds >= _WORTH_LOADING if compiled is None else compiled) and bool(problem.pieces)
    # The loops are there at once where they were compiled before; otherwise only a search without a clock waits for them.
    patient = worth and (spent is None or COMPILED.loops is not None) and not COMPILED.failed
    # A short search of very many blanks begins with a beam, which takes less time than a plan that is thrown away.
    lay = COMPILED.loops.lay if worth and COMPILED.loops is not None and spent is not None and not long else None
    search = Plain(problem, Random(seed), lay)
    over, stop = stop, _earlier(stop, spent, worth and long and not search.far_too_many)
    if worth and not patient:
        COMPILED.start()
    yield Progress(0, rounds, search.planned())
    if not patient and (worth or not search.many) and search.sharpen(worth):
        yield Progress(0, rounds, search.planned())
    if (not patient or (long and sides_are_rare(search.blanks))) and search.join(4, stop):
        yield Progress(0, rounds, search.planned())
    if not search.settled and not patient and not search.far_too_many and search.try_all_rules(stop):
        yield Progress(0, rounds, search.planned())
    done = 0
    if patient:
        COMPILED.wait()
    if not worth or COMPILED.loops is None:
        for done, better in search.ruined(rounds, lambda: stop() or (worth and COMPILED.loops is not None)):
            if better:
                yield Progress(done, rounds, search.planned())
    loops = COMPILED.loops if worth else None
    if loops is not None and search.lays and not stop():
        share = spent or (lambda: min(1.0, done / rounds))
        anytime = Anytime(loops, search.beds, search.blanks, search.lays, problem.sawing.stages, seed, not long)
        short = not long and len(problem.pieces) > _FEW_KINDS
        shown, bounded, by_patterns = 0.0, not patient or short, False
        while done < rounds and not stop() and not (search.settled and anytime.settled(share())):
            done += _A_STEP
            if not bounded and share() > _BOUND_FROM:
                bounded = True
                if search.sharpen(long, BOUND_WORK if long else BOUND_WORK // 10):
                    yield Progress(min(done, rounds), rounds, search.planned())
            if long and not by_patterns and share() > _PATTERNS_FROM:
                by_patterns = True
                if search.sharpen_by_patterns(loops.worth, lambda: stop() or share() > _PATTERNS_TO):
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
    proved(whole)


def _earlier(stop: Callable[[], bool], spent: Callable[[], float] | None, worth: bool) -> Callable[[], bool]:
    """Return when to stop looking for better plans: where a clock leads, some time is left for simpler ones."""
    if spent is None or not worth:
        return stop
    return lambda: stop() or spent() > _SIMPLER_FROM


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
