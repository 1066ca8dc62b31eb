# SPDX-License-Identifier: GPL-3.0-or-later
"""A field for a length: shows it with real fractions, takes sums, keeps the old value when it is wrong."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QEvent, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QFocusEvent, QKeyEvent, QKeySequence, QMouseEvent, QPainter, QPaintEvent
from PyQt6.QtWidgets import QLineEdit, QStyle, QStyleOptionFrame

from ..desk import Desk
from ..qt_canvas import draw_text

#: Width of fields that stand in columns, in pixels.
FIELD_WIDTH = 92


class LengthField(QLineEdit):
    """A field for a number of the project.

    Args:
        desk: the workplace.
        key: of the number.
        name: what it is called, for help and for those who hear the screen.
        commit: sets it from text and returns why not; the number is typed over if not given.
        selects: whether typing in it selects the number everywhere.
    """

    #: Typing is over: by Enter, by Escape, or by leaving.
    done = pyqtSignal()
    #: A number was taken by Enter.
    entered = pyqtSignal()

    def __init__(
        self, desk: Desk, key: str, name: str, commit: Callable[[str], str] | None = None, selects: bool = True
    ) -> None:
        super().__init__()
        self._desk, self.key, self._selects = desk, key, selects
        self._commit = commit or (lambda text: desk.type_over(key, text))
        self._shows_project = commit is None
        self.setObjectName(f"field:{key}")
        self.setAccessibleName(name)
        self.setToolTip(name)
        self.setFixedHeight(28)
        self._clicked_into = False
        self.refresh()

    def refresh(self) -> None:
        """Show what the project says, unless someone is typing."""
        if not self.hasFocus() and self._shows_project:
            self.setText(self._desk.shown(self.key))
            self._mark(False)

    def sizeHint(self) -> QSize:
        return QSize(78, 28)

    def _mark(self, wrong: bool) -> None:
        if self.property("wrong") != wrong:
            self.setProperty("wrong", wrong)
            style = self.style()
            if style is not None:
                style.unpolish(self)
                style.polish(self)

    def begin(self) -> None:
        """Start typing: the exact number is there, selected."""
        if self._shows_project:
            self.setText(self._desk.typed(self.key))
        self.selectAll()

    def focusInEvent(self, event: QFocusEvent | None) -> None:
        super().focusInEvent(event)
        self._clicked_into = event is not None and event.reason() == Qt.FocusReason.MouseFocusReason
        self.begin()
        if self._shows_project and self._selects:
            self._desk.selection.select(number=self.key)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        """Keep everything selected after the click that enters the field, so that typing starts anew."""
        super().mousePressEvent(event)
        if self._clicked_into:
            self._clicked_into = False
            self.selectAll()

    def focusOutEvent(self, event: QFocusEvent | None) -> None:
        super().focusOutEvent(event)
        if event is not None and event.reason() == Qt.FocusReason.PopupFocusReason:
            return
        if self._shows_project and self.text().strip() != self._desk.typed(self.key):
            self._commit(self.text())
        self.setText(self._desk.shown(self.key) if self._shows_project else self.text())
        self._mark(False)
        self.done.emit()

    def enter(self) -> bool:
        """Set the number; return whether it was taken."""
        wrong = self._commit(self.text())
        self._mark(bool(wrong))
        if wrong:
            self.selectAll()
            return False
        if self._shows_project:
            self.setText(self._desk.typed(self.key))
            self.selectAll()
        else:
            self.clear()
        return True

    def event(self, event: QEvent | None) -> bool:
        """Leave undo and redo to the window as long as nothing was typed that could be taken back in the field."""
        if isinstance(event, QKeyEvent) and event.type() == QEvent.Type.ShortcutOverride:
            undo, redo = event.matches(QKeySequence.StandardKey.Undo), event.matches(QKeySequence.StandardKey.Redo)
            if (undo and not self.isUndoAvailable()) or (redo and not self.isRedoAvailable()):
                event.ignore()
                return False
        return super().event(event)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is None:
            return
        if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            if self.enter():
                self.entered.emit()
                self.done.emit()
            event.accept()
        elif event.key() == Qt.Key.Key_Escape:
            self._mark(False)
            self.begin() if self._shows_project else self.clear()
            self.done.emit()
            event.accept()
        else:
            self._mark(False)
            super().keyPressEvent(event)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        if self.hasFocus() or not self.text():
            super().paintEvent(event)
            return
        painter = QPainter(self)
        option = QStyleOptionFrame()
        self.initStyleOption(option)
        style = self.style()
        if style is not None:
            style.drawPrimitive(QStyle.PrimitiveElement.PE_PanelLineEdit, option, painter, self)
        draw_text(painter, 8, self.height() / 2, self.text(), 15, "ink" if self.isEnabled() else "quiet", True)
