# SPDX-License-Identifier: GPL-3.0-or-later
"""The order in which cases go into the room: corner first, outward from there; what hangs before what stands, or after it.

A corner case, or the one beside an appliance that has its fixed place, goes first on its wall, then its neighbours one after another
away from it: each is set against one that stands. Otherwise it begins at the end that is a wall. What stands on another comes after
that (common practice). Then the room is taken apart in space, and the order is changed where a case would have no way in.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from ..case.plan_diagonal import Diagonal
from ..lengths import ZERO, Length
from ..order.first import First
from ..room.wall import End
from ..run.place import Place
from ..run.space import SpaceKind
from ..shop.made import Made
from ..ways.way import Move
from .carried import lift
from .room_apart import in_order


@dataclass(frozen=True, slots=True)
class Entry:
    """A case in the order of going in.

    Args:
        letter: of the case.
        wall: number of its wall.
        against: what it is set against, in words' place: the letter of a case that stands, or empty for the first.
        after: letters of the cases that stand before it does.
        hands: how many set it.
        first: why it is the first of its run: ``corner``, ``appliance``, ``wall``, ``free``, or ``way`` as it has no way
            in once the others stand; empty for any other.
        off: how far from what it is set against it stands, where something is between them; 0 where they touch.
        way: how it comes to its place, in the axes of its wall; ``None`` where there is no way.
    """

    letter: str
    wall: int
    against: str
    after: tuple[str, ...]
    hands: int
    first: str = ""
    off: Length = ZERO
    way: tuple[Move, ...] | None = ()


def sequence(made: Made) -> list[Entry]:
    """Return every case of the runs in the order of going in: as is usual, and so that each has a way in."""
    upper = made.project.bench.order.first is First.UPPERS
    usual: list[str] = []
    firsts: dict[str, str] = {}
    lines: dict[str, tuple[int, list[Place]]] = {}
    rooms = dict.fromkeys(room.wall.room for room in made.rooms)
    for room in rooms:
        walls = [each.number for each in made.rooms if each.wall.room == room]
        for above in (upper, not upper):
            for wall in walls:
                places = [p for p in made.line(wall, above).places if p.letter and p.letter not in made.unbuilt]
                if places:
                    start, why = _start(made, wall, above, places)
                    order = [*range(start, len(places)), *range(start - 1, -1, -1)]
                    usual += [places[at].letter for at in order]
                    firsts[places[start].letter] = why
                    lines.update({place.letter: (wall, places) for place in places})
    below = {letter: frozenset(_below(made, letter, set(usual))) for letter in usual}
    above_it = {letter: frozenset(other for other in usual if letter in below[other]) for letter in usual}
    found: list[Entry] = []
    for taken in in_order(made, _stacked_after(usual, below), above_it):
        there = {each.letter for each in found}
        wall, places = lines[taken.letter]
        at = next(i for i, place in enumerate(places) if place.letter == taken.letter)
        beside = [places[i] for i in (at - 1, at + 1) if 0 <= i < len(places) and places[i].letter in there]
        mine, off = places[at], ZERO
        if beside:
            off = max(ZERO, mine.x - beside[0].end if beside[0].x < mine.x else beside[0].x - mine.end)
        names = [place.letter for place in beside]
        after = (*names, *sorted(below[taken.letter] - set(names)))
        first = "" if names else firsts.get(taken.letter, "way")
        hands = lift(made, taken.letter).hands
        found.append(Entry(taken.letter, wall, names[0] if names else "", after, hands, first, off, taken.way))
    return found


def _stacked_after(usual: list[str], below: Mapping[str, frozenset[str]]) -> list[str]:
    """Return an order with what stands on another after that."""
    found, waiting = list[str](), list(usual)
    while waiting:
        ready = next((letter for letter in waiting if below[letter] <= set(found)), waiting[0])
        waiting.remove(ready)
        found.append(ready)
    return found


def _start(made: Made, wall: int, upper: bool, places: list[Place]) -> tuple[int, str]:
    for at, place in enumerate(places):
        if isinstance(made.project.case(place.letter).plan, Diagonal):
            return at, "corner"
    room = made.rooms[wall - 1].wall
    if room.right is End.CORNER and room.left is not End.CORNER:
        return len(places) - 1, "corner"
    if room.left is End.CORNER:
        return 0, "corner"
    row = made.line(wall, upper).places
    for at, each in enumerate(row):
        if each.space and made.project.spaces[each.space - 1].kind in (SpaceKind.APPLIANCE, SpaceKind.FOUND):
            before, after = ([p for p in side if p in places] for side in (row[:at], row[at + 1 :]))
            if before or after:
                return places.index(after[0] if after else before[-1]), "appliance"
    if room.left is End.OPEN and room.right is not End.OPEN:
        return len(places) - 1, "wall"
    return 0, "wall" if room.left is not End.OPEN else "free"


def _below(made: Made, letter: str, known: set[str]) -> set[str]:
    """Return the letters of the cases under a case that stands on another: all that reach under it."""
    case, place = made.project.case(letter), made.place(letter)
    if case.on is None or place is None:
        return set()
    under = [p.letter for p in made.line(case.wall).places if p.letter and p.x < place.end and place.x < p.end]
    return ({case.on.letter} | set(under)) & known - {letter}
