# SPDX-License-Identifier: GPL-3.0-or-later
"""What hands may do anywhere in the window, kept in one place for every widget there is.

The wheel changes no box that has not the focus; Enter presses a button as Space does; a click into a field takes all of it, so that
typing starts anew. Keys of one letter work on keyboards of any language, by where they are.
"""

from __future__ import annotations

from PyQt6.QtCore import QEvent, QObject, Qt, QTimer
from PyQt6.QtGui import QAction, QFocusEvent, QKeyEvent, QKeySequence, QWheelEvent
from PyQt6.QtWidgets import QAbstractButton, QAbstractSpinBox, QApplication, QComboBox, QLineEdit, QMainWindow, QWidget

from .widgets.length_field import LengthField

_BOXES = (QComboBox, QAbstractSpinBox)
_ENTER = (Qt.Key.Key_Return, Qt.Key.Key_Enter)
#: Where keys are on a keyboard, as X11 and Wayland count them, by what is printed there in English.
_WHERE = {57: "N", 27: "R", 34: "[", 35: "]", 21: "="}
#: Beyond this a key is no letter of the Latin alphabet.
_LATIN = 0x7F


class Hands(QObject):
    """Watches every event of the application for the window it belongs to.

    Args:
        window: the window.
    """

    def __init__(self, window: QMainWindow) -> None:
        super().__init__(window)
        self._window = window
        app = QApplication.instance()
        if app is not None:
            app.installEventFilter(self)

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        """Keep to the rules; returns whether an event is dealt with."""
        if event is None or not isinstance(watched, QWidget):
            return False
        # Every event of the program comes by here: its type is asked for only where it matters.
        if isinstance(event, QKeyEvent):
            kind = event.type()
            if kind == QEvent.Type.KeyPress and watched.window() is self._window:
                return self._key(watched, event)
            return kind == QEvent.Type.ShortcutOverride and self._leaves(watched, event)
        if isinstance(event, QFocusEvent):
            clicked = event.reason() == Qt.FocusReason.MouseFocusReason
            if isinstance(watched, QLineEdit) and clicked and event.type() == QEvent.Type.FocusIn:
                QTimer.singleShot(0, watched.selectAll)
        elif isinstance(watched, _BOXES):
            if isinstance(event, QWheelEvent):
                # What scrolls around it gets the wheel.
                event.setAccepted(watched.hasFocus())
                return not watched.hasFocus()
            if event.type() == QEvent.Type.Polish:
                watched.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        return False

    def _leaves(self, watched: QWidget, event: QKeyEvent) -> bool:
        """Whether a field of a size leaves undo and redo to the window: nothing was typed in it that could be taken back."""
        if not isinstance(watched, LengthField):
            return False
        undo, redo = event.matches(QKeySequence.StandardKey.Undo), event.matches(QKeySequence.StandardKey.Redo)
        leaves = (undo and not watched.isUndoAvailable()) or (redo and not watched.isRedoAvailable())
        if leaves:
            event.ignore()
        return leaves

    def _key(self, watched: QWidget, event: QKeyEvent) -> bool:
        if event.key() in _ENTER and isinstance(watched, QAbstractButton):
            watched.click()
            return True
        plain = not event.modifiers() & ~Qt.KeyboardModifier.ShiftModifier
        if plain and event.key() > _LATIN and event.text() and not isinstance(watched, (QLineEdit, *_BOXES)):
            name = _WHERE.get(event.nativeScanCode())
            for action in self._window.findChildren(QAction) if name else ():
                if action.shortcut().toString() == name and action.isEnabled():
                    action.trigger()
                    return True
        return False
