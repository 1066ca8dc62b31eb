# SPDX-License-Identifier: GPL-3.0-or-later
"""Background work: cut plans are searched in processes of their own, one for each core there is, two at most.

The best plan so far is always at hand. A kind of sheet whose problem did not change keeps its plan.
"""

from __future__ import annotations

import logging
import os
from dataclasses import replace
from functools import partial

from PyQt6.QtCore import QObject, QTimer, pyqtSignal

from ..core.cuts.adopted import adopted, allowed
from ..core.cuts.bound import better
from ..core.cuts.plan import Plan
from ..core.cuts.problem import Problem
from ..core.cuts.saw_order import worth
from ..core.cuts.search.planner import last
from ..core.cuts.search.planner import plan as planned
from ..core.errors import AbleBoxError
from .planning_process import PlanningProcess, Told

ROUNDS = 1_500
_WAIT_MS = 120
#: Plans kept of what was wanted before.
_REMEMBERED = 24
#: What lies between the seeds of two that search the same kind of sheet.
_APART = 1_000
#: Processes that search at the same time, each with other kinds of sheet.
_PROCESSES = max(1, min(2, os.cpu_count() or 1))


#: How often a process that died is begun again, and rounds of search in this one after that.
_TRIES, _QUICK_ROUNDS = 1, 20
_LOG = logging.getLogger("ablebox.planner")


class Planner(QObject):
    """Keeps the plans of the open project.

    Args:
        rounds: of search for each kind of sheet.
    """

    #: Plans or progress changed.
    changed = pyqtSignal()
    #: Something that is told once: a sentence.
    told_once = pyqtSignal(str)

    def __init__(self, rounds: int = ROUNDS) -> None:
        super().__init__()
        self.plans: dict[str, Plan] = {}
        self.faults: dict[str, str] = {}
        self.running = False
        self._rounds = rounds
        self._problems: dict[str, Problem] = {}
        self._finished: set[str] = set()
        self._earlier: list[Plan] = []
        self._offered: dict[str, Plan] = {}
        self._losses = 0
        self._seed = 1
        self._job = 0
        self._processes: list[PlanningProcess] = []
        self._busy = 0
        self._shares: dict[str, float] = {}
        self._timer = QTimer(self)
        self._timer.setSingleShot(True)
        self._timer.timeout.connect(self._start)

    def want(self, problems: dict[str, Problem]) -> None:
        """Plan these problems; the ones that are as before keep their plans, and so do those planned before."""
        kept = {code for code, problem in problems.items() if self._problems.get(code) == problem}
        before, self.plans = self.plans, {code: found for code, found in self.plans.items() if code in kept}
        self.faults = {code: fault for code, fault in self.faults.items() if code in kept}
        self._finished &= kept
        for code in set(problems) - kept:
            found = self._known(problems[code], self._offered.pop(code, None), before.get(code))
            if found is not None:
                self.plans[code] = found
                self._finished.add(code)
                continue
            # What could be cut with less freedom still can: the search has to find something better.
            rivals = [
                plan
                for plan in map(partial(allowed, problems[code]), [*self._earlier, before.get(code)])
                if plan is not None
            ]
            if rivals:
                self.plans[code] = min(rivals, key=worth)
        self._problems = dict(problems)
        if set(problems) - self._finished:
            self.running = True
            self._timer.start(_WAIT_MS)
        else:
            self.running = False
        self.changed.emit()

    def offer(self, code: str, plan: Plan) -> None:
        """Offer a plan made by hand for what is going to be wanted next of a kind of sheet."""
        self._offered[code] = plan

    def _known(self, problem: Problem, *others: Plan | None) -> Plan | None:
        """Return a finished plan for a problem: one made for it before, or one that differs in what is held only."""
        for plan in self._earlier:
            if plan.problem == problem:
                return plan
        found = (adopted(plan, problem) for plan in others if plan is not None)
        return next((plan for plan in found if plan is not None), None)

    def _remember(self) -> None:
        """Keep finished plans for a while, so that undo shows them at once."""
        done = [plan for code, plan in self.plans.items() if code in self._finished]
        older = [plan for plan in self._earlier if all(plan is not each for each in done)]
        self._earlier = [*done, *older][:_REMEMBERED]

    def put(self, code: str, plan: Plan) -> None:
        """Put another plan for the same problem in the place of the one at hand."""
        if self._problems.get(code) == plan.problem:
            self.plans[code] = plan
            self._finished.add(code)
            self._remember()
            self.changed.emit()

    def again(self) -> None:
        """Search once more, from another beginning; the better plan is kept."""
        self._seed += 1
        self._finished.clear()
        self._earlier.clear()
        self.faults.clear()
        self.running = True
        self._timer.start(_WAIT_MS)
        self.changed.emit()

    def cancel(self) -> None:
        """Stop searching and keep the best plans so far."""
        self._timer.stop()
        self._job += 1
        if self.running:
            for process in self._processes:
                process.stop(self._job)
        self._finished |= set(self.plans)
        self.running = False
        self.changed.emit()

    def _start(self) -> None:
        self._job += 1
        wanted = [(code, p) for code, p in self._problems.items() if code not in self._finished]
        # The largest first, each to the process with least to do.
        wanted.sort(key=lambda row: -sum(piece.count for piece in row[1].pieces))
        shares: list[list[tuple[str, Problem]]] = [[] for _ in range(min(len(wanted), _PROCESSES))]
        for row in wanted:
            min(shares, key=len).append(row)
        if len(shares) == 1 and _PROCESSES > 1:
            # One kind of sheet only: two search it, each in its own way, and the better plan is kept.
            shares.append(list(shares[0]))
        while len(self._processes) < len(shares):
            process = PlanningProcess()
            process.told.connect(self._take)
            process.lost.connect(self._lost)
            self._processes.append(process)
        self._busy = len(shares)
        self._shares = {code: 0.0 for code, _ in wanted}
        for at, (process, share) in enumerate(zip(self._processes, shares, strict=False)):
            process.send(self._job, share, self._rounds, self._seed + at * _APART)
        for process in self._processes[len(shares) :]:
            process.stop(self._job - 1)

    @property
    def progress(self) -> float:
        """How much of the search is over, from 0 to 1."""
        return sum(self._shares.values()) / len(self._shares) if self._shares else 1.0

    def _take(self, told: Told) -> None:
        if told.job != self._job:
            return
        if not told.code:
            self._busy -= 1
            if self._busy <= 0:
                self.running = False
                self._finished |= set(self.plans) | set(self.faults)
                self._remember()
        elif told.plan is not None:
            self._keep(told.code, told.plan)
            self.faults.pop(told.code, None)
        elif told.fault:
            self.faults[told.code] = told.fault
        if told.code:
            self._shares[told.code] = told.progress
        self.changed.emit()

    def _keep(self, code: str, found: Plan) -> None:
        """Keep a plan if it is better than the one at hand, or says more of how few sheets there can be."""
        old = self.plans.get(code)
        if old is not None and old.problem == found.problem:
            if old.bound != found.bound:
                old = replace(old, bound=better(old.bound, found.bound))
            if worth(old) <= worth(found):
                found = old
        self.plans[code] = found

    def _lost(self) -> None:
        """A process has died: try once more; after that plan in this one, quicker and not so well."""
        self._losses += 1
        _LOG.error("the cut planner's process died (%d)", self._losses)
        if self._losses <= _TRIES:
            self._start()
            return
        if self._losses == _TRIES + 1:
            self.told_once.emit(
                "The cut planner stopped by itself: sheets are planned quicker from here on, and may be one more."
            )
        self._plan_here()

    def _plan_here(self) -> None:
        """Plan what is wanted in this process, in few rounds."""
        for code, problem in self._problems.items():
            if code in self._finished:
                continue
            try:
                for step in planned(problem, _QUICK_ROUNDS, lambda: False):
                    self._keep(code, step.best)
                self.faults.pop(code, None)
            except AbleBoxError as fault:
                self.faults[code] = str(fault)
        self._finished |= set(self.plans) | set(self.faults)
        self.running = False
        self._remember()
        self.changed.emit()

    def close(self) -> None:
        """End the other processes."""
        self._timer.stop()
        for process in self._processes:
            process.close()
        self._processes.clear()


class InstantPlanner(Planner):
    """Plans at once and in this process: for pictures and tests."""

    def _start(self) -> None:
        for code, problem in self._problems.items():
            if code not in self._finished:
                try:
                    self._keep(code, last(problem, self._rounds, seed=self._seed))
                except AbleBoxError as fault:
                    self.faults[code] = str(fault)
        self._finished |= set(self._problems)
        self._remember()
        self.running = False
        self.changed.emit()

    def want(self, problems: dict[str, Problem]) -> None:
        """Plan these problems before returning."""
        super().want(problems)
        if self._timer.isActive():
            self._timer.stop()
            self._start()

    def again(self) -> None:
        """Search once more before returning."""
        super().again()
        self._timer.stop()
        self._start()
