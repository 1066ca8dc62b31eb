# SPDX-License-Identifier: GPL-3.0-or-later
"""Pages of the shop book: the heading with its large tag, columns, drawings, the foot; what is tried on them and taken back."""

from __future__ import annotations

from collections.abc import Callable, Collection, Iterator, Mapping, Sequence
from contextlib import contextmanager

from ...cuts.plan import Plan
from ...drawing.shapes import Drawing
from ...shop.made import Made
from ..canvas.paper_size import Paper
from ..canvas.pdf_canvas import PdfCanvas, width_of
from ..canvas.recorded import Box, Page, Recorder
from ..lists.cautions import CAUTIONS, Caution, Met
from .chapter import Chapter
from .flow import Flow, column_wide
from .typesetting import TYPE, cut_to
from .writing import Writing

#: Width of the margin, and the size of the tag in the heading, in points.
EDGE, TAG = 40.0, 46.0
#: How wide a column of text is at least, in points.
_COLUMN = 250.0
#: Where the foot begins, from the lower edge of the page.
_FOOT = 44.0
#: What the heading of a chapter takes that begins further down on a page, with a line below its title and without.
_SHARED, _BARE = 84.0, 62.0


class Pages(Writing):
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
        super().__init__({part.code for part in made.parts})
        self.made, self.plans, self.write = made, plans, made.units.write
        self.paper, self.date, self.revision = paper, date, revision
        self.cases, self.chapters = cases, chapters
        self.width, self.height = paper.size
        #: Where what is written begins on the page at hand, below its heading.
        self.begun = 0.0
        #: The left edge of what is written on.
        self.left = EDGE
        self._wide = self._low = 0.0
        #: How many pages there are when one is filled no further than to a place.
        self._short: tuple[int, float] | None = None
        self._heeded: list[Caution] = []

    # Pages

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

    @property
    def columns(self) -> int:
        """How many columns of text and small drawings stand beside each other."""
        return max(1, int(self.wide // _COLUMN))

    @property
    def column(self) -> float:
        """How wide each of them is."""
        return column_wide(self.wide, self.columns)

    # Drawings

    def draw(self, drawing: Drawing, box: Box, scale: float | None = None) -> float:
        """Draw something into a rectangle; return points in a millimetre."""
        keep = (EDGE - 14, max(EDGE - 6, box[1] - 12), self.width - EDGE + 14, self.bottom + 6)
        return self.canvas.draw(drawing, box, scale, keep)

    def told_scale(self, scale: float) -> None:
        """Note what the drawing of the page is to scale."""
        self.page.scale = f"1 : {round(72 / 25.4 / scale, 1):g}"

    # Flowing text

    def flow(self, columns: int, again: Callable[[], None]) -> Flow:
        """Return columns from here to the foot of the page, going on over further pages.

        Args:
            columns: how many beside each other.
            again: starts a further page.
        """
        return Flow(self, columns, again)


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
