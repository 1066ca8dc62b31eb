# SPDX-License-Identifier: GPL-3.0-or-later
"""Butt joint: the panel ends at the other's face and is held by what is driven or glued in.

Where they stand and how long they are is laid out in ``core/fastening``.
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.joint import Way
from ...assembly.part import CutKind
from ...lengths import millimetres
from ...reckoning import Reckoned
from ..fields import check_names, one_of
from ..shell import Shell

FASTENERS = {
    "pocket": "pocket screws",
    "screws": "screws",
    "confirmats": "connector screws",
    "dowels": "dowels",
    "biscuits": "biscuits",
}
#: Glue and fasteners need this much of the other panel's thickness (common practice).
_LEAST = millimetres(9)


@dataclass(frozen=True, slots=True)
class Butt:
    """Choices of a butt joint.

    Args:
        fastener: what holds it.
    """

    fastener: str = one_of("held by", "pocket", FASTENERS)

    def __post_init__(self) -> None:
        check_names(self)

    @property
    def kind(self) -> CutKind | None:
        """Nothing is cut into the other panel."""
        return None

    @property
    def over(self) -> bool:
        """It does not lie over the other panel's end."""
        return False

    def reach(self, shell: Shell, path: str, what: str) -> Reckoned | None:
        """The panel does not reach into the other.

        Raises:
            SizeImpossible: if the stock is too thin to be fastened this way.
        """
        shell.need(
            shell.thickness.length, _LEAST, f"stock for {self.words} at the {what}", "Use a dado, or thicker stock."
        )
        return None

    @property
    def words(self) -> str:
        """The joint in a few words."""
        return FASTENERS[self.fastener]

    @property
    def way(self) -> Way | None:
        """What holds it."""
        return Way(self.fastener)
