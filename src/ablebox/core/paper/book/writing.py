# SPDX-License-Identifier: GPL-3.0-or-later
"""Writing on a page: paragraphs with figures large and codes bold, headings, boxes to tick, lines to write on."""

from __future__ import annotations

from collections.abc import Collection, Iterator, Sequence
from contextlib import contextmanager

from ..canvas.pdf_canvas import width_of
from ..canvas.recorded import Page, Recorder
from .typesetting import LEADING, ON_LINE, TYPE, lines_of, pieces_of, tokens

#: The box that is ticked, in points.
BOX = 11.0


class Writing:
    """Words, boxes and lines on the page at hand, from where it was written last downwards.

    Args:
        codes: what is written bold wherever it stands.
    """

    def __init__(self, codes: Collection[str]) -> None:
        self.pages: list[Page] = []
        self.y = 0.0
        #: From line to line, as a share of the size of type.
        self.leading = LEADING
        #: How large words without a figure are beside those with one.
        self.plain = 1.0
        self._codes = codes

    @contextmanager
    def set_as(self, leading: float, plain: float = 1.0, bold: Collection[str] = ()) -> Iterator[None]:
        """Set words closer, and those without a figure smaller, for a while.

        Args:
            leading: from line to line, as a share of the size of type.
            plain: how large words without a figure are beside those with one.
            bold: words that are written bold as codes are.
        """
        before = self.leading, self.plain, self._codes
        self.leading, self.plain, self._codes = leading, plain, {*self._codes, *bold}
        try:
            yield
        finally:
            self.leading, self.plain, self._codes = before

    @property
    def page(self) -> Page:
        """The page at hand."""
        return self.pages[-1]

    @property
    def canvas(self) -> Recorder:
        """What is written on at the page at hand."""
        return Recorder(self.page)

    # Words

    def broken(self, text: str, width: float, size: float, bold: bool = False) -> list[str]:
        """Return a text in lines that fit a width; a whole number stays with its fraction."""
        return [" ".join(line) for line in self._lines(text, width, size, bold, plain=1.0)]

    def _lines(
        self, text: str, width: float, size: float, bold: bool, lead: int = 0, plain: float = 0.0
    ) -> list[list[str]]:
        return lines_of(text, width, size, plain or self.plain, bold, lambda i, word: i < lead or self._is_code(word))

    def _is_code(self, word: str) -> bool:
        return word.strip(",.;:()").partition(".")[0] in self._codes

    def words(
        self, x: float, text: str, width: float, size: float = TYPE, colour: str = "ink", bold: bool = False
    ) -> None:
        """Write a paragraph in lines, codes of parts bold, and go down below it."""
        plain = 1.0 if bold else self.plain
        for line in self._lines(text, width, size, bold, plain=plain):
            self.line(x, line, size, colour, bold, plain=plain)
            self.y += size * self.leading

    def line(
        self, x: float, words: Sequence[str], size: float, colour: str = "ink", bold: bool = False, lead: int = 0,
        plain: float = 1.0,
    ) -> float:  # fmt: skip
        """Write the words of one line, codes of parts bold, and as many words at its beginning as are told; return where it ends."""
        canvas, space = self.canvas, width_of(" ", size * plain, bold)
        run: list[str] = []

        def put(heavy: bool, high: float) -> None:
            nonlocal x
            if run:
                text = " ".join(run)
                # Smaller words stand on the same line as the figures.
                canvas.text(x, self.y + (size - high) * ON_LINE, text, high, "start", colour, heavy)
                x += width_of(text, high, heavy) + space
                run.clear()

        was = bold, size
        for i, word in enumerate(words):
            for piece, high, heavy in pieces_of(word, size, plain, bold or i < lead, self._is_code):
                if (heavy, high) != was:
                    put(*was)
                was = heavy, high
                run.append(piece)
        put(*was)
        return x

    def led(self, x: float, lead: str, text: str, width: float, size: float = TYPE) -> None:
        """Write a paragraph that begins with bold words, and go down below it."""
        first = len(list(tokens(lead)))
        for line in self._lines(f"{lead} {text}".strip(), width, size, False, first):
            self.line(x, line, size, lead=first, plain=self.plain)
            first = max(0, first - len(line))
            self.y += size * self.leading

    def high_led(self, lead: str, text: str, width: float, size: float = TYPE) -> float:
        """Return how high a paragraph that begins with bold words comes out."""
        return (
            len(self._lines(f"{lead} {text}".strip(), width, size, False, len(list(tokens(lead)))))
            * size
            * self.leading
        )

    def high(self, text: str, width: float, size: float = TYPE, bold: bool = False) -> float:
        """Return how high a paragraph comes out."""
        return len(self._lines(text, width, size, bold, plain=1.0 if bold else 0.0)) * size * self.leading

    def in_a_line(self, text: str, width: float, plain: float) -> bool:
        """Whether a text goes into one line, words without a figure so large beside those with one."""
        return len(self._lines(text, width, TYPE, False, plain=plain)) == 1

    def heading(self, x: float, text: str, size: float = 13.0) -> None:
        """Write a heading."""
        self.canvas.text(x, self.y, text, size, "start", "ink", True)
        self.y += size * 1.35

    # Boxes and lines

    def tick(self, x: float, y: float, done: bool = False, side: float = BOX) -> None:
        """Draw a box to tick, its left edge at ``x`` and its middle at ``y``."""
        top, canvas = y - side / 2, self.canvas
        canvas.polygon([(x, top), (x + side, top), (x + side, top + side), (x, top + side)], "", "ink", 1.2, False)
        if done:
            canvas.polyline(
                [(x + 2, y), (x + side * 0.42, y + side * 0.3), (x + side - 1, y - side * 0.4)], "ink", 1.6, False
            )

    def blank(self, x: float, y: float, wide: float) -> None:
        """Draw a line to write on."""
        self.canvas.polyline([(x, y + 5), (x + wide, y + 5)], "ink", 0.9, False)

    def rule(self, x: float, wide: float, colour: str = "line", weight: float = 0.8) -> None:
        """Draw a line across."""
        self.canvas.polyline([(x, self.y), (x + wide, self.y)], colour, weight, False)
