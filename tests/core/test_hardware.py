# SPDX-License-Identifier: GPL-3.0-or-later
"""Hardware is chosen by rule from what is on the rack, its own figures are reckoned with, and what lacks is told."""

from __future__ import annotations

import unittest
from dataclasses import replace
from typing import Any

from ablebox.core.assembly.check import check
from ablebox.core.cabinet.build import build
from ablebox.core.cabinet.design import Case
from ablebox.core.cabinet.kinds import starting_case
from ablebox.core.case.base_casters import Casters
from ablebox.core.case.base_feet import Feet
from ablebox.core.case.base_hung import Hung
from ablebox.core.case.inside.layout import Bay
from ablebox.core.case.inside.shelves_on_pins import PinShelves
from ablebox.core.fronts.cell.flap import Flap
from ablebox.core.fronts.cell.inner import InnerDrawers
from ablebox.core.fronts.drawer.box import DrawerBox
from ablebox.core.fronts.drawer.slides import SideMount, Undermount
from ablebox.core.fronts.face import FaceFronts, Stack
from ablebox.core.fronts.fit.full_overlay import FullOverlay
from ablebox.core.fronts.fit.half_overlay import HalfOverlay
from ablebox.core.fronts.fit.inset_fit import Inset
from ablebox.core.fronts.fit.overlay import Overlay
from ablebox.core.fronts.hinge_choice import choose_hinges
from ablebox.core.fronts.hinges import CupHinge
from ablebox.core.fronts.pulls import Pulls
from ablebox.core.hardware import KINDS, Hardware, usual
from ablebox.core.lengths import inches, millimetres
from ablebox.core.project import rack_edits
from ablebox.core.project.choices import choice
from ablebox.core.project.json_format import from_text, to_text
from ablebox.core.project.tree import new_project
from ablebox.core.shop.made import Made
from ablebox.core.snags.every import snags
from ablebox.core.units import System, Units
from tests.core.test_fronts import BARE, PAIR, RACK, UNITS, D, built
from tests.tables import rows


def with_hardware(*items: Hardware) -> Any:
    """Return the rack with its own items of their kinds, and nothing else of these kinds."""
    return replace(RACK, hardware=items)


def bought(assembly: Any, word: str) -> Any:
    return next(item for item in assembly.bought if word in item.name)


class Slides(unittest.TestCase):
    """Case 30 x 34 1/2 x 24: opening 28 1/2, 22 1/4 deep behind the front when 1/4 of 1/4 back and 1/4 are kept free."""

    def test_their_own_clearance_is_reckoned_with(self) -> None:
        """Slides that say 9/16 a side: 28 1/2 - 1 1/8 = 27 3/8."""
        rack = with_hardware(Hardware("odd slides", "side-mount", inches(20), inches("9/16"), 45_000))
        assembly = built(rack=rack, face=D)
        numbers = {number.key: number for number in assembly.sums}
        self.assertEqual(numbers["A/drawer/width"].length, inches("27 3/8"))
        self.assertEqual(numbers["A/drawer/depth"].length, inches(20))
        self.assertEqual(numbers["A/drawer/width"].terms[1].item.key, "hardware/odd slides/takes")
        self.assertEqual(check(assembly), [])

    def test_strong_ones_are_taken_for_what_is_heavy(self) -> None:
        """Tools: 200 kg/m2 x 723.9 mm x 558.8 mm = 80.9 kg, front and box of 3/4 and 1/2 ply 22.3 kg: the 100 lb pair of 22 in does not
        do, the heavy one does."""
        case = Case("A", width=inches(30), depth=inches(24), edging="", inside=Bay(), load="heavy",
                    fronts=FaceFronts(making=BARE, face=D))  # fmt: skip
        heavy = bought(build(case, RACK, UNITS), "slides")
        self.assertEqual(heavy.name, "heavy side-mount slides 22 in, pairs")
        self.assertIn("228 lb", heavy.why)
        light = with_hardware(*(i for i in usual(System.INCH) if i.kind == "side-mount" and "heavy" not in i.name))
        self.assertIn("the strongest", bought(build(case, light, UNITS), "slides").lacks)

    @rows(
        (18, 18, ""),
        (22, 22, ""),
        (24, 22, "24 in are asked for and there are 22 3/4"),
        (17, 22, "none are on the rack"),
    )
    def test_a_length_that_is_asked_for(self, asked: int, taken: int, lacks: str) -> None:
        slides = SideMount(length=inches(asked))
        item = bought(built(face=D, slides=slides, size=(30, "34 1/2", 24)), "slides")
        self.assertEqual(item.name, f"side-mount slides {taken} in, pairs")
        self.assertIn(lacks, item.lacks) if lacks else self.assertEqual(item.lacks, "")

    def test_a_slide_too_long_is_a_snag_with_a_fix(self) -> None:
        project = new_project()
        fronts = FaceFronts(face=D, slides=Undermount(length=inches(28)))
        project = project.with_case(replace(project.cases[0], inside=Bay(), fronts=fronts, load="linen"))
        found = next(snag for snag in snags(Made(project)) if snag.code == "hardware.lacks")
        assert found.fix is not None
        assert found.fix.project is not None
        self.assertNotIn("hardware.lacks", [snag.code for snag in snags(Made(found.fix.project))])


class Hinges(unittest.TestCase):
    @rows(
        # 3/4 side less 1/16 reveal: 17.46 mm; 5 + 13 - 0 = 18 is nearer than 16.
        (FullOverlay(), False, "concealed hinges, full overlay", "hinge plates 0 mm"),
        # Half of 3/4 less half of 1/8: 7.94 mm; 5 + 13 - 9 - 2 = 7.
        (HalfOverlay(), False, "concealed hinges, half overlay", "hinge plates 2 mm"),
        # Inset by 3/32: -2.38 mm; 5 + 13 - 17 - 3 = -2.
        (Inset(), False, "concealed hinges, inset", "hinge plates 3 mm"),
        (Overlay(inches("1/2")), True, "face-frame hinges, 1/2 in overlay", ""),
    )
    def test_arm_and_plate_bring_the_overlay(self, fit: Any, frame: bool, hinge: str, plate: str) -> None:
        names = built(frame, fit=fit).hardware
        self.assertEqual(names[hinge], 4)
        self.assertEqual(names.get(plate, 0), 4 if plate else 0)

    def test_what_no_hinge_on_the_rack_does_is_told(self) -> None:
        far = bought(built(True, fit=Overlay(inches("1 7/16")), size=(30, "34 1/2", 24)), "hinges")
        self.assertIn("1 7/16 in is asked for", far.lacks)
        small = bought(built(hinge=CupHinge(millimetres(26))), "hinges")
        self.assertIn("no hinge on the rack has one", small.lacks)

    @rows(
        (15.0, "20", 4, ""),
        (15.0, "30", 4, ""),
        (22.0, "20", 5, ""),
        (45.0, "20", 5, "wants 8 hinges"),
        (26.0, "36", 5, "36 in wide, wants 7"),
    )
    def test_five_at_most_and_more_is_told(self, kilograms: float, wide: str, count: int, lacks: str) -> None:
        """One for each 7 kg beyond the first, a door of 36 in as if it weighed half more; more than five share no load (common practice)."""
        shell = _shell(RACK)
        chosen = choose_hinges(shell, CupHinge(), millimetres(16), False, inches(30), kilograms, inches(wide))
        self.assertEqual(chosen.count, count)
        self.assertIn(lacks, chosen.lacks)
        self.assertEqual(bool(lacks), bool(chosen.lacks))

    def test_each_carries_what_it_says(self) -> None:
        """A door of 15 kg: two by its height; 1 + 15/7 with the usual ones, 1 + 15/20 with strong ones."""
        counts = []
        for carries in (7_000, 20_000):
            item = Hardware("hinge", "hinge", millimetres(35), millimetres(0), carries, 110)
            assembly_shell = _shell(with_hardware(item))
            counts.append(
                choose_hinges(assembly_shell, CupHinge(), millimetres(16), False, inches(30), 15.0, inches(20)).count
            )
        self.assertEqual(counts, [4, 2])

    def test_drawers_behind_a_door_want_hinges_that_open_wide(self) -> None:
        from ablebox.core.fronts.cell.door import Door

        assembly = built(face=Door("left", inner=InnerDrawers(3)), size=(24, "34 1/2", 24))
        self.assertEqual(check(assembly), [])
        self.assertEqual(assembly.hardware["wide-angle hinges, full overlay"], 2)
        # Opening 22 1/2, packed 1 in at the left, slides of 1/2: 20 1/2; each share of 29 less 1/2 twice.
        numbers = {number.key: number.length for number in assembly.sums}
        self.assertEqual(numbers["A/inner.1/width"], inches("20 1/2"))
        for number in (1, 2, 3):
            self.assertEqual(assembly.part(f"inner.{number}.packer.left").width.length, inches(1))


class TheRest(unittest.TestCase):
    @rows(
        # Front 3/4 and box side 1/2: 1 1/8 at most for screws from inside; for pulls 1 1/4 and 1/8 to 1/2 of thread.
        ({"face": D}, "screws for fronts", "screws for fronts 1 in", ""),
        ({"face": D}, "screws for pulls", "screws for pulls 1 1/2 in", ""),
        ({"face": PAIR}, "screws for pulls", "screws for pulls 1 in", ""),
        ({"pulls": Pulls(apart=inches(5))}, "pulls, holes", "pulls, holes 128 mm apart", "none are on the rack"),
        ({"face": Flap(), "size": (30, 15, 12)}, "lift", "lift supports, 3 kg", ""),
    )
    def test_by_what_they_go_through(self, fronts: Any, word: str, name: str, lacks: str) -> None:
        item = bought(built(**{"size": (30, "34 1/2", 24), **fronts}), word)
        self.assertEqual(item.name, name)
        self.assertIn(lacks, item.lacks)

    def test_pins_and_feet_by_their_sizes(self) -> None:
        pins = PinShelves(hole=millimetres(6))
        case = Case("A", edging="", kick=Feet(inches("4 1/2")), inside=Bay((pins,)), fronts=FaceFronts(making=BARE))
        assembly = build(case, RACK, UNITS)
        self.assertIn("no such pins", bought(assembly, "shelf pins").lacks)
        feet = bought(assembly, "feet")
        self.assertEqual((feet.name, feet.lacks), ("adjustable feet 4 in", ""))
        self.assertIn("turned by 1/2 in", feet.why)

    def test_every_item_has_its_figures_and_a_source(self) -> None:
        for system in System:
            names = [item.name for item in usual(system)]
            self.assertEqual(len(names), len(set(names)))
            self.assertEqual({item.kind for item in usual(system)} | {"other"}, set(KINDS))
        with self.assertRaises(ValueError):
            Hardware("slides", "side-mount")


class Catalogue(unittest.TestCase):
    def test_an_item_is_changed_added_and_taken_off_and_the_rest_of_its_kind_stays(self) -> None:
        project = new_project()
        name = "side-mount slides 20 in, pairs"
        found = choice(project, f"hardware/{name}/takes")
        assert found is not None
        changed = found.put(inches("17/32"))
        rows_of = changed.rack.hardware_of("side-mount", System.INCH)
        self.assertEqual(len(rows_of), len(project.rack.hardware_of("side-mount", System.INCH)))
        self.assertEqual(next(row.takes for row in rows_of if row.name == name), inches("17/32"))
        self.assertEqual(from_text(to_text(changed), "x"), changed)
        more = rack_edits.with_another_hardware(changed, "side-mount")
        self.assertEqual(len(more.rack.hardware), len(changed.rack.hardware) + 1)
        self.assertEqual(rack_edits.without_hardware(more, more.rack.hardware[-1].name), changed)
        with self.assertRaises(ValueError):
            rack_edits.with_hardware(changed, name, name="side-mount slides 22 in, pairs")

    def test_a_project_of_mixed_units_keeps_its_own_slides(self) -> None:
        """Slides adopted in inches stay on the rack when the project is switched to millimetres."""
        project = rack_edits.with_hardware(new_project(), "side-mount slides 22 in, pairs", price=1_200)
        fronts = FaceFronts(face=Stack((D, PAIR), (inches(6), None)), box=DrawerBox())
        project = project.with_case(replace(project.cases[0], inside=Bay(), fronts=fronts, load="linen"))
        metric = replace(project, units=Units(System.MM))
        self.assertIn("side-mount slides 22 in, pairs", Made(metric).assemblies[0].hardware)
        self.assertIn("side-mount slides 22 in, pairs", Made(project).assemblies[0].hardware)


def _shell(rack: Any) -> Any:
    from ablebox.core.cabinet.setting_out import shell_of
    from ablebox.core.reckoning import Book

    return shell_of(Case("A", edging=""), rack, UNITS, Book("A/"), None)


class Bears(unittest.TestCase):
    """What stands under a case, under a flap, on slides: by weight, what is in it counted (common practice)."""

    @rows(
        (Casters(), "kitchen", ""),
        (Casters(), "heavy", "its 4 casters bear 330 lb, one hanging free"),
        (Feet(), "heavy", ""),
    )
    def test_casters_and_feet(self, kick: Any, load: str, words: str) -> None:
        """Four casters of 110 lb, reckoned as three: 330 lb; feet of 130 lb each bear a case of 500 lb."""
        case = replace(starting_case("A", "island", System.INCH), kick=kick, load=load, width=inches(36))
        told = [s for s in snags(Made(replace(new_project(), cases=(case,)))) if s.code == "hardware.bears"]
        self.assertEqual(bool(told), bool(words))
        if words:
            self.assertIn(words, told[0].sentence)

    @rows(
        ("up", False, 15, "3 kg"), ("up", False, 30, "5 kg"), ("down", False, 15, "5 kg"), ("down", True, 15, "10 kg")
    )
    def test_flaps(self, way: str, desk: bool, high: int, holds: str) -> None:
        """A flap 30 in high pulls nearly twice as hard as one of 400 mm; one that is written on carries 25 kg more."""
        case = Case("A", width=inches(24), height=inches(high), kick=Hung(), edging="", inside=Bay(),
                    fronts=FaceFronts(making=BARE, face=Flap(way, desk)))  # fmt: skip
        item = next(each for each in build(case, RACK, UNITS).bought if "supports" in each.name or "stays" in each.name)
        self.assertIn(holds, item.name, item.why)
