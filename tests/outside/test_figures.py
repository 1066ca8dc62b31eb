# SPDX-License-Identifier: GPL-3.0-or-later
"""Figures held against published standards, their values written out here; each says from where, and 'from memory' where it is."""

from __future__ import annotations

import unittest

from tools.figures import PAGE, catalogue, figures, page

from ablebox.cli import demo
from ablebox.core.cabinet.metric import metric
from ablebox.core.case.inside.shelves_on_pins import PinShelves
from ablebox.core.case.kick_notched import NotchedKick
from ablebox.core.fronts import hinges
from ablebox.core.fronts.hinges import CupHinge, hinge_count
from ablebox.core.hardware import usual
from ablebox.core.lengths import inches, millimetres
from ablebox.core.materials import loads, materials
from ablebox.core.project.files import load
from ablebox.core.sag import SEEN
from ablebox.core.snags.joints import _KICK_DEPTHS, _KICK_HEIGHTS
from ablebox.core.units import System
from tests.tables import rows


class EveryFigure(unittest.TestCase):
    def test_none_moves_unseen_and_each_has_a_source(self) -> None:
        self.assertEqual(
            PAGE.read_text(encoding="utf-8"), page(), "run tools/figures.py after a figure was changed on purpose"
        )
        self.assertGreater(len(figures()), 250)
        self.assertEqual([row[:2] for row in figures() if not row[3]], [])
        self.assertEqual([row[:2] for row in catalogue() if not row[2]], [])


class System32(unittest.TestCase):
    """The 32 mm system: holes of 5 mm every 32 mm on a line 37 mm behind the front edge (common practice)."""

    def test_plates_and_pins(self) -> None:
        self.assertEqual(
            (hinges.PLATE_LINE, hinges.PLATE_SCREWS, hinges.PLATE_HOLE),
            (millimetres(37), millimetres(32), millimetres(5)),
        )
        pins = metric(PinShelves())
        self.assertEqual((pins.hole, pins.pitch), (millimetres(5), millimetres(32)))
        # In inches a quarter, every inch (common practice).
        self.assertEqual((PinShelves().hole, PinShelves().pitch), (inches("1/4"), inches(1)))
        for system in System:
            for item in usual(system):
                if item.kind in ("side-mount", "undermount"):
                    self.assertEqual(item.members[2:], (millimetres(37), millimetres(32)), item.name)

    def test_cups(self) -> None:
        """35 mm, 12 to 13 mm deep, 3 to 6 mm from the edge (common practice)."""
        cup = CupHinge()
        self.assertEqual(cup.cup, millimetres(35))
        self.assertTrue(millimetres(12) <= cup.depth <= millimetres(13))
        self.assertTrue(millimetres(3) <= cup.edge <= millimetres(6))


class Kitchens(unittest.TestCase):
    """ANSI/KCMA A161.1, the kitchen cabinet standard (from memory)."""

    def test_shelf_load_and_deflection(self) -> None:
        """Shelves and bottoms carry 15 lb a square foot and give by no more than 1/16 in a foot while they do."""
        self.assertGreaterEqual(loads()["kitchen"].weight, 15 * 0.45359237 / 0.3048**2)
        self.assertLess(loads()["kitchen"].weight, 80)
        self.assertLess(SEEN, (1 / 16) / 12)

    def test_toe_space(self) -> None:
        """At least 2 in deep and 3 in high."""
        self.assertEqual((_KICK_DEPTHS[0], _KICK_HEIGHTS[0]), (inches(2), inches(3)))
        self.assertEqual((NotchedKick().depth, NotchedKick().height), (inches(3), inches(4)))


class Panels(unittest.TestCase):
    @rows(
        # EN 622-5, MDF over 12 to 19 mm: 2200; ANSI A208.2 grade 130: 2160 N/mm2 (both from memory).
        ("mdf", 2200, 2160),
        # EN 312 type P2 over 13 to 20 mm: 1600; ANSI A208.1 grade M-2: 2000 N/mm2 (both from memory).
        ("particleboard", 1600, 2000),
        ("melamine", 1600, 2000),
    )
    def test_least_stiffness_is_that_of_the_lower_standard(self, code: str, european: int, american: int) -> None:
        row = materials()[code]
        self.assertEqual(row.least, min(european, american) / 1000)
        self.assertLess(row.least or 0, row.stiffness)

    def test_boards_are_not_stiffer_than_wood(self) -> None:
        """Of fibre and particle boards a third of what solid wood has, and about half of plywood (Wood Handbook, from memory)."""
        for board in ("mdf", "particleboard", "melamine"):
            for wood in ("red-oak", "soft-maple", "poplar", "white-pine", "birch"):
                self.assertLess(materials()[board].stiffness, materials()[wood].stiffness / 2)
            self.assertLess(materials()[board].stiffness, materials()["hardwood-ply"].stiffness / 2)

    def test_stock_of_the_demos_is_within_the_tolerance_of_plywood(self) -> None:
        """ANSI/HPVA HP-1: 1/4 in and more, sanded, +0 and -1/32 in; EN 315, sanded: +(0.2 + 0.03 t) and -(0.4 + 0.03 t) mm
        (both from memory)."""  # fmt: skip
        for name in demo.names():
            project = load(demo.path_of(name)).project
            for goods in project.rack.goods:
                if goods.measured is None or not goods.stuff.endswith("ply"):
                    continue
                off, thick = goods.measured.mm - goods.nominal.mm, goods.nominal.mm
                american = -25.4 / 32 - 1e-9 <= off <= 0
                european = -(0.4 + 0.03 * thick) <= off <= 0.2 + 0.03 * thick
                self.assertTrue(american if project.units.system is System.INCH else european, (name, goods.name, off))


class Sold(unittest.TestCase):
    def test_slides_in_the_lengths_they_are_sold_in_and_what_they_carry(self) -> None:
        """Undermount in 9 to 24 by 3 in; side mount from 10 by 2 in; pairs carry 100, heavy ones 250, undermount 90 lb, centre
        slides 35 lb (common practice)."""  # fmt: skip
        there = {item.name: item for item in usual(System.INCH)}
        under = sorted(item.length for item in there.values() if item.kind == "undermount")
        self.assertEqual(under, [inches(size) for size in (9, 12, 15, 18, 21, 24)])
        carries = {"side-mount": {45.4, 113.4}, "undermount": {40.8}, "centre": {15.9}}
        for kind, wanted in carries.items():
            found = {round(item.kilograms or 0, 1) for item in there.values() if item.kind == kind}
            self.assertEqual(found, wanted, kind)
        takes = {(i.kind, i.taken) for i in there.values() if i.kind in carries and "heavy" not in i.name}
        self.assertEqual(
            takes, {("side-mount", inches("1/2")), ("undermount", millimetres(42)), ("centre", inches("1/16"))}
        )

    @rows(("30", 5, "16", 2), ("30", 14, "16", 3), ("30", 6, "30", 3), ("84", 12, "20", 5), ("96", 90, "40", 5))
    def test_hinges_by_height_weight_and_width(self, height: str, kilograms: float, width: str, count: int) -> None:
        """Two to 40 in, five over 80; one for each 7 kg beyond the first; 30 in wide counts a quarter heavier than 24 (common practice)."""
        self.assertEqual(hinge_count(inches(height), kilograms, width=inches(width)), count)
