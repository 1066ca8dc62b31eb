# SPDX-License-Identifier: GPL-3.0-or-later
"""How few sheets there can be, by area.

Each piece takes one kerf more each way than its size, and a sheet offers one kerf more than
its usable size, since the last cut may fall off the edge. The largest sheets are taken first.
"""

from __future__ import annotations

from dataclasses import dataclass

from .problem import Problem


@dataclass(frozen=True, slots=True)
class Bound:
    """A lower bound.

    Args:
        sheets: no plan needs fewer.
        by_area: the pieces' area in sheets of the largest size, kerf counted.
    """

    sheets: int
    by_area: float


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
