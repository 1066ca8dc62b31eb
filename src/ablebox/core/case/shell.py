# SPDX-License-Identifier: GPL-3.0-or-later
"""What every school needs to know of the case it works in, and what it hands back."""

from __future__ import annotations

from dataclasses import dataclass, field

from ..assembly.part import Cut, CutKind, Face, Holes, Placed
from ..assembly.solid import Box
from ..errors import SizeImpossible
from ..lengths import ZERO, Length
from ..reckoning import Book, Origin, Reckoned
from ..stock import Edging, Rack, SheetGoods
from ..units import Units

LEFT, RIGHT = "side.left", "side.right"


@dataclass(frozen=True, slots=True)
class Shell:
    """The outside of a case and the stock of its carcass.

    Args:
        letter: the case's letter.
        book: names sums and lets measurements overrule them.
        units: how lengths are written in refusals.
        rack: what it may be built from.
        width: outside width, as designed.
        height: outside height.
        depth: outside depth, without doors.
        goods: stock of the carcass.
        edging: band of the carcass' seen edges; ``None`` for bare edges.
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

    @property
    def thickness(self) -> Reckoned:
        """Thickness of the carcass stock."""
        return self.goods.reckoned_thickness("side thickness", self.units)

    @property
    def inside(self) -> Reckoned:
        """Width between the sides."""
        total = self.width - self.thickness.times(2)
        return self.book.named(total, "inside width", "inside.width", measurable=True)

    @property
    def over_sides(self) -> Reckoned:
        """Width over the sides as it really is: the design's, unless the inside was measured."""
        inside = self.inside
        if inside.origin is not Origin.MEASURED:
            return self.width
        return self.book.named(inside + self.thickness.times(2), "width over the sides", "width.built")

    def band(self, *faces: Face) -> tuple[tuple[Face, Edging], ...]:
        """Return these faces banded with the carcass edging, if it has one."""
        return tuple((face, self.edging) for face in faces) if self.edging else ()

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
class Interior:
    """The lines inside a case that its schools agree on.

    Args:
        floor: height of the bottom's underside above the ground.
        floor_top: height of the bottom's upper face.
        ceiling: height of the underside of whatever closes the top.
        clear_depth: depth from the front edge to the back's face.
    """

    floor: Reckoned
    floor_top: Reckoned
    ceiling: Reckoned
    clear_depth: Reckoned


@dataclass(slots=True)
class Work:
    """What a school adds to a case.

    Args:
        parts: its own parts.
        cuts: what it has cut into parts of other schools, by role.
        holes: what it has bored into them, by role.
        sums: sums worth looking up.
    """

    parts: list[Placed] = field(default_factory=list)
    cuts: dict[str, list[Cut]] = field(default_factory=dict)
    holes: dict[str, list[Holes]] = field(default_factory=dict)
    sums: list[Reckoned] = field(default_factory=list)

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
        """Cut the same groove, dado or notch into the inner faces of both sides.

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
        self.cuts.setdefault(LEFT, []).append(Cut(kind, name, left, Face.RIGHT, play))
        self.cuts.setdefault(RIGHT, []).append(Cut(kind, name, right, Face.LEFT, play))

    def bore_both_sides(self, name: str, diameter: Length, depth: Length, centres: list[tuple[Length, Length]]) -> None:
        """Bore the same holes into the inner faces of both sides; centres are (y, z)."""
        points = tuple((0, y.ticks, z.ticks) for y, z in centres)
        self.holes.setdefault(LEFT, []).append(Holes(name, Face.RIGHT, diameter, depth, points))
        self.holes.setdefault(RIGHT, []).append(Holes(name, Face.LEFT, diameter, depth, points))

    def add(self, other: Work) -> None:
        """Take in what another school has added."""
        self.parts += other.parts
        self.sums += other.sums
        for role, cuts in other.cuts.items():
            self.cuts.setdefault(role, []).extend(cuts)
        for role, holes in other.holes.items():
            self.holes.setdefault(role, []).extend(holes)
