# SPDX-License-Identifier: GPL-3.0-or-later
"""The bench: an order that can be built, gates, doubt; random designs are built again from what is told."""

from __future__ import annotations

import copy
import json
import unittest
from collections.abc import Iterator
from dataclasses import replace
from random import Random
from typing import Any

import numpy as np

from ablebox.cli import demo
from ablebox.core.assembly.fastener import Fastener, FastenerKind
from ablebox.core.assembly.part import CutKind
from ablebox.core.assembly.role import PartKind, Role, Side
from ablebox.core.assembly.solid import Box
from ablebox.core.bench.bench import Bench, bench_of, place_of
from ablebox.core.bench.clamping import Clamps
from ablebox.core.bench.clearances import clearances
from ablebox.core.bench.doubt import DoubtTerm, likely, worst
from ablebox.core.bench.gates import Ask, is_open, lines
from ablebox.core.bench.replay import replay
from ablebox.core.bench.replay_reach import clamped
from ablebox.core.bench.step import Step
from ablebox.core.bench.thing import ThingKind
from ablebox.core.bench.verb import Gate, What
from ablebox.core.cabinet.kinds import starting_case
from ablebox.core.drawing.bench_words import BenchWords
from ablebox.core.drawing.gate_words import gate_line
from ablebox.core.drawing.job_view import job_view
from ablebox.core.lengths import inches, millimetres
from ablebox.core.order.order import QUESTIONS
from ablebox.core.paper.data.assembly_json import assembly_tree
from ablebox.core.paper.data.doubt_json import doubt_tree
from ablebox.core.paper.data.steps_json import steps_tree
from ablebox.core.project.bench_edits import ordered, ticked
from ablebox.core.project.choices import set_measured
from ablebox.core.project.files import load
from ablebox.core.project.tree import Project, new_project
from ablebox.core.reach import Room
from ablebox.core.shop.made import Made
from ablebox.core.snags.every import snags
from ablebox.core.units import System
from ablebox.core.ways.space import Space
from ablebox.core.ways.way import Move, way_in
from tests.many import many

MM = 16_000


def built(project: Project) -> Made:
    return Made(project)


def told(made: Made) -> tuple[list[dict[str, Any]], dict[str, Any]]:
    """Return what an outsider is told: everything in space, and the steps."""
    return json.loads(json.dumps(assembly_tree(made))), json.loads(json.dumps(steps_tree(Bench(made))))


def demos() -> Iterator[tuple[str, Project]]:
    for name in demo.names():
        yield name, load(demo.path_of(name)).project


def of(made: Made, letter: str, what: What) -> Step:
    return next(step for step in bench_of(made).case(letter).steps if step.what is what)


class Ways(unittest.TestCase):
    """The way in, on boxes small enough to see through."""

    @staticmethod
    def box(x0: int, y0: int, z0: int, x1: int, y1: int, z1: int) -> Box:
        return Box((x0 * MM, y0 * MM, z0 * MM), (x1 * MM, y1 * MM, z1 * MM))

    def way(self, part: Box, *others: Box, tips: bool = False) -> tuple[Move, ...] | None:
        space = Space([[part], *([other] for other in others)])
        there = np.ones(space.count, np.bool_)
        return way_in(space, [0], there, [(0, -1), (0, 1), (1, -1), (1, 1), (2, -1), (2, 1)], None, tips)

    def test_a_shelf_between_two_sides_comes_from_the_front_and_in_a_closed_box_not_at_all(self) -> None:
        shelf = self.box(0, 0, 100, 500, 300, 118)
        left, right = self.box(-18, 0, 0, 0, 300, 700), self.box(500, 0, 0, 518, 300, 700)
        low, high = self.box(0, 0, 0, 500, 300, 18), self.box(0, 0, 682, 500, 300, 700)
        back, front = self.box(-18, 300, 0, 518, 306, 700), self.box(-18, -18, 0, 518, 0, 700)
        self.assertEqual(self.way(shelf, left, right, low, high, back), (Move(1, 1),))
        self.assertIsNone(self.way(shelf, left, right, low, high, back, front))

    def test_what_is_caught_behind_a_lip_comes_in_by_two_moves(self) -> None:
        """A panel behind a rail that overlaps it below is lifted over the rail, then lowered."""
        panel = self.box(0, 100, 0, 300, 110, 200)
        sides = self.box(-20, 0, 0, 0, 400, 600), self.box(300, 0, 0, 320, 400, 600)
        back, lip = self.box(0, 110, 0, 300, 400, 600), self.box(0, 80, 0, 300, 100, 50)
        top, floor = self.box(-20, 0, 600, 320, 400, 620), self.box(-20, 0, -20, 320, 400, 0)
        self.assertEqual(self.way(panel, *sides, back, lip, top, floor), (Move(1, 1), Move(2, -1)))

    def test_a_shelf_is_tipped_through_a_frame_narrower_than_itself_where_there_is_height(self) -> None:
        shelf = self.box(2, 20, 400, 598, 300, 418)
        sides = self.box(-18, 20, 0, 0, 320, 1000), self.box(600, 20, 0, 618, 320, 1000)
        frame = [self.box(-18, 0, 0, 20, 20, 1000), self.box(580, 0, 0, 618, 20, 1000)]
        back, floor = self.box(-18, 320, 0, 618, 326, 1000), self.box(0, 20, -18, 600, 320, 0)
        lid = self.box(0, 20, 1000, 600, 320, 1018)
        rails = [self.box(20, 0, 900, 580, 20, 1000), self.box(20, 0, 0, 580, 20, 60)]
        found = self.way(shelf, *sides, *frame, *rails, back, floor, lid, tips=True)
        self.assertEqual(found, (Move(1, 1), Move(1, 0)))
        low = [self.box(20, 0, 430, 580, 20, 1000), rails[1]]
        self.assertIsNone(self.way(shelf, *sides, *frame, *low, back, floor, lid, tips=True))

    def test_a_clamp_presses_through_all_that_touches_and_needs_its_room_beyond(self) -> None:
        """A dowelled shelf between sides: a wall 150 mm off leaves room for a jaw of 102, one 50 mm off does not; planner and proof alike."""
        shelf = self.box(18, 0, 300, 518, 300, 318)
        left, right = self.box(0, 0, 0, 18, 300, 700), self.box(518, 0, 0, 536, 300, 700)
        dowel = Fastener(
            FastenerKind.DOWEL, "dowels 8", millimetres(8), (38 * MM, 150 * MM, 309 * MM), (-2 * MM, 150 * MM, 309 * MM),
            (Role(PartKind.SIDE, Side.LEFT),), Role(PartKind.FIXED_SHELF, number=(1,)), "",
        )  # fmt: skip
        for off, free in ((150, True), (50, False)):
            bodies = [shelf, left, right, self.box(536 + off, 0, 0, 554 + off, 300, 700)]
            space = Space([[body] for body in bodies])
            there = np.ones(4, np.bool_)
            clamps = Clamps(space, there, [dowel], Room(inches(4), inches(2)))
            met = clamps.set([0], frozenset({0, 1}), there)
            self.assertEqual(met is None, free)
            self.assertEqual(met is None or list(np.flatnonzero(met)), True if free else [3])
            solids = [np.array([[body.low, body.high]]) / MM for body in bodies]
            middle = np.array([18.0, 150.0, 309.0])
            self.assertEqual(clamped(middle, 0, solids[:2], solids[2:], (101.6, 50.8)), free)


class Order(unittest.TestCase):
    def test_every_demo_is_built_again_from_what_is_told(self) -> None:
        for name, project in demos():
            with self.subTest(name):
                made = built(project)
                self.assertEqual([step.key for case in bench_of(made).cases for step in case.stuck], [])
                space, steps = told(made)
                self.assertEqual(replay(space, steps), [])
                pieces = {part["piece"] for thing in space for part in thing["parts"]}
                about = {piece for step in steps["steps"] for piece in step["pieces"]}
                self.assertEqual(
                    about, pieces, "every piece is about something, blocks, fillers and loose parts as well"
                )

    def test_the_replay_sees_what_is_told_wrong(self) -> None:
        """Steps exchanged, a part, a fastener or a hole forgotten, a way through wood: each is seen."""
        made = built(load(demo.path_of("heron-house")).project)
        space, steps = told(made)
        own = [i for i, step in enumerate(steps["steps"]) if step["cases"] == [{"case": "C", "copy": 1}]]
        at = {steps["steps"][i]["title"]: i for i in own}

        def spoiled(change) -> list[str]:  # type: ignore[no-untyped-def]
            other = copy.deepcopy(steps)
            change(other["steps"])
            return replay(space, other)

        def put_late(rows: list[dict[str, Any]]) -> None:
            rows[at["shelves"]]["puts"], rows[at["doors"]]["puts"] = (
                rows[at["doors"]]["puts"],
                rows[at["shelves"]]["puts"],
            )

        def through_wood(rows: list[dict[str, Any]]) -> None:
            rows[at["back"]]["puts"][0]["way"] = [[1.0, 0.0, 0.0]]

        def forgotten(rows: list[dict[str, Any]]) -> None:
            rows[at["top rails"]]["does"] = []

        def never_there(rows: list[dict[str, Any]]) -> None:
            rows[at["back"]]["puts"] = []

        def too_late(rows: list[dict[str, Any]]) -> None:
            rows[at["boxes"]]["does"], rows[at["check"]]["does"] = [], rows[at["boxes"]]["does"]

        for change, words in (
            (put_late, "cannot come in"), (through_wood, "cannot come in"), (forgotten, "is never driven"),
            (never_there, "is never put in"), (too_late, "no tool reaches"),
        ):  # fmt: skip
            self.assertTrue(any(words in fault for fault in spoiled(change)), change.__name__)

        # Slots for trays are finished before anything stands beside them, or no brush gets in.
        space, steps = told(built(load(demo.path_of("lantern-yard")).project))

        def forgotten_inside(rows: list[dict[str, Any]]) -> None:
            next(row for row in rows if row["title"] == "prefinish")["pieces"] = ["nothing"]

        self.assertTrue(any("no brush reaches all of A-14" in fault for fault in spoiled(forgotten_inside)))

    def test_every_answer_of_every_school_gives_an_order_that_can_be_built(self) -> None:
        project = load(demo.path_of("heron-house")).project
        project = replace(project, cases=tuple(case for case in project.cases if case.letter == "C"))
        for question, answers in QUESTIONS.items():
            for answer in answers:
                made = built(ordered(project, "", question, answer))
                with self.subTest(f"{question}: {answer.value}"):
                    self.assertEqual(replay(*told(made)), [])

    def test_schools_move_what_they_are_about(self) -> None:
        project = load(demo.path_of("heron-house")).project

        def at(made: Made, what: What) -> int:
            case = bench_of(made).case("C")
            return next(i for i, step in enumerate(case.steps) if step.what is what)

        usual = built(project)
        self.assertLess(at(usual, What.PINS), at(usual, What.CASE))
        later = built(ordered(project, "", "pins", next(a for a in QUESTIONS["pins"] if a.value == "on-case")))
        self.assertGreater(at(later, What.PINS), at(later, What.SIDE))
        self.assertLess(at(later, What.PINS), at(later, What.BACK))
        self.assertLess(at(usual, What.BACK), at(usual, What.FRAME))
        after = built(ordered(project, "", "back", next(a for a in QUESTIONS["back"] if a.value == "after-frame")))
        self.assertGreater(at(after, What.BACK), at(after, What.FRAME))
        first = built(ordered(project, "", "frame", next(a for a in QUESTIONS["frame"] if a.value == "on-case")))
        self.assertNotIn(What.FRAME_MADE, {step.what for step in bench_of(first).case("C").steps})
        bench = built(ordered(project, "C", "slides", next(a for a in QUESTIONS["slides"] if a.value == "bench")))
        self.assertLess(at(bench, What.SLIDES), at(bench, What.CASE))
        self.assertEqual(bench.project.bench.orders.keys(), {"C"})

    def test_batches_keep_every_case_s_own_order_and_ask_for_fewer_set_ups(self) -> None:
        project = load(demo.path_of("heron-house")).project
        one = Bench(built(project))
        made = built(ordered(project, "", "batch", next(a for a in QUESTIONS["batch"] if a.value == "batch")))
        batch = Bench(made)
        for case in one.cases:
            keys = [step.key for job in batch.steps for letter, step in job.rows if letter == case.letter]
            self.assertEqual(keys, [step.key for step in case.steps])
        self.assertLess(batch.price.settings, one.price.settings)
        self.assertLess(len(batch.steps), len(one.steps))
        self.assertEqual(replay(*told(made)), [])

    def test_what_needs_what(self) -> None:
        """Needs are earlier; numbers run through; what closes was open before; every ask is a number's key."""
        for name, project in demos():
            made = built(project)
            tree = steps_tree(bench_of(made))
            self.assertEqual([step["n"] for step in tree["steps"]], list(range(1, len(tree["steps"]) + 1)))
            ids: set[str] = set()
            for step in tree["steps"]:
                self.assertTrue(all(need < step["n"] for need in step["needs"]), name)
                self.assertFalse(ids & set(step["closes"]), name)
                ids |= set(step["closes"])
                self.assertTrue(all("/" in ask for ask in step["asks"]))

    def test_a_changed_design_changes_its_steps_and_leaves_others_as_they_are(self) -> None:
        project = load(demo.path_of("heron-house")).project
        made = built(project)
        before = bench_of(made)
        case = project.case("G")
        after_project = project.with_case(replace(case, height=case.height + inches(2)))
        after = Bench(Made(after_project, made))
        for letter in "ABCDEF":
            self.assertIs(before.case(letter).steps[0], after.case(letter).steps[0])
            self.assertEqual(before.case(letter), after.case(letter))
        self.assertIsNot(before.case("G").steps[0], after.case("G").steps[0])


class Gates(unittest.TestCase):
    def setUp(self) -> None:
        self.project = load(demo.path_of("heron-house")).project
        self.made = built(self.project)

    def test_the_back_asks_for_pins_diagonals_and_openings(self) -> None:
        bench = bench_of(self.made)
        back = of(self.made, "C", What.BACK)
        self.assertIs(back.gate, Gate.BACK)
        rows = lines(bench, "C", back)
        self.assertLessEqual({What.PINS, What.SQUARE}, {row.step.what for row in rows if row.step is not None})
        self.assertLessEqual({Ask.OPENINGS, Ask.WIPED}, {row.ask for row in rows})
        self.assertNotIn(Ask.OPENINGS, {row.ask for row in lines(bench, "D", of(self.made, "D", What.BACK))})

    def test_a_line_is_ticked_by_its_step_and_an_open_one_is_a_snag(self) -> None:
        case = bench_of(self.made).case("C")
        at = case.keys[of(self.made, "C", What.BACK).key]
        done = [place_of("C", 1, step.key) for step in case.steps[:at]]
        others = [
            place for job in bench_of(self.made).steps for place in job.places if not place.startswith("C/")
        ]  # fmt: skip
        asked = [
            row.place for step in case.steps[:at] for row in lines(bench_of(self.made), "C", step) if row.step is None
        ]
        made = built(ticked(self.project, [*others, *done, *asked], True))
        bench = bench_of(made)
        self.assertEqual(bench.at_hand.step.what if bench.at_hand else None, What.BACK)
        left = is_open(bench, "C", of(made, "C", What.BACK))
        self.assertEqual({row.ask for row in left}, {Ask.DIAGONALS, Ask.WIPED, Ask.OPENINGS})
        self.assertIn("bench.gate", {snag.code for snag in snags(made)})
        shut = built(ticked(made.project, [row.place for row in left], True))
        bench_of(shut)
        self.assertNotIn("C", {snag.case for snag in snags(shut) if snag.code == "bench.gate"})

    def test_a_step_ticked_before_what_it_needs_is_told(self) -> None:
        made = built(ticked(self.project, [place_of("C", 1, "back")], True))
        bench_of(made)
        self.assertIn("bench.early", {snag.code for snag in snags(made)})

    def test_what_is_finished_before_it_is_glued_is_taped(self) -> None:
        """Slots between dividers are finished loose: their dadoes take glue and stay bare. So does every side where finish comes first."""
        bench = bench_of(built(load(demo.path_of("lantern-yard")).project))
        (job,) = [job for job in bench.steps if job.step.what is What.PREFINISH and job.letters == ("A",)]
        said = " ".join(BenchWords(bench).of(job).do)
        self.assertIn("Tape where glue goes: the slots of", said)
        first = next(answer for answer in QUESTIONS["finish"] if answer.value == "before")
        bench = bench_of(built(ordered(self.project, "", "finish", first)))
        job = next(
            job for job in bench.steps if job.step.what is What.FINISH and job.letters == ("C",) and job.step.roles
        )
        slotted = {
            part.role for part in bench.assembly("C").parts if any(cut.kind is CutKind.DADO for cut in part.told.cuts)
        }
        told = " ".join(BenchWords(bench).of(job).do)
        words = BenchWords(bench)
        self.assertTrue(
            all(code in told or "to C-" in told for code in words.codes("C", slotted & set(job.step.roles)))
        )

    def test_every_line_of_every_gate_has_words(self) -> None:
        words = BenchWords(bench_of(self.made))
        for job in bench_of(self.made).steps:
            for letter, step in job.rows:
                for row in lines(bench_of(self.made), letter, step):
                    self.assertTrue(gate_line(words.fetched, letter, step, row))


class Words(unittest.TestCase):
    def test_every_step_of_every_demo_says_what_to_do_and_is_drawn(self) -> None:
        for name, project in demos():
            made = built(project)
            bench, words = bench_of(made), BenchWords(bench_of(made))
            for job in bench.steps:
                said = words.of(job)
                self.assertTrue(said.title and said.do and said.tools, (name, job.n))
                self.assertGreaterEqual(said.minutes, 5)
                letter, step = job.rows[0]
                codes = {role: part.code for part in made.parts if part.case == letter for role in part.roles}
                drawn = job_view(bench, letter, step, codes)
                self.assertTrue(drawn.items or step.what in (What.CHECK, What.FINISH), (name, job.n))

    def test_counts_are_those_of_the_case(self) -> None:
        """Every screw of a case is fetched at one step and one only, with its name."""
        made = built(load(demo.path_of("heron-house")).project)
        bench = bench_of(made)
        for case in bench.cases:
            driven = [thing for step in case.steps for thing in step.does if thing.kind is ThingKind.FASTENER]
            self.assertEqual(len(driven), len(set(driven)))


class Doubt(unittest.TestCase):
    def test_the_likely_range_is_that_of_many_trials(self) -> None:
        """Against a Monte Carlo run with NumPy: sums of one to nine terms, some moving together."""
        rng = Random(5)
        dice = np.random.default_rng(5)
        for _ in range(many(12)):
            terms = [
                DoubtTerm(
                    rng.choice("abcdefghi"),
                    "",
                    10.0,
                    rng.choice((0.0, 0.2, 0.4, 0.79)),
                    rng.choice((1.0, -1.0, 2.0, 0.5)),
                )
                for _ in range(rng.randint(1, 9))
            ]
            keys = sorted({term.key for term in terms})
            off = {key: dice.uniform(-1, 1, 200_000) for key in keys}
            total = sum((off[term.key] * term.limit * term.factor for term in terms), np.zeros(200_000))
            low, high = np.quantile(total, (0.025, 0.975))
            self.assertAlmostEqual(likely(terms), (high - low) / 2, delta=0.01 + 0.01 * worst(terms))
            self.assertLessEqual(np.abs(total).max(), worst(terms) + 1e-9)

    def test_every_play_adds_up_and_measuring_helps(self) -> None:
        for name, project in demos():
            rows = clearances(built(project))
            self.assertTrue(rows, name)
            for row in rows:
                self.assertGreater(row.play, 0.0)
                self.assertLessEqual(row.likely, row.worst + 1e-9)
                helps = row.best()
                self.assertEqual(
                    [each.takes_away for each in helps], sorted((each.takes_away for each in helps), reverse=True)
                )
                self.assertTrue(all(0 < each.takes_away <= row.likely + 1e-9 for each in helps))
            for tree in doubt_tree(rows):
                total = sum(term["value_mm"] * term["factor"] for term in tree["terms"])
                self.assertAlmostEqual(total, tree["play_mm"], places=3)

    def test_measured_sheets_take_the_doubt_of_slides_away(self) -> None:
        project = new_project()
        case = replace(starting_case("A", "drawers", System.INCH), follows=False)
        made = built(replace(project, cases=(case,)))
        before = next(row for row in clearances(made) if row.key.endswith("/slide"))
        self.assertFalse(before.holds)
        best = before.best()
        self.assertEqual(best[0].key, "stock/box/thickness")
        self.assertIn("A/drawer.1.opening/width", {each.key for each in best})
        rack = made.project.rack
        goods = tuple(replace(row, measured=row.nominal) for row in rack.goods)
        known = built(replace(made.project, rack=replace(rack, goods=goods)))
        after = next(row for row in clearances(known) if row.key == before.key)
        self.assertTrue(after.holds)
        self.assertAlmostEqual(before.likely - after.likely, best[0].takes_away, delta=0.02)
        opening = next(number for number in made.assembly("A").sums if number.key == "A/drawer.1.opening/width")
        read = built(set_measured(known.project, opening.key, opening.length))
        surer = next(row for row in clearances(read) if row.key == before.key)
        self.assertLess(surer.likely, after.likely)

    def test_parts_that_bound_a_narrow_space_are_finished_before(self) -> None:
        made = built(load(demo.path_of("heron-house")).project)
        early = of(made, "C", What.PREFINISH)
        self.assertTrue(all(role.kind is PartKind.PANEL for role in early.roles))


if __name__ == "__main__":
    unittest.main()
