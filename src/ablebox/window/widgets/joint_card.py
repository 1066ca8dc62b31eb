# SPDX-License-Identifier: GPL-3.0-or-later
"""A card with the picture of a joint, cut from the very parts; its numbers go on the tape."""

from __future__ import annotations

from PyQt6.QtCore import QRectF, QSize, Qt
from PyQt6.QtGui import QPainter, QPaintEvent, QPen
from PyQt6.QtWidgets import QAbstractButton, QSizePolicy

from ...core.drawing.joint_views import JOINTS, joint
from ...core.drawing.replay import fitted, replay
from ...core.drawing.shapes import Drawing
from .. import theme
from ..desk import Desk
from ..qt_canvas import QtCanvas, draw_text, text_width


class JointCard(QAbstractButton):
    """A card.

    Args:
        desk: the workplace.
        name: one of the joints.
    """

    def __init__(self, desk: Desk, name: str) -> None:
        super().__init__()
        self._desk, self.name = desk, name
        self._title, self._keys = JOINTS[name]
        self._drawing = Drawing("")
        self.setObjectName(f"joint:{name}")
        self.setFixedHeight(112)
        self.setMinimumWidth(84)
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.clicked.connect(lambda: desk.selection.select(joint=name, number=""))

    def sizeHint(self) -> QSize:
        return QSize(104, 112)

    def refresh(self, letter: str) -> None:
        """Show a case's joint as it stands."""
        self._drawing = joint(self._desk.document.made, letter, self.name)
        shown = ", ".join(self._desk.shown(f"{letter}/{key}") for key in self._keys)
        self.setAccessibleName(f"{self._title}: {shown}")
        self.setToolTip(f"{self._title}: {shown}")
        self.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        selection = self._desk.selection
        letter = selection.case
        chosen = selection.joint == self.name or selection.number in [f"{letter}/{key}" for key in self._keys]
        painter.setBrush(theme.colour("card"))
        edge = "select" if chosen else "dimension" if self.hasFocus() else "line"
        painter.setPen(QPen(theme.colour(edge), 2 if chosen or self.hasFocus() else 1))
        painter.drawRoundedRect(QRectF(1, 1, self.width() - 2, self.height() - 2), 6, 6)
        thing, _, school = self._title.partition(", ")
        draw_text(painter, 10, 16, thing, 13, "quiet", True)
        canvas = QtCanvas(painter, 1.0)
        view = fitted(self._drawing, 4, 24, self.width() - 8, self.height() - 52)
        replay(self._drawing, canvas, view)
        room = self.width() - 18
        size = next((size for size in (14, 13) if text_width(school, size, True) <= room), 12)
        draw_text(painter, 10, self.height() - 15, school, size, "select" if chosen else "ink", True)
