# SPDX-License-Identifier: GPL-3.0-or-later
"""The rack's hardware: what the project takes and why, and the catalogue it is chosen from, kind by kind."""

from __future__ import annotations

from functools import partial

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QIntValidator
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QLineEdit, QPushButton, QWidget

from ...core.hardware import KINDS, Hardware
from ...core.paper.lists.buying import hardware, reasons
from ...core.project import rack_edits
from ...core.project.rack_choices import MEMBERS
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
        self.grid.addWidget(self.kinds, 0, 1, 1, 3)
        items = self.project.rack.hardware_of(kind, self.project.units.system)
        for column, words in enumerate(self._captions()):
            self.grid.addWidget(Words(words, 13, colour="quiet"), 1, column)
        for i, item in enumerate(items, start=1):
            self._item(i, item)
        self.grid.setColumnStretch(0, 1)
        words = "Add one" if items else "Add the first one"
        self.buttons(2 * len(items) + 3, 7, [("add-hardware", words, self._add)])

    def _captions(self) -> list[str]:
        kind, unit = KINDS[self.kind], self.project.units.weight[0]
        figures = (
            kind.size,
            kind.takes,
            *(MEMBERS.values() if kind.member else ()),
            f"{kind.carries}, {unit}" if kind.carries else "",
        )
        rest = ["opens, °"] if kind.angle else []
        return [
            "name",
            *(words for words in figures if words),
            *rest,
            "price of one",
            *([] if kind.member else ["in a packet"]),
        ]

    def _item(self, row: int, item: Hardware) -> None:
        kind = KINDS[item.kind]
        name = self.name(item.name, f"hardware-name:{row}", "name in the buying list", partial(self._rename, item.name))
        name.setCursorPosition(0)
        name.setMinimumWidth(170)
        cells: list[QWidget] = [name]
        for words, what in ((kind.size, "size"), (kind.takes, "takes")):
            if words:
                cells.append(self.field(f"hardware/{item.name}/{what}", f"{words} of {item.name}"))
        unit = self.project.units.weight[1] / 1000
        if kind.carries:
            cells.append(self._number(row, item, "carries", kind.carries, unit))
        if kind.angle:
            cells.append(self._number(row, item, "angle", "opens", 1))
        cells.append(self.price(f"price:item:{row}", item.price, partial(self._put, item.name, "price")))
        if not kind.member:
            cells.append(self._number(row, item, "packet", "in a packet", 1))
        remove = QPushButton("Remove")
        remove.setObjectName(f"remove-hardware:{row}")
        remove.clicked.connect(lambda: self._remove(item.name))
        at = 2 * row if kind.member else row + 1
        for column, widget in enumerate([*cells, remove]):
            self.grid.addWidget(widget, at, column)
        if kind.member:
            self.grid.addWidget(self._members(item), at + 1, 0, 1, len(cells) + 1)

    def _members(self, item: Hardware) -> QWidget:
        """Return the line with the figures of a slide's members."""
        line = QWidget()
        row = QHBoxLayout(line)
        row.setContentsMargins(12, 0, 0, 8)
        row.setSpacing(8)
        for what, words in MEMBERS.items():
            row.addWidget(Words(words, 13, colour="quiet"))
            field = self.field(f"hardware/{item.name}/{what}", f"{words} of {item.name}")
            field.setFixedWidth(FIELD_WIDTH - 22)
            row.addWidget(field)
        row.addStretch(1)
        return line

    def _number(self, row: int, item: Hardware, what: str, words: str, unit: float) -> QLineEdit:
        """Return the field of a whole number that is kept in another unit."""
        value = getattr(item, what)
        shown = "" if value is None else str(round(value / unit))
        field = QLineEdit(shown)
        field.setObjectName(f"{what}:hardware:{row}")
        field.setAccessibleName(f"{words} of {item.name}, empty if not known")
        field.setPlaceholderText("not known")
        field.setValidator(QIntValidator(0, 9999, field))
        field.setFixedWidth(FIELD_WIDTH - 28)

        def take() -> None:
            if field.text() != shown:
                self._put(item.name, what, round(int(field.text()) * unit) if field.text() else None)

        field.editingFinished.connect(take)
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
