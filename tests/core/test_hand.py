# SPDX-License-Identifier: GPL-3.0-or-later
"""What a hand, a saw and a store ask of a cut plan: pinned pieces, limits, prices, rough cuts; every plan is checked."""

from __future__ import annotations

import unittest
from collections import Counter
from dataclasses import replace
from itertools import product
from random import Random

from benchmarks.sets import perfect, room

from ablebox.core.cuts.adopted import adopted
from ablebox.core.cuts.bound import bound
from ablebox.core.cuts.checker import check, sheet_faults
from ablebox.core.cuts.divide import CutWay
from ablebox.core.cuts.moving import moved, turned
from ablebox.core.cuts.pair_bound import raised, sharpest
from ablebox.core.cuts.plan import CutSheet
from ablebox.core.cuts.problem import Held, Piece, Problem, Sawing, Spot, Supply
from ablebox.core.cuts.saw_cut import CutKind, settings
from ablebox.core.cuts.saw_order import cuts_of
from ablebox.core.cuts.search.planner import last
from ablebox.core.cuts.search.settings import Simpler
from tests.tables import rows

MM = 16_000
SHEET = Supply("sheet", 2440 * MM, 1220 * MM)


def asked(*pieces: tuple[int, int, int], fixed: bool = False, **changes: object) -> Problem:
    found = tuple(Piece(f"p{i}", a * MM, b * MM, n, fixed) for i, (a, b, n) in enumerate(pieces))
    return replace(Problem(found, (SHEET,), 3 * MM, 5 * MM), **changes)  # type: ignore[arg-type]


def wild(rng: Random, kinds: int) -> Problem:
    rows_of = [(rng.randint(80, 1100), rng.randint(60, 700), rng.randint(1, 4)) for _ in range(kinds)]
    return asked(*rows_of, fixed=rng.random() < 0.4)


class Holding(unittest.TestCase):
    def test_what_is_held_stays_and_the_rest_is_planned_around_it(self) -> None:
        """Any pieces of any plan are held in any place; the new plan has them there, and is proven by the checker."""
        for seed in range(12):
            rng = Random(seed)
            problem = wild(rng, 6)
            first = last(problem, 20)
            held = []
            for sheet in rng.sample(first.sheets, min(2, len(first.sheets))):
                some = tuple(rng.sample(sheet.spots, rng.randint(1, len(sheet.spots))))
                held.append(Held(sheet.supply, some, len(some) == len(sheet.spots) and rng.random() < 0.5))
            after = last(replace(problem, held=tuple(held)), 20)
            self.assertEqual(check(after), [], f"seed {seed}")
            for number, each in enumerate(held):
                self.assertLessEqual(set(each.spots), set(after.sheets[number].spots))
                if each.closed:
                    self.assertEqual(len(each.spots), len(after.sheets[number].spots))
            self.assertGreaterEqual(len(after.sheets), after.bound.sheets)

    def test_the_checker_finds_what_was_held_and_is_gone(self) -> None:
        problem = asked((800, 400, 3))
        plan = last(problem, 5)
        spot = plan.sheets[0].spots[0]
        elsewhere = replace(problem, held=(Held(SHEET, (replace(spot, x=spot.x + MM),)),))
        self.assertTrue(any("held" in fault for fault in check(replace(plan, problem=elsewhere))))

    def test_a_moved_piece_lies_near_where_it_was_put_and_everything_can_still_be_cut(self) -> None:
        done = 0
        for seed in range(20):
            rng = Random(100 + seed)
            plan = last(wild(rng, 7), 15)
            number, to = rng.randrange(len(plan.sheets)), rng.randrange(len(plan.sheets))
            spot = rng.choice(plan.sheets[number].spots)
            found = moved(plan, number, spot, to, rng.randint(0, 2000) * MM, rng.randint(0, 1000) * MM)
            if found is None:
                continue
            after, put = found
            self.assertEqual(check(after), [], f"seed {seed}")
            self.assertTrue(any(put in sheet.spots for sheet in after.sheets))
            held = next(i for i, sheet in enumerate(after.sheets) if put in sheet.spots)
            fast = replace(plan.problem, held=(Held(after.sheets[held].supply, (put,)),))
            taken = adopted(after, fast)
            assert taken is not None
            self.assertIn(put, taken.sheets[0].spots)
            done += 1
        self.assertGreater(done, 14)

    def test_a_piece_turns_only_if_its_grain_lets_it(self) -> None:
        free, fixed = asked((600, 300, 1)), asked((600, 300, 1), fixed=True)
        plan = last(free, 5)
        found = turned(plan, 0, plan.sheets[0].spots[0])
        assert found is not None
        self.assertNotEqual(found[1].turned, plan.sheets[0].spots[0].turned)
        self.assertIsNone(turned(last(fixed, 5), 0, last(fixed, 5).sheets[0].spots[0]))

    def test_a_plan_is_not_adopted_for_other_pieces(self) -> None:
        plan = last(asked((600, 300, 1)), 5)
        self.assertIsNone(adopted(plan, asked((600, 301, 1))))


class Limits(unittest.TestCase):
    @rows((2,), (3,), (4,))
    def test_directions_change_no_more_often_than_allowed(self, stages: int) -> None:
        for seed in range(6):
            problem = replace(wild(Random(seed), 8), sawing=Sawing(stages))
            plan = last(problem, 40)
            self.assertEqual(check(plan), [], f"seed {seed}")
            for sheet in plan.sheets:
                levels = {cut.level for cut in cuts_of(plan, sheet).cuts if not cut.trim}
                # One more takes waste off single pieces, which is not counted.
                self.assertLessEqual(len(levels), stages + 1, f"seed {seed}")

    def test_the_checker_counts_directions(self) -> None:
        """Four around a middle one's side take three directions: by hand."""
        problem = asked((1000, 500, 1), (400, 600, 1), (590, 600, 1), (590, 1100, 1))
        spots = (
            Spot("p0", 5 * MM, 5 * MM, 1000 * MM, 500 * MM),
            Spot("p1", 5 * MM, 508 * MM, 400 * MM, 600 * MM),
            Spot("p2", 408 * MM, 508 * MM, 590 * MM, 600 * MM),
            Spot("p3", 1008 * MM, 5 * MM, 590 * MM, 1100 * MM),
        )
        sheet = CutSheet(SHEET, spots)
        self.assertEqual(sheet_faults(sheet, replace(problem, sawing=Sawing(3))), [])
        told = sheet_faults(sheet, replace(problem, sawing=Sawing(2)))
        self.assertTrue(told and "3 times" in told[0])

    def test_rough_cuts_are_wider_by_what_is_trued_up_and_never_take_more_than_there_is(self) -> None:
        for seed in range(10):
            rng = Random(seed)
            over, most = rng.choice((3, 6, 12)) * MM, rng.choice((None, 1, 2))
            problem = replace(wild(rng, 6), sawing=Sawing(0, over, most))
            plan = last(problem, 15)
            for sheet in plan.sheets:
                cuts = cuts_of(plan, sheet).cuts
                rough = [cut for cut in cuts if cut.kind is CutKind.ROUGH]
                # A strip with one rough edge is over size by all of it, and so is one with two: half on each.
                whole = {spot.code: spot.reach for spot in sheet.spots}
                for cut in rough:
                    kept = cut.kept.width if cut.way is CutWay.RIP else cut.kept.length
                    inside = {code: whole[code][1 if cut.way is CutWay.RIP else 0] for code in cut.codes}
                    self.assertGreaterEqual(kept, max(inside.values()) + over, f"seed {seed}")
                if most is not None:
                    self.assertLessEqual(len(rough), most)

    def test_cuts_with_one_setting_are_made_one_after_another(self) -> None:
        plan = last(asked((600, 400, 8), fixed=True), 20)
        cuts = [cut for cut in cuts_of(plan, plan.sheets[0]).cuts if not cut.trim]
        self.assertEqual(settings(cuts), 2)


class Bounds(unittest.TestCase):
    def test_never_above_what_is_known_to_be_enough(self) -> None:
        """Sheets cut backwards need so many and no more: a bound above that would be a false proof."""
        for seed in range(14):
            count = 1 + seed % 6
            problem = perfect(seed, count)
            self.assertLessEqual(sharpest(problem, bound(problem)).sheets, count, f"seed {seed}")

    def test_never_above_a_plan_that_there_is(self) -> None:
        for seed in range(16):
            rng = Random(seed)
            problem = wild(rng, 5)
            if rng.random() < 0.5:
                small = Supply("small", 1250 * MM, 800 * MM, rng.choice((None, 2)), rng.random() < 0.5)
                problem = replace(problem, supplies=(SHEET, small))
            plan = last(problem, 60)
            self.assertLessEqual(sharpest(problem, bound(problem)).sheets, plan.bought, f"seed {seed}")

    def test_proves_what_area_does_not(self) -> None:
        """Two pieces that cannot share a sheet, either way round; by area alone one sheet would do."""
        problem = asked((1300, 1100, 2), (300, 200, 1))
        self.assertEqual((bound(problem).sheets, sharpest(problem, bound(problem)).sheets), (1, 2))
        three = asked((1300, 650, 3))
        self.assertEqual(sharpest(three, bound(three)).sheets, len(last(three, 20).sheets))

    def test_what_fits_beside_each_other_still_does_when_sizes_are_raised(self) -> None:
        """Every combination of few small sizes, tried; and something is raised at all."""
        more = 0
        for seed in range(100):
            rng = Random(seed)
            sizes = [(rng.randint(5, 60), rng.randint(1, 3)) for _ in range(rng.randint(1, 5))]
            up = raised(sizes, 100)
            singles = [size for size, count in sizes for _ in range(count)]
            for chosen in product((0, 1), repeat=len(singles)):
                fits = [size for size, taken in zip(singles, chosen, strict=True) if taken]
                if sum(fits) <= 100:
                    self.assertLessEqual(sum(up[size] for size in fits), 100, f"seed {seed}, {fits}")
            more += any(up[size] > size for size in singles)
        self.assertGreater(more, 40)

    def test_offcuts_cost_nothing(self) -> None:
        """One sheet and an offcut are a plan that no other beats: the offcut is not counted."""
        scrap = Supply("scrap", 900 * MM, 700 * MM, 1, offcut=True)
        problem = asked((1200, 1180, 1), (1100, 1190, 1), (600, 500, 1), supplies=(scrap, SHEET))
        plan = last(problem, 30)
        self.assertEqual((plan.bought, len(plan.sheets), plan.proven), (1, 2, True))


class Prices(unittest.TestCase):
    def test_the_cheapest_sheets_are_taken_where_prices_are_known(self) -> None:
        """Four pieces of 1000 x 1000: two large sheets at 60, or four small ones at 20: by hand the small."""
        large, small = replace(SHEET, price=6000), Supply("small", 1250 * MM, 1220 * MM, None, False, 2000)
        plan = last(asked((1000, 1000, 4), supplies=(large, small)), 60)
        self.assertEqual(Counter(sheet.supply.code for sheet in plan.sheets), Counter({"small": 4}))
        self.assertEqual((plan.cost, plan.problem.by_price), (8000, True))
        dear = replace(small, price=4000)
        plan = last(asked((1000, 1000, 4), supplies=(large, dear)), 60)
        self.assertEqual((plan.cost, len(plan.sheets), plan.proven), (12000, 2, True))

    def test_fewer_settings_than_a_plan_that_does_not_look_at_them(self) -> None:
        """Over rooms: the search with its last step against the same search without it."""
        total = [0, 0]
        for seed in (3, 4):
            problem = room(seed)
            plain = last(problem, 30)
            before = Simpler.lays
            try:
                Simpler.lays = lambda self, lays, stop, tries: lays  # type: ignore[method-assign]
                without = last(problem, 30)
            finally:
                Simpler.lays = before  # type: ignore[method-assign]
            self.assertEqual(len(plain.sheets), len(without.sheets))
            total[0] += sum(cuts_of(plain, sheet).settings for sheet in plain.sheets)
            total[1] += sum(cuts_of(without, sheet).settings for sheet in without.sheets)
        self.assertLess(total[0], total[1])
