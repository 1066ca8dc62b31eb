# SPDX-License-Identifier: GPL-3.0-or-later
"""Adjustable shelves on pins.

Play 1/8 to 1/4 in in the width and 1/4 in in the depth; holes 1/4 in or 5 mm, 1 in or 32 mm
apart, none in the lowest and highest few inches; the front row is set from the front edge,
the back row from the back's face (common practice). Rows are counted from the case's bottom, so
that they are level across partitions of different height.
"""

from __future__ import annotations

from dataclasses import dataclass

from ...assembly.fitting import Fitting, FittingKind
from ...assembly.part import Face, Placed
from ...assembly.role import PartKind, Role
from ...assembly.solid import Box
from ...assembly.uses import Use
from ...lengths import ZERO, Length, inches, millimetres
from ..fields import check_names, count, size
from ..shell import Shell, Work
from .space import Space

PINS_A_SHELF = 4
#: A pin this much thinner or thicker than its hole still serves.
_LOOSE = millimetres("0.2")
#: How far a pin stands out of its hole, and how much of a shelf lies before it at least.
_STANDS_OUT, _ON_PIN = millimetres(8), millimetres(6)
#: Wood left between two holes.
_BETWEEN = millimetres(2)


@dataclass(frozen=True, slots=True)
class PinShelves:
    """Choices of shelves on pins.

    Args:
        count: how many shelves.
        play: what is taken off the inside width, over both ends.
        setback: how far the front edge stays behind the case's.
        hole: diameter of the pin holes.
        hole_depth: depth of the pin holes.
        pitch: from hole to hole.
        inset: from front edge and back's face to the rows.
        margin: the lowest hole above the floor, and at least this below the top.
        setbacks: of single shelves, lowest first, where they differ.
    """

    count: int = count("shelves", 1, 20)
    play: Length = size("play, both ends", inches("1/8"), zero=True)
    setback: Length = size("set back at the front", inches("1/4"), zero=True)
    hole: Length = size("pin hole diameter", inches("1/4"))
    hole_depth: Length = size("pin hole depth", inches("3/8"))
    pitch: Length = size("pitch of the pin holes", inches(1))
    inset: Length = size("pin rows from the edges", inches(2))
    margin: Length = size("lowest pin hole above the floor", inches(4))
    setbacks: tuple[Length, ...] = ()

    words = "shelves on pins"

    def __post_init__(self) -> None:
        check_names(self)

    def pin_heights(self, space: Space) -> list[Length]:
        """Return the heights of the holes in a row, lowest first, measured from the ground.

        Raises:
            SizeImpossible: if the holes run into each other.
        """
        need = space.shell.need
        need(self.pitch, self.hole + millimetres(3), "pitch of the pin holes", "Space the holes farther apart.")
        low, high = space.clear_heights()
        start = space.lines.floor_top.length + self.margin
        low, high = low + self.margin, high - self.margin
        first = max(0, -(-(low - start).ticks // self.pitch.ticks))
        last = (high - start).ticks // self.pitch.ticks
        return [start + self.pitch * i for i in range(first, last + 1)]

    def build(self, space: Space, path: str) -> Work:
        """Return the shelves, each on the pins nearest to an equal division, and the pin holes.

        Raises:
            SizeImpossible: if there is no room for the shelves or the rows of holes.
        """
        if not self.count:
            return Work()
        shell = space.shell
        thickness, depth = shell.thickness.length, space.depth.length
        shell.need(thickness - self.hole_depth, millimetres(1), "wood behind the pin holes", "Bore them shallower.")
        shell.need(self.hole, millimetres(2), "pin hole", "Type the pins' diameter, such as 1/4 in or 5 mm.")
        shell.need(self.hole_depth, millimetres(2), "pin hole depth", "Type a depth, such as 3/8 in.")
        shell.need(self.margin, self.hole, "margin of the pin holes", "Keep the holes away from floor and top.")
        shell.need(self.inset, self.hole, "inset of the pin holes", "Keep the holes away from the edges.")
        between = depth - self.inset * 2
        shell.need(between, self.hole * 2, "room between the rows of pin holes", "Set the rows nearer to the edges.")
        rows = self._rows(space)
        lines = sorted({y for row in rows for y in row})
        holes = [z for z in self.pin_heights(space) if self._clear(space, lines, z)]
        if len(holes) < self.count:
            raise shell.refuse(
                "shelf pins", f"there is room for {len(holes)} rows of holes", "Take fewer shelves or a higher case."
            )
        levels = self.levels(space, holes)
        work = self._shelves(space, path, levels)
        radius = self.hole.ticks // 2
        centres: list[tuple[Length, ...]] = [
            (ZERO, y, z) for y in lines for z in holes if (y.ticks, z.ticks, radius) not in space.bored
        ]
        for role, face in ((space.left, Face.RIGHT), (space.right, Face.LEFT)):
            work.bore(role, face, Use.PIN, self.hole, self._deep(shell, role), centres)
        item = self.buy(shell, work)
        for shelf, row, level in zip(work.parts, rows, levels, strict=True):
            for role, out, surface in ((space.left, 1, space.x), (space.right, -1, space.end)):
                work.fittings += [self.pin(item, role, shelf.role, 0, out, surface, y, level) for y in row]
        return work

    def _rows(self, space: Space) -> list[tuple[Length, Length]]:
        """Return of each shelf where its pins stand: the front pair follows a shelf that is set back.

        Raises:
            SizeImpossible: if a shelf is too shallow for two rows.
        """
        depth, found = space.depth.length, []
        back = depth - self.inset
        for i in range(self.count):
            setback = self.setbacks[i] if i < len(self.setbacks) else self.setback
            front = self.inset
            if front < setback + self.hole + _ON_PIN:
                front = setback + min(self.inset, (back - setback).share(3)[0])
            room = back - front - self.hole * 2
            space.shell.need(room, ZERO, "depth of a shelf between its pins", "Set it back less.")
            found.append((space.front + front, space.front + back))
        return found

    def _deep(self, shell: Shell, upright: Role) -> Length:
        """Return how deep holes are bored: in a partition no deeper than leaves wood before those of the other side."""
        if upright.kind is not PartKind.PARTITION:
            return self.hole_depth
        return min(self.hole_depth, (shell.thickness.length - _BETWEEN).share(2)[0])

    def _clear(self, space: Space, lines: list[Length], z: Length) -> bool:
        """Whether a row of holes runs into none that another fitting of the bay has bored; it may share them."""
        radius = self.hole.ticks // 2
        return not any(
            (y.ticks, z.ticks, radius) not in space.bored
            and (y.ticks - b) ** 2 + (z.ticks - c) ** 2 < (radius + _BETWEEN.ticks + other) ** 2
            for y in lines
            for b, c, other in space.bored
        )

    def pin(
        self, name: str, upright: Role, shelf: Role, axis: int, out: int, surface: Length, along: Length, level: Length
    ) -> Fitting:  # fmt: skip
        """Return a pin in its hole, under a shelf.

        Args:
            name: of the item.
            upright: what it is in.
            shelf: what lies on it.
            axis: 0 where it stands out along x, 1 along y.
            out: +1 or -1, the way it stands out.
            surface: the upright's face along that axis.
            along: where it stands along the other.
            level: of the shelf's underside.
        """
        inside, end = surface.ticks - out * self.hole_depth.ticks, surface.ticks + out * _STANDS_OUT.ticks
        low, high = [0, 0, (level - self.hole).ticks], [0, 0, level.ticks]
        low[axis], high[axis] = min(inside, end), max(inside, end)
        low[1 - axis] = along.ticks - self.hole.ticks // 2
        high[1 - axis] = low[1 - axis] + self.hole.ticks
        box = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
        return Fitting(FittingKind.PIN, name, box, (upright, shelf))

    def buy(self, shell: Shell, work: Work, a_shelf: int = PINS_A_SHELF) -> str:
        """Choose the pins by the diameter of their holes; return their name."""
        write = shell.units.write
        item = min(shell.hardware("pin"), key=lambda pin: (abs((pin.length - self.hole).ticks), pin.length))
        lacks = ""
        if abs((item.length - self.hole).ticks) > _LOOSE.ticks:
            hole = write(self.hole, True)
            lacks = f"pin holes are {hole} and no such pins are on the rack; the nearest are {item.name}"
        work.buy(item.name, a_shelf * self.count, f"holes of {write(self.hole, True)}", lacks)
        return item.name

    def levels(self, space: Space, holes: list[Length]) -> list[Length]:
        """Return the height of each shelf's underside: the top of a pin near an equal division."""
        shell = space.shell
        low, high = space.clear_heights()
        clear = high - low
        levels: list[Length] = []
        start = 0
        for i in range(self.count):
            target = low.ticks + clear.ticks * (i + 1) // (self.count + 1)
            last = len(holes) - (self.count - 1 - i)
            back = self.setbacks[i] if i < len(self.setbacks) else self.setback
            free = [n for n in range(start, last) if not self._in_a_hinge(space, holes[n], back)]
            start = min(free or range(start, last), key=lambda n: abs(holes[n].ticks - target)) + 1
            levels.append(holes[start - 1] + self.hole.share(2)[0])
        for lower, upper in zip(levels, [*levels[1:], high], strict=True):
            shell.need(upper - lower - shell.thickness.length, ZERO, "room above a shelf", "Take fewer shelves.")
        return levels

    def _in_a_hinge(self, space: Space, hole: Length, back: Length) -> bool:
        """Whether a shelf on pins in a row of holes would lie in a hinge."""
        low = (hole + self.hole.share(2)[0]).ticks
        shelf = Box(
            (space.x.ticks, (space.front + back).ticks, low),
            (space.end.ticks, space.back.ticks, low + space.shell.thickness.length.ticks),
        )
        return any(shelf.meets(box) for box in space.avoid)

    def _shelves(self, space: Space, path: str, levels: list[Length]) -> Work:
        shell, book = space.shell, space.shell.book
        play = book.chosen(self.play, "play, both ends", f"{path}.play")
        key = space.key("shelf")
        length = book.named(space.width - play, "shelf, length", f"{key}/length")
        shell.need(self.play, ZERO, "play of the shelf", "Type 0 or more.")
        shell.need(length.length, inches(1), "shelf length", "Make the play less.")
        work = Work(sums=[play])
        x = space.x + self.play.share(2)[0]
        for i, level in enumerate(levels):
            own = i < len(self.setbacks)
            back = self.setbacks[i] if own else self.setback
            where = f"{path}.setbacks.{i}" if own else f"{path}.setback"
            setback = book.chosen(back, "set back at the front", where)
            width = book.named(space.depth - setback, "shelf, width", f"{key}.{i + 1}/width" if own else f"{key}/width")
            shell.need(back, ZERO, "setback of the shelf", "Type 0 or more.")
            shell.need(width.length, inches(1), "shelf width", "Make the setback less.")
            work.sums.append(setback)
            work.parts.append(
                Placed(space.role(PartKind.SHELF, i + 1), "shelf", shell.goods.code, length, width, shell.thickness, (0, 1, 2),
                       (x, space.front + back, level), bands=shell.band(Face.FRONT), shows=Face.TOP)
            )  # fmt: skip
        return work
