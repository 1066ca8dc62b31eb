# SPDX-License-Identifier: GPL-3.0-or-later
"""Looks for a plan of days: many orders of tasks tried, held against a bound, and steady when something slips."""

from __future__ import annotations

import heapq
from collections.abc import Callable, Mapping, Sequence
from datetime import datetime
from random import Random

from ..bench.bench import Bench
from ..days.book import DaysBook
from .bound import bound
from .placing import Placed, Placing
from .plan import Late, Plan
from .task import Task, tasks
from .timeline import DAY, NoHours, Timeline

#: How many orders are tried, and the days of a timeline at first and at most (of our own).
_TRIES, _FIRST_DAYS, _MOST_DAYS = 24, 60, 1_500
#: What somebody waits for comes before all else.
_DUE = 1e7


def plan_of(bench: Bench, now: datetime, afresh: bool = False, tries: int = _TRIES) -> Plan:
    """Return the plan of a job from a time on.

    Where days were laid out before, what has not begun stays where it was as far as that can be; afresh it does not.

    Args:
        bench: the steps.
        now: the time.
        afresh: whether what was laid out before is forgotten.
        tries: how many orders are tried.

    Raises:
        NoHours: if there are no hours in which all of it can be done.
    """
    book, todo = bench.made.project.days, tasks(bench)
    days = _FIRST_DAYS
    while True:
        line = Timeline(book, now.date(), days)
        try:
            return _planned(line, book, todo, line.minute(now), {} if afresh else book.laid, tries)
        except NoHours:
            days *= 3
            if days > _MOST_DAYS:
                raise


def _planned(
    line: Timeline, book: DaysBook, todo: Sequence[Task], now: int, laid: Mapping[str, datetime], tries: int
) -> Plan:
    earliest = _earliest(book, todo, line)
    tails = tails_of(todo)
    due = _due(book, todo, line)
    before = {task.n: line.minute(laid[task.places[0]]) for task in todo if task.places and task.places[0] in laid}

    def placed(rank: Callable[[Task], tuple[float, ...]]) -> dict[int, Placed]:
        placing = Placing(line, earliest, now)
        for task in _in_order(todo, rank):
            placing.put(task, max(0, before.get(task.n, 0)))
        return placing.found

    def cost(found: Mapping[int, Placed]) -> tuple[int, int, int]:
        late = sum(max(0, found[n].free - by) for n, by in due.items() if n in found)
        return (
            late,
            max((each.free for each in found.values()), default=now),
            sum(each.start for each in found.values()),
        )

    if before:
        # As laid, what slipped first of all; or what does not hang on it first, so that it keeps its place.
        shaken = _shaken(todo, before, now)
        ways = [placed(lambda task: (before.get(task.n, 10**9), task.n))]
        ways.append(placed(lambda task: (task.n in shaken, before.get(task.n, 10**9), task.n)))
        # What is put on in coats goes round what was laid between them.
        ways.append(placed(lambda task: (before.get(task.n, 10**9) + (len(task.stages) > 1) * task.minutes, task.n)))
        ways.append(placed(lambda task: (len(task.stages) > 1, before.get(task.n, 10**9), task.n)))

        def unsteady(found: Mapping[int, Placed]) -> tuple[int, int, int, int]:
            late, end, _ = cost(found)
            moved = [(found[n].start, at) for n, at in before.items()]
            days = sum(start // DAY != at // DAY for start, at in moved)
            return late, days, sum(start != at for start, at in moved), end

        best = min(ways, key=unsteady)
    else:
        rng = Random(1)
        best = placed(lambda task: (due.get(task.n, 10**9), -tails[task.n], task.n))
        for one in range(tries):
            spread = 0.0 if one == 0 else 0.1 + 0.4 * one / tries
            noise = {task.n: 1 + rng.gauss(0.0, spread) for task in todo}

            def rank(task: Task, noise: Mapping[int, float] = noise) -> tuple[float, ...]:
                return -tails[task.n] * noise[task.n] - _DUE * (task.n in due), task.n

            found = placed(rank)
            best = min(best, found, key=cost)
    least = bound(line, todo, earliest, now, tails)
    rows = tuple(
        Late(other.what, task.n) for other in book.others for task in todo
        if set(other.before) & set(task.places) and best[task.n].free > line.minute(other.at)
    )  # fmt: skip
    return Plan(line, {task.n: task for task in todo}, best, least, rows)


def _shaken(todo: Sequence[Task], before: Mapping[int, int], now: int) -> set[int]:
    """Return the tasks that were to begin before now and did not get done, and all that hangs on them."""
    found: set[int] = set()
    for task in todo:
        if before.get(task.n, now) < now or found & set(task.needs):
            found.add(task.n)
    return found


def _in_order(todo: Sequence[Task], rank: Callable[[Task], tuple[float, ...]]) -> list[Task]:
    """Return tasks so that what each needs comes before it, the lowest rank first."""
    there = {task.n: task for task in todo}
    waits = {task.n: sum(n in there for n in task.needs) for task in todo}
    after: dict[int, list[int]] = {}
    for task in todo:
        for n in task.needs:
            after.setdefault(n, []).append(task.n)
    heap = [(rank(task), task.n) for task in todo if not waits[task.n]]
    heapq.heapify(heap)
    found = []
    while heap:
        _, n = heapq.heappop(heap)
        found.append(there[n])
        for then in after.get(n, ()):
            waits[then] -= 1
            if not waits[then]:
                heapq.heappush(heap, (rank(there[then]), then))
    return found


def tails_of(todo: Sequence[Task]) -> dict[int, int]:
    """Return how many minutes of work and waiting hang on each task, itself included."""
    found: dict[int, int] = {}
    after: dict[int, list[int]] = {}
    for task in todo:
        for n in task.needs:
            after.setdefault(n, []).append(task.n)
    for task in sorted(todo, key=lambda task: -task.n):
        own = sum(stage.minutes + stage.wait for stage in task.stages)
        found[task.n] = own + max((found.get(n, 0) for n in after.get(task.n, ())), default=0)
    return found


def _earliest(book: DaysBook, todo: Sequence[Task], line: Timeline) -> dict[int, int]:
    """Return from when on tasks may begin that wait for somebody or something."""
    found: dict[int, int] = {}
    for other in book.others:
        for task in todo:
            if set(other.after) & set(task.places):
                found[task.n] = max(found.get(task.n, 0), line.minute(other.at))
    return found


def _due(book: DaysBook, todo: Sequence[Task], line: Timeline) -> dict[int, int]:
    """Return by when tasks must be done before somebody comes, and all they need."""
    found: dict[int, int] = {}
    there = {task.n: task for task in todo}
    for other in book.others:
        rows = [task.n for task in todo if set(other.before) & set(task.places)]
        while rows:
            n = rows.pop()
            if n in there and found.get(n, 10**9) > line.minute(other.at):
                found[n] = line.minute(other.at)
                rows += there[n].needs
    return found
