# SPDX-License-Identifier: GPL-3.0-or-later
"""When the counter goes on (common practice)."""

from __future__ import annotations

from enum import Enum


class Top(Enum):
    """When the counter goes on. The value is what stands in files."""

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
    Top.AFTER: ("after the drawers", "inset drawers go in freely; tape tails hang out so that they can be pulled"),
    Top.BEFORE: ("before the drawers", "screws from above are reached; what is under it must be in before"),
}
