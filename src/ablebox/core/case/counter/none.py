# SPDX-License-Identifier: GPL-3.0-or-later
"""No counter: somebody else brings one, or the case needs none."""

from __future__ import annotations

from dataclasses import dataclass

from ..shell import Shell, Work
from .around import Around
from .lies_on import LiesOn


@dataclass(frozen=True, slots=True)
class NoCounter:
    """A case without a counter of its own."""

    words = "none"

    def build(self, shell: Shell, around: Around, lies_on: LiesOn | None = None) -> Work:
        """Add nothing."""
        return Work()
