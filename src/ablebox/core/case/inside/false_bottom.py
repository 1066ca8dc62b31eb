# SPDX-License-Identifier: GPL-3.0-or-later
"""A false bottom: a loose panel on two cleats, above the real one.

Its height, its cleats and 1/8 in of play are common practice.
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.joint import Way
from ...assembly.part import Face, Placed
from ...assembly.role import PartKind, Side
from ...lengths import ZERO, Length, inches
from ...stock import Grain
from ..fields import size
from ..shell import Work
from .space import Space


@dataclass(frozen=True, slots=True)
class FalseBottom:
    """Choices of a false bottom.

    Args:
        height: of its upper face above what is below.
        cleat: height of the cleats it lies on.
        play: what is taken off its width, over both ends.
        setback: how far it stays behind the front edge.
    """

    height: Length = size("false bottom above the floor", inches(4))
    cleat: Length = size("cleat height", inches("1 1/2"))
    play: Length = size("play, both ends", inches("1/8"), zero=True)
    setback: Length = size("set back at the front", ZERO, zero=True)

    words = "false bottom"

    def build(self, space: Space, path: str) -> Work:
        """Return panel and cleats.

        Raises:
            SizeImpossible: if it lies too low for its cleats, or above the space.
        """
        shell, book = space.shell, space.shell.book
        t = shell.thickness.length
        under = space.bottom.length + self.height - t
        shell.need(self.play, ZERO, "play of the false bottom", "Type 0 or more.")
        shell.need(self.setback, ZERO, "set back of the false bottom", "Type 0 or more.")
        shell.need(self.cleat, inches("1/2"), "cleat height", "Type a height, such as 1 1/2 in.")
        shell.need(under - self.cleat - space.bottom.length, ZERO, "room for the cleats", "Raise the false bottom.")
        shell.need(space.top.length - under - t, inches(1), "room above the false bottom", "Lower it.")
        shell.need(space.width.length, t * 2 + inches(2), "width between the cleats", "Make the bay wider.")
        play = book.chosen(self.play, "play, both ends", f"{path}.play")
        setback = book.chosen(self.setback, "set back at the front", f"{path}.setback")
        cleat = book.chosen(self.cleat, "cleat height", f"{path}.cleat")
        height = book.chosen(self.height, "false bottom above the floor", f"{path}.height")
        key, role = space.key("false-bottom"), space.role(PartKind.FALSE_BOTTOM)
        length = book.named(space.width - play, "false bottom, length", f"{key}/length")
        total = space.depth - setback if self.setback else space.depth.times(1)
        width = book.named(total, "false bottom, width", f"{key}/width")
        shell.need(width.length, inches(1), "false bottom width", "Set it back less.")
        long = book.named(total, "cleat, length", f"{key}.cleat/length")
        high = book.named(cleat, "cleat, width", f"{key}.cleat/width")
        y = space.front + self.setback
        work = Work(sums=[play, setback, cleat, height])
        for i, x in enumerate((space.x, space.end - t)):
            work.parts.append(
                Placed(role.part(PartKind.CLEAT, Side.NONE, i + 1), "cleat", shell.goods.code, long, high, shell.thickness, (1, 2, 0),
                       (x, y, under - self.cleat), grain=Grain.ANY)
            )  # fmt: skip
            work.join(Way.SCREWS, work.parts[-1].role, (space.left, space.right)[i])
        work.parts.append(
            Placed(role, "false bottom", shell.goods.code, length, width, shell.thickness, (0, 1, 2),
                   (space.x + self.play.share(2)[0], y, under), bands=shell.band(Face.FRONT), shows=Face.TOP)
        )  # fmt: skip
        return work
