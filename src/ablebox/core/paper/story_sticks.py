# SPDX-License-Identifier: GPL-3.0-or-later
"""Story sticks printed full size in strips, to be taped end to end on a stick, with a line to check the scale."""

from __future__ import annotations

from ..lengths import Length
from ..shop.made import Made
from ..shop.story import Stick, case_stick, wall_stick
from ..units import System
from .check_line import POINTS, check_line
from .pdf_canvas import PdfCanvas

_LETTER, _A4 = (612.0, 792.0), (595.28, 841.89)
_EDGE, _HEAD = 36.0, 64.0
#: Strips beside each other on a page, and what each overlaps the one before, in points.
_STRIPS, _OVERLAP = 3, 36.0


def story_sticks(made: Made) -> bytes:
    """Return the sticks of all walls and cases as PDF."""
    inch = made.units.system is System.INCH
    book = _Book(made, _LETTER if inch else _A4)
    for number in range(1, len(made.rooms) + 1):
        stick = wall_stick(made, number)
        if len(stick.marks) > 1:
            book.stick(stick)
    for case, _ in made.built:
        book.stick(case_stick(made, case.letter))
    return book.canvas.finish()


def strips(length: Length, room: float) -> list[tuple[float, float]]:
    """Return from where to where each strip of a stick goes, in points; each overlaps the one before.

    Args:
        length: of the stick.
        room: length of a strip.
    """
    whole, found, at = length.mm * POINTS, [], 0.0
    while True:
        found.append((at, min(at + room, whole)))
        if at + room >= whole:
            return found
        at += room - _OVERLAP


class _Book:
    def __init__(self, made: Made, size: tuple[float, float]) -> None:
        self.made, self.size = made, size
        self.canvas = PdfCanvas(size, f"{made.project.name}: story sticks")
        self.started = False

    def stick(self, stick: Stick) -> None:
        room = self.size[1] - _EDGE - _HEAD - _EDGE
        rows = strips(stick.length, room)
        wide = (self.size[0] - 2 * _EDGE) / _STRIPS
        for i, (low, high) in enumerate(rows):
            if i % _STRIPS == 0:
                self._page(stick)
            x = _EDGE + (i % _STRIPS) * wide
            self._strip(stick, x, low, high, f"strip {i + 1} of {len(rows)}")

    def _page(self, stick: Stick) -> None:
        if self.started:
            self.canvas.next_page()
        self.started = True
        end = "floor" if stick.upright else "left end"
        title = f"Story stick of {stick.name}: begin at the {end}, lay the ticks of two strips over each other"
        self.canvas.text(_EDGE, _EDGE - 6, title, 11, "start", "ink", True)
        check_line(self.canvas, self.made.units.system, _EDGE, _EDGE + 14)

    def _strip(self, stick: Stick, x: float, low: float, high: float, words: str) -> None:
        canvas, foot = self.canvas, self.size[1] - _EDGE
        canvas.polyline([(x, foot), (x, foot - (high - low))], "ink", 1.2, False)
        canvas.text(x + 4, foot + 14, words, 9, "start", "quiet", False)
        # A tick a little inside each end of the strip: the next strip has it at the same place of the stick.
        for tick in (low + _OVERLAP / 2, high - _OVERLAP / 2):
            y = foot - (tick - low)
            canvas.polyline([(x - 6, y), (x + 6, y)], "quiet", 0.4, False)
        for mark in stick.marks:
            at = mark.at.mm * POINTS
            if low - 0.01 <= at <= high + 0.01:
                y = foot - (at - low)
                canvas.polyline(
                    [(x, y), (x + (26 if mark.minor else 40), y)], "ink", 0.5 if mark.minor else 1.0, mark.minor
                )
                text = f"{self.made.units.write(mark.at)}  {mark.words}"
                size = 8.0
                while canvas.text_width(text, size, False) > (self.size[0] - 2 * _EDGE) / _STRIPS - 48 and size > 5:
                    size -= 0.5
                canvas.text(x + 44, y, text, size, "start", "quiet" if mark.minor else "ink", False)
