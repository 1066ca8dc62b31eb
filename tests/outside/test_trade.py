# SPDX-License-Identifier: GPL-3.0-or-later
"""Schools of construction, boards and sag, held against standards, handbooks and facts of the trade."""

from __future__ import annotations

import unittest
from dataclasses import replace

import numpy as np

from ablebox.core.cabinet.build import build
from ablebox.core.cabinet.design import Case
from ablebox.core.cabinet.kinds import KINDS, starting_case
from ablebox.core.case.frame.face_frame import FaceFrame
from ablebox.core.case.inside.layout import Bay, Columns
from ablebox.core.case.joint.butt import Butt
from ablebox.core.case.top_full import FullTop
from ablebox.core.fronts.none import NoFronts
from ablebox.core.lengths import TICKS_PER_INCH, inches
from ablebox.core.materials import loads, materials
from ablebox.core.project.tree import first_boards, first_rack, new_project
from ablebox.core.sag import Shelf
from ablebox.core.shop.made import Made
from ablebox.core.snags.fit import under_the_ceiling
from ablebox.core.snags.sag import carried
from ablebox.core.units import System, Units
from tests.core.test_snags import sound
from tests.tables import rows


class Boards(unittest.TestCase):
    @rows(("1x2", "1 1/2"), ("1x3", "2 1/2"), ("1x4", "3 1/2"), ("1x6", "5 1/2"), ("1x8", "7 1/4"), ("1x10", "9 1/4"),
          ("1x12", "11 1/4"))  # fmt: skip
    def test_actual_widths(self, name: str, actual: str) -> None:
        """American Softwood Lumber Standard, PS 20: dry, surfaced boards, 3/4 in thick (from memory)."""
        (goods,) = first_boards(System.INCH)
        board = next(board for board in goods.boards if board.name == name)
        self.assertEqual((board.width, goods.thickness), (inches(actual), inches("3/4")))

    def test_a_rail_of_the_usual_frame(self) -> None:
        """A 36 in case with 1 1/2 in stiles has rails of 33 in: frame less stiles (common practice)."""
        case = Case("A", width=inches(36), depth=inches(24), frame=FaceFrame(), fronts=NoFronts())
        assembly = build(case, first_rack(System.INCH), Units())
        self.assertEqual(assembly.part("frame.rail.top").length.length, inches(33))


class Thickness(unittest.TestCase):
    @rows(("1/4", -1), ("1/4", 1), ("1/2", -1), ("1/2", 1), ("3/4", -1), ("3/4", 0), ("3/4", 1))
    def test_tolerance_of_sanded_panels(self, name: str, sign: int) -> None:
        """Voluntary Product Standard PS 1: sanded panels up to 3/4 in vary by 1/64 in either way (from memory).

        Whatever the sheet turns out to be, channels are as wide as it and the outside stays as designed.
        """
        real = inches(name) + inches("1/64") * sign
        rack = first_rack(System.INCH)
        goods = tuple(replace(row, measured=real) if row.code == "back" else row for row in rack.goods)
        assembly = build(Case("A", fronts=NoFronts()), replace(rack, goods=goods), Units())
        groove = next(cut for cut in assembly.part("side.left").cuts if cut.kind.value == "groove")
        self.assertEqual(groove.box.size[1], real)
        self.assertEqual(assembly.outside[2].length, inches("23 1/4"))


class Arithmetic(unittest.TestCase):
    def test_equal_bays(self) -> None:
        """Equal bays are (L - (n + 1) members) / n over all members, never L / n (common practice)."""
        bay = Bay()
        case = Case("A", width=inches(96), top=FullTop(), fronts=NoFronts(),
                    inside=Columns((bay, bay, bay, bay), (None,) * 4))  # fmt: skip
        assembly = build(case, first_rack(System.INCH), Units())
        wanted = (96 - 5 * 0.75) / 4
        for space in assembly.bays:
            self.assertAlmostEqual(space.box.size[0].ticks / TICKS_PER_INCH, wanted, places=4)

    @rows(("94", "13 1/2", True), ("96", "13 1/2", False))
    def test_tipping_up_under_96_1_4(self, height: str, depth: str, clears: bool) -> None:
        """94 x 13 1/2 needs 94.96 in, 96 x 13 1/2 needs 96.94 (worked example of the trade, common practice)."""
        project = sound()
        ceiling = project.wall(1).ceiling
        assert ceiling is not None
        wall = replace(project.wall(1), ceiling=replace(ceiling, read=inches("96 1/4")))
        case = replace(project.cases[0], height=inches(height), depth=inches(depth))
        made = Made(replace(project.with_wall(1, wall), cases=(case,)))
        self.assertEqual([snag.code for snag in under_the_ceiling(made)], [] if clears else ["fit.tip-up"])


class Sag(unittest.TestCase):
    def test_a_worked_example_in_pounds_and_inches(self) -> None:
        """36 in of 3/4 x 12 in red oak under 25 lb a foot, its own weight left out.

        d = 5 w L^4 / (384 E I) with w = 25/12 lb/in, E = 1.82 million psi and I = 12 x 0.75^3 / 12
        comes to 0.0593 in (handbook formula, worked on paper).
        """
        pound, foot = 0.45359237, 0.3048
        load = 25 * pound / foot / (12 * 0.0254)  # kg per square metre of a shelf 12 in deep
        shelf = Shelf(36 * 25.4, 12 * 25.4, 0.75 * 25.4, 1.82e6 * 6.894757e-6, 0.0, load)
        # Standard gravity is 9.80665 m/s^2; the program reckons with 9.81.
        self.assertAlmostEqual(shelf.at_once / 25.4 * 9.80665 / 9.81, 0.0593, places=4)
        self.assertAlmostEqual(shelf.in_years, 1.8 * shelf.at_once)
        # A person of 100 kg in its middle: P L^3 / (48 E I), with L = 914.4, E = 12,548 N/mm^2, I = 304.8 x 19.05^3 / 12.
        seat = replace(shelf, load=0.0, person=100.0)
        self.assertAlmostEqual(seat.at_once, 981 * 914.4**3 / (48 * 12_548.4 * 304.8 * 19.05**3 / 12), places=3)
        self.assertAlmostEqual(seat.in_years, seat.at_once)

    def test_against_the_beam_equation_solved_by_numbers(self) -> None:
        """E I y'''' = w by finite differences (NumPy), simply supported, with and without a front strip."""
        for strip in (0.0, 38.0):
            shelf = Shelf(900.0, 300.0, 18.0, 9.0, 600.0, 120.0, strip=strip)
            n = 400
            h = shelf.span / n
            x = np.arange(1, n) * h
            moment = shelf.line_load * x * (shelf.span - x) / 2
            second = np.diag(-2 * np.ones(n - 1)) + np.diag(np.ones(n - 2), 1) + np.diag(np.ones(n - 2), -1)
            sag = np.linalg.solve(second, -moment / (shelf.stiffness * 1000 * shelf.second_moment) * h**2)
            self.assertAlmostEqual(float(sag.max()), shelf.at_once, delta=shelf.at_once * 1e-4)

    def test_second_moment_of_shelf_and_strip_by_slices(self) -> None:
        """Sum of b y^2 dy about the middle of area, in 20,000 slices (definition)."""
        shelf = Shelf(900.0, 300.0, 18.0, 9.0, 0.0, 1.0, strip=40.0)
        y = np.linspace(-40, 18, 20_001)[:-1] + 58 / 40_000
        b = np.where(y > 0, 300.0, 18.0)
        middle = (b * y).sum() / b.sum()
        self.assertAlmostEqual(float((b * (y - middle) ** 2).sum() * 58 / 20_000), shelf.second_moment, delta=200.0)

    def test_stiffness_in_the_handbook_s_own_unit(self) -> None:
        """Wood Handbook, Forest Products Laboratory, table 5-3: E in million psi at 12 % (from memory)."""
        for code, psi in (
            ("sugar-maple", 1.83),
            ("red-oak", 1.82),
            ("birch", 2.01),
            ("poplar", 1.58),
            ("white-pine", 1.24),
        ):
            self.assertAlmostEqual(materials()[code].stiffness / 6.894757, psi, delta=0.02)

    def test_creep_and_least_stiffness_are_those_of_their_standards(self) -> None:
        """1 + k_def of EN 1995-1-1 in service class 1; ANSI A208.2 grade 130 and EN 312 P2 around 18 mm (all from memory)."""
        for code, creep, least in (
            ("red-oak", 1.6, None), ("birch-ply", 1.8, None), ("hardwood-ply", 1.8, None), ("mdf", 3.25, 2.16),
            ("particleboard", 3.25, 1.6), ("melamine", 3.25, 1.6),
        ):  # fmt: skip
            row = materials()[code]
            self.assertEqual((row.creep, row.least), (creep, least), code)
            self.assertLess(row.least or 0, row.stiffness)
            self.assertEqual(row.along_span(False), least or row.stiffness)

    def test_what_carries_most_beyond_its_limit_is_told_whatever_it_is(self) -> None:
        """Not the longest: a fixed shelf of 34 in dadoes does not hide a loose one of 34 in; frames stiffen; seats bear a person."""

        def told(case: Case) -> list[tuple[str, float]]:
            made = Made(replace(new_project(), cases=(case,)))
            return sorted(
                ((str(m.part.role.kind.value), m.beam.ratio) for m in carried(made, "A")), key=lambda row: -row[1]
            )

        wide = replace(starting_case("A", "tall", System.INCH), width=inches(36))
        kind, worst = told(wide)[0]
        fixed = max(ratio for of, ratio in told(wide) if of == "fixed")
        self.assertEqual(kind, "shelf")
        # Housed in dadoes it sags half as far, and the same under more creep of its stock and less stiffness.
        self.assertAlmostEqual(worst / fixed, 2.0, delta=0.2)
        framed = told(replace(wide, frame=FaceFrame()))
        self.assertLess(max(ratio for of, ratio in framed if of == "fixed"), fixed / 1.5)
        butted = replace(wide, inside=replace(wide.inside, joint=Butt()))  # type: ignore[type-var]
        self.assertAlmostEqual(max(ratio for of, ratio in told(butted) if of == "fixed") / fixed, 2.0, delta=0.2)
        seat = replace(starting_case("A", "bench", System.INCH), inside=Bay(), width=inches(48))
        self.assertEqual(told(seat)[0][0], "top")
        self.assertGreater(told(seat)[0][1], 1.5)
        for kind in KINDS:
            for system in System:
                made = Made(replace(new_project(system), cases=(starting_case("A", kind, system),)))
                self.assertLess(max((m.beam.ratio for m in carried(made, "A")), default=0.0), 1.0, kind)

    def test_every_row_has_a_source_and_sense(self) -> None:
        for row in (*materials().values(), *loads().values()):
            self.assertTrue(row.source and row.name)
        for material in materials().values():
            glass = material.code in ("glass", "mirror")
            self.assertTrue(2 < material.stiffness < (80 if glass else 16), material.code)
            self.assertTrue(300 < material.density < (2600 if glass else 1300), material.code)
