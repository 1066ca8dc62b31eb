# SPDX-License-Identifier: GPL-3.0-or-later
"""Strips along a run: a crown, a cover strip over joints, a light rail, one kick board before several cases."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from enum import Enum

from ..assembly.solid import Box
from ..lengths import ZERO, Length
from ..reckoning import Book, Origin, Reckoned, added_up, leaf
from .place import Line, Place
from .space import RunSpace, SpaceKind


class Sits(Enum):
    """Where along its run a strip is; the value is what stands in files."""

    OVER = "over"
    UNDER = "under"
    BEFORE = "before"
    BEHIND = "behind"
    CLEAT = "cleat"

    @property
    def words(self) -> str:
        """What it is called."""
        return _WORDS[self]

    @property
    def on_the_wall(self) -> bool:
        """Whether it is screwed to the wall first, and what hangs is held by it."""
        return self in (Sits.BEHIND, Sits.CLEAT)


_WORDS = {
    Sits.OVER: "on top, at the front",
    Sits.UNDER: "under them, at the front",
    Sits.BEFORE: "before them",
    Sits.BEHIND: "on the wall behind them, under their tops",
    Sits.CLEAT: "on the wall behind them, bevelled, its mate on them",
}
#: What strips are called, to choose from, and where each is.
NAMES = {"crown": Sits.OVER, "cover strip": Sits.BEFORE, "light rail": Sits.UNDER, "kick board": Sits.BEFORE, "wall rail": Sits.BEHIND,
         "wall cleat": Sits.CLEAT}  # fmt: skip


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
        sits: whether it stands on the cases, hangs under them, lies before them, or is on the wall behind them.
    """

    wall: int
    upper: bool
    name: str
    goods: str
    width: Length
    beyond: Length = ZERO
    sits: Sits = Sits.BEFORE

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


def boxes_of(strip: RunStrip, line: Line, spaces: Sequence[RunSpace], thick: Length) -> list[Box]:
    """Return the box each length of a strip takes at its wall: x along it, y below 0 before it, z over the floor.

    It stands on the front edges of what it goes along, or hangs under them; of what lies before them nobody has said how high.
    """
    found = []
    for places in stretches(line, spaces) if strip.sits in (Sits.OVER, Sits.UNDER) else ():
        face = ZERO - max(place.depth for place in places)
        low = max(place.high for place in places)
        if strip.sits is Sits.UNDER:
            low = min(place.low for place in places) - strip.width
        along = places[-1].end - places[0].x + strip.beyond * 2
        found.append(Box.at((places[0].x - strip.beyond, face, low), (along, thick, strip.width)))
    return found


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
