# SPDX-License-Identifier: GPL-3.0-or-later
"""Background work: cut plans are searched in a process of their own.

The process yields every better plan as it finds it and stops when asked; the best plan so
far is kept. A kind of sheet whose problem did not change keeps its plan.
"""

from __future__ import annotations

import multiprocessing
from multiprocessing.connection import Connection

from PyQt6.QtCore import QObject, QSocketNotifier, QTimer, pyqtSignal

from ..core.cuts.plan import Plan
from ..core.cuts.problem import Problem
from ..core.cuts.search.compiled import COMPILED
from ..core.cuts.search.planner import last, plan
from ..core.errors import AbleBoxError

ROUNDS = 1_500
_WAIT_MS = 120


def work(connection: Connection) -> None:
    """Run in the other process: take jobs, send every better plan, stop when another job comes."""
    COMPILED.start()
    while True:
        try:
            job, problems, rounds = connection.recv()
        except (EOFError, OSError, KeyboardInterrupt):
            return
        try:
            for code, problem in problems:
                if not _one(connection, job, code, problem, rounds):
                    break
            connection.send((job, "", None, 1.0, ""))
        except (BrokenPipeError, OSError):
            return


def _one(connection: Connection, job: int, code: str, problem: Problem, rounds: int) -> bool:
    try:
        for step in plan(problem, rounds, connection.poll):
            connection.send((job, code, step.best, step.rounds / max(1, step.total), ""))
    except AbleBoxError as fault:
        connection.send((job, code, None, 1.0, str(fault)))
    return not connection.poll()


class Planner(QObject):
    """Keeps the plans of the open project.

    Args:
        rounds: of search for each kind of sheet.
    """

    #: Plans or progress changed.
    changed = pyqtSignal()

    def __init__(self, rounds: int = ROUNDS) -> None:
        super().__init__()
        self.plans: dict[str, Plan] = {}
        self.faults: dict[str, str] = {}
        self.running = False
        self.progress = 0.0
        self._rounds = rounds
        self._problems: dict[str, Problem] = {}
        self._finished: set[str] = set()
        self._job = 0
        self._process: multiprocessing.process.BaseProcess | None = None
        self._connection: Connection | None = None
        self._notifier: QSocketNotifier | None = None
        self._timer = QTimer(self)
        self._timer.setSingleShot(True)
        self._timer.timeout.connect(self._start)

    def want(self, problems: dict[str, Problem]) -> None:
        """Plan these problems; the ones that are as before keep their plans."""
        kept = {code for code, problem in problems.items() if self._problems.get(code) == problem}
        self.plans = {code: found for code, found in self.plans.items() if code in kept}
        self.faults = {code: fault for code, fault in self.faults.items() if code in kept}
        self._finished &= kept
        self._problems = dict(problems)
        if set(problems) - self._finished:
            self.running = True
            self._timer.start(_WAIT_MS)
        else:
            self.running = False
        self.changed.emit()

    def again(self) -> None:
        """Search once more from the start."""
        self._finished.clear()
        self.want(self._problems)

    def cancel(self) -> None:
        """Stop searching and keep the best plans so far."""
        self._timer.stop()
        self._job += 1
        if self._connection is not None and self.running:
            self._connection.send((self._job, [], 0))
        self._finished |= set(self.plans)
        self.running = False
        self.changed.emit()

    def _start(self) -> None:
        if self._connection is None:
            self._begin_process()
        assert self._connection is not None
        self._job += 1
        self.progress = 0.0
        open_problems = [(code, p) for code, p in self._problems.items() if code not in self._finished]
        self._connection.send((self._job, open_problems, self._rounds))

    def _begin_process(self) -> None:
        context = multiprocessing.get_context("spawn")
        ours, theirs = context.Pipe()
        self._process = context.Process(target=work, args=(theirs,), daemon=True, name="ablebox cut planner")
        self._process.start()
        theirs.close()
        self._connection = ours
        self._notifier = QSocketNotifier(ours.fileno(), QSocketNotifier.Type.Read, self)
        self._notifier.activated.connect(self._read)

    def _read(self) -> None:
        assert self._connection is not None
        told = False
        while self._connection is not None and self._connection.poll():
            try:
                job, code, found, progress, fault = self._connection.recv()
            except (EOFError, OSError):
                self._lost()
                break
            if job == self._job:
                self._take(code, found, progress, fault)
                told = True
        if told:
            self.changed.emit()

    def _take(self, code: str, found: Plan | None, progress: float, fault: str) -> None:
        if not code:
            self.running = False
            self._finished |= set(self.plans) | set(self.faults)
        elif found is not None:
            self.plans[code] = found
            self.faults.pop(code, None)
        elif fault:
            self.faults[code] = fault
        self.progress = progress

    def _lost(self) -> None:
        """The process has died: say so, and begin another one for the next plan."""
        if self._notifier is not None:
            self._notifier.setEnabled(False)
        self._connection, self._notifier, self._process = None, None, None
        self.running = False
        self.faults["planner"] = "The cut planner stopped by itself. Plan again from the Sheets stage."
        self.changed.emit()

    def close(self) -> None:
        """End the other process."""
        self._timer.stop()
        if self._notifier is not None:
            self._notifier.setEnabled(False)
        if self._connection is not None:
            self._connection.close()
            self._connection = None
        if self._process is not None:
            self._process.terminate()
            self._process.join(2)
            self._process = None


class InstantPlanner(Planner):
    """Plans at once and in this process: for pictures and tests."""

    def _start(self) -> None:
        for code, problem in self._problems.items():
            if code not in self._finished:
                try:
                    self.plans[code] = last(problem, self._rounds)
                except AbleBoxError as fault:
                    self.faults[code] = str(fault)
        self._finished |= set(self._problems)
        self.running, self.progress = False, 1.0
        self.changed.emit()

    def want(self, problems: dict[str, Problem]) -> None:
        """Plan these problems before returning."""
        super().want(problems)
        if self._timer.isActive():
            self._timer.stop()
            self._start()
