# SPDX-License-Identifier: GPL-3.0-or-later
"""A day of a plan: what each pair of hands does hour by hour, and what waits; and what one plan moves of another."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from datetime import date, datetime, time

from .plan import Plan
from .task import Task
from .timeline import DAY

#: Minutes below which a step is written with its neighbours (of our own).
_SHORT = 20


@dataclass(frozen=True, slots=True)
class Block:
    """A stretch of work.

    Args:
        rows: the steps' numbers, when each begins and ends, and what it is; short ones that follow one another are one block.
        start: the minute of the day it begins.
        end: the minute it ends.
        hands: how many it takes.
        noisy: whether it makes noise.
        column: the hands that do it, from 0.
    """

    rows: tuple[tuple[int, int, int, str], ...]
    start: int
    end: int
    hands: int
    noisy: bool
    column: int

    @property
    def title(self) -> str:
        """What it is, short steps one after another."""
        return ", ".join(row[3] for row in self.rows)

    def has(self, n: int) -> bool:
        """Whether a step is in it."""
        return any(row[0] == n for row in self.rows)


@dataclass(frozen=True, slots=True)
class Waiting:
    """Something that waits, for glue or for a coat.

    Args:
        title: what it is.
        start: the minute of the day from which on.
        end: the minute until which, midnight at most.
        until: the time until which.
    """

    title: str
    start: int
    end: int
    until: datetime


def blocks(plan: Plan, day: date, title: Callable[[int], str]) -> list[Block]:
    """Return what is done on a day, each with the hands that do it.

    Args:
        plan: the plan.
        day: the day.
        title: says what a step is.
    """
    zero = plan.line.minute(datetime.combine(day, time()))
    found: list[Block] = []
    ends: list[int] = []
    rows = sorted(
        (a - zero, b - zero, n) for n, placed in plan.placed.items() for a, b in placed.parts if zero <= a < zero + DAY
    )  # fmt: skip
    for a, b, n in rows:
        task = plan.tasks[n]
        column = next((i for i, end in enumerate(ends) if end <= a), len(ends))
        for i in range(column, column + task.hands):
            ends += [0] * (i + 1 - len(ends))
            ends[i] = b
        _add(found, (n, a, b, title(n)), task, column)
    return found


def _add(found: list[Block], row: tuple[int, int, int, str], task: Task, column: int) -> None:
    """Put a stretch on the day, with the one before it where both are the same step or too short to be read alone."""
    n, start, end, title = row
    for i, last in enumerate(found):
        if last.column != column or last.end != start or last.hands != task.hands:
            continue
        same = last.rows[-1][0] == n
        short = end - start < _SHORT and all(b - a < _SHORT for _, a, b, _ in last.rows) and last.noisy == task.noisy
        if same or short:
            rows = (*last.rows[:-1], (n, last.rows[-1][1], end, title)) if same else (*last.rows, row)
            found[i] = Block(rows, last.start, end, task.hands, task.noisy, column)
            return
    found.append(Block((row,), start, end, task.hands, task.noisy, column))


def waits(plan: Plan, day: date, title: Callable[[int], str]) -> list[Waiting]:
    """Return what waits on a day, what begins to wait first first."""
    zero = plan.line.minute(datetime.combine(day, time()))
    return sorted(
        (
            Waiting(title(n), max(placed.end, zero) - zero, min(placed.free - zero, DAY), plan.line.moment(placed.free))
            for n, placed in plan.placed.items() if placed.end < placed.free and zero < placed.free and placed.end < zero + DAY
        ),
        key=lambda waiting: waiting.start,
    )  # fmt: skip


def used(plan: Plan, day: date) -> int:
    """Return how many minutes of hands a day takes."""
    return sum((block.end - block.start) * block.hands for block in blocks(plan, day, str))


def to_another_day(before: Plan, after: Plan) -> int:
    """Return how many steps are begun on another day in one plan than in another."""
    days = {n: before.line.moment(each.start).date() for n, each in before.placed.items()}
    return sum(days.get(n) != after.line.moment(each.start).date() for n, each in after.placed.items())
