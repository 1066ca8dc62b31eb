# SPDX-License-Identifier: GPL-3.0-or-later
"""Pages that are filled: everything once, nothing beyond a page's foot when it is really written line by line, no page left too many."""

from __future__ import annotations

import unittest
from collections.abc import Sequence
from random import Random

from ablebox.core.paper.book.packing import Thing, packed
from tests.many import TIMES


def _written(things: Sequence[tuple[float, Sequence[float]]], columns: Sequence[float]) -> bool:
    """Whether things go into columns as they are written: what stands together at first, then piece by piece; in the last column whole."""
    at, y = 0, 0.0
    for least, pieces in things:
        last = at == len(columns) - 1
        if y + (least + sum(pieces) if last else least) > columns[at] + 1e-6:
            at, y = at + 1, 0.0
        y += least
        for high in pieces:
            if at < len(columns) and y + high > columns[at] + 1e-6:
                at, y = at + 1, 0.0
            y += high
        if at >= len(columns):
            return False
    return True


class Packing(unittest.TestCase):
    def test_everything_stands_once_and_within_its_page(self) -> None:
        found = spared = 0
        for seed in range(60 * TIMES):
            random = Random(seed)
            page = [random.choice((300.0, 660.0))] * random.choice((1, 2, 3))
            rows = [
                (random.uniform(60, 160), [random.choice((14.0, 27.0, 40.0)) for _ in range(random.randint(0, 6))])
                for _ in range(random.randint(1, 24))
            ]
            rows = [row for row in rows if row[0] + sum(row[1]) <= page[0]]
            things = [
                Thing(least + sum(pieces), least + sum(pieces[:1]), max(pieces, default=0.0)) for least, pieces in rows
            ]
            first = [random.uniform(40, page[0]), *page[1:]]
            # One after another, column by column, nothing broken: so many pages it takes at most.
            at = [0, 0, 0.0]
            for thing in things:
                if at[2] + thing.high > (first if not at[0] else page)[at[1]]:
                    at = [at[0], at[1] + 1, 0.0] if at[1] + 1 < len(page) else [at[0] + 1, 0, 0.0]
                    if at[2] + thing.high > (first if not at[0] else page)[at[1]]:
                        at = [at[0] + 1, 0, 0.0]
                at[2] += thing.high
            pages = packed(things, first, page, at[0] + 1)
            if pages is None:
                continue
            found += 1
            self.assertEqual(sorted(i for mine in pages for i in mine), list(range(len(things))), seed)
            for n, mine in enumerate(pages):
                self.assertTrue(_written([rows[i] for i in mine], page if n else first), (seed, n))
            spared += len(pages) < at[0] + 1
            # The room there is never holds more than it is.
            self.assertIsNone(packed(things, [0.0] * len(page), page, sum(t.high for t in things) // sum(page)), seed)
        self.assertGreater(found, 40 * TIMES)
        self.assertGreater(spared, 3)
