# SPDX-License-Identifier: GPL-3.0-or-later
"""Inset: fronts stand inside their openings, flush with the face.

Front = opening - 2 x gap, a pair (opening - 3 gap) / 2; gap 1/16 to 1/8 in; doors need stops, and
slides and shelves are set back by the front's thickness (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...case.fields import option, size
from ...lengths import ZERO, Length, inches
from ...reckoning import Reckoned
from ..edges import Edges


@dataclass(frozen=True, slots=True)
class Inset:
    """Choices of inset fronts.

    Args:
        gap: around each front.
        dividers: whether partitions and fixed shelves reach the face between the fronts of a frameless case.
    """

    gap: Length = size("gap around each front", inches("3/32"), zero=True)
    dividers: bool = option("partitions reach the face between them", False)

    words = "inset"
    inset = True
    lip = ZERO

    def _gap(self, edges: Edges) -> Reckoned:
        return edges.shell.book.chosen(self.gap, "gap around the front", f"{edges.fit_at}.gap")

    def margin(self, edges: Edges, side: str) -> Reckoned:
        """Return what stands beside the fronts: the member and the gap."""
        total = edges.member(side) + self._gap(edges)
        return edges.shell.book.named(total, f"member and gap at the {side}", f"fronts.shows.{side}")

    def between(self, edges: Edges, columns: bool) -> Reckoned:
        """Return what stands between two fronts: a member and a gap at each side, or one gap."""
        mid = edges.mid(columns)
        if mid is None and self.dividers:
            mid = edges.shell.goods.reckoned_thickness("divider thickness", edges.shell.units)
        if mid is None:
            return self._gap(edges)
        name = "mid-stile" if columns else "mid-rail"
        return edges.shell.book.named(mid + self._gap(edges).times(2), f"{mid.label} and gaps", f"fronts.shows.{name}")

    def in_pair(self, edges: Edges) -> Reckoned:
        """Return the gap between the two doors of a pair."""
        return self._gap(edges)

    def over(self, edges: Edges, side: str) -> Length:
        """Return how far a front reaches beyond the edge of its opening: it stays inside by the gap."""
        return -self.gap

    def over_mid(self, edges: Edges, columns: bool) -> Length:
        """Return the same at a member between two fronts."""
        stands = edges.mid(columns) is not None or self.dividers
        return -self.gap if stands else -self.gap.share(2)[0]
