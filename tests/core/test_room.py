# SPDX-License-Identifier: GPL-3.0-or-later
"""The alcove: how readings become widths, which governs, and widths that follow."""

from __future__ import annotations

import unittest
from dataclasses import replace

from ablebox.core.cabinet.design import Case
from ablebox.core.lengths import ZERO, inches
from ablebox.core.project.tree import new_project
from ablebox.core.room.alcove import Alcove, Measured
from ablebox.core.room.reading import Method, Reading
from ablebox.core.run.widths import following_widths
from ablebox.core.shop.made import Made


class Readings(unittest.TestCase):
    def setUp(self) -> None:
        self.alcove = Alcove(
            tape_body=inches(3),
            widths=(
                Reading("floor", inches("27 1/2")),
                Reading("counter", inches("24 1/4"), Method.TAPE_BODY),
                Reading("top", inches("27 3/8"), Method.METER),
            ),
            ceiling=Reading("ceiling", inches(96)),
            allowance=inches("1/2"),
        )

    def test_the_body_in_the_corner_is_added_and_shown(self) -> None:
        # The classic of the trade: 24 1/4 + 3 = 27 1/4 (common practice).
        counter = Measured(self.alcove).widths[1]
        self.assertEqual(counter.length, inches("27 1/4"))
        self.assertEqual([t.item.label for t in counter.terms], ["read on the tape", "tape body"])
        self.assertEqual(Measured(self.alcove).widths[2].length, inches("27 3/8"))

    def test_the_smallest_governs_and_the_allowance_is_taken_off(self) -> None:
        room = Measured(self.alcove)
        assert room.governing is not None
        assert room.usable is not None
        self.assertEqual(room.governing.length, inches("27 1/4"))
        self.assertEqual(room.usable.length, inches("26 3/4"))
        self.assertEqual(room.spread, inches("1/4"))
        self.assertEqual(room.usable.terms[0].item.terms[0].item.key, "room/width.2")

    def test_without_readings_nothing_is_known(self) -> None:
        room = Measured(Alcove())
        self.assertEqual((room.governing, room.usable, room.ceiling, room.mouth), (None, None, None, None))
        self.assertEqual(room.spread, ZERO)

    def test_readings_that_cannot_be_are_refused(self) -> None:
        for wrong in (lambda: Reading(" ", inches(1)), lambda: Reading("floor", ZERO),
                      lambda: Alcove(widths=(Reading("a", inches(1)), Reading("a", inches(2))))):  # fmt: skip
            with self.assertRaises(ValueError):
                wrong()


class Following(unittest.TestCase):
    def setUp(self) -> None:
        self.room = Measured(Alcove(widths=(Reading("floor", inches("96 1/2")),)))

    def test_one_case_takes_what_is_left(self) -> None:
        cases = (Case("A", width=inches(30)), Case("B", follows=True), Case("C", width=inches(99), in_alcove=False))
        widths = following_widths(cases, self.room)
        self.assertEqual({k: v.length for k, v in widths.items()}, {"B": inches(66)})
        self.assertEqual(widths["B"].total(), inches(66))

    def test_several_share_it_equally(self) -> None:
        cases = tuple(Case(letter, follows=True) for letter in "ABC")
        lengths = {v.length for v in following_widths(cases, self.room).values()}
        self.assertEqual(lengths, {inches(32)})

    def test_without_readings_a_case_keeps_its_own_width(self) -> None:
        project = new_project()
        bare = replace(project, alcove=replace(project.alcove, widths=()))
        self.assertEqual(Made(bare).assembly("A").outside[0].length, project.cases[0].width)
