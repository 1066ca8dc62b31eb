# SPDX-License-Identifier: GPL-3.0-or-later
"""When the back goes on (common practice)."""

from __future__ import annotations

from enum import Enum


class Back(Enum):
    """When the back goes on. The value is what stands in files."""

    BEFORE_FRAME = "before-frame"
    AFTER_FRAME = "after-frame"

    @property
    def words(self) -> str:
        """What it is called on a choice."""
        return _WORDS[self][0]

    @property
    def asks(self) -> str:
        """What it asks for, or spares."""
        return _WORDS[self][1]


_WORDS = {
    Back.BEFORE_FRAME: ("before the frame", "it squares the case while the frame is still off"),
    Back.AFTER_FRAME: (
        "after the frame",
        "clamps of the frame reach through the open case; measure the diagonals with care",
    ),
}
