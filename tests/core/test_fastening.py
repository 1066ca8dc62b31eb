# SPDX-License-Identifier: GPL-3.0-or-later
"""Fasteners and hardware in space: rules worked by hand, what the proof finds, and random designs (all common practice)."""

from __future__ import annotations

import unittest
from collections import Counter
from dataclasses import replace
from itertools import combinations
from random import Random
from typing import Any

from ablebox.cli import demo
from ablebox.core.assembly.fastener import Fastener, FastenerKind
from ablebox.core.assembly.fitting import FittingKind
from ablebox.core.assembly.joint import Joint, Way
from ablebox.core.assembly.part import Assembly, Face, Placed
from ablebox.core.assembly.proof import Fault, prove
from ablebox.core.assembly.role import PartKind, Role, Side
from ablebox.core.assembly.uses import Use
from ablebox.core.cabinet.build import build
from ablebox.core.cabinet.design import Case
from ablebox.core.cabinet.kinds import KINDS, starting_case
from ablebox.core.case.end.end_panel import EndPanel
from ablebox.core.case.frame.face_frame import FaceFrame, Stile
from ablebox.core.case.frame.none import Frameless
from ablebox.core.case.inside.layout import Bay, Columns, Rows
from ablebox.core.case.inside.shelves_on_pins import PinShelves
from ablebox.core.case.joint.butt import Butt
from ablebox.core.errors import SizeImpossible
from ablebox.core.fastening.lay_out import Layer, Shop
from ablebox.core.fastening.rows import places, suited
from ablebox.core.fronts.cell.door import Door
from ablebox.core.fronts.cell.drawer import Drawer
from ablebox.core.fronts.cell.inner import InnerDrawers
from ablebox.core.fronts.cell.pair import Pair
from ablebox.core.fronts.drawer.slides import CentreMount, Undermount
from ablebox.core.fronts.face import FaceFronts, Line, Stack
from ablebox.core.fronts.fit.inset_fit import Inset
from ablebox.core.fronts.fit.overlay import Overlay
from ablebox.core.fronts.making.rabbet_panel import RabbetPanel
from ablebox.core.fronts.making.slab import Slab
from ablebox.core.hardware import usual
from ablebox.core.jigs.blocks import blocks
from ablebox.core.jigs.settings import SettingKind, settings
from ablebox.core.lengths import ZERO, Length, inches
from ablebox.core.paper.data.assembly_json import assembly_tree
from ablebox.core.pitches import Pitches
from ablebox.core.project.files import load
from ablebox.core.project.placed import FILLER
from ablebox.core.project.tree import new_project
from ablebox.core.reckoning import leaf
from ablebox.core.room.backing import Stud
from ablebox.core.shop.made import Made
from ablebox.core.snags.every import snags
from ablebox.core.snags.snag import Level
from ablebox.core.units import System, Units
from tests.core.test_fronts import RACK, UNITS
from tests.designs import any_case, random_rack
from tests.tables import rows

D = Drawer()
PLAIN = Slab("doors", "")


def built(
    inside: Any = None, face: Any = None, frame: bool = False, size: Any = (30, "34 1/2", 24), **more: Any
) -> Assembly:
    width, height, depth = (inches(each) for each in size)
    fronts = {name: more.pop(name) for name in ("fit", "making", "slides", "box") if name in more}
    fronts.setdefault("making", PLAIN)
    seen = more.pop("seen", None)
    case = Case("A", width=width, height=height, depth=depth, edging="", inside=inside or Bay(),
                frame=FaceFrame() if frame else Frameless(), fronts=FaceFronts(face=face or D, **fronts), **more)  # fmt: skip
    return build(case, RACK, UNITS, seen=seen)


def between(assembly: Assembly, first: str, second: str) -> list[Fastener]:
    return [each for each in assembly.fasteners if each.into == second and each.through[:1] == (first,)]


def panel(kind: PartKind, sizes: tuple[str, str, str], at: tuple[str, str, str], axes: tuple[int, int, int]) -> Placed:
    length, width, thick = (leaf(inches(size), "size") for size in sizes)
    x, y, z = (inches(each) for each in at)
    return Placed(Role(kind), kind.value, "case", length, width, thick, axes, (x, y, z))


def shop() -> Shop:
    items = usual(System.INCH)
    return Shop(
        lambda kind: tuple(i for i in items if i.kind == kind), Pitches(), lambda length: Units().write(length, True)
    )


class Rules(unittest.TestCase):
    @rows(
        # Members under 6 in: two at a quarter of their width; from 6 in on 2 in from the ends, 6 in apart at most.
        (Way.SCREWS, "4", ["1", "3"]),
        (Way.SCREWS, "6", ["2", "4"]),
        (Way.SCREWS, "22", ["2", "8", "14", "20"]),
        # Pocket screws: two from 1 1/2 in, their axes 3/8 in from the edges; three from 5 in; one on narrower stock.
        (Way.POCKET, "1 1/2", ["3/8", "1 1/8"]),
        (Way.POCKET, "5", ["1 1/4", "2 1/2", "3 3/4"]),
        (Way.POCKET, "1 1/4", ["5/8"]),
    )
    def test_where_along_a_joint(self, way: Way, length: str, wanted: list[str]) -> None:
        found = places(way, inches(length), inches(6), inches(2))
        self.assertEqual(found, [inches(each) for each in wanted])

    @rows((Way.SCREWS, "1 3/4", Way.DOWELS), (Way.SCREWS, "2", Way.SCREWS), (Way.POCKET, "3/4", Way.DOWELS))
    def test_narrow_members_take_dowels(self, way: Way, length: str, wanted: Way) -> None:
        self.assertIs(suited(way, inches(length)), wanted)

    @rows(
        # Face to face 3/4 on 3/4 takes 1 1/4, never 1 3/4; 1/2 on 1/2 takes 3/4; into an edge an inch and a quarter.
        (("30", "20", "3/4"), (2, 1, 0), "3/4", "case screws 1 1/4 in"),
        (("30", "20", "1/2"), (2, 1, 0), "1/2", "case screws 3/4 in"),
        (("20", "20", "3/4"), (0, 1, 2), "3/4", "case screws 2 in"),
    )
    def test_how_long_a_screw_is(self, sizes: Any, axes: Any, thick: str, wanted: str) -> None:
        first = panel(PartKind.SIDE, ("30", "20", thick), ("0", "0", "0"), (2, 1, 0))
        second = panel(PartKind.BOTTOM, sizes, (thick, "0", "0"), axes)
        layer = Layer(shop(), (first, second))
        layer.fasten(Joint(Way.SCREWS, first.role, second.role))
        self.assertEqual({each.name for each in layer.fasteners}, {wanted})

    def test_a_pocket_screw_leaves_the_middle_of_its_stock(self) -> None:
        """3/4 in stock, 15 degrees, ledge 3/4 in before the end: 1/2 in of a 1 1/4 screw is in the side (by hand)."""
        side = panel(PartKind.SIDE, ("30", "20", "3/4"), ("0", "0", "0"), (2, 1, 0))
        rail = panel(PartKind.RAIL, ("20", "3 1/2", "3/4"), ("3/4", "10", "5"), (0, 2, 1))
        layer = Layer(shop(), (side, rail))
        layer.fasten(Joint(Way.POCKET, rail.role, side.role, face=Face.BACK))
        self.assertEqual([each.name for each in layer.fasteners], ["pocket screws 1 1/4 in"] * 2)
        for each in layer.fasteners:
            head, tip = each.head, each.tip
            long = sum((a - b) ** 2 for a, b in zip(head, tip, strict=True)) ** 0.5
            self.assertAlmostEqual(long, inches("1 1/4").ticks, delta=4)
            share = (head[0] - inches("3/4").ticks) / (head[0] - tip[0])
            leaves = head[1] + (tip[1] - head[1]) * share
            self.assertAlmostEqual(leaves, (inches(10) + inches("3/8")).ticks, delta=4)
            self.assertAlmostEqual((1 - share) * long, inches("1/2").ticks, delta=4)
        (holes,) = layer.bored()[1].holes
        self.assertEqual((holes.use, holes.face, holes.toward), (Use.POCKET, Face.BACK, Face.LEFT))

    def test_facing_screws_of_a_shared_panel_are_staggered(self) -> None:
        upright = panel(PartKind.PARTITION, ("30", "20", "3/4"), ("10", "0", "0"), (2, 1, 0))
        left = panel(PartKind.FIXED_SHELF, ("10", "20", "3/4"), ("0", "0", "15"), (0, 1, 2))
        right = panel(PartKind.BOTTOM, ("10", "20", "3/4"), ("10 3/4", "0", "15"), (0, 1, 2))
        layer = Layer(shop(), (upright, left, right))
        for each in (left, right):
            layer.fasten(Joint(Way.POCKET, each.role, upright.role, face=Face.BOTTOM))
        tips = {
            role: [each.tip[1] for each in layer.fasteners if each.through == (role,)]
            for role in (left.role, right.role)
        }
        self.assertGreaterEqual(len(tips[right.role]), 3)
        self.assertGreaterEqual(min(abs(a - b) for a in tips[left.role] for b in tips[right.role]), inches("1/4").ticks)


class WorkedByHand(unittest.TestCase):
    """Case 30 x 34 1/2 x 24 of 3/4 stock, boxes of 1/2 (rules of the trade, common practice)."""

    def test_a_framed_bank_of_drawers(self) -> None:
        """Stiles 1 1/2 on sides of 3/4: packers 3/4 thick, from the frame's back to the slides' end, screwed through; slides begin at its face."""
        assembly = built(face=Stack((D, D, D), (None, None, None)), frame=True, fit=Overlay())
        for number in (1, 2, 3):
            packer = assembly.part(f"drawer.{number}.packer.left")
            self.assertEqual(packer.width.length, inches("3/4"))
            self.assertEqual(packer.length.length, inches(22) - inches("3/4"))
            self.assertEqual(packer.corner[1], inches("3/4"))
            slides = [
                each
                for each in assembly.fasteners
                if each.kind is FastenerKind.SLIDE_SCREW and each.into == packer.role
            ]
            self.assertEqual(len(slides), 3)
            self.assertEqual(min(each.head[1] for each in slides), Length(37 * 16_000).ticks)
            self.assertTrue(between(assembly, packer.role, "side.left"))
            member = next(f for f in assembly.fittings if f.kind is FittingKind.SLIDE_CASE and packer.role in f.holds)
            self.assertEqual(member.box.low[1], 0)
            self.assertEqual(member.box.high[2] - member.box.low[2], inches("1 3/4").ticks)
        self.assertEqual(prove(assembly), [])

    def test_spacers_are_what_is_left_between_slides(self) -> None:
        """Fronts 6 1/2 apart and slides 1 3/4 high: blocks of 4 3/4."""
        project = new_project()
        stack = Stack((D, D, D, D), (None, inches("6 3/8"), inches("6 3/8"), inches("6 3/8")))
        case = replace(project.cases[0], inside=Bay(), fronts=FaceFronts(face=stack), follows=False, width=inches(24))
        made = Made(project.with_case(case))
        (spacers,) = [
            line for line in settings(made.project.cases, made.assemblies) if line.kind is SettingKind.SPACERS
        ]
        self.assertEqual([size.length for size in spacers.sizes[2:4]], [inches("4 3/4")] * 2)
        self.assertIn(inches("4 3/4"), [block.sets for block in blocks(made.project, made.assemblies)])

    def test_a_shared_partition(self) -> None:
        """Doors hung on both faces of one partition: their plates stand clear of each other in it."""
        face = Line((Door("right"), Door("left")), (None, None))
        assembly = built(Columns((Bay(), Bay()), (None, None)), face, size=(36, "34 1/2", 24))
        screws = [
            each for each in assembly.fasteners if each.into == "partition.1" and each.kind is FastenerKind.PLATE_SCREW
        ]
        self.assertEqual(len(screws), 8)
        for one, two in combinations(screws, 2):
            if (one.tip[0] < one.head[0]) != (two.tip[0] < two.head[0]):
                self.assertGreaterEqual(abs(one.tip[2] - two.tip[2]), Length(8 * 16_000).ticks)
        self.assertEqual(prove(assembly), [])

    def test_an_end_panel_is_screwed_on_from_inside(self) -> None:
        """Side 3/4 and panel 3/4: six screws of 1 1/4, 1/2 in of them in the panel, none out of its face."""
        assembly = built(face=Door(), seen={"right": EndPanel(goods="doors", edging="")})
        screws = between(assembly, "side.right", "end.right")
        self.assertEqual([each.name for each in screws], ["case screws 1 1/4 in"] * 6)
        face = assembly.part("end.right").box.high[0]
        self.assertTrue(all(face - each.tip[0] >= inches("1/8").ticks for each in screws))
        self.assertEqual(prove(assembly), [])

    def test_a_glazed_door(self) -> None:
        """Frame 2 1/4 wide, rabbet 3/8: cups, their screws and two dowels at each corner all have their wood."""
        assembly = built(face=Door(), making=RabbetPanel(), size=(20, 30, 12))
        kinds = Counter(
            each.kind for each in assembly.fasteners if isinstance(each.into, Role) and each.into.whole == "door"
        )
        self.assertEqual(kinds[FastenerKind.DOWEL], 8)
        self.assertEqual(kinds[FastenerKind.HINGE_SCREW], 4)
        self.assertEqual(prove(assembly), [])

    def test_a_shelf_set_back_keeps_four_pins(self) -> None:
        """Set back 4 in the usual front row, 2 in behind the edge, is before it: a row of its own follows the shelf."""
        pins = PinShelves(2, setbacks=(inches(4), inches("1/4")))
        assembly = built(Bay((pins,)), Door(), size=(30, 40, 24))
        held = Counter(role for each in assembly.fittings if each.kind is FittingKind.PIN for role in each.holds)
        self.assertEqual((held["shelf.1"], held["shelf.2"]), (4, 4))
        self.assertEqual(
            len({y for h in assembly.part("side.left").holes if h.use is Use.PIN for _, y, _ in h.centres}), 3
        )
        self.assertEqual(prove(assembly), [])

    def test_inset_slides_stand_back_and_undermount_ones_hook_in(self) -> None:
        inset = built(face=D, fit=Inset())
        member = next(each for each in inset.fittings if each.kind is FittingKind.SLIDE_CASE)
        self.assertEqual(member.box.low[1], inches("3/4").ticks)
        under = built(face=D, slides=Undermount())
        back = under.part("drawer.back")
        (hooks,) = [holes for holes in back.holes if holes.use is Use.SLIDE_REAR]
        sides = [under.part(f"drawer.side.{side}").box for side in ("left", "right")]
        self.assertEqual(sorted(x for x, _, _ in hooks.centres),
                         [sides[0].high[0] + 7 * 16_000, sides[1].low[0] - 7 * 16_000])  # fmt: skip
        self.assertEqual(sum(each.kind is FittingKind.SLIDE_LOCK for each in under.fittings), 2)
        for assembly in (inset, under):
            self.assertEqual(prove(assembly), [])

    def test_pins_of_both_bays_leave_wood_in_their_partition(self) -> None:
        pinned = Bay((PinShelves(1),))
        assembly = built(Columns((pinned, pinned), (None, None)), Line((Door("left"), Door("right")), (None, None)))
        deep = {holes.depth for holes in assembly.part("partition.1").holes if holes.use is Use.PIN}
        self.assertLessEqual(max(deep) * 2, inches("3/4") - Length(2 * 16_000))

    def test_two_fittings_of_a_kind_in_one_bay_have_roles_of_their_own(self) -> None:
        low, high = PinShelves(1), PinShelves(2)
        assembly = built(Bay((low, high)), Door(), size=(30, 60, 24))
        roles = [part.role for part in assembly.parts]
        self.assertEqual(len(roles), len(set(roles)))
        self.assertIn("shelf-2.1", roles)


def changed(assembly: Assembly, pick: Any, **changes: Any) -> Assembly:
    at = next(i for i, each in enumerate(assembly.fasteners) if pick(each))
    fasteners = list(assembly.fasteners)
    fasteners[at] = replace(fasteners[at], **changes)
    return replace(assembly, fasteners=tuple(fasteners))


class Proof(unittest.TestCase):
    """The proof finds each thing that can be wrong, the first and the last included."""

    def setUp(self) -> None:
        self.sound = built(
            Rows((Bay((PinShelves(1),)), Bay()), (None, None), (ZERO,), Butt("screws")), Door(), size=(24, 40, 20)
        )
        self.assertEqual(prove(self.sound), [])

    def faults(self, assembly: Assembly) -> set[Fault]:
        return {finding.fault for finding in prove(assembly)}

    def test_a_longer_screw_comes_out(self) -> None:
        for at, each in enumerate(self.sound.fasteners):
            if not isinstance(each.into, Role) or each.kind is FastenerKind.NAIL:
                continue
            part = self.sound.part(each.into)
            axis = max(range(3), key=lambda a: abs(each.tip[a] - each.head[a]))
            tip = list(each.tip)
            tip[axis] = part.box.high[axis] if each.tip[axis] > each.head[axis] else part.box.low[axis]
            fasteners = list(self.sound.fasteners)
            fasteners[at] = replace(each, tip=(tip[0], tip[1], tip[2]))
            self.assertIn(Fault.TIP, self.faults(replace(self.sound, fasteners=tuple(fasteners))), str(each))

    def test_two_in_one_place_meet(self) -> None:
        screw = next(each for each in self.sound.fasteners if each.kind is FastenerKind.SCREW)
        by = Length(3 * 16_000).ticks
        twin = replace(
            screw,
            head=(screw.head[0], screw.head[1] + by, screw.head[2]),
            tip=(screw.tip[0], screw.tip[1] + by, screw.tip[2]),
        )
        self.assertIn(Fault.MEET, self.faults(replace(self.sound, fasteners=(*self.sound.fasteners, twin))))

    def test_what_is_not_named_is_found(self) -> None:
        screw = next(each for each in self.sound.fasteners if each.kind is FastenerKind.SCREW)
        self.assertIn(Fault.STRAY, self.faults(changed(self.sound, lambda each: each is screw, through=())))
        self.assertIn(
            Fault.STRAY,
            self.faults(changed(self.sound, lambda each: each is screw, through=(*screw.through, Role(PartKind.BACK)))),
        )

    def test_a_shelf_short_of_a_pin(self) -> None:
        pins = [each for each in self.sound.fittings if each.kind is FittingKind.PIN]
        for pin in (pins[0], pins[-1]):
            rest = tuple(each for each in self.sound.fittings if each is not pin)
            self.assertIn(Fault.PINS, self.faults(replace(self.sound, fittings=rest)))
        bare = tuple(replace(p, holes=tuple(h for h in p.holes if h.use is not Use.PIN)) for p in self.sound.parts)
        self.assertIn(Fault.PINS, self.faults(replace(self.sound, parts=bare)))

    def test_a_plate_without_screws_and_a_shelf_in_a_hinge(self) -> None:
        loose = tuple(each for each in self.sound.fasteners if each.kind is not FastenerKind.PLATE_SCREW)
        self.assertIn(Fault.AIR, self.faults(replace(self.sound, fasteners=loose)))
        plate = next(each for each in self.sound.fittings if each.kind is FittingKind.HINGE_PLATE)
        moved = []
        for part in self.sound.parts:
            if part.role.kind is PartKind.SHELF:
                part = replace(part, corner=(part.corner[0], part.corner[1], Length(plate.box.low[2])))
            moved.append(part)
        self.assertIn(Fault.HINGE, self.faults(replace(self.sound, parts=tuple(moved))))

    def test_cups_leave_their_wood(self) -> None:
        deep = tuple(
            replace(
                p,
                holes=tuple(
                    replace(h, depth=p.thickness.length - inches("1/16")) if h.use is Use.CUP else h for h in p.holes
                ),
            )
            for p in self.sound.parts
        )
        self.assertIn(Fault.CUP, self.faults(replace(self.sound, parts=deep)))


class Hanging(unittest.TestCase):
    """What has nothing to hang on stops the case, with a way on that mends it."""

    @rows(
        (Bay(), Line((D, D), (None, None)), {}, "hang.upright", "nothing at its"),
        (Bay(), Stack((Line((D, D), (None, None)), D), (None, None)), {}, "hang.upright", "nothing at its"),
        (Columns((Bay(), Bay()), (inches(12), None)), D, {}, "hang.partition", "stands 12 3/4 in inside"),
        (Rows((Bay(), Bay()), (inches(8), None), (ZERO,)), D, {}, "hang.shelf", "stands 8 3/4 in inside"),
        (Bay(), Line((Door("left"), Door("left")), (None, None)), {}, "hang.fastener", "no upright beside it"),
        (Bay(), Stack((D, D), (None, None)), {"slides": CentreMount()}, "hang.under", "what is right below it"),
        (
            Bay(),
            Door("left", inner=InnerDrawers(2, packer=inches("1/4"))),
            {"fit": Inset()},
            "hang.room",
            "the drawer stands wherever",
        ),
    )
    def test_snag_and_offer(self, inside: Any, face: Any, more: Any, code: str, words: str) -> None:
        project = new_project()
        case = replace(project.cases[0], width=inches(36), follows=False, in_alcove=False, inside=inside,
                       fronts=FaceFronts(face=face, **more))  # fmt: skip
        found = [snag for snag in snags(Made(project.with_case(case))) if snag.code == code]
        self.assertTrue(found)
        self.assertIn(words, found[0].sentence)
        self.assertIs(found[0].level, Level.STOP)
        assert found[0].fix is not None
        assert found[0].fix.project is not None
        mended = snags(Made(found[0].fix.project))
        self.assertEqual([snag.code for snag in mended if snag.code.startswith(("hang.", "proof."))], [])

    def test_packers_are_no_thicker_than_sense(self) -> None:
        for seed in range(60):
            try:
                assembly = build(any_case(Random(seed)), random_rack(Random(seed)), UNITS)
            except SizeImpossible:
                continue
            for part in assembly.parts:
                if part.role.kind is PartKind.PACKER:
                    self.assertLessEqual(part.width.length, inches(2))


class RandomDesigns(unittest.TestCase):
    def test_a_case_takes_the_same_fasteners_whatever_it_is_measured_in(self) -> None:
        """Metric and inch racks offer the same sizes in round numbers: what one joins by a screw the other does too."""
        rack = new_project().rack
        for kind in KINDS:
            case = starting_case("A", kind, System.INCH)
            inch, metric = (
                Counter(f.kind for f in build(case, rack, Units(system)).fasteners if f.kind is not FastenerKind.NAIL)
                for system in System
            )
            self.assertEqual(inch, metric, kind)


class WaysOn(unittest.TestCase):
    def test_what_fails_in_random_designs_comes_with_an_offer_that_mends_it(self) -> None:
        """Nearly every snag has one, and each that is made can be built and leaves less wrong than before."""
        told = offered = 0
        for seed in range(20150, 20240):
            rng = Random(seed)
            try:
                made = Made(replace(new_project(), cases=(any_case(rng),), rack=random_rack(rng)))
            except (SizeImpossible, ValueError):
                continue
            there = [s for s in snags(made) if s.code.startswith(("hang.", "proof."))]
            told += len(there)
            for snag in there:
                self.assertIs(snag.level, Level.STOP)
                if snag.fix is not None and snag.fix.project is not None:
                    offered += 1
                    after = [s for s in snags(Made(snag.fix.project)) if s.code.startswith(("hang.", "proof."))]
                    self.assertLess(len(after), len(there), (seed, snag.sentence, snag.fix.title))
        self.assertGreater(told, 4)
        self.assertGreaterEqual(offered, 0.9 * told)


class BetweenCases(unittest.TestCase):
    def test_neighbours_are_screwed_together_and_rails_to_studs(self) -> None:
        """Four screws of 1 1/4 through 3/4 sides, front and back; through a rail one at each stud it crosses."""
        project = new_project()
        first = replace(project.cases[0], follows=False, width=inches(24))
        project = replace(project, cases=(first, replace(first, letter="B")))
        wall = replace(project.wall(1), studs=(Stud(inches(16)), Stud(inches(32))))
        made = Made(project.with_wall(1, wall))
        between_cases = [each for each in made.joined if each.other]
        self.assertEqual([(each.letter, each.other) for each in between_cases], [("A", "B")] * 4)
        self.assertEqual({each.fastener.name for each in between_cases}, {"case screws 1 1/4 in"})
        wall_screws = [each for each in made.joined if not each.other]
        places = sorted(made.place(each.letter).case_x.ticks + each.fastener.head[0] for each in wall_screws)  # type: ignore[union-attr]
        self.assertEqual(places, [inches(16).ticks, inches(32).ticks])
        # The head sits on the back before the rail, and the screw passes both.
        kinds = {tuple(role.kind for role in each.fastener.through[:2]) for each in wall_screws}
        self.assertEqual(kinds, {(PartKind.BACK, PartKind.RAIL)})

    def test_a_frame_that_goes_on_is_screwed_and_hinged_to_the_neighbours_stile(self) -> None:
        """B has no left stile: its rails take two pocket screws into A's, its left door hangs there on two hinges."""
        frame = FaceFrame(follow=True)
        first = replace(
            new_project().cases[0],
            follows=False,
            width=inches(24),
            frame=frame,
            fronts=FaceFronts(Overlay(), face=Pair()),
        )
        project = replace(new_project(), cases=(first, replace(first, letter="B")))
        made = Made(project)
        self.assertEqual((made.flaws, made.findings("A"), made.findings("B")), ([], [], []))
        tree = assembly_tree(made)
        (stile,) = [part["piece"] for part in tree[0]["parts"] if part["name"] == "stile, right"]
        own = next(each for each in tree if each["case"] == "B")
        into = Counter(each["kind"] for each in own["fasteners"] if each["into"] == stile)
        self.assertEqual(into, {"pocket-screw": 4, "hinge-screw": 4})
        holds = Counter(each["kind"] for each in own["hardware"] if stile in each["holds"])
        self.assertEqual(holds, {"hinge-plate": 2, "hinge-arm": 2})
        # Alone, it says so.
        lone = Made(
            replace(
                project,
                cases=(replace(first, frame=replace(frame, follow=False, left=Stile(inches("3/4"), ZERO, True))),),
            )
        )
        self.assertIn("frame.no-stile", [snag.code for snag in snags(lone)])

    def test_what_is_shared_is_held_by_all_that_share_it(self) -> None:
        """A kick board before two cases is nailed to all their sides, a filler screwed to the stile beside it."""
        made = Made(load(demo.path_of("heron-house")).project)
        kick = {(j.other, j.fastener.into) for j in made.joined if j.fastener.through[0].kind is PartKind.KICK}
        self.assertEqual(kick, {("B", "side.left"), ("B", "side.right"), ("D", "side.left"), ("D", "side.right")})
        filled = {(j.letter, j.fastener.through) for j in made.joined if j.other == FILLER}
        self.assertEqual(filled, {("A", ("frame.stile.left",)), ("E", ("frame.stile.left",))})
        # What only others hold is no finding.
        self.assertEqual([made.findings(case.letter) for case in made.project.cases], [[]] * 8)


class Roles(unittest.TestCase):
    def test_a_role_is_its_facts_and_its_text_is_made_from_them(self) -> None:
        drawer = Role(PartKind.DRAWER, number=(2, 1))
        side = drawer.part(PartKind.BOX_SIDE, Side.LEFT)
        self.assertEqual(side, "drawer.2.1.side.left")
        self.assertEqual((side.kind, side.side, side.of, side.whole), (PartKind.BOX_SIDE, Side.LEFT, drawer, drawer))
        self.assertEqual(Role(PartKind.DOOR, Side.LEFT, (3,), face="rear"), "rear.door.left.3")
        self.assertEqual(drawer.part(PartKind.TRAY, Side.NONE, 2), "drawer.2.1.tray2")
