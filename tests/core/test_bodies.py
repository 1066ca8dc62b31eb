# SPDX-License-Identifier: GPL-3.0-or-later
"""Two things are never in one place: rooms as wild as can be against plain boxes in space, and the cases that taught it."""

from __future__ import annotations

import unittest
from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import combinations
from random import Random
from typing import Any

from ablebox.core.cabinet.design import Case
from ablebox.core.cabinet.kinds import starting_case
from ablebox.core.case.end.end_panel import EndPanel
from ablebox.core.case.end.undecided import Undecided
from ablebox.core.errors import AbleBoxError
from ablebox.core.lengths import ZERO, Length, inches
from ablebox.core.project.run_widths import in_pieces
from ablebox.core.project.tree import Project, new_project
from ablebox.core.room.reading import Reading
from ablebox.core.room.room import Room
from ablebox.core.room.wall import End, Wall
from ablebox.core.run.space import RunSpace, SpaceKind
from ablebox.core.shop.made import Made
from ablebox.core.shop.weights import kilograms, lifting
from ablebox.core.snags.every import snags
from ablebox.core.snags.snag import Level, Snag
from ablebox.core.units import System
from tests.rooms import random_room

Span = tuple[Length, Length]


@dataclass(frozen=True)
class Body:
    """What stands or hangs, as a box: along the first wall, away from it, and up; ``wall`` counts walls, not islands."""

    name: str
    wall: int
    along: Span
    away: Span
    up: Span

    def meets(self, other: Body) -> bool:
        pairs = ((self.along, other.along), (self.away, other.away), (self.up, other.up))
        return all(a[0] < b[1] and b[0] < a[1] for a, b in pairs)


def bodies(made: Made) -> Iterator[tuple[Body, Body]]:
    """Return all pairs at one wall, and at two that meet in a corner, in the coordinates of the first of the two."""
    walls = [room for room in made.rooms if room.wall.island is None]
    for i, room in enumerate(walls):
        here = list(_at(made, i, room.number, None))
        yield from combinations(here, 2)
        if i + 1 < len(walls) and walls[i + 1].wall.left is End.CORNER and room.governing is not None:
            for other in _at(made, i + 1, walls[i + 1].number, room.governing.length):
                yield from ((body, other) for body in here)


def _at(made: Made, wall: int, number: int, turned: Length | None) -> Iterator[Body]:
    for upper in (False, True):
        for place in made.line(number, upper).places:
            space = made.project.spaces[place.space - 1] if place.space else None
            if place.width.length <= ZERO or (space is not None and space.kind is SpaceKind.OPEN):
                continue
            along, away, up = (place.x, place.end), (ZERO, place.depth), (place.low, place.high)
            if turned is not None:
                along, away = (turned - place.depth, turned), along
            yield Body(place.name, wall, along, away, up)


class OneInAnother(unittest.TestCase):
    def test_in_wild_rooms_it_is_never_left_unsaid(self) -> None:
        said = {
            "clash.cases",
            "built.not",
            "fit.through",
            "fit.width",
            "fit.spare",
            "fit.beyond",
            "corner.fronts",
            "corner.place",
            "corner.depth",
        }
        built = meeting = 0
        for seed in range(110):
            try:
                made = Made(random_room(Random(f"bodies {seed}")))
            except AbleBoxError:
                continue
            built += 1
            found = [(a.name, b.name) for a, b in bodies(made) if a.meets(b)]
            if found:
                meeting += 1
                self.assertTrue(said & {snag.code for snag in snags(made)}, f"seed {seed}: {found}")
        self.assertGreater(built, 60)
        self.assertGreater(meeting, 10)

    def room(self, *cases: Case, spaces: tuple[RunSpace, ...] = (), walls: int = 1) -> Project:
        def wall(name: str, **more: Any) -> Wall:
            return Wall(name, (Reading("floor", inches(120)),), Reading("ceiling", inches(96)), **more)

        all_walls = (wall("Long"), wall("Short", left=End.CORNER))[:walls]
        return replace(new_project(System.INCH), room=Room(all_walls), cases=cases, spaces=spaces)

    def told(self, project: Project, code: str) -> list[Snag]:
        return [snag for snag in snags(Made(project)) if snag.code == code]

    def test_what_hangs_before_something_tall_ends_there_or_says_so(self) -> None:
        """1/4 of the wall, then 20 of base: a hung case of 24 goes 4 into the tall one beside."""
        base = replace(starting_case("A", "base", System.INCH), width=inches(20))
        hung = replace(starting_case("B", "wall", System.INCH), width=inches(24))
        project = self.room(base, hung, replace(starting_case("C", "tall", System.INCH)))
        (snag,) = self.told(project, "fit.through")
        self.assertIs(snag.level, Level.STOP)
        self.assertIn("B hangs from 1/4 to 24 1/4, and C stands there from 20 1/4", snag.sentence)
        assert snag.fix is not None
        assert snag.fix.project is not None
        self.assertEqual(snag.fix.project.case("B").width, inches(20))
        self.assertEqual(self.told(snag.fix.project, "fit.through"), [])

    def test_over_a_high_appliance_a_case_is_hung_higher_if_the_ceiling_lets_it(self) -> None:
        cold = RunSpace(1, "A", SpaceKind.APPLIANCE, "refrigerator", inches(30), inches(64), inches(28))
        hung = replace(starting_case("A", "wall", System.INCH), height=inches(30), hang=inches(54))
        (snag,) = self.told(self.room(hung, spaces=(cold,)), "fit.through")
        assert snag.fix is not None
        assert snag.fix.project is not None
        self.assertEqual(snag.fix.project.case("A").hang, inches(64))
        higher = replace(cold, height=inches(67))
        (snag,) = self.told(self.room(hung, spaces=(higher,)), "fit.through")
        self.assertIsNone(snag.fix)
        free = replace(higher, kind=SpaceKind.OPEN)
        self.assertEqual(self.told(self.room(hung, spaces=(free,)), "fit.through"), [])

    def test_round_the_corner_the_deepest_in_reach_is_taken_off(self) -> None:
        """A tall case of 23 1/4 in the corner keeps what hangs on the next wall away; a base of that depth does not."""
        hung = replace(starting_case("B", "wall", System.INCH), wall=2)
        for kind, begins in (("tall", inches("23 1/4")), ("base", ZERO)):
            corner = replace(starting_case("A", kind, System.INCH), width=inches(119), depth=inches("23 1/4"))
            place = Made(self.room(corner, hung, walls=2)).place("B")
            assert place is not None
            self.assertEqual(place.x, begins + (inches("1/4") if kind == "base" else ZERO), kind)
        # A shallow last case does not hide the deep one beside it from a case that reaches so far.
        deep = replace(starting_case("A", "base", System.INCH), width=inches(100), depth=inches(24))
        shallow = replace(starting_case("C", "base", System.INCH), width=inches(19), depth=inches(12))
        other = replace(starting_case("D", "base", System.INCH), wall=2, depth=inches(24))
        for depth, begins in (("24", 24), ("12", 12)):
            place = Made(self.room(deep, shallow, replace(other, depth=inches(depth)), walls=2)).place("D")
            assert place is not None
            self.assertEqual(place.x, inches(begins), depth)


class Lifting(unittest.TestCase):
    def test_what_is_too_much_for_two_is_lifted_bare(self) -> None:
        """One person lifts about 50 lb, two about 100 (common practice)."""
        for kind, sizes, people in (
            ("wall", ("24", "15", "12"), ""),
            ("base", ("30", "34 1/2", "23 1/4"), "two people lift it"),
            ("tall", ("24", "80", "20"), "shelves out, two people lift it"),
            ("tall", ("48", "90", "30"), "shelves out, three people lift it"),
        ):
            width, height, depth = map(inches, sizes)
            case = replace(starting_case("A", kind, System.INCH), width=width, height=height, depth=depth)
            made = Made(replace(new_project(System.INCH), room=Room((Wall("W", ()),)), cases=(case,)))
            words = lifting(made, made.assembly("A"))
            self.assertTrue(words.endswith(people) if people else words.endswith("lb"), f"{kind}: {words}")
            whole, bare = (kilograms(made, made.assembly("A"), bare=out) for out in (False, True))
            out = [p for p in made.assembly("A").parts if p.stands == "front" or p.name == "shelf"]
            litres = sum(p.length.length.mm * p.width.length.mm * p.thickness.length.mm for p in out) * 1e-6
            # Sheets weigh between 0.45 and 0.8 kg a litre, from light softwood ply to MDF (common practice).
            self.assertTrue(0.45 * litres < whole - bare < 0.8 * litres, f"{kind}: {whole - bare} for {litres}")


class Several(unittest.TestCase):
    def test_one_wide_case_becomes_several_with_its_ends_outside(self) -> None:
        wide = replace(
            starting_case("A", "base", System.INCH), width=inches(90), left_seen=EndPanel(), right_seen=EndPanel()
        )
        project = replace(new_project(System.INCH), cases=(wide,), measured={"A/width": inches(91)})
        parted = in_pieces(project, "A", 3, inches(30))
        self.assertEqual([case.width for case in parted.cases], [inches(30)] * 3)
        ends = [type(end) for case in parted.cases for end in (case.left_seen, case.right_seen)]
        self.assertEqual(ends, [EndPanel, *[Undecided] * 4, EndPanel])
        self.assertEqual(parted.measured, {})
