# SPDX-License-Identifier: GPL-3.0-or-later
"""The Fit stage driven as a person drives it, in inches and in millimetres, and what the Room and Run stages ask for it."""

from __future__ import annotations

import unittest

from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QCheckBox, QComboBox, QPushButton, QWidget

from ablebox.core.bench.verb import What
from ablebox.core.lengths import ZERO, inches, millimetres
from ablebox.core.room.backing import Backing, Found, HoldKind
from ablebox.core.run.tie import Same
from ablebox.window.stages.fit import FitStage
from ablebox.window.stages.fit_tape import TickLine
from ablebox.window.widgets.length_field import LengthField
from ablebox.window.widgets.words import Words
from tests.uicase import UiCase

CTRL = Qt.KeyboardModifier.ControlModifier


class Fitting(UiCase):
    name = "quarry-hall"

    def setUp(self) -> None:
        super().setUp()
        self.demo(self.name)
        self.key(Qt.Key.Key_8, CTRL)
        stage = self.window.stages["fit"]
        assert isinstance(stage, FitStage)
        self.stage = stage
        self.settle()

    @property
    def project(self):  # type: ignore[no-untyped-def]
        return self.window.desk.document.project

    def said(self) -> str:
        return " ".join(each.text for each in self.window.tape.findChildren(Words))

    def to(self, letter: str, what: What) -> None:
        self.stage.go_to(next(job for job in self.stage.steps if job.letters == (letter,) and job.step.what is what))
        self.settle()

    def choose(self, name: str, value: object) -> None:
        box = self.find(QComboBox, name)
        box.setCurrentIndex(box.findData(value))
        box.activated.emit(box.currentIndex())
        self.settle()

    def type_in(self, name: str, text: str) -> None:
        field = self.find(LengthField, name)
        field.setFocus()
        field.selectAll()
        QTest.keyClicks(field, text)
        QTest.keyClick(field, Qt.Key.Key_Return)
        self.settle()

    def test_space_ticks_and_goes_on_and_what_stands_is_counted(self) -> None:
        self.assertEqual(self.stage.state(), "0 of 4 stand")
        self.stage.setFocus()
        while self.stage.job is not None and self.stage.job.step.what is not What.STAND:
            QTest.keyClick(self.stage, Qt.Key.Key_Space)
            self.settle()
        self.assertIn("Case C goes in first", self.said())
        QTest.keyClick(self.stage, Qt.Key.Key_Space)
        self.settle()
        self.assertEqual(self.stage.state(), "1 of 4 stand")
        self.assertIn("C/stand", self.project.bench.ticked)
        self.assertTrue(any(entry.about == "C/stand" for entry in self.project.log))
        QTest.keyClick(self.stage, Qt.Key.Key_Backspace)
        self.settle()
        self.assertEqual(self.stage.state(), "0 of 4 stand")
        self.window.desk.document.undo()
        self.assertEqual(self.stage.state(), "1 of 4 stand")
        at = self.stage.at
        QTest.keyClick(self.stage, Qt.Key.Key_Right)
        self.assertEqual(self.stage.at, at + 1)

    def test_lines_are_ticked_by_box_and_by_words_and_numbers_come_out(self) -> None:
        self.to("C", What.STAND)
        lines = self.window.tape.findChildren(TickLine)
        self.assertGreater(len(lines), 3)
        QTest.mouseClick(lines[0], Qt.MouseButton.LeftButton, pos=QPoint(lines[0].width() - 20, 10))
        self.settle()
        box = self.window.tape.findChildren(TickLine)[1].findChild(QCheckBox)
        QTest.mouseClick(box, Qt.MouseButton.LeftButton)
        self.settle()
        self.assertEqual(len(self.project.fit.done), 2)
        self.type_in("came-out:C/level", "1/16")
        self.assertEqual(self.project.fit.came_out, {"C/level": inches("1/16")})
        self.type_in("came-out:C/plumb", "no")
        self.assertNotIn("C/plumb", self.project.fit.came_out)
        self.assertIn("3 in", self.said())
        self.assertIn("lining as measured", self.said())

    def test_what_is_screwed_in_the_room_is_brought(self) -> None:
        self.to("A", What.STAND)
        self.assertIn("4 × case screws 2 in", self.said())
        self.to("f", What.SCRIBE)
        self.assertIn("plane, drill, driver 4 × case screws 2 in", self.said())
        self.assertIn("4 × case screws 2 in through the case’s side.", self.said())

    def test_a_click_on_the_wall_and_on_the_sheet_shows_the_step_of_a_case(self) -> None:
        self.to("C", What.STAND)
        self.click("fit-drawing", "case:A")
        assert self.stage.job is not None
        self.assertEqual(self.stage.job.letters, ("A",))
        self.press("fit-step:D/stand")
        assert self.stage.job is not None
        self.assertEqual(self.stage.job.places, ("D/stand",))
        self.assertIn("Set it on case A", self.said())
        self.press("fit-above")
        self.assertIn("from above", self.stage.under.text)
        self.press("fit-above")

    def test_the_list_of_before_and_what_goes_first(self) -> None:
        self.stage.go_to(self.stage.steps[0])
        self.settle()
        self.assertIn("Take the baseboard off behind", self.said())
        self.assertIn("keep it to refit", self.said())
        self.press("fit-line:room/obstacle.1")
        self.assertEqual(self.project.fit.done, ("room/obstacle.1",))
        box = self.find(QComboBox, "fit-first")
        box.setCurrentIndex(1)
        box.activated.emit(1)
        self.settle()
        self.assertEqual(self.project.bench.order.first.value, "bases")

    def test_the_room_stage_reads_floors_from_a_line_and_says_what_is_behind_the_wall(self) -> None:
        self.key(Qt.Key.Key_1, CTRL)
        room = self.window.stages["room"]
        self.window.desk.selection.select(number="")
        self.settle()
        self.type_in("tape:room/lining", "3/4")
        self.type_in("tape:room/lean.right", "1/4")
        self.assertEqual((self.project.wall(1).lining, self.project.wall(1).lean_right), (inches("3/4"), inches("1/4")))
        self.choose("wall-backing", Backing.SOLID)
        self.assertIs(self.project.wall(1).backing, Backing.SOLID)
        self.window.desk.selection.select(number="room/stud.1")
        self.settle()
        self.choose("stud-found:1", Found.HOLE)
        self.choose("stud-kind:1", HoldKind.INSERT)
        stud = self.project.wall(1).studs[0]
        self.assertEqual((stud.found, stud.kind, stud.up is not None), (Found.HOLE, HoldKind.INSERT, True))
        self.press("studs-proven")
        self.assertTrue(all(each.found is Found.HOLE for each in self.project.wall(1).studs))
        self.window.desk.selection.select(number="room/floor.2.high")
        self.settle()
        self.assertIn("down from the line", self.said())
        room.add_joists()  # type: ignore[attr-defined]
        self.settle()
        self.assertTrue(self.project.wall(1).joists)
        self.window.desk.selection.select(number="")
        self.settle()
        QTest.mouseClick(self.find(QPushButton, "add-room"), Qt.MouseButton.LeftButton)
        self.settle()
        self.assertEqual(len(self.project.room.names), 2)
        self.window.desk.document.undo()

    def test_the_run_stage_stands_cases_on_others_and_ties_sizes(self) -> None:
        self.key(Qt.Key.Key_2, CTRL)
        self.window.desk.selection.select(case="D", number="")
        self.settle()
        box = self.find(QComboBox, "stands-on")
        self.assertEqual(box.currentText(), "case A")
        box.setCurrentIndex(0)
        box.activated.emit(0)
        self.settle()
        self.assertIsNone(self.project.case("D").on)
        self.window.desk.document.undo()
        self.assertIsNotNone(self.project.case("D").on)
        self.type_in("tape:D/on.along", "1/2")
        self.assertEqual(self.project.case("D").on.along, inches("1/2"))
        self.window.desk.selection.select(case="C", number="")
        self.settle()
        self.choose(f"tie:{Same.HEIGHT.value}", "A")
        self.assertEqual([(tie.case, tie.same.value) for tie in self.project.ties][-1], ("C", "height"))
        self.type_in("tape:tie/3.plus", "1/4")
        self.assertEqual(self.project.ties[-1].plus, inches("1/4"))
        self.choose(f"tie:{Same.DEPTH.value}", None)
        self.assertEqual(len(self.project.ties), 2)


class InMillimetres(UiCase):
    def test_the_attic_in_millimetres(self) -> None:
        self.demo("weir-loft")
        self.key(Qt.Key.Key_8, CTRL)
        stage = self.window.stages["fit"]
        assert isinstance(stage, FitStage)
        self.settle()
        self.assertIn("sizes in millimetres", stage.under.text)
        stage.go_to(next(job for job in stage.steps if job.step.what is What.STAND))
        self.settle()
        words = " ".join(each.text for each in self.window.tape.findChildren(Words))
        self.assertIn("15 mm lining as measured", words)
        shim = max(stage.fit.shims, key=lambda each: each.thickness)
        self.assertTrue(millimetres(10) < shim.thickness < millimetres(16))
        self.assertGreater(shim.thickness, ZERO)

    def test_a_job_without_a_run_says_what_to_do(self) -> None:
        self.demo("lantern-yard")
        self.key(Qt.Key.Key_8, CTRL)
        stage = self.window.stages["fit"]
        assert isinstance(stage, FitStage)
        self.settle()
        self.assertEqual(stage.heading.text, "Nothing to set yet")
        self.assertIsInstance(self.find(QWidget, "fit-done"), QWidget)
        self.assertFalse(self.find(QPushButton, "fit-done").isEnabled())


if __name__ == "__main__":
    unittest.main()
