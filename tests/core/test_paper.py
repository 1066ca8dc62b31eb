# SPDX-License-Identifier: GPL-3.0-or-later
"""Paper and data: the book says what it must, sums in JSON add up, the same input gives the same bytes."""

from __future__ import annotations

import csv
import io
import json
import unittest
from typing import Any

from pypdf import PdfReader

from ablebox.cli import demo
from ablebox.core.paper.buying import banding, hardware, sheets_to_buy
from ablebox.core.paper.cut_list import as_csv, as_text
from ablebox.core.paper.everything_json import everything_tree
from ablebox.core.paper.parts_json import parts_tree
from ablebox.core.paper.shop_book import shop_book
from ablebox.core.project.files import load
from ablebox.core.project.json_format import from_text
from ablebox.core.shop.made import Made
from ablebox.core.shop.plans import plan_all, verdict


class Demo(unittest.TestCase):
    name = "harbour-cottage"

    @classmethod
    def setUpClass(cls) -> None:
        cls.made = Made(load(demo.path_of(cls.name)).project)
        cls.plans = plan_all(cls.made, 400)


class Book(Demo):
    def pages(self) -> list[str]:
        reader = PdfReader(io.BytesIO(shop_book(self.made, self.plans)))
        return [page.extract_text() for page in reader.pages]

    def test_it_holds_everything(self) -> None:
        pages = self.pages()
        text = "\n".join(pages)
        for part in self.made.parts:
            self.assertIn(part.code, text)
        for words in (
            "What to buy",
            "Cut list",
            "Machining",
            "Cautions",
            "licensed trades",
            "How it was reckoned",
            "Snags",
        ):
            self.assertIn(words, text)
        for case in self.made.project.cases:
            self.assertTrue(any(page.startswith(f"Case {case.letter}: {case.name}") for page in pages))
        for code, plan in self.plans.items():
            goods = self.made.project.rack.sheet_goods(code)
            for number in range(1, len(plan.sheets) + 1):
                self.assertTrue(any(f"sheet {number} of {len(plan.sheets)}" in page for page in pages), goods.name)
        self.assertTrue(all(f"page {i}" in page and "sizes in inches" in page for i, page in enumerate(pages, start=1)))

    def test_the_same_input_gives_the_same_bytes(self) -> None:
        self.assertEqual(shop_book(self.made, self.plans), shop_book(self.made, self.plans))

    def test_the_metric_book_is_on_a4(self) -> None:
        made = Made(load(demo.path_of("mill-pantry")).project)
        page = PdfReader(io.BytesIO(shop_book(made, plan_all(made, 50)))).pages[0]
        self.assertAlmostEqual(float(page.mediabox.width), 297 / 25.4 * 72, delta=0.1)
        self.assertAlmostEqual(float(page.mediabox.height), 210 / 25.4 * 72, delta=0.1)

    def test_verdict_says_whether_fewer_are_possible(self) -> None:
        self.assertEqual(verdict(self.plans), "4 sheets and 1 offcut, and no plan needs fewer")


class Lists(Demo):
    def test_csv_has_a_row_for_each_part_and_its_unit_in_the_header(self) -> None:
        table = list(csv.DictReader(io.StringIO(as_csv(self.made))))
        self.assertEqual([row["code"] for row in table], [part.code for part in self.made.parts])
        self.assertEqual(table[0]["length (in)"], "34 1/2")
        self.assertIn("notch 4 from the bottom edge × 3 from the front edge", table[0]["machining"])
        self.assertEqual(sum(int(row["count"]) for row in table), sum(part.count for part in self.made.parts))

    def test_text_is_grouped_by_material(self) -> None:
        text = as_text(self.made)
        for goods in self.made.project.rack.goods:
            self.assertEqual(text.count(f"\n{goods.name}, "), 1)

    def test_what_to_buy_is_counted_from_the_parts(self) -> None:
        # Pocket screws: two at each end of two stretchers, a rail and a kick board; brads 2 in from the ends and 6 in
        # apart through the back into bottom and rear stretcher, 5 + 6 + 4 a row; only A stands at a wall: 3/4 of nailer, 1/4 of
        # back before it, 1/2 of lining and 1 1/4 of stud are 2 3/4.
        self.assertEqual(dict(hardware(self.made)), {
            "concealed hinges, full overlay": 12, "hinge plates 2 mm": 12, "shelf pins 1/4 in": 16, "push latches": 6,
            "pocket screws 1 1/4 in": 3 * 16, "brads 3/4 in": 2 * (5 + 6 + 4), "system screws 6.3 × 13 mm": 24,
            "screws for hardware 1/2 in": 24, "cabinet screws 3 in": 2})  # fmt: skip
        self.assertEqual(sum(count for _, count in sheets_to_buy(self.made, self.plans)), 5)
        runs = sum(b.run.ticks * p.count for p in self.made.parts for b in p.bands if b.edging.code == "solid")
        feet = int(dict(banding(self.made))["solid strip 1/8"].removesuffix(" ft"))
        self.assertTrue(runs * 1.1 <= feet * 12 * 406_400 < runs * 1.1 + 12 * 406_400)


class Sums(Demo):
    def add_up(self, terms: list[dict[str, Any]]) -> float:
        total = 0.0
        for term in terms:
            self.assertEqual(set(term) >= {"sign", "value_mm", "label", "source"}, True)
            if "reckoning" in term and "reckoned_mm" not in term:
                inner = self.add_up(term["reckoning"]) / term.get("shared_among", 1) * term.get("times", 1)
                self.assertAlmostEqual(inner, term["value_mm"], delta=1e-4)
            total += term["value_mm"] if term["sign"] == "+" else -term["value_mm"]
        return total

    def test_every_sum_adds_up_all_the_way_down(self) -> None:
        for name in demo.names():
            for row in parts_tree(Made(load(demo.path_of(name)).project).parts):
                for side in ("length", "width", "cut_length", "cut_width"):
                    self.assertAlmostEqual(self.add_up(row["reckoning"][side]), row[side], delta=2e-6)

    def test_everything_can_be_read_back(self) -> None:
        tree = json.loads(json.dumps(everything_tree(self.made, self.plans)))
        project = {key: tree[key] for key in ("format", "version", "project")}
        self.assertEqual(from_text(json.dumps(project), "x"), self.made.project)
        self.assertEqual(len(tree["parts"]), len(self.made.parts))
        self.assertEqual(sum(len(plan["sheets"]) for plan in tree["plan"]["plans"]), 5)
