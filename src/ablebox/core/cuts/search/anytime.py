# SPDX-License-Identifier: GPL-3.0-or-later
"""The search with the compiled loops, step by step, for as long as there is time.

First beams of depth one by every guide; for long lists sheets are filled one after another; then beams grow deeper; the rest
of the time a few sheets at a time are laid anew. While there may be a sheet less, everything is fitted into it now and then.
"""

from __future__ import annotations

from collections.abc import Iterator
from random import Random
from typing import Any

from .beam import GUIDES, Beam, Layer
from .blanks import Bed, Blank
from .construct import Lay
from .improve import Improver
from .joining import MANY, sides_are_rare
from .neighbourhood import Neighbourhood
from .worth import Worth

#: From so many blanks on sheets are filled one after another first, for this share of the search; from so many, for longer.
_LONG, _FILL_FOR, _VERY_LONG, _FILL_LONGER = 250, 0.35, 700, 0.65
#: How often everything is fitted into a sheet less, where that is not out of the question; the same where
#: few blanks share a side.
_FEWER, _FEWER_RARE = 0.15, 0.4
#: The share in which beams grow, by what factor, and the same share for lists as short as that.
_GROW_FOR, _GROWTH, _SHORT_FOR, _SHORT = 0.125, 1.6, 0.4, 25
#: Beams beyond this depth, and rounds of neighbourhoods in one step.
_DEEPEST, _AT_ONCE = 20_000, 3
#: With no fewer sheets to be had the search ends when nothing got better for this share of it, after so much of it.
_QUIET, _AFTER = 0.4, 0.3


class Anytime:
    """Improves a layout step by step.

    Args:
        loops: the compiled loops.
        beds: kinds of sheet, offcuts first.
        blanks: all blanks.
        lays: the layout to start from.
        stages: how often the direction of cuts may change; 0 for as often as it takes.
        seed: of the choices.
        hurried: whether there is a second, or less.
    """

    def __init__(
        self, loops: Any, beds: list[Bed], blanks: list[Blank], lays: list[Lay], stages: int, seed: int,
        hurried: bool = False,
    ) -> None:  # fmt: skip
        self.beds, self.blanks, self.lays = beds, blanks, lays
        self._seed, self._free, self._loops, self._hurried = seed, not stages, loops, hurried
        self._judge = Worth(beds)
        self._rank = self._judge.rank(self._judge.sheets(lays))
        # Two directions are strips and their pieces; with three, pieces lie beside each other in rows of a strip.
        self._layer = Layer(loops.lay, stages != 2, seed)
        self._made: Improver | None = None
        self._filled = False
        self._fill_until: float | None = None
        self._first = [Beam(1, guide) for guide in range(GUIDES)]
        self._beams = self._deeper()
        self._around: Neighbourhood | None = None
        self._start: float | None = None
        self._grown = self._last = 0.0
        #: The share the last step took, and where it began: a beam that would take too long is not begun.
        self._took = self._before = 0.0
        self._rare = sides_are_rare(blanks)
        # Filling sheets, and fitting everything into one less, is of use for long lists and where few share a side.
        self._needs = len(blanks) > _LONG or self._rare
        self._rng = Random(seed)

    def settled(self, share: float) -> bool:
        """Whether it is of no use to go on where there can be no fewer sheets."""
        return share > _AFTER and share - self._last > _QUIET

    def step(self, share: float, least: int) -> bool:
        """Work for a moment; return whether the layout got better.

        Args:
            share: how much of the search is over, from 0 to 1.
            least: no layout needs fewer bought sheets.
        """
        if self._start is None:
            self._start = share
        within = (share - self._start) / max(1e-9, 1.0 - self._start)
        self._took, self._before = max(0.0, within - self._before), within
        better = self._step(share, within, least)
        if better:
            self._last = share
        return better

    def _step(self, share: float, within: float, least: int) -> bool:
        count = len(self.blanks)
        if self._first and (count <= _VERY_LONG or len(self._first) == GUIDES):
            return self._lay_all(self._first.pop())
        long = count > _LONG and self._around is None
        if self._fill_until is None:
            self._fill_until = within + (1.0 - within) * (_FILL_FOR if count <= _VERY_LONG else _FILL_LONGER)
        # The first filling is brought to its end, whatever it takes.
        within_fill = within < self._fill_until or not self._filled
        fewer = count <= MANY and self._rng.random() < (_FEWER_RARE if self._rare else _FEWER)
        if self._needs and self._free and ((long and within_fill) or fewer):
            improver = self._improver(least)
            if long and within_fill and improver.left:
                self._grown, left = within, improver.left
                better = improver.fill() and self._take(improver.lays)
                self._filled = self._filled or improver.left < left
                return better
            if fewer and improver.can_be_fewer:
                if improver.fewer(1.0 - within) and self._take(improver.lays):
                    self._around = None if self._around is None else self._begin()
                    return True
                return False
        if self._around is None:
            beam = next(self._beams)
            until = self._grown + (_SHORT_FOR if count <= _SHORT else _GROW_FOR)
            if within + self._took < until and beam.depth <= _DEEPEST:
                return self._lay_all(beam)
            self._around = self._begin()
        laid = [self._around.step(share) for _ in range(_AT_ONCE)]
        return any(laid) and self._take(self._around.lays)

    def _improver(self, least: int) -> Improver:
        """Return what fills sheets and fits everything into one less."""
        if self._made is None:
            self._made = Improver(
                self._loops, self._judge, self.beds, self.blanks, self.lays, least, self._seed, self._hurried
            )
        self._made.least = least
        self._made.start_from(self.lays)
        return self._made

    def _begin(self) -> Neighbourhood:
        return Neighbourhood(self._layer, self._judge, self.beds, self.lays, self._free, self._seed)

    def _deeper(self) -> Iterator[Beam]:
        depth = 2
        while True:
            for guide in range(GUIDES):
                yield Beam(depth, guide)
            depth = max(depth + 1, int(depth * _GROWTH))

    def _lay_all(self, beam: Beam) -> bool:
        """Lay everything anew; where there are several kinds of sheet, most of it on each of them."""
        bought = [bed for bed in self.beds if not bed.supply.offcut]
        offcuts = [bed for bed in self.beds if bed.supply.offcut for _ in range(_count(bed, len(self.blanks)))]
        better = False
        for first in bought:
            order = [first, *(bed for bed in bought if bed is not first)]
            lays = self._layer.lay(
                self.blanks, offcuts + [bed for bed in order for _ in range(_count(bed, len(self.lays) + 1))], beam
            )
            better |= lays is not None and self._take(lays)
        return better

    def _take(self, lays: list[Lay]) -> bool:
        rank = self._judge.rank(self._judge.sheets(lays))
        if rank >= self._rank:
            return False
        self.lays, self._rank = lays, rank
        return True


def _count(bed: Bed, most: int) -> int:
    return most if bed.count is None else min(bed.count, most)
