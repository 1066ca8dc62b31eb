# SPDX-License-Identifier: GPL-3.0-or-later
"""Small hardware behind a front, screwed to the front and to what is beside it: clips, hinges of flaps, supports."""

from __future__ import annotations

from collections.abc import Iterable

from ..assembly.fastener import FastenerKind, Point
from ..assembly.fitting import Fitting, FittingKind
from ..assembly.part import Face, Placed, Want, Wanting
from ..assembly.role import PartKind
from ..assembly.solid import Box
from ..case.shell import Work
from ..fastening.screwed_on import METAL, screwed_on
from ..lengths import ZERO, millimetres
from .cell.context import FaceContext
from .leaf import Leaf

#: How far a part's face lies from the edge of the opening it is beside, at most; a limit of our own.
_BESIDE = millimetres(13).ticks


def attach(
    face: FaceContext, work: Work, kind: FittingKind, name: str, box: Box,
    rows: Iterable[tuple[Placed | None, Face, Iterable[Point]]],
) -> None:  # fmt: skip
    """Place a piece of hardware and the screws that hold it; where there is no wood there is no screw.

    Args:
        face: the face.
        work: takes it.
        kind: what it is.
        name: as it stands in the buying list.
        box: the space it takes up.
        rows: what it is screwed to: the part, the face of it, and where.
    """
    holds = []
    for part, side, points in rows:
        if part is None:
            continue
        for point in points:
            made = screwed_on(FastenerKind.FITTING_SCREW, face.shell.hardware("small-screw"), work.worked(part), side, point,
                              face.taken, face.shell.fastening.write, ZERO if side is Face.BACK else METAL)  # fmt: skip
            if made is not None:
                work.fasteners.append(made)
                face.taken.add(made)
                if part.role not in holds:
                    holds.append(part.role)
    work.fittings.append(Fitting(kind, name, box, tuple(holds)))


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


def beside(face: FaceContext, right: bool, at: int, level: int) -> Placed | None:
    """Return the upright whose inner face is at an edge of an opening, at a height; ``None`` if there is none."""
    found = [
        (abs((part.box.low[0] if right else part.box.high[0]) - at), part)
        for part in face.parts
        if part.role.kind in (PartKind.SIDE, PartKind.PARTITION) and part.axes[2] == 0 and part.straight is None
        and part.box.low[2] <= level <= part.box.high[2]
    ]  # fmt: skip
    near = min(found, key=lambda each: each[0], default=None)
    return near[1] if near is not None and near[0] <= _BESIDE else None


def over(face: FaceContext, upper: bool, at: int, along: int) -> Placed | None:
    """Return the level part at the upper or lower edge of an opening, at a place along it; ``None`` if there is none."""
    found = [
        (abs((part.box.low[2] if upper else part.box.high[2]) - at), part)
        for part in face.parts
        if part.axes[2] == 2 and part.straight is None and part.box.low[0] <= along <= part.box.high[0]
        and part.role.kind in (PartKind.TOP, PartKind.BOTTOM, PartKind.FIXED_SHELF, PartKind.STRETCHER)
    ]  # fmt: skip
    near = min(found, key=lambda each: each[0], default=None)
    return near[1] if near is not None and near[0] <= _BESIDE else None
