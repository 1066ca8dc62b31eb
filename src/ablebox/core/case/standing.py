# SPDX-License-Identifier: GPL-3.0-or-later
"""Feet and casters in their place: plates screwed up into the bottom, near its corners and along front and back.

A plate is about 3 in (75 mm) square and takes four screws. A kick board hangs on the front feet by a clip for each 24 in
(600 mm) of it, two at least, each held by two screws from behind (common practice).
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

from ..assembly.fastener import Fastener, FastenerKind
from ..assembly.fitting import Fitting, FittingKind
from ..assembly.part import Face, Placed, Want, Wanting
from ..assembly.role import PartKind
from ..assembly.solid import Box
from ..fastening.occupied import Taken
from ..fastening.screwed_on import screwed_on
from ..fastening.wood import spans
from ..lengths import Length, inches, millimetres
from .bottom import BOTTOM
from .shell import Shell, Work

_PLATE, _SCREWS, _METAL, _FROM_EDGE = millimetres(75), millimetres(28), millimetres(2), millimetres(4)
_PER_CLIP, _CLIP, _IN = inches(24), millimetres(24), inches(3)


@dataclass(frozen=True, slots=True)
class Standing:
    """What a case stands on, in rows along front and back.

    Args:
        shell: the case.
        kind: feet or casters.
        name: as it stands in the buying list.
        along: how many stand in each row.
        set_back: the least from the carcass' front edge to the first row's plates.
        at_ends: what those at both ends of the front row are called; as the others if not given.
    """

    shell: Shell
    kind: FittingKind
    name: str
    along: int
    set_back: Length
    at_ends: str = ""

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
            behind = self.set_back.ticks
            left, right, front, back = x0 + half, x1 - half, y0 + behind + half, y1 - half
            if behind:
                self.shell.need(
                    Length(back - front), Length(half), "room for feet behind the kick board", "Set that back less."
                )
        for i in range(self.along):
            x = left + (right - left) * i // max(1, self.along - 1)
            ends = (self.at_ends or self.name) if i in (0, self.along - 1) else self.name
            for y, name in ((front, ends), (back, self.name)):
                screw_foot(self.shell, self.kind, name, bottom, (x, y), taken, work)


@dataclass(frozen=True, slots=True)
class Clips:
    """The clips of a kick board, on the front feet where there are any nearby.

    Args:
        shell: the case.
        box_of: gives the space one takes up in the case, where the board is told straight.
        screw_of: gives a screw's place in the case.
        name: as they stand in the buying list.
    """

    shell: Shell
    box_of: Callable[[Box], Box] = lambda box: box
    screw_of: Callable[[Fastener], Fastener] = lambda screw: screw
    name: str = "kick board clips"

    def __call__(self, parts: Sequence[Placed], taken: Taken, work: Work) -> None:
        """Place them behind the board, and screw them to it."""
        feet = [each.box for each in work.fittings if each.kind is FittingKind.FOOT]
        row = min((box.low[1] for box in feet), default=0)
        at_feet = [sum(box.span(0)) // 2 for box in feet if box.low[1] == row]
        for board in parts:
            if board.role.kind is not PartKind.KICK:
                continue
            lies = board.told
            (x0, _, z0), (x1, y1, z1) = lies.box.low, lies.box.high
            count = max(2, -(-(x1 - x0) // _PER_CLIP.ticks))
            work.buy(self.name, count)
            # What is in the wood is known where it stands, not where it is told straight.
            free = taken if board.straight is None else Taken()
            half, middle = _CLIP.ticks // 2, (z0 + z1) // 2
            for i in range(count):
                x = x0 + _IN.ticks + (x1 - x0 - 2 * _IN.ticks) * i // (count - 1)
                if board.straight is None:
                    near = min(at_feet, key=lambda foot: abs(foot - x), default=x)
                    x = near if abs(near - x) <= _PER_CLIP.ticks // 4 and x0 + half <= near <= x1 - half else x
                box = Box((x - half, y1, middle - half), (x + half, y1 + 2 * half, middle + half))
                work.fittings.append(Fitting(FittingKind.CLIP, self.name, self.box_of(box), (board.role,)))
                for by in (-1, 1):
                    made = screwed_on(FastenerKind.FITTING_SCREW, self.shell.hardware("small-screw"), lies, Face.BACK,
                                      (x + by * half // 2, y1, middle), free, self.shell.fastening.write, _METAL)  # fmt: skip
                    if made is not None:
                        made = self.screw_of(made)
                        work.fasteners.append(made)
                        taken.add(made)


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
