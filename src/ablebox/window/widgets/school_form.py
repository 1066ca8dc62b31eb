# SPDX-License-Identifier: GPL-3.0-or-later
"""A form for the choices of any school, made from the words that stand with its fields."""

from __future__ import annotations

from dataclasses import fields, is_dataclass
from functools import partial
from typing import Any

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QCheckBox, QComboBox, QHBoxLayout, QSpinBox, QVBoxLayout

from ...core.cabinet.switching import SCHOOL_NAMES, schools_of, switched
from ..desk import Desk
from .length_field import FIELD_WIDTH
from .size_row import add_size_row
from .words import Words

_LABELS = {
    "left": "left stile", "right": "right stile", "hinge": "hinges", "joint": "joint", "fit": "fit", "making": "made as",
    "slides": "slides", "box": "drawer boxes", "drawer_fronts": "drawer fronts", "pulls": "pulls",
    "inner": "drawers behind it", "racks": "racks on it",
}  # fmt: skip
#: Fields that are edited on a drawing, not in a form.
_DRAWN = {"face"}


class SchoolForm:
    """Fills a column with the choices of a school.

    Args:
        desk: the workplace.
        letter: of the case.
        column: what is filled.
    """

    def __init__(self, desk: Desk, letter: str, column: QVBoxLayout) -> None:
        self._desk, self._letter, self._column = desk, letter, column

    def add(self, path: str, record: Any, around: Any = None) -> None:
        """Add the choices of a record that stands at a path of the design.

        Args:
            path: the path.
            record: the record.
            around: the record it stands in; some choices are left out where one of that is on.
        """
        for each in fields(record):
            value, where = getattr(record, each.name), f"{path}.{each.name}"
            kind = each.metadata.get("kind")
            if each.name in _DRAWN or getattr(around, each.metadata.get("unless") or "", False):
                continue
            if kind is not None:
                self._one(where, each.metadata, value)
            elif is_dataclass(value) and schools_of(type(record), each.name):
                self._schools(where, schools_of(type(record), each.name), value)
                self.add(where, value)
            elif is_dataclass(value) and not isinstance(value, type) and each.name in _LABELS:
                self._column.addWidget(Words(_LABELS[each.name].capitalize(), 13, True, "quiet"))
                self.add(where, value, record)

    def _put(self, where: str, words: str, value: Any) -> None:
        self._desk.put(self._letter, where, value, words)

    def _row(self, words: str, widget: Any) -> None:
        row = QHBoxLayout()
        row.setSpacing(8)
        row.addWidget(Words(words[:1].upper() + words[1:], 14, wrap=True), 1)
        row.addWidget(widget)
        self._column.addLayout(row)

    def _one(self, where: str, metadata: Any, value: Any) -> None:
        words, kind = metadata["words"], metadata["kind"]
        if kind == "size":
            label = Words(words[:1].upper() + words[1:], 14, wrap=True)
            field = add_size_row(self._desk, self._column, f"{self._letter}/{where}", label, words)
            if "empty" in metadata:
                field.setPlaceholderText(metadata["empty"])
        elif kind == "option":
            box = QCheckBox(words)
            box.setObjectName(f"form:{where}")
            box.setChecked(value)
            box.clicked.connect(lambda on: self._put(where, words, on))
            self._column.addWidget(box)
        elif kind == "count":
            spin = QSpinBox()
            spin.setRange(0, metadata["most"])
            spin.setKeyboardTracking(False)
            spin.setValue(value)
            spin.setFixedWidth(FIELD_WIDTH)
            self._named(spin, where, words)
            spin.valueChanged.connect(lambda number: self._put(where, words, number))
            self._row(words, spin)
        elif kind == "one-of":
            self._combo(where, words, list(metadata["allowed"].items()), value)
        else:
            self._combo(where, words, self._stock(kind), value)

    def _stock(self, kind: str) -> list[tuple[str, str]]:
        rack = self._desk.document.project.rack
        if kind == "band":
            return [("", "none"), *((row.code, row.name) for row in rack.edgings)]
        rows = rack.boards if kind == "boards" else rack.goods
        return [(row.code, row.name) for row in rows]

    def _named(self, widget: Any, where: str, words: str) -> None:
        widget.setObjectName(f"form:{where}")
        widget.setAccessibleName(words)
        widget.setToolTip(words)
        widget.setFocusPolicy(Qt.FocusPolicy.StrongFocus)

    def _combo(self, where: str, words: str, rows: list[tuple[str, str]], value: str) -> None:
        combo = self._filled(where, words, rows, value)
        combo.activated.connect(lambda _: self._put(where, words, combo.currentData()))
        self._row(words, combo)

    def _filled(self, where: str, words: str, rows: list[tuple[str, str]], value: str) -> QComboBox:
        combo = QComboBox()
        for code, text in rows:
            combo.addItem(text, code)
        combo.setCurrentIndex(max(0, combo.findData(value)))
        combo.setFixedWidth(FIELD_WIDTH + 46)
        combo.setMinimumContentsLength(6)
        combo.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
        self._named(combo, where, words)
        return combo

    def _schools(self, where: str, records: tuple[type, ...], value: Any) -> None:
        """Offer the schools a field may hold, such as the joints of a bottom."""
        system = self._desk.document.project.units.system
        starts = {SCHOOL_NAMES[record]: partial(switched, value, record, system) for record in records}
        rows = [(name, start().words) for name, start in starts.items()]
        words = _LABELS.get(where.rpartition(".")[2], "way")
        combo = self._filled(where, words, rows, SCHOOL_NAMES[type(value)])
        combo.activated.connect(lambda _: self._put(where, words, starts[combo.currentData()]()))
        self._row(words, combo)
