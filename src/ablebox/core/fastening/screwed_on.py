# SPDX-License-Identifier: GPL-3.0-or-later
"""Screws that hold hardware to wood: through its metal, and as far into the wood as is safe."""

from __future__ import annotations

from collections.abc import Callable

from ..assembly.fastener import Fastener, FastenerKind, Point
from ..assembly.part import Face, Placed
from ..hardware import Hardware
from ..lengths import Length, millimetres
from .driven import longest
from .occupied import Rod, Taken
from .sizes import DIAMETER, LEAST_THREAD, margin
from .wood import solid, spans

#: How thick the metal of slides, hinges and sockets is where a screw goes through (common practice).
METAL = millimetres("1.2")


def screwed_on(
    kind: FastenerKind, items: tuple[Hardware, ...], wood: Placed, face: Face, at: Point, taken: Taken,
    write: Callable[[Length], str], metal: Length = METAL, most: Length | None = None,
    surface: int | None = None,
) -> Fastener | None:  # fmt: skip
    """Return a screw through hardware into a face of a part; ``None`` if it finds no wood there, or something else in it.

    Args:
        kind: what it is.
        items: screws there are.
        wood: the part.
        face: the face the hardware lies on.
        at: where on that face; its place across the face does not count.
        taken: what is in the wood already.
        write: writes a length.
        metal: how thick the hardware is there.
        most: the most that may go into the wood; ``None`` for what its thickness allows.
        surface: where it is screwed on, if that is not the part's own face but one cut into it.
    """
    axis, side = face.value
    if surface is None:
        surface = wood.box.high[axis] if side > 0 else wood.box.low[axis]
    line = list(at)
    line[axis] = surface
    point = (line[0], line[1], line[2])
    inside = surface - side
    piece = next(((low, high) for low, high in spans(wood, axis, point) if low <= inside <= high), None)
    if piece is None:
        return None
    keep = margin(wood.thickness.length)
    room = Length(piece[1] - piece[0]) - keep
    if most is not None:
        room = min(room, most)
    item = longest(items, room + metal)
    if item is None or item.length - metal < LEAST_THREAD:
        return None
    head, tip = list(point), list(point)
    head[axis] += side * metal.ticks
    tip[axis] -= side * (item.length - metal).ticks
    one, two = (head[0], head[1], head[2]), (tip[0], tip[1], tip[2])
    # Not the hole alone: its point keeps as far from what is cut beside and before it as from a face.
    clear = tip[axis] - side * keep.ticks
    if not solid(wood, axis, point, surface, clear, max(DIAMETER[kind].ticks // 2, keep.ticks)):
        return None
    rod = Rod(one, two, DIAMETER[kind].ticks // 2)
    if not taken.free(wood.role, rod):
        return None
    why = f"{write(item.length - metal)} into {write(Length(piece[1] - piece[0]))}"
    return Fastener(kind, item.name, DIAMETER[kind], one, two, (), wood.role, why)
