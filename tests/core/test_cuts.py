# SPDX-License-Identifier: GPL-3.0-or-later
"""Cut plans: always complete, always cuttable, never fewer than the bound; the checker finds every fault."""

from __future__ import annotations

import unittest
from dataclasses import replace
from random import Random

from hypothesis import given, settings
from hypothesis import strategies as st

from ablebox.core.cuts.apart import after
from ablebox.core.cuts.bound import Bound, bound, sharper
from ablebox.core.cuts.checker import check
from ablebox.core.cuts.divide import Board, CutWay
from ablebox.core.cuts.plan import CutSheet, Plan
from ablebox.core.cuts.problem import Block, Member, Piece, Problem, Spot, Supply
from ablebox.core.cuts.saw_order import cutting, worth
from ablebox.core.cuts.search.blanks import blanks
from ablebox.core.cuts.search.joining import Joiner
from ablebox.core.cuts.search.planner import last, plan
from ablebox.core.errors import PartTooLarge, StockShort
from tests.tables import rows

MM = 16_000
SHEET = Supply("sheet", 2440 * MM, 1220 * MM)


def random_problem(rng: Random, kinds: int) -> Problem:
    """Return a problem with some fixed grain, odd sizes, kerf and trim, and now and then offcuts."""
    pieces = tuple(
        Piece(
            f"p{i}",
            rng.randint(40 * MM, 1100 * MM),
            rng.randint(40 * MM, 700 * MM),
            rng.choice((1, 1, 2, 3)),
            rng.random() < 0.6,
        )
        for i in range(kinds)
    )
    supplies: tuple[Supply, ...] = (SHEET,)
    if rng.random() < 0.4:
        supplies = (SHEET, Supply("offcut", rng.randint(500, 1500) * MM, rng.randint(300, 900) * MM, 2, True))
    return Problem(pieces, supplies, rng.randint(0, 5 * MM), rng.randint(0, 10 * MM))


def perfect_problem(rng: Random, sheets: int, kerf: int) -> Problem:
    """Cut full sheets at random into pieces with a kerf between them: the number of sheets needed is known."""
    pieces = []
    boards = [(SHEET.length, SHEET.width) for _ in range(sheets)]
    while boards:
        length, width = boards.pop()
        along = length > width if length != width else rng.random() < 0.5
        size = length if along else width
        if size < 700 * MM or rng.random() < 0.15:
            pieces.append(Piece(f"p{len(pieces)}", length, width))
            continue
        at = rng.randint(size // 4, 3 * size // 4)
        rest = size - at - kerf
        boards += [(at, width), (rest, width)] if along else [(length, at), (length, rest)]
    return Problem(tuple(pieces), (SHEET,), kerf, 0)


class Engine(unittest.TestCase):
    def test_sheets_cut_backwards_come_together_again(self) -> None:
        """Whole lists of full sheets are found exactly: equal sides join, and what is as wide as a sheet adds up to it."""
        for seed, sheets in enumerate((1, 2, 3, 5, 8)):
            problem = perfect_problem(Random(seed), sheets, int(3.2 * MM))
            joiner = Joiner(SHEET.length + problem.kerf, SHEET.width + problem.kerf, Random(1))
            whole, rest = joiner.whole_sheets(joiner.join(blanks(problem), 0.0))
            self.assertEqual((len(whole), rest), (sheets, []), f"seed {seed}")
            self.assertEqual(len(last(problem, 5).sheets), sheets)

    def test_the_compiled_loop_makes_no_plan_worse_and_is_the_same_each_time(self) -> None:
        for seed in (1, 4, 9):
            problem = random_problem(Random(seed), 24)
            plain = last(problem, 40)
            best = last(problem, 1_500)
            self.assertEqual(check(best), [])
            bought = [sum(not sheet.supply.offcut for sheet in made.sheets) for made in (best, plain)]
            self.assertLessEqual(*bought)
            self.assertEqual(best, last(problem, 1_500))

    def test_a_remainder_is_left_in_one_piece(self) -> None:
        """Ten of 800 x 300 on one sheet of 2440 x 1220 less kerfs: 3 x 4 would go; two and a half columns leave a strip."""
        problem = Problem((Piece("a", 800 * MM, 300 * MM, 8, False),), (SHEET,), 3 * MM, 0)
        made = last(problem, 1_200)
        rest = cutting(made.sheets[0], problem.terms).rests[0]
        self.assertGreaterEqual(rest.length * rest.width, 800 * MM * 1220 * MM)

    def test_bounds_are_never_false(self) -> None:
        """Where the number of sheets is known, no bound asks for more."""
        for seed in range(30):
            problem = perfect_problem(Random(seed), 1 + seed % 4, int(3.2 * MM))
            turned = replace(problem, pieces=tuple(replace(p, fixed=seed % 2 == 0) for p in problem.pieces))
            self.assertLessEqual(sharper(turned, Bound(0, 0.0)).sheets, 1 + seed % 4, f"seed {seed}")

    @rows(
        # Five of 1300 x 700: no two fit on one sheet, by area three would do.
        (1300, 700, 5, False, 5),
        # Seven of 820 long along the grain, 620 wide: two a sheet (2440 / 820 = 2.97, 1220 / 620 = 1.97).
        (820, 620, 7, True, 4),
        (1200, 600, 8, False, 2),
    )
    def test_sizes_prove_what_area_cannot(self, long: int, wide: int, count: int, fixed: bool, sheets: int) -> None:
        problem = Problem((Piece("a", long * MM, wide * MM, count, fixed),), (SHEET,), 3 * MM, 0)
        made = last(problem, 30)
        self.assertEqual((len(made.sheets), made.bound.sheets, made.proven), (sheets, sheets, True))

    def test_blocks_stay_together_however_they_lie(self) -> None:
        for seed in range(12):
            rng = Random(seed)
            base = random_problem(rng, 8)
            one, two = base.pieces[:2]
            members = (Member(one.code, 0, 0), Member(two.code, one.length + base.kerf, 0))
            block = Block("b", one.length + two.length + base.kerf, max(one.width, two.width), members, seed % 2 == 0)
            pieces = (replace(one, fixed=block.fixed), replace(two, fixed=block.fixed), *base.pieces[2:])
            problem = replace(base, pieces=pieces, blocks=(block,), supplies=(SHEET,))
            if problem.fits(block):
                self.assertEqual(check(last(problem, 60)), [], f"seed {seed}")

    def test_thousands_of_pieces_have_a_plan_at_once(self) -> None:
        problem = replace(random_problem(Random(3), 500), supplies=(SHEET,))
        problem = replace(problem, pieces=tuple(replace(p, count=p.count * 3) for p in problem.pieces))
        first = next(iter(plan(problem, 0, lambda: True)))
        self.assertEqual(check(first.best), [])
        self.assertLess(len(first.best.sheets), 1.25 * first.best.bound.sheets)


class Walk(unittest.TestCase):
    def test_boards_come_apart_cut_by_cut_and_never_lie_on_each_other(self) -> None:
        """Whatever the plan: after each cut the boards are disjoint, and in the end each piece is a board of its own."""
        for seed in range(12):
            problem = random_problem(Random(seed), 14)
            for sheet in last(problem, 20).sheets:
                order = cutting(sheet, problem.terms)
                whole = Board(0, 0, sheet.supply.length, sheet.supply.width)
                loose = [after(order.cuts[:done], whole) for done in range(len(order.cuts) + 1)]
                for boards in loose:
                    places = [(b.board.x + b.dx, b.board.y + b.dy, b.board.length, b.board.width) for b in boards]
                    for i, (x, y, long, wide) in enumerate(places):
                        for a, b, other, high in places[i + 1 :]:
                            apart = x + long <= a or a + other <= x or y + wide <= b or b + high <= y
                            self.assertTrue(apart, f"seed {seed}")
                free = {(b.board.x, b.board.y, b.board.length, b.board.width) for b in loose[-1]}
                for spot in sheet.spots if loose[-1] else ():
                    self.assertIn((spot.x, spot.y, *spot.reach), free, f"seed {seed}, {spot.code}")

    def test_a_cut_is_what_the_fence_says(self) -> None:
        """What is kept is as wide as the setting, and what is left is less a kerf."""
        problem = random_problem(Random(3), 12)
        for sheet in last(problem, 20).sheets:
            order = cutting(sheet, problem.terms)
            for cut in order.cuts:
                if not cut.trim:
                    kept = cut.kept.width if cut.way is CutWay.RIP else cut.kept.length
                    self.assertEqual(kept, cut.setting)


class Plans(unittest.TestCase):
    def test_random_lists_are_planned_whole_and_pass_the_checker(self) -> None:
        for seed in range(40):
            problem = random_problem(Random(seed), 1 + seed % 25)
            made = last(problem, 30)
            self.assertEqual(check(made), [], f"seed {seed}")
            self.assertGreaterEqual(len(made.sheets), made.bound.sheets, f"seed {seed}")

    def test_the_same_problem_and_seed_give_the_same_plan(self) -> None:
        problem = random_problem(Random(7), 20)
        self.assertEqual(last(problem, 60, seed=3), last(problem, 60, seed=3))

    def test_plans_only_get_better_and_the_last_is_the_best(self) -> None:
        steps = list(plan(random_problem(Random(11), 30), 200, lambda: False))
        counts = [sum(not s.supply.offcut for s in step.best.sheets) for step in steps]
        self.assertEqual(counts, sorted(counts, reverse=True))
        self.assertLessEqual(worth(steps[-1].best), worth(steps[-2].best))

    def test_stopping_keeps_the_best_so_far(self) -> None:
        asked: list[int] = []

        def stop() -> bool:
            asked.append(1)
            return len(asked) > 5

        made = last(random_problem(Random(5), 25), 100_000, stop)
        self.assertEqual(check(made), [])
        self.assertLess(len(asked), 10)

    def test_known_optimum_with_kerf(self) -> None:
        """Sheets cut backwards: one sheet over the optimum is allowed at most, and one sheet is found exactly."""
        for seed in range(6):
            for sheets in (1, 2, 3):
                problem = perfect_problem(Random(seed), sheets, int(3.2 * MM))
                self.assertEqual(bound(problem).sheets, sheets)
                self.assertLessEqual(len(last(problem, 400).sheets), sheets + 1, f"seed {seed}, {sheets} sheets")

    @rows(
        # Four 12 in strips do not come out of a 48 in sheet: three kerfs are missing (common practice).
        (304.8, 4, 3.2, 2),
        (304.8, 4, 0, 1),
        (302.4, 4, 3.2, 1),
        # Two pieces of half a sheet: only without a kerf.
        (609.6, 2, 3.2, 2),
        (608.0, 2, 3.2, 1),
    )
    def test_the_kerf_is_never_forgotten(self, width: float, count: int, kerf: float, sheets: int) -> None:
        sheet = Supply("48 x 96", int(2438.4 * MM), int(1219.2 * MM))
        problem = Problem((Piece("strip", sheet.length, int(width * MM), count),), (sheet,), int(kerf * MM), 0)
        self.assertEqual(len(last(problem, 50).sheets), sheets)

    def test_the_last_cut_may_fall_off_the_edge(self) -> None:
        problem = Problem((Piece("a", 2430 * MM, 1218 * MM),), (SHEET,), 5 * MM, 0)
        self.assertEqual(check(last(problem, 5)), [])

    def test_trim_comes_off_all_four_edges(self) -> None:
        fits = Problem((Piece("a", 2420 * MM, 1200 * MM),), (SHEET,), 3 * MM, 10 * MM)
        self.assertEqual((last(fits, 5).sheets[0].spots[0].x, last(fits, 5).sheets[0].spots[0].y), (10 * MM, 10 * MM))
        with self.assertRaises(PartTooLarge):
            last(Problem((Piece("a", 2421 * MM, 1200 * MM),), (SHEET,), 3 * MM, 10 * MM), 5)

    def test_grain_is_kept(self) -> None:
        tall = Piece("tall", 1000 * MM, 2000 * MM, 1, True)
        with self.assertRaises(PartTooLarge):
            last(Problem((tall,), (SHEET,), 0, 0), 5)
        (sheet,) = last(Problem((replace(tall, fixed=False),), (SHEET,), 0, 0), 5).sheets
        self.assertTrue(sheet.spots[0].turned)
        self.assertEqual((sheet.spots[0].length, sheet.spots[0].width), (1000 * MM, 2000 * MM))

    def test_offcuts_go_first(self) -> None:
        offcut = Supply("offcut", 900 * MM, 600 * MM, 1, True)
        made = last(Problem((Piece("a", 800 * MM, 500 * MM),), (SHEET, offcut), 3 * MM, 6 * MM), 20)
        self.assertEqual([sheet.supply.code for sheet in made.sheets], ["offcut"])

    def test_counted_sheets_run_out_with_a_sentence(self) -> None:
        few = replace(SHEET, count=1)
        with self.assertRaises(StockShort) as caught:
            last(Problem((Piece("a", 2000 * MM, 1000 * MM, 3),), (few,), 3 * MM, 0), 5)
        self.assertEqual((caught.exception.part, caught.exception.left), ("a", 2))
        with self.assertRaises(PartTooLarge):
            last(Problem((Piece("a", 20 * MM, 10 * MM),), (replace(SHEET, count=0),), 0, 0), 5)

    @rows((1, 0, True), (0, 1, True), (1, 1, False))
    def test_problems_that_cannot_be(self, length: int, count: int, fine: bool) -> None:
        if fine:
            with self.assertRaises(ValueError):
                Piece("a", length, 1, count)
        else:
            with self.assertRaises(ValueError):
                Problem((Piece("a", 1, 1), Piece("a", 2, 2)), (), 0, 0)


class Bounds(unittest.TestCase):
    @settings(max_examples=60, deadline=None)
    @given(st.integers(0, 10**6))
    def test_no_plan_beats_the_bound(self, seed: int) -> None:
        problem = random_problem(Random(seed), 8)
        self.assertLessEqual(bound(problem).sheets, len(last(problem, 5).sheets))

    def test_limited_sheets_are_counted_largest_first(self) -> None:
        small = Supply("small", 1220 * MM, 1220 * MM)
        piece = Piece("a", 1220 * MM, 1220 * MM, 5)
        self.assertEqual(bound(Problem((piece,), (SHEET, small), 0, 0)).sheets, 3)
        self.assertEqual(bound(Problem((piece,), (replace(SHEET, count=1), small), 0, 0)).sheets, 4)
        self.assertEqual(bound(Problem((), (SHEET,), 0, 0)).sheets, 0)


class TheCheckerItself(unittest.TestCase):
    """Plans that are wrong in every way, the first and the last piece included."""

    def setUp(self) -> None:
        self.problem = Problem(
            (Piece("a", 1000 * MM, 500 * MM, 2), Piece("b", 600 * MM, 300 * MM, 1, False)),
            (replace(SHEET, count=1),),
            3 * MM,
            5 * MM,
        )
        spots = (
            Spot("a", 5 * MM, 5 * MM, 1000 * MM, 500 * MM),
            Spot("a", 1008 * MM, 5 * MM, 1000 * MM, 500 * MM),
            Spot("b", 5 * MM, 508 * MM, 600 * MM, 300 * MM),
        )
        self.good = Plan(self.problem, (CutSheet(self.problem.supplies[0], spots),), bound(self.problem))

    def wrong(self, at: int, **changes: object) -> list[str]:
        spots = list(self.good.sheets[0].spots)
        spots[at] = replace(spots[at], **changes)  # type: ignore[arg-type]
        return check(replace(self.good, sheets=(replace(self.good.sheets[0], spots=tuple(spots)),)))

    def test_the_good_plan_is_good(self) -> None:
        self.assertEqual(check(self.good), [])

    @rows(
        (0, {"x": 5 * MM - 1}, "outside"),
        (0, {"y": 0}, "outside"),
        (2, {"y": 915 * MM + 1}, "outside"),
        (1, {"x": 1435 * MM + 1}, "outside"),
        (0, {"length": 999 * MM}, "another size"),
        (2, {"width": 301 * MM}, "another size"),
        (0, {"turned": True}, "against its grain"),
        (1, {"x": 1008 * MM - 1}, "no sequence"),
        (1, {"x": 900 * MM}, "no sequence"),
        (2, {"y": 508 * MM - 1}, "no sequence"),
        (2, {"code": "a"}, "planned 3 times"),
        (0, {"code": "c"}, "piece c is planned 1 times, wanted 0"),
    )
    def test_a_wrong_piece_is_found(self, at: int, changes: dict[str, object], words: str) -> None:
        self.assertTrue(any(words in fault for fault in self.wrong(at, **changes)), self.wrong(at, **changes))

    def test_missing_pieces_and_sheets_are_found(self) -> None:
        sheet = self.good.sheets[0]
        for keep in ((0, 1), (1, 2)):
            fewer = replace(self.good, sheets=(replace(sheet, spots=tuple(sheet.spots[i] for i in keep)),))
            self.assertTrue(any("wanted" in fault for fault in check(fewer)))
        self.assertTrue(
            any("used 2 times" in f for f in check(replace(self.good, sheets=(sheet, replace(sheet, spots=())))))
        )
        other = replace(sheet, supply=Supply("other", 9000 * MM, 9000 * MM))
        self.assertTrue(any("not in stock" in f for f in check(replace(self.good, sheets=(other,)))))

    def test_a_pinwheel_cannot_be_cut(self) -> None:
        spots = tuple(
            Spot(code, x * MM, y * MM, 200 * MM, 100 * MM, turned)
            for code, x, y, turned in (
                ("a", 0, 0, False),
                ("b", 203, 0, True),
                ("c", 103, 203, False),
                ("d", 0, 103, True),
            )
        )
        problem = Problem(tuple(Piece(c, 200 * MM, 100 * MM, 1, False) for c in "abcd"), (SHEET,), 3 * MM, 0)
        wheel = Plan(problem, (CutSheet(SHEET, spots),), bound(problem))
        self.assertEqual(check(wheel), ["sheet 1: no sequence of edge-to-edge cuts frees the pieces"])


class SawOrder(unittest.TestCase):
    def test_trimming_comes_first(self) -> None:
        problem = Problem((Piece("a", 500 * MM, 300 * MM),), (SHEET,), 3 * MM, 6 * MM)
        order = cutting(last(problem, 5).sheets[0], problem.terms)
        self.assertEqual([cut.trim for cut in order.cuts], [True] * 4 + [False] * 2)
        self.assertEqual([cut.setting // MM for cut in order.cuts[:4]], [1214, 1208, 2434, 2428])
