# SPDX-License-Identifier: GPL-3.0-or-later
"""A row on the tape: words at the left, at the right the field for a size."""

from __future__ import annotations

from PyQt6.QtWidgets import QHBoxLayout, QVBoxLayout, QWidget

from ..desk import Desk
from .length_field import FIELD_WIDTH, LengthField


def add_size_row(
    desk: Desk, column: QVBoxLayout, key: str, label: QWidget, name: str, *between: QWidget
) -> LengthField:
    """Put the field for a number at the end of a column of the tape.

    Args:
        desk: the workplace.
        column: where to.
        key: of the number.
        label: what stands before it.
        name: what the field is called, for help and for those who hear the screen.
        between: what stands between words and field.
    """
    row = QHBoxLayout()
    row.setSpacing(8)
    row.addWidget(label, 1)
    for widget in between:
        row.addWidget(widget)
    field = LengthField(desk, key, name, selects=False)
    field.setObjectName(f"tape:{key}")
    field.setFixedWidth(FIELD_WIDTH)
    row.addWidget(field)
    column.addLayout(row)
    return field
