# SPDX-License-Identifier: GPL-3.0-or-later
"""The chapters of the shop book, in the order of work; each can be printed alone."""

from __future__ import annotations

from collections.abc import Sequence
from enum import Enum

from ...errors import AbleBoxError


class Chapter(Enum):
    """A chapter: what it is called on paper; its value is its name on the command line."""

    COVER = "cover"
    MEASURE = "measure"
    BUY = "buy"
    SHEETS = "sheets"
    BOARDS = "boards"
    MACHINE = "machine"
    BENCH = "bench"
    FINISH = "finish"
    FIT = "fit"
    CARE = "care"

    @property
    def words(self) -> str:
        """What it is called."""
        return _WORDS[self]


_WORDS = {
    Chapter.COVER: "The job", Chapter.MEASURE: "Measure", Chapter.BUY: "Buy", Chapter.SHEETS: "Cut sheets", Chapter.BOARDS: "Cut boards",
    Chapter.MACHINE: "Machine", Chapter.BENCH: "Bench", Chapter.FINISH: "Finish", Chapter.FIT: "Fit", Chapter.CARE: "Care",
}  # fmt: skip


class UnknownChapter(AbleBoxError):
    """A chapter there is not.

    Args:
        name: as it was given.
    """

    def __init__(self, name: str) -> None:
        super().__init__(f"{name!r} is no chapter; the book has {', '.join(each.value for each in Chapter)}.")
        self.name = name


def chapters(names: Sequence[str]) -> tuple[Chapter, ...]:
    """Return chapters by their names, in the order of work; all of them where none is named.

    Raises:
        UnknownChapter: if there is none of a name.
    """
    wanted = set()
    for name in names:
        found = next((each for each in Chapter if each.value == name.strip().lower()), None)
        if found is None:
            raise UnknownChapter(name)
        wanted.add(found)
    return tuple(each for each in Chapter if not wanted or each in wanted)
