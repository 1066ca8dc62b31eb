# SPDX-License-Identifier: GPL-3.0-or-later
"""Gets the compiled loops: from kept object code at once, else from the compiler, beside the search.

They are loaded by their names, not by an import, so that a search which has no use for them never pays.
"""

from __future__ import annotations

import logging
from threading import Lock, Thread
from typing import Any

from ....late import Late


class Compiled:
    """The compiled loops, once they are there.

    They are kept as object code and are there at once if this machine has compiled them before; otherwise they are
    loaded with the compiler.
    """

    def __init__(self) -> None:
        self._lock = Lock()
        self._thread: Thread | None = None
        self._loops: Any = None
        self._tried = False
        #: Whether they cannot be had.
        self.failed = False

    def start(self) -> None:
        """Begin to load them, once."""
        if self.loops is not None or self.failed:
            return
        with self._lock:
            if self._thread is None:
                self._thread = Thread(target=self._load, name="ablebox compiler", daemon=True)
                self._thread.start()

    def _load(self) -> None:
        try:
            stored, entries = Late.STORED.module, Late.ENTRIES.module
            made = {}
            for name, entry in entries.ENTRIES.items():
                made[name] = stored.function(name, entry.address)
                stored.keep(name, *entries.object_code(name))
            loops = stored.Loops(**made)
        except Exception:
            # Whatever the compiler says: the search goes on without it, slower.
            self.failed = True
            logging.getLogger("ablebox.cuts").exception("nothing compiled can be had; plans are searched slower")
            return
        self._loops = loops

    @property
    def loops(self) -> Any:
        """The loops; ``None`` while they are being compiled, or have never been."""
        if self._loops is None and not self._tried:
            self._tried = True
            self._loops = Late.STORED.module.load()
        return self._loops

    def wait(self) -> Any:
        """Return the loops as soon as they are there; ``None`` if they cannot be had, which is told once."""
        if self.loops is not None or self.failed:
            return self._loops
        if self._thread is None:
            self._load()
        else:
            self._thread.join()
        return self._loops


COMPILED = Compiled()
