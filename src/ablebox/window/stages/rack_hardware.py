# SPDX-License-Identifier: GPL-3.0-or-later
"""The rack's hardware: what the project takes and why, and the catalogue it is chosen from, kind by kind."""

from __future__ import annotations

from functools import partial

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QIntValidator
from PyQt6.QtWidgets import QComboBox, QLineEdit, QPushButton

from ...core.hardware import KINDS, Hardware
from ...core.paper.buying import hardware, reasons
from ...core.project import rack_edits
from ..desk import Desk
from ..widgets.length_field import FIELD_WIDTH
from ..widgets.words import Words
from .rack_cards import Card


class TakenCard(Card):
    """What the project takes of hardware: how many, why, and what one costs."""

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        self.grid.addWidget(Words("Hardware this project takes", 15, True), 0, 0, 1, 2)
        prices = {item.name: item.price for item in self.project.rack.hardware}
        whys = reasons(desk.document.made)
        row = 1
        for number, (name, count) in enumerate(hardware(desk.document.made), start=1):
            self.grid.addWidget(Words(f"{count} ×", 14, align="right"), row, 0)
            self.grid.addWidget(Words(name, 14, wrap=True), row, 1)
            self.caption(row, 2, "one costs")
            price = self.price(f"price:hardware:{number}", prices.get(name), partial(self._put_price, name))
            self.grid.addWidget(price, row, 3)
            if name in whys:
                row += 1
                self.grid.addWidget(Words(whys[name], 13, colour="quiet", wrap=True), row, 1)
            row += 1
        self.grid.setColumnMinimumWidth(0, 44)
        self.grid.setColumnStretch(1, 1)

    def _put_price(self, name: str, price: int | None) -> None:
        self.change(f"price of {name}", rack_edits.with_hardware_price(self.project, name, price))


class CatalogueCard(Card):
    """The hardware there is to choose from, one kind at a time.

    Args:
        desk: the workplace.
        kind: which kind is shown.
    """

    def __init__(self, desk: Desk, kind: str) -> None:
        super().__init__(desk)
        self.kind = kind
        self.grid.addWidget(Words("Hardware to choose from", 15, True), 0, 0)
        self.kinds = QComboBox()
        self.kinds.setObjectName("hardware-kind")
        self.kinds.setAccessibleName("kind of hardware")
        self.kinds.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        for code, each in KINDS.items():
            self.kinds.addItem(each.words, code)
        self.kinds.setCurrentIndex(self.kinds.findData(kind))
        self.grid.addWidget(self.kinds, 0, 1, 1, 4)
        items = self.project.rack.hardware_of(kind, self.project.units.system)
        for i, item in enumerate(items, start=1):
            self._item(i, item)
        self.grid.setColumnStretch(0, 1)
        words = "Add one" if items else "Add the first one"
        self.buttons(len(items) + 2, 12, [("add-hardware", words, self._add)])

    def _item(self, row: int, item: Hardware) -> None:
        kind, column = KINDS[item.kind], 1
        name = self.name(item.name, f"hardware-name:{row}", "name in the buying list", partial(self._rename, item.name))
        name.setMinimumWidth(190)
        self.grid.addWidget(name, row, 0)
        for words, what in ((kind.size, "size"), (kind.takes, "takes")):
            if words:
                self.caption(row, column, words)
                self.grid.addWidget(
                    self.field(f"hardware/{item.name}/{what}", f"{words} of {item.name}"), row, column + 1
                )
                column += 2
        numbers = (
            (f"{kind.carries}, kg" if kind.carries else "", "carries"),
            ("opens, °" if kind.angle else "", "angle"),
        )
        for words, what in numbers:
            if words:
                self.caption(row, column, words)
                self.grid.addWidget(self._number(row, item, what, words), row, column + 1)
                column += 2
        self.caption(row, column, "price")
        price = self.price(f"price:item:{row}", item.price, partial(self._put, item.name, "price"))
        self.grid.addWidget(price, row, column + 1)
        remove = QPushButton("Remove")
        remove.setObjectName(f"remove-hardware:{row}")
        remove.clicked.connect(lambda: self._remove(item.name))
        self.grid.addWidget(remove, row, column + 2)

    def _number(self, row: int, item: Hardware, what: str, words: str) -> QLineEdit:
        value = getattr(item, what)
        field = QLineEdit("" if value is None else str(value))
        field.setObjectName(f"{what}:hardware:{row}")
        field.setAccessibleName(f"{words} of {item.name}, empty if not known")
        field.setPlaceholderText("not known")
        field.setValidator(QIntValidator(0, 9999, field))
        field.setFixedWidth(FIELD_WIDTH - 22)
        field.editingFinished.connect(lambda: self._put(item.name, what, int(field.text()) if field.text() else None))
        return field

    def _put(self, name: str, what: str, value: int | None) -> None:
        self.change(f"{name}: {what}", rack_edits.with_hardware(self.project, name, **{what: value}))

    def _rename(self, old: str, new: str) -> None:
        if new == old:
            return
        try:
            self.change(f"{old}: another name", rack_edits.with_hardware(self.project, old, name=new))
        except ValueError:
            self.desk.document.refused.emit(f"There is another item called “{new}”. Give this one a name of its own.")

    def _add(self) -> None:
        words = KINDS[self.kind].words
        self.change(f"Add a {words}", rack_edits.with_another_hardware(self.project, self.kind))

    def _remove(self, name: str) -> None:
        self.change(f"Remove {name}", rack_edits.without_hardware(self.project, name))
