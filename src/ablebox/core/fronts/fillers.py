# SPDX-License-Identifier: GPL-3.0-or-later
"""Fillers behind pulls in thin panels: pieces of the panel's own stock, so that the screws do not pull it in.

As many layers as there is room for between the panel and the front's back face; where not even one
has room a packing is bought (common practice).
"""

from __future__ import annotations

from ..assembly.part import Placed
from ..assembly.put_on import PutOn
from ..assembly.role import PartKind, Side
from ..case.shell import Shell, Work
from ..lengths import Length, inches
from ..reckoning import Origin, leaf
from .leaf import Leaf

_HIGH, _BEYOND = inches(2), inches(1)


def fillers(
    shell: Shell, front: Leaf, panel: Placed, members: tuple[Length, Length], pulls: list[tuple[Length, Length, Length]]
) -> Work:
    """Return the fillers behind a front's pulls.

    Args:
        shell: the case.
        front: the front.
        panel: its panel.
        members: widths of its stiles and rails.
        pulls: of each pull its leftmost and rightmost screw, and its height.
    """
    work = Work()
    back = Length(panel.box.high[1])
    layers = (front.back - back).ticks // panel.thickness.length.ticks
    if not layers:
        if front.back > back:
            gap = shell.units.write(front.back - back, True)
            work.buy(f"packing {gap} thick behind pulls in thin panels", len(pulls), put_on=PutOn.PULLS)
        return work
    stile, rail = members
    x0, x1 = front.x + stile, front.x + front.width.length - stile
    z0, z1 = front.z + rail, front.z + front.height.length - rail
    for number, (left, right, z) in enumerate(pulls, start=1):
        low, high = max(left - _BEYOND, x0), min(right + _BEYOND, x1)
        bottom, top = max(z - _HIGH.share(2)[0], z0), min(z + _HIGH.share(2)[0], z1)
        note = "an inch beyond the screws, common practice"
        long = leaf(high - low, "filler, length", origin=Origin.RULE, note=note)
        wide = leaf(
            top - bottom,
            "filler, width",
            origin=Origin.RULE,
            note="an inch above and below the screws, common practice",
        )
        length = shell.book.named(long.times(1), "filler, length", f"{front.role}.filler.{number}/length")
        width = shell.book.named(wide.times(1), "filler, width", f"{front.role}.filler.{number}/width")
        for layer in range(layers):
            y = back + panel.thickness.length * layer
            role = front.role.part(PartKind.FILLER, Side.NONE, number, layer + 1)
            work.parts.append(
                Placed(role, f"{front.name}: filler behind the pull", panel.goods, length, width, panel.thickness,
                       (0, 2, 1), (low, y, bottom), stands="front")
            )  # fmt: skip
    return work
