# SPDX-License-Identifier: GPL-3.0-or-later
"""Half overlay: two fronts share one member, each covering its half less half of the gap (common practice)."""

from __future__ import annotations

from dataclasses import dataclass

from ...case.fields import size
from ...lengths import ZERO, Length, inches
from ...reckoning import Reckoned, leaf
from ..edges import Edges


@dataclass(frozen=True, slots=True)
class HalfOverlay:
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

    def between(self, edges: Edges, columns: bool) -> Reckoned:
        """Return what is kept between two fronts."""
        return edges.shell.book.chosen(self.gap, "gap between fronts", "fronts.fit.gap")

    def in_pair(self, edges: Edges) -> Reckoned:
        """Return the gap between the two doors of a pair."""
        return self.between(edges, True)

    def over(self, edges: Edges, side: str) -> Length:
        """Return how far a front reaches beyond the edge of the opening behind it at an outer side."""
        return edges.member(side).length - self.margin(edges, side).length

    def over_mid(self, edges: Edges, columns: bool) -> Length:
        """Return the same at a member between two fronts."""
        mid = edges.mid(columns)
        thickness = mid.length if mid is not None else edges.shell.thickness.length
        return (thickness - self.gap).share(2)[0]
