# SPDX-License-Identifier: GPL-3.0-or-later
"""Makes a layout better with the compiled loop: one sheet less while there may be one, then a larger remainder.

Plain fitting and fitting of joined blanks take turns; what joins into whole sheets without waste is
kept for a while. A remainder grows by fitting everything into a last sheet that is a little shorter
or narrower than it was.
"""

from __future__ import annotations

from random import Random
from typing import Any

from ..divide import Board, divided
from ..problem import Problem
from .blanks import Bed, Blank, to_sheet
from .construct import Lay
from .joining import MANY, Joiner
from .slots import Filling, Fitting, Slot

#: Sheets are filled one after another first, for this share of the search: tries for each, and how large pieces lean.
_FILL_FOR = 0.55
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
#: Until this share of the search it is fewer sheets that count, then the remainder.
_FEWER_UNTIL = 0.65
#: Steps in which joined blanks may be fitted before they are joined anew.
_JOINED_STEPS = 3
#: A remainder grows by this share of the sheet, then by half of it, and so on down to the last.
_GROWTH, _LAST_GROWTH = 0.08, 0.004
#: Steps after which growing by so much is given up.
_GIVE_UP = 8
#: Offcuts beside the sheets that are used as slots at most.
_MOST_OFFCUTS = 12
#: Steps after which it is judged whether joining pays.
_KNOWN_AFTER = 16
#: Ways of joining that are tried before one is fitted, fewer where there are many blanks.
_JOINED_AT_ONCE, _JOINED = 16, 700
_STOPS = (0.0, 0.0, 0.02, 0.05, 0.2)


class Improver:
    """Improves a layout step by step.

    Args:
        loop: the compiled loop.
        problem: what is cut from what.
        beds: kinds of sheet, offcuts first.
        blanks: all blanks.
        lays: the layout to start from.
        least: no layout needs fewer bought sheets.
        seed: of the shuffling.
    """

    def __init__(
        self, loop: Any, problem: Problem, beds: list[Bed], blanks: list[Blank], lays: list[Lay], least: int, seed: int
    ) -> None:
        self.loop, self.problem, self.beds, self.blanks = loop, problem, beds, blanks
        self.lays, self.least, self.rng = lays, least, Random(seed)
        loop.seed(seed)
        self.settled = False
        self._fillings = list(_FILLINGS)
        self._filling: Filling | None = None
        self._fill_until = 0.0
        self._plain: Fitting | None = None
        self._joined: Fitting | None = None
        self._joined_left = 0
        self._pool, self._aside = list(blanks), list[Blank]()
        self._turn = self._fitted = 0
        self._best_plain = self._best_joined = float("inf")
        self._growth = _GROWTH
        self._grow: Fitting | None = None
        self._grow_left, self._way, self._failed = 0, 0, 0

    def step(self, share: float) -> bool:
        """Work for a moment; return whether the layout got better.

        Args:
            share: how much of the search is over, from 0 to 1.
        """
        self._turn += 1
        if self._turn == 1:
            self._fill_until = share + (1.0 - share) * _FILL_FOR
        if self._fillings and share < self._fill_until and not (len(self._bought()) <= self.least and self._turn > 40):
            return self._fill()
        self._fillings = []
        fewer = self._one_less() is not None
        if fewer and (share < _FEWER_UNTIL or self._growth < _LAST_GROWTH):
            return self._fewer(share)
        if self._growth < _LAST_GROWTH:
            self.settled = True
            return False
        return self._larger_remainder()

    def _fill(self) -> bool:
        """Go on filling sheets one after another; return whether that came to something better."""
        if self._filling is None:
            tries, lean = self._fillings[0]
            slots = []
            for bed in self.beds:
                count = len(self.lays) + 1 if bed.count is None else min(bed.count, len(self.lays) + 1)
                slots += [Slot(bed, bed.length, bed.width)] * count
            self._filling = Filling(self.loop, self.blanks, slots, tries, lean)
        if not self._filling.step():
            return False
        lays, self._filling = self._filling.lays(), None
        self._fillings.pop(0)
        if lays is None or self._worth(lays) >= self._worth(self.lays):
            return False
        self._take(lays)
        return True

    def _worth(self, lays: list[Lay]) -> tuple[int, int, int, int]:
        """Return what layouts are compared by: what bought sheets cost, their area, all sheets, the largest remainder."""
        bought = [lay for lay in lays if not lay.bed.supply.offcut]
        area = sum(lay.bed.length * lay.bed.width for lay in bought)
        rests = (self._rest(lay) for lay in sorted(bought, key=lambda lay: lay.filled)[:3])
        return (
            sum(lay.bed.cost for lay in bought),
            area,
            len(lays),
            -max((rest.length * rest.width for rest in rests if rest), default=0),
        )

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

    def _fewer(self, share: float) -> bool:
        cool = max(0.0, 1.0 - share / _FEWER_UNTIL) if share < _FEWER_UNTIL else 0.3
        if self._can_join() and self.rng.random() < self._joined_pays():
            return self._fit_joined()
        if self._plain is None:
            slots, there = self._slots(self._one_less())
            if not slots:
                return False
            self._plain = Fitting(self.loop, self.blanks, slots, there)
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
        return len(kinds) == 1 and len(self.blanks) <= MANY

    def _fit_joined(self) -> bool:
        if self._joined is None or self._joined_left <= 0:
            if self._turn > 40 and self.rng.random() < 0.02:
                # What was joined into whole sheets may have been a wrong track.
                self._start_joining_anew()
            bed = self.lays[0].bed
            joiner = Joiner(bed.length, bed.width, self.rng)
            tried = [
                joiner.whole_sheets(joiner.join(self._pool, self.rng.choice(_STOPS)))
                for _ in range(max(1, min(_JOINED_AT_ONCE, _JOINED // len(self._pool))))
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
            self._joined = Fitting(self.loop, rest, [one] * slots, [[] for _ in range(slots)])
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

    def _take(self, lays: list[Lay]) -> None:
        self.lays = lays
        self._plain = self._joined = self._grow = None
        self._joined_left = 0
        self._start_joining_anew()
        self._growth, self._failed = _GROWTH, 0
        self._best_plain = self._best_joined = float("inf")
        self._fitted = 0

    def _rest(self, lay: Lay) -> Board | None:
        """Return the largest rectangle left over on a sheet."""
        sheet = to_sheet(self.problem, lay.bed, lay.placed)
        rests = divided(sheet, self.problem.terms).all_rests()
        return max(rests, key=lambda rest: rest.area, default=None)

    def _larger_remainder(self) -> bool:
        """Try to fit everything with the last sheet a little shorter or narrower than its remainder makes it."""
        if self._grow is None:
            self._grow = self._shorter()
            self._grow_left = _GIVE_UP
            if self._grow is None:
                self._give_up()
                return False
        self._grow_left -= 1
        if self._grow.step():
            growth = self._growth
            self._take(self._grow.lays())
            self._growth = growth
            return True
        if self._grow_left <= 0:
            self._give_up()
        return False

    def _give_up(self) -> None:
        self._grow = None
        self._way = 1 - self._way
        self._failed += 1
        if self._failed >= 2:
            self._failed = 0
            self._growth /= 2

    def _shorter(self) -> Fitting | None:
        """Return the attempt at a remainder that is larger by the growth in force; ``None`` if there is no room."""
        bought = self._bought()
        if not bought:
            self._growth = 0.0
            return None
        rests = {i: self._rest(self.lays[i]) for i in bought}
        areas = {i: rest.length * rest.width if rest else 0 for i, rest in rests.items()}
        last = max(bought, key=lambda i: (areas[i], -self.lays[i].filled))
        bed = self.lays[last].bed
        free = sum((1 - self.lays[i].filled) * self.lays[i].bed.length * self.lays[i].bed.width for i in bought)
        wanted = areas[last] + self._growth * bed.length * bed.width
        if wanted > free or wanted >= bed.length * bed.width:
            return None
        length, width = bed.length, bed.width
        if self._way == 0:
            length -= int(wanted / bed.width) + self.problem.kerf
        else:
            width -= int(wanted / bed.length) + self.problem.kerf
        if length <= 0 or width <= 0:
            return None
        slots, there = self._slots(None)
        slots[last], there[last] = Slot(bed, length, width), []
        all_fit = all(any(blank.fits(slot.length, slot.width) for slot in slots) for blank in self.blanks)
        return Fitting(self.loop, self.blanks, slots, there) if all_fit else None
