# SPDX-License-Identifier: GPL-3.0-or-later
"""Shares a length out among bays and the members between them.

Equal bays: (L - (n - 1) members) / n, never L / n (common practice). Given sizes are kept, what
is left is shared equally; the last share takes what cannot be shared, a few ticks, so that the
sum is exact.
"""

from __future__ import annotations

from ...lengths import ZERO, Length, inches
from ...reckoning import Reckoned
from .space import Space


def shares(
    space: Space, total: Reckoned, member: Reckoned, wanted: tuple[Length | None, ...], words: str, key: str
) -> list[Reckoned]:
    """Return the clear size of each bay.

    Args:
        space: what is divided.
        total: its size along the division.
        member: thickness of each member between bays.
        wanted: the size of each bay; ``None`` for an equal share.
        words: what one of them is called.
        key: field of the sizes in the design, such as ``widths``.

    Raises:
        SizeImpossible: if nothing is left for a bay.
    """
    book, shell = space.shell.book, space.shell
    left = total - member.times(len(wanted) - 1)
    given: dict[int, Reckoned] = {}
    for i, size in enumerate(wanted):
        if size is not None:
            shell.need(size, inches("1/2"), f"{words} {i + 1}", "Type a larger size, or leave it to be shared.")
            given[i] = book.chosen(size, f"{words} {i + 1}", f"{space.path}.{key}.{i}")
            left = left - given[i]
    free = [i for i, size in enumerate(wanted) if size is None]
    if not free:
        if left.length != ZERO:
            over = "too much" if left.length < ZERO else "left over"
            amount = shell.units.write(max(left.length, -left.length), True)
            raise shell.refuse(f"{words}s", f"the given sizes leave {amount} {over}", "Leave one of them to be shared.")
        return [given[i] for i in range(len(wanted))]
    shell.need(
        left.length, inches("1/2") * len(free), f"what is left for the {words}s", "Make fewer, or the case larger."
    )
    names = {i: f"{space.path}.{key}.{i}" for i in free}
    found = dict(given)
    for i in free[:-1]:
        found[i] = book.shared(left, len(free), f"{words} {i + 1}", names[i])
    last = left
    for i in free[:-1]:
        last = last - found[i]
    found[free[-1]] = book.named(last, f"{words} {free[-1] + 1}", names[free[-1]])
    return [found[i] for i in range(len(wanted))]
