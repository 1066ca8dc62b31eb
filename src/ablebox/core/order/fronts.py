# SPDX-License-Identifier: GPL-3.0-or-later
"""Where fronts are fitted (common practice)."""

from __future__ import annotations

from enum import Enum


class Fronts(Enum):
    """Where fronts are fitted. The value is what stands in files."""

    BENCH = "bench"
    ROOM = "room"

    @property
    def words(self) -> str:
        """What it is called on a choice."""
        return _WORDS[self][0]

    @property
    def asks(self) -> str:
        """What it asks for, or spares."""
        return _WORDS[self][1]


_WORDS = {
    Fronts.BENCH: ("on the bench", "gaps are set lying down; they come off again for the way in"),
    Fronts.ROOM: ("in the room", "set once, when the cases stand level"),
}
