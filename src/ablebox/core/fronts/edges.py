# SPDX-License-Identifier: GPL-3.0-or-later
"""What is around an opening: the outline of a face, its outer members, and what stands between openings."""

from __future__ import annotations

from dataclasses import dataclass

from ..case.frame.face_frame import FaceFrame
from ..case.frame.none import Frameless
from ..case.shell import Lines, Shell
from ..lengths import Length
from ..reckoning import Reckoned


@dataclass(frozen=True, slots=True)
class Edges:
    """The members around a face's openings.

    Args:
        shell: the case.
        lines: its lines.
        frame: its face frame, or that it has none.
        fit_at: where the fit in force stands in the design.
    """

    shell: Shell
    lines: Lines
    frame: FaceFrame | Frameless
    fit_at: str = "fronts.fit"

    @property
    def framed(self) -> bool:
        """Whether there is a face frame."""
        return isinstance(self.frame, FaceFrame)

    @property
    def outline(self) -> tuple[Length, Length, Length, Length]:
        """The face's outline: left, right, lower and upper edge, from the case's left floor corner."""
        left, right = self.shell.proud
        return -left, self.shell.over_sides.length + right, self.lines.line.length, self.shell.height.length

    @property
    def width(self) -> Reckoned:
        """Width of the outline."""
        total = self.shell.over_sides.times(1)
        for proud, side in zip(self.shell.proud, ("left", "right"), strict=True):
            if proud:
                total = total + self.shell.book.chosen(proud, f"frame proud of the {side} side", f"frame.{side}.proud")
        return total

    @property
    def height(self) -> Reckoned:
        """Height of the outline."""
        return self.shell.height - self.lines.line if self.lines.line.length else self.shell.height.times(1)

    def member(self, side: str) -> Reckoned:
        """Return the width of the outer member at a side: ``left``, ``right``, ``top`` or ``bottom``."""
        book = self.shell.book
        if isinstance(self.frame, FaceFrame):
            if side in ("left", "right"):
                return book.chosen(getattr(self.frame, side).width, f"stile, {side}", f"frame.{side}.width")
            return book.chosen(getattr(self.frame, f"{side}_rail"), f"{side} rail", f"frame.{side}_rail")
        words = {"left": "side", "right": "side", "top": "top", "bottom": "bottom"}[side]
        return self.shell.goods.reckoned_thickness(f"{words} thickness", self.shell.units)

    def mid(self, columns: bool) -> Reckoned | None:
        """Return the width of the frame's members between openings; ``None`` without a frame."""
        if not isinstance(self.frame, FaceFrame):
            return None
        name = "mid_stile" if columns else "mid_rail"
        words = "mid stile" if columns else "mid rail"
        return self.shell.book.chosen(getattr(self.frame, name), words, f"frame.{name}")
