# SPDX-License-Identifier: GPL-3.0-or-later
"""A board along several cases, in equal pieces where it is longer than any sheet of its stock, and the blocks that join them.

A block of 6 in (150 mm) is screwed behind a joint, half of it behind each piece; where the joint lies before a side, the pieces
are nailed to that and need none (common practice).
"""

from __future__ import annotations

from collections.abc import Sequence
from itertools import accumulate

from ..assembly.joint import Spacing, Way
from ..assembly.part import Placed
from ..assembly.role import Role
from ..lengths import ZERO, Length, inches
from ..reckoning import Origin, Reckoned, leaf
from ..stock import Grain, SheetGoods
from .shell import Shell, Work

#: How long a block is behind each piece, the least of it that is worth screwing behind a piece, and what is left free beside a side.
HALF = inches(3)
_LEAST, _CLEAR = inches(1), inches("1/8")


def pieces(
    shell: Shell, goods: SheetGoods, total: Reckoned, words: str, key: str, joined: str = "joined behind with a block"
) -> list[tuple[tuple[int, ...], Reckoned, Length]]:
    """Return the pieces of a board: the number in its role, its length, and where it begins.

    Args:
        shell: the case it belongs to.
        goods: what it is cut from.
        total: how long it is in all.
        words: the name of its length.
        key: the key of its length.
        joined: how the pieces are held together.
    """
    trim = shell.rack.saw.trims
    longest = max((sheet.length for sheet in goods.sheets), default=ZERO) - trim
    if longest <= ZERO or total.length <= longest:
        return [((), shell.book.named(total, words, key), ZERO)]
    count = -(-total.length.ticks // longest.ticks)
    each = shell.book.shared(total, count, words, key, f"in equal pieces, {joined}")
    return [((i + 1,), each, each.length * i) for i in range(count)]


def sides_behind(shell: Shell, under: Reckoned) -> list[tuple[Length, Length]]:
    """Return where the sides of the cases stand behind a board along them, from the first one's left side.

    Args:
        shell: the first case; the others are taken to be of the same stock.
        under: the width of all of them, a sum of each one's.
    """
    t = shell.thickness.length
    edges = [ZERO, *accumulate((term.value for term in under.terms), initial=ZERO)]
    return [(edge - t, edge + t) for edge in edges]


def joined(
    shell: Shell, work: Work, boards: Sequence[Placed], role: Role, y: Length, behind: Sequence[tuple[Length, Length]],
    above: Length = ZERO,
) -> None:  # fmt: skip
    """Screw a block behind each joint between the pieces of a board.

    Args:
        shell: the case it belongs to.
        work: takes the blocks.
        boards: the pieces, from left to right.
        role: of the blocks, but for their number.
        y: where the blocks' front faces lie.
        behind: where something stands behind the board already, along it.
        above: how far the board's lower edge is clear of the floor.
    """
    if len(boards) < 2:
        return
    book, stem = shell.book, f"{role}/"
    high = boards[0].width
    for number, board in enumerate(boards[1:], start=1):
        x = Length(board.box.low[0])
        if any(low <= x <= high_end for low, high_end in behind):
            continue
        start = max([x - HALF, *(end + _CLEAR for _, end in behind if end < x)])
        end = min([x + HALF, *(low - _CLEAR for low, _ in behind if low > x)])
        long = book.named(
            leaf(end - start, "behind both pieces, clear of sides", origin=Origin.RECKONED),
            "joining block, length",
            f"{stem}{number}.length",
        )
        block = Placed(role.one(number), "joining block", shell.goods.code, long, high, shell.thickness, (0, 2, 1), (start, y, above),
                       grain=Grain.ANY, stands="apart")  # fmt: skip
        work.parts.append(block)
        for piece, over in ((boards[number - 1], x - start), (board, end - x)):
            if over >= _LEAST:
                work.join(Way.SCREWS, block.role, piece.role, Spacing.JOINT)
