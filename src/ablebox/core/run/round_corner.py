# SPDX-License-Identifier: GPL-3.0-or-later
"""What the run of the wall before takes of the next one: the depth of what stands, or hangs, in the corner."""

from __future__ import annotations

from collections.abc import Sequence

from ..lengths import ZERO
from ..reckoning import Origin, Reckoned, leaf
from ..room.wall import End, Measured
from .members import Member, lowest
from .place import Line, Place
from .space import RunSpace


def in_the_corner(
    before: list[tuple[Line, Measured]], row: list[Member], spaces: Sequence[RunSpace], upper: bool
) -> list[Place]:
    """Return what of the wall before is in the way of a run: its last member, and deeper ones as far as the run reaches.

    What is tall there keeps what hangs on the next wall away, too, and what hangs there keeps a tall case away.
    """
    sizes = [m.case if m.case is not None else spaces[m.space - 1] for m in row]
    low, high = lowest(member.case for member in row) or ZERO, sizes[0].height if sizes else ZERO
    reach = max((each.depth for each in sizes), default=ZERO)
    found = []
    for line, room in before:
        for place in line.places:
            far = room.governing is None or place.end > room.governing.length - reach
            meets = line.upper is upper or (place.high > low if upper else place.low < high)
            if meets and (place is line.places[-1] or far):
                found.append(place)
    return found


def round_the_corner(room: Measured, corner: list[Place]) -> Reckoned | None:
    """Return what the run of the wall before takes at the left: the depth of its last member, of the deeper one if two meet."""
    if room.wall.left is not End.CORNER or not corner:
        return None
    last = max(corner, key=lambda place: place.depth)
    words = f"depth of {last.name} round the corner"
    return leaf(last.depth, words, f"{last.letter}/depth" if last.letter else "", Origin.CHOICE, "the run comes round")
