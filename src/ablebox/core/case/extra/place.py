# SPDX-License-Identifier: GPL-3.0-or-later
"""Where something is taken out of a part, and whether it may be."""

from __future__ import annotations

from ...assembly.part import Cut, CutKind, Face, Placed
from ...assembly.solid import Box
from ...lengths import ZERO, Length
from ..shell import Shell


def face_of(part: Placed) -> Face:
    """Return the face that is worked from: the one that is seen."""
    if part.shows is not None and part.shows.axis == part.axes[2]:
        return part.shows
    return next(face for face in Face if face.axis == part.axes[2] and face.value[1] > 0)


#: Which of its two faces something is let into.
INTO = {"low": "the lower, left or front one", "high": "the upper, right or back one"}


def face_into(part: Placed, into: str) -> Face:
    """Return the face something is let into, a name of ``INTO``."""
    return next(face for face in Face if face.value == (part.axes[2], -1 if into == "low" else 1))


def point_on(part: Placed, along: Length, across: Length) -> tuple[int, int, int]:
    """Return a place on a part, along its length and across its width, in ticks."""
    at = list(part.box.low)
    at[part.axes[0]] += along.ticks
    at[part.axes[1]] += across.ticks
    return at[0], at[1], at[2]


def box_in(part: Placed, along: tuple[Length, Length], across: tuple[Length, Length]) -> Box:
    """Return the box right through a part, from where to where along its length and across its width."""
    low, high = list(part.box.low), list(part.box.high)
    for axis, (start, end) in zip(part.axes[:2], (along, across), strict=True):
        low[axis], high[axis] = part.box.low[axis] + start.ticks, part.box.low[axis] + end.ticks
    return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))


def through(
    shell: Shell, part: Placed, parts: tuple[Placed, ...], kind: CutKind, name: str,
    along: tuple[Length, Length], across: tuple[Length, Length],
) -> Cut:  # fmt: skip
    """Return a cut right through a part.

    Raises:
        SizeImpossible: if it reaches beyond the part, or takes away what holds another.
    """
    long, wide = part.length.length, part.width.length
    write = shell.units.write
    if along[0] < ZERO or along[1] > long or across[0] < ZERO or across[1] > wide:
        size = f"{write(long)} × {write(wide, True)}"
        raise shell.refuse(
            f"{name} in the {part.name}", f"it reaches beyond the part, {size}", "Move it, or make it smaller."
        )
    box = box_in(part, along, across)
    keep_clear(shell, part, parts, box, name)
    return Cut(kind, name, box, face_of(part))


def keep_clear(shell: Shell, part: Placed, parts: tuple[Placed, ...], box: Box, name: str) -> None:
    """Refuse what would take away a joint, or run under a part that stands against this one.

    Raises:
        SizeImpossible: naming what is in the way.
    """
    axis = part.axes[2]
    low, high = list(box.low), list(box.high)
    low[axis] -= 1
    high[axis] += 1
    grown = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
    for cut in part.cuts:
        if cut.holds_a_part and cut.box.meet(box).volume:
            raise shell.refuse(f"{name} in the {part.name}", f"it meets the {cut.kind.value} {cut.name}", "Move it.")
    for other in parts:
        if other.role != part.role and other.box.meet(grown).volume:
            raise shell.refuse(f"{name} in the {part.name}", f"the {other.name} stands there", "Move it.")
