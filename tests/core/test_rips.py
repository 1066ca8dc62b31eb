# SPDX-License-Identifier: GPL-3.0-or-later
"""Strips from boards, the fence list and cuts at the store, story sticks and the room from above: worked or proven."""

from __future__ import annotations

import io
import unittest
from collections import Counter
from dataclasses import replace
from itertools import pairwise
from math import dist
from random import Random

from pypdf import PdfReader

from ablebox.cli import demo
from ablebox.core.cuts.boards import fewest
from ablebox.core.cuts.rips import Plank, RipPlan, Wanted, plan_rips
from ablebox.core.cuts.saw_cut import CutKind
from ablebox.core.cuts.saw_order import cuts_of
from ablebox.core.drawing.plan_view import plan_view
from ablebox.core.drawing.run_view import run_view
from ablebox.core.drawing.shapes import Dimension, Label, Path
from ablebox.core.drawing.story_view import story_view
from ablebox.core.lengths import ZERO, inches
from ablebox.core.paper.canvas.check_line import POINTS
from ablebox.core.paper.full_size.story_sticks import story_sticks, strips
from ablebox.core.paper.lists.fence_list import fence_rows, store_lines
from ablebox.core.project.files import load
from ablebox.core.project.rack_edits import with_saw_style
from ablebox.core.project.room_edits import change_wall
from ablebox.core.project.tree import new_project
from ablebox.core.room.reading import Reading
from ablebox.core.room.room import Room
from ablebox.core.room.wall import End, Wall
from ablebox.core.shop.batches import price
from ablebox.core.shop.made import Made
from ablebox.core.shop.plans import plan_all
from ablebox.core.shop.story import case_stick, wall_stick
from ablebox.core.stock import Board, Defect, SawStyle
from tests.tables import rows

KERF = 3


class Rips(unittest.TestCase):
    def proven(self, plan: RipPlan, wanted: list[Wanted], planks: list[Plank]) -> None:
        """What a person checks with a tape: each part once, from a strip as wide, all strips on their board."""
        sizes = {part.code: part for part in wanted}
        found = [stick.code for board in plan.boards for strip in board.strips for stick in strip.cut.sticks]
        self.assertEqual(sorted(found + [p.code for p in plan.too_large]), sorted(sizes))
        used = Counter(board.plank for board in plan.boards)
        for plank, count in used.items():
            self.assertIn(plank, planks)
            if plank.count is not None:
                self.assertLessEqual(count, plank.count)
        for board in plan.boards:
            wide = sum(strip.width for strip in board.strips) + KERF * (len(board.strips) - 1)
            self.assertLessEqual(wide, board.plank.width)
            for strip in board.strips:
                long = sum(stick.length for stick in strip.cut.sticks) + KERF * (len(strip.cut.sticks) - 1)
                self.assertLessEqual(long, board.plank.length - 2 * board.plank.loss)
                for stick in strip.cut.sticks:
                    self.assertLessEqual(sizes[stick.code].width, strip.width)
                    self.assertEqual(stick.length, sizes[stick.code].length)

    def test_random_boards_give_every_part_and_never_a_false_proof(self) -> None:
        some = 0
        for seed in range(60):
            rng = Random(seed)
            widths = rng.sample((38, 63, 89, 140), rng.randint(1, 3))
            wanted = [Wanted(f"p{i}", rng.randint(100, 1500), rng.choice(widths)) for i in range(rng.randint(1, 14))]
            planks = [Plank(f"b{w}", 2400, w, None, rng.choice((None, w * 10))) for w in (63, 140, 190)]
            planks += [Plank("own", rng.randint(800, 2400), rng.choice((89, 140)), rng.randint(1, 2))]
            plan = plan_rips(wanted, planks, KERF)
            self.proven(plan, wanted, planks)
            if plan.proven and plan.bought and len(widths) == 1:
                most = max((190 + KERF) // (widths[0] + KERF), 1)
                least = fewest([part.length + KERF for part in wanted], 2400 + KERF)
                self.assertGreaterEqual(len(plan.bought) * most, least, f"seed {seed}")
                some += 1
        self.assertGreater(some, 2)

    @rows(
        # Two strips of 38 and a kerf are 79: both come from one board of 89, not from two.
        ([(2000, 38), (2000, 38)], [89], 1),
        # Three are 120: more than 89, so two boards.
        ([(2000, 38)] * 3, [89], 2),
        # A part of 63 and one of 89 behind it share a strip of 89 where that saves a board.
        ([(1000, 89), (1300, 63)], [89], 1),
    )
    def test_by_hand(self, parts: list[tuple[int, int]], boards: list[int], count: int) -> None:
        wanted = [Wanted(f"p{i}", long, wide) for i, (long, wide) in enumerate(parts)]
        plan = plan_rips(wanted, [Plank(f"b{w}", 2400, w) for w in boards], KERF)
        self.assertEqual(len(plan.boards), count)

    def test_what_is_on_the_rack_goes_first_and_defects_are_cut_out(self) -> None:
        board = Board(
            "own", inches(4), inches(60), None, 1, (Defect(inches(24), inches(2)), Defect(inches(50), inches(10)))
        )
        self.assertEqual([(a, b) for a, b in board.clear], [(ZERO, inches(24)), (inches(26), inches(24))])
        self.assertRaises(ValueError, lambda: replace(board, defects=(Defect(inches(59), inches(2)),)))
        own, sold = Plank("own", 1000, 89, 1), Plank("sold", 2400, 89)
        plan = plan_rips([Wanted("a", 900, 89), Wanted("b", 900, 89)], [own, sold], KERF)
        self.assertEqual([b.plank.code for b in plan.boards], ["own", "sold"])
        self.assertFalse(plan_rips([Wanted("a", 3000, 38)], [sold], KERF).boards)


class OnPaper(unittest.TestCase):
    @classmethod
    def setUpClass(cls) -> None:
        cls.made = Made(load(demo.path_of("heron-house")).project)
        cls.plans = plan_all(cls.made, 20)

    def test_the_fence_list_has_every_cut_once_in_the_order_of_work(self) -> None:
        for code, plan in self.plans.items():
            found = [(number, n, cut) for row in fence_rows(self.made, code, plan) for number, n, cut, _ in row.cuts]
            self.assertEqual([n for _, n, _ in found], list(range(1, len(found) + 1)))
            for number, sheet in zip(plan.numbers, plan.sheets, strict=True):
                cuts = Counter(cut for there, _, cut in found if there == number)
                self.assertEqual(cuts, Counter(cuts_of(plan, sheet).cuts))

    def test_batches_save_settings_and_say_what_they_cost(self) -> None:
        saved = [0, 0, 0]
        for plan in self.plans.values():
            one, three, every = (price(self.made, plan, batch) for batch in (1, 3, 0))
            self.assertEqual(one.begun, 1)
            self.assertLessEqual(three.begun, 3)
            self.assertEqual(every.begun, len(plan.sheets))
            for i, each in enumerate((one, three, every)):
                saved[i] += each.settings
        self.assertLess(saved[2], 0.76 * saved[0])
        self.assertLess(saved[1], saved[0])

    def test_a_store_is_asked_for_few_cuts_over_size(self) -> None:
        self.assertEqual(store_lines(self.made, self.plans), [])
        made = Made(with_saw_style(self.made.project, SawStyle.STORE))
        plans = plan_all(made, 20)
        lines = store_lines(made, plans)
        self.assertTrue(lines)
        rough = [
            cut for plan in plans.values() for sheet in plan.sheets for cut in cuts_of(plan, sheet).cuts
            if cut.kind is CutKind.ROUGH and not sheet.supply.offcut
        ]  # fmt: skip
        self.assertEqual(sum(line.count(" at ") for line in lines), len(rough))
        self.assertLessEqual(max(line.count(" at ") for line in lines), made.project.rack.saw.store_cuts)

    def test_strips_of_a_stick_cover_it_and_overlap(self) -> None:
        for length in ("1", "30", "96 1/2", "180"):
            found = strips(inches(length), 620.0)
            self.assertEqual(found[0][0], 0.0)
            self.assertAlmostEqual(found[-1][1], inches(length).mm * POINTS, places=6)
            for (_, end), (start, _) in pairwise(found):
                self.assertAlmostEqual(end - start, 36.0, places=6)

    def test_story_sticks_carry_every_member_and_every_board(self) -> None:
        stick = wall_stick(self.made, 1)
        said = " ".join(mark.words for mark in stick.marks)
        for place in self.made.line(1).places:
            self.assertIn(place.x, {mark.at for mark in stick.marks})
            self.assertIn(place.end, {mark.at for mark in stick.marks})
            self.assertIn(f"case {place.letter} begins" if place.letter else "begins", said)
        case = case_stick(self.made, "G")
        # The wall case hangs at 54: its marks count from the floor.
        self.assertIn((inches(54), False), {(mark.at, mark.minor) for mark in case.marks})
        self.assertEqual(case.length, inches(84))
        shown = [item.text for item in story_view(stick, self.made.units).items if isinstance(item, Label)]
        self.assertEqual(len(shown), len(stick.marks) + 1)
        pages = PdfReader(io.BytesIO(story_sticks(self.made))).pages
        text = "".join(page.extract_text() for page in pages)
        for words in ("strip 1 of", "North wall", "case F", "this line is 4 in long"):
            self.assertIn(words, text)

    def test_four_walls_at_right_angles_close(self) -> None:
        wide, deep = inches(120), inches(90)
        walls = tuple(
            Wall(f"W{i}", (Reading("floor", size),), left=End.CORNER) for i, size in enumerate((wide, deep, wide, deep))
        )
        project = new_project()
        project = replace(project, room=Room(walls), cases=(replace(project.cases[0], in_alcove=False),))
        lines = [item.points for item in plan_view(Made(project), 1).items if isinstance(item, Path)][:4]
        for one, other in zip(lines, [*lines[1:], lines[0]], strict=True):
            self.assertLess(dist(one[1], other[0]), 0.01)
        self.assertAlmostEqual(dist(*lines[0]), wide.mm, places=3)

    def test_a_run_says_what_is_left_over_or_too_much(self) -> None:
        fixed = replace(
            self.made.project, cases=tuple(replace(case, follows=False) for case in self.made.project.cases)
        )
        for width, words in (("200", "left over"), ("100", "too wide")):
            there = Made(change_wall(fixed, 1, widths=(Reading("floor", inches(width)),)))
            shown = [item.text for item in run_view(there, 1, "A").items if isinstance(item, Dimension)]
            over = there.line(1).left_over
            assert over is not None
            size = there.units.write(over if over > ZERO else ZERO - over)
            self.assertTrue(any(f"{size} {words}" in text for text in shown), shown)
        told = [item.text for item in run_view(self.made, 1, "A").items if isinstance(item, Dimension)]
        self.assertFalse([text for text in told if "left" in text or "wide" in text])
