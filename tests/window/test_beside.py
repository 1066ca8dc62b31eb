# SPDX-License-Identifier: GPL-3.0-or-later
"""What stands beside a project's file, and what others do to it: versions, notes of who has it open, links, changes on disk."""

from __future__ import annotations

import json
import os
from pathlib import Path
from unittest import mock

from PyQt6.QtWidgets import QFileDialog

from ablebox.core.errors import AbleBoxError
from ablebox.core.lengths import inches
from ablebox.core.project.beside import keep, versions
from ablebox.core.project.changes import add_case
from ablebox.core.project.files import load, save
from ablebox.core.project.tree import new_project
from ablebox.window import ask, settings
from tests.uicase import UiCase


class Beside(UiCase):
    def setUp(self) -> None:
        super().setUp()
        self.path = self.folder / "room 2.5.ablebox"
        self.window.desk.document.save(self.path)

    def test_the_suffix_is_added_before_it_is_asked_whether_to_replace(self) -> None:
        for typed, asked, found in (
            ("room 2.5", True, None),
            ("room 2.6", False, "room 2.6.ablebox"),
            ("room 2.5.ablebox", False, self.path.name),
        ):
            with (
                mock.patch.object(QFileDialog, "getSaveFileName", return_value=(str(self.folder / typed), "")),
                mock.patch.object(ask, "about_replacing", return_value=False) as question,
            ):
                path = ask.for_file_to_write(self.window, "Save", "", "Able Box projects", ".ablebox")
            self.assertEqual((question.called, path and path.name), (asked, found), typed)

    def test_earlier_versions_are_kept_and_thin_out(self) -> None:
        for height in ("33", "32", "31"):
            self.window.desk.type_over("A/height", height)
            self.act("save")
        found = versions(settings.versions_folder(), self.path)
        self.assertGreaterEqual(len(found), 1)
        kept = self.folder / "kept"
        for hour in range(0, 24 * 90, 5):
            keep(kept, self.path, b"x", 1_700_000_000 + hour * 3600)
        self.assertLess(len(versions(kept, self.path)), 45)
        with mock.patch.object(ask, "for_a_version", return_value=0):
            self.act("versions")
        self.assertIsNone(self.window.desk.document.path)

    def test_a_file_that_is_open_elsewhere_or_read_only_or_changed_is_asked_about(self) -> None:
        other = self.folder / "other.ablebox"
        save(other, new_project())
        (self.folder / ".other.ablebox.open").write_text(
            json.dumps({"host": "another", "process": 1, "since": 1_700_000_000})
        )
        with mock.patch.object(ask, "about_open_elsewhere", return_value=ask.LOOK) as asked:
            self.window.files.open(other)
        self.assertEqual(asked.call_args.args[2], "another")
        self.assertTrue(self.window.banner.isVisible())
        self.window.desk.type_over("A/height", "33")
        with mock.patch.object(ask, "to_read"):
            self.act("save")
        self.assertIn("only to look at", self.snag())
        self.assertEqual(load(other).project, new_project())
        self.window.desk.document.history.saved()
        self.window.files.open(self.path)
        self.assertFalse(self.window.banner.isVisible())
        # Something else writes the file: a banner says so, and opens it again.
        save(self.path, add_case(load(self.path).project)[0])
        self.window.banner.look()
        self.assertTrue(self.window.banner.isVisible())
        self.press("banner-again")
        self.assertEqual(len(self.project.cases), 2)
        self.path.chmod(0o444)
        self.window.desk.type_over("A/height", "33")
        for answer, height in ((False, inches("34 1/2")), (True, inches(33))):
            with mock.patch.object(ask, "about_read_only", return_value=answer):
                self.act("save")
            self.assertEqual(load(self.path).project.case("A").height, height)

    def test_links_fifos_circles_and_what_is_left_over_get_a_sentence(self) -> None:
        fifo, circle = self.folder / "fifo.ablebox", self.folder / "circle.ablebox"
        os.mkfifo(fifo)
        circle.symlink_to(circle)
        for path in (fifo, circle, self.folder):
            with self.assertRaises(AbleBoxError) as caught:
                load(path)
            self.assertLess(len(str(caught.exception)), 300)
            with self.assertRaises(AbleBoxError):
                save(path, new_project())
        old = self.folder / f".{self.path.name}.abcdefgh"
        old.write_text("left by a write that was killed")
        os.utime(old, (1, 1))
        self.window.desk.type_over("A/height", "33")
        self.act("save")
        self.assertFalse(old.exists())

    def test_what_an_older_version_wrote_is_kept_once_more(self) -> None:
        older = self.folder / "older.ablebox"
        older.write_bytes((Path(__file__).parents[1] / "oldfiles" / "version-5.ablebox").read_bytes())
        before = older.read_bytes()
        self.window.files.open(older)
        self.act("save")
        self.assertEqual((self.folder / "older.ablebox.version-5~").read_bytes(), before)
