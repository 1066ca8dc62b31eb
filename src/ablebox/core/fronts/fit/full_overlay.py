# SPDX-License-Identifier: GPL-3.0-or-later
"""Full overlay: fronts cover the whole face but for a reveal.

Front = outside - 2 x reveal; reveal 1/16 in or 1.5 to 2 mm, gap between two fronts 1/8 in or 3 mm;
two cases side by side: their reveals add up to the gap (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...case.fields import size
from ...lengths import ZERO, Length, inches
from ...reckoning import Reckoned
from ..edges import Edges
from .gapped import Gapped


@dataclass(frozen=True, slots=True)
class FullOverlay(Gapped):
    """Choices of a full overlay.

    Args:
        reveal: what shows of the face at each side.
        reveal_top: what shows above the fronts.
        reveal_bottom: what shows below them.
        gap: between two fronts.
    """

    reveal: Length = size("reveal at the sides", inches("1/16"), zero=True)
    reveal_top: Length = size("reveal above the fronts", inches("1/16"), zero=True)
    reveal_bottom: Length = size("reveal below the fronts", inches("1/16"), zero=True)
    gap: Length = size("gap between fronts", inches("1/8"), zero=True)

    words = "full overlay"
    inset = False
    lip = ZERO

    def margin(self, edges: Edges, side: str) -> Reckoned:
        """Return what shows of the face beside the fronts."""
        book = edges.shell.book
        if side == "top":
            return book.chosen(self.reveal_top, "reveal, top", f"{edges.fit_at}.reveal_top")
        if side == "bottom":
            return book.chosen(self.reveal_bottom, "reveal, bottom", f"{edges.fit_at}.reveal_bottom")
        return book.chosen(self.reveal, "reveal, each side", f"{edges.fit_at}.reveal")
