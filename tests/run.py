# SPDX-License-Identifier: GPL-3.0-or-later
"""Runs all tests, or the ones named on the command line, and says at the end how many passed.

Modules run side by side, one process each, as many at once as there are processors.
"""

from __future__ import annotations

import os
import subprocess
import sys
import tempfile
import unittest
import warnings
from collections.abc import Iterable
from concurrent.futures import ThreadPoolExecutor, as_completed
from pathlib import Path
from time import monotonic
from typing import NoReturn

from ablebox import collecting

ROOT = Path(__file__).resolve().parent.parent
#: Those that take longest begin first.
_LONG = (
    "tests.window.test_stages", "tests.core.test_bench", "tests.core.test_one_pass", "tests.window.test_bench", "tests.window.test_files",
    "tests.outside.test_whole_rooms", "tests.window.test_sheets_hand", "tests.core.test_paper", "tests.house.test_house", "tests.window.test_room_run",
    "tests.core.test_search", "tests.core.test_edits", "tests.core.test_fit", "tests.window.test_hands",
)  # fmt: skip
#: Exit status of a module by itself; how many passed, failed and were skipped stands in its last line.
_COUNTS = "counts:"


def main() -> int:
    """Run the tests with everything personal moved into a folder of its own."""
    names = sys.argv[1:]
    if names[:1] == ["--one"]:
        _one(names[1:])
    modules = names or _modules()
    totals, good = [0, 0, 0], True
    with ThreadPoolExecutor(max(1, os.cpu_count() or 1)) as pool:
        running = {pool.submit(_apart, module): module for module in _longest_first(modules)}
        for done in as_completed(running):
            status, output, seconds = done.result()
            good = good and status == 0
            counts = [line for line in output.splitlines() if line.startswith(_COUNTS)]
            shown = "\n".join(line for line in output.splitlines() if not line.startswith(_COUNTS))
            if status:
                print(f"{running[done]}\n{shown}", flush=True)
            else:
                print(f"{running[done]} {shown.splitlines()[0] if shown else ''} {seconds:.0f} s", flush=True)
            for i, number in enumerate(counts[-1].split()[1:] if counts else ("0", "1", "0")):
                totals[i] += int(number)
    print("{} passed, {} failed, {} skipped".format(*totals))
    return 0 if good and sum(totals) else 1


def _modules() -> list[str]:
    return [
        ".".join(path.relative_to(ROOT).with_suffix("").parts) for path in sorted((ROOT / "tests").rglob("test_*.py"))
    ]


def _longest_first(modules: Iterable[str]) -> list[str]:
    return sorted(modules, key=lambda name: _LONG.index(name) if name in _LONG else len(_LONG))


def _apart(module: str) -> tuple[int, str, float]:
    """Run one module in a process of its own; return its status, what it printed, and how long it took."""
    start = monotonic()
    # Where widgets, files and threads are left open is worth the eighth of time it costs; the core has none.
    flags = ["-X", "dev"] if sys.flags.dev_mode and module.startswith("tests.window") else []
    run = subprocess.run(
        [sys.executable, *flags, __file__, "--one", module], stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True,
        stdin=subprocess.DEVNULL, check=False,
    )  # fmt: skip
    return run.returncode, run.stdout, monotonic() - start


def _one(names: list[str]) -> NoReturn:
    # As the program itself does.
    collecting.rarely()
    sys.path.insert(0, str(ROOT))
    with tempfile.TemporaryDirectory() as home:
        # What Python warns of in our own code fails, as what Qt warns of does.
        warnings.filterwarnings("error", module=r"(ablebox|tests)(\.|$)")
        for name in ("XDG_CONFIG_HOME", "XDG_DATA_HOME", "XDG_STATE_HOME", "XDG_CACHE_HOME"):
            os.environ[name] = str(Path(home) / name.lower())
        os.environ["QT_QPA_PLATFORM"] = "offscreen"
        os.environ.setdefault("HYPOTHESIS_STORAGE_DIRECTORY", str(Path(home) / "hypothesis"))
        result = unittest.TextTestRunner(verbosity=1).run(unittest.TestLoader().loadTestsFromNames(names))
    failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
    skipped = len(result.skipped)
    print(f"{_COUNTS} {result.testsRun - failed - skipped} {failed} {skipped}")
    status = 0 if result.wasSuccessful() and result.testsRun else 1
    sys.stdout.flush()
    sys.stderr.flush()
    # Everything is told. What the toolkit and Python take down in which order at the very end is not what is tested.
    os._exit(status)


if __name__ == "__main__":
    sys.exit(main())
