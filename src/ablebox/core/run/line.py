# SPDX-License-Identifier: GPL-3.0-or-later
"""A run along a wall: what stands on the floor, or hangs above it, one beside the other, and what is left over.

Widths that follow, and spaces without a width, share equally what the others leave of the smallest width. Round a
corner the run of the wall before takes its depth first. Hung cases share the wall with what stands as high as they hang.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace

from ..cabinet.design import Case
from ..case.base_hung import Hung
from ..lengths import ZERO, Length
from ..reckoning import Book, Origin, Reckoned, added_up, leaf
from ..room.wall import End, Measured
from .space import RunSpace


@dataclass(frozen=True, slots=True)
class Place:
    """Where something stands in a run.

    Args:
        letter: of the case; empty for a space.
        space: number of the space among all, from 1; 0 for a case.
        width: what it takes of the run.
        x: its left edge, from the wall's left end.
        low: its lower edge over the floor.
        high: its upper edge over the floor.
        depth: how deep it is.
    """

    letter: str
    space: int
    width: Reckoned
    x: Length
    low: Length
    high: Length
    depth: Length

    @property
    def end(self) -> Length:
        """Its right edge."""
        return self.x + self.width.length

    @property
    def name(self) -> str:
        """What it is known by: the case's letter, or the space's number."""
        return self.letter or f"space {self.space}"


@dataclass(frozen=True, slots=True)
class Line:
    """One run.

    Args:
        wall: number of the wall, from 1.
        upper: whether it is the one that hangs.
        places: what stands in it, from left to right.
        total: their widths added up; ``None`` if there is nothing.
        usable: what there is for them; ``None`` where the wall was not measured.
    """

    wall: int
    upper: bool
    places: tuple[Place, ...]
    total: Reckoned | None
    usable: Reckoned | None

    @property
    def left_over(self) -> Length | None:
        """What nothing takes of the width there is; below 0 if it is too little."""
        if self.usable is None or self.total is None:
            return None
        return self.usable.length - self.total.length


def hangs(case: Case) -> bool:
    """Whether a case hangs on the wall."""
    return isinstance(case.kick, Hung)


def width_of_space(space: RunSpace, number: int, shared: Mapping[int, Reckoned]) -> Reckoned:
    """Return what a space takes of the run: its width, an appliance's with the air at both sides."""
    book, words = Book(f"space/{number}."), space.name or space.kind.words
    if space.width is None:
        return shared.get(number) or leaf(
            ZERO, f"{words}: nothing is left for it", f"space/{number}.width", Origin.RULE
        )
    own = leaf(space.width, f"width of {words}", f"space/{number}.width", Origin.CHOICE)
    if not space.air:
        return own
    air = leaf(space.air, "air at each side", f"space/{number}.air", Origin.CHOICE)
    return book.named(own + air.times(2), f"place of {words}", "place")


def _members(
    number: int, cases: Sequence[Case], spaces: Sequence[RunSpace], upper: bool
) -> list[tuple[Case | None, int]]:
    """Return the members of one wall, in order: cases as they stand in the project, each after the spaces before it.

    Beside what hangs, a case that stands on the floor counts as far as it is higher than the lowest hung one.
    """
    standing = [case for case in cases if case.in_alcove and case.wall == number]
    own = [(i, s) for i, s in enumerate(spaces, start=1) if s.wall == number and s.upper is upper]
    letters, low = {case.letter for case in standing}, _lowest(standing)
    members: list[tuple[Case | None, int]] = []
    for case in standing:
        members += [(None, i) for i, space in own if space.before == case.letter]
        if hangs(case) is upper or (upper and low is not None and case.height > low):
            members.append((case, 0))
    return members + [(None, i) for i, space in own if space.before not in letters]


def _lowest(cases: Iterable[Case]) -> Length | None:
    """Return how high the lowest hung case hangs."""
    return min((case.hang for case in cases if hangs(case)), default=None)


def _taken(case: Case, widths: Mapping[str, Reckoned]) -> Reckoned:
    """Return what a case takes of the run: its width, or its depth where it stands turned by a quarter."""
    book, words = Book(f"{case.letter}/"), f"case {case.letter}"
    if case.turned % 2:
        return book.chosen(case.depth, f"{words}, its depth", "depth")
    return widths.get(case.letter) or book.chosen(case.width, words, "width")


def lines(
    cases: Sequence[Case], spaces: Sequence[RunSpace], walls: Sequence[Measured]
) -> tuple[list[Line], dict[str, Reckoned]]:
    """Return the runs of all walls, and the widths of the cases that follow, by letter.

    Args:
        cases: all cases.
        spaces: all spaces.
        walls: the walls as measured, in order.
    """
    found: list[Line] = []
    widths: dict[str, Reckoned] = {}
    before: dict[bool, Line | None] = {False: None, True: None}
    for room in walls:
        floor: Line | None = None
        for upper in (False, True):
            line, own = _line(room, cases, spaces, upper, before[upper], floor)
            widths |= own
            if upper is False:
                floor = line
            found.append(line)
        before = {line.upper: line for line in found[-2:]}
    return found, widths


def _line(
    room: Measured,
    cases: Sequence[Case],
    spaces: Sequence[RunSpace],
    upper: bool,
    corner: Line | None,
    floor: Line | None,
) -> tuple[Line, dict[str, Reckoned]]:
    members = _members(room.number, cases, spaces, upper)
    hung_at = _lowest(case for case, _ in members if case is not None)
    start, usable = ZERO, room.usable
    taken_round = _round_the_corner(room, corner)
    if taken_round is not None:
        start = taken_round.length
        if usable is not None:
            usable = _usable(room, upper, usable - taken_round)
    if End.OPEN not in (room.wall.left, room.wall.right) and room.governing is not None and taken_round is None:
        start += room.wall.allowance.share(2)[0]
    followers = [
        case
        for case, _ in members
        if case is not None and case.follows and not case.turned % 2 and hangs(case) is upper
    ]
    shares = [space for case, space in members if case is None and spaces[space - 1].width is None]
    own, shared = _shared(room, upper, usable, members, spaces, followers, shares)
    places, x = [], start
    for case, number in members:
        if case is None:
            space = spaces[number - 1]
            width = width_of_space(space, number, shared)
            low = hung_at or ZERO if upper else ZERO
            places.append(Place("", number, width, x, low, low + space.height, space.depth))
        elif upper and not hangs(case):
            standing = next((p for p in floor.places if p.letter == case.letter), None) if floor else None
            if standing is not None:
                x = max(x, standing.end)
            continue
        else:
            width = _taken(case, own)
            low = case.hang if upper else ZERO
            places.append(Place(case.letter, 0, width, x, low, low + case.height, case.depth))
        x += width.length
    total = added_up(place.width for place in places) if places else None
    if total is not None:
        key = f"run{'' if room.number == 1 else room.number}{'.upper' if upper else ''}/width"
        total = Reckoned(total.length, "width of the run", key, Origin.RECKONED, "", total.terms)
    tall = [p.width for p in _tall(members, upper, floor)]
    for each in tall:
        if usable is not None:
            usable = _usable(room, upper, usable - each)
    return Line(room.number, upper, tuple(places), total, usable), own


def _tall(members: list[tuple[Case | None, int]], upper: bool, floor: Line | None) -> list[Place]:
    if not upper or floor is None:
        return []
    letters = {case.letter for case, _ in members if case is not None and not hangs(case)}
    return [place for place in floor.places if place.letter in letters]


def _usable(room: Measured, upper: bool, left: Reckoned) -> Reckoned:
    words = "left for what hangs" if upper else "left for the run"
    return Reckoned(
        left.length, words, f"{room.prefix}left{'.upper' if upper else ''}", Origin.RECKONED, "", left.terms
    )


def _round_the_corner(room: Measured, corner: Line | None) -> Reckoned | None:
    """Return what the run of the wall before takes at the left: the depth of its last case."""
    if room.wall.left is not End.CORNER or corner is None or not corner.places:
        return None
    last = corner.places[-1]
    words = f"depth of {last.name} round the corner"
    return leaf(last.depth, words, f"{last.letter}/depth" if last.letter else "", Origin.CHOICE, "the run comes round")


def _shared(
    room: Measured,
    upper: bool,
    usable: Reckoned | None,
    members: list[tuple[Case | None, int]],
    spaces: Sequence[RunSpace],
    followers: list[Case],
    shares: list[int],
) -> tuple[dict[str, Reckoned], dict[int, Reckoned]]:
    """Return the widths of the cases that follow and of the spaces without one: equal shares of what is left."""
    if usable is None or not (followers or shares):
        return {}, {}
    left = usable.times(1)
    for case, number in members:
        if case is not None and case not in followers:
            left = left - _taken(case, {})
        elif case is None and number not in shares:
            left = left - width_of_space(spaces[number - 1], number, {})
    count = len(followers) + len(shares)
    widths: dict[str, Reckoned] = {}
    for case in followers:
        book, note = Book(f"{case.letter}/"), "follows from the run"
        if count == 1:
            widths[case.letter] = book.named(left, "case width", "width", note)
        else:
            widths[case.letter] = book.shared(left, count, "case width", "width", note)
    if left.length <= ZERO:
        return widths, {}
    shared = {}
    for number in shares:
        book, words = Book(f"space/{number}."), f"width of {spaces[number - 1].name or spaces[number - 1].kind.words}"
        note = "a share of what is left over"
        if count == 1:
            shared[number] = book.named(left, words, "width", note)
        else:
            shared[number] = book.shared(left, count, words, "width", note)
    return widths, shared


def without_case(spaces: Sequence[RunSpace], letter: str, following: str) -> tuple[RunSpace, ...]:
    """Return spaces that stood before a case which is gone, before the one after it."""
    return tuple(replace(space, before=following) if space.before == letter else space for space in spaces)
