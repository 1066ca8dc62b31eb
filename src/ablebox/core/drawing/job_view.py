# SPDX-License-Identifier: GPL-3.0-or-later
"""The picture of a step of the job: of a step at the bench what is put together, of one in the room its wall."""

from __future__ import annotations

from ..bench.bench import Bench
from ..bench.fitting import IN_ROOM
from ..bench.step import Step
from ..bench.verb import What
from .fit_view import fit_view
from .shapes import Drawing
from .step_view import step_view

#: Steps in the room that are shown on the fronts of their case.
_ON_CASE = frozenset({What.ADJUST})


def job_view(bench: Bench, letter: str, step: Step, codes: dict[str, str], named: bool = True) -> Drawing:
    """Return the picture of a step.

    Args:
        bench: the steps.
        letter: of the case, or what else it is about.
        step: the step.
        codes: the code of each part by role.
        named: whether codes are written on it.
    """
    if step.what in IN_ROOM and step.what not in _ON_CASE and bench.fit.order:
        return fit_view(
            bench.fit, wall_of(bench, letter, step), letter if bench.is_case(letter) else "", standing(bench)
        )
    return step_view(bench.assembly(letter), bench.case(letter), step, codes, named)


def wall_of(bench: Bench, letter: str, step: Step) -> int:
    """Return the number of the wall a step in the room is at; the first one something stands at where it is at all."""
    made = bench.made
    entry = bench.fit.entry(letter)
    if entry is not None:
        return entry.wall
    if step.what is What.SCRIBE:
        return made.project.spaces[int(step.roles[0].partition(".")[0]) - 1].wall
    if step.what in (What.TRIM, What.WALL_RAILS):
        return made.project.strips[int(step.roles[0].partition(".")[0]) - 1].wall
    return bench.fit.order[0].wall


def standing(bench: Bench) -> dict[str, bool]:
    """Return which cases stand in the room, by letter."""
    return {
        entry.letter: bench.done(entry.letter, key)
        for entry in bench.fit.order if entry.letter in bench.letters
        for key in (What.HANG_UP.value if bench.made.project.case(entry.letter).is_hung else What.STAND.value,)
    }  # fmt: skip
