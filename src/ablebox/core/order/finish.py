# SPDX-License-Identifier: GPL-3.0-or-later
"""When the finish goes on (common practice)."""

from __future__ import annotations

from enum import Enum


class Finish(Enum):
    """When the finish goes on. The value is what stands in files."""

    AFTER = "after"
    BEFORE = "before"

    @property
    def words(self) -> str:
        """What it is called on a choice."""
        return _WORDS[self][0]

    @property
    def asks(self) -> str:
        """What it asks for, or spares."""
        return _WORDS[self][1]


_WORDS = {
    Finish.AFTER: ("after assembly", "what no brush reaches later is still finished before"),
    Finish.BEFORE: ("before assembly", "flat and fast; faces that are glued are taped, and coats wait before glue"),
}
