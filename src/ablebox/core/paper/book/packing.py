# SPDX-License-Identifier: GPL-3.0-or-later
"""What goes on which page where things are of many heights: pages are filled well, and what comes first stays near the front.

A page is filled by dynamic programming over the sums of heights that can be reached (subset sum, from memory); of what fills it about as
well, what is next in its order goes on it.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from itertools import permutations, product

#: Heights are reckoned in steps of so many points, upwards.
_STEP = 2.0
#: So many of the next things are looked at for a page, the fewest that do.
_AHEAD = (8, 12, 16)
#: What a point left free counts beside a place that something waits for longer, the orderly first.
_FREE = (0.25, 0.5, 1.0, 2.0, 5.0, 20.0)
#: So many things are put in every order to find one that fits.
_MOST = 7


@dataclass(frozen=True, slots=True)
class Thing:
    """Something that goes on a page.

    Args:
        high: how high it is, in points.
        least: how much of it must stand together, before it may go on in the next column of its page.
        piece: the highest of what is not broken then: so much may stay free where it breaks.
    """

    high: float
    least: float
    piece: float


def fits(order: Sequence[Thing], columns: Sequence[float]) -> bool:
    """Whether things, one after another, go into the columns of a page, each so high."""
    at, y = 0, 0.0
    for thing in order:
        rest = columns[at] - y
        if thing.high <= rest:
            y += thing.high
            continue
        last = at == len(columns) - 1
        if last:
            return False
        at += 1
        y = thing.high - rest + thing.piece if thing.least <= rest else thing.high
        if y > columns[at]:
            return False
    return True


def packed(things: Sequence[Thing], first: Sequence[float], page: Sequence[float], most: int) -> list[list[int]] | None:
    """Return which things go on each page, in their order there; ``None`` if more pages would be needed than may be.

    Args:
        things: in the order in which they should stand.
        first: how high each column of the first page is.
        page: how high each column of further pages is.
        most: how many pages there may be.
    """
    room = sum(first) + sum(page) * (most - 1)
    if sum(thing.high for thing in things) > room:
        return None
    for ahead, free in product(_AHEAD, _FREE):
        found = _filled(things, lambda n: first if not n else page, most, ahead, free)
        if found is not None:
            return found
    return None


def _filled(
    things: Sequence[Thing], columns: Callable[[int], Sequence[float]], most: int, ahead: int, free: float
) -> list[list[int]] | None:
    pages: list[list[int]] = []
    left = list(range(len(things)))
    while left:
        if len(pages) == most:
            return None
        room = columns(len(pages))
        mine = _page(things, left[:ahead], room, free)
        if not mine and not pages:
            # What is left of the first page is filled with what has room there.
            mine = _page(things, [i for i in left if fits([things[i]], room)][:ahead], room, free)
        elif not mine:
            return None
        pages.append(mine)
        left = [i for i in left if i not in mine]
    return pages


def _page(things: Sequence[Thing], next_up: Sequence[int], columns: Sequence[float], free: float) -> list[int]:
    """Return what goes on a page, in its order; nothing if the first that waits has no room on it."""
    room = int(sum(columns) / _STEP)
    # By the height reached: what comes to it, with the least waiting of what is left out.
    best: dict[int, tuple[int, tuple[int, ...]]] = {0: (0, ())}
    for place, i in enumerate(next_up):
        high = -int(-things[i].high // _STEP)
        # The first that waits goes on the page whatever else does.
        found = {} if not place else dict(best)
        for sum_, (late, mine) in best.items():
            now = (late + place - len(mine), (*mine, i))
            if sum_ + high <= room and (sum_ + high not in found or now < found[sum_ + high]):
                found[sum_ + high] = now
        best = found
    ranked = sorted((late + (room - sum_) * _STEP * free, mine) for sum_, (late, mine) in best.items())
    for _, mine in ranked:
        orders = permutations(mine) if len(mine) <= _MOST else [mine]
        order = next((each for each in orders if fits([things[i] for i in each], columns)), None)
        if order is not None:
            return list(order)
    return []
