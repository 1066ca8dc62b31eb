# SPDX-License-Identifier: GPL-3.0-or-later
"""Each face and edge of each part: seen, inside, unseen or undecided, known from the design, and how much of it is bare.

What other wood lies against is no face any more. A face that looks out of the case is seen where nothing stands before it:
fronts and what is flush with them, ends as the run knows them, undersides of what hangs, backs that face a room. What looks
into the case is inside, and so are drawer boxes; what looks at a wall, a neighbour, the floor or the ceiling is unseen.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from enum import Enum

import numpy as np

from ..assembly.part import Assembly, Face, Placed
from ..assembly.role import BASES, BOXES, COUNTERS, FRONTS, PartKind
from ..assembly.solid import Box
from ..case.end.undecided import Undecided
from ..coats.book import CoatBook, Sight
from ..lengths import inches
from ..run.ends import SIDES, look
from ..run.members import hangs
from ..shop.made import Made

#: Nobody looks down on what is higher than this (common practice: eyes are at about 64 in).
_EYES = inches(66)
#: Squared millimetres below which a face is none: a strip a hair wide, of our own.
_NONE = 100.0


class Where(Enum):
    """Where a face looks; the value is what it is called."""

    SEEN = "seen"
    INSIDE = "inside"
    UNSEEN = "unseen"
    UNDECIDED = "undecided"


@dataclass(frozen=True, slots=True)
class FaceOf:
    """A face or an edge of a part.

    Args:
        place: what it is told by: the place of the part and the face, ``A/side.left:left``.
        part: the part.
        face: which face.
        where: where it looks.
        area: how much of it is bare, in square metres.
        edge: whether it is an edge.
        told: whether somebody said so.
    """

    place: str
    part: Placed
    face: Face
    where: Where
    area: float
    edge: bool
    told: bool = False


_TOLD = {Sight.SEEN: Where.SEEN, Sight.UNSEEN: Where.UNSEEN, Sight.UNDECIDED: Where.UNDECIDED}


def faces(made: Made, letter: str) -> list[FaceOf]:
    """Return every face and edge of a case that is bare somewhere, with what is known of it."""
    assembly, book = made.assembly(letter), made.project.coats
    return list(_Faces(made, assembly, book).all())


class _Faces:
    def __init__(self, made: Made, assembly: Assembly, book: CoatBook) -> None:
        self.made, self.assembly, self.book = made, assembly, book
        self.letter = assembly.letter
        self.case = made.project.case(self.letter)
        self.low = np.array([part.box.low for part in assembly.parts], np.int64).reshape(-1, 3)
        self.high = np.array([part.box.high for part in assembly.parts], np.int64).reshape(-1, 3)
        #: Fronts stand open when their insides are finished, and hide nothing.
        self.hides = np.array([part.role.whole.kind not in FRONTS for part in assembly.parts], np.bool_)
        self.ends = {side: look(self.case, side, made.run.ends) for side in SIDES}
        place = made.place(self.letter)
        self.wall = place is not None or self.case.in_alcove
        self.foot = place.low.ticks if place is not None else 0

    def all(self) -> Iterator[FaceOf]:
        for i, part in enumerate(self.assembly.parts):
            for face in Face:
                axis, sign = face.value
                area = self._bare(i, axis, sign)
                if area < _NONE:
                    continue
                place = f"{self.letter}/{part.role}:{face.words}"
                told = self.book.sights.get(place)
                where = _TOLD[told] if told is not None else self._where(part, axis, sign)
                yield FaceOf(place, part, face, where, area * 1e-6, axis != part.axes[2], told is not None)

    def _bare(self, i: int, axis: int, sign: int) -> float:
        """Return how much of a face no other wood lies against, in square millimetres."""
        low, high = self.low[i], self.high[i]
        one, two = (a for a in range(3) if a != axis)
        whole = (high[one] - low[one]) * (high[two] - low[two]) / 256e6
        at = high[axis] if sign > 0 else low[axis]
        other = self.low[:, axis] if sign > 0 else self.high[:, axis]
        touching = np.abs(other - at) <= _HAIR
        covered = 0.0
        for j in np.flatnonzero(touching):
            wide = min(high[one], self.high[j][one]) - max(low[one], self.low[j][one])
            deep = min(high[two], self.high[j][two]) - max(low[two], self.low[j][two])
            if j != i and wide > 0 and deep > 0:
                covered += float(wide) * float(deep) / 256e6
        return max(0.0, float(whole) - covered)

    def _where(self, part: Placed, axis: int, sign: int) -> Where:
        """Return where a face looks, from the design."""
        whole = part.role.whole.kind
        if whole in FRONTS:
            return Where.INSIDE if (axis, sign) == (1, 1) else Where.SEEN
        if whole in BOXES or part.role.kind in (PartKind.PACKER, PartKind.CLEAT):
            return Where.INSIDE
        if part.role.kind in BASES:
            return Where.SEEN if (axis, sign) == (1, -1) and part.role.kind is PartKind.BASE else Where.UNSEEN
        if self._in_a_bay(part, axis, sign):
            return Where.INSIDE
        return self._outer(part, axis, sign) if self._looks_out(part, axis, sign) else Where.UNSEEN

    def _looks_out(self, part: Placed, axis: int, sign: int) -> bool:
        """Whether nothing of the case stands before the middle of a face."""
        middle = (np.array(part.box.low) + np.array(part.box.high)) // 2
        across = [a for a in range(3) if a != axis]
        before = (self.low[:, across] < middle[across]).all(1) & (self.high[:, across] > middle[across]).all(1)
        at = part.box.high[axis] if sign > 0 else part.box.low[axis]
        beyond = self.low[:, axis] >= at if sign > 0 else self.high[:, axis] <= at
        return not (before & beyond & self.hides).any()

    def _outer(self, part: Placed, axis: int, sign: int) -> Where:
        if axis == 0:
            end = self.ends["right" if sign > 0 else "left"]
            if end is None:
                return Where.UNSEEN
            return Where.UNDECIDED if isinstance(end, Undecided) else Where.SEEN
        if axis == 1:
            if sign < 0:
                return Where.SEEN
            return Where.UNSEEN if self.wall else Where.SEEN
        if sign > 0:
            if part.role.kind in COUNTERS:
                return Where.SEEN
            if part.role.kind is PartKind.STRETCHER:
                # A case open at the top is covered by something in the end.
                return Where.UNSEEN
            counter = any(each.role.kind in COUNTERS for each in self.assembly.parts)
            return Where.UNSEEN if counter or self.foot + part.box.high[2] > _EYES.ticks else Where.SEEN
        return Where.SEEN if hangs(self.case) else Where.UNSEEN

    def _in_a_bay(self, part: Placed, axis: int, sign: int) -> bool:
        """Whether a face bounds or stands in a clear space inside."""
        at = part.box.high[axis] if sign > 0 else part.box.low[axis]
        low, high = list(part.box.low), list(part.box.high)
        low[axis], high[axis] = (at, at + _BEFORE) if sign > 0 else (at - _BEFORE, at)
        space = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
        return any(bay.box.meets(space) for bay in self.assembly.bays)


#: Wood this near lies against a face, and so far before it is looked, in ticks (of our own).
_HAIR, _BEFORE = 3_200, 16_000


def total(rows: list[FaceOf], where: Where, edges: bool | None = None) -> float:
    """Return the area of faces that look somewhere, in square metres.

    Args:
        rows: faces and edges.
        where: where they look.
        edges: edges only, or faces only; ``None`` for both.
    """
    return float(sum(row.area for row in rows if row.where is where and edges in (None, row.edge)))
