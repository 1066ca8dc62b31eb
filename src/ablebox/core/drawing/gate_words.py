# SPDX-License-Identifier: GPL-3.0-or-later
"""Gates in words: what each is called, and what is asked for there, line by line."""

from __future__ import annotations

from ..bench.gates import Ask, GateLine, closed
from ..bench.step import Step
from ..bench.verb import Gate, What
from .fetched import Fetched
from .hole_words import hole_words
from .step_titles import title_of

_GATES = {
    Gate.GLUE: "Before the glue", Gate.BACK: "Before the back closes it off", Gate.STAND: "Before it stands up",
    Gate.TOP: "Before the top goes on", Gate.FINISH: "Before the finish", Gate.CARRY: "Before it is carried in",
}  # fmt: skip
_ASKS = {
    Ask.WIPED: "squeezed-out glue is wiped off inside",
    Ask.OPENINGS: "openings in the back are cut", Ask.DIAGONALS: "the back’s own diagonals agree",
    Ask.UNDERSIDE: "everything on the underside is done", Ask.TAPE: "tape tails hang out of the drawers to pull them by",
    Ask.LAID_OUT: "every member of the frame was laid out before it was pocketed", Ask.TWO: "two are there, or drawers, doors and shelves are out",
}  # fmt: skip


def gate_title(gate: Gate) -> str:
    """Return what a gate is called."""
    return _GATES.get(gate, "")


def gate_line(fetched: Fetched, letter: str, gated: Step, line: GateLine) -> str:
    """Return a line of the gate before a step in words.

    Args:
        fetched: what steps ask for.
        letter: of the case.
        gated: the step.
        line: of its gate.
    """
    if line.ask is not None:
        return _ASKS[line.ask]
    assert line.step is not None
    step = line.step
    if step.what is What.PINS:
        return hole_words(fetched, letter, step.does)[0].partition(", bit")[0]
    if step.what is What.BORE and gated.gate is not Gate.GLUE:
        shut = closed(fetched.bench, letter, gated)
        return "; ".join(hole_words(fetched, letter, [thing for thing in step.does if thing in shut]))
    return title_of(step)
