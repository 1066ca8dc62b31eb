# SPDX-License-Identifier: GPL-3.0-or-later
"""Snags: each is found with its numbers, and its fix mends it."""

from __future__ import annotations

import unittest
from collections import Counter
from dataclasses import replace
from fractions import Fraction
from random import Random

from ablebox.core.assembly.proof import Fault, Finding
from ablebox.core.assembly.role import PartKind, Role
from ablebox.core.cabinet.design import Case
from ablebox.core.case.back_laid_on import LaidOnBack
from ablebox.core.case.back_rabbeted import RabbetedBack
from ablebox.core.case.base_frame import BaseFrame
from ablebox.core.case.bottom import Bottom
from ablebox.core.case.extra.cord_space import CordSpace
from ablebox.core.case.frame.face_frame import FaceFrame, Stile
from ablebox.core.case.inside.hanging_rod import HangingRod
from ablebox.core.case.inside.layout import Bay, Columns
from ablebox.core.case.inside.shelves_on_pins import PinShelves
from ablebox.core.case.joint.butt import Butt
from ablebox.core.case.joint.rabbet import Rabbet
from ablebox.core.case.top_full import FullTop
from ablebox.core.case.top_stretchers import TwoStretchers
from ablebox.core.errors import AbleBoxError
from ablebox.core.fronts.cell.door import Door
from ablebox.core.fronts.cell.drawer import Drawer
from ablebox.core.fronts.cell.flap import Flap
from ablebox.core.fronts.cell.pair import Pair
from ablebox.core.fronts.cell.racks import DoorRacks
from ablebox.core.fronts.face import FaceFronts, Line, Stack
from ablebox.core.fronts.fit.full_overlay import FullOverlay
from ablebox.core.fronts.fit.overlay import Overlay
from ablebox.core.fronts.none import NoFronts
from ablebox.core.lengths import Length, inches, millimetres
from ablebox.core.project.choices import choice
from ablebox.core.project.tree import DonePiece, HeldPiece, HeldSheet, Project, new_project
from ablebox.core.room.backing import HoldKind, Stud
from ablebox.core.room.obstacle import Deal, usual
from ablebox.core.room.reading import Method, Reading
from ablebox.core.run.space import RunSpace, SpaceKind
from ablebox.core.shop.made import Made
from ablebox.core.snags.every import CHECKS, snags
from ablebox.core.snags.snag import Level, Snag
from ablebox.core.stock import Edging, Sheet
from tests.designs import any_case, random_rack
from tests.many import many
from tests.rooms import random_room
from tests.tables import rows


def sound() -> Project:
    """Return a project without any snag."""
    project = new_project()
    goods = tuple(replace(row, measured=row.nominal - inches("1/32")) for row in project.rack.goods)
    return replace(project, rack=replace(project.rack, goods=goods))


def _width(project: Project, text: str) -> Project:
    return project.with_case(replace(project.cases[0], follows=False, width=inches(text)))


def _racked(racks: DoorRacks, width: Length | None = None):  # type: ignore[no-untyped-def]
    """Return what puts racks on a case's doors; on one door that turns about its left edge where a width is given."""

    def change(project: Project) -> Project:
        case = project.cases[0]
        assert isinstance(case.fronts, FaceFronts)
        face = Pair(racks=racks) if width is None else Door(racks=racks)
        case = replace(case, in_alcove=False, fronts=replace(case.fronts, face=face))
        return project.with_case(case if width is None else replace(case, follows=False, width=width))

    return change


def _in_a_vehicle(project: Project) -> Project:
    return project.with_wall(1, replace(project.wall(1), studs=(Stud(inches(8), HoldKind.RIB),)))


def _drawers(case: Case) -> Case:
    assert isinstance(case.fronts, FaceFronts)
    return replace(case, fronts=replace(case.fronts, face=Drawer()), inside=Bay())


def _shelved(case: Case) -> Case:
    return replace(case, fronts=NoFronts(), inside=Bay((PinShelves(1),)))


def _cords(change):  # type: ignore[no-untyped-def]
    """Return what keeps a space for cords before the back of a case that is changed, 3 deep, over most of its height."""
    space = CordSpace("back", along=inches(15), across=inches(8), long=inches(28), deep=inches(3))
    return lambda project: project.with_case(
        replace(change(project.cases[0]), follows=False, in_alcove=False, extras=(space,))
    )


def _long_rod(project: Project) -> Project:
    return _with(project, width=inches(60), follows=False, in_alcove=False, top=TwoStretchers(), fronts=NoFronts(), inside=Bay((HangingRod(),)))  # fmt: skip


def _flap_below(project: Project) -> Project:
    """A flap that opens up under doors, with no shelf behind the line between them."""
    case = project.cases[0]
    assert isinstance(case.fronts, FaceFronts)
    face = Stack((Pair(), Flap()), (None, None))
    return _with(project, fronts=replace(case.fronts, face=face))


def _put(key: str, text: str):  # type: ignore[no-untyped-def]
    def change(project: Project) -> Project:
        found = choice(project, key)
        assert found is not None
        return found.put(inches(text))

    return change


def _mouth(project: Project) -> Project:
    return project.with_wall(1, replace(project.wall(1), mouth=Reading("mouth", inches(25))))


def _short_reading(project: Project) -> Project:
    widths = list(project.wall(1).widths)
    widths[1] = replace(widths[1], read=inches("24 1/4"))
    return project.with_wall(1, replace(project.wall(1), widths=tuple(widths)))


def _no_readings(project: Project) -> Project:
    return project.with_wall(1, replace(project.wall(1), widths=()))


def _one_reading(project: Project) -> Project:
    return project.with_wall(1, replace(project.wall(1), widths=project.wall(1).widths[:1]))


def _stock(project: Project, **changes: object) -> Project:
    goods = (replace(project.rack.goods[0], **changes), *project.rack.goods[1:])  # type: ignore[arg-type]
    return replace(project, rack=replace(project.rack, goods=goods))


def _small_sheets(project: Project) -> Project:
    return _stock(project, sheets=(Sheet(inches(30), inches(30)),))


def _few_sheets(project: Project) -> Project:
    return _stock(project, sheets=(Sheet(inches(48), inches(40), 1),))


def _with(project: Project, **changes: object) -> Project:
    return project.with_case(replace(project.cases[0], **changes))  # type: ignore[arg-type]


def _short_boards(project: Project) -> Project:
    (boards,) = project.rack.boards
    short = replace(boards, measured=boards.nominal, boards=(replace(boards.boards[0], length=inches(20)),))
    return _with(replace(project, rack=replace(project.rack, boards=(short,))), frame=FaceFrame())


def _shared_stile(project: Project) -> Project:
    other = replace(project.cases[0], letter="B", follows=False, in_alcove=False)
    frame = FaceFrame(right=Stile(inches(1), neighbours=True))
    return replace(project, cases=(replace(project.cases[0], frame=frame), other))


def _thick_band(project: Project) -> Project:
    band = Edging("thick", "a log", inches(30), True)
    return _with(replace(project, rack=replace(project.rack, edgings=(*project.rack.edgings, band))), edging="thick")


def _gone_piece() -> DonePiece:
    return DonePiece("A/shelf.9", "case", inches(20), inches(10))


def _held_gone(project: Project) -> Project:
    piece = HeldPiece("A/shelf.9", inches(1), inches(1), inches(20), inches(10))
    return replace(project, held=(HeldSheet("case", inches(96), inches(48), False, (piece,)),))


def _thin_rabbets(project: Project) -> Project:
    thin = _stock(project, nominal=inches("1/2"), measured=inches("15/32"))
    rabbets = {"top": FullTop(Rabbet(inches("3/16"))), "back": RabbetedBack(rabbet=inches("3/16"))}
    return _with(thin, **rabbets, bottom=Bottom(Butt()))


def _uneven_reveals(project: Project) -> Project:
    first = replace(project.cases[0], follows=False, width=inches(12))
    fronts = replace(first.fronts, fit=FullOverlay(reveal=inches("1/8")))  # type: ignore[type-var]
    return replace(project, cases=(first, replace(first, letter="B", fronts=fronts)))


def _obstacle(project: Project, kind: str, deal: Deal, **sizes: object) -> Project:
    there = replace(usual(kind, inches(8)), deal=deal, low=inches(9), **sizes)  # type: ignore[arg-type]
    return project.with_wall(1, replace(project.wall(1), obstacles=(there,)))


def _uneven_frame(project: Project) -> Project:
    """A frame divided in the middle before a partition 10 in from the left side."""
    inside = Columns((Bay(), Bay()), (inches(10), None))
    fronts = FaceFronts(Overlay(), face=Line((Door("left"), Door("right")), (None, None)))
    return _with(project, frame=FaceFrame(), inside=inside, fronts=fronts)


def _deep_stove(project: Project) -> Project:
    stove = RunSpace(1, "", SpaceKind.APPLIANCE, "stove", inches(10), inches(36), inches(30), behind=inches(1))
    return replace(_width(project, "12"), spaces=(stove,))


def _deep_pipe(project: Project) -> Project:
    return _obstacle(_with(project, fronts=FaceFronts(face=Drawer()), inside=Bay()), "pipe", Deal.CUT, out=inches(8))


class EachSnag(unittest.TestCase):
    def test_a_sound_project_has_none(self) -> None:
        self.assertEqual(snags(Made(sound())), [])

    @rows(
        (lambda p: _width(p, "28"), "fit.width", Level.STOP, "28 wide in an alcove of 27 1/4", True),
        (lambda p: _width(p, "27"), "fit.spare", Level.WARN, "only 1/4 to spare", True),
        (_mouth, "fit.mouth", Level.STOP, "the mouth is 25", True),
        (_put("saw/opens", "20"), "saw.fence", Level.NOTE, "wider than the fence opens, 20", False),
        (_put("saw/smallest", "28"), "saw.small", Level.WARN, "too small to be held at the saw", False),
        (_put("A/height", "97"), "fit.ceiling", Level.STOP, "97 high under a ceiling of 96", True),
        (_put("A/height", "95"), "fit.tip-up", Level.STOP, "cannot be tipped up", True),
        (_put("A/bottom.joint.depth", "3/8"), "joint.too-deep", Level.STOP, "dado 3/8 deep", True),
        (_put("A/back.groove", "1/2"), "joint.too-deep", Level.STOP, "groove 1/2 deep", True),
        (_put("A/back.rail", "2"), "joint.narrow-rail", Level.WARN, "hanging rail 2 wide", True),
        (_put("A/kick.height", "6"), "kick.unusual", Level.NOTE, "toe kick is 6 high", False),
        (lambda p: _width(_no_readings(p), "60"), "shelf.sag", Level.WARN, "spans 58 7/16 sags", False),
        (lambda p: _width(_no_readings(p), "60"), "door.wide", Level.WARN, "29 7/8 wide", True),
        (
            lambda p: _width(_no_readings(p), "122"),
            "case.wide",
            Level.STOP,
            "122 wide, and the longest sheet gives 95 3/4",
            True,
        ),
        (
            _racked(DoorRacks(3)),
            "proof.clash",
            Level.STOP,
            "the rack on the left door would stand where the shelf is",
            True,
        ),
        (
            _racked(DoorRacks(2, side=inches(1)), inches(15)),
            "proof.swing",
            Level.STOP,
            "meets the right side as the door opens",
            True,
        ),
        (
            _racked(DoorRacks(2, side=inches(1)), inches(15)),
            "proof.rack",
            Level.STOP,
            "stand where a hinge is",
            True,
        ),
        (_long_rod, "rod.support", Level.WARN, "for a support to hang from", True),
        (_flap_below, "hang.fastener", Level.STOP, "its hinges and supports could be screwed to", True),
        (_in_a_vehicle, "vehicle.latch", Level.WARN, "nothing keeps its pair of doors shut while it is driven", True),
        (_cords(_drawers), "cords.space", Level.WARN, "of the 3 that are kept free for cords at the back", True),
        (_cords(_shelved), "cords.space", Level.WARN, "the shelf takes", True),
        (_put("A/fronts.hinge.depth", "21/32"), "proof.cup", Level.STOP, "cups leave 1/16", True),
        (lambda p: _with(p, back=LaidOnBack(upper_rail=False)), "joint.no-rail", Level.WARN, "nothing to screw", True),
        (_short_boards, "stock.short-board", Level.STOP, "the longest board", False),
        (lambda p: _with(p, kick=BaseFrame(carried=True)), "base.none", Level.STOP, "there is none", True),
        (lambda p: _shared_stile(p), "frame.no-stile", Level.STOP, "none is there", False),
        (_short_reading, "room.tape-body", Level.WARN, "was the body in the corner?", True),
        (_one_reading, "room.one-reading", Level.NOTE, "one place only", False),
        (_no_readings, "room.no-reading", Level.WARN, "no width yet", False),
        (lambda p: _stock(p, measured=None), "stock.not-measured", Level.NOTE, "reckoned at 3/4", False),
        (_small_sheets, "stock.too-large", Level.STOP, "A-01 (side, left, 34 1/2 × 23 1/4)", False),
        (_few_sheets, "stock.short", Level.STOP, "not enough birch ply 3/4", False),
        (lambda p: _stock(p, stuff="moonstone"), "stock.unknown", Level.WARN, "made of “moonstone”", False),
        (lambda p: _with(p, load="gold"), "load.unknown", Level.WARN, "carries “gold”", True),
        (_thick_band, "edging.thick", Level.STOP, "its bands take 30 of it off", False),
        (lambda p: replace(p, done=(_gone_piece(),)), "cut.not-needed", Level.NOTE, "nothing needs it any more", True),
        (_held_gone, "held.gone", Level.NOTE, "do not fit there any more", True),
        (_put("A/fronts.hinge.edge", "1/16"), "hinge.edge", Level.WARN, "1/16", False),
        (_thin_rabbets, "joint.thin-rabbets", Level.WARN, "is 15/32 thick and rabbeted along", False),
        (_uneven_reveals, "reveal.gap", Level.NOTE, "3/16 apart and elsewhere 1/8", True),
        (lambda p: _obstacle(p, "window", Deal.CLEAR), "room.clear", Level.STOP, "stands before the window", False),
        (_deep_pipe, "room.meets", Level.STOP, "the pipe stands 8 out of the wall and meets the drawer", False),
        (
            lambda p: _obstacle(_with(p, kick=BaseFrame()), "baseboard", Deal.NOTCH),
            "room.notch",
            Level.NOTE,
            "out of the wall",
            True,
        ),
        (
            lambda p: replace(p, rack=replace(p.rack, saw=replace(p.rack.saw, longest=inches(60)))),
            "saw.long",
            Level.NOTE,
            "longer than the longest rip",
            False,
        ),
        (_uneven_frame, "frame.beside", Level.WARN, "the partition behind it shows", False),
        (_deep_stove, "room.stands-out", Level.NOTE, "30 deep and 1 of air behind it stands 7 3/4 before", False),
    )
    def test_it_is_found_and_its_fix_mends_it(self, change, code, level, words, fixed) -> None:  # type: ignore[no-untyped-def]
        found = [snag for snag in snags(Made(change(sound()))) if snag.code == code]
        self.assertTrue(found, f"{code} is not found")
        snag: Snag = next(snag for snag in found if words in snag.sentence)
        self.assertIs(snag.level, level)
        if not fixed:
            self.assertTrue(snag.fix is None or snag.fix.project is None)
            return
        assert snag.fix is not None
        assert snag.fix.project is not None
        after = [s for s in snags(Made(snag.fix.project)) if s.code == code and s.key == snag.key]
        self.assertEqual(after, [], snag.fix.title)

    def test_the_worst_comes_first_and_every_sentence_is_one(self) -> None:
        found = snags(Made(_put("A/bottom.joint.depth", "3/8")(_mouth(new_project()))))
        self.assertEqual([snag.level for snag in found], sorted(snag.level for snag in found))
        for snag in found:
            self.assertTrue(snag.sentence.endswith((".", "?")), snag.sentence)
            self.assertNotIn("!", snag.sentence)
            self.assertTrue(
                not snag.key or snag.key in Made(_mouth(new_project())).numbers or choice(new_project(), snag.key)
            )

    def test_whatever_the_proof_finds_is_told_in_a_sentence_that_stops_the_case(self) -> None:
        """Proof and building agree, so what is found is put there: each kind, with and without numbers."""
        made = Made(sound())
        screw, fitting = made.assembly("A").fasteners[0], made.assembly("A").fittings[0]
        roles = (Role(PartKind.BOTTOM), Role(PartKind.TOP))
        for fault in Fault:
            made._built[0].findings = [Finding(fault, roles, 1.0, 3.0, screw, fitting)]
            (snag,) = [snag for snag in snags(made) if snag.code == f"proof.{fault.value}"]
            self.assertIs(snag.level, Level.STOP)
            self.assertRegex(snag.sentence, r"^A: [a-z].*\.$")

    def test_a_back_of_half_an_inch_is_something_to_fasten_through(self) -> None:
        """Thin backs carry no case; from 1/2 in stock on the back does, laid on or in rabbets (common practice)."""
        for back in (LaidOnBack, RabbetedBack):
            for goods, told in (("back", True), ("box", False)):
                made = Made(_with(sound(), back=back(goods=goods, upper_rail=False)))
                self.assertEqual("joint.no-rail" in {snag.code for snag in snags(made)}, told)

    def test_checks_are_listed_once(self) -> None:
        self.assertEqual(len(CHECKS), len(set(CHECKS)))


class TippingUp(unittest.TestCase):
    """The trade's own example: 94 x 13 1/2 needs 94.96 and clears 96 1/4; 96 x 13 1/2 needs 96.94 and does not (common practice)."""

    @rows(("94", False, ""), ("96", True, "96 15/16"), ("95 5/16", True, ""), ("95 9/32", False, ""))
    def test_worked_example(self, height: str, stops: bool, needs: str) -> None:
        project = sound()
        wall = replace(project.wall(1), ceiling=Reading("ceiling", inches("96 1/4"), Method.METER))
        case = replace(project.cases[0], height=inches(height), depth=inches("13 1/2"),
                       inside=Bay((PinShelves(inset=inches("1 15/16")),)))  # fmt: skip
        found = [s for s in snags(Made(replace(project.with_wall(1, wall), cases=(case,)))) if s.code == "fit.tip-up"]
        self.assertEqual(bool(found), stops)
        if needs:
            self.assertIn(needs, found[0].sentence)

    def test_a_hair_decides(self) -> None:
        """h^2 + d^2 against the ceiling in exact whole numbers: 3-4-5 just passes, one tick more does not."""
        project = sound()
        wall = replace(project.wall(1), ceiling=Reading("ceiling", millimetres(1000)))
        case = replace(project.cases[0], height=millimetres(800), depth=millimetres(600))
        fits = replace(project.with_wall(1, wall), cases=(case,))
        self.assertNotIn("fit.tip-up", [s.code for s in snags(Made(fits))])
        hair = replace(case, height=millimetres("800.0000625"))
        self.assertIn("fit.tip-up", [s.code for s in snags(Made(replace(fits, cases=(hair,))))])


class Cords(unittest.TestCase):
    def test_spaces_for_cords_are_told_where_something_stands_in_them(self) -> None:
        """Random spaces against random parts; what stands in them is reckoned apart, in exact millimetres from the parts' own sizes."""
        told = free = 0
        for seed in range(many(60)):
            rng = Random(seed)
            try:
                case = replace(any_case(rng), in_alcove=False, follows=False)
                made = Made(replace(new_project(), rack=random_rack(rng), cases=(case,)))
                assembly = made.assembly("A")
                part = rng.choice([each for each in assembly.parts if not each.tilt and not each.footprint])
                sizes = part.length.length.mm, part.width.length.mm
                long, wide = (rng.uniform(10, size - 5) for size in sizes)
                along, across = (
                    rng.uniform(a / 2 + 1, b - a / 2 - 1) for a, b in zip((long, wide), sizes, strict=True)
                )
                extra = CordSpace(
                    str(part.role), rng.choice(["low", "high"]), *(millimetres(round(each)) for each in (along, across, long, wide)),
                    millimetres(rng.randint(5, 120)),
                )  # fmt: skip
                made = Made(made.project.with_case(replace(case, extras=(extra,))))
                assembly = made.assembly("A")
            except (AbleBoxError, ValueError, IndexError):
                continue
            if made.unbuilt:
                continue
            low, high = [Fraction(0)] * 3, [Fraction(0)] * 3
            for axis, middle, size in zip(
                part.axes, (extra.along, extra.across), (extra.long, extra.wide), strict=False
            ):
                low[axis] = Fraction(part.corner[axis].ticks + middle.ticks - size.ticks // 2, 16000)
                high[axis] = low[axis] + Fraction(size.ticks, 16000)
            flat, deep, thick = (
                part.axes[2],
                Fraction(extra.deep.ticks, 16000),
                Fraction(part.thickness.length.ticks, 16000),
            )
            face = Fraction(part.corner[flat].ticks, 16000) + (thick if extra.into == "high" else 0)
            low[flat], high[flat] = (face, face + deep) if extra.into == "high" else (face - deep, face)
            within = [
                each for each in assembly.parts
                if each.role.whole != part.role.whole
                and all(Fraction(each.box.low[i], 16000) < high[i] and low[i] < Fraction(each.box.high[i], 16000) for i in range(3))
            ]  # fmt: skip
            found = [snag for snag in snags(made) if snag.code == "cords.space"]
            self.assertEqual(bool(found), bool(within), (seed, extra))
            told, free = told + bool(found), free + (not found)
        self.assertGreater(min(told, free), 4)


class Offers(unittest.TestCase):
    def test_what_is_offered_is_never_refused_and_leads_out(self) -> None:
        """Rooms, runs and designs at random, each offer taken: it can be built, and less of its kind is told of its case."""
        taken: Counter[str] = Counter()
        for seed in range(many(8)):
            for about in (random_room, _random_design):
                try:
                    made = Made(about(Random(seed)))
                except (AbleBoxError, ValueError):
                    continue
                told = snags(made)
                for snag in told:
                    if snag.fix is None or snag.fix.project is None:
                        continue
                    after = snags(Made(snag.fix.project))
                    counts = [sum((s.code, s.case) == (snag.code, snag.case) for s in each) for each in (told, after)]
                    self.assertLess(counts[1], counts[0], (seed, snag.sentence, snag.fix.title))
                    taken[snag.code] += 1
        self.assertGreater(len(taken), 8)


def _random_design(rng: Random) -> Project:
    return replace(new_project(), cases=(any_case(rng),), rack=random_rack(rng))
