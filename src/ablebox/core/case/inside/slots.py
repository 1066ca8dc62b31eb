# SPDX-License-Identifier: GPL-3.0-or-later
"""Slots: thin dividers in dadoes at equal pitch, upright for trays or level for paper.

Pitch = clear width + divider; clear = (L - n dividers) / (n + 1). Dividers of 1/4 or 1/8 in
stock (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import Cut, CutKind, Face, Placed
from ...assembly.role import PartKind, Role
from ...assembly.solid import Box
from ...lengths import ZERO, Length, inches, millimetres
from ..fields import check_names, count, option, size, stock
from ..shell import Work
from .space import Space


@dataclass(frozen=True, slots=True)
class Slots:
    """Choices of slots.

    Args:
        count: how many dividers.
        goods: code of the dividers' stock.
        depth: of the dadoes.
        play: what the dividers are shorter than their dadoes would allow, so that they slide in.
        setback: how far they stay behind the front edge.
        upright: whether they stand; otherwise they lie between the uprights.
    """

    count: int = count("dividers", 3, 30)
    goods: str = stock("stock of the dividers", "back")
    depth: Length = size("dado depth", inches("1/4"))
    play: Length = size("play, to slide them in", inches("1/16"), zero=True)
    setback: Length = size("set back at the front", inches(1), zero=True)
    upright: bool = option("dividers stand upright", True)

    words = "slots for dividers"

    def __post_init__(self) -> None:
        check_names(self)

    def build(self, space: Space, path: str) -> Work:
        """Return dividers and their dadoes.

        Raises:
            SizeImpossible: if there is nothing to slot, or no room between the dividers.
        """
        if not self.count:
            return Work()
        shell = space.shell
        if self.upright and not space.ceiling:
            raise shell.refuse(
                "slots",
                "dividers that stand need a full top or a fixed shelf above them",
                "Add one, or lay them level.",
            )
        if self.upright:
            space.reaches_housing(self.setback, "dividers")
        if space.obstacles and any(box.meet(self._reach_of(space)).volume for _, box in space.obstacles):
            raise shell.refuse("slots", "a hanging rail stands in their way", "Take the rail away, or another back.")
        left = shell.thickness.length - self.depth
        shell.need(left, millimetres(2), "wood left under the slots", "Make them shallower.")
        held = self.depth - self.play.share(2)[0]
        shell.need(
            held, millimetres(1), "what the slots hold of the dividers", "Make the slots deeper or the play less."
        )
        shell.need(self.play, ZERO, "play of the dividers", "Type 0 or more.")
        shell.need(self.setback, ZERO, "set back of the dividers", "Type 0 or more.")
        return self._dividers(space, path)

    def _reach_of(self, space: Space) -> Box:
        low, high = list(space.box.low), list(space.box.high)
        low[1] += self.setback.ticks
        return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))

    def _dividers(self, space: Space, path: str) -> Work:
        shell, book = space.shell, space.shell.book
        thickness = shell.rack.sheet_goods(self.goods).reckoned_thickness("divider thickness", shell.units)
        depth = book.chosen(self.depth, "dado depth", f"{path}.depth")
        play = book.chosen(self.play, "play, to slide them in", f"{path}.play")
        setback = book.chosen(self.setback, "set back at the front", f"{path}.setback")
        along, across = (space.height, space.width) if self.upright else (space.width, space.height)
        key = space.key("divider")
        length = book.named(along + depth.times(2) - play, "divider, length", f"{key}/length")
        width = book.named(space.depth - setback, "divider, width", f"{key}/width")
        clear = book.shared(
            across - thickness.times(self.count), self.count + 1, "clear between dividers", f"{key}.clear"
        )
        pitch = book.named(clear + thickness, "pitch of the slots", f"{key}.pitch")
        shell.need(clear.length, inches("1/2"), "clear width between dividers", "Take fewer.")
        shell.need(width.length, inches(1), "divider width", "Set them back less.")
        work = Work(sums=[clear, pitch, depth, play, setback])
        half = self.play.share(2)[0]
        for i in range(self.count):
            at = clear.length * (i + 1) + thickness.length * i
            if self.upright:
                corner = (space.x + at, space.front + self.setback, space.bottom.length - self.depth + half)
                axes = (2, 1, 0)
            else:
                corner = (space.x - self.depth + half, space.front + self.setback, space.bottom.length + at)
                axes = (0, 1, 2)
            part = Placed(
                space.role(PartKind.DIVIDER, i + 1), "divider", self.goods, length, width, thickness, axes, corner
            )
            work.parts.append(part)
            self._slot(work, space, part, half, self.play - half)
        return work

    def _slot(self, work: Work, space: Space, part: Placed, low_play: Length, high_play: Length) -> None:
        axis = 2 if self.upright else 0
        start, end = (space.bottom.length, space.top.length) if self.upright else (space.x, space.end)
        low_role, high_role = (space.floor, space.ceiling) if self.upright else (space.left, space.right)
        low_face, high_face = (Face.TOP, Face.BOTTOM) if self.upright else (Face.RIGHT, Face.LEFT)
        rows: tuple[tuple[Role | None, Face, Length, Length, Length], ...] = (
            (low_role, low_face, start - self.depth, start, low_play),
            (high_role, high_face, end, end + self.depth, high_play),
        )
        for role, face, a, b, play in rows:
            low, high = list(part.box.low), list(part.box.high)
            low[axis], high[axis] = a.ticks, b.ticks
            box = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
            assert role is not None
            work.cut(role, Cut(CutKind.DADO, "for a divider", box, face, play))
