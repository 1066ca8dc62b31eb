# SPDX-License-Identifier: GPL-3.0-or-later
"""Hung on the wall: nothing under the case; it is held by its hanging rails, or by a thick back."""

from __future__ import annotations

from dataclasses import dataclass

from ..reckoning import NOTHING, Reckoned
from .shell import Lines, Shell, Work


@dataclass(frozen=True, slots=True)
class Hung:
    """A case that hangs on the wall; heights count from its own lower edge."""

    words = "hung on the wall"

    def foot(self, shell: Shell) -> Reckoned:
        """Return the height of the sides' lower ends."""
        return NOTHING

    def line(self, shell: Shell) -> Reckoned:
        """Return the height of the lower edge of the face."""
        return NOTHING

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Add nothing."""
        return Work()
