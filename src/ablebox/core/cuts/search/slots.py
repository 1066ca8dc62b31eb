# SPDX-License-Identifier: GPL-3.0-or-later
"""Fits blanks into given slots with the compiled loop: sheets, or what of them may be used.

Fewer sheets are one slot less; a larger remainder is a slot that is shorter or narrower.
"""

from __future__ import annotations

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


class Fitting:
    """One attempt to fit blanks into slots.

    Args:
        loop: the compiled loop, with its arrays' library as ``np``.
        blanks: what is to be fitted.
        slots: where to.
        lays: for each slot what lies in it to begin with; blanks in none of them are loose.
    """

    def __init__(self, loop: Any, blanks: list[Blank], slots: list[Slot], lays: list[list[Any]]) -> None:
        np = loop.np
        self.loop, self.blanks, self.slots = loop, blanks, slots
        self._sizes = (
            np.array([blank.length for blank in blanks], np.int64),
            np.array([blank.width for blank in blanks], np.int64),
            np.array([blank.fixed for blank in blanks], np.bool_),
        )
        self._slots = (
            np.array([slot.length for slot in slots], np.int64),
            np.array([slot.width for slot in slots], np.int64),
        )
        count = len(blanks)
        self._where = np.full(count, -1, np.int64)
        self._x, self._y = np.zeros(count, np.int64), np.zeros(count, np.int64)
        self._turned = np.zeros(count, np.int8)
        number = {id(blank): i for i, blank in enumerate(blanks)}
        for slot, placed in enumerate(lays):
            for blank, x, y, turned in placed:
                i = number[id(blank)]
                self._where[i], self._x[i], self._y[i], self._turned[i] = slot, x, y, turned
        self._smallest = min(min(blank.length, blank.width) for blank in blanks)
        self._mean = sum(blank.area for blank in blanks) / count
        self._heat = _HEAT * self._mean
        self._loops = max(20, _LAID_AT_ONCE // min(count, 120))
        self.loose = float("inf")

    def step(self, cool: float = 1.0, cooling: float = 1.0, share: float = 1.0) -> bool:
        """Run some rounds; return whether everything has a place.

        Args:
            cool: factor on how much worse is accepted.
            cooling: factor on it each round.
            share: of the usual number of rounds.
        """
        loops = max(10, int(self._loops * share))
        loose, best = self.loop.improve(
            *self._sizes, *self._slots, self._where, self._x, self._y, self._turned, loops, self._heat * cool, cooling,
            self._smallest,
        )  # fmt: skip
        self._heat *= cooling**loops
        self.loose = float(loose)
        if self.loose > 0:
            return False
        self._where, self._x, self._y, self._turned = best
        return True

    def fill(self, first: int, last: int, tries: int, lean: float) -> int:
        """Fill some slots with what is loose; return how many blanks are still loose."""
        return int(
            self.loop.sequence(
                *self._sizes, *self._slots, self._where, self._x, self._y, self._turned, first, last, tries, lean,
                self._smallest,
            )
        )  # fmt: skip

    @property
    def all_placed(self) -> bool:
        """Whether everything has a place."""
        return bool((self._where >= 0).all())

    def lays(self) -> list[Lay]:
        """Return the slots as beds with their blanks, those joined taken apart; only when all have a place."""
        found = [Lay(slot.bed) for slot in self.slots]
        for i, blank in enumerate(self.blanks):
            lay = found[int(self._where[i])]
            lay.placed += blank.single(int(self._x[i]), int(self._y[i]), bool(self._turned[i]))
        return [lay for lay in found if lay.placed]


class Filling:
    """Fills slots one after another, each as well as some tries can.

    Args:
        loop: the compiled loop.
        blanks: what is laid.
        slots: where to, in the order in which they are filled.
        tries: for each slot.
        lean: how much more large blanks count than their area.
    """

    def __init__(self, loop: Any, blanks: list[Blank], slots: list[Slot], tries: int, lean: float) -> None:
        # Equal blanks stand beside each other: the loop looks at one of them only.
        ordered = sorted(blanks, key=lambda blank: (blank.length, blank.width, blank.fixed))
        self.fitting = Fitting(loop, ordered, slots, [[] for _ in slots])
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
