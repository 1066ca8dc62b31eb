# SPDX-License-Identifier: GPL-3.0-or-later
"""Strips along a run: a crown, a cover strip over joints, a light rail, one kick board before several cases."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from ..lengths import ZERO, Length
from ..reckoning import Book, Origin, Reckoned, added_up, leaf
from .place import Line, Place
from .space import RunSpace, SpaceKind

#: What strips are called, to choose from.
NAMES = ("crown", "cover strip", "light rail", "kick board")


@dataclass(frozen=True, slots=True)
class RunStrip:
    """A strip along a run, wherever cases and fillers stand beside each other; it ends at open spaces and appliances.

    Args:
        wall: number of the wall, from 1.
        upper: whether it is along what hangs.
        name: what it is called.
        goods: code of the sheets or boards it is cut from.
        width: of it.
        beyond: how far it goes on beyond each end, to be mitred and returned or trimmed.
    """

    wall: int
    upper: bool
    name: str
    goods: str
    width: Length
    beyond: Length = ZERO

    def __post_init__(self) -> None:
        if self.wall < 1 or self.width <= ZERO or self.beyond < ZERO:
            raise ValueError("a strip is along a wall, has a width above 0, and goes on by 0 or more")


def stretches(line: Line, spaces: Sequence[RunSpace]) -> list[list[Place]]:
    """Return what stands beside each other in a run without an open space or an appliance between."""
    found: list[list[Place]] = [[]]
    for place in line.places:
        if place.letter or spaces[place.space - 1].kind is SpaceKind.FILLER:
            found[-1].append(place)
        else:
            found.append([])
    return [places for places in found if any(place.letter for place in places)]


def lengths(strip: RunStrip, number: int, line: Line, spaces: Sequence[RunSpace], longest: Length) -> list[Reckoned]:
    """Return the length of each piece of a strip; what is longer than its stock is made of equal pieces.

    Args:
        strip: the strip.
        number: of it among all, from 1.
        line: the run.
        spaces: everything that stands between cases.
        longest: what can be had in one piece; 0 if nobody knows.
    """
    found = []
    for at, places in enumerate(stretches(line, spaces), start=1):
        total = added_up(place.width for place in places)
        if strip.beyond:
            total = total + leaf(strip.beyond, "beyond each end", f"strip/{number}.beyond", Origin.CHOICE).times(2)
        book, words = Book(f"strip/{number}."), f"length of the {strip.name}"
        count = -(-total.length.ticks // longest.ticks) if longest > ZERO else 1
        key = f"length.{at}"
        each = book.named(total, words, key) if count == 1 else book.shared(total, count, words, key, "in equal pieces")
        found += [each] * count
    return found
