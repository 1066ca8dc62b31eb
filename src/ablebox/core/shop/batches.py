# SPDX-License-Identifier: GPL-3.0-or-later
"""In which order the sheets of a kind are cut: one by one, or several together at one setting after another."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from ..cuts.plan import Plan
from ..cuts.saw_cut import Becomes, SawCut, settings
from ..cuts.saw_order import together
from .made import Made

#: How many sheets may be cut together; 0 for all.
CHOICES = (1, 3, 0)


def in_order(made: Made, plan: Plan, batch: int | None = None) -> list[tuple[int, SawCut]]:
    """Return every cut of a plan in the order of work, each with the number of its sheet, from 0.

    Args:
        made: what was made.
        plan: the plan.
        batch: how many sheets are cut together; as the shop does it if not given.
    """
    return [row for numbers in _batches(made, plan, batch) for row in together(plan, numbers)]


def order_of(made: Made, plan: Plan, at: int) -> tuple[SawCut, ...]:
    """Return the cuts of one sheet, from 0, in the order in which they come in the order of work."""
    numbers = next(numbers for numbers in _batches(made, plan, None) if at in numbers)
    return tuple(cut for number, cut in together(plan, numbers) if number == at)


def numbers_of(made: Made, plan: Plan, at: int) -> tuple[int, ...]:
    """Return the numbers of the cuts of one sheet, from 0, as ``order_of`` gives them: they run through all sheets."""
    return tuple(n for n, (number, _) in enumerate(in_order(made, plan), start=1) if number == at)


def _batches(made: Made, plan: Plan, batch: int | None) -> Iterator[list[int]]:
    """Return which sheets are cut together, in the order of their numbers; begun ones first."""
    by_number = sorted(range(len(plan.sheets)), key=lambda at: (not plan.sheets[at].order, plan.numbers[at]))
    size = made.project.rack.saw.batch if batch is None else batch
    size = size or len(by_number)
    for start in range(0, len(by_number), max(1, size)):
        yield by_number[start : start + size]


@dataclass(frozen=True, slots=True)
class Price:
    """What an order of work asks for and saves.

    Args:
        batch: how many sheets are cut together; 0 for all.
        settings: how many times something is set.
        begun: how many sheets are begun at once, at most.
        waiting: how many half-cut pieces wait at once, at most.
    """

    batch: int
    settings: int
    begun: int
    waiting: int


def price(made: Made, plan: Plan, batch: int) -> Price:
    """Return what cutting so many sheets together saves and costs."""
    rows = in_order(made, plan, batch)
    left = [0] * len(plan.sheets)
    for number, _ in rows:
        left[number] += 1
    begun: set[int] = set()
    strips: dict[int, set[str]] = {}
    most_begun = most_waiting = 0
    for number, cut in rows:
        begun.add(number)
        there = strips.setdefault(number, {""})
        there.discard(cut.strip)
        there |= {given.strip for given in cut.gives if given.what is Becomes.STRIP}
        left[number] -= 1
        most_begun = max(most_begun, len(begun))
        most_waiting = max(most_waiting, sum(len(each) for each in strips.values()))
        if not left[number]:
            begun.discard(number)
            strips.pop(number)
    return Price(batch, settings(cut for _, cut in rows), most_begun, most_waiting)
