# SPDX-License-Identifier: GPL-3.0-or-later
"""A line of known length on full-size pages: whoever measures it knows whether the printer kept the scale."""

from __future__ import annotations

from ...lengths import inches, millimetres
from ...units import System
from .pdf_canvas import PdfCanvas

#: Points in a millimetre.
POINTS = 72 / 25.4


def check_line(canvas: PdfCanvas, system: System, x: float, y: float) -> None:
    """Draw the line, its length said beside it, from a place in points."""
    inch = system is System.INCH
    length = (inches(4) if inch else millimetres(100)).mm * POINTS
    canvas.polyline([(x, y), (x + length, y)], "ink", 1.0, False)
    for end in (x, x + length):
        canvas.polyline([(end, y - 4), (end, y + 4)], "ink", 1.0, False)
    words = f"this line is {'4 in' if inch else '100 mm'} long; if not, print at 100 %"
    canvas.text(x + length + 8, y, words, 11.5, "start", "ink", False)
