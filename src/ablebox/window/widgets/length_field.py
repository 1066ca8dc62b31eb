# SPDX-License-Identifier: GPL-3.0-or-later
"""A field for a length: shows it with real fractions, takes sums, keeps the old value when it is wrong."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QSize, Qt, pyqtSignal
from PyQt6.QtGui import QFocusEvent, QKeyEvent, QMouseEvent, QPainter, QPaintEvent
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
        #: Whether anything was typed since typing began: Enter alone changes nothing.
        self._touched = False
        self.textEdited.connect(self._note_typing)
        self.refresh()

    def _note_typing(self) -> None:
        self._touched = True

    def refresh(self) -> None:
        """Show what the project says, unless someone is typing; or what was typed and could not be taken, with the reason."""
        if self.hasFocus() or not self._shows_project:
            return
        draft = self._desk.drafts.get(self.key)
        self.setText(draft.text if draft is not None else self._desk.shown(self.key))
        self._mark(draft.reason if draft is not None else self._desk.blame(self.key))

    def sizeHint(self) -> QSize:
        return QSize(78, 28)

    def _mark(self, reason: str) -> None:
        """Show that something is wrong with the number, and why; nothing is if the reason is empty."""
        wrong = bool(reason)
        self.setToolTip(reason or self.accessibleName())
        self.setAccessibleDescription(reason)
        if self.property("wrong") != wrong:
            self.setProperty("wrong", wrong)
            style = self.style()
            if style is not None:
                style.unpolish(self)
                style.polish(self)

    def begin(self) -> None:
        """Start typing: the exact number is there, selected; or what was typed before and could not be taken."""
        if self._shows_project:
            draft = self._desk.drafts.get(self.key)
            self.setText(draft.text if draft is not None else self._desk.typed(self.key))
        self._touched = False
        self.selectAll()

    def start(self, text: str) -> None:
        """Start typing with a key that was pressed elsewhere, such as on the drawing it stands on."""
        self.setText(text)
        self._touched = True

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
        if self._shows_project:
            if self._touched:
                self._set()
            self._touched = False
            # Not asked for by refresh, which leaves a field alone that has the focus.
            draft = self._desk.drafts.get(self.key)
            self.setText(draft.text if draft is not None else self._desk.shown(self.key))
            self._mark(draft.reason if draft is not None else self._desk.blame(self.key))
        self.done.emit()

    def _set(self) -> bool:
        """Set the number from what was typed, and keep that where it cannot be; return whether it was taken."""
        text = self.text()
        reason = self._commit(text)
        if self._shows_project:
            self._desk.keep_draft(self.key, text, reason)
        self._mark(reason)
        return not reason

    def enter(self) -> bool:
        """Set the number if anything was typed; return whether it was taken."""
        if not self._touched:
            return not self._shows_project or self.key not in self._desk.drafts
        if not self._set():
            self.selectAll()
            return False
        self._touched = False
        if self._shows_project:
            self.setText(self._desk.typed(self.key))
            self.selectAll()
        else:
            self.clear()
        return True

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is None:
            return
        if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            if self.enter():
                self.entered.emit()
                self.done.emit()
            event.accept()
        elif event.key() == Qt.Key.Key_Escape:
            self._desk.drafts.pop(self.key, None)
            self._mark("")
            self.begin() if self._shows_project else self.clear()
            self.done.emit()
            event.accept()
        else:
            self._mark("")
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
        draw_text(painter, 8, self.height() / 2, self.text(), 17, "ink" if self.isEnabled() else "quiet", True)
