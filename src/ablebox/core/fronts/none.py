# SPDX-License-Identifier: GPL-3.0-or-later
"""No fronts: open shelves, or doors to be made later."""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import BaySpace, Placed
from ..case.frame.face_frame import FaceFrame
from ..case.frame.none import Frameless
from ..case.shell import Lines, Shell, Work


@dataclass(frozen=True, slots=True)
class NoFronts:
    """A case that stays open."""

    words = "open"

    def build(
        self,
        shell: Shell,
        lines: Lines,
        frame: FaceFrame | Frameless,
        bays: tuple[BaySpace, ...],
        parts: tuple[Placed, ...],
        hung: bool,
    ) -> Work:
        """Add nothing."""
        return Work()
