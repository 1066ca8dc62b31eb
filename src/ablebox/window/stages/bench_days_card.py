# SPDX-License-Identifier: GPL-3.0-or-later
"""What the tape shows beside the sheet of a day: the end, the half hour one has, hours, noise, warmth, who comes, the step in view."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from datetime import date, datetime
from functools import partial

from PyQt6.QtWidgets import QVBoxLayout

from ...core.bench.bench import bench_of
from ...core.days.other import Other
from ...core.days.typed import HoursNotUnderstood, read_date, read_moment, read_spans, write_spans
from ...core.days.warmth import Colder
from ...core.project import days_edits
from ...core.project.tree import Project
from ...core.schedule.durations import Durations
from ...core.schedule.plan import Plan
from ...core.units import System
from ..desk import Desk
from ..widgets.words import LinkWords, Words
from .bench_fields import add_text

_DAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")
#: The half hour one has.
_HALF_HOUR = 30


class DaysCard:
    """The tape of the days.

    Args:
        desk: the workplace.
        go_to: shows a step by its number.
        leave: goes back to the step.
    """

    def __init__(self, desk: Desk, go_to: Callable[[int], object], leave: Callable[[], object]) -> None:
        self.desk, self._go_to, self._leave = desk, go_to, leave

    @property
    def project(self) -> Project:
        """The project as it stands."""
        return self.desk.document.project

    def add_to(
        self,
        column: QVBoxLayout,
        plan: Plan | None,
        why: str,
        title: Callable[[int], str],
        step: tuple[int, tuple[str, ...]] | None,
    ) -> None:
        """Show it all.

        Args:
            column: where to.
            plan: the plan; ``None`` if there is none.
            why: why there is none.
            title: says what a step is.
            step: number and places of the step in view; ``None`` if there is none.
        """
        column.addWidget(Words("The days", 20, True))
        if plan is None:
            column.addWidget(Words(why, 15, True, "snag", wrap=True))
        else:
            self._end(column, plan, title)
            if step is not None and step[0] in plan.placed:
                self._step(column, plan, title, step)
        self._hours(column)
        self._others(column, step)
        column.addSpacing(6)
        column.addWidget(LinkWords("back to the step", self._leave, 14))

    def _end(self, column: QVBoxLayout, plan: Plan, title: Callable[[int], str]) -> None:
        column.addWidget(Words(f"Ends {_said(plan.end)}", 17, True, wrap=True))
        best = plan.end <= plan.bound
        words = "Nobody could end sooner." if best else f"Nobody could end before {_said(plan.bound)}."
        column.addWidget(Words(words, 14, colour="settled" if best else "quiet", wrap=True))
        for late in plan.late:
            column.addWidget(Words(f"{title(late.n)} is not done when {late.what} comes.", 15, True, "snag", wrap=True))
        decides = plan.longest(3)
        if decides:
            column.addWidget(
                Words(f"Decided by {'; '.join(title(n) for n in decides)}.", 13, colour="quiet", wrap=True)
            )
        now = plan.at_hand(self.desk.now(), _HALF_HOUR)
        column.addSpacing(4)
        column.addWidget(Words("In the half hour you have", 14, True, "quiet"))
        for n in now[:3]:
            column.addWidget(LinkWords(f"{title(n)}, {plan.tasks[n].minutes} min", partial(self._go_to, n), 15))
        if not now:
            column.addWidget(Words("nothing that is ready is so short", 14, colour="quiet"))
        column.addSpacing(4)
        kept = self.project.days.laid
        link = "lay the days out anew" if kept else "keep these days as they are"
        made = LinkWords(link, lambda: self._keep(plan, bool(kept)), 14)
        made.setObjectName("days-keep")
        column.addWidget(made)
        durations = Durations(bench_of(self.desk.document.made))
        for what, row in list(durations.learnt.items())[:3]:
            entries = f"{row.entries} entr{'ies' if row.entries > 1 else 'y'} of the log"
            column.addWidget(
                Words(f"{what.value}: {row.factor:.2g} times the rate, by {entries}", 13, colour="quiet", wrap=True)
            )
        following = LinkWords("start the next job with these hours", lambda: self._for_the_next(durations), 13)
        following.setObjectName("days-next")
        column.addWidget(following)

    def _keep(self, plan: Plan, forget: bool) -> None:
        starts = (
            {}
            if forget
            else {
                place: plan.line.moment(plan.placed[n].start) for n, task in plan.tasks.items() for place in task.places
            }
        )
        self.desk.change("Days laid out anew" if forget else "Days kept", days_edits.laid_out(self.project, starts))

    def _for_the_next(self, durations: Durations) -> None:
        days = days_edits.for_the_next(self.project.days, durations.rates())
        self.desk.keep_shop(replace(self.desk.shop, days=days))

    def _step(
        self, column: QVBoxLayout, plan: Plan, title: Callable[[int], str], step: tuple[int, tuple[str, ...]]
    ) -> None:
        n, places = step
        placed, task = plan.placed[n], plan.tasks[n]
        column.addSpacing(4)
        column.addWidget(Words(title(n)[:1].upper() + title(n)[1:], 16, True, wrap=True))
        parts = f", in {len(placed.parts)} parts" if len(placed.parts) > 1 else ""
        people = ", two people" if task.hands > 1 else ""
        words = f"{_said(plan.line.moment(placed.start))}, {task.minutes} min{parts}{people}"
        column.addWidget(Words(words, 14, wrap=True))
        day = self.project.days.pinned.get(places[0])
        shown = day.isoformat() if day is not None else ""
        add_text(column, "days-pin", "put it on", shown, partial(self.pin, n, places), "2026-05-09")

    def pin(self, n: int, places: tuple[str, ...], text: str) -> str:
        """Put a step on a day, or let it go with an empty text; return why not."""
        try:
            day = read_date(text) if text.strip() else None
        except HoursNotUnderstood as fault:
            return str(fault)
        return self.desk.change(
            f"Step {n}: put on {day}" if day else f"Step {n}: on any day", days_edits.pinned(self.project, places, day)
        )

    # Hours

    def _hours(self, column: QVBoxLayout) -> None:
        days = self.project.days
        column.addSpacing(8)
        start = days.start.isoformat() if days.start is not None else ""
        add_text(column, "days-start", "begins", start, self._begins, "today")
        column.addWidget(Words("Hours", 14, True, "quiet"))
        for i, name in enumerate(_DAYS):
            add_text(
                column,
                f"hours-{i}",
                name,
                write_spans(days.hours.week[i]),
                partial(self._week, i),
                "off",
            )
        column.addWidget(Words("9-12:30, 13:30-17 ×2 where a helper is there", 12, colour="quiet", wrap=True))
        for day, spans in days.hours.dates.items():
            add_text(column, f"hours-{day}", day.isoformat(), write_spans(spans), partial(self._date, day))
        add_text(column, "hours-date", "other on", "", self._new_date, "2026-05-09 off")
        noise = f"{days.noise.start:%H:%M}–{days.noise.end:%H:%M}"
        add_text(column, "days-noise", "noise", noise, self._noise, "8-20")
        quiet = ", ".join(_DAYS[day][:3] for day in days.noise.quiet)
        add_text(column, "days-quiet", "none on", quiet, self._quiet, "Sun")
        for name, words, celsius in (
            ("worked", "warm by day", days.warmth.worked),
            ("left", "left alone", days.warmth.left),
        ):
            add_text(column, f"days-{name}", words, self.project.units.degrees(celsius), partial(self._warm, name))
        self._spells(column)
        glue = days.glue
        rows = [
            ("open", "glue open", f"{glue.open} min"),
            ("clamp", "in clamps", f"{glue.clamp} min"),
            ("least", "not below", self.project.units.degrees(glue.least)),
        ]
        for name, words, shown in rows:
            add_text(column, f"glue-{name}", words, shown, partial(self._glue, name))

    def _spells(self, column: QVBoxLayout) -> None:
        for i, spell in enumerate(self.project.days.warmth.dates):
            words = f"{spell.first} to {spell.last}: {self.project.units.degrees(spell.worked)}, left alone {self.project.units.degrees(spell.left)}"
            column.addWidget(Words(words, 14, wrap=True))
            column.addWidget(LinkWords("take away", partial(self._warmer, i), 13))
        add_text(column, "days-cold", "cold spell", "", self._cold, "2026-12-10 2026-12-14 46 36 F")

    def _begins(self, text: str) -> str:
        try:
            start = read_date(text) if text.strip() else None
        except HoursNotUnderstood as fault:
            return str(fault)
        return self.desk.change("The day it begins", days_edits.with_days(self.project, start=start))

    def _cold(self, text: str) -> str:
        """Take dates on which the shop is colder: first and last, worked in and left alone."""
        words = text.split()
        if not words:
            return ""
        try:
            first, last = read_date(words[0]), read_date(words[1] if len(words) > 1 else "")
            rest = " ".join(words[2:]).upper().replace("F", " F").replace("C", " C").split()
            numbers = [float(word) for word in rest if word not in "FC"]
        except (HoursNotUnderstood, ValueError):
            numbers = []
        if not 1 <= len(numbers) <= 2:
            return f"“{text.strip()}” is no cold spell; write the first and last day and how warm: 2026-12-10 2026-12-14 46 36 F."
        fahrenheit = "F" in rest or (self.project.units.system is System.INCH and "C" not in rest)
        worked, left = (round((each - 32) * 5 / 9 if fahrenheit else each) for each in (numbers[0], numbers[-1]))
        try:
            spell = Colder(first, last, worked, left)
        except ValueError as fault:
            return f"{str(fault)[:1].upper()}{str(fault)[1:]}."
        warmth = replace(self.project.days.warmth, dates=(*self.project.days.warmth.dates, spell))
        return self.desk.change("A cold spell", days_edits.with_days(self.project, warmth=warmth))

    def _warmer(self, number: int) -> None:
        dates = self.project.days.warmth.dates
        warmth = replace(self.project.days.warmth, dates=(*dates[:number], *dates[number + 1 :]))
        self.desk.change("No cold spell then", days_edits.with_days(self.project, warmth=warmth))

    def _week(self, day: int, text: str) -> str:
        try:
            after = days_edits.with_weekday(self.project, day, read_spans(text))
        except HoursNotUnderstood as fault:
            return str(fault)
        return self.desk.change(f"Hours of {_DAYS[day]}", after)

    def _date(self, day: date, text: str) -> str:
        try:
            spans = read_spans(text) if text.strip() else None
        except HoursNotUnderstood as fault:
            return str(fault)
        return self.desk.change(f"Hours of {day}", days_edits.with_date(self.project, day, spans))

    def _new_date(self, text: str) -> str:
        day, _, hours = text.strip().partition(" ")
        if not day:
            return ""
        try:
            after = days_edits.with_date(self.project, read_date(day), read_spans(hours))
        except HoursNotUnderstood as fault:
            return str(fault)
        return self.desk.change(f"Hours of {day}", after)

    def _noise(self, text: str) -> str:
        try:
            spans = read_spans(text)
        except HoursNotUnderstood as fault:
            return str(fault)
        if len(spans) != 1:
            return "Noise is allowed from one time to another; write it as 8-20."
        noise = replace(self.project.days.noise, start=spans[0].start, end=spans[0].end)
        return self.desk.change("Hours of noise", days_edits.with_days(self.project, noise=noise))

    def _quiet(self, text: str) -> str:
        found = []
        for name in text.replace(",", " ").split():
            day = next(
                (i for i, known in enumerate(_DAYS) if len(name) > 1 and known.lower().startswith(name.lower())), None
            )
            if day is None:
                return f"“{name}” is no day of the week; write Sat, Sun."
            found.append(day)
        noise = replace(self.project.days.noise, quiet=tuple(sorted(set(found))))
        return self.desk.change("Quiet days", days_edits.with_days(self.project, noise=noise))

    def _glue(self, name: str, text: str) -> str:
        """Take what the maker of the glue says."""
        glue = self.project.days.glue
        try:
            if name == "least":
                glue = replace(glue, least=self._celsius(text))
            else:
                minutes = int(text.lower().removesuffix("min").strip())
                glue = replace(glue, open=minutes) if name == "open" else replace(glue, clamp=minutes)
        except ValueError as fault:
            return f"“{text.strip()}” does not work here: {fault}. Write 15 min, or 50 F."
        return self.desk.change("Glue", days_edits.with_days(self.project, glue=glue))

    def _celsius(self, text: str) -> int:
        """Return a temperature as typed, in the project's own degrees where it does not say which.

        Raises:
            ValueError: if it is none.
        """
        words = text.strip().upper().replace("°", "")
        fahrenheit = words.endswith("F") or (self.project.units.system is System.INCH and not words.endswith("C"))
        degrees = float(words.rstrip(" CF"))
        return round((degrees - 32) * 5 / 9 if fahrenheit else degrees)

    def _warm(self, name: str, text: str) -> str:
        try:
            celsius = self._celsius(text)
        except ValueError:
            return f"“{text.strip()}” is no temperature; write 64 F or 18 C."
        old = self.project.days.warmth
        try:
            warmth = replace(old, worked=celsius) if name == "worked" else replace(old, left=celsius)
        except ValueError as fault:
            return f"{str(fault)[:1].upper()}{str(fault)[1:]}."
        return self.desk.change("How warm the shop is", days_edits.with_days(self.project, warmth=warmth))

    # Others

    def _others(self, column: QVBoxLayout, step: tuple[int, tuple[str, ...]] | None) -> None:
        column.addSpacing(8)
        column.addWidget(Words("Who comes, and deliveries", 14, True, "quiet"))
        for i, other in enumerate(self.project.days.others):
            before = f"; before that {', '.join(other.before)}" if other.before else ""
            after = f"; after that {', '.join(other.after)}" if other.after else ""
            column.addWidget(Words(f"{other.what}, {_said(other.at)}{before}{after}", 14, wrap=True))
            column.addWidget(LinkWords("take away", partial(self._without, i), 13))
        if step is None:
            return
        for name, words in (("before", "then comes"), ("after", "first comes")):
            add_text(
                column,
                f"other-{name}",
                words,
                "",
                partial(self._comes, name, step[1]),
                "2026-05-09 9:00 plumber",
            )

    def _comes(self, name: str, places: tuple[str, ...], text: str) -> str:
        words = text.split()
        if not words:
            return ""
        timed = len(words) > 1 and words[1][:1].isdigit()
        try:
            at = read_moment(" ".join(words[: 2 if timed else 1]))
            before, after = (places[:1], ()) if name == "before" else ((), places[:1])
            other = Other(" ".join(words[2 if timed else 1 :]), at, before, after)
        except (HoursNotUnderstood, ValueError) as fault:
            return str(fault) if isinstance(fault, HoursNotUnderstood) else "Say who comes: 2026-05-09 9:00 plumber."
        return self.desk.change(f"{other.what} comes", days_edits.with_other(self.project, other))

    def _without(self, number: int) -> None:
        self.desk.change("Nobody comes then", days_edits.without_other(self.project, number))


def _said(at: datetime) -> str:
    return f"{at:%A} {at.day} {at:%B}, {at:%H:%M}"
