# SPDX-License-Identifier: GPL-3.0-or-later
"""A cell without a front: open shelves, or the place of an appliance."""

from __future__ import annotations

from dataclasses import dataclass

from ...case.shell import Work
from ..area import Area
from .context import FaceContext


@dataclass(frozen=True, slots=True)
class OpenCell:
    """A cell that stays open."""

    words = "open"
    opens = ""

    def build(self, face: FaceContext, area: Area) -> Work:
        """Add nothing."""
        return Work()
