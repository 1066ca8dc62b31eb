# SPDX-License-Identifier: GPL-3.0-or-later
"""What follows from who stands beside whom: ends that are seen, stiles, reveals, bases that go on, islands."""

from __future__ import annotations

import unittest
from dataclasses import replace
from itertools import pairwise
from math import isqrt
from random import Random
from typing import Any

from ablebox.core.assembly.part import Face
from ablebox.core.assembly.role import PartKind
from ablebox.core.cabinet.design import Case
from ablebox.core.cabinet.kinds import starting_case
from ablebox.core.case.back_laid_on import LaidOnBack
from ablebox.core.case.base_feet import Feet
from ablebox.core.case.base_frame import BaseFrame
from ablebox.core.case.bottom import Bottom
from ablebox.core.case.counter.sheet_top import SheetTop
from ablebox.core.case.cutouts import Cutout
from ablebox.core.case.end.end_panel import EndPanel
from ablebox.core.case.end.good_face import GoodFace
from ablebox.core.case.frame.face_frame import FaceFrame, Stile
from ablebox.core.case.joint.butt import Butt
from ablebox.core.case.kick_notched import NotchedKick
from ablebox.core.case.plan_diagonal import Diagonal
from ablebox.core.case.plan_straight import Straight
from ablebox.core.drawing.plan_view import plan_view
from ablebox.core.drawing.room_view import reading_heights, room_view
from ablebox.core.drawing.shapes import Shape
from ablebox.core.errors import AbleBoxError
from ablebox.core.fronts.cell.door import Door
from ablebox.core.fronts.face import FaceFronts
from ablebox.core.fronts.fit.full_overlay import FullOverlay
from ablebox.core.fronts.fit.overlay import Overlay
from ablebox.core.lengths import ZERO, Length, inches
from ablebox.core.project import along_run, room_edits
from ablebox.core.project.choices import choice
from ablebox.core.project.run_edits import mirrored
from ablebox.core.project.strip_edits import change_strip, with_strip
from ablebox.core.project.tree import Project, new_project
from ablebox.core.room.obstacle import usual
from ablebox.core.room.reading import Deep, Reading
from ablebox.core.room.room import Room
from ablebox.core.room.wall import End, Wall, first_readings
from ablebox.core.run.place import Line
from ablebox.core.run.space import RunSpace, SpaceKind
from ablebox.core.shop.made import Made
from ablebox.core.shop.story import wall_stick
from ablebox.core.shop.weights import lifting
from ablebox.core.snags.every import snags
from ablebox.core.snags.snag import Level, Snag
from ablebox.core.units import System
from tests.rooms import random_room
from tests.tables import rows


def run(*cases: Case, spaces: tuple[RunSpace, ...] = (), **wall: Any) -> Project:
    """A wall of 120 in, open at both ends, with these cases along it."""
    room = replace(first_readings(inches(120), inches(96)), **{"left": End.OPEN, "right": End.OPEN, **wall})
    return replace(new_project(), room=Room((room,)), cases=cases, spaces=spaces)


def case(letter: str, kind: str = "base", **changes: Any) -> Case:
    return replace(starting_case(letter, kind, System.INCH), **changes)


def coded(project: Project, head: str) -> list[Snag]:
    return [snag for snag in snags(Made(project)) if snag.code.startswith(head)]


def mended(test: unittest.TestCase, project: Project, code: str) -> Project:
    """Return the project with the fix of a snag made; the snag is gone then."""
    snag = coded(project, code)[0]
    assert snag.fix is not None
    assert snag.fix.project is not None
    left = [s for s in coded(snag.fix.project, code) if (s.case, s.sentence) == (snag.case, snag.sentence)]
    test.assertEqual(left, [])
    return snag.fix.project


class SeenEnds(unittest.TestCase):
    def seen(self, project: Project) -> set[tuple[str, str, str]]:
        ends = Made(project).run.ends
        return {
            (letter, side, there.words) for letter, both in ends.items() for side, there in both.items() if there.seen
        }

    def test_ends_are_seen_where_nothing_as_high_and_deep_hides_them(self) -> None:
        tall, low = case("B", "tall"), case("C", depth=inches(18))
        self.assertEqual(
            self.seen(run(case("A"), tall, low)),
            {
                ("A", "left", "at the open end"), ("B", "left", "above A"), ("B", "right", "above C"),
                ("C", "right", "at the open end"),
            },
        )  # fmt: skip
        wide = case("A", follows=True)
        self.assertEqual(self.seen(run(wide, case("B"), left=End.WALL, right=End.CORNER)), set())
        # What ends before its wall does is seen from there.
        self.assertEqual(
            self.seen(run(case("A"), case("B"), left=End.WALL, right=End.WALL)),
            {("B", "right", "beside what is left of the wall")},
        )
        gap = RunSpace(1, "B", SpaceKind.OPEN, "open space", inches(20), inches(30), inches(20))
        filler = replace(gap, kind=SpaceKind.FILLER, goods="case")
        stove = replace(gap, kind=SpaceKind.APPLIANCE, height=inches(36), depth=inches(25))
        walls = {"left": End.WALL, "right": End.WALL}
        self.assertEqual(len(self.seen(run(wide, case("B"), spaces=(gap,), **walls))), 2)
        self.assertEqual(self.seen(run(wide, case("B"), spaces=(filler,), **walls)), set())
        self.assertEqual(self.seen(run(wide, case("B"), spaces=(stove,), **walls)), set())

    def test_what_is_seen_is_what_a_look_from_beside_meets(self) -> None:
        """Ends of random runs on the floor, against a look at every height and depth from just beside each of them."""
        told = set()
        for seed in range(150):
            project = random_room(Random(seed))
            try:
                made = Made(project)
            except AbleBoxError:
                continue
            for line in made.lines:
                if line.upper or any(project.case(p.letter).turned for p in line.places if p.letter):
                    continue
                for at, place in enumerate(line.places):
                    if place.letter and isinstance(project.case(place.letter).plan, Straight):
                        for side, step in (("left", -1), ("right", 1)):
                            there = made.run.ends[place.letter][side]
                            seen = self.looked_at(made, line, at, step)
                            self.assertEqual(there.seen, seen, f"seed {seed}: {place.letter} {side}, {there.words}")
                            told.add(seen)
        self.assertEqual(told, {True, False})

    def looked_at(self, made: Made, line: Line, at: int, step: int) -> bool:
        """Whether any place of an end is free from beside: nothing is as high and as deep there, give or take 3/4 in."""
        place, beside = line.places[at], at + step
        if not 0 <= beside < len(line.places):
            return line.open_right if step > 0 else line.open_left
        other = line.places[beside]
        if other.letter:
            case = made.project.case(other.letter)
            deep = case.plan.left if isinstance(case.plan, Diagonal) else case.depth
            return place.high - case.height > inches("3/4") or place.depth - deep > inches("3/4")
        space = made.project.spaces[other.space - 1]
        if space.kind in (SpaceKind.APPLIANCE, SpaceKind.FOUND):
            return place.high - space.height > inches("3/4") or place.depth - space.depth > inches("3/4")
        return space.kind is SpaceKind.OPEN

    def test_a_panel_takes_its_thickness_of_the_run_and_goes_where_it_is_hidden(self) -> None:
        """120 in for two cases that follow and a panel of 3/4: (120 - 3/4) / 2 = 59 5/8 each."""
        panel = {"left_seen": EndPanel(), "right_seen": EndPanel()}
        project = run(case("A", follows=True, **panel), case("B", follows=True), right=End.WALL)
        project = project.with_wall(1, replace(project.wall(1), allowance=ZERO))
        made = Made(project)
        first, second = made.line(1).places
        self.assertEqual(
            (made.run.stands["A"].width.length, made.run.stands["B"].width.length), (inches("59 5/8"),) * 2
        )
        self.assertEqual(
            (first.width.length, first.case_x, second.x), (inches("60 3/8"), inches("3/4"), inches("60 3/8"))
        )
        self.assertEqual(made.line(1).left_over, ZERO)
        part = made.assembly("A").part("end.left")
        # To the floor, and 3/4 deeper than the case, out over its doors.
        self.assertEqual((part.length.length, part.width.length), (inches("34 1/2"), inches(24)))
        self.assertEqual([role for role in ("end.left", "end.right") if self.has(made, role)], ["end.left"])
        swapped = Made(replace(project, cases=project.cases[::-1]))
        self.assertFalse(self.has(swapped, "end.left") or self.has(swapped, "end.right"))
        self.assertEqual(made.flaws, [])

    def has(self, made: Made, role: str) -> bool:
        return any(part.role == role for part in made.assembly("A").parts)

    def test_a_side_that_is_seen_shows_its_good_face_and_what_spoils_it_is_told(self) -> None:
        good = {"left_seen": GoodFace()}
        side = Made(run(case("A", **good), right=End.WALL)).assembly("A").part("side.left")
        self.assertIs(side.shows, Face.LEFT)
        self.assertIs(Made(run(case("A", **good), left=End.WALL)).assembly("A").part("side.left").shows, Face.RIGHT)
        mended(self, run(case("A"), right=End.WALL), "end.undecided")
        mended(self, run(case("A", back=LaidOnBack(), **good), right=End.WALL), "end.back")
        mended(self, run(case("A", bottom=Bottom(Butt("screws")), **good), right=End.WALL), "end.screws")
        pocket = case("A", bottom=Bottom(Butt("pocket")), follows=True, **good)
        self.assertEqual(coded(run(pocket, right=End.WALL), "end"), [])

    def test_reveals_of_neighbours_add_up_to_the_gap(self) -> None:
        """Reveals 1/16 and 1/16 make the gap of 1/8 (common practice); 1/8 and 1/16 do not."""
        wide = case("B", fronts=FaceFronts(FullOverlay(reveal=inches("1/8"))))
        self.assertEqual(coded(run(case("A"), case("B")), "reveal"), [])
        self.assertIn("3/16", coded(run(case("A"), wide), "reveal")[0].sentence)
        mended(self, run(case("A"), wide), "reveal")


class Stiles(unittest.TestCase):
    def test_one_stile_covers_two_sides_and_all_frames_make_one_face(self) -> None:
        frame = FaceFrame(follow=True, right=Stile(inches("2 1/2")))
        framed = [case(letter, frame=frame, fronts=FaceFronts(Overlay()), width=inches(30)) for letter in "ABC"]
        project = run(*framed, left=End.WALL)
        widths = (Reading("floor", inches(120)), Reading("top", inches("120 3/8")))
        made = Made(project.with_wall(1, replace(project.wall(1), widths=widths)))
        self.assertEqual(made.flaws, [])
        self.assertEqual(coded(made.project, "frame"), [])
        edges: list[tuple[Length, Length]] = []
        for place in made.line(1).places:
            parts = [part for part in made.assembly(place.letter).parts if part.role.startswith("frame.")]
            low, high = min(part.reach(0)[0] for part in parts), max(part.reach(0)[1] for part in parts)
            edges.append((place.x + low, place.x + high))
        # Each frame begins just where the one before it ends; at the wall it stands out by the allowance and by how far that is out.
        for (_, end), (start, _) in pairwise(edges):
            self.assertEqual(end, start)
        self.assertEqual(edges[0][0], ZERO - inches("1/4") - inches("3/8") + made.line(1).places[0].x)
        self.assertEqual(edges[-1][1], made.line(1).places[-1].end)
        shared = made.assembly("A").part("frame.stile.right")
        self.assertEqual((shared.width.length, shared.reach(0)[1] - inches(30)), (inches("2 1/2"), inches("1 1/4")))
        self.assertNotIn("frame.stile.left", [part.role for part in made.assembly("B").parts])

    def test_a_stile_typed_by_hand_stays_and_unlike_cases_share_none(self) -> None:
        frame = FaceFrame(follow=True)
        low = case("B", frame=frame, height=inches(30), fronts=FaceFronts(Overlay()))
        made = Made(run(case("A", frame=frame, fronts=FaceFronts(Overlay())), low))
        self.assertEqual(
            [made.assembly(letter).part("frame.stile.left").width.length for letter in "AB"], [inches("1 1/2")] * 2
        )


class Bases(unittest.TestCase):
    @rows((NotchedKick,), (Feet,), (BaseFrame,))
    def test_one_board_goes_on_before_all_that_say_so(self, kick: type) -> None:
        cases = [case(letter, kick=kick(carried=letter != "A"), width=inches(30)) for letter in "ABCD"]
        made = Made(run(*cases))
        self.assertEqual(made.flaws, [])
        boards = [part for each in made.assemblies for part in each.parts if part.name == "kick board"]
        # 120 in of board are longer than the sheet: two equal pieces.
        self.assertEqual(
            [(part.role[-2:], part.length.length) for part in boards], [(".1", inches(60)), (".2", inches(60))]
        )
        self.assertEqual(coded(made.project, "base"), [])
        lone = made.project.with_case(replace(cases[0], kick=kick(carried=True)))
        mended(self, lone, "base.none")
        high = made.project.with_case(replace(cases[2], kick=kick(height=inches(5), carried=True)))
        mended(self, high, "base.height")

    @rows((NotchedKick, ["kick.block.1"]), (BaseFrame, ["base.block.front.1", "base.block.back.1"]), (Feet, []))
    def test_pieces_that_meet_before_nothing_are_screwed_to_a_block(self, kick: type, blocks: list[str]) -> None:
        """Three cases of 36: the joint at 54 lies before no side, and no rung stands there."""
        cases = [case(letter, kick=kick(carried=letter != "A"), width=inches(36)) for letter in "ABC"]
        made = Made(run(*cases))
        own = made.assembly("A")
        there = [part for part in own.parts if part.role.kind in (PartKind.KICK_BLOCK, PartKind.BASE_BLOCK)]
        self.assertEqual([str(part.role) for part in there], blocks)
        self.assertEqual({part.box.span(0) for part in there} - {(inches(51).ticks, inches(57).ticks)}, set())
        for block in blocks:
            screws = [each for each in own.fasteners if block in each.through]
            self.assertEqual(sorted(str(each.into)[-2:] for each in screws), [".1", ".1", ".2", ".2"])
        self.assertEqual((made.flaws, made.findings("A")), ([], []))

    def test_before_a_board_that_goes_on_notches_are_deeper_by_its_thickness(self) -> None:
        cases = [case("A"), case("B", kick=NotchedKick(carried=True))]
        notch = Made(run(*cases)).assembly("B").part("side.left").cuts[0].box.size
        self.assertEqual((notch[1], notch[2]), (inches("3 3/4"), inches(4)))


class AlongARun(unittest.TestCase):
    def test_one_board_and_one_top_for_all_that_stand_alike(self) -> None:
        """A, B, a dishwasher, C | a range | D, and a tall E: boards A-B, C, D; tops over A to C, and D."""
        low = RunSpace(1, "C", SpaceKind.APPLIANCE, "dishwasher", inches(24), inches(34), inches(24))
        high = RunSpace(1, "D", SpaceKind.APPLIANCE, "range", inches(30), inches(36), inches(25))
        cases = [case(letter, width=inches(15)) for letter in "ABCD"] + [case("E", "tall", width=inches(15))]
        project = run(*cases, spaces=(low, high))
        line = Made(project).line(1)
        kicks = along_run.one_kick(project, line)
        self.assertEqual([c.kick.carried for c in kicks.cases], [False, True, False, False, True])  # type: ignore[union-attr]
        self.assertEqual(coded(kicks, "base"), [])
        tops = along_run.one_top(project, line)
        lids = [c.counter.over if isinstance(c.counter, SheetTop) else 0 for c in tops.cases]
        self.assertEqual(lids, [3, 0, 0, 1, 0])
        self.assertEqual(coded(tops, "counter"), [])
        made = Made(tops)
        self.assertEqual(made.flaws, [])
        self.assertEqual(made.assembly("A").part("counter.top").length.length, inches(69))

    @rows((SpaceKind.OPEN, False, ZERO), (SpaceKind.APPLIANCE, False, ZERO), (SpaceKind.APPLIANCE, True, inches(20)),
          (SpaceKind.FILLER, False, inches(20)))  # fmt: skip
    def test_a_long_top_is_joined_over_a_side_whatever_begins_the_run(
        self, kind: SpaceKind, beside: bool, on: Length
    ) -> None:
        """Four cases of 28: 112 and more is longer than a sheet of 96, so it is joined where two of them meet."""
        first = RunSpace(1, "A", kind, "at the left", inches(20), inches(34), inches(24))
        cases = [case(letter, width=inches(28)) for letter in "ABCD"]
        cases[0] = replace(cases[0], counter=SheetTop(beside=beside))
        project = run(*cases, spaces=(first,))
        project = project.with_wall(1, replace(project.wall(1), widths=first_readings(inches(180), inches(96)).widths))
        made = Made(along_run.one_top(project, Made(project).line(1)))
        one, two = (part.box for part in made.assembly("A").parts if part.role.kind is PartKind.COUNTER)
        self.assertEqual(one.high[0], two.low[0])
        self.assertIn(one.high[0], [inches(28 * count).ticks for count in (1, 2, 3)])
        self.assertEqual(Length(-one.low[0]), on)

    def test_stiles_of_all_frames_follow_at_once(self) -> None:
        cases = [case(letter, frame=FaceFrame(), fronts=FaceFronts(Overlay())) for letter in "AB"]
        project = run(*cases, case("C"))
        after = along_run.stiles_follow(project, Made(project).line(1))
        self.assertEqual([getattr(c.frame, "follow", None) for c in after.cases], [True, True, None])
        self.assertEqual(Made(after).flaws, [])


class NothingMovesUnasked(unittest.TestCase):
    def test_a_base_made_higher_pushes_nothing_that_hangs_along_the_wall(self) -> None:
        """Bases 34 1/2 under wall cases at 54: whatever height the bases get, the wall cases stay; in each other they are told."""
        bases = [case(letter, width=inches(30)) for letter in "AB"]
        hung = [case(letter, "wall", width=inches(30)) for letter in "CD"]
        for high, told in (("34 1/2", 0), ("34 9/16", 0), ("53 15/16", 0), ("54 1/16", 1), ("60", 1)):
            project = run(replace(bases[0], height=inches(high), depth=inches(31)), bases[1], *hung)
            made = Made(project)
            self.assertEqual([place.x for place in made.line(1, True).places], [ZERO, inches(30)], high)
            self.assertEqual([p.letter for p in made.line(1, True).places], ["C", "D"])
            self.assertEqual(len(coded(project, "fit.through")), told, high)
            self.assertEqual(coded(project, "clash"), [])

    def test_stiles_that_stand_proud_take_room_of_the_run(self) -> None:
        """Both stand 3/4 proud of sides of 30: 31 1/2 of the run each; at a wall (the left one) it is scribed into what is left free."""
        frame = FaceFrame(left=Stile(inches(2), inches("3/4")), right=Stile(inches(2), inches("3/4")))
        cases = [case(letter, width=inches(30), frame=frame, fronts=FaceFronts(Overlay())) for letter in "AB"]
        made = Made(run(*cases))
        self.assertEqual([place.width.length for place in made.line(1).places], [inches("31 1/2")] * 2)
        self.assertEqual(coded(run(*cases), "clash"), [])
        walled = Made(run(*cases, left=End.WALL, right=End.WALL))
        self.assertEqual([place.width.length for place in walled.line(1).places], [inches("30 3/4"), inches("31 1/2")])

    def test_a_bridge_inside_the_top_below_it_is_told(self) -> None:
        """A top of 3/4 on strips of 3/4 on a desk of 28 1/2 reaches 30; a case hung at 28 3/4 over it stands 1 1/4 in it."""
        desk = case("A", "desk", width=inches(40), counter=SheetTop())
        bridge = case("B", "over", width=inches(40), hang=inches("28 3/4"))
        (told,) = coded(run(desk, bridge), "clash.cases")
        self.assertIn("A's counter and B's", told.sentence)
        self.assertIn("by 1 1/4 in", told.sentence)
        assert told.fix is not None
        self.assertEqual(told.fix.title, "Hang B at 30")

    def test_what_reaches_round_a_corner_is_told(self) -> None:
        """Doors of 3/4 and a top an inch before them reach 1 3/4 out of the base, and a tall case begins at its face."""
        corner = run(case("A", follows=True, counter=SheetTop()), left=End.OPEN, right=End.CORNER)
        project = room_edits.with_another_wall(corner)
        tall = case("T", "tall", wall=2, width=inches(30))
        project = replace(project, cases=(*project.cases, tall))
        (told,) = coded(project, "clash.cases")
        self.assertIn("A's right door and T's left side are in one place round the corner, by 1 3/4 in", told.sentence)
        mended(self, project, "clash.cases")
        self.assertEqual(coded(corner, "clash.cases"), [])

    def test_a_crown_takes_its_room_beside_what_is_tall_and_under_the_ceiling(self) -> None:
        """On a case of 30 hung at 54 it stands from 84 to 87 1/2 and goes on by 2 into a case of 90; the ceiling is at 96 or at 87."""
        tall = case("T", "tall", width=inches(24), height=inches(90))
        cases = (tall, case("A", "wall", width=inches(30), height=inches(30)))
        for beyond, ceiling, told in ((0, 96, ""), (2, 96, "clash.cases"), (0, 87, "fit.crown")):
            project = run(*cases, ceiling=Reading("ceiling", inches(ceiling)))
            project = with_strip(project, Made(project).line(1, True), "crown")
            project = change_strip(project, 1, beyond=inches(beyond), width=inches("3 1/2"))
            found = [snag for code in ("clash.cases", "fit.crown") for snag in coded(project, code)]
            self.assertEqual([snag.code for snag in found], [told] if told else [])
            if told == "fit.crown":
                self.assertEqual(mended(self, project, told).strips[0].width, inches(3))

    def test_a_gap_at_the_end_of_a_row_is_seen_and_cases_by_themselves_are_nobodys_neighbours(self) -> None:
        for gap, seen in (("1/2", False), ("1", True), ("2", True)):
            wide = case("A", width=inches(120) - inches(gap) - inches("1/2"))
            project = run(wide, left=End.WALL, right=End.WALL)
            self.assertEqual(Made(project).run.ends["A"]["right"].seen, seen, gap)
        lone = [case(letter, in_alcove=False, width=inches(20)) for letter in "AB"]
        made = Made(run(*lone))
        self.assertEqual([[each.letter for each in row] for row in made.run.rows], [["A"], ["B"]])


class Reach(unittest.TestCase):
    def test_an_outlet_behind_a_drawer_is_told_and_one_behind_a_door_is_not(self) -> None:
        for kind, told in (("drawers", True), ("base", False)):
            opening = Cutout("outlet", inches(9), inches(13), inches(5), inches(7))
            project = run(case("A", kind, cutouts=(opening,)))
            wall = replace(project.wall(1), obstacles=(usual("outlet", inches(10)),))
            self.assertEqual(bool(coded(project.with_wall(1, wall), "room.reach")), told)


class BesideAWall(unittest.TestCase):
    def test_in_a_room_of_several_walls_a_pull_wants_a_filler(self) -> None:
        """A pull 1 1/4 out with 1/4 of allowance and a reveal of 1/16 beside it: a filler of 1 1/2 gives the room."""
        project = run(case("A", follows=True), left=End.WALL, right=End.CORNER)
        self.assertEqual(coded(project, "opening.wall"), [])
        project = room_edits.with_another_wall(project)
        self.assertEqual(len(coded(project, "opening.wall")), 1)
        after = mended(self, project, "opening.wall")
        self.assertEqual(after.spaces[0].width, inches("1 1/2"))
        self.assertEqual(Made(after).line(1).left_over, ZERO)


class Islands(unittest.TestCase):
    def island(self) -> Project:
        project = room_edits.with_island(run(case("A", width=inches(60), left_seen=GoodFace(), right_seen=GoodFace())))
        beside = [
            case(letter, wall=2, width=inches(24), left_seen=GoodFace(), right_seen=GoodFace()) for letter in "BC"
        ]
        return replace(project, cases=(*project.cases, *beside))

    def test_it_leaves_a_way_and_is_fastened_and_its_back_is_decided(self) -> None:
        """42 in to work in, 36 to pass (Kitchen Planning Guidelines, National Kitchen and Bath Association, from memory)."""
        project = self.island()
        self.assertEqual(coded(project, "room."), [])
        on_feet = project.with_case(replace(project.case("B"), kick=Feet()))
        self.assertEqual([s.code for s in coded(on_feet, "room.")], ["room.island"])
        for away, level in (("60", Level.NOTE), ("59 1/4", Level.NOTE), ("59", Level.STOP), ("65 1/4", None)):
            found = choice(project, "room2/island.away")
            assert found is not None
            told = [snag.level for snag in coded(found.put(inches(away)), "room.aisle")]
            self.assertEqual(told, [] if level is None else [level], away)
        mended(self, choice(project, "room2/island.away").put(inches(50)), "room.aisle")  # type: ignore[union-attr]
        self.assertEqual(len(coded(project, "end.island")), 2)
        mended(self, project, "end.island")
        both = room_edits.with_back_row(project, 2)
        self.assertEqual(coded(both, "end.island"), [])
        self.assertEqual(both.wall(3).island.away, inches(67) - inches("23 1/4"))  # type: ignore[union-attr]

    def test_two_rows_stand_back_to_back_on_the_plan(self) -> None:
        project = room_edits.with_back_row(self.island(), 2)
        other = [case(letter, wall=3, width=inches(24)) for letter in "DE"]
        made = Made(replace(project, cases=(*project.cases, *other)))
        boxes = {}
        for item in plan_view(made, 2).items:
            if isinstance(item, Shape) and item.hot.startswith("case:"):
                xs, ys = zip(*item.points, strict=True)
                boxes[item.hot[-1]] = [round(v / 25.4, 4) for v in (min(xs), max(xs), -max(ys), -min(ys))]
        self.assertEqual(boxes["B"], [24, 48, 67, 90.25])
        # Seen from its own front the second row runs the other way: D stands behind C, back to back.
        self.assertEqual(boxes["D"], [48, 72, 43.75, 67])
        self.assertEqual(boxes["E"], [24, 48, 43.75, 67])

    def test_walls_go_on_round_their_corners_whatever_islands_there_are(self) -> None:
        project = room_edits.with_another_wall(self.island())
        self.assertEqual([wall.island is None for wall in project.room.walls], [True, False, True])
        project = project.with_wall(1, replace(project.wall(1), right=End.CORNER))
        made = Made(replace(project, cases=(*project.cases, case("F", wall=3))))
        self.assertEqual(made.line(3).places[0].x, inches("23 1/4"))


class Readings(unittest.TestCase):
    def test_they_are_drawn_where_they_were_taken_and_never_on_each_other(self) -> None:
        def at(place: str, up: str | None, deep: Deep = Deep.ANY) -> Reading:
            return Reading(place, inches(40), up=inches(up) if up else None, deep=deep)

        high = inches(96).mm
        taken = [at("floor", "2", Deep.FRONT), at("floor", "2", Deep.BACK), at("counter", "36"), at("top", "90")]
        heights = reading_heights(taken, high)
        self.assertAlmostEqual(heights[2], inches(36).mm)
        for many in (taken, [at(f"place {i}", None) for i in range(9)], [at(f"place {i}", "95") for i in range(5)]):
            drawn = sorted(reading_heights(many, high))
            self.assertTrue(all(b - a > high * 0.05 for a, b in pairwise(drawn)), drawn)
            self.assertTrue(drawn[0] >= 0 and drawn[-1] <= high)

    def test_front_and_back_at_one_place_are_two_readings_and_the_same_twice_is_refused(self) -> None:
        front, back = Reading("floor", inches(40), deep=Deep.FRONT), Reading("floor", inches("39 7/8"), deep=Deep.BACK)
        made = Made(replace(run(case("A")), room=Room((Wall(widths=(front, back)),))))
        self.assertEqual(made.room.governing.length, inches("39 7/8"))  # type: ignore[union-attr]
        self.assertEqual(made.numbers["room/width.2"].label, "width at floor, back")
        with self.assertRaises(ValueError):
            Wall(widths=(front, front))
        project = made.project
        for key, put in (("room/width.1.up", "2 1/4"), ("room/width.1.up", None)):
            found = choice(project, key)
            assert found is not None
            project = found.put(inches(put)) if put else found.clear()  # type: ignore[misc]
            self.assertEqual(project.wall(1).widths[0].up, inches(put) if put else None)


class Diagonals(unittest.TestCase):
    def test_two_diagonals_tell_how_far_walls_lean(self) -> None:
        """A space 30 wide and 40 high that leans 1 1/4: diagonals by Pythagoras over 31 1/4 and 28 3/4 (plane geometry)."""
        wide, high, lean = inches(30), inches(40), inches("1 1/4")
        rising, falling = (Length(isqrt(w.ticks**2 + high.ticks**2)) for w in (wide + lean, wide - lean))
        wall = Wall(
            "Bay",
            (Reading("floor", wide),),
            Reading("ceiling", high),
            None,
            Reading("up", rising),
            Reading("down", falling),
        )
        tall = case("A", height=inches(38), depth=inches(10), follows=True)
        project = replace(new_project(), room=Room((wall,)), cases=(tall,))
        found = Made(project).room.lean
        assert found is not None
        self.assertLess(abs((found - lean).ticks), 20)
        # Over 38 of 40 in the lean takes 1 3/16 of a plumb case; 1/2 was left free.
        snag = coded(project, "room.lean")[0]
        self.assertIn("1 3/16", snag.sentence)
        after = mended(self, project, "room.lean")
        self.assertAlmostEqual(Made(after).run.stands["A"].width.length.mm / 25.4, 30 - 1.25 * 38 / 40, 3)
        square = project.with_wall(1, replace(wall, falling=wall.rising))
        self.assertEqual(coded(square, "room.lean"), [])
        self.assertIsNone(Made(project.with_wall(1, replace(wall, falling=None))).room.lean)

    def test_they_are_typed_like_any_reading(self) -> None:
        after = run(case("A"))
        square = Length(isqrt(inches(120).ticks ** 2 + inches(96).ticks ** 2))
        for key, size in (("rising", square), ("falling", inches(150))):
            found = choice(after, f"room/{key}")
            assert found is not None
            self.assertIsNone(found.value)
            after = found.put(size)
        # (120^2 + 96^2 - 150^2) / (4 x 120)
        lean = Made(after).room.lean
        assert lean is not None
        self.assertAlmostEqual(lean.mm / 25.4, (120**2 + 96**2 - 150**2) / 480, 3)
        texts = [getattr(item, "text", "") for item in room_view(Made(after)).items]
        self.assertIn("150", texts)


class Tops(unittest.TestCase):
    def test_ends_of_a_top_are_banded_where_they_are_seen(self) -> None:
        for walls, banded in (({}, {"front", "left", "right"}), ({"left": End.WALL}, {"front", "right"})):
            made = Made(run(case("A", counter=SheetTop()), **walls))
            bands = {face.words for face, _ in made.assembly("A").part("counter.top").bands}
            self.assertEqual(bands, banded)

    def test_a_top_goes_on_over_fillers_and_over_appliances_where_that_is_chosen(self) -> None:
        """1 1/2 of filler, 24, and at the end a dishwasher of 24 with 1/8 of air at each side: 25 1/2 and 49 3/4."""
        filler = RunSpace(1, "A", SpaceKind.FILLER, "filler", inches("1 1/2"), inches(34), inches(23), goods="case")
        machine = RunSpace(1, "", SpaceKind.APPLIANCE, "dishwasher", inches(24), inches(34), inches(24), inches("1/8"))
        for over, length in ((SheetTop(), "25 1/2"), (SheetTop(beside=True), "49 3/4")):
            made = Made(run(case("A", counter=over), spaces=(filler, machine), left=End.WALL))
            top = made.assembly("A").part("counter.top")
            self.assertEqual((top.length.length, top.corner[0]), (inches(length), ZERO - inches("1 1/2")))
            self.assertNotIn("left", {face.words for face, _ in top.bands})
            self.assertEqual(made.flaws, [])
        stove = replace(machine, height=inches(36))
        made = Made(run(case("A", counter=SheetTop(beside=True)), spaces=(filler, stove), left=End.WALL))
        self.assertEqual(made.assembly("A").part("counter.top").length.length, inches("25 1/2"))

    def test_round_a_corner_one_top_ends_at_the_front_edge_of_the_other(self) -> None:
        """Cases 23 1/4 deep, doors 3/4, overhang 1: the second top begins 1 3/4 beyond the corner of the cases."""
        one = replace(first_readings(inches(80), inches(96)), right=End.CORNER)
        two = replace(first_readings(inches(80), inches(96)), name="Two", left=End.CORNER, right=End.OPEN)
        cases = (case("A", counter=SheetTop(), follows=True), case("B", counter=SheetTop(), wall=2))
        made = Made(replace(new_project(), room=Room((one, two)), cases=cases))
        top = made.assembly("B").part("counter.top")
        self.assertEqual((top.corner[0], top.length.length), (inches("1 3/4"), inches("22 1/4")))
        self.assertEqual(made.assembly("A").part("counter.top").length.length, made.run.stands["A"].width.length)
        self.assertEqual(top.length.total(), top.length.length)


class Mirrored(unittest.TestCase):
    def test_the_other_way_round_ends_bases_and_tops_are_led_by_the_other_one(self) -> None:
        cases = [
            case("A", counter=SheetTop(over=3, left=inches(1)), left_seen=EndPanel()),
            case("B", kick=NotchedKick(carried=True)),
            case("C", kick=NotchedKick(carried=True), right_seen=GoodFace(), fronts=FaceFronts(face=Door("left"))),
        ]
        project = run(*cases)
        made = Made(project)
        image = mirrored(project, made.line(1))
        turned = Made(image)
        self.assertEqual([place.letter for place in turned.line(1).places], ["C", "B", "A"])
        self.assertEqual(turned.flaws, [])
        self.assertEqual(coded(image, "base") + coded(image, "counter"), [])
        self.assertIsInstance(image.case("A").right_seen, EndPanel)
        self.assertEqual(image.case("C").fronts.face, Door("right"))  # type: ignore[union-attr]
        lid = turned.assembly("C").part("counter.top")
        self.assertEqual(lid.length.length, made.assembly("A").part("counter.top").length.length)
        self.assertEqual(image.case("C").counter.right, inches(1))  # type: ignore[union-attr]
        again = mirrored(image, turned.line(1))
        self.assertEqual(again.cases, project.cases)


class Carried(unittest.TestCase):
    def test_what_is_fixed_once_it_stands_is_not_carried_in_with_a_case(self) -> None:
        plain = Made(run(case("A")))
        more = Made(run(case("A", counter=SheetTop(), left_seen=EndPanel(), kick=NotchedKick()), right=End.WALL))
        self.assertEqual(lifting(plain, plain.assembly("A")), lifting(more, more.assembly("A")))

    def test_the_story_stick_marks_case_and_panel(self) -> None:
        made = Made(run(case("A", left_seen=EndPanel()), right=End.WALL))
        marks = {mark.words: mark.at for mark in wall_stick(made, 1).marks}
        self.assertEqual(next(at for words, at in marks.items() if "case A begins" in words), inches("3/4"))
        self.assertTrue(any("end panel begins" in name and at == ZERO for name, at in marks.items()))
