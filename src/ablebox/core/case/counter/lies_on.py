# SPDX-License-Identifier: GPL-3.0-or-later
"""What a counter lies on beside its own case, as far as its sizes need to know."""

from __future__ import annotations

from typing import Protocol

from ...lengths import Length
from ...reckoning import Reckoned


class LiesOn(Protocol):
    """What a counter lies on."""

    @property
    def across(self) -> Reckoned:
        """The width of all of it."""

    @property
    def before(self) -> Length:
        """How much of that is at the left of the case it belongs to."""

    @property
    def joined(self) -> tuple[bool, bool]:
        """Whether its left and its right end meet a wall or another top, so that they stay bare."""

    @property
    def corner(self) -> bool:
        """Whether its left end meets the front edge of a top that comes round the corner."""
