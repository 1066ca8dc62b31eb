# SPDX-License-Identifier: GPL-3.0-or-later
"""Fronts and drawers: worked by hand, gaps as asked on random faces, and what gets in the way is found."""

from __future__ import annotations

import unittest
from dataclasses import replace
from random import Random
from typing import Any

from ablebox.core.assembly.check import check
from ablebox.core.assembly.part import Assembly
from ablebox.core.assembly.uses import Use
from ablebox.core.cabinet.build import build
from ablebox.core.cabinet.design import Case
from ablebox.core.cabinet.face_edits import cells, closed_by, divided, taking, without
from ablebox.core.cabinet.places import at
from ablebox.core.case.base_hung import Hung
from ablebox.core.case.counter.sheet_top import SheetTop
from ablebox.core.case.frame.face_frame import FaceFrame
from ablebox.core.case.frame.none import Frameless
from ablebox.core.case.inside.layout import Bay, Columns, Rows
from ablebox.core.case.inside.pull_out import PullOut
from ablebox.core.case.inside.shelves_on_pins import PinShelves
from ablebox.core.case.kick_notched import NotchedKick
from ablebox.core.drawing.case_views import section
from ablebox.core.drawing.face_view import swing_plan
from ablebox.core.errors import SizeImpossible
from ablebox.core.fronts.cell.door import Door
from ablebox.core.fronts.cell.drawer import Drawer
from ablebox.core.fronts.cell.false_front import FalseFront
from ablebox.core.fronts.cell.flap import Flap
from ablebox.core.fronts.cell.pair import Pair
from ablebox.core.fronts.drawer.box import BOTTOMS, CORNERS, DrawerBox
from ablebox.core.fronts.drawer.slides import CentreMount, SideMount, Undermount
from ablebox.core.fronts.face import FaceFronts, Line, Stack
from ablebox.core.fronts.fit.full_overlay import FullOverlay
from ablebox.core.fronts.fit.half_overlay import HalfOverlay
from ablebox.core.fronts.fit.inset_fit import Inset
from ablebox.core.fronts.fit.lipped import Lipped
from ablebox.core.fronts.fit.overlay import Overlay
from ablebox.core.fronts.hinges import CupHinge, hinge_count
from ablebox.core.fronts.making.frame_panel import FramePanel
from ablebox.core.fronts.making.rabbet_panel import RabbetPanel
from ablebox.core.fronts.making.slab import Slab
from ablebox.core.fronts.pulls import Pulls
from ablebox.core.lengths import ZERO, Length, inches, millimetres
from ablebox.core.project.tree import Project, first_boards, new_project
from ablebox.core.room.reading import Reading
from ablebox.core.shop.made import Made
from ablebox.core.snags.every import snags
from ablebox.core.stock import Rack, Saw, SheetGoods
from ablebox.core.units import System, Units
from tests.core.test_snags import sound
from tests.designs import any_case, random_fronts, random_rack
from tests.tables import rows

RACK = Rack(
    (SheetGoods("case", "ply", inches("3/4")), SheetGoods("back", "ply", inches("1/4")),
     SheetGoods("doors", "mdf", inches("3/4")), SheetGoods("box", "ply", inches("1/2"))),
    (), Saw(ZERO, ZERO), first_boards(System.INCH),
)  # fmt: skip
UNITS = Units()
D, PAIR = Drawer(), Pair()
BARE = Slab("doors", "")


def BANK(first: str) -> Stack:
    return Stack((D, D, D), (inches(first), None, None))


def built(
    frame: bool = False, rack: Rack = RACK, inside: Any = None, size: Any = (30, "34 1/2", 24), **fronts: Any
) -> Assembly:
    width, height, depth = (inches(s) for s in size)
    fronts.setdefault("making", BARE)
    case = Case("A", width=width, height=height, depth=depth, edging="", load="linen", inside=inside or Bay(),
                frame=FaceFrame() if frame else Frameless(), fronts=FaceFronts(**fronts))  # fmt: skip
    return build(case, rack, UNITS)


class WorkedByHand(unittest.TestCase):
    """Case 30 x 34 1/2 x 24, 3/4 stock, kick 4, drawer sides 1/2 (rules of the trade, common practice)."""

    @rows(
        # A 30 in case has a 28 1/2 opening, a 27 1/2 box and, with 1/2 in sides, 26 1/2 fronts and backs.
        (False, {"face": D, "box": DrawerBox(corner="butt")}, "drawer.side.left", "22", "28"),
        (False, {"face": D, "box": DrawerBox(corner="butt")}, "drawer.front", "26 1/2", "28"),
        # In rabbets of half the side: two halves more. The back is cut off above groove and bottom, 3/8 + 1/4.
        (False, {"face": D}, "drawer.front", "27", "28"),
        (False, {"face": D}, "drawer.back", "27", "27 3/8"),
        # Bottom: inside 26 1/2 + 2 x 1/4 - 1/16; depth 22 - 1/2 + 1/4.
        (False, {"face": D}, "drawer.bottom", "26 15/16", "21 3/4"),
        (False, {"face": D, "box": DrawerBox(corner="dovetail")}, "drawer.front", "27 1/2", "28"),
        (False, {"face": D, "box": DrawerBox(bottom="under")}, "drawer.bottom", "27 1/2", "22"),
        # Undermount: inside of the box 42 mm less than the opening.
        (False, {"face": D, "slides": Undermount(millimetres("25.4"), length=inches(21))}, "drawer.bottom", "27 15/16", "20 3/4"),
        # Face frame of 1x2: opening 27, box 26 (36 in case: 33 and 32, the same sum).
        (True, {"fit": Overlay(), "face": D, "box": DrawerBox(corner="butt")}, "drawer.front", "25", "26 1/2"),
        # Front = opening + 2 x 1/2; pair (27 + 1 - 1/8) / 2; height 27 1/2 + 1.
        (True, {"fit": Overlay()}, "door.left", "28 1/2", "13 15/16"),
        # Inset: pair (opening - 3 gaps) / 2, height opening - 2 gaps, gap 3/32.
        (True, {"fit": Inset()}, "door.left", "27 5/16", "13 23/64"),
        (False, {"fit": Inset(inches("1/8"))}, "door.left", "28 3/4", "14 1/16"),
        # Half overlay: each covers (3/4 - 1/8) / 2 of the member: 30 - 2 x 7/16 over all.
        (False, {"fit": HalfOverlay()}, "door.left", "29 5/8", "14 1/2"),
        # Lipped: opening + 2 x 1/4.
        (True, {"fit": Lipped(), "face": Door()}, "door", "28", "27 1/2"),
        # Frame and panel in a 30 3/8 x 14 7/8 door: rail 14 7/8 - 4 1/2 + 3/4, panel hole + 3/4 - 1/16.
        (False, {"making": FramePanel()}, "door.left.rail.top", "11 1/8", "2 1/4"),
        (False, {"making": FramePanel()}, "door.left.panel", "26 9/16", "11 1/16"),
    )  # fmt: skip
    def test_part(self, frame: bool, fronts: dict[str, Any], role: str, length: str, width: str) -> None:
        assembly = built(frame, **fronts)
        part = assembly.part(role)
        self.assertEqual((part.length.length, part.width.length), (inches(length), inches(width)))
        self.assertEqual(check(assembly), [])

    def test_a_graduated_stack_adds_up(self) -> None:
        """Face 30 3/8 less two gaps of 1/8 is 30 1/8; three drawers each 2 higher: (30 1/8 - 6) / 3 = 8 1/24 and on."""
        assembly = built(face=Stack((D, D, D), (None, None, None), inches(2)))
        heights = [assembly.part(f"drawer-front.{i}").width.length for i in (1, 2, 3)]
        self.assertEqual(heights[1] - heights[0], inches(2))
        self.assertLess(abs((heights[2] - heights[1] - inches(2)).ticks), 4)
        self.assertEqual(sum(h.ticks for h in heights) + 2 * inches("1/8").ticks, inches("30 3/8").ticks)

    def test_a_metric_pair_of_drawers_with_16_mm_sides(self) -> None:
        """600 wide of 18 mm: opening 564, box 564 - 25.4 = 538.6, front between 16 mm sides 506.6."""
        goods = tuple(
            replace(row, nominal=millimetres({"case": 18, "back": 6, "doors": 19, "box": 16}[row.code]))
            for row in RACK.goods
        )
        box = DrawerBox(corner="butt")
        case = Case("A", width=millimetres(600), height=millimetres(870), depth=millimetres(580), edging="", inside=Bay(),
                    fronts=FaceFronts(making=BARE, face=Stack((D, D), (None, None)), box=box,
                                      slides=SideMount(millimetres("12.7"))))  # fmt: skip
        assembly = build(case, replace(RACK, goods=goods), Units(System.MM))
        self.assertEqual(assembly.part("drawer.1.front").length.length, millimetres("506.6"))
        self.assertEqual(assembly.part("drawer.1.side.left").length.length, millimetres(500))

    @rows(
        # Face-frame bank, inset: 18 wide, stiles and rails 1 1/2, gaps 1/8: opening 15 x 27 1/2, two rails between;
        # fronts 27 1/2 - 3 - 6/8 = 23 3/4 in all, 4 3/4 given, the others half of 19.
        (True, (18, "34 1/2", 24), {"fit": Inset(inches("1/8")), "face": BANK("4 3/4")}, {
            "drawer-front.1": ("14 3/4", "4 3/4"), "drawer-front.3": ("14 3/4", "9 1/2"), "frame.mid-rail.1": ("15", "1 1/2"),
            # Box 15 - 1, its ends 2 sides less; height 5 - 1, the back less 5/8; longest slide in 22 1/4 - 1/4.
            "drawer.1.front": ("13", "4"), "drawer.1.back": ("13", "3 3/8"), "drawer.1.side.left": ("22", "4"),
            "drawer.3.front": ("13", "8 3/4"), "drawer.1.bottom": ("13 7/16", "21 3/4")}),
        # Inset stack without a frame: 24 wide, opening 22 1/2 x 29; 29 - 4/8 = 28 1/2, 6 1/2 given, the others 11; 24 - 3/4 - 1/4 - 3/4
        # is 22 1/4 deep behind the front: slides of 22.
        (False, (24, "34 1/2", 24), {"fit": Inset(inches("1/8")), "face": BANK("6 1/2")}, {
            "drawer-front.1": ("22 1/4", "6 1/2"), "drawer-front.2": ("22 1/4", "11"), "drawer.1.front": ("20 1/2", "5 11/16"),
            "drawer.1.side.left": ("22", "5 11/16")}),
        # Half-inch overlay vanity, 36 wide, 32 1/2 high: opening 33 x 25 1/2; a false front of 6 over a pair; what shows
        # between is the rail less both overlays, 1/2: 26 1/2 - 6 - 1/2 = 20; doors (34 - 1/8) / 2.
        (True, (36, "32 1/2", 21), {"fit": Overlay(), "face": Stack((FalseFront(), PAIR), (inches(6), None))}, {
            "false.1": ("34", "6"), "door.left.2": ("20", "16 15/16"), "door.right.2": ("20", "16 15/16")}),
        # Full overlay, four equal drawers: 30 3/8 - 3/8 = 30, a quarter each 7 1/2; 24 - 1/8 wide. A front
        # covers (3/4 - 1/8) / 2 of where a member would be: a box of 7 1/2 - 5/8 - 1.
        (False, (24, "34 1/2", 24), {"face": Stack((D, D, D, D), (None,) * 4)}, {
            "drawer-front.1": ("23 7/8", "7 1/2"), "drawer-front.4": ("23 7/8", "7 1/2"), "drawer.2.front": ("20 1/2", "5 7/8")}),
        # Lipped door and drawer in a frame: overlay 1/4 all around, rail of 1 1/2 shows 1.
        (True, (21, "34 1/2", 24), {"fit": Lipped(), "face": Stack((D, Door()), (inches(5), None))}, {
            "drawer-front.1": ("18 1/2", "5"), "door.2": ("22", "18 1/2"), "drawer.1.front": ("16", "3 1/2")}),
        # Centre slide: play of 1/16 each side; undermount on 1/2 sides: 42 mm less inside, given here as 1 5/8 in.
        (False, (30, "34 1/2", 24), {"face": D, "slides": CentreMount()}, {"drawer.front": ("27 3/8", "28")}),
        (False, (30, "34 1/2", 24), {"face": D, "slides": Undermount(inches("1 5/8"))}, {"drawer.front": ("26 7/8", "28")}),
    )  # fmt: skip
    def test_whole_builds(
        self, frame: bool, size: Any, fronts: dict[str, Any], wanted: dict[str, tuple[str, str]]
    ) -> None:
        assembly = built(frame, size=size, box=DrawerBox(corner="butt"), **fronts)
        self.assertEqual(check(assembly), [])
        found = {role: (assembly.part(role).length.length, assembly.part(role).width.length) for role in wanted}
        self.assertEqual(found, {role: (inches(length), inches(width)) for role, (length, width) in wanted.items()})

    def test_a_measured_opening_decides_the_box(self) -> None:
        case = Case(
            "A",
            width=inches(30),
            depth=inches(24),
            edging="",
            inside=Bay(),
            load="linen",
            fronts=FaceFronts(making=BARE, face=D),
        )
        measured = {"A/drawer.opening/width": inches("28 7/16")}
        assembly = build(case, RACK, UNITS, measured)
        box = next(number for number in assembly.sums if number.key == "A/drawer/width")
        self.assertEqual(box.length, inches("27 7/16"))

    def test_packers_slides_and_pulls_are_counted(self) -> None:
        bought = dict(built(True, fit=Overlay(), face=Stack((D, D), (None, None))).hardware)
        self.assertEqual(bought["side-mount slides 22 in, pairs"], 2)
        assembly = built(True, fit=Overlay(), face=Stack((D, D), (None, None)))
        for role in ("drawer.1.packer.left", "drawer.2.packer.right"):
            self.assertEqual(assembly.part(role).width.length, inches("3/4"))
        self.assertEqual(bought["pulls, holes 96 mm apart"], 4)  # over 24 in wide: two each, a third of half of it
        self.assertEqual(bought["screws for fronts 1 in"], 8)

    @rows((inches(30), 5.0, 2), (inches(30), 15.0, 4), (inches(50), 5.0, 3), (inches(70), 25.0, 5))
    def test_hinges_by_height_and_weight(self, height: Length, kilograms: float, count: int) -> None:
        self.assertEqual(hinge_count(height, kilograms), count)

    def test_the_rails_of_a_frame_stand_between_the_fronts(self) -> None:
        """1 1/2 rail less two overlays of 1/2 shows 1/2; its middle is the middle of what shows."""
        assembly = built(True, fit=Overlay(), face=Stack((D, PAIR), (inches(6), None)))
        rail = assembly.part("frame.mid-rail.1").box
        top, bottom = assembly.part("drawer-front.1").box.low[2], assembly.part("door.left.2").box.high[2]
        self.assertEqual(Length(top - bottom), inches("1/2"))
        self.assertEqual(rail.low[2] + rail.high[2], top + bottom)


class Boxes(unittest.TestCase):
    def test_every_corner_bottom_and_slide_goes_together(self) -> None:
        for corner in CORNERS:
            for bottom in BOTTOMS:
                for slides in (SideMount(), Undermount(), CentreMount()):
                    assembly = built(
                        face=Stack((D, D), (None, None)), box=DrawerBox(corner=corner, bottom=bottom), slides=slides
                    )
                    self.assertEqual(check(assembly), [], (corner, bottom, slides.words))

    def test_box_heights_come_in_strip_widths(self) -> None:
        assembly = built(face=Stack((D, D, D), (None, inches(7), None)), box=DrawerBox(strip=inches("1/2")))
        for i in (1, 2, 3):
            side = assembly.part(f"drawer.{i}.side.left")
            self.assertEqual(side.width.length.ticks % inches("1/2").ticks, 0)


class Faces(unittest.TestCase):
    def test_random_faces_have_their_gaps_and_add_up(self) -> None:
        good = 0
        for seed in range(1_000):
            rng = Random(seed)
            fronts = random_fronts(rng)
            case = replace(any_case(rng), inside=Bay(), scribes=(), fronts=fronts)
            try:
                assembly = build(case, random_rack(rng), UNITS)
            except SizeImpossible:
                continue
            good += 1
            self.assertEqual(check(assembly), [], f"seed {seed}")
            self._covered(assembly, seed, "own fits" if "own-fit" in repr(assembly.sums) else "one fit")
        self.assertGreater(good, 350)

    def _covered(self, assembly: Assembly, seed: int, fits: str) -> None:
        """No two fronts overlap, and all stay inside the rectangle around them, corner to corner."""
        closed = [space for space in assembly.fronts if space.roles or fits == "one fit"]
        spaces = [tuple(edge.ticks for edge in space.front) for space in closed]
        for i, (a0, a1, b0, b1) in enumerate(spaces):
            for c0, c1, d0, d1 in spaces[i + 1 :]:
                self.assertFalse(a0 < c1 and c0 < a1 and b0 < d1 and d0 < b1, f"seed {seed}")
        if fits == "own fits":
            return
        numbers = {number.key: number for number in assembly.sums}
        wide, high = numbers["A/fronts/width"].length.ticks, numbers["A/fronts/height"].length.ticks
        self.assertEqual(max(s[1] for s in spaces) - min(s[0] for s in spaces), wide, f"seed {seed}")
        self.assertEqual(max(s[3] for s in spaces) - min(s[2] for s in spaces), high, f"seed {seed}")

    def test_fronts_in_proportion(self) -> None:
        """1 : 2 : 2 of a face, gaps taken off first, one of them set by hand in the second."""
        three = Stack((D, D, D), (None, None, None), parts=(1, 2, 2))
        assembly = built(face=three)
        heights = [space.height.length.ticks for space in assembly.fronts]
        numbers = {number.key: number.length.ticks for number in assembly.sums}
        gaps = numbers["A/fronts/height"] - sum(heights)
        self.assertEqual(gaps, 2 * inches("1/8").ticks)
        self.assertEqual(heights[1], 2 * heights[0])
        self.assertAlmostEqual(heights[2], heights[1], delta=5)
        set_by_hand = built(face=replace(three, heights=(None, inches(6), None)))
        first, _, last = (space.height.length.ticks for space in set_by_hand.fronts)
        self.assertAlmostEqual(last, 2 * first, delta=3)
        case = Case("A", fronts=FaceFronts(face=three))
        self.assertEqual(at(divided(case, "fronts.face.cells.0", True)[0], "fronts.face").parts, (1, 1, 2, 2))
        self.assertEqual(at(without(case, "fronts.face.cells.0")[0], "fronts.face").parts, (2, 2))
        self.assertEqual(taking(replace(three, parts=(1, 2, 1)), 1, 1), ())

    def test_dividing_and_taking_away_end_where_they_began(self) -> None:
        case = Case("A", fronts=FaceFronts())
        before, path = case, "fronts.face"
        for stack in (True, False, True, True):
            case, path = divided(case, path, stack)
            case = closed_by(case, path, FalseFront())
        self.assertEqual(len(cells(case)), 5)
        while len(cells(case)) > 1:
            case, _ = without(case, cells(case)[-1])
        self.assertEqual(closed_by(case, "fronts.face", Pair()), before)

    @rows(
        ({"inside": Bay((PinShelves(),)), "face": D}, "would stand where the shelf is"),
        ({"inside": Columns((Bay(), Bay()), (None, None)), "face": D}, "a partition or a fixed shelf stands behind"),
        ({"size": (30, "34 1/2", 10), "face": D}, "the shortest side-mount slides are 10 in"),
        ({"inside": Columns((Bay(), Bay()), (None, None)), "fit": Inset()}, "would stand where the partition is"),
        ({"fit": Overlay(inches(1))}, "Make the overlay less"),
        ({"face": D, "slides": Undermount(), "box": DrawerBox("doors")}, "5/8 in at most"),
        ({"making": FramePanel(stile=inches("1 1/2"))}, "the hinge cups would miss its wood"),
        ({"making": FramePanel(stile=inches("7 1/4"))}, "between the stiles"),
        ({"face": Stack((D, D), (inches(20), inches(20)))}, "too much"),
    )  # fmt: skip
    def test_what_cannot_be_is_refused_in_words(self, fronts: dict[str, Any], words: str) -> None:
        with self.assertRaises(SizeImpossible) as caught:
            built(**fronts)
        self.assertIn(words, str(caught.exception))


def _codes(project: Project) -> list[str]:
    return [snag.code for snag in snags(Made(project))]


class Snags(unittest.TestCase):
    def found(self, code: str, inside: Any = None, **fronts: Any) -> list[Any]:
        project = sound()
        case = replace(project.cases[0], inside=inside or Bay(), fronts=FaceFronts(**fronts))
        return [snag for snag in snags(Made(project.with_case(case))) if snag.code == code]

    def test_cup_and_groove(self) -> None:
        """With a 2 in stile, a 1/2 in groove and 3 mm it clears by a hair: 38 against 38.1 mm (common practice)."""
        making = FramePanel(stile=inches(2), groove=inches("1/2"))
        self.assertEqual(self.found("hinge.groove", making=making, hinge=CupHinge(edge=millimetres(3))), [])
        (snag,) = self.found("hinge.groove", making=making, hinge=CupHinge(edge=millimetres(4)))
        assert snag.fix is not None
        assert snag.fix.project is not None
        self.assertNotIn("hinge.groove", [s.code for s in snags(Made(snag.fix.project))])

    def test_glass_in_rabbets(self) -> None:
        """Door 28 wide, stiles 2: rails 24; rabbets 3/8, 1/8 of clearance: glass 24 5/8 (common practice)."""
        glazed = RabbetPanel(stile=inches(2), rail=inches(3))
        assembly = built(
            size=(30, 30, 12), fit=FullOverlay(inches(1), inches(1), inches(1)), making=glazed, face=Door()
        )
        self.assertEqual(assembly.part("door.rail.top").length.length, inches(24))
        self.assertEqual(assembly.part("door.panel").width.length, inches("24 5/8"))
        door, pane = assembly.part("door.stile.left").length.length, assembly.part("door.panel").length.length
        self.assertEqual(door - pane, inches("5 3/8"))

    def test_cup_and_glass(self) -> None:
        """A glazed case: 2 in stile, 3/8 rabbet leave 41.3 mm for a 35 mm cup 5 mm in (common practice)."""
        glazed = RabbetPanel(stile=inches(2))
        self.assertEqual(self.found("hinge.groove", making=glazed), [])
        (snag,) = self.found("hinge.groove", making=replace(glazed, rabbet=inches("1/2")))
        self.assertIn("1 1/2 before the panel", snag.sentence)

    def test_hinge_and_shelf(self) -> None:
        """A hinge moves off a fixed shelf that stands where it would be; both doors' cups go with it."""
        usual, low = built(), Rows((Bay(), Bay()), (inches("3 1/4"), None), (ZERO,))
        moved = built(inside=low)
        self.assertEqual(self.found("proof.hinge", low), [])
        levels = [
            sorted(z for h in assembly.part("door.left").holes if h.use is Use.CUP for _, _, z in h.centres)
            for assembly in (usual, moved)
        ]
        self.assertNotEqual(levels[0][0], levels[1][0])
        self.assertEqual(levels[0][1], levels[1][1])

    def test_drawers_that_rack_and_flaps(self) -> None:
        project = new_project()
        case = replace(project.cases[0], width=inches(54), follows=False, in_alcove=False, inside=Bay(),
                       fronts=FaceFronts(face=Stack((D, Flap()), (inches(4), None))))  # fmt: skip
        codes = [snag.code for snag in snags(Made(project.with_case(case)))]
        self.assertIn("drawer.racks", codes)
        self.assertIn("drawer.low", codes)

    def test_pulls_and_what_is_beside_them(self) -> None:
        """Hinges 1/8 in apart, pulls standing out 1 1/4 in each: neither pair opens square (common practice)."""
        back_to_back = Line((Door("right"), Door("left")), (None, None))
        self.assertTrue(self.found("opening.doors", face=back_to_back))
        apart = Line((Door("left"), Door("right")), (None, None))
        self.assertEqual(self.found("opening.doors", face=apart), [])
        flat = Pulls("none")
        self.assertEqual(self.found("opening.doors", face=back_to_back, pulls=flat), [])
        beside = Line((Door("right"), Stack((D, D), (None, inches(8)))), (inches(10), None))
        (snag,) = self.found("opening.drawer", face=beside)
        assert snag.fix is not None
        assert snag.fix.project is not None
        self.assertNotIn("opening.drawer", [s.code for s in snags(Made(snag.fix.project))])

    def test_pull_outs_pass_an_open_door(self) -> None:
        """Inset doors of 23/32 stand in the opening by it and their gap, slides keep the shelf only 1/2 in away."""
        tight, wide = (Bay((PullOut(2, inches(slide), setback=inches(1)),)) for slide in ("1/2", "7/8"))
        self.assertTrue(self.found("opening.pull-out", tight, fit=Inset()))
        self.assertEqual(self.found("opening.pull-out", wide, fit=Inset()), [])
        self.assertEqual(self.found("opening.pull-out", tight), [])

    def test_the_mouth_before_a_door(self) -> None:
        project = sound()
        mouth = replace(project.wall(1), mouth=Reading("mouth", inches(28)))
        case = replace(project.cases[0], follows=False, width=inches(27))
        self.assertIn("opening.wall", _codes(project.with_case(case).with_wall(1, mouth)))
        case = replace(case, width=inches(24))
        self.assertNotIn("opening.wall", _codes(project.with_case(case).with_wall(1, mouth)))

    def test_pulls_stand_where_hands_look_for_them(self) -> None:
        """Near the upper end of a base case's doors, the lower end of a wall case's, about 42 in up a tall door."""
        pulls = Pulls(apart=inches(3), end=inches(2))
        for kick, height, from_below, from_above in (
            (NotchedKick(), "34 1/2", None, inches(2) + inches(3)), (Hung(), "30", inches(2), None),
            (NotchedKick(), "84", None, None),
        ):  # fmt: skip
            case = Case("A", kick=kick, height=inches(height), edging="", fronts=FaceFronts(making=BARE, pulls=pulls))
            door = build(case, RACK, UNITS).part("door.left")
            (holes,) = [h for h in door.holes if h.use is Use.PULL]
            low = holes.centres[0][2]
            if height == "84":
                self.assertEqual(Length(low), inches(42) - inches("1 1/2"))
            if from_below is not None:
                self.assertEqual(Length(low - door.box.low[2]), from_below)
            if from_above is not None:
                self.assertEqual(Length(door.box.high[2] - low), from_above)

    def test_one_front_of_its_own_making(self) -> None:
        """A glazed door above plain ones; its sums name its own choices, and its cups its own stile."""
        glazed = FramePanel(stile=inches(2), groove=inches("1/2"))
        face = Stack((Door("left", glazed), Door("left")), (None, None))
        assembly = built(face=face)
        self.assertEqual(check(assembly), [])
        self.assertEqual({p.role for p in assembly.parts if p.role.startswith("door")},
                         {"door.1.stile.left", "door.1.stile.right", "door.1.rail.top", "door.1.rail.bottom",
                          "door.1.panel", "door.2"})  # fmt: skip
        (snag,) = self.found("hinge.groove", face=face)
        self.assertEqual(snag.key, "A/fronts.face.cells.0.making.stile")

    def test_wide_doors_of_any_making(self) -> None:
        """A door over 24 in wide sags (common practice): a slab, a framed one, but not a pair of 2 x 14."""
        for making in (BARE, FramePanel()):
            self.assertTrue(self.found("door.wide", face=Door(), making=making))
            self.assertEqual(self.found("door.wide", face=PAIR, making=making), [])

    def test_an_opened_drawer_comes_out_in_section_and_plan(self) -> None:
        for face in (D, Stack((D, D), (None, None))):
            project = sound()
            made = Made(project.with_case(replace(project.cases[0], inside=Bay(), fronts=FaceFronts(face=face))))
            (space, *_) = made.assembly("A").fronts
            still, out = section(made, "A"), section(made, "A", pulled=space.roles)
            self.assertLess(out.bounds()[0], still.bounds()[0] - 200)
            still, out = (swing_plan(made, "A", space, opened) for opened in (False, True))
            self.assertLess(out.bounds()[1], still.bounds()[1] - 200)

    def test_heavy_doors_take_more_hinges(self) -> None:
        project = sound()
        glass = SheetGoods(
            "glass", "mirror 1/4", inches("1/4"), inches("1/4"), False, project.rack.goods[0].sheets, "mirror"
        )
        rack = replace(project.rack, goods=(*project.rack.goods, glass),
                       boards=tuple(replace(b, measured=b.nominal) for b in project.rack.boards))  # fmt: skip
        case = replace(project.cases[0], inside=Bay(), width=inches(46), height=inches(42), follows=False, in_alcove=False,
                       fronts=FaceFronts(FullOverlay(), FramePanel(panel="glass"), face=Line((Door(), Door("right")), (None, None))))  # fmt: skip
        found = [snag for snag in snags(Made(replace(project, rack=rack, cases=(case,)))) if snag.code == "door.heavy"]
        self.assertTrue(found)


class Counters(unittest.TestCase):
    def top(self, frame: bool = False, fronts: Any = None, **choices: Any) -> Assembly:
        case = Case("A", width=inches(36), depth=inches(24), edging="", inside=Bay(), frame=FaceFrame() if frame else Frameless(),
                    fronts=fronts or FaceFronts(making=BARE), counter=SheetTop("case", "", **choices))  # fmt: skip
        return build(case, RACK, UNITS)

    def test_the_chain_of_the_depth_includes_the_fronts(self) -> None:
        """24 + 3/4 fronts + 1 overhang - 1/4 scribed = 25 1/2; length 36 + 1 at each end (common practice)."""
        assembly = self.top(left=inches(1), right=inches(1), scribe=inches("1/4"))
        part = assembly.part("counter.top")
        self.assertEqual((part.length.length, part.width.length), (inches(38), inches("25 1/2")))
        self.assertEqual(Length(part.box.high[2]), inches(36))  # 34 1/2 + 1 1/2
        inset = self.top(True, FaceFronts(Inset(), BARE)).part("counter.top")
        self.assertEqual(inset.width.length, inches(25))

    def test_joints_cut_outs_and_splash(self) -> None:
        assembly = self.top(joint=inches(20), splash=inches(4))
        lengths = [assembly.part(f"counter.top.{i}").length.length for i in (1, 2)]
        self.assertEqual(lengths, [inches(20), inches(16)])
        self.assertEqual(assembly.part("counter.strip.front.1").length.length, inches(26))
        self.assertEqual(assembly.part("counter.splash").length.length, inches(36))
        self.assertEqual(check(assembly), [])
        sink = self.top(sink_at=inches(18))
        self.assertEqual([cut.kind.value for cut in sink.part("counter.top").cuts], ["cut-out"])
        with self.assertRaisesRegex(SizeImpossible, "over a joint"):
            self.top(sink_at=inches(18), joint=inches(20))
