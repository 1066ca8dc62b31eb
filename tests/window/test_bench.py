# SPDX-License-Identifier: GPL-3.0-or-later
"""The Bench stage driven as a person drives it: from dry fit to fronts, in inches and in millimetres."""

from __future__ import annotations

import unittest

from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QCheckBox, QComboBox, QPushButton, QWidget

from ablebox.core.bench.bench import bench_of
from ablebox.core.bench.verb import What
from ablebox.core.lengths import inches, millimetres
from ablebox.core.order.book import PartState
from ablebox.core.order.frame import Frame
from ablebox.core.order.order import QUESTIONS
from ablebox.core.project import bench_edits
from ablebox.core.project.files import load
from ablebox.core.shop.made import Made
from ablebox.window.stages.bench import BenchStage
from ablebox.window.stages.bench_reading import ReadingMode
from ablebox.window.widgets.length_field import LengthField
from ablebox.window.widgets.words import Words
from tests.uicase import UiCase

CTRL = Qt.KeyboardModifier.ControlModifier


class Bench(UiCase):
    name = "heron-house"

    def setUp(self) -> None:
        super().setUp()
        self.demo(self.name)
        self.key(Qt.Key.Key_7, CTRL)
        stage = self.window.stages["bench"]
        assert isinstance(stage, BenchStage)
        self.stage = stage
        self.settle()

    @property
    def project(self):  # type: ignore[no-untyped-def]
        return self.window.desk.document.project

    def to(self, letter: str, what: What) -> None:
        self.stage.go_to(next(job for job in self.stage.steps if job.letters == (letter,) and job.step.what is what))
        self.settle()

    def press(self, widget: QWidget | None) -> None:
        assert widget is not None
        if isinstance(widget, QCheckBox):
            # Its box is at its left end.
            QTest.mouseClick(widget, Qt.MouseButton.LeftButton, pos=QPoint(8, widget.height() // 2))
        else:
            QTest.mouseClick(widget, Qt.MouseButton.LeftButton)
        self.settle()

    def said(self) -> str:
        return " ".join(each.text for each in self.window.tape.findChildren(Words))

    def test_space_ticks_and_goes_on_backspace_goes_back_and_undo_undoes(self) -> None:
        self.assertEqual(self.stage.at, 0)
        self.to("A", What.MARK)
        first = self.stage.at
        self.stage.setFocus()
        for _ in range(3):
            QTest.keyClick(self.stage, Qt.Key.Key_Space)
        self.assertEqual(self.stage.at, first + 3)
        self.assertEqual(self.project.bench.ticked, ("A/mark", "A/test", "A/machine"))
        QTest.keyClick(self.stage, Qt.Key.Key_Left)
        self.assertEqual((self.stage.at, len(self.project.bench.ticked)), (first + 2, 3))
        QTest.keyClick(self.stage, Qt.Key.Key_Right)
        QTest.keyClick(self.stage, Qt.Key.Key_Backspace)
        self.assertEqual((self.stage.at, self.project.bench.ticked), (first + 2, ("A/mark", "A/test")))
        self.key(Qt.Key.Key_Z, CTRL)
        self.assertEqual(len(self.project.bench.ticked), 3)

    def test_a_gate_is_ticked_line_by_line_and_kept_with_the_project(self) -> None:
        self.to("C", What.BACK)
        self.assertTrue(self.stage.gate.isVisible())
        boxes = {box.objectName(): box for box in self.stage.gate.findChildren(QCheckBox)}
        self.assertIn("gate:C/back.wiped", boxes)
        self.press(boxes["gate:C/back.wiped"])
        self.press(boxes["gate:C/pins"])
        self.assertEqual(set(self.project.bench.ticked), {"C/back.wiped", "C/pins"})
        path = self.folder / "bench.ablebox"
        self.window.desk.document.save(path)
        self.assertEqual(load(path).project.bench, self.project.bench)
        self.to("C", What.TOP_RAILS)
        self.assertFalse(self.stage.gate.isVisible())

    def test_the_first_dado_is_measured_before_the_batch_is_cut(self) -> None:
        self.to("C", What.TEST)
        for text, words in (
            ("11/16", "Too tight by 1/32"),
            ("25/32", "Loose by 1/16"),
            ("23/32", "It fits: cut the batch."),
        ):
            field = self.find(LengthField, "came-out:C/dado.first")
            field.setFocus()
            field.selectAll()
            QTest.keyClicks(field, text)
            QTest.keyClick(field, Qt.Key.Key_Return)
            self.settle()
            self.assertIn(words, self.said())
        self.assertEqual(self.project.measured["C/dado.first"], inches("23/32"))

    def test_what_came_out_is_asked_for_and_overrules(self) -> None:
        self.to("C", What.SQUARE)
        for name, text in (("rising", "42 9/16"), ("falling", "42 5/8")):
            field = self.find(LengthField, f"came-out:C/diagonal.{name}")
            field.setFocus()
            QTest.keyClicks(field, text)
            QTest.keyClick(field, Qt.Key.Key_Return)
            self.settle()
        self.assertEqual(self.project.measured["C/diagonal.falling"], inches("42 5/8"))
        self.assertIn("The case is out by 1/16", self.said())
        self.assertIn("1/32", self.said())
        self.to("C", What.OPENINGS)
        before = self.window.desk.document.made.assembly("C").part("drawer.1.front").length.length
        field = self.find(LengthField, "came-out:C/drawer.1.opening/width")
        field.setFocus()
        QTest.keyClicks(field, "22 11/16")
        QTest.keyClick(field, Qt.Key.Key_Return)
        self.settle()
        after = self.window.desk.document.made.assembly("C").part("drawer.1.front").length.length
        self.assertEqual(before - after, inches("22 3/4") - inches("22 11/16"))
        field = self.find(LengthField, "came-out:C/drawer.1.opening/width")
        field.setFocus()
        field.start("a bit")
        QTest.keyClick(field, Qt.Key.Key_Return)
        self.assertEqual(self.project.measured["C/drawer.1.opening/width"], inches("22 11/16"))
        self.assertTrue(field.accessibleDescription())

    def test_the_order_is_chosen_for_the_job_and_for_a_case(self) -> None:
        self.to("C", What.PINS)
        self.press(self.find(QPushButton, "bench-order"))
        box = self.window.tape.findChild(QComboBox, "order-pins")
        assert box is not None
        self.assertIn("set-ups", self.said())
        # Beside each other answer stands what the order would ask for with it.
        lines = [each for each in self.window.tape.findChildren(Words) if each.objectName().startswith("price-")]
        self.wait_for(lambda: all(line.text for line in lines))
        line = next(each for each in lines if each.objectName() == "price-frame-first")
        then = bench_of(Made(bench_edits.ordered(self.project, "", "frame", Frame.FIRST))).price
        self.assertTrue(line.text.endswith(then.beside(self.stage.bench.price)), line.text)
        self.assertIn("less", line.text)
        box.setCurrentIndex(1)
        box.activated.emit(1)
        self.settle()
        self.assertEqual(self.project.bench.order.pins.value, "on-case")
        batch = self.window.tape.findChild(QComboBox, "order-batch")
        assert batch is not None
        count = len(self.stage.steps)
        batch.setCurrentIndex(1)
        batch.activated.emit(1)
        self.settle()
        self.assertLess(len(self.stage.steps), count)
        self.assertTrue(any(len(job.rows) > 1 for job in self.stage.steps))
        self.assertEqual(len(QUESTIONS), 10)

    def test_reading_mode_shows_one_step_and_goes_on_by_one_key(self) -> None:
        self.to("A", What.MARK)
        self.press(self.find(QPushButton, "bench-reading"))
        reading = self.stage.reading
        self.assertIsInstance(reading, ReadingMode)
        self.assertGreaterEqual(reading.heading.size_of_type, 40)
        QTest.keyClick(reading, Qt.Key.Key_Space)
        self.press(reading.findChild(QPushButton, "reading-on"))
        self.assertEqual(len(self.project.bench.ticked), 2)
        self.assertTrue(reading.heading.text.startswith("A · 4"), reading.heading.text)
        QTest.keyClick(reading, Qt.Key.Key_Left)
        self.assertEqual(len(self.project.bench.ticked), 1)
        reading.close()

    def test_every_step_of_a_case_can_be_seen_from_dry_fit_to_fronts(self) -> None:
        self.to("C", What.DRY_FIT)
        titles = []
        while (
            self.stage.job is not None
            and self.stage.job.letters == ("C",)
            and self.stage.job.step.what is not What.CARRY
        ):
            self.assertIn("Case C", self.stage.heading.text)
            self.assertEqual(self.stage.gate.isVisible(), self.stage.wire.tickets[self.stage.at].gate)
            titles.append(self.stage.job.step.what)
            self.stage.go(1)
            self.settle()
        self.assertLess(titles.index(What.BACK), titles.index(What.FRAME))
        self.assertLess(titles.index(What.BOXES), titles.index(What.FRONTS))

    def test_copies_of_a_case_come_as_far_as_they_have(self) -> None:
        letter = self.project.cases[-1].letter
        self.window.desk.selection.select(case=letter)
        self.window.desk.set_case("made twice", copies=2)
        self.to(letter, What.MARK)
        self.press(self.window.tape.findChild(QCheckBox, f"copy:{letter}#2/mark"))
        self.assertIn(f"{letter}#2/mark", self.project.bench.ticked)
        self.assertNotIn(f"{letter}/mark", self.project.bench.ticked)
        bench, job = self.stage.bench, self.stage.job
        assert job is not None
        self.assertFalse(bench.is_done(job))
        self.press(self.window.tape.findChild(QCheckBox, f"copy:{letter}/mark"))
        self.assertTrue(self.stage.bench.is_done(job))

    def test_states_of_parts_follow_and_can_be_told(self) -> None:
        self.to("A", What.MARK)
        self.stage.setFocus()
        for _ in range(3):
            QTest.keyClick(self.stage, Qt.Key.Key_Space)
        self.key(Qt.Key.Key_5, CTRL)
        self.window.desk.selection.select(part="A-01", number="")
        self.settle()
        self.assertIn("A-01: machined", self.said())
        place = next(part for part in self.window.desk.document.made.parts if part.code == "A-01").places[0]
        box = self.window.tape.findChild(QComboBox, f"state:{place}")
        assert box is not None
        at = [box.itemText(i) for i in range(box.count())].index("fitted")
        box.setCurrentIndex(at)
        box.activated.emit(at)
        self.settle()
        self.assertEqual(self.project.bench.states, {place: PartState.FITTED})


class BenchInMillimetres(Bench):
    """The same in a metric project, half way through."""

    name = "mill-pantry"

    def test_space_ticks_and_goes_on_backspace_goes_back_and_undo_undoes(self) -> None:
        self.assertEqual(self.stage.job.step.what if self.stage.job else None, What.BACK)
        self.assertIn("is out by 2", self.said())

    def test_the_first_dado_is_measured_before_the_batch_is_cut(self) -> None:
        self.to("A", What.TEST)
        field = self.find(LengthField, "came-out:A/dado.first")
        field.setFocus()
        QTest.keyClicks(field, "18")
        QTest.keyClick(field, Qt.Key.Key_Return)
        self.settle()
        self.assertIn("It fits", self.said())

    def test_a_gate_is_ticked_line_by_line_and_kept_with_the_project(self) -> None:
        self.window.desk.document.look_again()
        self.assertIn("bench.gate", {snag.code for snag in self.window.desk.document.snags})
        box = next(each for each in self.stage.gate.findChildren(QCheckBox) if not each.isChecked())
        self.press(box)
        self.assertNotIn("bench.gate", {snag.code for snag in self.window.desk.document.snags})

    def test_what_came_out_is_asked_for_and_overrules(self) -> None:
        self.to("A", What.DRY_FIT)
        field = self.find(LengthField, "came-out:A/inside.width")
        field.setFocus()
        QTest.keyClicks(field, "557.5")
        QTest.keyClick(field, Qt.Key.Key_Return)
        self.settle()
        self.assertEqual(self.project.measured["A/inside.width"], millimetres("557.5"))

    def test_the_order_is_chosen_for_the_job_and_for_a_case(self) -> None:
        self.press(self.find(QPushButton, "bench-order"))
        self.assertIn("For the whole job", self.said())

    def test_every_step_of_a_case_can_be_seen_from_dry_fit_to_fronts(self) -> None:
        for _ in range(len(self.stage.steps)):
            self.stage.go(1)
        self.assertEqual(self.stage.at, len(self.stage.steps) - 1)

    def test_reading_mode_shows_one_step_and_goes_on_by_one_key(self) -> None:
        count = len(self.project.bench.ticked)
        self.stage.walk(1)
        self.assertEqual(len(self.project.bench.ticked), count + 1)

    def test_states_of_parts_follow_and_can_be_told(self) -> None:
        self.key(Qt.Key.Key_5, CTRL)
        self.window.desk.selection.select(part="A-01", number="")
        self.settle()
        self.assertIn("A-01: fitted", self.said())


if __name__ == "__main__":
    unittest.main()
