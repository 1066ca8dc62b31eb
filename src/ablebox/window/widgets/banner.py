# SPDX-License-Identifier: GPL-3.0-or-later
"""A banner over the stages: the project's file was changed by something else, or is only looked at."""

from __future__ import annotations

from PyQt6.QtCore import QFileSystemWatcher, QTimer
from PyQt6.QtGui import QPainter, QPaintEvent
from PyQt6.QtWidgets import QHBoxLayout, QPushButton, QWidget

from .. import theme
from ..desk import Desk
from .words import Words

#: Time for a file to be written to its end before it is looked at, in milliseconds.
_SETTLES = 300


class Banner(QWidget):
    """The banner; it is hidden while there is nothing to say.

    Args:
        desk: the workplace.
    """

    def __init__(self, desk: Desk) -> None:
        super().__init__()
        self._desk = desk
        self.setObjectName("banner")
        row = QHBoxLayout(self)
        row.setContentsMargins(26, 6, 18, 6)
        self.words = Words("", 15, True, wrap=True)
        row.addWidget(self.words, 1)
        self.again = QPushButton("Open it again")
        self.again.setObjectName("banner-again")
        self.again.clicked.connect(self._open_again)
        self.leave = QPushButton("Leave it")
        self.leave.setObjectName("banner-leave")
        self.leave.clicked.connect(self.hide)
        row.addWidget(self.again)
        row.addWidget(self.leave)
        self.hide()
        self._watcher = QFileSystemWatcher(self)
        self._timer = QTimer(self)
        self._timer.setSingleShot(True)
        self._timer.setInterval(_SETTLES)
        self._timer.timeout.connect(self.look)
        self._watcher.fileChanged.connect(lambda _: self._timer.start())
        desk.document.opened.connect(self._watch)
        desk.document.saved.connect(self._watch)

    def _watch(self) -> None:
        """Watch the file that is open now."""
        for name in self._watcher.files():
            self._watcher.removePath(name)
        path = self._desk.document.path
        if path is not None and path.exists():
            self._watcher.addPath(str(path))
        self.hide()
        if self._desk.document.look_only:
            self._say(
                "This project is open elsewhere and here only to look at: save it under another name to change it.",
                False,
            )

    def look(self) -> None:
        """Look whether the file is still as it was opened or saved."""
        document = self._desk.document
        if document.path is None or not document.changed_on_disk:
            return
        if str(document.path) not in self._watcher.files() and document.path.exists():
            self._watcher.addPath(str(document.path))
        lost = " What was changed here since it was saved would be lost with that." if document.history.modified else ""
        self._say(
            f"{document.path.name} was changed on disk by something else. Open it again, or save yours under another name.{lost}",
            True,
        )

    def _say(self, text: str, again: bool) -> None:
        self.words.set_text(text)
        self.again.setVisible(again)
        self.show()

    def _open_again(self) -> None:
        path = self._desk.document.path
        if path is not None:
            self._desk.opening_wanted.emit(path)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.fillRect(self.rect(), theme.colour("select-wash"))
        painter.fillRect(0, self.height() - 2, self.width(), 2, theme.colour("select"))
