# SPDX-License-Identifier: GPL-3.0-or-later
"""A sheet on its way through the saw: which boards there are after so many cuts, and how far apart they are drawn.

What one direction of cuts has divided is a row of boards; each of them may be a row of its own the other
way. Rows are laid out from the inside out, so that boards never lie on each other.
"""

from __future__ import annotations

from dataclasses import dataclass, field

from .saw_order import Board, Cutting, CutWay, SawCut

#: Between boards of the first row, of rows within it, and so on, in ticks.
_GAPS = (70 * 16_000, 45 * 16_000, 28 * 16_000)


@dataclass(frozen=True, slots=True)
class Loose:
    """A board that has been cut free.

    Args:
        board: its place on the sheet.
        dx: how far it is pulled along the sheet's length, in ticks.
        dy: how far across it.
    """

    board: Board
    dx: int = 0
    dy: int = 0

    def holds(self, x: int, y: int) -> bool:
        """Whether a point of the sheet lies on it."""
        return _holds(self.board, x, y)


def _holds(board: Board, x: int, y: int) -> bool:
    return board.x <= x < board.x + board.length and board.y <= y < board.y + board.width


@dataclass(slots=True)
class _Row:
    """A board, or the boards it has been divided into by cuts one way."""

    board: Board
    way: CutWay | None = None
    inside: list[_Row] = field(default_factory=list)

    def divide(self, cut: SawCut, kerf: int) -> bool:
        """Make a cut where it belongs; return whether it belonged here."""
        if not _holds(self.board, cut.board.x, cut.board.y):
            return False
        for at, row in enumerate(self.inside):
            if row.inside or not _holds(row.board, cut.board.x, cut.board.y):
                if row.divide(cut, kerf):
                    return True
                continue
            if cut.way is self.way:
                self.inside[at : at + 1] = [_Row(board) for board in _halves(row.board, cut, kerf)]
                return True
            return row.divide(cut, kerf)
        if self.inside:
            return False
        self.way, self.inside = cut.way, [_Row(board) for board in _halves(self.board, cut, kerf)]
        return True

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
            return [Loose(self.board, x - self.board.x, y - self.board.y)]
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


def _halves(board: Board, cut: SawCut, kerf: int) -> list[Board]:
    """Return what a cut keeps of a board, and the rest if there is one."""
    # A rough cut is set wider than what is kept in the end.
    if cut.way is CutWay.RIP:
        kept = Board(board.x, board.y, board.length, cut.kept.width)
        taken = cut.kept.width + kerf
        rest = Board(board.x, board.y + taken, board.length, board.width - taken)
    else:
        kept = Board(board.x, board.y, cut.kept.length, board.width)
        taken = cut.kept.length + kerf
        rest = Board(board.x + taken, board.y, board.length - taken, board.width)
    return [kept, rest] if min(rest.length, rest.width) > 0 else [kept]


def after(order: Cutting, done: int, kerf: int) -> list[Loose]:
    """Return the boards after so many cuts.

    Args:
        order: the cuts of a sheet.
        done: how many cuts are made; those that trim or true up count, and take nothing apart.
        kerf: width of a cut.
    """
    made = [cut for cut in order.cuts[:done] if cut.divides]
    if not made:
        return []
    whole = _Row(made[0].board)
    for cut in made:
        whole.divide(cut, kerf)
    return whole.laid(whole.board.x, whole.board.y, 0)
