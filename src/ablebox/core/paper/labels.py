# SPDX-License-Identifier: GPL-3.0-or-later
"""Labels for every single piece, on label sheets that are sold everywhere.

What each tells stands in ``label_rows``; it carries a code to be scanned (QR, ISO/IEC 18004, made by segno). Letter: 30 of 2 5/8 x 1 in; A4: 24 of 70 x 37 mm (common practice).
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import segno

from ..cuts.plan import Plan
from ..shop.made import Made
from ..units import System
from .label_rows import Line, label_rows
from .pdf_canvas import PdfCanvas

_MM = 72 / 25.4


@dataclass(frozen=True, slots=True)
class LabelSheet:
    """A sheet of labels, measured in points.

    Args:
        page: width and height.
        across: labels beside each other.
        down: labels below each other.
        size: of a label.
        pitch: from label to label.
        first: left upper corner of the first.
    """

    page: tuple[float, float]
    across: int
    down: int
    size: tuple[float, float]
    pitch: tuple[float, float]
    first: tuple[float, float]

    @property
    def count(self) -> int:
        """How many labels it has."""
        return self.across * self.down

    def corner(self, number: int) -> tuple[float, float]:
        """Return the left upper corner of a label, counted from 0, row by row."""
        row, column = divmod(number, self.across)
        return self.first[0] + column * self.pitch[0], self.first[1] + row * self.pitch[1]


LETTER_30 = LabelSheet((612, 792), 3, 10, (189, 72), (198, 72), (13.5, 36))
A4_24 = LabelSheet((595.28, 841.89), 3, 8, (70 * _MM, 37 * _MM), (70 * _MM, 37 * _MM), (0, 0.5 * _MM))


def label_sheet(made: Made) -> LabelSheet:
    """Return the label sheet usual where the units are used."""
    return LETTER_30 if made.units.system is System.INCH else A4_24


def labels(made: Made, plans: Mapping[str, Plan], skip: int = 0, only_new: bool = False) -> bytes:
    """Return the labels of all pieces and kept offcuts as PDF, in the order in which they come off the saw.

    Args:
        made: what was made.
        plans: the cut plans, by code of the stock.
        skip: labels already used on the first sheet.
        only_new: whether only pieces get one that are on no paper yet.
    """
    sheet = label_sheet(made)
    canvas = PdfCanvas(sheet.page, f"{made.project.name}: labels")
    rows = [row for row in label_rows(made, plans) if row.new or not only_new]
    if not rows:
        canvas.text(
            sheet.page[0] / 2,
            sheet.page[1] / 2,
            "no new pieces" if only_new else "nothing to cut",
            12,
            "middle",
            "quiet",
            False,
        )
    for at, row in enumerate(rows, start=skip % sheet.count):
        if at and at % sheet.count == 0:
            canvas.next_page()
        _label(canvas, sheet, sheet.corner(at % sheet.count), row.scanned, row.lines)
    return canvas.finish()


def _label(
    canvas: PdfCanvas, sheet: LabelSheet, corner: tuple[float, float], scanned: str, lines: tuple[Line, ...]
) -> None:
    (x, y), (wide, high) = corner, sheet.size
    side = min(high - 14, wide * 0.3)
    _qr(canvas, x + wide - side - 7, y + (high - side) / 2, side, scanned)
    room = wide - side - 20
    at = y + 12
    for text, points, bold, colour in lines:
        while canvas.text_width(text, points, bold) > room and points > 5:
            points -= 0.5
        canvas.text(x + 9, at, text, points, "start", colour, bold)
        at += (high - 16) / len(lines)


def _qr(canvas: PdfCanvas, x: float, y: float, side: float, text: str) -> None:
    rows = [list(row) for row in segno.make(text, error="m", micro=False).matrix]
    dot = side / len(rows)
    for j, row in enumerate(rows):
        start = None
        for i, dark in enumerate([*row, 0]):
            if dark and start is None:
                start = i
            elif not dark and start is not None:
                a, b, c, d = x + start * dot, x + i * dot, y + j * dot, y + (j + 1) * dot
                canvas.polygon([(a, c), (b, c), (b, d), (a, d)], "ink", "", 0, False)
                start = None
