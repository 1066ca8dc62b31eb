# SPDX-License-Identifier: GPL-3.0-or-later
"""The finish on the tape: which schedules, how much of each product, and the faces of a case: seen, inside, unseen, undecided."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from functools import partial

from PyQt6.QtWidgets import QVBoxLayout

from ...core.coats.book import Sight
from ...core.coats.schedule import schedules
from ...core.drawing import finish_words
from ...core.finish.faces import FaceOf, Where, faces, total
from ...core.finish.needs import amounts
from ..desk import Desk
from ..widgets.choice_box import add_choice, choice_box
from ..widgets.words import LinkWords, Words

#: What a click makes of a face.
_NEXT = {Where.SEEN: Sight.UNSEEN, Where.UNSEEN: Sight.UNDECIDED, Where.UNDECIDED: Sight.SEEN, Where.INSIDE: Sight.SEEN}


class FinishCard:
    """The finish.

    Args:
        desk: the workplace.
        leave: goes back to the step.
        moved_by: makes a change and says what it moves.
    """

    def __init__(
        self, desk: Desk, leave: Callable[[], object], moved_by: Callable[[Callable[[], object]], str]
    ) -> None:
        self.desk, self._leave, self._moved_by = desk, leave, moved_by
        self._moved = ""

    def add_to(self, column: QVBoxLayout, letter: str, again: Callable[[], object]) -> None:
        """Show it for the job, and the faces of a case.

        Args:
            column: where to.
            letter: the case.
            again: shows the tape anew.
        """
        self._again = again
        made = self.desk.document.made
        book = made.project.coats
        column.addWidget(Words("The finish", 20, True))
        rows = [("", "nobody has said")] + [(code, each.name) for code, each in schedules().items()]
        for name, words in (("outside", "what is seen"), ("inside", "insides, fronts shut")):
            box = choice_box(f"finish-{name}", words, rows, getattr(book, name), partial(self._choose, name))
            add_choice(column, words, box)
        if self._moved:
            column.addWidget(Words(self._moved, 14, True, "dimension", wrap=True))
        if not book.outside:
            column.addWidget(Words(finish_words.DECIDE, 14, True, "snag", wrap=True))
        for amount in amounts(made):
            area = made.units.area(amount.area)
            much = finish_words.much(amount.litres, made.units.system)
            coats = f"{amount.coats} coat{'s' if amount.coats > 1 else ''}"
            column.addWidget(Words(f"{amount.product}: {much}, {coats} on {area} in all", 15, True, wrap=True))
            column.addWidget(Words(amount.source, 12, colour="quiet", wrap=True))
        schedule = schedules().get(book.outside)
        if schedule is not None and schedule.coats:
            column.addWidget(Words("Coats of what is seen", 14, True, "quiet"))
            for coat in schedule.coats:
                wait = finish_words.wait(coat.recoat)
                edges = ", edges only" if coat.edges else ""
                column.addWidget(Words(f"{coat.product}{edges}: after grit {coat.grit}, then {wait}", 14, wrap=True))
        if letter and any(case.letter == letter for case, _ in made.built):
            self._faces(column, letter, faces(made, letter))
        column.addSpacing(6)
        column.addWidget(LinkWords("back to the step", self._leave, 14))

    def _faces(self, column: QVBoxLayout, letter: str, rows: list[FaceOf]) -> None:
        column.addSpacing(6)
        column.addWidget(Words(f"Faces of case {letter}", 14, True, "quiet"))
        for where in Where:
            words = self.desk.document.project.units.area(total(rows, where))
            column.addWidget(Words(f"{where.value}: {words}", 14))
        column.addWidget(Words("Click a face to say otherwise.", 13, colour="quiet", wrap=True))
        # What is undecided or was told comes first, then what is seen; insides are many and alike.
        shown = sorted(
            (row for row in rows if row.where is not Where.INSIDE and row.area > _SMALL),
            key=lambda row: (_RANK[row.where], -row.area),
        )
        for row in shown[:_MOST]:
            told = ", as told" if row.told else ""
            made = LinkWords(
                f"{row.part.name}, {row.face.words}: {row.where.value}{told}", partial(self._turn, row), 14
            )
            made.setObjectName(f"face:{row.place}")
            column.addWidget(made)

    def _choose(self, name: str, code: str) -> None:
        project = self.desk.document.project
        words, old = schedules()[code].name if code else "undecided", project.coats
        coats = replace(old, outside=code) if name == "outside" else replace(old, inside=code)
        after = replace(project, coats=coats)
        self._moved = self._moved_by(lambda: self.desk.change(f"Finish: {words}", after))
        # The tape was made before it was known what moved.
        self._again()

    def _turn(self, row: FaceOf) -> None:
        project = self.desk.document.project
        sights = {**project.coats.sights, row.place: _NEXT[row.where]}
        self.desk.change(
            f"{row.part.name}: {_NEXT[row.where].value}", replace(project, coats=replace(project.coats, sights=sights))
        )


_RANK = {Where.UNDECIDED: 0, Where.SEEN: 1, Where.UNSEEN: 2, Where.INSIDE: 3}
#: Faces smaller than this are not listed, in square metres, and as many are at most.
_SMALL, _MOST = 0.02, 30
