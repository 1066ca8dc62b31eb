# SPDX-License-Identifier: GPL-3.0-or-later
"""Shares a length out among bays or fronts and what stands between them.

Equal shares: (L - (n - 1) between) / n, never L / n (common practice). Given sizes are kept, what
is left is shared equally, or in proportion, so many parts each; the last share takes what cannot be shared, a few ticks, so that the
sum is exact. Graduated shares each grow by a constant over the one before.
"""

from __future__ import annotations

from ..lengths import ZERO, Length, inches
from ..reckoning import NOTHING, Reckoned
from .shell import Shell

_LEAST = inches("1/2")


def shares(
    shell: Shell,
    total: Reckoned,
    between: Reckoned,
    wanted: tuple[Length | None, ...],
    words: str,
    where: str,
    step: Reckoned = NOTHING,
    parts: tuple[int, ...] = (),
) -> list[Reckoned]:
    """Return the clear size of each share.

    Args:
        shell: the case.
        total: what is shared out.
        between: what stands between each two shares.
        wanted: the size of each share; ``None`` for a share of what is left.
        words: what one of them is called.
        where: place of the sizes in the design, such as ``inside.widths``.
        step: by how much each shared one is larger than the shared one before it.
        parts: how many parts of what is left each one takes, given ones too; empty for one part each.

    Raises:
        SizeImpossible: if nothing is left for a share.
    """
    book = shell.book
    left = total - between.times(len(wanted) - 1) if len(wanted) > 1 else total.times(1)
    given: dict[int, Reckoned] = {}
    for i, size in enumerate(wanted):
        if size is not None:
            shell.need(size, _LEAST, f"{words} {i + 1}", "Type a larger size, or leave it to be shared.")
            given[i] = book.chosen(size, f"{words} {i + 1}", f"{where}.{i}")
            left = left - given[i]
    free = [i for i, size in enumerate(wanted) if size is None]
    if not free:
        if left.length != ZERO:
            over = "too much" if left.length < ZERO else "left over"
            amount = shell.units.write(max(left.length, -left.length), True)
            raise shell.refuse(f"{words}s", f"the given sizes leave {amount} {over}", "Leave one of them to be shared.")
        return [given[i] for i in range(len(wanted))]
    takes = [parts[i] if parts else 1 for i in free]
    count = sum(takes)
    steps = len(free) * (len(free) - 1) // 2
    base = left - step.times(steps) if step.length and steps else left
    remedy = "Make fewer, or the case larger."
    shell.need(base.length, _LEAST * count, f"what is left for the {words}s", remedy)
    found = dict(given)
    for n, i in enumerate(free[:-1]):
        name = f"{words} {i + 1}"
        if takes[n] > 1 or (n and step.length):
            label = f"the smallest {words}" if count == len(free) else f"one part of the {words}s"
            one = book.shared(base, count, label, f"{where}.smallest")
            more = one.times(takes[n])
            found[i] = book.named(more + step.times(n) if step.length else more, name, f"{where}.{i}")
        else:
            found[i] = book.shared(base, count, name, f"{where}.{i}")
    last = left
    for i in free[:-1]:
        last = last - found[i]
    found[free[-1]] = book.named(last, f"{words} {free[-1] + 1}", f"{where}.{free[-1]}")
    return [found[i] for i in range(len(wanted))]
