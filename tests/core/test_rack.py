# SPDX-License-Identifier: GPL-3.0-or-later
"""The rack: each edit changes what it says and nothing else, and no series of edits leaves a project that cannot be."""

from __future__ import annotations

import unittest
from collections.abc import Callable
from dataclasses import replace
from random import Random

from ablebox.core.lengths import Length, inches, millimetres
from ablebox.core.project import rack_edits as edits
from ablebox.core.project.choices import choice
from ablebox.core.project.json_format import from_text, to_text
from ablebox.core.project.tree import Project, new_project
from ablebox.core.shop.made import Made
from ablebox.core.stock import Rack, Saw, Sheet
from ablebox.core.units import System
from tests.tables import rows


def sizes(project: Project) -> list[tuple[str, Length, Length]]:
    return [(part.code, part.length.length, part.width.length) for part in Made(project).parts]


class Edits(unittest.TestCase):
    def setUp(self) -> None:
        self.project = new_project()

    def test_an_offcut_is_half_of_a_usual_sheet_and_one_of_it(self) -> None:
        after = edits.with_another_row(self.project, "case", offcut=True)
        self.assertEqual(after.rack.sheet_goods("case").sheets[-1], Sheet(inches(48), inches(24), 1, True))
        # Another whole sheet is like the first whole one, even after an offcut.
        again = edits.with_another_row(after, "case")
        self.assertEqual(again.rack.sheet_goods("case").sheets[-1], Sheet(inches(96), inches(48)))

    def test_a_kind_without_sheets_gets_the_usual_size_again(self) -> None:
        bare = edits.without_row(self.project, "case", 0)
        self.assertEqual(bare.rack.sheet_goods("case").sheets, ())
        for code in ("back", "doors", "box"):
            bare = edits.without_row(bare, code, 0)
        after = edits.with_another_row(bare, "case")
        self.assertEqual(after.rack.sheet_goods("case").sheets[0].length, inches(96))

    def test_boards_are_added_renamed_priced_and_taken_away(self) -> None:
        before = self.project.rack.board_goods("frame").boards
        added = edits.with_another_row(self.project, "frame")
        self.assertEqual(added.rack.board_goods("frame").boards, (*before, replace(before[-1], name="another board")))
        at = len(before)
        named = edits.with_row(added, "frame", at, name="wide one", width=inches(13), price=2_100)
        board = named.rack.board_goods("frame").boards[at]
        self.assertEqual((board.name, board.width, board.price), ("wide one", inches(13), 2_100))
        self.assertEqual(edits.without_row(named, "frame", at), self.project)

    def test_new_kinds_have_codes_of_their_own_and_go_again(self) -> None:
        project = self.project
        for _ in range(3):
            project = edits.with_another_kind(edits.with_another_kind(project), boards=True)
        codes = [row.code for row in (*project.rack.goods, *project.rack.boards)]  # type: ignore[attr-defined]
        self.assertEqual(len(codes), len(set(codes)))
        for code in ("stock-1", "stock-2", "stock-3", "boards-1", "boards-2", "boards-3"):
            project = edits.without_kind(project, code)
        self.assertEqual(project, self.project)

    def test_what_a_case_is_built_from_cannot_be_taken_away(self) -> None:
        self.assertIn("case", edits.used_codes(self.project))
        with self.assertRaisesRegex(ValueError, "case A names stock “case”"):
            edits.without_kind(self.project, "case")

    def test_bands_and_prices(self) -> None:
        after = edits.with_another_band(self.project)
        new = after.rack.edgings[-1]
        self.assertEqual((new.code, new.price), ("band-1", None))
        self.assertEqual(new.thickness, max(row.thickness for row in self.project.rack.edgings))
        after = edits.with_band(after, "band-1", name="walnut strip", deducted=True)
        self.assertEqual(after.rack.edgings[-1].name, "walnut strip")
        self.assertEqual(after.rack.edgings[:-1], self.project.rack.edgings)
        priced = edits.with_hardware_price(self.project, "shelf pins", 12)
        self.assertEqual(edits.with_hardware_price(priced, "shelf pins", 15).rack.hardware[0].price, 15)
        self.assertEqual(edits.with_hardware_price(priced, "shelf pins", None), self.project)

    def test_another_rack_keeps_what_the_cases_need(self) -> None:
        own_case = replace(self.project.rack.sheet_goods("case"), name="my own ply", measured=inches("11/16"))
        own = Rack((own_case,), (), Saw(inches("3/32"), inches("1/4")))
        taken = replace(self.project, rack=edits.merged(self.project, own))
        self.assertEqual(taken.rack.sheet_goods("case").name, "my own ply")
        self.assertEqual(taken.rack.saw, own.saw)
        self.assertTrue(edits.used_codes(taken) <= {"", *edits_codes(taken.rack)})
        # Thinner by a sixteenth each side: the bottom is an eighth longer.
        before, after = (Made(p).numbers["A/bottom/length"].length for p in (self.project, taken))
        self.assertEqual(after - before, inches("1/8"))

    def test_any_series_of_edits_is_read_again_and_leaves_sizes_alone(self) -> None:
        """Sizes of parts follow from thickness alone: no edit of names, sheets, boards, bands' names or prices moves one."""
        for seed in range(40):
            rng = Random(seed)
            project = new_project(rng.choice(list(System)))
            before = sizes(project)
            for _ in range(12):
                project = rng.choice(HARMLESS)(project, rng)
            self.assertEqual(from_text(to_text(project), "x"), project, f"seed {seed}")
            self.assertEqual(sizes(project), before, f"seed {seed}")


def edits_codes(rack: Rack) -> set[str]:
    stock = {row.code for row in rack.goods} | {row.code for row in rack.boards}
    return stock | {row.code for row in rack.edgings}


def _row(project: Project, rng: Random) -> Project:
    code = rng.choice(["case", "back", "doors", "frame"])
    count = len(edits.rows_of(project.rack.stock(code)))
    if count < 2 or rng.random() < 0.5:
        return edits.with_another_row(project, code, offcut=rng.random() < 0.5)
    if rng.random() < 0.5:
        return edits.with_row(project, code, rng.randrange(count), price=rng.choice([None, rng.randint(1, 20_000)]))
    return edits.without_row(project, code, rng.randrange(1, count))


HARMLESS: list[Callable[[Project, Random], Project]] = [
    _row,
    lambda project, rng: edits.with_another_kind(project, boards=rng.random() < 0.5),
    lambda project, rng: edits.with_another_band(project),
    lambda project, rng: edits.with_stock(project, "case", name=f"ply {rng.randint(1, 9)}", grained=rng.random() < 0.5),
    lambda project, rng: edits.with_hardware_price(project, "shelf pins", rng.choice([None, 7])),
]


class Numbers(unittest.TestCase):
    """The sizes of the stock as choices, the same for sheets and boards."""

    @rows(
        ("stock/case/thickness", "11/16", "measured thickness of birch ply 3/4"),
        ("stock/case/nominal", "5/8", "nominal thickness of birch ply 3/4"),
        ("stock/case/sheet.1.length", "97", "length of a sheet of birch ply 3/4"),
        ("stock/frame/thickness", "13/16", "measured thickness of soft maple boards"),
        ("stock/frame/board.2.width", "2 1/4", "width of 1x3 in soft maple boards"),
        ("edging/veneer/thickness", "1/32", "thickness of iron-on veneer"),
    )
    def test_each_is_set_and_found_again(self, key: str, text: str, title: str) -> None:
        project = new_project()
        found = choice(project, key)
        assert found is not None
        self.assertEqual(found.title, title)
        after = found.put(inches(text))
        again = choice(after, key)
        assert again is not None
        self.assertEqual(again.value, inches(text))
        if found.value is not None and "measured" not in title:
            self.assertEqual(again.put(found.value), project)

    @rows(
        ("stock/case/sheet.2.length",), ("stock/case/sheet.0.length",), ("stock/case/board.1.length",), ("stock/frame/sheet.1.width",),
        ("stock/frame/board.99.width",), ("stock/none/thickness",), ("stock/case/colour",), ("edging/none/thickness",),
    )  # fmt: skip
    def test_what_is_no_number_of_the_stock(self, key: str) -> None:
        self.assertIsNone(choice(new_project(), key))

    def test_a_thickness_reaches_every_joint_that_names_it(self) -> None:
        """1/32 thinner stock: dadoes as much narrower, inside a sixteenth wider (facts of the trade, common practice)."""
        project = new_project()
        found = choice(project, "stock/case/thickness")
        assert found is not None
        assert found.value is not None
        after = found.put(found.value - inches("1/32"))
        one, other = (Made(p).assembly("A") for p in (project, after))
        dados = [cut.box.size[2] for a in (one, other) for cut in a.part("side.left").cuts if cut.kind.value == "dado"]
        self.assertEqual(dados[0] - dados[1], inches("1/32"))
        wider = Made(after).numbers["A/inside.width"].length - Made(project).numbers["A/inside.width"].length
        self.assertEqual(wider, inches("1/16"))

    def test_stock_that_leaves_no_case_is_told_and_nothing_is_lost(self) -> None:
        found = choice(new_project(), "stock/case/thickness")
        assert found is not None
        self.assertEqual(set(Made(found.put(millimetres(400))).unbuilt), {"A"})
