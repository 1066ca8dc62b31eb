# SPDX-License-Identifier: GPL-3.0-or-later
"""A false front: it looks like a drawer and is fixed, before a sink for instance."""

from __future__ import annotations

from dataclasses import dataclass

from ...case.shell import Work
from ..area import Area
from .context import FaceContext


@dataclass(frozen=True, slots=True)
class FalseFront:
    """A fixed front."""

    words = "false front"

    def build(self, face: FaceContext, area: Area) -> Work:
        """Return the front."""
        leaf = face.leaf(area, "false", "false front", face.drawer_making, level=True)
        work = face.drawer_making.build(face.shell, leaf)
        work.hardware.append(("clips for false fronts", 2))
        return work
