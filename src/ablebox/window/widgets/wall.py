# SPDX-License-Identifier: GPL-3.0-or-later
"""The strip at the top: project, the run as a small elevation, and the totals people watch."""

from __future__ import annotations

from dataclasses import replace

from PyQt6.QtGui import QPainter, QPaintEvent
from PyQt6.QtWidgets import QHBoxLayout, QSizePolicy, QVBoxLayout, QWidget

from ...core.drawing.wall_view import wall_view
from ...core.paper.lists.buying import cost, money
from ...core.shop.plans import verdict
from .. import theme
from ..desk import Desk
from .drawing_view import DrawingView
from .title_line import TitleLine
from .words import Words


class Wall(QWidget):
    """The wall.

    Args:
        desk: the workplace.
    """

    def __init__(self, desk: Desk) -> None:
        super().__init__()
        self._desk = desk
        self.setFixedHeight(88)
        row = QHBoxLayout(self)
        row.setContentsMargins(18, 8, 20, 8)
        names = QVBoxLayout()
        names.setSpacing(0)
        self._name = TitleLine("project-name", "name of the project", 20, True)
        self._place = TitleLine("project-place", "where it stands", 15, False)
        self._place.setPlaceholderText("where it stands")
        names.addStretch(1)
        names.addWidget(self._name)
        names.addWidget(self._place)
        names.addStretch(1)
        row.addLayout(names, 3)
        self.drawing = DrawingView(desk, "wall", 1.1)
        row.addWidget(self.drawing, 6)
        totals = QVBoxLayout()
        totals.setSpacing(2)
        self._sheets = Words("", 16, True, align="right")
        self._verdict = Words("", 13, False, "settled", "right")
        for words in (self._sheets, self._verdict):
            # In a narrow window the drawing gives way, not the numbers.
            words.setSizePolicy(QSizePolicy.Policy.Minimum, QSizePolicy.Policy.Fixed)
        totals.addStretch(1)
        totals.addWidget(self._sheets)
        totals.addWidget(self._verdict)
        totals.addStretch(1)
        row.addLayout(totals, 3)
        self._name.editingFinished.connect(self._rename)
        self._place.editingFinished.connect(self._rename)
        desk.planner.changed.connect(self._totals)
        desk.selection.changed.connect(self._draw)

    def refresh(self) -> None:
        """Show the project as it stands."""
        project = self._desk.document.project
        self._name.show_text(project.name)
        self._place.show_text(project.place)
        self._draw()
        self._totals()

    def _draw(self) -> None:
        self.drawing.show_drawing(wall_view(self._desk.document.made, self._desk.selection.case))

    def _totals(self) -> None:
        planner = self._desk.planner
        parts = sum(part.count for part in self._desk.document.made.parts)
        if planner.faults:
            self._sheets.set_text(f"{parts} parts")
            self._verdict.set_text("the sheets cannot be planned", "snag")
            return
        sheets = sum(len(plan.sheets) for plan in planner.plans.values())
        text = f"{sheets} sheets · {parts} parts" if sheets else f"{parts} parts"
        total, unknown = cost(self._desk.document.made, planner.plans)
        if total and not unknown:
            text += f" · stock {money(total)}"
        self._sheets.set_text(text)
        if planner.running:
            self._verdict.set_text("planning the sheets", "quiet")
        elif planner.plans:
            text = verdict(planner.plans).partition(", and ")[2] or verdict(planner.plans).partition("; ")[2]
            proven = all(plan.proven for plan in planner.plans.values())
            self._verdict.set_text(text, "settled" if proven else "snag")

    def _rename(self) -> None:
        project = self._desk.document.project
        name, place = self._name.text().strip() or project.name, self._place.text().strip()
        self._desk.change("Rename the project", replace(project, name=name, place=place))

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.fillRect(self.rect(), theme.colour("card"))
        painter.setPen(theme.colour("line"))
        painter.drawLine(0, self.height() - 1, self.width(), self.height() - 1)
