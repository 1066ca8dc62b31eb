# SPDX-License-Identifier: GPL-3.0-or-later
"""A label that sets real fractions and wraps."""

from __future__ import annotations

from collections.abc import Callable

from PyQt6.QtCore import QSize, Qt
from PyQt6.QtGui import QMouseEvent, QPainter, QPaintEvent, QResizeEvent
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ..qt_canvas import draw_text, text_width, wrapped


class Words(QWidget):
    """Words in one size and colour.

    Args:
        text: the words.
        size: in pixels.
        bold: whether they are bold.
        colour: name of the colour.
        align: ``left``, ``right`` or ``middle``.
        wrap: whether they may run over several lines.
    """

    def __init__(
        self,
        text: str = "",
        size: int = 15,
        bold: bool = False,
        colour: str = "ink",
        align: str = "left",
        wrap: bool = False,
    ) -> None:
        super().__init__()
        self._text, self._size, self._bold, self._colour, self._align, self._wrap = (
            text,
            size,
            bold,
            colour,
            align,
            wrap,
        )
        policy = QSizePolicy(QSizePolicy.Policy.Preferred, QSizePolicy.Policy.Fixed)
        if wrap:
            # As high as its lines at the width it gets: what is laid out around it asks for that.
            policy = QSizePolicy(QSizePolicy.Policy.Ignored, QSizePolicy.Policy.Minimum)
            policy.setHeightForWidth(True)
        self.setSizePolicy(policy)
        self._lines: list[str] = [text]
        self._settle()

    @property
    def text(self) -> str:
        """The words."""
        return self._text

    @property
    def lines(self) -> list[str]:
        """The words as they are broken into lines."""
        return self._lines

    @property
    def size_of_type(self) -> int:
        """The size of the type, in pixels."""
        return self._size

    @property
    def bold(self) -> bool:
        """Whether they are bold."""
        return self._bold

    def set_text(self, text: str, colour: str | None = None) -> None:
        """Show other words, in another colour if one is named."""
        if text == self._text and colour in (None, self._colour):
            return
        self._text, self._colour = text, colour or self._colour
        self._settle()

    def _settle(self) -> None:
        self.setAccessibleName(self._text)
        self._lines = self._broken(self.width())
        if not self._wrap:
            self.setFixedHeight(self._high(1))
        self.updateGeometry()
        self.update()

    def _broken(self, width: int) -> list[str]:
        return wrapped(self._text, self._size, self._bold, width) if self._wrap else [self._text]

    def _high(self, lines: int) -> int:
        return int(lines * self._size * 1.3) + 4

    def hasHeightForWidth(self) -> bool:
        return self._wrap

    def heightForWidth(self, width: int) -> int:
        return self._high(len(self._broken(width)))

    def sizeHint(self) -> QSize:
        wide = 120 if self._wrap else int(text_width(self._text, self._size, self._bold)) + 2
        return QSize(wide, self._high(len(self._lines)))

    def minimumSizeHint(self) -> QSize:
        return QSize(10, self._high(len(self._lines)))

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        super().resizeEvent(event)
        if self._wrap:
            self._lines = self._broken(self.width())

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.TextAntialiasing)
        # In the middle of what room there is, as the field beside it stands.
        y = self._size * 0.65 + 2 + max(0, self.height() - self._high(len(self._lines))) / 2
        for line in self._lines:
            width = text_width(line, self._size, self._bold)
            x = {"left": 0.0, "right": self.width() - width, "middle": (self.width() - width) / 2}[self._align]
            draw_text(painter, x, y, line, self._size, self._colour, self._bold)
            y += self._size * 1.3


class LinkWords(Words):
    """Words that can be clicked, or reached by Tab and pressed with Space.

    Args:
        text: the words.
        pressed: what to do.
        size: in pixels.
        bold: whether they are bold.
        colour: name of the colour.
        align: ``left`` or ``right``.
    """

    def __init__(
        self,
        text: str,
        pressed: Callable[[], object],
        size: int = 15,
        bold: bool = False,
        colour: str = "dimension",
        align: str = "left",
    ) -> None:
        super().__init__(text, size, bold, colour, align)
        self._pressed = pressed
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        self.setFocusPolicy(Qt.FocusPolicy.TabFocus)

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and self.rect().contains(event.position().toPoint()):
            self._pressed()

    def keyPressEvent(self, event) -> None:  # type: ignore[no-untyped-def]
        if event.key() in (Qt.Key.Key_Space, Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self._pressed()
        else:
            super().keyPressEvent(event)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        super().paintEvent(event)
        if self.hasFocus():
            from_y = self.height() - 2
            painter = QPainter(self)
            painter.drawLine(0, from_y, self.width(), from_y)
