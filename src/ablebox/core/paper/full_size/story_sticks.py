# SPDX-License-Identifier: GPL-3.0-or-later
"""Story sticks printed full size in strips, to be taped end to end on a stick, with a line to check the scale."""

from __future__ import annotations

from ...lengths import Length
from ...shop.made import Made
from ...shop.story import Stick, case_stick, wall_stick
from ..book.typesetting import cut_to
from ..canvas.check_line import POINTS, check_line
from ..canvas.paper_size import Paper, usual_paper
from ..canvas.pdf_canvas import PdfCanvas, width_of
from ..canvas.recorded import FIGURE, WORD, least

_EDGE, _HEAD = 36.0, 64.0
#: How wide a strip with its words is at least, what each overlaps the one before, from word to word, and how far words stand behind
#: the stick, in points.
_WIDE, _OVERLAP, _LINE, _BEHIND = 250.0, 36.0, 13.5, 52.0


def story_sticks(made: Made, on: Paper | None = None) -> bytes:
    """Return the sticks of all walls and cases as PDF.

    Args:
        made: what was made.
        on: the size of paper; the one usual where the units are if not given.
    """
    book = _Book(made, (on or usual_paper("", made.units.system)).size)
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
        beside = max(1, int((self.size[0] - 2 * _EDGE) // _WIDE))
        wide = (self.size[0] - 2 * _EDGE) / beside
        for i, (low, high) in enumerate(rows):
            if i % beside == 0:
                self._page(stick)
            x = _EDGE + 8 + (i % beside) * wide
            self._strip(stick, x, wide, low, high, f"strip {i + 1} of {len(rows)}")

    def _page(self, stick: Stick) -> None:
        if self.started:
            self.canvas.next_page()
        self.started = True
        end = "floor" if stick.upright else "left end"
        title = f"Story stick of {stick.name}: begin at the {end}, lay the ticks of two strips over each other"
        self.canvas.text(_EDGE, _EDGE - 6, cut_to(title, 12, self.size[0] - 2 * _EDGE, True), 12, "start", "ink", True)
        check_line(self.canvas, self.made.units.system, _EDGE, _EDGE + 14)

    def _strip(self, stick: Stick, x: float, wide: float, low: float, high: float, words: str) -> None:
        canvas, foot = self.canvas, self.size[1] - _EDGE
        canvas.polyline([(x, foot), (x, foot - (high - low))], "ink", 1.2, False)
        canvas.text(x + 4, foot + 14, words, FIGURE, "start", "ink", False)
        # A tick a little inside each end of the strip: the next strip has it at the same place of the stick.
        for tick in (low + _OVERLAP / 2, high - _OVERLAP / 2):
            y = foot - (tick - low)
            canvas.polyline([(x - 6, y), (x + 6, y)], "quiet", 0.4, False)
        mine = [
            (foot - (mark.at.mm * POINTS - low), mark)
            for mark in stick.marks
            if low - 0.01 <= mark.at.mm * POINTS <= high + 0.01
        ]
        for (y, mark), at in zip(mine, _apart([y for y, _ in mine], foot - (high - low), foot), strict=True):
            end = x + (26 if mark.minor else 36)
            canvas.polyline([(x, y), (end, y)], "ink", 0.5 if mark.minor else 1.0, mark.minor)
            if abs(at - y) > 1:
                canvas.polyline([(end, y), (x + _BEHIND - 3, at)], "quiet", 0.5, False)
            number = self.made.units.write(mark.at)
            canvas.text(x + _BEHIND, at, number, FIGURE, "start", "ink", True)
            behind = x + _BEHIND + width_of(number, FIGURE, True) + 6
            room, size = x + wide - 12 - behind, 11.0
            if not any(char.isdigit() for char in mark.words):
                while width_of(mark.words, size, False) > room and size > WORD:
                    size -= 0.5
            canvas.text(
                behind,
                at,
                cut_to(mark.words, least(mark.words, size), room),
                least(mark.words, size),
                "start",
                "ink",
                False,
            )


def _apart(places: list[float], top: float, foot: float) -> list[float]:
    """Return where words of marks stand so that none is on another, as near to their marks as can be.

    Args:
        places: of the marks, from the foot up.
        top: as high as words may stand.
        foot: as low.
    """
    found: list[float] = []
    for y in places:
        found.append(min(y, found[-1] - _LINE) if found else min(y, foot))
    for i in range(len(found) - 1, -1, -1):
        # What came out too high pushes those below it down again.
        least = top if i == len(found) - 1 else found[i + 1] + _LINE
        found[i] = max(found[i], least)
    return found
