# SPDX-License-Identifier: GPL-3.0-or-later
"""Drawings and words on PDF pages. The same input gives the same bytes."""

from __future__ import annotations

import io
from collections.abc import Sequence
from functools import cache, lru_cache
from importlib.resources import files

from reportlab.lib.colors import HexColor
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas as Pdf

from ...drawing.fractions_set import runs
from ...drawing.palette import PRINT
from ...drawing.shapes import Point
from .spare_type import in_types

#: A fraction's digits, as a share of the words' type, and how far the upper ones are raised.
_FRACTION_SIZE, _RAISED = 0.7, 0.3
#: The least type on paper, in points.
_LEAST = 8.0
#: The space between a whole number and its fraction, and its size as a share of the words' type.
_THIN, _THIN_SIZE = "\u2009", 0.6


def _register() -> None:
    if "Barlow" in pdfmetrics.getRegisteredFontNames():
        return
    folder = files("ablebox") / "assets" / "fonts"
    for name, file in (
        ("Barlow", "Barlow-Regular"),
        ("Barlow-Bold", "Barlow-SemiBold"),
        ("Barlow-Medium", "Barlow-Medium"),
        # What the typeface has no sign for is set in these.
        ("Spare", "DejaVuSans"),
        ("Spare-Bold", "DejaVuSans-Bold"),
    ):
        pdfmetrics.registerFont(TTFont(name, str(folder / f"{file}.ttf")))


def pieces_of(text: str, size: float, bold: bool) -> list[tuple[str, str, float, float]]:
    """Return pieces of words with font, size and how far they are raised."""
    _register()
    if _signs("Barlow").issuperset(text):
        return _set(text, size, bold)
    spare = "Spare-Bold" if bold else "Spare"
    found = []
    for run, font, at, raised in _set(text, size, bold):
        found += [
            (part, spare if other else font, at, raised) for part, other in in_types(run, _signs(font), _signs(spare))
        ]
    return found


@cache
def _signs(font: str) -> frozenset[str]:
    """Return the characters a typeface has a sign for."""
    of = pdfmetrics.getFont(font)
    assert isinstance(of, TTFont)
    return frozenset(chr(code) for code in of.face.charToGlyph if code > 31)


def _set(text: str, size: float, bold: bool) -> list[tuple[str, str, float, float]]:
    font = "Barlow-Bold" if bold else "Barlow"
    heavier = "Barlow-Bold" if bold else "Barlow-Medium"
    pieces = []
    for run, is_fraction in runs(text):
        if not is_fraction:
            pieces.append((run.rstrip(_THIN), font, size, 0.0))
            if run.endswith(_THIN):
                # The typeface has no thin space: a common one, smaller.
                pieces.append((" ", font, size * _THIN_SIZE, 0.0))
            continue
        if size * _FRACTION_SIZE < _LEAST:
            # Set small its digits could not be read: it is written in a line.
            pieces.append((run, font, size, 0.0))
            continue
        upper, lower = run.split("/")
        pieces.append((upper, heavier, size * _FRACTION_SIZE, size * _RAISED))
        pieces.append(("\u2044", font, size * 0.9, 0.0))
        pieces.append((lower, heavier, size * _FRACTION_SIZE, 0.0))
    return pieces


@lru_cache(maxsize=20000)
def width_of(text: str, size: float, bold: bool) -> float:
    """Return how wide words are, in points."""
    return sum(pdfmetrics.stringWidth(run, font, at) for run, font, at, _ in pieces_of(text, size, bold))


class PdfCanvas:
    """A PDF being written; measured in points from the page's top left corner.

    Args:
        size: width and height of its pages, in points.
        title: of the document.
    """

    typed_over = False
    numbers = 11.0

    def __init__(self, size: Point, title: str) -> None:
        _register()
        self.size = size
        self._stream = io.BytesIO()
        self._pdf = Pdf(self._stream, pagesize=size, invariant=1, pageCompression=1)
        self._pdf.setTitle(title)
        self._pdf.setCreator("Able Box")
        self._pdf.setLineJoin(1)

    def next_page(self, size: Point | None = None) -> None:
        """End the page and start another, of another size if one is given."""
        self._pdf.showPage()
        self._pdf.setLineJoin(1)
        if size is not None:
            self.resize(size)

    def resize(self, size: Point) -> None:
        """Let the page at hand have another size."""
        self.size = size
        self._pdf.setPageSize(size)

    def mark(self, key: str, title: str, level: int) -> None:
        """Note the page at hand in the outline, and as where links lead to."""
        self._pdf.bookmarkPage(key, fit="XYZ", left=0, top=self.size[1], zoom=0)
        self._pdf.addOutlineEntry(title, key, level, closed=level > 0)

    def link(self, box: tuple[float, float, float, float], key: str) -> None:
        """Let a rectangle (left, top, right, lower) lead to a page that is marked."""
        left, top, right, low = box
        self._pdf.linkRect("", key, (left, self._y(low), right, self._y(top)), thickness=0)

    def finish(self) -> bytes:
        """Return the whole document."""
        self._pdf.save()
        return self._stream.getvalue()

    def _y(self, y: float) -> float:
        return self.size[1] - y

    def polyline(self, points: Sequence[Point], colour: str, weight: float, dashed: bool) -> None:
        """Draw a line through points."""
        self._pen(colour, weight, dashed)
        path = self._pdf.beginPath()
        path.moveTo(points[0][0], self._y(points[0][1]))
        for x, y in points[1:]:
            path.lineTo(x, self._y(y))
        self._pdf.drawPath(path, stroke=1, fill=0)

    def _pen(self, colour: str, weight: float, dashed: bool) -> None:
        self._pdf.setStrokeColor(HexColor(PRINT[colour]))
        self._pdf.setLineWidth(weight * 0.8)
        self._pdf.setDash([3, 2] if dashed else [])

    def polygon(self, points: Sequence[Point], fill: str, line: str, weight: float, dashed: bool) -> None:
        """Fill and outline a polygon; an empty name leaves that out."""
        if not fill and not line:
            return
        if line:
            self._pen(line, weight, dashed)
        if fill:
            self._pdf.setFillColor(HexColor(PRINT[fill]))
        path = self._pdf.beginPath()
        path.moveTo(points[0][0], self._y(points[0][1]))
        for x, y in points[1:]:
            path.lineTo(x, self._y(y))
        path.close()
        self._pdf.drawPath(path, stroke=1 if line else 0, fill=1 if fill else 0)

    def circle(self, x: float, y: float, radius: float, fill: str, line: str, weight: float) -> None:
        """Fill and outline a circle."""
        if line:
            self._pen(line, weight, False)
        if fill:
            self._pdf.setFillColor(HexColor(PRINT[fill]))
        self._pdf.circle(x, self._y(y), radius, stroke=1 if line else 0, fill=1 if fill else 0)

    def text_width(self, text: str, size: float, bold: bool) -> float:
        """Return how wide words are."""
        return width_of(text, size, bold)

    def text(self, x: float, y: float, text: str, size: float, anchor: str, colour: str, bold: bool) -> None:
        """Write words, ``y`` at the middle of their height."""
        width = self.text_width(text, size, bold)
        left = x - {"middle": width / 2, "start": 0.0, "end": width}[anchor]
        self._write(left, self._y(y) - size * 0.35, text, size, colour, bold)

    def _write(self, left: float, base: float, text: str, size: float, colour: str, bold: bool) -> None:
        self._pdf.setFillColor(HexColor(PRINT[colour]))
        for run, font, at, raised in pieces_of(text, size, bold):
            self._pdf.setFont(font, at)
            self._pdf.drawString(left, base + raised, run)
            left += pdfmetrics.stringWidth(run, font, at)

    def upright(self, x: float, y: float, text: str, size: float, colour: str, bold: bool) -> None:
        """Write words reading upwards, centred at a point."""
        self._pdf.saveState()
        self._pdf.translate(x, self._y(y))
        self._pdf.rotate(90)
        self._write(-self.text_width(text, size, bold) / 2, -size * 0.35, text, size, colour, bold)
        self._pdf.restoreState()

    def clip(self, left: float, top: float, width: float, height: float) -> None:
        """Draw only inside a rectangle from now on."""
        self._pdf.saveState()
        path = self._pdf.beginPath()
        path.rect(left, self._y(top + height), width, height)
        self._pdf.clipPath(path, stroke=0, fill=0)

    def unclip(self) -> None:
        """Draw everywhere again."""
        self._pdf.restoreState()
