# SPDX-License-Identifier: GPL-3.0-or-later
"""A board along several cases, in equal pieces where it is longer than any sheet of its stock."""

from __future__ import annotations

from ..lengths import ZERO, Length
from ..reckoning import Reckoned
from ..stock import SheetGoods
from .shell import Shell


def pieces(
    shell: Shell, goods: SheetGoods, total: Reckoned, words: str, key: str
) -> list[tuple[tuple[int, ...], Reckoned, Length]]:
    """Return the pieces of a board: the number in its role, its length, and where it begins.

    Args:
        shell: the case it belongs to.
        goods: what it is cut from.
        total: how long it is in all.
        words: the name of its length.
        key: the key of its length.
    """
    trim = shell.rack.saw.trim * 2
    longest = max((sheet.length for sheet in goods.sheets), default=ZERO) - trim
    if longest <= ZERO or total.length <= longest:
        return [((), shell.book.named(total, words, key), ZERO)]
    count = -(-total.length.ticks // longest.ticks)
    each = shell.book.shared(total, count, words, key, "in equal pieces, joined behind with a block")
    return [((i + 1,), each, each.length * i) for i in range(count)]
