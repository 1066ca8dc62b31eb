# SPDX-License-Identifier: GPL-3.0-or-later
"""The alcove: how readings become widths, which governs, and widths that follow."""

from __future__ import annotations

import unittest
from dataclasses import replace
from itertools import pairwise
from random import Random

from ablebox.cli import demo
from ablebox.core.assembly.fastener import FastenerKind
from ablebox.core.cabinet.design import Case
from ablebox.core.cabinet.mirrored import mirrored as mirrored_case
from ablebox.core.case.base_hung import Hung
from ablebox.core.case.counter.sheet_top import SheetTop
from ablebox.core.case.inside.layout import Bay, Columns
from ablebox.core.drawing.plan_view import plan_view
from ablebox.core.drawing.room_view import room_view
from ablebox.core.drawing.run_view import run_view
from ablebox.core.errors import AbleBoxError
from ablebox.core.fit.carried import round_the_turn
from ablebox.core.fronts.cell.door import Door
from ablebox.core.fronts.cell.drawer import Drawer
from ablebox.core.fronts.face import FaceFronts, Line
from ablebox.core.lengths import ZERO, Length, inches, millimetres
from ablebox.core.paper.lists.buying import hardware
from ablebox.core.project.changes import delete_case
from ablebox.core.project.choices import choice
from ablebox.core.project.files import load
from ablebox.core.project.json_format import from_text, to_text
from ablebox.core.project.room_edits import change_wall, with_another_wall, with_method, with_room, without_wall
from ablebox.core.project.run_edits import mirrored, moved, without_space
from ablebox.core.project.run_widths import in_modules
from ablebox.core.project.strip_edits import change_strip, with_strip, without_strip
from ablebox.core.project.tree import DonePiece, Project, blank_project, new_project
from ablebox.core.room.backing import Stud
from ablebox.core.room.obstacle import usual
from ablebox.core.room.reading import Method, Reading
from ablebox.core.room.room import Corner, Way
from ablebox.core.room.wall import End, Level, Measured, Wall, height_at, heights_over
from ablebox.core.run.line import lines
from ablebox.core.run.space import RunSpace, SpaceKind
from ablebox.core.shop.made import Made, buildable
from ablebox.core.snags.every import snags
from ablebox.core.stock import Board
from tests.many import many
from tests.rooms import random_room


class NobodyMeasured(unittest.TestCase):
    def test_a_new_room_has_no_readings_and_how_they_are_taken_is_asked_once(self) -> None:
        """Three readings of 24 1/4 with a body of 3 in the corner: 27 1/4 (common practice)."""
        project = blank_project()
        self.assertEqual((project.wall(1).widths, project.wall(1).ceiling), ((), None))
        self.assertIsNone(Made(project).room.usable)
        for number, place in enumerate(("floor", "counter", "top"), start=1):
            found = choice(project, f"room/width.{number}")
            assert found is not None
            self.assertEqual((found.value, found.title), (None, f"reading at {place}"))
            project = found.put(inches("24 1/4"))
            self.assertIs(project.wall(1).widths[-1].method, Method.UNSAID)
        self.assertIsNone(choice(project, "room/width.9"))
        (asked,) = [snag for snag in snags(Made(project)) if snag.code == "room.method"]
        assert asked.fix is not None
        assert asked.fix.project is not None
        self.assertEqual([width.length for width in Made(asked.fix.project).room.widths], [inches("27 1/4")] * 3)
        said = with_method(project, 1, 0, Method.TAPE_ACROSS)
        self.assertEqual([snag for snag in snags(Made(said)) if snag.code == "room.method"], [])
        # The next reading is taken as the last one was.
        after = choice(asked.fix.project, "room/ceiling")
        assert after is not None
        self.assertIs(after.put(inches(93)).wall(1).ceiling.method, Method.TAPE_BODY)  # type: ignore[union-attr]


class Readings(unittest.TestCase):
    def setUp(self) -> None:
        self.wall = Wall(
            widths=(
                Reading("floor", inches("27 1/2")),
                Reading("counter", inches("24 1/4"), Method.TAPE_BODY),
                Reading("top", inches("27 3/8"), Method.METER),
            ),
            ceiling=Reading("ceiling", inches(96)),
            allowance=inches("1/2"),
        )

    def test_the_body_in_the_corner_is_added_and_shown(self) -> None:
        # The classic of the trade: 24 1/4 + 3 = 27 1/4 (common practice).
        counter = Measured(self.wall, inches(3)).widths[1]
        self.assertEqual(counter.length, inches("27 1/4"))
        self.assertEqual([t.item.label for t in counter.terms], ["read on the tape", "tape body"])
        self.assertEqual(Measured(self.wall, inches(3)).widths[2].length, inches("27 3/8"))

    def test_the_smallest_governs_and_the_allowance_is_taken_off(self) -> None:
        room = Measured(self.wall, inches(3))
        assert room.governing is not None
        assert room.usable is not None
        self.assertEqual(room.governing.length, inches("27 1/4"))
        self.assertEqual(room.usable.length, inches("26 3/4"))
        self.assertEqual(room.spread, inches("1/4"))
        self.assertEqual(room.usable.terms[0].item.terms[0].item.key, "room/width.2")

    def test_without_readings_nothing_is_known(self) -> None:
        room = Measured(Wall(), inches(3))
        self.assertEqual((room.governing, room.usable, room.ceiling, room.mouth), (None, None, None, None))
        self.assertEqual(room.spread, ZERO)

    def test_readings_that_cannot_be_are_refused(self) -> None:
        for wrong in (lambda: Reading(" ", inches(1)), lambda: Reading("floor", ZERO),
                      lambda: Wall(widths=(Reading("a", inches(1)), Reading("a", inches(2))))):  # fmt: skip
            with self.assertRaises(ValueError):
                wrong()


class Following(unittest.TestCase):
    def setUp(self) -> None:
        self.room = Measured(Wall(widths=(Reading("floor", inches("96 1/2")),)), inches(3))

    def test_one_case_takes_what_is_left(self) -> None:
        cases = (Case("A", width=inches(30)), Case("B", follows=True), Case("C", width=inches(99), in_alcove=False))
        _, widths = lines(cases, (), (self.room,))
        self.assertEqual({k: v.length for k, v in widths.items()}, {"B": inches(66)})
        self.assertEqual(widths["B"].total(), inches(66))

    def test_several_share_it_equally(self) -> None:
        cases = tuple(Case(letter, follows=True) for letter in "ABC")
        lengths = {v.length for v in lines(cases, (), (self.room,))[1].values()}
        self.assertEqual(lengths, {inches(32)})

    def test_without_readings_a_case_keeps_its_own_width(self) -> None:
        project = new_project()
        bare = project.with_wall(1, replace(project.wall(1), widths=()))
        self.assertEqual(Made(bare).assembly("A").outside[0].length, project.cases[0].width)


def wall(width: str, **more: object) -> Measured:
    number = more.pop("number", 1)
    return Measured(Wall(widths=(Reading("floor", inches(width)),), **more), ZERO, number)  # type: ignore[arg-type]


def space(kind: SpaceKind, width: str | None, before: str = "", **more: object) -> RunSpace:
    wide = None if width is None else inches(width)
    return RunSpace(more.pop("wall", 1), before, kind, kind.words, wide, inches(34), inches(24), **more)  # type: ignore[arg-type]


class Runs(unittest.TestCase):
    """Runs worked by hand."""

    def test_a_run_adds_up_with_fillers_and_an_appliance(self) -> None:
        """120 less 1/2 to get it in: 24 + (30 + 2 x 1/8) + 36 leave 29 1/4, halves of it for two fillers."""
        cases = (Case("A", width=inches(24)), Case("B", width=inches(36)))
        spaces = (
            space(SpaceKind.FILLER, None, "A"),
            space(SpaceKind.APPLIANCE, "30", "B", air=inches("1/8")),
            space(SpaceKind.FILLER, None),
        )
        found, _ = lines(cases, spaces, (wall("120"),))
        floor = found[0]
        self.assertEqual([p.name for p in floor.places], ["space 1", "A", "space 2", "B", "space 3"])
        self.assertEqual(
            [p.width.length for p in floor.places][::2], [inches("14 5/8"), inches("30 1/4"), inches("14 5/8")]
        )
        # The allowance is left at both sides: a quarter inch at the left.
        self.assertEqual(floor.places[1].x, inches("14 7/8"))
        assert floor.total is not None
        self.assertEqual((floor.total.length, floor.left_over), (inches("119 1/2"), ZERO))
        self.assertEqual(floor.total.total(), floor.total.length)

    def test_round_a_corner_the_depth_of_the_last_case_is_taken_first(self) -> None:
        """The second wall's 100 less 1/2 less 25 deep less 40 leaves 34 1/2 for the case that follows."""
        cases = (
            Case("A", width=inches(60), depth=inches(25)),
            Case("B", width=inches(40), wall=2),
            Case("C", follows=True, wall=2),
        )
        walls = (wall("70"), wall("100", number=2, left=End.CORNER))
        found, widths = lines(cases, (), walls)
        self.assertEqual(widths["C"].length, inches("34 1/2"))
        second = next(line for line in found if line.wall == 2 and not line.upper)
        self.assertEqual([p.x for p in second.places], [inches(25), inches(65)])

    def test_what_hangs_shares_the_wall_with_what_is_as_high(self) -> None:
        """90 less 1/2 less the tall 24: two hung cases of 32 3/4; a base of 34 1/2 under them takes nothing of it."""
        hung = Hung()
        cases = (
            Case("A", width=inches(24), height=inches(84)),
            Case("B", width=inches(50)),
            Case("C", kick=hung, follows=True, height=inches(30)),
            Case("D", kick=hung, follows=True, height=inches(30)),
        )
        found, widths = lines(cases, (), (wall("90"),))
        self.assertEqual({k: v.length for k, v in widths.items()}, {"C": inches("32 3/4"), "D": inches("32 3/4")})
        upper = next(line for line in found if line.upper)
        self.assertEqual([(p.name, p.x, p.low) for p in upper.places],
                         [("C", inches("24 1/4"), inches(54)), ("D", inches(57), inches(54))])  # fmt: skip

    def test_an_open_end_asks_for_no_allowance(self) -> None:
        self.assertEqual(wall("90", right=End.OPEN).usable.length, inches(90))  # type: ignore[union-attr]

    def test_too_little_is_told_by_how_much(self) -> None:
        found, _ = lines((Case("A", width=inches(95)),), (), (wall("90"),))
        self.assertEqual(found[0].left_over, ZERO - inches("5 1/2"))


class Heights(unittest.TestCase):
    def test_straight_between_the_places_where_it_was_told(self) -> None:
        slope = (Level(inches(0), inches(90)), Level(inches(60), inches(60)))
        for at, high in (("0", "90"), ("30", "75"), ("60", "60"), ("80", "60")):
            self.assertEqual(height_at(slope, inches(at)), inches(high))
        self.assertEqual(min(heights_over(slope, inches(12), inches(36))), inches(72))

    def test_a_corner_by_three_four_five(self) -> None:
        square = Corner(1, inches(36), inches(48), inches(60))
        self.assertEqual((square.square, square.open_by), (inches(60), ZERO))
        # 60 1/2 across: (3660.25 - 3600) / 72 = 0.8368 in open, by hand.
        self.assertAlmostEqual(replace(square, across=inches("60 1/2")).open_by.mm / 25.4, 0.8368, places=3)


class OnTheWall(unittest.TestCase):
    """Each thing on a wall is told once it is in the way, and its fix mends it."""

    def project(self, **changes: object) -> Project:
        project = new_project()
        case = replace(project.case("A"), follows=False, width=inches(24))
        return change_wall(project.with_case(case), 1, **changes)

    def codes(self, project: Project) -> list[str]:
        return [snag.code for snag in snags(Made(project)) if snag.code.startswith(("room.", "fit."))]

    def test_an_outlet_is_cut_out_for(self) -> None:
        outlet = usual("outlet", inches(10))
        project = self.project(obstacles=(outlet,))
        told = next(snag for snag in snags(Made(project)) if snag.code == "room.cut")
        self.assertIn("10 from the left and 14 up", told.sentence)
        assert told.fix is not None
        assert told.fix.project is not None
        self.assertNotIn("room.cut", self.codes(told.fix.project))
        cutout = told.fix.project.case("A").cutouts[0]
        # The case stands a quarter inch from the wall: 10 - 1/4 - 1/2 from its side.
        self.assertEqual((cutout.x, cutout.z, cutout.width), (inches("9 1/4"), inches("13 1/2"), inches("3 3/4")))
        elsewhere = self.project(obstacles=(replace(outlet, low=inches(40)),))
        self.assertNotIn("room.cut", self.codes(elsewhere))

    def test_a_slope_lowers_the_ceiling_over_a_case(self) -> None:
        slope = (Level(ZERO, inches(30)), Level(inches(27), inches(60)))
        self.assertIn("fit.ceiling", self.codes(self.project(ceilings=slope)))
        # Low under the slope it stands, though it could not be tipped up there: 34 1/2 by 23 1/4 needs 41 5/8.
        rising = (Level(ZERO, inches("34 1/2")), Level(inches(60), inches(90)))
        self.assertEqual([c for c in self.codes(self.project(ceilings=rising)) if c.startswith("fit.")], [])
        low = self.project(ceilings=(Level(ZERO, inches(40)),), ceiling=Reading("ceiling", inches(40)))
        self.assertIn("fit.tip-up", self.codes(low))
        hump = (Level(ZERO, ZERO), Level(inches(12), inches(62)))
        self.assertIn("fit.ceiling", self.codes(self.project(floor=hump)))

    def test_a_hung_case_finds_a_stud_or_says_so(self) -> None:
        project = self.project(studs=(Stud(inches(40)), Stud(inches(56))))
        hung = project.with_case(replace(project.case("A"), kick=Hung(), height=inches(30)))
        self.assertIn("room.stud", self.codes(hung))
        self.assertNotIn("room.stud", self.codes(change_wall(hung, 1, studs=(Stud(inches(8)), Stud(inches(16))))))

    def test_the_way_in_and_its_turn(self) -> None:
        project = self.project()
        narrow = with_room(project, ways=(Way("stair", inches(22), inches(78)),))
        self.assertIn("room.way", self.codes(narrow))
        # 34 1/2 x 24 x 23 1/4 passes 30 wide; round a turn with 24 before it only something shorter goes.
        self.assertNotIn("room.way", self.codes(with_room(project, ways=(Way("door", inches(30), inches(80)),))))
        tight = with_room(project, ways=(Way("door", inches(26), inches(80), inches(26)),))
        self.assertIn("room.turn", self.codes(tight))
        # 7 ft of base in one piece: in sections it goes round, and they are bolted together through both sides.
        long = project.with_case(replace(project.cases[0], follows=False, in_alcove=True, width=inches(84)))
        long = with_room(long, ways=(Way("door", inches(30), inches(80), inches(36)),))
        made = Made(long)
        (snag,) = [snag for snag in snags(made) if snag.code == "room.turn"]
        assert snag.fix is not None
        self.assertIn("2 sections, each about 42, bolted together", snag.fix.title)
        assert snag.fix.project is not None
        parted = Made(snag.fix.project)
        bolts = [each for each in parted.joined if each.fastener.kind is FastenerKind.BOLT]
        self.assertGreaterEqual(len(bolts), 2)
        self.assertTrue(all(b.fastener.name == "connecting bolts 1 1/2 in" and b.passes == "side.left" for b in bolts))
        self.assertNotIn("room.turn", self.codes(snag.fix.project))

    def test_a_box_round_a_turn(self) -> None:
        """A ladder without depth goes round 1000 and 1000 up to 2828 mm: (a^(2/3) + b^(2/3))^(3/2), a school problem."""
        found = round_the_turn(millimetres(1000), millimetres(1000), Length(0))
        self.assertAlmostEqual(found.mm, 2828.4, delta=0.5)
        deep = round_the_turn(millimetres(1000), millimetres(1000), millimetres(400))
        # By symmetry at 45 degrees: 2 x (1000 x sqrt 2 - 400) = 2028.4.
        self.assertAlmostEqual(deep.mm, 2028.4, delta=0.5)

    def test_an_appliance_breathes(self) -> None:
        project = self.project()
        tall = replace(space(SpaceKind.APPLIANCE, "24"), height=inches(60), above=inches(2))
        case = replace(project.case("A"), kick=Hung(), height=inches(30), hang=inches(54))
        self.assertIn("room.appliance", self.codes(replace(project.with_case(case), spaces=(tall,))))

    def test_fronts_in_a_corner_want_a_filler_between(self) -> None:
        """Two doors 3/4 thick with pulls 1 1/4 out: 2 in of filler lets them pass, less does not."""
        project = with_another_wall(self.project())
        project = replace(project, cases=(project.case("A"), Case("B", wall=2)))
        self.assertIn("opening.corner", [snag.code for snag in snags(Made(project))])
        for width, told in (("1 7/8", True), ("2", False)):
            there = replace(project, spaces=(space(SpaceKind.FILLER, width, "B", wall=2),))
            codes = [snag.code for snag in snags(Made(there))]
            self.assertEqual("opening.corner" in codes, told, width)

    def test_what_hangs_beyond_the_end_is_told(self) -> None:
        project = self.project()
        tall = replace(project.case("A"), height=inches(80), width=inches(20))
        hung = Case("B", kick=Hung(), width=inches(6), height=inches(30))
        # By width there is room enough, but it lies at the left of the tall case.
        before = replace(project, cases=(tall, hung), spaces=(space(SpaceKind.OPEN, "2", "A"),))
        self.assertIn("fit.beyond", self.codes(before))
        self.assertNotIn("fit.beyond", self.codes(replace(before, cases=(hung, tall))))

    def test_walls_come_and_go_with_what_stands_at_them(self) -> None:
        project = with_another_wall(self.project())
        there = project.with_case(replace(project.case("A"), wall=2))
        there = replace(there, spaces=(space(SpaceKind.OPEN, "10", wall=2),))
        gone = without_wall(there, 2)
        self.assertEqual(
            (len(gone.room.walls), gone.case("A").wall, gone.case("A").in_alcove, gone.spaces), (1, 1, False, ())
        )
        self.assertEqual(from_text(to_text(there), "x"), there)


class Editing(unittest.TestCase):
    def setUp(self) -> None:
        project = new_project()
        cases = tuple(Case(letter, width=inches(20)) for letter in "ABC")
        spaces = (space(SpaceKind.OPEN, "10", "B"), space(SpaceKind.OPEN, "12"))
        self.project = change_wall(
            replace(project, cases=cases, spaces=spaces), 1, widths=(Reading("floor", inches(200)),)
        )

    def names(self, project: Project) -> list[str]:
        return [place.name for place in Made(project).line(1).places]

    def test_members_change_places_one_by_one_and_all_at_once(self) -> None:
        self.assertEqual(self.names(self.project), ["A", "space 1", "B", "C", "space 2"])
        line = Made(self.project).line(1)
        right = moved(self.project, line, 0, 1)
        widths = [place.width.length for place in Made(right).line(1).places]
        self.assertEqual(widths, [inches(10), inches(20), inches(20), inches(20), inches(12)])
        self.assertEqual([p.letter for p in Made(right).line(1).places], ["", "A", "B", "C", ""])
        other = mirrored(self.project, line)
        self.assertEqual([p.letter for p in Made(other).line(1).places], ["", "C", "B", "", "A"])
        self.assertEqual(Made(mirrored(other, Made(other).line(1))).line(1).places, line.places)
        self.assertEqual(moved(self.project, line, 0, -1), self.project)

    def test_widths_in_modules_leave_the_rest_to_a_filler(self) -> None:
        """199 1/2 less 22 of open spaces, a third each: 59 1/6; in threes 57, and 6 1/2 are left for the filler."""
        follows = replace(self.project, cases=tuple(replace(case, follows=True) for case in self.project.cases))
        line = Made(follows).line(1)
        filled = replace(follows, spaces=(*follows.spaces, space(SpaceKind.FILLER, None)))
        module = in_modules(filled, line, inches(3))
        widths = [place.width.length for place in Made(module).line(1).places]
        self.assertEqual(widths, [inches(w) for w in ("57", "10", "57", "57", "12", "6 1/2")])

    def test_who_stands_beside_whom(self) -> None:
        made = Made(self.project)
        self.assertEqual([[case.letter for case in row] for row in made.run.rows], [["A"], ["B", "C"]])

    def test_a_space_outlives_the_case_it_stood_before(self) -> None:
        gone = delete_case(self.project, "B")
        self.assertEqual(self.names(gone), ["A", "space 1", "C", "space 2"])


class OverSeveral(unittest.TestCase):
    """A top over several cases, cases made several times, and mirror images."""

    def setUp(self) -> None:
        project = new_project()
        cases = (
            Case("A", width=inches(24), counter=SheetTop(over=2, left=inches(1))),
            Case("B", width=inches(36)),
            Case("C", width=inches(20)),
        )
        spaces = (space(SpaceKind.APPLIANCE, "24", "B", air=inches("1/8")),)
        self.project = change_wall(
            replace(project, cases=cases, spaces=spaces), 1, widths=(Reading("floor", inches(150)),)
        )

    def test_a_top_goes_on_over_what_stands_between(self) -> None:
        """24 + 24 1/4 + 36 and an inch at the left: 85 1/4, the band of 1/2 mm not taken off."""
        made = Made(self.project)
        top = next(part for part in made.parts if part.name == "counter")
        self.assertEqual(top.length.length, inches("85 1/4"))
        self.assertEqual(made.flaws, [])
        own = next(p for p in Made(self.project.with_case(replace(self.project.case("A"), counter=SheetTop()))).parts
                   if p.name == "counter")  # fmt: skip
        self.assertEqual(own.length.length, inches(24))

    def test_strips_run_along_what_stands_together_in_pieces_the_stock_allows(self) -> None:
        """A alone, then B and C beyond the appliance: 24 + 2 and 56 + 2 with an inch beyond each end; in boards of 40
        less 2 of ends the longer one is two of 29."""
        line = Made(self.project).line(1)
        project = with_strip(self.project, line, "crown")
        boards = replace(project.rack.boards[0], boards=(Board("short", inches(4), inches(40)),))
        project = replace(project, rack=replace(project.rack, boards=(boards,)))
        made = Made(change_strip(project, 1, beyond=inches(1)))
        found = sorted((part.length.length, part.count) for part in made.parts if part.case == "s")
        self.assertEqual(found, [(inches(26), 1), (inches(29), 2)])
        self.assertEqual(from_text(to_text(made.project), "x"), made.project)
        self.assertEqual(without_strip(project, 1).strips, ())

    def test_what_was_cut_of_a_filler_or_a_strip_stays_its_own(self) -> None:
        """Taken out, moved or with its wall gone: numbers change, and what is cut goes with the piece it was cut for."""
        goods = self.project.rack.goods[0].code
        named = [replace(space(SpaceKind.FILLER, str(wide), "C"), name=f"{wide}", goods=goods) for wide in (1, 2, 3)]
        project = replace(self.project, spaces=tuple(named))
        line = Made(project).line(1)
        project = with_strip(with_strip(project, line, "crown"), line, "light rail")
        project = replace(
            project, done=tuple(DonePiece(at, goods, inches(30), inches(2)) for at in ("f/2", "f/3", "s/2.1"))
        )

        def cut(project: Project) -> list[str]:
            lists = {"f": project.spaces, "s": project.strips}
            places = [piece.place.partition("/") for piece in project.done]
            return [lists[head][int(rest.partition(".")[0]) - 1].name for head, _, rest in places]

        line = Made(project).line(1)
        at = next(i for i, place in enumerate(line.places) if place.space == 2)
        one_left, far_right = moved(project, line, at, -1), moved(project, line, at + 1, 1)
        self.assertEqual([s.name for s in one_left.spaces], ["2", "1", "3"])
        self.assertEqual([(s.name, s.before) for s in far_right.spaces], [("1", "C"), ("2", "C"), ("3", "")])
        for after in (
            without_space(project, 1),
            without_strip(project, 1),
            one_left,
            far_right,
            mirrored(project, line),
        ):
            self.assertEqual(cut(after), ["2", "3", "light rail"])
        self.assertEqual(cut(without_space(project, 2)), ["3", "light rail"])
        two = replace(with_another_wall(project), spaces=(*named[:2], replace(named[2], wall=2)))
        self.assertEqual(cut(without_wall(two, 1)), ["3"])
        alone = project.with_case(replace(project.case("B"), in_alcove=False))
        self.assertEqual({s.before for s in delete_case(alone, "A").spaces}, {"C"})
        gone = replace(alone, spaces=(replace(named[0], before="A"),))
        self.assertEqual(delete_case(gone, "A").spaces[0].before, "C")

    def test_two_tops_on_one_case_and_cases_of_two_heights_are_told(self) -> None:
        double = self.project.with_case(replace(self.project.case("B"), counter=SheetTop()))
        low = self.project.with_case(replace(self.project.case("B"), height=inches(30)))
        for wrong, code in ((double, "counter.double"), (low, "counter.height")):
            told = next(snag for snag in snags(Made(wrong)) if snag.code == code)
            assert told.fix is not None
            assert told.fix.project is not None
            self.assertNotIn(code, {snag.code for snag in snags(Made(told.fix.project))})

    def test_made_three_times_is_cut_bought_and_labelled_three_times(self) -> None:
        once, made = Made(self.project), Made(self.project.with_case(replace(self.project.case("C"), copies=3)))
        for one, three in zip(once.parts, made.parts, strict=True):
            times = 3 if one.case == "C" else 1
            self.assertEqual((three.code, three.count), (one.code, one.count * times))
            self.assertEqual(len(set(three.places)), three.count)
        before, after = dict(hardware(once)), dict(hardware(made))
        self.assertGreater(sum(after.values()), sum(before.values()))
        count = {piece.code: piece.count for piece in made.problems["case"].pieces}
        self.assertEqual(count["C-01"], 3)

    def test_a_mirror_image_has_left_and_right_changed(self) -> None:
        lantern = load(demo.path_of("lantern-yard")).project
        for case in lantern.cases:
            made = Made(lantern)
            width = made.assembly(case.letter).outside[0].length
            there = mirrored_case(mirrored_case(case, width), width)
            self.assertEqual(replace(there, scribes=case.scribes, extras=case.extras), case)
        line = Line((Door("left"), Drawer()), (inches(10), None))
        face = FaceFronts(face=line)
        image = mirrored_case(Case("A", fronts=face, inside=Columns((Bay(), Bay()), (inches(9), None))), inches(24))
        assert isinstance(image.fronts, FaceFronts)
        assert isinstance(image.inside, Columns)
        self.assertEqual(image.fronts.face, Line((Drawer(), Door("right")), (None, inches(10))))
        self.assertEqual(image.inside.widths, (None, inches(9)))


class Wild(unittest.TestCase):
    def test_whatever_the_room_it_adds_up_is_drawn_comes_back_and_every_fix_can_be_tried(self) -> None:
        built = fixes = 0
        for seed in range(many(8)):
            project = random_room(Random(seed))
            try:
                made = Made(project)
            except AbleBoxError:
                continue
            built += 1
            self.assertEqual(from_text(to_text(project), "x"), project, f"seed {seed}")
            for line in made.lines:
                for one, other in pairwise(line.places):
                    self.assertTrue(line.upper or one.end == other.x, f"seed {seed}")
                if line.total is not None:
                    whole = sum((place.width.length for place in line.places), ZERO)
                    self.assertEqual((line.total.length, line.total.total()), (whole, whole), f"seed {seed}")
            letters = sorted(place.letter for line in made.lines for place in line.places if place.letter)
            self.assertEqual(letters, sorted(case.letter for case in project.cases if case.in_alcove))
            for snag in snags(made):
                if snag.fix is not None and snag.fix.project is not None:
                    fixes += buildable(snag.fix.project) is None
            for number in range(1, len(made.rooms) + 1):
                for view in (run_view(made, number, "A"), room_view(made, number), plan_view(made, number)):
                    self.assertTrue(all(-1e6 < edge < 1e6 for edge in view.bounds()), f"seed {seed}")
                for upper in (False, True):
                    there = made.line(number, upper)
                    image = mirrored(project, there)
                    if buildable(image) is not None:
                        continue
                    twice = mirrored(image, Made(image).line(number, upper))
                    if buildable(twice) is not None:
                        continue
                    again = Made(twice).line(number, upper).places
                    self.assertEqual([p.letter for p in again], [p.letter for p in there.places], f"seed {seed}")
        self.assertGreater(built, many(6))
        self.assertGreater(fixes, many(8))
