# SPDX-License-Identifier: GPL-3.0-or-later
"""The walls of the room side by side, one of them at hand."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QPushButton, QWidget

#: So many letters of a wall's name are shown, of one wall, of two, of more; all of it is in its tooltip.
_LETTERS = (22, 13, 9)


class WallTabs(QWidget):
    """A button for each wall.

    Args:
        name: what the names of its buttons begin with.
    """

    #: A wall was picked: its number, from 1.
    picked = pyqtSignal(int)

    def __init__(self, name: str) -> None:
        super().__init__()
        self._name = name
        self._row = QHBoxLayout(self)
        self._row.setContentsMargins(0, 0, 0, 0)
        self._row.setSpacing(6)
        self._buttons: list[QPushButton] = []

    def show_walls(self, names: Sequence[str], number: int) -> None:
        """Show walls by their names, and which of them is at hand."""
        for i in range(len(self._buttons) + 1, len(names) + 1):
            button = QPushButton()
            button.setObjectName(f"{self._name}:{i}")
            button.setCheckable(True)
            button.clicked.connect(lambda _, i=i: self._pick(i))
            self._row.addWidget(button)
            self._buttons.append(button)
        for button in self._buttons[len(names) :]:
            if button.hasFocus():
                # The keyboard must not wander into a field when the tab that has it goes.
                self._buttons[0].setFocus()
            button.hide()
            button.deleteLater()
        del self._buttons[len(names) :]
        for i, (button, name) in enumerate(zip(self._buttons, names, strict=True), start=1):
            most = _LETTERS[min(len(names), len(_LETTERS)) - 1]
            button.setText(name if len(name) <= most else f"{name[: most - 1].rstrip(' ,')}…")
            button.setToolTip(name)
            button.setAccessibleName(name)
            button.setChecked(i == number)

    def _pick(self, number: int) -> None:
        # What is at hand may not change: a click must not take the mark off its button.
        self._buttons[number - 1].setChecked(True)
        self.picked.emit(number)
