# SPDX-License-Identifier: GPL-3.0-or-later
"""The hours one has as a row of short slots: when each is, how many people are there, whether noise is allowed, how warm it is."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, datetime, timedelta
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from ..days.book import DaysBook
from ..days.hours import days_from, midnight
from ..errors import AbleBoxError
from .durations import GRAIN

Ints = NDArray[np.int64]
Mask = NDArray[np.bool_]
#: Minutes of a day.
DAY = 1_440


class NoHours(AbleBoxError):
    """There are no hours in which a step can be done.

    Args:
        what: what cannot be done.
    """

    def __init__(self, what: str) -> None:
        super().__init__(f"{what} Give more hours, another day with a helper, or a warmer shop.")
        self.what = what


@dataclass(frozen=True, slots=True)
class Hour:
    """A stretch of time in which nothing changes.

    Args:
        start: when it begins.
        end: when it ends.
        hands: how many people are there; 0 when nobody is.
        noisy: whether noise may be made.
        celsius: how warm it is.
    """

    start: datetime
    end: datetime
    hands: int
    noisy: bool
    celsius: int


class Timeline:
    """The time from a day on.

    Args:
        book: what is kept of the time a job has.
        first: the first day.
        days: how many days.
    """

    def __init__(self, book: DaysBook, first: date, days: int) -> None:
        self.book, self.first = book, first
        self.hours = [hour for day in days_from(first, days) for hour in _hours(book, day)]
        self.zero = midnight(first)
        worked = [hour for hour in self.hours if hour.hands]
        starts = [self.minute(hour.start) for hour in worked]
        counts = [(self.minute(hour.end) - start) // GRAIN for hour, start in zip(worked, starts, strict=True)]
        #: When each slot begins, in minutes from the first midnight, and what it is.
        self.at: Ints = (
            np.concatenate([start + GRAIN * np.arange(n) for start, n in zip(starts, counts, strict=True)])
            if worked else np.zeros(0, np.int64)
        ).astype(np.int64)  # fmt: skip
        self.hands: Ints = np.repeat([hour.hands for hour in worked], counts).astype(np.int64)
        self.noisy: Mask = np.repeat([hour.noisy for hour in worked], counts).astype(np.bool_)
        self.celsius: Ints = np.repeat([hour.celsius for hour in worked], counts).astype(np.int64)
        self._edges = np.array([self.minute(hour.start) for hour in self.hours], np.int64)
        self._warm = np.array([hour.celsius for hour in self.hours], np.int64)

    def minute(self, at: datetime) -> int:
        """Return how many minutes after the first midnight a time is."""
        return int((at - self.zero).total_seconds() // 60)

    def moment(self, minute: int) -> datetime:
        """Return the time so many minutes after the first midnight."""
        return self.zero + timedelta(minutes=minute)

    def coldest(self, start: int, end: int) -> int:
        """Return how cold it gets from one minute to another, somebody there or not."""
        a = int(np.searchsorted(self._edges, start, "right")) - 1
        b = int(np.searchsorted(self._edges, max(start, end - 1), "right"))
        rows = self._warm[max(0, a) : max(a + 1, b)]
        return int(rows.min()) if len(rows) else 0


def _hours(book: DaysBook, day: date) -> list[Hour]:
    """Return a day from midnight to midnight in stretches in which nothing changes."""
    worked, left = book.warmth.on(day)
    spans = book.hours.on(day)
    start, end = midnight(day), midnight(day) + timedelta(days=1)
    marks = {start, end}
    for span in spans:
        marks |= {datetime.combine(day, span.start), datetime.combine(day, span.end)}
    marks |= {datetime.combine(day, book.noise.start), datetime.combine(day, book.noise.end)}
    rows = sorted(marks)
    found = []
    for one, other in pairwise(rows):
        hands = next((span.hands for span in spans if span.start <= one.time() < span.end), 0)
        found.append(Hour(one, other, hands, book.noise.allowed(one), worked if hands else left))
    return found
