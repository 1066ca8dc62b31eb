# SPDX-License-Identifier: GPL-3.0-or-later
"""The boards of the project: which piece comes from which, kind by kind."""

from __future__ import annotations

from PyQt6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from ...core.drawing.board_view import board_view
from ...core.lengths import Length
from ...core.paper.lists.buying import boards_to_buy
from ...core.shop.boards import board_plans
from ..desk import Desk
from ..widgets.drawing_view import DrawingView
from ..widgets.length_field import LengthField
from ..widgets.scroll_page import ScrollPage
from ..widgets.words import Words

#: Pixels a board is long, about.
_WIDE = 790


class BoardsPage(ScrollPage):
    """All boards, drawn.

    Args:
        desk: the workplace.
    """

    def __init__(self, desk: Desk) -> None:
        super().__init__()
        self._desk = desk
        self._shown: object = None
        self.setObjectName("boards")

    def refresh(self) -> None:
        """Show the boards as they stand."""
        made = self._desk.document.made
        plans = board_plans(made)
        shown = ([(goods, plan) for goods, plan in plans], made.units)
        if shown == self._shown:
            return
        self._shown = shown
        page = QWidget()
        page.setObjectName("stage")
        column = QVBoxLayout(page)
        column.setContentsMargins(0, 8, 8, 8)
        column.setSpacing(6)
        if not plans:
            words = "Nothing is cut from boards: parts of face frames, framed doors and strips would stand here."
            column.addWidget(Words(words, 15, colour="quiet", wrap=True))
        for goods, plan in plans:
            column.addSpacing(8)
            column.addWidget(Words(goods.name, 16, True))
            view = DrawingView(self._desk, f"boards:{goods.code}", 1.15)
            drawing = board_view(goods, plan, made.units, made.project.rack.saw.kerf.ticks)
            left, low, right, high = drawing.bounds()
            view.setFixedHeight(int((high - low) / (right - left) * _WIDE) + 20)
            view.show_drawing(drawing)
            column.addWidget(view)
        column.addStretch(1)
        self.setWidget(page)

    def tape(self, column: QVBoxLayout) -> None:
        """Show what is bought, and what parts are cut larger for planing."""
        made = self._desk.document.made
        column.addWidget(Words("Boards to buy", 20, True))
        lines = boards_to_buy(made)
        for line in lines or ["none"]:
            column.addWidget(Words(line, 15, wrap=True))
        for goods, plan in board_plans(made):
            column.addSpacing(8)
            column.addWidget(Words(f"{goods.name}: parts are cut larger first", 14, True, "quiet", wrap=True))
            for side, words in (("extra_length", "longer by"), ("extra_width", "wider by")):
                row = QHBoxLayout()
                row.addWidget(Words(words, 14, colour="quiet"), 1)
                field = LengthField(self._desk, f"stock/{goods.code}/{side}", f"{words}, for planing and squaring")
                field.setFixedWidth(100)
                field.refresh()
                row.addWidget(field)
                column.addLayout(row)
            left = sum(strip.cut.rest for board in plan.boards for strip in board.strips)
            words = (
                f"{len(plan.boards)} boards; {made.units.write(Length(left), True)} are left over behind the pieces."
            )
            column.addWidget(Words(words, 14, colour="quiet", wrap=True))
