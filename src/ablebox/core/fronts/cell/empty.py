# SPDX-License-Identifier: GPL-3.0-or-later
"""A cell without a front: open shelves."""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from ...case.shell import Work
from ..area import Area
from ..fit.same import LikeOthers
from .context import FaceContext


@dataclass(frozen=True, slots=True)
class OpenCell:
    """A cell that stays open."""

    words = "open"
    opens = ""
    fit: ClassVar[LikeOthers] = LikeOthers()

    def build(self, face: FaceContext, area: Area) -> Work:
        """Add nothing."""
        return Work()
