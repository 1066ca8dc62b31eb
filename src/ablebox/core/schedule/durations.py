# SPDX-License-Identifier: GPL-3.0-or-later
"""How long steps take, by the shop's rates, and by what the log says they really took."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from ..bench.bench import Bench, JobStep, place_of
from ..bench.step import Step
from ..bench.verb import What
from ..log.entry import EntryKind
from .amounts import Amounts
from .rates import Rate, seconds_of

#: Minutes that are planned in.
GRAIN = 5
#: As if so many entries had said that the rates are right: one slow afternoon does not turn them over (of our own).
_TRUST = 2
#: Which rate a kind of step is mostly made of; any other is mostly putting parts in.
_MOSTLY = {
    What.SAW: Rate.CUT, What.JIGS: Rate.CUT, What.MARK: Rate.MARK, What.TEST: Rate.SET_UP, What.MACHINE: Rate.SLOT, What.BAND: Rate.BAND,
    What.PINS: Rate.HOLE, What.BORE: Rate.HOLE, What.SLIDES: Rate.FITTING, What.HINGES: Rate.FITTING, What.RACKS: Rate.FITTING, What.PLATES: Rate.FITTING, What.LATCHES: Rate.FITTING,
    What.FINISH: Rate.COAT, What.PREFINISH: Rate.COAT, What.CARRY: Rate.CARRY, What.STAND: Rate.STAND, What.HANG_UP: Rate.STAND, What.SCRIBE: Rate.SCRIBE, What.BEFORE: Rate.LINE, What.OPENINGS: Rate.LOOK, What.CHECK: Rate.LOOK,
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Learnt:
    """What the log says of a kind of step.

    Args:
        factor: how many times as long it takes as by the rates.
        entries: how many entries say so.
    """

    factor: float
    entries: int


class Durations:
    """How long steps take.

    Args:
        bench: the steps.
    """

    def __init__(self, bench: Bench) -> None:
        self.bench, self.amounts = bench, Amounts(bench)
        self.own = bench.made.project.days.rates
        self.learnt = self._learnt()

    def by_rate(self, letter: str, step: Step) -> float:
        """Return how many minutes a step takes by the rates, coats apart."""
        return self._minutes(self.amounts.of(letter, step))

    def _minutes(self, amounts: Mapping[Rate, float]) -> float:
        return sum(seconds_of(self.own, rate) * count for rate, count in amounts.items()) / 60

    def minutes(self, letter: str, step: Step) -> int:
        """Return how many minutes a step takes as the shop works, coats apart, in whole grains."""
        factor = self.learnt[step.what].factor if step.what in self.learnt else 1.0
        return in_grains(self.by_rate(letter, step) * factor)

    def coat_minutes(self, square_feet: float) -> int:
        """Return how many minutes a coat takes."""
        factor = self.learnt[What.FINISH].factor if What.FINISH in self.learnt else 1.0
        return in_grains(self._minutes({Rate.COAT: square_feet}) * factor)

    def whole(self, job: JobStep) -> int:
        """Return how many minutes of work a step of the job is, its coats with it."""
        found = 0
        for letter, step in job.rows:
            coats = self.amounts.coats(letter, step)
            found += sum(self.coat_minutes(area) for _, area in coats) if coats else self.minutes(letter, step)
        return found

    def spent(self, job: JobStep) -> int:
        """Return how many minutes of hours the log has for a step that is not done yet."""
        return sum(
            entry.minutes for entry in self.bench.made.project.log
            if entry.kind is EntryKind.HOURS and entry.about in job.places
        )  # fmt: skip

    def rates(self) -> dict[str, int]:
        """Return the shop's own rates with what was learnt in them, in seconds by name."""
        found = dict(self.own)
        for what, row in self.learnt.items():
            rate = _MOSTLY.get(what, Rate.PUT)
            found[rate.value] = round(seconds_of(self.own, rate) * row.factor)
        return found

    def _learnt(self) -> dict[What, Learnt]:
        steps = {
            place: (letter, step) for job in self.bench.steps for letter, step in job.rows
            for place in (place_of(letter, 1, step.key),)
        }  # fmt: skip
        found: dict[What, list[float]] = {}
        for entry in self.bench.made.project.log:
            if entry.kind is EntryKind.DONE and entry.minutes and entry.about in steps:
                letter, step = steps[entry.about]
                usual = self.by_rate(letter, step) + sum(
                    self._minutes({Rate.COAT: area}) for _, area in self.amounts.coats(letter, step)
                )
                if usual > 0:
                    found.setdefault(step.what, []).append(entry.minutes / usual)
        return {
            what: Learnt((sum(rows) + _TRUST) / (len(rows) + _TRUST), len(rows)) for what, rows in found.items()
        }  # fmt: skip


def in_grains(minutes: float) -> int:
    """Return minutes in whole grains, one at least."""
    return max(GRAIN, -int(-minutes // GRAIN) * GRAIN)
