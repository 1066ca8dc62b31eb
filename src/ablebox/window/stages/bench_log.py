# SPDX-License-Identifier: GPL-3.0-or-later
"""The log on the tape: what is open, what is written down by hand, what happened, and what is looked for."""

from __future__ import annotations

import shutil
from collections.abc import Callable
from functools import partial
from pathlib import Path

from PyQt6.QtWidgets import QFileDialog, QLineEdit, QPushButton, QVBoxLayout

from ...core.finish.needs import undecided
from ...core.log.entry import Entry, EntryKind
from ...core.paper.lists.log_words import KINDS, entry_words
from ...core.project.log_edits import found, open_items
from ..desk import Desk
from ..widgets.choice_box import add_choice, choice_box
from ..widgets.words import LinkWords, Words
from .bench_fields import add_text

_KINDS = {
    EntryKind.NOTE: "a note", EntryKind.DECISION: "a decision", EntryKind.MISTAKE: "a mistake", EntryKind.OPEN: "something open",
    EntryKind.HOURS: "hours", EntryKind.PHOTO: "a photo",
}  # fmt: skip
_WHY = {EntryKind.DECISION: "why", EntryKind.MISTAKE: "what would have caught it"}
#: As many entries are shown, the latest first.
_SHOWN = 40


class LogCard:
    """The log.

    Args:
        desk: the workplace.
        leave: goes back to the step.
        again: shows the tape anew.
    """

    def __init__(self, desk: Desk, leave: Callable[[], object], again: Callable[[], object]) -> None:
        self.desk, self._leave, self._again = desk, leave, again
        self._kind = EntryKind.NOTE
        self._sought = ""

    def add_to(self, column: QVBoxLayout, about: str) -> None:
        """Show the log.

        Args:
            column: where to.
            about: what a new entry is about at first: the step or the case in view.
        """
        project = self.desk.document.project
        column.addWidget(Words("The log", 20, True))
        still = open_items(project)
        if still:
            column.addWidget(Words("Still open", 14, True, "quiet"))
        for number, entry in still:
            column.addWidget(Words(entry_words(entry), 15, True, "snag", wrap=True))
            column.addWidget(LinkWords("settled", partial(self._settle, number), 13))
        count = sum(1 for _ in undecided(self.desk.document.made))
        if count:
            words = f"{count} face{'s' if count > 1 else ''} nobody has decided on: see Finish."
            column.addWidget(Words(words, 14, True, "snag", wrap=True))
        column.addSpacing(4)
        self._form(column, about)
        column.addSpacing(6)
        add_text(column, "log-search", "look for", self._sought, self._search, "a word")
        rows = found(project, self._sought)[::-1]
        day = None
        for entry in rows[:_SHOWN]:
            if entry.at.date() != day:
                day = entry.at.date()
                column.addWidget(Words(f"{day:%A}, {day:%Y-%m-%d}", 14, True, "quiet"))
            column.addWidget(Words(f"{entry.at:%H:%M} {KINDS[entry.kind]}: {entry_words(entry)}", 14, wrap=True))
        if not rows:
            column.addWidget(
                Words(
                    "Nothing is written yet. Ticked steps and numbers write themselves down.",
                    14,
                    colour="quiet",
                    wrap=True,
                )
            )
        column.addSpacing(6)
        column.addWidget(LinkWords("back to the step", self._leave, 14))

    def _form(self, column: QVBoxLayout, about: str) -> None:
        add_choice(
            column,
            "write down",
            choice_box("log-kind", "what is written down", list(_KINDS.items()), self._kind, self._choose),
        )
        if self._kind is EntryKind.PHOTO:
            button = QPushButton("Choose the photo")
            button.setObjectName("log-photo")
            button.clicked.connect(lambda: self._photo(about))
            column.addWidget(button)
            return
        rows = [("text", "what", ""), ("about", "about", about)]
        rows += [("why", _WHY[self._kind], "")] if self._kind in _WHY else []
        rows += [("minutes", "minutes", "")] if self._kind is not EntryKind.OPEN else []
        fields: dict[str, QLineEdit] = {}
        for name, words, text in rows:
            fields[name] = add_text(column, f"log-{name}", words, text, lambda _: "")
        told = Words("", 13, colour="snag", wrap=True)
        button = QPushButton("Write it down")
        button.setObjectName("log-write")
        button.clicked.connect(
            lambda: told.set_text(self._write({name: field.text() for name, field in fields.items()}))
        )
        column.addWidget(button)
        column.addWidget(told)

    def _choose(self, kind: EntryKind) -> None:
        self._kind = kind
        self._again()

    def _write(self, said: dict[str, str]) -> str:
        minutes = said.get("minutes", "").strip()
        if minutes and not minutes.isdigit():
            return f"“{minutes}” is no number of minutes."
        try:
            entry = Entry(
                self.desk.now(), self._kind, said["text"].strip(), said["about"].strip(), said.get("why", "").strip(), int(minutes or 0)
            )  # fmt: skip
        except ValueError as fault:
            return f"{str(fault)[:1].upper()}{str(fault)[1:]}."
        self.desk.document.log(entry)
        return ""

    def _photo(self, about: str) -> None:
        path = self.desk.document.path
        if path is None:
            self.desk.document.refused.emit("Save the project first: photos are kept beside it.")
            return
        name, _ = QFileDialog.getOpenFileName(None, "Photo", "", "Pictures (*.jpg *.jpeg *.png)")
        if name:
            self.keep_photo(Path(name), about)

    def keep_photo(self, source: Path, about: str) -> None:
        """Copy a photo beside the project, under a name of its own, and write it down."""
        path = self.desk.document.path
        assert path is not None
        target, number = path.with_name(f"{path.stem}-{source.name}"), 1
        while target.exists():
            number += 1
            target = path.with_name(f"{path.stem}-{source.stem}-{number}{source.suffix}")
        try:
            shutil.copyfile(source, target)
        except OSError as fault:
            self.desk.document.refused.emit(f"The photo could not be kept beside the project: {fault.strerror}.")
            return
        self.desk.document.log(Entry(self.desk.now(), EntryKind.PHOTO, target.name, about))

    def _settle(self, number: int) -> None:
        self.desk.document.settle_entry(number, self.desk.now())

    def _search(self, text: str) -> str:
        self._sought = text.strip()
        self._again()
        return ""
