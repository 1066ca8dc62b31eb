# SPDX-License-Identifier: GPL-3.0-or-later
"""Steps as tasks: how long, what waits after each stretch, how many hands, what noise, how warm, and what comes before."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import date

from ..assembly.fastener import FastenerKind
from ..bench.bench import Bench, JobStep
from ..bench.needs import needs
from ..bench.remade import remade
from ..bench.thing import ThingKind
from ..bench.verb import What
from ..shop.weights import ALONE_KG, kilograms
from .durations import GRAIN, Durations, in_grains

#: What makes noise: saws and routers; a nailer besides.
_NOISY = frozenset({What.JIGS, What.SAW, What.TEST, What.MACHINE})


@dataclass(frozen=True, slots=True)
class Stage:
    """A stretch of a task that is done in one go.

    Args:
        minutes: how long it takes.
        wait: how many minutes nothing is done to it then.
        least: the least temperature until then, in degrees Celsius; ``None`` where it does not matter.
        glue: whether it is glue that waits, longer in the cold.
    """

    minutes: int
    wait: int = 0
    least: int | None = None
    glue: bool = False

    @property
    def whole(self) -> bool:
        """Whether it cannot be broken off: glue is open, a coat is wet."""
        return self.least is not None


@dataclass(frozen=True, slots=True)
class Task:
    """A step of the job as a task.

    Args:
        n: the step's number.
        places: what the step is known by.
        stages: its stretches, one after another.
        hands: how many people it takes.
        noisy: whether it makes noise.
        machine: whether it takes the saw or router, of which a shop has one.
        needs: numbers of the tasks that come before.
        day: the day it was put on; ``None`` if nobody did.
        loads: numbers of the glue-ups it loads, which are left as long as that asks for.
    """

    n: int
    places: tuple[str, ...]
    stages: tuple[Stage, ...]
    hands: int = 1
    noisy: bool = False
    machine: bool = False
    needs: tuple[int, ...] = ()
    day: date | None = None
    loads: tuple[int, ...] = ()

    @property
    def minutes(self) -> int:
        """How long all of it takes."""
        return sum(stage.minutes for stage in self.stages)


def tasks(bench: Bench) -> list[Task]:
    """Return every step that is not done as a task, in the order of the bench.

    The order within a case stays, but for what is done beside it: parts, boxes, doors, frames and tops may be made while
    something else waits. What a gate asks for comes before its step.
    """
    return list(_Tasks(bench).all())


class _Tasks:
    def __init__(self, bench: Bench) -> None:
        self.bench, self.book = bench, bench.made.project.days
        self.durations = Durations(bench)
        self.open = [job for job in (self._left(job) for job in bench.steps) if job is not None]

    def _left(self, job: JobStep) -> JobStep | None:
        """Return what is left of a step: all of it, or of a ticked one what is made again; ``None`` if nothing is."""
        if not self.bench.is_done(job):
            return job
        rows = []
        for letter, step in job.rows:
            roles = remade(self.bench, letter, step)
            if roles:
                does = tuple(thing for thing in step.does if thing.role in roles)
                rows.append((letter, replace(step, roles=roles, puts=(), does=does, wait=0)))
        return replace(job, rows=tuple(rows)) if rows else None

    def all(self) -> Iterator[Task]:
        there = {job.n for job in self.open}
        before = needs(self.bench)
        glued: dict[str, list[int]] = {}
        for job in self.open:
            days = [self.book.pinned[place] for place in job.places if place in self.book.pinned]
            stages = tuple(self._stages(job))
            carried = job.step.what is What.CARRY
            loads = [n for letter in job.letters for n in glued.get(letter, ())] if carried else []
            yield Task(
                job.n, job.places, stages, self._hands(job), self._is_noisy(job), job.step.what in _NOISY,
                tuple(n for n in before[job.n] if n in there), min(days, default=None), tuple(loads),
            )  # fmt: skip
            if any(stage.glue for stage in stages):
                for letter in job.letters:
                    glued.setdefault(letter, []).append(job.n)

    def _stages(self, job: JobStep) -> Iterator[Stage]:
        coats = [row for letter, step in job.rows for row in [self.durations.amounts.coats(letter, step)] if row]
        if coats:
            for at in range(max(len(row) for row in coats)):
                rows = [row[at] for row in coats if at < len(row)]
                slowest = max((coat for coat, _ in rows), key=lambda coat: coat.recoat)
                least = max(coat.least for coat, _ in rows)
                yield Stage(self.durations.coat_minutes(sum(area for _, area in rows)), slowest.recoat, least)
            return
        minutes = sum(self.durations.minutes(letter, step) for letter, step in job.rows)
        if any(step.wait for _, step in job.rows):
            yield from self._glued(job, minutes)
        else:
            # What was worked on it already is in the log, as hours.
            yield Stage(in_grains(minutes - self.durations.spent(job)))

    def _glued(self, job: JobStep, minutes: int) -> Iterator[Stage]:
        """Return a glue-up as stretches no longer than glue stays open, each clamped before the next."""
        glue = self.book.glue
        longest = max(GRAIN, glue.open // GRAIN * GRAIN)
        count = -(-minutes // longest)
        left = minutes
        for i in range(count):
            long = in_grains(left / (count - i))
            left -= long
            yield Stage(long, glue.clamp, glue.least, True)

    def _is_noisy(self, job: JobStep) -> bool:
        if job.step.what in _NOISY:
            return True
        return any(
            thing.kind is ThingKind.FASTENER
            and self.bench.assembly(letter).fasteners[thing.number].kind is FastenerKind.NAIL
            for letter, step in job.rows for thing in step.does
        )  # fmt: skip

    def _hands(self, job: JobStep) -> int:
        """Return how many people a step takes: two carry what one cannot lift, or set a heavy top on."""
        made = self.bench.made
        if job.step.what in (What.STAND, What.HANG_UP):
            entries = [self.bench.fit.entry(letter) for letter in job.letters]
            return max(2 if entry.hands > 1 else 1 for entry in entries if entry is not None)
        if job.step.what not in (What.CARRY, What.COUNTER):
            return 1
        for letter, step in job.rows:
            counters = step.what is What.COUNTER
            weight = kilograms(made, made.assembly(letter), bare=True)
            if counters:
                weight = kilograms(made, made.assembly(letter), bare=True, counters=True) - weight
            if weight > ALONE_KG:
                return 2
        return 1
