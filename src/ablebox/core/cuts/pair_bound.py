# SPDX-License-Identifier: GPL-3.0-or-later
"""The best bound there is here: many pairs of dual feasible functions at once, by linear programming.

A piece that may be turned lies one way for all pairs at the same time. The programme chooses how many of each kind
lie which way so that every pair is content with as few sheets as can be; pairs that are not are added one after
another. Its weights are then rounded to fractions and the bound is reckoned with whole numbers, so that it
holds whatever the solver's rounding. Before that sizes are raised to what they block: no combination of
others fits into the difference. Boschetti and Mingozzi, "The two-dimensional finite bin packing problem" (2003),
for the raising, and the weights after Carlier, Clautiaux and Moukrim (2007); from memory. It loads a solver, so it
is loaded by name in long searches only.
"""

from __future__ import annotations

from collections import Counter
from dataclasses import dataclass
from fractions import Fraction
from math import gcd

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import linprog

from .bound import Bound, better, least, offers, product
from .dual_feasible import Function, functions, value
from .problem import Problem

_Matrix = NDArray[np.float64]

#: Functions for each direction, times the programme is solved, and pairs added each time.
_FUNCTIONS, _TURNS, _ADDED = 160, 25, 12
#: Steps of whole numbers a sheet's side may have for sizes to be raised, and the denominator of rounded weights.
_STEPS, _FINE = 400_000, 1_000_000
#: Different sizes up to which sizes are raised: the work grows with their square.
_MOST_RAISED = 160


@dataclass(frozen=True, slots=True)
class _Kind:
    """A kind of piece: its size lying and turned, each in the sheet's directions; ``None`` where it cannot lie so."""

    count: int
    lying: tuple[int, int] | None
    turned: tuple[int, int] | None


def raised(sizes: list[tuple[int, int]], whole: int) -> dict[int, int]:
    """Return each size raised by what stays empty beside it whatever else there is.

    Whatever fits beside each other still does after it: one size after another is raised, all of its pieces by
    as much as even so many of them beside each other leave empty, and the next one sees the raised ones.

    Args:
        sizes: sizes with how many there are.
        whole: of the sheet.
    """
    counts: Counter[int] = Counter()
    for size, count in sizes:
        counts[size] += count
    found, unit = {size: size for size in counts}, whole
    for size in counts:
        unit = gcd(unit, size)
    if whole // unit > _STEPS or len(counts) > _MOST_RAISED:
        return found
    for size, count in sorted(counts.items(), reverse=True):
        others = [(found[other] // unit, n) for other, n in counts.items() if other != size]
        reached = _sums(others, whole // unit)
        slack = whole
        for many in range(1, min(count, whole // size) + 1):
            beside = (whole - many * size) // unit
            most = (reached & ((1 << (beside + 1)) - 1)).bit_length() - 1
            slack = min(slack, (beside - most) // many * unit)
        found[size] = size + slack
    return found


def _sums(sizes: list[tuple[int, int]], whole: int) -> int:
    """Return all sums of sizes up to a whole, a bit each."""
    reached, mask = 1, (1 << (whole + 1)) - 1
    for size, count in sizes:
        left, times = min(count, whole // size), 1
        while left > 0:
            times = min(times, left)
            reached |= (reached << (size * times)) & mask
            left -= times
            times *= 2
    return reached


def _kinds(problem: Problem, length: int, width: int) -> list[_Kind]:
    kerf = problem.kerf
    rows = []
    along: list[tuple[int, int]] = []
    across: list[tuple[int, int]] = []
    for p in problem.pieces:
        long, wide = p.length + kerf, p.width + kerf
        lying = (long, wide) if long <= length and wide <= width else None
        turned = (wide, long) if not p.fixed and long != wide and wide <= length and long <= width else None
        rows.append((p.count, lying, turned))
        for way in (lying, turned):
            if way is not None:
                along.append((way[0], p.count))
                across.append((way[1], p.count))
    one, other = raised(along, length), raised(across, width)

    def up(way: tuple[int, int] | None) -> tuple[int, int] | None:
        return None if way is None else (one[way[0]], other[way[1]])

    return [_Kind(count, up(lying), up(turned)) for count, lying, turned in rows if lying or turned]


def _table(found: list[Function], sizes: list[int | None]) -> _Matrix:
    """Return what each function makes of each size."""
    rows = []
    for function in found:
        row = []
        for size in sizes:
            top, below = (0, 1) if size is None else value(function, size)
            row.append(top / below)
        rows.append(row)
    return np.array(rows)


def sharpest(problem: Problem, known: Bound) -> Bound:
    """Return a bound at least as good as the one known."""
    there = offers(problem)
    if not there or not problem.pieces:
        return known
    length, width = max(each[0] for each in there), max(each[1] for each in there)
    if len({each[:2] for each in there}) > 1:
        # Raised sizes hold for one size of sheet only.
        return _solved(problem, known, _plain(problem, length, width), length, width)
    return _solved(problem, known, _kinds(problem, length, width), length, width)


def _plain(problem: Problem, length: int, width: int) -> list[_Kind]:
    found = []
    for p in problem.pieces:
        long, wide = p.length + problem.kerf, p.width + problem.kerf
        lying = (long, wide) if long <= length and wide <= width else None
        turned = (wide, long) if not p.fixed and long != wide and wide <= length and long <= width else None
        if lying or turned:
            found.append(_Kind(p.count, lying, turned))
    return found


def _solved(problem: Problem, known: Bound, kinds: list[_Kind], length: int, width: int) -> Bound:
    there = offers(problem)
    ways = [kind.lying for kind in kinds], [kind.turned for kind in kinds]
    seen = [way for row in ways for way in row if way is not None]
    along = functions(length, [way[0] for way in seen], _FUNCTIONS)
    across = functions(width, [way[1] for way in seen], _FUNCTIONS)
    first = [_table(along, [way and way[0] for way in row]) for row in ways]
    second = [_table(across, [way and way[1] for way in row]) for row in ways]
    caps = [_table(along, [each[0] for each in there]), _table(across, [each[1] for each in there])]
    counts = np.array([kind.count for kind in kinds], float)
    # How many of each kind may lie; the others are turned.
    low = np.array([0.0 if kind.turned else kind.count for kind in kinds])
    high = np.array([kind.count if kind.lying else 0.0 for kind in kinds])
    costs = np.array([problem.cost(supply) for *_, supply in there], float)
    bounds = [*zip(low, high, strict=True), *((0, supply.count) for *_, supply in there)]
    chosen: list[tuple[int, int]] = [(0, 0)]
    lying, sheets = (low + high) / 2, np.zeros(len(there))
    best = known
    for _ in range(_TURNS):
        needs = (first[0] * lying) @ second[0].T + (first[1] * (counts - lying)) @ second[1].T
        over = needs - (caps[0] * sheets) @ caps[1].T
        order = np.argsort(over, axis=None)[::-1][: 8 * _ADDED]
        fresh = [(int(at // over.shape[1]), int(at % over.shape[1])) for at in order if over.flat[at] > 1e-7]
        fresh = _unlike([pair for pair in fresh if pair not in chosen], over)
        if not fresh:
            break
        chosen += fresh
        rows, right = [], []
        for i, j in chosen:
            lies, turns = first[0][i] * second[0][j], first[1][i] * second[1][j]
            rows.append(np.concatenate([lies - turns, -caps[0][i] * caps[1][j]]))
            right.append(-float(turns @ counts))
        solved = linprog(np.concatenate([np.zeros(len(kinds)), costs]), np.array(rows), right, bounds=bounds)
        if solved.status != 0:
            break
        lying, sheets = solved.x[: len(kinds)], solved.x[len(kinds) :]
        weights = -np.asarray(solved.ineqlin.marginals)
        weighed = [(w, (along[i], across[j])) for w, (i, j) in zip(weights, chosen, strict=True) if w > 1e-9]
        best = better(best, _exactly(problem, kinds, weighed, known))
    return best


def _unlike(pairs: list[tuple[int, int]], over: _Matrix) -> list[tuple[int, int]]:
    """Return the first pairs that ask for different amounts: equal ones mostly say the same."""
    found: dict[float, tuple[int, int]] = {}
    for pair in pairs:
        found.setdefault(round(float(over[pair]), 6), pair)
    return list(found.values())[:_ADDED]


def _exactly(
    problem: Problem, kinds: list[_Kind], weighed: list[tuple[float, tuple[Function, Function]]], known: Bound
) -> Bound:
    """Return the bound of weighed pairs in whole numbers."""
    largest = max((weight for weight, _ in weighed), default=0.0)
    if largest <= 0:
        return known
    exact = [(Fraction(round(weight / largest * _FINE), _FINE), pair) for weight, pair in weighed]

    def measure(length: int, width: int) -> Fraction:
        return sum((weight * product(pair, length, width) for weight, pair in exact), Fraction(0))

    need = Fraction(0)
    for kind in kinds:
        need += kind.count * min(measure(*way) for way in (kind.lying, kind.turned) if way is not None)
    caps = [(measure(length, width), supply) for length, width, supply in offers(problem)]
    return least(problem, need, caps, known.by_area, True)
