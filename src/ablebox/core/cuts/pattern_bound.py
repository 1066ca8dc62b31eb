# SPDX-License-Identifier: GPL-3.0-or-later
"""A bound by patterns: no sheet holds more than the most precious pattern of cuts is worth, whatever pieces are said to cost.

Prices are found by column generation, after Gilmore and Gomory, "A Linear Programming Approach to the Cutting Stock
Problem" (1961), cited from memory: patterns are chosen by linear programming, its prices ask for a better pattern, and so
on. The bound of every turn counts, after Farley, "A Note on Bounding a Class of Linear Programming Problems" (1990), from
memory; prices are whole numbers there, so that it is exact. It loads a solver, so it is loaded by name, at the end of a
long search that lacks one sheet to a proof.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Iterable
from ctypes import c_int64
from fractions import Fraction

import numpy as np
from scipy.optimize import linprog

from .bound import Bound, better, least, offers
from .problem import Problem

#: Prices are whole numbers up to this; additions of one turn's table, at most; and turns.
_DEAR, _WORK, _TURNS = 1_000_000, 300_000_000, 60
#: Sides there may be each way.
_MOST_SIDES = 4_000

#: A kind of piece as it can lie: which kind, along, across.
Way = tuple[int, int, int]


def sides(sizes: Iterable[tuple[int, int]], whole: int) -> list[int] | None:
    """Return all sums of sizes that fit, ascending, the whole as the last; ``None`` if they are too many.

    Args:
        sizes: sizes with how many there are.
        whole: the sheet's side.
    """
    found = {0}
    counts: Counter[int] = Counter()
    for size, count in sizes:
        counts[size] += count
    for size, count in counts.items():
        for start in list(found):
            for times in range(1, min(count, (whole - start) // size) + 1):
                found.add(start + times * size)
        if len(found) > _MOST_SIDES:
            return None
    found.add(whole)
    return sorted(found - {0})


def by_patterns(
    problem: Problem, known: Bound, laid: list[Counter[str]], worth: Callable[..., float], stop: Callable[[], bool]
) -> Bound:
    """Return a bound at least as good as the one known; the same where sheets differ or sides are too many.

    Args:
        problem: the problem.
        known: the bound known.
        laid: how many of each piece lie on each sheet of a plan: the first patterns.
        worth: the compiled loop.
        stop: asked between turns.
    """
    there = offers(problem)
    if len({row[:2] for row in there}) != 1 or problem.held:
        return known
    length, width, _ = there[0]
    ways: list[Way] = []
    for i, piece in enumerate(problem.pieces):
        long, wide = piece.length + problem.kerf, piece.width + problem.kerf
        lying = ((long, wide),) if piece.fixed or long == wide else ((long, wide), (wide, long))
        ways += [(i, a, b) for a, b in lying if a <= length and b <= width]
    counts = [piece.count for piece in problem.pieces]
    xs = sides([(a, counts[i]) for i, a, _ in ways], length)
    ys = sides([(b, counts[i]) for i, _, b in ways], width)
    if xs is None or ys is None or len(xs) * len(ys) * (len(xs) + len(ys)) // 4 > _WORK:
        return known
    patterns = PatternTable(xs, ys, ways, worth)
    number = {piece.code: i for i, piece in enumerate(problem.pieces)}
    columns = [[sheet[code] for code in number] for sheet in laid]
    best = known
    for _ in range(_TURNS):
        if stop() or best.sheets > known.sheets:
            break
        solved = linprog(np.ones(len(columns)), -np.array(columns, float).T, -np.array(counts, float), bounds=(0, None))
        if solved.status != 0:
            break
        shadow = -np.asarray(solved.ineqlin.marginals)
        largest = float(shadow.max(initial=0.0))
        if largest <= 0:
            break
        prices = [round(float(each) / largest * _DEAR) for each in shadow]
        most = patterns.worth(prices)
        need = sum(price * count for price, count in zip(prices, counts, strict=True))
        best = better(
            best, least(problem, Fraction(need), [(Fraction(most), row[2]) for row in there], known.by_area, True)
        )
        column = patterns.best(len(counts))
        if column in columns:
            break
        columns.append(column)
    return best


class PatternTable:
    """The most precious pattern by given prices, and what lies in it.

    Args:
        xs: sides there can be along the sheet, ascending; the last is the sheet's.
        ys: and across it.
        ways: kinds of piece, as each can lie.
        worth: the compiled loop.
    """

    def __init__(self, xs: list[int], ys: list[int], ways: list[Way], worth: Callable[..., float]) -> None:
        self.xs, self.ys, self.ways, self._worth = xs, ys, ways, worth
        self._sides = (c_int64 * len(xs))(*xs), (c_int64 * len(ys))(*ys)
        self._sizes = (c_int64 * len(ways))(*(way[1] for way in ways)), (c_int64 * len(ways))(*(way[2] for way in ways))
        self._table = np.zeros((len(xs), len(ys)), np.int64)
        self._price = [0] * len(ways)

    def worth(self, prices: list[int]) -> int:
        """Return what the best pattern is worth."""
        self._price = [prices[i] for i, _, _ in self.ways]
        price = (c_int64 * len(self.ways))(*self._price)
        sizes = len(self.xs), len(self.ys), len(self.ways)
        return int(self._worth(*sizes, *self._sides, *self._sizes, price, self._table.ctypes.data))

    def best(self, kinds: int) -> list[int]:
        """Return how many of each kind lie in the best pattern."""
        found, xs, ys, table = [0] * kinds, np.array(self.xs), np.array(self.ys), self._table
        open_ = [(len(xs) - 1, len(ys) - 1)]
        while open_:
            i, j = open_.pop()
            if not table[i, j]:
                continue
            for (kind, a, b), price in zip(self.ways, self._price, strict=True):
                if price == table[i, j] and a <= xs[i] and b <= ys[j]:
                    found[kind] += 1
                    break
            else:
                open_ += self._parted(i, j, xs, ys)
        return found

    def _parted(self, i: int, j: int, xs: np.ndarray, ys: np.ndarray) -> list[tuple[int, int]]:
        """Return the two rectangles the best cut makes of one."""
        table = self._table
        one = np.arange(i)
        other = np.searchsorted(xs, xs[i] - xs[:i], side="right") - 1
        one, other = one[other >= 0], other[other >= 0]
        hit = np.nonzero(table[one, j] + table[other, j] == table[i, j])[0]
        if len(hit):
            return [(int(one[hit[0]]), j), (int(other[hit[0]]), j)]
        one = np.arange(j)
        other = np.searchsorted(ys, ys[j] - ys[:j], side="right") - 1
        one, other = one[other >= 0], other[other >= 0]
        hit = np.nonzero(table[i, one] + table[i, other] == table[i, j])[0]
        return [(i, int(one[hit[0]])), (i, int(other[hit[0]]))]
