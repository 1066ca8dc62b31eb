# SPDX-License-Identifier: GPL-3.0-or-later
"""Some blanks joined along equal sides for a round of the search: patterns get deeper cuts without another search."""

from __future__ import annotations

from collections.abc import Sequence
from random import Random

from .blanks import Blank


def paired(blanks: Sequence[Blank], joins: int, length: int, width: int, rng: Random) -> list[Blank]:
    """Return the blanks with some joined, two by two, along a side that both have.

    Args:
        blanks: what is to be laid.
        joins: how many times two are joined at most.
        length: of the largest bed.
        width: of it.
        rng: chooses.
    """
    there: dict[int, Blank] = dict(enumerate(blanks))
    sides: dict[int, list[int]] = {}
    for number, blank in there.items():
        _put(sides, number, blank)
    shared = [side for side, numbers in sides.items() if len(numbers) > 1]
    number = len(blanks)
    for _ in range(4 * joins):
        if joins == 0 or not shared:
            break
        at = rng.randrange(len(shared))
        side = shared[at]
        alive = [each for each in sides[side] if each in there]
        sides[side] = alive
        if len(alive) < 2:
            shared[at] = shared[-1]
            shared.pop()
            continue
        one, two = rng.sample(alive, 2)
        made = _join(there[one], there[two], side, length, width, rng) if one != two else None
        if made is None:
            continue
        del there[one], there[two]
        there[number] = made
        _put(sides, number, made)
        for own in (made.length, made.width):
            if len(sides[own]) == 2 and own not in shared:
                shared.append(own)
        number += 1
        joins -= 1
    return list(there.values())


def _put(sides: dict[int, list[int]], number: int, blank: Blank) -> None:
    sides.setdefault(blank.length, []).append(number)
    if blank.width != blank.length:
        sides.setdefault(blank.width, []).append(number)


def _join(one: Blank, two: Blank, side: int, length: int, width: int, rng: Random) -> Blank | None:
    """Return two blanks side by side along a common side; ``None`` if they cannot lie so, or are too large then."""
    fixed = one.fixed or two.fixed
    level = rng.random() < 0.5
    for along in (level, not level):
        # Along: one after another along the length, the common side across it.
        turns = [(blank.width if along else blank.length) != side for blank in (one, two)]
        if (turns[0] and one.fixed) or (turns[1] and two.fixed):
            continue
        first, second = (
            (blank.width if turned == along else blank.length) for blank, turned in zip((one, two), turns, strict=True)
        )
        long, wide = (first + second, side) if along else (side, first + second)
        if not ((long <= length and wide <= width) or (not fixed and wide <= length and long <= width)):
            continue
        at = (first, 0) if along else (0, first)
        return Blank("", long, wide, fixed, None, ((one, 0, 0, turns[0]), (two, *at, turns[1])))
    return None
