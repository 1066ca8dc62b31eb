# SPDX-License-Identifier: GPL-3.0-or-later
"""What each step of a job needs before it: its own needs, what its gate asks for, and what was done on the case before.

The order on a case is proven as a whole and stays; what is done beside it (parts, boxes, doors, frames, tops) may be done while
something else waits.
"""

from __future__ import annotations

from ..order.pins import Pins
from .bench import Bench
from .fitting import IN_ROOM, before_it
from .gates import lines
from .step import Step
from .verb import Gate, What

#: What is done beside the case.
_ASIDE = frozenset({
    What.JIGS, What.SAW, What.MARK, What.TEST, What.MACHINE, What.BAND, What.BORE, What.PREFINISH, What.FRAME_MADE, What.BOXES,
    What.BOX_SLIDES, What.LEAVES, What.HINGES, What.RACKS, What.COUNTER_MADE,
})  # fmt: skip
#: What is set by blocks.
_BY_BLOCKS = frozenset({What.PINS, What.SLIDES, What.FRONTS, What.DOORS, What.DIVIDERS})


def needs(bench: Bench) -> dict[int, tuple[int, ...]]:
    """Return the numbers of the steps that each step of a job needs, by its number."""
    number = {(letter, step.key): job.n for job in bench.steps for letter, step in job.rows}
    blocks = next((job.n for job in bench.steps if job.step.what is What.JIGS), None)
    last: dict[str, int] = {}
    found = {}
    for job in bench.steps:
        mine: set[int] = set()
        for letter, step in job.rows:
            mine |= {
                number[letter, key] for key in (*step.after, *_asked(bench, letter, step)) if (letter, key) in number
            }
            mine |= {number[each] for each in before_it(bench.fit, letter, step) if number.get(each, job.n) < job.n}
            if not _is_aside(bench, letter, step):
                mine |= {last[letter]} if letter in last else set()
                last[letter] = job.n
        if job.step.what is What.LOOK:
            mine |= {other.n for other in bench.steps if other.n < job.n and other.step.what in IN_ROOM}
        if blocks is not None and job.step.what in _BY_BLOCKS:
            mine.add(blocks)
        found[job.n] = tuple(sorted(mine - {job.n}))
    return found


def _asked(bench: Bench, letter: str, step: Step) -> list[str]:
    if step.gate is Gate.NONE:
        return []
    return [line.step.key for line in lines(bench, letter, step) if line.step is not None]


def _is_aside(bench: Bench, letter: str, step: Step) -> bool:
    if step.what is What.PINS:
        return bench.case(letter).order.pins is Pins.LOOSE
    return step.what in _ASIDE or (step.what is What.FINISH and bool(step.roles))
