# SPDX-License-Identifier: GPL-3.0-or-later
"""Top of a base case: two stretchers between the sides, 3 to 4 in wide (common practice).

Each lies flat or stands on edge. On edge at the back it is a nailer; a sink case has the front
one on edge, or none at the back, so that the bowl and the pipes have room.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import ClassVar

from ..assembly.joint import Way
from ..assembly.part import Face, Placed
from ..assembly.role import PartKind, Role, Side
from ..lengths import ZERO, Length, inches
from ..reckoning import Reckoned
from ..stock import Grain
from .fields import check_names, one_of, size
from .joint.butt import FASTENERS
from .joint.fasten import butted
from .shell import LEFT, RIGHT, Lines, Shell, Work

WAYS = {"flat": "flat", "edge": "on edge", "none": "none"}


@dataclass(frozen=True, slots=True)
class TwoStretchers:
    """Choices of the two stretchers.

    Args:
        width: of each stretcher.
        front: how the front one stands: ``flat``, ``edge`` or ``none``.
        back: how the back one stands.
        fastener: what holds them.
    """

    width: Length = size("stretcher width", inches("3 1/2"))
    front: str = one_of("front stretcher", "flat", WAYS)
    back: str = one_of("back stretcher", "flat", WAYS)
    fastener: str = one_of("held by", "pocket", FASTENERS)

    role: ClassVar[Role | None] = None

    def __post_init__(self) -> None:
        check_names(self)

    @property
    def words(self) -> str:
        """The school in a few words."""
        return "two stretchers" if "none" not in (self.front, self.back) else "one stretcher"

    @property
    def nailer(self) -> bool:
        """Whether the back one stands on edge, so that the case can be screwed to the wall through it."""
        return self.back == "edge"

    def side_top(self, shell: Shell) -> Reckoned:
        """Return the height of the sides' upper ends."""
        return shell.height

    def ceiling(self, shell: Shell) -> Reckoned:
        """Return the height of the flat stretchers' underside; the case's height if none lies flat."""
        if "flat" not in (self.front, self.back):
            return shell.height
        thickness = shell.goods.reckoned_thickness("stretcher thickness", shell.units)
        return shell.book.named(shell.height - thickness, "underside of the stretchers", "ceiling")

    def build(self, shell: Shell, lines: Lines) -> Work:
        """Return the front and the back stretcher.

        Raises:
            SizeImpossible: if they do not both fit in front of the back.
        """
        thickness, clear = shell.thickness.length, lines.clear_depth.length
        if self.front == self.back == "none":
            raise shell.refuse("top", "both stretchers are left away", "Keep one, or take no top.")
        shell.need(self.width, inches("1/2"), "stretcher width", "Type a width, such as 3 1/2 in.")
        reach = {"flat": self.width, "edge": thickness, "none": ZERO}
        free = clear - reach[self.front] - reach[self.back]
        shell.need(free, ZERO, "room between the stretchers", "Make the stretchers narrower or the case deeper.")
        rise = lines.side_top.length - lines.floor_top.length - self.width
        shell.need(rise, inches(1), "room below the stretchers", "Make the stretchers narrower or the case higher.")
        book = shell.book
        length = book.named(shell.inside, "stretcher, length", "stretcher/length")
        width = book.chosen(self.width, "stretcher width", "top.width")
        across = book.named(width, "stretcher, width", "stretcher/width")
        work = Work(sums=[width])
        top = lines.side_top.length
        for end, way in ((Side.FRONT, self.front), (Side.BACK, self.back)):
            if way == "none":
                continue
            role = Role(PartKind.STRETCHER, end)
            y = ZERO if end is Side.FRONT else clear - reach[way]
            z = top - (thickness if way == "flat" else self.width)
            bands = shell.band(Face.FRONT) if end is Side.FRONT and way == "flat" else ()
            part = Placed(
                role,
                f"stretcher, {end.value}",
                shell.goods.code,
                length,
                across,
                shell.thickness,
                (0, 1, 2) if way == "flat" else (0, 2, 1),
                (thickness, shell.front + y, z),
                grain=Grain.ANY,
                bands=bands,
            )
            work.parts.append(part)
            if way == "edge":
                work.obstacles.append((part.name, part.box))
            hidden = Face.TOP if way == "flat" else Face.BACK
            for side in (LEFT, RIGHT):
                butted(work, Way(self.fastener), role, side, hidden)
        return work
