# SPDX-License-Identifier: GPL-3.0-or-later
"""Lengths: exact, typed the way people write them, written the way a shop does."""

from __future__ import annotations

import unittest
from fractions import Fraction

from hypothesis import given
from hypothesis import strategies as st

from ablebox.core.errors import LengthNotUnderstood
from ablebox.core.lengths import TICKS_PER_INCH, TICKS_PER_MM, ZERO, Length, inches, millimetres
from ablebox.core.typed import read_length
from ablebox.core.units import PRECISIONS, System, Units
from tests.tables import rows

INCH, MM = Units(System.INCH), Units(System.MM)

ticks = st.integers(-(10**10), 10**10)
sizes = st.integers(0, 100_000 * TICKS_PER_MM)


class Exactness(unittest.TestCase):
    def test_every_written_unit_is_a_whole_number_of_ticks(self) -> None:
        self.assertEqual(TICKS_PER_INCH, 128 * 3175)
        self.assertEqual(TICKS_PER_MM, 100 * 160)
        # The inch is 25.4 mm exactly (international yard and pound agreement, 1959).
        self.assertEqual(Fraction(TICKS_PER_INCH, TICKS_PER_MM), Fraction(254, 10))
        for steps in PRECISIONS.values():
            self.assertTrue(all(type(step) is int for step in steps.values()))

    def test_a_length_is_never_a_float(self) -> None:
        with self.assertRaises(TypeError):
            Length(1.0)  # type: ignore[arg-type]
        with self.assertRaises(TypeError):
            inches(1) * 0.5  # type: ignore[operator]
        with self.assertRaises(TypeError):
            inches(1) / 2  # type: ignore[operator]

    @given(sizes, st.integers(1, 40))
    def test_shares_add_up_again_and_are_alike(self, size: int, count: int) -> None:
        shares = Length(size).share(count)
        self.assertEqual(sum(shares, ZERO), Length(size))
        self.assertLessEqual(max(shares).ticks - min(shares).ticks, 1)
        self.assertEqual(shares, sorted(shares, reverse=True))

    def test_nothing_is_shared_among_none(self) -> None:
        with self.assertRaises(ValueError):
            inches(1).share(0)


class Typing(unittest.TestCase):
    @rows(
        ("24 1/2", "24 1/2"),
        ("24-1/2", "24 1/2"),
        ("24.5", "24 1/2"),
        ("24½", "24 1/2"),
        ("24 ½", "24 1/2"),
        (".5", "1/2"),
        ("1/2", "1/2"),
        ("23/32", "23/32"),
        ('24 1/2"', "24 1/2"),
        ("24 1/2 in", "24 1/2"),
        ("24 1/2in", "24 1/2"),
        ("2'", "24"),
        ("2' 1/2\"", "24 1/2"),
        ("2'6", "30"),
        ("2 ft 6 1/2 in", "30 1/2"),
        ("7' 6''", "90"),
        ("25.4 mm", "1"),
        ("2.54cm", "1"),
        ("24 1/4 + 3", "27 1/4"),
        ("24 1/4+3", "27 1/4"),
        ("96 1/4-2 1/4", "94"),
        ("24 - 1/2", "23 1/2"),
        ("3/4-1/2", "1/4"),
        ("(96 1/4 - 2 1/4)/2", "47"),
        ("(96 1/4 - 2 1/4) / 4", "23 1/2"),
        ("2*(3 1/2 + 1/4)", "7 1/2"),
        ("3 × 1/2", "1 1/2"),
        ("10 − 2 × 3", "4"),
        ("1' + 25.4mm", "13"),
        ("-(2) + 5", "3"),
        ("96/4", "24"),
        ("30 1/2 / 2", "15 1/4"),
    )
    def test_inches_as_people_write_them(self, text: str, wanted: str) -> None:
        self.assertEqual(read_length(text, INCH), inches(wanted))

    @rows(
        ("622", "622"),
        ("622,5", "622.5"),
        ("62.2cm", "622"),
        ("0.622 m", "622"),
        ('24 1/2"', "622.3"),
        ("600 + 18 * 2", "636"),
        ("(1200-3)/2", "598.5"),
    )
    def test_millimetres_as_people_write_them(self, text: str, wanted: str) -> None:
        self.assertEqual(read_length(text, MM), millimetres(wanted))

    def test_a_third_is_rounded_to_a_tick_once(self) -> None:
        third = read_length("(96 1/4 - 2 1/4)/3", INCH)
        self.assertLessEqual(abs(3 * third.ticks - inches(94).ticks), 1)

    @rows(
        ("", ""),
        ("abc", "abc"),
        ("24 1/2 x", "x"),
        ("24 1/0", "1/0"),
        ("5/0", "5/0"),
        ("24 +", ""),
        ("(24", ""),
        ("24)", ")"),
        ("24 1/2 3/4", "3/4"),
        ("1e5", "e5"),
        ("2 in * 3 in", ""),
        ("10 / 2 in", ""),
        ("10 / 0", ""),
        ("2,440", "2,440"),
        ("99999999999 ft", ""),
        ("nan", "nan"),
    )
    def test_bad_input_is_named(self, text: str, where: str) -> None:
        with self.assertRaises(LengthNotUnderstood) as caught:
            read_length(text, INCH)
        self.assertIn(where, str(caught.exception))
        self.assertEqual(caught.exception.text, text)
        self.assertTrue(str(caught.exception).endswith("."))

    def test_too_little_says_what_it_comes_to(self) -> None:
        with self.assertRaises(LengthNotUnderstood) as caught:
            read_length("3 - 4", INCH, least=inches("1/8"))
        self.assertIn("−1 in", str(caught.exception))
        self.assertIn("1/8 in", str(caught.exception))

    @given(st.text("0123456789 /.-+*()'\"inmcft½", max_size=24))
    def test_any_text_gives_a_length_or_a_sentence(self, text: str) -> None:
        try:
            read_length(text, INCH)
        except LengthNotUnderstood as fault:
            self.assertIn(" is not a length", str(fault))


class Writing(unittest.TestCase):
    @rows(
        ("26 3/4", "1/32", "26 3/4"),
        ("26", "1/32", "26"),
        ("0", "1/32", "0"),
        ("31/32", "1/32", "31/32"),
        ("127/128", "1/32", "1−"),
        ("1 1/128", "1/32", "1+"),
        ("23/32", "1/16", "3/4−"),
        ("22 5/16", "1/128", "22 5/16"),
        ("-1 9/32", "1/32", "−1 9/32"),
    )
    def test_inches_to_the_precision_of_the_shop(self, size: str, step: str, wanted: str) -> None:
        sign, plain = (-1, size[1:]) if size.startswith("-") else (1, size)
        self.assertEqual(Units(System.INCH, inch_step=step).write(inches(plain) * sign), wanted)

    @rows(
        ("622", "1", "622"),
        ("622.5", "1", "623−"),
        ("622.4", "1", "622+"),
        ("622.3", "0.5", "622.5−"),
        ("17.7", "0.1", "17.7"),
    )
    def test_millimetres_to_the_precision_of_the_shop(self, size: str, step: str, wanted: str) -> None:
        self.assertEqual(Units(System.MM, mm_step=step).write(millimetres(size)), wanted)

    @given(ticks)
    def test_what_is_written_is_within_half_a_step_and_marked_rightly(self, size: int) -> None:
        for units in (INCH, MM, Units(System.INCH, "1/16"), Units(System.MM, mm_step="1")):
            near, mark = units.rounded(Length(size))
            self.assertEqual(near.ticks % units.step.ticks, 0)
            self.assertLessEqual(2 * abs(size - near.ticks), units.step.ticks)
            self.assertEqual(mark, "" if near.ticks == size else "+" if abs(size) > abs(near.ticks) else "−")

    @given(sizes)
    def test_exact_text_typed_again_gives_the_same_length(self, size: int) -> None:
        for units in (INCH, MM):
            self.assertEqual(read_length(units.exact(Length(size)), units), Length(size))

    @given(st.integers(0, 20_000))
    def test_writing_agrees_with_fractions(self, steps: int) -> None:
        """Second opinion: Python's fractions on whole 32nds."""
        value = Fraction(steps, 32)
        whole, rest = divmod(value, 1)
        wanted = f"{whole}" if not rest else f"{whole} {rest}" if whole else f"{rest}"
        self.assertEqual(INCH.write(Length(steps * 12_700)), wanted)

    def test_a_precision_that_is_not_offered_is_refused(self) -> None:
        with self.assertRaises(ValueError):
            Units(System.INCH, inch_step="1/20")
