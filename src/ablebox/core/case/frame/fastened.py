# SPDX-License-Identifier: GPL-3.0-or-later
"""Frame parts that meet end to edge: pocket screws or dowels, two at each end (common practice)."""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.joint import Way
from ...assembly.part import Cut
from ...lengths import Length
from ...reckoning import Reckoned
from ..fields import check_names, one_of
from ..shell import Shell
from .member import Member

WAYS = {"pocket": "pocket screws", "dowels": "dowels"}


@dataclass(frozen=True, slots=True)
class FastenedFrame:
    """Choices of a fastened frame joint.

    Args:
        fastener: what holds it.
    """

    fastener: str = one_of("held by", "pocket", WAYS)

    def __post_init__(self) -> None:
        check_names(self)

    @property
    def words(self) -> str:
        """The joint in a few words."""
        return WAYS[self.fastener]

    def reach(self, shell: Shell, other: Member) -> Reckoned | None:
        """The part ends at the other's edge."""
        return None

    def join(self, member: Member, side: int, other: Member, reach: Length) -> tuple[list[Cut], list[Cut]]:
        """Nothing is cut."""
        return [], []

    @property
    def way(self) -> Way | None:
        """What holds it."""
        return Way(self.fastener)
