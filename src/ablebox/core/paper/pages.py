# SPDX-License-Identifier: GPL-3.0-or-later
"""Pages of the shop book: titles, paragraphs, tables, a drawing that fills what is left."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ..cuts.plan import Plan
from ..drawing.replay import fitted, replay
from ..drawing.shapes import Drawing
from ..shop.made import Made
from ..units import System
from .pdf_canvas import PdfCanvas

_LETTER, _A4 = (792.0, 612.0), (841.89, 595.28)
#: Width of the margin, and from one line to the next, in points.
EDGE, LINE = 40.0, 14.0


class Pages:
    """The pages of a shop book as they are written, and how far down the page at hand is.

    Args:
        made: what was made.
        plans: the cut plan of each kind of sheet, by its code.
    """

    def __init__(self, made: Made, plans: Mapping[str, Plan]) -> None:
        self.made, self.plans, self.write = made, plans, made.units.write
        size = _LETTER if made.units.system is System.INCH else _A4
        self.canvas = PdfCanvas(size, f"{made.project.name}: shop book")
        self.width, self.height = size
        self.page = 0
        self.y = 0.0

    def finish(self) -> bytes:
        """Return the book as PDF."""
        return self.canvas.finish()

    def start(self, title: str, under: str = "") -> None:
        """Start a page with its title, project and number; sizes carry their unit here, once."""
        if self.page:
            self.canvas.next_page()
        self.page += 1
        canvas = self.canvas
        canvas.text(EDGE, EDGE, title, 17, "start", "ink", True)
        where = f"{self.made.project.name}  ·  page {self.page}  ·  sizes in {self.made.units.words}"
        canvas.text(self.width - EDGE, EDGE, where, 9, "end", "quiet", False)
        if under:
            canvas.text(EDGE, EDGE + 18, under, 10, "start", "quiet", False)
        rule = EDGE + 30
        canvas.polyline([(EDGE, rule), (self.width - EDGE, rule)], "ink", 0.8, False)
        self.y = rule + 20

    def room_for(self, height: float, title: str) -> None:
        """Start another page of the same title where there is no room left."""
        if self.y + height > self.height - EDGE:
            self.start(f"{title}, continued")

    def heading(self, x: float, text: str) -> None:
        """Write the heading of a column."""
        self.canvas.text(x, self.y, text, 11, "start", "ink", True)
        self.y += LINE + 2

    def words(self, x: float, text: str, width: float, size: float = 10, colour: str = "ink") -> None:
        """Write a paragraph, broken into lines."""
        for line in self.broken(text, width, size):
            self.canvas.text(x, self.y, line, size, "start", colour, False)
            self.y += size * 1.35

    def broken(self, text: str, width: float, size: float, bold: bool = False) -> list[str]:
        """Return a text in lines that fit a width."""
        found, line = [], ""
        for word in text.split(" "):
            longer = f"{line} {word}".strip()
            if line and self.canvas.text_width(longer, size, bold) > width:
                found.append(line)
                line = word
            else:
                line = longer
        return [*found, line]

    def table(self, columns: Sequence[tuple[str, float, str]], rows: Sequence[Sequence[str]], title: str) -> None:
        """Write a table; columns are heading, x and anchor."""

        def head() -> None:
            for text, x, anchor in columns:
                self.canvas.text(x, self.y, text, 9, anchor, "quiet", False)
            self.y += 7
            self.canvas.polyline([(EDGE, self.y), (self.width - EDGE, self.y)], "line", 0.7, False)
            self.y += 10

        self.room_for(60, title)
        head()
        for row in rows:
            if self.y + LINE > self.height - EDGE:
                self.start(f"{title}, continued")
                head()
            for (_, x, anchor), text in zip(columns, row, strict=True):
                self.canvas.text(x, self.y, text, 10, anchor, "ink", False)
            self.y += LINE
        self.y += 8

    def whole_page(self, view: Drawing) -> None:
        """Draw what fills the rest of the page."""
        wide, high = self.width - 2 * EDGE, self.height - self.y - EDGE
        replay(view, self.canvas, fitted(view, EDGE, self.y, wide, high))
