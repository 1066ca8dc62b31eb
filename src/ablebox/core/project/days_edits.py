# SPDX-License-Identifier: GPL-3.0-or-later
"""Changes of the time a job has: hours, noise, warmth, who comes, steps put on a day, days laid out."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from datetime import date, datetime
from typing import Any

from ..days.book import DaysBook
from ..days.hours import Span
from ..days.other import Other
from .tree import Project


def with_days(project: Project, **changes: Any) -> Project:
    """Return the project with some of what is kept of its time changed."""
    return replace(project, days=replace(project.days, **changes))


def with_weekday(project: Project, day: int, spans: Sequence[Span]) -> Project:
    """Return the project with other hours on a day of the week, 0 for Monday."""
    week = list(project.days.hours.week)
    week[day] = tuple(spans)
    return with_days(project, hours=replace(project.days.hours, week=tuple(week)))


def with_date(project: Project, day: date, spans: Sequence[Span] | None) -> Project:
    """Return the project with hours of a date that differ, or as the week has them with ``None``."""
    dates = {known: row for known, row in project.days.hours.dates.items() if known != day}
    if spans is not None:
        dates[day] = tuple(spans)
    return with_days(project, hours=replace(project.days.hours, dates=dict(sorted(dates.items()))))


def with_other(project: Project, other: Other) -> Project:
    """Return the project with somebody more who comes."""
    return with_days(project, others=tuple(sorted((*project.days.others, other), key=lambda each: each.at)))


def without_other(project: Project, number: int) -> Project:
    """Return the project without somebody who comes, by their number from 0."""
    others = project.days.others
    return with_days(project, others=(*others[:number], *others[number + 1 :]))


def pinned(project: Project, places: Sequence[str], day: date | None) -> Project:
    """Return the project with a step put on a day, or let go with ``None``; what was laid out of it before is forgotten."""
    known = {place: at for place, at in project.days.pinned.items() if place not in places}
    laid = {place: at for place, at in project.days.laid.items() if place not in places}
    if day is not None:
        known |= dict.fromkeys(places, day)
    return with_days(project, pinned=known, laid=laid)


def for_the_next(days: DaysBook, rates: Mapping[str, int]) -> DaysBook:
    """Return what of a job's time the next job starts with: hours, noise, warmth, glue, and rates as they were learnt."""
    return replace(
        days, start=None, others=(), pinned={}, laid={}, rates=dict(rates), hours=replace(days.hours, dates={})
    )


def laid_out(project: Project, starts: Mapping[str, datetime]) -> Project:
    """Return the project with the days kept as they are laid out: when each step begins, by its place."""
    return with_days(project, laid=dict(starts))
