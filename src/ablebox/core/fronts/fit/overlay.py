# SPDX-License-Identifier: GPL-3.0-or-later
"""Partial overlay: fronts reach over the opening's edges by a given amount, and the rest of the members shows.

Front = opening + 2 x overlay (1/4, 3/8, 1/2, up to 1 1/4 in); between two fronts over one rail or
stile what shows is the member less both overlays (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...case.fields import size
from ...lengths import ZERO, Length, inches
from ...reckoning import Reckoned
from ..edges import Edges


@dataclass(frozen=True, slots=True)
class Overlay:
    """Choices of a partial overlay.

    Args:
        overlay: how far a front reaches over each edge of its opening.
        gap: between two fronts where no member stands between them, and between the doors of a pair.
    """

    overlay: Length = size("overlay", inches("1/2"))
    gap: Length = size("gap without a member", inches("1/8"), zero=True)

    words = "partial overlay"
    inset = False
    lip = ZERO

    def margin(self, edges: Edges, side: str) -> Reckoned:
        """Return what shows of the outer member beside the fronts.

        Raises:
            SizeImpossible: if the front would reach beyond the member.
        """
        member = edges.member(side)
        remedy = "Make the overlay less, or the member wider."
        edges.shell.need(member.length - self.overlay, ZERO, f"what shows at the {side}", remedy)
        overlay = edges.shell.book.chosen(self.overlay, "overlay", f"{edges.fit_at}.overlay")
        return edges.shell.book.named(member - overlay, f"what shows at the {side}", f"fronts.shows.{side}")

    def between(self, edges: Edges, columns: bool) -> Reckoned:
        """Return what shows between two fronts: the member less both overlays.

        Raises:
            SizeImpossible: if the fronts would meet over it.
        """
        mid = edges.mid(columns)
        if mid is None:
            return edges.shell.book.chosen(self.gap, "gap between fronts", f"{edges.fit_at}.gap")
        overlay = edges.shell.book.chosen(self.overlay, "overlay", f"{edges.fit_at}.overlay")
        shows = edges.shell.book.named(
            mid - overlay.times(2),
            f"what shows of the {mid.label}",
            f"fronts.shows.{'mid-stile' if columns else 'mid-rail'}",
        )
        edges.shell.need(shows.length, ZERO, shows.label, "Make the overlay less, or the member wider.")
        return shows

    def in_pair(self, edges: Edges) -> Reckoned:
        """Return the gap between the two doors of a pair."""
        return edges.shell.book.chosen(self.gap, "gap between the doors", f"{edges.fit_at}.gap")

    def over(self, edges: Edges, side: str) -> Length:
        """Return how far a front reaches beyond the edge of the opening behind it at an outer side."""
        return self.overlay

    def over_mid(self, edges: Edges, columns: bool) -> Length:
        """Return the same at a member between two fronts."""
        if edges.mid(columns) is not None:
            return self.overlay
        return (edges.shell.thickness.length - self.gap).share(2)[0]
