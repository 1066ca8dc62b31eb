# SPDX-License-Identifier: GPL-3.0-or-later
"""The earliest anybody could end: by the longest chain with nobody in the way, and by the hours that work of each kind asks for."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np

from .durations import GRAIN
from .placing import Placing
from .task import Task
from .timeline import Timeline


def bound(line: Timeline, todo: Sequence[Task], earliest: Mapping[int, int], now: int, tails: Mapping[int, int]) -> int:
    """Return the minute before which the tasks cannot all be done, whatever their order.

    Args:
        line: the timeline.
        todo: the tasks, what each needs before it.
        earliest: from which minute on tasks may begin that wait for somebody.
        now: nothing begins before this minute.
        tails: how many minutes hang on each task.
    """
    if not todo:
        return now
    alone = Placing(line, earliest, now, crowd=False)
    for task in todo:
        alone.put(task)
    chain = max(each.free for each in alone.found.values())
    return max(chain, _by_hours(line, todo, now))


def _by_hours(line: Timeline, todo: Sequence[Task], now: int) -> int:
    """Return the minute by which there were as many hours as all work, noisy work and work of two ask for."""
    last = now
    for hands, noisy in ((1, False), (1, True), (2, False)):
        rows = [task for task in todo if task.hands >= hands and (task.noisy or not noisy)]
        wanted = sum(task.minutes * (task.hands if hands == 1 else 1) for task in rows)
        if not wanted:
            continue
        there = np.where(line.hands >= hands, line.hands if hands == 1 else 1, 0)
        there = np.where((line.at >= now) & (line.noisy | (not noisy)), there, 0)
        reached = int(np.searchsorted(np.cumsum(there) * GRAIN, wanted))
        if reached < len(line.at):
            # After the last of them it waits as long as whatever may come last waits at least.
            wait = min(sum(stage.wait for stage in task.stages[-1:]) for task in rows)
            last = max(last, int(line.at[reached]) + GRAIN + wait)
    return last
