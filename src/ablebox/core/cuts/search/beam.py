# SPDX-License-Identifier: GPL-3.0-or-later
"""Lays blanks on beds by beam search: the compiled loop with its room, and the way to and from blanks."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from .blanks import Bed, Blank
from .construct import Lay

#: Guides there are: waste, and waste over what the laid pieces measure in one way or another.
GUIDES = 6
#: Partial plans at once times pieces: what there is memory for.
_MOST = 4_000_000


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
        loop: the compiled loop, with its arrays' library as ``np``.
        rows: whether several pieces may lie in a row of a strip.
        seed: of the noise.
    """

    def __init__(self, loop: Any, rows: bool, seed: int) -> None:
        self.loop, self.rows = loop, rows
        self._state = loop.np.array([seed * 7919 + 17], loop.np.int64)
        self._room: dict[tuple[int, ...], tuple[Any, ...]] = {}

    def lay(self, blanks: Sequence[Blank], beds: Sequence[Bed], beam: Beam) -> list[Lay] | None:
        """Return the blanks laid on beds, used in their order; ``None`` if they do not fit."""
        np, n = self.loop.np, len(blanks)
        kinds: dict[tuple[int, int, bool], list[Blank]] = {}
        for blank in blanks:
            kinds.setdefault((blank.length, blank.width, blank.fixed), []).append(blank)
        sizes = list(kinds)
        waiting = [list(same) for same in kinds.values()]
        depth = max(1, min(beam.depth, _MOST // max(1, n)))
        room = self._rooms(n, len(kinds), depth)
        out = np.empty((5, n), np.int64)
        used = self.loop.lay(
            np.array([size[0] for size in sizes], np.int64), np.array([size[1] for size in sizes], np.int64),
            np.array([size[2] for size in sizes], np.int64), np.array([len(same) for same in waiting], np.int64),
            np.array([bed.length for bed in beds], np.int64), np.array([bed.width for bed in beds], np.int64),
            beam.ways, int(self.rows), depth, beam.guide, beam.noise, self._state, *room, *out,
        )  # fmt: skip
        if used < 0:
            return None
        found: dict[int, Lay] = {}
        for sheet, kind, x, y, turned in zip(*out.tolist(), strict=True):
            lay = found.get(sheet)
            if lay is None:
                lay = found[sheet] = Lay(beds[sheet])
            lay.placed += waiting[kind].pop().single(x, y, bool(turned))
        return list(found.values())

    def _rooms(self, n: int, kinds: int, depth: int) -> tuple[Any, ...]:
        np = self.loop.np
        room = self._room.get((n, kinds, depth))
        if room is None:
            slots = 1 << (4 * depth - 1).bit_length()
            held = max(4 * depth, 64)
            room = (
                np.empty((2, depth, 7), np.int64), np.empty((2, depth, 4)), np.empty((2, depth, kinds), np.int32),
                np.empty((2, depth), np.int64), np.empty(held), np.empty(held, np.int64),
                np.empty((n, depth), np.int64), np.empty(slots, np.int32), np.empty(depth, np.int32),
                np.empty(kinds, np.int64),
            )  # fmt: skip
            if len(self._room) > 8:
                self._room.clear()
            self._room[n, kinds, depth] = room
        return room
