# SPDX-License-Identifier: GPL-3.0-or-later
"""``ablebox assembly`` audited from its JSON alone, as someone outside the project would; templates."""

from __future__ import annotations

import io
import itertools
import json
import tempfile
import unittest
from dataclasses import replace
from pathlib import Path
from random import Random
from typing import Any

from pypdf import PdfReader

from ablebox.cli import demo
from ablebox.core.assembly.part import Face
from ablebox.core.case.extra.arch import Arch
from ablebox.core.case.scribe import Scribe, Station
from ablebox.core.errors import SizeImpossible
from ablebox.core.lengths import ZERO, inches
from ablebox.core.project.files import save
from ablebox.core.project.json_format import to_text
from ablebox.core.project.tree import new_project
from ablebox.core.shop.made import Made
from tests.cli.test_commands import run
from tests.designs import any_case, random_rack

Box = tuple[list[float], list[float]]
_CLOSE = 2e-6


def box(tree: dict[str, Any]) -> Box:
    return tree["at"], [a + s for a, s in zip(tree["at"], tree["size"], strict=True)]


def meet(one: Box, other: Box) -> Box | None:
    low = [max(a, b) for a, b in zip(one[0], other[0], strict=True)]
    high = [min(a, b) for a, b in zip(one[1], other[1], strict=True)]
    return (low, high) if all(h - b > _CLOSE for b, h in zip(low, high, strict=True)) else None


def minus(space: Box, taken: Box) -> list[Box]:
    """Return what is left of a box without another, as boxes."""
    common = meet(space, taken)
    if common is None:
        return [space]
    left, (low, high) = [], (list(space[0]), list(space[1]))
    for axis in range(3):
        for start, end in ((low[axis], common[0][axis]), (common[1][axis], high[axis])):
            if end - start > _CLOSE:
                a, b = list(low), list(high)
                a[axis], b[axis] = start, end
                left.append((a, b))
        low[axis], high[axis] = common[0][axis], common[1][axis]
    return left


def audit(case: dict[str, Any]) -> list[str]:
    """Return what cannot be: two pieces in one place, and a carcass of another size than told."""
    faults = []
    for one, other in itertools.combinations(case["parts"], 2):
        common = meet(box(one), box(other))
        rest = [common] if common else []
        for cut in one["cuts"] + other["cuts"]:
            rest = [piece for space in rest for piece in minus(space, box(cut))]
        if rest:
            faults.append(f"{one['code']} and {other['code']} share {rest[0]}")
    high = [max(box(part)[1][axis] for part in case["parts"]) for axis in range(3)]
    for axis in (1, 2):
        if abs(high[axis] - case["outside"][axis]) > _CLOSE:
            faults.append(f"along {axis} it reaches {high[axis]}, told {case['outside'][axis]}")
    return faults


class Assembly(unittest.TestCase):
    def test_demos_pass_an_audit_from_outside(self) -> None:
        for name in demo.names():
            status, out, _ = run("assembly", str(demo.path_of(name)))
            self.assertEqual(status, 0)
            cases = json.loads(out)
            for case in cases:
                self.assertEqual(set(case), {"case", "outside", "parts"})
                self.assertEqual(audit(case), [], f"{name} {case['case']}")
        parts = [part for case in cases for part in case["parts"]]
        self.assertTrue(all({"code", "name", "at", "size", "cuts"} <= set(part) for part in parts))

    def test_random_mixtures_pass_the_audit_and_come_back_from_their_files(self) -> None:
        passed = 0
        with tempfile.TemporaryDirectory() as folder:
            for seed in range(160):
                rng = Random(seed)
                project = replace(
                    new_project(), rack=random_rack(rng), cases=(replace(any_case(rng), in_alcove=False),)
                )
                try:
                    Made(project)
                except SizeImpossible:
                    continue
                path = Path(folder) / "one.ablebox"
                save(path, project)
                status, out, _ = run("assembly", str(path), "--json", "-")
                self.assertEqual(status, 0)
                self.assertEqual(audit(json.loads(out)[0]), [], f"seed {seed}")
                self.assertIn('"version": 5', to_text(project))
                passed += 1
        self.assertGreater(passed, 50)

    def test_the_audit_finds_what_is_wrong(self) -> None:
        _, out, _ = run("assembly", str(demo.path_of("mill-pantry")))
        case = json.loads(out)[0]
        side = next(part for part in case["parts"] if part["name"] == "side, left")
        side["cuts"] = []
        self.assertTrue(audit(case))


class Templates(unittest.TestCase):
    def test_shaped_parts_come_full_size_in_tiles_with_a_line_to_check(self) -> None:
        project = new_project()
        stations = (Station(ZERO, inches("1/8")), Station(inches(20), inches("3/8")))
        case = replace(project.cases[0], set_in=inches("1/2"), extras=(Arch("shelf.1"),),
                       scribes=(Scribe("side.left", Face.BACK, stations),))  # fmt: skip
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "shaped.ablebox"
            save(path, project.with_case(case))
            status, out, _ = run("assembly", str(path))
            shaped = [part for part in json.loads(out)[0]["parts"] if "outline" in part]
            self.assertEqual({part["name"] for part in shaped}, {"side, left", "shelf"})
            target = Path(folder) / "templates.pdf"
            self.assertEqual(run("templates", str(path), "--pdf", str(target))[0], 0)
            pages = PdfReader(io.BytesIO(target.read_bytes())).pages
            text = [page.extract_text() for page in pages]
        self.assertTrue(all("check: this line is 4 in long" in words for words in text))
        self.assertTrue(any("side, left, left hand" in words for words in text))
        self.assertGreaterEqual(len(pages), 5)
        status, _, err = run("templates", str(demo.path_of("mill-pantry")), "--pdf", "-")
        self.assertEqual(status, 2)
        self.assertIn("No part has a shaped edge", err)
