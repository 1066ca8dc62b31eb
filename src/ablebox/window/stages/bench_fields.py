# SPDX-License-Identifier: GPL-3.0-or-later
"""Fields on the tape of the Bench stage that take words as people write them, and say beneath why they did not."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtWidgets import QHBoxLayout, QLineEdit, QVBoxLayout

from ..widgets.words import Words

#: How wide the words before a field are.
_CAPTION = 84


def add_text(
    column: QVBoxLayout,
    name: str,
    words: str,
    text: str,
    taken: Callable[[str], str],
    hint: str = "",
    caption: int = _CAPTION,
) -> QLineEdit:
    """Add a field with its words before it.

    Args:
        column: where to.
        name: object name.
        words: what it is.
        text: what stands in it.
        taken: is told what was typed; returns why it was not taken, or nothing.
        hint: what is shown while it is empty.
        caption: how wide the words before it are.
    """
    row = QHBoxLayout()
    before = Words(words, 14)
    before.setFixedWidth(caption)
    row.addWidget(before)
    field = QLineEdit(text)
    field.setObjectName(name)
    field.setAccessibleName(words)
    field.setPlaceholderText(hint)
    row.addWidget(field, 1)
    column.addLayout(row)
    why = Words("", 13, colour="snag", wrap=True)
    why.hide()
    column.addWidget(why)

    def take() -> None:
        if field.text() == text:
            return
        reason = taken(field.text())
        why.set_text(reason)
        why.setVisible(bool(reason))

    field.editingFinished.connect(take)
    return field
