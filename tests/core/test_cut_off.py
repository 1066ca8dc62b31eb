# SPDX-License-Identifier: GPL-3.0-or-later
"""What is cut leaves the rack, its offcuts come back, the rest is planned as before, and a spoiled piece again."""

from __future__ import annotations

import unittest
from collections import Counter
from dataclasses import replace
from io import BytesIO

from pypdf import PdfReader

from ablebox.cli import demo
from ablebox.core.cuts.checker import check
from ablebox.core.cuts.saw_order import cutting
from ablebox.core.lengths import Length, inches
from ablebox.core.paper.labels.labels import labels
from ablebox.core.project.changes import delete_case
from ablebox.core.project.files import load
from ablebox.core.project.json_format import from_text, to_text
from ablebox.core.project.rack_edits import with_row
from ablebox.core.project.tree import Project
from ablebox.core.shop.cut_off import cut_already, sheet_cut, spoiled
from ablebox.core.shop.made import Made
from ablebox.core.shop.on_sheets import pieces_in
from ablebox.core.shop.plans import plan_all
from ablebox.core.shop.rests import worth_keeping
from ablebox.core.snags.every import snags


def start() -> Project:
    project = load(demo.path_of("harbour-cottage")).project
    return with_row(project, "case", 0, count=9)


def wanted(made: Made, code: str) -> Counter[str]:
    problem = made.problems.get(code)
    return Counter({piece.code: piece.count for piece in problem.pieces}) if problem else Counter()


class CutOff(unittest.TestCase):
    def test_cutting_every_sheet_leaves_nothing_to_plan_and_all_offcuts_on_the_rack(self) -> None:
        project = start()
        kept = 0
        for _ in range(12):
            made = Made(project)
            if "case" not in made.problems:
                break
            plan = plan_all(made, 30)["case"]
            self.assertEqual(check(plan), [])
            sheet = plan.sheets[0]
            before, rows = wanted(made, "case"), project.rack.sheet_goods("case").sheets
            rests = [r for r in cutting(sheet, plan.problem.terms).rests if worth_keeping(project, r)]
            project = sheet_cut(made, "case", plan, plan.sheets.index(sheet) + 1)
            self.assertEqual(before - Counter(spot.code for spot in sheet.spots), wanted(Made(project), "case"))
            after = project.rack.sheet_goods("case").sheets
            there = sum(row.count or 0 for row in rows)
            self.assertEqual(sum(row.count or 0 for row in after), there - 1 + len(rests))
            for rest in rests:
                sizes = [(row.length, row.width) for row in after if row.offcut]
                self.assertIn((Length(rest.length), Length(rest.width)), sizes)
            kept += len(rests)
        self.assertNotIn("case", Made(project).problems)
        self.assertEqual(from_text(to_text(project), "x"), project)

    def test_a_spoiled_piece_is_planned_again_from_what_is_left_and_the_rest_stays_cut(self) -> None:
        made = Made(start())
        plan = plan_all(made, 30)["case"]
        project = sheet_cut(made, "case", plan, 1)
        part = next(p for p in made.parts if p.code == plan.sheets[0].spots[0].code)
        again = spoiled(project, part)
        self.assertEqual(cut_already(again, part), cut_already(project, part) - 1)
        self.assertEqual(len(again.done), len(project.done) - 1)
        self.assertEqual(wanted(Made(again), "case") - wanted(Made(project), "case"), Counter({part.code: 1}))
        self.assertEqual(spoiled(start(), part), start())

    def test_a_piece_cut_to_another_size_is_told_and_made_again(self) -> None:
        made = Made(start())
        plan = plan_all(made, 30)["case"]
        sheet = next(s for s in plan.sheets if any(spot.code == "A-01" for spot in s.spots))
        cut = sheet_cut(made, "case", plan, plan.sheets.index(sheet) + 1)
        self.assertFalse([s for s in snags(Made(cut)) if s.code.startswith("cut.")])
        taller = cut.with_case(replace(cut.case("A"), height=cut.case("A").height + inches(1)))
        told = [s for s in snags(Made(taller)) if s.code == "cut.otherwise" and "A-01" in s.sentence]
        self.assertEqual(len(told), 1)
        assert told[0].fix is not None
        assert told[0].fix.project is not None
        self.assertLess(wanted(Made(taller), "case")["A-01"], wanted(Made(told[0].fix.project), "case")["A-01"])
        gone = delete_case(taller, "A")
        self.assertFalse([piece for piece in gone.done if piece.place.startswith("A/")])

    def test_what_is_cut_needs_no_label(self) -> None:
        made = Made(start())
        plans = plan_all(made, 30)
        cut = Made(sheet_cut(made, "case", plans["case"], 1))
        gone = set(pieces_in(made, "case", plans["case"])[0])
        lines = [
            {
                line
                for page in PdfReader(BytesIO(labels(each, planned))).pages
                for line in page.extract_text().splitlines()
            }
            for each, planned in ((made, plans), (cut, plan_all(cut, 30)))
        ]
        self.assertEqual((gone & lines[0], gone & lines[1]), (gone, set()))
