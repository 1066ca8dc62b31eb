# SPDX-License-Identifier: GPL-3.0-or-later
"""What hands do in passing changes nothing it was not meant for: every box, button and field of every stage is tried."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import QEvent, QPoint, QPointF, Qt
from PyQt6.QtGui import QKeyEvent, QWheelEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QAbstractButton, QAbstractSpinBox, QApplication, QComboBox, QLineEdit, QPushButton, QWidget

from ablebox.cli import demo
from ablebox.core.lengths import inches
from ablebox.window.main_window import STAGES
from ablebox.window.widgets.drawing_view import DrawingView
from ablebox.window.widgets.length_field import LengthField
from tests.uicase import UiCase

CTRL = Qt.KeyboardModifier.ControlModifier


def wheel(widget: QWidget) -> None:
    middle = QPointF(widget.rect().center())
    event = QWheelEvent(
        middle, widget.mapToGlobal(middle), QPoint(0, -120), QPoint(0, -120), Qt.MouseButton.NoButton,
        Qt.KeyboardModifier.NoModifier, Qt.ScrollPhase.NoScrollPhase, False,
    )  # fmt: skip
    QApplication.sendEvent(widget, event)


class EveryWidget(UiCase):
    def walk(self, path: Path) -> None:
        window = self.window
        window.desk.document.open(path, as_copy=True)
        for stage in STAGES:
            window.desk.selection.select(stage=stage.name, number="")
            self.settle()
            before = self.project
            for box in window.findChildren((QComboBox, QAbstractSpinBox)):  # type: ignore[call-overload]
                if box.isVisible():
                    self.assertFalse(box.hasFocus())
                    wheel(box)
                    self.assertFalse(box.hasFocus(), box.objectName())
            self.assertIs(self.project, before, stage.name)
            # Enter in each field, with nothing typed, and on the stage itself: nothing happens.
            names = [field.objectName() for field in window.findChildren(QLineEdit) if field.isVisible()]
            for name in names:
                # The tape may be made anew when a field gets the focus.
                found = [each for each in window.findChildren(QLineEdit, name) if each.isVisible()]
                for field in found[:1]:
                    field.setFocus()
                    QTest.keyClick(QApplication.focusWidget() or field, Qt.Key.Key_Return)
                    self.settle()
            for view in window.findChildren(DrawingView):
                if view.isVisible():
                    view.setFocus()
                    QTest.keyClick(view, Qt.Key.Key_Return)
                    self.settle()
            window.setFocus()
            QTest.keyClick(window, Qt.Key.Key_Return)
            self.settle()
            self.assertIs(self.project, before, stage.name)

    def test_nothing_changes_in_passing_on_any_stage(self) -> None:
        for name in ("harbour-cottage", "weir-loft"):
            self.walk(demo.path_of(name))

    def test_enter_and_space_press_buttons(self) -> None:
        self.key(Qt.Key.Key_3, CTRL)
        for key in (Qt.Key.Key_Return, Qt.Key.Key_Space):
            button = self.find(QPushButton, "view:plan")
            self.find(QPushButton, "view:section").click()
            button.setFocus()
            QTest.keyClick(button, key)
            self.settle()
            self.assertTrue(button.isChecked())
        pressed = self.find(QAbstractButton, "stage:run")
        pressed.setFocus()
        QTest.keyClick(pressed, Qt.Key.Key_Return)
        self.settle()
        self.assertEqual(self.window.desk.selection.stage, "run")

    def test_the_snags_offer_is_taken_by_its_own_key_and_where_the_line_has_the_focus(self) -> None:
        self.window.desk.type_over("A/height", "120")
        self.settle()
        self.assertIsNotNone(self.window.snags.snag)
        high = self.project
        name = self.find(QLineEdit, "alcove-name")
        name.setFocus()
        QTest.keyClicks(name, "Niche")
        QTest.keyClick(name, Qt.Key.Key_Return)
        QTest.keyClick(name, Qt.Key.Key_Return)
        self.settle()
        self.assertEqual(self.project.case("A"), high.case("A"))
        self.assertIn("Ctrl", self.window.snags.fix.text())
        self.window.snags.fix.setFocus()
        QTest.keyClick(self.window.snags.fix, Qt.Key.Key_Return)
        self.settle()
        self.assertNotEqual(self.project.case("A"), high.case("A"))
        self.act("undo")
        self.key(Qt.Key.Key_Return, CTRL)
        self.assertNotEqual(self.project.case("A"), high.case("A"))


class OnADrawing(UiCase):
    def test_after_enter_and_escape_the_selection_stays(self) -> None:
        self.click("alcove", "key:room/width.3")
        self.key(Qt.Key.Key_Escape)
        self.assertEqual(self.window.desk.selection.number, "room/width.3")
        self.key(Qt.Key.Key_3, CTRL)
        self.click("elevation", "key:A/height")
        self.type("34")
        self.assertEqual(self.window.desk.selection.number, "A/height")
        # Digits typed next are for that number, and for no other.
        for key in (Qt.Key.Key_3, Qt.Key.Key_5, Qt.Key.Key_Return):
            QTest.keyClick(QApplication.focusWidget(), key)
        self.settle()
        self.assertEqual(self.project.case("A").height, inches(35))

    def test_a_size_that_follows_opens_as_it_is_drawn_and_any_number_typed_sets_it(self) -> None:
        self.key(Qt.Key.Key_3, CTRL)
        self.click("elevation", "key:A/width")
        field = QApplication.focusWidget()
        assert isinstance(field, LengthField)
        self.assertEqual(field.text(), "26 3/4")
        QTest.keyClick(field, Qt.Key.Key_Return)
        self.settle()
        self.assertTrue(self.project.case("A").follows)
        self.click("elevation", "key:A/width")
        self.type("26 3/4")
        case = self.project.case("A")
        self.assertEqual((case.follows, case.width), (False, inches("26 3/4")))

    def test_a_click_takes_all_of_a_field(self) -> None:
        name = self.find(QLineEdit, "alcove-name")
        QTest.mouseClick(name, Qt.MouseButton.LeftButton)
        self.settle()
        self.assertEqual(name.selectedText(), "Alcove")

    def test_what_is_no_size_stays_in_its_field_with_the_reason(self) -> None:
        self.click("alcove", "key:room/width.2")
        self.type("27 1/4 wide")
        self.key(Qt.Key.Key_1, CTRL)
        self.window.stages["room"].setFocus()
        self.settle()
        self.assertIn("room/width.2", self.window.desk.drafts)
        self.click("alcove", "key:room/width.2")
        field = QApplication.focusWidget()
        assert isinstance(field, LengthField)
        self.assertEqual(field.text(), "27 1/4 wide")
        self.key(Qt.Key.Key_Escape)
        self.assertEqual(self.window.desk.drafts, {})


class Keys(UiCase):
    def test_other_cases_are_reached_whatever_was_chosen(self) -> None:
        self.window.desk.document.open(demo.path_of("heron-house"), as_copy=True)
        for stage in STAGES:
            self.window.desk.selection.select(stage=stage.name)
            for case in self.project.cases:
                self.window.desk.selection.select(case=case.letter)
                bays = self.window.desk.document.made.assembly(case.letter).bays
                fronts = self.window.desk.document.made.assembly(case.letter).fronts
                self.window.desk.selection.select(
                    bay=bays[-1].path if bays else "", joint="inside", cell=fronts[-1].path if fronts else ""
                )
                self.settle()
                self.window.stage.setFocus()
                self.key(Qt.Key.Key_BracketRight)
                self.assertNotEqual(self.window.desk.selection.case, case.letter)
                self.assertEqual(self.window.desk.selection.bay, "")

    def test_single_keys_work_on_keyboards_of_other_languages(self) -> None:
        """A Cyrillic keyboard gives another letter where N is printed; the key is known by where it is."""
        self.window.stage.setFocus()
        was = self.window.snags.snag
        self.assertGreater(len(self.window.desk.document.snags), 1)
        for kind in (QEvent.Type.KeyPress, QEvent.Type.KeyRelease):
            event = QKeyEvent(kind, 0x0422, Qt.KeyboardModifier.NoModifier, 57, 0, 0, "т")
            QApplication.sendEvent(self.window.stage, event)
        self.settle()
        self.assertNotEqual(self.window.snags.snag, was)

    def test_space_makes_the_next_cut_after_a_click_on_the_sheet(self) -> None:
        self.key(Qt.Key.Key_6, CTRL)
        view = next(each for each in self.window.stage.findChildren(DrawingView) if each.isVisible())
        QTest.mouseClick(view, Qt.MouseButton.LeftButton, pos=view.rect().center())
        self.settle()
        QTest.keyClick(QApplication.focusWidget(), Qt.Key.Key_Space)
        self.settle()
        self.assertTrue(any(sheet.cuts for sheet in self.project.held))
