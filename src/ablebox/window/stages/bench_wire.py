# SPDX-License-Identifier: GPL-3.0-or-later
"""All steps as tickets pinned to one wire, in the order of work; the step at hand hangs in the middle."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from PyQt6.QtCore import QPointF, QRectF, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen, QPolygonF
from PyQt6.QtWidgets import QScrollArea, QSizePolicy, QWidget

from .. import theme
from ..qt_canvas import draw_text, wrapped

_WIDE, _GAP, _HIGH, _TOP = 76, 8, 84, 20
#: The height of the whole wire.
HEIGHT = 132


@dataclass(frozen=True, slots=True)
class Ticket:
    """A step on the wire.

    Args:
        letter: of its case, or of several.
        number: of the step among its case's.
        title: what it is.
        done: whether it is ticked.
        waits: whether glue or a coat waits after it.
        gate: whether a gate stands before it, and whether that is open.
        stuck: whether it has no right place.
    """

    letter: str
    number: str
    title: str
    done: bool
    waits: bool
    gate: bool
    stuck: bool


class _Tickets(QWidget):
    chosen = pyqtSignal(int)

    def __init__(self) -> None:
        super().__init__()
        self.tickets: Sequence[Ticket] = ()
        self.at = 0
        self.setFixedHeight(HEIGHT - 14)
        self.setMouseTracking(True)
        self.setCursor(Qt.CursorShape.PointingHandCursor)

    def left(self, at: int) -> int:
        """Return where a ticket begins."""
        return 10 + at * (_WIDE + _GAP)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        if event is None:
            return
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setPen(QPen(theme.colour("quiet"), 1.4))
        painter.drawLine(QPointF(0, _TOP - 8), QPointF(self.width(), _TOP - 8))
        first = max(0, event.rect().left() // (_WIDE + _GAP) - 1)
        last = min(len(self.tickets), event.rect().right() // (_WIDE + _GAP) + 2)
        for at in range(first, last):
            self._ticket(painter, at, self.tickets[at])

    def _ticket(self, painter: QPainter, at: int, ticket: Ticket) -> None:
        here = at == self.at
        x, top = self.left(at), _TOP + (4 if here else 0)
        rect = QRectF(x, top, _WIDE, _HIGH)
        painter.setBrush(theme.colour("card" if not ticket.done or here else "paper"))
        colour = "select" if here else "snag" if ticket.stuck else "line"
        painter.setPen(QPen(theme.colour(colour), 2.2 if here else 1.2))
        painter.drawRect(rect)
        # The peg that holds it.
        painter.setBrush(theme.colour("rule"))
        painter.setPen(QPen(theme.colour("tick"), 1))
        painter.drawRect(QRectF(x + _WIDE / 2 - 4, top - 14, 8, 18))
        if ticket.gate:
            self._gate(painter, x - _GAP + 1, top)
        ink = "select" if here else "quiet" if ticket.done else "ink"
        draw_text(painter, x + 7, top + 14, f"{ticket.letter} {ticket.number}", 13, ink, True)
        if ticket.done:
            painter.setPen(QPen(theme.colour("settled"), 2.6))
            right = x + _WIDE - 20
            painter.drawPolyline(
                QPolygonF([QPointF(right, top + 13), QPointF(right + 5, top + 19), QPointF(right + 14, top + 7)])
            )
        elif ticket.waits:
            middle = QPointF(x + _WIDE - 13, top + 14)
            painter.setBrush(theme.colour("card"))
            painter.setPen(QPen(theme.colour("dimension"), 1.6))
            painter.drawEllipse(middle, 7, 7)
            painter.drawPolyline(QPolygonF([middle + QPointF(0, -5), middle, middle + QPointF(4, 1)]))
        y = top + 34
        for line in wrapped(ticket.title, 13, here, _WIDE - 12)[:3]:
            draw_text(painter, x + 7, y, line, 13, ink, here)
            y += 16

    def _gate(self, painter: QPainter, x: float, top: float) -> None:
        painter.setPen(QPen(theme.colour("tick"), 2.2))
        painter.drawLine(QPointF(x, top), QPointF(x, top + _HIGH))
        painter.drawLine(QPointF(x + 5, top), QPointF(x + 5, top + _HIGH))
        for i in range(5):
            y = top + 8 + i * (_HIGH - 16) / 4
            painter.drawLine(QPointF(x, y), QPointF(x + 5, y))

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is not None:
            at = int((event.position().x() - 10) // (_WIDE + _GAP))
            if 0 <= at < len(self.tickets):
                self.chosen.emit(at)


class Wire(QScrollArea):
    """The wire."""

    #: A ticket was clicked: its number, from 0.
    chosen = pyqtSignal(int)
    #: A key that goes on or back was pressed on it.
    stepped = pyqtSignal(int)

    def __init__(self) -> None:
        super().__init__()
        self.setObjectName("wire")
        self.setAccessibleName("all steps in order")
        self._tickets = _Tickets()
        self._tickets.chosen.connect(self.chosen)
        self.setWidget(self._tickets)
        self.setFixedHeight(HEIGHT)
        self.setFrameShape(QScrollArea.Shape.NoFrame)
        self.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)

    @property
    def tickets(self) -> Sequence[Ticket]:
        """What hangs on it."""
        return self._tickets.tickets

    def show_tickets(self, tickets: Sequence[Ticket], at: int) -> None:
        """Show the tickets, one of them in the middle."""
        self._tickets.tickets, self._tickets.at = tickets, at
        self._tickets.setFixedWidth(self._tickets.left(len(tickets)) + 10)
        self._tickets.update()
        if tickets:
            ticket = tickets[at]
            self._tickets.setAccessibleName(f"step {ticket.number} of case {ticket.letter}: {ticket.title}")
        bar = self.horizontalScrollBar()
        if bar is not None:
            bar.setMaximum(max(0, self._tickets.width() - self.width()))
            bar.setValue(self._tickets.left(at) + _WIDE // 2 - self.width() // 2)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is None:
            return
        by = {Qt.Key.Key_Right: 1, Qt.Key.Key_Left: -1}.get(Qt.Key(event.key()))
        if by is None:
            super().keyPressEvent(event)
        else:
            self.stepped.emit(by)
