# SPDX-License-Identifier: GPL-3.0-or-later
"""Fronts on every side, fits of their own, edging, applied frames, grain that runs through, shaped and divided boxes."""

from __future__ import annotations

import unittest
from dataclasses import replace
from itertools import product
from math import hypot
from random import Random
from typing import Any

from ablebox.core.assembly.check import check
from ablebox.core.assembly.fastener import FastenerKind
from ablebox.core.assembly.fitting import FittingKind
from ablebox.core.assembly.part import Assembly, CutKind, Face
from ablebox.core.assembly.proof import Fault
from ablebox.core.assembly.role import PartKind
from ablebox.core.assembly.turned import SIDES, seen_from
from ablebox.core.assembly.uses import Use
from ablebox.core.cabinet.build import build
from ablebox.core.cabinet.design import Case
from ablebox.core.cabinet.inset import set_back
from ablebox.core.cabinet.kinds import KINDS, starting_case
from ablebox.core.cabinet.places import at
from ablebox.core.case.back_none import NoBack
from ablebox.core.case.counter.sheet_top import SheetTop
from ablebox.core.case.frame.face_frame import FaceFrame
from ablebox.core.case.inside.layout import Bay
from ablebox.core.cuts.checker import check as check_plan
from ablebox.core.cuts.plan import Plan
from ablebox.core.drawing.face_view import face_view, side_section, swing_plan
from ablebox.core.errors import SizeImpossible
from ablebox.core.fronts.cell.appliance import ApplianceSpace
from ablebox.core.fronts.cell.door import Door
from ablebox.core.fronts.cell.drawer import Drawer
from ablebox.core.fronts.cell.false_front import FalseFront
from ablebox.core.fronts.cell.flap import Flap
from ablebox.core.fronts.cell.inner import InnerDrawers
from ablebox.core.fronts.cell.pull_out_front import PullOutFront
from ablebox.core.fronts.cell.racks import DoorRacks
from ablebox.core.fronts.drawer.box import DrawerBox
from ablebox.core.fronts.drawer.slides import CentreMount, Undermount
from ablebox.core.fronts.face import FaceFronts, Line, Stack
from ablebox.core.fronts.fit.inset_fit import Inset
from ablebox.core.fronts.fit.lipped import Lipped
from ablebox.core.fronts.fit.overlay import Overlay
from ablebox.core.fronts.making.applied_frame import AppliedFrame
from ablebox.core.fronts.making.edged_slab import CORNERS, EdgedSlab
from ablebox.core.fronts.making.frame_panel import FramePanel
from ablebox.core.fronts.none import NoFronts
from ablebox.core.lengths import TICKS_PER_MM, Length, inches, millimetres
from ablebox.core.paper.full_size.templates import NothingShaped, templates
from ablebox.core.parts.words import lines
from ablebox.core.project.tree import new_project
from ablebox.core.shop.made import Made
from ablebox.core.shop.plans import plan_all
from ablebox.core.snags.every import snags
from ablebox.core.units import System
from tests.core.test_fronts import BARE, PAIR, RACK, UNITS, D, built
from tests.tables import rows


def sizes(assembly: Assembly, role: str) -> tuple[Length, Length]:
    part = assembly.part(role)
    return part.length.length, part.width.length


def wanted(length: str, width: str) -> tuple[Length, Length]:
    return inches(length), inches(width)


class ByHand(unittest.TestCase):
    """Case 30 x 34 1/2 x 24, 3/4 stock, kick 4; opening 28 1/2 x 29 1/2 to the top of the stretcher (common practice)."""

    @rows(
        # Solid edging 1/2 around a door of 14 7/8 x 30 3/8: core 13 7/8 x 29 3/8, strips of the full sizes or between.
        ({"making": EdgedSlab("doors", "frame", inches("1/2"))}, {
            "door.left": ("29 3/8", "13 7/8"), "door.left.edging.left": ("30 3/8", "1/2"),
            "door.left.edging.top": ("14 7/8", "1/2")}),
        ({"making": EdgedSlab("doors", "frame", inches("1/2"), "uprights")}, {
            "door.left.edging.left": ("30 3/8", "1/2"), "door.left.edging.top": ("13 7/8", "1/2")}),
        ({"making": EdgedSlab("doors", "frame", inches("1/2"), "levels")}, {
            "door.left.edging.left": ("29 3/8", "1/2"), "door.left.edging.top": ("14 7/8", "1/2")}),
        # Applied frame of 2 1/4 strips: rails 14 7/8 - 4 1/2.
        ({"making": AppliedFrame("doors", "", "back")}, {
            "door.left": ("30 3/8", "14 7/8"), "door.left.applied.rail.top": ("10 3/8", "2 1/4"),
            "door.left.applied.stile.left": ("30 3/8", "2 1/4")}),
        # A pull-out of two trays, 4 high: opening 28 1/2, boxes 27 1/2, ends in rabbets 27.
        ({"face": PullOutFront(2)}, {"drawer.front": ("27", "4"), "drawer.tray2.front": ("27", "4")}),
        # Sides that slope: front 3 high, sides as high as the opening allows; a back 1 above the sides.
        ({"face": D, "box": DrawerBox(shape="sloped")}, {"drawer.front": ("27", "3"), "drawer.side.left": ("22", "28")}),
        ({"face": D, "box": DrawerBox(back_above=inches(1))}, {
            "drawer.front": ("27", "27"), "drawer.side.left": ("22", "27"), "drawer.back": ("27", "27 3/8")}),
        # Dividers along: inside 22 - 1 = 21, dadoes an eighth each end, play 1/32; 28 - 3/8 - 1/4 high.
        ({"face": D, "box": DrawerBox(along=2, across=1)}, {
            "drawer.along.1": ("21 7/32", "27 3/8"), "drawer.across.1": ("26 23/32", "27 3/8")}),
        # Undermount: inside 42 mm less than the opening, given as 1 11/16: 28 1/2 - 1 11/16 + 1 = 27 13/16; ends + 1/2.
        ({"face": D, "slides": Undermount(inches("1 11/16"), length=inches(21))}, {
            "drawer.front": ("27 5/16", "28"), "drawer.side.left": ("21", "28")}),
        # Centre slide: 1/16 of play a side, 1/2 under the box: 28 3/8 wide; 29 - 1 high.
        ({"face": D, "slides": CentreMount(inches("1/16"), inches("3/4"))}, {
            "drawer.front": ("27 7/8", "27 3/4"), "drawer.bottom": ("27 13/16", "21 3/4")}),
        # A drawer front of its own fit in a full-overlay face: its opening 28 1/2 wide, 1/2 over each side; above it ends
        # 1/2 over the opening, below half of (3/4 - 1/8) over where the member would be.
        ({"face": Stack((Drawer(fit=Overlay(inches("1/2"))), PAIR), (inches(6), None))}, {
            "drawer-front.1": ("29 1/2", "5 13/16")}),
        # The same, inset by 1/8: 28 1/2 - 1/4; gap 1/8 above, 1/16 below where no member stands.
        ({"face": Stack((Drawer(fit=Inset(inches("1/8"))), PAIR), (inches(6), None))}, {
            "drawer-front.1": ("28 1/4", "4 13/16")}),
    )  # fmt: skip
    def test_part(self, fronts: dict[str, Any], expected: dict[str, tuple[str, str]]) -> None:
        assembly = built(**fronts)
        self.assertEqual(check(assembly), [])
        self.assertEqual({role: sizes(assembly, role) for role in expected},
                         {role: wanted(*size) for role, size in expected.items()})  # fmt: skip

    def test_a_rack_swings_out_on_a_circle_about_the_hinges(self) -> None:
        """A 15 in case: the side is 14 3/16 from the door's edge, so 4 in deep a rack may reach sqrt(14.19^2 - 16) = 13.61 along a
        door 14 7/8 wide: 1 17/64 from its edge (plane geometry)."""
        project, case = new_project(), starting_case("A", "base", System.INCH)
        for side, meets in (("1", True), ("1 3/8", False)):
            face = replace(case.fronts, face=Door(racks=DoorRacks(2, side=inches(side))))  # type: ignore[type-var]
            made = Made(replace(project, cases=(replace(case, in_alcove=False, width=inches(15), fronts=face),)))
            self.assertEqual(any(each.fault is Fault.SWING for each in made.findings("A")), meets, side)

    def test_racks_swing_out_of_the_rear_and_the_ends_as_well(self) -> None:
        """Hinge, rack and what is beside it from the parts themselves: it meets where the rack's corner is farther from the hinge."""
        project, case = new_project(), starting_case("A", "base", System.INCH)
        for place, face in (("rear", "rear"), ("left_end", "left"), ("right_end", "right")):
            seen = set()
            for eighths in range(4, 40, 2):
                doors = replace(case.fronts, face=Door(racks=DoorRacks(2, side=Length(inches("1/8").ticks * eighths))))  # type: ignore[type-var]
                shown = replace(
                    case,
                    in_alcove=False,
                    width=inches(18),
                    depth=inches(18),
                    fronts=NoFronts(),
                    inside=Bay(),
                    back=NoBack(),
                )
                made = Made(replace(project, cases=(replace(shown, **{place: doors}),)))
                if made.unbuilt or any(
                    each.fault is Fault.CLASH and each.roles[0].kind is PartKind.SIDE for each in made.findings("A")
                ):
                    # It does not even shut.
                    continue
                assembly = made.assembly("A")
                door = next(part for part in assembly.parts if part.role.whole.kind is PartKind.DOOR).box
                rack = next(each for each in assembly.fittings if each.kind is FittingKind.DOOR_RACK).box
                if face == "rear":
                    side = assembly.part("side.left").box.high[0]
                    hinge, edge, far, deep = door.high[0], side, rack.low[0], door.low[1] - rack.low[1]
                else:
                    hole = next(cut.box for cut in assembly.part(f"side.{face}").cuts if cut.kind is CutKind.WINDOW)
                    left = face == "left"
                    hinge, edge, far = (
                        (door.high[1], hole.low[1], rack.low[1]) if left else (door.low[1], hole.high[1], rack.high[1])
                    )
                    deep = rack.high[0] - door.high[0] if left else door.low[0] - rack.low[0]
                spare = (abs(edge - hinge) - hypot(far - hinge, deep)) / TICKS_PER_MM
                if abs(spare) > 1:
                    meets = any(each.fault is Fault.SWING for each in made.findings("A"))
                    self.assertEqual(meets, spare < 0, (place, eighths, spare))
                    seen.add(meets)
            self.assertEqual(seen, {True, False}, place)

    def test_hardware_of_flaps_holds_on_to_a_face_frame(self) -> None:
        """Over the frame they are screwed to its edge; where the front fills its opening, to the bottom flush with it (common practice)."""
        for fit, way, wood in ((Overlay(), "up", "frame.rail.top"), (Inset(), "down", "bottom")):
            case = starting_case("A", "base", System.INCH)
            case = replace(case, frame=FaceFrame(), inside=Bay(), fronts=FaceFronts(fit, face=Flap(way)))
            made = Made(replace(new_project(), cases=(case,)))
            assembly = made.assembly("A")
            self.assertEqual((made.flaws, made.findings("A"), assembly.wanting), ([], [], ()), way)
            hinges = [each for each in assembly.fittings if each.kind is FittingKind.FLAP_HINGE]
            self.assertEqual(len(hinges), 2)
            self.assertTrue(all(wood in each.holds and len(each.holds) == 2 for each in hinges), (way, hinges))
            screws = [
                each for each in assembly.fasteners if each.into == wood and each.kind is FastenerKind.FITTING_SCREW
            ]
            self.assertEqual(len(screws), 4)
            part = assembly.part(wood)
            for each in screws:
                # Its head lies on the hinge's metal, 1.2 mm.
                off = part.box.low[2] - each.head[2] if way == "up" else each.head[2] - part.box.high[2]
                self.assertEqual(off, millimetres("1.2").ticks)
                if way == "up":
                    self.assertEqual(each.head[1], sum(part.box.span(1)) // 2)
            supports = [each for each in assembly.fittings if each.kind is FittingKind.FLAP_SUPPORT]
            self.assertTrue(supports and all(len(each.holds) == 2 for each in supports), way)

    def test_fronts_in_their_opening_bring_what_they_need_set_back(self) -> None:
        """Every kind with fronts, made inset or lipped: what is behind goes back by what is inside and 1/8 in (common practice)."""
        for system, name, fit in product(System, KINDS, (Inset(), Lipped())):
            project, case = new_project(system), starting_case("A", name, system)
            if not isinstance(case.fronts, FaceFronts):
                continue
            inset = set_back(replace(case, fronts=replace(case.fronts, fit=fit)), project.rack, project.units)
            made = Made(replace(project, cases=(inset,)))
            self.assertEqual((made.flaws, made.findings("A")), ([], []), (system, name, fit))
        base = starting_case("A", "base", System.INCH)
        project = new_project()
        after = set_back(replace(base, fronts=replace(base.fronts, fit=Inset())), project.rack, project.units)  # type: ignore[type-var]
        self.assertEqual(at(after, "inside.fittings.0.setback"), inches("7/8"))
        lipped = set_back(replace(base, fronts=replace(base.fronts, fit=Lipped())), project.rack, project.units)  # type: ignore[type-var]
        self.assertEqual(at(lipped, "inside.fittings.0.setback"), inches("1/2"))
        self.assertIs(set_back(base, project.rack, project.units), base)

    def test_mitred_strips_have_no_template_and_say_how_they_end(self) -> None:
        project = new_project()
        for corners in CORNERS:
            fronts = FaceFronts(making=EdgedSlab("doors", "frame", inches("3/4"), corners))
            made = Made(project.with_case(replace(project.cases[0], fronts=fronts)))
            strips = [part for part in made.parts if "edging" in part.name]
            words = " ".join(line for part in strips for line in lines(part.machining, made.units))
            self.assertEqual("mitre, 45°" in words, corners == "mitred")
            with self.assertRaises(NothingShaped):
                templates(made)

    def test_a_raised_panel_is_as_flush_as_its_edge_lets_it(self) -> None:
        """3/4 frame, 1/2 panel with an edge of 1/4: the groove 1/4 behind the face, the field flush with it."""
        making = FramePanel(panel="box", tongue=inches("1/4"))
        assembly = built(making=making)
        self.assertEqual(check(assembly), [])
        panel, stile = assembly.part("door.left.panel"), assembly.part("door.left.stile.left")
        self.assertEqual(panel.box.low[1], stile.box.low[1])
        groove = next(cut for cut in stile.cuts if cut.kind.value == "groove")
        self.assertEqual(groove.box.high[1] - groove.box.low[1], inches("1/4").ticks)
        self.assertEqual(groove.box.low[1] - stile.box.low[1], inches("1/4").ticks)
        bevels = [cut for cut in panel.cuts if cut.name.startswith("bevel")]
        self.assertEqual({min(cut.box.high[a] - cut.box.low[a] for a in (0, 2)) for cut in bevels},
                         {(inches("3/8") + inches("1 1/4")).ticks})  # fmt: skip
        for tongue, words in (("1/2", "raised by"), ("1/16", "edge of the raised panel")):
            with self.assertRaises(SizeImpossible) as caught:
                built(making=FramePanel(panel="box", tongue=inches(tongue)))
            self.assertIn(words, str(caught.exception))

    def test_fillers_stand_behind_pulls_in_thin_panels(self) -> None:
        """3/4 frame, 1/4 panel in its middle: one layer of 1/4 behind, an inch beyond screws 160 mm apart."""
        assembly = built(face=D, making=FramePanel(stile=inches(2), rail=inches(2)), size=(24, "34 1/2", 24))
        filler = assembly.part("drawer-front.filler.1.1")
        self.assertEqual((filler.length.length, filler.width.length), (millimetres("210.8"), inches(2)))
        self.assertEqual(filler.thickness.length, inches("1/4"))
        self.assertEqual(check(assembly), [])

    def test_two_fronts_that_cover_each_other_are_refused(self) -> None:
        both = (Door(fit=Overlay(inches(1))), Door(fit=Overlay(inches(1))))
        with self.assertRaises(SizeImpossible) as caught:
            built(True, face=Line(both, (None, None)))
        self.assertIn("it would cover the door beside it by 1/2 in", str(caught.exception))

    def test_an_appliance_too_large_for_its_opening_is_told(self) -> None:
        """30 1/2 + 2 x 1/4 is 31, the opening 28 1/2: 2 1/2 too little; 23 1/2 deep fits in 22 3/4 not."""
        project = new_project()
        oven = ApplianceSpace("oven", inches("30 1/2"), inches(23), inches("23 1/2"), inches("1/4"))
        case = replace(project.cases[0], follows=False, width=inches(30), inside=Bay(), fronts=FaceFronts(face=oven))
        found = [snag.sentence for snag in snags(Made(project.with_case(case))) if snag.code == "appliance.fit"]
        self.assertEqual(len(found), 2)
        self.assertIn("2 1/2 too little", found[0])
        self.assertIn("in depth", found[1])


class Sides(unittest.TestCase):
    def island(self, **sides: Any) -> Assembly:
        case = Case("A", width=inches(30), depth=inches(24), edging="", inside=Bay(), back=NoBack(), fronts=FaceFronts(making=BARE),
                    **sides)  # fmt: skip
        return build(case, RACK, UNITS)

    def test_a_face_at_the_back_is_the_front_turned_round(self) -> None:
        assembly = self.island(rear=FaceFronts(making=BARE))
        self.assertEqual(check(assembly), [])
        for role in ("door.left", "door.right"):
            self.assertEqual(sizes(assembly, role), sizes(assembly, f"rear.{role}"))
        front, rear = assembly.part("door.left").box, assembly.part("rear.door.left").box
        width, depth = inches(30).ticks, inches(24).ticks
        self.assertEqual((front.low[0] + rear.high[0], front.low[1] + rear.high[1]), (width, depth))
        self.assertIs(assembly.part("rear.door.left").shows, Face.BACK)
        # Its plates sit 37 mm before the rear edge of the side that is at its left when one stands behind the case.
        plates = [h for h in assembly.part("side.right").holes if h.use is Use.PLATE]
        self.assertEqual({y for h in plates for _, y, _ in h.centres},
                         {millimetres(37).ticks, depth - millimetres(37).ticks})  # fmt: skip

    def test_an_end_takes_a_false_door_whole_and_a_door_with_an_opening(self) -> None:
        false = self.island(right_end=FaceFronts(making=BARE, face=FalseFront(look="door")))
        self.assertEqual(sizes(false, "right.false"), wanted("30 3/8", "23 7/8"))
        self.assertFalse([cut for cut in false.part("side.right").cuts if cut.kind.value == "cut-out"])
        door = self.island(left_end=FaceFronts(making=BARE, face=Door(), fit=Overlay()))
        window = next(cut for cut in door.part("side.left").cuts if cut.kind.value == "cut-out")
        # 24 deep less 2 a side: opening 20; the door 1/2 over each.
        self.assertEqual(window.box.high[1] - window.box.low[1], inches(20).ticks)
        self.assertEqual(sizes(door, "left.door")[1], inches(21))
        for assembly in (false, door):
            self.assertEqual(check(assembly), [])

    def test_a_counter_goes_on_over_the_fronts_of_every_side(self) -> None:
        """30 wide and a 3/4 false door at the right: 30 3/4; 24 deep + 3/4 + 1 before and 3/4 + 1 behind: 27 1/2."""
        end = FaceFronts(making=BARE, face=FalseFront(look="door"))
        assembly = self.island(
            rear=FaceFronts(making=BARE), right_end=end, counter=SheetTop(edging="", thick_edge=False)
        )
        top = assembly.part("counter.top")
        self.assertEqual((top.length.length, top.width.length), wanted("30 3/4", "27 1/2"))
        self.assertEqual(check(assembly), [])

    def test_what_cannot_be_there_is_refused_in_words(self) -> None:
        for sides, words in (
            ({"rear": FaceFronts(making=BARE), "back": None}, "a back is in their way"),
            ({"left_end": FaceFronts(making=BARE, face=D)}, "nothing to run on"),
            ({"left_end": FaceFronts(making=BARE, face=Door(inner=InnerDrawers(2)))}, "nothing to run on"),
        ):
            with self.assertRaises(SizeImpossible) as caught:
                if sides.pop("back", 1) is None:
                    build(
                        Case("A", edging="", rear=FaceFronts(making=BARE), fronts=FaceFronts(making=BARE)), RACK, UNITS
                    )
                else:
                    self.island(**sides)
            self.assertIn(words, str(caught.exception))

    def test_turning_round_and_back_changes_nothing_and_proves_as_before(self) -> None:
        assembly = self.island(rear=FaceFronts(making=EdgedSlab("doors", "frame")))
        for side, quarters in SIDES.items():
            seen = seen_from(assembly, side)
            self.assertEqual(check(seen), [], side)
            back = seen_from(seen, {0: "front", 1: "left", 2: "rear", 3: "right"}[quarters])
            self.assertEqual(back.parts, assembly.parts, side)

    def test_every_side_can_be_drawn(self) -> None:
        project = new_project()
        case = replace(
            project.cases[0], back=NoBack(), rear=FaceFronts(), right_end=FaceFronts(face=FalseFront(look="door"))
        )
        made = Made(project.with_case(case))
        for side in SIDES:
            drawing = face_view(made, "A", "", frozenset(), side)
            spots = {item.hot for item in drawing.items if getattr(item, "hot", "").startswith("cell:")}
            there = [s for s in made.assemblies[0].fronts if s.side == side]
            self.assertEqual(spots, {f"cell:{space.path}" for space in there}, side)
            for space in there:
                self.assertTrue(swing_plan(made, "A", space, True).items)
                self.assertTrue(side_section(made, "A", space, False).items)


class GrainThrough(unittest.TestCase):
    FACE = Stack((D, PAIR), (inches(6), None))

    def made(self, grain: str, width: int = 24, count: int = 1) -> Made:
        project = new_project()
        case = replace(project.cases[0], follows=False, in_alcove=False, width=inches(width), inside=Bay(),
                       fronts=FaceFronts(making=BARE, face=self.FACE, grain=grain))  # fmt: skip
        return Made(replace(project, cases=tuple(replace(case, letter="ABC"[i]) for i in range(count))))

    @rows(
        # Face 23 7/8 x 30 3/8: drawer 6, doors 24 1/4 high and 11 7/8 wide; kerf 1/8 between: 6 + 1/8 + 24 1/4 by 23 7/8.
        ("columns", 1, [("30 3/8", "23 7/8", 3)]),
        ("level", 1, [("23 7/8", "30 3/8", 3)]),
        ("run", 2, [("47 7/8", "30 3/8", 6)]),
        ("each", 1, []),
    )
    def test_blocks_are_as_large_as_their_fronts_and_kerfs(self, grain: str, count: int, expected: list[Any]) -> None:
        made = self.made(grain, count=count)
        blocks = made.blocks.get("doors", ())
        self.assertEqual([(Length(b.length), Length(b.width), len(b.members)) for b in blocks],
                         [(inches(long), inches(wide), n) for long, wide, n in expected])  # fmt: skip
        front = made.assemblies[0].part("drawer-front.1")
        self.assertEqual(front.axes[0], 2 if grain == "columns" else 0)

    @rows(("columns", 1, [3, 3, 3]), ("run", 2, [3, 3, 3, 3, 6]))
    def test_what_is_made_again_has_blocks_of_its_own(self, grain: str, count: int, members: list[int]) -> None:
        project = self.made(grain, count=count).project
        made = Made(replace(project, cases=tuple(replace(case, copies=3) for case in project.cases)))
        blocks = made.problems["doors"].blocks
        self.assertEqual(sorted(len(block.members) for block in blocks), members)
        self.assertEqual(len({block.code for block in blocks}), len(blocks))
        plan = plan_all(made, 30)["doors"]
        self.assertEqual(check_plan(plan), [])
        placed = [spot.code for sheet in plan.sheets for spot in sheet.spots]
        wanted = {piece.code: piece.count for piece in made.problems["doors"].pieces}
        self.assertEqual({code: placed.count(code) for code in wanted}, wanted)

    def test_neighbours_on_the_case_are_neighbours_on_the_sheet(self) -> None:
        for grain, count in (("columns", 1), ("face", 1), ("level", 1), ("run", 2)):
            made = self.made(grain, count=count)
            plan = plan_all(made, 30)["doors"]
            self.assertEqual(check_plan(plan), [])
            self.assertEqual(len({sheet for sheet in plan.sheets for spot in sheet.spots}), 1)
            torn = replace(plan.sheets[0].spots[0], x=plan.sheets[0].spots[0].x + 16_000 * 700)
            bad = replace(plan.sheets[0], spots=(torn, *plan.sheets[0].spots[1:]))
            self.assertTrue(any("block" in fault for fault in check_plan(Plan(plan.problem, (bad,), plan.bound))))

    def test_a_block_no_sheet_holds_is_told_and_planned_one_by_one(self) -> None:
        made = self.made("run", 36, 3)
        self.assertIn("grain.block", [snag.code for snag in snags(made)])
        self.assertEqual(made.problems["doors"].blocks, ())


class RandomSides(unittest.TestCase):
    def test_sides_of_random_cases_prove_or_are_refused(self) -> None:
        from tests.designs import any_case, random_fronts, random_rack

        good = 0
        for seed in range(300):
            rng = Random(seed)
            case = replace(any_case(rng), inside=Bay(), scribes=(), back=NoBack())
            side = rng.choice(["rear", "left_end", "right_end"])
            face = replace(random_fronts(rng), face=rng.choice([PAIR, Door(), FalseFront(), self._stack()]))
            try:
                assembly = build(replace(case, **{side: face}), random_rack(rng), UNITS)
            except SizeImpossible:
                continue
            good += 1
            self.assertEqual(check(assembly), [], f"seed {seed}")
        self.assertGreater(good, 40)

    def _stack(self) -> Stack:
        return Stack((FalseFront(), Door()), (None, None))
