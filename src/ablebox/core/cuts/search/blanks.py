# SPDX-License-Identifier: GPL-3.0-or-later
"""The problem as the search sees it: every piece and sheet one kerf larger.

With that, cuts have no width any more: pieces that touch here lie one kerf apart in the wood.
"""

from __future__ import annotations

from dataclasses import dataclass

from ..plan import CutSheet, Spot
from ..problem import Problem, Supply


@dataclass(frozen=True, slots=True)
class Blank:
    """One piece to place.

    Args:
        code: code of its piece.
        length: with one kerf.
        width: with one kerf.
        fixed: whether it must not be turned.
    """

    code: str
    length: int
    width: int
    fixed: bool


@dataclass(frozen=True, slots=True)
class Bed:
    """One kind of sheet to place blanks on.

    Args:
        supply: the sheet it stands for.
        length: usable, with one kerf.
        width: usable, with one kerf.
        count: how many there are; ``None`` for as many as needed.
    """

    supply: Supply
    length: int
    width: int
    count: int | None

    def holds(self, blank: Blank) -> bool:
        """Whether a blank fits on the empty bed."""
        if blank.length <= self.length and blank.width <= self.width:
            return True
        return not blank.fixed and blank.width <= self.length and blank.length <= self.width


def blanks(problem: Problem) -> list[Blank]:
    """Return one blank for every piece to cut."""
    kerf = problem.kerf
    return [
        Blank(piece.code, piece.length + kerf, piece.width + kerf, piece.fixed)
        for piece in problem.pieces
        for _ in range(piece.count)
    ]


def beds(problem: Problem) -> list[Bed]:
    """Return the beds that have any room: offcuts first, smallest first, then the rest, largest first."""
    found = []
    for supply in problem.supplies:
        length, width = problem.usable(supply)
        if length > 0 and width > 0 and supply.count != 0:
            found.append(Bed(supply, length + problem.kerf, width + problem.kerf, supply.count))

    def order(bed: Bed) -> tuple[int, int]:
        area = bed.length * bed.width
        return (0, area) if bed.supply.offcut else (1, -area)

    return sorted(found, key=order)


def to_sheet(problem: Problem, bed: Bed, placed: list[tuple[Blank, int, int, bool]]) -> CutSheet:
    """Turn blanks on a bed back into pieces on a sheet."""
    kerf, trim = problem.kerf, problem.trim
    spots = tuple(
        Spot(blank.code, x + trim, y + trim, blank.length - kerf, blank.width - kerf, turned)
        for blank, x, y, turned in placed
    )
    return CutSheet(bed.supply, spots)
