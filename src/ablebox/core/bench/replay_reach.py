# SPDX-License-Identifier: GPL-3.0-or-later
"""The part of the replay that holds clamps and brushes against the parts that stand: plain data in millimetres.

It shares no code with what plans: jaws and hands are put in place and moved away again.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Sequence
from itertools import product

import numpy as np
from numpy.typing import NDArray

Boxes = NDArray[np.float64]
#: Whether boxes go away among others by moves in a row.
Goes = Callable[[Boxes, Boxes, list[NDArray[np.float64]]], bool]
#: A clamp draws a gap shut that is no wider, and a jaw may graze by so much, in mm (of our own).
_SHUT, _GRAZE = 1.6, 0.05
#: Faces smaller than this, both ways, are not looked at, and how far before a face its points lie, in mm (of our own).
_SMALL, _OFF = 130.0, 0.5
#: Points nearer to other wood than this are not looked at, in mm (of our own): a hand covers them from beside.
_NOOK = 6.0
_JAWS = (-0.96, 0.0, 0.96)
#: How far the middle of a hand may be from a place its brush gets to, in halves of its width, and in how many steps that is
#: looked at: a brush reaches beyond the hand by half of that (of our own).
_COVERS, _PLACES = 1.9, 27
_AXES = np.eye(3)
#: How a hand may be led out: straight to the front or the back, or along one or two ways before.
_LED = [
    [*before, out]
    for n in range(3)
    for before in product([sign * _AXES[a] for a in (0, 2) for sign in (1.0, -1.0)], repeat=n)
    for out in (-_AXES[1], _AXES[1])
]


def clamped(
    middle: NDArray[np.float64], axis: int, own: Sequence[Boxes], others: Sequence[Boxes], room: Sequence[float]
) -> bool:
    """Whether a clamp can be set across two parts, along the line of a dowel between them.

    Args:
        middle: the middle of the dowel.
        axis: the axis it lies along.
        own: the boxes of the parts it joins.
        others: the boxes of each other part that stands.
        room: how long and wide a clamp's head is.
    """
    across = [a for a in range(3) if a != axis]
    long, wide = room
    for sign in (1.0, -1.0):
        end, last = max((float((sign * part[:, :, axis]).max()), i) for i, part in enumerate(own))
        stack, final = [*own, *others], last
        while True:
            more = [
                (float((sign * hit[:, :, axis]).max()), i)
                for i, part in enumerate(stack)
                if len(hit := part[((part[:, 0] <= middle) & (part[:, 1] >= middle))[:, across].all(1)])
                and float((sign * hit[:, :, axis]).min()) <= end + _SHUT
            ]
            beyond = max(more, default=(end, final))
            if beyond[0] <= end:
                break
            end, final = beyond
        if not any(
            _stands(middle, axis, sign, np.array(shift) * wide / 2, stack, final, long, wide)
            for shift in product(_JAWS, repeat=2)
        ):
            return False
    return True


def _stands(
    middle: NDArray[np.float64], axis: int, sign: float, shift: NDArray[np.float64], stack: Sequence[Boxes], final: int, long: float,
    wide: float,
) -> bool:  # fmt: skip
    """Whether a jaw stands free on a part, shifted from the line by so much."""
    across = [a for a in range(3) if a != axis]
    low, high = middle.copy(), middle.copy()
    low[across] += shift - wide / 2 + _GRAZE
    high[across] += shift + wide / 2 - _GRAZE

    def under(part: Boxes) -> Boxes:
        return part[((part[:, 0] < high) & (part[:, 1] > low))[:, across].all(1)]

    foot = under(stack[final])
    if not len(foot):
        return True
    end = float((sign * foot[:, :, axis]).max())
    for i, part in enumerate(stack):
        met = under(part)
        if i != final and len(met):
            near, far = (sign * met[:, :, axis]).min(1), (sign * met[:, :, axis]).max(1)
            if ((near < end + long) & (far > end + _GRAZE)).any():
                return False
    return True


def unbrushed(
    pieces: Mapping[str, Boxes], finished: set[str], bays: Sequence[Boxes], wide: float, goes: Goes
) -> Iterator[str]:
    """Return the pieces with a face in a bay that is seen from the front and that no hand with a brush gets to.

    Args:
        pieces: the boxes of what stands.
        finished: what was finished before.
        bays: the clear spaces inside.
        wide: how wide a hand with a brush is.
        goes: whether boxes go away by moves in a row.
    """
    everything = np.concatenate(list(pieces.values()))
    for piece, boxes in pieces.items():
        if piece in finished or not len(boxes):
            continue
        largest = boxes[int(np.argmax(np.prod(boxes[:, 1] - boxes[:, 0], axis=1)))]
        if any(
            _inside(point, bays)
            and _open(point, axis, sign, everything)
            and not _reached(point, axis, sign, wide, everything, goes)
            for point, axis, sign in _points(largest)
        ):
            yield piece


def _points(box: Boxes) -> Iterator[tuple[NDArray[np.float64], int, float]]:
    """Return points just before the large faces of a box, each with the axis and the side it faces."""
    size = box[1] - box[0]
    for axis, sign in product(range(3), (1.0, -1.0)):
        one, two = (a for a in range(3) if a != axis)
        if min(size[one], size[two]) < _SMALL:
            continue
        for u, v in ((0.2, 0.2), (0.5, 0.5), (0.8, 0.8), (0.2, 0.8), (0.8, 0.2)):
            point = np.zeros(3)
            point[axis] = box[1, axis] + _OFF if sign > 0 else box[0, axis] - _OFF
            point[one], point[two] = box[0, one] + u * size[one], box[0, two] + v * size[two]
            yield point, axis, sign


def _inside(point: NDArray[np.float64], bays: Sequence[Boxes]) -> bool:
    return any(bool(((bay[0] <= point) & (point <= bay[1])).all()) for bay in bays)


def _open(point: NDArray[np.float64], axis: int, sign: float, everything: Boxes) -> bool:
    """Whether a place is in no nook, and nothing stands between it and somebody before the case."""
    off = point + _AXES[axis] * sign * _NOOK
    if ((everything[:, 0] < off + _NOOK) & (everything[:, 1] > off - _NOOK)).all(1).any():
        return False
    met = (everything[:, 0] <= point) & (everything[:, 1] >= point)
    met[:, 1] = everything[:, 0, 1] <= point[1]
    return not met.all(1).any()


def _reached(point: NDArray[np.float64], axis: int, sign: float, wide: float, everything: Boxes, goes: Goes) -> bool:
    """Whether a hand that covers a place can be led out."""
    one, two = (a for a in range(3) if a != axis)
    # The likeliest first: right before the place.
    beside = sorted(
        product(*(_beside(float(point[a]), a, wide, everything) for a in (one, two))),
        key=lambda at: abs(at[0]) + abs(at[1]),
    )
    for (u, v), ahead in product(beside, (0.0, 0.5)):
        middle = point.copy()
        middle[axis] += sign * (wide / 2 - _OFF + ahead * wide)
        middle[one] += u
        middle[two] += v
        hand = np.array([[middle - wide / 2 + _GRAZE, middle + wide / 2 - _GRAZE]])
        if ((everything[:, 0] < hand[0, 1]) & (everything[:, 1] > hand[0, 0])).all(1).any():
            continue
        if any(goes(hand, everything, [np.array(move) for move in led]) for led in _LED):
            return True
    return False


def _beside(at: float, axis: int, wide: float, everything: Boxes) -> list[float]:
    """Return how far a hand's middle may be from a place along an axis: in steps, and where the hand lies against wood."""
    against = np.concatenate([everything[:, 0, axis] - wide / 2, everything[:, 1, axis] + wide / 2]) - at
    return [
        *np.linspace(-_COVERS, _COVERS, _PLACES) * wide / 2,
        *np.unique(np.round(against[np.abs(against) <= _COVERS * wide / 2], 3)),
    ]
