# SPDX-License-Identifier: GPL-3.0-or-later
"""The line at the bottom: the worst open snag in one sentence, and the way out of it."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, Qt, QTimer
from PyQt6.QtGui import QPainter, QPaintEvent, QPolygonF
from PyQt6.QtWidgets import QHBoxLayout, QPushButton, QSizePolicy, QWidget

from ...core.snags.snag import Level, Snag
from .. import theme
from ..desk import Desk
from .words import Words


class _Mark(QWidget):
    """The shape that says how bad it is: a triangle, a round, a tick."""

    def __init__(self) -> None:
        super().__init__()
        self.setFixedSize(24, 24)
        self.kind = ""

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setPen(Qt.PenStyle.NoPen)
        painter.setBrush(theme.colour("snag-mark"))
        if self.kind == "stop":
            painter.setBrush(theme.colour("select"))
            painter.drawPolygon(QPolygonF([QPointF(12 + 11 * x, 12 + 11 * y) for x, y in
                                           ((-.4, -1), (.4, -1), (1, -.4), (1, .4), (.4, 1), (-.4, 1), (-1, .4), (-1, -.4))]))  # fmt: skip
        elif self.kind == "warn":
            painter.drawPolygon(QPolygonF([QPointF(12, 2), QPointF(23, 22), QPointF(1, 22)]))
        elif self.kind == "note":
            painter.drawEllipse(3, 3, 18, 18)
        else:
            pen = painter.pen()
            pen.setStyle(Qt.PenStyle.SolidLine)
            pen.setColor(theme.colour("snag-text"))
            pen.setWidth(2)
            painter.setPen(pen)
            painter.drawPolyline(QPolygonF([QPointF(5, 12), QPointF(10, 18), QPointF(20, 6)]))
            return
        painter.setPen(theme.colour("snag-line"))
        painter.setFont(theme.font(14, True))
        painter.drawText(self.rect().translated(0, 2 if self.kind == "warn" else 0), Qt.AlignmentFlag.AlignCenter, "!")


class SnagLine(QWidget):
    """The snag line.

    Args:
        desk: the workplace.
    """

    def __init__(self, desk: Desk) -> None:
        super().__init__()
        self._desk, self._at, self._refusal = desk, 0, ""
        self.setObjectName("snag-line")
        self.setSizePolicy(QSizePolicy.Policy.Preferred, QSizePolicy.Policy.Maximum)
        row = QHBoxLayout(self)
        row.setContentsMargins(16, 5, 18, 5)
        row.setSpacing(12)
        # Higher where a sentence takes two lines: a height set by hand would win over what they need.
        row.addStrut(30)
        self._mark = _Mark()
        self.sentence = Words("", 15, True, "snag-text", wrap=True)
        self.sentence.setObjectName("snag-sentence")
        self.fix = QPushButton("")
        self.fix.setObjectName("snag-fix")
        self.fix.setFocusPolicy(Qt.FocusPolicy.TabFocus)
        self.fix.setToolTip("Ctrl+Enter, or Enter while it has the focus")
        self._count = Words("", 13, False, "snag-text", "right")
        row.addWidget(self._mark)
        row.addWidget(self.sentence, 1)
        row.addWidget(self.fix)
        row.addWidget(self._count)
        self.fix.clicked.connect(self.mend)
        self._seeking = QTimer(self)
        self._seeking.setInterval(0)
        self._seeking.timeout.connect(self._seek)
        desk.document.changed.connect(self._changed)
        desk.document.refused.connect(self.refuse)

    @property
    def snag(self) -> Snag | None:
        """The snag that is shown."""
        found = self._desk.document.snags
        return found[self._at % len(found)] if found else None

    def _changed(self) -> None:
        self._at, self._refusal = 0, ""
        self.refresh()

    def _seek(self) -> None:
        """Look a little further for the way out of the snag that is shown."""
        snag = None if self._refusal else self.snag
        if snag is not None and snag.is_sought:
            snag.seek()
        if snag is None or not snag.is_sought:
            self._seeking.stop()
            self.refresh()

    def refuse(self, sentence: str) -> None:
        """Show why something could not be done, until something else is."""
        self._refusal = sentence
        self.refresh()

    def next(self) -> None:
        """Show the next snag, and the number it is about."""
        if self._refusal:
            self._refusal = ""
        else:
            self._at += 1
        self.refresh()
        snag = self.snag
        if snag is not None:
            self._desk.selection.select(case=self._desk.known_case(snag.case), number=snag.key or None)

    def mend(self) -> None:
        """Do what the fix of the shown snag does."""
        snag = None if self._refusal else self.snag
        if snag is None or snag.fix is None:
            return
        if snag.fix.project is not None:
            self._desk.change(snag.fix.title, snag.fix.project)
        else:
            self._desk.selection.select(number=snag.fix.key)

    def refresh(self) -> None:
        """Show what there is to show."""
        found, snag = self._desk.document.snags, self.snag
        fix = None
        if self._refusal:
            self._mark.kind = "stop"
            self.sentence.set_text(self._refusal)
        elif snag is None:
            self._mark.kind = ""
            self.sentence.set_text("No snags.")
        else:
            self._mark.kind = {Level.STOP: "stop", Level.WARN: "warn", Level.NOTE: "note"}[snag.level]
            self.sentence.set_text(snag.sentence)
            # A way out that takes long to find is looked for while nobody waits; what is being typed goes first.
            fix = None if snag.is_sought else snag.fix
            if snag.is_sought:
                self._seeking.start()
        self.fix.setVisible(fix is not None)
        if fix is not None:
            self.fix.setText(f"{fix.title}  Ctrl+↵")
            self.fix.setAccessibleName(fix.title)
        count = f"{self._at % len(found) + 1} of {len(found)} snags · N next" if found else ""
        self._count.set_text(f"{count}  ·  Ctrl+K find" if count else "Ctrl+K find")
        self._mark.update()

    def paintEvent(self, event: QPaintEvent | None) -> None:
        QPainter(self).fillRect(self.rect(), theme.colour("snag-line"))
