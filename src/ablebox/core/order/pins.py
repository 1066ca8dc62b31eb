# SPDX-License-Identifier: GPL-3.0-or-later
"""When holes for shelf pins are bored (common practice)."""

from __future__ import annotations

from enum import Enum


class Pins(Enum):
    """When pin holes are bored. The value is what stands in files."""

    LOOSE = "loose"
    ON_CASE = "on-case"

    @property
    def words(self) -> str:
        """What it is called on a choice."""
        return _WORDS[self][0]

    @property
    def asks(self) -> str:
        """What it asks for, or spares."""
        return _WORDS[self][1]


_WORDS = {
    Pins.LOOSE: ("in the loose sides", "one set-up of the jig for all sides, flat on the bench"),
    Pins.ON_CASE: ("in the case, before the back", "the jig is set up in each case, lying on its front"),
}
