# SPDX-License-Identifier: GPL-3.0-or-later
"""Lipped fronts: rabbeted all around the back, half inside the opening, the lip over its edge.

A rabbet of 3/8 in with 1/4 in of it over the edge leaves 1/8 in of play in the opening (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...case.fields import size
from ...lengths import Length, inches
from ...reckoning import Reckoned
from ..edges import Edges
from .overlay import Overlay


@dataclass(frozen=True, slots=True)
class Lipped:
    """Choices of lipped fronts.

    Args:
        overlay: how far the lip reaches over each edge.
        rabbet: width and depth of the rabbet.
        gap: between the two doors of a pair.
    """

    overlay: Length = size("lip over the edge", inches("1/4"))
    rabbet: Length = size("rabbet, width and depth", inches("3/8"))
    gap: Length = size("gap without a member", inches("1/8"), zero=True)

    words = "lipped"
    inset = False

    @property
    def lip(self) -> Length:
        """How far a front stands inside the opening."""
        return self.rabbet

    def _as_overlay(self) -> Overlay:
        return Overlay(self.overlay, self.gap)

    def margin(self, edges: Edges, side: str) -> Reckoned:
        """Return what shows of the outer member beside the fronts."""
        play = self.rabbet - self.overlay
        edges.shell.need(play, inches("1/32"), "play of the lipped front in its opening", "Make the rabbet wider.")
        return self._as_overlay().margin(edges, side)

    def between(self, edges: Edges, columns: bool) -> Reckoned:
        """Return what shows between two fronts."""
        return self._as_overlay().between(edges, columns)

    def in_pair(self, edges: Edges) -> Reckoned:
        """Return the gap between the two doors of a pair."""
        return self._as_overlay().in_pair(edges)

    def over(self, edges: Edges, side: str) -> Length:
        """Return how far the lip reaches beyond the edge of the opening."""
        return self.overlay

    def over_mid(self, edges: Edges, columns: bool) -> Length:
        """Return the same at a member between two fronts."""
        return self._as_overlay().over_mid(edges, columns)
