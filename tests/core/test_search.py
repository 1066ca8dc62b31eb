# SPDX-License-Identifier: GPL-3.0-or-later
"""The search with the compiled loops: everything a plan can be asked for at once, at random."""

from __future__ import annotations

import subprocess
import sys
import unittest
from collections import Counter
from dataclasses import replace
from functools import cache
from pathlib import Path
from random import Random
from unittest.mock import MagicMock, patch

from ablebox.core.cuts.adopted import allowed
from ablebox.core.cuts.bound import bound
from ablebox.core.cuts.checker import check
from ablebox.core.cuts.pair_bound import sharpest
from ablebox.core.cuts.pattern_bound import PatternTable, by_patterns, sides
from ablebox.core.cuts.plan import Plan
from ablebox.core.cuts.problem import Block, Held, Member, Piece, Problem, Sawing, Supply
from ablebox.core.cuts.search.beam import GUIDES, Beam, Layer
from ablebox.core.cuts.search.blanks import Blank, beds, blanks, to_sheet
from ablebox.core.cuts.search.compiled import COMPILED, Compiled
from ablebox.core.cuts.search.pairs import paired
from ablebox.core.cuts.search.planner import last, plan
from ablebox.core.cuts.search.slots import Filling, Fitting, Slot
from ablebox.core.cuts.search.stored import Loops
from ablebox.core.errors import StockShort
from tests.many import many

MM = 16_000
ROOT = Path(__file__).resolve().parent.parent.parent


def anything(rng: Random) -> Problem:
    """Return a problem with a choice of everything: sizes and prices of sheets, offcuts, grain, blocks, trims, directions."""
    pieces = tuple(
        Piece(f"p{i}", rng.randint(60, 900) * MM, rng.randint(50, 600) * MM, rng.choice((1, 2, 4)), rng.random() < 0.5)
        for i in range(rng.randint(4, 14))
    )
    priced = rng.random() < 0.5
    supplies = [Supply("sheet", 2440 * MM, 1220 * MM, None, False, 9000 if priced else None)]
    if rng.random() < 0.5:
        supplies.append(Supply("small", 1525 * MM, 1525 * MM, rng.choice((None, 2)), False, 6100 if priced else None))
    if rng.random() < 0.5:
        supplies.append(Supply("offcut", rng.randint(600, 1500) * MM, rng.randint(400, 900) * MM, 2, True))
    kerf, blocks = rng.randint(0, 4) * MM, ()
    first = pieces[0]
    if rng.random() < 0.5 and first.count > 1:
        members = (Member(first.code, 0, 0), Member(first.code, 0, first.width + kerf))
        blocks = (Block("together", first.length, 2 * first.width + kerf, members, first.fixed),)
    sawing = Sawing(rng.choice((0, 0, 2, 3, 4)))
    trim, four = rng.choice((0, 6)) * MM, rng.random() < 0.5
    return Problem(pieces, tuple(supplies), kerf, trim, blocks, (), sawing, four)


def cost(made: Plan) -> tuple[int, int]:
    bought = [sheet for sheet in made.sheets if not sheet.supply.offcut]
    return made.cost, sum(sheet.supply.length * sheet.supply.width for sheet in bought)


def layer() -> Layer:
    COMPILED.wait()
    assert COMPILED.loops is not None
    return Layer(COMPILED.loops.lay, True, 1)


class Everything(unittest.TestCase):
    def test_every_plan_can_be_cut_and_none_is_worse_than_the_one_before(self) -> None:
        """The planner checks each plan itself: the checker here is asked again, and what is held is held."""
        told = 0
        for seed in range(many(16)):
            rng = Random(seed)
            problem = anything(rng)
            try:
                steps = [step.best for step in plan(problem, 400, lambda: False, seed, compiled=True)]
            except StockShort:
                continue
            told += 1
            for made in steps:
                self.assertEqual(check(made), [], seed)
            self.assertEqual(sorted(map(cost, steps), reverse=True), list(map(cost, steps)), seed)
            self.assertGreaterEqual(steps[-1].bought, bound(problem).sheets)
            sheet = steps[-1].sheets[0]
            around = replace(problem, blocks=(), held=(Held(sheet.supply, sheet.spots[:1]),))
            *_, final = plan(around, 200, lambda: False, seed, compiled=True)
            self.assertEqual(check(final.best), [], seed)
            self.assertIn(sheet.spots[0], final.best.sheets[0].spots)
        self.assertGreater(told, many(12))

    def test_a_beam_lays_every_piece_once_and_deeper_ones_are_no_worse_on_the_whole(self) -> None:
        laying = layer()
        totals = {1: 0, 30: 0}
        for seed in range(12):
            problem = replace(anything(Random(seed)), blocks=(), sawing=Sawing())
            wanted, sheets = blanks(problem), beds(problem)[-1:] * 30
            for depth in totals:
                for guide in range(GUIDES):
                    lays = laying.lay(wanted, sheets, Beam(depth, guide, ways=1 + seed % 3))
                    assert lays is not None
                    laid = [blank for lay in lays for blank, *_ in lay.placed]
                    self.assertEqual({id(blank) for blank in laid}, {id(blank) for blank in wanted})
                    self.assertEqual(len(laid), len(wanted))
                    totals[depth] += len(lays)
                    made = Plan(problem, tuple(to_sheet(problem, lay.bed, lay.placed) for lay in lays), bound(problem))
                    self.assertEqual([fault for fault in check(made) if "times, there are" not in fault], [])
        self.assertLess(totals[30], totals[1])

    def test_what_does_not_fit_is_said(self) -> None:
        laying = layer()
        problem = anything(Random(1))
        self.assertIsNone(laying.lay([Blank("far", 10**9, 10**9, False)], beds(problem), Beam(5)))

    def test_joined_blanks_are_the_same_blanks(self) -> None:
        for seed in range(200):
            rng = Random(seed)
            sides = [rng.randint(1, 6) * 100 for _ in range(4)]
            singles = [Blank(f"b{i}", rng.choice(sides), rng.choice(sides), rng.random() < 0.5) for i in range(12)]
            joined = paired(singles, rng.randint(0, 6), 1200, 900, rng)
            there = [row for blank in joined for row in blank.single(0, 0, False)]
            self.assertEqual({id(row[0]) for row in there}, {id(blank) for blank in singles})
            self.assertEqual(sum(blank.area for blank in joined), sum(blank.area for blank in singles))
            for blank in joined:
                self.assertTrue(blank.fits(1200, 900))
                for part, x, y, turned in blank.single(0, 0, False):
                    long, wide = (part.width, part.length) if turned else (part.length, part.width)
                    self.assertFalse(turned and part.fixed)
                    self.assertTrue(0 <= x <= blank.length - long and 0 <= y <= blank.width - wide)


class Kept(unittest.TestCase):
    def test_a_compiler_that_fails_is_told_once_and_asked_no_more(self) -> None:
        with patch("ablebox.core.cuts.search.compiled.Late") as late, self.assertLogs("ablebox.cuts") as told:
            late.STORED.module.load.return_value = None
            late.ENTRIES.module.ENTRIES = {"lay": MagicMock()}
            late.ENTRIES.module.object_code.side_effect = OSError("no compiler")
            loops = Compiled()
            self.assertEqual([loops.wait(), loops.wait(), loops.loops], [None] * 3)
            loops.start()
        self.assertEqual((len(told.records), late.ENTRIES.module.object_code.call_count), (1, 1))

    def test_the_kept_loop_needs_no_compiler_and_the_compiler_works_after_it(self) -> None:
        """In a process of its own: what is kept lays as what is compiled does, and errors of compiled code still arrive."""
        COMPILED.wait()
        words = (
            "import sys\n"
            "from ablebox.core.cuts.search.stored import load\n"
            "loops = load()\n"
            "assert loops is not None and 'numba' not in sys.modules\n"
            "from tests.core.test_search import anything, laid_by\n"
            "before = laid_by(loops)\n"
            "from ablebox.core.cuts.search.stored import Loops, function\n"
            "from ablebox.core.cuts.search.entries import ENTRIES\n"
            "compiled = Loops(**{name: function(name, entry.address) for name, entry in ENTRIES.items()})\n"
            "assert laid_by(compiled) == before\n"
            "import numba\n"
            "@numba.njit\n"
            "def fails(x):\n"
            "    if x > 1: raise ValueError('as it should')\n"
            "    return [x]\n"
            "try: fails(2)\n"
            "except ValueError as fault: print(fault)\n"
        )
        run = subprocess.run([sys.executable, "-c", words], capture_output=True, text=True, cwd=ROOT, check=False)
        self.assertEqual((run.stdout.strip(), run.returncode), ("as it should", 0), run.stderr[-400:])


def laid_by(loops: Loops) -> list[list[tuple[str, int, int, bool]]]:
    """Return what the loops make of some lists: a beam, sheets filled one after another, and everything fitted into one less."""
    found = []
    for seed in range(4):
        problem = replace(anything(Random(seed)), blocks=(), sawing=Sawing())
        bed = beds(problem)[-1]
        ways = [Layer(loops.lay, True, seed).lay(blanks(problem), [bed] * 30, Beam(20, seed, 0.1))]
        slots = [Slot(bed, bed.length, bed.width)] * 30
        filling = Filling(loops, blanks(problem), slots, 20, 0.2, seed)
        while not filling.step():
            pass
        ways.append(filling.lays())
        assert ways[1] is not None
        fitting = Fitting(loops, blanks(problem), slots[: len(ways[1])], [[] for _ in ways[1]], seed)
        for _ in range(20):
            if fitting.step():
                ways.append(fitting.lays())
                break
        for lays in ways:
            assert lays is not None
            found.append([(blank.code, x, y, turned) for lay in lays for blank, x, y, turned in lay.placed])
    return found


class Patterns(unittest.TestCase):
    """The bound by prices of patterns."""

    def test_a_pattern_is_worth_what_trying_every_cut_says(self) -> None:
        loops = COMPILED.wait()
        for seed in range(many(10)):
            rng = Random(seed)
            ways = [(i, rng.randint(2, 7), rng.randint(2, 7)) for i in range(4)]
            prices = [a * b + rng.randint(0, 6) for _, a, b in ways]
            xs, ys = sides([(a, 9) for _, a, _ in ways], 17), sides([(b, 9) for _, _, b in ways], 13)
            assert xs is not None
            assert ys is not None
            best = every_cut(ways, prices, 17, 13)
            patterns = PatternTable(xs, ys, ways, loops.worth)
            self.assertEqual(patterns.worth(prices), best)
            held = patterns.best(len(ways))
            self.assertEqual(sum(price * count for price, count in zip(prices, held, strict=True)), best)

    def test_it_never_says_more_than_a_plan_has_and_proves_what_the_others_do_not(self) -> None:
        loops, proven = COMPILED.wait(), 0
        for seed in (36, 53, *range(many(6))):
            rng = Random(seed)
            pieces = tuple(
                Piece(
                    f"p{i}",
                    rng.randint(250, 1300) * MM,
                    rng.randint(200, 800) * MM,
                    rng.randint(1, 3),
                    rng.random() < 0.5,
                )
                for i in range(rng.randint(3, 12))
            )
            problem = Problem(pieces, (Supply("sheet", 2440 * MM, 1220 * MM, None, False, None),), 3 * MM, 0)
            found, known = last(problem, 600), sharpest(problem, bound(problem))
            laid = [Counter(spot.code for spot in sheet.spots) for sheet in found.sheets]
            new = by_patterns(problem, known, laid, loops.worth, lambda: False)
            self.assertTrue(known.sheets <= new.sheets <= len(found.sheets))
            proven += known.sheets < new.sheets == len(found.sheets)
        self.assertGreater(proven, 1)


def every_cut(ways: list[tuple[int, int, int]], prices: list[int], length: int, width: int) -> int:
    """Return the most a rectangle is worth, every cut at every whole number tried."""

    @cache
    def best(x: int, y: int) -> int:
        whole = [price for (_, a, b), price in zip(ways, prices, strict=True) if a <= x and b <= y]
        across = [best(cut, y) + best(x - cut, y) for cut in range(1, x // 2 + 1)]
        along = [best(x, cut) + best(x, y - cut) for cut in range(1, y // 2 + 1)]
        return max([0, *whole, *across, *along])

    return best(length, width)


class MoreFreedom(unittest.TestCase):
    def test_a_plan_for_a_saw_that_may_less_is_one_for_a_saw_that_may_more(self) -> None:
        """So more freedom never costs a sheet, also where only a moment is searched."""
        kept = 0
        for seed in range(many(12)):
            free = replace(anything(Random(seed)), blocks=(), sawing=Sawing())
            less = replace(free, sawing=Sawing(2), kerf=free.kerf + MM)
            try:
                narrow = last(less, 20)
            except StockShort:
                continue
            taken = allowed(free, narrow)
            assert taken is not None
            self.assertEqual((check(taken), taken.problem), ([], free))
            kept += len(taken.sheets) <= len(last(free, 1).sheets)
            back = allowed(less, last(free, 20))
            self.assertTrue(back is None or not check(back))
        self.assertGreater(kept, 0)
