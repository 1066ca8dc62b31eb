# SPDX-License-Identifier: GPL-3.0-or-later
"""What a case stands on that is not the floor: another case and its top, or something that is there already."""

from __future__ import annotations

from dataclasses import dataclass

from ..lengths import ZERO, Length


@dataclass(frozen=True, slots=True)
class Support:
    """What a case stands on.

    Args:
        letter: of the case; empty for a space.
        space: number of the space among all, from 1, of what is there already; 0 for a case.
        along: how far its left end stands to the right of the left end of that; below 0 to the left.
    """

    letter: str = ""
    space: int = 0
    along: Length = ZERO

    def __post_init__(self) -> None:
        if bool(self.letter) == bool(self.space) or self.space < 0:
            raise ValueError("a case stands on one thing: a case, or what is there already")
