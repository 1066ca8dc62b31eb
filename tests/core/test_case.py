# SPDX-License-Identifier: GPL-3.0-or-later
"""One case: worked by hand, proven in space over thousands of random designs, refused where it cannot be."""

from __future__ import annotations

import unittest
from collections.abc import Callable
from dataclasses import replace
from random import Random

from ablebox.core.assembly.check import check
from ablebox.core.assembly.part import Assembly, Cut, CutKind, Face
from ablebox.core.assembly.solid import Box, volume_left
from ablebox.core.cabinet.build import build
from ablebox.core.cabinet.design import Case
from ablebox.core.case.bottom import Bottom
from ablebox.core.case.inside.layout import Bay
from ablebox.core.case.inside.shelves_on_pins import PinShelves
from ablebox.core.case.joint.dado import Dado
from ablebox.core.errors import SizeImpossible
from ablebox.core.fronts.face import FaceFronts
from ablebox.core.fronts.fit.full_overlay import FullOverlay
from ablebox.core.fronts.hinges import CupHinge
from ablebox.core.fronts.making.slab import Slab
from ablebox.core.lengths import ZERO, Length, inches, millimetres
from ablebox.core.stock import Edging, Rack, Saw, SheetGoods
from ablebox.core.units import Units
from tests.designs import random_case, random_rack
from tests.many import many
from tests.tables import rows

RACK = Rack(
    (
        SheetGoods("case", "3/4 ply", inches("3/4"), inches("23/32")),
        SheetGoods("back", "1/4 ply", inches("1/4"), inches("7/32")),
        SheetGoods("doors", "3/4 mdf", inches("3/4")),
    ),
    (Edging("veneer", "veneer", millimetres("0.5"), False), Edging("solid", "strip", inches("1/8"), True)),
    Saw(inches("1/8"), inches("1/4")),
)
UNITS = Units()


def built(**changes: object) -> Assembly:
    return build(replace(Case("A", width=inches("26 3/4")), **changes), RACK, UNITS)  # type: ignore[arg-type]


class WorkedByHand(unittest.TestCase):
    """A case 26 3/4 x 34 1/2 x 23 1/4 in an alcove of 27 1/4, worked on paper (common practice).

    t = 23/32, back 7/32, kick 4 x 3, dado and groove 1/4, play of the back 1/16, shelf play 1/8
    and setback 1/4, reveals 1/16, gap 1/8.
    """

    @rows(
        ("side.left", "34 1/2", "23 1/4"),
        ("side.right", "34 1/2", "23 1/4"),
        ("kick", "25 5/16", "4"),  # 26 3/4 - 2 x 23/32
        ("bottom", "25 13/16", "22 5/16"),  # inside + 2 x 1/4; 23 1/4 - 23/32 - 7/32
        ("stretcher.front", "25 5/16", "3 1/2"),
        ("stretcher.back", "25 5/16", "3 1/2"),
        ("back", "30 1/2", "25 3/4"),  # 34 1/2 - 4; inside + 1/2 - 1/16
        ("rail", "25 5/16", "3 1/2"),
        ("shelf.1", "25 3/16", "22 1/16"),  # inside - 1/8; clear - 1/4
        ("door.left", "30 3/8", "13 1/4"),  # 30 1/2 - 2 x 1/16; (26 3/4 - 1/8 - 1/8) / 2
        ("door.right", "30 3/8", "13 1/4"),
    )
    def test_part(self, role: str, length: str, width: str) -> None:
        part = built().part(role)
        self.assertEqual((part.length.length, part.width.length), (inches(length), inches(width)))
        self.assertEqual(part.length.total(), part.length.length)

    def test_where_things_stand(self) -> None:
        case = built()
        self.assertEqual(case.part("kick").corner, (inches("23/32"), inches(3), ZERO))
        self.assertEqual(case.part("bottom").corner, (inches("15/32"), ZERO, inches(4)))
        self.assertEqual(case.part("rail").corner, (inches("23/32"), inches("22 17/32"), inches(31)))
        self.assertEqual(case.part("back").corner[1], inches("22 5/16"))
        self.assertEqual(case.part("door.right").reach(0)[1], inches("26 11/16"))
        self.assertEqual(case.part("door.left").reach(1), (-inches("3/4"), ZERO))

    def test_metric_with_18_mm(self) -> None:
        """600 x 870 x 580 of 18 mm: inside 564, bottom 576 in 6 mm dadoes, doors (600 - 3 - 3) / 2 (common practice)."""
        rack = Rack(
            (SheetGoods("case", "ply", millimetres(18)), SheetGoods("back", "ply", millimetres(6)),
             SheetGoods("doors", "board", millimetres(19))), (), Saw(ZERO, ZERO))  # fmt: skip
        case = Case("A", width=millimetres(600), height=millimetres(870), depth=millimetres(580), edging="")
        case = replace(case, bottom=Bottom(Dado(millimetres(6))),
                       fronts=FaceFronts(FullOverlay(millimetres("1.5"), gap=millimetres(3)), Slab("doors", "")))  # fmt: skip
        assembly = build(case, rack, UNITS)
        self.assertEqual(assembly.part("kick").length.length, millimetres(564))
        self.assertEqual(assembly.part("bottom").length.length, millimetres(576))
        self.assertEqual(assembly.part("bottom").width.length, millimetres(556))
        self.assertEqual(assembly.part("door.left").width.length, millimetres(297))

    def test_a_measured_inside_moves_what_comes_after_and_still_goes_together(self) -> None:
        measured = {"A/inside.width": inches("25 3/8")}
        case = build(Case("A", width=inches("26 3/4")), RACK, UNITS, measured)
        self.assertEqual(case.part("shelf.1").length.length, inches("25 1/4"))
        self.assertEqual(case.outside[0].length, inches("26 13/16"))
        self.assertEqual(check(case), [])


class InSpace(unittest.TestCase):
    def test_random_designs_go_together(self) -> None:
        good = 0
        for seed in range(many(400)):
            rng = Random(seed)
            case, rack = random_case(rng), random_rack(rng)
            try:
                assembly = build(case, rack, UNITS)
            except SizeImpossible:
                continue
            good += 1
            self.assertEqual(check(assembly), [], f"seed {seed}")
            if seed % 10 == 0:
                for number in (*assembly.sums, *(p.length for p in assembly.parts), *(p.width for p in assembly.parts)):
                    if number.terms:
                        self.assertEqual(number.total(), number.length, f"seed {seed}: {number.label}")
        self.assertGreater(good, many(360))

    def test_doors_and_gaps_fill_the_face(self) -> None:
        for seed in range(80):
            rng = Random(seed)
            case = random_case(rng)
            assembly = build(case, random_rack(rng), UNITS)
            left, right = assembly.part("door.left").box, assembly.part("door.right").box
            gap = right.low[0] - left.high[0]
            self.assertIn(gap - case.fronts.fit.gap.ticks, (0, 1), f"seed {seed}")
            self.assertEqual(left.low[0], case.fronts.fit.reveal.ticks)
            self.assertEqual(assembly.outside[0].length.ticks - right.high[0], case.fronts.fit.reveal.ticks)
            self.assertEqual(left.size, right.size)

    def test_sides_are_mirror_images(self) -> None:
        for seed in range(36):
            rng = Random(seed)
            assembly = build(random_case(rng), random_rack(rng), UNITS)
            width = assembly.outside[0].length.ticks
            left, right = assembly.part("side.left"), assembly.part("side.right")
            mirrored = [(width - cut.box.high[0], width - cut.box.low[0]) for cut in left.cuts]
            self.assertEqual(mirrored, [cut.box.span(0) for cut in right.cuts])
            bored = [[[c[1:] for c in h.centres] for h in side.holes] for side in (left, right)]
            self.assertEqual(*bored)
            self.assertEqual({cut.face for cut in left.cuts if cut.holds_a_part}, {Face.RIGHT})
            self.assertEqual({cut.face for cut in right.cuts if cut.holds_a_part}, {Face.LEFT})


def _moved(assembly: Assembly, role: str, axis: int, by: int) -> Assembly:
    parts = []
    for part in assembly.parts:
        if part.role == role:
            corner = list(part.corner)
            corner[axis] = corner[axis] + Length(by)
            part = replace(part, corner=(corner[0], corner[1], corner[2]))
        parts.append(part)
    return replace(assembly, parts=tuple(parts))


def _recut(assembly: Assembly, role: str, kind: CutKind, change: Callable[[Cut], Cut]) -> Assembly:
    parts = tuple(
        replace(p, cuts=tuple(change(c) if c.kind is kind else c for c in p.cuts)) if p.role == role else p
        for p in assembly.parts
    )
    return replace(assembly, parts=parts)


class TheCheckerItself(unittest.TestCase):
    """A case that is wrong by a single tick, in each way there is, first and last part included."""

    @rows(
        ("side.left", 0, -1, "outside"),
        ("side.left", 0, 1, "overlap"),
        ("door.right", 1, 1, "overlap"),
        ("bottom", 2, 1, "loose"),
        ("bottom", 2, -1, "overlap"),
        ("bottom", 1, 1, "loose"),
        ("back", 0, 100_000, "overlap"),
        ("rail", 1, 1, "outside"),
        ("rail", 1, -1, "overlap"),
        ("kick", 0, -1, "overlap"),
        ("stretcher.front", 2, 1, "outside"),
        ("shelf.1", 0, 10**6, "overlap"),
    )
    def test_a_part_out_of_place_is_found(self, role: str, axis: int, by: int, code: str) -> None:
        codes = {flaw.code for flaw in check(_moved(built(), role, axis, by))}
        self.assertIn(code, codes)

    def test_a_missing_part_leaves_its_groove_empty(self) -> None:
        case = built()
        for role in ("bottom", "back"):
            without = replace(case, parts=tuple(p for p in case.parts if p.role != role))
            self.assertEqual({flaw.code for flaw in check(without)}, {"empty"})

    def test_a_missing_or_shallow_cut_is_an_overlap(self) -> None:
        case = built()
        for role in ("side.left", "side.right"):
            bare = replace(case, parts=tuple(replace(p, cuts=()) if p.role == role else p for p in case.parts))
            self.assertIn("overlap", {flaw.code for flaw in check(bare)})

    def test_a_groove_too_deep_or_outside_is_found(self) -> None:
        def deeper(cut: Cut) -> Cut:
            return replace(cut, box=Box((cut.box.low[0] - 1, *cut.box.low[1:]), cut.box.high))

        def outside(cut: Cut) -> Cut:
            return replace(cut, box=Box(cut.box.low, (cut.box.high[0] + 1, *cut.box.high[1:])))

        self.assertEqual({f.code for f in check(_recut(built(), "side.left", CutKind.DADO, deeper))}, {"loose"})
        self.assertIn("stray", {f.code for f in check(_recut(built(), "side.left", CutKind.DADO, outside))})

    def test_another_outside_size_is_found(self) -> None:
        case = built()
        width, height, depth = case.outside
        wider = replace(case, outside=(replace(width, length=width.length + Length(1)), height, depth))
        self.assertEqual({flaw.code for flaw in check(wider)}, {"outside"})

    def test_what_is_left_of_a_space_agrees_with_counting_cells(self) -> None:
        for seed in range(44):
            rng = Random(seed)

            def box(rng: Random = rng) -> Box:
                low = [rng.randint(0, 4) for _ in range(3)]
                return Box((low[0], low[1], low[2]), tuple(c + rng.randint(1, 4) for c in low))  # type: ignore[arg-type]

            space, taken = box(), [box() for _ in range(rng.randint(0, 4))]
            cells = sum(
                not any(all(t.low[a] <= p[a] < t.high[a] for a in range(3)) for t in taken)
                for p in ((x, y, z) for x in range(9) for y in range(9) for z in range(9))
                if all(space.low[a] <= p[a] < space.high[a] for a in range(3))
            )
            self.assertEqual(volume_left(space, taken), cells, f"seed {seed}")


class Refused(unittest.TestCase):
    @rows(
        ({"width": inches(1)}, "inside width"),
        ({"depth": inches("1/2")}, "clear depth"),
        ({"height": inches(5)}, ""),
        ({"kick": replace(Case("A").kick, depth=inches(22))}, "behind the toe kick"),
        ({"kick": replace(Case("A").kick, height=inches(34))}, ""),
        ({"bottom": Bottom(Dado(inches("23/32")))}, "under the dado"),
        ({"back": replace(Case("A").back, groove=inches(1))}, "back's groove"),
        ({"back": replace(Case("A").back, play=inches("1/2"))}, "holds of the back"),
        ({"back": replace(Case("A").back, rail=inches(31))}, "hanging rail"),
        ({"top": replace(Case("A").top, width=inches(12))}, "between the stretchers"),
        ({"inside": Bay((PinShelves(hole_depth=inches(1)),))}, "behind the pin holes"),
        ({"inside": Bay((PinShelves(margin=inches(20)),))}, "shelf pins"),
        ({"inside": Bay((PinShelves(inset=inches(12)),))}, "rows of pin holes"),
        ({"fronts": FaceFronts(FullOverlay(gap=inches(25)))}, "both doors"),
        ({"fronts": FaceFronts(FullOverlay(reveal_top=inches(24)))}, "door height"),
        ({"fronts": FaceFronts(hinge=CupHinge(depth=inches(1)))}, "hinge cups"),
    )
    def test_a_size_that_leaves_no_part(self, changes: dict[str, object], what: str) -> None:
        with self.assertRaises(SizeImpossible) as caught:
            built(**changes)
        self.assertIn("Case A, ", str(caught.exception))
        self.assertIn(what, str(caught.exception))

    def test_stock_that_is_not_there(self) -> None:
        with self.assertRaises(KeyError):
            built(goods="nothing")
