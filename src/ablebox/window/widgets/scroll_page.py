# SPDX-License-Identifier: GPL-3.0-or-later
"""A page, or a row, that scrolls where the window is too small for it."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QFrame, QHBoxLayout, QScrollArea, QWidget


class ScrollPage(QScrollArea):
    """A page without a frame that is as wide as there is room."""

    def __init__(self) -> None:
        super().__init__()
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setWidgetResizable(True)


class ScrollRow(ScrollPage):
    """Widgets in a row that scrolls sideways.

    Args:
        widgets: from left to right.
        height: of the row, in pixels.
        least: how wide each is at least.
        apart: between two of them.
    """

    def __init__(self, widgets: Sequence[QWidget], height: int, least: int, apart: int) -> None:
        super().__init__()
        page = QWidget()
        page.setObjectName("stage")
        row = QHBoxLayout(page)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(apart)
        for widget in widgets:
            row.addWidget(widget)
        page.setFixedHeight(height)
        page.setMinimumWidth(len(widgets) * least + (len(widgets) - 1) * apart)
        self.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.setWidget(page)
        bar = self.horizontalScrollBar()
        assert bar is not None
        self._height, self._bar = height, bar.sizeHint().height()
        self.setFixedHeight(height)

    def resizeEvent(self, event) -> None:  # type: ignore[no-untyped-def]
        """Make room for the bar only where there is one."""
        super().resizeEvent(event)
        page = self.widget()
        tight = page is not None and page.minimumWidth() > self.width()
        self.setFixedHeight(self._height + (self._bar if tight else 0))
