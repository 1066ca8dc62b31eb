# SPDX-License-Identifier: GPL-3.0-or-later
"""Runs all tests, or the ones named on the command line, and says at the end how many passed."""

from __future__ import annotations

import os
import sys
import tempfile
import unittest
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent


def main() -> int:
    """Run the tests with everything personal moved into a folder of its own."""
    sys.path.insert(0, str(ROOT))
    with tempfile.TemporaryDirectory() as home:
        for name in ("XDG_CONFIG_HOME", "XDG_DATA_HOME", "XDG_STATE_HOME", "XDG_CACHE_HOME"):
            os.environ[name] = str(Path(home) / name.lower())
        os.environ["QT_QPA_PLATFORM"] = "offscreen"
        os.environ.setdefault("HYPOTHESIS_STORAGE_DIRECTORY", str(Path(home) / "hypothesis"))
        loader = unittest.TestLoader()
        names = sys.argv[1:]
        suite = (
            loader.loadTestsFromNames(names) if names else loader.discover(str(ROOT / "tests"), top_level_dir=str(ROOT))
        )
        result = unittest.TextTestRunner(verbosity=1).run(suite)
    failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
    skipped = len(result.skipped)
    print(f"{result.testsRun - failed - skipped} passed, {failed} failed, {skipped} skipped")
    return 0 if result.wasSuccessful() and result.testsRun else 1


if __name__ == "__main__":
    sys.exit(main())
