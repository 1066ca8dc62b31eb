# SPDX-License-Identifier: GPL-3.0-or-later
"""Questions answered with real buttons, and the demo written where there is no display."""

from __future__ import annotations

import tempfile
import unittest
from pathlib import Path
from unittest.mock import patch

from pypdf import PdfReader
from PyQt6.QtCore import QTimer
from PyQt6.QtGui import QImage
from PyQt6.QtWidgets import QApplication, QDialogButtonBox, QFileDialog, QInputDialog, QLineEdit, QMessageBox

from ablebox.cli import demo
from ablebox.window import ask
from ablebox.window.app import write_demo
from tests.tables import rows
from tests.uicase import UiCase


def answer(words: str, text: str = "") -> None:
    """Press a button of the question that comes next, once it is there."""

    def press() -> None:
        box = QApplication.activeModalWidget()
        if isinstance(box, QMessageBox):
            next(button for button in box.buttons() if button.text().replace("&", "") == words).click()
        elif isinstance(box, QInputDialog):
            field = box.findChild(QLineEdit)
            buttons = box.findChild(QDialogButtonBox)
            assert field is not None
            assert buttons is not None
            field.setText(text)
            next(button for button in buttons.buttons() if button.text().replace("&", "") == words).click()
        else:
            QTimer.singleShot(20, press)

    QTimer.singleShot(0, press)


class Questions(UiCase):
    @rows(("Save", ask.SAVE), ("Throw the changes away", ask.DISCARD), ("Stay here", ask.CANCEL))
    def test_unsaved_work_is_asked_about(self, button: str, told: str) -> None:
        answer(button)
        self.assertEqual(ask.about_unsaved(self.window, "Shed"), told)

    @rows(("OK", " Shop way ", "Shop way"), ("Cancel", "Shop way", ""))
    def test_a_name_is_asked_for(self, button: str, typed: str, told: str) -> None:
        answer(button, typed)
        self.assertEqual(ask.for_a_name(self.window, "Keep it", "What is it called?", "Base"), told)

    def test_something_to_read_is_shown_until_it_is_closed(self) -> None:
        answer("OK")
        ask.to_read(self.window, "Cautions", "Guards on.", "And more.")
        self.assertIsNone(QApplication.activeModalWidget())

    def test_files_are_asked_for_and_get_their_suffix(self) -> None:
        for chosen, told in (
            ("/shed/book", Path("/shed/book.pdf")),
            ("/shed/book.PDF", Path("/shed/book.PDF")),
            ("", None),
        ):
            with patch.object(QFileDialog, "getSaveFileName", return_value=(chosen, "")):
                self.assertEqual(ask.for_file_to_write(self.window, "Shop book", "", "PDF", ".pdf"), told)
        for question in (ask.for_file_to_open, ask.for_table_to_read):
            for chosen in ("/shed/a.ablebox", ""):
                with patch.object(QFileDialog, "getOpenFileName", return_value=(chosen, "")):
                    self.assertEqual(question(self.window, ""), Path(chosen) if chosen else None)


class WithoutADisplay(unittest.TestCase):
    def test_a_demo_is_written_as_book_list_and_pictures(self) -> None:
        with tempfile.TemporaryDirectory() as name:
            folder = Path(name)
            write_demo(demo.path_of("orchard-corner"), folder)
            written = {path.name for path in folder.iterdir()}
            pages = (
                "room",
                "run",
                "plan",
                "sticks",
                "case",
                "apart",
                "inside",
                "corner",
                "fronts",
                "parts",
                "sheets",
                "boards",
                "rack",
                "bench",
            )
            self.assertLessEqual({"shop-book.pdf", "cut-list.csv", *(f"{page}.png" for page in pages)}, written)
            self.assertGreater(len(PdfReader(folder / "shop-book.pdf").pages), 30)
            for page in pages:
                picture = QImage(str(folder / f"{page}.png"))
                colours = {
                    picture.pixel(x, y) for x in range(0, picture.width(), 7) for y in range(0, picture.height(), 7)
                }
                self.assertGreater(len(colours), 12, page)
            # Each shows something else.
            self.assertEqual(len({(folder / f"{page}.png").read_bytes() for page in pages}), len(pages))
