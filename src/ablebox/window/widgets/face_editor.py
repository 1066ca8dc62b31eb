# SPDX-License-Identifier: GPL-3.0-or-later
"""The face of a case, on which the line between two fronts can be dragged; sizes snap to the shop's precision."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtGui import QMouseEvent, QPainter, QPaintEvent, QPen

from ...core.drawing.face_view import Boundary
from ...core.drawing.replay import View, fitted
from .. import theme
from ..desk import Desk
from .drawing_view import DrawingView

_NEAR = 6


class FaceEditor(DrawingView):
    """Shows a face.

    Args:
        desk: the workplace.
        name: object name.
        moved: takes a boundary and the new size in mm of the front above or left of it.
    """

    def __init__(self, desk: Desk, name: str, moved: Callable[[Boundary, float], None]) -> None:
        super().__init__(desk, name)
        self._moved = moved
        self.boundaries: list[Boundary] = []
        self._dragged: Boundary | None = None
        self._at = QPoint()

    def _view(self) -> View:
        return fitted(self._drawing, 0, 0, self.width() / self._scale, self.height() / self._scale)

    def line_of(self, boundary: Boundary) -> tuple[QPoint, QPoint]:
        """Return where a boundary runs on the widget."""
        view = self._view()
        ends = (
            ((boundary.start, boundary.at), (boundary.end, boundary.at))
            if boundary.level
            else ((boundary.at, boundary.start), (boundary.at, boundary.end))
        )
        points = [view.at(*end) for end in ends]
        one, other = (QPoint(int(x * self._scale), int(y * self._scale)) for x, y in points)
        return one, other

    def _near(self, point: QPoint) -> Boundary | None:
        for boundary in self.boundaries:
            one, other = self.line_of(boundary)
            if boundary.level and abs(point.y() - one.y()) <= _NEAR and one.x() < point.x() < other.x():
                return boundary
            if not boundary.level and abs(point.x() - one.x()) <= _NEAR and other.y() < point.y() < one.y():
                return boundary
        return None

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is None:
            return
        point = event.position().toPoint()
        spot = self.spot_at(point)
        on_number = spot is not None and spot.hot.startswith("key:")
        self._dragged = None if on_number else self._near(point)
        self._at = point
        if self._dragged is None:
            super().mousePressEvent(event)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None:
            return
        if self._dragged is None:
            near = self._near(event.position().toPoint())
            if near is None:
                super().mouseMoveEvent(event)
            else:
                self.setCursor(Qt.CursorShape.SplitVCursor if near.level else Qt.CursorShape.SplitHCursor)
            return
        self._at = event.position().toPoint()
        self.update()

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        dragged, self._dragged = self._dragged, None
        if dragged is None or event is None:
            super().mouseReleaseEvent(event)
            return
        one, _ = self.line_of(dragged)
        point = event.position().toPoint()
        pixels = point.y() - one.y() if dragged.level else point.x() - one.x()
        self.update()
        if abs(pixels) > 2:
            self._moved(dragged, dragged.size + pixels / (self._view().scale * self._scale))

    def paintEvent(self, event: QPaintEvent | None) -> None:
        super().paintEvent(event)
        if self._dragged is None:
            return
        one, other = self.line_of(self._dragged)
        painter = QPainter(self)
        painter.setPen(QPen(theme.colour("select"), 2, Qt.PenStyle.DashLine))
        if self._dragged.level:
            painter.drawLine(one.x(), self._at.y(), other.x(), self._at.y())
        else:
            painter.drawLine(self._at.x(), one.y(), self._at.x(), other.y())
