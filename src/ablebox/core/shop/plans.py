# SPDX-License-Identifier: GPL-3.0-or-later
"""The cut plans of a project, one for each kind of sheet."""

from __future__ import annotations

from collections.abc import Mapping

from ..cuts.plan import Plan
from ..cuts.search.planner import last
from .made import Made

#: Rounds of search for a project's plan where nobody is waiting: a few seconds at most.
ROUNDS = 2_000


def plan_all(made: Made, rounds: int = ROUNDS) -> dict[str, Plan]:
    """Return the plan of each kind of sheet, by its code.

    Raises:
        PartTooLarge: if a part fits on no sheet.
        StockShort: if the sheets run out.
    """
    return {code: last(problem, rounds, units=made.units) for code, problem in made.problems.items()}


def verdict(plans: Mapping[str, Plan]) -> str:
    """Say how many sheets the plans take, and whether fewer are possible."""
    bought = sum(plan.bought for plan in plans.values())
    offcuts = sum(len(plan.sheets) for plan in plans.values()) - bought
    least = sum(plan.bound.sheets for plan in plans.values())
    count = f"{bought} sheet{'s' if bought != 1 else ''}"
    if offcuts:
        count += f" and {offcuts} offcut{'s' if offcuts != 1 else ''}"
    if all(plan.proven for plan in plans.values()):
        return f"{count}, and no plan needs fewer" if bought <= least else f"{count}, and no plan costs less"
    if bought <= least:
        return f"{count}; a cheaper plan is not ruled out"
    if any(plan.bound.by_sizes for plan in plans.values()):
        return f"{count}; by area and sizes alone {least} would do"
    return f"{count}; by area alone {least} would do"
