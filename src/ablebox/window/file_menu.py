# SPDX-License-Identifier: GPL-3.0-or-later
"""Everything that has to do with files: new, open, recent, save, export, print."""

from __future__ import annotations

import json
from collections.abc import Callable
from functools import partial
from pathlib import Path
from typing import Any

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QAction
from PyQt6.QtWidgets import QApplication, QDialog, QMenu, QWidget

from ..cli import demo
from ..cli.locale import locale
from ..core.cuts.plan import Plan
from ..core.errors import AbleBoxError, FileNotWritten, FileReadOnly
from ..core.parts.register import code_at
from ..core.project.beside import versions
from ..core.project.files import SUFFIX
from ..core.project.in_use import holder
from ..core.project.loose_edits import with_more
from ..core.project.parts_table import read_cells
from ..core.project.placed import LOOSE
from ..core.project.tree import blank_project
from ..core.shop.plans import plan_all
from ..core.units import System
from ..core.whole_file import write_whole
from ..late import Late
from . import ask, settings
from .desk import Desk
from .in_background import Apart, done_apart
from .read_parts import ReadParts
from .settings import written_time

#: Rounds of search for sheets that are needed on paper before the planner has finished.
_QUICK = 100


class FileMenu:
    """The actions of the File menu.

    Args:
        desk: the workplace.
        window: parent of the questions.
    """

    def __init__(self, desk: Desk, window: QWidget) -> None:
        self._desk, self._window = desk, window
        #: Does what is slow in a process of its own.
        self.apart: Apart = done_apart
        self.handlers: dict[str, Callable[[], object]] = {
            "new": lambda: self.new(System.INCH),
            "new-mm": lambda: self.new(System.MM),
            "open": self.ask_and_open,
            "read-parts": self.read_parts,
            "save": self.save,
            "versions": self.open_version,
            "save-as": self.save_as,
            "book": self.write_book,
            "templates": self.write_templates,
            "sticks": self.write_sticks,
            "labels": self.write_labels,
            "new-labels": self.write_new_labels,
            "dxf": self.write_dxf,
            "drilling": self.write_drilling,
            "json": self.write_json,
            "print": self.print_book,
            "look-labels": self.look_at_labels,
            "table": self.write_table,
            "dxf-parts": self.write_parts_dxf,
            "gltf": self.write_gltf,
            "html": self.write_html,
        }

    def add_menus(self, menu: QMenu, before: QAction) -> None:
        """Put the recent files and the demo projects into the menu."""
        self._recent = QMenu("Open recent", menu)
        self._recent.setObjectName("recent-menu")
        self._recent.aboutToShow.connect(self.fill_recent)
        demos = QMenu("Open a demo", menu)
        for name in demo.names():
            action = demos.addAction(name.replace("-", " ").title())
            if action is not None:
                action.triggered.connect(lambda _, name=name: self.open(demo.path_of(name), as_copy=True))
        separator = menu.insertSeparator(before)
        menu.insertMenu(separator, self._recent)
        menu.insertMenu(separator, demos)
        self.fill_recent()

    def fill_recent(self) -> None:
        """List the recent files; a missing one stays, greyed."""
        self._recent.clear()
        paths = settings.recent()
        for path in paths:
            action = self._recent.addAction(path.name if path.exists() else f"{path.name} (not found)")
            if action is not None:
                action.setToolTip(str(path))
                action.setEnabled(path.exists())
                action.triggered.connect(lambda _, path=path: self.open(path))
        if paths:
            self._recent.addSeparator()
            forget = self._recent.addAction("Clear this list")
            if forget is not None:
                forget.triggered.connect(lambda _: settings.forget_recent())
        self._recent.setEnabled(bool(paths))

    def may_leave(self) -> bool:
        """Ask about unsaved work; return whether the open project may be left."""
        document = self._desk.document
        if not document.history.modified:
            return True
        answer = ask.about_unsaved(self._window, document.project.name)
        if answer == ask.SAVE:
            return self.save()
        return answer == ask.DISCARD

    def new(self, system: System) -> None:
        """Start a project."""
        if self.may_leave():
            self._desk.document.replace_all(blank_project(system, self._desk.shop.rack, self._desk.shop.days))
            self._desk.selection.select(stage="room", case="A", part="", number="", sheet=0)

    def ask_and_open(self) -> None:
        """Ask for a file and open it."""
        path = ask.for_file_to_open(self._window, self._folder())
        if path is not None:
            self.open(path)

    def read_parts(self) -> None:
        """Ask for a table, and which of its columns is what, and add its parts to those of no case."""
        path = ask.for_table_to_read(self._window, self._folder())
        if path is None:
            return
        try:
            cells = self.apart(self._window, f"Reading {path.name}", read_cells, path)
            if cells is None:
                return
            dialog = ReadParts(self._window, self._desk, path, cells)
        except AbleBoxError as fault:
            self._trouble(fault)
            return
        if dialog.exec() == QDialog.DialogCode.Accepted and dialog.parts:
            project = self._desk.document.project
            self._desk.change(f"Read {len(dialog.parts)} parts from {path.name}", with_more(project, dialog.parts))
            code = code_at(self._desk.document.made.parts, f"{LOOSE}/{len(project.loose) + 1}.1")
            self._desk.selection.select(stage="parts", number="", part=code)

    def open_version(self) -> None:
        """Ask which earlier version of the project to open, and open it as a copy."""
        path = self._desk.document.path
        found = list(reversed(versions(settings.versions_folder(), path))) if path is not None else []
        if not found:
            self._desk.document.refused.emit(
                "No earlier version is kept yet: one is each time the project is saved over."
            )
            return
        at = ask.for_a_version(self._window, [written_time(when) for when, _ in found])
        if at is not None:
            self.open(found[at][1], as_copy=True)

    def open_dropped(self, name: str) -> None:
        """Open a file that was dropped on the window."""
        if name:
            self.open(Path(name))

    def open(self, path: Path, as_copy: bool = False) -> bool:
        """Open a file; what goes wrong is shown and nothing is lost."""
        if not self.may_leave():
            return False
        look_only = False
        other = holder(path) if not as_copy else None
        if other is not None:
            when = written_time(other.since)
            answer = ask.about_open_elsewhere(self._window, path.name, other.host, when)
            if answer == ask.CANCEL:
                return False
            look_only = answer == ask.LOOK
        try:
            self._desk.document.open(path, as_copy, look_only)
        except AbleBoxError as fault:
            self._trouble(fault)
            return False
        self._desk.selection.select(stage="room", number="", part="", sheet=0)
        if not as_copy:
            settings.remember(path)
        return True

    def _folder(self) -> str:
        path = self._desk.document.path
        return str(path.parent if path else Path.home())

    def save(self) -> bool:
        """Save; return whether it is on disk."""
        path = self._desk.document.path
        return self.save_as() if path is None else self._save_to(path)

    def save_as(self) -> bool:
        """Ask where to save, and save there."""
        start = str(Path(self._folder()) / (self._stem() + SUFFIX))
        path = ask.for_file_to_write(self._window, "Save the project", start, "Able Box projects", SUFFIX)
        return path is not None and self._save_to(path)

    def _save_to(self, path: Path) -> bool:
        try:
            try:
                self._desk.document.save(path)
            except FileReadOnly:
                if not ask.about_read_only(self._window, path.name):
                    return False
                self._desk.document.save(path, over_read_only=True)
        except AbleBoxError as fault:
            self._trouble(fault)
            return False
        settings.remember(path)
        return True

    def _stem(self) -> str:
        words = "".join(c if c.isalnum() else "-" for c in self._desk.document.project.name.lower())
        return "-".join(word for word in words.split("-") if word) or "project"

    def _plans(self) -> dict[str, Plan]:
        """Return the plans on screen, or quick ones for what is not planned yet."""
        made, planner = self._desk.document.made, self._desk.planner
        if set(planner.plans) == set(made.problems):
            return dict(planner.plans)
        QApplication.setOverrideCursor(Qt.CursorShape.WaitCursor)
        try:
            return plan_all(made, _QUICK)
        finally:
            QApplication.restoreOverrideCursor()

    def _write(self, title: str, kind: str, suffix: str, make: Callable[[], bytes | None]) -> None:
        start = str(Path(self._folder()) / (self._stem() + suffix))
        path = ask.for_file_to_write(self._window, title, start, kind, "." + suffix.rpartition(".")[2])
        if path is None:
            return
        self._written(path, make)

    def _written(self, path: Path, make: Callable[[], bytes | None]) -> bool:
        """Write a file; return whether it is there: nothing is where making it was stopped."""
        try:
            data = make()
            if data is None:
                return False
            write_whole(path, data)
            self._desk.document.handed_out()
        except OSError as fault:
            self._trouble(FileNotWritten(str(path), fault.strerror or "the disk refused"))
            return False
        except AbleBoxError as fault:
            self._trouble(fault)
            return False
        return True

    def write_book(self) -> None:
        """Write the shop book."""
        self._write("Shop book", "PDF", ".pdf", self._book)

    def _paper(self) -> Any:
        """Return the size of paper that is printed on."""
        return Late.SHOP_BOOK.module.paper_of(self._desk.document.project, locale())

    def _book(self) -> bytes | None:
        book = Late.SHOP_BOOK.module
        made = self._desk.document.made
        wanted = book.Wanted(self._paper(), f"{self._desk.now():%Y-%m-%d}")
        found = self.apart(self._window, "Writing the book", book.book_of_project, made.project, self._plans(), wanted)
        return found[0] if found is not None else None

    def write_templates(self) -> None:
        """Write the templates of shaped panels."""
        self._write(
            "Templates",
            "PDF",
            "-templates.pdf",
            lambda: Late.TEMPLATES.module.templates(self._desk.document.made, self._paper()),
        )

    def write_drilling(self) -> None:
        """Write the drilling templates."""
        self._write(
            "Drilling templates",
            "PDF",
            "-drilling.pdf",
            lambda: Late.DRILLING.module.drilling(self._desk.document.made, self._paper()),
        )

    def write_sticks(self) -> None:
        """Write the story sticks."""
        self._write(
            "Story sticks",
            "PDF",
            "-sticks.pdf",
            lambda: Late.STORY_STICKS.module.story_sticks(self._desk.document.made, self._paper()),
        )

    def write_labels(self) -> None:
        """Write the labels of all pieces."""
        self._write(
            "Labels", "PDF", "-labels.pdf", lambda: Late.LABELS.module.labels(self._desk.document.made, self._plans())
        )

    def write_new_labels(self) -> None:
        """Write the labels of pieces that are on nothing written or printed yet."""
        self._write(
            "Labels of new pieces", "PDF", "-new-labels.pdf",
            lambda: Late.LABELS.module.labels(self._desk.document.made, self._plans(), only_new=True),
        )  # fmt: skip

    def write_dxf(self) -> None:
        """Write all sheets as one drawing."""
        self._write(
            "Sheets",
            "DXF",
            ".dxf",
            lambda: Late.SHEET_FILES.module.all_sheets_dxf(self._desk.document.made, self._plans()),
        )

    def write_json(self) -> None:
        """Write everything as data."""

        def make() -> bytes:
            tree = Late.EVERYTHING.module.everything_tree(self._desk.document.made, self._plans())
            return (json.dumps(tree, indent=2, ensure_ascii=False) + "\n").encode("utf-8")

        self._write("Everything", "JSON", ".json", make)

    def print_book(self) -> None:
        """Show the pages as they will be printed."""
        preview = Late.PREVIEW.module.Preview(self._window, self._desk, self._plans, self._write, self.apart)
        preview.show()
        preview.make_pages()
        preview.exec()
        preview.deleteLater()

    def look_at_labels(self) -> None:
        """Show the labels as they will be printed."""
        dialog = Late.LABEL_DIALOG.module.LabelDialog(self._window, self._desk, self._plans(), self._write)
        dialog.exec()
        dialog.deleteLater()

    def write_table(self) -> None:
        """Write the cut list as a table, numbers as numbers."""
        dialog = Late.TABLE_DIALOG.module.TableDialog(self._window, self._desk, self._write)
        dialog.exec()
        dialog.deleteLater()

    def write_parts_dxf(self) -> None:
        """Write every part as DXF into a folder."""
        folder = ask.for_folder(self._window, "Parts as DXF", self._folder())
        if folder is not None:
            files: dict[str, bytes] = Late.PART_DXF.module.part_files(self._desk.document.made)
            all(self._written(folder / name, partial(bytes, data)) for name, data in files.items())

    def write_gltf(self) -> None:
        """Write the job as a 3D file."""
        self._write("The job in 3D", "glTF", ".gltf", lambda: Late.GLTF.module.gltf(self._desk.document.made))

    def write_html(self) -> None:
        """Write steps, lists and sheets as a page for a phone."""
        date = f"{self._desk.now():%Y-%m-%d}"
        self._write(
            "Pages for a phone",
            "HTML",
            ".html",
            lambda: self.apart(
                self._window,
                "Writing the pages",
                Late.HTML.module.html_of_project,
                self._desk.document.project,
                self._plans(),
                date,
            ),
        )

    def _trouble(self, fault: AbleBoxError) -> None:
        self._desk.document.refused.emit(str(fault))
        ask.to_read(self._window, "This did not work", str(fault))
