# SPDX-License-Identifier: GPL-3.0-or-later
"""No counter: somebody else brings one, or the case needs none."""

from __future__ import annotations

from dataclasses import dataclass

from ...reckoning import Reckoned
from ..shell import Shell, Work
from .around import Around


@dataclass(frozen=True, slots=True)
class NoCounter:
    """A case without a counter of its own."""

    words = "none"

    def build(
        self, shell: Shell, around: Around, across: Reckoned | None = None, joined: tuple[bool, bool] = (False, False)
    ) -> Work:
        """Add nothing."""
        return Work()
