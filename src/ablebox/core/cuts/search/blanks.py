# SPDX-License-Identifier: GPL-3.0-or-later
"""The problem as the search sees it: every piece and sheet one kerf larger.

With that, cuts have no width any more: pieces that touch here lie one kerf apart in the wood.
"""

from __future__ import annotations

from collections import Counter
from dataclasses import dataclass

from ..plan import CutSheet
from ..problem import Block, Problem, Spot, Supply


@dataclass(frozen=True, slots=True)
class Blank:
    """One piece to place.

    Args:
        code: code of its piece.
        length: with one kerf.
        width: with one kerf.
        fixed: whether it must not be turned.
        block: the block it stands for; ``None`` for a single piece.
        parts: blanks it is joined from, each with its place from its corner and whether it is turned.
    """

    code: str
    length: int
    width: int
    fixed: bool
    block: Block | None = None
    parts: tuple[tuple[Blank, int, int, bool], ...] = ()

    @property
    def area(self) -> int:
        """Its area, kerfs included."""
        return self.length * self.width

    def fits(self, length: int, width: int) -> bool:
        """Whether it fits into a rectangle, turned if it may be."""
        if self.length <= length and self.width <= width:
            return True
        return not self.fixed and self.width <= length and self.length <= width

    def single(self, x: int, y: int, turned: bool) -> list[Placed]:
        """Return the blanks it is joined from, where they lie if it lies at a place; itself if from none."""
        if not self.parts:
            return [(self, x, y, turned)]
        found: list[Placed] = []
        for part, dx, dy, own in self.parts:
            # Turned, everything changes its two directions.
            found += part.single(x + (dy if turned else dx), y + (dx if turned else dy), own != turned)
        return found


#: A blank, where its corner lies, and whether it is turned.
Placed = tuple[Blank, int, int, bool]


@dataclass(frozen=True, slots=True)
class Bed:
    """One kind of sheet to place blanks on.

    Args:
        supply: the sheet it stands for.
        length: usable, with one kerf.
        width: usable, with one kerf.
        count: how many there are; ``None`` for as many as needed.
        cost: of one, as the problem compares it.
    """

    supply: Supply
    length: int
    width: int
    count: int | None
    cost: int = 1

    def holds(self, blank: Blank) -> bool:
        """Whether a blank fits on the empty bed."""
        return blank.fits(self.length, self.width)


def blanks(problem: Problem) -> list[Blank]:
    """Return one blank for every block and for every piece that is in none."""
    kerf = problem.kerf
    together = Counter(member.code for block in problem.blocks for member in block.members)
    found = [Blank(block.code, block.length + kerf, block.width + kerf, block.fixed, block) for block in problem.blocks]
    found += [
        Blank(piece.code, piece.length + kerf, piece.width + kerf, piece.fixed)
        for piece in problem.pieces
        for _ in range(piece.count - together[piece.code])
    ]
    return found


def beds(problem: Problem) -> list[Bed]:
    """Return the beds that have any room: offcuts first, smallest first, then the rest, largest first."""
    found = []
    for supply in problem.supplies:
        length, width = problem.usable(supply)
        if length > 0 and width > 0 and supply.count != 0:
            found.append(Bed(supply, length + problem.kerf, width + problem.kerf, supply.count, problem.cost(supply)))

    def order(bed: Bed) -> tuple[int, int]:
        area = bed.length * bed.width
        return (0, area) if bed.supply.offcut else (1, -area)

    return sorted(found, key=order)


def to_sheet(problem: Problem, bed: Bed, placed: list[Placed]) -> CutSheet:
    """Turn blanks on a bed back into pieces on a sheet, blocks into theirs."""
    kerf, trim = problem.kerf, problem.trim
    pieces = {piece.code: piece for piece in problem.pieces}
    spots: list[Spot] = []
    for blank, x, y, turned in placed:
        x, y = x + trim, y + trim
        if blank.block is None:
            spots.append(Spot(blank.code, x, y, blank.length - kerf, blank.width - kerf, turned))
            continue
        for member in blank.block.members:
            piece = pieces[member.code]
            dx, dy = member.x, member.y
            if turned:
                # A quarter turn to the left: what lay along the length now runs up the width.
                dx, dy = blank.block.width - member.y - piece.width, member.x
            spots.append(Spot(member.code, x + dx, y + dy, piece.length, piece.width, turned))
    return CutSheet(bed.supply, tuple(spots))
