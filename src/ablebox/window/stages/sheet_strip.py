# SPDX-License-Identifier: GPL-3.0-or-later
"""All sheets as small pictures in a row; a click shows one large, a piece can be dropped on one."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from ...core.drawing.shapes import Drawing
from ..desk import Desk
from ..widgets.drawing_view import DrawingView
from ..widgets.scroll_page import ScrollPage
from ..widgets.words import Words


class _Thumb(DrawingView):
    """A sheet as a small picture."""

    def __init__(self, desk: Desk, number: int) -> None:
        super().__init__(desk, f"thumb-{number}", 1.0)
        self._number = number
        self.setFixedSize(104, 58)
        self.setCursor(Qt.CursorShape.PointingHandCursor)

    def mousePressEvent(self, event) -> None:  # type: ignore[no-untyped-def]
        self._desk.selection.select(sheet=self._number, number="")

    def mouseMoveEvent(self, event) -> None:  # type: ignore[no-untyped-def]
        """Keep the hand."""

    def keyPressEvent(self, event) -> None:  # type: ignore[no-untyped-def]
        if event.key() == Qt.Key.Key_Space:
            self._desk.selection.select(sheet=self._number, number="")
        else:
            super().keyPressEvent(event)


class SheetStrip(ScrollPage):
    """The row of small pictures.

    Args:
        desk: the workplace.
    """

    def __init__(self, desk: Desk) -> None:
        super().__init__()
        self._desk = desk
        self._thumbs: list[_Thumb] = []
        self._words: list[Words] = []
        self._drawn: object = None
        self.setFixedHeight(100)
        self.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)

    def show_sheets(self, key: object, drawings: Sequence[tuple[Drawing, str]], chosen: int) -> None:
        """Show the sheets; they are drawn anew only when the key is another one.

        Args:
            key: equal as long as the drawings are.
            drawings: each with a word below it.
            chosen: the number of the one at hand.
        """
        if key == self._drawn:
            return
        self._drawn = key
        page = QWidget()
        page.setObjectName("stage")
        row = QHBoxLayout(page)
        row.setContentsMargins(0, 4, 0, 0)
        row.setSpacing(10)
        self._thumbs = []
        for i, (drawing, words) in enumerate(drawings):
            box = QVBoxLayout()
            box.setSpacing(0)
            thumb = _Thumb(self._desk, i)
            thumb.show_drawing(drawing)
            self._thumbs.append(thumb)
            box.addWidget(thumb)
            box.addWidget(Words(words, 13, i == chosen, "select" if i == chosen else "quiet"))
            row.addLayout(box)
        row.addStretch(1)
        old = self.takeWidget()
        if old is not None:
            old.hide()
            old.deleteLater()
        self.setWidget(page)
        if chosen < len(self._thumbs):
            page.adjustSize()
            self.ensureWidgetVisible(self._thumbs[chosen])

    def number_at(self, point: QPoint) -> int | None:
        """Return the number of the sheet whose picture lies at a point of the screen."""
        for i, thumb in enumerate(self._thumbs):
            if thumb.rect().contains(thumb.mapFromGlobal(point)):
                return i
        return None
