# SPDX-License-Identifier: GPL-3.0-or-later
"""Habits at the window: hovering, tabbing through numbers, ways of building, work on a part, a shop file that is damaged."""

from __future__ import annotations

from unittest.mock import patch

from PyQt6.QtCore import QEvent, QPoint, QPointF, Qt
from PyQt6.QtGui import QHelpEvent, QMouseEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QCheckBox, QComboBox, QToolTip

from ablebox.core.lengths import inches
from ablebox.window import settings
from ablebox.window.widgets.drawing_view import DrawingView
from ablebox.window.widgets.face_editor import FaceEditor
from tests.uicase import UiCase

CTRL = Qt.KeyboardModifier.ControlModifier


class Habits(UiCase):
    def stage(self, number: int) -> None:
        self.key(Qt.Key(Qt.Key.Key_0 + number), CTRL)

    def test_tab_walks_through_the_numbers_of_a_drawing_and_keeps_what_was_typed(self) -> None:
        self.stage(1)
        view = self.find(DrawingView, "alcove")
        view.setFocus()
        keys = view.fields()
        self.assertGreater(len(keys), 2)
        QTest.keyClick(view, Qt.Key.Key_Tab)
        self.settle()
        self.assertEqual(self.window.desk.selection.number, keys[0])
        QTest.keyClicks(QApplication.focusWidget(), "31 1/2")
        QTest.keyClick(QApplication.focusWidget(), Qt.Key.Key_Tab)
        self.settle()
        self.assertEqual(self.window.desk.selection.number, keys[1])
        self.assertEqual(self.number(keys[0]).length, inches("31 1/2"))
        # What is no size keeps the field, and nothing is lost.
        QTest.keyClicks(QApplication.focusWidget(), "wide")
        QTest.keyClick(QApplication.focusWidget(), Qt.Key.Key_Tab)
        self.settle()
        self.assertEqual(self.window.desk.selection.number, keys[1])
        self.assertIn("wide", self.snag())
        QTest.keyClick(QApplication.focusWidget(), Qt.Key.Key_Escape)
        self.settle()
        self.assertIs(QApplication.focusWidget(), view)
        # A digit on a selected number begins it anew.
        QTest.keyClick(view, Qt.Key.Key_7)
        self.settle()
        self.assertEqual(QApplication.focusWidget().text(), "7")  # type: ignore[union-attr]
        QTest.keyClick(QApplication.focusWidget(), Qt.Key.Key_Escape)

    def test_what_the_mouse_rests_on_says_what_it_is(self) -> None:
        self.stage(3)
        view = self.find(DrawingView, "elevation")
        key = view.fields()[0]
        for hot, words in ((f"key:{key}", self.number(key).label),):
            spot = view.point_of(hot)
            with patch.object(QToolTip, "showText") as shown:
                view.event(QHelpEvent(QEvent.Type.ToolTip, spot, view.mapToGlobal(spot)))
            self.assertEqual(shown.call_args.args[1], words)
            QTest.mouseMove(view, spot)
            self.settle()
        with self.assertRaises(KeyError):
            view.point_of("key:no/such")

    def test_a_case_is_made_of_other_stock_and_stands_by_itself(self) -> None:
        self.stage(3)
        for name, field in (("choose-goods", "goods"), ("choose-load", "load")):
            combo = self.find(QComboBox, name)
            combo.setCurrentIndex((combo.currentIndex() + 1) % combo.count())
            combo.activated.emit(combo.currentIndex())
            self.settle()
            self.assertEqual(getattr(self.project.case("A"), field), combo.currentData(), name)
        before = self.window.desk.document.made.assembly("A").outside[0].length
        for name, field in (("follows", "follows"), ("in-alcove", "in_alcove")):
            self.assertTrue(getattr(self.project.case("A"), field))
            box = self.find(QCheckBox, name)
            QTest.mouseClick(box, Qt.MouseButton.LeftButton, pos=QPoint(8, box.height() // 2))
            self.settle()
            self.assertFalse(getattr(self.project.case("A"), field))
            # It is as wide as it was, whatever it stood in.
            self.assertEqual(self.window.desk.document.made.assembly("A").outside[0].length, before)

    def test_work_on_a_part_is_added_changed_and_taken_away(self) -> None:
        self.stage(5)
        back = next(part for part in self.window.desk.document.made.parts if part.name == "back")
        self.window.desk.selection.select(part=back.code, case="A", number="")
        self.settle()
        self.press("add-extra:hole")
        hole = self.project.case("A").extras[0]
        self.window.desk.type_over("A/extras.0.diameter", "2 1/4")
        self.settle()
        self.assertEqual(self.project.case("A").extras[0].diameter, inches("2 1/4"))
        part = next(p for p in self.window.desk.document.made.parts if p.code == back.code)
        self.assertTrue(part.machining)
        self.press("drop-extra:0")
        self.assertEqual(self.project.case("A").extras, ())
        self.act("undo")
        self.act("undo")
        self.assertEqual(self.project.case("A").extras, (hole,))

    def test_the_line_between_two_fronts_is_dragged(self) -> None:
        self.window.desk.add_case("drawers")
        self.stage(4)
        view = self.find(FaceEditor, "face")
        level = next(b for b in view.boundaries if b.level)
        one, other = view.line_of(level)
        start = QPoint((one.x() + other.x()) // 2 + 30, one.y())
        QTest.mousePress(view, Qt.MouseButton.LeftButton, pos=start)
        end = start + QPoint(0, 25)
        move = QMouseEvent(
            QEvent.Type.MouseMove, QPointF(end), QPointF(view.mapToGlobal(end)), Qt.MouseButton.NoButton,
            Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier,
        )  # fmt: skip
        QApplication.sendEvent(view, move)
        before = self.project
        self.assertFalse(view.grab().isNull())
        QTest.mouseRelease(view, Qt.MouseButton.LeftButton, pos=end)
        self.settle()
        self.assertNotEqual(self.project, before)
        moved = next(b for b in self.find(FaceEditor, "face").boundaries if b.level)
        self.assertNotEqual(moved.at, level.at)
        self.act("undo")
        self.assertEqual(self.project, before)

    def test_a_damaged_shop_file_is_told_and_never_written_over(self) -> None:
        settings.shop_path().parent.mkdir(parents=True, exist_ok=True)
        settings.shop_path().write_text('{"format": "able', encoding="utf-8")
        self.addCleanup(lambda: settings.shop_path().unlink(missing_ok=True))
        self.measured = False
        window = self.open()
        self.assertIn("damaged", window.snags.sentence.text)
        window.desk.keep_shop(window.desk.shop.with_preset("x", {}))  # type: ignore[arg-type]
        self.assertEqual(settings.shop_path().read_text(encoding="utf-8"), '{"format": "able')
