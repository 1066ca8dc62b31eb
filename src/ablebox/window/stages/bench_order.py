# SPDX-License-Identifier: GPL-3.0-or-later
"""How the order of work is chosen, for the job or for a case, with what every other answer would ask for."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from functools import partial

from PyQt6.QtCore import QTimer
from PyQt6.QtWidgets import QVBoxLayout

from ...core.bench.bench import Bench, bench_of, price_of, steps_of
from ...core.order.answer import Answer
from ...core.order.order import QUESTIONS, answered
from ...core.project import bench_edits
from ..desk import Desk
from ..widgets.choice_box import add_choice, choice_box
from ..widgets.words import LinkWords, Words

_QUESTIONS = {
    "pins": "pin holes", "back": "the back goes on", "frame": "the face frame", "finish": "the finish", "slides": "slides",
    "fronts": "fronts", "top": "the counter", "batch": "cases", "first": "into the room first", "joining": "cases side by side",
}  # fmt: skip
#: Milliseconds between two answers that are worked out: the window stays at hand.
_PRICED_MS = 20


class OrderCard:
    """The choices of the order of work, on the tape.

    Args:
        desk: the workplace.
        leave: is called to go back to the step.
    """

    def __init__(self, desk: Desk, leave: Callable[[], object]) -> None:
        self.desk = desk
        self._leave = leave
        self._timer = QTimer()
        self._timer.setInterval(_PRICED_MS)
        self._timer.timeout.connect(self._next)
        self._waiting: Iterator[None] = iter(())

    def close_down(self) -> None:
        """Stop working out what other answers ask for."""
        self._timer.stop()

    def add_to(self, column: QVBoxLayout, letter: str) -> None:
        """Show the choices for the job, or for a case that has an order of its own."""
        project = self.desk.document.project
        bench = bench_of(self.desk.document.made)
        own = letter in project.bench.orders
        column.addWidget(Words("Order of work", 20, True))
        settings = "a set-up" if bench.price.settings == 1 else f"{bench.price.settings} set-ups"
        days = "a day" if bench.price.days == 1 else f"{bench.price.days} days"
        whose = f"Case {letter} has an order of its own." if own else "For the whole job."
        words = f"{whose} As chosen: {settings}, and glue or coats wait on {days} or more."
        column.addWidget(Words(words, 14, colour="quiet", wrap=True))
        order = project.bench.order_of(letter) if own else project.bench.order
        others: list[tuple[str, Answer, Words]] = []
        for question, answers in QUESTIONS.items():
            if own and question == "batch":
                continue
            rows = [(answer, answer.words) for answer in answers]
            now: Answer = getattr(order, question)
            box = choice_box(f"order-{question}", _QUESTIONS[question], rows, now, partial(self._answer, question, own))
            add_choice(column, _QUESTIONS[question], box)
            column.addWidget(Words(now.asks, 12, colour="quiet", wrap=True))
            for other in answers:
                if other is not now:
                    line = Words("", 12, colour="quiet", wrap=True)
                    line.setObjectName(f"price-{question}-{other.value}")
                    column.addWidget(line)
                    others.append((question, other, line))
        column.addSpacing(6)
        if own:
            column.addWidget(LinkWords(f"work case {letter} as the job", partial(self._as_job, letter), 14))
        else:
            alone = partial(self._answer, "pins", True, order.pins)
            column.addWidget(LinkWords(f"choose for case {letter} alone", alone, 14))
        column.addWidget(LinkWords("back to the step", self._leave, 14))
        self._waiting = self._prices(bench, letter, own, others)
        self._timer.start()

    def _next(self) -> None:
        try:
            next(self._waiting, None)
        except RuntimeError:
            # The tape has been made anew, and its lines are gone.
            self._timer.stop()

    def _prices(self, bench: Bench, letter: str, own: bool, others: list[tuple[str, Answer, Words]]) -> Iterator[None]:
        """Say beside each other answer what it would ask for: case by case, a case at a time."""
        book = bench.book
        letters = [letter] if own else [case.letter for case, _ in bench.made.built if case.letter not in book.orders]
        order = book.order_of(letter) if own else book.order
        now = price_of(bench.made, letters, order)
        for question, answer, line in others:
            other = answered(order, question, answer)
            for each in letters:
                steps_of(bench.made.assembly(each), other, book.reach)
                yield
            then = price_of(bench.made, letters, other)
            line.set_text(f"or {answer.words}: {then.beside(now)}")
        self._timer.stop()

    def _answer(self, question: str, own: bool, answer: Answer) -> None:
        letter = self.desk.selection.case if own else ""
        words = f"{_QUESTIONS[question]}: {answer.words}"
        self.desk.change(words, bench_edits.ordered(self.desk.document.project, letter, question, answer))

    def _as_job(self, letter: str) -> None:
        self.desk.change(f"Case {letter}: as the job", bench_edits.as_the_job(self.desk.document.project, letter))
