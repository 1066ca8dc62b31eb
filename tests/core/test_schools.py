# SPDX-License-Identifier: GPL-3.0-or-later
"""Every school of construction: worked by hand, refused where it cannot be built, and proven in any mixture."""

from __future__ import annotations

import unittest
from dataclasses import replace
from typing import Any

from ablebox.core.assembly.check import check
from ablebox.core.assembly.part import Assembly, CutKind, Face
from ablebox.core.assembly.proof import prove
from ablebox.core.assembly.role import PartKind
from ablebox.core.assembly.uses import Use
from ablebox.core.cabinet.build import build
from ablebox.core.cabinet.design import Case
from ablebox.core.cabinet.inside_edits import bays, divided, fitted, unfitted, without
from ablebox.core.cabinet.kinds import KINDS, starting_case
from ablebox.core.cabinet.places import at
from ablebox.core.case.back_laid_on import LaidOnBack
from ablebox.core.case.back_none import NoBack
from ablebox.core.case.back_rabbeted import RabbetedBack
from ablebox.core.case.back_thick import ThickBack
from ablebox.core.case.base_casters import Casters
from ablebox.core.case.base_feet import Feet
from ablebox.core.case.base_frame import BaseFrame
from ablebox.core.case.base_hung import Hung
from ablebox.core.case.base_legs import Legs
from ablebox.core.case.base_skirt import Skirt
from ablebox.core.case.bottom import Bottom
from ablebox.core.case.cutouts import Cutout
from ablebox.core.case.extra.arch import Arch
from ablebox.core.case.extra.cord_notch import CordNotch
from ablebox.core.case.extra.cord_outlet import CordOutlet
from ablebox.core.case.extra.corner_notch import CornerNotch
from ablebox.core.case.extra.finger_slot import FingerSlot
from ablebox.core.case.extra.lamp import Lamp
from ablebox.core.case.extra.light_groove import LightGroove
from ablebox.core.case.extra.round_hole import RoundHole
from ablebox.core.case.extra.switch import Switch
from ablebox.core.case.frame.face_frame import FaceFrame, Stile
from ablebox.core.case.frame.half_lap import HalfLap
from ablebox.core.case.frame.tenon import Tenon
from ablebox.core.case.inside.false_bottom import FalseBottom
from ablebox.core.case.inside.hanging_rod import HangingRod
from ablebox.core.case.inside.layout import Bay, Columns, Rows
from ablebox.core.case.inside.pull_out import PullOut
from ablebox.core.case.inside.shelves_on_pins import PinShelves
from ablebox.core.case.inside.sloping import SlopingShelves
from ablebox.core.case.inside.slots import Slots
from ablebox.core.case.joint.butt import Butt
from ablebox.core.case.joint.dado import Dado
from ablebox.core.case.joint.over import LaidOver
from ablebox.core.case.joint.rabbet import Rabbet
from ablebox.core.case.scribe import Scribe, Station
from ablebox.core.case.top_full import FullTop
from ablebox.core.case.top_none import NoTop
from ablebox.core.case.top_stretchers import TwoStretchers
from ablebox.core.errors import SizeImpossible
from ablebox.core.fronts.none import NoFronts
from ablebox.core.lengths import ZERO, Length, inches
from ablebox.core.project.tree import first_boards, new_project
from ablebox.core.shop.made import Made
from ablebox.core.snags.every import snags
from ablebox.core.stock import Rack, Saw, SheetGoods
from ablebox.core.units import System, Units
from tests.tables import rows

#: 3/4 in stock that really is 3/4, so that the sums can be done in the head.
RACK = Rack(
    (SheetGoods("case", "ply", inches("3/4")), SheetGoods("back", "ply", inches("1/4")),
     SheetGoods("doors", "mdf", inches("3/4"))), (), Saw(ZERO, ZERO), first_boards(System.INCH),
)  # fmt: skip
UNITS = Units()
PINS = Bay((PinShelves(),))


def built(rack: Rack = RACK, **changes: Any) -> Assembly:
    case = Case("A", width=inches(30), height=inches("34 1/2"), depth=inches(24), edging="", fronts=NoFronts())
    return build(replace(case, **changes), rack, UNITS)


class WorkedByHand(unittest.TestCase):
    """Case 30 x 34 1/2 x 24 of 3/4 stock, 1/4 back, kick 4: inside 28 1/2 (rules of the trade, common practice)."""

    @rows(
        # Backs: laid on, W x (H - kick), sides 1/4 shallower; rabbet, W - 2 (t - j); thick, W - 2t.
        ({"back": LaidOnBack()}, "back", "30 1/2", "30"),
        ({"back": LaidOnBack()}, "side.left", "34 1/2", "23 3/4"),
        ({"back": RabbetedBack()}, "back", "30 1/2", "29 3/16"),
        ({"back": RabbetedBack()}, "side.left", "34 1/2", "24"),
        ({"back": ThickBack()}, "back", "30 1/2", "28 1/2"),
        ({"back": ThickBack()}, "bottom", "29", "23 1/4"),
        ({"back": NoBack()}, "bottom", "29", "24"),
        # Joints of the bottom: butt W - 2t, dado + 2j.
        ({"bottom": Bottom(Butt("screws"))}, "bottom", "28 1/2", "23"),
        ({"bottom": Bottom(Dado(inches("3/8")))}, "bottom", "29 1/4", "23"),
        ({"kick": Feet(), "bottom": Bottom(Rabbet(inches("1/4")))}, "bottom", "29", "23"),
        ({"kick": Feet(), "bottom": Bottom(LaidOver())}, "bottom", "30", "24"),
        ({"kick": Feet(), "bottom": Bottom(LaidOver())}, "side.left", "29 3/4", "24"),
        # Tops: laid over, W, and the sides lose t; in rabbets; in dadoes set down.
        ({"top": FullTop(LaidOver())}, "top", "30", "24"),
        ({"top": FullTop(LaidOver())}, "side.left", "33 3/4", "24"),
        ({"top": FullTop(Rabbet(inches("3/8")))}, "top", "29 1/4", "23"),
        ({"top": FullTop(Dado(), inches(1))}, "top", "29", "23"),
        ({"top": TwoStretchers(front="edge", back="none")}, "stretcher.front", "28 1/2", "3 1/2"),
        # Bases: sides lose the base; rungs between the long boards of the base frame; kick clears the floor.
        ({"kick": BaseFrame(inches(4), inches(3), inches(1))}, "side.left", "30 1/2", "24"),
        ({"kick": BaseFrame(inches(4), inches(3), inches(1))}, "base.front", "30", "4"),
        ({"kick": BaseFrame(inches(4), inches(3), inches(1))}, "base.rung.1", "18 1/2", "4"),
        ({"kick": Feet()}, "kick", "30", "3 7/8"),
        ({"kick": Skirt()}, "kick", "28 1/2", "3"),
        ({"kick": Legs()}, "leg.1", "6", "1 1/2"),
        ({"kick": Casters()}, "side.right", "30 1/2", "24"),
        ({"kick": Hung()}, "side.right", "34 1/2", "24"),
        # Face frame of 1x2: rail = frame width - stiles; carcass 3/4 shallower.
        ({"frame": FaceFrame()}, "frame.rail.top", "27", "1 1/2"),
        ({"frame": FaceFrame()}, "frame.stile.left", "30 1/2", "1 1/2"),
        ({"frame": FaceFrame(to_floor=True)}, "frame.stile.left", "34 1/2", "1 1/2"),
        ({"frame": FaceFrame()}, "side.left", "34 1/2", "23 1/4"),
        ({"frame": FaceFrame(left=Stile(inches("1 1/2"), inches("1/4")))}, "frame.rail.top", "27 1/4", "1 1/2"),
        ({"frame": FaceFrame(left=Stile(inches("2 1/2"), inches(1)))}, "frame.rail.top", "27", "1 1/2"),
        ({"frame": FaceFrame(joint=Tenon(inches(1)))}, "frame.rail.top", "29", "1 1/2"),
        ({"frame": FaceFrame(joint=HalfLap())}, "frame.rail.top", "30", "1 1/2"),
        # Equal bays: (28 1/2 - 2 x 3/4) / 3 = 9; partitions under the stretchers in a dado of the bottom.
        ({"inside": Columns((PINS, PINS, PINS), (None, None, None))}, "shelf.2.1", "8 7/8", "22 3/4"),
        ({"inside": Columns((PINS, PINS), (None, None))}, "partition.1", "29 1/4", "23"),
        ({"inside": Columns((PINS, PINS), (None, None), high=inches(12))}, "partition.1", "12 1/4", "23"),
        ({"inside": Rows((PINS, PINS), (inches(14), None), (inches(2),))}, "fixed.1", "29", "21"),
        # Fittings.
        ({"inside": Bay((PullOut(1),))}, "pull-out.1", "27 1/2", "22"),
        ({"inside": Bay((FalseBottom(),))}, "false-bottom", "28 3/8", "23"),
        ({"inside": Bay((Slots(3, upright=False),))}, "divider.1", "28 15/16", "22"),
        ({"inside": Bay((PinShelves(2, setbacks=(inches(6),)),))}, "shelf.1", "28 3/8", "17"),
    )  # fmt: skip
    def test_part(self, changes: dict[str, Any], role: str, length: str, width: str) -> None:
        assembly = built(**changes)
        part = assembly.part(role)
        self.assertEqual((part.length.length, part.width.length), (inches(length), inches(width)))
        self.assertEqual(check(assembly), [])
        for number in (part.length, part.width):
            self.assertEqual(number.total() if number.terms else number.length, number.length)

    def test_the_floor_is_flush_with_the_bottom_rail(self) -> None:
        """A 1 1/2 rail and 3/4 floor put the floor's underside 3/4 above the rail's lower edge (common practice)."""
        assembly = built(frame=FaceFrame())
        rail, bottom = assembly.part("frame.rail.bottom").box, assembly.part("bottom").box
        self.assertEqual(bottom.high[2], rail.high[2])
        self.assertEqual(Length(bottom.low[2] - rail.low[2]), inches("3/4"))

    def test_mid_stiles_and_rails_stand_before_partitions_and_shelves(self) -> None:
        inside = Rows((Columns((PINS, PINS), (None, None)), Bay()), (None, inches(6)), (ZERO,))
        for joint in (FaceFrame().joint, HalfLap(), Tenon()):
            assembly = built(frame=FaceFrame(joint=joint), inside=inside)
            self.assertEqual(check(assembly), [])
            stile, partition = assembly.part("frame.mid-stile.1.1").box, assembly.part("partition.1.1").box
            self.assertEqual(stile.low[0] + stile.high[0], partition.low[0] + partition.high[0])
            rail, shelf = assembly.part("frame.mid-rail.1").box, assembly.part("fixed.1").box
            self.assertEqual(rail.high[2], shelf.high[2])

    def test_pin_rows_are_level_across_bays_of_different_height(self) -> None:
        inside = Columns((Rows((PINS, PINS), (inches(13), None), (ZERO,)), PINS), (None, None))
        assembly = built(inside=inside, height=inches(60))
        heights = [
            {z for holes in assembly.part(role).holes for _, _, z in holes.centres}
            for role in ("side.left", "side.right")
        ]
        self.assertLess(len(heights[0]), len(heights[1]))
        self.assertLessEqual(heights[0], heights[1])

    def test_a_partition_is_notched_around_what_is_in_its_way(self) -> None:
        assembly = built(back=LaidOnBack(), inside=Columns((PINS, PINS), (None, None)))
        notches = [cut for cut in assembly.part("partition.1").cuts if cut.kind is CutKind.NOTCH]
        self.assertEqual([cut.name for cut in notches], ["around the hanging rail"])

    def test_slots_share_out_exactly(self) -> None:
        assembly = built(inside=Bay((Slots(5, upright=False),)))
        floor, ceiling = assembly.part("bottom").box.high[2], assembly.part("stretcher.front").box.low[2]
        edges = [floor]
        for i in range(5):
            edges += assembly.part(f"divider.{i + 1}").box.span(2)
        gaps = [b - a for a, b in zip(edges[::2], [*edges[1::2], ceiling], strict=True)]
        self.assertLessEqual(max(gaps) - min(gaps), 6)

    def test_a_sloping_shelf_reaches_over_the_depth(self) -> None:
        """Rise 3 in 4 makes a triangle 3, 4, 5 (plane geometry): h - t r / D over 8 in is 10 - 3/4 x 6 / 8 = 9 7/16."""
        shelves = SlopingShelves(1, inches(6), inches(15), ZERO)
        part = built(inside=Bay((shelves,))).part("slope.1")
        self.assertEqual(part.width.length, inches("9 7/16"))
        self.assertEqual(part.box.size[1], inches(8))

    def test_a_rod_and_what_is_bought(self) -> None:
        assembly = built(depth=inches(24), height=inches(84), inside=Bay((HangingRod(),)), top=FullTop())
        bought = dict(assembly.hardware)
        self.assertEqual(bought["hanging rod 28 3/8 in long"], 1)
        wide = built(width=inches(60), height=inches(84), inside=Bay((HangingRod(),)), top=FullTop())
        self.assertEqual(dict(wide.hardware)["rod supports"], 1)

    def test_packers_behind_the_frame(self) -> None:
        """Stile 1 1/2 less side 3/4: 3/4 a side; shelf = 28 1/2 - 2 x 3/4 - 2 x 1/2 (common practice)."""
        assembly = built(frame=FaceFrame(), inside=Bay((PullOut(1),)))
        self.assertEqual(assembly.part("pull-out.1").length.length, inches(26))
        packers = [part for part in assembly.parts if part.role.kind is PartKind.PACKER]
        self.assertEqual([part.width.length for part in packers], [inches("3/4")] * 2)

    def test_one_base_frame_under_two_cases_and_one_stile_over_two_sides(self) -> None:
        project = new_project()
        first = replace(project.cases[0], follows=False, width=inches(24), kick=BaseFrame())
        frame = FaceFrame(right=Stile(inches("1 1/2"), inches("3/4")))
        other = FaceFrame(left=Stile(inches("3/4"), neighbours=True))
        cases = (
            replace(first, frame=frame),
            replace(first, letter="B", kick=BaseFrame(carried=True), frame=other),
        )
        made = Made(replace(project, cases=cases))
        self.assertEqual(made.assembly("A").part("base.front").length.length, inches(48))
        self.assertNotIn("base.front", [part.role for part in made.assembly("B").parts])
        rail = made.assembly("B").part("frame.rail.top")
        self.assertEqual(rail.length.length, inches(24) - inches("3/4") - inches("1 1/2"))
        self.assertEqual([check(a) for a in made.assemblies], [[], []])
        codes = {snag.code for snag in snags(made)}
        self.assertFalse(codes & {"base.none", "base.height", "frame.shared", "frame.no-stile"})
        wrong = replace(
            cases[1],
            kick=BaseFrame(inches(5), carried=True),
            frame=replace(other, left=Stile(inches(1), neighbours=True)),
        )
        found = {snag.code: snag for snag in snags(Made(replace(project, cases=(cases[0], wrong))))}
        for code in ("base.height", "frame.shared"):
            fix = found[code].fix
            assert fix is not None
            assert fix.project is not None
            self.assertNotIn(code, [snag.code for snag in snags(Made(fix.project))])


class Shaped(unittest.TestCase):
    def test_a_scribed_side_keeps_its_rectangle_and_knows_its_outline(self) -> None:
        stations = (Station(ZERO, inches("1/8")), Station(inches(10), inches("3/8")))
        case = built(set_in=inches("1/2"), scribes=(Scribe("side.left", Face.BACK, stations),))
        side = case.part("side.left")
        self.assertEqual(side.width.length, inches(24))
        self.assertEqual(case.part("bottom").width.length, inches("22 1/2"))
        self.assertEqual(side.outline, (
            (ZERO, inches("23 7/8")), (inches(10), inches("23 5/8")), (inches("34 1/2"), inches("23 5/8")),
            (inches("34 1/2"), ZERO), (ZERO, ZERO)))  # fmt: skip
        with self.assertRaisesRegex(SizeImpossible, "Take less off"):
            built(scribes=(Scribe("side.left", Face.BACK, stations),))

    def test_an_arch_is_an_arc_of_a_circle(self) -> None:
        """Chord 8, rise 2: radius (16 + 4) / 4 = 5 (plane geometry)."""
        self.assertEqual(Arch("x", rise=inches(2)).radius(inches(8)), inches(5))
        shelf = built(extras=(Arch("shelf.1", "low", inches(2)),)).part("shelf.1")
        offs = [across for _, across in shelf.outline[:-2]]
        self.assertEqual(max(offs), inches(2))
        self.assertLess(offs[0].mm, 0.01)

    def test_holes_slots_and_notches(self) -> None:
        extras = (RoundHole("back"), FingerSlot("shelf.1"), CornerNotch("kick", "high", "low", inches(2), inches(1)))
        assembly = built(extras=extras)
        self.assertEqual(check(assembly), [])
        self.assertEqual([cut.kind for cut in assembly.part("shelf.1").cuts], [CutKind.WINDOW])
        self.assertEqual(assembly.part("back").holes[0].diameter, inches("1 1/2"))

    def test_lights_cords_and_their_switches(self) -> None:
        """A strip light under a full top, a lamp, a switch, a way for cords: cut, bored, bought, and wired before it is carried in."""
        extras = (
            LightGroove("top"), Lamp("bottom", "high"), Switch("side.right", inches(20), inches(5)), CordOutlet("back"),
            CordNotch("shelf.1", along=inches(8)),
        )  # fmt: skip
        assembly = built(top=FullTop(Dado(), inches(1)), extras=extras)
        self.assertEqual(check(assembly), [])
        self.assertEqual([f.fault for f in prove(assembly)], [])
        groove = next(cut for cut in assembly.part("top").cuts if cut.name == "for the light")
        low, high = groove.box.low, groove.box.high
        # 28 1/2 between the sides, 1/4 in each dado, less 1/2 at each end; 5/8 wide, 1 1/2 behind the front edge; into the underside.
        self.assertEqual((high[0] - low[0], high[1] - low[1]), (inches(28).ticks, inches("5/8").ticks))
        self.assertEqual((low[1] - assembly.part("top").box.low[1], groove.face), (inches("1 1/2").ticks, Face.BOTTOM))
        self.assertEqual({h.use for h in assembly.part("bottom").holes} - {Use.CLEARANCE}, {Use.LAMP, Use.THROUGH})
        names = " ".join(bought.name for bought in assembly.bought)
        for words in (
            "cord grommet 2 3/8",
            "strip light with its cover, 28",
            "lamp to let in",
            "switch for lights",
        ):
            self.assertIn(words, names)

    @rows(
        ({"extras": (RoundHole("side.left", inches(4), inches("1/2")),)}, "Move the hole"),
        ({"extras": (FingerSlot("bottom", inches(1), inches(2)),)}, "reaches beyond the part"),
        ({"extras": (CornerNotch("side.left", "high", "high", inches(6), inches(2)),)}, "meets the groove for the back"),
        ({"extras": (RoundHole("nothing"),)}, "no longer there"),
        ({"extras": (LightGroove("shelf.1", deep=inches("1/2")),)}, "At most half through"),
        ({"extras": (Lamp("bottom", along=inches(1)),)}, "Move it inwards"),
        ({"cutouts": (Cutout(z=inches(29)),)}, "hanging rail"),
        ({"cutouts": (Cutout(),), "back": NoBack()}, "no back"),
        ({"bottom": Bottom(Rabbet())}, "Take dadoes instead"),
        ({"bottom": Bottom(LaidOver())}, "the sides go on below it"),
        ({"top": FullTop(Dado())}, "above the top's dadoes"),
        ({"top": FullTop(Rabbet(), inches(1))}, "very end"),
        ({"top": TwoStretchers(front="none", back="none")}, "both stretchers"),
        ({"frame": FaceFrame(bottom_rail=inches("1/2"))}, "wider than the bottom is thick"),
        ({"frame": FaceFrame(left=Stile(inches(12)))}, "wider than any board"),
        ({"frame": FaceFrame(joint=Tenon(inches("1 1/2")))}, "Make the tenons shorter"),
        ({"inside": Bay((Slots(),))}, "full top or a fixed shelf"),
        ({"inside": Columns((PINS, PINS), (inches(10), inches(10)))}, "left over"),
        ({"inside": Columns((Rows((Bay(), Bay()), (inches(9), None), (ZERO,), Dado(inches("3/8"))),
                             Rows((Bay(), Bay()), (inches(9), None), (ZERO,), Dado(inches("3/8")))), (None, None))},
         "meet from both faces"),
        ({"inside": Bay((FalseBottom(), FalseBottom()))}, "stand where the"),
        ({"inside": Bay((SlopingShelves(1, inches(30)),))}, "45 degrees"),
        ({"inside": Bay((PullOut(1),)), "depth": inches(10)}, "shortest slides"),
        ({"back": LaidOnBack(), "set_in": inches(1)}, "lies on over their edges"),
    )  # fmt: skip
    def test_what_cannot_be_built_is_refused_in_words(self, changes: dict[str, Any], words: str) -> None:
        with self.assertRaises(SizeImpossible) as caught:
            built(**changes)
        self.assertIn(words, str(caught.exception))
        self.assertTrue(str(caught.exception).startswith("Case A, "))


class AnyMixture(unittest.TestCase):
    def test_every_kind_is_sound_in_both_units_and_bare_of_stops(self) -> None:
        for system in System:
            project = new_project(system)
            for kind in KINDS:
                case = replace(starting_case("A", kind, system), in_alcove=False)
                made = Made(replace(project, cases=(case,)))
                self.assertEqual([s.sentence for s in snags(made) if s.level == 0], [], kind)

    def test_dividing_and_taking_away_end_where_they_began(self) -> None:
        case = replace(Case("A", height=inches(80)), inside=PINS, top=NoTop())
        path, steps = "inside", []
        for rows_ in (False, False, True, False, True):
            steps.append(case)
            case, path = divided(case, path, rows_)
            case = fitted(case, path, PullOut(1))
            case = unfitted(case, path, 0)
            self.assertEqual(len(bays(case.inside)), len(steps) + 1)
            build(replace(case, width=inches(60)), RACK_ALL, UNITS)
        while case.inside != PINS:
            paths = bays(case.inside)
            case, _ = without(case, next(p for p in reversed(paths) if at(case, p) != PINS))
        self.assertEqual(case, steps[0])


RACK_ALL = replace(RACK, edgings=new_project().rack.edgings)
