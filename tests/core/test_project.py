# SPDX-License-Identifier: GPL-3.0-or-later
"""The document: strict when read, whole when written, every change undone and redone."""

from __future__ import annotations

import json
import os
import tempfile
import unittest
from dataclasses import replace
from pathlib import Path
from random import Random
from unittest import mock

from ablebox.core.case.back_laid_on import LaidOnBack
from ablebox.core.case.frame.face_frame import FaceFrame
from ablebox.core.case.inside.layout import Bay
from ablebox.core.errors import FileChangedUnderneath, FileFaulty, FileNewer, FileNotWritten, SizeImpossible
from ablebox.core.fronts.cell.drawer import Drawer
from ablebox.core.fronts.face import FaceFronts, Stack
from ablebox.core.fronts.fit.overlay import Overlay
from ablebox.core.fronts.making.frame_panel import FramePanel
from ablebox.core.fronts.none import NoFronts
from ablebox.core.jigs.blocks import JIG
from ablebox.core.lengths import Length, inches
from ablebox.core.project.changes import History, add_case, delete_case, duplicate_case
from ablebox.core.project.choices import choice, set_measured
from ablebox.core.project.construction import copied
from ablebox.core.project.files import load, save
from ablebox.core.project.json_format import from_text, to_text
from ablebox.core.project.tree import Project, new_project, next_letter
from ablebox.core.reckoning import Origin
from ablebox.core.shop.made import Made, buildable
from ablebox.core.units import System
from tests.designs import random_case, random_rack
from tests.tables import rows

OLD_FILES = Path(__file__).parent.parent / "oldfiles"


def random_project(seed: int) -> Project:
    rng = Random(seed)
    cases = tuple(random_case(rng, letter) for letter in "ABC"[: rng.randint(1, 3)])
    project = replace(new_project(rng.choice(list(System))), rack=random_rack(rng), cases=cases)
    return set_measured(project, "A/inside.width", Length(rng.randint(1, 10**9)))


class AsText(unittest.TestCase):
    def test_what_is_written_is_read_again_to_the_tick(self) -> None:
        for seed in range(60):
            project = random_project(seed)
            self.assertEqual(from_text(to_text(project), "x"), project, f"seed {seed}")

    def test_every_version_ever_written_can_be_read(self) -> None:
        files = sorted(OLD_FILES.glob("*.ablebox"))
        self.assertTrue(files)
        for path in files:
            self.assertIsNone(buildable(load(path).project), path.name)

    def damaged(self, change) -> str:  # type: ignore[no-untyped-def]
        tree = json.loads(to_text(new_project()))
        change(tree)
        with self.assertRaises(FileFaulty) as caught:
            from_text(json.dumps(tree), "shop.ablebox")
        return str(caught.exception)

    @rows(
        (("project", "cases", 0, "kick", "height"), "4", "project.cases[0].kick.height", "lacks its unit"),
        (("project", "cases", 0, "kick", "height"), 4, "project.cases[0].kick.height", "not a length"),
        (("project", "cases", 0, "kick", "height"), None, "project.cases[0].kick.height", "not a length"),
        (("project", "cases", 0, "kick", "height"), "4 in!", "project.cases[0].kick.height", "lacks its unit"),
        (("project", "cases", 0, "kick", "height"), "x in", "project.cases[0].kick.height", "not a length"),
        (
            ("project", "cases", 0, "kick", "school"),
            "stilts",
            "project.cases[0].kick",
            "not one of notched, base-frame",
        ),
        (("project", "cases", 0, "letter"), "a1", "project.cases[0]", "letter is A to Z"),
        (("project", "cases", 0, "follows"), 1, "project.cases[0].follows", "true or false"),
        (
            ("project", "cases", 0, "inside", "fittings", 0, "count"),
            2.0,
            "project.cases[0].inside.fittings[0].count",
            "whole number",
        ),
        (
            ("project", "cases", 0, "inside", "fittings", 0, "count"),
            99,
            "project.cases[0].inside.fittings[0]",
            "0 to 20",
        ),
        (("project", "cases", 0, "goods"), "gold", "project", "“gold”, which the project does not have"),
        (("project", "cases"), {}, "project.cases", "is not"),
        (("project", "units", "system"), "ell", "project.units.system", "not one of inch, mm"),
        (("project", "units", "inch_step"), "1/7", "project.units", "precision 1/7"),
        (("project", "rack", "goods", 1, "nominal"), "0 in", "project.rack.goods[1]", "above 0"),
        (("project", "rack", "goods", 0, "sheets", 0, "count"), -1, "project.rack.goods[0].sheets[0]", "0 or more"),
        (("project", "room", "walls", 0, "widths", 0, "read"), "-3 in", "project.room.walls[0].widths[0]", "above 0"),
        (("project", "measured"), {"A/inside.width": "0 in"}, "project", "above 0"),
        (("project", "name"), 7, "project.name", "text in quotes"),
        (("extra",), 1, "extra", "not known"),
        (("project", "extra"), 1, "project", "extra is not known"),
        (("version",), "1", "version", "whole number"),
        (("version",), True, "version", "whole number"),
    )
    def test_damage_is_named_with_its_place(self, path, value, place, words) -> None:  # type: ignore[no-untyped-def]
        def change(tree: dict) -> None:  # type: ignore[type-arg]
            for step in path[:-1]:
                tree = tree[step]
            tree[path[-1]] = value

        message = self.damaged(change)
        self.assertIn(words, message)
        self.assertIn(f"{place}: ", message)
        self.assertTrue(message.startswith("shop.ablebox: "))

    def test_all_faults_are_told_at_once(self) -> None:
        def change(tree: dict) -> None:  # type: ignore[type-arg]
            tree["project"]["cases"][0]["kick"]["height"] = "4"
            tree["project"]["cases"][0]["odd"] = 1
            del tree["project"]["room"]["walls"][0]["mouth"]
            tree["project"]["units"]["system"] = "ell"

        message = self.damaged(change)
        for words in ("lacks its unit", "odd is not known", "lacks mouth", "not one of inch"):
            self.assertIn(words, message)

    @rows(
        ("", "damaged here"),
        ("{", "line 1, column 2"),
        ('{"format": "ablebox", "format": "ablebox"}', "stands twice"),
        ('{"format": "ablebox", "version": NaN}', "NaN is not a number"),
        ('{"format": "other"}', "not an Able Box project"),
        ("[]", "not an Able Box project"),
        ("[" * 100_000, "nested too deeply"),
        ('{"format": "ablebox", "version": 1}', "is not an object"),
    )
    def test_text_that_is_no_project(self, text: str, words: str) -> None:
        with self.assertRaises(FileFaulty) as caught:
            from_text(text, "x")
        self.assertIn(words, str(caught.exception))

    def test_a_newer_file_is_left_alone(self) -> None:
        with self.assertRaises(FileNewer) as caught:
            from_text('{"format": "ablebox", "version": 99}', "x")
        self.assertIn("newer", str(caught.exception))

    def test_any_byte_damaged_is_refused_or_harmless(self) -> None:
        text = to_text(new_project())
        rng = Random(3)
        for _ in range(400):
            at = rng.randrange(len(text))
            broken = text[:at] + rng.choice('{}[]",:0x \u00e9') + text[at + 1 :]
            try:
                from_text(broken, "x")
            except FileFaulty as fault:
                self.assertTrue(str(fault).startswith("x: "))


class OnDisk(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.path = self.folder / "shop.ablebox"
        self.one = new_project()
        self.two = replace(self.one, name="Second")

    def names(self) -> set[str]:
        return {path.name for path in self.folder.iterdir()}

    def test_the_previous_version_is_kept(self) -> None:
        first = save(self.path, self.one)
        save(self.path, self.two, first.fingerprint)
        self.assertEqual(load(self.path).project, self.two)
        self.assertEqual(load(self.folder / "shop.ablebox~").project, self.one)
        self.assertEqual(self.names(), {"shop.ablebox", "shop.ablebox~"})

    def test_a_file_changed_underneath_is_not_overwritten(self) -> None:
        first = save(self.path, self.one)
        save(self.path, self.two)
        with self.assertRaises(FileChangedUnderneath):
            save(self.path, self.one, first.fingerprint)
        self.assertEqual(load(self.path).project, self.two)

    def test_when_the_disk_refuses_nothing_is_lost(self) -> None:
        first = save(self.path, self.one)
        for where in ("os.replace", "os.fsync"):
            with (
                mock.patch(where, side_effect=OSError(28, "No space left on device")),
                self.assertRaises(FileNotWritten) as caught,
            ):
                save(self.path, self.two, first.fingerprint)
            self.assertIn("No space left", str(caught.exception))
            self.assertEqual(load(self.path).project, self.one)
            self.assertEqual(self.names() - {"shop.ablebox~"}, {"shop.ablebox"})

    def test_a_folder_that_is_not_there(self) -> None:
        with self.assertRaises(FileNotWritten):
            save(self.folder / "no" / "x.ablebox", self.one)
        with self.assertRaises(FileFaulty):
            load(self.folder / "no.ablebox")
        (self.folder / "binary").write_bytes(b"\xff\xfe\x00")
        with self.assertRaises(FileFaulty):
            load(self.folder / "binary")

    def test_links_and_permissions_are_kept(self) -> None:
        save(self.path, self.one)
        os.chmod(self.path, 0o640)
        link = self.folder / "link.ablebox"
        link.symlink_to(self.path)
        save(link, self.two)
        self.assertTrue(link.is_symlink())
        self.assertEqual(load(self.path).project, self.two)
        self.assertEqual(self.path.stat().st_mode & 0o777, 0o640)


class Changing(unittest.TestCase):
    def test_undo_and_redo_go_all_the_way(self) -> None:
        history = History(new_project())
        states = [history.project]
        for i in range(20):
            found = choice(history.project, "A/kick.height")
            assert found is not None
            self.assertTrue(history.make(f"step {i}", found.put(inches(3) + Length(i + 1))))
            states.append(history.project)
        self.assertTrue(history.modified)
        for state in reversed(states[:-1]):
            self.assertIsNotNone(history.undo())
            self.assertEqual(history.project, state)
        self.assertIsNone(history.undo())
        self.assertFalse(history.modified)
        for state in states[1:]:
            history.redo()
            self.assertEqual(history.project, state)
        self.assertEqual((history.undo_title, history.redo_title), ("step 19", ""))

    def test_a_change_that_changes_nothing_is_none(self) -> None:
        history = History(new_project())
        self.assertFalse(history.make("nothing", new_project()))
        self.assertEqual(history.undo_title, "")

    def test_every_choice_can_be_set_and_found_again(self) -> None:
        project = new_project()
        keys = [k for k, n in Made(project).numbers.items() if n.origin is Origin.CHOICE and k.startswith("A/")]
        self.assertGreater(len(keys), 14)
        keys += [
            "room/width.2",
            "room/width.1.read",
            "room/ceiling",
            "room/tape.body",
            "room/allowance",
            "saw/kerf",
            "saw/trim",
        ]
        keys += ["stock/case/thickness", "stock/back/nominal", "stock/doors/sheet.1.length", "edging/solid/thickness"]
        for key in keys:
            with self.subTest(key=key):
                found = choice(project, key)
                assert found is not None
                value = found.value + inches("1/128")
                again = choice(found.put(value), key)
                assert again is not None
                self.assertEqual(again.value, value)
                self.assertTrue(found.title)

    @rows(("A/nothing",), ("Z/width",), ("room/width.9",), ("room/mouths",), ("stock/gold/thickness",), ("saw/speed",),
          ("stock/case/sheet.9.length",), ("A/inside.width",), ("",), ("edging/gold/thickness",))  # fmt: skip
    def test_what_is_no_choice(self, key: str) -> None:
        self.assertIsNone(choice(new_project(), key))

    def test_a_width_set_by_hand_no_longer_follows(self) -> None:
        found = choice(new_project(), "A/width")
        assert found is not None
        after = found.put(inches(20))
        self.assertEqual(Made(after).assembly("A").outside[0].length, inches(20))

    def test_cases_are_added_copied_and_deleted(self) -> None:
        project, letter = add_case(new_project())
        self.assertEqual(letter, "B")
        project, copy = duplicate_case(project, "A")
        self.assertEqual([case.letter for case in project.cases], ["A", "C", "B"])
        self.assertEqual(replace(project.case(copy), letter="A"), project.case("A"))
        project = set_measured(project, "C/inside.width", inches(20))
        project = delete_case(project, "C")
        self.assertEqual([case.letter for case in project.cases], ["A", "B"])
        self.assertEqual(dict(project.measured), {})
        self.assertEqual(next_letter(project.cases), "C")

    def test_a_way_of_building_is_copied_without_what_a_case_is(self) -> None:
        """A drawer base built like its neighbour stays a drawer base, and an open case stays open."""
        project = new_project()
        first = replace(project.cases[0], follows=False, in_alcove=False, width=inches(24))
        drawers = replace(
            first,
            letter="B",
            inside=Bay(),
            width=inches(18),
            fronts=FaceFronts(face=Stack((Drawer(), Drawer()), (None,) * 2)),
        )
        shelves = replace(first, letter="C", fronts=NoFronts())
        source = replace(first, frame=FaceFrame(), back=LaidOnBack(), fronts=FaceFronts(Overlay(), FramePanel()))
        project = copied(replace(project, cases=(source, drawers, shelves)), "A", ["B", "C"])
        one, other = project.case("B"), project.case("C")
        assert isinstance(one.fronts, FaceFronts)
        self.assertEqual(one.fronts, replace(source.fronts, face=drawers.fronts.face))
        self.assertEqual((one.frame, one.back, one.width), (source.frame, source.back, inches(18)))
        self.assertEqual((other.frame, other.fronts), (source.frame, NoFronts()))
        self.assertIsNone(buildable(project))

    def test_units_can_be_switched_without_changing_a_size(self) -> None:
        project = new_project()
        metric = replace(project, units=replace(project.units, system=System.MM))
        # Spacer blocks are as wide as is usual where the unit is; no size of the project is.
        for one, other in zip(Made(project).parts, Made(metric).parts, strict=True):
            if one.case == JIG:
                continue
            self.assertEqual((one.length.length, one.cut_width.length), (other.length.length, other.cut_width.length))


class TakenOver(unittest.TestCase):
    def test_what_is_taken_over_from_before_is_what_would_be_built_anew(self) -> None:
        for seed in range(6):
            rng = Random(seed)
            project = random_project(seed)
            try:
                before = Made(project)
                before.parts, before.numbers, before.flaws  # noqa: B018
            except SizeImpossible:
                continue
            for key, value in (("A/kick.depth", inches("2 1/8")), ("stock/case/thickness", inches("11/16")),
                               ("room/allowance", inches(rng.randint(0, 2)))):  # fmt: skip
                found = choice(project, key)
                assert found is not None
                after = found.put(value)
                anew, taken = Made(after), Made(after, before)
                self.assertEqual(anew.assemblies, taken.assemblies)
                self.assertEqual(anew.parts, taken.parts)
                self.assertEqual(anew.numbers, taken.numbers)
