# SPDX-License-Identifier: GPL-3.0-or-later
"""The steps in the room on a sheet of paper, in their order: what is done, what is at hand, what follows."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QFrame, QPushButton, QScrollArea, QVBoxLayout, QWidget

from ..widgets.words import Words

#: How wide the sheet is, in pixels.
WIDTH = 214


@dataclass(frozen=True, slots=True)
class Row:
    """A row of the sheet.

    Args:
        key: of its step.
        words: what is done.
        done: whether it is ticked.
    """

    key: str
    words: str
    done: bool


class FitList(QFrame):
    """The sheet.

    Args:
        chosen: is told the key of a row that was clicked.
    """

    def __init__(self, chosen: Callable[[str], None]) -> None:
        super().__init__()
        self.setObjectName("card")
        self._chosen = chosen
        self.setFixedWidth(WIDTH)
        outer = QVBoxLayout(self)
        outer.setContentsMargins(10, 10, 6, 8)
        outer.setSpacing(4)
        self._title = Words("In the room", 16, True)
        outer.addWidget(self._title)
        self._scroll = QScrollArea()
        self._scroll.setWidgetResizable(True)
        self._scroll.setFrameShape(QFrame.Shape.NoFrame)
        self._scroll.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        inner = QWidget()
        inner.setObjectName("card-inside")
        self._column = QVBoxLayout(inner)
        self._column.setContentsMargins(0, 0, 4, 0)
        self._column.setSpacing(2)
        self._column.addStretch(1)
        self._scroll.setWidget(inner)
        outer.addWidget(self._scroll, 1)
        self._buttons: list[QPushButton] = []
        self._keys: list[str] = []

    def show_rows(self, rows: Sequence[Row], at: int) -> None:
        """Show rows, and which of them is at hand; it is scrolled into view."""
        while len(self._buttons) < len(rows):
            button = QPushButton()
            button.setProperty("row", True)
            button.setCheckable(True)
            i = len(self._buttons)
            button.clicked.connect(lambda _, i=i: self._pick(i))
            self._buttons.append(button)
            self._column.insertWidget(i, button)
        self._keys = [row.key for row in rows]
        for i, button in enumerate(self._buttons):
            button.setVisible(i < len(rows))
            if i < len(rows):
                row = rows[i]
                mark = "✓ " if row.done else ""
                button.setText(f"{mark}{i + 1}  {row.words}")
                button.setObjectName(f"fit-step:{row.key}")
                button.setAccessibleName(f"step {i + 1}, {row.words}{', done' if row.done else ''}")
                button.setChecked(i == at)
        done = sum(row.done for row in rows)
        self._title.set_text(f"In the room, {done} of {len(rows)} done" if rows else "In the room")
        if 0 <= at < len(rows):
            self._scroll.ensureWidgetVisible(self._buttons[at], 0, 60)

    def _pick(self, at: int) -> None:
        self._buttons[at].setChecked(True)
        self._chosen(self._keys[at])
