# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts from tables as people have them: other separators, headings with units, notes between, and every fault by its row."""

from __future__ import annotations

import csv
import tempfile
import unittest
from pathlib import Path
from random import Random

from ablebox.core.errors import FileFaulty
from ablebox.core.lengths import Length, inches, millimetres
from ablebox.core.project.parts_table import Picked, guessed, parts_of, read_cells
from ablebox.core.project.tree import new_project
from ablebox.core.stock import Grain
from ablebox.core.units import System, Units
from tests.tables import rows


class Tables(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.rack = new_project(System.MM).rack

    def file(self, data: bytes, name: str = "parts.csv") -> Path:
        path = self.folder / name
        path.write_bytes(data)
        return path

    def parts(self, data: bytes, system: System = System.MM):  # type: ignore[no-untyped-def]
        cells = read_cells(self.file(data))
        return parts_of(cells, guessed(cells, "case"), self.rack, Units(system), "parts.csv")

    @rows(
        (b"name;length (mm);width (mm);qty\nside;720,5;560;2\n", "side", "720.5", 2),
        (b"Length\tWidth\tName\n720.5\t560\tside\n\n", "side", "720.5", 1),
        ("Länge,1\n".encode("cp1252") + b"a,length,width\nside,720.5,560\n", None, "", 0),
        (b"720.5,560,2\n", "part", "720.5", 2),
        ("\ufeffname,width,length,count\nside,560,720.5,2.0\n".encode(), "side", "720.5", 2),
    )
    def test_tables_as_people_have_them(self, data: bytes, name: str | None, length: str, count: int) -> None:
        if name is None:
            with self.assertRaises(FileFaulty):
                self.parts(data)
            return
        (part,) = self.parts(data)
        self.assertEqual(
            (part.name, part.length, part.width, part.count), (name, millimetres(length), millimetres(560), count)
        )

    def test_every_fault_is_named_with_its_row(self) -> None:
        data = b"name,length,width,count,material\nside,wide,20,1,\nback,30,20,none,\ntop,30,20,0,glass\nshelf,30,20,1,case\n"
        with self.assertRaises(FileFaulty) as caught:
            self.parts(data, System.INCH)
        words = str(caught.exception)
        for said in ("row 2", "“wide” is not a size", "row 3", "“none”", "row 4", "“0”", "“glass” is not on the rack"):
            self.assertIn(said, words)
        self.assertNotIn("row 5", words)

    @rows(
        (b"", "parts.csv", "is empty"), (b" , \n", "parts.csv", "is empty"), (b"a\0b", "parts.csv", "not a text file"),
        (b"x", "parts.xls", "old kind"), (b"no zip", "parts.xlsx", "parts.xlsx"), (b"no zip", "parts.ods", "parts.ods"),
        (b"length,width\n", "parts.csv", "no rows below"), (b"name,length\nside,30\n", "parts.csv", "no column is the width"),
        (b"length,width,count\n30,20,99999\n30,20,99999\n", "parts.csv", "pieces"),
    )  # fmt: skip
    def test_what_cannot_be_read_says_why(self, data: bytes, name: str, words: str) -> None:
        with self.assertRaises(FileFaulty) as caught:
            cells = read_cells(self.file(data, name))
            parts_of(cells, guessed(cells, "case"), self.rack, Units(System.INCH), name)
        self.assertIn(words, str(caught.exception))
        with self.assertRaises(FileFaulty):
            read_cells(self.folder / "not there.csv")

    def test_what_one_writes_another_reads(self) -> None:
        """Random lists through the standard library's own CSV writer, in any order of columns and either unit."""
        rng = Random("tables")
        for _ in range(40):
            system = rng.choice(list(System))
            units, unit = Units(system, "1/64", "0.1"), inches("1/64") if system is System.INCH else millimetres("0.1")
            order = rng.sample(["name", "length", "width", "count", "grain"], 5)
            wanted, path = [], self.folder / "list.csv"
            with path.open("w", newline="", encoding="utf-8") as out:
                writer = csv.writer(out, delimiter=rng.choice(",;\t"))
                writer.writerow(order)
                for number in range(rng.randint(1, 12)):
                    long, wide = (Length(unit.ticks * rng.randint(200, 4000)) for _ in range(2))
                    grain, word = rng.choice(((Grain.LENGTH, ""), (Grain.WIDTH, "across"), (Grain.ANY, "any")))
                    row = {"name": f"part, {number}", "length": units.write(long), "width": units.write(wide),
                           "count": rng.randint(1, 9), "grain": word}  # fmt: skip
                    writer.writerow([row[field] for field in order])
                    wanted.append((row["name"], long, wide, row["count"], grain))
            cells = read_cells(path)
            picked = guessed(cells, "case")
            self.assertEqual(picked, Picked({field: order.index(field) for field in order}, 1, "case"))
            found = parts_of(cells, picked, self.rack, units, "list.csv")
            self.assertEqual([(p.name, p.length, p.width, p.count, p.grain) for p in found], wanted)
