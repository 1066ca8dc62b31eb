# SPDX-License-Identifier: GPL-3.0-or-later
"""What every stage has: a title line, a body, a few words on its state, and what it puts on the tape."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from ..desk import Desk
from ..widgets.words import Words


class Stage(QWidget):
    """A stage; subclasses fill ``body`` and override what they need.

    Args:
        desk: the workplace.
    """

    name = ""
    title = ""
    help = ""

    def __init__(self, desk: Desk) -> None:
        super().__init__()
        self.desk = desk
        self.setObjectName("stage")
        self.setFocusPolicy(Qt.FocusPolicy.ClickFocus)
        self.body = QVBoxLayout(self)
        self.body.setContentsMargins(26, 14, 18, 12)
        self.body.setSpacing(4)
        self.head = QHBoxLayout()
        self.head.setSpacing(8)
        self.heading = Words("", 20, True)
        self.under = Words("", 14, colour="quiet", wrap=True)
        self.head.addWidget(self.heading, 1)
        self.body.addLayout(self.head)
        self.body.addWidget(self.under)

    def state(self) -> str:
        """Return how far the stage is, in two or three words."""
        return ""

    def refresh(self) -> None:
        """Show the project as it stands; called when it changed or the stage comes into view."""

    def select(self) -> None:
        """Show the selection as it stands."""

    def close_down(self) -> None:
        """Let go of what outlives the window; called when it closes."""

    def tape_for(self, column: QVBoxLayout) -> bool:
        """Fill the tape although a number is selected, if the stage has more to show of it; tells whether it did."""
        return False

    def tape(self, column: QVBoxLayout) -> None:
        """Fill the tape while no number is selected."""
        column.addWidget(Words("Select a number", 20, True))
        column.addWidget(
            Words(
                "Click any size to see the sum behind it, back to what was measured or chosen.",
                14,
                colour="quiet",
                wrap=True,
            )
        )
