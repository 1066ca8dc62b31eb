# SPDX-License-Identifier: GPL-3.0-or-later
"""What full and half overlay share: one gap between any two fronts, whatever stands behind it."""

from __future__ import annotations

from ...lengths import Length
from ...reckoning import Reckoned
from ..edges import Edges


class Gapped:
    """A fit with one ``gap`` between two fronts."""

    __slots__ = ()

    gap: Length

    def margin(self, edges: Edges, side: str) -> Reckoned:
        """Return what shows of the face beside the fronts."""
        raise NotImplementedError

    def between(self, edges: Edges, columns: bool) -> Reckoned:
        """Return what is kept between two fronts."""
        return edges.shell.book.chosen(self.gap, "gap between fronts", f"{edges.fit_at}.gap")

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
