# SPDX-License-Identifier: GPL-3.0-or-later
"""Gets the compiled loops: the beam's from kept object code at once, the others beside the search, in a moment.

They are loaded by their names, not by an import, so that a search which has no use for them never pays.
"""

from __future__ import annotations

import logging
from collections.abc import Callable
from threading import Lock, Thread
from typing import Any

from ....late import Late


class Compiled:
    """The compiled loops, once they are there.

    The beam's loop is kept as object code and is there at once, if this machine has compiled it before. The others, and
    the beam's where it is not kept, are loaded with the compiler.
    """

    def __init__(self) -> None:
        self._lock = Lock()
        self._thread: Thread | None = None
        self._loop: Any = None
        self._beam: Callable[..., float] | None = None
        self._tried = False
        #: Whether they cannot be had.
        self.failed = False

    def start(self) -> None:
        """Begin to load them, once."""
        with self._lock:
            if self._thread is None and self._loop is None and not self.failed:
                self._thread = Thread(target=self._load, name="ablebox compiled loop", daemon=True)
                self._thread.start()

    def _load(self) -> None:
        try:
            if self.beam is None:
                stored, entry = Late.STORED.module, Late.BEAM_ENTRY.module
                self._beam = stored.function(entry.entry.address)
                stored.keep(*entry.object_code())
            loop = Late.KERNEL.module
            loop.warm()
        except Exception:
            # Whatever the compiler says: the search goes on without it, slower.
            self.failed = True
            logging.getLogger("ablebox.cuts").exception("the compiled loop cannot be had; plans are searched slower")
            return
        self._loop = loop

    @property
    def beam(self) -> Callable[..., float] | None:
        """The beam's loop; ``None`` while it is being compiled, or has never been."""
        if self._beam is None and not self._tried:
            self._tried = True
            self._beam = Late.STORED.module.load()
        return self._beam

    @property
    def loop(self) -> Any:
        """The other loops; ``None`` while they are being loaded."""
        return self._loop

    def wait(self) -> Any:
        """Return the other loops as soon as all are there; ``None`` if they cannot be had, which is told once."""
        if self.failed:
            return None
        if self._thread is None and self._loop is None:
            self._load()
        elif self._thread is not None:
            self._thread.join()
        return self._loop


COMPILED = Compiled()
