# SPDX-License-Identifier: GPL-3.0-or-later
"""Small hardware behind a front, screwed to the front and to what is beside it: clips, hinges of flaps, supports."""

from __future__ import annotations

from collections.abc import Iterable

from ..assembly.fastener import FastenerKind, Point
from ..assembly.fitting import Fitting, FittingKind
from ..assembly.part import Face, Placed, Want, Wanting
from ..assembly.role import FRAMES, STILES, PartKind
from ..assembly.solid import Box
from ..case.shell import Work
from ..fastening.screwed_on import METAL, screwed_on
from ..lengths import ZERO, millimetres
from .cell.context import FaceContext
from .leaf import Leaf

#: How far a part's face lies from the edge of the opening it is beside, at most; a limit of our own.
_BESIDE = millimetres(13).ticks
#: How far from its edge a frame is screwed into from behind (common practice).
_BEHIND = millimetres(9).ticks
_UPRIGHTS = frozenset({PartKind.SIDE, PartKind.PARTITION})
_LEVELS = frozenset({PartKind.TOP, PartKind.BOTTOM, PartKind.FIXED_SHELF, PartKind.STRETCHER})
_RAILS = frozenset({PartKind.FRAME_RAIL, PartKind.MID_RAIL})


def attach(
    face: FaceContext, work: Work, leaf: Leaf, place: str, kind: FittingKind, name: str, box: Box,
    rows: Iterable[tuple[Placed | None, Face, Iterable[Point]]],
) -> None:  # fmt: skip
    """Place a piece of hardware and the screws that hold it; where there is no wood there is no screw, which is noted.

    Args:
        face: the face.
        work: takes it.
        leaf: the front it is for.
        place: path of that.
        kind: what it is.
        name: as it stands in the buying list.
        box: the space it takes up.
        rows: what it is screwed to: the part, the face of it, and where.
    """
    holds = []
    for part, side, points in rows:
        if part is None:
            work.wanting.append(Wanting(Want.FASTENER, leaf.role, place=place))
            continue
        behind = _is_behind(part, side, box)
        if behind:
            box = _onto(part, side, box)
            blocks = next((each for each in face.parts if each is not part and each.box.meets(box)), None)
            if blocks is not None:
                work.wanting.append(Wanting(Want.ROOM, leaf.role, blocks.role, place=place))
        for wanted in points:
            point, through = _at(part, side, wanted, behind, box)
            made = screwed_on(FastenerKind.FITTING_SCREW, face.shell.hardware("small-screw"), work.worked(part), through, point,
                              face.taken, face.shell.fastening.write, ZERO if through is Face.BACK else METAL)  # fmt: skip
            if made is not None:
                work.fasteners.append(made)
                face.taken.add(made)
                if part.role not in holds:
                    holds.append(part.role)
        if part.role not in holds:
            work.wanting.append(Wanting(Want.FASTENER, leaf.role, part.role, place=place))
    work.fittings.append(Fitting(kind, name, box, tuple(holds)))


def _is_behind(part: Placed, side: Face, box: Box) -> bool:
    """Whether hardware stands behind the frame it is for, as at a front that fills its opening."""
    return part.axes[2] == 1 and side.axis != 1 and part.box.high[1] <= box.low[1]


def _onto(part: Placed, side: Face, box: Box) -> Box:
    """Return hardware as it reaches over the back of a frame beside it."""
    axis, out = side.axis, side.value[1]
    edge = part.box.high[axis] if out > 0 else part.box.low[axis]
    low, high = list(box.low), list(box.high)
    low[axis], high[axis] = min(low[axis], edge - out * 2 * _BEHIND), max(high[axis], edge - out * 2 * _BEHIND)
    # A thicker front stands back farther than its frame.
    low[1] = min(low[1], part.box.high[1])
    return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))


def _at(part: Placed, side: Face, point: Point, behind: bool, box: Box) -> tuple[Point, Face]:
    """Return where a screw goes in, and through which face: into the edge of a frame in the middle of what of it is behind the front, or into its back."""
    if part.axes[2] != 1 or side.axis == 1:
        return point, side
    if not behind:
        low, high = part.box.span(1)
        return (point[0], (max(low, box.low[1]) + high) // 2, point[2]), side
    axis, out = side.axis, side.value[1]
    edge = part.box.high[axis] if out > 0 else part.box.low[axis]
    back = [point[0], part.box.high[1], point[2]]
    back[axis] = edge - out * _BEHIND
    return (back[0], back[1], back[2]), Face.BACK


def first_free(
    face: FaceContext, work: Work, leaf: Leaf, place: str, choices: Iterable[tuple[int, Box]]
) -> tuple[int, Box] | None:
    """Return the first of several places at which nothing of the case stands; ``None`` if something does everywhere, which is noted.

    Args:
        face: the face.
        work: takes the note.
        leaf: the front it is for.
        place: path of that.
        choices: each with the box that something would take up there.
    """
    blocks: Placed | None = None
    for at, box in choices:
        met = next((part for part in face.parts if part.box.meets(box)), None)
        if met is None:
            return at, box
        blocks = blocks or met
    if blocks is not None:
        work.wanting.append(Wanting(Want.ROOM, leaf.role, blocks.role, place=place))
    return None


def leaf_at(work: Work, leaf: Leaf, x: int, z: int) -> Placed | None:
    """Return the part of a front that is before a place at its back; ``None`` if none of its parts reaches back so far there."""
    return next(
        (part for part in work.parts if part.role.whole == leaf.role and part.box.high[1] == leaf.back.ticks
         and part.box.low[0] <= x <= part.box.high[0] and part.box.low[2] <= z <= part.box.high[2]),
        None,
    )  # fmt: skip


def _best(found: Iterable[tuple[int, Placed]], back: int) -> Placed | None:
    """Return what is nearest; of what is as near the frame, but what is behind it where the front fills its opening."""

    def rank(each: tuple[int, Placed]) -> tuple[int, int]:
        off, part = each
        return off, 1 if part.role.kind not in FRAMES | STILES else 2 if part.box.high[1] <= back else 0

    near = min(found, key=rank, default=None)
    return near[1] if near is not None and near[0] <= _BESIDE else None


def beside(face: FaceContext, right: bool, at: int, level: int, back: int) -> Placed | None:
    """Return the upright, or the stile of a frame, whose inner face is at an edge of an opening; ``None`` if there is none.

    Args:
        face: the face.
        right: whether it is the opening's right edge.
        at: where that is.
        level: at what height.
        back: where the back of the front stands.
    """
    found = [
        (abs((part.box.low[0] if right else part.box.high[0]) - at), part)
        for part in face.parts
        if part.straight is None and part.box.low[2] <= level <= part.box.high[2]
        and ((part.role.kind in _UPRIGHTS and part.axes[2] == 0) or part.role.kind in STILES)
    ]  # fmt: skip
    return _best(found, back)


def over(face: FaceContext, upper: bool, at: int, along: int, back: int) -> Placed | None:
    """Return the level part, or the rail of a frame, at the upper or lower edge of an opening; ``None`` if there is none.

    Args:
        face: the face.
        upper: whether it is the opening's upper edge.
        at: where that is.
        along: at what place along it.
        back: where the back of the front stands.
    """
    found = [
        (abs((part.box.low[2] if upper else part.box.high[2]) - at), part)
        for part in face.parts
        if part.straight is None and part.box.low[0] <= along <= part.box.high[0]
        and ((part.role.kind in _LEVELS and part.axes[2] == 2) or part.role.kind in _RAILS)
    ]  # fmt: skip
    return _best(found, back)
