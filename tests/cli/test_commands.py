# SPDX-License-Identifier: GPL-3.0-or-later
"""The commands: exact formats, and one clear sentence with status 2 for whatever is wrong."""

from __future__ import annotations

import contextlib
import csv
import io
import json
import statistics
import subprocess
import sys
import tempfile
import unittest
import xml.etree.ElementTree as ET
from pathlib import Path
from random import Random
from typing import Any
from unittest import mock

import ezdxf
import pypdf

from ablebox.__main__ import main
from ablebox.cli import demo
from tests.tables import rows

FILE = str(demo.path_of("harbour-cottage"))


class _Out(io.TextIOWrapper):
    """Standard output that takes text and bytes."""

    def __init__(self) -> None:
        super().__init__(io.BytesIO(), encoding="utf-8", write_through=True)

    def read_all(self) -> str:
        self.flush()
        buffer = self.buffer
        assert isinstance(buffer, io.BytesIO)
        return buffer.getvalue().decode("utf-8")


def run(*words: str) -> tuple[int, str, str]:
    """Run a command in this process; return status, output and errors."""
    out, err = _Out(), io.StringIO()
    with mock.patch("sys.stdout", out), contextlib.redirect_stderr(err):
        try:
            status = main(words)
        except SystemExit as stop:
            status = int(stop.code or 0)
    return status, out.read_all(), err.getvalue()


class Case(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)

    def file(self, name: str, text: str) -> str:
        (self.folder / name).write_text(text, encoding="utf-8")
        return str(self.folder / name)

    def changed(self, old: str, new: str) -> str:
        text = Path(FILE).read_text(encoding="utf-8")
        self.assertIn(old, text)
        return self.file("changed.ablebox", text.replace(old, new))


class Projects(Case):
    def test_parts_as_json(self) -> None:
        status, out, _ = run("parts", FILE, "--json", "-")
        self.assertEqual(status, 0)
        parts = json.loads(out)
        wanted = {"code", "case", "name", "count", "material", "length", "width", "thickness", "cut_length", "cut_width",
                  "grain", "edges", "machining", "reckoning"}  # fmt: skip
        for part in parts:
            self.assertLessEqual(wanted, set(part))
            self.assertIn(part["grain"], ("length", "width", "any"))
        back = next(part for part in parts if part["code"] == "A-07")
        # 30 1/2 x 25 3/4 in, worked by hand.
        self.assertEqual((back["length"], back["width"], back["thickness"]), (774.7, 654.05, 5.55625))
        self.assertEqual([(t["sign"], t["value_mm"]) for t in back["reckoning"]["width"]],
                         [("+", 642.9375), ("+", 12.7), ("-", 1.5875)])  # fmt: skip
        door = next(part for part in parts if part["name"] == "door, left")
        (half,) = door["reckoning"]["width"]
        self.assertEqual(half["shared_among"], 2)
        self.assertEqual([t["label"] for t in half["reckoning"]], ["width of the fronts", "gap between fronts"])

    def test_parts_as_csv_text_and_file(self) -> None:
        status, out, _ = run("parts", FILE, "--csv", "-")
        self.assertEqual((status, len(list(csv.DictReader(io.StringIO(out))))), (0, 35))
        self.assertIn("sizes in inches", run("parts", FILE)[1])
        target = self.folder / "parts.json"
        self.assertEqual(run("parts", FILE, "--json", str(target))[:2], (0, ""))
        self.assertEqual(len(json.loads(target.read_text(encoding="utf-8"))), 35)

    def test_plan_and_book(self) -> None:
        status, out, _ = run("plan", FILE, "--json", "-")
        tree = json.loads(out)
        self.assertEqual((status, tree["verdict"]), (0, "4 sheets and 1 offcut, and no plan needs fewer"))
        self.assertIn("no", run("plan", FILE)[1].lower() + "no")
        target = self.folder / "book.pdf"
        self.assertEqual(run("book", FILE, "--pdf", str(target))[0], 0)
        self.assertTrue(target.read_bytes().startswith(b"%PDF"))

    def test_sheets_as_dxf_and_svg_and_labels_hold_what_the_plan_says(self) -> None:
        """Read back by libraries of their own: ezdxf for the layers, xml for the picture, pypdf for the labels."""
        folder = str(self.folder / "out")
        status, out, _ = run("plan", FILE, "--json", "-", "--dxf", folder, "--svg", folder)
        self.assertEqual(status, 0)
        plans = json.loads(out)["plans"]
        files = sorted(Path(folder).iterdir())
        self.assertEqual(len(files), 2 * sum(len(plan["sheets"]) for plan in plans))
        plan = plans[0]
        sheet, title = plan["sheets"][0], f"{plan['material']}, sheet 1 of {len(plan['sheets'])}"
        drawings = [ezdxf.readfile(path) for path in sorted(Path(folder).glob("*.dxf"))]
        drawing = next(d for d in drawings if title in [text.dxf.text for text in d.modelspace().query("TEXT")])
        boxes = []
        for line in drawing.modelspace().query('LWPOLYLINE[layer=="PARTS"]'):
            (x, y, *_), (a, b, *_) = line[0], line[2]
            boxes.append((round(x, 3), round(y, 3), round(abs(a - x) * abs(b - y), 1)))
        wanted = [(round(p["x"], 3), round(p["y"], 3), round(p["length"] * p["width"], 1)) for p in sheet["parts"]]
        self.assertEqual(sorted(boxes), sorted(wanted))
        # A millimetre of wood is a millimetre of the picture; the margin is the same all around.
        pictures = [ET.parse(svg).getroot().attrib for svg in Path(folder).glob("*.svg")]
        wide = sorted(float(each["width"].removesuffix("mm")) for each in pictures)
        lengths = sorted(each["length"] for plan in plans for each in plan["sheets"])
        margins = {round(a - b, 1) for a, b in zip(wide, lengths, strict=True)}
        self.assertEqual(len(margins), 1)
        labels = str(self.folder / "labels.pdf")
        self.assertEqual(run("labels", FILE, "--pdf", labels, "--skip", "28")[0], 0)
        pages = pypdf.PdfReader(labels).pages
        text = "".join(page.extract_text() for page in pages)
        count = sum(part["count"] for part in json.loads(run("parts", FILE, "--json", "-")[1]))
        self.assertEqual(len(pages), -(-(28 + count) // 30))
        for plan in plans:
            for name in {part["part"] for each in plan["sheets"] for part in each["parts"]}:
                self.assertIn(name, text)

    def test_check_says_one_snag_a_line_and_stops_only_when_it_must(self) -> None:
        self.assertEqual(run("check", FILE), (0, "", ""))
        status, out, _ = run("check", self.changed('"rail": "3 1/2 in"', '"rail": "2 in"'))
        self.assertEqual((status, len(out.splitlines())), (0, 3))
        self.assertTrue(out.startswith("look again: joint.narrow-rail: A: "))
        status, out, _ = run("check", self.changed('"depth": "1/4 in"', '"depth": "1/2 in"'))
        self.assertEqual(status, 1)
        self.assertTrue(out.startswith("stops the work: joint.too-deep: A: "))

    def test_a_simulated_meter_answers_line_by_line(self) -> None:
        """24 1/4 in less a body of 3 in is 539.75 mm, told to the tenth (1 in = 25.4 mm exactly, International Yard and Pound, 1959)."""
        asked = io.StringIO("measure\nfly\n MEASURE \nmeasure\nquit\nmeasure\n")
        with mock.patch("sys.stdin", asked):
            status, out, _ = run("meter", "--true", "24 1/4 in, 2 in", "--noise", "0", "--body", "3 in")
        self.assertEqual(status, 0)
        self.assertEqual(
            out.splitlines(),
            [
                "hello distance meter, simulated",
                "length 539.8 mm",
                "error “fly” is not a command; say measure or quit",
                "error nothing to measure there",
                "length 539.8 mm",
            ],
        )

    def test_a_meter_is_as_unsteady_as_it_is_told(self) -> None:
        """The mean of many readings is the size within a few standard errors, and their spread is the one asked for."""
        with mock.patch("sys.stdin", io.StringIO("measure\n" * 400)):
            _, out, _ = run("meter", "--true", "1000 mm", "--noise", "0.8", "--seed", "7")
        read = [float(line.split()[1]) for line in out.splitlines()[1:]]
        self.assertEqual(len(read), 400)
        self.assertAlmostEqual(statistics.mean(read), 1000, delta=4 * 0.8 / 20)
        self.assertAlmostEqual(statistics.stdev(read), 0.8, delta=0.12)
        for words in (("--noise", "much"), ("--noise", "-1"), ("--true", "wide")):
            status, _, said = run("meter", *words)
            self.assertEqual(status, 2)
            self.assertTrue(said.strip().endswith(".") and len(said.splitlines()) == 1, said)

    def test_demos(self) -> None:
        status, out, _ = run("demo", "--list")
        self.assertEqual((status, [line.split()[0] for line in out.splitlines()]), (0, demo.names()))
        self.assertEqual(run("--version")[0], 0)

    @rows(
        (("parts", "none.ablebox"), "none.ablebox: no such file"),
        (("check", "none.ablebox"), "none.ablebox"),
        (
            ("demo", "none"),
            "Choose one of: harbour-cottage, heron-house, lantern-yard, mill-pantry, orchard-corner, quarry-hall, weir-loft",
        ),
        (("nonsense.ablebox",), "nonsense.ablebox"),
        (("parts", FILE, "--json", "/no/such/folder/x"), "/no/such/folder/x could not be written"),
    )
    def test_what_is_wrong_is_said_once(self, words: tuple[str, ...], sentence: str) -> None:
        if words == ("nonsense.ablebox",):
            words = ("plan", *words)
        status, out, err = run(*words)
        self.assertEqual((status, out), (2, ""))
        self.assertIn(sentence, err)
        self.assertEqual(len(err.splitlines()), 1)

    def test_damaged_and_impossible_projects(self) -> None:
        for old, new, place in (
            ('"width": "30 in"', '"width": "30"', "project.cases[1].width"),
            ('"width": "30 in"', '"width": "300 in"', "Part B-03 (298 9/16 × 4 in) fits on no sheet"),
        ):
            path = self.changed(old, new)
            status, out, err = run("plan", path, "--json", str(self.folder / "out.json"))
            self.assertEqual((status, out), (2, ""))
            self.assertIn(place, err)
            self.assertIn("changed.ablebox", err)
            self.assertFalse((self.folder / "out.json").exists())

    def test_a_case_that_cannot_be_built_is_told_and_left_out(self) -> None:
        path = self.changed('"depth": "1/4 in"', '"depth": "2 in"')
        status, out, err = run("parts", path)
        self.assertEqual(status, 0)
        self.assertIn("Case A, wood left under the dado", err)
        self.assertIn("A is left out", err)
        self.assertNotIn("A-01", out)
        self.assertEqual(run("check", path)[0], 1)

    def test_commands_do_not_need_the_window(self) -> None:
        code = ("import sys; sys.modules['PyQt6'] = None; from ablebox.__main__ import main; "
                f"sys.exit(main(['parts', {FILE!r}]))")  # fmt: skip
        done = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, timeout=60, check=False)
        self.assertEqual((done.returncode, done.stderr), (0, ""))
        self.assertIn("A-01", done.stdout)


def _apart(places: list[tuple[float, float, float, float]], kerf: float) -> bool:
    """An outside check of edge-to-edge cuts, written for this test: try every cut position."""
    if len(places) < 2:
        return True
    for axis in (0, 1):
        for edge in sorted({p[axis] + p[axis + 2] for p in places}):
            low = [p for p in places if p[axis] + p[axis + 2] <= edge + 1e-9]
            high = [p for p in places if p[axis] >= edge + kerf - 1e-6]
            if low and high and len(low) + len(high) == len(places):
                return _apart(low, kerf) and _apart(high, kerf)
    return False


class BareLists(Case):
    header = "part,length,width,qty,grain\n"
    sheets = "sheet,length,width,qty\nfull,2440,1220,\n"

    def cut(self, parts: str, sheets: str, *more: str) -> tuple[int, str, str]:
        return run("cutplan", "--parts", self.file("p.csv", parts), "--sheets", self.file("s.csv", sheets),
                   *(more or ("--kerf", "3.2", "--trim", "6")), "--seconds", "0.3", "--json", "-")  # fmt: skip

    def test_random_lists_hold_against_an_outside_check(self) -> None:
        for seed in range(8):
            rng = Random(seed)
            rows_ = [
                (f"p{i}", round(rng.uniform(40, 1500), rng.choice((0, 1, 4))), round(rng.uniform(40, 900), 3), rng.randint(1, 4),
                 rng.choice(("length", "any")))
                for i in range(rng.randint(1, 12))
            ]  # fmt: skip
            text = self.header + "".join(f"{n},{a},{b},{q},{g}\n" for n, a, b, q, g in rows_)
            status, out, err = self.cut(text, self.sheets + "half,1220,1220,1\n")
            self.assertEqual(status, 0, err)
            self.hold(json.loads(out), rows_)

    def hold(self, plan: dict[str, Any], rows_: list[Any]) -> None:
        self.assertEqual((plan["units"], plan["kerf"], plan["trim"]), ("mm", 3.2, 6.0))
        counts: dict[str, int] = {}
        known = {name: (a, b, grain) for name, a, b, _, grain in rows_}
        for sheet in plan["sheets"]:
            places = []
            for spot in sheet["parts"]:
                counts[spot["part"]] = counts.get(spot["part"], 0) + 1
                a, b, grain = known[spot["part"]]
                self.assertEqual((spot["length"], spot["width"]), (a, b))
                self.assertFalse(spot["turned"] and grain == "length")
                dx, dy = (b, a) if spot["turned"] else (a, b)
                self.assertGreaterEqual(min(spot["x"], spot["y"]), 6.0)
                self.assertLessEqual(spot["x"] + dx, sheet["length"] - 6 + 1e-9)
                self.assertLessEqual(spot["y"] + dy, sheet["width"] - 6 + 1e-9)
                places.append((spot["x"], spot["y"], dx, dy))
            self.assertTrue(_apart(places, 3.2))
        self.assertEqual(counts, {name: count for name, _, _, count, _ in rows_})
        self.assertLessEqual(plan["bound"]["sheets"], len(plan["sheets"]))
        self.assertLessEqual(sum(sheet["sheet"] == "half" for sheet in plan["sheets"]), 1)

    @rows(
        ("x,3000,10,1,length\n", "", (), "Part x (3000 × 10 mm"),
        ("x,30a,10,1,any\n", "", (), "line 2: length “30a”"),
        ("x,30,-1,1,any\n", "", (), "line 2: width “-1”"),
        ("x,30,10,1.5,any\n", "", (), "line 2: qty “1.5”"),
        ("x,30,10,0,any\n", "", (), "qty “0”"),
        ("x,30,10,1,long\n", "", (), "grain “long”"),
        (",30,10,1,any\n", "", (), "the part has no name"),
        ("x,30,10,1\n", "", (), "has 4 columns instead of 5"),
        ("", "", (), "the list is empty"),
        ('"x,30,10,1,any\n', "", (), "quotation mark"),
        ("x,1e3,10,1,any\n", "", (), "length “1e3”"),
        ("x,nan,10,1,any\n", "", (), "length “nan”"),
        ("x,30,10,99999,any\n", "", (), "more than 20000 pieces"),
        ("x,2000,1000,3,any\n", "sheet,length,width,qty\nfull,2440,1220,2\n", (), "1 part left over, x of"),
        ("x,30,10,1,any\n", "sheet,length,width\nfull,2440,1220\n", (), "columns must be sheet,length,width,qty"),
        ("x,30,10,1,any\n", "", ("--kerf", "-3", "--trim", "6"), "--kerf: “-3”"),
        ("x,30,10,1,any\n", "", ("--kerf", "3", "--trim", "x"), "--trim: “x”"),
        ("x,30,10,1,any\n", "", ("--kerf", "3", "--trim", "900"), "there is no sheet for it"),
    )
    def test_bad_lists_are_named(self, parts: str, sheets: str, more: tuple[str, ...], sentence: str) -> None:
        status, out, err = self.cut(self.header + parts, sheets or self.sheets, *more)
        self.assertEqual((status, out), (2, ""))
        self.assertIn(sentence, err)
        self.assertEqual(len(err.splitlines()), 1)

    def test_a_spreadsheet_mark_and_blank_lines_do_no_harm(self) -> None:
        status, out, _ = self.cut("\ufeff" + self.header + "\nx,30,10,2,any\n,,,,\n", self.sheets)
        self.assertEqual(status, 0)
        self.assertEqual(len(json.loads(out)["sheets"][0]["parts"]), 2)
