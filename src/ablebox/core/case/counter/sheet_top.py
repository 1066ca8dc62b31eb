# SPDX-License-Identifier: GPL-3.0-or-later
"""A counter or desk top of sheet: one layer, or a layer on strips for a thicker edge, with a splash.

Depth = case and frame + front thickness + overhang - what is scribed at the wall; forgetting the
fronts leaves it an inch short. Overhang 3/4 to 1 1/2 in; counters 36 in high (34 1/2 + 1 1/2),
vanities 32 to 36, desks 28 to 30. A top longer than the sheet is joined over a side, the joint of the
strips staggered. Sink and hob cut-outs by the maker's template (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.part import Cut, CutKind, Face, Placed
from ...assembly.role import PartKind, Role, Side
from ...assembly.solid import Box
from ...lengths import ZERO, Length, inches
from ...reckoning import Reckoned
from ..fields import band, count, option, optional_size, size, stock
from ..shell import Shell, Work
from .around import Around
from .lies_on import LiesOn

#: How far the joint of the strips lies from that of the top.
STAGGER = inches(6)


@dataclass(frozen=True, slots=True)
class SheetTop:
    """Choices of a counter.

    Args:
        goods: code of its stock.
        edging: code of the band on its front and ends.
        front: overhang before the fronts.
        left: overhang at the left.
        right: overhang at the right.
        scribe: what is taken off at the wall.
        thick_edge: whether strips under it make its edge twice as thick.
        strip: width of those strips.
        splash: height of the splash at the back; 0 for none.
        joint: where it is joined, from its left end; empty for one piece.
        sink_at: middle of a cut-out for a sink or hob, from its left end; empty for none.
        sink_wide: width of the cut-out, by the maker's template.
        sink_deep: depth of the cut-out.
        sink_front: from the front edge to the cut-out.
        over: how many cases of the run it lies on, this one and those to its right, with what stands between them.
        beside: whether it goes on over appliances at its ends, as it does over fillers.
    """

    goods: str = stock("stock of the top", "case")
    edging: str = band("band of the top", "veneer")
    front: Length = size("overhang before the fronts", inches(1), zero=True)
    left: Length = size("overhang at the left", ZERO, zero=True)
    right: Length = size("overhang at the right", ZERO, zero=True)
    scribe: Length = size("scribed off at the wall", ZERO, zero=True)
    thick_edge: bool = option("edge made twice as thick", True)
    strip: Length = size("width of the strips", inches(3))
    splash: Length = size("height of the splash", ZERO, zero=True)
    joint: Length | None = optional_size("joined at, from the left", "one piece")
    sink_at: Length | None = optional_size("cut-out, middle from the left", "none")
    sink_wide: Length = size("cut-out width", inches(21))
    sink_deep: Length = size("cut-out depth", inches(16))
    sink_front: Length = size("cut-out from the front edge", inches("3 1/2"))
    over: int = count("cases it lies on, to the right", 1, 12)
    beside: bool = option("also over appliances at its ends", False)

    words = "of sheet"

    def high(self, thickness: Length) -> Length:
        """Return how much higher it makes its case: the sheet, and the strips under it that make its edge twice as thick."""
        return thickness * 2 if self.thick_edge else thickness

    def build(self, shell: Shell, around: Around, lies_on: LiesOn | None = None) -> Work:
        """Return the top, its strips and its splash.

        Args:
            shell: the case.
            around: what the fronts stand out by at each side; at the back the top then goes on over them as at the front.
            lies_on: everything it lies on; the case alone if not given.

        Raises:
            SizeImpossible: if a cut-out or the strips have no room.
        """
        return _Builder(self, shell, around, lies_on).build()


class _Builder:
    def __init__(self, top: SheetTop, shell: Shell, around: Around, lies_on: LiesOn | None) -> None:
        self.top, self.shell, self.book, self.work = top, shell, shell.book, Work()
        self.across = lies_on.across if lies_on is not None else shell.over_sides
        self.joined = lies_on.joined if lies_on is not None else (False, False)
        self.t = shell.rack.sheet_goods(top.goods).reckoned_thickness("top thickness", shell.units)
        choose = self.book.chosen
        self.over = choose(top.front, "overhang before the fronts", "counter.front")
        self.around = around
        self.fronts = choose(around.front, "front thickness", "counter.fronts", "what stands before the face")
        self.scribe = choose(top.scribe, "scribed off at the wall", "counter.scribe")
        self.x = -top.left - around.left - (lies_on.before if lies_on is not None else ZERO)
        # A top that comes round the corner stands out over the end of this one by as much as this one does at its front.
        self.corner = lies_on is not None and lies_on.corner
        if self.corner:
            self.x = self.x + around.front + top.front
        self.y = -around.front - top.front

    def _beyond(self, side: str) -> Reckoned:
        """Return what fronts stand out by at another side than the front."""
        return self.book.chosen(
            getattr(self.around, side), f"fronts, {side}", f"counter.fronts.{side}", "what stands out there"
        )

    def build(self) -> Work:
        top, shell, book = self.top, self.shell, self.book
        left, right = (book.chosen(getattr(top, s), f"overhang, {s}", f"counter.{s}") for s in ("left", "right"))
        long = self.across + left + right
        if self.corner:
            long = long - self.fronts - self.over
        for side in ("left", "right"):
            if getattr(self.around, side):
                long = long + self._beyond(side)
        length = book.named(long, "counter, length", "counter/length")
        total = shell.depth + self.fronts + self.over - self.scribe
        if self.around.rear:
            total = total + self._beyond("rear") + self.over
        depth = book.named(total, "counter, depth", "counter/depth")
        z = shell.height.length
        if top.thick_edge:
            self._strips(length, depth, z)
            z = z + self.t.length
        self._slab(length, depth, z)
        z = z + self.t.length
        if top.splash:
            shell.need(top.splash, inches("1/2"), "height of the splash", "Make it higher, or leave it out with 0.")
            high = book.chosen(top.splash, "height of the splash", "counter.splash")
            wide = book.named(high, "splash, width", "splash/width")
            long = book.named(length, "splash, length", "splash/length")
            y = self.y + depth.length - self.t.length
            self._add(Role(PartKind.SPLASH), "splash", long, wide, (0, 2, 1), (self.x, y, z), shows=Face.FRONT)
        self.work.sums += [length, depth]
        return self.work

    def _add(self, role: Role, name: str, long: Reckoned, wide: Reckoned, axes: tuple[int, int, int],
             corner: tuple[Length, Length, Length], bands: tuple[Face, ...] = (), shows: Face = Face.TOP) -> Placed:  # fmt: skip
        edging = self.shell.rack.edging(self.top.edging)
        banded = tuple((face, edging) for face in bands) if edging else ()
        part = Placed(role, name, self.top.goods, long, wide, self.t, axes, corner, bands=banded,
                      shows=shows, stands="apart")  # fmt: skip
        self.work.parts.append(part)
        return part

    def _pieces(
        self, length: Reckoned, joint: Length | None, key: str
    ) -> list[tuple[tuple[int, ...], Reckoned, Length]]:
        """Return the pieces along the top: number, length, and where each begins."""
        if joint is None:
            return [((), length, ZERO)]
        self.shell.need(joint, inches(6), "first piece of the top", "Join it further along.")
        self.shell.need(length.length - joint, inches(6), "last piece of the top", "Join it nearer to the left.")
        first = self.book.named(
            self.book.chosen(joint, "to the joint", f"{key}.to"), f"{key}, first length", f"{key}.1/length"
        )
        rest = self.book.named(length - first, f"{key}, second length", f"{key}.2/length")
        return [((1,), first, ZERO), ((2,), rest, joint)]

    def _slab(self, length: Reckoned, depth: Reckoned, z: Length) -> None:
        pieces = self._pieces(length, self.top.joint, "counter.piece")
        for i, (name, long, at) in enumerate(pieces):
            bands = [Face.FRONT]
            if i == 0 and not self.joined[0]:
                bands.append(Face.LEFT)
            if i == len(pieces) - 1 and not self.joined[1]:
                bands.append(Face.RIGHT)
            part = self._add(
                Role(PartKind.COUNTER, number=name),
                "counter",
                long,
                depth,
                (0, 1, 2),
                (self.x + at, self.y, z),
                tuple(bands),
            )
            self._sink(part, depth)

    def _sink(self, part: Placed, depth: Reckoned) -> None:
        top, need = self.top, self.shell.need
        if top.sink_at is None:
            return
        half = top.sink_wide.share(2)[0]
        x0, x1 = self.x + top.sink_at - half, self.x + top.sink_at - half + top.sink_wide
        y0 = self.y + top.sink_front
        behind = depth.length - top.sink_front - top.sink_deep
        need(behind, inches("1 1/2"), "wood behind the sink's cut-out", "Move it forwards, or make it less deep.")
        need(top.sink_front, inches("1 1/2"), "wood before the sink's cut-out", "Move it back.")
        box = Box((x0.ticks, y0.ticks, part.box.low[2]), (x1.ticks, (y0 + top.sink_deep).ticks, part.box.high[2]))
        if box.meet(part.box) == box:
            self.work.cut(part.role, Cut(CutKind.WINDOW, "for the sink, by its template", box, Face.TOP))
        elif box.meet(part.box).volume:
            raise self.shell.refuse("cut-out of the top", "it runs over a joint or an end", "Move it, or the joint.")

    def _strips(self, length: Reckoned, depth: Reckoned, z: Length) -> None:
        """Strips along front and back, their joint staggered, and short ones across the ends."""
        top, book = self.top, self.book
        strip = book.chosen(top.strip, "width of the strips", "counter.strip")
        wide = book.named(strip, "strip, width", "counter.strip/width")
        between = book.named(depth - strip.times(2), "strip, short, length", "counter.short/length")
        self.shell.need(between.length, inches(1), "room between the strips", "Make them narrower.")
        joint = top.joint + STAGGER if top.joint is not None else None
        if joint is not None and joint + STAGGER > length.length:
            joint = top.joint - STAGGER if top.joint is not None else None
        for row, y in ((Side.FRONT, self.y), (Side.BACK, self.y + depth.length - top.strip)):
            bands = (Face.FRONT,) if row is Side.FRONT else ()
            for name, long, at in self._pieces(length, joint, "counter.strip.piece"):
                self._add(
                    Role(PartKind.STRIP, row, name),
                    "strip under the counter",
                    long,
                    wide,
                    (0, 1, 2),
                    (self.x + at, y, z),
                    bands,
                )
        ends = ((Side.LEFT, self.x, Face.LEFT), (Side.RIGHT, self.x + length.length - top.strip, Face.RIGHT))
        for (side, x, face), bare in zip(ends, self.joined, strict=True):
            self._add(Role(PartKind.STRIP, side), "strip under the counter, short", between, wide, (1, 0, 2),
                      (x, self.y + top.strip, z), () if bare else (face,))  # fmt: skip
