# SPDX-License-Identifier: GPL-3.0-or-later
"""Dividers in a drawer: thin strips in dadoes of the box, lapped half and half where they cross.

Equal bays: (L - n dividers) / (n + 1), never L / (n + 1); they stand on the bottom and end at the
lowest edge of the box (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import Cut, CutKind, Face, Placed
from ...assembly.role import PartKind, Role, Side
from ...assembly.solid import Box
from ...case.shell import Shell, Work
from ...lengths import Length, inches, millimetres
from ...reckoning import Origin, Reckoned, leaf

_PLAY = inches("1/32")


@dataclass(frozen=True, slots=True)
class Dividers:
    """The dividers of one box.

    Args:
        goods: code of their stock.
        along: how many run from front to back.
        across: how many run from side to side.
        shell: the case.
        role: of the drawer.
        pane: thickness of the dividers, that of the bottom.
    """

    goods: str
    along: int
    across: int
    shell: Shell
    role: Role
    pane: Reckoned

    def build(self, work: Work, sides: tuple[Placed, Placed], ends: tuple[Placed, Placed]) -> None:
        """Add the dividers to a box, and their dadoes.

        Raises:
            SizeImpossible: if they have no room.
        """
        bottom = next(part for part in work.parts if part.role.kind is PartKind.BOX_BOTTOM)
        low = bottom.box.high[2]
        high = min(part.box.low[2] + part.width.length.ticks for part in (*sides, *ends))
        high = min(high, ends[0].box.high[2])
        inner = Box((sides[0].box.high[0], ends[0].box.high[1], low), (sides[1].box.low[0], ends[1].box.low[1], high))
        dado = Length(sides[0].thickness.length.ticks // 4)
        remedy = "Make the box higher, or leave them out."
        self.shell.need(Length(high - low), inches(1), "height of the drawer's dividers", remedy)
        self.shell.need(dado, millimetres(2), "dadoes of the drawer's dividers", "Take thicker sides.")
        tall = leaf(Length(high - low), "from bottom to edge", origin=Origin.RECKONED, note="lowest edge of the box")
        wide = self.shell.book.named(tall, "divider, width", f"{self.role}.divider/width")
        ways = (
            (1, self.along, ends, (Face.BACK, Face.FRONT)),
            (0, self.across, sides, (Face.RIGHT, Face.LEFT)),
        )
        rows = [self._row(work, inner, dado, wide, *way) for way in ways]
        middle = (low + high) // 2
        for one in rows[0]:
            for two in rows[1]:
                common = one.box.meet(two.box)
                lower = Box(common.low, (common.high[0], common.high[1], middle))
                upper = Box((common.low[0], common.low[1], middle), common.high)
                work.cut(one.role, Cut(CutKind.LAP, "for the crossing divider", upper, Face.TOP))
                work.cut(two.role, Cut(CutKind.LAP, "for the crossing divider", lower, Face.BOTTOM))

    def _row(
        self, work: Work, inner: Box, dado: Length, wide: Reckoned, axis: int, count: int,
        holders: tuple[Placed, Placed], faces: tuple[Face, Face],
    ) -> list[Placed]:  # fmt: skip
        """Add the dividers that run along one axis; return them."""
        if not count:
            return []
        book, across, t = self.shell.book, 1 - axis, self.pane.length
        kind = PartKind.BOX_ALONG if axis == 1 else PartKind.BOX_ACROSS
        way = kind.stem
        clear = Length(inner.high[axis] - inner.low[axis])
        room = Length(inner.high[across] - inner.low[across]) - t * count
        self.shell.need(room, inches(1) * (count + 1), "room between the drawer's dividers", "Take fewer.")
        inside = leaf(clear, "inside of the box", origin=Origin.RECKONED, note="between the parts that hold it")
        depth = leaf(dado, "dado", origin=Origin.RULE, note="a quarter of the side, common practice")
        play = leaf(_PLAY, "play", origin=Origin.RULE, note="so that it slides in, common practice")
        long = book.named(inside + depth.times(2) - play, "divider, length", f"{self.role}.divider.{way}/length")
        bays = room.share(count + 1)
        half = _PLAY.share(2)[0]
        at = inner.low[across]
        found = []
        for i in range(count):
            at += bays[i].ticks
            corner = [Length(0)] * 3
            corner[axis] = Length(inner.low[axis]) - dado + half
            corner[across], corner[2] = Length(at), Length(inner.low[2])
            part = Placed(
                self.role.part(kind, Side.NONE, i + 1), "drawer divider", self.goods, long, wide, self.pane,
                (axis, 2, across), (corner[0], corner[1], corner[2]),
            )  # fmt: skip
            work.parts.append(part)
            found.append(part)
            for holder, face, low_side in zip(holders, faces, (True, False), strict=True):
                start = inner.low[axis] - dado.ticks if low_side else inner.high[axis]
                low, high = [0, 0, inner.low[2]], [0, 0, inner.high[2]]
                low[axis], high[axis] = start, start + dado.ticks
                low[across], high[across] = at, at + t.ticks
                give = half if low_side else _PLAY - half
                channel = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
                work.cut(holder.role, Cut(CutKind.DADO, "for a divider", channel, face, give))
            at += t.ticks
        return found
