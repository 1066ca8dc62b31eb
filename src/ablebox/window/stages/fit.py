# SPDX-License-Identifier: GPL-3.0-or-later
"""The Fit stage: the wall with its true floor, level line, shims, studs and screws, and the order of going in."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtWidgets import QHBoxLayout, QPushButton, QVBoxLayout

from ...core.bench.bench import JobStep
from ...core.bench.fitting import IN_ROOM
from ...core.bench.verb import What
from ...core.drawing.bench_words import BenchWords
from ...core.drawing.fit_view import fit_plan, fit_view, times
from ...core.drawing.fit_words import lines
from ...core.drawing.job_view import standing, wall_of
from ...core.drawing.shapes import Drawing
from ...core.drawing.step_titles import title_of
from ...core.fit.fit import Fit
from ...core.order.first import First
from ...core.project import bench_edits
from ...core.project.fit_edits import line_ticked
from ..desk import Desk
from ..widgets.choice_box import add_choice, choice_box
from ..widgets.drawing_view import DrawingView
from ..widgets.wall_tabs import WallTabs
from ..widgets.words import Words
from .bench_tape import add_asks, add_cautions
from .fit_list import FitList, Row
from .fit_tape import add_lines
from .steps import StepsStage


class FitStage(StepsStage):
    """The room."""

    name, title = "fit", "Fit"
    help = "Level, set, hang and fasten everything in the room, in order"

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self._above = False
        self._tabs = WallTabs("fit-wall")
        self._tabs.picked.connect(self._show_wall)
        self.head.addWidget(self._tabs)
        self._turn = QPushButton("From above")
        self._turn.setObjectName("fit-above")
        self._turn.setCheckable(True)
        self._turn.setProperty("small", True)
        self._turn.clicked.connect(self._look_from_above)
        row = QHBoxLayout()
        row.setSpacing(10)
        column = QVBoxLayout()
        self.drawing = DrawingView(desk, "fit-drawing")
        column.addWidget(self.drawing, 1)
        self._key_words = Words("", 13, colour="quiet", wrap=True)
        column.addWidget(self._key_words)
        row.addLayout(column, 1)
        self.sheet = FitList(self._go_to_key)
        row.addWidget(self.sheet)
        self.body.addLayout(row, 1)
        under = QHBoxLayout()
        under.addWidget(self._turn)
        under.addStretch(1)
        self._buttons: dict[str, QPushButton] = {}
        for name, words, tip, by in (
            ("fit-back", "Back", "Backspace or the left arrow", -1),
            ("fit-done", "Done", "Space: tick it and go on", 1),
        ):
            button = QPushButton(words)
            button.setObjectName(name)
            button.setToolTip(tip)
            button.setAccessibleName(words)
            button.setProperty("small", True)
            button.clicked.connect(lambda _, by=by: self.walk(by))
            under.addWidget(button)
            self._buttons[name] = button
        self.body.addLayout(under)

    # Which step

    @property
    def fit(self) -> Fit:
        """Its fitting."""
        return self.bench.fit

    @property
    def steps(self) -> Sequence[JobStep]:
        """The steps in the room."""
        found = [job for job in self.bench.steps if job.step.what in IN_ROOM]
        if not found:
            return []
        return [job for job in self.bench.steps if job.n >= found[0].n]

    @property
    def wall(self) -> int:
        """The number of the wall in view: that of the step."""
        job = self.job
        if job is None:
            return 1
        letter = job.letters[0]
        if not self.bench.is_case(letter) and job.step.what not in (What.SCRIBE, What.TRIM, What.WALL_RAILS):
            return min(self.desk.selection.wall or 1, len(self.desk.document.project.room.walls))
        return wall_of(self.bench, letter, job.step)

    def _go_to_key(self, key: str) -> None:
        job = next((job for job in self.steps if key in job.places), None)
        if job is not None:
            self.go_to(job)

    def show_half_way(self) -> None:
        """Show the second case being set with the first one standing: what pictures are taken of."""
        own = [job for job in self.steps if job.step.what in (What.STAND, What.HANG_UP)]
        if len(own) > 1:
            before = [job for job in self.bench.steps if job.n < own[1].n]
            self.desk.change(
                "Half way",
                bench_edits.ticked(self.desk.document.project, [p for job in before for p in self.places(job)], True),
            )
            self.go_to(own[1])

    def _tick_line(self, line: str, done: bool) -> None:
        project = self.desk.document.project
        self.desk.change("A line in the room: " + ("done" if done else "open"), line_ticked(project, line, done))

    def _show_wall(self, number: int) -> None:
        """Show the first step at a wall that is not done."""
        entry = next((each for each in self.fit.order if each.wall == number), None)
        self.desk.selection.select(wall=number, number="")
        own = [
            job
            for job in self.steps
            if entry is not None and self.bench.is_case(job.letters[0]) and self._at(job) == number
        ]
        if own:
            self.go_to(next((job for job in own if not self.bench.is_done(job)), own[0]))
        else:
            self.refresh()

    def _at(self, job: JobStep) -> int:
        entry = self.fit.entry(job.letters[0])
        return entry.wall if entry is not None else 0

    def _look_from_above(self) -> None:
        self._above = not self._above
        self.refresh()

    # What is shown

    def state(self) -> str:
        """Return how many cases stand."""
        project = self.desk.document.project
        if self.desk.selection.stage != "fit" and not project.bench.ticked:
            return "not begun"
        if not self.fit.order:
            return "nothing yet"
        there = standing(self.bench)
        return f"{sum(there.values())} of {len(there)} stand"

    def refresh(self) -> None:
        """Show the step in view at its wall."""
        project, job = self.desk.document.project, self.job
        walls = project.room.walls
        self._tabs.setVisible(len(walls) > 1)
        self._turn.setChecked(self._above)
        for button in self._buttons.values():
            button.setEnabled(job is not None)
        if job is None:
            self.heading.set_text("Nothing to set yet")
            self.under.set_text("Put cases into a run of a wall; those that stand by themselves are only carried in.")
            self.drawing.show_drawing(Drawing("no wall"))
            self._key_words.set_text("")
            self.sheet.show_rows([], -1)
            return
        number = self.wall
        self._tabs.show_walls(self.desk.document.project.room.all_called, number)
        letter = job.letters[0] if self.bench.is_case(job.letters[0]) else ""
        unit = project.units.words
        self.heading.set_text(walls[number - 1].name if len(walls) > 1 else f"Standing {walls[0].name}")
        line = self.fit.line(number)
        floor = (
            "nobody has read the floor"
            if line is None or not line.read
            else f"floor as read, drawn × {times(self.fit, number)}"
        )
        self.under.set_text(
            f"{floor} · studs and screws from the front · sizes in {unit}"
            if not self._above
            else f"what is packed, from above · sizes in {unit}"
        )
        view = fit_plan if self._above else fit_view
        self.drawing.show_drawing(view(self.fit, number, letter, standing(self.bench)))
        self._key_words.set_text(
            "Numbers below are packed under the fronts. Dashed blue is the level line, struck from the highest point ▲. Dots are screws."
            if not self._above
            else "Circles are where something is packed, or a foot turned, and by how much."
        )
        self.sheet.show_rows(
            [Row(job.places[0], self._row_words(job), self.bench.is_done(job)) for job in self.steps], self.at
        )
        self._buttons["fit-done"].setText("Done ✓" if self.bench.is_done(job) else "Done")

    def _row_words(self, job: JobStep) -> str:
        letter = job.letters[0]
        if self.bench.is_case(letter):
            return f"{letter}  {title_of(job.step)}"
        if job.step.what is What.SCRIBE:
            return f"{title_of(job.step)} {job.step.key.rpartition(' ')[2]}"
        return title_of(job.step)

    # The tape

    def tape(self, column: QVBoxLayout) -> None:
        """Show the step: what is brought, its lines to tick, what came out, what to heed."""
        job = self.job
        if job is None:
            super().tape(column)
            return
        letter, step = job.rows[0]
        words = BenchWords(self.bench)
        said = words.of(job)
        column.addWidget(Words(self._title(job), 20, True, wrap=True))
        column.addWidget(Words(self._place(job), 14, colour="quiet", wrap=True))
        column.addSpacing(4)
        column.addWidget(Words("Bring", 14, True, "quiet"))
        column.addWidget(Words(said.tools, 15, wrap=True))
        if said.fetch:
            column.addWidget(Words(", ".join(f"{amount} {what}" for amount, what in said.fetch), 15, wrap=True))
        column.addSpacing(4)
        column.addWidget(Words("Then", 14, True, "quiet"))
        project = self.desk.document.project
        if step.what in IN_ROOM:
            rows = lines(self.fit, letter, step, words.codes(letter, step.roles), self.bench.on_base(letter))
        else:
            rows = [(f"{letter}/{step.key}.{i}", text) for i, text in enumerate(said.do)]
        add_lines(column, rows, project.fit.done, self._tick_line)
        if said.check:
            column.addWidget(Words(f"Check: {said.check}.", 15, True, wrap=True))
        asks = [(key, *words.ask(letter, key)) for key in step.asks]
        add_asks(column, self.desk, asks, self._came_out)
        if step.what is What.BEFORE:
            first = choice_box(
                "fit-first",
                "what goes in first",
                [(each, each.words) for each in First],
                project.bench.order.first,
                self._first,
            )
            add_choice(column, "what goes in first", first)
        column.addSpacing(6)
        add_cautions(column, said)

    def _title(self, job: JobStep) -> str:
        letter, title = job.letters[0], title_of(job.step)
        if job.step.what in (What.STAND, What.HANG_UP):
            count = next(i for i, each in enumerate(self.fit.order, start=1) if each.letter == letter)
            return f"Case {letter} goes in {_NTH[count - 1] if count <= len(_NTH) else f'as number {count}'}"
        who = f"Case {letter}: " if self.bench.is_case(letter) else ""
        return f"{who}{title}" if who else title[:1].upper() + title[1:]

    def _place(self, job: JobStep) -> str:
        entry = self.fit.entry(job.letters[0])
        if entry is None:
            return f"step {self.at + 1} of {len(self.steps)} in the room"
        write = self.desk.document.made.units.write
        against = f", {write(entry.off) + ' off' if entry.off else 'against'} {entry.against}" if entry.against else ""
        return f"{self.desk.document.project.wall(entry.wall).name}{against} · step {self.at + 1} of {len(self.steps)}"

    def _first(self, first: First) -> None:
        after = bench_edits.ordered(self.desk.document.project, "", "first", first)
        self.desk.change(first.words.capitalize(), after)


_NTH = ("first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth", "tenth")
