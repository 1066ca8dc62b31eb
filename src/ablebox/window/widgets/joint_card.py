# SPDX-License-Identifier: GPL-3.0-or-later
"""A card with the picture of a joint, cut from the very parts, and the numbers that belong to it."""

from __future__ import annotations

from PyQt6.QtWidgets import QFrame, QGridLayout, QHBoxLayout, QVBoxLayout

from ...core.drawing.joint_views import JOINTS, joint
from ..desk import Desk
from .drawing_view import DrawingView
from .length_field import LengthField
from .words import Words

_SHORT = {
    "kick.height": "high",
    "kick.depth": "deep",
    "bottom.dado": "deep",
    "stretcher.width": "wide",
    "back.groove": "deep",
    "back.play": "play",
    "rail.width": "rail",
    "shelf.play": "play",
    "shelf.setback": "set back",
    "pins.pitch": "pitch",
    "pins.inset": "from edge",
    "pins.margin": "lowest",
    "doors.reveal": "sides",
    "doors.reveal_top": "top",
    "doors.reveal_bottom": "bottom",
    "doors.gap": "gap",
    "hinge.edge": "from edge",
    "hinge.depth": "deep",
    "hinge.cup": "cup",
}


class JointCard(QFrame):
    """A card.

    Args:
        desk: the workplace.
        name: one of the joints.
    """

    def __init__(self, desk: Desk, name: str) -> None:
        super().__init__()
        self._desk, self._name = desk, name
        title, self._keys = JOINTS[name]
        self.setObjectName("card")
        self.setFixedHeight(118)
        outer = QVBoxLayout(self)
        outer.setContentsMargins(9, 5, 7, 6)
        outer.setSpacing(2)
        outer.addWidget(Words(title, 13, True, "quiet"))
        row = QHBoxLayout()
        row.setSpacing(6)
        self._picture = DrawingView(desk, f"joint-{name}", 1.0)
        row.addWidget(self._picture, 1)
        self._grid = QGridLayout()
        self._grid.setSpacing(2)
        row.addLayout(self._grid)
        outer.addLayout(row, 1)
        self._fields: list[LengthField] = []
        self._letter = ""

    def refresh(self, letter: str) -> None:
        """Show a case's joint as it stands."""
        if letter != self._letter:
            self._letter = letter
            self._build()
        self._picture.show_drawing(joint(self._desk.document.made, letter, self._name))
        for field in self._fields:
            field.refresh()

    def _build(self) -> None:
        while self._grid.count():
            item = self._grid.takeAt(0)
            widget = item.widget() if item else None
            if widget is not None:
                widget.hide()
                widget.deleteLater()
        self._fields = []
        for i, key in enumerate(self._keys):
            number = self._desk.choice(f"{self._letter}/{key}")
            field = LengthField(self._desk, f"{self._letter}/{key}", number.title if number else key)
            field.setFixedSize(64, 27 if len(self._keys) < 4 else 21)
            self._grid.addWidget(Words(_SHORT[key], 12, colour="quiet", align="right"), i, 0)
            self._grid.addWidget(field, i, 1)
            self._fields.append(field)
