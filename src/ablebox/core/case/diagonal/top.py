# SPDX-License-Identifier: GPL-3.0-or-later
"""Counter of a corner case: five-cornered, its front edge from that of one neighbour's top to that of the other's.

It meets both neighbours' tops in straight joints at its sides, where strips under it take the bolts (``core/shop/bolted``; common practice).
"""

from __future__ import annotations

from ...assembly.footprint import Slant
from ...assembly.part import Cut, CutKind, Face, Placed
from ...assembly.role import PartKind, Role, Side
from ...assembly.solid import Box
from ...lengths import ZERO, Length, inches
from ...reckoning import Origin, Reckoned, leaf
from ..counter.sheet_top import SheetTop
from ..shell import Work
from .across import board, turned
from .corner import Corner


def corner_top(corner: Corner, top: SheetTop, fronts: Length) -> Work:
    """Return the top, its strips and its splash.

    Args:
        corner: the case as set out.
        top: the choices of its counter.
        fronts: what the fronts stand out by.

    Raises:
        SizeImpossible: if it has no size, or something is asked for that a corner has no room for.
    """
    shell = corner.shell
    if top.sink_at is not None or top.joint is not None:
        raise shell.refuse("counter", "in the corner it is one whole piece", "Take cut-out and joint away.")
    if top.left or top.right:
        raise shell.refuse("counter", "in the corner it meets its neighbours", "Let it hang over by 0 at both ends.")
    return _Top(corner, top, fronts).build()


class _Top:
    def __init__(self, corner: Corner, top: SheetTop, fronts: Length) -> None:
        self.corner, self.top, self.shell, self.book = corner, top, corner.shell, corner.shell.book
        self.t = self.shell.rack.sheet_goods(top.goods).reckoned_thickness("top thickness", self.shell.units)
        out = (fronts + top.front).ticks
        self.slant = Slant(corner.slant.a - out, corner.slant.b - out)
        for left in (self.slant.a, self.slant.b):
            self.shell.need(Length(left), inches(2), "counter across the corner", "Let it hang over less.")
        self.wide, self.deep = corner.wide - top.scribe.ticks, corner.deep - top.scribe.ticks
        self.work = Work()

    def build(self) -> Work:
        top, book = self.top, self.book
        long, wide = self.shell.width.times(1), self.shell.depth.times(1)
        if top.scribe:
            scribe = book.chosen(top.scribe, "scribed off at the wall", "counter.scribe")
            long, wide = self.shell.width - scribe, self.shell.depth - scribe
        length, depth = (
            book.named(long, "counter, length", "counter/length"),
            book.named(wide, "counter, depth", "counter/depth"),
        )
        self.work.sums += [length, depth]
        z = self.shell.height.length
        if top.thick_edge:
            self._strips(length, z)
            z = z + self.t.length
        ring = self.slant.behind(0, self.wide, 0, self.deep)
        outline = tuple((Length(x), Length(y)) for x, y in ring)
        off = Box((0, 0, z.ticks), (self.slant.b, self.slant.a, (z + self.t.length).ticks))
        cut = Cut(CutKind.CORNER, "for the front edge across", off, Face.FRONT)
        self._add(Role(PartKind.COUNTER), "counter, round the corner", length, depth, (0, 1, 2), (ZERO, ZERO, z), (Face.FRONT,), outline=outline,
                  footprint=ring, cuts=(cut,))  # fmt: skip
        if top.splash:
            self._splash(length, depth, z + self.t.length)
        return self.work

    def _add(self, role: Role, name: str, long: Reckoned, wide: Reckoned, axes: tuple[int, int, int],
             corner: tuple[Length, Length, Length], bands: tuple[Face, ...] = (), shows: Face = Face.TOP, **more: object) -> Placed:  # fmt: skip
        edging = self.shell.rack.edging(self.top.edging)
        banded = tuple((face, edging) for face in bands) if edging else ()
        part = Placed(role, name, self.top.goods, long, wide, self.t, axes, corner, bands=banded, shows=shows,
                      stands="apart", **more)  # type: ignore[arg-type]  # fmt: skip
        self.work.parts.append(part)
        return part

    def _splash(self, length: Reckoned, depth: Reckoned, z: Length) -> None:
        high = self.book.chosen(self.top.splash, "height of the splash", "counter.splash")
        tall = self.book.named(high, "splash, width", "splash/width")
        first = self.book.named(length, "splash, length", "splash/length")
        second = self.book.named(depth - self.t, "splash round the corner, length", "splash.second/length")
        y, x = Length(self.deep) - self.t.length, Length(self.wide) - self.t.length
        self._add(Role(PartKind.SPLASH), "splash", first, tall, (0, 2, 1), (ZERO, y, z), shows=Face.FRONT)
        self._add(
            Role(PartKind.SPLASH, Side.SECOND),
            "splash, round the corner",
            second,
            tall,
            (1, 2, 0),
            (x, ZERO, z),
            shows=Face.LEFT,
        )

    def _strips(self, length: Reckoned, z: Length) -> None:
        """Strips along the front edge, both walls and both joints."""
        book, s = self.book, self.top.strip.ticks
        strip = book.chosen(self.top.strip, "width of the strips", "counter.strip")
        wide = book.named(strip, "strip, width", "counter.strip/width")
        x1, y1, joint_y, joint_x = self.wide - s, self.deep - s, self.slant.y_at(0, s), self.slant.x_at(0, s)
        for room in (y1 - joint_y, x1 - joint_x):
            self.shell.need(Length(room), inches(1), "room between the strips", "Make them narrower.")
        self._front(wide, s, z)
        back = book.named(length, "strip at the wall, length", "counter.strip.back/length")
        self._add(
            Role(PartKind.STRIP, Side.BACK), "strip under the counter", back, wide, (0, 1, 2), (ZERO, Length(y1), z)
        )
        for role, words, size, axes, at in (
            ("second", "strip at the second wall", y1, (1, 0, 2), (Length(x1), ZERO, z)),
            ("left", "strip at the left joint", y1 - joint_y, (1, 0, 2), (ZERO, Length(joint_y), z)),
            ("right", "strip at the right joint", x1 - joint_x, (0, 1, 2), (Length(joint_x), ZERO, z)),
        ):
            between = leaf(Length(size), "between the strips", origin=Origin.RECKONED, note="what the others leave")
            long = book.named(between, f"{words}, length", f"counter.strip.{role}/length")
            self._add(Role(PartKind.STRIP, Side(role)), "strip under the counter", long, wide, axes, at)

    def _front(self, wide: Reckoned, s: int, z: Length) -> None:
        found = board(self.slant, 0, 0, s)
        across = leaf(
            Length(found.last - found.first), "its long side, behind", origin=Origin.RECKONED, note="across the corner"
        )
        length = self.book.named(across, "front strip, length", "counter.strip.front/length")
        low, high = z.ticks, (z + self.t.length).ticks
        cuts = tuple(
            Cut(CutKind.CORNER, "at the joint", Box((u0, 0, low), (u1, s, high)), Face.FRONT)
            for u0, u1 in found.ends
            if u1 > u0
        )
        edging = self.shell.rack.edging(self.top.edging)
        straight = Placed(Role(PartKind.STRIP, Side.FRONT), "strip under the counter, front", self.top.goods, length, wide, self.t, (0, 1, 2),
                          (Length(found.first), ZERO, z), bands=((Face.FRONT, edging),) if edging else (), shows=Face.BOTTOM,
                          stands="apart", cuts=cuts)  # fmt: skip
        self.work.parts.append(turned(straight, found.ring, self.slant))
