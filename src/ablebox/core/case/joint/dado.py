# SPDX-License-Identifier: GPL-3.0-or-later
"""Dado: the panel's end sits in a channel across the other, as wide as the stock really is.

1/4 to 3/8 in deep in 3/4 in stock and never over half of it (common practice).
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
class Dado:
    """Choices of a dado.

    Args:
        depth: how deep it is cut.
    """

    depth: Length = size("dado depth", inches("1/4"))

    @property
    def kind(self) -> CutKind | None:
        """What is cut into the other panel."""
        return CutKind.DADO

    @property
    def over(self) -> bool:
        """It does not lie over the other panel's end."""
        return False

    @property
    def words(self) -> str:
        """The joint in a few words."""
        return "in dadoes"

    def reach(self, shell: Shell, path: str, what: str) -> Reckoned | None:
        """Return how far the panel reaches into the other.

        Raises:
            SizeImpossible: if the dado would go through.
        """
        shell.need(self.depth, millimetres("0.5"), f"dado depth at the {what}", "Type a depth, such as 1/4 in.")
        left = shell.thickness.length - self.depth
        shell.need(left, millimetres(1), f"wood left under the dado at the {what}", "Make the dado shallower.")
        return shell.book.chosen(self.depth, "dado depth", f"{path}.depth")

    @property
    def way(self) -> Way | None:
        """Glue holds it."""
        return None
