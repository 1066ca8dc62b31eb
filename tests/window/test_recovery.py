# SPDX-License-Identifier: GPL-3.0-or-later
"""No event loses more than the last second: the program is killed, told to end and interrupted, and what was done is there again."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
import tempfile
import textwrap
import time
import unittest
from pathlib import Path
from random import Random
from unittest.mock import patch

from ablebox.core.lengths import inches
from ablebox.core.project.changes import add_case
from ablebox.core.project.files import load, save
from ablebox.core.project.journal import SET_ASIDE, Journal, changed, differences, left_behind
from ablebox.core.project.json_format import record_text
from ablebox.core.project.tree import new_project
from ablebox.window import ask, recovery
from tests.core.test_project import random_project
from tests.uicase import UiCase

#: Opens the window, types two sizes, says so, and goes on waiting.
_AT_WORK = """
    import sys
    from pathlib import Path
    from PyQt6.QtCore import QTimer
    from ablebox.window import app
    from ablebox.window.main_window import MainWindow
    path = Path(sys.argv[1]) if sys.argv[1] else None
    old = MainWindow.show
    def show(window):
        old(window)
        def work():
            window.desk.type_over("A/height", "33")
            window.desk.type_over("A/depth", "20 1/2")
            QTimer.singleShot(700, lambda: print("done", flush=True))
        QTimer.singleShot(300, work)
    MainWindow.show = show
    sys.exit(app.run(path))
"""


class Differences(unittest.TestCase):
    def test_what_is_noted_makes_the_one_of_the_other(self) -> None:
        for seed in range(40):
            one, two = record_text(random_project(seed)), record_text(random_project(Random(seed).randrange(1000)))
            self.assertEqual(changed(record_text(random_project(seed)), list(differences(one, two))), two)


class Files(unittest.TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)

    def test_a_journal_in_use_is_left_alone_and_a_torn_line_left_out(self) -> None:
        project = new_project()
        journal = Journal(self.folder, project, None, "")
        after = [project]
        for title in ("one", "two", "three"):
            after.append(add_case(after[-1])[0])
            journal.note(title, after[-1])
        self.assertEqual(left_behind(self.folder), [])
        journal.close()
        (left,) = left_behind(self.folder)
        self.assertEqual((left.changes, left.project), (("one", "two", "three"), after[3]))
        # The power goes in the middle of the last line.
        journal.path.write_bytes(journal.path.read_bytes()[:-40])
        (left,) = left_behind(self.folder)
        self.assertEqual((left.changes, left.project), (("one", "two"), after[2]))
        # Nothing damaged stops the start; it is set aside, not deleted.
        journal.path.write_bytes(b"\x00" * 300)
        self.assertEqual(left_behind(self.folder), [])
        self.assertEqual(len(list((self.folder / SET_ASIDE).iterdir())), 1)


class Killed(unittest.TestCase):
    def test_work_is_there_again_after_every_end(self) -> None:
        """Killed outright, told to end, the terminal closed, Ctrl+C; of a file, and of a project that was never saved."""
        for number, has_file in (
            (signal.SIGKILL, True),
            (signal.SIGTERM, False),
            (signal.SIGHUP, True),
            (signal.SIGINT, False),
        ):
            with tempfile.TemporaryDirectory() as name, self.subTest(number=number):
                home = Path(name)
                path = home / "room.ablebox"
                save(path, new_project())
                env = {
                    **os.environ,
                    "QT_QPA_PLATFORM": "offscreen",
                    "HOME": name,
                    **{f"XDG_{each}_HOME": name for each in ("STATE", "CONFIG", "DATA", "CACHE")},
                }
                work = [sys.executable, "-c", textwrap.dedent(_AT_WORK), str(path) if has_file else ""]
                with subprocess.Popen(
                    work, env=env, stdout=subprocess.PIPE, stderr=subprocess.PIPE, text=True
                ) as running:
                    assert running.stdout is not None
                    self.assertEqual(running.stdout.readline(), "done\n")
                    running.send_signal(number)
                    for _ in range(200):
                        if running.poll() is not None:
                            break
                        time.sleep(0.05)
                    said = running.communicate(timeout=20)[1]
                self.assertNotIn("Traceback", said)
                self.assertEqual(running.returncode, -number if number is signal.SIGKILL else 0)
                (left,) = left_behind(home / "ablebox" / "journals")
                self.assertEqual(len(left.changes), 1)
                case = left.project.case("A")
                self.assertEqual((case.height, case.depth), (inches(33), inches("20 1/2")))
                self.assertEqual(left.path, path if has_file else None)
                self.assertEqual(load(path).project, new_project())


class Offered(UiCase):
    def setUp(self) -> None:
        super().setUp()
        self.journals = self.folder / "journals"
        mock = patch.object(recovery, "folder", return_value=self.journals)
        mock.start()
        self.addCleanup(mock.stop)

    def left(self) -> None:
        path = self.folder / "room.ablebox"
        saved = save(path, new_project())
        journal = Journal(self.journals, saved.project, path, saved.fingerprint)
        journal.note("Add case B", add_case(saved.project)[0])
        journal.close()

    def offered(self, answer: str) -> list[tuple[object, ...]]:
        with patch.object(ask, "about_recovery", return_value=answer) as asked:
            recovery.offer(self.window)
        self.settle()
        return [call.args[1:] for call in asked.call_args_list]

    def test_it_is_restored_or_kept_for_later_or_opened_as_saved(self) -> None:
        self.left()
        (args,) = self.offered(ask.LATER)
        self.assertEqual((args[0], args[2], args[3]), ("New project", 1, True))
        self.offered(ask.RESTORE)
        self.assertEqual([case.letter for case in self.project.cases], ["A", "B"])
        self.assertTrue(self.window.isWindowModified())
        self.assertEqual(self.offered(ask.RESTORE), [])
        # It can be saved where it came from; a keeper notes on from there.
        keeper = recovery.Keeper(self.window.desk.document)
        self.act("save")
        self.assertEqual(load(self.folder / "room.ablebox").project, self.project)
        self.assertFalse(self.window.isWindowModified())
        self.window.desk.type_over("A/height", "33")
        keeper.write()
        self.assertEqual(len(list(self.journals.glob("*.journal"))), 1)
        keeper.done_with(saved=False)
        self.assertEqual(list(self.journals.glob("*.journal")), [])
        self.window.desk.document.history.saved()
        self.left()
        self.offered(ask.AS_SAVED)
        self.assertEqual([case.letter for case in self.project.cases], ["A"])

    def test_a_disk_that_refuses_is_told_once_and_stops_nothing(self) -> None:
        self.journals.write_text("no folder")
        keeper = recovery.Keeper(self.window.desk.document)
        self.assertIn("not kept for recovery", self.snag())
        self.window.desk.type_over("A/height", "33")
        keeper.write()
        self.settle()
        self.assertNotIn("recovery", self.snag())
