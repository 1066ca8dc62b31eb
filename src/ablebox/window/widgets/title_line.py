# SPDX-License-Identifier: GPL-3.0-or-later
"""A title that is typed over in place."""

from __future__ import annotations

from PyQt6.QtWidgets import QLineEdit

from .. import theme


class TitleLine(QLineEdit):
    """A title without a frame; clicking it starts typing.

    Args:
        name: object name.
        help_text: what it names, for help and for those who hear the screen.
        size: in pixels.
        bold: whether it is bold.
    """

    def __init__(self, name: str, help_text: str, size: int, bold: bool) -> None:
        super().__init__()
        self.setObjectName(name)
        self.setAccessibleName(help_text)
        self.setToolTip(help_text)
        self.setFrame(False)
        self.setStyleSheet(
            f"QLineEdit {{ background: transparent; border: none; padding: 0; margin: 0; font-size: {size}px;"
            f" font-weight: {600 if bold else 500}; }}"
            "QLineEdit:hover { border-bottom: 1px dashed; } QLineEdit:focus { border-bottom: 2px solid; padding: 0; }"
        )
        self.setFont(theme.font(size, bold))
        self.setFixedHeight(int(size * 1.6))

    def show_text(self, text: str) -> None:
        """Show a name, unless someone is typing another."""
        if not self.hasFocus():
            self.setText(text)
            self.setCursorPosition(0)
