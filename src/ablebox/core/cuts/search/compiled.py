# SPDX-License-Identifier: GPL-3.0-or-later
"""Gets the compiled inner loop beside the search: it takes a moment to load, the first plans need not wait for it.

The loop is loaded by its name, not by an import, so that a short search never pays for it.
"""

from __future__ import annotations

import logging
from pathlib import Path
from threading import Lock, Thread
from typing import Any

from ....late import Late


class Compiled:
    """The compiled loop, once it is there."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._thread: Thread | None = None
        self._loop: Any = None
        #: Whether it cannot be had.
        self.failed = False

    def start(self) -> None:
        """Begin to load it, once."""
        with self._lock:
            if self._thread is None:
                self._thread = Thread(target=self._load, name="ablebox compiled loop", daemon=True)
                self._thread.start()

    def _load(self) -> None:
        try:
            loop = Late.KERNEL.module
            loop.warm()
        except Exception:
            # Whatever the compiler says: the search goes on without it, slower.
            self.failed = True
            logging.getLogger("ablebox.cuts").exception("the compiled loop cannot be had; plans are searched slower")
            return
        self._loop = loop

    @property
    def loop(self) -> Any:
        """The loop; ``None`` while it is being loaded."""
        return self._loop

    @property
    def quick(self) -> bool:
        """Whether it was compiled before, so that it is there in about a second."""
        if self.failed:
            return False
        here = Path(__file__).parent
        changed = (here / "kernel.py").stat().st_mtime
        return any(kept.stat().st_mtime >= changed for kept in (here / "__pycache__").glob("kernel.improve*.nbi"))

    def wait(self) -> Any:
        """Return the loop as soon as it is there."""
        if self._thread is None and self._loop is None:
            self._load()
        elif self._thread is not None:
            self._thread.join()
        return self._loop


COMPILED = Compiled()
