# SPDX-License-Identifier: GPL-3.0-or-later
"""The stages of the real window, driven with keys and clicks as a person would."""

from __future__ import annotations

from unittest import mock

from PyQt6.QtCore import QEvent, QPoint, QPointF, Qt
from PyQt6.QtGui import QAction, QMouseEvent
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QAbstractButton, QApplication, QCheckBox, QComboBox, QLineEdit, QSpinBox, QTableView

from ablebox.core.cabinet.design import Case as Case_
from ablebox.core.cabinet.kinds import KINDS
from ablebox.core.case.back_none import NoBack
from ablebox.core.case.inside.layout import Bay
from ablebox.core.drawing.look import Look
from ablebox.core.drawing.shapes import Label
from ablebox.core.fronts.none import NoFronts
from ablebox.core.lengths import inches
from ablebox.core.project.json_format import from_text, to_text
from ablebox.core.units import System
from ablebox.window import ask
from ablebox.window.widgets.drawing_view import DrawingView
from ablebox.window.widgets.face_editor import FaceEditor
from ablebox.window.widgets.turn_view import TurnView
from tests.uicase import UiCase

CTRL, SHIFT = Qt.KeyboardModifier.ControlModifier, Qt.KeyboardModifier.ShiftModifier


class Room(UiCase):
    def test_a_builder_types_a_sum_and_the_case_follows(self) -> None:
        self.click("alcove", "key:room/width.2")
        self.type("24 1/4 + 2 7/8")
        self.assertEqual(self.written("room/width.2"), "27 1/8")
        self.assertEqual(self.written("A/width"), "26 5/8")
        said = self.words(self.window.tape)
        for words in ("So the case may be", "to get it in", "wide, at most", "26 5/8"):
            self.assertIn(words, said)
        self.key(Qt.Key.Key_Z, CTRL)
        self.assertEqual(self.written("A/width"), "26 3/4")
        self.key(Qt.Key.Key_Z, CTRL, SHIFT)
        self.assertEqual(self.written("A/width"), "26 5/8")

    def test_the_tape_body_is_added_when_it_stood_in_the_corner(self) -> None:
        self.click("alcove", "key:room/width.1")
        self.press("method:tape-body")
        self.assertEqual(self.written("room/width.1"), "30 1/4")
        self.assertIn("tape body", self.words(self.window.tape))
        QTest.mouseClick(self.find(QLineEdit, "field:room/tape.body"), Qt.MouseButton.LeftButton)
        self.type("2 1/2")
        self.assertEqual(self.written("room/width.1"), "29 3/4")

    def test_nonsense_is_refused_in_a_sentence_and_nothing_is_lost(self) -> None:
        self.click("alcove", "key:room/width.2")
        self.type("27 1/4 bananas")
        self.assertIn("bananas", self.snag())
        self.assertEqual(self.written("room/width.2"), "27 1/4")
        self.assertFalse(self.window.isWindowModified())
        self.key(Qt.Key.Key_Escape)
        self.click("alcove", "key:room/width.2")
        self.type("27")
        self.assertEqual(self.written("room/width.2"), "27")

    def test_readings_come_and_go(self) -> None:
        self.press("add-reading")
        self.type("26 15/16")
        self.assertEqual(self.written("A/width"), "26 7/16")
        self.press("add-mouth")
        self.click("alcove", "key:room/mouth")
        self.type("26")
        self.assertIn("the mouth is 26", self.snag())
        self.press("snag-fix")
        self.assertEqual(self.written("A/width"), "26")
        self.click("alcove", "key:room/mouth")
        self.key(Qt.Key.Key_Escape)
        self.window.desk.selection.select(number="room/mouth")
        self.press("remove-reading")
        self.assertIsNone(self.window.desk.document.project.wall(1).mouth)


class Case(UiCase):
    def setUp(self) -> None:
        super().setUp()
        self.key(Qt.Key.Key_3, CTRL)

    def test_sizes_are_typed_on_the_drawing_and_tab_goes_on(self) -> None:
        self.click("elevation", "key:A/width")
        self.type("25", enter=False)
        self.key(Qt.Key.Key_Tab)
        self.assertEqual(self.written("A/width"), "25")
        self.assertFalse(self.find(QCheckBox, "follows").isChecked())
        self.assertEqual(self.window.desk.selection.number, "A/height")
        self.type("36")
        self.assertEqual(self.written("A/side/length"), "36")
        self.press("follows")
        self.assertEqual(self.written("A/width"), "26 3/4")

    def test_any_number_shows_its_sum_and_a_term_leads_to_its_source(self) -> None:
        self.click("elevation", "key:A/door/width")
        said = self.words(self.window.tape)
        for words in ("Door, width", "26 5/8", "width of the fronts", "gap between fronts", "13 1/4"):
            self.assertIn(words, said)
        sources = {w.text: w for w in self.window.tape.findChildren(type(self.window.snags.sentence)) if w.isVisible()}
        QTest.mouseClick(sources["1/8"], Qt.MouseButton.LeftButton)
        self.settle()
        self.assertIn(self.window.desk.selection.number, ("A/fronts.fit.gap", "A/fronts.fit.reveal"))

    def test_joints_are_chosen_by_picture_and_set_on_the_tape(self) -> None:
        self.press("thing:bottom")
        field = self.find(QLineEdit, "tape:A/bottom.joint.depth")
        QTest.mouseClick(field, Qt.MouseButton.LeftButton)
        self.type("3/8")
        self.assertEqual(self.written("A/bottom/length"), "26")
        # The field keeps the keyboard, its number selected, so that the next one can be typed at once.
        self.type("5/8")
        self.assertIn("takes more than half of the side", self.snag())
        self.key(Qt.Key.Key_Return, CTRL)
        self.assertNotIn("A", self.window.desk.document.made.unbuilt)

    def test_what_cannot_be_built_is_kept_and_told(self) -> None:
        self.click("elevation", "key:A/height")
        self.type("5")
        self.assertIn("Case A", self.snag())
        self.assertEqual(self.project.case("A").height, inches(5))
        self.assertEqual(self.window.desk.document.made.parts, [])
        # It can be drawn, saved and opened again, and the way on is offered.
        for stage in range(1, 7):
            self.key(Qt.Key(Qt.Key.Key_0 + stage), CTRL)
        self.assertEqual(from_text(to_text(self.project), "x"), self.project)
        self.key(Qt.Key.Key_3, CTRL)
        self.click("elevation", "key:A/height")
        self.type("34 1/2")
        self.assertEqual(self.window.desk.document.made.unbuilt, {})

    def test_a_measured_inside_overrules_the_sum(self) -> None:
        self.window.desk.selection.select(number="A/inside.width")
        self.settle()
        self.key(Qt.Key.Key_Equal)
        self.type("25 3/8")
        self.assertEqual(self.written("A/stretcher/length"), "25 3/8")
        self.press("tape:free")
        self.assertEqual(self.written("A/stretcher/length"), "25 1/4")

    def test_stock_bands_and_shelves_are_chosen(self) -> None:
        self.press("thing:fronts")
        band = self.find(QComboBox, "form:fronts.making.edging")
        band.setFocus()
        QTest.keyClick(band, Qt.Key.Key_Down)
        self.settle()
        self.assertEqual(self.window.desk.document.project.case("A").fronts.making.edging, "solid")
        door = next(part for part in self.window.desk.document.made.parts if part.name == "door, left")
        self.assertEqual(self.window.desk.document.made.units.write(door.cut_width.length), "13")
        self.press("thing:inside")
        shelves = self.find(QSpinBox, "form:inside.fittings.0.count")
        QTest.keyClick(shelves, Qt.Key.Key_Up)
        self.settle()
        shelf = next(part for part in self.window.desk.document.made.parts if part.name == "shelf")
        self.assertEqual(shelf.count, 2)

    def test_cases_are_added_copied_and_deleted(self) -> None:
        self.key(Qt.Key.Key_N, CTRL, SHIFT)
        self.key(Qt.Key.Key_D, CTRL)
        self.assertEqual([c.letter for c in self.window.desk.document.project.cases], ["A", "B", "C"])
        self.window.setFocus()
        self.key(Qt.Key.Key_BracketLeft)
        self.assertEqual(self.window.desk.selection.case, "B")
        self.click("wall", "case:A")
        self.assertEqual(self.window.desk.selection.case, "A")
        self.act("delete-case")
        self.assertEqual([c.letter for c in self.window.desk.document.project.cases], ["B", "C"])
        self.act("undo")
        self.assertEqual([c.letter for c in self.window.desk.document.project.cases], ["A", "B", "C"])


class Schools(UiCase):
    def setUp(self) -> None:
        super().setUp()
        self.key(Qt.Key.Key_3, CTRL)

    def case(self) -> Case_:
        return self.window.desk.document.project.case("A")

    def names(self) -> list[str]:
        return [part.name for part in self.window.desk.document.made.parts]

    def test_every_thing_is_chosen_by_picture_and_taken_back(self) -> None:
        before = self.case()
        for thing, school, part in (
            ("frame", "face-frame", "stile, left"),
            ("kick", "base-frame", "rung"),
            ("bottom", "butt", "bottom"),
            ("top", "full", "top"),
            ("back", "rabbet", "back"),
            ("fronts", "open", "shelf"),
        ):
            self.press(f"thing:{thing}")
            self.press(f"school:{thing}:{school}")
            self.assertIn(part, self.names())
        self.assertNotIn("door, left", self.names())
        self.assertEqual(self.snag_codes() & {"built.overlap", "built.loose", "built.outside"}, set())
        for _ in range(6):
            self.act("undo")
        self.assertEqual(self.case(), before)

    def snag_codes(self) -> set[str]:
        return {snag.code for snag in self.window.desk.document.snags}

    def test_a_school_that_cannot_be_built_is_greyed_with_the_reason(self) -> None:
        self.press("thing:bottom")
        card = self.find(QAbstractButton, "school:bottom:rabbet")
        self.assertFalse(card.isEnabled())
        self.assertIn("Take dadoes instead", card.toolTip())

    def test_the_inside_is_divided_on_the_drawing(self) -> None:
        self.press("thing:inside")
        self.press("divide-columns")
        self.assertEqual(self.window.desk.selection.bay, "inside.bays.1")
        self.press("put-in:pull-out")
        self.assertIn("pull-out shelf", self.names())
        self.click("elevation", "bay:inside.bays.0")
        self.press("divide-rows")
        self.assertIn("fixed shelf", self.names())
        field = self.find(QLineEdit, "tape:A/inside.bays.0.heights.1")
        QTest.mouseClick(field, Qt.MouseButton.LeftButton)
        self.type("9")
        self.assertEqual(self.written("A/inside.bays.0.heights.1"), "9")
        self.press("remove-bay")
        self.assertNotIn("fixed shelf", self.names())
        self.click("elevation", "key:A/inside.widths.0")
        self.type("10 1/4")
        self.assertEqual(self.written("A/inside.widths.0"), "10 1/4")

    def test_a_case_turns_into_every_kind_and_back(self) -> None:
        stage = self.window.stages["case"]
        for kind in KINDS:
            stage.turn_into(kind)  # type: ignore[attr-defined]
            self.settle()
            self.assertEqual(self.case().name, KINDS[kind].words)
            self.assertFalse([code for code in self.snag_codes() if code.startswith("built.")])
        action = self.window.findChild(QAction, "add-kind:bookcase")
        assert action is not None
        action.trigger()
        self.assertEqual(self.window.desk.document.project.case("B").name, "Bookcase, open shelves")

    def test_the_picture_taken_apart_turns(self) -> None:
        self.press("view:apart")
        view = self.find(TurnView, "apart")
        before = view.grab().toImage()
        QTest.mousePress(view, Qt.MouseButton.LeftButton, pos=QPoint(20, 20))
        QTest.mouseMove(view, QPoint(120, 40))
        move = QMouseEvent(QEvent.Type.MouseMove, QPointF(140, 40), QPointF(140, 40), Qt.MouseButton.NoButton,
                           Qt.MouseButton.LeftButton, Qt.KeyboardModifier.NoModifier)  # fmt: skip
        QApplication.sendEvent(view, move)
        QTest.mouseRelease(view, Qt.MouseButton.LeftButton, pos=QPoint(140, 40))
        self.assertNotEqual(view.look, Look())
        self.assertNotEqual(view.grab().toImage(), before)
        view.setFocus()
        self.key(Qt.Key.Key_PageUp)
        self.assertGreater(view.look.apart, Look().apart)

    def test_ways_of_building_are_copied_and_kept(self) -> None:
        stage = self.window.stages["case"]
        self.act("duplicate-case")
        self.click("wall", "case:A")
        self.press("thing:back")
        self.press("school:back:laid-on")
        stage.copy_to(["B"])  # type: ignore[attr-defined]
        self.assertEqual(self.window.desk.document.project.case("B").back, self.case().back)
        with mock.patch.object(ask, "for_a_name", return_value="laid on"):
            stage.keep_preset()  # type: ignore[attr-defined]
        self.act("undo")
        self.act("undo")
        other = self.open()
        self.assertIn("laid on", other.desk.shop.presets)
        other.stages["case"].use_preset("laid on")  # type: ignore[attr-defined]
        self.assertEqual(other.desk.document.project.case("A").back.words, "laid on")
        stage.forget_preset("laid on")  # type: ignore[attr-defined]

    def test_cut_outs_and_scribes(self) -> None:
        self.press("thing:back")
        self.press("add-cutout:outlet")
        self.assertEqual(len(self.case().cutouts), 1)
        self.press("add-scribe:left")
        self.press("add-station:0")
        self.window.desk.type_over("A/set_in", "1/2")
        field = self.find(QLineEdit, "tape:A/scribes.0.stations.1.off")
        self.window.desk.type_over("A/scribes.0.stations.1.off", "1/4")
        self.assertTrue(field)
        side = self.window.desk.document.made.assembly("A").part("side.left")
        self.assertEqual(len(side.outline), 5)


class Fronts(UiCase):
    def setUp(self) -> None:
        super().setUp()
        self.window.desk.set_case("empty inside", inside=Bay())
        self.key(Qt.Key.Key_4, CTRL)

    def names(self) -> list[str]:
        return [part.name for part in self.window.desk.document.made.parts]

    def test_the_face_is_divided_and_closed_on_the_drawing(self) -> None:
        self.press("split-above")
        self.click("face", "cell:fronts.face.cells.0")
        self.press("cell:drawer")
        self.assertIn("drawer front", self.names())
        self.assertIn("drawer bottom", self.names())
        self.click("face", "key:A/fronts.face.heights.0")
        self.type("6 1/2")
        self.assertEqual(self.written("A/fronts.face.heights.0"), "6 1/2")
        self.click("face", "cell:fronts.face.cells.0")
        self.assertIn("drawer box, width", self.words(self.window.tape))
        self.press("open-front")
        closed = self.find(DrawingView, "front-section").grab().toImage()
        self.press("open-front")
        self.assertNotEqual(self.find(DrawingView, "front-section").grab().toImage(), closed)
        self.click("face", "cell:fronts.face.cells.1")
        self._drag_the_line_down()
        self.click("face", "cell:fronts.face.cells.1")
        self.press("split-beside")
        self.assertIn("door, right", self.names())
        self.press("remove-cell")
        for _ in range(5):
            self.act("undo")
        self.assertNotIn("drawer front", self.names())

    def test_parts_of_what_is_left_and_a_front_of_its_own(self) -> None:
        self.press("split-above")
        self.find(QSpinBox, "parts:fronts.face.1").setFocus()
        QTest.keyClick(self.find(QSpinBox, "parts:fronts.face.1"), Qt.Key.Key_Up)
        self.settle()
        upper, lower = (self.number(f"A/fronts.face.heights.{i}").length for i in (0, 1))
        self.assertLess(abs(lower.ticks - 2 * upper.ticks), 5)
        self.click("face", "cell:fronts.face.cells.0")
        for _ in range(4):
            making = self.find(QComboBox, "form:fronts.face.cells.0.making")
            making.setFocus()
            QTest.keyClick(making, Qt.Key.Key_Down)
            self.settle()
        self.assertIn("door, left: panel", self.names())
        self.assertIn("door, right", self.names())  # the lower pair stays as it was
        for _ in range(5):
            self.act("undo")
        self.assertEqual(self.find(QSpinBox, "parts:fronts.face.1").value(), 1)

    def _drag_the_line_down(self) -> None:
        """Drag the line between drawer and doors down by 40 pixels: the drawer grows by whole 32nds."""
        view = self.find(FaceEditor, "face")
        before = self.number("A/fronts.face.heights.0").length
        one, other = view.line_of(view.boundaries[0])
        start = QPoint((one.x() + 3 * other.x()) // 4, one.y())
        QTest.mousePress(view, Qt.MouseButton.LeftButton, pos=start)
        QTest.mouseMove(view, start + QPoint(0, 20))
        QTest.mouseRelease(view, Qt.MouseButton.LeftButton, pos=start + QPoint(0, 40))
        self.settle()
        after = self.number("A/fronts.face.heights.0").length
        self.assertGreater(after, before)
        self.assertEqual(after.ticks % self.window.desk.document.project.units.step.ticks, 0)
        self.act("undo")

    def choose(self, name: str, words: str) -> None:
        """Choose an entry of a list with the arrow keys, as one without a mouse does."""
        combo = self.find(QComboBox, name)
        combo.setFocus()
        for _ in range(combo.count()):
            combo = self.find(QComboBox, name)
            at = combo.findText(words)
            self.assertGreaterEqual(at, 0, f"{words} is not offered")
            if combo.currentIndex() == at:
                return
            combo.setFocus()
            down = combo.currentIndex() < at
            QTest.keyClick(combo, Qt.Key.Key_Down if down else Qt.Key.Key_Up)
            self.settle()
        self.assertEqual(self.find(QComboBox, name).currentText(), words)

    def test_an_end_is_closed_with_a_false_door_and_the_back_says_why_not(self) -> None:
        self.choose("choose-side", "Right end")
        self.press("close-case")
        self.assertIn("false door", self.names())
        self.click("face", "cell:right_end.face")
        self.choose("form:right_end.face.making", "slab, applied frame")
        self.assertIn("false door: applied stile", self.names())
        before = self.window.desk.document.project
        self.choose("choose-side", "Back")
        self.press("close-case")
        # It is kept, and told; without it everything is as it was.
        self.assertIn("a back is in their way", self.snag())
        self.act("undo")
        self.assertEqual(self.window.desk.document.project, before)
        self.window.desk.set_case("no back", back=NoBack())
        self.settle()
        self.press("close-case")
        self.assertEqual(self.names().count("door, left"), 2)
        self.press("open-front")
        self.choose("choose-side", "Front")
        self.assertEqual(self.find(QComboBox, "choose-fit").currentText(), "full overlay")
        self.act("undo")
        self.assertEqual(self.names().count("door, left"), 1)

    def test_every_kind_of_cell_is_a_click_away_and_says_what_it_needs(self) -> None:
        wanted = {
            "door": "door, left", "drawer": "drawer front", "pull-out-front": "pull-out front", "false-front": "false front",
            "flap": "flap, opens up", "pair": "door, right",
        }  # fmt: skip
        for name, part in wanted.items():
            self.press(f"cell:{name}")
            self.assertIn(part, self.names())
            bought = [text for text in self.words(self.window.tape) if "×" in text]
            self.assertTrue(bought, name)
        self.press("cell:appliance")
        self.assertFalse([name for name in self.names() if "door" in name])
        field = self.find(QLineEdit, "tape:A/fronts.face.width")
        field.setFocus()
        self.type("30")
        self.assertIn("the oven is 30 in width", self.snag())

    def test_one_front_has_a_fit_of_its_own_and_drawers_stand_behind_a_door(self) -> None:
        self.press("split-above")
        self.click("face", "cell:fronts.face.cells.0")
        self.choose("form:fronts.face.cells.0.fit", "inset")
        door = self.window.desk.document.made.assembly("A").part("door.left.1")
        self.assertEqual(door.box.low[1], 0)
        self.click("face", "cell:fronts.face.cells.1")
        inner = self.find(QSpinBox, "form:fronts.face.cells.1.inner.count")
        inner.setFocus()
        QTest.keyClick(inner, Qt.Key.Key_Up)
        self.settle()
        self.assertIn("wide-angle hinges, full overlay", self.window.desk.document.made.assembly("A").hardware)
        self.assertTrue(
            any(part.role.startswith("inner.2.1.") for part in self.window.desk.document.made.assembly("A").parts)
        )

    def test_fit_and_making_are_chosen_for_all_fronts(self) -> None:
        for name, steps, what in (("choose-fit", 3, "inset"), ("choose-making", 3, "frame and panel")):
            combo = self.find(QComboBox, name)
            combo.setFocus()
            for _ in range(steps):
                QTest.keyClick(combo, Qt.Key.Key_Down)
                self.settle()
            self.assertEqual(combo.currentText(), what)
        self.assertIn("door, left: panel", self.names())
        self.window.desk.set_case("open", fronts=NoFronts())
        self.settle()
        self.press("close-case")
        self.assertIn("door, left", self.names())


class PartsAndSheets(UiCase):
    def setUp(self) -> None:
        super().setUp()
        self.demo()

    def test_a_sheet_is_cut_and_a_spoiled_piece_made_again(self) -> None:
        self.key(Qt.Key.Key_6, CTRL)
        planner = self.window.desk.planner
        before = sum(len(plan.sheets) for plan in planner.plans.values())
        code = next(iter(planner.plans.values())).sheets[0].spots[0].code
        self.press("sheet-cut")
        self.assertLess(sum(len(plan.sheets) for plan in planner.plans.values()), before)
        self.assertTrue(self.window.desk.document.project.done)
        self.key(Qt.Key.Key_5, CTRL)
        self.window.desk.selection.select(part=code)
        self.settle()
        self.press("part-spoiled")
        pieces = {piece.code for plan in planner.plans.values() for piece in plan.problem.pieces}
        self.assertIn(code, pieces)
        self.act("undo")
        self.act("undo")
        self.assertEqual(sum(len(plan.sheets) for plan in planner.plans.values()), before)

    def test_the_cut_walk_goes_cut_by_cut_with_the_space_bar(self) -> None:
        self.key(Qt.Key.Key_6, CTRL)
        sheet = self.find(DrawingView, "sheet")
        sheet.setFocus()
        before = sheet.grab().toImage()
        for _ in range(6):
            QTest.keyClick(sheet, Qt.Key.Key_Space)
        self.settle()
        self.assertNotEqual(sheet.grab().toImage(), before)
        shown = [item.text for item in sheet._drawing.items if isinstance(item, Label)]
        self.assertTrue(any(text.startswith(("Rip at", "Crosscut at")) for text in shown), shown)
        for _ in range(20):
            QTest.keyClick(sheet, Qt.Key.Key_Backspace)
        self.settle()
        self.assertEqual(sheet.grab().toImage(), before)
        self.press("next-cut")
        self.assertTrue(sheet.hasFocus())

    def test_a_part_lights_up_in_every_view(self) -> None:
        self.key(Qt.Key.Key_5, CTRL)
        table = self.find(QTableView, "parts-table")
        model = table.model()
        assert model is not None
        row = next(r for r in range(model.rowCount()) if model.index(r, 0).data() == "A-04")
        viewport = table.viewport()
        assert viewport is not None
        self.click_at(viewport, table.visualRect(model.index(row, 4)).center())
        self.assertEqual(self.window.desk.selection.part, "A-04")
        self.assertEqual(self.window.desk.selection.number, "A/bottom/length")
        self.assertIn("2 × dado depth", self.words(self.window.tape))
        self.key(Qt.Key.Key_6, CTRL)
        for i, (_, _, sheet, _) in enumerate(self.window.stages["sheets"].hand.sheets()):  # type: ignore[attr-defined]
            if "A-04" in [spot.code for spot in sheet.spots]:
                self.window.desk.selection.select(sheet=i)
        self.settle()
        view = self.find(DrawingView, "sheet")
        before = view.grab().toImage()
        self.window.desk.selection.select(part="A-01")
        self.settle()
        self.assertNotEqual(view.grab().toImage(), before)
        self.click("sheet", "part:A-04")
        self.assertEqual(self.window.desk.selection.part, "A-04")

    def test_the_saw_and_the_rack_change_the_plan(self) -> None:
        self.key(Qt.Key.Key_6, CTRL)
        QTest.mouseClick(self.find(QLineEdit, "field:saw/kerf"), Qt.MouseButton.LeftButton)
        self.type("3/16")
        plans = self.window.desk.planner.plans
        self.assertEqual({plan.problem.kerf for plan in plans.values()}, {76_200})
        self.press("thumb-1")
        self.assertEqual(self.window.desk.selection.sheet, 1)
        self.press("show-rack")
        inside = self.number("A/inside.width").length
        QTest.mouseClick(self.find(QLineEdit, "field:stock/case/thickness"), Qt.MouseButton.LeftButton)
        self.type("11/16")
        self.assertEqual((self.number("A/inside.width").length - inside).mm, 25.4 / 16)
        moved = self.words(self.window.tape)
        self.assertIn("What moved", moved)
        self.assertIn("A-04  bottom", moved)
        self.press("keep-rack")
        self.act("undo")
        self.press("take-rack")
        self.assertEqual((self.number("A/inside.width").length - inside).mm, 25.4 / 16)
        QTest.mouseClick(self.find(QLineEdit, "price:doors:1"), Qt.MouseButton.LeftButton)
        self.find(QLineEdit, "price:doors:1").clear()
        self.type("101,5")
        self.assertEqual(self.window.desk.document.project.rack.sheet_goods("doors").sheets[0].price, 10_150)
        self.press("remove-sheet:doors:1")
        self.assertIn("fits on no sheet", self.snag())
        self.press("add-sheet:doors")
        self.assertEqual(self.snag(), "No snags.")


class Rack(UiCase):
    def setUp(self) -> None:
        super().setUp()
        self.demo()
        self.key(Qt.Key.Key_6, CTRL)
        self.press("show-rack")

    def overtype(self, name: str, text: str) -> None:
        """Put the cursor into a field as a person does, clear it and type."""
        field = self.find(QLineEdit, name)
        field.setFocus()
        field.selectAll()
        QTest.keyClicks(field, text) if text else QTest.keyClick(field, Qt.Key.Key_Delete)
        QTest.keyClick(field, Qt.Key.Key_Return)
        self.settle()

    def rack(self):  # type: ignore[no-untyped-def]
        return self.window.desk.document.project.rack

    def test_sheets(self) -> None:
        before = self.rack()
        self.press("add-offcut:case")
        self.overtype(f"count:case:{len(before.sheet_goods('case').sheets) + 1}", "3")
        self.overtype("goods-name:case", "good ply")
        self.overtype("goods-name:case", "")  # left empty, the name stays
        self.press("grain:case")
        goods = self.rack().sheet_goods("case")
        self.assertEqual((goods.name, goods.grained, goods.sheets[-1].count), ("good ply", False, 3))
        for _ in range(4):
            self.act("undo")
        self.assertEqual(self.rack(), before)

    def test_boards(self) -> None:
        before = self.rack()
        at = len(before.board_goods("frame").boards) + 1
        self.press("add-board:frame")
        self.overtype(f"board-name:frame:{at}", "wide one")
        self.overtype(f"field:stock/frame/board.{at}.width", "13 1/4")
        self.overtype(f"price:frame:{at}", "21,50")
        board = self.rack().board_goods("frame").boards[-1]
        self.assertEqual((board.name, board.width, board.price), ("wide one", inches("13 1/4"), 2_150))
        self.overtype(f"price:frame:{at}", "")
        self.assertIsNone(self.rack().board_goods("frame").boards[-1].price)
        self.press(f"remove-board:frame:{at}")
        self.assertEqual(self.rack(), before)

    def test_kinds_come_and_go_and_those_in_use_stay(self) -> None:
        before = self.rack()
        self.press("add-goods")
        self.press("add-boards")
        self.press("add-edging")
        self.assertEqual(len(self.rack().edgings), len(before.edgings) + 1)
        self.assertIsNone(self.window.findChild(QAbstractButton, "remove-kind:case"))
        self.press("remove-kind:stock-1")
        self.press("remove-kind:boards-1")
        self.act("undo")
        self.assertEqual(self.rack().boards[-1].code, "boards-1")
        self.overtype("band-name:band-1", "walnut strip")
        self.overtype("field:edging/band-1/thickness", "1/8")
        self.assertEqual(
            (self.rack().edgings[-1].name, self.rack().edgings[-1].thickness), ("walnut strip", inches("1/8"))
        )

    def test_the_saw_says_what_it_cannot_do(self) -> None:
        self.overtype("rack-saw:opens", "20")
        self.assertEqual(self.rack().saw.opens, inches(20))
        self.overtype("rack-saw:opens", "")
        self.assertIsNone(self.rack().saw.opens)
        self.overtype("rack-saw:kerf", "3/32")
        self.assertEqual(self.rack().saw.kerf, inches("3/32"))

    def test_the_catalogue_of_hardware_is_changed_kind_by_kind(self) -> None:
        kinds = self.find(QComboBox, "hardware-kind")
        kinds.setCurrentIndex(kinds.findData("frame-hinge"))
        kinds.activated.emit(kinds.currentIndex())
        self.settle()
        first = self.find(QLineEdit, "hardware-name:1").text()
        self.overtype("hardware-name:1", "my own hinge")
        self.overtype("field:hardware/my own hinge/takes", "5/16")
        self.overtype("angle:hardware:1", "95")
        self.overtype("carries:hardware:1", "20")
        self.overtype("price:item:1", "4.50")
        own = next(item for item in self.rack().hardware if item.name == "my own hinge")
        self.assertEqual((own.takes, own.angle, own.price), (inches("5/16"), 95, 450))
        self.assertAlmostEqual((own.kilograms or 0) / 0.453592, 20, places=1)
        self.overtype("hardware-name:1", self.find(QLineEdit, "hardware-name:2").text())
        self.assertIn("another item called", self.snag())
        count = len(self.rack().hardware)
        self.press("add-hardware")
        self.assertEqual(len(self.rack().hardware), count + 1)
        self.press("remove-hardware:1")
        self.assertNotIn("my own hinge", [item.name for item in self.rack().hardware])
        self.assertNotIn(first, [item.name for item in self.rack().hardware])

    def test_hardware_takes_prices_and_a_wrong_size_loses_nothing(self) -> None:
        self.overtype("price:hardware:1", "0.85")
        self.assertEqual([item.price for item in self.rack().hardware if item.price is not None], [85])
        before = self.rack()
        self.overtype("field:stock/case/thickness", "three quarters")
        self.assertEqual(self.rack(), before)
        self.assertIn("three quarters", self.snag())
        # What was typed stays in its field with the reason, until something else is typed there.
        field = self.find(QLineEdit, "field:stock/case/thickness")
        self.assertEqual(field.text(), "three quarters")
        self.assertIn("is not a length", field.toolTip())
        self.overtype("field:stock/case/thickness", "40")
        self.assertIn("A is left out of parts and plan", self.snag())
        self.act("undo")
        self.assertEqual(self.rack(), before)

    def fasteners(self) -> int:
        return sum(len(assembly.fasteners) for assembly in self.window.desk.document.made.assemblies)

    def test_pitches_blocks_and_members_of_slides(self) -> None:
        self.demo("lantern-yard")
        before = self.fasteners()
        self.overtype("rack-pitch:joint", "4")
        self.assertEqual(self.rack().pitches.joint, inches(4))
        self.assertGreater(self.fasteners(), before)
        # Nearer than a screw is thick cannot be; what was there stays.
        self.overtype("rack-pitch:joint", "1/8")
        self.assertEqual(self.rack().pitches.joint, inches(4))
        self.press("cut-blocks")
        self.assertEqual({part.name.split()[0] for part in self.project.loose}, {"block"})
        self.press("keep-blocks")
        kept = self.rack().blocks
        self.assertTrue(kept)
        self.press("drop-blocks")
        self.assertEqual(self.rack().blocks, ())
        for _ in range(3):
            self.act("undo")
        self.assertEqual((self.project.loose, self.rack().blocks), ((), ()))


class Everywhere(UiCase):
    def test_units_are_switched_without_changing_a_size(self) -> None:
        self.demo()
        before = self.number("A/back/width").length
        for stage in range(1, 6):
            QTest.keyClick(self.window, Qt.Key(Qt.Key.Key_0 + stage), CTRL)
            self.act("mm")
            self.assertEqual(self.window.desk.document.project.units.system, System.MM)
            self.act("inch")
        self.assertEqual(self.number("A/back/width").length, before)
        self.act("mm")
        self.assertEqual(self.written("A/back/width"), "654.1−")

    def test_the_finder_goes_to_a_size(self) -> None:
        self.demo()
        self.key(Qt.Key.Key_K, CTRL)
        line = self.window.finder.line
        QTest.keyClicks(line, "b back, width")
        QTest.keyClick(line, Qt.Key.Key_Return)
        self.settle()
        self.assertEqual(self.window.desk.selection.number, "B/back/width")
        self.assertEqual(self.window.desk.selection.stage, "case")

    def test_every_field_has_a_name_and_everything_fits_the_smallest_window(self) -> None:
        self.demo()
        self.window.resize(self.window.minimumSize())
        self.settle()
        for stage in self.window.stages.values():
            self.window.desk.selection.select(stage=stage.name, number="")
            self.settle()
            for kind in (QLineEdit, QComboBox, QCheckBox, QSpinBox, QTableView, DrawingView):
                for widget in stage.findChildren(kind):
                    inner = widget.objectName().startswith("qt_") or isinstance(widget.parent(), QSpinBox)
                    if widget.isVisible() and not inner:
                        named = widget.accessibleName() or getattr(widget, "text", lambda: "")()
                        self.assertTrue(named, f"{stage.name}: {widget.objectName()}")
                        corner = widget.mapTo(self.window, QPoint(0, 0))
                        self.assertLessEqual(corner.x() + widget.width(), self.window.width(), widget.objectName())

    def test_shortcuts_stand_once_and_every_row_says_what_it_does(self) -> None:
        keys = [row.keys for row in self.window.rows if row.keys]
        self.assertEqual(len(keys), len(set(keys)))
        for row in self.window.rows:
            self.assertTrue(row.help.endswith("."), row.name)

    def test_evening_colours_reach_the_drawings(self) -> None:
        day = self.window.grab().toImage().pixelColor(600, 300)
        self.act("theme-evening")
        evening = self.window.grab().toImage().pixelColor(600, 300)
        self.act("theme-day")
        self.assertLess(evening.lightness(), day.lightness() - 100)
        self.assertIsNotNone(QApplication.instance())
