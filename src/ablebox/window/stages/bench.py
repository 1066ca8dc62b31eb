# SPDX-License-Identifier: GPL-3.0-or-later
"""The Bench stage: the step at hand as a picture, the gate before it, and all steps as tickets on one wire."""

from __future__ import annotations

from functools import partial

from PyQt6.QtCore import Qt, QTimer
from PyQt6.QtWidgets import QHBoxLayout, QPushButton, QVBoxLayout

from ...core.assembly.part import Face
from ...core.bench.bench import JobStep, is_known, steps_of
from ...core.bench.clearances import clearances
from ...core.bench.doubt import Clearance
from ...core.bench.gates import gate_before, lines
from ...core.bench.lots import DADO
from ...core.bench.step import Step
from ...core.bench.verb import Gate, What
from ...core.bench.work import DIAGONALS
from ...core.drawing.bench_words import BenchWords
from ...core.drawing.gate_words import gate_line, gate_title
from ...core.drawing.job_view import job_view
from ...core.drawing.shapes import Drawing
from ...core.drawing.step_titles import title_of
from ...core.lengths import Length
from ...core.project import bench_edits
from ...core.units import System
from ..desk import Desk
from ..widgets.drawing_view import DrawingView
from ..widgets.length_field import FIELD_WIDTH, LengthField
from ..widgets.words import Words
from .bench_buying import BuyingCard
from .bench_finish import FinishCard
from .bench_gate import GateCard
from .bench_log import LogCard
from .bench_options import OptionsCard
from .bench_order import OrderCard
from .bench_plan import BenchDays
from .bench_reading import Reading, ReadingMode
from .bench_tape import add_asks, add_cautions, add_copies, add_diagonals, add_doubts, add_fit, add_step
from .bench_wire import Ticket, Wire
from .steps import StepsStage

#: Milliseconds between two cases whose steps are worked out ahead.
_AHEAD_MS = 150
_LIES = {
    Face.BACK: "lies on its back", Face.FRONT: "lies on its front edges", Face.LEFT: "lies on its left side",
    Face.RIGHT: "lies on its right side", Face.TOP: "lies on its top",
}  # fmt: skip
#: What the tape shows instead of the step: name, words on its button, and what it is.
_CARDS = (
    ("order", "Order", "Order of work"), ("days", "Days", "The days, hour by hour"), ("finish", "Finish", "The finish, face by face"),
    ("buying", "Buying", "What is bought"), ("log", "Log", "The log"), ("options", "Options", "Options, side by side"),
)  # fmt: skip


class BenchStage(StepsStage):
    """The bench."""

    name, title = "bench", "Bench"
    help = "Build each case step by step, in an order that is proven"

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self._news = False
        #: Which card is on the tape instead of the step: of the order, the days, the finish, buying, or the log.
        self._card = ""
        self.order = OrderCard(desk, self._leave)
        self.buying = BuyingCard(desk, self._leave)
        self.log = LogCard(desk, self._leave, self._show_tape)
        self.options = OptionsCard(desk, self._leave, self._show_tape)
        self._clear: tuple[object, list[Clearance]] | None = None
        self.drawing = DrawingView(desk, "bench-drawing")
        self.body.addWidget(self.drawing, 1)
        self.days = BenchDays(desk, lambda n: self.go_to(self.steps[n - 1]), self._leave)
        self.days.sheet.hide()
        self.finish = FinishCard(desk, self._leave, self.days.moved_by)
        self.days.shown.connect(self.refresh)
        self.body.addWidget(self.days.sheet, 1)
        self.gate = GateCard(self._tick_line)
        self.body.addWidget(self.gate)
        #: Works the steps out case by case while nobody waits, so that what is wrong with them is told on any stage.
        self._ahead = QTimer(self)
        self._ahead.setInterval(_AHEAD_MS)
        self._ahead.timeout.connect(self._work_ahead)
        desk.document.changed.connect(self._ahead.start)
        self._ahead.start()
        self.wire = Wire()
        self.wire.chosen.connect(lambda at: self.go_to(self.steps[at]))
        self.wire.stepped.connect(self.go)
        self.body.addWidget(self.wire)
        row = QHBoxLayout()
        row.setSpacing(4)
        #: The buttons of the cards, by their names: the one on the tape is down.
        self._turns: dict[str, QPushButton] = {}
        for name, words, tip in _CARDS:
            button = self._small(f"bench-{name}", words, tip)
            button.setCheckable(True)
            button.clicked.connect(lambda _, name=name: self.turn(name))
            row.addWidget(button)
            self._turns[name] = button
        button = self._small("bench-reading", "Read", "Reading mode: the step alone, in large type")
        button.clicked.connect(lambda _: self.read())
        row.addWidget(button)
        row.addStretch(1)
        self._buttons: dict[str, QPushButton] = {}
        for name, words, tip, by in (
            ("bench-back", "Back", "Backspace or the left arrow", -1),
            ("bench-done", "Done", "Space: tick it and go on", 1),
        ):
            button = self._small(name, words, tip)
            button.setAccessibleName(words)
            button.clicked.connect(lambda _, by=by: self.walk(by))
            row.addWidget(button)
            self._buttons[name] = button
        self.body.addLayout(row)

    @staticmethod
    def _small(name: str, words: str, tip: str) -> QPushButton:
        """Return a button of the row under the wire."""
        button = QPushButton(words)
        button.setObjectName(name)
        button.setToolTip(tip)
        button.setAccessibleName(tip)
        button.setProperty("small", True)
        return button

    def _work_ahead(self) -> None:
        """Work out the steps of one case; once all are known look at the snags again."""
        made, book = self.desk.document.made, self.desk.document.project.bench
        for case, assembly in made.built:
            if not is_known(assembly, book.order_of(case.letter), book.reach):
                found = steps_of(assembly, book.order_of(case.letter), book.reach)
                self._news = self._news or bool(found.stuck or book.ticked)
                return
        self._ahead.stop()
        if self._news:
            self._news = False
            self.desk.document.look_again()

    def close_down(self) -> None:
        """Stop working ahead."""
        self._ahead.stop()
        self.order.close_down()

    def show_back(self) -> None:
        """Show the step at hand where the bench is begun, else the first back that goes on: what pictures are taken of."""
        found = next((job for job in self.steps if job.step.what is What.BACK), None)
        if found is not None and not self.bench.book.ticked:
            self.go_to(found)

    def _tick_copy(self, title: str, place: str, done: bool) -> None:
        self._tick_places(title, place.partition("/")[0].replace("#", " copy "), [place], done)

    def _tick_line(self, place: str, done: bool) -> None:
        project = self.desk.document.project
        self.desk.change(
            "A line of the gate: " + ("done" if done else "open"), bench_edits.ticked(project, [place], done)
        )

    # What is shown

    def state(self) -> str:
        """Return how far the bench is."""
        if self.desk.selection.stage != "bench" and not self.desk.document.project.bench.ticked:
            return "not begun"
        here = self.bench.at_hand
        if here is None:
            return "done ✓"
        who = here.letters[0] if self.bench.is_case(here.letters[0]) else self.bench.called(here.letters[:1])
        return f"{who}, step {self._number(here)}"

    def _number(self, job: JobStep) -> int:
        return self.bench.case(job.letters[0]).keys[job.step.key] + 1

    def refresh(self) -> None:
        """Show the step in view."""
        job = self.job
        dayed = job is not None and self._card == "days"
        gate = lines(self.bench, job.letters[0], job.step) if job is not None and not dayed else []
        self.gate.setVisible(bool(gate))
        for button in self._buttons.values():
            button.setEnabled(job is not None)
        for each in (self.drawing, self.wire):
            each.setVisible(not dayed)
        self.days.sheet.setVisible(dayed)
        if dayed and job is not None:
            heading, under = self.days.show(self.bench, job.n)
            self.heading.set_text(heading)
            self.under.set_text(under)
            return
        if job is None:
            self.heading.set_text("Nothing to build yet")
            self.under.set_text("A case that can be built brings its steps with it.")
            self.drawing.show_drawing(Drawing("no step"))
            self.wire.show_tickets([], 0)
            return
        bench, letter, step = self.bench, job.letters[0], job.step
        case = bench.case(letter)
        words = BenchWords(bench)
        said = words.of(job)
        self.heading.set_text(
            f"{bench.called(job.letters)}, step {self._number(job)} of {len(case.steps)}: {said.title}"
        )
        unit = "inches" if bench.made.units.system is System.INCH else "mm"
        lies = _LIES.get(step.lies, "stands") if bench.is_case(letter) else "on the bench"
        self.under.set_text(f"{lies} · {said.tools} · about {said.minutes} minutes · sizes in {unit}")
        self.drawing.show_drawing(self._picture(job))
        if gate:
            rows = [(row.place, gate_line(words.fetched, letter, step, row), row.done) for row in gate]
            self.gate.show_gate(f"{gate_title(step.gate)}, case {letter}", rows)
        tickets = [
            Ticket(
                ",".join(each.letters) if len(each.letters) < 3 else f"{each.letters[0]}…", str(self._number(each)),
                title_of(each.step), bench.is_done(each), bool(each.step.wait), gate_before(bench, each.letters[0], each.step) is not Gate.NONE,
                any(own.stuck is not None for _, own in each.rows),
            )
            for each in self.steps
        ]  # fmt: skip
        self.wire.show_tickets(tickets, self.at)
        self._buttons["bench-done"].setText("Done ✓" if bench.is_done(job) else "Done")

    def _picture(self, job: JobStep) -> Drawing:
        made, letter = self.desk.document.made, job.letters[0]
        codes = {role: part.code for part in made.parts if part.case == letter for role in part.roles}
        return job_view(self.bench, letter, job.step, codes)

    def read(self) -> None:
        """Show the step alone, in large type."""
        if self.job is None:
            return
        self.reading = ReadingMode(self.desk, self.window() or self, self._reading, self.walk)
        self.reading.setAttribute(Qt.WidgetAttribute.WA_DeleteOnClose)
        self.reading.showFullScreen()

    def _reading(self) -> Reading:
        job = self.job
        assert job is not None
        said = BenchWords(self.bench).of(job)
        title = f"{', '.join(job.letters)} · {self._number(job)}  {said.title}"
        return Reading(title, said.do, self._picture(job), self.bench.is_done(job))

    # The tape

    def turn(self, card: str) -> None:
        """Put a card on the tape instead of the step, or the step again."""
        self._card = "" if self._card == card else card
        for name, button in self._turns.items():
            button.setChecked(name == self._card)
        self.desk.selection.select(number="")
        self.desk.selection.changed.emit()
        self._show_tape()

    def _leave(self) -> None:
        self.turn(self._card)

    def _show_tape(self) -> None:
        window = self.window()
        tape = getattr(window, "tape", None)
        if tape is not None:
            tape.refresh()

    def tape(self, column: QVBoxLayout) -> None:
        """Show what is fetched and done, what came out, and what is in doubt; or how the order is chosen."""
        job = self.job
        if job is None:
            super().tape(column)
            return
        if self._card:
            self._add_card(column, job)
            return
        made, letter = self.desk.document.made, job.letters[0]
        said = BenchWords(self.bench).of(job)
        title = said.title[:1].upper() + said.title[1:]
        add_step(column, title, f"{self.bench.called(job.letters)} · step {self._number(job)}", said)
        for case, step in job.rows:
            copies = [(place, self.bench.is_ticked(place)) for place in self.bench.copies(case, step)]
            add_copies(column, case, copies, partial(self._tick_copy, title))
            add_asks(column, self.desk, self._asks(case, step), self._came_out)
            measured = made.project.measured
            asked = dict.fromkeys(ask.removesuffix(DIAGONALS[0]) for ask in step.asks if ask.endswith(DIAGONALS[0]))
            if f"{case}/{DADO}" in step.asks:
                add_fit(column, made.units, measured.get(f"{case}/{DADO}"), BenchWords(self.bench).dado(case))
            if step.what is What.BACK:
                asked[f"{case}/"] = None
            for of in asked:
                whose = of.partition("/")[2].strip("/").replace(".", " ") or "case"
                add_diagonals(column, made.units, whose, *(measured.get(of + name) for name in DIAGONALS))
        if job.step.what is What.TEST:
            self._sheets(column, job)
        if job.step.what in (What.DRY_FIT, What.OPENINGS, What.BOXES):
            rows = [row for row in self._doubts() if row.case == letter and not row.holds]
            add_doubts(column, made.units, rows[:3])
        stuck = next((own.stuck for _, own in job.rows if own.stuck is not None), None)
        if stuck is not None:
            column.addWidget(
                Words("No free way was found for this step: see the snag line.", 15, True, "snag", wrap=True)
            )
        column.addSpacing(6)
        add_cautions(column, said)

    def _add_card(self, column: QVBoxLayout, job: JobStep) -> None:
        letter = self.desk.selection.case
        if self._card == "order":
            self.order.add_to(column, letter)
        elif self._card == "days":
            self.days.add_to(column, self.bench, job)
        elif self._card == "finish":
            self.finish.add_to(column, letter, self._show_tape)
        elif self._card == "buying":
            self.buying.add_to(column, self._show_tape)
        elif self._card == "options":
            self.options.add_to(column)
        else:
            self.log.add_to(column, job.places[0])

    def _sheets(self, column: QVBoxLayout, job: JobStep) -> None:
        """Ask for the thickness of the sheets that go into the slots, where nobody has measured them."""
        made = self.desk.document.made
        codes = dict.fromkeys(
            self.bench.assembly(letter).part(role).goods for letter, step in job.rows for role in step.roles
        )
        left = [row for row in made.project.rack.goods if row.code in codes and row.measured is None]
        if left:
            column.addWidget(Words("Measure the sheet before the slot is set", 14, True, "quiet", wrap=True))
        for goods in left:
            row = QHBoxLayout()
            row.addWidget(Words(f"{goods.name}, thick", 15, wrap=True), 1)
            field = LengthField(self.desk, f"stock/{goods.code}/thickness", f"thickness of {goods.name}", selects=False)
            field.setFixedWidth(FIELD_WIDTH)
            field.refresh()
            row.addWidget(field)
            column.addLayout(row)

    def _doubts(self) -> list[Clearance]:
        made = self.desk.document.made
        if self._clear is None or self._clear[0] is not made:
            self._clear = made, clearances(made)
        return self._clear[1]

    def _asks(self, letter: str, step: Step) -> list[tuple[str, str, Length | None]]:
        words = BenchWords(self.bench)
        return [(key, *words.ask(letter, key)) for key in step.asks]
