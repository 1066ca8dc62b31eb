# SPDX-License-Identifier: GPL-3.0-or-later
"""A piece moved by hand: it snaps to where it can lie, and what lay there finds another place.

The rest of the plan stays as it is, so that nothing else moves under one's hand.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator
from dataclasses import replace

from .checker import check, sheet_faults
from .divide import divided
from .plan import CutSheet, Plan
from .problem import Problem, Spot, Supply

#: Corners tried for a piece, the nearest first.
_TRIED = 60


def moved(plan: Plan, number: int, spot: Spot, to: int, x: int, y: int) -> tuple[Plan, Spot] | None:
    """Return the plan with a piece at another place, and where it came to lie; ``None`` if it cannot lie near there.

    Args:
        plan: the plan.
        number: of the sheet the piece lies on, from 0.
        spot: the piece.
        to: number of the sheet it goes to.
        x: where its corner is wanted, along the sheet's length.
        y: across it.
    """
    problem = plan.problem
    if problem.held and (_closed(problem, number) or _closed(problem, to)):
        return None
    sheets = [list(sheet.spots) for sheet in plan.sheets]
    sheets[number].remove(spot)
    fast = _held_on(problem, to) - {spot}
    target = plan.sheets[to].supply
    for at in _corners(problem, target, sheets[to], spot, x, y):
        put = replace(spot, x=at[0], y=at[1])
        if any(_touch(put, other, problem.kerf) for other in fast):
            continue
        for loose in (
            [other for other in sheets[to] if _touch(put, other, problem.kerf)],
            [other for other in sheets[to] if other not in fast],
        ):
            left = [other for other in sheets[to] if other not in loose]
            there = CutSheet(target, (*left, put))
            if sheet_faults(there, problem):
                continue
            found = _settled(plan, sheets, to, there, loose)
            if found is not None:
                return found, put
    return None


def turned(plan: Plan, number: int, spot: Spot) -> tuple[Plan, Spot] | None:
    """Return the plan with a piece turned where it lies, or near; ``None`` if its grain or the sheet forbids it."""
    piece = next(each for each in plan.problem.pieces if each.code == spot.code)
    if piece.fixed:
        return None
    other = replace(spot, turned=not spot.turned)
    sheets = list(plan.sheets)
    spots = tuple(other if each is spot else each for each in sheets[number].spots)
    sheets[number] = replace(sheets[number], spots=spots)
    return moved(replace(plan, sheets=tuple(sheets)), number, other, number, spot.x, spot.y)


def _closed(problem: Problem, number: int) -> bool:
    return number < len(problem.held) and problem.held[number].closed


def _held_on(problem: Problem, number: int) -> set[Spot]:
    return set(problem.held[number].spots) if number < len(problem.held) else set()


def _touch(one: Spot, other: Spot, kerf: int) -> bool:
    (a, b), (c, d) = one.reach, other.reach
    across = one.x < other.x + c + kerf and other.x < one.x + a + kerf
    return across and one.y < other.y + d + kerf and other.y < one.y + b + kerf


def _corners(
    problem: Problem, supply: Supply, spots: list[Spot], spot: Spot, x: int, y: int
) -> Iterator[tuple[int, int]]:
    """Return corners a piece may snap to, the nearest first: edges of the sheet and of other pieces."""
    kerf, trim, (long, wide) = problem.kerf, problem.trim, spot.reach
    x_end, y_end = supply.length - problem.terms.far - long, supply.width - problem.terms.far - wide
    xs = {trim, x_end} | {each.x for each in spots}
    xs |= {each.x + each.reach[0] + kerf for each in spots} | {each.x - kerf - long for each in spots}
    ys = {trim, y_end} | {each.y for each in spots}
    ys |= {each.y + each.reach[1] + kerf for each in spots} | {each.y - kerf - wide for each in spots}
    fitting = [(a, b) for a in xs for b in ys if trim <= a <= x_end and trim <= b <= y_end]
    yield from sorted(fitting, key=lambda at: (abs(at[0] - x) + abs(at[1] - y), at))[:_TRIED]


def _settled(plan: Plan, sheets: list[list[Spot]], to: int, there: CutSheet, loose: list[Spot]) -> Plan | None:
    """Return the plan when loose pieces have found a place in what is left over, or on another sheet."""
    problem = plan.problem
    made = [replace(sheet, spots=tuple(spots)) for sheet, spots in zip(plan.sheets, sheets, strict=True)]
    made[to] = there
    for spot in sorted(loose, key=lambda each: -each.length * each.width):
        if not _laid(problem, made, spot):
            supply = _another(problem, made, spot)
            if supply is None:
                return None
            made.append(CutSheet(supply, (_lying(problem, supply, spot),)))
    kept = tuple(sheet for sheet in made if sheet.spots)
    done = replace(plan, sheets=kept)
    # Held sheets are still to be found at their numbers, which the caller sees to; here only what can be cut counts.
    return None if check(replace(done, problem=replace(problem, held=()))) else done


def _laid(problem: Problem, made: list[CutSheet], spot: Spot) -> bool:
    best: tuple[int, int, Spot] | None = None
    fixed = next(piece.fixed for piece in problem.pieces if piece.code == spot.code)
    for number, sheet in enumerate(made):
        if not sheet.spots or _closed(problem, number):
            continue
        for rest in divided(sheet, problem.terms).all_rests():
            for turned_so in (spot.turned,) if fixed else (False, True):
                put = replace(spot, x=rest.x, y=rest.y, turned=turned_so)
                over = rest.length - put.reach[0], rest.width - put.reach[1]
                if min(over) >= 0 and (best is None or min(over) < best[0]):
                    trial = replace(sheet, spots=(*sheet.spots, put))
                    if not sheet_faults(trial, problem):
                        best = min(over), number, put
    if best is None:
        return False
    _, number, put = best
    made[number] = replace(made[number], spots=(*made[number].spots, put))
    return True


def _another(problem: Problem, made: list[CutSheet], spot: Spot) -> Supply | None:
    """Return a sheet of the stock that is not used up and holds a piece."""
    piece = next(each for each in problem.pieces if each.code == spot.code)
    used = Counter(sheet.supply for sheet in made if sheet.spots)
    for supply in problem.supplies:
        if problem.holds(supply, piece) and (supply.count is None or used[supply] < supply.count):
            return supply
    return None


def _lying(problem: Problem, supply: Supply, spot: Spot) -> Spot:
    length, width = problem.usable(supply)
    lies = spot.length <= length and spot.width <= width
    return replace(spot, x=problem.trim, y=problem.trim, turned=not lies)
