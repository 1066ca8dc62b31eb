# SPDX-License-Identifier: GPL-3.0-or-later
"""Corner cases with their face across: worked by hand, proven in space, and against the cases beside them."""

from __future__ import annotations

import unittest
from dataclasses import replace
from itertools import combinations
from math import hypot
from random import Random
from typing import Any

import numpy as np
from scipy.optimize import linprog

from ablebox.core.assembly.check import check
from ablebox.core.assembly.fastener import FastenerKind
from ablebox.core.assembly.fitting import FittingKind
from ablebox.core.assembly.footprint import Slant, apart, bounds, span_at
from ablebox.core.assembly.part import Assembly
from ablebox.core.assembly.turned import seen_from
from ablebox.core.cabinet.build import build
from ablebox.core.cabinet.design import Case
from ablebox.core.cabinet.kinds import starting_case
from ablebox.core.case.base_feet import Feet
from ablebox.core.case.base_frame import BaseFrame
from ablebox.core.case.bottom import Bottom
from ablebox.core.case.counter.sheet_top import SheetTop
from ablebox.core.case.frame.face_frame import FaceFrame, Stile
from ablebox.core.case.inside.layout import Bay, Columns
from ablebox.core.case.inside.shelves_on_pins import PinShelves
from ablebox.core.case.joint.butt import Butt
from ablebox.core.case.joint.dado import Dado
from ablebox.core.case.joint.over import LaidOver
from ablebox.core.case.kick_notched import NotchedKick
from ablebox.core.case.plan_diagonal import Diagonal
from ablebox.core.case.top_stretchers import TwoStretchers
from ablebox.core.drawing.exploded import exploded
from ablebox.core.drawing.look import Look
from ablebox.core.errors import SizeImpossible
from ablebox.core.fronts.cell.drawer import Drawer
from ablebox.core.fronts.cell.pair import Pair
from ablebox.core.fronts.face import FaceFronts
from ablebox.core.fronts.fit.inset_fit import Inset
from ablebox.core.fronts.fit.overlay import Overlay
from ablebox.core.lengths import ZERO, Length, inches, millimetres
from ablebox.core.paper.data.assembly_json import assembly_tree
from ablebox.core.paper.lists.buying import hardware
from ablebox.core.parts.words import lines
from ablebox.core.project.run_edits import put_in
from ablebox.core.project.tree import Project, first_rack, new_project
from ablebox.core.room.room import Room
from ablebox.core.room.wall import End, first_readings
from ablebox.core.shop.made import Made
from ablebox.core.snags.diagonal import CHECKS
from ablebox.core.snags.snag import Snag
from ablebox.core.units import System, Units
from tests.designs import between, random_rack
from tests.tables import rows


def corner(kind: str = "diagonal", **changes: Any) -> Case:
    return replace(starting_case("C", kind, System.INCH), **changes)


def built(case: Case) -> Assembly:
    return build(case, first_rack(System.INCH), Units())


def l_shaped(*, keep: str = "3/4", right: str = "drawers") -> Project:
    """Two walls of 10 ft with base cases that follow, a corner case between them."""
    project = new_project()
    one = replace(first_readings(inches(120), inches(96)), name="North", left=End.OPEN, right=End.CORNER)
    two = replace(first_readings(inches(120), inches(96)), name="East", left=End.CORNER, right=End.OPEN)
    beside = replace(starting_case("D", right, System.INCH), in_alcove=True, wall=2, follows=True)
    project = replace(project, room=Room((one, two)), cases=(*project.cases, beside, corner(in_alcove=False)))
    project = put_in(project, "C", 1, "")
    case = project.case("C")
    return project.with_case(replace(case, plan=replace(case.plan, keep=inches(keep))))  # type: ignore[type-var]


def found(project: Project) -> list[Snag]:
    made = Made(project)
    return [snag for each in CHECKS for snag in each(made)]


class WorkedByHand(unittest.TestCase):
    """36 by 36 with sides of 24: the face goes across 12 and 12, so it is 12 x root 2, 16.97 in wide (plane geometry)."""

    def size(self, assembly: Assembly, role: str) -> tuple[str, str]:
        part = assembly.part(role)
        return Units().write(part.length.length), Units().write(part.width.length)

    def test_sizes_of_every_part(self) -> None:
        case = built(corner())
        for role, size in {
            "side.left": ("34 1/2", "24"),  # 24 - 3/4 of the back + 3/4 of the bevel at 45 degrees
            "side.right": ("34 1/2", "24"),
            "back": ("34 1/2", "36"),
            "back.second": ("34 1/2", "35 1/4"),
            "bottom": ("35", "35"),  # 36 - 2 x 3/4, and 1/4 into each of two dadoes
            "shelf.1": ("34 3/8", "34 3/8"),
        }.items():
            self.assertEqual(self.size(case, role), size, role)
        face = next(number for number in case.sums if number.key == "C/plan.across")
        self.assertAlmostEqual(face.length.mm / 25.4, 12 * 2**0.5, 4)
        # Full overlay: the face less what is kept back and the reveal, at both ends.
        self.assertAlmostEqual(case.part("door").width.length.mm / 25.4, 12 * 2**0.5 - 2 * (0.75 + 0.0625), 4)
        # The kick board stands 3 in behind the face, between the sides: its long side is 3/4 farther back.
        long = (12 + (3 + 0.75) * 2**0.5 - 2 * 0.75) * 2**0.5
        self.assertAlmostEqual(case.part("kick").length.length.mm / 25.4, long, 3)

    def test_an_uneven_corner_has_an_uneven_bevel(self) -> None:
        """40 along one wall, 34 along the other, 24 and 18 deep: the face goes across 10 and 22 (Pythagoras: 24.17)."""
        plan = Diagonal(inches(24), inches(18))
        with self.assertRaises(SizeImpossible):
            built(corner(width=inches(40), depth=inches(34), plan=plan))
        case = built(corner(width=inches(38), depth=inches(36), plan=plan))  # across 12 and 20
        self.assertAlmostEqual(case.sums[0].length.mm / 25.4, 38, 6)
        self.assertAlmostEqual(seen_from(case, "front").outside[0].length.mm / 25.4, hypot(12, 20), 4)
        bevels = [cut.box.size for role in ("side.left", "side.right") for cut in case.part(role).cuts[:1]]
        self.assertAlmostEqual(bevels[0][1].mm / 25.4, 0.75 * 12 / 20, 4)
        self.assertAlmostEqual(bevels[1][0].mm / 25.4, 0.75 * 20 / 12, 4)
        self.assertEqual(check(case), [])

    def test_behind_a_face_frame_the_sides_are_shorter_by_its_thickness_aslant(self) -> None:
        """3/4 of frame takes 3/4 x root 2 of each side at 45 degrees; the frame is as wide as the face."""
        case = built(corner(frame=FaceFrame(), fronts=FaceFronts(Overlay())))
        self.assertAlmostEqual(case.part("side.left").width.length.mm / 25.4, 24 - 0.75 * 2**0.5, 4)
        rail = case.part("frame.rail.top").length.length.mm / 25.4
        self.assertAlmostEqual(rail, 12 * 2**0.5 - 3, 4)

    def test_a_top_meets_the_tops_beside_it(self) -> None:
        """Cases 24 deep, doors 3/4, overhang 1: tops 25 3/4 deep, so what is cut off the corner's top is 36 - 25 3/4 each way."""
        case = built(corner(counter=SheetTop(splash=inches(4))))
        ring = case.part("counter.top").footprint
        self.assertEqual((ring[0], ring[1]), ((0, inches("10 1/4").ticks), (inches("10 1/4").ticks, 0)))
        self.assertEqual(Units().write(case.part("counter.splash.second").length.length), "35 1/4")
        self.assertEqual(check(case), [])
        for top in (SheetTop(sink_at=inches(12)), SheetTop(left=inches(1)), SheetTop(front=inches(11))):
            with self.assertRaises(SizeImpossible):
                built(corner(counter=top))

    @rows(("diagonal", System.INCH), ("diagonal", System.MM), ("diagonal-wall", System.INCH))
    def test_doors_across_the_corner_hang_on_plates_on_the_sides(self, kind: str, system: System) -> None:
        """A plate beside each cup, on a line 37 mm behind the side's inner front edge, its screws 32 mm apart (common practice)."""
        made = Made(replace(new_project(system), cases=(starting_case("A", kind, system),)))
        assembly = made.assembly("A")
        self.assertEqual((made.findings("A"), assembly.wanting), ([], ()))
        count = {
            kind: sum(each.kind is kind for each in assembly.fittings)
            for kind in (FittingKind.HINGE_CUP, FittingKind.HINGE_PLATE)
        }
        self.assertEqual(count[FittingKind.HINGE_CUP], count[FittingKind.HINGE_PLATE])
        screws = [each for each in assembly.fasteners if each.kind is FastenerKind.PLATE_SCREW]
        self.assertEqual(len(screws), 2 * count[FittingKind.HINGE_PLATE])
        side = assembly.part("side.left")
        front = min(y for x, y in side.footprint if x == side.box.high[0])
        self.assertEqual({each.head[1] - front for each in screws}, {millimetres(37).ticks})
        heights = sorted(each.head[2] for each in screws)
        self.assertEqual({b - a for a, b in zip(heights[::2], heights[1::2], strict=True)}, {millimetres(32).ticks})

    def test_what_is_done_to_a_part_is_told_from_its_edges(self) -> None:
        made = Made(replace(new_project(), cases=(corner(),)))
        told = {part.name: lines(part.machining, made.units) for part in made.parts}
        self.assertEqual(told["side, left"][0], "bevel the front edge, 3/4 off at the left face, flush with the face")
        self.assertEqual(
            told["bottom"],
            ["cut off the front left corner aslant: 11 along the length, 11 along the width, for the face across"],
        )
        self.assertEqual(len([text for text in told["kick board"] if text.startswith("bevel")]), 2)

    @rows(
        (corner(top=TwoStretchers()), "full top"),
        (corner(kick=BaseFrame()), "feet"),
        (corner(bottom=Bottom(LaidOver())), "dadoes"),
        (corner(inside=Columns((Bay(), Bay()), (None, None))), "one bay"),
        (corner(inside=Bay((PinShelves(), PinShelves()))), "one of them"),
        (corner(fronts=FaceFronts(face=Drawer())), "doors"),
        (corner(frame=FaceFrame(right=Stile(neighbours=True))), "its own"),
        (corner(kick=NotchedKick(both_sides=True)), "at the back"),
        (corner(turned=1), "Turn it back"),
        (corner(width=inches(26)), "larger"),
    )
    def test_what_does_not_go_round_a_corner_is_refused_with_what_does(self, case: Case, remedy: str) -> None:
        with self.assertRaisesRegex(SizeImpossible, remedy):
            built(case)


def random_corner(rng: Random) -> Case:
    left, right = between(rng, 280, 700), between(rng, 280, 700)
    a = between(rng, 200, 500)
    b = Length(a.ticks * rng.randint(60, 160) // 100)
    framed = rng.random() < 0.5
    kick = rng.choice((NotchedKick(depth=between(rng, 20, 60)), Feet(setback=between(rng, 20, 60))))
    fit = rng.choice((Overlay(between(rng, 3, 9)), Inset())) if framed else None
    fronts = FaceFronts(face=rng.choice((Pair(), starting_case("C", "diagonal", System.INCH).fronts.face)))  # type: ignore[union-attr]
    hung = rng.random() < 0.3
    case = corner("diagonal-wall" if hung else "diagonal", plan=Diagonal(left, right, between(rng, 4, 22)), width=right + b,
                  depth=left + a, height=between(rng, 600, 1200), edging=rng.choice(("", "veneer", "solid")))  # fmt: skip
    joint = Butt() if rng.random() < 0.4 else Dado(between(rng, 2, 5))
    case = replace(case, bottom=Bottom(joint), fronts=replace(fronts, fit=fit or fronts.fit))
    case = replace(case, frame=FaceFrame() if framed else case.frame, kick=case.kick if hung else kick)
    return replace(case, counter=SheetTop(thick_edge=rng.random() < 0.5) if rng.random() < 0.4 else case.counter)


def share_space(one: Any, other: Any) -> bool:
    """Whether two convex forms have a point well inside both: by linear programming, an outside judge (SciPy, HiGHS)."""
    limits, edges = [], []
    for ring in (one, other):
        area = sum(x0 * y1 - x1 * y0 for (x0, y0), (x1, y1) in zip(ring, [*ring[1:], ring[0]], strict=True))
        turn = 1 if area > 0 else -1
        for (x0, y0), (x1, y1) in zip(ring, [*ring[1:], ring[0]], strict=True):
            n, m = turn * (y1 - y0), turn * (x0 - x1)
            size = hypot(n, m)
            edges.append([n / size, m / size, 1.0])
            limits.append((n * x0 + m * y0) / size)
    best = linprog([0, 0, -1], np.array(edges), np.array(limits), bounds=[(None, None)] * 3)
    return bool(best.success and best.x[2] > 1.5)


class Proven(unittest.TestCase):
    def test_any_corner_that_can_be_built_goes_together(self) -> None:
        """No two parts in one place by the checker, and by a judge of its own for every two parts at one height."""
        proven = 0
        for seed in range(120):
            rng = Random(seed)
            try:
                assembly = build(random_corner(rng), random_rack(rng), Units())
            except SizeImpossible:
                continue
            proven += 1
            self.assertEqual(check(assembly), [], f"seed {seed}")
            for part in assembly.parts:
                x0, x1, y0, y1 = bounds(part.ring)
                self.assertTrue(part.straight is not None or (x0, y0) >= (part.box.low[0], part.box.low[1]), part.role)
                sizes = (part.box.low[0] <= x0, x1 <= part.box.high[0], part.box.low[1] <= y0, y1 <= part.box.high[1])
                self.assertTrue(all(sizes), f"seed {seed}: {part.role}")
            if seed % 6:
                continue
            for one, other in combinations(assembly.parts, 2):
                level = one.box.low[2] < other.box.high[2] and other.box.low[2] < one.box.high[2]
                jointed = any(cut.box.meets(two.box) for a, two in ((one, other), (other, one)) for cut in a.cuts)
                if level and not jointed:
                    self.assertFalse(share_space(one.ring, other.ring), f"seed {seed}: {one.role}, {other.role}")
        self.assertGreater(proven, 60)

    def test_what_stands_wrong_is_found(self) -> None:
        case = built(corner())
        door = case.part("door")
        for by, code in ((inches(1).ticks, "overlap"), (-inches(1).ticks, "")):
            ring = tuple((x + by, y + by) for x, y in door.footprint)
            moved = replace(case, parts=tuple(replace(p, footprint=ring) if p is door else p for p in case.parts))
            self.assertEqual({flaw.code for flaw in check(moved)}, {code} if code else set())
        bottom = case.part("bottom")
        lower = replace(bottom, corner=(bottom.corner[0], bottom.corner[1], bottom.corner[2] - inches("1/8")))
        sunk = replace(case, parts=tuple(lower if p is bottom else p for p in case.parts))
        self.assertIn("loose", {flaw.code for flaw in check(sunk)})

    def test_forms_apart_are_told_as_an_outside_judge_tells_them(self) -> None:
        rng = Random(3)
        told = set()
        for _ in range(300):
            slant = Slant(rng.randint(50_000, 400_000), rng.randint(50_000, 400_000))
            one = slant.behind(0, 500_000, 0, 500_000)
            x, y = rng.randint(-300_000, 400_000), rng.randint(-300_000, 400_000)
            other = ((x, y), (x + 200_000, y - 90_000), (x + 260_000, y + 60_000))
            told.add(apart(one, other))
            self.assertEqual(apart(one, other), not share_space(one, other))
        self.assertEqual(told, {True, False})
        self.assertEqual(span_at(Slant(30, 40).behind(0, 100, 0, 100), 0, 20), (15, 100))

    def test_it_is_drawn_from_every_side(self) -> None:
        case = built(corner(frame=FaceFrame(), fronts=FaceFronts(Overlay())))
        for turn in range(0, 360, 45):
            view = exploded(case, {}, Look(float(turn), 25.0, 0.5))
            self.assertTrue(all(abs(edge) < 5e3 for edge in view.bounds()))
            self.assertGreater(len(view.items), 60)


class BesideOthers(unittest.TestCase):
    def test_it_is_put_at_the_end_as_deep_as_its_neighbours_and_the_next_run_begins_behind_it(self) -> None:
        project = l_shaped()
        made = Made(project)
        case = project.case("C")
        assert isinstance(case.plan, Diagonal)
        self.assertEqual((case.plan.left, case.plan.right), (inches("23 1/4"),) * 2)
        self.assertEqual([place.letter for place in made.line(1).places], ["A", "C"])
        # 120 - 36 are left at the first wall, and 120 - 36 at the second, where the corner takes its depth.
        self.assertEqual(made.run.stands["A"].width.length, inches(84))
        self.assertEqual(made.line(2).places[0].x, inches(36))
        self.assertEqual(found(project), [])
        self.assertEqual([made.run.ends["C"][side].seen for side in ("left", "right")], [False, False])

    def test_its_top_is_drawn_to_its_neighbours_with_bolts_through_the_strips_or_with_biscuits(self) -> None:
        """Strips of 3 in on both sides and 1/2 in for washer and nut: bolts of 7 in, two a joint, clear of every screw."""
        for thick in (True, False):
            project = l_shaped()
            for letter in "ACD":
                project = project.with_case(replace(project.case(letter), counter=SheetTop(thick_edge=thick)))
            made = Made(project)
            tops = [each for each in made.joined if each.fastener.kind in (FastenerKind.BOLT, FastenerKind.BISCUIT)]
            self.assertEqual({each.letter + each.other for each in tops}, {"AC", "CD"}, thick)
            if not thick:
                self.assertTrue(all(each.fastener.kind is FastenerKind.BISCUIT for each in tops))
                continue
            self.assertEqual([each.fastener.name for each in tops], ["bolts for tops 7 in"] * 4)
            self.assertIn(("bolts for tops 7 in", 4), hardware(made))
            for each in tops:
                own = made.assembly(each.letter)
                head, tip = each.fastener.head, each.fastener.tip
                (part,) = (part for part in own.parts if part.role == each.fastener.through[0])
                middle = [(a + b) / 2 for a, b in zip(part.box.low, part.box.high, strict=True)]
                self.assertAlmostEqual(head[2], middle[2], delta=1)
                along = [i for i in range(3) if head[i] != tip[i]]
                self.assertEqual(along, [1 - part.axes[0]])
                for other in own.fasteners:
                    if part.role in (*other.through, other.into):
                        x = max(min(other.head[i], other.tip[i]) - head[i] if i != along[0] else 0 for i in (0, 1))
                        y = max(head[i] - max(other.head[i], other.tip[i]) if i != along[0] else 0 for i in (0, 1))
                        self.assertGreater(max(x, y), millimetres(5).ticks)
            listed = [row for each in assembly_tree(made) for row in each["fasteners"] if row["kind"] == "bolt"]
            self.assertEqual([len(row["through"]) for row in listed], [2] * 4)

    def test_fronts_that_meet_are_told_and_kept_back(self) -> None:
        """At 45 degrees doors 3/4 thick need 3/4 x tan 22 1/2 = 5/16 at each end, and a drawer the whole 3/4 (plane geometry)."""
        self.assertEqual(found(l_shaped(keep="3/4")), [])
        for keep, right, told in (("1/2", "drawers", True), ("1/2", "base", False), ("1/4", "base", True)):
            snags = [snag for snag in found(l_shaped(keep=keep, right=right)) if snag.code == "corner.fronts"]
            self.assertEqual(bool(snags), told, keep)
            for snag in snags[:1]:
                assert snag.fix is not None
                assert snag.fix.project is not None
                self.assertEqual([s for s in found(snag.fix.project) if s.code == "corner.fronts"], [])

    def test_other_depths_and_other_places_are_told(self) -> None:
        project = l_shaped()
        shallow = project.with_case(replace(project.case("A"), depth=inches(22)))
        snag = next(snag for snag in found(shallow) if snag.code == "corner.depth")
        self.assertIn("22", snag.sentence)
        assert snag.fix is not None
        assert snag.fix.project is not None
        self.assertEqual(found(snag.fix.project), [])
        first = replace(project, cases=tuple(sorted(project.cases, key=lambda case: case.letter != "C")))
        self.assertIn("corner.place", [snag.code for snag in found(first)])

    def test_a_straight_top_ends_before_it(self) -> None:
        project = l_shaped()
        project = project.with_case(replace(project.case("A"), counter=SheetTop(over=3)))
        project = project.with_case(replace(project.case("C"), counter=SheetTop()))
        made = Made(project)
        self.assertEqual(made.assembly("A").part("counter.top").length.length, inches(84))
        bands = {face.words for face, _ in made.assembly("A").part("counter.top").bands}
        self.assertEqual(bands, {"front", "left"})  # its right end meets the corner's top
        self.assertEqual(made.flaws, [])
        self.assertEqual(ZERO, made.line(1).left_over)
