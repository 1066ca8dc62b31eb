# SPDX-License-Identifier: GPL-3.0-or-later
"""Reading parts from a table: above each column stands what it is; what does not work out is told row by row."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import (
    QCheckBox,
    QComboBox,
    QDialog,
    QDialogButtonBox,
    QHBoxLayout,
    QHeaderView,
    QTableWidget,
    QTableWidgetItem,
    QVBoxLayout,
    QWidget,
)

from ..core.errors import FileFaulty
from ..core.project.parts_table import Cells, Picked, guessed, parts_of
from ..core.project.tree import LoosePart
from ..core.units import System, Units
from .desk import Desk
from .widgets.words import Words

_COLUMNS = (
    ("", "not used"), ("name", "name"), ("length", "length"), ("width", "width"), ("count", "how many"),
    ("grain", "grain"), ("goods", "material"),
)  # fmt: skip
#: Rows shown, and faults told.
_SHOWN, _TOLD = 40, 4


class ReadParts(QDialog):
    """The dialog.

    Args:
        parent: the window.
        desk: the workplace.
        path: of the file.
        rows: its cells.
    """

    def __init__(self, parent: QWidget, desk: Desk, path: Path, rows: Cells) -> None:
        super().__init__(parent)
        self._desk, self._path, self._rows = desk, path, rows
        self.parts: list[LoosePart] = []
        self.setObjectName("read-parts")
        self.setWindowTitle(f"Parts from {path.name}")
        self.resize(860, 520)
        rack = desk.document.project.rack
        picked = guessed(rows, rack.goods[0].code if rack.goods else "")
        column = QVBoxLayout(self)
        column.addWidget(Words("Which column is what?", 18, True))
        column.addWidget(
            Words(
                "Length and width are needed; the length runs with the grain unless a column says otherwise.",
                14,
                colour="quiet",
            )
        )
        column.addLayout(self._choices(picked))
        self._table = self._cells(picked)
        column.addWidget(self._table, 1)
        self._told = Words("", 14, wrap=True)
        column.addWidget(self._told)
        self._buttons = QDialogButtonBox(QDialogButtonBox.StandardButton.Ok | QDialogButtonBox.StandardButton.Cancel)
        ok = self._buttons.button(QDialogButtonBox.StandardButton.Ok)
        assert ok is not None
        self._ok = ok
        ok.setObjectName("take-parts")
        ok.setText("Take these parts")
        self._buttons.accepted.connect(self.accept)
        self._buttons.rejected.connect(self.reject)
        column.addWidget(self._buttons)
        self._read()

    def _choices(self, picked: Picked) -> QHBoxLayout:
        row = QHBoxLayout()
        project = self._desk.document.project
        self.heading = QCheckBox("the first row is a heading")
        self.heading.setObjectName("first-is-heading")
        self.heading.setChecked(picked.first == 1)
        self.heading.clicked.connect(lambda _: self._read())
        self.units, self.goods = QComboBox(), QComboBox()
        for system, words in ((System.INCH, "inches"), (System.MM, "millimetres")):
            self.units.addItem(words, system)
        self.units.setCurrentIndex(self.units.findData(project.units.system))
        for goods in project.rack.goods:
            self.goods.addItem(goods.name, goods.code)
        row.addWidget(self.heading)
        row.addStretch(1)
        for name, words, combo in (
            ("table-units", "sizes are in", self.units), ("table-goods", "cut from", self.goods)
        ):  # fmt: skip
            combo.setObjectName(name)
            combo.setAccessibleName(words)
            combo.activated.connect(lambda _: self._read())
            row.addWidget(Words(words, 14, colour="quiet"))
            row.addWidget(combo)
        return row

    def _cells(self, picked: Picked) -> QTableWidget:
        wide = len(self._rows[0])
        table = QTableWidget(1 + min(len(self._rows), _SHOWN), wide)
        table.setObjectName("table-cells")
        table.setEditTriggers(QTableWidget.EditTrigger.NoEditTriggers)
        header, side = table.horizontalHeader(), table.verticalHeader()
        assert header is not None
        assert side is not None
        header.hide()
        header.setSectionResizeMode(QHeaderView.ResizeMode.Stretch)
        side.hide()
        table.setRowHeight(0, 36)
        self.combos: list[QComboBox] = []
        of_column = {at: field for field, at in picked.columns.items()}
        for i in range(wide):
            combo = QComboBox()
            combo.setObjectName(f"column-{i + 1}")
            combo.setAccessibleName(f"what column {i + 1} is")
            combo.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
            for field, words in _COLUMNS:
                combo.addItem(words, field)
            combo.setCurrentIndex(max(0, combo.findData(of_column.get(i, ""))))
            combo.activated.connect(lambda _, i=i: self._picked(i))
            table.setCellWidget(0, i, combo)
            self.combos.append(combo)
            for j, row in enumerate(self._rows[:_SHOWN]):
                table.setItem(j + 1, i, QTableWidgetItem(row[i]))
        return table

    def _picked(self, at: int) -> None:
        """A column was picked: another that was the same is not used any more."""
        field = self.combos[at].currentData()
        for i, combo in enumerate(self.combos):
            if i != at and field and combo.currentData() == field:
                combo.setCurrentIndex(0)
        self._read()

    def _read(self) -> None:
        """Read the table as it is picked, and say what came of it."""
        columns = {combo.currentData(): i for i, combo in enumerate(self.combos) if combo.currentData()}
        picked = Picked(columns, int(self.heading.isChecked()), self.goods.currentData() or "")
        units = Units(self.units.currentData())
        try:
            self.parts = parts_of(self._rows, picked, self._desk.document.project.rack, units, self._path.name)
        except FileFaulty as fault:
            self.parts = []
            told = "; ".join(f"{place}: {words}" if place else words for place, words in fault.faults[:_TOLD])
            more = f"; and {len(fault.faults) - _TOLD} more" if len(fault.faults) > _TOLD else ""
            self._told.set_text(f"Not yet: {told}{more}.", "snag")
        else:
            pieces = sum(part.count for part in self.parts)
            self._told.set_text(f"{len(self.parts)} parts, {pieces} pieces, are ready to be cut.", "settled")
        self._ok.setEnabled(bool(self.parts))
