# SPDX-License-Identifier: GPL-3.0-or-later
"""The house itself: which package may import which, what the words look like, what ships."""

from __future__ import annotations

import ast
import configparser
import re
import unittest
import xml.etree.ElementTree as ET
from collections.abc import Iterator
from dataclasses import fields
from pathlib import Path

import ablebox
from ablebox.cli import demo
from ablebox.core.cabinet.design import SCHOOLS, Case
from ablebox.core.case.cutouts import Cutout
from ablebox.core.case.frame.face_frame import Stile
from ablebox.core.case.scribe import Scribe, Station
from ablebox.core.project.files import load
from ablebox.core.project.json_format import to_text
from ablebox.core.project.tree import DonePiece, HeldPiece, HeldSheet, LoosePart, Project, RestChoice
from ablebox.core.room.obstacle import Obstacle
from ablebox.core.room.room import Corner, Room, Way
from ablebox.core.room.wall import Level as LevelOf
from ablebox.core.room.wall import Wall
from ablebox.core.run.space import RunSpace
from ablebox.core.shop.made import Made
from ablebox.core.snags.every import snags
from ablebox.core.stock import Board, BoardGoods, Edging, Saw, Sheet, SheetGoods
from ablebox.late import Late

ROOT = Path(__file__).resolve().parent.parent.parent
SOURCE = ROOT / "src" / "ablebox"

#: Each package may import the ones before it, never one behind it.
ORDER = (
    "core.errors", "core.whole_file", "core.spreadsheets", "core.lengths", "core.units", "core.typed", "core.reckoning", "core.hardware", "core.pitches", "core.reach", "core.order", "core.days", "core.coats", "core.buying", "core.log", "core.fit_book", "core.paper_book", "core.appliances", "core.stock", "core.materials", "core.sag", "core.room",
    "core.assembly", "core.ways", "core.fastening", "core.case", "core.fronts", "core.cabinet", "core.run", "core.project", "core.jigs", "core.parts", "core.cuts",
    "core.shop", "core.fit", "core.bench", "core.finish", "core.schedule", "core.snags", "core.drawing", "core.paper.lists", "core.paper.data", "core.paper.canvas", "core.paper.book", "core.paper.labels",
    "core.paper.full_size", "core.paper.exports", "core.paper", "cli", "window",
)  # fmt: skip

#: The entry point loads the window only when one is wanted.
LATE_IMPORTS = {"__main__.py": {"window", "cli"}}


def modules() -> Iterator[tuple[Path, ast.Module]]:
    for path in sorted(SOURCE.rglob("*.py")):
        yield path, ast.parse(path.read_text(encoding="utf-8"))


def imported(path: Path, node: ast.Import | ast.ImportFrom) -> list[str]:
    """Return the full names a statement imports."""
    if isinstance(node, ast.Import):
        return [alias.name for alias in node.names]
    package = ["ablebox", *path.relative_to(SOURCE).parent.parts]
    base = ".".join(package[: len(package) - node.level + 1]) if node.level else ""
    module = ".".join(piece for piece in (base, node.module or "") if piece)
    return [module, *(f"{module}.{alias.name}" for alias in node.names)]


def room_of(name: str) -> int | None:
    inner = name.removeprefix("ablebox.")
    return next((i for i, room in enumerate(ORDER) if inner == room or inner.startswith(room + ".")), None)


class EveryCode(unittest.TestCase):
    def test_every_snag_code_is_made_to_appear_by_a_test(self) -> None:
        """Its code stands in a test, in quotes; those of the proof are told one by one from their enum."""
        tests = "".join(path.read_text(encoding="utf-8") for path in (ROOT / "tests").rglob("*.py"))
        found = set()
        for path in (SOURCE / "core" / "snags").glob("*.py"):
            for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
                if isinstance(node, ast.Call) and isinstance(node.func, ast.Name) and node.func.id == "Snag":
                    code = node.args[0]
                    if isinstance(code, ast.Constant):
                        found.add(code.value)
        self.assertGreater(len(found), 60)
        self.assertEqual(sorted(code for code in found if f'"{code}"' not in tests), [])


class Layers(unittest.TestCase):
    def test_imports_go_one_way_only(self) -> None:
        for path, tree in modules():
            here = room_of("ablebox." + ".".join(path.relative_to(SOURCE).with_suffix("").parts))
            for node in ast.walk(tree):
                if here is None or not isinstance(node, (ast.Import, ast.ImportFrom)):
                    continue
                for name in imported(path, node):
                    there = room_of(name)
                    if there is not None:
                        self.assertLessEqual(there, here, f"{path.name} imports {name}")

    def test_what_is_loaded_late_stands_in_one_table_and_keeps_to_the_order(self) -> None:
        for path, tree in modules():
            if path.name != "late.py":
                names = {node.id for node in ast.walk(tree) if isinstance(node, ast.Name)}
                self.assertFalse(names & {"import_module", "__import__"}, path.name)
        for row in Late:
            there, here = (room_of(f"ablebox.{name}") for name in row.value)
            assert there is not None
            assert here is not None
            self.assertLessEqual(there, here, row)
            self.assertTrue((SOURCE / (row.value[0].replace(".", "/") + ".py")).exists(), row)
        for path, tree in modules():
            used = {node.attr for node in ast.walk(tree) if isinstance(node, ast.Attribute)
                    and isinstance(node.value, ast.Name) and node.value.id == "Late"}  # fmt: skip
            for name in used:
                self.assertTrue(
                    str(path.relative_to(SOURCE)).startswith(Late[name].value[1].replace(".", "/")), (path, name)
                )

    def test_every_module_of_the_core_has_its_place(self) -> None:
        for path in (SOURCE / "core").iterdir():
            if path.name not in ("__init__.py", "__pycache__"):
                self.assertIn(f"core.{path.stem}", ORDER)

    def test_qt_lives_in_the_window_only(self) -> None:
        for path, tree in modules():
            if "window" in path.relative_to(SOURCE).parts:
                continue
            for node in ast.walk(tree):
                if isinstance(node, (ast.Import, ast.ImportFrom)):
                    self.assertFalse(any("PyQt6" in name for name in imported(path, node)), path.name)

    def test_no_import_hides_inside_a_function(self) -> None:
        for path, tree in modules():
            for function in ast.walk(tree):
                if not isinstance(function, (ast.FunctionDef, ast.AsyncFunctionDef)):
                    continue
                for node in ast.walk(function):
                    if isinstance(node, (ast.Import, ast.ImportFrom)):
                        allowed = LATE_IMPORTS.get(path.name, set())
                        self.assertIn((node.module if isinstance(node, ast.ImportFrom) else ""), allowed, str(path))

    def test_modules_stay_small(self) -> None:
        for path, _ in modules():
            self.assertLess(len(path.read_text(encoding="utf-8").splitlines()), 500, path.name)

    def test_the_core_has_no_clock(self) -> None:
        for path, tree in modules():
            if "core" in path.relative_to(SOURCE).parts:
                for node in ast.walk(tree):
                    if isinstance(node, (ast.Import, ast.ImportFrom)):
                        # Dates are handed in; what a date is may be known.
                        self.assertNotIn("time", imported(path, node), path.name)
                    if (
                        isinstance(node, ast.Attribute)
                        and isinstance(node.value, ast.Name)
                        and node.value.id in ("date", "datetime")
                    ):
                        self.assertNotIn(node.attr, ("now", "utcnow", "today", "fromtimestamp"), path.name)


#: What people read: nothing is decided by it, nor by the text of a role, which is made from facts.
SHOWN = {"words", "label", "name", "role", "title", "note"}
PARSERS = {
    "startswith",
    "endswith",
    "partition",
    "rpartition",
    "removeprefix",
    "removesuffix",
    "split",
    "find",
    "replace",
}


class KindsNotWords(unittest.TestCase):
    def test_nothing_is_decided_by_display_text(self) -> None:
        """A label, a name or the text of a role is never compared with words or taken apart, but in ``parts/words``."""
        for path, tree in modules():
            inner = path.relative_to(SOURCE).parts
            if inner[0] == "core" and inner[1] in ("parts", "paper") and path.stem in ("words", "pages"):
                continue
            for node in ast.walk(tree):
                if isinstance(node, ast.Call) and isinstance(node.func, ast.Attribute) and node.func.attr in PARSERS:
                    self.assertFalse(
                        self._shown(node.func.value), f"{path.name}:{node.lineno} takes display text apart"
                    )
                if isinstance(node, ast.Compare):
                    sides = [node.left, *node.comparators]
                    if any(self._text(side) for side in sides):
                        shown = any(self._shown(side) for side in sides)
                        self.assertFalse(shown, f"{path.name}:{node.lineno} compares display text with words")

    @staticmethod
    def _shown(node: ast.expr) -> bool:
        if not (isinstance(node, ast.Attribute) and node.attr in SHOWN):
            return False
        # The name of a file or of a stage is no display text.
        return not (isinstance(node.value, ast.Name) and node.value.id in ("file", "stage"))

    @staticmethod
    def _text(node: ast.expr) -> bool:
        if isinstance(node, (ast.Tuple, ast.Set, ast.List)):
            return any(KindsNotWords._text(each) for each in node.elts)
        return isinstance(node, ast.JoinedStr) or (isinstance(node, ast.Constant) and isinstance(node.value, str))


class Words(unittest.TestCase):
    def texts(self) -> Iterator[tuple[Path, str]]:
        for path, tree in modules():
            docs = {id(n.body[0].value) for n in ast.walk(tree)
                    if isinstance(n, (ast.Module, ast.ClassDef, ast.FunctionDef)) and n.body
                    and isinstance(n.body[0], ast.Expr)}  # fmt: skip
            for node in ast.walk(tree):
                if isinstance(node, ast.Constant) and isinstance(node.value, str) and id(node) not in docs:
                    yield path, node.value

    def test_nobody_is_shouted_at(self) -> None:
        for path, text in self.texts():
            if text != "!" and "(?" not in text and " " in text:
                self.assertNotIn("!", text, path.name)

    def test_no_words_that_say_nothing(self) -> None:
        for path, text in self.texts():
            for word in ("please", "oops", "invalid", "error occurred", "failed to"):
                self.assertNotIn(word, text.lower(), path.name)

    def test_nothing_names_a_machine(self) -> None:
        pattern = re.compile(r"(?<![\w.])/(home|root|work|tmp)/")
        for folder in ("src", "tests", "docs", "tools", "packaging", ".ci"):
            for path in (ROOT / folder).rglob("*"):
                if path.suffix in (".py", ".md", ".sh", ".xml", ".ablebox") and path.name != "test_house.py":
                    self.assertIsNone(pattern.search(path.read_text(encoding="utf-8")), path.name)

    def test_every_file_says_its_licence(self) -> None:
        for path, _ in modules():
            self.assertTrue(
                path.read_text(encoding="utf-8").startswith("# SPDX-License-Identifier: GPL-3.0-or-later"), path.name
            )


class WhatShips(unittest.TestCase):
    def test_demos_are_sound_and_written_as_the_program_writes_them(self) -> None:
        self.assertEqual({load(demo.path_of(n)).project.units.system.value for n in demo.names()}, {"inch", "mm"})
        for name in demo.names():
            project = load(demo.path_of(name)).project
            self.assertEqual(to_text(project), demo.path_of(name).read_text(encoding="utf-8"))
            # Nothing stops the work; what is to be looked at again has a way on.
            for snag in snags(Made(project)):
                self.assertGreater(snag.level, 0, snag.sentence)
                self.assertTrue(snag.level > 1 or snag.fix is not None, snag.sentence)

    def test_fonts_come_with_their_licence(self) -> None:
        fonts = SOURCE / "assets" / "fonts"
        self.assertIn("SIL Open Font License", (fonts / "OFL.txt").read_text(encoding="utf-8"))
        self.assertIn("permission notice shall", (fonts / "DEJAVU.txt").read_text(encoding="utf-8"))
        self.assertGreaterEqual(len(list(fonts.glob("Barlow-*.ttf"))), 4)

    def test_desktop_files_agree(self) -> None:
        folder, name = ROOT / "packaging" / "linux", "io.ablebox.AbleBox"
        entry = configparser.ConfigParser(interpolation=None)
        entry.read(folder / f"{name}.desktop", encoding="utf-8")
        desktop = entry["Desktop Entry"]
        metainfo = ET.parse(folder / f"{name}.metainfo.xml").getroot()
        mime = ET.parse(folder / f"{name}.mime.xml").getroot()
        space = "{http://www.freedesktop.org/standards/shared-mime-info}"
        kind = mime.find(f"{space}mime-type")
        assert kind is not None
        self.assertEqual(desktop["MimeType"], f"{kind.get('type')};")
        self.assertEqual(metainfo.findtext("provides/mediatype"), kind.get("type"))
        self.assertEqual(
            (desktop["Icon"], metainfo.findtext("id"), metainfo.findtext("launchable")), (name, name, f"{name}.desktop")
        )
        self.assertTrue((SOURCE / "assets" / "icons" / f"{name}.svg").exists())
        self.assertIn(f'APP_ID = "{name}"', (SOURCE / "window" / "app.py").read_text(encoding="utf-8"))
        release = metainfo.find("releases/release")
        assert release is not None
        self.assertEqual(release.get("version"), ablebox.__version__)
        self.assertIn(f"## {ablebox.__version__}", (ROOT / "CHANGELOG.md").read_text(encoding="utf-8"))

    def test_the_file_format_is_documented_to_the_last_choice(self) -> None:
        text = (ROOT / "docs" / "file-format.md").read_text(encoding="utf-8")
        held = (
            Room,
            Way,
            Corner,
            Wall,
            LevelOf,
            Obstacle,
            RunSpace,
            Saw,
            HeldSheet,
            HeldPiece,
            RestChoice,
            LoosePart,
            DonePiece,
            Project,
        )
        for thing, schools in SCHOOLS.items():
            for name, record in schools.items():
                row = next((line for line in text.splitlines() if line.startswith(f"| `{thing}` | `{name}` |")), "")
                for field in fields(record):
                    self.assertIn(f"`{field.name}`", row, f"{thing} {name}")
        for record in (Case, Cutout, Scribe, Station, Stile, Board, BoardGoods, SheetGoods, Sheet, Edging, *held):
            for field in fields(record):
                self.assertIn(f"`{field.name}`", text, record.__name__)

    def test_documents_point_at_files_that_are_there(self) -> None:
        for page in (ROOT / "README.md", ROOT / "CONTRIBUTING.md", ROOT / "docs" / "file-format.md"):
            for link in re.findall(r"\]\(([^)#:]+)\)", page.read_text(encoding="utf-8")):
                self.assertTrue((page.parent / link).exists(), f"{page.name}: {link}")
