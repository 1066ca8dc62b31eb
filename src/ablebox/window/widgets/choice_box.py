# SPDX-License-Identifier: GPL-3.0-or-later
"""A box to choose one of a few things from, by the words people read."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Any

from PyQt6.QtWidgets import QComboBox, QVBoxLayout

from .words import Words


def choice_box(
    name: str, words: str, rows: Sequence[tuple[Any, str]], value: object, chosen: Callable[[Any], object]
) -> QComboBox:
    """Return a box.

    Args:
        name: object name.
        words: what it is, for those who hear the screen.
        rows: what there is to choose, each with its words.
        value: what is chosen now.
        chosen: is told what a person chooses.
    """
    combo = QComboBox()
    combo.setObjectName(name)
    combo.setAccessibleName(words)
    for data, text in rows:
        combo.addItem(text, data)
    known = [data for data, _ in rows]
    combo.setCurrentIndex(known.index(value) if value in known else 0)
    combo.activated.connect(lambda _: chosen(combo.currentData()))
    return combo


def add_choice(column: QVBoxLayout, words: str, box: QComboBox) -> None:
    """Put a box into a column of the tape, with what it is above it.

    Args:
        column: where to.
        words: what it is.
        box: the box.
    """
    column.addWidget(Words(words[:1].upper() + words[1:], 12, colour="quiet"))
    column.addWidget(box)
