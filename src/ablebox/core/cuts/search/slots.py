# SPDX-License-Identifier: GPL-3.0-or-later
"""Fits blanks into given slots with the compiled loop: sheets, or what of them may be used.

Fewer sheets are one slot less; a larger remainder is a slot that is shorter or narrower.
"""

from __future__ import annotations

from ctypes import Array, c_double, c_int64
from dataclasses import dataclass
from typing import Any

from .blanks import Bed, Blank
from .construct import Lay

#: Rounds of the loop in one go: about so many blanks are laid, so that a search can be stopped soon.
_LAID_AT_ONCE = 60_000
#: Places looked at by a filling in one go.
_LOOKED_AT_ONCE = 4_000_000
#: How much worse is accepted at first, as a share of a blank's area (tried out on generated lists).
_HEAT = 0.02


@dataclass(frozen=True, slots=True)
class Slot:
    """A place for blanks.

    Args:
        bed: the sheet.
        length: what of it may be used, kerf included.
        width: the same.
    """

    bed: Bed
    length: int
    width: int


def _ints(values: list[int]) -> Array[c_int64]:
    return (c_int64 * len(values))(*values)


class Fitting:
    """One attempt to fit blanks into slots.

    Args:
        loops: the compiled loops.
        blanks: what is to be fitted.
        slots: where to.
        lays: for each slot what lies in it to begin with; blanks in none of them are loose.
        seed: of the loops' chance.
    """

    def __init__(self, loops: Any, blanks: list[Blank], slots: list[Slot], lays: list[list[Any]], seed: int) -> None:
        self.loops, self.blanks, self.slots = loops, blanks, slots
        count = len(blanks)
        self._fixed = (
            _ints([blank.length for blank in blanks]), _ints([blank.width for blank in blanks]),
            _ints([int(blank.fixed) for blank in blanks]),
            _ints([slot.length for slot in slots]), _ints([slot.width for slot in slots]),
        )  # fmt: skip
        self._lies = _ints([-1] * count), *(_ints([0] * count) for _ in range(3))
        self._best = tuple(_ints([0] * count) for _ in range(4))
        self._state = _ints([seed * 7919 + 17])
        self._free = tuple(_ints([0] * (4 * count + len(slots) + 8)) for _ in range(5))
        self._each = tuple(_ints([0] * count) for _ in range(7))
        self._chosen = _ints([0] * len(slots))
        self._reals = (c_double * count)(), (c_double * count)(), (c_double * len(slots))()
        where, at_x, at_y, turn = self._lies
        number = {id(blank): i for i, blank in enumerate(blanks)}
        for slot, placed in enumerate(lays):
            for blank, x, y, turned in placed:
                i = number[id(blank)]
                where[i], at_x[i], at_y[i], turn[i] = slot, x, y, int(turned)
        self._smallest = min(min(blank.length, blank.width) for blank in blanks)
        self._mean = sum(blank.area for blank in blanks) / count
        self._heat = _HEAT * self._mean
        self._rounds = max(20, _LAID_AT_ONCE // min(count, 120))
        self.loose = float("inf")

    def step(self, cool: float = 1.0, cooling: float = 1.0, share: float = 1.0) -> bool:
        """Run some rounds; return whether everything has a place.

        Args:
            cool: factor on how much worse is accepted.
            cooling: factor on it each round.
            share: of the usual number of rounds.
        """
        rounds = max(10, int(self._rounds * share))
        loose = self.loops.fit(
            len(self.blanks), len(self.slots), rounds, self._smallest, self._heat * cool, cooling,
            *self._fixed, *self._lies, self._state, *self._best, *self._free, *self._each[:6], self._chosen, *self._reals,
        )  # fmt: skip
        self._heat *= cooling**rounds
        self.loose = loose
        if loose > 0:
            return False
        self._lies, self._best = self._best, self._lies
        return True

    def fill(self, first: int, last: int, tries: int, lean: float) -> int:
        """Fill some slots with what is loose; return how many blanks are still loose."""
        left = self.loops.fill(
            len(self.blanks), len(self.slots), first, last, tries, self._smallest, lean,
            *self._fixed, *self._lies, self._state, *self._best, *self._free, *self._each, self._reals[0],
        )  # fmt: skip
        return int(left)

    @property
    def all_placed(self) -> bool:
        """Whether everything has a place."""
        return min(self._lies[0], default=0) >= 0

    def lays(self) -> list[Lay]:
        """Return the slots as beds with their blanks, those joined taken apart; only when all have a place."""
        found = [Lay(slot.bed) for slot in self.slots]
        for blank, slot, x, y, turned in zip(self.blanks, *self._lies, strict=True):
            found[slot].placed += blank.single(x, y, bool(turned))
        return [lay for lay in found if lay.placed]


class Filling:
    """Fills slots one after another, each as well as some tries can.

    Args:
        loops: the compiled loops.
        blanks: what is laid.
        slots: where to, in the order in which they are filled.
        tries: for each slot.
        lean: how much more large blanks count than their area.
        seed: of the loop's chance.
    """

    def __init__(self, loops: Any, blanks: list[Blank], slots: list[Slot], tries: int, lean: float, seed: int) -> None:
        # Equal blanks stand beside each other: the loop looks at one of them only.
        ordered = sorted(blanks, key=lambda blank: (blank.length, blank.width, blank.fixed))
        self.fitting = Fitting(loops, ordered, slots, [[] for _ in slots], seed)
        self.tries, self.lean, self.at = tries, lean, 0
        self._at_once = max(1, _LOOKED_AT_ONCE // (tries * len(blanks) * 8))

    def step(self) -> bool:
        """Fill some more slots; return whether it is over: everything has a place, or the slots are used up."""
        end = min(len(self.fitting.slots), self.at + self._at_once)
        left = self.fitting.fill(self.at, end, self.tries, self.lean)
        self.at = end
        return left == 0 or end == len(self.fitting.slots)

    def lays(self) -> list[Lay] | None:
        """Return the beds with their blanks; ``None`` if the slots do not do."""
        return self.fitting.lays() if self.fitting.all_placed else None
