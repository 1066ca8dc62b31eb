# SPDX-License-Identifier: GPL-3.0-or-later
"""The Room stage: the alcove as measured, edited on its drawing."""

from __future__ import annotations

from dataclasses import replace

from PyQt6.QtWidgets import QHBoxLayout, QPushButton, QVBoxLayout

from ...core.drawing.alcove_view import alcove_view
from ...core.lengths import ZERO
from ...core.room.reading import Method, Reading
from ..desk import Desk
from ..widgets.drawing_view import DrawingView
from ..widgets.length_field import LengthField
from ..widgets.title_line import TitleLine
from ..widgets.words import Words
from .stage import Stage

_PLACES = ("floor", "counter", "eye height", "top")


class RoomStage(Stage):
    """The alcove."""

    name, title = "room", "Room"
    help = "Measure the space"

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self._name = TitleLine("alcove-name", "name of the alcove", 20, True)
        self._name.editingFinished.connect(self._rename)
        self.head.replaceWidget(self.heading, self._name)
        self.heading.hide()
        self.drawing = DrawingView(desk, "alcove")
        self.body.addWidget(self.drawing, 1)
        row = QHBoxLayout()
        row.setSpacing(14)
        self._fields = []
        for key, words in (("room/tape.body", "tape body"), ("room/allowance", "left free to get it in")):
            field = LengthField(desk, key, words)
            field.setFixedWidth(84)
            self._fields.append(field)
            row.addWidget(Words(words, 14, colour="quiet"))
            row.addWidget(field)
        row.addStretch(1)
        self._buttons = {}
        for name, words, action in (
            ("add-reading", "Add a width", self.add_reading),
            ("remove-reading", "Remove it", self.remove_reading),
            ("add-ceiling", "Add the ceiling", self.add_ceiling),
            ("add-mouth", "Add the mouth", self.add_mouth),
        ):
            button = QPushButton(words)
            button.setObjectName(name)
            button.clicked.connect(action)
            self._buttons[name] = button
            row.addWidget(button)
        self.body.addLayout(row)

    def state(self) -> str:
        """Return whether the alcove is measured."""
        count = len(self.desk.document.project.alcove.widths)
        blocked = any(snag.code.startswith(("room.", "fit.")) for snag in self.desk.document.snags)
        return "look again" if blocked else "settled ✓" if count > 1 else f"{count} reading{'s' if count != 1 else ''}"

    def refresh(self) -> None:
        """Draw the alcove as it stands."""
        made = self.desk.document.made
        alcove = made.project.alcove
        self._name.show_text(alcove.name)
        spread = made.room.spread
        write = made.units.write
        words = f"Sizes in {made.units.words}. The smallest width governs"
        words += f"; the readings are {write(spread)} apart." if spread > ZERO else "."
        self.under.set_text(words)
        self.drawing.show_drawing(alcove_view(made))
        for field in self._fields:
            field.refresh()
        self._buttons["add-ceiling"].setVisible(alcove.ceiling is None)
        self._buttons["add-mouth"].setVisible(alcove.mouth is None)
        self.select()

    def select(self) -> None:
        """Offer to remove the selected reading."""
        self._buttons["remove-reading"].setEnabled(self._chosen() is not None)

    def _chosen(self) -> int | str | None:
        key = self.desk.selection.number.removeprefix("room/").removesuffix(".read")
        alcove = self.desk.document.project.alcove
        if key in ("ceiling", "mouth") and getattr(alcove, key) is not None:
            return key
        if key.startswith("width.") and key[6:].isdigit() and int(key[6:]) <= len(alcove.widths):
            return int(key[6:]) - 1
        return None

    def _change(self, title: str, **changes: object) -> None:
        project = self.desk.document.project
        self.desk.change(title, replace(project, alcove=replace(project.alcove, **changes)))  # type: ignore[arg-type]

    def _rename(self) -> None:
        name = self._name.text().strip()
        if name:
            self._change("Rename the alcove", name=name)

    def add_reading(self) -> None:
        """Add a width above the others, equal to the last, and select it."""
        alcove = self.desk.document.project.alcove
        taken = {reading.place for reading in alcove.widths}
        names = (*_PLACES, *(f"place {i}" for i in range(1, 100)))
        place = next(name for name in names if name not in taken)
        last = alcove.widths[-1].read if alcove.widths else self.desk.document.project.cases[0].width
        method = alcove.widths[-1].method if alcove.widths else Method.TAPE_ACROSS
        self._change(f"Add a width at {place}", widths=(*alcove.widths, Reading(place, last, method)))
        key = f"room/width.{len(self.desk.document.project.alcove.widths)}"
        self.desk.selection.select(number=key)
        self.drawing.edit(key)

    def remove_reading(self) -> None:
        """Remove the selected reading; undo brings it back."""
        chosen, alcove = self._chosen(), self.desk.document.project.alcove
        if isinstance(chosen, int):
            rows = tuple(reading for i, reading in enumerate(alcove.widths) if i != chosen)
            self._change(f"Remove the width at {alcove.widths[chosen].place}", widths=rows)
        elif chosen is not None:
            self._change(f"Remove the {chosen}", **{chosen: None})
        self.desk.selection.select(number="")

    def add_ceiling(self) -> None:
        """Add a reading of the ceiling height."""
        highest = max((case.height for case in self.desk.document.project.cases), default=ZERO)
        self._change("Add the ceiling", ceiling=Reading("ceiling", highest * 2))
        self.desk.selection.select(number="room/ceiling")

    def add_mouth(self) -> None:
        """Add a reading of the mouth, as wide as the alcove."""
        governing = self.desk.document.made.room.governing
        width = governing.length if governing else self.desk.document.project.cases[0].width
        self._change("Add the mouth", mouth=Reading("mouth", width))
        self.desk.selection.select(number="room/mouth")

    def tape(self, column: QVBoxLayout) -> None:
        """Say how to begin."""
        column.addWidget(Words("Readings", 20, True))
        text = (
            "Click a width and type what you read, such as 24 1/4 + 3. "
            "Say how it was taken, and the tape's body is added for you."
        )
        column.addWidget(Words(text, 14, colour="quiet", wrap=True))
