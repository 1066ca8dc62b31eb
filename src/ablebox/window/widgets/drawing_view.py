# SPDX-License-Identifier: GPL-3.0-or-later
"""A drawing on screen that is also the form: click or Tab to a number, type, Enter."""

from __future__ import annotations

from PyQt6.QtCore import QEvent, QPoint, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QFocusEvent, QHelpEvent, QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen, QResizeEvent
from PyQt6.QtWidgets import QSizePolicy, QToolTip, QWidget

from ...core.drawing.replay import Spot, fitted, replay
from ...core.drawing.shapes import Drawing
from .. import theme
from ..desk import Desk
from ..qt_canvas import QtCanvas
from .length_field import LengthField

#: Pixels in a point of a drawing: its smallest words, 9 points, come out at 12 pixels.
SCALE = 1.35


class DrawingView(QWidget):
    """Shows one drawing, fitted.

    Args:
        desk: the workplace.
        name: object name, and what the drawing is called for those who hear the screen.
        scale: pixels in a point.
    """

    #: A spot was clicked: what it is about.
    clicked = pyqtSignal(str)
    #: A number was typed over and taken by Enter: its key.
    entered = pyqtSignal(str)

    def __init__(self, desk: Desk, name: str, scale: float = SCALE) -> None:
        super().__init__()
        self._desk, self._scale = desk, scale
        self._drawing = Drawing("")
        self._spots: list[Spot] = []
        self._editor: LengthField | None = None
        self.setObjectName(name)
        self.setMouseTracking(True)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Expanding)
        desk.selection.changed.connect(self.update)

    def sizeHint(self) -> QSize:
        return QSize(320, 260)

    def minimumSizeHint(self) -> QSize:
        return QSize(60, 40)

    def show_drawing(self, drawing: Drawing) -> None:
        """Show another drawing."""
        self._drawing = drawing
        self.setAccessibleName(drawing.name)
        self._lay_out()
        self.update()

    def _lay_out(self) -> None:
        """Find the spots without waiting for paint, so that keys and clicks meet them at once."""
        from_nothing = _Nothing(self._scale)
        view = fitted(self._drawing, 0, 0, self.width() / self._scale, self.height() / self._scale)
        self._spots = replay(self._drawing, from_nothing, view)
        if self._editor is not None:
            self._place_editor()

    def millimetres(self, point: QPoint) -> tuple[float, float]:
        """Return the point of the drawing that lies under a point of the widget."""
        view = fitted(self._drawing, 0, 0, self.width() / self._scale, self.height() / self._scale)
        x, y = point.x() / self._scale, point.y() / self._scale
        return (x - view.left) / view.scale, (view.top - y) / view.scale

    def pixels(self, x: float, y: float) -> QPoint:
        """Return the point of the widget where a point of the drawing lies."""
        view = fitted(self._drawing, 0, 0, self.width() / self._scale, self.height() / self._scale)
        at = view.at(x, y)
        return QPoint(round(at[0] * self._scale), round(at[1] * self._scale))

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        super().resizeEvent(event)
        self._lay_out()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        canvas = QtCanvas(painter, self._scale)
        view = fitted(self._drawing, 0, 0, self.width() / self._scale, self.height() / self._scale)
        selection = self._desk.selection
        selected = f"key:{selection.number}" if selection.number else ""
        lit = f"part:{selection.part}" if selection.part else ""
        replay(self._drawing, canvas, view, selected, lit)
        self._point_out(painter)
        if self.hasFocus():
            painter.setPen(QPen(theme.colour("dimension"), 2))
            painter.setBrush(Qt.BrushStyle.NoBrush)
            painter.drawRoundedRect(QRectF(self.rect()).adjusted(1, 1, -1, -1), 4, 4)

    def focusInEvent(self, event: QFocusEvent | None) -> None:
        super().focusInEvent(event)
        self.update()

    def focusOutEvent(self, event: QFocusEvent | None) -> None:
        super().focusOutEvent(event)
        self.update()

    def _point_out(self, painter: QPainter) -> None:
        """Frame the numbers that could not be taken, or because of which a case cannot be built."""
        painter.setPen(QPen(theme.colour("select"), 2))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        for spot in self._spots:
            key = spot.hot.removeprefix("key:")
            if spot.field and (key in self._desk.drafts or self._desk.blame(key)):
                left, top, wide, high = (each * self._scale for each in (spot.left, spot.top, spot.width, spot.height))
                painter.drawRoundedRect(QRectF(left - 3, top - 2, wide + 6, high + 4), 4, 4)

    def spot_at(self, point: QPoint) -> Spot | None:
        """Return the topmost spot at a point; numbers go before parts."""
        x, y = point.x() / self._scale, point.y() / self._scale
        found = [spot for spot in self._spots if spot.holds(x, y)]
        for kind in ("key:", "bay:", "cell:"):
            of_kind = [spot for spot in found if spot.hot.startswith(kind)]
            if of_kind:
                return of_kind[-1]
        return found[-1] if found else None

    def spot_of(self, hot: str) -> Spot | None:
        """Return the spot that is about something; its field, if it has one."""
        found = [spot for spot in self._spots if spot.hot == hot]
        return next((spot for spot in found if spot.field), found[-1] if found else None)

    def point_of(self, hot: str) -> QPoint:
        """Return a point on the screen widget to click for something.

        Raises:
            KeyError: if the drawing has nothing about it.
        """
        spot = self.spot_of(hot)
        if spot is None:
            raise KeyError(hot)
        return QPoint(int((spot.left + spot.width / 2) * self._scale), int((spot.top + spot.height / 2) * self._scale))

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None:
            return
        spot = self.spot_at(event.position().toPoint())
        hand = Qt.CursorShape.IBeamCursor if spot and spot.field else Qt.CursorShape.PointingHandCursor
        self.setCursor(hand if spot else Qt.CursorShape.ArrowCursor)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is None or event.button() != Qt.MouseButton.LeftButton:
            return
        self.setFocus(Qt.FocusReason.MouseFocusReason)
        spot = self.spot_at(event.position().toPoint())
        if spot is not None:
            self._press(spot)
        elif self._desk.selection.number:
            # A click on bare paper lets the number go: the tape shows the whole again.
            self._desk.selection.select(number="")

    def _press(self, spot: Spot) -> None:
        kind, _, what = spot.hot.partition(":")
        selection = self._desk.selection
        if kind == "key":
            selection.select(number=what)
            if spot.field:
                self.edit(what)
        elif kind == "part":
            selection.select(part=what, number="")
        elif kind == "case":
            selection.select(case=what, part="", number="", bay="", cell="")
        elif kind == "cell":
            selection.select(cell=what, number="", part="")
        elif kind == "bay":
            selection.select(bay=what, joint="inside", number="", part="")
        self.clicked.emit(spot.hot)

    def event(self, event: QEvent | None) -> bool:
        if isinstance(event, QHelpEvent) and event.type() == QEvent.Type.ToolTip:
            self._tell(event)
            return True
        return super().event(event)

    def _tell(self, event: QHelpEvent) -> None:
        spot = self.spot_at(event.pos())
        text = ""
        if spot is not None:
            kind, _, what = spot.hot.partition(":")
            if kind == "key":
                number = self._desk.number(what)
                text = number.label if number else ""
            elif kind == "part":
                part = next((part for part in self._desk.document.made.parts if part.code == what), None)
                text = f"{part.code} {part.name}" if part else ""
            elif kind == "case":
                text = f"case {what}"
        QToolTip.showText(event.globalPos(), text, self)

    def fields(self) -> list[str]:
        """Return the keys of the numbers that can be typed over, from the top left on."""
        fields = [spot for spot in self._spots if spot.field]
        fields.sort(key=lambda spot: (round(spot.top / 20), spot.left))
        return list(dict.fromkeys(spot.hot.removeprefix("key:") for spot in fields))

    def edit(self, key: str) -> None:
        """Open a field on a number of the drawing."""
        self._close_editor()
        editor = LengthField(self._desk, key, "size on the drawing")
        editor.setParent(self)
        editor.entered.connect(self._entered)
        editor.done.connect(self._close_editor)
        self._editor = editor
        self._place_editor()
        editor.show()
        editor.setFocus(Qt.FocusReason.OtherFocusReason)

    def _entered(self) -> None:
        key = self._editor.key if self._editor is not None else ""
        self._close_editor()
        if key:
            self.entered.emit(key)

    def _place_editor(self) -> None:
        editor = self._editor
        spot = self.spot_of(f"key:{editor.key}") if editor else None
        if editor is None:
            return
        if spot is None:
            self._close_editor()
            return
        width = max(96, int(spot.width * self._scale) + 24)
        middle_x = int((spot.left + spot.width / 2) * self._scale)
        middle_y = int((spot.top + spot.height / 2) * self._scale)
        left = min(max(0, middle_x - width // 2), max(0, self.width() - width))
        editor.setGeometry(left, middle_y - 15, width, 30)

    def _close_editor(self) -> None:
        editor, self._editor = self._editor, None
        if editor is not None:
            editor.blockSignals(True)
            if editor.hasFocus():
                # Before it is hidden: that would hand the focus on to the drawing's first number.
                self.setFocus(Qt.FocusReason.OtherFocusReason)
            editor.hide()
            editor.deleteLater()

    def focusNextPrevChild(self, forward: bool) -> bool:
        """Tab walks through the numbers that can be typed over, then leaves the drawing."""
        keys = self.fields()
        at = -1 if forward else len(keys)
        if self._editor is not None:
            if not self._editor.enter():
                return True
            at = keys.index(self._editor.key) if self._editor.key in keys else at
        elif self._desk.selection.number in keys and self.hasFocus():
            at = keys.index(self._desk.selection.number)
        at += 1 if forward else -1
        if 0 <= at < len(keys):
            self._desk.selection.select(number=keys[at])
            self.edit(keys[at])
            return True
        self._close_editor()
        return super().focusNextPrevChild(forward)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is None:
            return
        number = self._desk.selection.number
        if event.text() and event.text() in "0123456789.(" and number in self.fields():
            self.edit(number)
            if self._editor is not None:
                self._editor.start(event.text())
            return
        super().keyPressEvent(event)


class _Nothing(QtCanvas):
    """A canvas that draws nothing: measures only."""

    def __init__(self, scale: float) -> None:
        self._scale = scale

    def polyline(self, points, colour, weight, dashed) -> None:  # type: ignore[no-untyped-def]
        """Draw nothing."""

    def polygon(self, points, fill, line, weight, dashed) -> None:  # type: ignore[no-untyped-def]
        """Draw nothing."""

    def circle(self, x, y, radius, fill, line, weight) -> None:  # type: ignore[no-untyped-def]
        """Draw nothing."""

    def text(self, x, y, text, size, anchor, colour, bold) -> None:  # type: ignore[no-untyped-def]
        """Draw nothing."""

    def upright(self, x, y, text, size, colour, bold) -> None:  # type: ignore[no-untyped-def]
        """Draw nothing."""

    def clip(self, left, top, width, height) -> None:  # type: ignore[no-untyped-def]
        """Draw nothing."""

    def unclip(self) -> None:
        """Draw nothing."""
