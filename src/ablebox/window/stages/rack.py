# SPDX-License-Identifier: GPL-3.0-or-later
"""The stock rack of the project: kinds of sheet with their sizes, offcuts, and bands."""

from __future__ import annotations

from dataclasses import replace

from PyQt6.QtGui import QIntValidator
from PyQt6.QtWidgets import (
    QCheckBox,
    QFrame,
    QGridLayout,
    QHBoxLayout,
    QLineEdit,
    QPushButton,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from ...core.project.rack_choices import with_goods
from ...core.stock import Edging, Rack, Sheet, SheetGoods
from ..desk import Desk
from ..widgets.length_field import LengthField
from ..widgets.words import Words


class RackPanel(QScrollArea):
    """All stock of the project, editable.

    Args:
        desk: the workplace.
    """

    def __init__(self, desk: Desk) -> None:
        super().__init__()
        self._desk = desk
        self._shape: object = None
        self._fields: list[LengthField] = []
        self.setObjectName("rack")
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setWidgetResizable(True)

    def refresh(self) -> None:
        """Show the rack as it stands; rows are made anew only when there are others."""
        rack = self._desk.document.project.rack
        shape = (
            [
                (g.code, g.name, g.grained, g.measured is None, [(s.count, s.offcut) for s in g.sheets])
                for g in rack.goods
            ],
            [(e.code, e.name, e.deducted) for e in rack.edgings],
        )
        if shape != self._shape:
            self._shape = shape
            self._build(rack)
        for field in self._fields:
            field.refresh()

    def _build(self, rack: Rack) -> None:
        self._fields = []
        page = QWidget()
        page.setObjectName("stage")
        column = QVBoxLayout(page)
        column.setContentsMargins(0, 6, 8, 6)
        column.setSpacing(10)
        for goods in rack.goods:
            column.addWidget(self._goods_card(goods))
        column.addWidget(self._bands_card(rack))
        more = QHBoxLayout()
        more.setSpacing(8)
        for name, words, action in (
            ("add-goods", "Add a kind of sheet", self.add_goods),
            ("add-edging", "Add a band", self.add_edging),
        ):
            button = QPushButton(words)
            button.setObjectName(name)
            button.clicked.connect(action)
            more.addWidget(button)
        more.addStretch(1)
        column.addLayout(more)
        column.addStretch(1)
        old = self.takeWidget()
        if old is not None:
            old.hide()
            old.deleteLater()
        self.setWidget(page)

    def _field(self, key: str, name: str) -> LengthField:
        field = LengthField(self._desk, key, name)
        field.setFixedWidth(92)
        self._fields.append(field)
        return field

    def _goods_card(self, goods: SheetGoods) -> QFrame:
        card = QFrame()
        card.setObjectName("card")
        grid = QGridLayout(card)
        grid.setContentsMargins(12, 8, 12, 10)
        grid.setHorizontalSpacing(10)
        grid.setVerticalSpacing(5)
        name = QLineEdit(goods.name)
        name.setObjectName(f"goods-name:{goods.code}")
        name.setAccessibleName("name at the counter")
        name.editingFinished.connect(lambda: self._rename(goods.code, name.text()))
        grain = QCheckBox("grain matters")
        grain.setObjectName(f"grain:{goods.code}")
        grain.setChecked(goods.grained)
        grain.clicked.connect(lambda on: self._put(goods.code, "grain", grained=on))
        grid.addWidget(name, 0, 0, 1, 2)
        grid.addWidget(Words("by name", 13, colour="quiet", align="right"), 0, 2)
        grid.addWidget(self._field(f"stock/{goods.code}/nominal", "thickness by its name"), 0, 3)
        grid.addWidget(Words("measured", 13, colour="quiet", align="right"), 0, 4)
        grid.addWidget(self._field(f"stock/{goods.code}/thickness", "measured thickness"), 0, 5)
        grid.addWidget(grain, 0, 6)
        grid.setColumnStretch(1, 1)
        for i, sheet in enumerate(goods.sheets):
            self._sheet_row(grid, goods, i, sheet)
        add = QHBoxLayout()
        add.setSpacing(8)
        for name_of, words, offcut in (("add-sheet", "Add a sheet size", False), ("add-offcut", "Add an offcut", True)):
            button = QPushButton(words)
            button.setObjectName(f"{name_of}:{goods.code}")
            button.clicked.connect(lambda _, offcut=offcut: self.add_sheet(goods.code, offcut))
            add.addWidget(button)
        if not self._used(goods.code):
            drop = QPushButton("Remove this kind")
            drop.clicked.connect(lambda: self._drop_goods(goods.code))
            add.addWidget(drop)
        add.addStretch(1)
        grid.addLayout(add, len(goods.sheets) + 1, 0, 1, 7)
        return card

    def _sheet_row(self, grid: QGridLayout, goods: SheetGoods, i: int, sheet: Sheet) -> None:
        row = i + 1
        grid.addWidget(Words("offcut" if sheet.offcut else "sheet", 14), row, 0)
        sizes = QHBoxLayout()
        sizes.setSpacing(8)
        sizes.addWidget(
            self._field(f"stock/{goods.code}/sheet.{row}.length", f"length of sheet {row}, along the grain")
        )
        sizes.addWidget(Words("×", 14))
        sizes.addWidget(self._field(f"stock/{goods.code}/sheet.{row}.width", f"width of sheet {row}"))
        sizes.addStretch(1)
        grid.addLayout(sizes, row, 1)
        grid.addWidget(Words("how many", 13, colour="quiet", align="right"), row, 2)
        count = QLineEdit("" if sheet.count is None else str(sheet.count))
        count.setObjectName(f"count:{goods.code}:{row}")
        count.setAccessibleName(f"how many of sheet {row}, empty for as many as needed")
        count.setPlaceholderText("as needed")
        count.setValidator(QIntValidator(0, 9999, count))
        count.setFixedWidth(92)
        count.editingFinished.connect(lambda: self._count(goods.code, i, count.text()))
        grid.addWidget(count, row, 3)
        remove = QPushButton("Remove")
        remove.setObjectName(f"remove-sheet:{goods.code}:{row}")
        remove.clicked.connect(lambda: self._drop_sheet(goods.code, i))
        grid.addWidget(remove, row, 5)

    def _bands_card(self, rack: Rack) -> QFrame:
        card = QFrame()
        card.setObjectName("card")
        grid = QGridLayout(card)
        grid.setContentsMargins(12, 8, 12, 10)
        grid.setHorizontalSpacing(10)
        for i, edging in enumerate(rack.edgings):
            name = QLineEdit(edging.name)
            name.setAccessibleName("name of the band")
            name.editingFinished.connect(
                lambda i=i, name=name: self._put_edging(i, "name", name=name.text().strip() or "band")
            )
            off = QCheckBox("taken off the cut size")
            off.setObjectName(f"deducted:{edging.code}")
            off.setChecked(edging.deducted)
            off.clicked.connect(lambda on, i=i: self._put_edging(i, "deduction", deducted=on))
            grid.addWidget(name, i, 0)
            grid.addWidget(Words("thick", 13, colour="quiet", align="right"), i, 1)
            grid.addWidget(self._field(f"edging/{edging.code}/thickness", f"thickness of {edging.name}"), i, 2)
            grid.addWidget(off, i, 3)
        grid.setColumnStretch(0, 1)
        return card

    def _goods(self, code: str) -> SheetGoods:
        return self._desk.document.project.rack.sheet_goods(code)

    def _put(self, code: str, what: str, **changes: object) -> None:
        project, old = self._desk.document.project, self._goods(code)
        self._desk.change(f"{old.name}: {what}", with_goods(project, old, replace(old, **changes)))  # type: ignore[arg-type]

    def _rename(self, code: str, name: str) -> None:
        if name.strip():
            self._put(code, "another name", name=name.strip())

    def _count(self, code: str, at: int, text: str) -> None:
        sheets = list(self._goods(code).sheets)
        sheets[at] = replace(sheets[at], count=int(text) if text else None)
        self._put(code, "how many", sheets=tuple(sheets))

    def _drop_sheet(self, code: str, at: int) -> None:
        self._put(code, "remove a sheet", sheets=tuple(s for i, s in enumerate(self._goods(code).sheets) if i != at))

    def add_sheet(self, code: str, offcut: bool) -> None:
        """Add a sheet size, or an offcut of half that size."""
        goods = self._goods(code)
        usual = next((s for s in goods.sheets if not s.offcut), None) or self._usual()
        new = (
            Sheet(usual.length.share(2)[0], usual.width.share(2)[0], 1, True) if offcut else replace(usual, count=None)
        )
        self._put(code, "add an offcut" if offcut else "add a sheet size", sheets=(*goods.sheets, new))

    def _usual(self) -> Sheet:
        return next(s for g in self._desk.document.project.rack.goods for s in g.sheets if not s.offcut)

    def _used(self, code: str) -> bool:
        cases = self._desk.document.project.cases
        return any(code in (case.goods, case.back.goods, case.fronts.goods) for case in cases)

    def _drop_goods(self, code: str) -> None:
        project = self._desk.document.project
        rows = tuple(row for row in project.rack.goods if row.code != code)
        self._desk.change(f"Remove {self._goods(code).name}", replace(project, rack=replace(project.rack, goods=rows)))

    def add_goods(self) -> None:
        """Add a kind of sheet like the first one."""
        project = self._desk.document.project
        first = project.rack.goods[0]
        code = _free("stock", [row.code for row in project.rack.goods])
        new = replace(first, code=code, name="another sheet", measured=None, sheets=first.sheets[:1])
        rack = replace(project.rack, goods=(*project.rack.goods, new))
        self._desk.change("Add a kind of sheet", replace(project, rack=rack))

    def add_edging(self) -> None:
        """Add a band."""
        project = self._desk.document.project
        code = _free("band", [row.code for row in project.rack.edgings])
        step = project.units.step
        new = Edging(code, "another band", step * 4, True)
        rack = replace(project.rack, edgings=(*project.rack.edgings, new))
        self._desk.change("Add a band", replace(project, rack=rack))

    def _put_edging(self, at: int, what: str, **changes: object) -> None:
        project = self._desk.document.project
        rows = list(project.rack.edgings)
        rows[at] = replace(rows[at], **changes)  # type: ignore[arg-type]
        rack = replace(project.rack, edgings=tuple(rows))
        self._desk.change(f"{rows[at].name}: {what}", replace(project, rack=rack))


def _free(stem: str, taken: list[str]) -> str:
    return next(f"{stem}-{i}" for i in range(1, 1000) if f"{stem}-{i}" not in taken)
