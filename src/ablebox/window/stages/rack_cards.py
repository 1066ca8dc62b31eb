# SPDX-License-Identifier: GPL-3.0-or-later
"""The cards of the rack: a kind of sheet, a kind of board, the bands."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from functools import partial

from PyQt6.QtCore import QRegularExpression, Qt
from PyQt6.QtGui import QIntValidator, QRegularExpressionValidator
from PyQt6.QtWidgets import QCheckBox, QComboBox, QFrame, QGridLayout, QHBoxLayout, QLineEdit, QPushButton

from ...core.errors import LengthNotUnderstood
from ...core.materials import materials
from ...core.project import rack_edits
from ...core.project.defects import read_defects, write_defects
from ...core.project.tree import Project
from ...core.stock import Board, BoardGoods, Sheet, SheetGoods
from ...core.units import System
from ..desk import Desk
from ..widgets.length_field import FIELD_WIDTH, LengthField
from ..widgets.words import Words


class Card(QFrame):
    """A card with a grid, and the fields that cards are made of.

    Args:
        desk: the workplace.
    """

    def __init__(self, desk: Desk) -> None:
        super().__init__()
        self.desk = desk
        self.setObjectName("card")
        self.grid = QGridLayout(self)
        self.grid.setContentsMargins(12, 8, 12, 10)
        self.grid.setHorizontalSpacing(10)
        self.grid.setVerticalSpacing(5)

    @property
    def project(self) -> Project:
        """The project as it stands."""
        return self.desk.document.project

    def change(self, title: str, after: Project) -> None:
        """Make a change, if it is one."""
        if after != self.project:
            self.desk.change(title, after)

    def caption(self, row: int, column: int, words: str) -> None:
        """Put the words before a field."""
        self.grid.addWidget(Words(words, 13, colour="quiet", align="right"), row, column)

    def field(self, key: str, name: str) -> LengthField:
        """Return a field for a size of the stock."""
        field = LengthField(self.desk, key, name)
        field.setFixedWidth(FIELD_WIDTH)
        return field

    def name(self, text: str, object_name: str, words: str, put: Callable[[str], None]) -> QLineEdit:
        """Return a field for a name; left empty, the old one stays."""
        line = QLineEdit(text)
        line.setObjectName(object_name)
        line.setAccessibleName(words)
        line.editingFinished.connect(lambda: put(line.text().strip() or text))
        return line

    def price(self, name: str, price: int | None, put: Callable[[int | None], None]) -> QLineEdit:
        """Return a field for a price, in whatever currency one pays; empty if nobody has said."""
        field = QLineEdit("" if price is None else f"{price / 100:.2f}")
        field.setObjectName(name)
        field.setAccessibleName("price, empty if not known")
        field.setPlaceholderText("not known")
        field.setFixedWidth(FIELD_WIDTH)
        field.setValidator(QRegularExpressionValidator(QRegularExpression(r"\d{0,6}([.,]\d{0,2})?"), field))

        def take() -> None:
            whole, _, part = field.text().replace(",", ".").partition(".")
            put(int(whole or "0") * 100 + int(f"{part:0<2}") if whole or part else None)

        field.editingFinished.connect(take)
        return field

    def buttons(self, row: int, wide: int, rows: Iterable[tuple[str, str, Callable[[], None]]]) -> None:
        """Put buttons into the last row of the card: name, words, and what each does."""
        foot = QHBoxLayout()
        foot.setSpacing(8)
        for name, words, pressed in rows:
            button = QPushButton(words)
            button.setObjectName(name)
            button.clicked.connect(lambda _, pressed=pressed: pressed())
            foot.addWidget(button)
        foot.addStretch(1)
        self.grid.addLayout(foot, row, 0, 1, wide)


class KindCard(Card):
    """What cards of sheets and of boards share.

    Args:
        desk: the workplace.
        code: of the kind.
    """

    def __init__(self, desk: Desk, code: str) -> None:
        super().__init__(desk)
        self.code = code

    def put(self, what: str, **changes: object) -> None:
        """Change the kind."""
        old = self.project.rack.stock(self.code)
        self.change(f"{old.name}: {what}", rack_edits.with_stock(self.project, self.code, **changes))

    def put_row(self, at: int, what: str, **changes: object) -> None:
        """Change one of its sizes."""
        old = self.project.rack.stock(self.code)
        self.change(f"{old.name}: {what}", rack_edits.with_row(self.project, self.code, at, **changes))

    def kind_name(self) -> QLineEdit:
        """Return the field for its name."""
        goods = self.project.rack.stock(self.code)
        put = partial(self._rename)
        return self.name(goods.name, f"goods-name:{self.code}", "name at the counter", put)

    def _rename(self, name: str) -> None:
        self.put("another name", name=name)

    def stuff(self) -> QComboBox:
        """Return the choice of what it is made of: gives stiffness and weight."""
        combo = QComboBox()
        combo.setObjectName(f"stuff:{self.code}")
        combo.setAccessibleName("what it is made of")
        combo.setToolTip("What it is made of: for the sag of shelves")
        combo.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        combo.setMinimumContentsLength(12)
        combo.setSizeAdjustPolicy(QComboBox.SizeAdjustPolicy.AdjustToMinimumContentsLengthWithIcon)
        for code, material in materials().items():
            combo.addItem(material.name, code)
        combo.setCurrentIndex(max(0, combo.findData(self.project.rack.stock(self.code).stuff)))
        combo.activated.connect(lambda _: self.put("material", stuff=combo.currentData()))
        return combo

    def row_end(self, row: int, column: int, at: int, kind: str, price: int | None) -> None:
        """Put price and removal at the end of a size's row."""
        self.caption(row, column, "price")
        put = partial(self._put_price, at)
        self.grid.addWidget(self.price(f"price:{self.code}:{at + 1}", price, put), row, column + 1)
        remove = QPushButton("Remove")
        remove.setObjectName(f"remove-{kind}:{self.code}:{at + 1}")
        remove.clicked.connect(lambda: self._remove(at, kind))
        self.grid.addWidget(remove, row, column + 2)

    def _put_price(self, at: int, price: int | None) -> None:
        self.put_row(at, "price", price=price)

    def _remove(self, at: int, kind: str) -> None:
        name = self.project.rack.stock(self.code).name
        self.change(f"{name}: remove a {kind}", rack_edits.without_row(self.project, self.code, at))

    def add_row(self, words: str, offcut: bool = False) -> None:
        """Add a size."""
        name = self.project.rack.stock(self.code).name
        self.change(f"{name}: {words.lower()}", rack_edits.with_another_row(self.project, self.code, offcut))

    def removal(self) -> list[tuple[str, str, Callable[[], None]]]:
        """Return the button that takes the kind off the rack, if no case is built from it."""
        if self.code in rack_edits.used_codes(self.project):
            return []
        return [(f"remove-kind:{self.code}", "Remove this kind", self._remove_kind)]

    def _remove_kind(self) -> None:
        name = self.project.rack.stock(self.code).name
        self.change(f"Remove {name}", rack_edits.without_kind(self.project, self.code))


class SheetsCard(KindCard):
    """A kind of sheet, its sizes and offcuts."""

    def __init__(self, desk: Desk, goods: SheetGoods) -> None:
        super().__init__(desk, goods.code)
        grain = QCheckBox("grain matters")
        grain.setObjectName(f"grain:{goods.code}")
        grain.setChecked(goods.grained)
        grain.clicked.connect(lambda on: self.put("grain", grained=on))
        self.grid.addWidget(self.kind_name(), 0, 0, 1, 6)
        self.grid.addWidget(grain, 0, 6)
        thick = QHBoxLayout()
        thick.setSpacing(8)
        for words, key, what in (
            ("thick by its name", "nominal", "thickness by its name"),
            ("measured", "thickness", "measured thickness"),
        ):
            thick.addWidget(Words(words, 13, colour="quiet"))
            thick.addWidget(self.field(f"stock/{goods.code}/{key}", what))
            thick.addSpacing(12)
        thick.addWidget(Words("made of", 13, colour="quiet"))
        thick.addWidget(self.stuff(), 1)
        self.grid.addLayout(thick, 1, 0, 1, 7)
        self.grid.setColumnStretch(1, 1)
        for column, wide in ((0, 44), (2, 62), (4, 34)):
            self.grid.setColumnMinimumWidth(column, wide)
        for i, sheet in enumerate(goods.sheets):
            self._sheet(i, sheet)
        adds = (("add-sheet", "Add a sheet size", False), ("add-offcut", "Add an offcut", True))
        rows = [(f"{name}:{goods.code}", words, partial(self.add_row, words, offcut)) for name, words, offcut in adds]
        self.buttons(len(goods.sheets) + 2, 7, [*rows, *self.removal()])

    def _sheet(self, at: int, sheet: Sheet) -> None:
        number, row, key = at + 1, at + 2, f"stock/{self.code}/sheet.{at + 1}"
        self.grid.addWidget(Words("offcut" if sheet.offcut else "sheet", 14), row, 0)
        sizes = QHBoxLayout()
        sizes.setSpacing(8)
        sizes.addWidget(self.field(f"{key}.length", f"length of sheet {number}, along the grain"))
        sizes.addWidget(Words("×", 14))
        sizes.addWidget(self.field(f"{key}.width", f"width of sheet {number}"))
        sizes.addStretch(1)
        self.grid.addLayout(sizes, row, 1)
        self.caption(row, 2, "how many")
        count = QLineEdit("" if sheet.count is None else str(sheet.count))
        count.setObjectName(f"count:{self.code}:{number}")
        count.setAccessibleName(f"how many of sheet {number}, empty for as many as needed")
        count.setPlaceholderText("as needed")
        count.setValidator(QIntValidator(0, 9999, count))
        count.setFixedWidth(FIELD_WIDTH)
        count.editingFinished.connect(
            lambda: self.put_row(at, "how many", count=int(count.text()) if count.text() else None)
        )
        self.grid.addWidget(count, row, 3)
        self.row_end(row, 4, at, "sheet", sheet.price)


class BoardsCard(KindCard):
    """A kind of board, in the sizes it comes in."""

    def __init__(self, desk: Desk, goods: BoardGoods) -> None:
        super().__init__(desk, goods.code)
        self.grid.addWidget(self.kind_name(), 0, 0, 1, 3)
        self.caption(0, 3, "thick")
        self.grid.addWidget(self.field(f"stock/{goods.code}/nominal", "thickness as sold"), 0, 4)
        self.caption(0, 5, "measured")
        self.grid.addWidget(self.field(f"stock/{goods.code}/thickness", "measured thickness"), 0, 6)
        self.grid.addWidget(self.stuff(), 0, 7)
        self.grid.setColumnStretch(0, 1)
        rough = QHBoxLayout()
        rough.setSpacing(8)
        for side, words in (("extra_length", "parts are cut longer by"), ("extra_width", "and wider by")):
            rough.addWidget(Words(words, 13, colour="quiet"))
            rough.addWidget(self.field(f"stock/{goods.code}/{side}", f"{words}, for planing and squaring"))
        rough.addWidget(Words("first, for planing and squaring", 13, colour="quiet"))
        rough.addStretch(1)
        self.grid.addLayout(rough, 1, 0, 1, 8)
        for i, board in enumerate(goods.boards):
            row, key = 2 * i + 2, f"stock/{goods.code}/board.{i + 1}"
            called = self.name(
                board.name, f"board-name:{goods.code}:{i + 1}", "name of the board", partial(self._call, i)
            )
            called.setFixedWidth(110)
            self.grid.addWidget(called, row, 0)
            self.caption(row, 1, "wide")
            self.grid.addWidget(self.field(f"{key}.width", f"real width of {board.name}"), row, 2)
            self.caption(row, 3, "long")
            self.grid.addWidget(self.field(f"{key}.length", f"length of {board.name}"), row, 4)
            self.row_end(row, 5, i, "board", board.price)
            if board.count is not None:
                self._on_the_rack(row + 1, i, board)
        own = (
            f"add-own-board:{goods.code}",
            "Add boards on the rack",
            partial(self.add_row, "Add boards on the rack", True),
        )
        add = (f"add-board:{goods.code}", "Add a board size", partial(self.add_row, "Add a board size"))
        self.buttons(2 * len(goods.boards) + 2, 8, [add, own, *self.removal()])

    def _on_the_rack(self, row: int, at: int, board: Board) -> None:
        """How many lie on the rack, and what cannot be used of them."""
        line = QHBoxLayout()
        line.setSpacing(8)
        line.addWidget(Words("on the rack", 13, colour="quiet"))
        count = QLineEdit("" if board.count is None else str(board.count))
        count.setObjectName(f"board-count:{self.code}:{at + 1}")
        count.setAccessibleName("how many are on the rack, empty if they are bought")
        count.setPlaceholderText("bought")
        count.setValidator(QIntValidator(0, 9999, count))
        count.setFixedWidth(80)
        count.editingFinished.connect(
            lambda: self.put_row(at, "how many", count=int(count.text()) if count.text() else None)
        )
        line.addWidget(count)
        line.addWidget(Words("cannot be used", 13, colour="quiet"))
        defects = QLineEdit(write_defects(board.defects, self.project.units))
        defects.setObjectName(f"defects:{self.code}:{at + 1}")
        defects.setAccessibleName("what cannot be used of it, such as 24 to 26, 61 to 63")
        defects.setPlaceholderText("all of it is clear; type stretches from the end as 24 to 26, 61 to 63")
        defects.editingFinished.connect(lambda: self._put_defects(at, defects))
        line.addWidget(defects, 1)
        self.grid.addLayout(line, row, 0, 1, 8)

    def _put_defects(self, at: int, field: QLineEdit) -> None:
        old = self.project.rack.board_goods(self.code).boards[at]
        if field.text() == write_defects(old.defects, self.project.units):
            return
        try:
            self.put_row(at, "what cannot be used", defects=read_defects(field.text(), self.project.units))
        except (LengthNotUnderstood, ValueError) as fault:
            self.desk.document.refused.emit(f"{str(fault)[:1].upper()}{str(fault)[1:]}.".replace("..", "."))

    def _call(self, at: int, name: str) -> None:
        self.put_row(at, "name", name=name)


class BandsCard(Card):
    """All bands."""

    def __init__(self, desk: Desk) -> None:
        super().__init__(desk)
        metric = self.project.units.system is System.MM
        for i, edging in enumerate(self.project.rack.edgings):
            put = partial(self._put, edging.code)
            off = QCheckBox("taken off the cut size")
            off.setObjectName(f"deducted:{edging.code}")
            off.setChecked(edging.deducted)
            off.clicked.connect(lambda on, put=put: put("deduction", deducted=on))
            rename = partial(self._rename, edging.code)
            self.grid.addWidget(self.name(edging.name, f"band-name:{edging.code}", "name of the band", rename), i, 0)
            self.caption(i, 1, "thick")
            self.grid.addWidget(self.field(f"edging/{edging.code}/thickness", f"thickness of {edging.name}"), i, 2)
            self.grid.addWidget(off, i, 3)
            self.caption(i, 4, "a metre" if metric else "a metre (3.3 ft)")
            price = partial(self._put_price, edging.code)
            self.grid.addWidget(self.price(f"price:{edging.code}", edging.price, price), i, 5)
        self.grid.setColumnStretch(0, 1)

    def _put(self, code: str, what: str, **changes: object) -> None:
        band = self.project.rack.edging(code)
        if band is not None:
            self.change(f"{band.name}: {what}", rack_edits.with_band(self.project, code, **changes))

    def _rename(self, code: str, name: str) -> None:
        self._put(code, "name", name=name)

    def _put_price(self, code: str, price: int | None) -> None:
        self._put(code, "price", price=price)
