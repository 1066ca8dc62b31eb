# SPDX-License-Identifier: GPL-3.0-or-later
"""The step alone, in type that is read from two metres: full screen, one large key on and one back."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import QDialog, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from ...core.drawing.shapes import Drawing
from .. import theme
from ..desk import Desk
from ..widgets.drawing_view import DrawingView
from ..widgets.words import Words

#: Pixels of type: a digit of 40 is read from two metres and more (common practice).
_TITLE, _LINE = 44, 30
_MOST = 5


@dataclass(frozen=True, slots=True)
class Reading:
    """What is shown.

    Args:
        title: the step.
        lines: what is done.
        drawing: its picture.
        done: whether it is ticked.
    """

    title: str
    lines: tuple[str, ...]
    drawing: Drawing
    done: bool


class ReadingMode(QDialog):
    """The step alone.

    Args:
        desk: the workplace.
        parent: the window.
        now: returns what is shown now.
        go: goes on or back by a step; ticks the one at hand where it goes on.
    """

    def __init__(self, desk: Desk, parent: QWidget, now: Callable[[], Reading], go: Callable[[int], None]) -> None:
        super().__init__(parent)
        self.setObjectName("reading")
        self.setWindowTitle("At the bench")
        self._now, self._go = now, go
        self.setStyleSheet(f"QDialog {{ background: {theme.colour('card').name()}; }}")
        column = QVBoxLayout(self)
        column.setContentsMargins(40, 28, 40, 28)
        self.heading = Words("", _TITLE, True, wrap=True)
        column.addWidget(self.heading)
        row = QHBoxLayout()
        self.drawing = DrawingView(desk, "reading-drawing", 1.8)
        self.drawing.setFocusPolicy(Qt.FocusPolicy.NoFocus)
        row.setSpacing(32)
        row.addWidget(self.drawing, 3)
        self._lines = QVBoxLayout()
        self._lines.setSpacing(12)
        row.addLayout(self._lines, 2)
        column.addLayout(row, 1)
        keys = QHBoxLayout()
        for name, words, by in (("reading-back", "←  back", -1), ("reading-on", "done, next  →", 1)):
            button = QPushButton(words)
            button.setObjectName(name)
            button.setMinimumHeight(84)
            button.setStyleSheet(f"font-size: {_LINE}px; font-weight: 600;")
            button.clicked.connect(lambda _, by=by: self.step(by))
            keys.addWidget(button, 1 if by < 0 else 2)
        column.addLayout(keys)
        self.refresh()

    def step(self, by: int) -> None:
        """Go on or back."""
        self._go(by)
        self.refresh()

    def refresh(self) -> None:
        """Show the step at hand."""
        now = self._now()
        self.heading.set_text(f"{now.title}{'  ✓' if now.done else ''}")
        self.drawing.show_drawing(now.drawing)
        while (item := self._lines.takeAt(0)) is not None:
            widget = item.widget()
            if widget is not None:
                widget.deleteLater()
        for line in now.lines[:_MOST]:
            self._lines.addWidget(Words(line, _LINE, wrap=True))
        if len(now.lines) > _MOST:
            self._lines.addWidget(Words(f"and {len(now.lines) - _MOST} more lines on the tape", 20, colour="quiet"))
        self._lines.addStretch(1)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is None:
            return
        by = {
            Qt.Key.Key_Space: 1, Qt.Key.Key_Right: 1, Qt.Key.Key_PageDown: 1, Qt.Key.Key_Return: 1, Qt.Key.Key_Left: -1,
            Qt.Key.Key_PageUp: -1, Qt.Key.Key_Backspace: -1,
        }.get(Qt.Key(event.key()))  # fmt: skip
        if by is None:
            super().keyPressEvent(event)
        else:
            self.step(by)
