# SPDX-License-Identifier: GPL-3.0-or-later
"""Keeps the recovery journal of the open project, and offers what was left behind when the program starts."""

from __future__ import annotations

from pathlib import Path

from platformdirs import user_state_path
from PyQt6.QtCore import QObject, QTimer

from ..core.project.journal import Journal, left_behind, set_aside
from . import ask
from .document import Document
from .main_window import MainWindow
from .settings import written_time

#: Changes that follow each other within this time are written together, in milliseconds.
_AFTER = 250


def folder() -> Path:
    """Return where journals are kept."""
    return Path(user_state_path("ablebox")) / "journals"


class Keeper(QObject):
    """Writes down every change of a document.

    Args:
        document: the open project.
    """

    def __init__(self, document: Document) -> None:
        super().__init__(document)
        self._document = document
        self._journal: Journal | None = None
        self._broken = False
        self._timer = QTimer(self)
        self._timer.setSingleShot(True)
        self._timer.setInterval(_AFTER)
        self._timer.timeout.connect(self.write)
        document.changed.connect(self._timer.start)
        document.opened.connect(self.begin)
        document.saved.connect(self.begin_saved)
        self.begin()

    def begin(self) -> None:
        """Begin anew with the project that is open now."""
        self.done_with(saved=False)
        document = self._document
        try:
            self._journal = Journal(
                folder(), document.project, document.path, document.fingerprint, document.history.modified
            )
        except OSError as fault:
            self._refuse(fault)

    def begin_saved(self) -> None:
        """Begin anew with the project as it is on disk now: what was written so far is not needed any more."""
        self.done_with(saved=True)
        self.begin()

    def write(self) -> None:
        """Write down what has changed, now."""
        self._timer.stop()
        if self._journal is None:
            return
        try:
            self._journal.note(self._document.history.undo_title or "change", self._document.project)
        except OSError as fault:
            self._refuse(fault)

    def _refuse(self, fault: OSError) -> None:
        if not self._broken:
            self._broken = True
            self._document.refused.emit(
                f"Changes are not kept for recovery: {folder()} cannot be written ({fault.strerror or 'the disk refuses'}). Save often."
            )

    def done_with(self, saved: bool) -> None:
        """Let go of the journal, because everything is saved or was thrown away on purpose."""
        self._timer.stop()
        if self._journal is not None:
            self._journal.done_with(saved)
            self._journal = None


def offer(window: MainWindow) -> bool:
    """Offer what was left behind; tells whether the window shows one of them now."""
    taken = False
    for left in left_behind(folder()):
        answer = ask.about_recovery(
            window, left.name, written_time(left.modified), len(left.changes), left.path is not None
        )
        if answer == ask.LATER:
            continue
        if answer == ask.RESTORE and not taken:
            window.desk.document.restore(left.project, left.path, left.fingerprint)
            taken = True
            set_aside(left.journal)
        elif answer == ask.AS_SAVED:
            if left.path is not None and not taken:
                taken = window.files.open(left.path)
            set_aside(left.journal)
    return taken
