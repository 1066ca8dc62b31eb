# SPDX-License-Identifier: GPL-3.0-or-later
"""Large-neighbourhood search: a few sheets are taken apart and laid anew by beam search, over and over.

What comes out may be a little worse than before; how much, falls to nothing again and again. Ideas: Shaw, "Using
constraint programming and local search methods to solve vehicle routing problems" (1998); Dueck and Scheuer, "Threshold
accepting" (1990); both cited from memory.
"""

from __future__ import annotations

from collections.abc import Sequence
from random import Random

from .beam import GUIDES, Beam, Layer
from .blanks import Bed, Blank
from .construct import Lay
from .joining import Joiner, sides_are_rare
from .pairs import paired
from .worth import Laid, Worth

#: How many sheets are taken apart, and how often the emptiest is among them.
_SHEETS, _EMPTIEST = (2, 2, 3, 3, 4, 5), 0.6
#: Times the heat falls to nothing, and every how manieth time is a hotter one that looks at the cut alone.
_CYCLES, _HOTTER = 8, 4
#: The heat, as a share of a sheet; the same for short lists, and how short they are; of a hotter cycle, times as much.
_HEAT, _SHORT_HEAT, _SHORT, _MORE = 0.002, 0.006, 40, 3.0
#: Further off the best than so many heats it is gone back to.
_FAR = 4.0
#: Work of one round at most, partial plans times the square of the pieces, and partial plans at most.
_WORK, _DEEPEST = 3_000_000, 500.0
#: How often blanks are joined as far as they go; how few they are then; how often some are, and a quarter of them.
_WHOLE, _FEW, _SOME, _QUARTER = 0.08, 60, 0.4, 0.2
_STOPS = (0.0, 0.02, 0.1, 0.2)
#: Idle offcuts offered to what is laid anew, and how often other sheets are, where there are several kinds.
_IDLE, _OTHERS = 4, 0.4
_NOISE, _NOISES = 0.7, (0.05, 0.15, 0.4)
_WAYS = (1, 2, 3, 3, 3, 3)


class Neighbourhood:
    """The search.

    Args:
        layer: lays blanks by beam search.
        worth: judges layouts.
        beds: kinds of sheet, offcuts first.
        lays: the layout to start from.
        join: whether blanks may be joined for a round.
        seed: of the choices.
    """

    def __init__(
        self, layer: Layer, worth: Worth, beds: Sequence[Bed], lays: Sequence[Lay], join: bool, seed: int
    ) -> None:
        self.layer, self.worth, self.beds, self.join, self.rng = layer, worth, beds, join, Random(seed)
        self._bought = [bed for bed in beds if not bed.supply.offcut]
        self._largest = max(beds, key=lambda bed: bed.length * bed.width)
        self.now = self.best = worth.sheets(lays)
        self._now, self._best = worth.of(self.best), worth.rank(self.best)
        self._cycle = 0
        self._rare = sides_are_rare([blank for lay in lays for blank, *_ in lay.placed])
        self._heat = _SHORT_HEAT if sum(len(lay.placed) for lay in lays) <= _SHORT else _HEAT

    @property
    def lays(self) -> list[Lay]:
        """The best layout so far."""
        return [sheet.lay for sheet in self.best]

    def step(self, share: float) -> bool:
        """Lay some sheets anew; return whether the best layout got better.

        Args:
            share: how much of the search is over, from 0 to 1.
        """
        cycle, within = divmod(share * _CYCLES, 1.0)
        hotter = int(cycle) % _HOTTER == _HOTTER - 1
        if int(cycle) != self._cycle:
            self._cycle = int(cycle)
            self._back(hotter)
        heat = self._heat * (_MORE if hotter else 1.0)
        chosen = self._chosen()
        loose = [blank for sheet in chosen for blank, *_ in sheet.lay.placed]
        kept = [sheet for sheet in self.now if all(sheet is not each for each in chosen)]
        if self.join:
            loose = self._joined(loose)
        fresh = self.layer.lay(loose, self._offered(chosen, kept), self._beam(len(loose), share))
        if fresh is None:
            return False
        sheets = kept + self.worth.sheets(fresh)
        worth = self.worth.of(sheets, hotter)
        if worth > self._now + heat * (1.0 - within) * self.rng.random():
            return False
        self.now, self._now = sheets, worth
        rank = self.worth.rank(sheets)
        if rank < self._best:
            self.best, self._best = sheets, rank
            return True
        if worth > self.worth.of(self.best, hotter) + _FAR * heat:
            self._back(hotter)
        return False

    def _back(self, hotter: bool) -> None:
        self.now, self._now = self.best, self.worth.of(self.best, hotter)

    def _chosen(self) -> list[Laid]:
        rng, now = self.rng, self.now
        chosen = rng.sample(now, min(len(now), rng.choice(_SHEETS)))
        if rng.random() < _EMPTIEST:
            emptiest = min(now, key=lambda sheet: (sheet.cost == 0, sheet.laid))
            if all(sheet is not emptiest for sheet in chosen):
                chosen[0] = emptiest
        return chosen

    def _offered(self, chosen: Sequence[Laid], kept: Sequence[Laid]) -> list[Bed]:
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
            if rng.random() < _OTHERS:
                others: list[Bed] = []
                for _ in range(len(bought) + 1):
                    bed = rng.choice(self._bought)
                    used = sum(sheet.lay.bed is bed for sheet in kept) + sum(each is bed for each in others)
                    if bed.count is None or used < bed.count:
                        others.append(bed)
                bought = others
        return offcuts + idle + bought

    def _joined(self, loose: list[Blank]) -> list[Blank]:
        """Return the blanks, some of them joined now and then."""
        rng, bed, n = self.rng, self._largest, len(loose)
        way = rng.random()
        if way < _WHOLE and n <= _FEW and self._rare:
            joiner = Joiner(bed.length, bed.width, rng)
            sheets, rest = joiner.whole_sheets(joiner.join(loose, rng.choice(_STOPS)))
            return sheets + rest
        if way > 1.0 - _SOME:
            joins = n // 8 if way > 1.0 - _QUARTER else rng.randint(1, 3)
            return paired(loose, joins, bed.length, bed.width, rng)
        return loose

    def _beam(self, n: int, share: float) -> Beam:
        rng = self.rng
        most = max(1.0, min(_DEEPEST, _WORK / (n * n)) * (0.3 + 0.7 * share) / 2.0)
        noise = rng.choice(_NOISES) if rng.random() < _NOISE else 0.0
        return Beam(max(2, int(2.0 * most ** rng.random())), rng.randrange(GUIDES), noise, rng.choice(_WAYS))
