# SPDX-License-Identifier: GPL-3.0-or-later
"""Lays out the fasteners of joints: where each stands, how long it is, and the holes bored for it.

Along the joint they stand by its rule; across it on the middle of the member they enter. One that would meet something
already in the wood, or miss the wood, moves along the joint until it does not.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, replace

from ..assembly.fastener import Fastener, FastenerKind, Point
from ..assembly.fitting import Fitting
from ..assembly.joint import Joint, Spacing, Way
from ..assembly.part import Face, Holes, Placed, Want, Wanting
from ..assembly.role import PartKind, Role
from ..assembly.uses import Use
from ..hardware import Hardware
from ..lengths import ZERO, Length, inches, millimetres
from ..pitches import Pitches
from .driven import Fit, Placing, dowel, pocket_screw, straight
from .meeting import Meeting, meeting
from .occupied import Rod, rods_of
from .rows import places, suited
from .sizes import HEAD
from .wood import spans

#: What stands in the way of a screw's head where it lies against it; what is put on later does not.
_SOLID = frozenset({
    PartKind.SIDE, PartKind.BOTTOM, PartKind.TOP, PartKind.STRETCHER, PartKind.RAIL, PartKind.PARTITION,
    PartKind.FIXED_SHELF, PartKind.KICK,
})  # fmt: skip
#: How wide a driver's bit is, with a hair of room (common practice).
_BIT = inches("9/32")
#: Where only the first and the last are wanted: more than any part is long, a limit of our own.
_NO_PITCH = inches(999)
#: A face this wide takes two rows (common practice).
_TWO_ROWS = inches(4)
#: A face this wide takes four screws, as low drawer fronts do (common practice).
_FOUR_IN = inches("2 1/2")
#: On wood wider than this a fastener may stand beside the middle; how far it is moved at a time: limits of our own.
_MOVES_ASIDE = millimetres(14)
_STEP = inches("1/4")
#: What dowels take the place of where it finds no room.
_BY_DOWELS = (Way.POCKET, Way.SCREWS, Way.CONNECTORS, Way.BISCUITS)
#: The least from the ends of a joint to which a fastener may be moved (common practice).
_ENDS = inches("3/8")
#: Members under this are driven at a quarter of their width (common practice).
_NARROW = inches(6)
#: What holes of one kind in a part share: use, face, diameter, depth, how they lean.
_Alike = tuple[Use, Face, Length, Length, Face | None, bool]


@dataclass(frozen=True, slots=True)
class Shop:
    """What fasteners are chosen from, and the shop's own ways.

    Args:
        items: the items of a kind of hardware that are to be had.
        pitches: how far apart fasteners stand.
        write: writes a length.
        hard: codes of the stock that is piloted for pocket screws, as hardwood is.
    """

    items: Callable[[str], tuple[Hardware, ...]]
    pitches: Pitches
    write: Callable[[Length], str]
    hard: frozenset[str] = frozenset()


class Layer:
    """Lays out fasteners among parts.

    Args:
        shop: what they are chosen from.
        parts: every part, with what has been cut and bored so far.
        fittings: hardware in its place: heads do not lie under it.
        fasteners: what has been placed so far.
        seen: faces of parts that are seen, through which nothing is driven.
    """

    def __init__(
        self, shop: Shop, parts: Iterable[Placed], fittings: Iterable[Fitting] = (), fasteners: Iterable[Fastener] = (),
        seen: frozenset[tuple[Role, Face]] = frozenset(),
    ) -> None:  # fmt: skip
        self.shop, self.seen = shop, seen
        self.parts = {part.role: part for part in parts}
        self.fittings = tuple(fittings)
        self.taken: dict[Role, list[Rod]] = {}
        self.fasteners: list[Fastener] = []
        self._holes: dict[tuple[Role, _Alike], list[Point]] = {}
        self._whys: dict[tuple[FastenerKind, tuple[Length, Length, Length], bool], str] = {}
        self.wanting: list[Wanting] = []
        self._known: dict[str, tuple[Hardware, ...]] = {}
        for part in self.parts.values():
            self.taken[part.role] = [rod for holes in part.holes for rod in rods_of(part, holes)]
        for fastener in fasteners:
            self._take(fastener, ())

    def _items(self, kind: str) -> tuple[Hardware, ...]:
        """Return the items of a kind, the longest first."""
        if kind not in self._known:
            self._known[kind] = tuple(sorted(self.shop.items(kind), key=lambda item: -item.length.ticks))
        return self._known[kind]

    def _take(self, fastener: Fastener, rods: tuple[tuple[Role, Rod], ...]) -> None:
        rod = Rod(fastener.head, fastener.tip, fastener.diameter.ticks // 2)
        roles = [*fastener.through, *((fastener.into,) if isinstance(fastener.into, Role) else ())]
        for role in roles:
            self.taken.setdefault(role, []).append(rod)
        for role, other in rods:
            self.taken.setdefault(role, []).append(other)

    def fasten(self, joint: Joint) -> None:
        """Lay out one joint; nothing where its parts do not meet."""
        first, second = self.parts.get(joint.first), self.parts.get(joint.second)
        if first is None or second is None:
            return
        heads = joint.face if joint.way in (Way.SCREWS, Way.CONNECTORS, Way.NAILS) else None
        found = meeting(first, second, heads)
        if found is None:
            return
        way = suited(joint.way, Length(found.length))
        if way in (Way.SCREWS, Way.CONNECTORS) and not joint.apart and self._closed(found):
            way = Way.DOWELS
        if way is Way.DOWELS and joint.spacing is Spacing.COUNTER:
            # A counter is screwed on from below; where there is no room for a screw others hold it.
            return
        pitch = self._pitch(joint)
        count = 0
        for at in self._rows(joint, way, found, pitch):
            fitted = self._fit(joint, way, found, at)
            if fitted is None and way in _BY_DOWELS and joint.spacing is not Spacing.COUNTER:
                fitted = self._fit(joint, Way.DOWELS, found, at)
            if fitted is not None:
                self._keep(joint, fitted)
                count += 1
        if not count and not joint.spare:
            self.wanting.append(Wanting(Want.FASTENER, joint.second, joint.first, place=joint.place))

    def _pitch(self, joint: Joint) -> Length:
        pitches = self.shop.pitches
        return {
            Spacing.JOINT: pitches.joint, Spacing.BACK_EDGE: pitches.back_edge, Spacing.BACK_FIELD: pitches.back_field,
            Spacing.PANEL: pitches.panel, Spacing.FRAME: pitches.frame, Spacing.COUNTER: pitches.counter,
            Spacing.BASE: pitches.base, Spacing.END_PANEL: pitches.counter, Spacing.FOUR: _NO_PITCH,
        }[joint.spacing]  # fmt: skip

    def _rows(self, joint: Joint, way: Way, found: Meeting, pitch: Length) -> Iterator[tuple[int, int | None]]:
        """Return the places of a joint: along it, and across it where it has several rows; ``None`` for its middle."""
        along = [found.start + at.ticks for at in places(way, Length(found.length), pitch, self.shop.pitches.ends)]
        rows: list[int | None] = [None]
        wide = Length(found.across_end - found.across_start)
        least = _FOUR_IN if joint.spacing is Spacing.FOUR else _TWO_ROWS
        if joint.spacing in (Spacing.PANEL, Spacing.END_PANEL, Spacing.FOUR) and wide >= least:
            rows = [found.across_start + at.ticks for at in places(way, wide, pitch, self.shop.pitches.ends)]
            if joint.spacing is Spacing.FOUR:
                along, rows = [along[0], along[-1]], [rows[0], rows[-1]]
        if joint.spacing is Spacing.END_PANEL and len(along) < 3 and found.length >= _NARROW.ticks:
            along = [along[0], (along[0] + along[-1]) // 2, along[-1]]
        for row in rows:
            for at in along:
                yield at, row

    def _fit(self, joint: Joint, way: Way, found: Meeting, at: tuple[int, int | None]) -> Fit | None:
        """Return a fastener at a place of a joint, or as near to it as one fits."""
        start, row = at
        keep = self.shop.pitches.ends.ticks if found.length >= _NARROW.ticks else _ENDS.ticks
        low, high = found.start + min(keep, found.length // 4), found.end - min(keep, found.length // 4)
        reach = max(self._pitch(joint).ticks // 2, _NARROW.ticks // 2)
        placing = Placing(self._items, self.shop.hard, joint.item)
        for step in range(reach // _STEP.ticks + 1):
            for by in (step, -step) if step else (0,):
                place = start + by * _STEP.ticks
                if not low <= place <= high:
                    continue
                for across in self._across(found, place, row, joint.spacing):
                    made = self._made(joint, way, found, place, across, placing)
                    if made is not None and self._free(made, joint):
                        return made
        return None

    def _across(self, found: Meeting, place: int, row: int | None, spacing: Spacing) -> Iterator[int]:
        """Return where across the joint a fastener may stand: the middle of the wood it enters, or its row."""
        if row is not None:
            yield row
            for by in (1, -1, 2, -2, 3, -3) if spacing is Spacing.FOUR else ():
                yield row + by * 2 * _STEP.ticks
            return
        at = list(found.second.box.low)
        at[found.along], at[found.axis] = place, found.enters + found.drive
        for low, high in spans(found.second, found.across, (at[0], at[1], at[2])):
            a, b = max(low, found.across_start), min(high, found.across_end)
            if b > a:
                yield (a + b) // 2
            if b - a > _MOVES_ASIDE.ticks and spacing is not Spacing.BACK_EDGE:
                yield from (a + (b - a) // 4, b - (b - a) // 4)

    def _made(self, joint: Joint, way: Way, found: Meeting, place: int, across: int, placing: Placing) -> Fit | None:
        if way is Way.POCKET:
            assert joint.face is not None
            return pocket_screw(found, place, joint.face, placing)
        if way in (Way.DOWELS, Way.BISCUITS):
            return dowel(found, place, across, placing, way is Way.BISCUITS)
        return straight(found, place, across, placing, way)

    def _free(self, fit: Fit, joint: Joint) -> bool:
        """Whether nothing is where a fastener and its holes would be, and its head can be seen."""
        for role, rod in fit.rods:
            if any(rod.near(other) for other in self.taken.get(role, ())):
                return False
        head, made = fit.fastener.head, fit.fastener
        reach = HEAD.get(made.kind, ZERO).ticks // 2
        if reach and (joint.spare or not joint.apart) and self._covered(made, joint.apart):
            return False
        if not reach or joint.apart:
            # What is made up before hardware goes on has its heads sunk under it.
            return True
        for fitting in self.fittings:
            low, high = fitting.box.low, fitting.box.high
            if (
                made.through
                and made.through[0] in fitting.holds
                and all(low[a] - reach < head[a] < high[a] + reach for a in range(3))
            ):
                return False
        return True

    def _closed(self, found: Meeting) -> bool:
        """Whether the face the heads would lie on is seen, or another part of the case lies against it there."""
        first, axis = found.first, found.axis
        side = -found.drive
        face = next(each for each in Face if each.value == (axis, side))
        if (first.role, face) in self.seen:
            return True
        at = [0, 0, 0]
        at[found.along], at[found.across] = (found.start + found.end) // 2, (found.across_start + found.across_end) // 2
        outer = first.box.high[axis] if side > 0 else first.box.low[axis]
        at[axis] = outer + side
        return self._wood_at((at[0], at[1], at[2]), first.role)

    def _covered(self, fastener: Fastener, built: bool) -> bool:
        """Whether a part of the case stands on the head of a fastener; in one that is built everything counts that stays in it."""
        way = [a - b for a, b in zip(fastener.head, fastener.tip, strict=True)]
        axis = max(range(3), key=lambda a: abs(way[a]))
        at = [*fastener.head]
        at[axis] += 1 if way[axis] > 0 else -1
        wide = max(HEAD[fastener.kind].ticks, _BIT.ticks) // 2
        return bool(fastener.through) and self._wood_at((at[0], at[1], at[2]), fastener.through[0], axis, wide, built)

    def _wood_at(self, at: Point, but: Role, axis: int = 0, wide: int = 0, built: bool = False) -> bool:
        """Whether a part of the case is at a place, or beside it across an axis as far as a head is wide; another than one."""
        by = [wide if a != axis else 0 for a in range(3)]
        return any(
            part.role != but
            and (part.role.kind in _SOLID or (wide and part.role.kind is PartKind.BOX_SIDE) or (built and not part.role.comes_out))
            and all(part.box.low[a] - by[a] <= at[a] <= part.box.high[a] + by[a] for a in range(3))
            for part in self.parts.values()
        )  # fmt: skip

    def _keep(self, joint: Joint, fit: Fit) -> None:
        about = fit.fastener.kind, fit.sizes, fit.edge
        if about not in self._whys:
            self._whys[about] = self._why(fit)
        made = fit.fastener
        fastener = Fastener(
            made.kind, made.name, made.diameter, made.head, made.tip, made.through, made.into, self._whys[about],
            joint.place,
        )  # fmt: skip
        self.fasteners.append(fastener)
        self._take(fastener, fit.rods)
        for role, holes in fit.holes:
            alike = holes.use, holes.face, holes.diameter, holes.depth, holes.toward, holes.steep
            self._holes.setdefault((role, alike), []).extend(holes.centres)

    def _why(self, fit: Fit) -> str:
        """Say how long a fastener may be, with the numbers."""
        first, into, thick = (self.shop.write(size) for size in fit.sizes)
        deep = f"an edge of {thick} stock" if fit.edge else thick
        if fit.fastener.kind.glued:
            return f"{first} in the one part, {into} in the other"
        if fit.fastener.kind is FastenerKind.POCKET_SCREW:
            return f"stock {first}, {into} into {deep}"
        return f"through {first}, {into} into {deep}"

    def bored(self) -> list[Placed]:
        """Return the parts with the holes of what was laid out."""
        found: dict[Role, list[Holes]] = {}
        for (role, (use, face, diameter, depth, toward, steep)), centres in self._holes.items():
            holes = Holes(use, face, diameter, depth, tuple(centres), toward=toward, steep=steep)
            found.setdefault(role, []).append(holes)
        return [
            replace(part, holes=(*part.holes, *found[part.role])) if part.role in found else part
            for part in self.parts.values()
        ]
