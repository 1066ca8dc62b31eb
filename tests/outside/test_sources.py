# SPDX-License-Identifier: GPL-3.0-or-later
"""Held against facts and tools from outside the project; each names its source beside it."""

from __future__ import annotations

import unittest
from dataclasses import replace
from decimal import Decimal
from fractions import Fraction
from random import Random

import rectpack

from ablebox.core.cabinet.build import build
from ablebox.core.cabinet.design import Case
from ablebox.core.case.bottom import Bottom
from ablebox.core.case.inside.layout import Bay
from ablebox.core.case.inside.shelves_on_pins import PinShelves
from ablebox.core.case.joint.dado import Dado
from ablebox.core.cuts.problem import Piece, Problem, Supply
from ablebox.core.cuts.search.planner import last
from ablebox.core.fronts.face import FaceFronts
from ablebox.core.fronts.hinges import hinge_count
from ablebox.core.fronts.making.slab import Slab
from ablebox.core.lengths import Length, inches, millimetres
from ablebox.core.project.tree import first_rack, new_project
from ablebox.core.shop.made import Made
from ablebox.core.stock import Rack, Saw, SheetGoods
from ablebox.core.typed import read_length
from ablebox.core.units import System, Units
from tests.core.test_cuts import MM, random_problem
from tests.tables import rows


class InchesAndMillimetres(unittest.TestCase):
    @rows((1, "25.4"), (12, "304.8"), (36, "914.4"), (48, "1219.2"), (96, "2438.4"))
    def test_inches_in_millimetres(self, whole: int, mm: str) -> None:
        """International inch: 25.4 mm exactly (international yard and pound agreement, 1959; from memory)."""
        self.assertEqual(inches(whole), millimetres(mm))

    @rows(("1/32", "0.79375"), ("1/64", "0.396875"), ("23/32", "18.25625"), ("7/32", "5.55625"), ("15/32", "11.90625"))
    def test_decimal_equivalents_of_fractions(self, fraction: str, mm: str) -> None:
        """Decimal equivalents as engraved on drill charts: n/64 in x 25.4 (arithmetic, second opinion by decimal)."""
        self.assertEqual(Decimal(inches(fraction).ticks) / 16_000, Decimal(mm))
        self.assertEqual(Fraction(inches(fraction).ticks, 16_000), Fraction(fraction) * Fraction("25.4"))


class Sheets(unittest.TestCase):
    def test_sheet_sizes_to_start_from(self) -> None:
        """Full sheets are 48 x 96 in and 1220 x 2440 mm (common practice)."""
        for system, size in (
            (System.INCH, (inches(96), inches(48))),
            (System.MM, (millimetres(2440), millimetres(1220))),
        ):
            for goods in first_rack(system).goods:
                self.assertEqual((goods.sheets[0].length, goods.sheets[0].width), size)

    @rows(("3/4", "23/32"), ("1/2", "15/32"), ("1/4", "7/32"))
    def test_sanded_plywood_is_thinner_than_its_name(self, name: str, real: str) -> None:
        """Thickness of 3/4, 1/2 and 1/4 hardwood ply at the counter (common practice).

        Each 32nd the sheet is thinner leaves a sixteenth more between the sides.
        """
        for thickness in (None, inches(real)):
            goods = SheetGoods("case", name, inches(name), thickness)
            rack = Rack(
                (goods, replace(goods, code="back"), SheetGoods("doors", "mdf", inches("3/4"))),
                (),
                Saw(Length(0), Length(0)),
            )
            case = Case("A", width=inches(30), edging="")
            case = replace(case, bottom=Bottom(Dado(inches("1/16"))), fronts=FaceFronts(making=Slab("doors", "")),
                           back=replace(case.back, groove=inches("1/8")),
                           inside=Bay((PinShelves(hole_depth=inches("1/8")),)))  # fmt: skip
            inside = build(case, rack, Units()).part("kick").length.length
            self.assertEqual(inches(30) - inside, (thickness or inches(name)) * 2)


class WorkedExamples(unittest.TestCase):
    def test_inside_of_a_30_in_case_of_three_quarter_stock(self) -> None:
        """A 30 in case of 3/4 sides has a 28 1/2 opening (common practice)."""
        case = new_project().cases[0]
        project = new_project().with_case(replace(case, width=inches(30), follows=False))
        self.assertEqual(Made(project).numbers["A/inside.width"].length, inches("28 1/2"))

    def test_typed_as_in_the_alcove(self) -> None:
        """Reading plus tape body: 24 1/4 + 3 = 27 1/4 (common practice); a case of 26 3/4 follows."""
        self.assertEqual(read_length("24 1/4 + 3", Units()), inches("27 1/4"))
        self.assertEqual(Made(new_project()).assembly("A").outside[0].length, inches("26 3/4"))

    @rows(("36", 2), ("40", 2), ("40 1/16", 3), ("60", 3), ("80", 4), ("84", 5))
    def test_number_of_hinges(self, height: str, count: int) -> None:
        """Two hinges up to 40 in, three to 60, four to 80 (common practice)."""
        self.assertEqual(hinge_count(inches(height)), count)

    def test_two_cases_side_by_side_have_reveals_that_make_a_gap(self) -> None:
        """Full overlay: 1/16 reveals of two neighbours add up to the 1/8 gap of a pair (common practice)."""
        fronts = new_project().cases[0].fronts
        self.assertEqual(fronts.fit.reveal * 2, fronts.fit.gap)


class SecondOpinion(unittest.TestCase):
    def test_sheet_counts_against_a_general_purpose_packing_library(self) -> None:
        """rectpack 0.2.2, its guillotine packers in every variant; ours never needs more sheets over a whole set."""
        ours = theirs = 0
        for seed in range(12):
            problem = random_problem(Random(seed), 14)
            problem = replace(problem, supplies=(Supply("sheet", 2440 * MM, 1220 * MM),),
                              pieces=tuple(replace(piece, fixed=False) for piece in problem.pieces))  # fmt: skip
            ours += len(last(problem, 150).sheets)
            theirs += min(library_sheets(problem, algorithm) for algorithm in GUILLOTINE)
        self.assertLessEqual(ours, theirs)

    def test_a_piece_fits_exactly_when_the_library_says_so(self) -> None:
        for length, fits in ((2428, True), (2429, False)):
            problem = Problem(
                (Piece("a", length * MM, 1208 * MM, 1, False),), (Supply("s", 2440 * MM, 1220 * MM),), 3 * MM, 6 * MM
            )
            self.assertEqual(library_sheets(problem, rectpack.GuillotineBssfSas) == 1, fits)


GUILLOTINE = [
    getattr(rectpack, f"Guillotine{fit}{split}")
    for fit in ("Bssf", "Blsf", "Baf")
    for split in ("Sas", "Las", "Slas", "Llas", "Maxas", "Minas")
]


def library_sheets(problem: Problem, algorithm: type) -> int:
    """Return how many sheets the library needs for what it can place; every size one kerf larger."""
    packer = rectpack.newPacker(pack_algo=algorithm, rotation=True)
    kerf = problem.kerf
    for piece in problem.pieces:
        for _ in range(piece.count):
            packer.add_rect(piece.length + kerf, piece.width + kerf)
    length, width = problem.usable(problem.supplies[0])
    packer.add_bin(length + kerf, width + kerf, count=100)
    packer.pack()
    return len(packer)
