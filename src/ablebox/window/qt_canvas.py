# SPDX-License-Identifier: GPL-3.0-or-later
"""Drawings and words on a Qt painter, fractions set with the font's own feature."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache
from math import ceil

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import QFontMetricsF, QPainter, QPen, QPolygonF

from ..core.drawing.fractions_set import runs
from ..core.drawing.shapes import Point
from . import theme


def run_size(size: int, fraction: bool) -> int:
    """Return the type size of a run of words: a fraction's digits come out at 0.6 of theirs, and want to be 0.7 of the words'."""
    return ceil(size * 7 / 6) if fraction else size


@lru_cache(maxsize=8192)
def _run_width(run: str, size: int, bold: bool, fraction: bool) -> float:
    return QFontMetricsF(theme.font(run_size(size, fraction), bold, fraction)).horizontalAdvance(run)


def text_width(text: str, size: int, bold: bool = False) -> float:
    """Return how wide words are, in pixels."""
    return sum(_run_width(run, size, bold, fraction) for run, fraction in runs(text))


def draw_text(painter: QPainter, x: float, y: float, text: str, size: int, colour: str, bold: bool = False) -> None:
    """Write words from ``x`` on, ``y`` at the middle of their height."""
    painter.setPen(theme.colour(colour))
    for run, fraction in runs(text):
        font = theme.font(run_size(size, fraction), bold, fraction)
        painter.setFont(font)
        # A larger fraction stands lower by a third of what it is larger, so that it does not look raised.
        painter.drawText(QPointF(x, y + size * 0.35 + (run_size(size, fraction) - size) * 0.35), run)
        x += _run_width(run, size, bold, fraction)


def wrapped(text: str, size: int, bold: bool, width: float) -> list[str]:
    """Break words into lines no wider than ``width`` pixels; a whole number stays with its fraction."""
    words: list[str] = []
    for word in text.split(" "):
        if words and "/" in word and words[-1].isdigit() and word[0].isdigit():
            words[-1] += f" {word}"
        else:
            words.append(word)
    lines: list[str] = []
    line = ""
    for word in words:
        longer = f"{line} {word}" if line else word
        if line and text_width(longer, size, bold) > width:
            lines.append(line)
            line = word
        else:
            line = longer
    return [*lines, line]


class QtCanvas:
    """A canvas of the drawing package on a painter.

    Args:
        painter: where to draw; its unit is one point of the drawing.
        scale: pixels in a point, so that words keep their least size.
    """

    typed_over = True
    numbers = 11.0

    def __init__(self, painter: QPainter, scale: float) -> None:
        self._painter, self._scale = painter, scale
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)

    def _pen(self, colour: str, weight: float, dashed: bool) -> QPen:
        return theme.pen(colour, weight * self._scale, dashed)

    def _point(self, x: float, y: float) -> QPointF:
        return QPointF(x * self._scale, y * self._scale)

    def polyline(self, points: Sequence[Point], colour: str, weight: float, dashed: bool) -> None:
        """Draw a line through points."""
        self._painter.setPen(self._pen(colour, weight, dashed))
        self._painter.setBrush(Qt.BrushStyle.NoBrush)
        self._painter.drawPolyline(QPolygonF([self._point(*point) for point in points]))

    def polygon(self, points: Sequence[Point], fill: str, line: str, weight: float, dashed: bool) -> None:
        """Fill and outline a polygon; an empty name leaves that out."""
        self._painter.setPen(self._pen(line, weight, dashed) if line else Qt.PenStyle.NoPen)
        self._painter.setBrush(theme.colour(fill) if fill else Qt.BrushStyle.NoBrush)
        self._painter.drawPolygon(QPolygonF([self._point(*point) for point in points]))

    def circle(self, x: float, y: float, radius: float, fill: str, line: str, weight: float) -> None:
        """Fill and outline a circle."""
        self._painter.setPen(self._pen(line, weight, False) if line else Qt.PenStyle.NoPen)
        self._painter.setBrush(theme.colour(fill) if fill else Qt.BrushStyle.NoBrush)
        self._painter.drawEllipse(self._point(x, y), radius * self._scale, radius * self._scale)

    def text_width(self, text: str, size: float, bold: bool) -> float:
        """Return how wide words are, in points."""
        return text_width(text, self._pixels(size), bold) / self._scale

    def _pixels(self, size: float) -> int:
        return max(12, round(size * self._scale))

    def text(self, x: float, y: float, text: str, size: float, anchor: str, colour: str, bold: bool) -> None:
        """Write words, ``y`` at the middle of their height."""
        width = self.text_width(text, size, bold)
        left = x - {"middle": width / 2, "start": 0.0, "end": width}[anchor]
        draw_text(self._painter, left * self._scale, y * self._scale, text, self._pixels(size), colour, bold)

    def upright(self, x: float, y: float, text: str, size: float, colour: str, bold: bool) -> None:
        """Write words reading upwards, centred at a point."""
        self._painter.save()
        self._painter.translate(self._point(x, y))
        self._painter.rotate(-90)
        pixels = self._pixels(size)
        draw_text(self._painter, -text_width(text, pixels, bold) / 2, 0, text, pixels, colour, bold)
        self._painter.restore()

    def clip(self, left: float, top: float, width: float, height: float) -> None:
        """Draw only inside a rectangle from now on."""
        self._painter.save()
        corner, size = self._point(left, top), self._point(width, height)
        self._painter.setClipRect(QRectF(corner.x(), corner.y(), size.x(), size.y()))

    def unclip(self) -> None:
        """Draw everywhere again."""
        self._painter.restore()
