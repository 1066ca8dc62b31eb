# SPDX-License-Identifier: GPL-3.0-or-later
"""Large-neighbourhood search: a few sheets are taken apart and laid anew by beam search, over and over.

What comes out may be a little worse than before; how much, falls to nothing again and again. A layout is worth its
sheets, the last of them by half of what is cut off for it and half of what lies on it, so that the emptiest sheet
empties further. Ideas: Shaw, "Using constraint programming and local search methods to solve vehicle routing problems"
(1998); Dueck and Scheuer, "Threshold accepting" (1990); both cited from memory.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from random import Random

from .beam import Beam, Layer
from .blanks import Bed, Blank
from .construct import Lay
from .pairs import paired

#: How many sheets are taken apart, and how often the emptiest is among them.
_SHEETS, _EMPTIEST = (2, 2, 3, 3, 4, 5), 0.6
#: Times the heat falls to nothing, and every how manieth time is a hotter one that looks at the cut alone.
_CYCLES, _HOTTER = 8, 4
#: The heat, as a share of a sheet; the same for short lists, and how short they are; of a hotter cycle, times as much.
_HEAT, _SHORT_HEAT, _SHORT, _MORE = 0.002, 0.006, 40, 3.0
#: Work of one round at most: partial plans times pieces times kinds.
_WORK = 3_000_000
#: Idle offcuts offered to what is laid anew.
_IDLE = 4


@dataclass(frozen=True, slots=True)
class _Sheet:
    """A laid sheet, what it costs, and which share of it is laid and cut off for what lies on it."""

    lay: Lay
    cost: float
    laid: float
    cut: float


class Neighbourhood:
    """The search.

    Args:
        layer: lays blanks by beam search.
        beds: kinds of sheet, offcuts first.
        lays: the layout to start from.
        join: whether blanks may be joined for a round.
        seed: of the choices.
    """

    def __init__(self, layer: Layer, beds: Sequence[Bed], lays: Sequence[Lay], join: bool, seed: int) -> None:
        self.layer, self.beds, self.join, self.rng = layer, beds, join, Random(seed)
        self._bought = [bed for bed in beds if not bed.supply.offcut]
        largest = max((bed.length * bed.width for bed in beds), default=1)
        dearest = max((bed.cost for bed in beds), default=1) or 1
        self._costs = {
            id(bed): 0.0 if bed.supply.offcut else bed.cost / dearest + 0.01 * bed.length * bed.width / largest
            for bed in beds
        }
        self.now = [self._sheet(lay) for lay in lays]
        self.best, self.best_worth = self.now, self.worth(self.now)
        self._worth, self._cycle = self.best_worth, 0
        short = sum(len(lay.placed) for lay in lays) <= _SHORT
        self._heat = _SHORT_HEAT if short else _HEAT

    def _sheet(self, lay: Lay) -> _Sheet:
        bed, long, wide, area = lay.bed, 0, 0, 0
        for blank, x, y, turned in lay.placed:
            a, b = (blank.width, blank.length) if turned else (blank.length, blank.width)
            long, wide, area = max(long, x + a), max(wide, y + b), area + a * b
        cut = min(long / bed.length, wide / bed.width)
        return _Sheet(lay, self._costs[id(bed)], area / (bed.length * bed.width), cut)

    def worth(self, sheets: Sequence[_Sheet], cut_alone: bool = False) -> float:
        """Return what a layout costs; smaller is better."""
        total = sum(sheet.cost for sheet in sheets)
        bought = [sheet for sheet in sheets if sheet.cost]
        if not bought:
            return total
        if cut_alone:
            return total - max((1.0 - sheet.cut) * sheet.cost for sheet in bought)
        return total - max((1.0 - 0.5 * sheet.cut - 0.5 * sheet.laid) * sheet.cost for sheet in bought)

    @property
    def lays(self) -> list[Lay]:
        """The best layout so far."""
        return [sheet.lay for sheet in self.best]

    def step(self, share: float) -> bool:
        """Lay some sheets anew; return whether the best layout got better.

        Args:
            share: how much of the search is over, from 0 to 1.
        """
        rng = self.rng
        cycle, within = divmod(share * _CYCLES, 1.0)
        hotter = int(cycle) % _HOTTER == _HOTTER - 1
        if int(cycle) != self._cycle:
            self._cycle, self.now = int(cycle), self.best
            self._worth = self.worth(self.now, hotter)
        heat = self._heat * (1.0 - within) * (_MORE if hotter else 1.0)
        chosen = self._chosen()
        loose = [blank for sheet in chosen for blank, *_ in sheet.lay.placed]
        kept = [sheet for sheet in self.now if all(sheet is not each for each in chosen)]
        beds = self._offered(chosen, kept)
        if self.join:
            loose = self._joined(loose)
        fresh = self.layer.lay(loose, beds, self._beam(len(loose), share))
        if fresh is None:
            return False
        sheets = kept + [self._sheet(lay) for lay in fresh]
        worth = self.worth(sheets, hotter)
        if worth > self._worth + heat * rng.random():
            return False
        self.now, self._worth = sheets, worth
        own = self.worth(sheets) if hotter else worth
        if own < self.best_worth - 1e-9:
            self.best, self.best_worth = sheets, own
            return True
        if worth > self.worth(self.best, hotter) + 4.0 * self._heat * (_MORE if hotter else 1.0):
            self.now, self._worth = self.best, self.worth(self.best, hotter)
        return False

    def _chosen(self) -> list[_Sheet]:
        rng, now = self.rng, self.now
        count = min(len(now), rng.choice(_SHEETS))
        chosen = rng.sample(now, count)
        if rng.random() < _EMPTIEST:
            emptiest = min(now, key=lambda sheet: (sheet.cost == 0, sheet.laid))
            if all(sheet is not emptiest for sheet in chosen):
                chosen[0] = emptiest
        return chosen

    def _offered(self, chosen: Sequence[_Sheet], kept: Sequence[_Sheet]) -> list[Bed]:
        """Return the beds in the order in which they are used: those taken apart, idle offcuts, sometimes other sheets."""
        rng = self.rng
        own = [sheet.lay.bed for sheet in chosen]
        offcuts, bought = [bed for bed in own if bed.supply.offcut], [bed for bed in own if not bed.supply.offcut]
        idle: list[Bed] = []
        for bed in self.beds:
            if bed.supply.offcut and bed.count is not None:
                free = bed.count - sum(sheet.lay.bed is bed for sheet in kept) - sum(each is bed for each in own)
                idle += [bed] * max(0, min(free, _IDLE - len(idle)))
        if len(self._bought) > 1:
            rng.shuffle(bought)
            if rng.random() < 0.4:
                others: list[Bed] = []
                for _ in range(len(bought)):
                    bed = rng.choice(self._bought)
                    used = sum(sheet.lay.bed is bed for sheet in kept) + sum(each is bed for each in others)
                    if bed.count is None or used < bed.count:
                        others.append(bed)
                bought = others
        return offcuts + idle + bought

    def _joined(self, loose: list[Blank]) -> list[Blank]:
        rng = self.rng
        way = rng.random()
        if way < 0.6:
            return loose
        n = len(loose)
        joins = rng.randint(1, 3) if way < 0.8 else n // 8 if way < 0.93 else n // 2
        largest = max(self.beds, key=lambda bed: bed.length * bed.width)
        return paired(loose, joins, largest.length, largest.width, rng)

    def _beam(self, n: int, share: float) -> Beam:
        rng = self.rng
        most = max(2.0, min(500.0, _WORK / (n * n))) * (0.3 + 0.7 * share)
        depth = max(2, int(2.0 * (max(2.0, most) / 2.0) ** rng.random()))
        noise = rng.choice((0.05, 0.15, 0.4)) if rng.random() < 0.7 else 0.0
        return Beam(depth, rng.randrange(6), noise, rng.choice((1, 2, 3, 3, 3, 3)))
