# SPDX-License-Identifier: GPL-3.0-or-later
"""One key, one number: tape, list, drawings and data tell the same of every size, in the demos and in random designs."""

from __future__ import annotations

import unittest
from collections import defaultdict
from collections.abc import Iterator
from dataclasses import replace
from random import Random

from ablebox.cli import demo
from ablebox.core.drawing import case_views, face_view, plan_view, room_view, run_view
from ablebox.core.drawing.part_view import part_view
from ablebox.core.drawing.replay import fitted
from ablebox.core.drawing.room_view import TO_BE_READ
from ablebox.core.drawing.shapes import Dimension, Drawing, Label
from ablebox.core.errors import AbleBoxError
from ablebox.core.paper.data.parts_json import parts_tree
from ablebox.core.paper.exports.tables_out import TableForm, table_csv
from ablebox.core.project.choices import choice
from ablebox.core.project.files import load
from ablebox.core.project.tree import new_project
from ablebox.core.reckoning import Origin, Reckoned
from ablebox.core.shop.made import Made
from tests.designs import any_case, random_rack


def projects(count: int) -> Iterator[tuple[object, Made]]:
    for path in map(demo.path_of, demo.names()):
        yield path.stem, Made(load(path).project)
    for seed in range(count):
        rng = Random(seed)
        try:
            yield seed, Made(replace(new_project(), cases=(any_case(rng),), rack=random_rack(rng)))
        except (AbleBoxError, ValueError):
            continue


def told(made: Made) -> Iterator[Reckoned]:
    """Everything of a project that is a number, wherever it is kept."""
    for assembly in made.assemblies:
        yield from (*assembly.sums, *assembly.outside)
        for part in assembly.parts:
            yield from (part.length, part.width, part.thickness)
        for front in assembly.fronts:
            yield from (front.width, front.height)
    for listed in made.parts:
        yield from (listed.length, listed.width, listed.thickness, listed.cut_length, listed.cut_width)
    for line in made.lines:
        yield from (each for each in (line.total, line.usable, *(place.width for place in line.places)) if each)
    for room in made.rooms:
        yield from (each for each in (*room.widths, room.usable, room.ceiling, room.mouth, room.governing) if each)


def drawings(made: Made) -> Iterator[Drawing]:
    for assembly in made.assemblies:
        letter = assembly.letter
        yield case_views.elevation(made, letter)
        yield case_views.section(made, letter)
        yield case_views.plan(made, letter)
        for side in {space.side for space in assembly.fronts}:
            yield face_view.face_view(made, letter, "", frozenset(), side)
        for space in assembly.fronts:
            yield face_view.side_section(made, letter, space, True)
            yield face_view.swing_plan(made, letter, space, True)
    yield from (part_view(part, made.units) for part in made.parts)
    for room in made.rooms:
        yield room_view.room_view(made, room.number)
        yield run_view.run_view(made, room.number, "")
        yield plan_view.plan_view(made, room.number)


class OneKeyOneNumber(unittest.TestCase):
    def test_a_key_stands_for_one_number_wherever_it_is_kept(self) -> None:
        for about, made in projects(120):
            found: dict[str, set[object]] = defaultdict(set)
            waiting, seen = list(told(made)), set()
            while waiting:
                number = waiting.pop()
                if id(number) in seen:
                    continue
                seen.add(id(number))
                waiting += [term.item for term in number.terms]
                if number.terms:
                    self.assertEqual(number.total(), number.reckoned_length or number.length, (about, number.key))
                if number.origin is Origin.RULE and number.length:
                    # A figure that is a rule says where it stands, on the tape as in the list of figures.
                    sources = ("common practice", "from memory", "of our own", "a choice")
                    self.assertTrue(
                        any(words in number.source for words in sources), (about, number.label, number.source)
                    )
                if number.key:
                    found[number.key].add(number.length)
            self.assertEqual([key for key, lengths in found.items() if len(lengths) > 1], [], about)
            for key, lengths in found.items():
                if key in made.numbers:
                    self.assertEqual({made.numbers[key].length}, lengths, (about, key))

    def test_drawings_tell_what_their_numbers_are(self) -> None:
        for about, made in projects(30):
            numbers, write = made.numbers, made.units.write
            for drawing in drawings(made):
                for item in drawing.items:
                    if isinstance(item, Dimension) and item.key:
                        chosen = choice(made.project, item.key) if item.key not in numbers else None
                        length = chosen.value if chosen is not None else numbers[item.key].length
                        # The width of a run tells what is left over behind it.
                        text = item.text.partition(",")[0]
                        if text == TO_BE_READ:
                            # Nobody has read it yet, so there is no number.
                            self.assertIsNone(length)
                            continue
                        self.assertEqual(text, write(length) if length else "", (about, drawing.name, item.key))

    def test_list_and_data_tell_what_their_numbers_are(self) -> None:
        for about, made in projects(30):
            write = made.units.write
            rows = [line.split(",") for line in table_csv(made, TableForm()).splitlines()[1:]]
            for part, tree in zip(made.parts, parts_tree(made.parts), strict=True):
                for name in ("length", "width", "cut_length", "cut_width"):
                    number = getattr(part, name)
                    self.assertEqual(made.numbers[number.key].length, number.length, (about, part.code, name))
                    self.assertEqual(tree[name], round(number.length.mm, 6))
                    worth = sum(
                        term["value_mm"] * (1 if term["sign"] == "+" else -1) for term in tree["reckoning"][name]
                    )
                    self.assertAlmostEqual(worth, tree[name], 4, (about, part.code, name))
            self.assertEqual([row[0] for row in rows], [part.code for part in made.parts], write)


class InTheFrame(unittest.TestCase):
    def test_words_beside_the_edges_of_a_part_are_not_cut_off(self) -> None:
        """Whatever the part's shape and the room for it: every word's middle and half of its height lie inside."""
        for _, made in projects(3):
            for part in made.parts:
                drawing = part_view(part, made.units)
                for wide, high in ((420, 200), (200, 420)):
                    view = fitted(drawing, 0, 0, wide, high)
                    for item in drawing.items:
                        if isinstance(item, Label):
                            x, y = view.at(item.x, item.y)
                            x, y, half = x + item.shift[0], y - item.shift[1], item.size / 2
                            self.assertTrue(
                                half <= y <= high - half and half <= x <= wide - half, (part.code, item.text)
                            )
