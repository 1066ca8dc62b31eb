# SPDX-License-Identifier: GPL-3.0-or-later
"""Generated lists to plan: rooms as they are built, full sheets cut backwards, and very long lists."""

from __future__ import annotations

from collections import Counter
from random import Random

from ablebox.core.cuts.problem import Piece, Problem, Supply

MM = 16_000
SHEETS = (Supply("2440 x 1220", 2440 * MM, 1220 * MM), Supply("2800 x 2070", 2800 * MM, 2070 * MM))


def room(seed: int) -> Problem:
    """Return the sheet parts of a room of two to thirty cases; sides and doors keep their grain."""
    rng = Random(seed)
    found: Counter[tuple[int, int, bool]] = Counter()
    for _ in range(rng.choice((2, 4, 6, 9, 14, 22, 30))):
        wide, deep = rng.choice((300, 400, 450, 500, 600, 750, 800, 900)), rng.choice((560, 580, 320))
        high = rng.choice((720, 720, 2100, 900, 780))
        found[(high, deep, True)] += 2
        found[(wide - 36, deep, False)] += rng.choice((1, 2))
        found[(wide - 36, 100, False)] += 2
        if rng.random() < 0.7:
            found[(wide - 38, deep - 20, False)] += rng.randint(1, 4)
        if rng.random() < 0.6:
            found[(high - 3, (wide - 6) // 2 if wide >= 600 else wide - 4, True)] += 2 if wide >= 600 else 1
        else:
            drawers = rng.randint(2, 4)
            front = (high - 3 * drawers) // drawers if high < 1000 else 240
            found[(wide - 4, front, False)] += drawers
            found[(500, front - 60, False)] += 2 * drawers
            found[(wide - 86, front - 60, False)] += 2 * drawers
    pieces = tuple(
        Piece(f"p{i}", long * MM, wide * MM, n, fixed) for i, ((long, wide, fixed), n) in enumerate(found.items())
    )
    return Problem(pieces, (rng.choice(SHEETS),), rng.choice((32, 40)) * MM // 10, rng.choice((0, 5, 10)) * MM)


def perfect(seed: int, sheets: int, least: int = 600) -> Problem:
    """Cut full sheets at whole millimetres, a kerf of 3 between: the number of sheets they need is known.

    Args:
        seed: of the cuts.
        sheets: how many.
        least: what is shorter than this, in mm, is cut no further.
    """
    rng = Random(seed)
    boards, pieces = [(2440, 1220)] * sheets, []
    while boards:
        long, wide = boards.pop()
        along = (long > wide) == (rng.random() < 0.8)
        size = long if along else wide
        if size < least or (rng.random() < 0.12 and long * wide < 700_000):
            pieces.append(Piece(f"p{len(pieces)}", long * MM, wide * MM, 1, rng.random() < 0.5))
            continue
        at = rng.randint(size // 5, 4 * size // 5)
        boards += [(at, wide), (size - at - 3, wide)] if along else [(long, at), (long, size - at - 3)]
    rng.shuffle(pieces)
    return Problem(tuple(pieces), SHEETS[:1], 3 * MM, 0)


def long_list(seed: int, count: int) -> Problem:
    """Return a list of so many pieces of all sizes."""
    rng = Random(seed)
    pieces: list[Piece] = []
    left = count
    while left:
        n = min(left, rng.choice((1, 1, 2, 2, 4, 6)))
        left -= n
        size = rng.randint(80, 1200) * MM, rng.randint(60, 700) * MM
        pieces.append(Piece(f"p{len(pieces)}", *size, n, rng.random() < 0.5))
    return Problem(tuple(pieces), SHEETS[:1], 32 * MM // 10, 5 * MM)
