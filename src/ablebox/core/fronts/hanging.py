# SPDX-License-Identifier: GPL-3.0-or-later
"""Hangs a leaf: cups in it, plates on the side, their screws, and the hinges that are bought.

Hinges are counted by height and by weight, whichever asks for more; arms and plates by the overlay. Where plates from
both faces of a partition would meet in it, those of the second door move up or down until they do not (common practice).
A cup's two screws stand 9.5 mm further in, 45 mm apart; a plate's on its line, 32 mm apart (common practice).
"""

from __future__ import annotations

from collections.abc import Sequence

from ..assembly.fastener import Fastener, FastenerKind
from ..assembly.fitting import Fitting, FittingKind
from ..assembly.part import Face, Hand, Holes, Placed, Want, Wanting
from ..assembly.put_on import PutOn
from ..assembly.role import STILES, PartKind
from ..assembly.solid import Box
from ..assembly.uses import Use
from ..case.shell import Work
from ..fastening.screwed_on import screwed_on
from ..lengths import ZERO, Length, millimetres
from .area import Area
from .cell.context import FaceContext
from .hinge_choice import HingeChoice, choose_hinges
from .hinges import PLATE_HOLE, PLATE_LINE, PLATE_SCREWS, hinge_heights
from .leaf import Leaf
from .making.choice import Making
from .weight import weight

#: A cup's screws: further in than its middle, and half of what they stand apart.
CUP_SCREW_IN, _CUP_SCREW_APART = millimetres("9.5"), millimetres("22.5")
#: How thick a plate is under its screws' heads, how deep they go, and what holes are deeper.
_PLATE, _PLATE_DEEP, _DEEPER = millimetres(2), millimetres(11), millimetres("0.5")
_PILOT = millimetres("2.5")
#: By how much a hinge may move to stand clear of what is in the wood: half of what a plate's screws stand apart, and so on.
_MOVES = tuple(millimetres(by) * way for by in (16, 24, 8, 32, 40, 48, 56, 64) for way in (1, -1))
#: How far a plate and an arm reach from a hinge's middle, up and down, and how far an arm reaches behind the plate's line.
_PLATE_REACH, _ARM_REACH, _ARM_BEHIND = millimetres(24), millimetres(10), millimetres(20)
#: The least from hinge to hinge, so that cups, their screws and plates keep apart: a limit of our own.
_APART = millimetres(70)
#: The farthest an upright's face lies from the edge of the opening it is beside.
_BESIDE = millimetres(13)
#: Where hinges on the back of a stile are screwed, from its edge.
_BEHIND = millimetres(9)


def hang(
    face: FaceContext,
    work: Work,
    leaf: Leaf,
    making: Making,
    area: Area,
    over: Length,
    angle: int = 0,
    behind: Sequence[Placed] = (),
) -> None:
    """Bore the cups and plate holes of a door, place its hinges and their screws, and count them.

    Args:
        face: the face.
        work: the leaf's parts; cups and hardware are added to it.
        leaf: the door.
        making: how it is made.
        area: its place.
        over: its overlay at the hinge side.
        angle: how far it must open, in degrees; 0 for any hinge.
        behind: what hangs behind it, such as packers of drawers, whose place its hinges leave free.

    Raises:
        SizeImpossible: if it cannot take its hinges.
    """
    shell, hinge = face.shell, face.hinge
    thickness = making.thickness(shell).length
    need = shell.need
    need(thickness - hinge.depth, millimetres(1), "wood behind the hinge cups", "Use thicker doors.")
    need(hinge.cup, millimetres(10), "hinge cup", "Type the cup's diameter, such as 35 mm.")
    need(
        leaf.width.length - hinge.cup - hinge.edge * 2, ZERO, "door width beside the hinge cups", "Make the door wider."
    )
    need(leaf.height.length, millimetres(200), "door height", "Make the door higher.")
    kilograms = weight(shell.rack, work.parts)
    chosen = choose_hinges(
        shell, hinge, over, face.edges.framed, leaf.height.length, kilograms, leaf.width.length, angle
    )
    work.buy(chosen.hinge.name, chosen.count, f"{chosen.counted}; {chosen.why}", chosen.lacks, chosen.hinge.kind)
    if chosen.plate is not None:
        work.buy(chosen.plate.name, chosen.count, chosen.why, kind=chosen.plate.kind)
    far = hinge_heights(leaf.height.length, chosen.count)[:2]
    need(far[1] - far[0], _APART, f"height between its {chosen.count} hinges", "Make the door higher, or narrower.")
    if face.fit.inset:
        work.buy("door stops", 1, put_on=PutOn.DOOR)
    _Hung(face, work, leaf, making, area, chosen, thickness, behind).hang()


class _Hung:
    """A door on its hinges."""

    def __init__(
        self,
        face: FaceContext,
        work: Work,
        leaf: Leaf,
        making: Making,
        area: Area,
        chosen: HingeChoice,
        thick: Length,
        behind: Sequence[Placed],
    ) -> None:
        self.face, self.work, self.leaf, self.area, self.chosen, self.thick = face, work, leaf, area, chosen, thick
        self.there = (*face.parts, *behind)
        self.right = leaf.hand is Hand.RIGHT
        self.name = chosen.hinge.name
        hinge = face.hinge
        inwards = hinge.edge + hinge.cup.share(2)[0]
        self.cup_x = (leaf.x + leaf.width.length - inwards if self.right else leaf.x + inwards).ticks
        role = making.hinge_role(leaf)
        self.door = work.worked(next(part for part in work.parts if part.role == role))
        self.framed = face.edges.framed
        self.turns = Face.LEFT if self.right else Face.RIGHT
        line = face.shell.front + PLATE_LINE + (thick if face.fit.inset else ZERO)
        self.line = line.ticks
        self.surface: int | None = None
        self.stile = self._stile() if self.framed else None
        #: Whether hinges are screwed to the back of the stile, behind a door that stands in its opening.
        self.behind = self.stile is not None and self.surface is None and (face.fit.inset or leaf.back > ZERO)
        if self.stile is not None:
            self.line = (self.stile.box.low[1] + self.stile.box.high[1]) // 2
            if self.behind:
                edge = self.stile.box.low[0] if self.right else self.stile.box.high[0]
                self.line = edge + (_BEHIND.ticks if self.right else -_BEHIND.ticks)
                self.turns = Face.BACK

    def _beside(self, level: int) -> Placed | None:
        """Return what a hinge at a height is fixed to: the stile, or the side or partition beside the opening there."""
        if self.framed:
            return self.stile
        at, half = self.area.opening[1 if self.right else 0].ticks, PLATE_SCREWS.ticks // 2
        found = [
            (abs((part.box.low[0] if self.right else part.box.high[0]) - at), part)
            for part in self.face.parts
            if part.role.kind in (PartKind.SIDE, PartKind.PARTITION) and part.axes[2] == 0
            and part.box.low[2] <= level - half and level + half <= part.box.high[2]
        ]  # fmt: skip
        near = min(found, key=lambda each: each[0], default=None)
        return near[1] if near is not None and near[0] <= _BESIDE.ticks else None

    def _stile(self) -> Placed | None:
        """Return the stile a door is hung on; at an end the panel, screwed to beside its opening."""
        at = self.area.opening[1 if self.right else 0].ticks
        middle = (self.area.opening[2].ticks + self.area.opening[3].ticks) // 2
        for part in self.face.parts:
            low, high = part.box.span(2)
            beside = (part.box.low[0] - at) if self.right else (at - part.box.high[0])
            if part.role.kind in STILES and abs(beside) < millimetres(2).ticks and low <= middle <= high:
                return part
        for part in self.face.parts:
            if part.role.kind is PartKind.SIDE and part.axes[2] == 1 and part.box.low[0] < at < part.box.high[0]:
                self.surface = at
                return part
        return None

    def hang(self) -> None:
        """Place every hinge."""
        hinge, leaf = self.face.hinge, self.leaf
        levels = []
        for at in hinge_heights(leaf.height.length, self.chosen.count):
            levels.append(self._hinge((leaf.z + at).ticks))
        cups = tuple((self.cup_x, 0, z) for z in levels)
        kept = self.work.holes.setdefault(self.door.role, [])
        kept.append(Holes(Use.CUP, Face.BACK, hinge.cup, hinge.depth, cups))
        self._cup_screws(levels)

    def _hinge(self, wanted: int) -> int:
        """Place one hinge's plate near a height; return the height it stands at."""
        upright = self._beside(wanted)
        if upright is None:
            # Across a corner without a frame plates stand on wedges on the sides, which are placed once those are there.
            if self.framed or self.face.bays:
                self._noted(None)
            self._boxes(wanted, None)
            return wanted
        for by in (ZERO, *_MOVES):
            level = wanted + by.ticks
            screws = self._plate_screws(upright, level)
            if len(screws) == 2 and self._in_the_way(level, upright) is None:
                return self._fixed(level, upright, screws)
        self._noted(upright, self._in_the_way(wanted, upright))
        self._boxes(wanted, None)
        return wanted

    def _fixed(self, level: int, upright: Placed, screws: list[Fastener]) -> int:
        """Keep a hinge that finds its wood; return its height."""
        for each in screws:
            self.work.fasteners.append(each)
            self.face.taken.add(each)
        if not self.framed:
            deep = Length(abs(screws[0].tip[0] - self._face_of(upright))) + _DEEPER
            centres: list[tuple[Length, ...]] = [(ZERO, Length(self.line), Length(each.head[2])) for each in screws]
            self.work.bore(upright.role, self.turns, Use.PLATE, PLATE_HOLE, deep, centres)
        self._boxes(level, upright)
        return level

    def _in_the_way(self, level: int, upright: Placed) -> Placed | None:
        """Return what of the case stands where a hinge's plate or arm would be."""
        boxes = self._plate_and_arm(level, upright)
        return next(
            (part for part in self.there if part.role != upright.role and any(part.box.meets(box) for box in boxes)),
            None,
        )

    def _noted(self, upright: Placed | None, blocks: Placed | None = None) -> None:
        if blocks is not None:
            self.work.wanting.append(Wanting(Want.ROOM, self.leaf.role, blocks.role, place=self.area.path))
            return
        other = upright.role if upright is not None else None
        self.work.wanting.append(Wanting(Want.FASTENER, self.leaf.role, other, place=self.area.path))

    def _face_of(self, upright: Placed) -> int:
        if self.surface is not None:
            return self.surface
        return upright.box.low[0] if self.right else upright.box.high[0]

    def _plate_screws(self, upright: Placed, level: int) -> list[Fastener]:
        shell, found = self.face.shell, []
        kind = FastenerKind.HINGE_SCREW if self.framed else FastenerKind.PLATE_SCREW
        items = shell.hardware("small-screw" if self.framed else "plate-screw")
        half = PLATE_SCREWS.share(2)[0].ticks
        for off in (-half, half):
            at = (self.line, 0, level + off) if self.behind else (0, self.line, level + off)
            made = screwed_on(kind, items, upright, self.turns, at, self.face.taken,
                              shell.fastening.write, _PLATE, _PLATE_DEEP if not self.framed else None, self.surface)  # fmt: skip
            if made is not None:
                found.append(made)
        return found

    def _plate_and_arm(self, level: int, upright: Placed) -> list[Box]:
        """Return the space plate and arm take up; nothing where a hinge is fixed beside an opening in a panel."""
        if self.surface is not None:
            return []
        back, reach = self.leaf.back.ticks, _PLATE_REACH.ticks
        wide = millimetres(8).ticks
        if self.framed:
            wide = min(wide, (upright.box.high[1] - upright.box.low[1]) // 2)
        high = ((self.chosen.plate.length if self.chosen.plate is not None else ZERO) + millimetres(6)).ticks
        at = self._face_of(upright)
        if self.behind:
            y = upright.box.high[1]
            x = self.line
            return [Box((x - wide, y, level - reach), (x + wide, y + high, level + reach))]
        out = at + (-high if self.right else high)
        boxes = [Box((min(at, out), self.line - wide, level - reach), (max(at, out), self.line + wide, level + reach))]
        # A cup that lies before its stile is reached round the stile's edge.
        least = millimetres(6).ticks
        a, b = (min(out - least, self.cup_x), out) if self.right else (out, max(out + least, self.cup_x))
        if self.framed or b > a:
            end = max(self.line + _ARM_BEHIND.ticks, back + 1)
            boxes.append(Box((a, back, level - _ARM_REACH.ticks), (b, end, level + _ARM_REACH.ticks)))
        return boxes

    def _boxes(self, level: int, upright: Placed | None) -> None:
        """Place cup, arm and plate."""
        hinge, back = self.face.hinge, self.leaf.back.ticks
        radius, add = hinge.cup.ticks // 2, self.work.fittings.append
        low = (self.cup_x - radius, back - hinge.depth.ticks, level - radius)
        add(
            Fitting(
                FittingKind.HINGE_CUP,
                self.name,
                Box(low, (self.cup_x + radius, back, level + radius)),
                (self.door.role,),
            )
        )
        if upright is None:
            return
        name = self.chosen.plate.name if self.chosen.plate is not None else self.name
        rows = (
            (FittingKind.HINGE_PLATE, name, (upright.role,)),
            (FittingKind.HINGE_ARM, self.name, (self.door.role, upright.role)),
        )
        for (kind, words, holds), box in zip(rows, self._plate_and_arm(level, upright), strict=False):
            add(Fitting(kind, words, box, holds))

    def _cup_screws(self, levels: list[int]) -> None:
        shell = self.face.shell
        into = CUP_SCREW_IN.ticks + 0
        x = self.cup_x - into if self.right else self.cup_x + into
        found: list[Fastener] = []
        for level in levels:
            for off in (-_CUP_SCREW_APART.ticks, _CUP_SCREW_APART.ticks):
                made = screwed_on(FastenerKind.HINGE_SCREW, shell.hardware("small-screw"), self.door, Face.BACK,
                                  (x, 0, level + off), self.face.taken, shell.fastening.write, ZERO)  # fmt: skip
                if made is None:
                    self.work.wanting.append(
                        Wanting(Want.FASTENER, self.leaf.role, self.door.role, place=self.area.path)
                    )
                    continue
                found.append(made)
                self.face.taken.add(made)
        self.work.fasteners += found
        if found:
            deep = Length(abs(found[0].tip[1] - self.door.box.high[1]))
            centres = tuple((each.head[0], 0, each.head[2]) for each in found)
            self.work.holes[self.door.role].append(Holes(Use.CUP_SCREW, Face.BACK, _PILOT, deep, centres))
