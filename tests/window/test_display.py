# SPDX-License-Identifier: GPL-3.0-or-later
"""The window on a real X display, virtual but with pixels of its own."""

from __future__ import annotations

import json
import os
import select
import shutil
import subprocess
import sys
import unittest
from pathlib import Path

from ablebox.core.drawing.palette import DAYLIGHT

ROOT = Path(__file__).resolve().parent.parent.parent


class Display(unittest.TestCase):
    def setUp(self) -> None:
        server = shutil.which("Xvfb")
        if server is None:
            self.skipTest("there is no Xvfb; tools/system.sh installs it")
        read, write = os.pipe()
        self.server = subprocess.Popen(
            [server, "-displayfd", str(write), "-screen", "0", "1280x800x24", "-nolisten", "tcp"],
            pass_fds=[write], stderr=subprocess.DEVNULL,
        )  # fmt: skip
        os.close(write)
        self.addCleanup(self.server.wait)
        self.addCleanup(self.server.terminate)
        with os.fdopen(read) as pipe:
            self.assertTrue(select.select([pipe], [], [], 20)[0], "the display did not start")
            self.display = f":{pipe.readline().strip()}"

    def run_here(self, *words: str) -> subprocess.CompletedProcess[str]:
        known = {k: v for k, v in os.environ.items() if k != "QT_QPA_PLATFORM"}
        return subprocess.run(
            [sys.executable, *words], cwd=ROOT, capture_output=True, text=True, timeout=120, check=False,
            env={**known, "DISPLAY": self.display, "QT_QPA_PLATFORM": "xcb"},
        )  # fmt: skip

    def test_a_height_is_typed_and_the_screen_shows_the_case(self) -> None:
        done = self.run_here("-m", "tests.window.x_session")
        self.assertEqual(done.returncode, 0, done.stderr)
        found = json.loads(done.stdout)
        self.assertEqual(found["platform"], "xcb")
        self.assertEqual(found["side"], "33 7/8")
        for name in ("card", "paper", "snag-line"):
            self.assertIn(DAYLIGHT[name].lower(), found["colours"])
