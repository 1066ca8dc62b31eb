# SPDX-License-Identifier: GPL-3.0-or-later
"""When slides are hung (common practice)."""

from __future__ import annotations

from enum import Enum


class Slides(Enum):
    """When slides are hung. The value is what stands in files."""

    IN_PLACE = "in-place"
    BENCH = "bench"

    @property
    def words(self) -> str:
        """What it is called on a choice."""
        return _WORDS[self][0]

    @property
    def asks(self) -> str:
        """What it asks for, or spares."""
        return _WORDS[self][1]


_WORDS = {
    Slides.IN_PLACE: (
        "in the case, by spacer blocks",
        "from the floor of the case upward, with one set of blocks for all cases",
    ),
    Slides.BENCH: ("on the loose sides", "flat on the bench, from a line; the sides weigh more in the glue-up"),
}
