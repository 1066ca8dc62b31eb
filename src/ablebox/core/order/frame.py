# SPDX-License-Identifier: GPL-3.0-or-later
"""How a face frame comes to its case (common practice)."""

from __future__ import annotations

from enum import Enum


class Frame(Enum):
    """How a face frame comes to its case. The value is what stands in files."""

    APART = "apart"
    ON_CASE = "on-case"
    FIRST = "first"

    @property
    def words(self) -> str:
        """What it is called on a choice."""
        return _WORDS[self][0]

    @property
    def asks(self) -> str:
        """What it asks for, or spares."""
        return _WORDS[self][1]


_WORDS = {
    Frame.APART: ("made apart, then put on", "it is pocketed flat on the bench and goes on in one piece"),
    Frame.ON_CASE: (
        "on the case, piece by piece",
        "every piece is fitted to the case as it is; glue waits once for each",
    ),
    Frame.FIRST: ("first, the case is built behind it", "for openings that are fixed; the case follows the frame"),
}
