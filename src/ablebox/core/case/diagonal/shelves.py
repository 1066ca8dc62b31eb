# SPDX-License-Identifier: GPL-3.0-or-later
"""Shelves of a corner case: five-cornered like its bottom, on pins in both sides and both backs.

Eight pins a shelf: two in each side, two in each back, in its middle and near the corner, so that nothing spans more than half of a
wall (common practice).
"""

from __future__ import annotations

from ...assembly.part import BaySpace, Face
from ...assembly.role import PartKind, Role
from ...assembly.solid import Box
from ...assembly.uses import Use
from ...lengths import ZERO, Length
from ..back import BACK
from ..bottom import BOTTOM
from ..inside.layout import Bay, Inside
from ..inside.shelves_on_pins import PinShelves
from ..inside.space import Space
from ..shell import LEFT, RIGHT, Work
from .carcass import INNER, SECOND, five_cornered
from .corner import Corner

PINS = 8


def fitted(corner: Corner, inside: Inside) -> Work:
    """Return what stands inside, and the one space there is.

    Raises:
        SizeImpossible: if it is divided, or holds anything but shelves on pins.
    """
    shell = corner.shell
    if not isinstance(inside, Bay):
        raise shell.refuse("inside", "a corner case is one space", "Take one bay, with shelves on pins.")
    space = _space(corner)
    work = Work(sums=[space.height])
    low, high = corner.lines.floor_top.length.ticks, corner.lines.ceiling.length.ticks
    clear = Box(
        (corner.t, corner.t, low),
        (corner.wide - corner.back.length.ticks, corner.deep - corner.back.length.ticks, high),
    )
    work.bays.append(BaySpace("inside", clear, BOTTOM, corner.lines.top, LEFT, SECOND))
    for i, fitting in enumerate(inside.fittings):
        if not isinstance(fitting, PinShelves):
            raise shell.refuse(
                "inside", "only shelves on pins fit round its corner", "Take shelves on pins, or nothing."
            )
        if i:
            raise shell.refuse("inside", "two kinds of shelves stand in one space", "Take one of them away.")
        if fitting.count:
            work.add(_shelves(corner, space, fitting, f"inside.fittings.{i}"))
    return work


def _space(corner: Corner) -> Space:
    lines, shell = corner.lines, corner.shell
    height = shell.book.named(lines.ceiling - lines.floor_top, "clear height", "inside.height")
    return Space(shell, lines, "inside", "", LEFT, SECOND, shell.thickness.length, corner.inside, BOTTOM, lines.floor_top,
                 lines.top, lines.ceiling, height, corner.inside_depth, (), (ZERO, ZERO))  # fmt: skip


def _shelves(corner: Corner, space: Space, pins: PinShelves, path: str) -> Work:
    shell, book = corner.shell, corner.shell.book
    holes = pins.pin_heights(space)
    shell.need(
        Length(len(holes) - pins.count), ZERO, "pin holes for the shelves", "Take fewer, or space the holes closer."
    )
    play = book.chosen(pins.play, "play, both ends", f"{path}.play")
    setback = book.chosen(pins.setback, "set back at the front", f"{path}.setback")
    length = book.named(corner.inside - play, "shelf, length", "shelf/length")
    width = book.named(corner.inside_depth - play, "shelf, width", "shelf/width")
    work = Work(sums=[play, setback])
    start = shell.thickness.length + pins.play.share(2)[0]
    for i, level in enumerate(pins.levels(space, holes)):
        work.parts.append(
            five_cornered(corner, space.role(PartKind.SHELF, i + 1), "shelf", length, width, start, start, level,
                          corner.front + pins.setback.ticks, Face.TOP)
        )  # fmt: skip
    rows = _rows(corner, pins)
    for role, places in rows.items():
        centres: list[tuple[Length, ...]] = [(x, y, z) for x, y in places for z in holes]
        work.bore(role, INNER[role], Use.PIN, pins.hole, pins.hole_depth, centres)
    item = pins.buy(shell, work, PINS)
    shelves = [(part.role, part.corner[2]) for part in work.parts]
    for role, places in rows.items():
        axis, out = INNER[role].value
        surface = _surface(corner, role)
        for x, y in places:
            for shelf, level in shelves:
                work.fittings.append(pins.pin(item, role, shelf, axis, out, surface, y if axis == 0 else x, level))
    return work


def _surface(corner: Corner, role: Role) -> Length:
    """Return where an upright's inner face stands."""
    t, back = Length(corner.t), corner.back.length
    return {
        LEFT: t, RIGHT: t, BACK: Length(corner.deep) - back, SECOND: Length(corner.wide) - back,
    }[role]  # fmt: skip


def _rows(corner: Corner, pins: PinShelves) -> dict[Role, list[tuple[Length, Length]]]:
    """Return where rows of pins stand in each upright, from above."""
    back, inset = corner.back.length, pins.inset
    y_front, x_front = (
        Length(corner.slant.y_at(corner.t, corner.front)),
        Length(corner.slant.x_at(corner.t, corner.front)),
    )
    y_back, x_back = Length(corner.deep) - back, Length(corner.wide) - back
    room = min(y_back - y_front, x_back - x_front) - inset * 2
    corner.shell.need(room, pins.hole, "room between the pin rows of a side", "Set them closer to the edges.")
    return {
        LEFT: [(ZERO, y_front + inset), (ZERO, y_back - inset)],
        RIGHT: [(x_front + inset, ZERO), (x_back - inset, ZERO)],
        BACK: [(x_back.share(2)[0], ZERO), (x_back - inset, ZERO)],
        SECOND: [(ZERO, y_back.share(2)[0]), (ZERO, y_back - inset)],
    }
