# SPDX-License-Identifier: GPL-3.0-or-later
"""How few sheets there can be: by area, and by sizes that cannot share a sheet.

Each piece takes one kerf more each way than its size, and a sheet offers one kerf more than
its usable size, since the last cut may fall off the edge. By area the largest sheets are taken first.

Better than area: dual feasible functions of lengths and of widths. Such a function f never lets sizes that fit
beside each other add up to more than 1; the sum of f(length) g(width) over all pieces is then a bound for any
way of laying them, cut edge to edge or not. Fekete and Schepers, "New classes of fast lower bounds for
bin packing problems" (2001), and Carlier, Clautiaux and Moukrim, "New reduction procedures and lower
bounds for the two-dimensional bin packing problem with fixed orientation" (2007), both cited from memory.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from fractions import Fraction
from math import ceil

from .problem import Problem

#: Functions tried for each direction at most, fewer where there are many kinds of piece.
_FUNCTIONS, _WORK = 90, 700_000


@dataclass(frozen=True, slots=True)
class Bound:
    """A lower bound.

    Args:
        sheets: no plan needs fewer.
        by_area: the pieces' area in sheets of the largest size, kerf counted.
        by_sizes: whether it is the sizes of pieces, not their area, that ask for so many.
    """

    sheets: int
    by_area: float
    by_sizes: bool = False


def bound(problem: Problem) -> Bound:
    """Return the area bound of a problem."""
    kerf = problem.kerf
    need = sum((p.length + kerf) * (p.width + kerf) * p.count for p in problem.pieces)
    offers = []
    for supply in problem.supplies:
        length, width = problem.usable(supply)
        if length > 0 and width > 0:
            offers.append(((length + kerf) * (width + kerf), supply.count))
    offers.sort(key=lambda offer: -offer[0])
    if not offers or not need:
        return Bound(0, 0.0)
    by_area = need / offers[0][0]
    sheets, left = 0, need
    for area, count in offers:
        wanted = -(-left // area)
        taken = wanted if count is None else min(wanted, count)
        sheets += taken
        left -= taken * area
        if left <= 0:
            break
    return Bound(sheets, by_area)


#: A dual feasible function as whole numbers: the size of the sheet it is for, a name and a parameter.
_Function = tuple[int, str, int]


def sharper(problem: Problem, known: Bound) -> Bound:
    """Return a bound at least as good as the one known, by dual feasible functions.

    Sheets of several sizes are all taken for as long as the longest and as wide as the widest of them.
    """
    kerf = problem.kerf
    usable = [problem.usable(supply) for supply in problem.supplies if supply.count != 0]
    usable = [size for size in usable if min(size) > 0]
    if not usable or not problem.pieces:
        return known
    length, width = max(size[0] for size in usable) + kerf, max(size[1] for size in usable) + kerf
    pieces = []
    for p in problem.pieces:
        long, wide = p.length + kerf, p.width + kerf
        # What fits one way only is as good as fixed, lying that way.
        lies, stands = long <= length and wide <= width, wide <= length and long <= width
        if not lies and stands:
            long, wide = wide, long
        pieces.append((long, wide, p.count, p.fixed or not (lies and stands)))
    most = max(8, min(_FUNCTIONS, int((_WORK / len(pieces)) ** 0.5)))
    both = [size for long, wide, _, fixed in pieces if not fixed for size in (long, wide)]
    along = _functions(length, [long for long, _, _, _ in pieces] + both, most)
    across = _functions(width, [wide for _, wide, _, _ in pieces] + both, most)
    best, pair = float(known.sheets), None
    tables = [_table(function, pieces) for function in across]
    for function in along:
        of_length, of_width = _table(function, pieces)
        for other, (other_length, other_width) in zip(across, tables, strict=True):
            total = 0.0
            for i, (_, _, count, fixed) in enumerate(pieces):
                there = of_length[i] * other_width[i]
                if not fixed:
                    turned = of_width[i] * other_length[i]
                    there = min(there, turned)
                total += there * count
            if total > best + 1e-9:
                best, pair = total, (function, other)
    if pair is None:
        return known
    sheets = _exactly(*pair, pieces)
    return Bound(sheets, known.by_area, True) if sheets > known.sheets else known


def _functions(whole: int, sizes: Iterable[int], most: int) -> list[_Function]:
    """Return functions worth trying for sizes on a sheet of a size."""
    there = sorted({size for size in sizes if size <= whole})
    halves = [size for size in there if 2 * size <= whole] + [whole - size + 1 for size in there if 2 * size > whole]
    found: list[_Function] = [(whole, "same", 0), (whole, "cut", whole // 2)]
    found += [(whole, "step", k) for k in range(1, 9)]
    steps = sorted({size for size in halves if 0 < 2 * size <= whole} | {whole // j + 1 for j in range(2, 9)})
    for k in _spread(steps, (most - len(found)) // 2):
        found += [(whole, "cut", k), (whole, "round", k)]
    return found[:most]


def _spread(values: list[int], count: int) -> list[int]:
    """Return so many of the values, evenly from smallest to largest."""
    if len(values) <= count:
        return values
    return [values[i * len(values) // count] for i in range(count)] if count > 0 else []


def value(function: _Function, size: int) -> tuple[int, int]:
    """Return what a function makes of a size, as a fraction: 1 for the whole sheet.

    ``cut``: sizes under k count nothing, those that leave less than k count for the whole.
    ``step``: whole steps of 1/(k+1) count 1/k each. ``round``: counts steps of k, from the far
    edge for what is over half.
    """
    whole, name, k = function
    if name == "same":
        return size, whole
    if name == "cut":
        return (whole if size > whole - k else 0 if size < k else size), whole
    if name == "step":
        if size * (k + 1) % whole == 0:
            return size, whole
        return size * (k + 1) // whole, k
    steps = whole // k
    if 2 * size > whole:
        return 2 * (steps - (whole - size) // k), 2 * steps
    if 2 * size == whole:
        return steps, 2 * steps
    return 2 * (size // k), 2 * steps


def _table(function: _Function, pieces: list[tuple[int, int, int, bool]]) -> tuple[list[float], list[float]]:
    whole = function[0]

    def share(size: int) -> float:
        if size > whole:
            return 1e9
        top, below = value(function, size)
        return top / below

    return [share(long) for long, _, _, _ in pieces], [share(wide) for _, wide, _, _ in pieces]


def _exactly(one: _Function, other: _Function, pieces: list[tuple[int, int, int, bool]]) -> int:
    """Return the bound of two functions in whole numbers."""
    total = Fraction(0)
    for long, wide, count, fixed in pieces:
        ways = []
        for a, b in ((long, wide),) if fixed else ((long, wide), (wide, long)):
            if a <= one[0] and b <= other[0]:
                ways.append(Fraction(*value(one, a)) * Fraction(*value(other, b)))
        total += min(ways, default=Fraction(0)) * count
    return ceil(total)
