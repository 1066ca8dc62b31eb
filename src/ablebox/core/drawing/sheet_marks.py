# SPDX-License-Identifier: GPL-3.0-or-later
"""What a sheet's drawing shows beside its pieces: which are pinned, and what one is about to do."""

from __future__ import annotations

from dataclasses import dataclass

from ..cuts.problem import Spot
from ..cuts.saw_order import Board


@dataclass(frozen=True, slots=True)
class Marks:
    """Marks on a sheet.

    Args:
        pinned: pieces that are held where they lie.
        chosen: the piece one has taken up.
        rest: the offcut one has taken up.
        scrap: offcuts that are not kept although they could be.
        keep: offcuts that are kept although they are small.
    """

    pinned: frozenset[Spot] = frozenset()
    chosen: Spot | None = None
    rest: Board | None = None
    scrap: frozenset[Board] = frozenset()
    keep: frozenset[Board] = frozenset()
