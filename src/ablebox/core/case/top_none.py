# SPDX-License-Identifier: GPL-3.0-or-later
"""No top: the counter closes the case, or nothing does."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from ..assembly.role import Role
from ..reckoning import Reckoned
from .shell import Lines, Shell, Work


@dataclass(frozen=True, slots=True)
class NoTop:
    """A case that is open at the top."""

    words = "none"
    role: ClassVar[Role | None] = None
    nailer = False

    def side_top(self, shell: Shell) -> Reckoned:
        """Return the height of the sides' upper ends."""
        return shell.height

    def ceiling(self, shell: Shell) -> Reckoned:
        """Return the height up to which the inside is clear."""
        return shell.height

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Add nothing."""
        return Work()
