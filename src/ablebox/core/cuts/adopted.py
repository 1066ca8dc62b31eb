# SPDX-License-Identifier: GPL-3.0-or-later
"""A plan that was made for one problem, taken over for another: what is held changed, or how the saw cuts."""

from __future__ import annotations

from collections import Counter
from dataclasses import replace

from .bound import bound
from .checker import check
from .plan import CutSheet, Plan
from .problem import Held, Problem


def adopted(plan: Plan, problem: Problem) -> Plan | None:
    """Return a plan as one for another problem, which differs in what is held only; ``None`` if it is none."""
    if replace(plan.problem, held=()) != replace(problem, held=()):
        return None
    free, first = list(plan.sheets), []
    for held in problem.held:
        found = next((sheet for sheet in free if _carries(sheet, held)), None)
        if found is None:
            return None
        free.remove(found)
        first.append(replace(found, terms=held.terms, number=held.number, order=held.order))
    # What is begun no longer is cut as the others are.
    free = [replace(sheet, terms=None, number=0, order=()) for sheet in free]
    # What was held may have asked for more sheets than there need be now.
    proof = plan.bound if set(plan.problem.held) <= set(problem.held) else bound(problem)
    made = Plan(problem, (*first, *free), proof)
    return None if check(made) else made


def _carries(sheet: CutSheet, held: Held) -> bool:
    same = sheet.supply == held.supply and not Counter(held.spots) - Counter(sheet.spots)
    return same and (not held.closed or len(held.spots) == len(sheet.spots))


def allowed(problem: Problem, plan: Plan | None) -> Plan | None:
    """Return a plan as one for another problem, if it asks for the same pieces and its sheets can be cut there as they lie.

    So a plan for a saw that may do more, with a thinner kerf or more changes of direction, is never worse than one for less.
    """
    if plan is None or plan.problem.pieces != problem.pieces or plan.problem.held or problem.held:
        return None
    found = replace(plan, problem=problem, bound=bound(problem))
    return None if check(found) else found
