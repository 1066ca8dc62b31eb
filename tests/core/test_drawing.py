# SPDX-License-Identifier: GPL-3.0-or-later
"""Drawings: true to the parts, every number where it belongs, readable colours."""

from __future__ import annotations

import unittest
from collections.abc import Sequence
from dataclasses import replace
from itertools import combinations, pairwise
from random import Random

from ablebox.cli import demo
from ablebox.core.cabinet.kinds import starting_case
from ablebox.core.cuts.search.planner import last
from ablebox.core.drawing import case_views
from ablebox.core.drawing.cut_through import cells, cut_rects
from ablebox.core.drawing.fractions_set import runs
from ablebox.core.drawing.joint_views import THINGS, joint
from ablebox.core.drawing.palette import DAYLIGHT, EVENING, PRINT, TINTS, contrast, tint
from ablebox.core.drawing.part_view import part_view
from ablebox.core.drawing.replay import Spot, fitted, replay
from ablebox.core.drawing.room_view import room_view
from ablebox.core.drawing.run_view import run_view
from ablebox.core.drawing.shapes import Area, Circle, Dimension, Drawing, Point
from ablebox.core.drawing.sheet_view import sheet_view
from ablebox.core.drawing.wall_view import wall_view
from ablebox.core.lengths import inches
from ablebox.core.paper.canvas.svg_canvas import SvgCanvas
from ablebox.core.project.files import load
from ablebox.core.project.tree import new_project
from ablebox.core.room.room import Room
from ablebox.core.room.wall import End, first_readings
from ablebox.core.shop.made import Made
from ablebox.core.units import System
from tests.designs import random_case, random_rack
from tests.tables import rows


class Recorder:
    """A canvas that remembers what was drawn."""

    typed_over = True
    numbers = 11.0

    def __init__(self) -> None:
        self.texts: list[tuple[str, float, float]] = []
        self.points: list[Point] = []

    def polyline(self, points: Sequence[Point], colour: str, weight: float, dashed: bool) -> None:
        DAYLIGHT[colour]
        self.points += points

    def polygon(self, points: Sequence[Point], fill: str, line: str, weight: float, dashed: bool) -> None:
        for name in (fill, line):
            if name:
                DAYLIGHT[name]
        self.points += points

    def circle(self, x: float, y: float, radius: float, fill: str, line: str, weight: float) -> None:
        self.points.append((x, y))

    def text(self, x: float, y: float, text: str, size: float, anchor: str, colour: str, bold: bool) -> None:
        DAYLIGHT[colour]
        self.texts.append((text, x, y))

    def text_width(self, text: str, size: float, bold: bool) -> float:
        return len(text) * size * 0.5

    def upright(self, x: float, y: float, text: str, size: float, colour: str, bold: bool) -> None:
        self.texts.append((text, x, y))

    def clip(self, left: float, top: float, width: float, height: float) -> None:
        self.clipped = True

    def unclip(self) -> None:
        self.clipped = False


def drawn(drawing: Drawing, width: float = 600, height: float = 400) -> tuple[Recorder, list[Spot]]:
    canvas = Recorder()
    spots = replay(drawing, canvas, fitted(drawing, 0, 0, width, height))
    return canvas, spots


def demo_made(name: str = "harbour-cottage") -> Made:
    return Made(load(demo.path_of(name)).project)


class CaseDrawings(unittest.TestCase):
    def setUp(self) -> None:
        self.made = demo_made()

    def numbers(self, drawing: Drawing) -> dict[str, Dimension]:
        return {item.key: item for item in drawing.items if isinstance(item, Dimension)}

    def test_every_dimension_is_as_long_as_its_number(self) -> None:
        for letter in "ABC":
            views = [case_views.elevation(self.made, letter), case_views.elevation(self.made, letter, True)]
            views += [case_views.section(self.made, letter), case_views.plan(self.made, letter)]
            for view in views:
                for key, item in self.numbers(view).items():
                    with self.subTest(case=letter, view=view.name, key=key):
                        self.assertAlmostEqual(item.end - item.start, self.made.numbers[key].length.mm, places=6)
                        self.assertEqual(item.text, self.made.units.write(self.made.numbers[key].length))

    def test_the_sizes_a_builder_sets_are_fields(self) -> None:
        fields = {
            key
            for view in (case_views.elevation(self.made, "A"), case_views.section(self.made, "A"))
            for key, item in self.numbers(view).items()
            if item.field
        }
        wanted = {"width", "height", "depth", "kick.height", "kick.depth", "fronts.fit.gap", "back.rail", "top.width"}
        self.assertEqual(fields, {f"A/{key}" for key in wanted})

    def test_every_part_can_be_clicked_somewhere(self) -> None:
        hots = set()
        for view in (
            case_views.elevation(self.made, "A"),
            case_views.section(self.made, "A"),
            case_views.plan(self.made, "A"),
        ):
            hots |= {item.hot for item in view.items if isinstance(item, Area) and item.hot}
        self.assertEqual(hots, {f"part:{part.code}" for part in self.made.parts if part.case == "A"})

    def test_nothing_leaves_the_picture_and_a_click_finds_its_number(self) -> None:
        for view in (case_views.elevation(self.made, "B"), case_views.section(self.made, "B"), room_view(self.made)):
            canvas, spots = drawn(view)
            self.assertTrue(all(-1 <= x <= 601 and -1 <= y <= 401 for x, y in canvas.points), view.name)
            for spot in spots:
                self.assertTrue(spot.left >= -1 and spot.left + spot.width <= 601, f"{view.name} {spot}")
            self.assertTrue(any(spot.field for spot in spots))

    def test_joints_are_cut_from_the_parts(self) -> None:
        for name in THINGS:
            for letter in "ABC":
                canvas, _ = drawn(joint(self.made.assembly(letter), name), 100, 60)
                self.assertGreater(len(canvas.points), 8, name)

    def test_any_design_can_be_drawn(self) -> None:
        for seed in range(12):
            rng = Random(seed)
            base = new_project()
            case = replace(random_case(rng), in_alcove=True)
            made = Made(replace(base, rack=random_rack(rng), cases=(case,)))
            for view in (
                case_views.elevation(made, "A"),
                case_views.section(made, "A"),
                room_view(made),
                wall_view(made, "A"),
            ):
                drawn(view, 900, 300)
            for name in THINGS:
                joint(made.assembly("A"), name)
            for part in made.parts:
                drawn(part_view(part, made.units))

    def test_a_cut_shows_grooves_and_notches(self) -> None:
        side = self.made.assembly("A").part("side.left")
        found = cut_rects(side, "side", side.box.low[0])
        assert found is not None
        self.assertEqual(len(found[1]), 1)  # only the notch goes right through
        _, _, filled = cells(*found)
        self.assertEqual(len(filled), 3)
        self.assertIsNone(cut_rects(side, "side", side.box.high[0]))


class PartOnTheBench(unittest.TestCase):
    def test_left_and_right_come_out_as_mirror_images(self) -> None:
        made = demo_made()
        parts = {part.name: part for part in made.parts if part.case == "A"}
        width = parts["side, left"].width.length.mm

        def pins(name: str) -> set[tuple[float, float]]:
            items = part_view(parts[name], made.units).items
            return {(round(i.x, 6), round(i.y, 6)) for i in items if isinstance(i, Circle)}

        mirrored = {(x, round(width - y, 6)) for x, y in pins("side, left")}
        self.assertEqual(mirrored, pins("side, right"))
        self.assertNotEqual(pins("side, left"), pins("side, right"))


class Sheets(unittest.TestCase):
    def test_pieces_lie_where_the_plan_says(self) -> None:
        made = demo_made("mill-pantry")
        parts = {part.code: part for part in made.parts}
        for code, problem in made.problems.items():
            plan = last(problem, 20)
            for sheet in plan.sheets:
                view = sheet_view(plan, sheet, parts, made.units, made.project.rack.sheet_goods(code).grained)
                areas = [item for item in view.items if isinstance(item, Area) and item.hot]
                self.assertEqual(len(areas), len(sheet.spots))
                for area, spot in zip(areas, sheet.spots, strict=True):
                    self.assertAlmostEqual(area.x, spot.x / 16_000)
                    self.assertAlmostEqual(area.width, spot.reach[0] / 16_000)


class Fractions(unittest.TestCase):
    @rows(
        ("24 1/2", [("24\u2009", False), ("1/2", True)]),
        ("23/32", [("23/32", True)]),
        ("width 3 × 1/4 deep", [("width 3 × ", False), ("1/4", True), (" deep", False)]),
        ("26 3/4+", [("26\u2009", False), ("3/4", True), ("+", False)]),
        ("a/b 7", [("a/b 7", False)]),
        ("1/2/3", [("1/2/3", False)]),
        ("", []),
    )
    def test_runs(self, text: str, wanted: list[tuple[str, bool]]) -> None:
        self.assertEqual(runs(text), wanted)


class Colours(unittest.TestCase):
    def test_words_are_readable_on_their_grounds(self) -> None:
        """4.5 to 1 for text, the limit of WCAG 2 level AA."""
        grounds = ["paper", "card", "select-wash", "settled-wash", *(f"tint-{i}" for i in range(1, TINTS + 1))]
        for theme in (DAYLIGHT, EVENING, PRINT):
            self.assertEqual(set(theme), set(DAYLIGHT))
            for ground in grounds:
                self.assertGreaterEqual(contrast(theme["ink"], theme[ground]), 4.5, ground)
            for word in ("quiet", "dimension", "settled", "snag", "select"):
                for ground in ("paper", "card"):
                    self.assertGreaterEqual(contrast(theme[word], theme[ground]), 4.5, f"{word} on {ground}")
            self.assertGreaterEqual(contrast(theme["tick-ink"], theme["rule"]), 4.5)
            self.assertGreaterEqual(contrast(theme["snag-text"], theme["snag-line"]), 4.5)
            self.assertGreaterEqual(contrast(theme["settled"], theme["settled-wash"]), 4.5)
            self.assertGreaterEqual(contrast(theme["select"], theme["select-wash"]), 4.4)

    def test_contrast_of_black_and_white(self) -> None:
        self.assertAlmostEqual(contrast("#000000", "#FFFFFF"), 21.0)

    def test_neighbouring_cases_differ_in_tint(self) -> None:
        letters = ["A", "B", "C", "Z", "AA", "AB"]
        self.assertTrue(all(tint(a) != tint(b) for a, b in pairwise(letters)))


class NothingOnAnother(unittest.TestCase):
    """Numbers on the Run and Room drawings stand clear of each other, in the smallest window and in a usual one."""

    def clashes(self, view: Drawing, size: tuple[float, float]) -> list[tuple[str, str]]:
        spots = [spot for spot in replay(view, SvgCanvas(size), fitted(view, 0, 0, *size)) if spot.field]

        def common(low: float, high: float, other_low: float, other_high: float) -> float:
            return min(high, other_high) - max(low, other_low)

        return [
            (a.hot, b.hot)
            for a, b in combinations(spots, 2)
            if common(a.left, a.left + a.width, b.left, b.left + b.width) > 3
            and common(a.top, a.top + a.height, b.top, b.top + b.height) > 3
        ]

    def long_run(self, count: int) -> Made:
        wall = replace(first_readings(inches(30 * count), inches(96)), left=End.OPEN)
        cases = tuple(
            replace(starting_case(chr(65 + i), "wall" if i % 2 else "base", System.INCH), follows=True)
            for i in range(count)
        )
        return Made(replace(new_project(), room=Room((wall,)), cases=cases))

    def test_numbers_are_clear_of_each_other(self) -> None:
        runs = [Made(load(demo.path_of(name)).project) for name in demo.names()]
        for made in (*runs, *(self.long_run(count) for count in (5, 9, 14))):
            for room in made.rooms:
                for size in ((530.0, 290.0), (814.0, 500.0)):
                    for view in (run_view(made, room.number, ""), room_view(made, room.number)):
                        self.assertEqual(self.clashes(view, size), [], f"{made.project.name}: {view.name} {size}")

    def test_a_clash_is_found(self) -> None:
        view = Drawing("two numbers")
        view.add(Area(0, 0, 100, 100, "", "ink", 1.0))
        for key, level in (("one", 1.0), ("other", 1.2)):
            view.add(Dimension(True, 0, 100, 100, level, "12 1/2", key, True))
        self.assertEqual(self.clashes(view, (300.0, 300.0)), [("key:one", "key:other")])
