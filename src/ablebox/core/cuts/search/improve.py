# SPDX-License-Identifier: GPL-3.0-or-later
"""Makes a layout better with the compiled loop: sheets are filled one after another, or everything is fitted into one less.

Plain fitting and fitting of joined blanks take turns; what joins into whole sheets without waste is
kept for a while.
"""

from __future__ import annotations

from random import Random
from typing import Any

from .blanks import Bed, Blank
from .construct import Lay
from .joining import MANY, Joiner, sides_are_rare
from .slots import Filling, Fitting, Slot
from .worth import Worth

#: Fillings of sheets one after another: tries for each, and how large pieces lean.
_FILLINGS = (
    (6, 0.2),
    (20, 0.2),
    (20, 0.0),
    (80, 0.2),
    (80, 0.0),
    (80, 0.5),
    (250, 0.2),
    (250, 0.0),
    (600, 0.2),
    (600, 0.0),
)
#: Steps in which joined blanks may be fitted before they are joined anew.
_JOINED_STEPS = 3
#: Offcuts beside the sheets that are used as slots at most.
_MOST_OFFCUTS = 12
#: Steps after which it is judged whether joining pays.
_KNOWN_AFTER = 16
#: Ways of joining that are tried before one is fitted, fewer where there are many blanks.
_JOINED_AT_ONCE, _JOINED, _JOINED_IN_A_HURRY = 16, 700, 150
_STOPS = (0.0, 0.0, 0.02, 0.05, 0.2)


class Improver:
    """Improves a layout step by step.

    Args:
        loops: the compiled loops.
        worth: judges layouts.
        beds: kinds of sheet, offcuts first.
        blanks: all blanks.
        lays: the layout to start from.
        least: no layout needs fewer bought sheets.
        seed: of the shuffling.
        hurried: whether there is no time to join many times before one is fitted.
    """

    def __init__(
        self, loops: Any, worth: Worth, beds: list[Bed], blanks: list[Blank], lays: list[Lay], least: int, seed: int,
        hurried: bool = False,
    ) -> None:  # fmt: skip
        self.loops, self.worth, self.beds, self.blanks = loops, worth, beds, blanks
        self.lays, self.least, self.rng = lays, least, Random(seed)
        self._joinings = max(1, min(_JOINED_AT_ONCE, (_JOINED_IN_A_HURRY if hurried else _JOINED) // len(blanks)))
        self._fillings = list(_FILLINGS)
        self._filling: Filling | None = None
        self._plain: Fitting | None = None
        self._joined: Fitting | None = None
        self._joined_left = 0
        self._pool, self._aside = list(blanks), list[Blank]()
        self._turn = self._fitted = 0
        self._rare = len(blanks) <= MANY and sides_are_rare(blanks)
        self._best_plain = self._best_joined = float("inf")

    def _chance(self) -> int:
        return self.rng.randrange(1 << 20)

    @property
    def left(self) -> int:
        """How many ways of filling are left."""
        return len(self._fillings)

    def fill(self) -> bool:
        """Go on filling sheets one after another; return whether that came to something better."""
        if self._filling is None:
            tries, lean = self._fillings[0]
            slots = []
            for bed in self.beds:
                count = len(self.lays) + 1 if bed.count is None else min(bed.count, len(self.lays) + 1)
                slots += [Slot(bed, bed.length, bed.width)] * count
            self._filling = Filling(self.loops, self.blanks, slots, tries, lean, self._chance())
        if not self._filling.step():
            return False
        lays, self._filling = self._filling.lays(), None
        self._fillings.pop(0)
        if lays is None or self.worth.rank(self.worth.sheets(lays)) >= self.worth.rank(self.worth.sheets(self.lays)):
            return False
        self._take(lays)
        return True

    def _bought(self) -> list[int]:
        return [i for i, lay in enumerate(self.lays) if not lay.bed.supply.offcut]

    def _one_less(self) -> int | None:
        """Return the bought sheet that is left away: the emptiest; ``None`` if no fewer can be."""
        bought = self._bought()
        if len(bought) <= self.least or not bought:
            return None
        return min(bought, key=lambda i: self.lays[i].filled)

    def _slots(self, without: int | None) -> tuple[list[Slot], list[list[Any]]]:
        """Return the sheets in use but one, and the offcuts that lie idle, as slots with what is on them."""
        slots, there = [], []
        for i, lay in enumerate(self.lays):
            if i != without:
                slots.append(Slot(lay.bed, lay.bed.length, lay.bed.width))
                there.append(list(lay.placed))
        idle = 0
        for bed in self.beds:
            if bed.supply.offcut and bed.count is not None:
                free = bed.count - sum(lay.bed.supply is bed.supply for lay in self.lays)
                for _ in range(min(free, _MOST_OFFCUTS - idle)):
                    slots.append(Slot(bed, bed.length, bed.width))
                    there.append([])
                    idle += 1
        return slots, there

    @property
    def can_be_fewer(self) -> bool:
        """Whether fewer bought sheets are not out of the question."""
        return self._one_less() is not None

    def fewer(self, cool: float) -> bool:
        """Work for a moment on fitting everything into one bought sheet less; return whether it fits.

        Args:
            cool: factor on how much worse is accepted on the way.
        """
        self._turn += 1
        if self._can_join() and self.rng.random() < self._joined_pays():
            return self._fit_joined()
        if self._plain is None:
            slots, there = self._slots(self._one_less())
            if not slots:
                return False
            self._plain = Fitting(self.loops, self.blanks, slots, there, self._chance())
        if not self._plain.step(cool):
            self._best_plain = min(self._best_plain, self._plain.loose)
            return False
        self._take(self._plain.lays())
        return True

    def _joined_pays(self) -> float:
        """Return how often joined blanks take their turn: half of the time until it is known which way comes nearer."""
        self._fitted += 1
        if self._fitted < _KNOWN_AFTER:
            return 0.5
        return 0.7 if self._best_joined < self._best_plain else 0.06

    def _can_join(self) -> bool:
        kinds = {id(lay.bed) for lay in self.lays}
        return len(kinds) == 1 and self._rare

    def _fit_joined(self) -> bool:
        if self._joined is None or self._joined_left <= 0:
            if self._turn > 40 and self.rng.random() < 0.02:
                # What was joined into whole sheets may have been a wrong track.
                self._start_joining_anew()
            bed = self.lays[0].bed
            joiner = Joiner(bed.length, bed.width, self.rng)
            tried = [
                joiner.whole_sheets(joiner.join(self._pool, self.rng.choice(_STOPS))) for _ in range(self._joinings)
            ]
            # What leaves the fewest blanks beside most whole sheets is the nearest to a plan.
            sheets, rest = max(tried, key=lambda way: (len(way[0]), -len(way[1])))
            self._set_aside(sheets)
            slots = len(self.lays) - 1 - len(self._aside)
            if slots >= 0 and not rest:
                return self._take_joined([])
            if slots <= 0:
                self._start_joining_anew()
                return False
            one = Slot(bed, bed.length, bed.width)
            self._joined = Fitting(self.loops, rest, [one] * slots, [[] for _ in range(slots)], self._chance())
            self._joined_left = _JOINED_STEPS
        self._joined_left -= 1
        if not self._joined.step(1.0, 0.999, 0.3):
            self._best_joined = min(self._best_joined, self._joined.loose)
            return False
        return self._take_joined(self._joined.lays())

    def _set_aside(self, sheets: list[Blank]) -> None:
        """Keep sheets that joined blanks fill without waste."""
        for sheet in sheets:
            singles = {id(blank) for blank, *_ in sheet.single(0, 0, False)}
            self._pool = [blank for blank in self._pool if id(blank) not in singles]
            self._aside.append(sheet)

    def _start_joining_anew(self) -> None:
        self._pool, self._aside = list(self.blanks), []

    def _take_joined(self, rest: list[Lay]) -> bool:
        bed = self.lays[0].bed
        self._take([*(Lay(bed, sheet.single(0, 0, False)) for sheet in self._aside), *rest])
        return True

    def start_from(self, lays: list[Lay]) -> None:
        """Go on from another layout."""
        if lays is not self.lays:
            self._take(lays)

    def _take(self, lays: list[Lay]) -> None:
        self.lays = lays
        self._plain = self._joined = None
        self._joined_left = 0
        self._start_joining_anew()
        self._best_plain = self._best_joined = float("inf")
        self._fitted = 0
