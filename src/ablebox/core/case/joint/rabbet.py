# SPDX-License-Identifier: GPL-3.0-or-later
"""Rabbet: the panel's end sits in a step cut along the other's end or edge.

Never over half of the stock, 1/4 in usual in 3/4 in stock (common practice). There is a step only at an
end: in the middle of a panel the same joint is a dado.
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.joint import Way
from ...assembly.part import CutKind
from ...lengths import Length, inches, millimetres
from ...reckoning import Reckoned
from ..fields import size
from ..shell import Shell


@dataclass(frozen=True, slots=True)
class Rabbet:
    """Choices of a rabbet.

    Args:
        depth: how far the panel reaches into the other.
    """

    depth: Length = size("rabbet depth", inches("1/4"))

    @property
    def kind(self) -> CutKind | None:
        """What is cut into the other panel."""
        return CutKind.RABBET

    @property
    def over(self) -> bool:
        """It does not lie over the whole of the other panel's end."""
        return False

    @property
    def words(self) -> str:
        """The joint in a few words."""
        return "in rabbets"

    def reach(self, shell: Shell, path: str, what: str) -> Reckoned | None:
        """Return how far the panel reaches into the other.

        Raises:
            SizeImpossible: if nothing would be left beside the rabbet.
        """
        shell.need(self.depth, millimetres("0.5"), f"rabbet depth at the {what}", "Type a depth, such as 1/4 in.")
        left = shell.thickness.length - self.depth
        shell.need(left, millimetres(1), f"wood left beside the rabbet at the {what}", "Make the rabbet shallower.")
        return shell.book.chosen(self.depth, "rabbet depth", f"{path}.depth")

    @property
    def way(self) -> Way | None:
        """Glue holds it."""
        return None
