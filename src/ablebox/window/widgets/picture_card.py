# SPDX-License-Identifier: GPL-3.0-or-later
"""A card with a picture of how something is built, cut from the very parts."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QRectF, QSize, Qt
from PyQt6.QtGui import QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QAbstractButton, QSizePolicy

from ...core.drawing.replay import fitted, replay
from ...core.drawing.shapes import Drawing
from .. import theme
from ..qt_canvas import QtCanvas, draw_text, wrapped


class PictureCard(QAbstractButton):
    """A card.

    Args:
        name: object name.
        title: small, above the picture; empty for none.
        height: in pixels.
        pressed: what a click does.
    """

    def __init__(self, name: str, title: str, height: int, pressed: Callable[[], object]) -> None:
        super().__init__()
        self._title, self._caption = title, ""
        self._drawing: Drawing | None = None
        self._chosen, self._refusal = False, ""
        self.setObjectName(name)
        self.setFixedHeight(height)
        self.setMinimumWidth(84)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.clicked.connect(lambda: pressed())

    def sizeHint(self) -> QSize:
        return QSize(104, self.height())

    def show_picture(self, drawing: Drawing | None, caption: str, chosen: bool, refusal: str = "") -> None:
        """Show a picture, or that this cannot be built, and why.

        Args:
            drawing: the picture; ``None`` where it cannot be built.
            caption: the words under it.
            chosen: whether it is the one in force.
            refusal: why it cannot be built.
        """
        shown = drawing, caption, chosen, refusal
        if shown == (self._drawing, self._caption, self._chosen, self._refusal):
            return
        self._drawing, self._caption, self._chosen, self._refusal = shown
        self.setEnabled(drawing is not None)
        self.setAccessibleName(f"{self._title} {caption}".strip())
        self.setToolTip(refusal or f"{self._title} {caption}".strip())
        self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        chosen = self._chosen
        painter.setBrush(theme.colour("select-wash" if chosen else "card"))
        edge = "select" if chosen else "dimension" if self.hasFocus() else "line"
        painter.setPen(QPen(theme.colour(edge), 2 if chosen or self.hasFocus() else 1))
        painter.drawRoundedRect(QRectF(1, 1, self.width() - 2, self.height() - 2), 6, 6)
        top = 6.0
        if self._title:
            draw_text(painter, 9, 15, self._title, 13, "quiet", True)
            top = 25.0
        room = self.width() - 16
        lines = wrapped(self._caption, 13, True, room)[:2]
        low = self.height() - 16.0 * len(lines) - 6
        if self._drawing is not None:
            canvas = QtCanvas(painter, 1.0)
            view = fitted(self._drawing, 4, top, self.width() - 8, max(10.0, low - top - 2))
            replay(self._drawing, canvas, view)
        elif self._refusal:
            # The remedy is the last sentence of a refusal.
            remedy = self._refusal.rstrip(".").rpartition(". ")[2]
            for i, line in enumerate(wrapped(remedy, 12, False, room)[:3]):
                draw_text(painter, 9, top + 9 + 15 * i, line, 12, "snag")
        colour = "select" if chosen else "ink" if self._drawing is not None else "quiet"
        for i, line in enumerate(lines):
            draw_text(painter, 9, low + 9 + 16 * i, line, 13, colour, True)
