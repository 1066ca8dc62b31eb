# SPDX-License-Identifier: GPL-3.0-or-later
"""Face frame: stiles full height, rails between them, of boards before the carcass.

Rail = frame width - stiles; frame width = W plus what it stands proud of each side, or a wide
stile that is scribed to a wall. The case's floor is flush with the top of the bottom rail. Mid
stiles stand before partitions, mid rails before fixed shelves. Neighbours may share a stile:
one case's stile covers both sides, or each carries half (common practice).
"""

from __future__ import annotations

from dataclasses import dataclass, field

from ...assembly.joint import Way
from ...assembly.part import Face, Placed
from ...assembly.role import BOTH, PartKind, Role, Side
from ...assembly.solid import Box
from ...lengths import ZERO, Length, inches, millimetres
from ...reckoning import Origin, Reckoned, leaf
from ..fields import option, size, stock
from ..inside.layout import Layout
from ..shell import Lines, Shell, Work
from .fastened import FastenedFrame
from .half_lap import HalfLap
from .member import Member
from .tenon import Tenon

FrameJoint = FastenedFrame | HalfLap | Tenon


@dataclass(frozen=True, slots=True)
class Stile:
    """One of the two outer stiles.

    Args:
        width: of the stile; of a neighbour's stile, how much of it covers this case.
        proud: how far it stands beyond the outside of the side: to be scribed, or to cover a neighbour.
        neighbours: whether it is the neighbour's stile that covers this side, so that none is made here.
    """

    width: Length = size("stile width", inches("1 1/2"))
    proud: Length = size("proud of the side", ZERO, zero=True, unless="follow")
    neighbours: bool = option("the neighbour's stile covers this side", False, unless="follow")


@dataclass(frozen=True, slots=True)
class FaceFrame:
    """Choices of a face frame.

    Args:
        goods: code of its boards.
        left: the left stile.
        right: the right stile.
        top_rail: width of the top rail.
        bottom_rail: width of the bottom rail.
        mid_stile: width of the stiles before partitions.
        mid_rail: width of the rails before fixed shelves.
        to_floor: whether the stiles run down to the floor.
        joint: how its parts meet.
        follow: whether its outer stiles follow from what stands beside the case.
    """

    goods: str = stock("boards", "frame", boards=True)
    left: Stile = field(default_factory=Stile)
    right: Stile = field(default_factory=Stile)
    top_rail: Length = size("top rail width", inches("1 1/2"))
    bottom_rail: Length = size("bottom rail width", inches("1 1/2"))
    mid_stile: Length = size("mid stile width", inches("1 1/2"))
    mid_rail: Length = size("mid rail width", inches("1 1/2"))
    to_floor: bool = option("stiles run to the floor", False)
    joint: FrameJoint = field(default_factory=FastenedFrame)
    follow: bool = option("outer stiles follow neighbours", False)

    words = "face frame"

    def thickness(self, shell: Shell) -> Reckoned | None:
        """Return the thickness of its boards."""
        return shell.rack.board_goods(self.goods).reckoned_thickness("frame thickness", shell.units)

    @property
    def proud(self) -> tuple[Length, Length]:
        """How far it stands beyond the left and the right side."""
        return tuple(ZERO if s.neighbours else s.proud for s in (self.left, self.right))  # type: ignore[return-value]

    @property
    def stands_on_floor(self) -> bool:
        """Whether a stile of its own reaches the floor."""
        return self.to_floor and not (self.left.neighbours and self.right.neighbours)

    def floor(self, shell: Shell, line: Reckoned) -> Reckoned:
        """Return the height of the bottom's underside: its top is flush with the bottom rail's.

        Raises:
            SizeImpossible: if the bottom is thicker than the rail is wide.
        """
        thickness = shell.goods.reckoned_thickness("bottom thickness", shell.units)
        rail = shell.book.chosen(self.bottom_rail, "bottom rail width", "frame.bottom_rail")
        remedy = "Make the bottom rail wider than the bottom is thick."
        shell.need(self.bottom_rail, thickness.length, "bottom rail width", remedy)
        total = line + rail - thickness if line.length else rail - thickness
        return shell.book.named(total, "underside of the bottom", "floor.under", "floor flush with the bottom rail")

    def build(self, shell: Shell, lines: Lines, layout: Layout) -> Work:
        """Return the frame's parts, jointed.

        Raises:
            SizeImpossible: if rails or stiles have no size, or no board is wide enough.
        """
        return _Frame(self, shell, lines).build(layout)


#: How the keys of each kind of member begin.
_KEYS = {
    PartKind.FRAME_STILE: "stile",
    PartKind.FRAME_RAIL: "rail",
    PartKind.MID_STILE: "mid-stile",
    PartKind.MID_RAIL: "mid-rail",
}


@dataclass(slots=True)
class _Region:
    """A hole in the frame: its edges as heights and distances from the case's left side, and its members.

    It is ``full`` where it goes from the left outer stile to the right one.
    """

    x: tuple[Reckoned, Reckoned]
    z: tuple[Reckoned, Reckoned]
    sides: tuple[Member | None, Member | None]
    levels: tuple[Member, Member]
    full: bool = False


class _Frame:
    def __init__(self, frame: FaceFrame, shell: Shell, lines: Lines) -> None:
        self.frame, self.shell, self.lines, self.book = frame, shell, lines, shell.book
        thickness = frame.thickness(shell)
        assert thickness is not None
        self.thickness = thickness
        self.members: list[Member] = []
        self.work = Work()

    def build(self, layout: Layout) -> Work:
        stiles = self._stiles()
        rails = self._rails(stiles)
        left, right = self._opening_edges()
        high = self._under_top_rail()
        low = leaf(
            Length(rails[0].box.high[2]), "top of the bottom rail", f"{self.book.prefix}frame/low", Origin.RECKONED
        )
        self.shell.need(high.length - low.length, inches(1), "opening height in the frame", "Make the rails narrower.")
        self._divide(layout, _Region((left, right), (low, high), stiles, rails, True), "")
        for member in list(self.members):
            self._place(member)
        return self.work

    def _width(self, length: Length, words: str, key: str) -> Reckoned:
        boards = self.shell.rack.board_goods(self.frame.goods)
        self.shell.need(length, millimetres(5), words, "Type a width, such as 1 1/2 in.")
        if boards.board_for(length) is None:
            widest = self.shell.units.write(boards.widest, True)
            why = f"{self.shell.units.write(length, True)} is wider than any board of {boards.name}, {widest} at most"
            raise self.shell.refuse(words, why, "Make it narrower, or add a wider board to the rack.")
        return self.book.chosen(length, words, f"frame.{key}")

    def _box(self, x: tuple[Length, Length], z: tuple[Length, Length]) -> Box:
        return Box((x[0].ticks, 0, z[0].ticks), (x[1].ticks, self.thickness.length.ticks, z[1].ticks))

    def _stiles(self) -> tuple[Member | None, Member | None]:
        foot = ZERO if self.frame.to_floor else self.lines.line.length
        total = self.shell.height.times(1)
        if foot:
            total = self.shell.height - self.lines.line
        length = self.book.named(total, "stile, length", "stile/length")
        wide = self.shell.over_sides.length
        made: list[Member | None] = []
        for side, stile in (("left", self.frame.left), ("right", self.frame.right)):
            width = self._width(stile.width, f"{side} stile width", f"{side}.width")
            if stile.neighbours:
                self._neighbours_stile(Side(side), length, width, foot)
                made.append(None)
                continue
            covered = stile.width - stile.proud
            self.shell.need(stile.proud, ZERO, f"{side} stile, proud", "Type 0 or more.")
            self.shell.need(
                covered, millimetres(3), f"what the {side} stile covers of the side", "Let it stand less proud."
            )
            x = (-stile.proud, covered) if side == "left" else (wide - covered, wide + stile.proud)
            named = self.book.named(width, f"stile, {side}, width", f"stile.{side}/width")
            member = Member(Role(PartKind.FRAME_STILE, Side(side)), f"stile, {side}", 2, self._box(x, (foot, self.shell.height.length)),
                            length, named, outer=True)  # fmt: skip
            self.members.append(member)
            made.append(member)
        return made[0], made[1]

    def _neighbours_stile(self, side: Side, length: Reckoned, covers: Reckoned, foot: Length) -> None:
        """Note what of a neighbour's stile lies before this case: rails and hinges are screwed to it, and keep to it."""
        x = ZERO if side is Side.LEFT else self.shell.over_sides.length - covers.length
        self.work.beside.append(
            Placed(Role(PartKind.NEIGHBOURS_STILE, side), "neighbour's stile", self.frame.goods, length, covers, self.thickness,
                   (2, 0, 1), (x, ZERO, foot), stands="apart")
        )  # fmt: skip

    def _opening_edges(self) -> tuple[Reckoned, Reckoned]:
        """Return where the opening between the stiles begins and ends, from the case's left side."""
        left, right, wide = self.frame.left, self.frame.right, self.shell.over_sides.length
        start = left.width if left.neighbours else left.width - left.proud
        end = wide - (right.width if right.neighbours else right.width - right.proud)
        return (
            leaf(start, "inner edge of the left stile", origin=Origin.RECKONED),
            leaf(end, "inner edge of the right stile", origin=Origin.RECKONED),
        )

    def _between(self) -> Reckoned:
        """Return the length between the stiles: W, what stands proud, less the stiles."""
        total = self.shell.over_sides.times(1)
        for side, stile in (("left", self.frame.left), ("right", self.frame.right)):
            if stile.proud and not stile.neighbours:
                total = total + self.book.chosen(stile.proud, f"proud of the {side} side", f"frame.{side}.proud")
            whose = "neighbour's stile" if stile.neighbours else "stile"
            total = total - self.book.chosen(stile.width, f"{whose}, {side}", f"frame.{side}.width")
        between = self.book.named(total, "between the stiles", "frame.between", measurable=False)
        self.shell.need(between.length, inches(2), "width between the stiles", "Make the stiles narrower.")
        return between

    def _rails(self, stiles: tuple[Member | None, Member | None]) -> tuple[Member, Member]:
        between = self._between()
        left, right = (edge.length for edge in self._opening_edges())
        line, high = self.lines.line.length, self.shell.height.length
        made = []
        for end, size_ in (("bottom", self.frame.bottom_rail), ("top", self.frame.top_rail)):
            width = self._width(size_, f"{end} rail width", f"{end}_rail")
            z = (line, line + size_) if end == "bottom" else (high - size_, high)
            named = self.book.named(width, f"rail, {end}, width", f"rail.{end}/width")
            member = Member(
                Role(PartKind.FRAME_RAIL, Side(end)),
                f"rail, {end}",
                0,
                self._box((left, right), z),
                between,
                named,
                stiles,
                outer=True,
            )
            self.members.append(member)
            made.append(member)
        return made[0], made[1]

    def _under_top_rail(self) -> Reckoned:
        rail = self.book.chosen(self.frame.top_rail, "top rail width", "frame.top_rail")
        return self.book.named(self.shell.height - rail, "underside of the top rail", "frame/high")

    def _divide(self, layout: Layout, region: _Region, tag: str) -> None:
        """Put mid stiles before partitions and mid rails before fixed shelves, region by region."""
        if not layout.dividers or layout.part_height:
            return
        columns = layout.split == "columns"
        wide = self.frame.mid_stile if columns else self.frame.mid_rail
        word = "mid stile" if columns else "mid rail"
        width = self._width(wide, f"{word} width", "mid_stile" if columns else "mid_rail")
        low = region.x[0] if columns else region.z[0]
        end = region.x[1] if columns else region.z[1]
        before = region.sides[0] if columns else region.levels[0]
        for i, divider in enumerate(layout.dividers):
            if columns:
                at = Length((divider.low[0] + divider.high[0] - wide.ticks) // 2)
            else:
                at = Length(divider.high[2]) - wide
            place = f"{tag}{i + 1}"
            start = leaf(
                at,
                f"edge of the {word}",
                origin=Origin.RECKONED,
                note="centred on the partition" if columns else "flush with the shelf",
            )
            stop = leaf(at + wide, f"edge of the {word}", origin=Origin.RECKONED)
            self.shell.need(
                at - low.length, millimetres(5), f"opening beside the {word}", "Make the frame's parts narrower."
            )
            self.shell.need(
                end.length - stop.length,
                millimetres(5),
                f"opening beside the {word}",
                "Make the frame's parts narrower.",
            )
            member = self._mid(columns, place, width, region, start, stop)
            child = (
                _Region((low, start), region.z, (before, member), region.levels)
                if columns
                else _Region(region.x, (low, start), region.sides, (before, member), region.full)  # type: ignore[arg-type]
            )
            self._divide(layout.children[i], child, f"{place}.")
            low, before = stop, member
        last = (
            _Region((low, end), region.z, (before, region.sides[1]), region.levels)
            if columns
            else _Region(region.x, (low, end), region.sides, (before, region.levels[1]), region.full)  # type: ignore[arg-type]
        )
        self._divide(layout.children[-1], last, f"{tag}{len(layout.dividers) + 1}.")

    def _mid(
        self, columns: bool, place: str, width: Reckoned, region: _Region, start: Reckoned, stop: Reckoned
    ) -> Member:
        word = "mid stile" if columns else "mid rail"
        kind = PartKind.MID_STILE if columns else PartKind.MID_RAIL
        across = region.z if columns else region.x
        full = not columns and region.full
        length = self._between() if full else self.book.named(
            across[1] - across[0], f"{word}, between", f"frame/{word.replace(' ', '-')}.{place}.between"
        )  # fmt: skip
        x = (start.length, stop.length) if columns else (across[0].length, across[1].length)
        z = (across[0].length, across[1].length) if columns else (start.length, stop.length)
        ends: tuple[Member | None, Member | None] = region.levels if columns else region.sides
        named = self.book.named(width, f"{word}, width", f"{word.replace(' ', '-')}/width")
        member = Member(
            Role(kind, number=tuple(int(step) for step in place.split("."))),
            word,
            2 if columns else 0,
            self._box(x, z),
            length,
            named,
            ends,
        )
        self.members.append(member)
        return member

    def _place(self, member: Member) -> None:
        """Joint a member to its neighbours and add its part; the cuts of later ones are added by role."""
        joint = self.frame.joint
        total = member.length.times(1)
        reaches = [0, 0]
        for side, other in enumerate(member.ends):
            if other is None:
                # A frame that goes on before the next case is screwed together where the cases stand.
                way = joint.way or Way.POCKET
                self.work.join(way, member.role, Role(PartKind.NEIGHBOURS_STILE, BOTH[side]), face=Face.BACK)
                continue
            reach = joint.reach(self.shell, other)
            if reach is not None:
                total = total + reach
                reaches[side] = reach.length.ticks
                own, others = joint.join(member, side, other, reach.length)
                for role, cuts in ((member.role, own), (other.role, others)):
                    for cut in cuts:
                        self.work.cut(role, cut)
            if joint.way is not None:
                self.work.join(joint.way, member.role, other.role, face=Face.BACK)
        box = member.stretched(*reaches)
        role = member.role
        key = ".".join([_KEYS[role.kind], *([role.side.value] if role.side.value else []), *map(str, role.number)])
        length = self.book.named(total, f"{member.name}, length", f"{key}/length")
        axes = (2, 0, 1) if member.axis == 2 else (0, 2, 1)
        corner = (Length(box.low[0]), Length(box.low[1]), Length(box.low[2]))
        self.work.parts.append(
            Placed(
                member.role,
                member.name,
                self.frame.goods,
                length,
                member.width,
                self.thickness,
                axes,
                corner,
                shows=Face.FRONT,
            )
        )
