# SPDX-License-Identifier: GPL-3.0-or-later
"""Whether cases are worked one by one (common practice)."""

from __future__ import annotations

from enum import Enum


class Batch(Enum):
    """Whether cases are worked one by one. The value is what stands in files."""

    CASE = "case"
    BATCH = "batch"

    @property
    def words(self) -> str:
        """What it is called on a choice."""
        return _WORDS[self][0]

    @property
    def asks(self) -> str:
        """What it asks for, or spares."""
        return _WORDS[self][1]


_WORDS = {
    Batch.CASE: ("case by case", "a case is done before the next begins; every setting is made again for each"),
    Batch.BATCH: ("in batches across cases", "each setting once for all cases; more parts lie about"),
}
