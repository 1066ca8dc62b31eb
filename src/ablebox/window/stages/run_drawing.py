# SPDX-License-Identifier: GPL-3.0-or-later
"""The run as a drawing: the line between two members is dragged, the arrow keys move what is selected."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen

from ...core.run.place import Line
from .. import theme
from ..desk import Desk
from ..widgets.drawing_view import DrawingView

#: Pixels beside a line within which it is taken, and moved before it goes along.
_NEAR, _LOOSE = 5, 4


class RunDrawing(DrawingView):
    """The run of a wall.

    Args:
        desk: the workplace.
        move: moves what is selected by a place.
        lines: returns the run on the floor and the one that hangs.
        drag: puts the boundary behind a member of one of them at a place in mm.
    """

    def __init__(
        self,
        desk: Desk,
        move: Callable[[int], None],
        lines: Callable[[], list[Line]],
        drag: Callable[[bool, int, float], None],
    ) -> None:
        super().__init__(desk, "run")
        self._move, self._lines, self._drag = move, lines, drag
        self._taken: tuple[bool, int, QPoint] | None = None
        self._at: QPoint | None = None

    def boundary_at(self, point: QPoint) -> tuple[bool, int] | None:
        """Return which run, and which member of it ends at a point where another begins."""
        _, z = self.millimetres(point)
        for line in self._lines():
            for i, (place, following) in enumerate(zip(line.places, line.places[1:], strict=False)):
                meets = abs(self.pixels(place.end.mm, z).x() - point.x()) <= _NEAR
                if meets and place.end == following.x and place.low.mm <= z <= max(place.high, following.high).mm:
                    return line.upper, i
        return None

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        steps = {Qt.Key.Key_Left: -1, Qt.Key.Key_Right: 1}
        if event is not None and event.key() in steps and event.modifiers() & Qt.KeyboardModifier.AltModifier:
            self._move(steps[Qt.Key(event.key())])
            return
        super().keyPressEvent(event)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        point = event.position().toPoint() if event is not None else QPoint()
        found = self.boundary_at(point) if event is not None and event.button() == Qt.MouseButton.LeftButton else None
        if found is not None and self._over_number(point) is False:
            self._taken = (*found, point)
            return
        super().mousePressEvent(event)

    def _over_number(self, point: QPoint) -> bool:
        spot = self.spot_at(point)
        return spot is not None and spot.field

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        super().mouseMoveEvent(event)
        if event is None:
            return
        point = event.position().toPoint()
        if self._taken is not None and event.buttons() & Qt.MouseButton.LeftButton:
            if self._at is not None or abs(point.x() - self._taken[2].x()) > _LOOSE:
                self._at = point
                self.update()
            self.setCursor(Qt.CursorShape.SplitHCursor)
        elif self.boundary_at(point) is not None and not self._over_number(point):
            self.setCursor(Qt.CursorShape.SplitHCursor)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        taken, at = self._taken, self._at
        self._taken = self._at = None
        self.update()
        if taken is not None and at is not None:
            self._drag(taken[0], taken[1], self.millimetres(at)[0])

    def paintEvent(self, event: QPaintEvent | None) -> None:
        super().paintEvent(event)
        if self._at is not None:
            painter = QPainter(self)
            painter.setPen(QPen(theme.colour("select"), 2, Qt.PenStyle.DashLine))
            painter.drawLine(self._at.x(), 0, self._at.x(), self.height())
