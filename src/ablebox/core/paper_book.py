# SPDX-License-Identifier: GPL-3.0-or-later
"""What a project keeps of its paper: which size and which chapters, what labels it is stuck with, and the page sets that were printed."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import date


@dataclass(frozen=True, slots=True)
class PageSet:
    """A printed page set.

    Args:
        number: of the set, from 1.
        on: the day it was printed.
        told: what stood on it: of each part, by its code, a line that changes when the part does.
    """

    number: int
    on: date
    told: Mapping[str, str] = field(default_factory=dict)

    def __post_init__(self) -> None:
        if self.number < 1:
            raise ValueError("page sets are counted from 1")


@dataclass(frozen=True, slots=True)
class PaperBook:
    """What is kept of the paper.

    Args:
        size: name of the size of paper; empty for the one usual where the program runs.
        chapters: names of the chapters that are printed; empty for all.
        cases: letters of the cases that are printed; empty for all.
        labels: code of the sheet of labels; empty for the usual one.
        printed: the last page set that was printed; ``None`` for none.
    """

    size: str = ""
    chapters: tuple[str, ...] = ()
    cases: tuple[str, ...] = ()
    labels: str = ""
    printed: PageSet | None = None

    @property
    def revision(self) -> int:
        """Number of the last page set; 0 where nothing was printed yet."""
        return self.printed.number if self.printed is not None else 0

    def with_printed(self, on: date, told: Mapping[str, str]) -> PaperBook:
        """Return the book after a page set is printed: a new one if anything on it changed, else the same once more."""
        if self.printed is not None and dict(self.printed.told) == dict(told):
            return self
        return replace(self, printed=PageSet(self.revision + 1, on, dict(told)))
