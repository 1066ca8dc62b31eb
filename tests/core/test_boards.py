# SPDX-License-Identifier: GPL-3.0-or-later
"""Boards: every piece once, nothing longer than its board, the fewest there can be and never a false proof."""

from __future__ import annotations

import unittest
from itertools import permutations
from random import Random

from ablebox.core.cuts.boards import BoardPlan, Stick, fewest, plan_boards
from ablebox.core.lengths import inches
from tests.tables import rows

MM = 16_000
BOARD, KERF, LOSS = inches(96).ticks, inches("1/8").ticks, inches(1).ticks


def sticks(*lengths: str) -> list[Stick]:
    return [Stick(f"s{i}", inches(length).ticks) for i, length in enumerate(lengths)]


def by_trying(sizes: list[int], room: int) -> int:
    """Return the fewest boards by trying every order, first fit: right, and slow."""
    best = len(sizes)
    for order in permutations(sizes):
        left: list[int] = []
        for size in order:
            at = next((i for i, rest in enumerate(left) if rest >= size), None)
            if at is None:
                left.append(room - size)
            else:
                left[at] -= size
        best = min(best, len(left))
    return best


class Boards(unittest.TestCase):
    def check(self, plan: BoardPlan, wanted: list[Stick], lengths: list[int], kerf: int, loss: int) -> None:
        """What a person checks with a tape: all there, each board long enough, nothing below the least."""
        found = sorted(stick.code for board in plan.boards for stick in board.sticks)
        self.assertEqual(found + [stick.code for stick in plan.too_long], sorted(stick.code for stick in wanted))
        for board in plan.boards:
            self.assertIn(board.length, lengths)
            used = sum(stick.length for stick in board.sticks) + kerf * (len(board.sticks) - 1)
            self.assertLessEqual(used, board.length - 2 * loss)
        self.assertGreaterEqual(sum(board.length for board in plan.boards), plan.least)

    @rows(
        # A board of 96 less an inch at each end is 94: three of 31 1/4 and two kerfs are 94 exactly; of 31 5/16 not.
        (("31 1/4",) * 3, 1),
        (("31 5/16",) * 3, 2),
        # Two of 47 need 94 1/8.
        (("47", "47"), 2),
        (("46 15/16", "46 15/16"), 1),
        # First fit by decreasing length would take three: 50 + 44 - no; 50 + 30, 44 + 30, 13: with kerfs two do.
        (("50", "44", "30", "30", "13", "19 1/4"), 2),
    )
    def test_by_hand(self, lengths: tuple[str, ...], boards: int) -> None:
        wanted = sticks(*lengths)
        plan = plan_boards(wanted, [BOARD], KERF, LOSS)
        self.check(plan, wanted, [BOARD], KERF, LOSS)
        self.assertEqual((len(plan.boards), plan.proven), (boards, True))

    def test_small_lists_are_as_good_as_trying_everything(self) -> None:
        for seed in range(60):
            rng = Random(seed)
            wanted = [Stick(f"s{i}", rng.randint(200, 2200) * MM) for i in range(rng.randint(1, 7))]
            plan = plan_boards(wanted, [2400 * MM], 3 * MM, 0)
            self.check(plan, wanted, [2400 * MM], 3 * MM, 0)
            least = by_trying([stick.length + 3 * MM for stick in wanted], 2403 * MM)
            self.assertEqual(len(plan.boards), least, f"seed {seed}")
            self.assertLessEqual(fewest([stick.length + 3 * MM for stick in wanted], 2403 * MM), least)

    def test_two_hundred_pieces_are_proven(self) -> None:
        proven = 0
        for seed in range(10):
            rng = Random(seed)
            wanted = [Stick(f"s{i}", rng.randint(150, 1100) * MM) for i in range(200)]
            plan = plan_boards(wanted, [2400 * MM], 3 * MM, 25 * MM)
            self.check(plan, wanted, [2400 * MM], 3 * MM, 25 * MM)
            proven += plan.proven
        self.assertEqual(proven, 10)

    def test_lengths_are_chosen_at_the_store_and_what_fits_none_is_named(self) -> None:
        """One of 70 in and one of 60 in: two boards of 72 take less than two of 96, or one of 168."""
        wanted = sticks("69", "60", "200")
        plan = plan_boards(wanted, [inches(n).ticks for n in (72, 96, 168)], KERF, LOSS)
        self.assertEqual([board.length for board in plan.boards].count(inches(72).ticks), 2)
        self.assertEqual([stick.code for stick in plan.too_long], ["s2"])
        self.assertEqual(plan_boards([], [BOARD], KERF, LOSS).boards, ())
