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
    return max(chain, _by_hours(line, todo, now, tails))


def _by_hours(line: Timeline, todo: Sequence[Task], now: int, tails: Mapping[int, int]) -> int:
    """Return the minute before which there are not as many hours as all work, machine work and work of two ask for.

    Of any tasks that all have so much hanging on them the last is done no sooner than their work takes, and that follows; after
    Carlier, "The one-machine sequencing problem" (1982), cited from memory.
    """
    last = now
    # Its own waits but the last lie before its last work is done.
    behind = {
        task.n: tails[task.n] - sum(stage.minutes + stage.wait for stage in task.stages) + task.stages[-1].wait
        for task in todo
    }
    loud, two = [task for task in todo if task.machine], [task for task in todo if task.hands > 1]
    for rows, capacity in (
        (todo, line.hands),
        # One saw, and only while it may be heard.
        (loud, np.where(line.noisy, 1, 0)),
        (two, np.where(line.hands > 1, 2, 0)),
    ):
        there = np.cumsum(np.where(line.at >= now, capacity, 0)) * GRAIN
        wanted = 0
        for task in sorted(rows, key=lambda task: -behind[task.n]):
            wanted += task.minutes * (1 if rows is loud else task.hands)
            reached = int(np.searchsorted(there, wanted))
            if reached < len(line.at):
                last = max(last, int(line.at[reached]) + GRAIN + behind[task.n])
    return last
