# SPDX-License-Identifier: GPL-3.0-or-later
"""A run along a wall: what stands on the floor, or hangs above it, one beside the other, and what is left over.

Widths that follow, and spaces without a width, share equally what the others leave of the smallest width. Round a
corner the run of the wall before takes its depth first. Hung cases share the wall with what stands as high as they hang.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from ..cabinet.design import Case
from ..lengths import ZERO, Length, inches
from ..reckoning import Book, Origin, Reckoned, added_up, leaf
from ..room.wall import End, Measured
from .members import Member, hangs, lowest, members
from .space import RunSpace

#: What is left of a wall beside the last case that nobody scribes any more: its end is seen from there.
GAP = inches(2)


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
        panels: what end panels at its left and its right take of its width.
    """

    letter: str
    space: int
    width: Reckoned
    x: Length
    low: Length
    high: Length
    depth: Length
    panels: tuple[Length, Length] = (ZERO, ZERO)

    @property
    def case_x(self) -> Length:
        """Where the case itself begins, behind an end panel at its left."""
        return self.x + self.panels[0]

    @property
    def case_width(self) -> Length:
        """How wide the case itself is."""
        return self.width.length - self.panels[0] - self.panels[1]

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
        open_left: whether nothing is at the wall's left end.
        open_right: whether nothing is at its right end, or the run ends well before that.
    """

    wall: int
    upper: bool
    places: tuple[Place, ...]
    total: Reckoned | None
    usable: Reckoned | None
    open_left: bool = False
    open_right: bool = False

    @property
    def left_over(self) -> Length | None:
        """What nothing takes of the width there is; below 0 if it is too little."""
        if self.usable is None or self.total is None:
            return None
        return self.usable.length - self.total.length


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


#: Thickness of the end panels each case gets, by its letter and the side.
Panels = Mapping[str, Mapping[str, Reckoned]]


def _taken(case: Case, widths: Mapping[str, Reckoned], panels: Panels) -> Reckoned:
    """Return what a case takes of the run: its width, or its depth where it stands turned; end panels with it."""
    own = _of_case(case, widths)
    added = panels.get(case.letter)
    if not added:
        return own
    total = own.times(1)
    for each in added.values():
        total = total + each
    return Book(f"{case.letter}/").named(total, f"place of case {case.letter}", "place")


def _of_case(case: Case, widths: Mapping[str, Reckoned]) -> Reckoned:
    book, words = Book(f"{case.letter}/"), f"case {case.letter}"
    if case.turned % 2:
        return book.chosen(case.depth, f"{words}, its depth", "depth")
    return widths.get(case.letter) or book.chosen(case.width, words, "width")


def lines(
    cases: Sequence[Case], spaces: Sequence[RunSpace], walls: Sequence[Measured], panels: Panels | None = None
) -> tuple[list[Line], dict[str, Reckoned]]:
    """Return the runs of all walls, and the widths of the cases that follow, by letter.

    Args:
        cases: all cases.
        spaces: all spaces.
        walls: the walls as measured, in order.
        panels: thickness of the end panels cases get.
    """
    found: list[Line] = []
    widths: dict[str, Reckoned] = {}
    before: list[tuple[Line, Measured]] = []
    for room in walls:
        floor: Line | None = None
        for upper in (False, True):
            row = members(room.number, cases, spaces, upper)
            corner = _in_the_corner(before, row, spaces, upper)
            line, own = _line(room, row, spaces, upper, corner, floor, panels or {})
            widths |= own
            if upper is False:
                floor = line
            found.append(line)
        if room.wall.island is None:
            before = [(line, room) for line in found[-2:]]
    return found, widths


def _line(
    room: Measured,
    row: list[Member],
    spaces: Sequence[RunSpace],
    upper: bool,
    corner: list[Place],
    floor: Line | None,
    panels: Panels,
) -> tuple[Line, dict[str, Reckoned]]:
    hung_at = lowest(member.case for member in row)
    start, usable = ZERO, room.usable
    taken_round = _round_the_corner(room, corner)
    if taken_round is not None:
        start = taken_round.length
        if usable is not None:
            usable = _usable(room, upper, usable - taken_round)
    if End.OPEN not in (room.wall.left, room.wall.right) and room.governing is not None and taken_round is None:
        start += room.wall.allowance.share(2)[0]
    followers = [
        member.case
        for member in row
        if member.case is not None
        and member.case.follows
        and not member.case.turned % 2
        and hangs(member.case) is upper
    ]
    shares = [member.space for member in row if member.case is None and spaces[member.space - 1].width is None]
    own, shared = _shared(room, upper, usable, row, spaces, followers, shares, panels)
    places, x = [], start
    for member in row:
        case, number = member.case, member.space
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
            width = _taken(case, own, panels)
            low = case.hang if upper else ZERO
            thick = panels.get(case.letter, {})
            both = tuple(thick[side].length if side in thick else ZERO for side in ("left", "right"))
            places.append(Place(case.letter, 0, width, x, low, low + case.height, case.depth, both))  # type: ignore[arg-type]
        x += width.length
    total = added_up(place.width for place in places) if places else None
    if total is not None:
        key = f"run{'' if room.number == 1 else room.number}{'.upper' if upper else ''}/width"
        total = Reckoned(total.length, "width of the run", key, Origin.RECKONED, "", total.terms)
    tall = [p.width for p in _tall(row, upper, floor)]
    for each in tall:
        if usable is not None:
            usable = _usable(room, upper, usable - each)
    short = usable is not None and total is not None and usable.length - total.length > GAP
    open_left, open_right = room.wall.left is End.OPEN, room.wall.right is End.OPEN or short
    return Line(room.number, upper, tuple(places), total, usable, open_left, open_right), own


def _tall(row: list[Member], upper: bool, floor: Line | None) -> list[Place]:
    if not upper or floor is None:
        return []
    letters = {member.case.letter for member in row if member.case is not None and not hangs(member.case)}
    return [place for place in floor.places if place.letter in letters]


def _usable(room: Measured, upper: bool, left: Reckoned) -> Reckoned:
    words = "left for what hangs" if upper else "left for the run"
    return Reckoned(
        left.length, words, f"{room.prefix}left{'.upper' if upper else ''}", Origin.RECKONED, "", left.terms
    )


def _in_the_corner(
    before: list[tuple[Line, Measured]], row: list[Member], spaces: Sequence[RunSpace], upper: bool
) -> list[Place]:
    """Return what of the wall before is in the way of a run: its last member, and deeper ones as far as the run reaches.

    What is tall there keeps what hangs on the next wall away, too, and what hangs there keeps a tall case away.
    """
    sizes = [m.case if m.case is not None else spaces[m.space - 1] for m in row]
    low, high = lowest(member.case for member in row) or ZERO, sizes[0].height if sizes else ZERO
    reach = max((each.depth for each in sizes), default=ZERO)
    found = []
    for line, room in before:
        for place in line.places:
            far = room.governing is None or place.end > room.governing.length - reach
            meets = line.upper is upper or (place.high > low if upper else place.low < high)
            if meets and (place is line.places[-1] or far):
                found.append(place)
    return found


def _round_the_corner(room: Measured, corner: list[Place]) -> Reckoned | None:
    """Return what the run of the wall before takes at the left: the depth of its last member, of the deeper one if two meet."""
    if room.wall.left is not End.CORNER or not corner:
        return None
    last = max(corner, key=lambda place: place.depth)
    words = f"depth of {last.name} round the corner"
    return leaf(last.depth, words, f"{last.letter}/depth" if last.letter else "", Origin.CHOICE, "the run comes round")


def _shared(
    room: Measured,
    upper: bool,
    usable: Reckoned | None,
    row: list[Member],
    spaces: Sequence[RunSpace],
    followers: list[Case],
    shares: list[int],
    panels: Panels,
) -> tuple[dict[str, Reckoned], dict[int, Reckoned]]:
    """Return the widths of the cases that follow and of the spaces without one: equal shares of what is left."""
    if usable is None or not (followers or shares):
        return {}, {}
    left = usable.times(1)
    for member in row:
        case, number = member.case, member.space
        if case is not None and case not in followers:
            left = left - _taken(case, {}, panels)
        elif case is not None:
            for each in panels.get(case.letter, {}).values():
                left = left - each
        elif number not in shares:
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
