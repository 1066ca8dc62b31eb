# SPDX-License-Identifier: GPL-3.0-or-later
"""Frameless: nothing before the carcass; every front edge that shows is banded."""

from __future__ import annotations

from dataclasses import dataclass

from ...lengths import ZERO, Length
from ...reckoning import Reckoned
from ..inside.layout import Layout
from ..shell import Lines, Shell, Work


@dataclass(frozen=True, slots=True)
class Frameless:
    """A case without a face frame."""

    words = "frameless"

    def thickness(self, shell: Shell) -> Reckoned | None:
        """Return nothing: the carcass begins at the front."""
        return None

    def floor(self, shell: Shell, line: Reckoned) -> Reckoned:
        """Return the height of the bottom's underside: where the face begins."""
        return line

    @property
    def proud(self) -> tuple[Length, Length]:
        """Nothing stands beyond the sides."""
        return ZERO, ZERO

    def build(self, shell: Shell, lines: Lines, layout: Layout) -> Work:
        """Add nothing."""
        return Work()
