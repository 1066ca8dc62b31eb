# SPDX-License-Identifier: GPL-3.0-or-later
"""Hanging rails (nailers): what a case with a thin back is screwed to the wall through.

3 to 4 in high, at the top, for wall cases also at the bottom (common practice).
"""

from __future__ import annotations

from ..assembly.joint import Way
from ..assembly.part import Face, Placed
from ..assembly.role import PartKind, Role, Side
from ..lengths import Length, inches
from ..stock import Grain
from .joint.fasten import butted
from .shell import LEFT, RIGHT, Lines, Shell, Work

UPPER, LOWER = Role(PartKind.RAIL), Role(PartKind.RAIL, Side.LOWER)


def rails(shell: Shell, width: Length, y: Length, heights: tuple[tuple[Role, Length], ...], inside: bool) -> Work:
    """Return hanging rails between the sides.

    Args:
        shell: the case.
        width: of each rail.
        y: where their front faces stand.
        heights: role and lower edge of each.
        inside: whether they stand inside the case, where shelves and partitions meet them.

    Raises:
        SizeImpossible: if they are too narrow to be screwed through.
    """
    shell.need(width, inches("1/2"), "hanging rail width", "Type a width, such as 3 1/2 in.")
    book, thickness = shell.book, shell.thickness
    length = book.named(shell.inside, "hanging rail, length", "rail/length")
    chosen = book.chosen(width, "hanging rail width", "back.rail")
    across = book.named(chosen, "hanging rail, width", "rail/width")
    work = Work(sums=[chosen])
    for role, z in heights:
        part = Placed(role, "hanging rail", shell.goods.code, length, across, thickness, (0, 2, 1),
                      (thickness.length, y, z), grain=Grain.ANY)  # fmt: skip
        work.parts.append(part)
        for side in (LEFT, RIGHT):
            butted(work, Way.POCKET, role, side, Face.BACK)
        if inside:
            work.obstacles.append((part.name, part.box))
    return work


def inside_rails(shell: Shell, lines: Lines, width: Length, upper: bool, lower: bool) -> Work:
    """Return rails in front of the back: under whatever closes the top, and on the bottom.

    Where a stretcher stands on edge at the back it is the upper rail.

    Raises:
        SizeImpossible: if there is no room for them.
    """
    wanted = []
    upper = upper and not lines.nailer
    count = int(upper) + int(lower)
    room = lines.ceiling.length - lines.floor_top.length - width * count
    shell.need(room, inches(1), "room between the hanging rails", "Make them narrower or the case higher.")
    deep = lines.clear_depth.length - shell.thickness.length
    shell.need(deep, inches(1), "room in front of the hanging rails", "Make the case deeper.")
    if upper:
        wanted.append((UPPER, lines.ceiling.length - width))
    if lower:
        wanted.append((LOWER, lines.floor_top.length))
    return rails(shell, width, shell.front + deep, tuple(wanted), True) if wanted else Work()
