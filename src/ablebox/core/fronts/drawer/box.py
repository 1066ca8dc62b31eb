# SPDX-License-Identifier: GPL-3.0-or-later
"""The drawer box: two sides, front and back, and a bottom.

Front and back between the sides: box - 2 sides (butt, pocket screws); in rabbets or locks twice
half a side more; half laps, box joints and dovetails: as wide as the box. Bottom in a groove:
inside + 2 grooves - 1/16 in; the back cut off above the groove lets it slide in. Box height:
the opening less clearances, at least 1 in in all (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from math import cos, pi

from ...assembly.joint import Spacing, Way
from ...assembly.part import Cut, CutKind, Face, Hand, Placed
from ...assembly.role import PartKind, Role, Side
from ...assembly.solid import Box
from ...case.fields import check_names, count, one_of, size, stock
from ...case.shell import Shell, Work
from ...lengths import ZERO, Length, inches, millimetres
from ...reckoning import Reckoned
from ...stock import Grain
from .dividers import Dividers

CORNERS = {
    "butt": "butt, screwed", "pocket": "pocket screws", "rabbet": "rabbets", "lock": "lock joints",
    "lap": "half laps", "dovetail": "dovetails",
}  # fmt: skip
BOTTOMS = {"cut-off": "in a groove, back cut off", "all-round": "in a groove all round", "under": "under the box"}
SHAPES = {"level": "level", "sloped": "sloping to the front", "scooped": "scooped out to the front"}
_FINGER = inches("3/4")
#: Points that draw the curve of a scoop.
_CURVE = 8


@dataclass(frozen=True, slots=True)
class DrawerBox:
    """Choices of drawer boxes.

    Args:
        goods: code of the stock of sides, front and back.
        bottom_goods: code of the bottom's stock.
        corner: how the corners are joined.
        bottom: how the bottom is held.
        groove: depth of its groove.
        up: from the lower edge to the groove.
        play: what the bottom is smaller than its grooves would allow.
        below: kept free below the box.
        above: kept free above it.
        strip: box heights are a multiple of this, so that few strip widths are cut; 0 for any.
        shape: whether the sides are level, slope, or are scooped out towards the front.
        front_high: height of the front where they are not level.
        back_above: how far the back stands above the sides.
        along: dividers from front to back.
        across: dividers from side to side.
    """

    goods: str = stock("stock of the boxes", "box")
    bottom_goods: str = stock("stock of the bottoms", "back")
    corner: str = one_of("corners", "rabbet", CORNERS)
    bottom: str = one_of("bottom", "cut-off", BOTTOMS)
    groove: Length = size("groove depth", inches("1/4"))
    up: Length = size("groove above the lower edge", inches("3/8"))
    play: Length = size("play of the bottom", inches("1/16"), zero=True)
    below: Length = size("free below the box", inches("1/2"), zero=True)
    above: Length = size("free above the box", inches("1/2"), zero=True)
    strip: Length = size("box heights in steps of", ZERO, zero=True)
    shape: str = one_of("sides", "level", SHAPES)
    front_high: Length = size("height of the front where they are not level", inches(3))
    back_above: Length = size("back above the sides", ZERO, zero=True)
    along: int = count("dividers front to back", 0, 6)
    across: int = count("dividers side to side", 0, 6)

    words = "drawer boxes"

    def __post_init__(self) -> None:
        check_names(self)

    def side(self, shell: Shell) -> Reckoned:
        """Return the thickness of the sides."""
        return shell.rack.sheet_goods(self.goods).reckoned_thickness("drawer side", shell.units)

    def build(
        self, shell: Shell, role: Role, name: str, corner: tuple[Length, Length, Length], width: Reckoned,
        depth: Reckoned, height: Reckoned,
    ) -> Work:  # fmt: skip
        """Return the box.

        Args:
            shell: the case.
            role: role of the drawer; parts have roles below it.
            name: its name.
            corner: its left front lower corner.
            width: outside.
            depth: outside.
            height: outside, bottom included.

        Raises:
            SizeImpossible: if a part has no size.
        """
        return _Builder(self, shell, role, name, corner).build(width, depth, height)


class _Builder:
    def __init__(
        self, box: DrawerBox, shell: Shell, role: Role, name: str, corner: tuple[Length, Length, Length]
    ) -> None:
        self.box, self.shell, self.book, self.role, self.name, self.corner = box, shell, shell.book, role, name, corner
        self.t = box.side(shell)
        self.pane = shell.rack.sheet_goods(box.bottom_goods).reckoned_thickness("bottom thickness", shell.units)
        self.work = Work()

    def _named(self, total: Reckoned, label: str, key: str) -> Reckoned:
        return self.book.named(total, label, f"{self.role}.{key}")

    def _place(self, role: Role, name: str, long: Reckoned, wide: Reckoned, thick: Reckoned, goods: str,
               axes: tuple[int, int, int], corner: tuple[Length, Length, Length], hand: Hand = Hand.NONE) -> Placed:  # fmt: skip
        part = Placed(role, f"drawer {name}", goods, long, wide, thick, axes, corner,
                      grain=Grain.LENGTH, hand=hand)  # fmt: skip
        self.work.parts.append(part)
        return part

    def build(self, width: Reckoned, depth: Reckoned, height: Reckoned) -> Work:
        box, t, need = self.box, self.t.length, self.shell.need
        need(width.length, t * 2 + inches(2), f"width of the {self.name}", "Make its opening wider.")
        high = height
        if box.bottom == "under":
            high = self._named(height - self.pane, "side height", "side.height")
        full = high
        if box.back_above:
            above = self.book.chosen(box.back_above, "back above the sides", "fronts.box.back_above")
            high = self._named(full - above, "side height below the back", "side.lower")
        need(high.length, inches("1 1/4"), f"height of the {self.name}", "Make its front higher.")
        front_high = high
        if box.shape != "level":
            least = inches("1 1/4") + (ZERO if box.bottom == "under" else box.up + self.pane.length)
            need(box.front_high, least, f"front of the {self.name}", "Make it higher where its sides slope.")
            need(high.length, box.front_high, f"side of the {self.name} behind its low front", "Make the front lower.")
            front_high = self.book.chosen(box.front_high, "height of the front", "fronts.box.front_high")
        x, y, z = self.corner
        low = z + (self.pane.length if box.bottom == "under" else ZERO)
        sides = self._sides(depth, high, front_high, width, low)
        enters, whole = self._enters(t)
        total = width - self.t.times(2)
        if whole:
            total = width.times(1)
        elif enters is not None:
            total = total + enters.times(2)
        across = self._named(total, "drawer front and back, length", "across/length")
        x_front = x if whole else x + t - (enters.length if enters is not None else ZERO)
        up = self.book.chosen(box.up, "groove above the lower edge", "fronts.box.up")
        back_high, back_low = self._named(full, "drawer back, width", "back/width"), low
        if box.bottom == "cut-off":
            back_high = self._named(full - up - self.pane, "drawer back, width", "back/width")
            back_low = low + box.up + self.pane.length
            need(back_high.length, inches("1/2"), f"back of the {self.name}", "Make the box higher.")
        wide = self._named(front_high, "drawer front, width", "front/width")
        goods = box.goods
        front = self._place(
            self.role.part(PartKind.BOX_FRONT), "front", across, wide, self.t, goods, (0, 2, 1), (x_front, y, low)
        )
        back_y = y + depth.length - t
        back = self._place(
            self.role.part(PartKind.BOX_BACK),
            "back",
            across,
            back_high,
            self.t,
            goods,
            (0, 2, 1),
            (x_front, back_y, back_low),
        )
        self._corners(sides, (front, back), enters, whole)
        self._bottom(width, depth, (front, back), sides)
        self._fasten(sides, (front, back))
        if box.along or box.across:
            Dividers(box.bottom_goods, box.along, box.across, self.shell, self.role, self.pane).build(
                self.work, sides, (front, back)
            )
        return self.work

    def _sides(
        self, depth: Reckoned, high: Reckoned, front: Reckoned, width: Reckoned, low: Length
    ) -> tuple[Placed, Placed]:
        x, y, _ = self.corner
        long = self._named(depth, "drawer side, length", "side/length")
        wide = self._named(high, "drawer side, width", "side/width")
        args = (long, wide, self.t, self.box.goods, (1, 2, 0))
        left = self._place(self.role.part(PartKind.BOX_SIDE, Side.LEFT), "side, left", *args, (x, y, low), Hand.LEFT)
        right = self._place(
            self.role.part(PartKind.BOX_SIDE, Side.RIGHT),
            "side, right",
            *args,
            (x + width.length - self.t.length, y, low),
            Hand.RIGHT,
        )
        outline = self._outline(depth.length, high.length, front.length)
        if outline:
            left, right = replace(left, outline=outline), replace(right, outline=outline)
            self.work.parts[-2:] = [left, right]
        return left, right

    def _outline(self, depth: Length, high: Length, front: Length) -> tuple[tuple[Length, Length], ...]:
        """Return the form of a side that is lower at the front; empty for a level one.

        The low part is as long as the front is thick and a little more; a sloped side rises from there
        to the back, a scooped one in a curve over its first half.
        """
        if self.box.shape == "level" or front == high:
            return ()
        start = self.t.length + inches("1/2")
        end = depth - self.t.length if self.box.shape == "sloped" else depth.share(2)[0]
        rise, run = (high - front).ticks, (end - start).ticks
        self.shell.need(
            end - start, inches(1), f"length of the {self.name} over which its sides rise", "Keep them level."
        )
        points = [(ZERO, ZERO), (depth, ZERO), (depth, high), (end, high)]
        if self.box.shape == "scooped":
            for i in range(_CURVE - 1, 0, -1):
                share = (1 - cos(pi * i / _CURVE)) / 2
                points.append((start + Length(run * i // _CURVE), front + Length(int(rise * share))))
        return (*points, (start, front), (ZERO, front))

    def _enters(self, t: Length) -> tuple[Reckoned | None, bool]:
        """Return how far front and back enter the sides, and whether they are as wide as the box."""
        if self.box.corner in ("lap", "dovetail"):
            return None, True
        if self.box.corner in ("rabbet", "lock"):
            return self._named(_half(self.t), "half of the side", "corner"), False
        return None, False

    def _corners(
        self, sides: tuple[Placed, Placed], ends: tuple[Placed, Placed], enters: Reckoned | None, whole: bool
    ) -> None:
        for side, face in zip(sides, (Face.RIGHT, Face.LEFT), strict=True):
            for end in ends:
                common = side.box.meet(end.box)
                if not common.volume:
                    continue
                if whole:
                    self._fingers(side, end, common, face)
                elif self.box.corner == "lock":
                    self._lock(side, end, common, face)
                else:
                    self.work.cut(side.role, Cut(CutKind.RABBET, f"for the {end.name}", common, face))

    def _fasten(self, sides: tuple[Placed, Placed], ends: tuple[Placed, Placed]) -> None:
        """Screw or nail the corners that glue alone does not hold, and the bottom from below."""
        join, bottom = self.work.join, self.role.part(PartKind.BOX_BOTTOM)
        for side, outer in zip(sides, (Face.LEFT, Face.RIGHT), strict=True):
            for end in ends:
                if self.box.corner == "butt":
                    join(Way.SCREWS, side.role, end.role, face=outer, apart=True)
                elif self.box.corner == "pocket":
                    front = end.role.kind is PartKind.BOX_FRONT
                    join(Way.POCKET, end.role, side.role, face=Face.FRONT if front else Face.BACK)
                elif self.box.corner == "rabbet":
                    join(Way.NAILS, side.role, end.role, face=outer, apart=True)
        if self.box.bottom == "under":
            for part in (*sides, *ends):
                join(Way.NAILS, bottom, part.role, Spacing.BACK_EDGE, Face.BOTTOM, apart=True)
        elif self.box.bottom == "cut-off":
            join(Way.NAILS, bottom, ends[1].role, Spacing.BACK_EDGE, Face.BOTTOM, apart=True)

    def _fingers(self, side: Placed, end: Placed, common: Box, face: Face) -> None:
        """Share the corner out in turns, from the lower edge up."""
        high = common.high[2] - common.low[2]
        count = 2 if self.box.corner == "lap" else max(3, high // _FINGER.ticks // 2 * 2 + 1)
        edges = [common.low[2] + high * i // count for i in range(count + 1)]
        for i in range(count):
            piece = Box((common.low[0], common.low[1], edges[i]), (common.high[0], common.high[1], edges[i + 1]))
            if i % 2:
                self.work.cut(side.role, Cut(CutKind.LAP, f"for the {end.name}", piece, face))
            else:
                self.work.cut(end.role, Cut(CutKind.LAP, f"for the {side.name}", piece, Face.FRONT))

    def _lock(self, side: Placed, end: Placed, common: Box, face: Face) -> None:
        """A tongue a third as thick as the stock at the inner face of the end, in a dado of the side."""
        third = (common.high[1] - common.low[1]) // 3
        inner_is_back = end.role.kind is PartKind.BOX_FRONT
        a, b = common.low[1], common.high[1]
        tongue = (b - third, b) if inner_is_back else (a, a + third)
        rest = (a, b - third) if inner_is_back else (a + third, b)
        dado = Box((common.low[0], tongue[0], common.low[2]), (common.high[0], tongue[1], common.high[2]))
        off = Box((common.low[0], rest[0], common.low[2]), (common.high[0], rest[1], common.high[2]))
        self.work.cut(side.role, Cut(CutKind.DADO, f"for the {end.name}", dado, face))
        self.work.cut(
            end.role, Cut(CutKind.SHOULDER, f"in the {side.name}", off, Face.FRONT if inner_is_back else Face.BACK)
        )

    def _bottom(
        self, width: Reckoned, depth: Reckoned, ends: tuple[Placed, Placed], sides: tuple[Placed, Placed]
    ) -> None:
        box, (x, y, z), t = self.box, self.corner, self.t.length
        if box.bottom == "under":
            long = self._named(width, "drawer bottom, length", "bottom/length")
            wide = self._named(depth, "drawer bottom, width", "bottom/width")
            self._place(
                self.role.part(PartKind.BOX_BOTTOM),
                "bottom",
                long,
                wide,
                self.pane,
                box.bottom_goods,
                (0, 1, 2),
                (x, y, z),
            )
            return
        need = self.shell.need
        need(t - box.groove, millimetres(2), "wood left beside the drawer's groove", "Make it shallower.")
        held = box.groove - box.play
        need(held, millimetres(1), "what the drawer's groove holds", "Make it deeper or the play less.")
        need(box.play, ZERO, "play of the drawer's bottom", "Type 0 or more.")
        groove = self.book.chosen(box.groove, "groove depth", "fronts.box.groove")
        play = self.book.chosen(box.play, "play", "fronts.box.play")
        long = self._named(width - self.t.times(2) + groove.times(2) - play, "drawer bottom, length", "bottom/length")
        total = depth - self.t + groove
        if box.bottom == "all-round":
            total = depth - self.t.times(2) + groove.times(2) - play
        wide = self._named(total, "drawer bottom, width", "bottom/width")
        half = box.play.share(2)[0]
        start = half if box.bottom == "all-round" else ZERO
        level = z + box.up
        corner = (x + t - box.groove + half, y + t - box.groove + start, level)
        pane = self._place(
            self.role.part(PartKind.BOX_BOTTOM), "bottom", long, wide, self.pane, box.bottom_goods, (0, 1, 2), corner
        )
        self._grooves(pane.box, ends, sides, half)

    def _grooves(self, pane: Box, ends: tuple[Placed, Placed], sides: tuple[Placed, Placed], half: Length) -> None:
        """Groove sides, front and, all round, the back; each is run from end to end, empty beyond the bottom."""
        g, t = self.box.groove.ticks, self.t.length.ticks
        rest = (self.box.play - half).ticks
        z0, z1 = pane.low[2], pane.high[2]
        front, back = ends
        y0, y1 = front.box.low[1] + t, back.box.low[1]
        to_end = self.box.bottom == "cut-off"
        for side, face, give in ((sides[0], Face.RIGHT, half.ticks), (sides[1], Face.LEFT, rest)):
            inner = side.box.high[0] if face is Face.RIGHT else side.box.low[0]
            a, b = (inner - g, inner) if face is Face.RIGHT else (inner, inner + g)
            self.work.cut(
                side.role, Cut(CutKind.GROOVE, "for the bottom", Box((a, y0, z0), (b, y1, z1)), face, Length(give))
            )
            for low, high in ((side.box.low[1], y0), (y1, side.box.high[1])):
                if high > low:
                    going_on = Box((a, low, z0), (b, high, z1))
                    self.work.cut(side.role, Cut(CutKind.GROOVE, "for the bottom", going_on, face, filled=False))
        x0, x1 = sides[0].box.high[0], sides[1].box.low[0]
        rows = [(front, Face.BACK, y0 - g, y0, 0 if to_end else half.ticks)]
        if not to_end:
            rows.append((back, Face.FRONT, y1, y1 + g, rest))
        for end, face, a, b, give in rows:
            self.work.cut(
                end.role, Cut(CutKind.GROOVE, "for the bottom", Box((x0, a, z0), (x1, b, z1)), face, Length(give))
            )
            for low, high in ((end.box.low[0], x0), (x1, end.box.high[0])):
                if high > low:
                    going_on = Box((low, a, z0), (high, b, z1))
                    self.work.cut(end.role, Cut(CutKind.GROOVE, "for the bottom", going_on, face, filled=False))


def _half(thickness: Reckoned) -> Reckoned:
    return Reckoned(thickness.length.share(2)[-1], "half of the drawer side", note="half of its thickness")
