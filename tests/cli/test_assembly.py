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
from ablebox.core.assembly.fastener import FastenerKind, Into
from ablebox.core.assembly.fitting import FittingKind
from ablebox.core.assembly.part import CutKind, Face
from ablebox.core.assembly.uses import Use
from ablebox.core.case.extra.arch import Arch
from ablebox.core.case.scribe import Scribe, Station
from ablebox.core.lengths import ZERO, inches
from ablebox.core.paper.data.assembly_json import Of
from ablebox.core.project.files import save
from ablebox.core.project.json_format import VERSION, to_text
from ablebox.core.project.tree import new_project
from ablebox.core.shop.made import Made
from ablebox.core.snags.every import snags
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


def wood(part: dict[str, Any], at: list[float]) -> float:
    """Return how far inside a piece a point is, in mm; below 0 outside. Forms and slopes are left to those who draw them."""
    low, high = box(part)
    deep = min(min(p - a, b - p) for p, a, b in zip(at, low, high, strict=True))
    for cut in part["cuts"]:
        if cut["kind"] in ("mitre", "bevel", "corner cut off"):
            continue
        a, b = box(cut)
        out = [max(x - p, p - y, 0.0) for p, x, y in zip(at, a, b, strict=True)]
        gap = sum(o * o for o in out) ** 0.5
        deep = min(deep, gap if gap else -1.0)
    return deep


def apart(one: list[list[float]], two: list[list[float]]) -> float:
    """Return the least distance of two straight pieces: both are walked along in turn until nothing comes nearer."""
    here = one[0]
    for _ in range(60):
        there = _nearest(here, two)
        here = _nearest(there, one)
    return sum((a - b) ** 2 for a, b in zip(here, _nearest(here, two), strict=True)) ** 0.5


def _nearest(at: list[float], piece: list[list[float]]) -> list[float]:
    way = [b - a for a, b in zip(*piece, strict=True)]
    long = sum(w * w for w in way)
    share = sum((p - a) * w for p, a, w in zip(at, piece[0], way, strict=True)) / long if long else 0.0
    share = min(1.0, max(0.0, share))
    return [a + share * w for a, w in zip(piece[0], way, strict=True)]


def hardware_audit(tree: dict[str, Any]) -> list[str]:
    """Return what of an object's hardware cannot be: tips out of faces, screws that meet, slides and shelves on air."""
    faults, parts = [], {part["piece"]: part for part in tree["parts"]}
    plain = {name: part for name, part in parts.items() if not {"outline", "footprint", "tilt"} & set(part)}
    for each in tree["fasteners"]:
        part = plain.get(each["into"])
        if part is not None:
            thick = min(part["size"])
            need = 3.0 if thick > 15.9 else 1.5
            if wood(part, each["tip"]) < need - 0.01:
                faults.append(f"{each['id']} ends {wood(part, each['tip']):.2f} from a face of {each['into']}")
        for name in each["through"]:
            if name in plain and not _passes(plain[name], each):
                faults.append(f"{each['id']} does not pass {name}")
    for one, two in itertools.combinations(tree["fasteners"], 2):
        if not ({*one["through"], one["into"]} & {*two["through"], two["into"]} & set(parts)):
            continue
        reach = (one["diameter"] + two["diameter"]) / 2
        if all(abs(a - b) < 60 for a, b in zip(one["tip"], two["tip"], strict=True)):
            gap = apart([one["head"], one["tip"]], [two["head"], two["tip"]])
            if gap < reach:
                faults.append(f"{one['id']} and {two['id']} meet")
    for hole in tree["holes"]:
        if abs(sum(a * a for a in hole["axis"]) - 1) > 1e-6:
            faults.append(f"{hole['id']} has no unit axis")
    held: dict[str, int] = {}
    for each in tree["hardware"]:
        if each["kind"] == "pin":
            for name in each["holds"]:
                held[name] = held.get(name, 0) + 1
        if each["kind"] == "slide-case-member" and not each["holds"]:
            faults.append(f"{each['id']} lies on air")
    faults += [f"{p['piece']} on {held.get(p['piece'], 0)} pins" for p in tree["parts"]
               if p["name"] == "shelf" and held.get(p["piece"], 0) < (3 if "footprint" in p else 4)]  # fmt: skip
    return faults


def _passes(part: dict[str, Any], each: dict[str, Any]) -> bool:
    shares = [i / 40 for i in range(1, 40)]
    return any(
        wood(part, [a + s * (b - a) for a, b in zip(each["head"], each["tip"], strict=True)]) > 0 for s in shares
    )


class Assembly(unittest.TestCase):
    def test_demos_pass_an_audit_from_outside(self) -> None:
        for name in demo.names():
            status, out, _ = run("assembly", str(demo.path_of(name)))
            self.assertEqual(status, 0)
            objects = json.loads(out)
            for each in objects:
                self.assertLessEqual(
                    {"case", "copy", "of", "outside", "room", "stands", "parts", "hardware", "fasteners", "holes"},
                    set(each),
                )
                if each["of"] == "case":
                    self.assertEqual(audit(each), [], f"{name} {each['case']}")
                self.assertEqual(hardware_audit(each), [], f"{name} {each['case']} {each['of']}")
            ids = [row["id"] for each in objects for rows in ("hardware", "fasteners", "holes") for row in each[rows]]
            self.assertEqual(len(ids), len(set(ids)))
            _, listed, _ = run("parts", str(demo.path_of(name)), "--json", "-")
            wanted = sorted(piece for part in json.loads(listed) for piece in pieces(part))
            self.assertEqual(sorted(part["piece"] for each in objects for part in each["parts"]), wanted, name)

    def test_a_case_made_three_times_stands_there_three_times(self) -> None:
        project = new_project()
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "three.ablebox"
            save(path, project.with_case(replace(project.cases[0], copies=3)))
            objects = json.loads(run("assembly", str(path))[1])
        blocks = [each for each in objects if each["of"] == "loose"]
        objects = [each for each in objects if each not in blocks]
        self.assertEqual(([each["copy"] for each in objects], {each["case"] for each in blocks}), ([1, 2, 3], {"j"}))
        names = [{part["piece"] for part in each["parts"]} for each in objects]
        self.assertFalse(names[0] & names[1] or names[1] & names[2])
        for each, own in zip(objects, names, strict=True):
            self.assertLessEqual({each["into"] for each in each["fasteners"]} - {"wall", "pull"}, own)

    def test_random_mixtures_pass_the_audit_and_come_back_from_their_files(self) -> None:
        passed = 0
        with tempfile.TemporaryDirectory() as folder:
            for seed in range(160):
                rng = Random(seed)
                project = replace(
                    new_project(), rack=random_rack(rng), cases=(replace(any_case(rng), in_alcove=False),)
                )
                made = Made(project)
                if made.unbuilt:
                    continue
                path = Path(folder) / "one.ablebox"
                save(path, project)
                status, out, _ = run("assembly", str(path), "--json", "-")
                self.assertEqual(status, 0)
                objects = json.loads(out)
                self.assertEqual(audit(objects[0]), [], f"seed {seed}")
                if not any(snag.code.startswith(("hang.", "proof.")) for snag in snags(made)):
                    for each in objects:
                        self.assertEqual(hardware_audit(each), [], f"seed {seed}")
                self.assertIn(f'"version": {VERSION}', to_text(project))
                passed += 1
        self.assertGreater(passed, 50)

    def test_the_audit_finds_what_is_wrong(self) -> None:
        _, out, _ = run("assembly", str(demo.path_of("mill-pantry")))
        case = json.loads(out)[0]
        side = next(part for part in case["parts"] if part["name"] == "side, left")
        screw = next(each for each in case["fasteners"] if each["into"] == side["piece"])
        screw["tip"] = [screw["tip"][0] - 7, *screw["tip"][1:]]
        case["hardware"] = [each for each in case["hardware"] if each["kind"] != "pin"]
        self.assertGreaterEqual(len(hardware_audit(case)), 2)
        side["cuts"] = []
        self.assertTrue(audit(case))

    def test_the_format_is_told_in_full(self) -> None:
        told = (Path(__file__).parents[2] / "docs" / "checks.md").read_text(encoding="utf-8")
        for kind in (FastenerKind, FittingKind, Use, Of, Into, CutKind):
            for member in kind:
                self.assertIn(f"`{member.value}`", told, kind.__name__)


def pieces(part: dict[str, Any]) -> list[str]:
    return [part["code"]] if part["count"] == 1 else [f"{part['code']}.{i + 1}" for i in range(part["count"])]


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
        self.assertTrue(all("this line is 4 in long" in words for words in text))
        self.assertTrue(any("side, left, left hand" in words for words in text))
        self.assertGreaterEqual(len(pages), 5)
        status, _, err = run("templates", str(demo.path_of("mill-pantry")), "--pdf", "-")
        self.assertEqual(status, 2)
        self.assertIn("No part has a shaped edge", err)
