# SPDX-License-Identifier: GPL-3.0-or-later
"""The stock rack of the project: kinds of sheet with their sizes, offcuts, and bands."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from functools import partial

from PyQt6.QtCore import QRegularExpression, Qt
from PyQt6.QtGui import QIntValidator, QRegularExpressionValidator
from PyQt6.QtWidgets import (
    QCheckBox,
    QComboBox,
    QFrame,
    QGridLayout,
    QHBoxLayout,
    QLineEdit,
    QPushButton,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from ...core.materials import materials
from ...core.paper.buying import hardware
from ...core.project.rack_choices import merged, with_boards, with_goods
from ...core.project.tree import first_boards, named_stock
from ...core.stock import BoardGoods, Edging, Hardware, Rack, Sheet, SheetGoods
from ...core.units import System
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
                (
                    g.code,
                    g.name,
                    g.grained,
                    g.measured is None,
                    g.stuff,
                    [(s.count, s.offcut, s.price) for s in g.sheets],
                )
                for g in rack.goods
            ],
            [(b.code, b.name, b.measured is None, b.stuff, [(x.name, x.price) for x in b.boards]) for b in rack.boards],
            [(e.code, e.name, e.deducted, e.price) for e in rack.edgings],
            self._used_codes(),
            hardware(self._desk.document.made),
            rack.hardware,
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
        for boards in rack.boards:
            column.addWidget(self._boards_card(boards))
        column.addWidget(self._bands_card(rack))
        column.addWidget(self._hardware_card())
        more = QHBoxLayout()
        more.setSpacing(8)
        for name, words, action in (
            ("add-goods", "Add a kind of sheet", self.add_goods),
            ("add-boards", "Add a kind of board", self.add_boards),
            ("add-edging", "Add a band", self.add_edging),
            ("keep-rack", "Keep as my rack", self.keep_rack),
            ("take-rack", "Take my rack", self.take_rack),
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
        grid.addWidget(name, 0, 0, 1, 4)
        grid.addWidget(self._stuff(goods), 0, 4, 1, 2)
        grid.addWidget(grain, 0, 6)
        thick = QHBoxLayout()
        thick.setSpacing(8)
        for words, key, what in (
            ("thick by its name", "nominal", "thickness by its name"),
            ("measured", "thickness", "measured thickness"),
        ):
            thick.addWidget(Words(words, 13, colour="quiet"))
            thick.addWidget(self._field(f"stock/{goods.code}/{key}", what))
            thick.addSpacing(12)
        thick.addStretch(1)
        grid.addLayout(thick, 1, 0, 1, 7)
        grid.setColumnStretch(1, 1)
        grid.setColumnMinimumWidth(0, 44)
        for column, wide in ((2, 62), (4, 34)):
            grid.setColumnMinimumWidth(column, wide)
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
        grid.addLayout(add, len(goods.sheets) + 2, 0, 1, 7)
        return card

    def _sheet_row(self, grid: QGridLayout, goods: SheetGoods, i: int, sheet: Sheet) -> None:
        number, row = i + 1, i + 2
        grid.addWidget(Words("offcut" if sheet.offcut else "sheet", 14), row, 0)
        sizes = QHBoxLayout()
        sizes.setSpacing(8)
        sizes.addWidget(
            self._field(f"stock/{goods.code}/sheet.{number}.length", f"length of sheet {number}, along the grain")
        )
        sizes.addWidget(Words("×", 14))
        sizes.addWidget(self._field(f"stock/{goods.code}/sheet.{number}.width", f"width of sheet {number}"))
        sizes.addStretch(1)
        grid.addLayout(sizes, row, 1)
        grid.addWidget(Words("how many", 13, colour="quiet", align="right"), row, 2)
        count = QLineEdit("" if sheet.count is None else str(sheet.count))
        count.setObjectName(f"count:{goods.code}:{number}")
        count.setAccessibleName(f"how many of sheet {number}, empty for as many as needed")
        count.setPlaceholderText("as needed")
        count.setValidator(QIntValidator(0, 9999, count))
        count.setFixedWidth(92)
        count.editingFinished.connect(lambda: self._count(goods.code, i, count.text()))
        grid.addWidget(count, row, 3)
        grid.addWidget(Words("price", 13, colour="quiet", align="right"), row, 4)
        price = self._price(f"price:{goods.code}:{number}", sheet.price, partial(self._put_price, goods.code, i))
        grid.addWidget(price, row, 5)
        remove = QPushButton("Remove")
        remove.setObjectName(f"remove-sheet:{goods.code}:{number}")
        remove.clicked.connect(lambda: self._drop_sheet(goods.code, i))
        grid.addWidget(remove, row, 6)

    def _hardware_card(self) -> QFrame:
        """What the project takes of hardware, each with a price."""
        card = QFrame()
        card.setObjectName("card")
        grid = QGridLayout(card)
        grid.setContentsMargins(12, 8, 12, 10)
        grid.setHorizontalSpacing(10)
        grid.addWidget(Words("Hardware this project takes", 15, True), 0, 0, 1, 2)
        prices = {item.name: item.price for item in self._desk.document.project.rack.hardware}
        for row, (name, count) in enumerate(hardware(self._desk.document.made), start=1):
            grid.addWidget(Words(f"{count} ×", 14, align="right"), row, 0)
            grid.addWidget(Words(name, 14, wrap=True), row, 1)
            grid.addWidget(Words("one costs", 13, colour="quiet", align="right"), row, 2)
            put = partial(self._put_hardware, name)
            grid.addWidget(self._price(f"price:hardware:{row}", prices.get(name), put), row, 3)
        grid.setColumnMinimumWidth(0, 44)
        grid.setColumnStretch(1, 1)
        return card

    def _put_hardware(self, name: str, price: int | None) -> None:
        project = self._desk.document.project
        kept = tuple(item for item in project.rack.hardware if item.name != name)
        new = kept if price is None else (*kept, Hardware(name, price))
        if new != project.rack.hardware:
            self._desk.change(f"price of {name}", replace(project, rack=replace(project.rack, hardware=new)))

    def _stuff(self, goods: SheetGoods | BoardGoods) -> QComboBox:
        """What it is made of: gives stiffness and weight."""
        combo = QComboBox()
        combo.setObjectName(f"stuff:{goods.code}")
        combo.setAccessibleName("what it is made of")
        combo.setToolTip("What it is made of: for the sag of shelves")
        combo.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        combo.setMinimumContentsLength(15)
        combo.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
        for code, material in materials().items():
            combo.addItem(material.name, code)
        combo.setCurrentIndex(max(0, combo.findData(goods.stuff)))
        combo.activated.connect(lambda _: self._put(goods.code, "material", stuff=combo.currentData()))
        return combo

    def _price(self, name: str, price: int | None, put: Callable[[int | None], object]) -> QLineEdit:
        """A field for a price, in whatever currency one pays; empty if nobody has said."""
        field = QLineEdit("" if price is None else f"{price / 100:.2f}")
        field.setObjectName(name)
        field.setAccessibleName("price, empty if not known")
        field.setPlaceholderText("not known")
        field.setFixedWidth(92)
        field.setValidator(QRegularExpressionValidator(QRegularExpression(r"\d{0,6}([.,]\d{0,2})?"), field))

        def take() -> None:
            text = field.text().replace(",", ".")
            put(round(float(text) * 100) if text.strip(".") else None)

        field.editingFinished.connect(take)
        return field

    def _put_price(self, code: str, at: int, price: int | None) -> None:
        sheets = list(self._goods(code).sheets)
        sheets[at] = replace(sheets[at], price=price)
        self._put(code, "price", sheets=tuple(sheets))

    def _boards_card(self, goods: BoardGoods) -> QFrame:
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
        grid.addWidget(name, 0, 0, 1, 3)
        grid.addWidget(Words("thick", 13, colour="quiet", align="right"), 0, 3)
        grid.addWidget(self._field(f"stock/{goods.code}/nominal", "thickness as sold"), 0, 4)
        grid.addWidget(Words("measured", 13, colour="quiet", align="right"), 0, 5)
        grid.addWidget(self._field(f"stock/{goods.code}/thickness", "measured thickness"), 0, 6)
        grid.addWidget(self._stuff(goods), 0, 7)
        grid.setColumnStretch(0, 1)
        for i, board in enumerate(goods.boards):
            row = i + 1
            called = QLineEdit(board.name)
            called.setObjectName(f"board-name:{goods.code}:{row}")
            called.setAccessibleName("name of the board")
            called.setFixedWidth(110)
            called.editingFinished.connect(
                lambda i=i, called=called: self._put_board(goods.code, i, "name", name=called.text().strip() or "board")
            )
            grid.addWidget(called, row, 0)
            grid.addWidget(Words("wide", 13, colour="quiet", align="right"), row, 1)
            grid.addWidget(self._field(f"stock/{goods.code}/board.{row}.width", f"real width of {board.name}"), row, 2)
            grid.addWidget(Words("long", 13, colour="quiet", align="right"), row, 3)
            grid.addWidget(self._field(f"stock/{goods.code}/board.{row}.length", f"length of {board.name}"), row, 4)
            grid.addWidget(Words("price", 13, colour="quiet", align="right"), row, 5)
            put = partial(self._put_board_price, goods.code, i)
            grid.addWidget(self._price(f"price:{goods.code}:{row}", board.price, put), row, 6)
            remove = QPushButton("Remove")
            remove.setObjectName(f"remove-board:{goods.code}:{row}")
            remove.clicked.connect(lambda _, i=i: self._drop_board(goods.code, i))
            grid.addWidget(remove, row, 7)
        foot = QHBoxLayout()
        foot.setSpacing(8)
        add = QPushButton("Add a board size")
        add.setObjectName(f"add-board:{goods.code}")
        add.clicked.connect(lambda: self.add_board(goods.code))
        foot.addWidget(add)
        if goods.code not in self._used_codes():
            drop = QPushButton("Remove this kind")
            drop.clicked.connect(lambda: self._drop_boards(goods.code))
            foot.addWidget(drop)
        foot.addStretch(1)
        grid.addLayout(foot, len(goods.boards) + 1, 0, 1, 8)
        return card

    def _put_board(self, code: str, at: int, what: str, **changes: object) -> None:
        boards = list(self._boards(code).boards)
        boards[at] = replace(boards[at], **changes)  # type: ignore[arg-type]
        self._put(code, what, boards=tuple(boards))

    def _put_board_price(self, code: str, at: int, price: int | None) -> None:
        self._put_board(code, at, "price", price=price)

    def _drop_board(self, code: str, at: int) -> None:
        boards = tuple(board for i, board in enumerate(self._boards(code).boards) if i != at)
        self._put(code, "remove a board", boards=boards)

    def add_board(self, code: str) -> None:
        """Add a board size like the last one."""
        boards = self._boards(code).boards
        new = replace(boards[-1], name="another board") if boards else first_boards(System.INCH)[0].boards[0]
        self._put(code, "add a board size", boards=(*boards, new))

    def add_boards(self) -> None:
        """Add a kind of board in the usual sizes."""
        project = self._desk.document.project
        code = _free("boards", [row.code for row in (*project.rack.boards, *project.rack.goods)])
        new = replace(first_boards(project.units.system)[0], code=code, name="another kind of board")
        rack = replace(project.rack, boards=(*project.rack.boards, new))
        self._desk.change("Add a kind of board", replace(project, rack=rack))

    def _drop_boards(self, code: str) -> None:
        project = self._desk.document.project
        rows = tuple(row for row in project.rack.boards if row.code != code)
        self._desk.change(
            f"Remove {self._boards(code).name}", replace(project, rack=replace(project.rack, boards=rows))
        )

    def keep_rack(self) -> None:
        """Keep this project's rack as the user's own: new projects start with it."""
        self._desk.keep_shop(replace(self._desk.shop, rack=self._desk.document.project.rack))

    def take_rack(self) -> None:
        """Put the user's own rack in the place of this project's; stock in use that it lacks is kept."""
        own, project = self._desk.shop.rack, self._desk.document.project
        if own is None:
            self._desk.document.refused.emit("You keep no rack yet. Set one up and press Keep as my rack.")
            return
        self._desk.change("Take my rack", replace(project, rack=merged(project, own)))

    def _boards(self, code: str) -> BoardGoods:
        return self._desk.document.project.rack.board_goods(code)

    def _used_codes(self) -> set[str]:
        cases = self._desk.document.project.cases
        return {code for case in cases for _, code in named_stock(case)}

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
            grid.addWidget(
                Words("a metre" if self._metric else "a metre (3.3 ft)", 13, colour="quiet", align="right"), i, 4
            )
            put = partial(self._put_band_price, i)
            grid.addWidget(self._price(f"price:{edging.code}", edging.price, put), i, 5)
        grid.setColumnStretch(0, 1)
        return card

    def _goods(self, code: str) -> SheetGoods:
        return self._desk.document.project.rack.sheet_goods(code)

    @property
    def _metric(self) -> bool:
        return self._desk.document.project.units.system is System.MM

    def _put_band_price(self, at: int, price: int | None) -> None:
        self._put_edging(at, "price", price=price)

    def _put(self, code: str, what: str, **changes: object) -> None:
        project, old = self._desk.document.project, self._desk.document.project.rack.stock(code)
        new = replace(old, **changes)  # type: ignore[arg-type]
        after = (
            with_boards(project, old, new)  # type: ignore[arg-type]
            if isinstance(old, BoardGoods)
            else with_goods(project, old, new)  # type: ignore[arg-type]
        )
        self._desk.change(f"{old.name}: {what}", after)

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
        return code in self._used_codes()

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
