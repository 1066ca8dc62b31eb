# SPDX-License-Identifier: GPL-3.0-or-later
"""Files, closing, printing and the planner's process, through the real window."""

from __future__ import annotations

import json
from collections.abc import Callable
from datetime import datetime
from unittest import mock

import ezdxf
from pypdf import PdfReader
from PyQt6.QtCore import QMimeData, QPointF, Qt, QUrl
from PyQt6.QtGui import QDropEvent
from PyQt6.QtPrintSupport import QPrintDialog, QPrinter
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QCheckBox, QDialog, QLineEdit, QMenu, QPushButton

from ablebox.cli import demo
from ablebox.core.cuts.checker import check
from ablebox.core.paper.book.chapter import Chapter
from ablebox.core.project.files import load
from ablebox.window import ask
from ablebox.window.in_background import done_here
from ablebox.window.label_dialog import LabelDialog
from ablebox.window.preview import Preview
from ablebox.window.table_dialog import TableDialog
from ablebox.window.tasks import Planner
from tests.uicase import UiCase

CTRL = Qt.KeyboardModifier.ControlModifier


class Files(UiCase):
    def answer(self, name: str, value: object) -> mock.Mock:
        patch = mock.patch.object(ask, name, return_value=value)
        self.addCleanup(patch.stop)
        return patch.start()

    def press_box(self, box: QCheckBox) -> None:
        QTest.keyClick(box, Qt.Key.Key_Space)

    def press_in(self, preview: QDialog, name: str) -> None:
        button = preview.findChild(QPushButton, name)
        assert button is not None
        QTest.mouseClick(button, Qt.MouseButton.LeftButton)

    def widen(self, text: str) -> None:
        self.window.desk.type_over("A/width", text)
        self.settle()

    def test_save_and_open_bring_everything_back(self) -> None:
        path = self.folder / "bench.ablebox"
        self.answer("for_file_to_write", path)
        self.widen("25 3/32")
        self.assertTrue(self.window.isWindowModified())
        self.key(Qt.Key.Key_S, CTRL)
        self.assertFalse(self.window.isWindowModified())
        self.assertEqual(load(path).project, self.window.desk.document.project)
        self.widen("24")
        self.key(Qt.Key.Key_Z, CTRL)
        self.assertFalse(self.window.isWindowModified(), "undone back to what is saved")
        self.widen("26")
        self.key(Qt.Key.Key_S, CTRL)
        kept = path.with_name(path.name + "~")
        self.assertIn("25 3/32 in", kept.read_text(encoding="utf-8"))
        self.answer("for_file_to_open", path)
        self.act("new")
        self.key(Qt.Key.Key_O, CTRL)
        self.assertEqual(self.written("A/width"), "26")
        recent = self.window.findChild(QMenu, "recent-menu")
        assert recent is not None
        self.window.files.fill_recent()
        self.assertEqual(recent.actions()[0].text(), "bench.ablebox")

    def test_codes_on_paper_stay_used_whatever_is_undone(self) -> None:
        self.demo()
        to = self.answer("for_file_to_write", None)

        def codes() -> dict[str, str]:
            return {place: part.code for part in self.window.desk.document.made.parts for place in part.places}

        def extra(name: str) -> str:
            self.press("add-loose")
            self.find(QLineEdit, "loose-name").setFocus()
            QTest.keyClick(QApplication.focusWidget(), Qt.Key.Key_A, Qt.KeyboardModifier.ControlModifier)
            self.type(name)
            return max(code for place, code in codes().items() if place.startswith("x/"))

        self.act("stage-parts")
        first = codes()
        self.assertEqual(extra("one"), "x-01")
        self.act("undo")
        self.act("undo")
        self.assertEqual(codes(), first)
        # Not on paper: the number is free again. On paper: it stays used, and what comes next says that its label is new.
        self.assertEqual(extra("two"), "x-01")
        to.return_value = self.folder / "labels.pdf"
        self.act("labels")
        self.act("undo")
        self.act("undo")
        self.assertEqual(extra("three"), "x-02")
        fresh = [part.code for part in self.window.desk.document.made.parts if part.fresh]
        self.assertEqual(fresh, ["x-02"])
        to.return_value = self.folder / "new.pdf"
        self.act("new-labels")
        self.assertIn("x-02", PdfReader(self.folder / "new.pdf").pages[0].extract_text())
        self.assertNotIn("A-01", PdfReader(self.folder / "new.pdf").pages[0].extract_text())

    def test_unsaved_work_is_asked_about(self) -> None:
        self.widen("25")
        asked = self.answer("about_unsaved", ask.CANCEL)
        self.act("new")
        self.assertEqual(self.written("A/width"), "25")
        self.assertFalse(self.window.close())
        asked.return_value = ask.SAVE
        self.answer("for_file_to_write", None)
        self.assertFalse(self.window.close(), "saving was called off, so the window stays")
        asked.return_value = ask.DISCARD
        self.act("new-mm")
        self.assertEqual(self.window.desk.document.project.units.name, "mm")

    def test_trouble_is_told_and_the_open_project_stays(self) -> None:
        told = self.answer("to_read", None)
        broken = self.folder / "broken.ablebox"
        broken.write_text(demo.path_of("mill-pantry").read_text(encoding="utf-8")[:500], encoding="utf-8")
        before = self.window.desk.document.project
        self.window.files.open(broken)
        self.assertIn("broken.ablebox", told.call_args.args[2])
        self.assertIs(self.window.desk.document.project, before)
        path = self.folder / "shared.ablebox"
        self.window.desk.document.save(path)
        path.write_text(path.read_text(encoding="utf-8").replace("New project", "Other"), encoding="utf-8")
        self.widen("25")
        self.act("save")
        self.assertIn("shared.ablebox", told.call_args.args[2])
        self.assertIn("Other", path.read_text(encoding="utf-8"))
        self.assertTrue(self.window.isWindowModified())

    def test_a_dropped_project_is_opened(self) -> None:
        data = QMimeData()
        data.setUrls([QUrl.fromLocalFile(str(demo.path_of("mill-pantry")))])
        drop = QDropEvent(
            QPointF(50, 50), Qt.DropAction.CopyAction, data, Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier
        )
        self.window.dropEvent(drop)
        self.assertEqual(self.window.desk.document.project.name, "The Old Mill")
        self.window.desk.document.path = None

    def test_paper_and_data_are_written_and_printed(self) -> None:
        self.demo()
        to = self.answer("for_file_to_write", None)
        names = (
            ("book", "book.pdf"),
            ("json", "all.json"),
            ("labels", "labels.pdf"),
            ("dxf", "all.dxf"),
        )
        for action, name in names:
            to.return_value = self.folder / name
            self.act(action)
        text = "".join(page.extract_text() for page in PdfReader(self.folder / "book.pdf").pages)
        self.assertIn("Harbour Cottage", text)
        self.assertEqual(len(json.loads((self.folder / "all.json").read_text(encoding="utf-8"))["parts"]), 35)
        pieces = sum(part.count for part in self.window.desk.document.made.parts)
        self.assertEqual(len(PdfReader(self.folder / "labels.pdf").pages), -(-pieces // 30))
        outlines = ezdxf.readfile(self.folder / "all.dxf").modelspace().query('LWPOLYLINE[layer=="OUTLINE"]')
        self.assertEqual(len(outlines), sum(len(plan.sheets) for plan in self.window.desk.planner.plans.values()))

    def test_pages_are_looked_at_chosen_and_printed(self) -> None:
        """Chapters, cases and paper stay with the project and are not undone; printing counts page sets, writing does not."""
        self.demo()
        document = self.window.desk.document
        self.window.files.apart = done_here
        self.window.desk.now = lambda: datetime(2026, 12, 5, 8, 30)
        printed = self.folder / "printed.pdf"

        def to_file(dialog: QPrintDialog) -> int:
            printer = dialog.printer()
            assert printer is not None
            printer.setOutputFormat(QPrinter.OutputFormat.PdfFormat)
            printer.setOutputFileName(str(printed))
            return 1

        def look(do: Callable[[Preview], object]) -> None:
            """Open the preview, do something in it, close it."""

            def use(preview: Preview) -> int:
                do(preview)
                return 0

            with mock.patch.object(Preview, "exec", use), mock.patch.object(QPrintDialog, "exec", to_file):
                self.act("print")

        def only(preview: Preview) -> None:
            for chapter, box in preview.chapters.items():
                if chapter is not Chapter.SHEETS:
                    self.press_box(box)
            self.press_box(preview.cases["B"])
            preview.size_box.setCurrentIndex(preview.size_box.findData("a4"))
            preview.size_box.activated.emit(preview.size_box.currentIndex())
            preview.make_pages()
            self.assertEqual({chapter for chapter, _ in preview.pages}, {("sheets",)})
            self.assertEqual(preview.document.pageCount(), len(preview.pages))
            preview.show_chapter("sheets")
            self.press_in(preview, "print-pages")

        look(only)
        kept = document.project.paper
        self.assertEqual((kept.chapters, kept.cases, kept.size, kept.revision), (("sheets",), ("A", "C"), "a4", 1))
        page = PdfReader(printed).pages[0]
        self.assertAlmostEqual(float(page.mediabox.width), 595, delta=1)
        look(lambda preview: self.press_in(preview, "print-pages"))
        self.assertEqual(document.project.paper.revision, 1, "nothing changed: the same page set once more")
        self.widen("25")
        to = self.answer("for_file_to_write", None)

        def changed(preview: Preview) -> None:
            self.press_box(preview.changed_box)
            preview.make_pages()
            self.assertIn((("cover",), "What changed since page set 1"), preview.pages)
            for name, path in (("page-png", "p.png"), ("page-svg", "p.svg"), ("pages-pdf", "p.pdf")):
                to.return_value = self.folder / path
                self.press_in(preview, name)
            self.assertEqual(document.project.paper.revision, 1, "writing files counts no page set")
            self.press_in(preview, "print-pages")

        look(changed)
        self.assertEqual(document.project.paper.revision, 2)
        self.assertTrue((self.folder / "p.png").read_bytes().startswith(b"\x89PNG"))
        self.assertIn(b"<svg", (self.folder / "p.svg").read_bytes())
        self.assertIn("page set 1", PdfReader(self.folder / "p.pdf").pages[-1].extract_text())
        self.act("undo")
        self.assertEqual(document.project.paper.revision, 2, "what is on paper is not undone")
        path = self.folder / "kept.ablebox"
        document.save(path)
        self.assertEqual(load(path).project.paper, document.project.paper)

    def test_labels_are_chosen_begun_on_a_used_sheet_and_printed_once_more(self) -> None:
        self.demo()
        document, printed = self.window.desk.document, self.folder / "labels.pdf"

        def to_file(dialog: QPrintDialog) -> int:
            printer = dialog.printer()
            assert printer is not None
            printer.setOutputFormat(QPrinter.OutputFormat.PdfFormat)
            printer.setOutputFileName(str(printed))
            return 1

        def use(dialog: LabelDialog) -> int:
            dialog.sheet_box.setCurrentIndex(dialog.sheet_box.findData("a4-8"))
            dialog.sheet_box.activated.emit(dialog.sheet_box.currentIndex())
            pieces = sum(part.count for part in document.made.parts)
            self.assertGreaterEqual(dialog.view.held.pageCount() * 8, pieces)
            dialog.used.setValue(7)
            QTest.keyClicks(dialog.only, "A-01, z-99")
            QTest.keyClick(dialog.only, Qt.Key.Key_Return)
            self.assertEqual((dialog.view.held.pageCount(), "Z-99" in dialog.told.text), (1, True))
            self.press_in(dialog, "print-labels")
            return 0

        with mock.patch.object(LabelDialog, "exec", use), mock.patch.object(QPrintDialog, "exec", to_file):
            self.act("look-labels")
        self.assertEqual((document.project.paper.labels, document.project.given.get("A-01")), ("a4-8", 1))
        self.assertEqual(len(PdfReader(printed).pages), 1)

    def test_files_for_others_are_written_from_the_menu(self) -> None:
        self.demo()
        self.window.files.apart = done_here
        to = self.answer("for_file_to_write", None)
        cut = self.window.desk.document.made.parts[0].cut_length.length
        comma = f"{cut.ticks / 406_400:.7f}".rstrip("0").rstrip(".").replace(".", ",")
        for kind, start in (("xlsx", b"PK"), ("ods", b"PK"), ("csv", b"code;case")):

            def use(dialog: TableDialog, kind: str = kind) -> int:
                for box, data in ((dialog.kind, kind), (dialog.separator, "comma"), (dialog.decimal, "comma")):
                    box.setCurrentIndex(box.findData(data))
                    box.activated.emit(box.currentIndex())
                assert dialog.button is not None
                self.assertEqual(dialog.separator.isEnabled(), kind == "csv")
                self.assertEqual(dialog.button.isEnabled(), kind != "csv", "a comma cannot be both")
                dialog.separator.setCurrentIndex(dialog.separator.findData("semicolon"))
                dialog.separator.activated.emit(dialog.separator.currentIndex())
                self.press_in(dialog, "table-save")
                return 0

            to.return_value = self.folder / f"list.{kind}"
            with mock.patch.object(TableDialog, "exec", use):
                self.act("table")
            self.assertTrue((self.folder / f"list.{kind}").read_bytes().startswith(start))
        self.assertIn(f";{comma};", (self.folder / "list.csv").read_text(encoding="utf-8").splitlines()[1])
        for action, name in (("gltf", "job.gltf"), ("html", "job.html")):
            to.return_value = self.folder / name
            self.act(action)
            self.assertGreater((self.folder / name).stat().st_size, 10_000)
        self.answer("for_folder", self.folder / "dxf")
        (self.folder / "dxf").mkdir()
        self.act("dxf-parts")
        self.assertEqual(len(list((self.folder / "dxf").iterdir())), len(self.window.desk.document.made.parts))

    def test_a_full_disk_is_said_and_nothing_is_half_written(self) -> None:
        told = self.answer("to_read", None)
        path = self.folder / "full.ablebox"
        self.window.desk.document.save(path)
        before = path.read_bytes()
        self.widen("25")
        with mock.patch("ablebox.core.whole_file.os.fsync", side_effect=OSError(28, "No space left on device")):
            self.act("save")
        self.assertIn("space", told.call_args.args[2].lower())
        self.assertEqual(path.read_bytes(), before)
        self.assertEqual([p.name for p in self.folder.iterdir() if p.name.startswith(".") and p.suffix != ".open"], [])
        self.assertTrue(self.window.isWindowModified())


class PlannerProcess(UiCase):
    def test_sheets_are_planned_beside_the_work_and_can_be_stopped(self) -> None:
        self.window = self.open(Planner(rounds=1_000_000))
        self.demo()
        planner = self.window.desk.planner
        self.window.desk.selection.select(stage="sheets", number="")
        self.wait_for(lambda: planner.plans)
        self.assertTrue(planner.running)
        self.window.desk.type_over("A/width", "25")
        self.assertEqual(self.written("A/side/length"), "34 1/2", "edits do not wait for the planner")
        self.wait_for(lambda: "case" in planner.plans)
        self.press("stop-planning")
        self.assertFalse(planner.running)
        for plan in planner.plans.values():
            self.assertEqual(check(plan), [])

    def test_a_planner_that_dies_is_begun_again_and_then_planned_without(self) -> None:
        self.window = self.open(Planner(rounds=200_000))
        planner = self.window.desk.planner

        def kill() -> int:
            self.wait_for(
                lambda: any(each.process is not None and each.process.is_alive() for each in planner._processes)
            )
            process = next(each.process for each in planner._processes if each.process is not None)
            assert process is not None
            process.kill()
            return process.pid or 0

        with self.assertLogs("ablebox.planner", "ERROR"):
            self.wait_for(lambda: planner.plans)
            first = kill()
            self.wait_for(lambda: planner._losses == 1)
            self.assertNotEqual(kill(), first)
            self.wait_for(lambda: planner._losses == 2 and not planner.running)
        self.assertIn("stopped by itself", self.snag())
        self.assertEqual(set(planner.plans), set(self.window.desk.document.made.problems))
        for plan in planner.plans.values():
            self.assertEqual(check(plan), [])
