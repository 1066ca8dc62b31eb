# SPDX-License-Identifier: GPL-3.0-or-later
"""The order in which cases go into the room: corner first, outward from there; what hangs before what stands, or after it.

A corner case, or the one beside an appliance that has its fixed place, goes first on its wall, then its neighbours one after another
away from it: each is set against one that stands. Otherwise it begins at the end that is a wall. What stands on another comes after
that (common practice).
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace

from ..case.plan_diagonal import Diagonal
from ..lengths import ZERO, Length
from ..order.first import First
from ..room.wall import End
from ..run.place import Place
from ..run.space import SpaceKind
from ..shop.made import Made
from .carried import lift


@dataclass(frozen=True, slots=True)
class Entry:
    """A case in the order of going in.

    Args:
        letter: of the case.
        wall: number of its wall.
        against: what it is set against, in words' place: the letter of a case that stands, or empty for the first.
        after: letters of the cases that stand before it does.
        hands: how many set it.
        first: why it is the first of its run: ``corner``, ``appliance``, ``wall`` or ``free``; empty for any other.
        off: how far from what it is set against it stands, where something is between them; 0 where they touch.
    """

    letter: str
    wall: int
    against: str
    after: tuple[str, ...]
    hands: int
    first: str = ""
    off: Length = ZERO


def sequence(made: Made) -> list[Entry]:
    """Return every case of the runs in the order of going in."""
    upper = made.project.bench.order.first is First.UPPERS
    found: list[Entry] = []
    rooms = dict.fromkeys(room.wall.room for room in made.rooms)
    for room in rooms:
        walls = [each.number for each in made.rooms if each.wall.room == room]
        for above in (upper, not upper):
            for wall in walls:
                found += _of_line(made, wall, above)
    return _stacked_after(made, found)


def _of_line(made: Made, wall: int, upper: bool) -> Iterable[Entry]:
    places = [place for place in made.line(wall, upper).places if place.letter and place.letter not in made.unbuilt]
    if not places:
        return []
    start, why = _start(made, wall, upper, places)
    order = [start]
    right, left = start + 1, start - 1
    while right < len(places) or left >= 0:
        if right < len(places):
            order.append(right)
            right += 1
        else:
            order.append(left)
            left -= 1
    found = []
    for i, at in enumerate(order):
        letter = places[at].letter
        beside = [places[k] for k in (at - 1, at + 1) if k in order[:i]]
        mine, off = places[at], ZERO
        if beside:
            off = max(ZERO, mine.x - beside[0].end if beside[0].x < mine.x else beside[0].x - mine.end)
        names = tuple(place.letter for place in beside)
        hands = lift(made, letter).hands
        found.append(Entry(letter, wall, names[0] if names else "", names, hands, "" if i else why, off))
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


def _stacked_after(made: Made, rows: list[Entry]) -> list[Entry]:
    """Return the order with what stands on another after that."""
    found: list[Entry] = []
    waiting = list(rows)
    while waiting:
        done = {each.letter for each in found}
        known = {each.letter for each in rows}
        ready = next((e for e in waiting if _below(made, e.letter, known) <= done), waiting[0])
        waiting.remove(ready)
        below = tuple(sorted(_below(made, ready.letter, known) - set(ready.after)))
        found.append(replace(ready, after=(*ready.after, *below)))
    return found


def _below(made: Made, letter: str, known: set[str]) -> set[str]:
    """Return the letters of the cases under a case that stands on another: all that reach under it."""
    case, place = made.project.case(letter), made.place(letter)
    if case.on is None or place is None:
        return set()
    under = [p.letter for p in made.line(case.wall).places if p.letter and p.x < place.end and place.x < p.end]
    return ({case.on.letter} | set(under)) & known - {letter}
