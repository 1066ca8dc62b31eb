# SPDX-License-Identifier: GPL-3.0-or-later
"""Finds any part, size or command by a few letters."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import partial

from PyQt6.QtCore import QEvent, QObject, QSize, Qt
from PyQt6.QtGui import QKeyEvent, QPainter
from PyQt6.QtWidgets import (
    QDialog,
    QLineEdit,
    QListWidget,
    QListWidgetItem,
    QStyle,
    QStyledItemDelegate,
    QStyleOptionViewItem,
    QVBoxLayout,
    QWidget,
)

from . import theme
from .desk import Desk
from .qt_canvas import draw_text, text_width


@dataclass(frozen=True, slots=True)
class Found:
    """Something that can be gone to.

    Args:
        words: what it is called.
        kind: part, size, case, command.
        go: goes there.
    """

    words: str
    kind: str
    go: Callable[[], object]


def everything(desk: Desk, commands: Sequence[tuple[str, str, Callable[[], object]]]) -> list[Found]:
    """Return all there is to find: commands, cases, parts, and every number with a name."""
    made, select = desk.document.made, desk.selection.select
    write = made.units.write
    found = [Found(f"{text}   {keys}".strip(), "command", go) for text, keys, go in commands]
    for case in made.project.cases:
        found.append(
            Found(f"{case.letter} {case.name}", "case", partial(select, stage="case", case=case.letter, part=""))
        )
    for part in made.parts:
        size = f"{write(part.length.length)} × {write(part.width.length)}"
        words = f"{part.code} {part.name}  {size}"
        found.append(Found(words, "part", partial(select, stage="parts", case=part.case, part=part.code, number="")))
    for key, number in made.numbers.items():
        head = key.partition("/")[0]
        if head in {case.letter for case in made.project.cases}:
            words = f"{head} {number.label}  {write(number.length)}"
            found.append(Found(words, "size", partial(select, stage="case", case=head, number=key)))
        elif head == "room":
            words = f"{number.label}  {write(number.length)}"
            found.append(Found(words, "size", partial(select, stage="room", number=key)))
    return found


def matching(found: list[Found], text: str) -> list[Found]:
    """Return what holds every typed word; beginnings go first."""
    words = text.lower().split()
    kept = [item for item in found if all(word in f"{item.words} {item.kind}".lower() for word in words)]
    return sorted(kept, key=lambda item: not item.words.lower().startswith(text.lower().strip()))


class _Row(QStyledItemDelegate):
    def paint(self, painter: QPainter | None, option: QStyleOptionViewItem, index) -> None:  # type: ignore[no-untyped-def]
        if painter is None:
            return
        if option.state & QStyle.StateFlag.State_Selected:
            painter.fillRect(option.rect, theme.colour("select-wash"))
        kind = index.data(Qt.ItemDataRole.UserRole)
        middle = option.rect.center().y() + 1
        draw_text(painter, option.rect.left() + 10, middle, index.data(), 15, "ink")
        draw_text(painter, option.rect.right() - 10 - text_width(kind, 13), middle, kind, 13, "quiet")

    def sizeHint(self, option: QStyleOptionViewItem, index) -> QSize:  # type: ignore[no-untyped-def]
        return QSize(300, 28)


class Finder(QDialog):
    """The finder.

    Args:
        parent: the window.
        found: all there is to find.
    """

    def __init__(self, parent: QWidget, found: list[Found]) -> None:
        super().__init__(parent)
        self._all = found
        self._shown: list[Found] = []
        self.setObjectName("finder")
        self.setWindowTitle("Find")
        self.resize(560, 420)
        column = QVBoxLayout(self)
        self.line = QLineEdit()
        self.line.setObjectName("finder-line")
        self.line.setAccessibleName("what to find")
        self.line.setPlaceholderText("a part, a size, a case, a command")
        self.list = QListWidget()
        self.list.setAccessibleName("found")
        self.list.setItemDelegate(_Row())
        column.addWidget(self.line)
        column.addWidget(self.list, 1)
        self.line.textChanged.connect(self._fill)
        self.line.installEventFilter(self)
        self.list.itemActivated.connect(lambda _: self._go())
        self._fill("")

    def _fill(self, text: str) -> None:
        self._shown = matching(self._all, text)[:60]
        self.list.clear()
        for item in self._shown:
            row = QListWidgetItem(item.words)
            row.setData(Qt.ItemDataRole.UserRole, item.kind)
            self.list.addItem(row)
        self.list.setCurrentRow(0)

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        if isinstance(event, QKeyEvent) and event.type() == QEvent.Type.KeyPress:
            if event.key() in (Qt.Key.Key_Down, Qt.Key.Key_Up):
                step = 1 if event.key() == Qt.Key.Key_Down else -1
                self.list.setCurrentRow(max(0, min(self.list.count() - 1, self.list.currentRow() + step)))
                return True
            if event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
                self._go()
                return True
        return super().eventFilter(watched, event)

    def _go(self) -> None:
        at = self.list.currentRow()
        if 0 <= at < len(self._shown):
            chosen = self._shown[at]
            self.accept()
            chosen.go()
