# SPDX-License-Identifier: GPL-3.0-or-later
"""Days, finish, buying and the log on the Bench stage, as a person uses them: a week with a slip, typed and dragged."""

from __future__ import annotations

import unittest
from dataclasses import replace
from datetime import date, datetime, timedelta
from pathlib import Path

from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QComboBox, QLineEdit, QPushButton, QWidget

from ablebox.core.bench.verb import What
from ablebox.core.buying.book import BuyState
from ablebox.core.coats.book import Sight
from ablebox.core.lengths import inches
from ablebox.core.log.entry import EntryKind
from ablebox.core.project.files import load
from ablebox.core.project.tree import blank_project
from ablebox.window.stages.bench import BenchStage
from ablebox.window.widgets.words import LinkWords, Words
from tests.uicase import UiCase

CTRL = Qt.KeyboardModifier.ControlModifier
NOW = datetime(2026, 12, 5, 8, 30)


class Days(UiCase):
    def setUp(self) -> None:
        super().setUp()
        self.now = NOW
        self.window.desk.now = lambda: self.now
        self.demo("harbour-cottage")
        self.key(Qt.Key.Key_7, CTRL)
        stage = self.window.stages["bench"]
        assert isinstance(stage, BenchStage)
        self.stage = stage
        self.settle()

    @property
    def project(self):  # type: ignore[no-untyped-def]
        return self.window.desk.document.project

    def said(self) -> str:
        return " ".join(each.text for each in self.window.tape.findChildren(Words) if each.isVisible())

    def turn(self, name: str) -> None:
        self.press(f"bench-{name}")

    def put(self, name: str, text: str) -> None:
        """Type into a field of the tape, and Enter."""
        field = self.window.tape.findChild(QLineEdit, name)
        assert field is not None, name
        field.setFocus()
        field.selectAll()
        QTest.keyClicks(field, text)
        QTest.keyClick(field, Qt.Key.Key_Return)
        self.settle()

    def follow(self, widget: QWidget | None) -> None:
        assert widget is not None
        QTest.mouseClick(widget, Qt.MouseButton.LeftButton, pos=QPoint(6, widget.height() // 2))
        self.settle()

    def test_a_day_is_seen_and_a_step_is_dragged_onto_another(self) -> None:
        self.turn("days")
        sheet = self.stage.days.sheet
        self.assertTrue(sheet.isVisible())
        self.assertFalse(self.stage.wire.isVisible())
        self.assertIn("Saturday, 5 December", self.stage.heading.text)
        self.assertIn("Ends", self.said())
        n = next(job.n for job in self.stage.steps if job.step.what is What.SAW)
        start, end = sheet.point_of(n), sheet.point_of_day(date(2026, 12, 12))
        QTest.mousePress(sheet, Qt.MouseButton.LeftButton, pos=start.toPoint())
        QTest.mouseMove(sheet, QPointF(start.x() + 30, start.y()).toPoint())
        QTest.mouseMove(sheet, end.toPoint())
        QTest.mouseRelease(sheet, Qt.MouseButton.LeftButton, pos=end.toPoint())
        self.settle()
        self.assertEqual(set(self.project.days.pinned.values()), {date(2026, 12, 12)})
        self.assertIn("later", self.stage.under.text)
        self.key(Qt.Key.Key_Z, CTRL)
        self.assertEqual(self.project.days.pinned, {})
        # The strip is walked by keys too, and a click shows a day.
        sheet.setFocus()
        QTest.keyClick(sheet, Qt.Key.Key_Right)
        self.assertIn("Sunday, 6 December", self.stage.heading.text)
        QTest.mouseClick(sheet, Qt.MouseButton.LeftButton, pos=sheet.point_of_day(date(2026, 12, 7)).toPoint())
        self.assertIn("a day off", self.stage.under.text)

    def test_hours_noise_and_warmth_are_typed_as_people_write_them(self) -> None:
        self.turn("days")
        self.put("hours-0", "9-12:30 x2, 14-16")
        self.assertEqual([span.hands for span in self.project.days.hours.week[0]], [2, 1])
        self.put("hours-1", "9 o'clock")
        self.assertIn("is no time from when to when", self.said())
        self.assertEqual(len(self.project.days.hours.week[1]), 1)
        self.put("hours-date", "2026-12-12 off")
        self.assertEqual(self.project.days.hours.dates, {date(2026, 12, 12): ()})
        self.put("days-noise", "9-18")
        self.put("days-quiet", "Sat, Sun")
        self.assertEqual(self.project.days.noise.quiet, (5, 6))
        self.put("days-worked", "50 F")
        self.assertEqual(self.project.days.warmth.worked, 10)
        self.put("days-cold", "2026-12-10 2026-12-14 41 34 F")
        self.assertEqual([(spell.worked, spell.left) for spell in self.project.days.warmth.dates], [(5, 1)])
        self.put("days-cold", "next week")
        self.assertIn("is no cold spell", self.said())
        self.put("glue-open", "10 min")
        self.put("glue-least", "55 F")
        self.assertEqual((self.project.days.glue.open, self.project.days.glue.least), (10, 13))
        self.put("glue-clamp", "5")
        self.assertIn("does not work here", self.said())
        self.put("days-left", "warm")
        self.assertIn("is no temperature", self.said())
        for day in range(7):
            self.put(f"hours-{day}", "off")
        self.assertIn("No plan of days", self.stage.heading.text)
        self.assertIn("Give more hours", self.stage.under.text)

    def test_somebody_comes_and_days_that_are_kept_stay(self) -> None:
        self.turn("days")
        self.put("other-before", "2026-12-05 10:00 the plumber")
        self.assertEqual(self.project.days.others[0].what, "the plumber")
        self.put("other-after", "tomorrow")
        self.assertIn("is no date", self.said())
        self.follow(self.window.tape.findChild(LinkWords, "days-keep"))
        laid = self.project.days.laid
        self.follow(self.window.tape.findChild(LinkWords, "days-next"))
        kept = self.window.desk.shop.days
        assert kept is not None
        self.assertEqual((kept.others, kept.laid, kept.hours.week), ((), {}, self.project.days.hours.week))
        self.assertEqual(blank_project(days=kept).days, kept)
        self.assertEqual(len(laid), sum(len(job.places) for job in self.stage.steps))
        self.now = NOW + timedelta(days=1)
        self.stage.days.plan()
        plan, _ = self.stage.days.plan()
        assert plan is not None
        self.assertTrue(all(placed.start >= plan.line.minute(NOW) for placed in plan.placed.values()))

    def test_ticks_and_numbers_write_themselves_down_and_stay_whatever_is_undone(self) -> None:
        self.stage.setFocus()
        QTest.keyClick(self.stage, Qt.Key.Key_Space)
        self.assertEqual([(entry.kind, entry.about) for entry in self.project.log], [(EntryKind.DONE, "j/blocks")])
        self.key(Qt.Key.Key_Z, CTRL)
        self.assertEqual((self.project.bench.ticked, len(self.project.log)), ((), 1))
        self.turn("log")
        self.assertIn("make blocks", self.said())
        kinds = self.window.tape.findChild(QComboBox, "log-kind")
        assert kinds is not None
        kinds.setCurrentIndex(kinds.findData(EntryKind.OPEN))
        kinds.activated.emit(kinds.currentIndex())
        self.settle()
        self.put("log-text", "caps to remake")
        self.put("log-about", "B")
        self.follow(self.window.tape.findChild(QPushButton, "log-write"))
        self.assertIn("Still open", self.said())
        self.follow(next(each for each in self.window.tape.findChildren(LinkWords) if each.text == "settled"))
        self.assertNotIn("Still open", self.said())
        self.put("log-search", "caps")
        self.assertNotIn("make blocks", self.said())
        path = self.folder / "log.ablebox"
        self.window.desk.document.save(path)
        self.assertEqual(load(path).project.log, self.project.log)
        photo = Path(self.folder) / "front.png"
        photo.write_bytes(b"png")
        self.stage.log.keep_photo(photo, "A")
        self.stage.log.keep_photo(photo, "A")
        names = [entry.text for entry in self.project.log if entry.kind is EntryKind.PHOTO]
        self.assertEqual(names, ["log-front.png", "log-front-2.png"])
        self.assertTrue(all((path.parent / name).is_file() for name in names))

    def test_the_finish_is_chosen_and_a_face_is_turned_by_a_click(self) -> None:
        self.turn("finish")
        self.assertIn("Decide before show cuts", self.said())
        box = self.window.tape.findChild(QComboBox, "finish-outside")
        assert box is not None
        box.setCurrentIndex(box.findData("oil"))
        box.activated.emit(box.currentIndex())
        self.settle()
        self.assertEqual(self.project.coats.outside, "oil")
        self.assertIn("oil: ", self.said())
        self.assertIn("to another day; it ends", self.said())
        self.follow(self.window.tape.findChild(LinkWords, "face:A/door.left:front"))
        self.assertEqual(self.project.coats.sights, {"A/door.left:front": Sight.UNSEEN})
        self.assertIn("as told", self.said())

    def test_what_is_bought_is_ordered_and_counted_from_what_is_on_hand(self) -> None:
        self.turn("buying")
        self.assertIn("wood glue", self.said())
        box = self.window.tape.findChild(QComboBox, "buy-state:wood glue")
        assert box is not None
        box.setCurrentIndex(box.findData(BuyState.ORDERED))
        box.activated.emit(box.currentIndex())
        self.settle()
        self.follow(self.window.tape.findChild(LinkWords, "buy:wood glue"))
        self.put("buy-have:wood glue", "1")
        self.put("buy-price:wood glue", "0.80")
        known = self.project.buying["wood glue"]
        self.assertEqual((known.state, known.on_hand, known.cents), (BuyState.ORDERED, 1, 80))
        self.put("buy-price:wood glue", "dear")
        self.assertIn("is no number", self.said())

    def test_options_are_made_compared_and_taken(self) -> None:
        self.turn("options")
        self.put("option-new", "deeper")
        self.assertEqual(self.project.option, "deeper")
        case = self.project.cases[0]
        self.window.desk.change("deeper", self.project.with_case(replace(case, depth=case.depth + inches(1))))
        self.settle()
        self.follow(self.window.tape.findChild(QPushButton, "option-compare"))
        self.assertIn("cu ft", self.said())
        self.assertIn("first instead of deeper", self.said())
        self.follow(self.window.tape.findChild(LinkWords, "option:first"))
        self.assertEqual((self.project.option, self.project.cases[0]), ("first", case))
        self.put("option-new", "deeper")
        self.assertIn("is an option already", self.said())


if __name__ == "__main__":
    unittest.main()
