# SPDX-License-Identifier: GPL-3.0-or-later
"""Pages of a PDF one below the other, as wide as there is room."""

from __future__ import annotations

from PyQt6.QtCore import QBuffer, QByteArray, QIODevice, QPointF
from PyQt6.QtPdf import QPdfDocument
from PyQt6.QtPdfWidgets import QPdfView
from PyQt6.QtWidgets import QWidget


class PdfPages(QPdfView):
    """Shows a PDF.

    Args:
        parent: widget.
        name: object name.
        words: what is shown, for those who hear the screen.
    """

    def __init__(self, parent: QWidget, name: str, words: str) -> None:
        # The document goes before what shows it: the other way round it tells a view that is half gone.
        held = QPdfDocument(parent)
        super().__init__(parent)
        self.held = held
        self.setObjectName(name)
        self.setAccessibleName(words)
        self.setPageMode(QPdfView.PageMode.MultiPage)
        self.setZoomMode(QPdfView.ZoomMode.FitToWidth)
        self.setDocument(self.held)

    def show_data(self, data: bytes) -> None:
        """Show another PDF."""
        self._buffer = QBuffer(self)
        self._buffer.setData(QByteArray(data))
        self._buffer.open(QIODevice.OpenModeFlag.ReadOnly)
        self.held.load(self._buffer)

    @property
    def page(self) -> int:
        """Number of the page that is looked at, from 0."""
        navigator = self.pageNavigator()
        return navigator.currentPage() if navigator is not None else 0

    def go_to(self, page: int) -> None:
        """Show a page, from 0."""
        navigator = self.pageNavigator()
        if navigator is not None and self.held.pageCount():
            navigator.jump(page, QPointF(0, 0))
