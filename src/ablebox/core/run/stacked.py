# SPDX-License-Identifier: GPL-3.0-or-later
"""What stands on something else: how high that is, its top with it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from ..cabinet.design import Case
from ..case.counter.sheet_top import SheetTop
from ..lengths import ZERO, Length
from ..stock import Rack
from .members import sunk
from .space import RunSpace


def stacked(cases: Sequence[Case], spaces: Sequence[RunSpace], rack: Rack) -> list[Case]:
    """Return the cases, those that stand on something with the height it has: it follows when that changes.

    Args:
        cases: all cases.
        spaces: everything that stands between cases.
        rack: the stock, for how thick tops are.
    """
    by_letter = {case.letter: case for case in cases}

    def low(case: Case, under: frozenset[str]) -> Length:
        on = case.on
        if on is None or case.letter in under:
            return ZERO
        if on.space:
            return spaces[on.space - 1].height if on.space <= len(spaces) else ZERO
        other = by_letter.get(on.letter)
        if other is None:
            return ZERO
        start = (
            other.hang if other.on is None and not stands(other) else low(other, under | {case.letter}) - sunk(other)
        )
        return start + other.height + top_on(other, cases, rack)

    return [replace(case, hang=low(case, frozenset())) if case.on is not None else case for case in cases]


def stands(case: Case) -> bool:
    """Whether a case stands on the floor or on something."""
    return case.on is not None or not case.is_hung


def top_on(case: Case, cases: Sequence[Case], rack: Rack) -> Length:
    """Return how thick the top is that lies on a case: its own, or one that goes on over it; 0 if there is none."""
    row = [each for each in cases if each.in_alcove and each.wall == case.wall and each.on is None and not each.is_hung]
    letters = [each.letter for each in row]
    if not case.in_alcove or case.letter not in letters:
        return (
            case.counter.high(rack.stock(case.counter.goods).thickness) if isinstance(case.counter, SheetTop) else ZERO
        )
    at = letters.index(case.letter)
    for i, each in enumerate(row[: at + 1]):
        if isinstance(each.counter, SheetTop) and i + max(1, each.counter.over) > at:
            return each.counter.high(rack.stock(each.counter.goods).thickness)
    return ZERO
