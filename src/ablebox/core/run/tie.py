# SPDX-License-Identifier: GPL-3.0-or-later
"""Sizes that agree by rule, not by luck: as deep as the old one, as high as its neighbour, the same kick."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from enum import Enum
from typing import Any

from ..cabinet.design import Case
from ..lengths import ZERO, Length
from ..reckoning import Book, Origin, Reckoned, leaf
from .space import RunSpace


class Same(Enum):
    """Which size agrees; the value is what stands in files, and its name in the design."""

    WIDTH = "width"
    HEIGHT = "height"
    DEPTH = "depth"
    KICK = "kick.height"

    @property
    def words(self) -> str:
        """What it is called."""
        return _WORDS[self]


#: What the size of a base is called in its school.
_HIGH = "height"
_WORDS = {
    Same.WIDTH: "width",
    Same.HEIGHT: "height",
    Same.DEPTH: "depth",
    Same.KICK: "height of the kick",
}


@dataclass(frozen=True, slots=True)
class Tie:
    """A size of a case that follows another's.

    Args:
        case: letter of the case that follows.
        same: which size.
        letter: of the case it follows; empty for a space.
        space: number of the space it follows, from 1: something that is there already; 0 for a case.
        plus: what is added; below 0 taken off.
        ridge: whether a height follows the ridge along the front of what is there already, not its top.
    """

    case: str
    same: Same
    letter: str = ""
    space: int = 0
    plus: Length = ZERO
    ridge: bool = False

    def __post_init__(self) -> None:
        if bool(self.letter) == bool(self.space) or self.space < 0 or self.letter == self.case:
            raise ValueError("a size follows one other thing: a case, or what is there already")
        if self.ridge and not (self.space and self.same is Same.HEIGHT):
            raise ValueError("only a height follows the ridge of what is there already")


#: Sums of the sizes that follow, by letter, then by their keys within the case.
Tied = Mapping[str, Mapping[str, Reckoned]]


def tied(
    cases: Sequence[Case], spaces: Sequence[RunSpace], ties: Sequence[Tie]
) -> tuple[list[Case], dict[str, dict[str, Reckoned]]]:
    """Return the cases with the sizes that follow, and the sums of those.

    Ties are taken one after another until all are; of some that follow each other in a ring none is.

    Args:
        cases: all cases.
        spaces: everything that stands between cases.
        ties: the ties.
    """
    by_letter = {case.letter: case for case in cases}
    sums: dict[str, dict[str, Reckoned]] = {}
    left = [tie for tie in ties if tie.case in by_letter and has(by_letter[tie.case], tie.same)]
    while left:
        waiting = {(tie.case, tie.same) for tie in left}
        ready = [tie for tie in left if (tie.letter, tie.same) not in waiting]
        if not ready:
            break
        for tie in ready:
            left.remove(tie)
            found = _source(tie, by_letter, spaces, sums)
            if found is None:
                continue
            if tie.plus:
                plus = leaf(
                    abs(tie.plus),
                    "more" if tie.plus > ZERO else "less",
                    f"{tie.case}/tie.{tie.same.value}",
                    Origin.CHOICE,
                )
                found = found + plus if tie.plus > ZERO else found - plus
            case = by_letter[tie.case]
            book = Book(f"{tie.case}/")
            words = f"case {tie.same.words}" if tie.same is not Same.KICK else tie.same.words
            sums.setdefault(tie.case, {})[tie.same.value] = book.named(found, words, tie.same.value, "follows by rule")
            by_letter[tie.case] = with_size(case, tie.same, found.length)
    return [by_letter[case.letter] for case in cases], sums


def has(case: Case, same: Same) -> bool:
    """Whether a case has such a size."""
    return same is not Same.KICK or isinstance(getattr(case.kick, _HIGH, None), Length)


def size_of(case: Case, same: Same) -> Length:
    """Return a size of a case as it was chosen."""
    holder: Any = case.kick if same is Same.KICK else case
    found: Length = getattr(holder, same.value.rpartition(".")[2])
    return found


def with_size(case: Case, same: Same, size: Length) -> Case:
    """Return a case with another size."""
    if same is Same.KICK:
        kick: Any = case.kick
        return replace(case, kick=replace(kick, height=size))
    changes: dict[str, Any] = {same.value: size}
    return replace(case, **changes, follows=case.follows and same is not Same.WIDTH)


def _source(
    tie: Tie, cases: Mapping[str, Case], spaces: Sequence[RunSpace], sums: Mapping[str, Mapping[str, Reckoned]]
) -> Reckoned | None:
    """Return what a size follows, as a term; ``None`` if it is not there."""
    if tie.letter:
        other = cases.get(tie.letter)
        if other is None or not has(other, tie.same) or (tie.same is Same.WIDTH and other.follows):
            return None
        known = sums.get(tie.letter, {}).get(tie.same.value)
        key = f"{tie.letter}/{tie.same.value}"
        return known or leaf(size_of(other, tie.same), f"{tie.same.words} of case {tie.letter}", key, Origin.CHOICE)
    if not 1 <= tie.space <= len(spaces):
        return None
    space = spaces[tie.space - 1]
    name = "ridge" if tie.ridge else "kick" if tie.same is Same.KICK else tie.same.value
    size = getattr(space, name)
    if size is None or size <= ZERO:
        return None
    words = "height of the ridge" if tie.ridge else tie.same.words
    return leaf(size, f"{words} of the {space.name}", f"space/{tie.space}.{name}", Origin.MEASURED)
