# SPDX-License-Identifier: GPL-3.0-or-later
"""The cut list as a table: which kind of file, its unit, and of CSV the separator and the decimal sign."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtWidgets import QComboBox, QDialog, QDialogButtonBox, QVBoxLayout, QWidget

from ..core.paper.exports.tables_out import (
    DECIMALS,
    SEPARATORS,
    UNITS,
    ClashingSigns,
    TableForm,
    table_csv,
    table_ods,
    table_xlsx,
)
from ..core.units import System
from .desk import Desk
from .widgets.choice_box import add_choice, choice_box
from .widgets.words import Words

_KINDS = {"xlsx": "Office Open XML", "ods": "OpenDocument", "csv": "CSV, plain text"}
_UNITS = {"in": "inches", "mm": "millimetres"}
_SEPARATORS = {"comma": "commas", "semicolon": "semicolons", "tab": "tabs"}
_DECIMALS = {"point": "a point, 24.25", "comma": "a comma, 24,25"}


class TableDialog(QDialog):
    """What the table is like.

    Args:
        parent: the window.
        desk: the workplace.
        save: writes bytes to a file somebody names: what it is called, its kind, its suffix, what makes it.
    """

    def __init__(self, parent: QWidget, desk: Desk, save: Callable[[str, str, str, Callable[[], bytes]], None]) -> None:
        super().__init__(parent)
        self._desk, self._save = desk, save
        self.setObjectName("table")
        self.setWindowTitle("Cut list as a table")
        self.setMinimumWidth(440)
        column = QVBoxLayout(self)
        column.addWidget(Words("Cut list as a table", 16, True))
        column.addWidget(
            Words("Numbers are written as numbers, exact, not as fractions.", 14, colour="quiet", wrap=True)
        )
        own = "in" if desk.document.project.units.system is System.INCH else "mm"
        self.kind = self._box("kind", "file", _KINDS, "xlsx", column)
        self.unit = self._box("unit", "sizes in", {unit: _UNITS[unit] for unit in UNITS}, own, column)
        self.separator = self._box(
            "separator", "between columns", {name: _SEPARATORS[name] for name in SEPARATORS}, "comma", column
        )
        self.decimal = self._box(
            "decimal", "decimal sign", {name: _DECIMALS[name] for name in DECIMALS}, "point", column
        )
        column.addStretch(1)
        self.told = Words("", 14, wrap=True)
        column.addWidget(self.told)
        buttons = QDialogButtonBox(QDialogButtonBox.StandardButton.Save | QDialogButtonBox.StandardButton.Cancel)
        self.button = buttons.button(QDialogButtonBox.StandardButton.Save)
        assert self.button is not None
        self.button.setText("Save…")
        self.button.setObjectName("table-save")
        buttons.accepted.connect(self.write)
        buttons.rejected.connect(self.reject)
        column.addWidget(buttons)
        self._choose()

    def _box(self, name: str, words: str, rows: dict[str, str], now: str, column: QVBoxLayout) -> QComboBox:
        box = choice_box(f"table-{name}", words, list(rows.items()), now, lambda _: self._choose())
        add_choice(column, words, box)
        return box

    def _choose(self) -> None:
        """Let separator and sign be chosen for CSV only, and say where they clash."""
        plain = self.kind.currentData() == "csv"
        self.separator.setEnabled(plain)
        self.decimal.setEnabled(plain)
        fault = ""
        if plain:
            try:
                self._form()
            except ClashingSigns as clash:
                fault = str(clash)
        self.told.set_text(fault)
        assert self.button is not None
        self.button.setEnabled(not fault)

    def _form(self) -> TableForm:
        return TableForm(
            self.unit.currentData(), SEPARATORS[self.separator.currentData()], DECIMALS[self.decimal.currentData()]
        )

    def write(self) -> None:
        """Ask where it goes, and write it."""
        made, unit, kind = self._desk.document.made, self.unit.currentData(), self.kind.currentData()
        make: dict[str, Callable[[], bytes]] = {
            "xlsx": lambda: table_xlsx(made, unit),
            "ods": lambda: table_ods(made, unit),
            "csv": lambda: table_csv(made, self._form()).encode("utf-8"),
        }
        self._save("Cut list", _KINDS[kind], f".{kind}", make[kind])
        self.accept()
