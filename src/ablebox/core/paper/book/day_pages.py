# SPDX-License-Identifier: GPL-3.0-or-later
"""The days of the job on one page to tape to the wall: what is done each day, by what it is and for which cases.

Minutes stand on the screen, where they follow what was really done; a page says which day, in which order things are begun, and what
keeps glue or a coat waiting past its day. How long clamps stay on and a coat dries stands on the pages of cases and of the finish.
"""

from __future__ import annotations

from calendar import day_abbr
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime, time

from ...bench.bench import NAMES, bench_of
from ...bench.fitting import IN_ROOM
from ...bench.verb import What
from ...days.typed import write_spans
from ...drawing.step_titles import TITLES, is_of_fronts
from ...schedule.plan import Plan
from ...schedule.search import plan_of
from ...schedule.timeline import NoHours
from .chapter import Chapter
from .pages import Pages
from .typesetting import LEADING, PLAIN

#: How words are set, the first that needs one page: from line to line as a share of the type, and how large they are beside figures.
_SETTINGS = ((LEADING, 1.0), (1.16, 1.0), (1.12, PLAIN))
#: How far words stand behind their box, and what is left below a day, in points.
_BEHIND, _BELOW = 18.0, 4.0
#: Steps whose names say what they are about, where that is no case.
_SAYS_ITSELF = (*IN_ROOM, What.JIGS)


def planned(book: Pages) -> Plan | None:
    """Return the plan of days; ``None`` where nobody has said when the job begins, or there are no hours."""
    start = book.made.project.days.start
    bench = bench_of(book.made)
    if start is None or not bench.steps:
        return None
    try:
        plan = plan_of(bench, datetime.combine(start, time()))
    except NoHours:
        return None
    return plan if plan.placed else None


def days_of(plan: Plan) -> list[date]:
    """Return the days on which something is done, in their order."""
    return sorted({plan.line.moment(start).date() for each in plan.placed.values() for start, _ in each.parts})


def in_a_line(book: Pages) -> str:
    """Return how many days the job takes and when they are; empty where nothing is planned."""
    plan = planned(book)
    if plan is None:
        return ""
    days = days_of(plan)
    return f"{len(days)} days, from {days[0]} to {plan.end:%Y-%m-%d}." if len(days) > 1 else f"One day, {days[0]}."


def days_pages(book: Pages) -> None:
    """Write the plan of days, where the day the job begins is known."""
    plan = planned(book)
    if plan is None:
        return
    under = (
        f"Ends {plan.end:%A %Y-%m-%d %H:%M}; nobody could end before {plan.bound:%Y-%m-%d %H:%M}. {_hours(book)} In the order it is begun; "
        "“until” is how long glue or a coat waits past the day."
    )

    bench = bench_of(book.made)
    # A day with a part of it that is still to do is not ticked.
    rows = [
        (
            all(bench.is_done(bench.steps[n - 1]) for n in plan.on(day)),
            f"{day:%a %m-%d}{_other_hours(book, day)}.",
            _sentence("; ".join(_work(book, plan, day))),
        )
        for day in days_of(plan)
    ]
    before = book.mark()
    for leading, plain in _SETTINGS:
        book.back_to(before)
        with book.set_as(leading, plain, bench.letters):
            book.evenly(lambda: _write(book, under, rows))
        if len(book.pages) == before[0] + 1:
            return


def _write(book: Pages, under: str, rows: Sequence[tuple[bool, str, str]]) -> None:
    """Write days, each with its box, in columns."""

    def begin() -> None:
        book.start(Chapter.COVER, "Days", "", under)

    begin()
    flow = book.flow(book.columns, begin)
    wide = flow.wide - _BEHIND
    for done, lead, text in rows:
        flow.need(book.high_led(lead, text, wide))
        book.tick(flow.x, book.y, done)
        book.led(flow.x + _BEHIND, lead, text, wide)
        book.y += _BELOW
    flow.end()


def _sentence(text: str) -> str:
    return f"{text[:1].upper()}{text[1:]}."


def _hours(book: Pages) -> str:
    """Return the hours of a week, days that have the same together."""
    by_hours: dict[str, list[str]] = {}
    for name, spans in zip(day_abbr, book.made.project.days.hours.week, strict=True):
        if spans:
            by_hours.setdefault(write_spans(spans), []).append(name)
    return "; ".join(f"{', '.join(names)} {hours}" for hours, names in by_hours.items()) + "."


def _other_hours(book: Pages, day: date) -> str:
    """Return the hours of a day that has others than its day of the week; empty if it has those."""
    hours = book.made.project.days.hours
    return f", {write_spans(hours.dates[day])}" if day in hours.dates else ""


@dataclass
class _Work:
    """What is done on a day in a row, to the same cases.

    Args:
        titles: what it is.
        fronts: whether it is done to boxes and fronts.
        two: whether it takes two people.
        who: cases and what stands beside them, with what each waits for past the day.
    """

    titles: list[str]
    fronts: bool
    two: bool
    who: list[str]

    def words(self) -> str:
        """Return it in words."""
        ahead = "fronts: " if self.fronts else ""
        return f"{ahead}{', '.join(self.titles)}{' (two people)' if self.two else ''} {', '.join(self.who)}".rstrip()


def _work(book: Pages, plan: Plan, day: date) -> list[str]:
    """Return what is done on a day: what is done to several cases is said once, and cases to which several things are done once."""
    bench = bench_of(book.made)
    found: dict[tuple[What, bool, bool], _Work] = {}
    for n in plan.on(day):
        job, placed = bench.steps[n - 1], plan.placed[n]
        fronts, two = is_of_fronts(job.step), plan.tasks[n].hands > 1
        who = [letter for letter in job.letters if bench.is_case(letter)]
        # Blocks are made, fillers scribed, and the room is seen to: the step says of what.
        if job.step.what not in _SAYS_ITSELF:
            who += [NAMES[letter].lower() for letter in job.letters if not bench.is_case(letter)]
        free = plan.line.moment(placed.free)
        if placed.free > placed.end and free.date() != day:
            who = [f"{each} until {free:%a %H:%M}" for each in who]
        mine = found.setdefault((job.step.what, fronts, two), _Work([TITLES[job.step.what]], fronts, two, []))
        mine.who += [each for each in who if each not in mine.who]
    rows: list[_Work] = []
    for each in found.values():
        last = rows[-1] if rows else None
        if last is not None and (last.fronts, last.two, set(last.who)) == (each.fronts, each.two, set(each.who)):
            last.titles += each.titles
        else:
            rows.append(each)
    return [each.words() for each in rows]
