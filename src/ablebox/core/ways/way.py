# SPDX-License-Identifier: GPL-3.0-or-later
"""The way a part comes in: found by taking it out, straight, by two or three moves in a row, or tipped."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from .space import WAYS, Ints, Mask, Space
from .tip import tipped_out

#: Places tried at which a part that is drawn out one way may go on another way.
_STOPS, _STOPS_DEEP = 4, 3
#: The axis of moves across a corner.
ASLANT = 3
#: How far and in what steps such a move is looked at, and by how much slices may graze, in ticks.
_STEPS, _STEP, _HAIR = 120, 160_000, 8_000
#: A way that is free to the end.
_FREE = np.iinfo(np.int64).max


@dataclass(frozen=True, slots=True)
class Move:
    """One move.

    Args:
        axis: 0 for x, 1 for y, 2 for z, 3 for straight behind the face of a case that stands across a corner.
        sign: which way along it; 0 for a turn about it.
    """

    axis: int
    sign: int

    @property
    def back(self) -> Move:
        """The move that undoes it."""
        return Move(self.axis, -self.sign)

    @property
    def turns(self) -> bool:
        """Whether it is a turn: a flat part that came in tipped is laid level."""
        return self.sign == 0


def way_in(
    space: Space, group: Sequence[int], there: Mask, prefer: Sequence[tuple[int, int]], slant: tuple[float, float] | None = None, tips: bool = False, long: bool = False,
) -> tuple[Move, ...] | None:  # fmt: skip
    """Return how a group comes in among what is there; ``None`` if it cannot.

    Args:
        space: all bodies.
        group: those that come in together.
        there: what stands, the group itself or not.
        prefer: the ways out that are tried, the likeliest first.
        slant: the way out across a corner, as a unit vector on the floor; ``None`` if there is none.
        tips: whether it is loose and flat, and may be tipped.
        long: whether three moves in a row are tried as well.
    """
    for way in prefer:
        if space.free(group, there, way):
            return (Move(*way).back,)
    own, others = np.zeros(space.count, np.bool_), there.copy()
    own[list(group)], others[list(group)] = True, False
    mine, rest = space.boxes(own), space.boxes(others)
    if slant is not None and _slides(mine, rest, slant):
        return (Move(ASLANT, 1),)
    between = _Between.of(mine, rest)
    found = _out(between, prefer, 2, _STOPS)
    if found is None and tips and len(mine[0]) == 1:
        tip = tipped_out(mine[0][0], mine[1][0], *rest)
        if tip is not None:
            axis, sign = tip
            return Move(axis, sign).back, Move(axis, 0)
    if found is None and long:
        found = _out(between, prefer, 3, _STOPS_DEEP)
    return None if found is None else tuple(move.back for move in reversed(found))


def way_of_boxes(
    mine: tuple[Ints, Ints], rest: tuple[Ints, Ints], prefer: Sequence[tuple[int, int]]
) -> tuple[Move, ...] | None:
    """Return how boxes come in among others, straight or by two moves; ``None`` if they cannot.

    Args:
        mine: their low and their high corners.
        rest: the same of the others.
        prefer: the ways out that are tried, the likeliest first.
    """
    found = _out(_Between.of(mine, rest), prefer, 2, _STOPS)
    return None if found is None else tuple(move.back for move in reversed(found))


@dataclass(frozen=True, slots=True)
class _Between:
    """How far boxes are from others, axis by axis: what moves along one axis changes its own numbers only.

    Args:
        ahead: for each axis, other box by box, how far it is to its low side; less than nothing if that is passed.
        behind: the same to its high side, going back.
        over: for each axis, whether the two overlap along it.
    """

    ahead: tuple[Ints, Ints, Ints]
    behind: tuple[Ints, Ints, Ints]
    over: tuple[Mask, Mask, Mask]

    @classmethod
    def of(cls, mine: tuple[Ints, Ints], rest: tuple[Ints, Ints]) -> _Between:
        """Measure boxes against others."""
        (low, high), (other_low, other_high) = mine, rest
        # One table for each axis: whole rows are compared faster than every third number of a long one.
        ahead = tuple(np.subtract.outer(other_low[:, axis], high[:, axis]).ravel() for axis in range(3))
        behind = tuple(np.subtract.outer(low[:, axis], other_high[:, axis]).T.ravel() for axis in range(3))
        over = tuple((ahead[axis] < 0) & (behind[axis] < 0) for axis in range(3))
        return cls(ahead, behind, over)  # type: ignore[arg-type]

    def moved(self, axis: int, by: int) -> _Between:
        """Return the same once the boxes have gone along an axis."""
        ahead, behind, over = list(self.ahead), list(self.behind), list(self.over)
        ahead[axis], behind[axis] = ahead[axis] - by, behind[axis] + by
        over[axis] = (ahead[axis] < 0) & (behind[axis] < 0)
        return _Between(tuple(ahead), tuple(behind), tuple(over))  # type: ignore[arg-type]

    def gap(self, way: tuple[int, int]) -> int:
        """Return how far the boxes can move one way before they hit something."""
        axis, sign = way
        beside = self.over[axis - 2] & self.over[axis - 1]
        gap = (self.ahead if sign > 0 else self.behind)[axis][beside]
        gap = gap[gap >= 0]
        return int(gap.min()) if gap.size else int(_FREE)

    def stops(self, way: tuple[int, int], far: int) -> list[int]:
        """Return how far they may move so that they are just clear of something beside them, and as far as they can."""
        axis, sign = way
        clear = -(self.behind if sign > 0 else self.ahead)[axis]
        found = np.unique(clear[(clear > 0) & (clear < far)])
        return [far, *(int(each) for each in found[::-1])]


def _out(between: _Between, prefer: Sequence[tuple[int, int]], moves: int, most: int) -> list[Move] | None:
    """Return moves that take boxes out of others, at most so many."""
    gaps = {}
    for way in prefer:
        gaps[way] = between.gap(way)
        if gaps[way] == _FREE:
            return [Move(*way)]
    if moves == 1:
        return None
    for way in prefer:
        far = gaps[way]
        if not far:
            continue
        across = [each for each in prefer if each[0] != way[0]]
        for stop in between.stops(way, far)[:most]:
            found = _out(between.moved(way[0], way[1] * stop), across, moves - 1, most)
            if found is not None:
                return [Move(*way), *found]
    return None


def _slides(mine: tuple[Ints, Ints], rest: tuple[Ints, Ints], slant: tuple[float, float]) -> bool:
    """Whether boxes can be drawn out across a corner, looked at step by step: they may graze by a hair, being slices."""
    (low, high), (other_low, other_high) = mine, rest
    if not len(other_low):
        return True
    hair = _HAIR

    def met(by: Ints) -> Mask:
        ahead = ((low + by + hair)[:, None] < other_high[None]).all(2)
        return np.asarray(ahead & (other_low[None] < (high + by - hair)[:, None]).all(2))

    at_rest = met(np.zeros(3, np.int64))
    for step in range(1, _STEPS + 1):
        by = np.array([slant[0] * step * _STEP, slant[1] * step * _STEP, 0.0]).astype(np.int64)
        if (met(by) & ~at_rest).any():
            return False
    return True


def every_way(first: Sequence[tuple[int, int]] = ()) -> list[tuple[int, int]]:
    """Return all six ways out, some of them first."""
    return [*first, *(way for way in WAYS if way not in first)]
