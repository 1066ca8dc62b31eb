# SPDX-License-Identifier: GPL-3.0-or-later
"""A sheet on its way through the saw: which boards there are after so many cuts, and how far apart they are drawn.

What one direction of cuts has divided is a row of boards; each of them may be a row of its own the other
way. Rows are laid out from the inside out, so that boards never lie on each other.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field

from .divide import Board, CutWay
from .saw_cut import Becomes, SawCut

#: Between boards of the first row, of rows within it, and so on, in ticks.
_GAPS = (70 * 16_000, 45 * 16_000, 28 * 16_000)


@dataclass(frozen=True, slots=True)
class Loose:
    """A board that has been cut free.

    Args:
        board: its place on the sheet.
        dx: how far it is pulled along the sheet's length, in ticks.
        dy: how far across it.
        name: its name.
        what: what it is.
    """

    board: Board
    dx: int = 0
    dy: int = 0
    name: str = ""
    what: Becomes = Becomes.STRIP

    def holds(self, x: int, y: int) -> bool:
        """Whether a point of the sheet lies on it."""
        return _holds(self.board, x, y)


def _holds(board: Board, x: int, y: int) -> bool:
    return board.x <= x < board.x + board.length and board.y <= y < board.y + board.width


@dataclass(slots=True)
class _Row:
    """A board, or the boards it has been divided into by cuts one way."""

    board: Board
    name: str = ""
    what: Becomes = Becomes.STRIP
    way: CutWay | None = None
    inside: list[_Row] = field(default_factory=list)

    def cut(self, cut: SawCut) -> None:
        """Make a cut where it belongs."""
        fresh = sorted(
            (_Row(given.board, given.strip, given.what) for given in cut.gives), key=lambda row: row.board.span(cut.way)
        )
        row, above = self, None
        while row.inside:
            row, above = next(each for each in row.inside if _holds(each.board, cut.board.x, cut.board.y)), row
        if above is not None and above.way is cut.way:
            at = next(i for i, each in enumerate(above.inside) if each is row)
            above.inside[at : at + 1] = fresh
        else:
            row.way, row.inside = cut.way, fresh

    def size(self, level: int) -> tuple[int, int]:
        """Return length and width it takes with its boards apart."""
        if not self.inside:
            return self.board.length, self.board.width
        sizes = [row.size(level + 1) for row in self.inside]
        gaps = _gap(level) * (len(sizes) - 1)
        if self.way is CutWay.CROSS:
            return sum(size[0] for size in sizes) + gaps, max(size[1] for size in sizes)
        return max(size[0] for size in sizes), sum(size[1] for size in sizes) + gaps

    def laid(self, x: int, y: int, level: int) -> list[Loose]:
        """Return its boards with their places when it begins at a point."""
        if not self.inside:
            return [Loose(self.board, x - self.board.x, y - self.board.y, self.name, self.what)]
        found = []
        for row in self.inside:
            found += row.laid(x, y, level + 1)
            length, width = row.size(level + 1)
            if self.way is CutWay.CROSS:
                x += length + _gap(level)
            else:
                y += width + _gap(level)
        return found


def _gap(level: int) -> int:
    return _GAPS[min(level, len(_GAPS) - 1)]


def after(cuts: Sequence[SawCut], whole: Board) -> list[Loose]:
    """Return the boards after some cuts.

    Args:
        cuts: the cuts that are made, in order.
        whole: the whole sheet.
    """
    if not cuts:
        return []
    row = _Row(whole)
    for cut in cuts:
        row.cut(cut)
    return row.laid(whole.x, whole.y, 0)
