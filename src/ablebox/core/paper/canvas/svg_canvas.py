# SPDX-License-Identifier: GPL-3.0-or-later
"""A drawing as SVG, true to scale: one millimetre of wood is one millimetre of the picture."""

from __future__ import annotations

from collections.abc import Sequence
from html import escape

from ...drawing.palette import PRINT
from ...drawing.replay import fitted, replay
from ...drawing.shapes import Drawing, Point
from .pdf_canvas import PdfCanvas, pieces_of

#: Points of the picture in a millimetre of wood, and points around it.
_SCALE, _AROUND = 0.3, 46.0


class SvgCanvas:
    """An SVG being written, measured in points from its top left corner.

    Args:
        size: width and height in points.
    """

    typed_over = False
    numbers = 11.0

    def __init__(self, size: Point) -> None:
        self.size = size
        self._items: list[str] = []
        self._clips = 0
        # Words are measured in the typeface they are printed in.
        self._measure = PdfCanvas(size, "")

    def finish(self, title: str) -> bytes:
        """Return the picture."""
        wide, high = self.size
        head = (
            f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide / _SCALE:.3f}mm" height="{high / _SCALE:.3f}mm" '
            f'viewBox="0 0 {wide:.3f} {high:.3f}" font-family="Barlow, sans-serif">'
        )
        return "\n".join([head, f"<title>{escape(title)}</title>", *self._items, "</svg>", ""]).encode("utf-8")

    def page(self, title: str) -> bytes:
        """Return the picture as a page of paper, as large as that is."""
        wide, high = self.size
        head = (
            f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:.3f}pt" height="{high:.3f}pt" viewBox="0 0 {wide:.3f} {high:.3f}" '
            'font-family="Barlow, sans-serif">'
        )
        ground = f'<rect width="{wide:.3f}" height="{high:.3f}" fill="#FFFFFF"/>'
        return "\n".join([head, f"<title>{escape(title)}</title>", ground, *self._items, "</svg>", ""]).encode("utf-8")

    def inline(self, title: str, prefix: str) -> str:
        """Return the picture to stand within another page, its names told apart by a prefix."""
        wide, high = self.size
        body = "".join(self._items).replace('id="clip', f'id="{prefix}clip').replace("url(#clip", f"url(#{prefix}clip")
        return f'<svg viewBox="0 0 {wide:.1f} {high:.1f}" font-family="Barlow, sans-serif"><title>{escape(title)}</title>{body}</svg>'

    def _line(self, colour: str, weight: float, dashed: bool) -> str:
        dash = ' stroke-dasharray="3 2"' if dashed else ""
        return f'stroke="{PRINT[colour]}" stroke-width="{weight * 0.8:g}"{dash}' if colour else 'stroke="none"'

    def _path(self, points: Sequence[Point]) -> str:
        return " ".join(f"{x:.2f},{y:.2f}" for x, y in points)

    def polyline(self, points: Sequence[Point], colour: str, weight: float, dashed: bool) -> None:
        """Draw a line through points."""
        self._items.append(
            f'<polyline points="{self._path(points)}" fill="none" {self._line(colour, weight, dashed)}/>'
        )

    def polygon(self, points: Sequence[Point], fill: str, line: str, weight: float, dashed: bool) -> None:
        """Fill and outline a polygon; an empty name leaves that out."""
        inside = PRINT[fill] if fill else "none"
        self._items.append(
            f'<polygon points="{self._path(points)}" fill="{inside}" {self._line(line, weight, dashed)}/>'
        )

    def circle(self, x: float, y: float, radius: float, fill: str, line: str, weight: float) -> None:
        """Fill and outline a circle."""
        inside = PRINT[fill] if fill else "none"
        self._items.append(
            f'<circle cx="{x:.2f}" cy="{y:.2f}" r="{radius:.2f}" fill="{inside}" {self._line(line, weight, False)}/>'
        )

    def text(self, x: float, y: float, text: str, size: float, anchor: str, colour: str, bold: bool) -> None:
        """Write words, ``y`` at the middle of their height."""
        weight = "bold" if bold else "normal"
        self._items.append(
            f'<text x="{x:.2f}" y="{y + size * 0.35:.2f}" font-size="{size:g}" font-weight="{weight}" '
            f'text-anchor="{anchor}" fill="{PRINT[colour]}">{_spans(text, size, bold)}</text>'
        )

    def text_width(self, text: str, size: float, bold: bool) -> float:
        """Return how wide words are."""
        return self._measure.text_width(text, size, bold)

    def upright(self, x: float, y: float, text: str, size: float, colour: str, bold: bool) -> None:
        """Write words reading upwards, centred at a point."""
        self._items.append(f'<g transform="translate({x:.2f} {y:.2f}) rotate(-90)">')
        self.text(0, 0, text, size, "middle", colour, bold)
        self._items.append("</g>")

    def clip(self, left: float, top: float, width: float, height: float) -> None:
        """Draw only inside a rectangle from now on."""
        self._clips += 1
        name = f"clip{self._clips}"
        self._items.append(
            f'<clipPath id="{name}"><rect x="{left:.2f}" y="{top:.2f}" width="{width:.2f}" height="{height:.2f}"/>'
            f'</clipPath><g clip-path="url(#{name})">'
        )

    def unclip(self) -> None:
        """Draw everywhere again."""
        self._items.append("</g>")


def _spans(text: str, size: float, bold: bool) -> str:
    """Return words with their fractions set as on paper."""
    if "/" not in text:
        return escape(text)
    found, up = [], 0.0
    for run, _, at, raised in pieces_of(text, size, bold):
        found.append(f'<tspan font-size="{at:g}" dy="{up - raised:.2f}">{escape(run)}</tspan>')
        up = raised
    return "".join(found)


def as_svg(drawing: Drawing, length: float, width: float) -> bytes:
    """Return a drawing of something so long and wide, in mm, as SVG."""
    size = (length * _SCALE + 2 * _AROUND, width * _SCALE + 2 * _AROUND)
    canvas = SvgCanvas(size)
    replay(drawing, canvas, fitted(drawing, 0, 0, *size, scale=_SCALE))
    return canvas.finish(drawing.name)
