# SPDX-License-Identifier: GPL-3.0-or-later
"""The parts list: counts, cut sizes, edges, and machining from the edges a person measures from."""

from __future__ import annotations

import unittest
from dataclasses import replace
from io import BytesIO

from pypdf import PdfReader

from ablebox.core.assembly.part import CutKind, Face, Hand
from ablebox.core.assembly.uses import Use
from ablebox.core.case.inside.layout import Bay
from ablebox.core.case.inside.shelves_on_pins import PinShelves
from ablebox.core.fronts.face import FaceFronts
from ablebox.core.fronts.making.slab import Slab
from ablebox.core.lengths import Length, inches, millimetres
from ablebox.core.paper.labels.labels import labels
from ablebox.core.parts.listing import Part
from ablebox.core.parts.machining import HoleRow
from ablebox.core.parts.register import given_out
from ablebox.core.parts.slots import Slot
from ablebox.core.parts.words import edges, lines
from ablebox.core.project.tree import DonePiece, Project, new_project
from ablebox.core.shop.made import Made
from ablebox.core.stock import Grain


def project(**changes: object) -> Project:
    """The standard project with measured stock, its case changed."""
    made = new_project()
    goods = tuple(
        replace(row, measured=inches({"case": "23/32", "back": "7/32", "doors": "23/32", "box": "15/32"}[row.code]))
        for row in made.rack.goods
    )
    made = replace(made, rack=replace(made.rack, goods=goods))
    return made.with_case(replace(made.cases[0], **changes))  # type: ignore[arg-type]


def by_name(made: Made) -> dict[str, Part]:
    return {part.name: part for part in made.parts}


class Listing(unittest.TestCase):
    def test_the_list_of_one_case(self) -> None:
        made = Made(project(inside=Bay((PinShelves(2),))))
        self.assertEqual([part.code for part in made.parts], [*(f"A-{i:02d}" for i in range(1, 12)), "j-01", "j-02"])
        parts = by_name(made)
        self.assertEqual(parts["shelf"].count, 2)
        self.assertEqual(parts["shelf"].pieces, ["A-09.1", "A-09.2"])
        self.assertEqual(sum(part.count for part in made.parts), 14)
        self.assertEqual((parts["side, left"].hand, parts["side, right"].hand), (Hand.LEFT, Hand.RIGHT))
        self.assertIs(parts["hanging rail"].grain, Grain.ANY)
        self.assertIs(parts["side, left"].grain, Grain.LENGTH)

    def test_thick_bands_are_taken_off_the_cut_size_and_thin_ones_are_not(self) -> None:
        thin = by_name(Made(project()))
        self.assertEqual(thin["door, left"].cut_length.length, thin["door, left"].length.length)
        case = project(edging="solid", fronts=FaceFronts(making=Slab("doors", "solid")))
        thick = by_name(Made(case))
        door = thick["door, left"]
        self.assertEqual(door.length.length - door.cut_length.length, inches("1/4"))
        self.assertEqual(door.width.length - door.cut_width.length, inches("1/4"))
        self.assertEqual(door.cut_width.total(), door.cut_width.length)
        # A side is banded at the front only: its width loses one band, its length none.
        side = thick["side, left"]
        self.assertEqual(side.cut_length.length, inches("34 1/2"))
        self.assertEqual(side.cut_width.length, inches("23 1/8"))
        self.assertEqual(thick["stretcher, back"].cut_width.length, inches("3 1/2"))

    def test_banding_stops_at_the_notch(self) -> None:
        side = by_name(Made(project()))["side, left"]
        self.assertEqual([(band.edge, band.run) for band in side.bands], [(Face.FRONT, inches("30 1/2"))])
        self.assertEqual(edges(by_name(Made(project()))["door, left"]), "all four · iron-on veneer")

    def test_goods_without_grain_let_every_part_turn(self) -> None:
        base = project()
        goods = tuple(replace(row, grained=False) for row in base.rack.goods)
        made = Made(replace(base, rack=replace(base.rack, goods=goods)))
        self.assertEqual({part.grain for part in made.parts}, {Grain.ANY})
        self.assertFalse(any(piece.fixed for problem in made.problems.values() for piece in problem.pieces))


class MachiningOfASide(unittest.TestCase):
    def setUp(self) -> None:
        self.parts = by_name(Made(project()))
        self.side = self.parts["side, left"]
        self.slots = {item.kind: item for item in self.side.machining if isinstance(item, Slot)}
        self.rows = [item for item in self.side.machining if isinstance(item, HoleRow)]

    def test_dado_from_the_bottom_edge(self) -> None:
        dado = self.slots[CutKind.DADO]
        self.assertEqual(
            (dado.along.edge, dado.along.start, dado.along.size), (Face.BOTTOM, inches(4), inches("23/32"))
        )
        self.assertEqual((dado.across.edge, dado.across.end), (Face.FRONT, inches("22 5/16")))
        self.assertEqual((dado.depth, dado.face), (inches("1/4"), Face.RIGHT))

    def test_groove_from_the_back_edge_by_the_rail(self) -> None:
        groove = self.slots[CutKind.GROOVE]
        self.assertEqual((groove.across.edge, groove.across.start), (Face.BACK, inches("23/32")))
        self.assertEqual(groove.across.size, inches("7/32"))

    def test_notch_at_its_corner(self) -> None:
        notch = self.slots[CutKind.NOTCH]
        self.assertTrue(notch.through)
        self.assertEqual((notch.along.edge, notch.along.size, notch.across.edge, notch.across.size),
                         (Face.BOTTOM, inches(4), Face.FRONT, inches(3)))  # fmt: skip

    def test_pin_rows_and_their_words(self) -> None:
        front, back = (row for row in self.rows if row.use is Use.PIN)
        self.assertEqual((front.across.edge, front.across.start, front.pitch), (Face.FRONT, inches(2), inches(1)))
        self.assertEqual((back.across.edge, back.across.start), (Face.BACK, inches(2) + inches("15/16")))
        self.assertEqual(front.at[0], inches(4) + inches("23/32") + inches(4))
        words = " ".join(lines([front], project().units))
        self.assertIn("2 from the front edge: first 8 23/32 from the bottom edge, every 1", words)

    def test_cups_from_the_hinge_edge_of_each_hand(self) -> None:
        for hand, edge in (("left", Face.LEFT), ("right", Face.RIGHT)):
            (cups,) = [row for row in self.parts[f"door, {hand}"].machining if row.use is Use.CUP]
            assert isinstance(cups, HoleRow)
            # Cup edge 5 mm in, radius 17.5 mm; outer hinges 100 mm from the ends (common practice).
            self.assertEqual((cups.across.edge, cups.across.start), (edge, millimetres("22.5")))
            door = self.parts[f"door, {hand}"].length.length
            self.assertEqual([cups.at[0], door - cups.at[-1]], [millimetres(100)] * 2)
            self.assertIn("35 mm", " ".join(lines([cups], project().units)))

    def test_plates_stand_where_the_cups_are(self) -> None:
        (plates,) = (row for row in self.rows if row.use is Use.PLATE)
        (cups,) = [row for row in self.parts["door, left"].machining if row.use is Use.CUP]
        assert isinstance(cups, HoleRow)
        door_foot = inches(4) + inches("1/16")
        pairs = list(zip(plates.at[::2], plates.at[1::2], strict=True))
        self.assertEqual([Length((a.ticks + b.ticks) // 2) - door_foot for a, b in pairs], list(cups.at))
        self.assertEqual(plates.across.start, millimetres(37))


class Codes(unittest.TestCase):
    """A code is given out once: what stays keeps it, what is new gets a new number."""

    def shelves(self, *setbacks: str, **facts: object) -> dict[str, str]:
        """Return the name of each shelf once two equal ones, both named, are set back as told."""
        before = project(inside=Bay((PinShelves(2),)))
        before = replace(before, register=Made(before).register, **facts)  # type: ignore[arg-type]
        shelves = PinShelves(2, setbacks=tuple(inches(each) for each in setbacks))
        after = Made(before.with_case(replace(before.cases[0], inside=Bay((shelves,)))))
        return {place: name for part in after.parts for place, name in zip(part.places, part.pieces, strict=True)
                if part.name == "shelf"}  # fmt: skip

    def test_of_equal_parts_that_differ_now_the_first_keeps_the_code_or_the_one_that_is_cut(self) -> None:
        first, second = "A/shelf.1", "A/shelf.2"
        self.assertEqual(self.shelves(), {first: "A-09.1", second: "A-09.2"})
        self.assertEqual(self.shelves("0", "4"), {first: "A-09", second: "A-12"})
        size = inches(20)
        cut = (DonePiece(second, "case", size, size),)
        self.assertEqual(self.shelves("0", "4", done=cut), {first: "A-12", second: "A-09"})

    def test_numbers_on_paper_are_not_given_out_again(self) -> None:
        self.assertEqual(self.shelves("0", "4", given={"A-12": 1, "A-13": 2})["A/shelf.2"], "A-14")

    def test_parts_say_when_their_label_is_new(self) -> None:
        before = project(inside=Bay((PinShelves(2),)))
        made = Made(before)
        printed = replace(before, register=made.register, given=given_out(made.parts, {}))
        self.assertFalse([part.code for part in Made(printed).parts if part.fresh])
        more = Made(printed.with_case(replace(printed.cases[0], inside=Bay((PinShelves(3),)))))
        (shelf,) = [part for part in more.parts if part.fresh]
        self.assertEqual(shelf.pieces, ["A-09.1", "A-09.2", "A-09.3"])
        sheets = len(PdfReader(BytesIO(labels(more, {}, only_new=True))).pages)
        text = PdfReader(BytesIO(labels(more, {}, only_new=True))).pages[0].extract_text()
        self.assertEqual((sheets, text.count("A-09.3"), text.count("A-09.1")), (1, 1, 0))
