# SPDX-License-Identifier: GPL-3.0-or-later
"""Joins blanks along equal sides into larger ones that waste nothing, and fills sheets exactly.

Parts cut from one strip share its width, so equal sides are a sign that pieces belong together: a
list that was once cut from whole sheets comes together again this way. What is as wide as a sheet
is then put together so that the lengths add up to it exactly.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from random import Random

from .blanks import Blank

#: Sides looked at before the most promising join is taken, and the most blanks that may share one.
_LOOKED_AT, _SHARED = 10, 12
#: More blanks than these are not joined: it would take too long.
MANY = 700
#: Steps of the search for lengths that add up.
_STEPS = 20_000


#: Sides are rare where those that share one are so few, on the average over all blanks.
_RARE = 8.0


def sides_are_rare(blanks: Sequence[Blank]) -> bool:
    """Whether few enough blanks share a side for it to mean something, and for all joins to be looked through."""
    there = Counter(side for blank in blanks for side in {blank.length, blank.width})
    return sum(count * count for count in there.values()) <= _RARE * len(blanks)


@dataclass(frozen=True, slots=True)
class _Join:
    """Two blanks along a common side: their numbers, whether each is turned, and what they make together."""

    one: int
    two: int
    turn_one: bool
    turn_two: bool
    level: bool
    length: int
    width: int
    fixed: bool


class Joiner:
    """Joins blanks for sheets of one size.

    Args:
        length: of the sheets, kerf included.
        width: of them.
        rng: chooses among joins that are equally good.
    """

    def __init__(self, length: int, width: int, rng: Random) -> None:
        self.length, self.width, self.rng = length, width, rng
        self._alive: dict[int, Blank] = {}
        self._sides: dict[int, set[tuple[int, bool]]] = {}

    def join(self, blanks: list[Blank], stop: float) -> list[Blank]:
        """Return what the blanks come to when they are joined while anything can be.

        Args:
            blanks: what is joined.
            stop: how likely it is that joining ends early, at each step.
        """
        self._alive, self._sides = {}, {}
        for number, blank in enumerate(blanks):
            self._add(number, blank)
        number = len(blanks)
        while True:
            shared = [side for side, there in self._sides.items() if len(there) > 1]
            if not shared or self.rng.random() < stop:
                break
            join = self._best(shared)
            if join is None:
                break
            one, two = self._take(join.one), self._take(join.two)
            along = one.width if join.turn_one else one.length
            across = one.length if join.turn_one else one.width
            at = (along, 0) if join.level else (0, across)
            parts = ((one, 0, 0, join.turn_one), (two, *at, join.turn_two))
            self._add(number, Blank("", join.length, join.width, join.fixed, None, parts))
            number += 1
        return list(self._alive.values())

    def _add(self, number: int, blank: Blank) -> None:
        self._alive[number] = blank
        for side, is_length in ((blank.width, False), (blank.length, True)):
            self._sides.setdefault(side, set()).add((number, is_length))

    def _take(self, number: int) -> Blank:
        blank = self._alive.pop(number)
        for side, is_length in ((blank.width, False), (blank.length, True)):
            there = self._sides[side]
            there.discard((number, is_length))
            if not there:
                del self._sides[side]
        return blank

    def _best(self, shared: list[int]) -> _Join | None:
        """Return the most promising of some joins: on a rare side, and making a side that something else has."""
        rng = self.rng
        rng.shuffle(shared)
        best, best_score, seen = None, -1.0, 0
        for side in shared[:200]:
            if seen >= _LOOKED_AT:
                break
            joins = self._joins(side) if len(self._sides[side]) < _SHARED else []
            if not joins:
                continue
            seen += 1
            join = rng.choice(joins)
            made, full = (join.length, self.length) if join.level else (join.width, self.width)
            score = rng.random() ** 0.5 / len(joins)
            if made in self._sides or made == full:
                score *= 6
            if score > best_score:
                best, best_score = join, score
        return best

    def _joins(self, side: int) -> list[_Join]:
        found = []
        there = sorted(self._sides[side])
        for at, (i, i_length) in enumerate(there):
            for j, j_length in there[at + 1 :]:
                if i == j:
                    continue
                one, two = self._alive[i], self._alive[j]
                beyond = (one.width if i_length else one.length) + (two.width if j_length else two.length)
                fixed = one.fixed or two.fixed
                for level in (True, False):
                    # Level: side by side along the sheet, the common side across it.
                    turn_one, turn_two = i_length == level, j_length == level
                    if (turn_one and one.fixed) or (turn_two and two.fixed):
                        continue
                    length, width = (beyond, side) if level else (side, beyond)
                    if not Blank("", length, width, fixed).fits(self.length, self.width):
                        continue
                    whole, across = (self.length, self.width) if level else (self.width, self.length)
                    if side == across and beyond != whole:
                        # What is as wide as the sheet is put together at the end, by sums.
                        continue
                    found.append(_Join(i, j, turn_one, turn_two, level, length, width, fixed))
        return found

    def whole_sheets(self, blanks: list[Blank]) -> tuple[list[Blank], list[Blank]]:
        """Return blanks that each fill a whole sheet, put together from those as wide as it, and the others."""
        sheets: list[Blank] = []
        for level in (True, False):
            whole, across = (self.length, self.width) if level else (self.width, self.length)
            while True:
                fitting = _as_wide(blanks, across, level)
                chosen = _adding_up([length for length, _, _ in fitting], whole)
                if not chosen:
                    break
                parts: list[tuple[Blank, int, int, bool]] = []
                at = 0
                for k in chosen:
                    length, blank, turned = fitting[k]
                    parts.append((blank, at if level else 0, 0 if level else at, turned))
                    at += length
                fixed = any(part[0].fixed for part in parts)
                sheets.append(Blank("", self.length, self.width, fixed, None, tuple(parts)))
                used = {id(part[0]) for part in parts}
                blanks = [blank for blank in blanks if id(blank) not in used]
        return sheets, blanks


def _as_wide(blanks: list[Blank], across: int, level: bool) -> list[tuple[int, Blank, bool]]:
    """Return the blanks as wide as a sheet, longest first: how long each is that way, and whether it is turned."""
    found = []
    for blank in blanks:
        straight, other = (blank.length, blank.width) if level else (blank.width, blank.length)
        if other == across:
            found.append((straight, blank, False))
        elif straight == across and not blank.fixed:
            found.append((other, blank, True))
    return sorted(found, key=lambda row: -row[0])


def _adding_up(lengths: list[int], whole: int) -> list[int]:
    """Return the numbers of lengths, given longest first, that add up to a whole; empty if none are found soon."""
    after = [0] * (len(lengths) + 1)
    for i in range(len(lengths) - 1, -1, -1):
        after[i] = after[i + 1] + lengths[i]
    last = {length: i for i, length in enumerate(lengths)}
    steps = 0

    def rest(start: int, left: int) -> list[int] | None:
        nonlocal steps
        if left == 0:
            return []
        steps += 1
        if steps > _STEPS or after[start] < left:
            return None
        exact = last.get(left)
        if exact is not None and exact >= start:
            return [exact]
        for i in range(start, len(lengths)):
            if lengths[i] < left:
                found = rest(i + 1, left - lengths[i])
                if found is not None:
                    return [i, *found]
        return None

    for i, length in enumerate(lengths):
        found = rest(i + 1, whole - length) if length <= whole else None
        if found is not None:
            return [i, *found]
        if steps > _STEPS:
            break
    return []
