# SPDX-License-Identifier: GPL-3.0-or-later
"""Feet and casters in their place: plates screwed up into the bottom, near its corners and along front and back.

A plate is about 3 in (75 mm) square and takes four screws (common practice).
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from ..assembly.fastener import FastenerKind
from ..assembly.fitting import Fitting, FittingKind
from ..assembly.part import Face, Placed, Want, Wanting
from ..assembly.solid import Box
from ..fastening.occupied import Taken
from ..fastening.screwed_on import screwed_on
from ..fastening.wood import spans
from ..lengths import Length, millimetres
from .bottom import BOTTOM
from .shell import Shell, Work

_PLATE, _SCREWS, _METAL, _FROM_EDGE = millimetres(75), millimetres(28), millimetres(2), millimetres(4)


@dataclass(frozen=True, slots=True)
class Standing:
    """What a case stands on, in rows along front and back.

    Args:
        shell: the case.
        kind: feet or casters.
        name: as it stands in the buying list.
        along: how many stand in each row.
        set_back: the least from the carcass' front edge to the first row's plates.
    """

    shell: Shell
    kind: FittingKind
    name: str
    along: int
    set_back: Length

    def __call__(self, parts: Sequence[Placed], taken: Taken, work: Work) -> None:
        """Place them under the bottom, and screw them to it."""
        bottom = next(part for part in parts if part.role == BOTTOM)
        side = parts[0]
        (x0, y0, _), (x1, y1, _) = bottom.box.low, bottom.box.high
        inner = side.thickness.length.ticks if bottom.box.low[2] < side.box.high[2] else 0
        x0, x1 = max(x0, inner), min(x1, self.shell.over_sides.length.ticks - inner)
        half, edge = _PLATE.ticks // 2, _FROM_EDGE.ticks
        front, back = y0 + max(edge, self.set_back.ticks) + half, y1 - edge - half
        left, right = x0 + edge + half, x1 - edge - half
        if right - left < 2 * half or back - front < 2 * half:
            left, right, front, back = x0 + half, x1 - half, min(front, y0 + half), y1 - half
        for i in range(self.along):
            x = left + (right - left) * i // max(1, self.along - 1)
            for y in (front, back):
                screw_foot(self.shell, self.kind, self.name, bottom, (x, y), taken, work)


def screw_foot(
    shell: Shell, kind: FittingKind, name: str, bottom: Placed, at: tuple[int, int], taken: Taken, work: Work
) -> None:
    """Place a foot or caster under a bottom, and screw its plate on.

    Args:
        shell: the case.
        kind: feet or casters.
        name: as it stands in the buying list.
        bottom: what it is screwed to.
        at: the middle of its plate, from above.
        taken: what is in the wood already.
        work: takes it.
    """
    x, y = at
    half, floor = _PLATE.ticks // 2, bottom.box.low[2]
    box = Box((x - half, y - half, 0), (x + half, y + half, floor))
    work.fittings.append(Fitting(kind, name, box, (bottom.role,)))
    screws, off = 0, _SCREWS.ticks
    for by_x, by_y in ((-off, -off), (off, -off), (-off, off), (off, off)):
        place = (x + by_x, y + by_y, floor)
        if not spans(bottom, 2, place):
            continue
        made = screwed_on(FastenerKind.FITTING_SCREW, shell.hardware("small-screw"), bottom, Face.BOTTOM, place, taken,
                          shell.fastening.write, _METAL)  # fmt: skip
        if made is not None:
            screws += 1
            work.fasteners.append(made)
            taken.add(made)
    if screws < 2:
        work.wanting.append(Wanting(Want.FASTENER, bottom.role))
