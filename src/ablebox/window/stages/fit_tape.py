# SPDX-License-Identifier: GPL-3.0-or-later
"""What the Fit stage puts on the tape: who lifts, what to bring, what is packed, the lines to tick, what came out, what to heed."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QMouseEvent
from PyQt6.QtWidgets import QCheckBox, QHBoxLayout, QVBoxLayout, QWidget

from ..widgets.words import Words


class TickLine(QWidget):
    """A line to tick, as long as it is: a click on its words ticks it too.

    Args:
        name: what its box is called.
        text: what it says.
        done: whether it is ticked.
        ticked: is told whether it is ticked now.
    """

    def __init__(self, name: str, text: str, done: bool, ticked: Callable[[bool], None]) -> None:
        super().__init__()
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 2)
        row.setSpacing(8)
        self.box = QCheckBox()
        self.box.setObjectName(f"fit-line:{name}")
        self.box.setAccessibleName(text)
        self.box.setChecked(done)
        self.box.clicked.connect(ticked)
        row.addWidget(self.box, 0, Qt.AlignmentFlag.AlignTop)
        row.addWidget(Words(text, 15, colour="quiet" if done else "ink", wrap=True), 1)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and event.button() is Qt.MouseButton.LeftButton:
            self.box.click()


def add_lines(
    column: QVBoxLayout, rows: Sequence[tuple[str, str]], done: Sequence[str], ticked: Callable[[str, bool], None]
) -> None:
    """Add lines to tick.

    Args:
        column: where to.
        rows: what each is ticked by, and what it says.
        done: those that are ticked.
        ticked: is told a line and whether it is done.
    """
    for key, text in rows:
        column.addWidget(TickLine(key, text, key in done, lambda on, key=key: ticked(key, on)))  # type: ignore[misc]
