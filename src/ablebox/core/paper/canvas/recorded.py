# SPDX-License-Identifier: GPL-3.0-or-later
"""A page as it is written: strokes and words, kept so that they can be counted, measured and put on any canvas.

Type on paper is read at arm's length: no figure is smaller than 11.5 points and no word than 8. Words of a drawing that would stand on
others step aside, and a thin line leads back where they came from.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field, replace

from ...drawing.replay import Canvas, fitted, replay
from ...drawing.shapes import Drawing, Point
from .pdf_canvas import width_of

#: The least size of a figure and of a word, and the size of the numbers of dimensions, in points.
FIGURE, WORD, NUMBER = 11.5, 8.0, 12.0
#: From row to row of dimensions at most, in points.
_ROWS = 17.0
_FIGURES = re.compile(r"\d")
#: Half the height of a line of type as a share of its size, and how near words stand to each other, in points.
_HALF, _NEAR = 0.5, 1.0
#: How near they stand beside each other, so that two numbers are not read as one, in points.
_BESIDE = 5.0
#: How far words step aside at most, in what steps, and from where on a line leads back, in points.
_ASIDE, _STEP, _LED = 96.0, 4.0, 15.0

Box = tuple[float, float, float, float]
Stroke = Callable[[Canvas], None]


def least(text: str, size: float) -> float:
    """Return the size words are written at if at least this is asked for."""
    return max(size, FIGURE if _FIGURES.search(text) else WORD)


@dataclass(frozen=True, slots=True)
class Words:
    """Words on a page.

    Args:
        x: their left end; the middle where they read upwards.
        y: the middle of their height.
        text: the words.
        size: in points.
        colour: of them.
        bold: whether they are bold.
        upright: whether they read upwards.
    """

    x: float
    y: float
    text: str
    size: float
    colour: str = "ink"
    bold: bool = False
    upright: bool = False

    @property
    def box(self) -> Box:
        """Left, top, right and lower edge."""
        wide, half = width_of(self.text, self.size, self.bold), self.size * _HALF
        if self.upright:
            return self.x - half, self.y - wide / 2, self.x + half, self.y + wide / 2
        return self.x, self.y - half, self.x + wide, self.y + half

    def __call__(self, canvas: Canvas) -> None:
        """Write them."""
        if self.upright:
            canvas.upright(self.x, self.y, self.text, self.size, self.colour, self.bold)
        else:
            canvas.text(self.x, self.y, self.text, self.size, "start", self.colour, self.bold)


@dataclass(slots=True)
class Page:
    """A page.

    Args:
        size: width and height, in points.
        chapter: name of its chapter.
        title: what it is about.
        strokes: lines, areas and words in order.
        links: rectangles that lead to a chapter.
        scale: what its drawing is to scale, in words; empty for none.
        key: what other pages call it; empty for nothing.
        also: names and titles of chapters that begin further down on it.
    """

    size: Point
    chapter: str
    title: str
    strokes: list[Stroke] = field(default_factory=list)
    links: list[tuple[Box, str]] = field(default_factory=list)
    scale: str = ""
    key: str = ""
    also: list[tuple[str, str]] = field(default_factory=list)

    @property
    def chapters(self) -> tuple[str, ...]:
        """Names of all chapters that stand on it."""
        return (self.chapter, *(name for name, _ in self.also))

    @property
    def words(self) -> list[Words]:
        """All words on it."""
        return [stroke for stroke in self.strokes if isinstance(stroke, Words)]

    def play(self, canvas: Canvas) -> None:
        """Put it on a canvas."""
        for stroke in self.strokes:
            stroke(canvas)


class Recorder:
    """A canvas that writes onto a page.

    Args:
        page: the page.
    """

    typed_over = False
    numbers = NUMBER

    def __init__(self, page: Page) -> None:
        self.page = page

    def polyline(self, points: Sequence[Point], colour: str, weight: float, dashed: bool) -> None:
        """Draw a line through points."""
        kept = tuple(points)
        self.page.strokes.append(lambda canvas: canvas.polyline(kept, colour, weight, dashed))

    def polygon(self, points: Sequence[Point], fill: str, line: str, weight: float, dashed: bool) -> None:
        """Fill and outline a polygon; an empty name leaves that out."""
        kept = tuple(points)
        self.page.strokes.append(lambda canvas: canvas.polygon(kept, fill, line, weight, dashed))

    def circle(self, x: float, y: float, radius: float, fill: str, line: str, weight: float) -> None:
        """Fill and outline a circle."""
        self.page.strokes.append(lambda canvas: canvas.circle(x, y, radius, fill, line, weight))

    def text(self, x: float, y: float, text: str, size: float, anchor: str, colour: str, bold: bool) -> None:
        """Write words, ``y`` at the middle of their height."""
        if text:
            left = x - {"middle": 0.5, "start": 0.0, "end": 1.0}[anchor] * width_of(text, size, bold)
            self.page.strokes.append(Words(left, y, text, size, colour, bold))

    def text_width(self, text: str, size: float, bold: bool) -> float:
        """Return how wide words are."""
        return width_of(text, size, bold)

    def upright(self, x: float, y: float, text: str, size: float, colour: str, bold: bool) -> None:
        """Write words reading upwards, centred at a point."""
        if text:
            self.page.strokes.append(Words(x, y, text, size, colour, bold, True))

    def clip(self, left: float, top: float, width: float, height: float) -> None:
        """Draw only inside a rectangle from now on."""
        self.page.strokes.append(lambda canvas: canvas.clip(left, top, width, height))

    def unclip(self) -> None:
        """Draw everywhere again."""
        self.page.strokes.append(lambda canvas: canvas.unclip())

    def draw(self, drawing: Drawing, box: Box, scale: float | None = None, keep: Box | None = None) -> float:
        """Draw something into a rectangle, its words off each other; return points in a millimetre.

        Args:
            drawing: what to draw.
            box: left, top, right and lower edge.
            scale: points in a millimetre, where several drawings share a scale.
            keep: where its words stay inside; the rectangle itself if not given.
        """
        left, top, right, low = box
        # Rows of dimensions stand closer than on the screen: nobody types into them.
        drawing = replace(drawing, rows=min(drawing.rows, _ROWS))
        view = fitted(drawing, left, top, right - left, low - top, scale)
        aside = _Aside(self)
        replay(drawing, aside, view)
        x0, y0, x1, y1 = drawing.bounds()
        (a, b), (c, d) = view.at(x0, y1), view.at(x1, y0)
        aside.settle(keep or box, (a, b, c, d))
        return view.scale


class _Aside(Recorder):
    """Keeps the words of a drawing until all its lines are drawn, then writes them off each other."""

    def __init__(self, on: Recorder) -> None:
        super().__init__(on.page)
        self._kept: list[Words] = []

    def text(self, x: float, y: float, text: str, size: float, anchor: str, colour: str, bold: bool) -> None:
        """Keep words for later."""
        if text:
            size = least(text, size)
            left = x - {"middle": 0.5, "start": 0.0, "end": 1.0}[anchor] * width_of(text, size, bold)
            self._kept.append(Words(left, y, text, size, colour, bold))

    def text_width(self, text: str, size: float, bold: bool) -> float:
        """Return how wide words are as they will be written."""
        return width_of(text, least(text, size), bold)

    def upright(self, x: float, y: float, text: str, size: float, colour: str, bold: bool) -> None:
        """Keep words for later."""
        if text:
            self._kept.append(Words(x, y, text, least(text, size), colour, bold, True))

    def settle(self, within: Box, drawn: Box) -> None:
        """Write the words: each where it belongs, or as near to it as there is room.

        Args:
            within: where they stay inside.
            drawn: what is drawn; beside it the lines of dimensions are broken under the numbers of others.
        """
        taken = [words.box for words in self.page.words]
        # What names a thing stays; numbers of lines give way.
        for words in sorted(self._kept, key=lambda each: (each.colour == "dimension", -each.size)):
            found = place(words, taken, within)
            taken.append(found.box)
            dx, dy = found.x - words.x, found.y - words.y
            if abs(dx) + abs(dy) > _LED:
                self._lead(words, found)
            if found.colour == "dimension" and not meet(found.box, drawn):
                left, top, right, low = found.box
                patch = [(left, top + 1), (right, top + 1), (right, low - 1), (left, low - 1)]
                self.polygon(patch, "paper", "", 0, False)
            self.page.strokes.append(found)

    def _lead(self, words: Words, found: Words) -> None:
        (a0, b0, a1, b1), (c0, d0, c1, d1) = words.box, found.box
        x, y = (a0 + a1) / 2, (b0 + b1) / 2
        self.polyline([(x, y), (min(max(x, c0), c1), min(max(y, d0), d1))], "quiet", 0.6, False)


def meet(one: Box, other: Box, near: float = 0.0) -> bool:
    """Whether two boxes have space in common, or are nearer than that."""
    return (
        one[0] < other[2] + near and other[0] < one[2] + near and one[1] < other[3] + near and other[1] < one[3] + near
    )


def _offsets() -> list[Point]:
    steps = int(_ASIDE / _STEP)
    found = [(dx * _STEP, dy * _STEP) for dx in range(-steps, steps + 1) for dy in range(-steps, steps + 1)]
    return sorted(found, key=lambda at: (abs(at[0]) * 0.7 + abs(at[1]), at))


_OFFSETS = _offsets()


def place(words: Words, taken: Sequence[Box], within: Box) -> Words:
    """Return words where they stand off all others and inside a rectangle, as near as can be to where they belong."""
    left, top, right, low = words.box
    # In first, whatever else.
    dx = max(within[0] - left, 0.0) or min(within[2] - right, 0.0)
    dy = max(within[1] - top, 0.0) or min(within[3] - low, 0.0)
    home = (left + dx, top + dy, right + dx, low + dy)
    near = [box for box in taken if meet(home, box, _ASIDE + _NEAR)]
    for a, b in _OFFSETS:
        at = (home[0] + a, home[1] + b, home[2] + a, home[3] + b)
        if at[0] < within[0] - 0.01 or at[1] < within[1] - 0.01 or at[2] > within[2] + 0.01 or at[3] > within[3] + 0.01:
            continue
        wide = (at[0] - _BESIDE, at[1], at[2] + _BESIDE, at[3])
        if not any(meet(wide, box, _NEAR) for box in near):
            return Words(
                words.x + dx + a, words.y + dy + b, words.text, words.size, words.colour, words.bold, words.upright
            )
    return Words(words.x + dx, words.y + dy, words.text, words.size, words.colour, words.bold, words.upright)
