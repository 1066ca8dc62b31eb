# SPDX-License-Identifier: GPL-3.0-or-later
"""The days on the Bench stage: keeps the plan, shows a day of it, and puts a step on another."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date, datetime, time

from PyQt6.QtCore import QObject, pyqtSignal
from PyQt6.QtWidgets import QVBoxLayout

from ...core.bench.bench import Bench, JobStep, bench_of
from ...core.days.typed import write_spans
from ...core.drawing.step_titles import title_of
from ...core.schedule.day import to_another_day
from ...core.schedule.plan import Plan
from ...core.schedule.search import plan_of
from ...core.schedule.timeline import NoHours
from ..desk import Desk
from .bench_days import DaySheet
from .bench_days_card import DaysCard

#: How many orders of days are tried while somebody waits.
_TRIES = 4


class BenchDays(QObject):
    """The days.

    Args:
        desk: the workplace.
        go_to: shows a step by its number.
        leave: goes back to the step.
    """

    #: Another day is to be shown.
    shown = pyqtSignal()

    def __init__(self, desk: Desk, go_to: Callable[[int], object], leave: Callable[[], object]) -> None:
        super().__init__()
        self.desk = desk
        self.card = DaysCard(desk, go_to, leave)
        self.sheet = DaySheet()
        self.sheet.day_chosen.connect(self.show_day)
        self.sheet.step_chosen.connect(go_to)
        self.sheet.moved.connect(self.put_on)
        self._known: tuple[object, datetime, Plan | None, str] | None = None
        self._day: date | None = None
        self._cost = ""

    def plan(self) -> tuple[Plan | None, str]:
        """Return the plan of days from now on, or why there is none."""
        now, start = self.desk.now(), self.desk.document.project.days.start
        first = max(now, datetime.combine(start, time())) if start is not None else now
        # Within an hour the plan stays what it is.
        first = first.replace(minute=0, second=0, microsecond=0)
        made = self.desk.document.made
        if self._known is None or self._known[0] is not made or self._known[1] != first:
            try:
                self._known = made, first, plan_of(bench_of(made), first, tries=_TRIES), ""
            except NoHours as fault:
                self._known = made, first, None, str(fault)
        return self._known[2], self._known[3]

    def moved_by(self, change: Callable[[], object]) -> str:
        """Make a change; return what it moves: how many steps are done on another day, and when it ends."""
        before, _ = self.plan()
        change()
        after, _ = self.plan()
        if before is None or after is None:
            return ""
        count = to_another_day(before, after)
        steps = f"{count} step{'s' if count != 1 else ''} move{'s' if count == 1 else ''} to another day"
        return f"{steps}; {_ends(before, after)}."

    def called(self, n: int) -> str:
        """Return what a step is called, with its cases."""
        bench = bench_of(self.desk.document.made)
        job = bench.steps[n - 1]
        cases = [letter for letter in job.letters if bench.is_case(letter)]
        if not cases:
            return f"{bench.called(job.letters)}: {title_of(job.step)}"
        letters = ", ".join(cases) if len(cases) < 4 else f"{cases[0]} to {cases[-1]}"
        return f"{letters} {title_of(job.step)}"

    def show_day(self, day: date) -> None:
        """Show another day."""
        self._day, self._cost = day, ""
        self.shown.emit()

    def put_on(self, n: int, day: date) -> None:
        """Put a step on a day, and say what that costs."""
        before, _ = self.plan()
        self.card.pin(n, bench_of(self.desk.document.made).steps[n - 1].places, day.isoformat())
        after, _ = self.plan()
        if before is not None and after is not None:
            self._cost = f"{self.called(n)} on {day:%A} {day.day} {day:%B}: {_ends(before, after)}."
            self.shown.emit()

    def show(self, bench: Bench, chosen: int) -> tuple[str, str]:
        """Show the day; return what stands over it, and under that.

        Args:
            bench: the steps.
            chosen: the number of the step in view.
        """
        plan, why = self.plan()
        if plan is None:
            self.sheet.hide()
            return "No plan of days", why
        starts = [plan.line.moment(each.start).date() for each in plan.placed.values()]
        day = self._day or min(starts, default=plan.line.first)
        self.sheet.show_day(plan, day, self.called, chosen)
        spans, rows = plan.line.book.hours.on(day), plan.on(day)
        worked, _ = plan.line.book.warmth.on(day)
        warm = bench.made.units.degrees(worked)
        heading = f"{day:%A}, {day.day} {day:%B}: {len(rows)} step{'s' if len(rows) != 1 else ''}"
        noise = plan.line.book.noise
        loud = "no noise" if day.weekday() in noise.quiet else f"noise {noise.start:%H:%M}–{noise.end:%H:%M}"
        facts = f"{write_spans(spans)} · {loud} · {warm}" if spans else "a day off"
        return heading, self._cost or f"{facts} · drag a step onto another day"

    def add_to(self, column: QVBoxLayout, bench: Bench, job: JobStep) -> None:
        """Put what belongs to the days on the tape."""
        plan, why = self.plan()
        self.card.add_to(column, plan, why, self.called, (job.n, job.places))


def _ends(before: Plan, after: Plan) -> str:
    hours = (after.end - before.end).total_seconds() / 3600
    return f"it ends {_apart(abs(hours))} {'later' if hours > 0 else 'sooner'}" if hours else "it ends when it did"


def _apart(hours: float) -> str:
    """Say how long something is, in hours or days."""
    if hours >= 36:
        return f"{round(hours / 24)} days"
    return "a day" if hours >= 20 else "an hour" if round(hours) <= 1 else f"{round(hours)} hours"
