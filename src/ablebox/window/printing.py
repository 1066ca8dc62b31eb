# SPDX-License-Identifier: GPL-3.0-or-later
"""Prints the shop book and labels: the very pages of the PDF, true to scale."""

from __future__ import annotations

from PyQt6.QtCore import QBuffer, QByteArray, QIODevice, QRectF, QSize
from PyQt6.QtGui import QPageLayout, QPageSize, QPainter
from PyQt6.QtPdf import QPdfDocument
from PyQt6.QtPrintSupport import QPrintDialog, QPrinter
from PyQt6.QtWidgets import QDialog, QWidget

from . import ask

_DOTS_AN_INCH = 300


def asked_and_printed(parent: QWidget, name: str, data: bytes) -> bool:
    """Ask for a printer and print a PDF; return whether it was printed. What goes wrong is said.

    Args:
        parent: of the questions.
        name: what is printed.
        data: the PDF.
    """
    printer = QPrinter(QPrinter.PrinterMode.HighResolution)
    printer.setDocName(name)
    if QPrintDialog(printer, parent).exec() != QDialog.DialogCode.Accepted:
        return False
    try:
        print_pages(data, printer)
    except OSError as fault:
        ask.to_read(parent, "Not printed", f"It was not printed: {fault}. Save it as PDF instead.")
        return False
    return True


def print_pages(data: bytes, printer: QPrinter) -> int:
    """Print a PDF.

    Args:
        data: the PDF.
        printer: where to.

    Returns:
        The number of pages printed.

    Raises:
        OSError: if the printer takes no pages.
    """
    holder = QByteArray(data)
    buffer = QBuffer(holder)
    buffer.open(QIODevice.OpenModeFlag.ReadOnly)
    document = QPdfDocument(None)
    document.load(buffer)
    first = document.pagePointSize(0)
    printer.setPageSize(
        QPageSize(first.transposed() if first.width() > first.height() else first, QPageSize.Unit.Point)
    )
    printer.setPageOrientation(
        QPageLayout.Orientation.Landscape if first.width() > first.height() else QPageLayout.Orientation.Portrait
    )
    printer.setFullPage(True)
    painter = QPainter()
    if not painter.begin(printer):
        raise OSError("the printer takes no pages")
    for page in range(document.pageCount()):
        if page:
            printer.newPage()
        points = document.pagePointSize(page)
        size = QSize(int(points.width() * _DOTS_AN_INCH / 72), int(points.height() * _DOTS_AN_INCH / 72))
        inches = printer.resolution() / 72
        target = QRectF(0, 0, points.width() * inches, points.height() * inches)
        painter.drawImage(target, document.render(page, size))
    painter.end()
    return document.pageCount()
