# SPDX-License-Identifier: GPL-3.0-or-later
"""Puts tasks into hours one after another, each as early as it can be: the serial scheme of scheduling with limited resources.

After Kolisch and Hartmann's surveys of the project scheduling problem, cited from memory.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from .durations import GRAIN, in_grains
from .task import Stage, Task
from .timeline import DAY, Mask, NoHours, Timeline


@dataclass(frozen=True, slots=True)
class Placed:
    """Where a task is.

    Args:
        parts: its stretches as first and last minute, from the first midnight on.
        free: from when on what comes after it may begin.
    """

    parts: tuple[tuple[int, int], ...]
    free: int

    @property
    def start(self) -> int:
        """The minute it begins."""
        return self.parts[0][0]

    @property
    def end(self) -> int:
        """The minute its work ends."""
        return self.parts[-1][1]


class Placing:
    """Puts tasks into a timeline.

    Args:
        line: the timeline.
        earliest: of tasks that wait for somebody or something, from which minute on, by number.
        now: nothing begins before this minute.
        crowd: whether others are in the way; without, each stands for itself, as a bound wants it.
    """

    def __init__(self, line: Timeline, earliest: Mapping[int, int], now: int = 0, crowd: bool = True) -> None:
        self.line, self.earliest, self.now, self.crowd = line, earliest, now, crowd
        self.left = line.hands.copy()
        #: Whether the machines are free in each slot.
        self.machines = np.ones(len(line.at), np.bool_)
        self.found: dict[int, Placed] = {}
        self._fit: dict[tuple[int, bool, int | None], Mask] = {}

    def put(self, task: Task, rather: int = 0) -> Placed:
        """Put a task in as early as it can be.

        Args:
            task: the task; what it needs is in already.
            rather: a minute before which it is not put.

        Raises:
            NoHours: if there is no room for it in the timeline.
        """
        at = max(self.now, rather, self.earliest.get(task.n, 0), *(self.found[n].free for n in task.needs), 0)
        # Glue that holds is not yet glue that bears.
        at = max([at, *(self.found[n].end + self.line.book.glue.load for n in task.loads if n in self.found)])
        if task.day is not None:
            at = max(at, (task.day - self.line.first).days * DAY)
        parts: list[tuple[int, int]] = []
        for stage in task.stages:
            mine, free = self._stage(task, stage, at)
            parts += mine
            at = free
        made = Placed(tuple(parts), at)
        self.found[task.n] = made
        return made

    def _stage(self, task: Task, stage: Stage, at: int) -> tuple[list[tuple[int, int]], int]:
        fit = self._fits(task.hands, task.noisy, stage.least)
        slots = np.flatnonzero(fit)
        first = int(np.searchsorted(self.line.at[slots], at))
        count = max(1, stage.minutes // GRAIN)
        slots = slots[first:]
        if len(slots) < count:
            raise NoHours(f"No hours are left for step {task.n}.")
        starts = np.arange(len(slots) - count + 1)
        good = np.ones(len(starts), np.bool_)
        if self.crowd:
            there = self.left[slots] >= task.hands
            if task.machine:
                there = there & self.machines[slots]
            free = np.concatenate([[0], np.cumsum(there)])
            good &= free[count:] - free[:-count] == count
        if stage.whole:
            times = self.line.at[slots]
            good &= times[count - 1 :] - times[: len(starts)] == (count - 1) * GRAIN
        for i in np.flatnonzero(good):
            mine = slots[i : i + count]
            end = int(self.line.at[mine[-1]]) + GRAIN
            wait = self._wait(stage, end)
            if stage.least is None or self.line.coldest(int(self.line.at[mine[0]]), end + wait) >= stage.least:
                if self.crowd:
                    self.left[mine] -= task.hands
                    self.machines[mine] &= not task.machine
                return _runs(self.line.at[mine].tolist()), end + wait
        raise NoHours(f"No hours are left for step {task.n}: none long or warm enough.")

    def _wait(self, stage: Stage, end: int) -> int:
        """Return how long a stretch waits: glue longer in the cold."""
        if not stage.glue:
            return stage.wait
        return in_grains(self.line.book.glue.clamped(self.line.coldest(end, end + stage.wait)))

    def _fits(self, hands: int, noisy: bool, least: int | None) -> Mask:
        """Return in which slots work of a kind can be done at all."""
        key = hands, noisy, least
        if key not in self._fit:
            fit = self.line.hands >= hands
            if noisy:
                fit = fit & self.line.noisy
            if least is not None:
                fit = fit & (self.line.celsius >= least)
            self._fit[key] = fit
        return self._fit[key]


def _runs(minutes: Sequence[int]) -> list[tuple[int, int]]:
    """Return slots as stretches without a break."""
    found: list[tuple[int, int]] = []
    for minute in minutes:
        if found and found[-1][1] == minute:
            found[-1] = found[-1][0], minute + GRAIN
        else:
            found.append((minute, minute + GRAIN))
    return found


def serial(placing: Placing, order: Iterable[Task]) -> dict[int, Placed]:
    """Put tasks in, in an order in which what each needs comes before it."""
    for task in order:
        placing.put(task)
    return placing.found
