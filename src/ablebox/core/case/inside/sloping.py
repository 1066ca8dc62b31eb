# SPDX-License-Identifier: GPL-3.0-or-later
"""Sloping shelves, such as for shoes: front edge lower than the back.

With D the depth there is, r the rise over it and h the root of D^2 + r^2, a shelf of thickness
t leaning by r in D reaches over D when it is h - t r / D wide: its upper front corner leans
forward by t r / h (plane geometry).

A rise of 4 in and 1/16 in of play are common practice.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import isqrt

from ...assembly.joint import Way
from ...assembly.part import Face, Placed, Tilt
from ...assembly.role import PartKind
from ...lengths import ZERO, Length, inches
from ...reckoning import Origin, leaf
from ..fields import check_names, count, size
from ..shell import Work
from .space import Space


@dataclass(frozen=True, slots=True)
class SlopingShelves:
    """Choices of sloping shelves.

    Args:
        count: how many.
        rise: how much higher the back is than the front, over the depth.
        setback: how far they stay behind the front edge.
        play: what is taken off the inside width, over both ends.
    """

    count: int = count("sloping shelves", 2, 20)
    rise: Length = size("rise, front to back", inches(4))
    setback: Length = size("set back at the front", inches("1/4"), zero=True)
    play: Length = size("play, both ends", inches("1/16"), zero=True)

    words = "sloping shelves"

    def __post_init__(self) -> None:
        check_names(self)

    def build(self, space: Space, path: str) -> Work:
        """Return the shelves, evenly spaced.

        Raises:
            SizeImpossible: if they lean too far or have no room.
        """
        if not self.count:
            return Work()
        shell, book = space.shell, space.shell.book
        shell.need(self.setback, ZERO, "set back of the sloping shelf", "Type 0 or more.")
        shell.need(self.play, ZERO, "play of the sloping shelf", "Type 0 or more.")
        run = space.depth.length - self.setback
        shell.need(run, inches(3), "depth for the sloping shelf", "Set it back less.")
        shell.need(run - self.rise, ZERO, "slope", "Over 45 degrees nothing stays on it: make the rise less.")
        t = shell.thickness.length.ticks
        slant = isqrt(run.ticks**2 + self.rise.ticks**2)
        wide = Length(slant - -(-t * self.rise.ticks // run.ticks))
        tall = Length(-(-(wide.ticks * self.rise.ticks + t * run.ticks) // slant) + 1)
        play = book.chosen(self.play, "play, both ends", f"{path}.play")
        rise = book.chosen(self.rise, "rise, front to back", f"{path}.rise")
        key = space.key("slope")
        length = book.named(space.width - play, "sloping shelf, length", f"{key}/length")
        along = leaf(wide, "along the slope, so that it reaches over the depth", origin=Origin.RECKONED,
                     note=f"rise {shell.units.write(self.rise)} in {shell.units.write(run)}")  # fmt: skip
        width = book.named(along, "sloping shelf, width", f"{key}/width")
        low, high = space.clear_heights()
        free = high - low - tall * self.count
        shell.need(free.share(self.count + 1)[-1], inches("1/2"),
                   "room between sloping shelves", "Take fewer, or make the rise less.")  # fmt: skip
        gaps = free.share(self.count + 1)
        work = Work(sums=[play, rise, book.chosen(self.setback, "set back at the front", f"{path}.setback")])
        z = low
        tilt = Tilt(self.rise, run, (length.length, run, tall))
        for i in range(self.count):
            z = z + gaps[i]
            corner = (space.x + self.play.share(2)[0], space.front + self.setback, z)
            work.parts.append(
                Placed(space.role(PartKind.SLOPING_SHELF, i + 1), "sloping shelf", shell.goods.code, length, width, shell.thickness, (0, 1, 2),
                       corner, bands=shell.band(Face.FRONT), shows=Face.TOP, tilt=tilt)
            )  # fmt: skip
            for upright in (space.left, space.right):
                work.join(Way.SCREWS, upright, work.parts[-1].role)
            z = z + tall
        return work
