# SPDX-License-Identifier: GPL-3.0-or-later
"""Laid over: the panel covers the ends of the sides, which lose its thickness.

Top = W, sides = height - t (common practice). The joint shows from the side, and the panel
can be screwed from above, or below.
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.joint import Way
from ...assembly.part import CutKind
from ...reckoning import Reckoned
from ..fields import check_names, one_of
from ..shell import Shell
from .butt import FASTENERS


@dataclass(frozen=True, slots=True)
class LaidOver:
    """Choices of a panel laid over the ends of the sides.

    Args:
        fastener: what holds it.
    """

    fastener: str = one_of("held by", "screws", FASTENERS)

    def __post_init__(self) -> None:
        check_names(self)

    @property
    def kind(self) -> CutKind | None:
        """Nothing is cut into the sides."""
        return None

    @property
    def over(self) -> bool:
        """It lies over the sides' ends."""
        return True

    @property
    def words(self) -> str:
        """The joint in a few words."""
        return "laid over the sides"

    def reach(self, shell: Shell, path: str, what: str) -> Reckoned | None:
        """Return how far the panel reaches over a side: all of it."""
        return shell.thickness

    @property
    def way(self) -> Way | None:
        """What holds it."""
        return Way(self.fastener)
