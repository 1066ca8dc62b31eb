# SPDX-License-Identifier: GPL-3.0-or-later
"""Files made to hang, fill or escape: each gets a sentence, in good time."""

from __future__ import annotations

import json
import tempfile
import time
import unittest
from dataclasses import replace
from pathlib import Path

from ablebox.core.errors import AbleBoxError
from ablebox.core.lengths import inches
from ablebox.core.paper.exports.sheet_files import sheet_files
from ablebox.core.paper.exports.tables_out import TableForm, table_csv
from ablebox.core.project.json_format import from_text, to_text
from ablebox.core.project.own_shop import load_shop
from ablebox.core.project.tree import LoosePart, new_project
from ablebox.core.shop.made import Made
from ablebox.core.shop.plans import plan_all
from ablebox.core.stock import Grain


class Hostile(unittest.TestCase):
    def test_every_limit_has_its_sentence_and_none_takes_long(self) -> None:
        tree = json.loads(to_text(new_project()))

        def changed(change) -> str:  # type: ignore[no-untyped-def]
            again = json.loads(json.dumps(tree))
            change(again["project"])
            return json.dumps(again)

        part = {"name": "x", "goods": "case", "length": "10 in", "width": "5 in", "count": 1, "grain": "any"}
        for text, words in (
            ("[" * 200_000, "too deeply"),
            ('{"format": "ablebox", "version": ' + "9" * 100_000 + "}", "100000 digits"),
            (json.dumps({**tree, **{f"k{i}": 1 for i in range(60_000)}}), "far more"),
            (changed(lambda p: p["cases"][0].update(width="9" * 3000 + " in")), "not a length"),
            (changed(lambda p: p["room"]["walls"][0]["widths"][0].update(read="39370 in")), "longer than anything"),
            (changed(lambda p: p.update(loose=[{**part, "count": 10**9}])), "pieces"),
            (changed(lambda p: p.update(name="x" * 10**6)), "letters long"),
            (changed(lambda p: p["cases"][0].update({"y" * 10**6: 1})), "is not known"),
        ):
            began = time.monotonic()
            with self.assertRaises(AbleBoxError) as caught:
                from_text(text, "x.ablebox")
            self.assertIn(words, str(caught.exception))
            self.assertLess(len(str(caught.exception)), 1_000)
            self.assertLess(time.monotonic() - began, 20)

    def test_a_damaged_shop_of_any_kind_never_stops_the_start(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "shop.json"
            for data in (
                b"[" * 200_000,
                b"\xff\xfe\x00",
                b"9" * 100_000,
                b"{}",
                b"null",
                b'{"format": "ablebox-shop", "version": 6}',
            ):
                path.write_bytes(data)
                with self.assertRaises(AbleBoxError):
                    load_shop(path)

    def test_cells_are_no_sums_and_codes_lead_nowhere(self) -> None:
        project = new_project()
        loose = LoosePart("=HYPERLINK(1)", "case", inches(10), inches(5), 1, Grain.ANY)
        goods = tuple(replace(each, code="../../etc/x") if each.code == "case" else each for each in project.rack.goods)
        self.assertIn("'=HYPERLINK", table_csv(Made(replace(project, loose=(loose,))), TableForm()))
        renamed = replace(
            project, rack=replace(project.rack, goods=goods), cases=(replace(project.cases[0], goods="../../etc/x"),)
        )
        made = Made(renamed)
        names = sheet_files(made, plan_all(made, 5), "dxf", lambda *_: b"")
        self.assertTrue(all("/" not in name and ".." not in name for name in names), list(names))
