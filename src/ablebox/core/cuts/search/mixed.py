# SPDX-License-Identifier: GPL-3.0-or-later
"""Sheets of several sizes or prices: what lies on one or two of them is tried on cheaper ones."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from dataclasses import replace
from itertools import combinations, combinations_with_replacement

from .blanks import Bed, Blank
from .construct import Lay, Rule, lay_out

#: Sheets that are looked at in pairs at most: the emptiest ones.
_PAIRED = 8


def cheaper(
    lays: list[Lay],
    beds: Sequence[Bed],
    sorts: Iterable[Callable[[Blank], tuple[int, ...]]],
    rules: Sequence[Rule],
    smallest: int,
    stop: Callable[[], bool],
) -> list[Lay] | None:
    """Return a layout in which one or two sheets have become cheaper or smaller; ``None`` if none was found.

    Args:
        lays: the layout.
        beds: all kinds of sheet.
        sorts: orders in which blanks are tried.
        rules: by which they are laid.
        smallest: the smallest side of any blank.
        stop: asked now and then.
    """
    emptiest = sorted(lays, key=lambda lay: lay.filled)
    groups = [(lay,) for lay in emptiest] + list(combinations(emptiest[:_PAIRED], 2))
    for group in groups:
        if stop():
            return None
        own = _worth([lay.bed for lay in group])
        area = sum(blank.area for lay in group for blank, *_ in lay.placed)
        kept = [lay for lay in lays if all(lay is not each for each in group)]
        for chosen in _choices(beds, len(group)):
            if _worth(chosen) >= own or sum(bed.length * bed.width for bed in chosen) < area:
                continue
            if not _to_be_had(chosen, kept):
                continue
            blanks = [blank for lay in group for blank, *_ in lay.placed]
            fresh = _fit(blanks, chosen, sorts, rules, smallest)
            if fresh is not None:
                return [*kept, *fresh]
    return None


def _worth(beds: Sequence[Bed]) -> tuple[int, int]:
    bought = [bed for bed in beds if not bed.supply.offcut]
    return sum(bed.cost for bed in bought), sum(bed.length * bed.width for bed in bought)


def _choices(beds: Sequence[Bed], most: int) -> list[tuple[Bed, ...]]:
    """Return so many beds or fewer, the cheapest choice first."""
    found = [chosen for count in range(1, most + 1) for chosen in combinations_with_replacement(beds, count)]
    return sorted(found, key=_worth)


def _to_be_had(chosen: Sequence[Bed], kept: Sequence[Lay]) -> bool:
    for bed in chosen:
        used = sum(lay.bed.supply is bed.supply for lay in kept) + sum(each is bed for each in chosen)
        if bed.count is not None and used > bed.count:
            return False
    return True


def _fit(
    blanks: list[Blank],
    chosen: Sequence[Bed],
    sorts: Iterable[Callable[[Blank], tuple[int, ...]]],
    rules: Sequence[Rule],
    smallest: int,
) -> list[Lay] | None:
    single = [replace(bed, count=1) for bed in chosen]
    for by in sorts:
        order = sorted(blanks, key=by)
        for rule in rules:
            fresh = lay_out(order, single, rule, smallest)
            if fresh is not None:
                own = {id(one): bed for one, bed in zip(single, chosen, strict=True)}
                return [Lay(own[id(lay.bed)], lay.placed, lay.free) for lay in fresh]
    return None
