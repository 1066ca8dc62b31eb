# SPDX-License-Identifier: GPL-3.0-or-later
"""Cut-outs in the back: for outlets, pipes, or one window for all plumbing.

Oversized by about 1/2 in each side; an open window in the back beats many small holes (common
practice). What lies behind the back is never known: look before cutting, and leave wires and
pipes to those who are licensed.

An opening starts as that of an outlet of 2 3/4 × 4 1/2 in, larger by 1/2 in all round (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import Cut, CutKind, Face, Placed
from ..assembly.role import PartKind
from ..assembly.solid import Box
from ..lengths import Length, inches
from .back import BACK
from .fields import size
from .shell import Shell, Work


@dataclass(frozen=True, slots=True)
class Cutout:
    """A rectangular opening through the back.

    Args:
        name: what it is for.
        x: from the case's left side, outside, to its left edge.
        z: from the floor to its lower edge.
        width: of the opening.
        height: of the opening.
    """

    name: str = "for an outlet"
    x: Length = size("from the left side", inches(8))
    z: Length = size("above the floor", inches(14))
    width: Length = size("opening width", inches("3 3/4"))
    height: Length = size("opening height", inches("5 1/2"))


def cut(shell: Shell, cutouts: tuple[Cutout, ...], parts: list[Placed]) -> Work:
    """Return the openings as cuts in the back.

    Raises:
        SizeImpossible: if there is no back, or an opening reaches beyond it or over a rail or another opening.
    """
    work = Work()
    back = next((part for part in parts if part.role == BACK), None)
    rails = [part for part in parts if part.role.kind is PartKind.RAIL]
    taken: list[Box] = []
    for cutout in cutouts:
        if back is None:
            raise shell.refuse(f"cut-out {cutout.name}", "the case has no back", "Take the cut-out away.")
        low, high = back.box.low[1], back.box.high[1]
        box = Box(
            (cutout.x.ticks, low, cutout.z.ticks),
            ((cutout.x + cutout.width).ticks, high, (cutout.z + cutout.height).ticks),
        )
        if box.volume <= 0 or back.box.meet(box) != box:
            raise shell.refuse(
                f"cut-out {cutout.name}", "it does not lie within the back", "Move it, or make it smaller."
            )
        for rail in rails:
            beyond = Box(
                (box.low[0], min(low, rail.box.low[1]), box.low[2]),
                (box.high[0], max(high, rail.box.high[1]), box.high[2]),
            )
            if beyond.meet(rail.box).volume:
                raise shell.refuse(
                    f"cut-out {cutout.name}", "it meets a hanging rail", "Move it, or make the rail narrower."
                )
        if any(box.meet(other).volume for other in taken):
            raise shell.refuse(f"cut-out {cutout.name}", "it meets another cut-out", "Move one, or make one of both.")
        taken.append(box)
        work.cut(BACK, Cut(CutKind.WINDOW, cutout.name, box, Face.FRONT))
    return work
