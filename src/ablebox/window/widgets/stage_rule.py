# SPDX-License-Identifier: GPL-3.0-or-later
"""The boxwood rule at the left: the stages in the order of the work, each with its state."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QAbstractButton, QSizePolicy, QVBoxLayout, QWidget

from .. import theme
from ..qt_canvas import draw_text

WIDTH, HEIGHT = 98, 80
#: Under this height of a stage there is no room for its state: the rule folds the states away.
FOLDED, _LEAST = 62, 30


def draw_ticks(painter: QPainter, top: float, bottom: float, right: float) -> None:
    """Draw the graduation of a rule along its right edge."""
    painter.setPen(QPen(theme.colour("tick"), 1))
    step, y, count = 5.33, top, 0
    while y < bottom:
        length = 20 if count % 16 == 0 else 14 if count % 8 == 0 else 10 if count % 4 == 0 else 6
        painter.drawLine(QPointF(right - length, y), QPointF(right, y))
        y += step
        count += 1


class StageButton(QAbstractButton):
    """One stage on the rule."""

    def __init__(self, name: str, title: str) -> None:
        super().__init__()
        self.title, self._state = title, ""
        self.setObjectName(f"stage:{name}")
        self.setCheckable(True)
        self.setMinimumHeight(_LEAST)
        self.setMaximumHeight(HEIGHT)
        self.setSizePolicy(QSizePolicy.Policy.Preferred, QSizePolicy.Policy.Preferred)
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.set_state("")

    def set_state(self, state: str) -> None:
        """Show a few words on how far the stage is."""
        self._state = state
        self.setAccessibleName(f"{self.title}, {state}" if state else self.title)
        self.update()

    def sizeHint(self) -> QSize:
        return QSize(WIDTH, HEIGHT)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        chosen = self.isChecked()
        painter.fillRect(self.rect(), theme.colour("card" if chosen else "rule"))
        if chosen:
            painter.fillRect(QRectF(0, 0, 4, self.height()), theme.colour("select"))
        else:
            draw_ticks(painter, 4, self.height(), self.width())
        painter.setPen(QPen(theme.colour("tick"), 1))
        painter.drawLine(0, self.height() - 1, self.width(), self.height() - 1)
        on_rule = "tick-ink"
        title = "select" if chosen else on_rule
        if self.height() < FOLDED:
            draw_text(painter, 14, self.height() / 2, self.title, 18, title, True)
        else:
            middle = self.height() / 2
            draw_text(painter, 14, middle - 8, self.title, 18, title, True)
            draw_text(painter, 14, middle + 13, self._state, 12, "quiet" if chosen else on_rule)
        if self.hasFocus():
            painter.setPen(QPen(theme.colour("dimension"), 2))
            painter.drawRect(QRectF(2, 2, self.width() - 4, self.height() - 4))


class StageRule(QWidget):
    """The rule with all stages.

    Args:
        stages: pairs of name and title, in the order of the work.
    """

    #: A stage was chosen, by name.
    chosen = pyqtSignal(str)

    def __init__(self, stages: list[tuple[str, str]]) -> None:
        super().__init__()
        self.setFixedWidth(WIDTH)
        self.setAccessibleName("stages")
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        self._buttons: dict[str, StageButton] = {}
        for name, title in stages:
            button = StageButton(name, title)
            button.clicked.connect(lambda _, name=name: self.chosen.emit(name))
            self._buttons[name] = button
            column.addWidget(button)
        column.addStretch(1)

    def minimumSizeHint(self) -> QSize:
        return QSize(WIDTH, _LEAST * len(self._buttons))

    def choose(self, name: str) -> None:
        """Show a stage as the chosen one."""
        for stage, button in self._buttons.items():
            button.setChecked(stage == name)

    def set_state(self, name: str, state: str, help_text: str) -> None:
        """Show how far a stage is."""
        self._buttons[name].set_state(state)
        self._buttons[name].setToolTip(help_text)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.fillRect(self.rect(), theme.colour("rule"))
        top = sum(button.height() for button in self._buttons.values())
        draw_ticks(painter, top + 4, self.height(), self.width())
