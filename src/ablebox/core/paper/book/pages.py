# SPDX-License-Identifier: GPL-3.0-or-later
"""Pages of the shop book: the heading with its large tag, columns, tables, boxes to tick, lines to write on, the foot."""

from __future__ import annotations

from collections.abc import Callable, Collection, Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass

from ...cuts.plan import Plan
from ...drawing.shapes import Drawing
from ...shop.made import Made
from ..canvas.paper_size import Paper
from ..canvas.pdf_canvas import PdfCanvas, width_of
from ..canvas.recorded import Box, Page, Recorder
from ..lists.cautions import CAUTIONS, Caution, Met
from .chapter import Chapter
from .flow import Flow
from .typesetting import LEADING, ON_LINE, SMALL, TYPE, cut_to, lines_of, tokens, type_of

#: Width of the margin, and the size of the tag in the heading, in points.
EDGE, TAG = 40.0, 46.0
#: The box that is ticked, in points.
BOX = 11.0
#: How wide a column of text is at least, in points.
_COLUMN = 250.0
#: Where the foot begins, from the lower edge of the page.
_FOOT = 44.0
#: What the heading of a chapter takes that begins further down on a page, with a line below its title and without.
_SHARED, _BARE = 84.0, 62.0


@dataclass(frozen=True, slots=True)
class Column:
    """A column of a table.

    Args:
        heading: over it.
        x: where it stands, from the left edge of the table, in points.
        anchor: ``start`` or ``end``; ``tick`` for a box, ``blank`` for a line to write on, as long as ``wide``.
        wide: how wide what stands in it may be; it is broken into lines there. 0 for no limit.
        bold: whether it is bold.
        size: of its type.
    """

    heading: str
    x: float
    anchor: str = "start"
    wide: float = 0.0
    bold: bool = False
    size: float = TYPE


class Pages:
    """The pages of a shop book as they are written.

    Args:
        made: what was made.
        plans: the cut plan of each kind of sheet, by its code.
        paper: the size of its pages.
        date: as it stands at the foot; empty for none.
        revision: number of the page set; 0 where nothing was printed yet.
        cases: letters of the cases that are told one by one; empty for all.
        chapters: that are printed with each other.
    """

    def __init__(
        self, made: Made, plans: Mapping[str, Plan], paper: Paper, date: str = "", revision: int = 0, cases: Collection[str] = (),
        chapters: Collection[Chapter] = (),
    ) -> None:  # fmt: skip
        self.made, self.plans, self.write = made, plans, made.units.write
        self.paper, self.date, self.revision = paper, date, revision
        self.cases, self.chapters = cases, chapters
        self.width, self.height = paper.size
        self.pages: list[Page] = []
        self.y = 0.0
        #: Where what is written begins on the page at hand, below its heading.
        self.begun = 0.0
        #: The left edge of what is written on.
        self.left = EDGE
        self._wide = self._low = 0.0
        #: How many pages there are when one is filled no further than to a place.
        self._short: tuple[int, float] | None = None
        #: From line to line, as a share of the size of type.
        self.leading = LEADING
        #: How large words without a figure are beside those with one.
        self.plain = 1.0
        self._codes = {part.code for part in made.parts}
        self._heeded: list[Caution] = []

    # Pages

    @property
    def page(self) -> Page:
        """The page at hand."""
        return self.pages[-1]

    @property
    def canvas(self) -> Recorder:
        """What is written on at the page at hand."""
        return Recorder(self.page)

    @property
    def bottom(self) -> float:
        """Down to where a page may be written on."""
        if self._short is not None and self._short[0] == len(self.pages):
            return self._short[1]
        return self._low or self.height - _FOOT - 8

    @property
    def wide(self) -> float:
        """How wide the space between the margins is."""
        return self._wide or self.width - 2 * EDGE

    @contextmanager
    def within(self, left: float, wide: float) -> Iterator[None]:
        """Write into a part of the page's width for a while.

        Args:
            left: its left edge.
            wide: how wide it is.
        """
        before = self.left, self._wide
        self.left, self._wide = left, wide
        try:
            yield
        finally:
            self.left, self._wide = before

    def start(self, chapter: Chapter, title: str, tag: str = "", under: str = "", right: Sequence[str] = ()) -> None:
        """Start a page.

        Args:
            chapter: it belongs to.
            title: in large type.
            tag: what stands in the box beside it, read across the shop; empty for none.
            under: below the title, in a line.
            right: lines at the right, below the chapter's name.
        """
        self.pages.append(Page(self.paper.size, chapter.value, title))
        self.y = EDGE - 8
        self._head(title, tag, under, right, chapter.words)
        self.begun = self.y

    def share(self, title: str, tag: str, under: str, right: Sequence[str]) -> None:
        """Begin something else further down the page at hand, as if it were a page of its own; see ``start``."""
        self.page.title += f"; {title}"
        self._head(title, tag, under, right)

    def go_on(self, chapter: Chapter, title: str, under: str, high: float) -> bool:
        """Begin a small chapter below what stands on the page at hand, if all of it goes on there; return whether it does.

        Args:
            chapter: which.
            title: in large type.
            under: below the title, in a line.
            high: how high it comes out, below its heading.
        """
        if (
            not self.pages
            or self.page.chapter == Chapter.COVER.value
            or self.y + (_SHARED if under else _BARE) + high > self.bottom
        ):
            return False
        self.y += 14
        self.page.also.append((chapter.value, title))
        self._head(title, "", under, (), chapter.words)
        return True

    @contextmanager
    def down_to(self, low: float) -> Iterator[None]:
        """Write no further down than to a place for a while."""
        self._low = low
        try:
            yield
        finally:
            self._low = 0.0

    def _head(self, title: str, tag: str, under: str, right: Sequence[str], chapter: str = "") -> None:
        """Write a heading, and go down below it."""
        canvas, top = self.canvas, self.y
        left = EDGE
        if tag:
            size = min(27.0, 27.0 * (TAG - 10) / max(1.0, width_of(tag, 27.0, True)))
            corners = [(EDGE, top), (EDGE + TAG, top), (EDGE + TAG, top + TAG), (EDGE, top + TAG)]
            canvas.polygon(corners, "", "ink", 2.4, False)
            canvas.text(EDGE + TAG / 2, top + TAG / 2, tag, size, "middle", "ink", True)
            left += TAG + 12
        rows = [(chapter, 12.0, True)] if chapter else []
        rows += [(row, TYPE, False) for row in right]
        beside = max((width_of(*row) for row in rows), default=0.0)
        room = self.width - EDGE - beside - 14 - left
        size = 18.0
        while width_of(title, size, True) > room and size > 13:
            size -= 0.5
        lines = self.broken(title, room, size, True)
        at = top + 12
        for line in lines[:2]:
            canvas.text(left, at, line, size, "start", "ink", True)
            at += size * 1.1
        if under:
            at = max(at, top + 33)
            for line in self.broken(under, room, TYPE)[:3]:
                canvas.text(left, at, line, TYPE, "start", "ink", False)
                at += TYPE * self.leading
        for i, (row, size, bold) in enumerate(rows):
            canvas.text(self.width - EDGE, top + 10 + i * 15, row, size, "end", "ink", bold)
        rule = max(top + (TAG + 6 if tag or under else 30), at - 3, top + 4 + len(rows) * 15)
        canvas.polyline([(EDGE, rule), (self.width - EDGE, rule)], "ink", 2.0, False)
        self.y = rule + 16

    def finish(self) -> list[Page]:
        """Write the foot of every page, and return them."""
        project = self.made.project
        names = [f"{project.name} · {project.place}", project.name] if project.place else [project.name]
        for number, page in enumerate(self.pages, start=1):
            canvas, at = Recorder(page), self.height - _FOOT + 12
            canvas.polyline([(EDGE, at - 12), (self.width - EDGE, at - 12)], "quiet", 0.8, False)
            middle = [
                self.date, f"page set {self.revision}" if self.revision else "", f"sizes in {self.made.units.words}",
                f"scale {page.scale}" if page.scale else "",
            ]  # fmt: skip
            last = f"page {number} of {len(self.pages)}"
            canvas.text(self.width - EDGE, at, last, 11.5, "end", "ink", True)
            told = " · ".join(each for each in middle if each)
            canvas.text(self.width / 2 + 20, at, told, 10, "middle", "ink", False)
            room = self.width / 2 + 20 - width_of(told, 10, False) / 2 - EDGE - 10
            name = next((each for each in names if width_of(each, 10, False) <= room), project.name)
            canvas.text(EDGE, at, cut_to(name, 10, room), 10, "start", "ink", False)
        return self.pages

    def shows(self, letter: str) -> bool:
        """Whether a case is among those that are told one by one; what belongs to no case is told with all of them."""
        return not self.cases or letter in self.cases

    def cautions(self, *met: Met) -> list[Caution]:
        """Return the cautions some work meets, of all work if none is named, that no page before has told; they are told now."""
        told = [each for each in CAUTIONS if (not met or each.met in met) and each not in self._heeded]
        self._heeded += told
        return told

    def mark(self) -> tuple[int, float, tuple[Caution, ...]]:
        """Return where the book is, to go back there after a try."""
        return len(self.pages), self.y, tuple(self._heeded)

    def back_to(self, mark: tuple[int, float, tuple[Caution, ...]]) -> None:
        """Take back all pages that were begun since a mark."""
        count, self.y, heeded = mark
        del self.pages[count:]
        self._heeded = list(heeded)

    def evenly(self, write: Callable[[], None]) -> None:
        """Write something in columns so that those of its last page come out as high as each other.

        Args:
            write: writes it, from a page of its own on.
        """
        before = self.mark()
        write()
        count, low, high = len(self.pages), self.begun, self.bottom
        while high - low > 6:
            middle = (low + high) / 2
            self.back_to(before)
            self._short = count, middle
            write()
            low, high = (middle, high) if len(self.pages) > count or self.y > middle + 6 else (low, middle)
        self.back_to(before)
        self._short = count, high
        write()
        self._short = None

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
            now = bold or i < lead or self._is_code(word), type_of(word, size, plain)
            if now != was:
                put(*was)
            was = now
            run.append(word)
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

    @property
    def columns(self) -> int:
        """How many columns of text and small drawings stand beside each other."""
        return max(1, int(self.wide // _COLUMN))

    # Drawings

    def draw(self, drawing: Drawing, box: Box, scale: float | None = None) -> float:
        """Draw something into a rectangle; return points in a millimetre."""
        keep = (EDGE - 14, max(EDGE - 6, box[1] - 12), self.width - EDGE + 14, self.bottom + 6)
        return self.canvas.draw(drawing, box, scale, keep)

    def told_scale(self, scale: float) -> None:
        """Note what the drawing of the page is to scale."""
        self.page.scale = f"1 : {round(72 / 25.4 / scale, 1):g}"

    # Flowing text and tables

    def flow(self, columns: int, again: Callable[[], None]) -> Flow:
        """Return columns from here to the foot of the page, going on over further pages.

        Args:
            columns: how many beside each other.
            again: starts a further page.
        """
        return Flow(self, columns, again)

    def table(
        self, columns: Sequence[Column], rows: Sequence[Sequence[str]], again: Callable[[], None], gap: float = 4.0
    ) -> None:
        """Write a table over the width of the page; its heading stands on every page."""

        def head() -> None:
            for column in columns:
                anchor = column.anchor if column.anchor in ("start", "end") else "start"
                self.canvas.text(EDGE + column.x, self.y, column.heading, SMALL, anchor, "ink", False)
            self.y += 8
            self.rule(EDGE, self.wide, "ink", 1.0)
            self.y += 11

        if self.y + 50 > self.bottom:
            again()
        head()
        for row in rows:
            cells = self._cells(columns, row)
            largest = max(column.size for column in columns)
            high = self._row_high(columns, cells, gap)
            if self.y + high > self.bottom:
                again()
                head()
            top = self.y
            for column, cell in zip(columns, cells, strict=True):
                x = EDGE + column.x
                if column.anchor == "tick":
                    if cell[0]:
                        self.tick(x, top, cell[0] == "done")
                elif column.anchor == "blank":
                    self.blank(x, top, column.wide)
                else:
                    for i, text in enumerate(cell):
                        self.canvas.text(
                            x, top + i * largest * self.leading, text, column.size, column.anchor, "ink", column.bold
                        )
            self.y = top + high
        self.y += 6

    def table_high(self, columns: Sequence[Column], rows: Sequence[Sequence[str]], gap: float = 4.0) -> float:
        """Return how high a table comes out on one page."""
        return 25.0 + sum(self._row_high(columns, self._cells(columns, row), gap) for row in rows)

    def _cells(self, columns: Sequence[Column], row: Sequence[str]) -> list[list[str]]:
        """Return what stands in a row, column by column, in lines."""
        return [
            self.broken(text, column.wide, column.size, column.bold) if column.wide and text and column.anchor in ("start", "end") else [text]
            for column, text in zip(columns, row, strict=True)
        ]  # fmt: skip

    def _row_high(self, columns: Sequence[Column], cells: Sequence[Sequence[str]], gap: float) -> float:
        return max(map(len, cells)) * max(column.size for column in columns) * self.leading + gap


def pdf_of(pages: Sequence[Page], title: str) -> bytes:
    """Return pages as PDF, with an outline of their chapters and titles, and links between them."""
    size = pages[0].size if pages else (612.0, 792.0)
    canvas = PdfCanvas(size, title)
    told: set[str] = set()
    for number, page in enumerate(pages):
        if number:
            canvas.next_page(page.size)
        for name, title in ((page.chapter, page.title), *page.also):
            if name not in told:
                told.add(name)
                words = next((each.words for each in Chapter if each.value == name), name.capitalize())
                canvas.mark(f"chapter-{name}", words, 0)
            canvas.mark(page.key or f"page-{number + 1}", title, 1)
        page.play(canvas)
        for box, key in page.links:
            canvas.link(box, key)
    return canvas.finish()
