# SPDX-License-Identifier: GPL-3.0-or-later
"""The parts list as a table, grouped by material; it holds no widgets."""

from __future__ import annotations

from PyQt6.QtCore import QAbstractTableModel, QModelIndex, Qt

from ...core.bench.bench import known_steps
from ...core.bench.states import in_words, states
from ...core.order.book import PartState
from ...core.parts.listing import Part
from ...core.parts.words import edges, grain
from ...core.shop.made import Made, goods_words
from ...core.units import Units

#: Headings and widths in pixels.
COLUMNS = (
    ("code", 58), ("part", 116), ("no.", 38), ("state", 76), ("length", 74), ("width", 70), ("cut length", 82), ("cut width", 80),
    ("grain", 92), ("banded edges", 116),
)  # fmt: skip
ALIGN_RIGHT = {2, 4, 5, 6, 7}


class PartsModel(QAbstractTableModel):
    """All parts; a row without a part is the heading of a material."""

    def __init__(self) -> None:
        super().__init__()
        self._rows: list[tuple[str, Part | None]] = []
        self._units = Units()
        self._made: Made | None = None

    def show(self, made: Made) -> None:
        """Take the parts as they stand."""
        self.beginResetModel()
        self._units, self._made = made.units, made
        self._rows = []
        for goods in made.stock:
            parts = [part for part in made.parts if part.goods.code == goods.code]
            if parts:
                self._rows.append((goods_words(goods, made.units), None))
                self._rows += [("", part) for part in parts]
        self.endResetModel()

    def _state(self, part: Part) -> str:
        """Return how far the pieces of a part have come; planned ones say nothing."""
        made = self._made
        if made is None:
            return ""
        words = in_words(states(made, part, known_steps(made, part.case)))
        return "" if words == PartState.PLANNED.value else words

    def part(self, row: int) -> Part | None:
        """Return the part of a row; ``None`` for a heading."""
        return self._rows[row][1] if 0 <= row < len(self._rows) else None

    def row_of(self, code: str) -> int | None:
        """Return the row of a part."""
        return next((i for i, (_, part) in enumerate(self._rows) if part is not None and part.code == code), None)

    def key(self, index: QModelIndex) -> str:
        """Return the key of the number in a cell; empty if there is none."""
        part = self.part(index.row())
        if part is None:
            return ""
        numbers = {4: part.length, 5: part.width, 6: part.cut_length, 7: part.cut_width}
        number = numbers.get(index.column())
        return number.key if number is not None else ""

    def rowCount(self, parent: QModelIndex | None = None) -> int:
        return 0 if parent is not None and parent.isValid() else len(self._rows)

    def columnCount(self, parent: QModelIndex | None = None) -> int:
        return 0 if parent is not None and parent.isValid() else len(COLUMNS)

    def headerData(self, section: int, orientation: Qt.Orientation, role: int = Qt.ItemDataRole.DisplayRole) -> object:
        if orientation is Qt.Orientation.Horizontal and role == Qt.ItemDataRole.DisplayRole:
            return COLUMNS[section][0]
        if role == Qt.ItemDataRole.TextAlignmentRole and section in ALIGN_RIGHT:
            return Qt.AlignmentFlag.AlignRight | Qt.AlignmentFlag.AlignVCenter
        return None

    def data(self, index: QModelIndex, role: int = Qt.ItemDataRole.DisplayRole) -> object:
        if not index.isValid() or role not in (Qt.ItemDataRole.DisplayRole, Qt.ItemDataRole.AccessibleTextRole):
            return None
        words, part = self._rows[index.row()]
        if part is None:
            return words if index.column() == 0 else ""
        write = self._units.write
        return (
            part.code, f"{part.name} · new" if part.fresh else part.name, str(part.count), self._state(part), write(part.length.length), write(part.width.length),
            write(part.cut_length.length), write(part.cut_width.length), grain(part), edges(part) or "none",
        )[index.column()]  # fmt: skip
