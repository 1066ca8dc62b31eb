# SPDX-License-Identifier: GPL-3.0-or-later
"""The Sheets stage under the hand: pieces are dragged, turned and pinned, offcuts kept, plans compared, boards ripped."""

from __future__ import annotations

from pathlib import Path
from unittest.mock import patch

import openpyxl
from odf.opendocument import OpenDocumentSpreadsheet
from odf.table import Table, TableCell, TableRow
from odf.text import P
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtTest import QTest
from PyQt6.QtWidgets import QComboBox, QLineEdit, QSpinBox, QWidget

from ablebox.core.cuts.checker import check
from ablebox.core.cuts.saw_cut import CutKind
from ablebox.core.cuts.saw_order import cuts_of
from ablebox.core.lengths import TICKS_PER_MM, inches
from ablebox.core.project.parts_table import guessed, parts_of, read_cells
from ablebox.core.shop.rests import worth_keeping
from ablebox.core.stock import Defect, Grain, SawStyle
from ablebox.core.units import System, Units
from ablebox.window.stages.sheets import SheetsStage
from ablebox.window.widgets.drawing_view import DrawingView
from tests.uicase import UiCase

CTRL = Qt.KeyboardModifier.ControlModifier


class Sheets(UiCase):
    def setUp(self) -> None:
        super().setUp()
        self.demo()
        self.key(Qt.Key.Key_6, CTRL)
        stage = self.window.stages["sheets"]
        assert isinstance(stage, SheetsStage)
        self.stage = stage
        self.many = next(i for i, row in enumerate(stage.hand.sheets()) if len(row[2].spots) > 3)
        self.window.desk.selection.select(sheet=self.many, number="")
        self.settle()

    def sound(self) -> None:
        """Every plan at hand can be cut, and is of what is asked for now."""
        for code, problem in self.window.desk.document.made.problems.items():
            plan = self.window.desk.planner.plans[code]
            self.assertEqual((plan.problem, check(plan)), (problem, []))

    def point(self, x: int, y: int) -> QPoint:
        return self.find(DrawingView, "sheet").pixels(x / TICKS_PER_MM, y / TICKS_PER_MM)

    def drag(self, start: QPoint, end: QPoint) -> None:
        view = self.find(DrawingView, "sheet")
        QTest.mousePress(view, Qt.MouseButton.LeftButton, pos=start)
        for share in (0.1, 0.5, 1.0):
            QTest.mouseMove(view, start + (end - start) * share)
        QTest.mouseRelease(view, Qt.MouseButton.LeftButton, pos=end)
        self.settle()

    def test_a_piece_is_dragged_and_stays_where_it_was_put(self) -> None:
        here = self.stage.current()
        assert here is not None
        sheet = here[2]
        spot = sheet.spots[0]
        other = next(s for s in sheet.spots if s.code != spot.code and s.x != spot.x)
        middle = self.point(spot.x + spot.reach[0] // 2, spot.y + spot.reach[1] // 2)
        self.drag(middle, middle + self.point(other.x, other.y) - self.point(spot.x, spot.y))
        project = self.window.desk.document.project
        self.assertEqual(len(project.held), 1)
        self.sound()
        after = self.window.desk.planner.plans[here[0]]
        held = after.problem.held[0].spots[0]
        self.assertEqual(held.code, spot.code)
        self.assertNotEqual((held.x, held.y), (spot.x, spot.y))
        self.assertIn(f"{spot.code}  ", " ".join(self.words(self.window.tape)))
        self.press("plan-again")
        self.assertEqual(self.window.desk.planner.plans[here[0]].problem.held[0].spots[0], held)
        self.sound()
        self.press("pin")
        self.assertEqual(self.window.desk.document.project.held, ())
        self.act("undo")
        self.act("undo")
        self.assertEqual(self.window.desk.document.project.held, ())
        self.sound()

    def test_a_piece_goes_to_another_sheet_but_not_to_another_material(self) -> None:
        here = self.stage.current()
        assert here is not None
        code, plan, sheet, number = here
        spot = min(sheet.spots, key=lambda each: each.length * each.width)
        start = self.point(spot.x + spot.reach[0] // 2, spot.y + spot.reach[1] // 2)
        rows = self.stage.hand.sheets()
        same = next(i for i, row in enumerate(rows) if row[0] == code and row[3] != number)
        other = next(i for i, row in enumerate(rows) if row[0] != code)
        view = self.find(DrawingView, "sheet")
        for at, moved in ((other, False), (same, True)):
            thumb = self.find(QWidget, f"thumb-{at}")
            self.drag(start, view.mapFromGlobal(thumb.mapToGlobal(thumb.rect().center())))
            self.assertEqual(bool(self.window.desk.document.project.held), moved)
            self.sound()
        after = self.window.desk.planner.plans[code]
        self.assertLessEqual(after.bought, plan.bought + 1)
        self.assertIn(spot.code, [s.code for s in after.problem.held[0].spots])

    def test_cuts_made_are_kept_with_the_project_and_a_begun_sheet_is_left_alone(self) -> None:
        view = self.find(DrawingView, "sheet")
        view.setFocus()
        here = self.stage.current()
        assert here is not None
        for _ in range(5):
            QTest.keyClick(view, Qt.Key.Key_Space)
        held = self.window.desk.document.project.held
        self.assertEqual([(sheet.cuts, len(sheet.pieces)) for sheet in held], [(5, len(here[2].spots))])
        # Nothing else is planned anew: what was printed of the other sheets stays true, by number and piece.
        code, before, *_ = here
        begun = self.window.desk.planner.plans[code]
        told = [
            {number: sheet.spots for number, sheet in zip(each.numbers, each.sheets, strict=True)}
            for each in (before, begun)
        ]
        self.assertEqual(*told)
        self.press("cut-back")
        self.assertEqual(self.window.desk.planner.plans[code].sheets, begun.sheets)
        self.press("next-cut")
        # Something else to be cut from the same stock changes: what is being cut stays as it is.
        self.press("plan-again")
        plan = self.window.desk.planner.plans[here[0]]
        self.assertEqual((plan.sheets[0].spots, plan.problem.held[0].closed), (here[2].spots, True))
        self.assertEqual((plan.sheets[0].number, plan.numbers[0]), (here[1].numbers[here[3] - 1],) * 2)
        self.sound()
        for letter in ("A", "B", "C"):
            self.window.desk.type_over(f"{letter}/depth", "21")
        self.settle()
        told = [snag for snag in self.window.desk.document.snags if snag.code == "held.begun"]
        self.assertEqual(len(told), 1)
        self.assertIn("5 cuts", told[0].sentence)

    def test_two_plans_are_compared_and_exchanged(self) -> None:
        here = self.stage.current()
        assert here is not None
        self.press("set-aside")
        spot = here[2].spots[0]
        self.click_at(self.find(DrawingView, "sheet"), self.point(spot.x + 1000, spot.y + 1000))
        self.press("plan-again")
        self.assertTrue(self.find(QWidget, "two-plans"))
        self.press("take-aside")
        self.assertEqual(self.window.desk.planner.plans[here[0]].sheets, here[1].sheets)
        self.press("forget-aside")
        self.assertFalse(self.stage.hand.aside)

    def test_an_offcut_is_scrapped_and_does_not_come_back_to_the_rack(self) -> None:
        sheets = enumerate(self.stage.hand.sheets())
        found = ((i, code, cuts_of(plan, sheet).rests) for i, (code, plan, sheet, _) in sheets)
        i, code, rests = next(
            row for row in found if row[2] and worth_keeping(self.window.desk.document.project, row[2][0])
        )
        self.window.desk.selection.select(sheet=i)
        self.settle()
        rest = rests[0]
        self.press("rest-1")
        self.assertEqual([choice.keep for choice in self.window.desk.document.project.rests], [False])
        self.press("sheet-cut")
        there = [
            (s.length.ticks, s.width.ticks) for s in self.window.desk.document.project.rack.sheet_goods(code).sheets
        ]
        self.assertNotIn((rest.length, rest.width), there)

    def test_the_saw_is_told_and_the_order_of_cuts_follows(self) -> None:
        self.press("show-rack")
        combo = self.find(QComboBox, "saw-style")
        combo.setCurrentIndex(combo.findData(SawStyle.TRACK))
        combo.activated.emit(combo.currentIndex())
        self.settle()
        self.assertEqual(self.window.desk.document.project.rack.saw.over, inches("1/4"))
        kinds = {c.kind for _, plan, sheet, _ in self.stage.hand.sheets() for c in cuts_of(plan, sheet).cuts}
        self.assertTrue({CutKind.ROUGH, CutKind.TRUE} <= kinds)
        heavy = self.find(QLineEdit, "saw-heaviest")
        heavy.setFocus()
        self.type("20")
        self.assertTrue(any(snag.code == "saw.heavy" for snag in self.window.desk.document.snags) is False)
        combo = self.find(QComboBox, "saw-style")
        combo.setCurrentIndex(combo.findData(SawStyle.TABLE))
        combo.activated.emit(combo.currentIndex())
        self.settle()
        told = next(snag for snag in self.window.desk.document.snags if snag.code == "saw.heavy")
        self.assertIn("20 lb", told.sentence)
        stages = self.find(QComboBox, "saw-stages")
        stages.setCurrentIndex(stages.findData(2))
        stages.activated.emit(stages.currentIndex())
        self.settle()
        self.sound()

    def test_boards_of_ones_own_and_their_defects(self) -> None:
        self.demo("lantern-yard")
        self.press("show-boards")
        self.assertIn("Boards to buy", self.words(self.window.tape))
        self.press("show-rack")
        self.press("add-own-board:frame")
        boards = self.window.desk.document.project.rack.board_goods("frame").boards
        field = self.find(QLineEdit, f"defects:frame:{len(boards)}")
        field.setFocus()
        self.type("24 to 26 1/2, 61 to 63")
        own = self.window.desk.document.project.rack.board_goods("frame").boards[-1]
        self.assertEqual(own.defects, (Defect(inches(24), inches("2 1/2")), Defect(inches(61), inches(2))))
        field = self.find(QLineEdit, f"defects:frame:{len(boards)}")
        field.setFocus()
        field.selectAll()
        self.type("24 or so")
        self.assertIn("Type where it begins and ends", self.snag())
        self.assertEqual(self.window.desk.document.project.rack.board_goods("frame").boards[-1].defects, own.defects)


class Tables(UiCase):
    """The same list as CSV with commas, with semicolons, as xlsx and as ods."""

    ROWS = (
        ("Part", "Qty", "L", "W", "Grain", "Material"),
        ("shelf", "2", "30 1/2", "11.25", "", "birch ply 3/4"),
        ("cleat", "3", "24", "3", "any", ""),
    )

    def written(self, kind: str) -> Path:  # type: ignore[override]
        path = self.folder / f"list.{kind}"
        if kind == "xlsx":
            book = openpyxl.Workbook()
            for row in self.ROWS:
                book.active.append([float(c) if c.replace(".", "").isdigit() else c for c in row])
            book.save(path)
        elif kind == "ods":
            sheet = OpenDocumentSpreadsheet()
            table = Table(name="parts")
            for row in self.ROWS:
                line = TableRow()
                for cell in row:
                    made = TableCell(valuetype="string")
                    made.addElement(P(text=cell))
                    line.addElement(made)
                table.addElement(line)
            sheet.spreadsheet.addElement(table)
            sheet.save(str(path))
        else:
            between = {"csv": ",", "txt": ";", "tsv": "\t"}[kind]
            path.write_text("\n".join(between.join(row) for row in self.ROWS), encoding="utf-8")
        return path

    def test_every_kind_of_table_gives_the_same_parts(self) -> None:
        rack = self.window.desk.document.project.rack
        for kind in ("csv", "txt", "tsv", "xlsx", "ods"):
            with self.subTest(kind=kind):
                cells = read_cells(self.written(kind))
                parts = parts_of(cells, guessed(cells, "case"), rack, Units(System.INCH), "list")
                found = [(p.name, p.count, p.length, p.width, p.grain, p.goods) for p in parts]
                self.assertEqual(
                    found,
                    [
                        ("shelf", 2, inches("30 1/2"), inches("11.25"), Grain.LENGTH, "case"),
                        ("cleat", 3, inches(24), inches(3), Grain.ANY, "case"),
                    ],
                )

    def test_columns_are_picked_and_the_parts_are_cut_along(self) -> None:
        path = self.folder / "odd.csv"
        path.write_text("a,b,c\n30,11,shelf\nx,9,rail\n", encoding="utf-8")

        said: list[object] = []

        def pick(dialog) -> int:  # type: ignore[no-untyped-def]
            # What fails in here would end the program: it is told afterwards.
            dialog.show()
            for number, field in ((2, "width"), (1, "length"), (3, "name")):
                names = dialog.findChild(QComboBox, f"column-{number}")
                names.setCurrentIndex(names.findData(field))
                names.activated.emit(names.currentIndex())
            said.extend((dialog._ok.isEnabled(), dialog._told.text))
            dialog._rows[2][0] = "24"
            names.activated.emit(names.currentIndex())
            said.append(dialog._ok.isEnabled())
            dialog.close()
            return 1

        with (
            patch("ablebox.window.ask.for_table_to_read", return_value=path),
            patch("ablebox.window.read_parts.ReadParts.exec", pick),
        ):
            self.act("read-parts")
        self.assertEqual((said[0], said[2]), (False, True))
        self.assertIn("row 3: length “x” is not a size", str(said[1]))
        made = self.window.desk.document.made
        self.assertEqual([(p.code, p.name) for p in made.parts if p.case == "x"], [("x-01", "shelf"), ("x-02", "rail")])
        self.assertTrue({"x-01", "x-02"} <= {piece.code for piece in made.problems["case"].pieces})
        self.assertEqual(self.window.desk.selection.part, "x-01")
        count = self.find(QSpinBox, "loose-count")
        count.setValue(4)
        count.editingFinished.emit()
        self.window.desk.type_over("loose/1.length", "31 1/4")
        self.settle()
        self.assertEqual(self.window.desk.document.project.loose[0].length, inches("31 1/4"))
        self.assertEqual(self.window.desk.document.project.loose[0].count, 4)
        self.press("drop-loose")
        self.assertEqual([part.name for part in self.window.desk.document.project.loose], ["rail"])
        self.press("add-loose")
        self.assertEqual(len(self.window.desk.document.project.loose), 2)
