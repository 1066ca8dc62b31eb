# SPDX-License-Identifier: GPL-3.0-or-later
"""Butt joint: the panel ends at the other's face and is held by what is driven or glued in.

Fasteners stand about 6 in (150 mm) apart, two at least (common practice). Usual for 3/4 in
stock: pocket screws 1 1/4 in, case screws 1 3/4 to 2 in, confirmats 7 x 50 mm, dowels 8 mm or
5/16 in, biscuits No. 20 (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import CutKind
from ...lengths import Length, inches, millimetres
from ...reckoning import Reckoned
from ..fields import check_names, one_of
from ..screws import longest_screw, nearest_screw
from ..shell import Shell

APART = inches(6)
FASTENERS = {
    "pocket": "pocket screws",
    "screws": "screws",
    "confirmats": "confirmats",
    "dowels": "dowels",
    "biscuits": "biscuits",
}
#: Glue and fasteners need this much of the other panel's thickness.
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

    def fasteners(self, shell: Shell, width: Length) -> list[tuple[str, int]]:
        """Return what one end of this width takes."""
        return fasteners_along(self.fastener, shell, width)


def fasteners_along(fastener: str, shell: Shell, width: Length) -> list[tuple[str, int]]:
    """Return what a joint of this width takes of a fastener: two at least, and one for each 6 in begun."""
    return [(fastener_words(fastener, shell), max(2, -(-width.ticks // APART.ticks)))]


def fastener_words(fastener: str, shell: Shell) -> str:
    """Return what is bought, with its size for the carcass stock.

    Pocket screws: 1 in for 1/2 in stock, 1 1/4 for 3/4, 2 1/2 for 1 1/2. A case screw goes through
    one panel and an inch (25 mm) into the other's edge (common practice).
    """
    thickness = shell.thickness.length
    if fastener == "pocket":
        length = (
            inches(1) if thickness <= inches("9/16") else inches("1 1/4") if thickness <= inches(1) else inches("2 1/2")
        )
        return nearest_screw(shell, "pocket-screw", length)
    if fastener == "screws":
        return longest_screw(shell, "case-screw", thickness + inches(1))[0]
    return {"confirmats": "confirmats 7 × 50 mm", "dowels": "dowels 8 mm", "biscuits": "biscuits No. 20"}[fastener]
