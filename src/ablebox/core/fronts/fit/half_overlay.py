# SPDX-License-Identifier: GPL-3.0-or-later
"""Half overlay: two fronts share one member, each covering its half less half of the gap (common practice)."""

from __future__ import annotations

from dataclasses import dataclass

from ...case.fields import size
from ...lengths import ZERO, Length, inches
from ...reckoning import Reckoned, leaf
from ..edges import Edges
from .gapped import Gapped


@dataclass(frozen=True, slots=True)
class HalfOverlay(Gapped):
    """Choices of a half overlay.

    Args:
        gap: between two fronts over one member.
    """

    gap: Length = size("gap between fronts", inches("1/8"), zero=True)

    words = "half overlay"
    inset = False
    lip = ZERO

    def margin(self, edges: Edges, side: str) -> Reckoned:
        """Return what shows of the outer member: its other half, and half of the gap."""
        member = edges.member(side)
        shown = (member.length + self.gap).share(2)[0]
        half = leaf(shown, f"half of the {member.label} and the gap", note="half overlay")
        return edges.shell.book.named(half, f"what shows at the {side}", f"fronts.shows.{side}")
