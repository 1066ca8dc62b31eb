# SPDX-License-Identifier: GPL-3.0-or-later
"""A plan of days: where each task is, when all is done, what decides that, and what can be begun at a moment."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date, datetime

from .placing import Placed
from .task import Task
from .timeline import Timeline


@dataclass(frozen=True, slots=True)
class Late:
    """Something that cannot be done by the time somebody comes.

    Args:
        what: who or what comes.
        n: the step that is not done by then.
    """

    what: str
    n: int


@dataclass(frozen=True)
class Plan:
    """A plan of days.

    Args:
        line: the time it lies in.
        tasks: what is planned, by number.
        placed: where each task is, by number.
        least: the minute before which nobody could end.
        late: what others wait for in vain.
    """

    line: Timeline
    tasks: Mapping[int, Task]
    placed: Mapping[int, Placed]
    least: int
    late: tuple[Late, ...]

    @property
    def end(self) -> datetime:
        """When all is done, its last waiting with it."""
        return self.line.moment(max((each.free for each in self.placed.values()), default=0))

    @property
    def bound(self) -> datetime:
        """The time before which nobody could end."""
        return self.line.moment(self.least)

    def on(self, day: date) -> list[int]:
        """Return the numbers of the tasks of a day, in their order."""
        first = self.line.minute(datetime.combine(day, datetime.min.time()))
        rows = [
            (start, n) for n, each in self.placed.items() for start, _ in each.parts if first <= start < first + 1_440
        ]
        return list(dict.fromkeys(n for _, n in sorted(rows)))

    def decides(self) -> list[int]:
        """Return the tasks that decide the end: the last, what it waited for, and so on to the first."""
        if not self.placed:
            return []
        found = [max(self.placed, key=lambda n: self.placed[n].free)]
        while True:
            task, start = self.tasks[found[-1]], self.placed[found[-1]].start
            before = [n for n in task.needs if n in self.placed]
            held = [n for n in before if self.placed[n].free == max(self.placed[k].free for k in before)]
            beside = [n for n, each in self.placed.items() if each.end <= start and n not in found]
            last = max(held, key=lambda n: self.placed[n].free, default=None)
            worked = max(beside, key=lambda n: self.placed[n].end, default=None)
            if last is not None and (worked is None or self.placed[last].free >= self.placed[worked].end):
                found.append(last)
            elif worked is not None:
                found.append(worked)
            else:
                return found[::-1]

    def longest(self, count: int) -> list[int]:
        """Return those of the tasks that decide the end that take longest, waiting with it, in their order."""
        rows = self.decides()
        most = sorted(rows, key=lambda n: self.placed[n].start - self.placed[n].free)[:count]
        return [n for n in rows if n in most]

    def at_hand(self, now: datetime, minutes: int) -> list[int]:
        """Return what can be begun now and done in so many minutes, the most urgent first."""
        at = self.line.minute(now)
        loud, celsius = self.line.book.noise.allowed(now), self.line.book.warmth.on(now.date())[0]
        load = self.line.book.glue.load
        found = []
        for n, task in self.tasks.items():
            ready = all(k not in self.placed or self.placed[k].free <= at for k in task.needs)
            warm = all(stage.least is None or celsius >= stage.least for stage in task.stages)
            bears = all(k not in self.placed or self.placed[k].end + load <= at for k in task.loads)
            if ready and bears and warm and task.hands == 1 and task.minutes <= minutes and (loud or not task.noisy):
                found.append(n)
        return sorted(found, key=lambda n: self.placed[n].start)
