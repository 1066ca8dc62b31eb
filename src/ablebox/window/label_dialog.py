# SPDX-License-Identifier: GPL-3.0-or-later
"""Labels before they are printed: which sheet of labels, how many of it are used up, all pieces, new ones, or one again."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from PyQt6.QtWidgets import QCheckBox, QDialog, QHBoxLayout, QLineEdit, QPushButton, QSpinBox, QVBoxLayout, QWidget

from ..cli.locale import locale
from ..core.cuts.plan import Plan
from ..core.paper.book.shop_book import paper_of
from ..core.paper.labels.label_sheet import LabelSheet, label_sheet, label_sheets
from ..core.paper.labels.labels import labels, printable
from .desk import Desk
from .printing import asked_and_printed
from .widgets.choice_box import add_choice, choice_box
from .widgets.pdf_pages import PdfPages
from .widgets.words import Words


class LabelDialog(QDialog):
    """Labels.

    Args:
        parent: the window.
        desk: the workplace.
        plans: the cut plans.
        save: writes bytes to a file somebody names: what it is called, its kind, its suffix, what makes it.
    """

    def __init__(
        self,
        parent: QWidget,
        desk: Desk,
        plans: dict[str, Plan],
        save: Callable[[str, str, str, Callable[[], bytes]], None],
    ) -> None:
        super().__init__(parent)
        self._desk, self._plans, self._save = desk, plans, save
        self.setObjectName("labels")
        self.setWindowTitle("Labels")
        self.resize(1000, 760)
        row = QHBoxLayout(self)
        side = QWidget()
        side.setFixedWidth(300)
        column = QVBoxLayout(side)
        column.addWidget(Words("Labels", 16, True))
        kept = desk.document.project.paper.labels
        usual = label_sheet("", paper_of(desk.document.project, locale()))
        rows = [("", f"usual here: {usual.name}"), *((code, each.name) for code, each in label_sheets().items())]
        self.sheet_box = choice_box(
            "label-sheet", "sheet of labels", rows, kept if kept in label_sheets() else "", self._choose
        )
        add_choice(column, "sheet", self.sheet_box)
        self.used = QSpinBox()
        self.used.setObjectName("labels-used")
        self.used.setAccessibleName("labels used up on the first sheet")
        self.used.setRange(0, self.sheet.count - 1)
        self.used.valueChanged.connect(lambda _: self.make_pages())
        column.addWidget(Words("used up on the first sheet", 14, colour="quiet"))
        column.addWidget(self.used)
        self.new = QCheckBox("only of pieces that are on no paper yet")
        self.new.setObjectName("labels-new")
        self.new.clicked.connect(lambda _: self.make_pages())
        column.addWidget(self.new)
        column.addWidget(Words("only these, such as A-01, C-04.2", 14, colour="quiet"))
        self.only = QLineEdit()
        self.only.setObjectName("labels-only")
        self.only.setAccessibleName("codes of the labels wanted")
        self.only.editingFinished.connect(self.make_pages)
        column.addWidget(self.only)
        column.addStretch(1)
        self.told = Words("", 14, wrap=True)
        column.addWidget(self.told)
        for name, words, act in (
            ("print-labels", "Print…", self.print_them),
            ("labels-pdf", "Save as PDF…", self.save_pdf),
        ):
            button = QPushButton(words)
            button.setObjectName(name)
            button.setAutoDefault(False)
            button.clicked.connect(lambda _, act=act: act())
            column.addWidget(button)
        row.addWidget(side)
        self.view = PdfPages(self, "label-pages", "labels")
        row.addWidget(self.view, 1)
        self.data = b""
        self.make_pages()

    @property
    def sheet(self) -> LabelSheet:
        """The sheet of labels that is chosen."""
        made = self._desk.document.made
        return printable(made, paper_of(made.project, locale()))

    def _choose(self, code: str) -> None:
        self._desk.document.keep_paper(replace(self._desk.document.project.paper, labels=code))
        self.used.setRange(0, self.sheet.count - 1)
        self.make_pages()

    def make_pages(self) -> None:
        """Make the labels and show them."""
        made = self._desk.document.made
        only = [code.strip().upper() for code in self.only.text().split(",") if code.strip()]
        known = {piece for part in made.parts for piece in (part.code, *part.pieces)}
        strange = [code for code in only if code not in known and code.lower() not in known]
        self.data = labels(made, self._plans, self.used.value(), self.new.isChecked(), self.sheet, only)
        self.view.show_data(self.data)
        sheets = self.view.held.pageCount()
        said = f"There is no {', '.join(strange)}. " if strange else ""
        self.told.set_text(f"{said}{sheets} sheet{'s' if sheets != 1 else ''} of {self.sheet.count}.")

    def print_them(self) -> None:
        """Ask for a printer and print."""
        if not asked_and_printed(self, f"{self._desk.document.project.name}, labels", self.data):
            return
        self._desk.document.handed_out()
        self.told.set_text("Printed.")

    def save_pdf(self) -> None:
        """Write the labels as PDF."""
        self._save("Labels", "PDF", "-labels.pdf", lambda: self.data)
