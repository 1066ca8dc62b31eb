# SPDX-License-Identifier: GPL-3.0-or-later
"""A process beside the window that searches for cut plans.

It yields every better plan as it finds it and stops when asked; a new job takes the place of an old one.
"""

from __future__ import annotations

import multiprocessing
from dataclasses import dataclass
from multiprocessing.connection import Connection

from PyQt6.QtCore import QObject, QSocketNotifier, pyqtSignal

from ..core.cuts.plan import Plan
from ..core.cuts.problem import Problem
from ..core.cuts.search.compiled import COMPILED
from ..core.cuts.search.planner import plan
from ..core.errors import AbleBoxError


@dataclass(frozen=True, slots=True)
class Told:
    """What the process says.

    Args:
        job: of which job.
        code: of the kind of sheet; empty when the whole job is done.
        plan: the best plan so far; ``None`` if there is none.
        progress: how much of its search is over, from 0 to 1.
        fault: why there is no plan.
    """

    job: int
    code: str = ""
    plan: Plan | None = None
    progress: float = 1.0
    fault: str = ""


def work(connection: Connection) -> None:
    """Run in the other process: take jobs, send every better plan, stop when another job comes."""
    COMPILED.start()
    while True:
        try:
            job, problems, rounds, seed = connection.recv()
        except (EOFError, OSError, KeyboardInterrupt):
            return
        try:
            for code, problem in problems:
                if not _one(connection, job, code, problem, rounds, seed):
                    break
            connection.send(Told(job))
        except (BrokenPipeError, OSError):
            return


def _one(connection: Connection, job: int, code: str, problem: Problem, rounds: int, seed: int) -> bool:
    try:
        for step in plan(problem, rounds, connection.poll, seed):
            connection.send(Told(job, code, step.best, step.rounds / max(1, step.total)))
    except AbleBoxError as fault:
        connection.send(Told(job, code, fault=str(fault)))
    return not connection.poll()


class PlanningProcess(QObject):
    """The window's end of one such process; it begins with its first job."""

    #: Something was told.
    told = pyqtSignal(object)
    #: The process has died.
    lost = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self.process: multiprocessing.process.BaseProcess | None = None
        self._connection: Connection | None = None
        self._notifier: QSocketNotifier | None = None

    def send(self, job: int, problems: list[tuple[str, Problem]], rounds: int, seed: int) -> None:
        """Give it a job, in the place of the one it has."""
        if self._connection is None:
            self._begin()
        assert self._connection is not None
        try:
            self._connection.send((job, problems, rounds, seed))
        except OSError:
            # It has died and nobody has heard of it yet.
            self._forget()

    def stop(self, job: int) -> None:
        """Let it stop what it does, if it does anything."""
        if self._connection is not None:
            try:
                self._connection.send((job, [], 0, 0))
            except OSError:
                self._forget()

    def _begin(self) -> None:
        context = multiprocessing.get_context("spawn")
        ours, theirs = context.Pipe()
        self.process = context.Process(target=work, args=(theirs,), daemon=True, name="ablebox cut planner")
        self.process.start()
        theirs.close()
        self._connection = ours
        self._notifier = QSocketNotifier(ours.fileno(), QSocketNotifier.Type.Read, self)  # type: ignore[call-overload]
        self._notifier.activated.connect(self._read)

    def _read(self) -> None:
        while self._connection is not None and self._connection.poll():
            try:
                self.told.emit(self._connection.recv())
            except (EOFError, OSError):
                self._forget()

    def _forget(self) -> None:
        """The process has died: begin another one with the next job."""
        if self._notifier is not None:
            self._notifier.setEnabled(False)
        self._connection, self._notifier, self.process = None, None, None
        self.lost.emit()

    def close(self) -> None:
        """End the process."""
        if self._notifier is not None:
            self._notifier.setEnabled(False)
        if self._connection is not None:
            self._connection.close()
            self._connection = None
        if self.process is not None:
            self.process.terminate()
            self.process.join(2)
            self.process = None
