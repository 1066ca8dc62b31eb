# SPDX-License-Identifier: GPL-3.0-or-later
"""How few sheets there can be: by area, and by sizes that cannot share a sheet.

Each piece takes one kerf more each way than its size, and a sheet offers one kerf more than
its usable size, since the last cut may fall off the edge. Offcuts cost nothing: only sheets that are
bought are counted. Better than area is a product of two dual feasible functions; better still are many
such products at once (``pair_bound``).
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from math import ceil

from .dual_feasible import Function, functions, value
from .problem import Problem, Supply

#: Functions tried for each direction at most, fewer where there are many kinds of piece.
_FUNCTIONS, _WORK = 90, 700_000


@dataclass(frozen=True, slots=True)
class Bound:
    """A lower bound.

    Args:
        sheets: no plan needs fewer that are bought.
        by_area: the pieces' area in sheets of the largest size, kerf counted.
        by_sizes: whether it is the sizes of pieces, not their area, that ask for so many.
        cost: no plan costs less, in hundredths, where sheets of several prices are to be had; otherwise 0.
    """

    sheets: int
    by_area: float
    by_sizes: bool = False
    cost: int = 0


def offers(problem: Problem) -> list[tuple[int, int, Supply]]:
    """Return length and width, with one kerf, of each kind of sheet that has any room."""
    found = []
    for supply in problem.supplies:
        length, width = problem.usable(supply)
        if min(length, width) > 0 and supply.count != 0:
            found.append((length + problem.kerf, width + problem.kerf, supply))
    return found


def bound(problem: Problem) -> Bound:
    """Return the area bound of a problem."""
    kerf = problem.kerf
    need = sum((p.length + kerf) * (p.width + kerf) * p.count for p in problem.pieces)
    there = offers(problem)
    if not there or not need:
        return Bound(0, 0.0)
    caps = [(Fraction(length * width), supply) for length, width, supply in there]
    by_area = need / max(length * width for length, width, _ in there)
    return least(problem, Fraction(need), caps, by_area, False)


def least(
    problem: Problem, need: Fraction, caps: Sequence[tuple[Fraction, Supply]], by_area: float, by_sizes: bool
) -> Bound:
    """Return the bound that follows from what pieces need and each kind of sheet can give, in any one measure."""
    sheets = ceil(_cheapest(need, [(cap, supply.count, 0 if supply.offcut else 1) for cap, supply in caps]))
    cost = 0
    if problem.by_price:
        cost = ceil(_cheapest(need, [(cap, supply.count, problem.cost(supply)) for cap, supply in caps]))
    return Bound(sheets, by_area, by_sizes, cost)


def _cheapest(need: Fraction, rows: list[tuple[Fraction, int | None, int]]) -> Fraction:
    """Return the least cost of giving what is needed, parts of sheets allowed."""
    total = Fraction(0)
    rows = [row for row in rows if row[0] > 0]
    for cap, count, cost in sorted(rows, key=lambda row: row[2] / row[0]):
        taken = need / cap if count is None else min(need / cap, Fraction(count))
        total += taken * cost
        need -= taken * cap
        if need <= 0:
            break
    return total


def sharper(problem: Problem, known: Bound, work: int = _WORK) -> Bound:
    """Return a bound at least as good as the one known, by one product of dual feasible functions.

    Sheets of several sizes are all taken for as long as the longest and as wide as the widest of them
    while the best product is looked for.

    Args:
        problem: the problem.
        known: the bound known.
        work: how many products are tried, about, times pieces.
    """
    kerf, there = problem.kerf, offers(problem)
    if not there or not problem.pieces:
        return known
    length, width = max(each[0] for each in there), max(each[1] for each in there)
    pieces = []
    for p in problem.pieces:
        long, wide = p.length + kerf, p.width + kerf
        # What fits one way only is as good as fixed, lying that way.
        lies, stands = long <= length and wide <= width, wide <= length and long <= width
        if not lies and stands and not p.fixed:
            long, wide = wide, long
        pieces.append((long, wide, p.count, p.fixed or not (lies and stands)))
    most = max(8, min(_FUNCTIONS, int((work / len(pieces)) ** 0.5)))
    both = [size for long, wide, _, fixed in pieces if not fixed for size in (long, wide)]
    along = functions(length, [long for long, _, _, _ in pieces] + both, most)
    across = functions(width, [wide for _, wide, _, _ in pieces] + both, most)
    best, pair = known.by_area, None
    tables = [_table(function, pieces) for function in across]
    for function in along:
        of_length, of_width = _table(function, pieces)
        for other, (other_length, other_width) in zip(across, tables, strict=True):
            total = 0.0
            for i, (_, _, count, fixed) in enumerate(pieces):
                ways = of_length[i] * other_width[i]
                if not fixed:
                    ways = min(ways, of_width[i] * other_length[i])
                total += ways * count
            if total > best + 1e-9:
                best, pair = total, (function, other)
    if pair is None:
        return known
    need = _exactly(*pair, pieces)
    caps = [(product(pair, long, wide), supply) for long, wide, supply in there]
    return better(known, least(problem, need, caps, known.by_area, True))


def better(one: Bound, other: Bound) -> Bound:
    """Return the stronger of two bounds in each of their figures."""
    stronger = other if other.sheets > one.sheets else one
    return Bound(stronger.sheets, stronger.by_area, stronger.by_sizes, max(one.cost, other.cost))


def product(pair: tuple[Function, Function], length: int, width: int) -> Fraction:
    """Return what a pair of functions makes of a length and a width."""
    return Fraction(*value(pair[0], length)) * Fraction(*value(pair[1], width))


def _table(function: Function, pieces: list[tuple[int, int, int, bool]]) -> tuple[list[float], list[float]]:
    whole = function[0]

    def share(size: int) -> float:
        if size > whole:
            return 1e9
        top, below = value(function, size)
        return top / below

    return [share(long) for long, _, _, _ in pieces], [share(wide) for _, wide, _, _ in pieces]


def _exactly(one: Function, other: Function, pieces: list[tuple[int, int, int, bool]]) -> Fraction:
    """Return what two functions make of all pieces, each lying the way that makes less."""
    total = Fraction(0)
    for long, wide, count, fixed in pieces:
        ways = []
        for a, b in ((long, wide),) if fixed else ((long, wide), (wide, long)):
            if a <= one[0] and b <= other[0]:
                ways.append(product((one, other), a, b))
        total += min(ways, default=Fraction(0)) * count
    return total
