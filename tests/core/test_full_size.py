# SPDX-License-Identifier: GPL-3.0-or-later
"""Pages printed full size, measured again from what stands in the PDF: cups, pulls, corner panels, check lines, story sticks."""

from __future__ import annotations

import io
import re
import unittest
from math import hypot

from pypdf import PdfReader

from ablebox.cli import demo
from ablebox.core.paper.canvas.paper_size import paper
from ablebox.core.paper.full_size.drilling import drilling
from ablebox.core.paper.full_size.story_sticks import story_sticks
from ablebox.core.paper.full_size.templates import templates
from ablebox.core.project.files import load
from ablebox.core.shop.made import Made
from tests.paper_read import faults
from tests.tables import rows

_NUMBER = r"-?\d*\.?\d+"
#: Points in a millimetre: 72 in an inch (Portable Document Format, ISO 32000).
POINT = 72 / 25.4

Line = tuple[float, float, float, float]


def made(name: str) -> Made:
    return Made(load(demo.path_of(name)).project)


class Page:
    """What is drawn on a page: straight lines, and the boxes around round forms, in millimetres."""

    def __init__(self, data: bytes) -> None:
        self.lines: list[Line] = []
        self.rounds: list[tuple[float, float, float, float]] = []
        at = (0.0, 0.0)
        curve: list[tuple[float, float]] = []
        for found in re.finditer(rf"((?:{_NUMBER}\s+)+)(m|l|c)\b|\b(S|B|f|n|h)\b", data.decode("latin-1")):
            if found[3]:
                if curve:
                    xs, ys = zip(*curve, strict=True)
                    self.rounds.append((min(xs) / POINT, max(xs) / POINT, min(ys) / POINT, max(ys) / POINT))
                curve = []
                continue
            numbers = [float(text) for text in found[1].split()]
            end = numbers[-2], numbers[-1]
            if found[2] == "l":
                self.lines.append((at[0] / POINT, at[1] / POINT, end[0] / POINT, end[1] / POINT))
            elif found[2] == "c":
                curve += [at, end]
            at = end

    def lengths(self) -> list[float]:
        return [hypot(c - a, d - b) for a, b, c, d in self.lines]


def pages(data: bytes) -> tuple[list[Page], list[str]]:
    reader = PdfReader(io.BytesIO(data))
    contents = [page.get_contents() for page in reader.pages]
    assert all(content is not None for content in contents)
    return [Page(content.get_data()) for content in contents if content is not None], [
        p.extract_text() for p in reader.pages
    ]


class FullSize(unittest.TestCase):
    def near(self, lengths: list[float], wanted: float, words: str = "") -> None:
        self.assertTrue(any(abs(length - wanted) < 0.02 for length in lengths), f"{words}: no {wanted} mm")

    @rows(("harbour-cottage", 101.6), ("mill-pantry", 100.0))
    def test_cups_pulls_and_the_check_line(self, name: str, check: float) -> None:
        """A cup of 35 mm; the cup's own two screws 45 mm apart, 9.5 mm farther in (common practice)."""
        project = made(name)
        found, texts = pages(drilling(project))
        for page in found:
            self.near(page.lengths(), check, "check line")
        fronts = next(fronts for case in project.project.cases for _, fronts in case.faces)
        self.assertIn("35", texts[0])
        cup = max(found[0].rounds, key=lambda box: box[1] - box[0])
        self.assertAlmostEqual(cup[1] - cup[0], fronts.hinge.cup.mm, 2)
        edge = next(a for a, b, c, d in found[0].lines if a == c and abs(d - b) > 100)
        self.assertAlmostEqual(cup[0] - edge, fronts.hinge.edge.mm, 2)
        sold = sorted({item.length.mm for item in project.project.rack.hardware_of("pull", project.units.system)})
        holes = sorted(
            {(round((a + b) / 2, 2), round((c + d) / 2, 2)) for page in found[1:] for a, b, c, d in page.rounds}
        )
        apart = sorted({round(x2 - x1, 1) for x1, y1 in holes for x2, y2 in holes if y1 == y2 and x2 > x1})
        for each in sold:
            self.near(apart, each, "pull")

    def test_a_corner_panel_is_as_large_on_paper_as_on_the_case(self) -> None:
        """What is straight is left to the fence; the slanting edge is there over all its length, tile after tile."""
        project = made("orchard-corner")
        bottom = next(part for part in project.parts if part.case == "D" and part.name == "bottom")
        (a0, b0), (a1, b1) = bottom.outline[:2]
        slanting = hypot((a1 - a0).mm, (b1 - b0).mm)
        found, texts = pages(templates(project))
        own = [page for page, text in zip(found, texts, strict=True) if bottom.code in text]
        self.assertGreaterEqual(len(own), 2)
        for page in own:
            self.near(page.lengths(), 101.6, "check line")
            self.near(page.lengths(), slanting, "slanting edge")
        # Six shaped parts of two corner cases: bottom, top and shelves of each, and the counter.
        shaped = {part.code for part in project.parts if part.outline}
        self.assertEqual({code for code in shaped if any(code in text for text in texts)}, shaped)
        large = pages(templates(project, paper("tabloid")))[0]
        self.assertLess(len(large), len(found))
        for page in large:
            self.near(page.lengths(), 101.6, "check line")

    def test_full_size_pages_are_read_at_arms_length(self) -> None:
        for name, on in (("weir-loft", "a4"), ("orchard-corner", "letter-across"), ("orchard-corner", "a3")):
            project = made(name)
            for make in (story_sticks, drilling, templates):
                if make is not templates or name == "orchard-corner":
                    self.assertEqual(faults(make(project, paper(on))), [], (name, on, make.__name__))

    @rows(("weir-loft", 100.0), ("heron-house", 101.6))
    def test_story_sticks_are_printed_full_size(self, name: str, check: float) -> None:
        found, texts = pages(story_sticks(made(name)))
        self.assertGreater(len(found), 2)
        for page in found:
            self.near(page.lengths(), check, "check line")
        self.assertTrue(any("begins" in text for text in texts))
