# SPDX-License-Identifier: GPL-3.0-or-later
"""Puts a drawing on a canvas: screen and paper only differ in the few strokes of ``Canvas``."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Protocol

from .shapes import Area, Circle, Dimension, Drawing, Label, Path, Point, Shape


class Canvas(Protocol):
    """What a canvas can do. Coordinates are the canvas' own points, y down; colours are names."""

    #: Whether numbers can be typed over there; these are underlined.
    typed_over: bool
    #: Size of the numbers of dimensions, in points.
    numbers: float

    def polyline(self, points: Sequence[Point], colour: str, weight: float, dashed: bool) -> None:
        """Draw a line through points."""

    def polygon(self, points: Sequence[Point], fill: str, line: str, weight: float, dashed: bool) -> None:
        """Fill and outline a polygon; an empty name leaves that out."""

    def circle(self, x: float, y: float, radius: float, fill: str, line: str, weight: float) -> None:
        """Fill and outline a circle."""

    def text(self, x: float, y: float, text: str, size: float, anchor: str, colour: str, bold: bool) -> None:
        """Write words, ``y`` at the middle of their height."""

    def text_width(self, text: str, size: float, bold: bool) -> float:
        """Return how wide words are."""

    def upright(self, x: float, y: float, text: str, size: float, colour: str, bold: bool) -> None:
        """Write words reading upwards, centred at a point."""

    def clip(self, left: float, top: float, width: float, height: float) -> None:
        """Draw only inside a rectangle from now on."""

    def unclip(self) -> None:
        """Draw everywhere again."""


@dataclass(frozen=True, slots=True)
class Spot:
    """Where a click is about something, on the canvas.

    Args:
        left: of its rectangle.
        top: of its rectangle.
        width: of its rectangle.
        height: of its rectangle.
        hot: what it is about.
        field: whether it can be typed over.
    """

    left: float
    top: float
    width: float
    height: float
    hot: str
    field: bool = False

    def holds(self, x: float, y: float) -> bool:
        """Whether a point is inside."""
        return self.left <= x <= self.left + self.width and self.top <= y <= self.top + self.height


@dataclass(frozen=True, slots=True)
class View:
    """How millimetres become canvas points.

    Args:
        scale: canvas points in a millimetre.
        left: canvas x of the drawing's x = 0.
        top: canvas y of the drawing's y = 0.
    """

    scale: float
    left: float
    top: float

    def at(self, x: float, y: float) -> Point:
        """Return the canvas point of a point of the drawing."""
        return self.left + x * self.scale, self.top - y * self.scale


def fitted(drawing: Drawing, left: float, top: float, width: float, height: float, scale: float | None = None) -> View:
    """Return the view that shows a whole drawing in a rectangle, centred.

    Args:
        drawing: what to show.
        left: of the rectangle.
        top: of the rectangle.
        width: of the rectangle.
        height: of the rectangle.
        scale: points in a millimetre, where several drawings share a scale.
    """
    x0, y0, x1, y1 = drawing.bounds()
    m_left, m_low, m_right, m_high = drawing.margins()
    room_x, room_y = max(10.0, width - m_left - m_right), max(10.0, height - m_low - m_high)
    if scale is None:
        scale = min(room_x / max(x1 - x0, 0.01), room_y / max(y1 - y0, 0.01))
    spare_x, spare_y = room_x - (x1 - x0) * scale, room_y - (y1 - y0) * scale
    return View(scale, left + m_left + spare_x / 2 - x0 * scale, top + m_high + spare_y / 2 + y1 * scale)


def replay(drawing: Drawing, canvas: Canvas, view: View, selected: str = "", lit: str = "") -> list[Spot]:
    """Draw everything and return where clicks are about something, the topmost last.

    Args:
        drawing: what to draw.
        canvas: where to.
        view: how millimetres become canvas points.
        selected: ``hot`` of the number that is selected.
        lit: ``hot`` of the part that is lit up.
    """
    spots: list[Spot] = []
    if drawing.window is not None:
        x0, y0, x1, y1 = drawing.window
        left, top = view.at(x0, y1)
        canvas.clip(left, top, (x1 - x0) * view.scale, (y1 - y0) * view.scale)
    for item in drawing.items:
        if isinstance(item, Area):
            spots += _area(item, canvas, view, lit)
        elif isinstance(item, Path):
            canvas.polyline([view.at(*p) for p in item.points], item.colour, item.weight, item.dashed)
        elif isinstance(item, Shape):
            points = [view.at(*p) for p in item.points]
            if item.hot:
                spots.append(Spot(*_around(points), item.hot))
            fill = "select-wash" if lit and item.hot == lit and item.fill else item.fill
            canvas.polygon(points, fill, "" if item.hatch else item.line, item.weight, False)
            if item.hatch:
                _hatch(points, canvas, "hatch", 7.0)
                canvas.polygon(points, "", item.line, item.weight, False)
        elif isinstance(item, Circle):
            x, y = view.at(item.x, item.y)
            canvas.circle(x, y, max(item.radius * view.scale, item.least), item.fill, item.line, 0.7)
    if drawing.window is not None:
        canvas.unclip()
    for item in drawing.items:
        if isinstance(item, Label):
            spots += _label(item, canvas, view, selected)
        elif isinstance(item, Dimension):
            spots += _dimension(item, canvas, view, drawing.rows, selected)
    return spots


def _around(points: Sequence[Point]) -> tuple[float, float, float, float]:
    """Return left, top, width and height of the rectangle around points."""
    xs, ys = [x for x, _ in points], [y for _, y in points]
    return min(xs), min(ys), max(xs) - min(xs), max(ys) - min(ys)


def _area(item: Area, canvas: Canvas, view: View, lit: str) -> list[Spot]:
    left, low = view.at(item.x, item.y)
    right, top = view.at(item.x + item.width, item.y + item.height)
    corners = [(left, top), (right, top), (right, low), (left, low)]
    is_lit = bool(lit) and item.hot == lit
    canvas.polygon(corners, "select-wash" if is_lit else item.fill, "", 0.0, False)
    if item.pattern.startswith("grain"):
        _grain(left, top, right, low, item.pattern[-1], canvas)
    elif item.pattern.startswith("plies"):
        _plies(left, top, right, low, item.pattern[-1], canvas)
    elif item.pattern == "hatch":
        _hatch(corners, canvas, "hatch", 6.0)
    elif item.pattern == "dots":
        _dots(left, top, right, low, canvas)
    line = "select" if is_lit and item.line else item.line
    weight = max(item.weight, 2.0) if is_lit else item.weight
    if line:
        canvas.polygon(corners, "", line, weight, item.dashed)
    if not item.hot:
        return []
    return [Spot(left, top, right - left, low - top, item.hot)]


def _grain(left: float, top: float, right: float, low: float, way: str, canvas: Canvas) -> None:
    """A few calm waves along the grain, the same each time."""
    along, across = (right - left, low - top) if way == "x" else (low - top, right - left)
    if along < 24 or across < 10:
        return
    count = max(1, min(7, int(across / 26)))
    for i in range(count):
        middle = (i + 0.5) * across / count
        points = []
        for step in range(13):
            t = step / 12
            wave = math.sin(t * 7.1 + i * 2.3) * min(1.6, across * 0.02)
            if way == "x":
                points.append((left + t * along, top + middle + wave))
            else:
                points.append((left + middle + wave, top + t * along))
        canvas.polyline(points, "grain", 0.6, False)


def _plies(left: float, top: float, right: float, low: float, way: str, canvas: Canvas) -> None:
    """Plies as stripes along the sheet, where it is cut through."""
    thick = low - top if way == "x" else right - left
    count = 5 if thick >= 9 else 3 if thick >= 4 else 0
    for i in range(1, count):
        at = i * thick / count
        if way == "x":
            canvas.polyline([(left, top + at), (right, top + at)], "ply", 0.5, False)
        else:
            canvas.polyline([(left + at, top), (left + at, low)], "ply", 0.5, False)


def _hatch(points: Sequence[Point], canvas: Canvas, colour: str, step: float) -> None:
    """Slanting lines clipped to a polygon: each is cut where it crosses the outline."""
    sums = [x + y for x, y in points]
    low, high = min(sums), max(sums)
    at = math.ceil(low / step) * step
    while at < high:
        crossings: list[Point] = []
        for (x0, y0), (x1, y1) in zip(points, [*points[1:], points[0]], strict=True):
            s0, s1 = x0 + y0 - at, x1 + y1 - at
            if (s0 < 0) != (s1 < 0):
                t = s0 / (s0 - s1)
                crossings.append((x0 + t * (x1 - x0), y0 + t * (y1 - y0)))
        crossings.sort()
        for start, end in zip(crossings[::2], crossings[1::2], strict=False):
            canvas.polyline([start, end], colour, 0.5, False)
        at += step


def _dots(left: float, top: float, right: float, low: float, canvas: Canvas) -> None:
    step = 7.0
    rows = min(60, int((low - top) / step))
    columns = min(160, int((right - left) / step))
    for row in range(rows):
        for column in range(columns):
            x, y = left + (column + 0.5 + 0.5 * (row % 2)) * step, top + (row + 0.5) * step
            if x < right - 2:
                canvas.circle(x, y, 0.5, "hatch", "", 0.0)


def _label(item: Label, canvas: Canvas, view: View, selected: str) -> list[Spot]:
    x, y = view.at(item.x, item.y)
    x, y = x + item.shift[0], y - item.shift[1]
    text, width = item.text, canvas.text_width(item.text, item.size, item.bold)
    if item.within and width > item.within * view.scale - 4:
        text, width = item.short, canvas.text_width(item.short, item.size, item.bold)
        if not text or width > item.within * view.scale - 4:
            return []
    chosen = bool(selected) and item.hot == selected
    colour = "select" if chosen else item.colour
    if item.upright:
        canvas.upright(x, y, text, item.size, colour, item.bold)
        return [Spot(x - item.size * 0.8, y - width / 2, item.size * 1.6, width, item.hot)] if item.hot else []
    left = x - {"middle": width / 2, "start": 0.0, "end": width}[item.anchor]
    if item.ground:
        half = item.size * 0.8
        corners = [
            (left - 4, y - half),
            (left + width + 4, y - half),
            (left + width + 4, y + half),
            (left - 4, y + half),
        ]
        canvas.polygon(corners, item.ground, "", 0.0, False)
    canvas.text(x, y, text, item.size, item.anchor, colour, item.bold)
    if not item.hot:
        return []
    return [Spot(left - 4, y - item.size, width + 8, item.size * 2, item.hot)]


#: A line too short to carry its number, in points.
_SHORT = 26.0


def _dimension(item: Dimension, canvas: Canvas, view: View, rows: float, selected: str) -> list[Spot]:
    hot = f"key:{item.key}" if item.key else ""
    chosen = bool(hot) and hot == selected
    colour = "select" if chosen else item.colour
    away = item.level * rows
    if item.across:
        (x0, base), (x1, _) = view.at(item.start, item.base), view.at(item.end, item.base)
        line_at = base - away
        ends: list[Point] = [(x0, line_at), (x1, line_at)]
        feet = [((x, base - math.copysign(3, away)), (x, line_at - math.copysign(4, away))) for x in (x0, x1)]
    else:
        (base, y0), (_, y1) = view.at(item.base, item.start), view.at(item.base, item.end)
        if item.level and abs(y1 - y0) >= _SHORT:
            # The number stands on the line: keep it off what is measured.
            least = canvas.text_width(item.text, canvas.numbers, True) / 2 + 9
            away = math.copysign(max(abs(away), least), away)
        line_at = base + away
        ends = [(line_at, y0), (line_at, y1)]
        feet = [((base + math.copysign(3, away), y), (line_at + math.copysign(4, away), y)) for y in (y0, y1)]
    if item.level:
        for foot in feet:
            canvas.polyline(foot, colour, 0.4, False)
    canvas.polyline(ends, colour, 0.9, False)
    for x, y in ends:
        canvas.polyline([(x - 4, y + 4), (x + 4, y - 4)], colour, 1.4, False)
    size = canvas.numbers
    width = canvas.text_width(item.text, size, True) + 12
    (x0, y0), (x1, y1) = ends
    middle_x, middle_y = x0 + (x1 - x0) * item.where, y0 + (y1 - y0) * item.where
    length = abs(ends[1][0] - ends[0][0]) + abs(ends[1][1] - ends[0][1])
    if item.across and length < width + 10 and not item.stays:
        # A number wider than its line stands beside it.
        middle_x = max(ends[0][0], ends[1][0]) + width / 2 + 7
    if not item.across and length < _SHORT:
        middle_x += math.copysign(width / 2 + 7, item.level or 1)
    left, top, height = middle_x - width / 2, middle_y - 10, 20.0
    box = [(left, top), (left + width, top), (left + width, top + height), (left, top + height)]
    canvas.polygon(box, "select-wash" if chosen else "card", "select" if chosen else "", 1.2, False)
    canvas.text(middle_x, middle_y, item.text, size, "middle", colour, True)
    if item.field and not chosen and canvas.typed_over:
        under = middle_y + 8
        canvas.polyline([(left + 5, under), (left + width - 5, under)], colour, 0.5, True)
    return [Spot(left, top, width, height, hot, item.field)] if hot else []
