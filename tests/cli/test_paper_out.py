# SPDX-License-Identifier: GPL-3.0-or-later
"""Paper and files that leave the program, read back by libraries of their own: pypdf, openpyxl, odfpy, ezdxf, OpenCV, the standard library."""

from __future__ import annotations

import base64
import csv
import io
import json
import os
import re
import struct
import tempfile
import unittest
import xml.etree.ElementTree as ET
from collections import Counter
from fractions import Fraction
from html.parser import HTMLParser
from pathlib import Path
from typing import Any

import cv2
import ezdxf
import numpy as np
import openpyxl
from odf.opendocument import load as load_ods
from odf.table import TableCell, TableRow
from pypdf import PdfReader
from PyQt6.QtGui import QGuiApplication, QImage, QPainter
from PyQt6.QtPdf import QPdfDocument

from ablebox.cli import demo
from ablebox.core.paper.labels.label_sheet import label_sheets
from tests.cli.test_commands import run

FILE = str(demo.path_of("mill-pantry"))
CORNER = str(demo.path_of("orchard-corner"))


class Written(unittest.TestCase):
    def setUp(self) -> None:
        self.folder = Path(self.enterContext(tempfile.TemporaryDirectory()))

    def written(self, command: str, option: str, name: str, *more: str, file: str = FILE) -> bytes:
        path = self.folder / name
        status, _, fault = run(command, file, option, str(path), *more)
        self.assertEqual((status, fault), (0, ""))
        return path.read_bytes()

    def twice(self, command: str, option: str, name: str, *more: str) -> bytes:
        """The same input gives the same bytes, and the project's file is never written to."""
        before = Path(FILE).read_bytes()
        data = self.written(command, option, name, *more)
        self.assertEqual(self.written(command, option, f"2-{name}", *more), data)
        self.assertEqual(Path(FILE).read_bytes(), before)
        return data

    @staticmethod
    def parts(file: str = FILE) -> list[dict[str, Any]]:
        return json.loads(run("parts", file, "--json", "-")[1])  # type: ignore[no-any-return]


class Paper(Written):
    def test_a_book_has_the_size_the_date_and_the_chapters_asked_for(self) -> None:
        book = PdfReader(
            io.BytesIO(
                self.twice(
                    "book", "--pdf", "b.pdf", "--date", "5 Dec 2026", "--paper", "tabloid", "--chapters", "sheets,care"
                )
            )
        )
        self.assertEqual([float(v) for v in book.pages[0].mediabox[2:]], [792, 1224])
        self.assertTrue(all("5 Dec 2026" in page.extract_text() for page in book.pages))
        self.assertEqual([row.title for row in book.outline if not isinstance(row, list)], ["Cut sheets", "Care"])
        cover = PdfReader(io.BytesIO(self.written("book", "--pdf", "c.pdf", "--paper", "a4"))).pages[0]
        self.assertGreater(len(cover["/Annots"]), 5)
        status, _, _ = run("book", FILE, "--svg", str(self.folder / "pages"), "--chapters", "care", "--paper", "a4")
        (first, *_) = sorted((self.folder / "pages").iterdir())
        self.assertEqual((status, ET.parse(first).getroot().attrib["width"]), (0, "595.276pt"))

    def test_what_there_is_not_is_said(self) -> None:
        for words in (("--paper", "a5"), ("--chapters", "glue")):
            status, _, fault = run("book", FILE, "--pdf", str(self.folder / "x.pdf"), *words)
            self.assertEqual(status, 2)
            self.assertIn(words[1], fault)
            self.assertFalse((self.folder / "x.pdf").exists())
        self.assertEqual(run("labels", FILE, "--pdf", "-", "--sheet", "a9-1")[0], 2)
        status, _, fault = run("export", FILE, "--csv", "-", "--decimal", "comma")
        self.assertEqual((status, "semicolon" in fault), (2, True))

    def test_labels_on_any_sheet_one_again_and_from_a_used_one(self) -> None:
        pieces = sum(part["count"] for part in self.parts())
        pages = PdfReader(io.BytesIO(self.twice("labels", "--pdf", "l.pdf", "--sheet", "a4-8"))).pages
        # Offcuts that are kept get a label too.
        self.assertEqual(sum(len(re.findall(r"(?<!off)cut \d", page.extract_text())) for page in pages), pieces)
        (one,) = PdfReader(io.BytesIO(self.written("labels", "--pdf", "o.pdf", "--only", "A-01", "--skip", "23"))).pages
        text = one.extract_text()
        self.assertIn("A-01", text)
        for words in (
            "cut 870 × 579 mm",
            "finished 870 × 580 mm",
            "LEFT HAND",
            "banded front",
            "next: notch, then dado",
            "case A",
            "sheet",
        ):
            self.assertIn(words, text)
        self.assertNotIn("A-02", text)

    def test_a_label_is_scanned(self) -> None:
        """Printed at 400 dots an inch and read by OpenCV's detector: the piece, and the size it is cut to."""
        os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
        _ = QGuiApplication.instance() or QGuiApplication([])
        wanted = {part["code"]: part for part in self.parts()}
        for code in ("letter-30", "a4-24"):
            sheet = label_sheets()[code]
            document = QPdfDocument(None)
            (self.folder / "l.pdf").write_bytes(self.written("labels", "--pdf", "l.pdf", "--sheet", code))
            document.load(str(self.folder / "l.pdf"))
            read = Counter[str]()
            for number in range(document.pageCount()):
                size = document.pagePointSize(number) * (400 / 72)
                image = QImage(size.toSize(), QImage.Format.Format_RGB32)
                image.fill(0xFFFFFFFF)
                painter = QPainter(image)
                painter.drawImage(0, 0, document.render(number, size.toSize()))
                painter.end()
                grey = image.convertToFormat(QImage.Format.Format_Grayscale8)
                bits = grey.constBits()
                assert bits is not None
                page = np.frombuffer(bits.asstring(grey.sizeInBytes()), np.uint8).reshape(grey.height(), -1)
                for at in range(sheet.count):
                    left, top, wide, high = (int(each * 400 / 72) for each in (*sheet.corner(at), *sheet.size))
                    label = page[top : top + high, left : left + wide]
                    if (label < 128).any():
                        text, _, _ = cv2.QRCodeDetector().detectAndDecode(label)
                        piece = text.partition(" ")[0].partition(".")[0]
                        if piece in wanted:
                            part = wanted[piece]
                            sizes = [Fraction(each) for each in re.findall(r"\d+(?:\.\d+)?", text.partition(" ")[2])]
                            self.assertEqual(
                                [round(float(each)) for each in sizes],
                                [round(part["cut_length"]), round(part["cut_width"])], text,
                            )  # fmt: skip
                        self.assertTrue(text, (code, number, at))
                        read[piece] += 1
            self.assertEqual(
                {code: read[code] for code in wanted}, {code: part["count"] for code, part in wanted.items()}
            )


class Files(Written):
    def test_tables_hold_numbers_as_numbers(self) -> None:
        wanted = [
            (part["code"], part["count"], part["cut_length"], part["cut_width"], part["length"], part["width"])
            for part in self.parts()
        ]

        def rows_of(table: list[list[Any]]) -> list[tuple[Any, ...]]:
            at = {str(name): i for i, name in enumerate(table[0])}
            names = ("code", "count", "cut length (mm)", "cut width (mm)", "length (mm)", "width (mm)")
            return [
                tuple(row[at[name]] if name == "code" else float(row[at[name]]) for name in names) for row in table[1:]
            ]

        book = openpyxl.load_workbook(io.BytesIO(self.twice("export", "--xlsx", "t.xlsx")))
        table = [[made.value for made in row] for row in book.worksheets[0].iter_rows()]
        self.assertTrue(all(isinstance(row[5], int | float) for row in table[1:]))
        self.assertEqual(rows_of(table), wanted)
        ods = load_ods(io.BytesIO(self.twice("export", "--ods", "t.ods")))
        lines = [
            [
                made.getAttribute("value") or "".join(str(p) for p in made.childNodes)
                for made in row.getElementsByType(TableCell)
            ]
            for row in ods.getElementsByType(TableRow)
        ]
        self.assertEqual(rows_of(lines), wanted)
        text = self.twice(
            "export", "--csv", "t.csv", "--separator", "semicolon", "--decimal", "comma", "--unit", "mm"
        ).decode()
        self.assertEqual(
            rows_of(
                [
                    [cell.replace(",", ".") if i in range(5, 10) and n else cell for i, cell in enumerate(row)]
                    for n, row in enumerate(csv.reader(io.StringIO(text), delimiter=";"))
                ]
            ),
            wanted,
        )
        inches = list(csv.DictReader(io.StringIO(self.written("export", "--csv", "i.csv", "--unit", "in").decode())))
        self.assertAlmostEqual(float(inches[0]["length (in)"]) * 25.4, wanted[0][4], places=4)

    def test_every_part_is_a_drawing_with_its_operations_in_layers(self) -> None:
        folder = self.folder / "dxf"
        self.assertEqual(run("export", FILE, "--dxf-parts", str(folder))[0], 0)
        for part in self.parts():
            drawing = ezdxf.readfile(folder / f"{part['code']}.dxf")
            self.assertEqual(drawing.audit().errors, [])
            space = drawing.modelspace()
            (outline,) = space.query('LWPOLYLINE[layer=="OUTLINE"]')
            xs, ys = [p[0] for p in outline.get_points()], [p[1] for p in outline.get_points()]
            self.assertAlmostEqual(max(xs) - min(xs), part["length"], places=3)
            self.assertAlmostEqual(max(ys) - min(ys), part["width"], places=3)
            holes = sum(len(row["at"]) for row in part["machining"] if "at" in row)
            self.assertEqual(len(space.query("CIRCLE")), holes, part["code"])
            for circle in space.query("CIRCLE"):
                self.assertRegex(circle.dxf.layer, r"_D[\d.]+_(Z[\d.]+|THROUGH)")
                self.assertIn(f"D{circle.dxf.radius * 2:g}", circle.dxf.layer)

    def test_the_job_in_space_has_every_piece_in_its_place(self) -> None:
        tree = json.loads(self.twice("export", "--gltf", "j.gltf"))
        corner = json.loads(self.written("export", "--gltf", "c.gltf", file=CORNER))
        for file, model in ((FILE, tree), (CORNER, corner)):
            data = base64.b64decode(model["buffers"][0]["uri"].partition(",")[2])
            self.assertEqual(len(data), model["buffers"][0]["byteLength"])
            told = json.loads(run("assembly", file, "--json", "-")[1])
            sizes = {
                part["piece"]: sorted(part["size"]) for each in told if each["case"].isupper() for part in each["parts"]
            }
            nodes = {node["name"].partition(" ")[0]: node for node in model["nodes"] if "mesh" in node}
            self.assertEqual(set(sizes) - set(nodes), set())
            for piece, size in sizes.items():
                mesh = model["meshes"][nodes[piece]["mesh"]]["primitives"][0]
                where = model["accessors"][mesh["attributes"]["POSITION"]]
                found = sorted((b - a) * 1000 for a, b in zip(where["min"], where["max"], strict=True))
                for one, other in zip(found, size, strict=True):
                    self.assertAlmostEqual(one, other, delta=0.02, msg=piece)
                self._is_closed(model, data, mesh)

    def _is_closed(self, model: dict[str, Any], data: bytes, mesh: dict[str, Any]) -> None:
        """Every edge of a body belongs to two of its faces."""
        where = model["accessors"][mesh["indices"]]
        view = model["bufferViews"][where["bufferView"]]
        faces = struct.unpack(f"<{where['count']}I", data[view["byteOffset"] : view["byteOffset"] + view["byteLength"]])
        edges = Counter(
            frozenset(pair)
            for i in range(0, len(faces), 3)
            for a, b, c in [faces[i : i + 3]]
            for pair in ((a, b), (b, c), (c, a))
        )
        self.assertEqual(set(edges.values()), {2})

    def test_pages_for_a_phone_need_nothing_from_outside(self) -> None:
        data = self.twice("export", "--html", "p.html", "--date", "5 Dec 2026").decode()
        found: list[tuple[str, dict[str, str | None]]] = []

        class Reader(HTMLParser):
            def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
                found.append((tag, dict(attrs)))

        Reader().feed(data)
        outside = [row for _, row in found if "src" in row or not (row.get("href") or "#").startswith("#")]
        self.assertEqual(outside, [])
        self.assertNotIn("http:", data.replace("http://www.w3.org/2000/svg", ""))
        boxes = [row["id"] for tag, row in found if tag == "input"]
        self.assertEqual(len(boxes), len(set(boxes)))
        steps = json.loads(run("steps", FILE, "--json", "-")[1])["steps"]
        self.assertEqual(sum(str(each).startswith("step-") for each in boxes), len(steps))
        for part in self.parts():
            self.assertIn(f"cut-{part['code']}", boxes)
        self.assertGreaterEqual(sum(tag == "svg" for tag, _ in found), 2)
