# SPDX-License-Identifier: GPL-3.0-or-later
"""The tape for a part that belongs to no case: its name, sizes, how many, grain and material."""

from __future__ import annotations

from PyQt6.QtWidgets import QGridLayout, QLineEdit, QPushButton, QSpinBox, QVBoxLayout, QWidget

from ...core.parts.listing import Part
from ...core.project.loose_edits import with_loose, without_loose
from ...core.project.placed import number_of_place
from ...core.stock import Grain
from ..desk import Desk
from ..widgets.choice_box import choice_box
from ..widgets.length_field import LengthField
from ..widgets.words import Words

_GRAIN = ((Grain.LENGTH, "along its length"), (Grain.WIDTH, "along its width"), (Grain.ANY, "does not matter"))


def add_loose(desk: Desk, column: QVBoxLayout, part: Part) -> None:
    """Add the form of such a part."""
    number = number_of_place(part.places[0])
    each = desk.document.project.loose[number - 1]
    column.addWidget(Words("A part of its own, cut along with the others", 14, colour="quiet", wrap=True))

    def put(words: str, **changes: object) -> None:
        after = with_loose(desk.document.project, number, **changes)
        if after != desk.document.project:
            desk.change(f"{part.code}: {words}", after)

    name = QLineEdit(each.name)
    name.setObjectName("loose-name")
    name.editingFinished.connect(lambda: put("another name", name=name.text().strip() or each.name))
    count = QSpinBox()
    count.setObjectName("loose-count")
    count.setRange(1, 999)
    count.setValue(each.count)
    count.editingFinished.connect(lambda: put("how many", count=count.value()))
    grain = choice_box("loose-grain", "grain", _GRAIN, each.grain, lambda way: put("grain", grain=way))
    stocks = [(row.code, row.name) for row in desk.document.project.rack.goods]
    goods = choice_box("loose-goods", "cut from", stocks, each.goods, lambda code: put("material", goods=code))
    fields: list[tuple[str, QWidget]] = [("name", name)]
    for side in ("length", "width"):
        field = LengthField(desk, f"loose/{number}.{side}", f"{side} of {each.name}")
        field.refresh()
        fields.append((side, field))
    fields += [("how many", count), ("grain", grain), ("cut from", goods)]
    grid = QGridLayout()
    for i, (words, widget) in enumerate(fields):
        widget.setAccessibleName(words)
        grid.addWidget(Words(words, 14, colour="quiet"), i, 0)
        grid.addWidget(widget, i, 1)
    column.addLayout(grid)
    gone = QPushButton("Take this part out")
    gone.setObjectName("drop-loose")
    gone.clicked.connect(lambda: desk.change(f"Take {part.name} out", without_loose(desk.document.project, number)))
    column.addWidget(gone)
