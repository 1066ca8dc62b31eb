# SPDX-License-Identifier: GPL-3.0-or-later
"""The gate before a step: what it closes off, as lines to tick."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from PyQt6.QtWidgets import QCheckBox, QFrame, QGridLayout, QHBoxLayout, QVBoxLayout

from ..widgets.words import Words


class GateCard(QFrame):
    """The gate.

    Args:
        tick: is told the place of a line that was ticked, and whether it is done.
    """

    def __init__(self, tick: Callable[[str, bool], None]) -> None:
        super().__init__()
        self.setObjectName("card")
        self._tick = tick
        self._column = QVBoxLayout(self)
        self._column.setContentsMargins(16, 10, 16, 10)
        self._column.setSpacing(4)
        self._shown: object = None

    def show_gate(self, title: str, lines: Sequence[tuple[str, str, bool]]) -> None:
        """Show a gate.

        Args:
            title: what it is called.
            lines: of each what it is ticked by, what it says, and whether it is done.
        """
        if self._shown == (title, tuple(lines)):
            return
        self._shown = title, tuple(lines)
        while (item := self._column.takeAt(0)) is not None:
            widget, inner = item.widget(), item.layout()
            if widget is not None:
                widget.deleteLater()
            while inner is not None and (each := inner.takeAt(0)) is not None:
                own = each.widget()
                if own is not None:
                    own.deleteLater()
        head = QHBoxLayout()
        head.addWidget(Words(title, 17, True), 1)
        left = sum(not done for _, _, done in lines)
        words = f"{left} of {len(lines)} open" if left else "nothing is open ✓"
        head.addWidget(Words(words, 14, True, "snag" if left else "settled", "right"))
        self._column.addLayout(head)
        grid = QGridLayout()
        grid.setHorizontalSpacing(18)
        grid.setVerticalSpacing(2)
        for at, (place, text, done) in enumerate(lines):
            box = QCheckBox(text)
            box.setObjectName(f"gate:{place}")
            box.setChecked(done)
            box.clicked.connect(lambda on, place=place: self._tick(place, on))
            grid.addWidget(box, at // 2, at % 2)
        self._column.addLayout(grid)
