# SPDX-License-Identifier: GPL-3.0-or-later
"""The Room and Run stages under the hand: readings one after another, a meter, walls, obstacles, members of a run."""

from __future__ import annotations

import sys
from dataclasses import replace
from unittest.mock import patch

from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QApplication, QCheckBox, QComboBox, QMenu, QWidget

from ablebox.core.case.end.end_panel import EndPanel
from ablebox.core.case.end.undecided import Undecided
from ablebox.core.lengths import ZERO, inches
from ablebox.core.project.json_format import from_text, to_text
from ablebox.core.room.meter import answer
from ablebox.core.room.obstacle import Deal
from ablebox.core.room.reading import Deep, Method
from ablebox.core.room.wall import End
from ablebox.window.stages.room import RoomStage
from ablebox.window.stages.run import RunStage
from ablebox.window.stages.run_drawing import RunDrawing
from ablebox.window.widgets.drawing_view import DrawingView
from tests.uicase import UiCase

CTRL = Qt.KeyboardModifier.ControlModifier


class Room(UiCase):
    def test_readings_are_typed_one_after_another_with_enter(self) -> None:
        self.click("alcove", "key:room/width.1")
        for text in ("27 1/2", "24 1/4 + 3", "27 3/8"):
            self.type(text)
        self.assertEqual(
            [r.read for r in self.project.wall(1).widths], [inches("27 1/2"), inches("27 1/4"), inches("27 3/8")]
        )
        # The ceiling's height comes last; after it the keyboard is back on the drawing.
        self.type("95 3/8")
        self.assertEqual(self.project.wall(1).ceiling.read, inches("95 3/8"))
        self.assertIs(QApplication.focusWidget(), self.find(DrawingView, "alcove"))
        self.press("add-wall")
        self.type("61")
        self.assertEqual(self.project.wall(2).widths[0].read, inches(61))
        # A click beside the drawing lets the reading go, and the tape shows what belongs to the whole wall.
        self.assertTrue(self.window.desk.selection.number)
        self.click_at(self.find(DrawingView, "alcove"), QPoint(2, 2))
        self.assertTrue(self.find(QComboBox, "end:right"))

    def test_where_a_reading_was_taken_is_noted_beside_it(self) -> None:
        self.window.desk.selection.select(number="room/width.2")
        self.settle()
        field = self.find(QWidget, "tape:up")
        QTest.mouseClick(field, Qt.MouseButton.LeftButton)
        self.type("36 1/4")
        self.choose("tape:deep", Deep.BACK)
        reading = self.project.wall(1).widths[1]
        self.assertEqual((reading.up, reading.deep), (inches("36 1/4"), Deep.BACK))
        self.assertIn("width at counter, back", self.number("room/width.2").label)
        self.act("undo")
        self.assertIs(self.project.wall(1).widths[1].deep, Deep.ANY)

    def test_diagonals_tell_how_far_the_space_leans(self) -> None:
        self.menu("add-diagonals")
        # Both are asked for, one after the other, and nothing is written down before it is typed.
        self.assertIsNone(self.project.wall(1).rising)
        self.type("99 3/4")
        self.type("99 3/4")
        self.assertNotIn("leans", self.window.stages["room"].under.text)
        self.window.desk.selection.select(number="room/rising")
        self.settle()
        QTest.mouseClick(self.find(QWidget, "tape:reading"), Qt.MouseButton.LeftButton)
        self.type("100 1/4")
        self.assertEqual(self.project.wall(1).rising.read, inches("100 1/4"))
        self.assertIn("leans 29/32+ to the right", self.window.stages["room"].under.text)
        self.press("remove-reading")
        self.assertIsNone(self.project.wall(1).rising)
        self.assertNotIn("leans", self.window.stages["room"].under.text)

    def test_an_island_is_set_on_its_plan(self) -> None:
        self.press("add-island")
        self.assertEqual(len(self.project.room.walls), 2)
        self.click("alcove", "key:room2/island.away")
        self.type("80")
        self.assertEqual(self.project.wall(2).island.away, inches(80))
        self.window.desk.selection.select(number="")
        self.settle()
        self.choose("island-faces", True)
        self.key(Qt.Key.Key_2, CTRL)
        self.menu("add-in-run:base")
        self.assertEqual([place.letter for place in self.window.desk.document.made.line(2).places], ["B"])
        self.key(Qt.Key.Key_1, CTRL)
        self.press("island-back")
        island = self.project.wall(3).island
        self.assertEqual((island.away, island.faces_wall), (inches(80) + self.project.case("B").depth, False))
        self.press("drop-wall")
        self.assertEqual(len(self.project.room.walls), 2)

    def test_a_meter_reads_width_after_width(self) -> None:
        command = [sys.executable, "-m", "ablebox", "meter", "--true", "700 mm, 701 mm, 702 mm", "--noise", "0"]
        stage = self.window.stages["room"]
        assert isinstance(stage, RoomStage)
        self.press("meter")
        self.assertIn("No distance meter is set up", self.snag())
        with patch("ablebox.window.stages.room.meter_command", return_value=command):
            for i in range(3):
                self.press("meter")
                self.wait_for(lambda i=i: self.project.wall(1).widths[i].method is Method.METER)
        self.assertEqual([r.read.mm for r in self.project.wall(1).widths], [700.0, 701.0, 702.0])
        self.press("meter")
        self.wait_for(lambda: self.project.wall(1).ceiling.method is Method.METER)
        self.assertEqual(self.project.wall(1).ceiling.read.mm, 700.0)
        stage.meter.close()
        with patch("ablebox.window.stages.room.meter_command", return_value=["/no/such/meter"]):
            self.press("meter")
            self.wait_for(lambda: "could not be started" in self.snag())

    def test_what_a_meter_says(self) -> None:
        for line, length, words in (
            ("length 692.15 mm", 692.15, ""), ("length 10 in", 254.0, ""), ("error no echo", None, "no echo"),
            ("length 0 mm", None, "not understood"), ("27.3", None, "not understood"),
        ):  # fmt: skip
            found = answer(line)
            assert found is not None
            self.assertEqual(found.length and found.length.mm, length)
            self.assertIn(words, found.words)
        self.assertIsNone(answer("hello meter"))

    def test_an_outlet_is_put_on_the_wall_and_the_snag_cuts_for_it(self) -> None:
        self.menu("add-obstacle:outlet")
        self.window.desk.type_over("room/obstacle.1.x", "12")
        self.settle()
        self.assertIn("cut an opening", self.snag())
        self.act("fix-snag")
        self.assertEqual(self.project.case("A").cutouts[0].name, "outlet")
        self.window.desk.selection.select(number="room/obstacle.1.x", stage="room")
        self.settle()
        self.choose("deal:1", Deal.REMOVE)
        self.assertIs(self.project.wall(1).obstacles[0].deal, Deal.REMOVE)
        self.press("remove-reading")
        self.assertEqual(self.project.wall(1).obstacles, ())

    def test_walls_studs_slopes_corners_and_the_way_in(self) -> None:
        self.press("add-wall")
        self.assertEqual((len(self.project.room.walls), self.window.desk.selection.wall), (2, 2))
        self.assertIs(self.project.wall(2).left, End.CORNER)
        self.window.desk.selection.select(number="")
        self.settle()
        self.choose("end:right", End.OPEN)
        self.assertIs(self.project.wall(2).right, End.OPEN)
        for name in ("add-studs", "add-floor", "add-ceilings"):
            self.menu(name)
        wall = self.project.wall(2)
        self.assertTrue(wall.studs and wall.floor and wall.ceilings)
        self.window.desk.type_over("room2/ceilings.1.high", "80 1/2")
        self.assertEqual(self.project.wall(2).ceilings[0].high, inches("80 1/2"))
        self.window.desk.selection.select(number="")
        self.press("wall:1")
        self.press("add-corner")
        self.press("add-way")
        self.window.desk.type_over("corner/1.across", "60 1/2")
        self.window.desk.type_over("way/1.width", "20")
        self.settle()
        codes = {snag.code for snag in self.window.desk.document.snags}
        self.assertTrue({"room.corner", "room.way"} <= codes)
        self.assertEqual(from_text(to_text(self.project), "x"), self.project)
        for _ in range(40):
            self.act("undo")
        self.assertEqual(len(self.project.room.walls), 1)


class Run(UiCase):
    def setUp(self) -> None:
        super().setUp()
        for i in (1, 2, 3):
            self.window.desk.type_over(f"room/width.{i}", "96")
        self.key(Qt.Key.Key_2, CTRL)

    def names(self, upper: bool = False) -> list[str]:
        return [place.name for place in self.window.desk.document.made.line(1, upper).places]

    def test_a_run_is_put_together_and_adds_up(self) -> None:
        self.menu("add-in-run:drawers")
        self.window.desk.selection.select(case="B")
        self.menu("add-appliance")
        self.window.desk.selection.select(case="A", number="")
        self.menu("add-filler")
        made = self.window.desk.document.made
        self.assertEqual(made.line(1).left_over, ZERO)
        self.assertEqual(sorted(self.names()), ["A", "B", "space 1", "space 2"])
        self.assertIn("adds up ✓", self.window.stages["run"].state())
        filler = next(part for part in made.parts if part.case == "f")
        place = next(p for p in made.line(1).places if p.space == 2)
        self.assertEqual(filler.cut_width.length, place.width.length + inches("1/2"))
        self.window.desk.selection.select(number="space/1.width")
        self.settle()
        self.window.desk.type_over("space/1.air", "1/4")
        self.assertEqual(self.window.desk.document.made.line(1).left_over, ZERO)
        self.press("drop-space")
        self.assertEqual(len(self.project.spaces), 1)

    def test_an_end_that_is_seen_is_decided_where_it_stands(self) -> None:
        wall = self.project.wall(1)
        self.window.desk.change("open", self.project.with_wall(1, replace(wall, left=End.OPEN)))
        self.window.desk.selection.select(case="A", number="")
        self.settle()
        before = self.window.desk.document.made.run.stands["A"].width.length
        self.choose("end-look:left", EndPanel)
        made = self.window.desk.document.made
        self.assertEqual(
            before - made.run.stands["A"].width.length, made.assembly("A").part("end.left").thickness.length
        )
        self.assertEqual(made.line(1).left_over, ZERO)
        box = self.find(QCheckBox, "form:left_seen.to_floor")
        QTest.mouseClick(box, Qt.MouseButton.LeftButton, pos=QPoint(8, box.height() // 2))
        self.settle()
        self.assertFalse(self.project.case("A").left_seen.to_floor)
        self.act("undo")
        self.act("undo")
        self.assertIsInstance(self.project.case("A").left_seen, Undecided)

    def test_a_case_with_its_face_across_is_put_into_the_corner(self) -> None:
        self.key(Qt.Key.Key_1, CTRL)
        self.press("add-wall")
        self.window.desk.type_over("room2/width.1", "110")
        self.key(Qt.Key.Key_2, CTRL)
        self.window.desk.selection.select(wall=1, case="A", number="")
        self.menu("add-in-run:diagonal")
        case = self.project.case("B")
        self.assertEqual((case.plan.left, self.names()), (self.project.case("A").depth, ["A", "B"]))
        self.key(Qt.Key.Key_3, CTRL)
        self.press("view:plan")
        self.click("plan", "key:B/plan.left")
        self.type("22")
        self.assertEqual(self.project.case("B").plan.left, inches(22))
        self.assertIn("23 1/4", next(s.sentence for s in self.window.desk.document.snags if s.code == "corner.depth"))
        self.press("view:apart")
        self.key(Qt.Key.Key_4, CTRL)
        self.click("face", "cell:fronts.face")
        for stage in (Qt.Key.Key_5, Qt.Key.Key_6):
            self.key(stage, CTRL)

    def test_one_board_and_one_top_are_put_along_the_run_and_taken_back(self) -> None:
        self.menu("add-in-run:base")
        before = self.project
        self.menu("run-kick")
        self.assertEqual([case.kick.carried for case in self.project.cases], [False, True])
        self.menu("run-top")
        top = self.window.desk.document.made.assembly("A").part("counter.top")
        self.assertEqual(top.length.length, self.window.desk.document.made.line(1).total.length)
        self.key(Qt.Key.Key_3, CTRL)
        self.window.desk.selection.select(case="B", joint="frame", number="")
        self.settle()
        self.press("school:frame:face-frame")
        box = self.find(QCheckBox, "form:frame.follow")
        QTest.mouseClick(box, Qt.MouseButton.LeftButton, pos=QPoint(8, box.height() // 2))
        self.settle()
        self.assertTrue(self.project.case("B").frame.follow)
        # What follows is not asked for any more.
        names = [field.objectName() for field in self.window.findChildren(QWidget) if field.isVisible()]
        self.assertIn("tape:B/frame.left.width", names)
        self.assertNotIn("tape:B/frame.left.proud", names)
        for _ in range(4):
            self.act("undo")
        self.assertEqual(self.project, before)

    def test_widths_come_in_the_module_that_is_chosen(self) -> None:
        self.menu("add-filler")
        stage = self.window.stages["run"]
        assert isinstance(stage, RunStage)
        stage.fill_modules()
        menu = next(m for m in self.window.findChildren(QMenu) if m.objectName() == "run-modules")
        menu.actions()[1].trigger()
        self.settle()
        self.assertEqual(self.project.case("A").width.ticks % inches("1 1/2").ticks, 0)
        self.assertEqual(self.window.desk.document.made.line(1).left_over, ZERO)

    def test_members_change_places_by_button_and_key(self) -> None:
        self.menu("add-in-run:drawers")
        self.assertEqual(self.names(), ["A", "B"])
        self.press("run-left")
        self.assertEqual(self.names(), ["B", "A"])
        view = self.find(DrawingView, "run")
        view.setFocus()
        QTest.keyClick(view, Qt.Key.Key_Right, Qt.KeyboardModifier.AltModifier)
        self.settle()
        self.assertEqual(self.names(), ["A", "B"])
        for _ in range(2):
            self.menu("add-filler")
        self.press("run-left")
        chosen = self.window.desk.selection.number
        self.press("run-left")
        self.assertEqual((chosen, self.window.desk.selection.number), ("space/1.width", "space/1.width"))
        self.assertEqual(self.names(), ["A", "space 1", "B", "space 2"])
        for _ in range(4):
            self.window.desk.document.undo()
        self.assertEqual(self.names(), ["A", "B"])
        self.menu("run-mirror")
        self.assertEqual(self.names(), ["B", "A"])
        self.menu("run-share")
        widths = {place.width.length for place in self.window.desk.document.made.line(1).places}
        self.assertEqual(widths, {inches("47 3/4")})

    def test_a_crown_is_put_along_the_run(self) -> None:
        self.menu("add-strip:crown")
        part = next(part for part in self.window.desk.document.made.parts if part.case == "s")
        self.assertEqual((part.name, part.length.length), ("crown", inches("95 1/2").share(2)[-1]))
        self.window.desk.type_over("strip/1.width", "3 1/4")
        self.assertEqual(self.project.strips[0].width, inches("3 1/4"))
        self.choose("strip-goods:1", "case")
        self.assertEqual(self.project.strips[0].goods, "case")
        drop = self.find(QWidget, "drop-strip:1")
        QTest.mouseClick(drop, Qt.MouseButton.LeftButton)
        self.settle()
        self.assertEqual(self.project.strips, ())

    def test_the_line_between_two_cases_is_dragged(self) -> None:
        self.menu("add-in-run:drawers")
        self.window.desk.type_over("B/width", "30")
        self.settle()
        view = self.find(RunDrawing, "run")
        place = self.window.desk.document.made.line(1).places[0]
        start = view.pixels(place.end.mm, 300)
        end = view.pixels(place.end.mm - 100, 300)
        QTest.mousePress(view, Qt.MouseButton.LeftButton, pos=start)
        for share in (0.2, 0.6, 1.0):
            QTest.mouseMove(view, start + (end - start) * share)
        QTest.mouseRelease(view, Qt.MouseButton.LeftButton, pos=end)
        self.settle()
        after = self.window.desk.document.made.line(1)
        self.assertEqual(after.left_over, ZERO)
        self.assertEqual(after.places[1].width.length, self.project.case("B").width)
        self.assertAlmostEqual(after.places[1].width.length.mm, inches(30).mm + 100, delta=8)
        self.assertEqual(after.places[1].width.length.ticks % (inches(1).ticks // 32), 0)
        self.assertTrue(self.project.case("A").follows)

    def test_a_case_stands_at_another_wall_or_by_itself(self) -> None:
        self.window.desk.selection.select(stage="room", number="")
        self.press("add-wall")
        self.window.desk.selection.select(stage="run", case="A", number="")
        self.settle()
        self.choose("run-at", 2)
        self.assertEqual((self.project.case("A").wall, self.window.desk.selection.wall), (2, 2))
        self.choose("run-at", 0)
        self.assertFalse(self.project.case("A").in_alcove)

    def test_the_plan_and_the_sticks_are_drawn(self) -> None:
        for name, view in (("plan", "run-plan"), ("sticks", "wall-stick")):
            self.press(f"run-view:{name}")
            shown = self.find(DrawingView, view)
            self.assertTrue(shown._drawing.items)
            self.assertFalse(shown.grab().isNull())
        self.press("run-view:sticks")
        self.assertTrue(self.find(QWidget, "run"))
