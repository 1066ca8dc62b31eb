# SPDX-License-Identifier: GPL-3.0-or-later
"""The sheet at hand as a drawing: pieces are taken up and put down on it, and Space makes the next cut."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from PyQt6.QtCore import QPoint, QRect, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen

from ...core.cuts.plan import CutSheet
from ...core.cuts.problem import Spot
from ...core.lengths import TICKS_PER_MM
from .. import theme
from ..desk import Desk
from ..widgets.drawing_view import DrawingView

#: Pixels the mouse moves before a piece comes with it.
_LOOSE = 6


@dataclass(frozen=True, slots=True)
class Put:
    """A piece that was put down.

    Args:
        spot: the piece where it lay.
        x: where its corner is now, along the sheet, in ticks.
        y: across it.
        point: where the mouse is, on the screen.
    """

    spot: Spot
    x: int
    y: int
    point: QPoint


class SheetDrawing(DrawingView):
    """The sheet at hand.

    Args:
        desk: the workplace.
        keys: what is done when a key is pressed, by the key.
    """

    #: A point of the sheet was pressed, in ticks from its corner.
    taken = pyqtSignal(float, float)
    #: A piece was dragged and let go.
    put = pyqtSignal(object)

    def __init__(self, desk: Desk, keys: dict[Qt.Key, Callable[[], None]]) -> None:
        super().__init__(desk, "sheet")
        self._keys = keys
        self._sheet: CutSheet | None = None
        self._pressed: tuple[Spot, QPoint] | None = None
        self._at: QPoint | None = None

    def let_drag(self, sheet: CutSheet | None) -> None:
        """Say whose pieces can be dragged; ``None`` while the sheet is being cut."""
        if sheet != self._sheet:
            self._sheet = sheet
            self._pressed = self._at = None

    def spot_under(self, point: QPoint) -> Spot | None:
        """Return the piece under a point of the widget."""
        x, y = (value * TICKS_PER_MM for value in self.millimetres(point))
        for spot in self._sheet.spots if self._sheet else ():
            long, wide = spot.reach
            if spot.x <= x <= spot.x + long and spot.y <= y <= spot.y + wide:
                return spot
        return None

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() in self._keys and not event.modifiers():
            self._keys[Qt.Key(event.key())]()
            return
        super().keyPressEvent(event)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        super().mousePressEvent(event)
        if event is None or event.button() != Qt.MouseButton.LeftButton:
            return
        point = event.position().toPoint()
        spot = self.spot_under(point)
        self._pressed = (spot, point) if spot is not None else None
        self.taken.emit(*(value * TICKS_PER_MM for value in self.millimetres(point)))

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        super().mouseMoveEvent(event)
        if event is None or self._pressed is None or not event.buttons() & Qt.MouseButton.LeftButton:
            return
        point = event.position().toPoint()
        if self._at is not None or (point - self._pressed[1]).manhattanLength() > _LOOSE:
            self._at = point
            self.setCursor(Qt.CursorShape.ClosedHandCursor)
            self.update()

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        pressed, at = self._pressed, self._at
        self._pressed = self._at = None
        if event is None or pressed is None or at is None:
            return
        self.setCursor(Qt.CursorShape.ArrowCursor)
        self.update()
        corner = self.millimetres(self._ghost(pressed[0], pressed[1], at).bottomLeft())
        x, y = (round(value * TICKS_PER_MM) for value in corner)
        self.put.emit(Put(pressed[0], x, y, event.globalPosition().toPoint()))

    def _ghost(self, spot: Spot, pressed: QPoint, at: QPoint) -> QRect:
        """Return where a dragged piece is drawn."""
        long, wide = spot.reach
        low = self.pixels(spot.x / TICKS_PER_MM, spot.y / TICKS_PER_MM)
        high = self.pixels((spot.x + long) / TICKS_PER_MM, (spot.y + wide) / TICKS_PER_MM)
        by = at - pressed
        return QRect(QPoint(low.x(), high.y()) + by, QPoint(high.x(), low.y()) + by)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        super().paintEvent(event)
        if self._pressed is None or self._at is None:
            return
        painter = QPainter(self)
        painter.setOpacity(0.75)
        painter.setBrush(theme.colour("select-wash"))
        painter.setPen(QPen(theme.colour("select"), 2, Qt.PenStyle.DashLine))
        painter.drawRect(self._ghost(*self._pressed, self._at))
