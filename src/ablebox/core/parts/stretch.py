# SPDX-License-Identifier: GPL-3.0-or-later
"""A stretch along one direction of a part, from the edge a person measures it from."""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.part import Face, Hand, Placed
from ..lengths import Length

_FACES = {face.value: face for face in Face}


def face_at(axis: int, side: int) -> Face:
    """Return the face at the low (-1) or high (+1) side of an axis."""
    return _FACES[(axis, side)]


@dataclass(frozen=True, slots=True)
class Stretch:
    """A stretch along one direction of a part.

    Args:
        edge: the edge it is measured from.
        start: from that edge to where it starts.
        end: from that edge to where it ends; the same as ``start`` for a line.
        whole: whether it runs from edge to edge.
        centred: whether it is as far from the other edge.
    """

    edge: Face
    start: Length
    end: Length
    whole: bool = False
    centred: bool = False

    @property
    def size(self) -> Length:
        """How long the stretch is."""
        return self.end - self.start


def turned(part: Placed, axis: int) -> bool:
    """Whether a part is measured the other way round along ``axis``: a right hand is told as its left hand is, edge for edge."""
    return axis == 0 and part.hand is Hand.RIGHT


def stretch(part: Placed, axis: int, low: int, high: int) -> Stretch:
    """Measure a stretch from the nearer of the two edges across ``axis``; in the middle, from the lower one, of a right hand the higher."""
    start, end = part.box.span(axis)
    from_low, from_high = low - start, end - high
    whole, centred = from_low == 0 and from_high == 0, from_low == from_high
    if from_low < from_high or (centred and not turned(part, axis)):
        return Stretch(_FACES[(axis, -1)], Length(from_low), Length(high - start), whole, centred)
    return Stretch(_FACES[(axis, 1)], Length(from_high), Length(end - low), whole, centred)
