# SPDX-License-Identifier: GPL-3.0-or-later
"""What every school needs to know of the case it works in, and what it hands back."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from typing import Protocol

from ..assembly.fastener import Fastener
from ..assembly.fitting import Fitting
from ..assembly.joint import Joint, Spacing, Way
from ..assembly.part import BaySpace, Bought, Cut, CutKind, Face, FrontSpace, Holes, Placed, Wanting
from ..assembly.put_on import PutOn
from ..assembly.role import PartKind, Role, Side
from ..assembly.solid import Box
from ..assembly.uses import Use
from ..errors import SizeImpossible
from ..fastening.lay_out import Shop
from ..fastening.occupied import Taken
from ..hardware import Hardware
from ..lengths import ZERO, Length
from ..reckoning import Book, Origin, Reckoned
from ..stock import Edging, Rack, SheetGoods
from ..units import Units

#: The two sides.
LEFT, RIGHT = Role(PartKind.SIDE, Side.LEFT), Role(PartKind.SIDE, Side.RIGHT)


@dataclass(frozen=True, slots=True)
class Shell:
    """The outside of a case and the stock of its carcass.

    Args:
        letter: the case's letter.
        book: names sums and lets measurements overrule them.
        units: how lengths are written in refusals.
        rack: what it may be built from.
        width: outside width over the sides, as designed.
        height: outside height, whatever it stands on included.
        depth: outside depth, face frame included, without doors.
        goods: stock of the carcass.
        edging: band of the carcass' seen edges; ``None`` for bare edges.
        frame: thickness of the face frame before the carcass; ``None`` for a frameless case.
        mid_stile: width of the frame's stiles before partitions; 0 for a frameless case.
        proud: how far the frame stands beyond the left and the right side.
        set_in: how far the sides go on behind the carcass, to be scribed to the wall.
        load: what it carries, a row of the catalogue of loads.
        built_width: width over the sides where that is known; ``None`` to reckon it from the inside.
    """

    letter: str
    book: Book
    units: Units
    rack: Rack
    width: Reckoned
    height: Reckoned
    depth: Reckoned
    goods: SheetGoods
    edging: Edging | None
    frame: Reckoned | None = None
    mid_stile: Length = ZERO
    proud: tuple[Length, Length] = (ZERO, ZERO)
    set_in: Length = ZERO
    load: str = "kitchen"
    built_width: Reckoned | None = None

    @property
    def thickness(self) -> Reckoned:
        """Thickness of the carcass stock."""
        return self.goods.reckoned_thickness("side thickness", self.units)

    @property
    def front(self) -> Length:
        """Where the carcass begins, behind the face frame if there is one."""
        return self.frame.length if self.frame else ZERO

    @property
    def carcass_depth(self) -> Reckoned:
        """Depth of the carcass alone: without the frame before it, and what is to be scribed behind it."""
        total = self.depth.times(1)
        if self.frame is not None:
            total = self.depth - self.frame
        if self.set_in:
            total = total - self.to_scribe
        if self.frame is None and not self.set_in:
            return self.depth
        return self.book.named(total, "carcass depth", "carcass.depth")

    @property
    def to_scribe(self) -> Reckoned:
        """How far the sides go on behind the carcass."""
        return self.book.chosen(self.set_in, "to be scribed to the wall", "set_in")

    @property
    def inside(self) -> Reckoned:
        """Width between the sides."""
        total = self.width - self.thickness.times(2)
        return self.book.named(total, "inside width", "inside.width", measurable=True)

    @property
    def over_sides(self) -> Reckoned:
        """Width over the sides as it really is: the design's, unless the inside was measured."""
        if self.built_width is not None:
            return self.built_width
        inside = self.inside
        if inside.origin is not Origin.MEASURED:
            return self.width
        return self.book.named(inside + self.thickness.times(2), "width over the sides", "width.built")

    def band(self, *faces: Face) -> tuple[tuple[Face, Edging], ...]:
        """Return these faces banded with the carcass edging; behind a face frame edges stay bare."""
        return tuple((face, self.edging) for face in faces) if self.edging and self.frame is None else ()

    def hardware(self, kind: str) -> tuple[Hardware, ...]:
        """Return the items of a kind of hardware that are to be had."""
        return self.rack.hardware_of(kind, self.units.system)

    @property
    def fastening(self) -> Shop:
        """What fasteners are chosen from, and how far apart the shop sets them."""
        hard = frozenset(boards.code for boards in self.rack.boards)
        return Shop(self.hardware, self.rack.pitches, lambda length: self.units.write(length, True), hard)

    def refuse(self, what: str, why: str, remedy: str) -> SizeImpossible:
        """Return the error for a case that cannot be built."""
        return SizeImpossible(f"Case {self.letter}, {what}", why, remedy)

    def need(self, length: Length, least: Length, what: str, remedy: str) -> None:
        """Refuse the case unless ``length`` is at least ``least``.

        Raises:
            SizeImpossible: with both numbers.
        """
        if length < least:
            why = f"it comes to {self.units.write(length, True)}"
            if least > ZERO and length > ZERO:
                why += f" and must be {self.units.write(least, True)} or more"
            raise self.refuse(what, why, remedy)


@dataclass(frozen=True, slots=True)
class Lines:
    """The lines of a case that its schools agree on; heights are above the ground, depths behind its front.

    Args:
        foot: height of the sides' lower ends.
        line: height of the lower edge of the face: where doors or the frame begin.
        floor: height of the bottom's underside.
        floor_top: height of the bottom's upper face.
        ceiling: height of the underside of whatever closes the top flat; the outside height if nothing does.
        side_top: height of the sides' upper ends.
        clear_depth: depth from the carcass' front edge to the back's face.
        side_depth: depth of the sides from the carcass' front edge.
        back_foot: height at which the back begins.
        top: role of the part that closes the top and can take joints; ``None`` if none does.
        nailer: whether a stretcher on edge at the back already does what a hanging rail does.
    """

    foot: Reckoned
    line: Reckoned
    floor: Reckoned
    floor_top: Reckoned
    ceiling: Reckoned
    side_top: Reckoned
    clear_depth: Reckoned
    side_depth: Reckoned
    back_foot: Reckoned
    top: Role | None
    nailer: bool


class Later(Protocol):
    """Something that is hung once all uprights are there."""

    def __call__(self, parts: Sequence[Placed], taken: Taken, work: Work) -> None:
        """Hang it.

        Args:
            parts: the parts of the case.
            taken: what is in their wood already.
            work: takes what is added.
        """


@dataclass(slots=True)
class Work:
    """What a school adds to a case.

    Args:
        parts: its own parts.
        cuts: what it has cut into parts of other schools, by role.
        holes: what it has bored into them, by role.
        sums: sums worth looking up.
        obstacles: boxes of its parts that others inside must be notched around or keep clear of, by name.
        bought: what is bought for it.
        bays: clear spaces it leaves.
        fronts: places of fronts it fills.
        joints: what is to be fastened to what, once everything is there.
        fasteners: what it has placed already, such as the screws of hardware.
        fittings: hardware it has placed.
        wanting: what finds nothing to hold it.
        later: what is hung once all uprights are there, such as slides; each is handed what it hangs in.
        beside: what of neighbours it is fastened to, such as their stiles.
    """

    parts: list[Placed] = field(default_factory=list)
    cuts: dict[Role, list[Cut]] = field(default_factory=dict)
    holes: dict[Role, list[Holes]] = field(default_factory=dict)
    sums: list[Reckoned] = field(default_factory=list)
    obstacles: list[tuple[str, Box]] = field(default_factory=list)
    bought: list[Bought] = field(default_factory=list)
    bays: list[BaySpace] = field(default_factory=list)
    fronts: list[FrontSpace] = field(default_factory=list)
    joints: list[Joint] = field(default_factory=list)
    fasteners: list[Fastener] = field(default_factory=list)
    fittings: list[Fitting] = field(default_factory=list)
    wanting: list[Wanting] = field(default_factory=list)
    later: list[Later] = field(default_factory=list)
    beside: list[Placed] = field(default_factory=list)

    def cut(self, role: Role, cut: Cut) -> None:
        """Cut into a part of another school."""
        self.cuts.setdefault(role, []).append(cut)

    def cut_both_sides(
        self,
        shell: Shell,
        kind: CutKind,
        name: str,
        y: tuple[Length, Length],
        z: tuple[Length, Length],
        depth: Length,
        play: Length = ZERO,
    ) -> None:
        """Cut the same groove, dado, rabbet or notch into the inner faces of both sides.

        Args:
            shell: the case.
            kind: what is cut.
            name: what it is for.
            y: from where to where, front to back.
            z: from where to where, floor to top.
            depth: how deep from the inner face; a notch goes right through.
            play: how much of the depth may stay empty.
        """
        thickness, width = shell.thickness.length, shell.over_sides.length
        size = (depth, y[1] - y[0], z[1] - z[0])
        left = Box.at((thickness - depth, y[0], z[0]), size)
        right = Box.at((width - thickness, y[0], z[0]), size)
        self.cut(LEFT, Cut(kind, name, left, Face.RIGHT, play))
        self.cut(RIGHT, Cut(kind, name, right, Face.LEFT, play))

    def bore(
        self, role: Role, face: Face, use: Use, diameter: Length, depth: Length, centres: list[tuple[Length, ...]]
    ) -> None:
        """Bore holes into a face of a part; centres are (x, y, z)."""
        points = tuple((x.ticks, y.ticks, z.ticks) for x, y, z in centres)
        if not points:
            return
        kept = self.holes.setdefault(role, [])
        for i, other in enumerate(kept if use is not Use.PIN else ()):
            if (other.use, other.face, other.diameter, other.depth) == (use, face, diameter, depth):
                kept[i] = replace(other, centres=other.centres + points)
                return
        kept.append(Holes(use, face, diameter, depth, points))

    def join(
        self, way: Way, first: Role, second: Role, spacing: Spacing = Spacing.JOINT, face: Face | None = None, *,
        place: str = "", item: str = "", apart: bool = False, spare: bool = False,
    ) -> None:  # fmt: skip
        """Ask for a joint: ``first`` is fastened to ``second``; see ``Joint``."""
        self.joints.append(Joint(way, first, second, spacing, face, place, item, apart, spare))

    def worked(self, part: Placed) -> Placed:
        """Return a part with what has been cut and bored into it so far."""
        cuts, holes = self.cuts.get(part.role), self.holes.get(part.role)
        if not cuts and not holes:
            return part
        return replace(part, cuts=part.cuts + tuple(cuts or ()), holes=part.holes + tuple(holes or ()))

    def buy(
        self, name: str, count: int = 1, why: str = "", lacks: str = "", kind: str = "", put_on: PutOn = PutOn.ITSELF
    ) -> None:
        """Note something that is bought, why it was chosen, and with which work it is put on."""
        self.bought.append(Bought(name, count, why, lacks, kind=kind, put_on=put_on))

    def add(self, other: Work) -> None:
        """Take in what another school has added."""
        self.parts += other.parts
        self.sums += other.sums
        self.obstacles += other.obstacles
        self.bought += other.bought
        self.bays += other.bays
        self.fronts += other.fronts
        self.joints += other.joints
        self.fasteners += other.fasteners
        self.fittings += other.fittings
        self.wanting += other.wanting
        self.later += other.later
        self.beside += other.beside
        for role, cuts in other.cuts.items():
            self.cuts.setdefault(role, []).extend(cuts)
        for role, holes in other.holes.items():
            self.holes.setdefault(role, []).extend(holes)
