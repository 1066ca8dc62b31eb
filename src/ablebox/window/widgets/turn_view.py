# SPDX-License-Identifier: GPL-3.0-or-later
"""A case taken apart in space: drag to turn it, wheel to draw it further apart, arrow keys do the same."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QWheelEvent

from ...core.drawing.look import Look
from ..desk import Desk
from .drawing_view import DrawingView

_KEYS = {
    Qt.Key.Key_Left: (-12.0, 0.0, 0.0),
    Qt.Key.Key_Right: (12.0, 0.0, 0.0),
    Qt.Key.Key_Up: (0.0, 6.0, 0.0),
    Qt.Key.Key_Down: (0.0, -6.0, 0.0),
    Qt.Key.Key_PageUp: (0.0, 0.0, 0.15),
    Qt.Key.Key_PageDown: (0.0, 0.0, -0.15),
}


class TurnView(DrawingView):
    """Shows a drawing that depends on from where one looks.

    Args:
        desk: the workplace.
        name: object name.
    """

    def __init__(self, desk: Desk, name: str) -> None:
        super().__init__(desk, name)
        self.look = Look()
        self.turned: Callable[[], None] = lambda: None
        self._from: QPointF | None = None
        self._dragged = False
        self.setToolTip("Drag to turn, wheel to draw apart")

    def _turn(self, turn: float, lift: float, apart: float) -> None:
        look = self.look
        self.look = replace(
            look,
            turn=(look.turn + turn + 180) % 360 - 180,
            lift=min(85.0, max(-30.0, look.lift + lift)),
            apart=min(1.5, max(0.0, look.apart + apart)),
        )
        self.turned()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is not None:
            self._from, self._dragged = event.position(), False
        super().mousePressEvent(event)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self._from is None or not event.buttons() & Qt.MouseButton.LeftButton:
            super().mouseMoveEvent(event)
            return
        moved = event.position() - self._from
        self._from = event.position()
        self._turn(-moved.x() * 0.5, moved.y() * 0.4, 0.0)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._from = None
        super().mouseReleaseEvent(event)

    def wheelEvent(self, event: QWheelEvent | None) -> None:
        if event is not None:
            self._turn(0.0, 0.0, event.angleDelta().y() / 120 * 0.1)
            event.accept()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        steps = _KEYS.get(Qt.Key(event.key())) if event is not None else None
        if steps is not None:
            self._turn(*steps)
        else:
            super().keyPressEvent(event)
