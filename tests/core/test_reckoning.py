# SPDX-License-Identifier: GPL-3.0-or-later
"""Reckonings: the sum that is shown is the sum that was computed."""

from __future__ import annotations

import unittest

from hypothesis import given
from hypothesis import strategies as st

from ablebox.core.lengths import Length, inches
from ablebox.core.reckoning import Book, Origin, Reckoned, leaf

numbers = st.integers(-(10**8), 10**8).map(Length)


class Sums(unittest.TestCase):
    def setUp(self) -> None:
        self.book = Book("A/")
        self.width = self.book.chosen(inches(36), "case width", "width")
        self.side = leaf(inches("23/32"), "side thickness", "stock/case/thickness", Origin.MEASURED)

    def test_terms_are_kept_in_order_with_their_signs(self) -> None:
        inside = self.book.named(self.width - self.side.times(2), "inside width", "inside.width")
        self.assertEqual(inside.length, inches("34 9/16"))
        self.assertEqual([(t.sign, t.times, t.item.label) for t in inside.terms],
                         [(1, 1, "case width"), (-1, 2, "side thickness")])  # fmt: skip
        self.assertEqual(inside.terms[1].value, inches("1 7/16"))
        self.assertEqual(inside.terms[1].label, "2 × side thickness")
        self.assertEqual(inside.total(), inside.length)

    def test_a_named_sum_becomes_one_term_and_an_unnamed_one_is_taken_apart(self) -> None:
        inside = self.book.named(self.width - self.side.times(2), "inside width", "inside.width")
        play = self.book.chosen(inches("1/8"), "play", "play")
        shelf = self.book.named(inside - play, "shelf, length", "shelf/length")
        self.assertEqual([t.item.key for t in shelf.terms], ["A/inside.width", "A/play"])
        taken_away = self.width - (self.side + play)
        self.assertEqual([t.sign for t in taken_away.terms], [1, -1, -1])
        self.assertEqual(taken_away.total(), taken_away.length)

    def test_a_measurement_overrules_and_everything_after_it_follows(self) -> None:
        book = Book("A/", {"A/inside.width": inches(34)})
        inside = book.named(self.width - self.side.times(2), "inside width", "inside.width", measurable=True)
        self.assertEqual((inside.length, inside.reckoned_length), (inches(34), inches("34 9/16")))
        self.assertIs(inside.origin, Origin.MEASURED)
        self.assertEqual(inside.total(), inside.reckoned_length)
        self.assertEqual(book.named(inside - self.side, "shelf", "shelf").length, inches("33 9/32"))
        unmeasurable = book.named(self.width - self.side.times(2), "inside width", "inside.width")
        self.assertEqual(unmeasurable.length, inches("34 9/16"))

    def test_a_share_carries_the_sum_it_was_shared_from(self) -> None:
        reveal = leaf(inches("1/16"), "reveal", "r")
        door = self.book.shared(self.width - reveal.times(2), 2, "door, width", "door/width")
        self.assertEqual(door.length, inches("17 15/16"))
        (share,) = door.terms
        self.assertEqual(share.item.shared_among, 2)
        self.assertEqual(share.item.total(), door.length)
        self.assertEqual([t.item.label for t in share.item.terms], ["case width", "reveal"])

    @given(st.lists(st.tuples(st.sampled_from([1, -1]), numbers, st.integers(1, 5)), min_size=1, max_size=8))
    def test_any_sum_adds_up_to_its_terms(self, steps: list[tuple[int, Length, int]]) -> None:
        total: Reckoned = leaf(inches(1), "start")
        for i, (sign, length, times) in enumerate(steps):
            item = leaf(length, f"term {i}").times(times)
            total = total + item if sign > 0 else total - item
        self.assertEqual(Book("x/").named(total, "sum", "sum").total(), total.length)
