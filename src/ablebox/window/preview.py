# SPDX-License-Identifier: GPL-3.0-or-later
"""The pages as they will be printed, chapters at the side: what is seen is the very document that goes to the printer."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from functools import partial

from PyQt6.QtCore import QBuffer, QIODevice, QSize, Qt, QTimer
from PyQt6.QtGui import QImage, QPainter
from PyQt6.QtPdf import QPdfDocument
from PyQt6.QtWidgets import QCheckBox, QDialog, QHBoxLayout, QPushButton, QScrollArea, QVBoxLayout, QWidget

from ..cli.locale import locale
from ..core.cuts.plan import Plan
from ..core.errors import AbleBoxError
from ..core.paper.book.chapter import Chapter
from ..core.paper.book.page_set import changes, told_of
from ..core.paper.book.shop_book import Wanted, book_of_project, page_as_svg, paper_of
from ..core.paper.canvas.paper_size import NAMES, paper
from ..core.paper_book import PaperBook
from .desk import Desk
from .in_background import Apart, done_apart
from .printing import asked_and_printed
from .widgets.choice_box import choice_box
from .widgets.pdf_pages import PdfPages
from .widgets.words import LinkWords, Words

#: How long it is waited for another click before pages are made anew, in milliseconds; dots an inch of a page kept as a picture.
_WAIT, _DOTS = 350, 200


class Preview(QDialog):
    """The shop book before it is printed.

    Args:
        parent: the window.
        desk: the workplace.
        plans: returns the cut plans.
        save: writes bytes to a file somebody names: what it is called, its kind, its suffix, what makes it.
        apart: does what is slow in a process of its own.
    """

    def __init__(
        self, parent: QWidget, desk: Desk, plans: Callable[[], dict[str, Plan]], save: Callable[[str, str, str, Callable[[], bytes | None]], None],
        apart: Apart = done_apart,
    ) -> None:  # fmt: skip
        super().__init__(parent)
        self._desk, self._plans, self._save = desk, plans, save
        self._apart = apart
        self.pages: list[tuple[str, str]] = []
        self.data = b""
        self.setObjectName("preview")
        self.setWindowTitle("Shop book")
        self.resize(1180, 820)
        row = QHBoxLayout(self)
        row.addWidget(self._side())
        self.view = PdfPages(self, "preview-pages", "pages of the shop book")
        row.addWidget(self.view, 1)
        self._timer = QTimer(self)
        self._timer.setSingleShot(True)
        self._timer.timeout.connect(self.make_pages)

    # The side

    def _side(self) -> QWidget:
        kept = self._book
        inside = QWidget()
        column = QVBoxLayout(inside)
        column.addWidget(Words("Chapters", 16, True))
        self.chapters: dict[Chapter, QCheckBox] = {}
        #: The number of each chapter's first page: a click goes there.
        self.goes: dict[Chapter, LinkWords] = {}
        for chapter in Chapter:
            box = self._box(
                f"chapter-{chapter.value}", chapter.words, not kept.chapters or chapter.value in kept.chapters
            )
            box.setToolTip("Ticked chapters are printed.")
            self.chapters[chapter] = box
            line = QHBoxLayout()
            line.addWidget(box, 1)
            self.goes[chapter] = LinkWords("", partial(self.show_chapter, chapter.value), 15, align="right")
            self.goes[chapter].setObjectName(f"go-{chapter.value}")
            line.addWidget(self.goes[chapter])
            column.addLayout(line)
        column.addWidget(Words("Cases", 16, True))
        self.cases: dict[str, QCheckBox] = {}
        for case in self._desk.document.project.cases:
            box = self._box(
                f"case-{case.letter}", f"{case.letter}  {case.name}", not kept.cases or case.letter in kept.cases
            )
            self.cases[case.letter] = box
            column.addWidget(box)
        column.addWidget(Words("Paper", 16, True))
        rows = [
            ("", f"usual here: {paper_of(replace(self._desk.document.project, paper=PaperBook()), locale()).words}")
        ]
        rows += [(name, paper(name).words) for name in NAMES]
        self.size_box = choice_box("paper-size", "size of paper", rows, kept.size, self._sized)
        column.addWidget(self.size_box)
        self.changed_box = self._box("what-changed", "", False)
        self.changed_box.setText(f"What changed since page set {kept.revision}, as a page")
        self.changed_box.setVisible(kept.printed is not None)
        column.addWidget(self.changed_box)
        column.addStretch(1)
        scroll = QScrollArea()
        scroll.setWidgetResizable(True)
        scroll.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        scroll.setWidget(inside)
        side = QWidget()
        side.setFixedWidth(300)
        whole = QVBoxLayout(side)
        whole.addWidget(scroll, 1)
        self.told = Words("", 14, wrap=True)
        whole.addWidget(self.told)
        for name, words, act in (
            ("print-pages", "Print…", self.print_them), ("pages-pdf", "Save as PDF…", self.save_pdf), ("page-png", "This page as PNG…", self.save_png),
            ("page-svg", "This page as SVG…", self.save_svg),
        ):  # fmt: skip
            button = QPushButton(words)
            button.setObjectName(name)
            button.clicked.connect(partial(self._act, act))
            whole.addWidget(button)
        return side

    def _box(self, name: str, words: str, on: bool) -> QCheckBox:
        box = QCheckBox(words)
        box.setObjectName(name)
        box.setChecked(on)
        box.clicked.connect(lambda _: self._chosen())
        return box

    @property
    def _book(self) -> PaperBook:
        return self._desk.document.project.paper

    def _chosen(self) -> None:
        """Keep what is ticked, and make the pages anew a moment later."""
        chapters = [each.value for each, box in self.chapters.items() if box.isChecked()]
        cases = [letter for letter, box in self.cases.items() if box.isChecked()]
        kept = replace(
            self._book,
            chapters=() if len(chapters) == len(self.chapters) else tuple(chapters),
            cases=() if len(cases) in (0, len(self.cases)) else tuple(cases),
        )
        if not chapters:
            self.told.set_text("Tick a chapter: a book without any has no pages.")
            return
        self._desk.document.keep_paper(kept)
        self._timer.start(_WAIT)

    def _sized(self, name: str) -> None:
        self._desk.document.keep_paper(replace(self._book, size=name))
        self._timer.start(_WAIT)

    # Pages

    def wanted(self) -> Wanted:
        """Return what is wanted of the book."""
        project = self._desk.document.project
        on = paper_of(project, locale())
        told = told_of(self._desk.document.made)
        since = None
        if self.changed_box.isChecked() and project.paper.printed is not None:
            since = project.paper.revision, changes(project.paper.printed.told, told)
        return Wanted(on, f"{self._desk.now():%Y-%m-%d}", changed=since)

    def make_pages(self) -> None:
        """Make the pages and show them; the chapter that was looked at stays in sight."""
        before = self.chapter
        # What is seen carries the number it is printed with.
        project = replace(self._desk.document.project, paper=self._next())
        try:
            found = self._apart(self, "Making the pages", book_of_project, project, dict(self._plans()), self.wanted())
        except AbleBoxError as fault:
            self.told.set_text(str(fault))
            return
        if found is None:
            self.told.set_text("Stopped. Tick fewer chapters, or wait for all of them.")
            return
        self.data, self.pages = found
        self.view.show_data(self.data)
        count = len(self.pages)
        self.told.set_text(f"{count} page{'s' if count != 1 else ''}, page set {project.paper.revision}")
        for chapter, words in self.goes.items():
            first = next((i for i, (names, _) in enumerate(self.pages, start=1) if chapter.value in names), 0)
            words.set_text(f"page {first}" if first else "")
        self.show_chapter(before)

    def _next(self) -> PaperBook:
        return self._book.with_printed(self._desk.now().date(), told_of(self._desk.document.made))

    @property
    def page(self) -> int:
        """Number of the page that is looked at, from 0."""
        return self.view.page

    @property
    def document(self) -> QPdfDocument:
        """The very document that is seen."""
        return self.view.held

    @property
    def chapter(self) -> str:
        """Name of the chapter that is looked at."""
        return self.pages[self.page][0][0] if self.page < len(self.pages) else ""

    def show_chapter(self, name: str) -> None:
        """Go to the first page of a chapter, if there is one."""
        at = next((i for i, (names, _) in enumerate(self.pages) if name in names), 0)
        self.view.go_to(at)

    # What is done with them

    def _act(self, act: Callable[[], None]) -> None:
        if not self.data:
            self.make_pages()
        if self.data:
            act()

    def print_them(self) -> None:
        """Ask for a printer and print; where anything changed since the last page set this is a new one."""
        if not asked_and_printed(self, f"{self._desk.document.project.name}, shop book", self.data):
            return
        self._desk.document.keep_paper(self._next())
        self._desk.document.handed_out()
        self.told.set_text(f"Printed: page set {self._book.revision}.")

    def save_pdf(self) -> None:
        """Write the pages as PDF, with the number of the page set that was printed last."""
        document = self._desk.document

        def make() -> bytes | None:
            plans = dict(self._plans())
            found = self._apart(self, "Writing the book", book_of_project, document.project, plans, self.wanted())
            data: bytes | None = found[0] if found is not None else None
            return data

        self._save("Shop book", "PDF", ".pdf", make)

    def save_png(self) -> None:
        """Write the page that is looked at as a picture."""

        def make() -> bytes:
            points = self.document.pagePointSize(self.page)
            size = QSize(int(points.width() * _DOTS / 72), int(points.height() * _DOTS / 72))
            picture = QImage(size, QImage.Format.Format_RGB32)
            picture.fill(Qt.GlobalColor.white)
            painter = QPainter(picture)
            painter.drawImage(0, 0, self.document.render(self.page, size))
            painter.end()
            buffer = QBuffer()
            buffer.open(QIODevice.OpenModeFlag.WriteOnly)
            picture.save(buffer, "PNG")
            return bytes(buffer.data().data())

        self._save("Page", "PNG", f"-page-{self.page + 1}.png", make)

    def save_svg(self) -> None:
        """Write the page that is looked at as SVG."""
        document, number = self._desk.document, self.page
        project = replace(document.project, paper=self._next())
        self._save(
            "Page",
            "SVG",
            f"-page-{number + 1}.svg",
            lambda: self._apart(
                self, "Making the page", page_as_svg, project, dict(self._plans()), self.wanted(), number
            ),
        )
