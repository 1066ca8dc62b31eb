# SPDX-License-Identifier: GPL-3.0-or-later
"""Lays blanks on beds by beam search: the compiled loop with its room, and the way to and from blanks."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from ctypes import Array, c_double, c_int32, c_int64
from dataclasses import dataclass
from typing import Any

from .blanks import Bed, Blank
from .construct import Lay

#: Guides there are: waste, and waste over what the laid pieces measure in one way or another.
GUIDES = 6
#: Partial plans at once times pieces: what there is memory for.
_MOST = 4_000_000
#: Rooms that are kept for the next beam of the same size.
_ROOMS = 8


@dataclass(frozen=True, slots=True)
class Beam:
    """How blanks are laid.

    Args:
        depth: how many partial plans are kept.
        guide: by which they are judged, from 0.
        noise: how much of chance is in it.
        ways: first cuts across the length (1), across the width (2), or both (3).
    """

    depth: int
    guide: int = 0
    noise: float = 0.0
    ways: int = 3


class Layer:
    """Lays blanks with the compiled loop.

    Args:
        entry: the loop, for plain arrays.
        rows: whether several pieces may lie in a row of a strip.
        seed: of the noise.
    """

    def __init__(self, entry: Callable[..., float], rows: bool, seed: int) -> None:
        self.entry, self.rows = entry, rows
        self._state = (c_int64 * 1)(seed * 7919 + 17)
        self._room: dict[tuple[int, int, int], tuple[int, int, tuple[Array[Any], ...]]] = {}

    def lay(self, blanks: Sequence[Blank], beds: Sequence[Bed], beam: Beam) -> list[Lay] | None:
        """Return the blanks laid on beds, used in their order; ``None`` if they do not fit."""
        n = len(blanks)
        kinds: dict[tuple[int, int, bool], list[Blank]] = {}
        for blank in blanks:
            kinds.setdefault((blank.length, blank.width, blank.fixed), []).append(blank)
        sizes, waiting = list(kinds), [list(same) for same in kinds.values()]
        depth = max(1, min(beam.depth, _MOST // max(1, n)))
        held, slots, rooms = self._rooms(n, len(kinds), depth)
        of_kinds, of_beds, of_blanks = c_int64 * len(kinds), c_int64 * len(beds), c_int64 * n
        out = [of_blanks() for _ in range(5)]
        used = self.entry(
            len(kinds), len(beds), n, depth, held, slots, beam.ways, int(self.rows), beam.guide, beam.noise,
            of_kinds(*[size[0] for size in sizes]), of_kinds(*[size[1] for size in sizes]),
            of_kinds(*[int(size[2]) for size in sizes]), of_kinds(*map(len, waiting)),
            of_beds(*[bed.length for bed in beds]), of_beds(*[bed.width for bed in beds]), self._state, *rooms, *out,
        )  # fmt: skip
        if used < 0:
            return None
        found: dict[int, Lay] = {}
        for sheet, kind, x, y, turned in zip(*map(list, out), strict=True):
            lay = found.get(sheet)
            if lay is None:
                lay = found[sheet] = Lay(beds[sheet])
            lay.placed += waiting[kind].pop().single(x, y, bool(turned))
        return list(found.values())

    def _rooms(self, n: int, kinds: int, depth: int) -> tuple[int, int, tuple[Array[Any], ...]]:
        room = self._room.get((n, kinds, depth))
        if room is None:
            slots, held = 1 << (4 * depth - 1).bit_length(), max(4 * depth, 64)
            arrays = (
                (c_int64 * (14 * depth))(), (c_double * (8 * depth))(), (c_int32 * (2 * depth * kinds))(),
                (c_int64 * (2 * depth))(), (c_double * held)(), (c_int64 * held)(), (c_int64 * (n * depth))(),
                (c_int32 * slots)(), (c_int32 * depth)(), (c_int64 * kinds)(),
            )  # fmt: skip
            if len(self._room) >= _ROOMS:
                self._room.clear()
            room = self._room[n, kinds, depth] = held, slots, arrays
        return room
