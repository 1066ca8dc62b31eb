# SPDX-License-Identifier: GPL-3.0-or-later
"""The hours one has: by the day of the week, and dates that differ; when noise may be made."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date, datetime, time, timedelta
from itertools import pairwise

#: More people than any shop has.
_MOST_HANDS = 9


@dataclass(frozen=True, slots=True)
class Span:
    """Hours of a day.

    Args:
        start: when they begin.
        end: when they end, the same day.
        hands: how many people are there.
    """

    start: time
    end: time
    hands: int = 1

    def __post_init__(self) -> None:
        if self.end <= self.start:
            raise ValueError("hours end after they begin")
        if not 1 <= self.hands <= _MOST_HANDS:
            raise ValueError(f"1 to {_MOST_HANDS} people are there")


@dataclass(frozen=True, slots=True)
class Hours:
    """The hours one has.

    Args:
        week: of each day of the week, Monday first.
        dates: of dates that differ; none on a date off.
    """

    week: tuple[tuple[Span, ...], ...]
    dates: Mapping[date, tuple[Span, ...]] = field(default_factory=dict)

    def __post_init__(self) -> None:
        if len(self.week) != len(_DAYS):
            raise ValueError("a week has seven days")
        for row in (*self.week, *self.dates.values()):
            for one, other in pairwise(row):
                if other.start < one.end:
                    raise ValueError("hours of a day follow one another")

    def on(self, day: date) -> tuple[Span, ...]:
        """Return the hours of a date."""
        return self.dates.get(day, self.week[day.weekday()])


_DAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")


def weekends() -> Hours:
    """Return the hours of somebody with a job: three evenings and both days of the weekend, a helper on Saturdays."""
    evening = (Span(time(18, 30), time(21)),)
    saturday = (Span(time(9), time(12, 30), 2), Span(time(13, 30), time(17), 2))
    sunday = (Span(time(10), time(12, 30)), Span(time(13, 30), time(16)))
    return Hours(((), evening, evening, evening, (), saturday, sunday))


@dataclass(frozen=True, slots=True)
class Noise:
    """When saws and routers may run.

    Args:
        start: from when.
        end: until when.
        quiet: days of the week without any, 0 for Monday.
    """

    start: time = time(8)
    end: time = time(20)
    quiet: tuple[int, ...] = (6,)

    def allowed(self, at: datetime) -> bool:
        """Whether noise may be made at a time."""
        return at.weekday() not in self.quiet and self.start <= at.time() < self.end


def midnight(day: date) -> datetime:
    """Return when a date begins."""
    return datetime.combine(day, time())


def days_from(first: date, count: int) -> list[date]:
    """Return dates one after another."""
    return [first + timedelta(days=i) for i in range(count)]
