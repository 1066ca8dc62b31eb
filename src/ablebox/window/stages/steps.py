# SPDX-License-Identifier: GPL-3.0-or-later
"""What stages have in common that go from step to step: at the bench, and in the room."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeyEvent

from ...core.bench.bench import Bench, JobStep, bench_of
from ...core.drawing.bench_words import BenchWords
from ...core.drawing.step_titles import title_of
from ...core.errors import LengthNotUnderstood
from ...core.log.entry import Entry, EntryKind
from ...core.project import bench_edits
from ...core.project.fit_edits import came_out
from ...core.project.log_edits import done_entries
from ...core.typed import read_length
from ..desk import Desk
from .stage import Stage


class StepsStage(Stage):
    """A stage that shows one step of several; Space ticks it and goes on, Backspace goes back, arrows only look.

    Args:
        desk: the workplace.
    """

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        #: What the step in view is ticked by; empty for the one at hand.
        self._key = ""
        #: The case that was selected when the step in view was gone to.
        self._case = ""

    @property
    def bench(self) -> Bench:
        """The steps of the project at hand."""
        return bench_of(self.desk.document.made)

    @property
    def steps(self) -> Sequence[JobStep]:
        """The steps of this stage; all of the job if it does not say otherwise."""
        return self.bench.steps

    @property
    def at(self) -> int:
        """The number of the step in view, from 0."""
        steps = self.steps
        for i, step in enumerate(steps):
            if self._key and self._key in step.places:
                return i
        return next((i for i, job in enumerate(steps) if not self.bench.is_done(job)), max(0, len(steps) - 1))

    @property
    def job(self) -> JobStep | None:
        """The step in view; ``None`` if there is none."""
        steps = self.steps
        return steps[self.at] if steps else None

    def go_to(self, step: JobStep) -> None:
        """Show a step, and select its case."""
        self._key = step.places[0]
        selection = self.desk.selection
        # What belongs to no case leaves the case that is selected as it is.
        letter = step.letters[0] if self.bench.is_case(step.letters[0]) else selection.case
        self._case = letter
        if selection.case != letter or selection.number:
            selection.select(case=letter, number="")
        else:
            # The step moved, which everything in view follows.
            selection.changed.emit()

    def go(self, by: int) -> None:
        """Show the next step, or the one before."""
        steps = self.steps
        if steps:
            self.go_to(steps[min(len(steps) - 1, max(0, self.at + by))])

    def walk(self, by: int) -> None:
        """Tick the step in view and go on, or go back and take the tick of that away."""
        steps = self.steps
        if not steps:
            return
        at = self.at
        ticked = steps[at if by > 0 else max(0, at - 1)]
        then = steps[min(len(steps) - 1, at + 1)] if by > 0 else ticked
        # The change shows the step that follows at once.
        self._key = then.places[0]
        self._tick(ticked, by > 0)
        self.go_to(then)

    def places(self, job: JobStep) -> list[str]:
        """Return what a step is ticked by, for all its cases and their copies."""
        return [place for letter, step in job.rows for place in self.bench.copies(letter, step)]

    def _tick(self, job: JobStep, done: bool) -> None:
        if self.bench.is_done(job) != done:
            self._tick_places(title_of(job.step), ", ".join(job.letters), self.places(job), done)

    def _tick_places(self, title: str, whose: str, places: list[str], done: bool) -> None:
        """Tick steps, or not; what was not ticked before writes itself into the log."""
        project, words = self.desk.document.project, f"{title}, {whose}: {'done' if done else 'not done'}"
        new = [place for place in places if place not in project.bench.ticked]
        if not self.desk.change(words, bench_edits.ticked(project, places, done)) and done:
            self.desk.document.log(*done_entries(new, title, self.desk.now()))

    def select(self) -> None:
        """Show the selected case's first step that is not done, if another case was selected."""
        job, letter = self.job, self.desk.selection.case
        if job is not None and letter not in job.letters and letter != self._case:
            own = [each for each in self.steps if letter in each.letters]
            if own:
                self._key = next((each for each in own if not self.bench.is_done(each)), own[0]).places[0]
        self.refresh()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is None:
            return
        key = Qt.Key(event.key())
        if key is Qt.Key.Key_Space:
            self.walk(1)
        elif key is Qt.Key.Key_Backspace:
            self.walk(-1)
        elif key in (Qt.Key.Key_Right, Qt.Key.Key_Left):
            self.go(1 if key is Qt.Key.Key_Right else -1)
        else:
            super().keyPressEvent(event)

    def _came_out(self, key: str, text: str) -> str:
        """Take a number as it came out; return why it was not taken."""
        project = self.desk.document.project
        if not text.strip():
            return self.desk.change("As it came out: taken away", came_out(project, key, None))
        try:
            value = read_length(text, project.units)
            after = came_out(project, key, value)
        except (LengthNotUnderstood, ValueError) as fault:
            return str(fault)
        why = self.desk.change(f"As it came out: {key.partition('/')[2].replace('.', ' ')}", after)
        if not why:
            letter = key.partition("/")[0]
            words = BenchWords(self.bench).ask(letter, key)[0]
            written = f"{words}: {project.units.write(value, unit=True)}"
            self.desk.document.log(Entry(self.desk.now(), EntryKind.NUMBER, written, letter))
        return why
