# SPDX-License-Identifier: GPL-3.0-or-later
"""Cases that cannot be built as designed: kept, drawn as far as they go, told with a way on, and the rest of the project goes on."""

from __future__ import annotations

import unittest
from dataclasses import replace
from random import Random
from typing import Any

from ablebox.core.cabinet.kinds import starting_case
from ablebox.core.case.counter.sheet_top import SheetTop
from ablebox.core.case.inside.layout import Bay, Rows
from ablebox.core.case.inside.shelves_on_pins import PinShelves
from ablebox.core.case.top_none import NoTop
from ablebox.core.drawing import case_views, face_view, joint_views, wall_view
from ablebox.core.drawing.exploded import exploded
from ablebox.core.drawing.look import Look
from ablebox.core.fronts.cell.drawer import Drawer
from ablebox.core.fronts.face import FaceFronts, Stack
from ablebox.core.fronts.fit.inset_fit import Inset
from ablebox.core.lengths import ZERO, inches
from ablebox.core.paper.book.shop_book import shop_book
from ablebox.core.paper.data.assembly_json import assembly_tree
from ablebox.core.paper.exports.tables_out import TableForm, table_csv
from ablebox.core.project.json_format import from_text, to_text
from ablebox.core.project.tree import DonePiece, Project, new_project
from ablebox.core.shop.made import Made
from ablebox.core.shop.plans import plan_all
from ablebox.core.snags.every import snags
from ablebox.core.snags.snag import Level
from ablebox.core.units import System
from tests.designs import any_case, random_rack


def refused(count: int) -> list[tuple[int, Project]]:
    """Return projects of which a random case cannot be built, beside one that can."""
    found: list[tuple[int, Project]] = []
    seed = 0
    while len(found) < count:
        seed += 1
        rng = Random(seed)
        sound = replace(new_project().cases[0], letter="B")
        try:
            project = replace(new_project(), cases=(any_case(rng), sound), rack=random_rack(rng))
        except ValueError:
            continue
        made = Made(project)
        if "A" in made.unbuilt and "B" not in made.unbuilt:
            found.append((seed, project))
    return found


class Kept(unittest.TestCase):
    def test_it_is_drawn_told_and_left_out_and_everything_else_goes_on(self) -> None:
        for seed, project in refused(6):
            made = Made(project)
            self.assertEqual(from_text(to_text(project), "x"), project, seed)
            found = snags(made)
            self.assertEqual((found[0].code, found[0].level, found[0].case), ("built.not", Level.STOP, "A"), seed)
            self.assertIn(str(made.unbuilt["A"]), found[0].sentence)
            for letter in "AB":
                for view in (case_views.elevation, case_views.section, case_views.plan):
                    self.assertTrue(view(made, letter).items, (seed, view))
                face_view.face_view(made, letter, "", frozenset())
                assembly = made.assembly(letter)
                exploded(assembly, {part.role: "" for part in assembly.parts}, Look())
                for thing in joint_views.THINGS:
                    joint_views.joint(assembly, thing)
            wall_view.wall_view(made, "A")
            self.assertEqual({part.case for part in made.parts if part.case in "AB"}, {"B"}, seed)
            self.assertEqual({each["case"] for each in assembly_tree(made)} - {"j"}, {"B"}, seed)
            self.assertNotIn("A-", table_csv(made, TableForm()))
            if seed % 5 == 0:
                shop_book(made, plan_all(made))

    def test_what_is_cut_of_it_waits_for_it(self) -> None:
        project = new_project()
        cut = DonePiece("A/side.left", "case", inches(34), inches(22))
        low = project.with_case(replace(project.case("A"), height=inches(5)))
        low = replace(low, done=(cut,))
        self.assertEqual([snag.code for snag in snags(Made(low)) if snag.code.startswith(("cut.", "held."))], [])
        self.assertEqual(low.done, (cut,))

    def test_an_offer_builds_it(self) -> None:
        """Each is built before it is offered; where two things are wrong at once, two are changed together."""
        case = new_project().case("A")
        rows: list[tuple[str, Any]] = [
            ("shelves", replace(case, inside=Bay((PinShelves(count=7),)), height=inches(16))),
            ("narrow", replace(case, width=inches("4 1/2"), follows=False)),
            ("splash", replace(case, counter=SheetTop(splash=inches("1/8")))),
            ("drawers", replace(case, fronts=FaceFronts(face=Stack((Drawer(),) * 9, (None,) * 9)), inside=Bay())),
        ]
        for name, wrong in rows:
            found = snags(Made(new_project().with_case(wrong)))
            self.assertEqual(found[0].code, "built.not", name)
            self.assertTrue(found[0].key.startswith("A/"), (name, found[0].key))
            assert found[0].fix is not None, (name, found[0].sentence)
            assert found[0].fix.project is not None
            self.assertEqual(Made(found[0].fix.project).unbuilt, {}, name)


class AnyOrder(unittest.TestCase):
    """However things are entered, in between it may not be possible to build them; what comes out is the same."""

    def test_the_order_of_entering_does_not_matter(self) -> None:
        start = starting_case("A", "bookcase", System.INCH)
        edits = (
            lambda c: replace(c, fronts=FaceFronts(Inset(), face=Stack((Drawer(),) * 3, (None,) * 3))),
            lambda c: replace(c, inside=Rows((Bay(), Bay(), Bay()), (None,) * 3, (ZERO,) * 2)),
            lambda c: replace(c, height=inches(34)),
            lambda c: replace(c, depth=inches(22), top=NoTop(), counter=SheetTop()),
        )
        ends = set()
        for order in ((0, 1, 2, 3), (3, 2, 1, 0), (1, 3, 0, 2), (2, 0, 3, 1)):
            project = new_project().with_case(replace(start, in_alcove=False))
            for at in order:
                project = project.with_case(edits[at](project.case("A")))  # type: ignore[no-untyped-call]
                Made(project)
            ends.add(to_text(project))
        self.assertEqual(len(ends), 1)
