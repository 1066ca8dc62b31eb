# SPDX-License-Identifier: GPL-3.0-or-later
"""How long steps take, about, in minutes: a set-up, and so much for each part, each thing that is done, each part put in.

Common practice for one person who takes care; a weekend always holds less than one thinks.
"""

from __future__ import annotations

from .step import Step
from .thing import ThingKind
from .verb import What

#: Set-up, for each part, for each hole, fastener or piece of hardware, for each part put in (common practice).
_TIMES = {
    What.JIGS: (5.0, 3.0, 0.0, 0.0),
    What.SAW: (0.0, 3.0, 0.0, 0.0),
    What.MARK: (2.0, 0.5, 0.0, 0.0),
    What.TEST: (12.0, 1.0, 0.0, 0.0),
    What.MACHINE: (12.0, 4.0, 0.0, 0.0),
    What.BAND: (5.0, 0.0, 3.0, 0.0),
    What.PINS: (8.0, 1.0, 0.1, 0.0),
    What.BORE: (10.0, 1.0, 0.25, 0.0),
    What.DRY_FIT: (10.0, 1.0, 0.0, 0.0),
    What.PREFINISH: (10.0, 4.0, 0.0, 0.0),
    What.FINISH: (20.0, 4.0, 0.0, 0.0),
    What.SQUARE: (5.0, 0.0, 0.0, 0.0),
    What.OPENINGS: (5.0, 0.0, 0.0, 0.0),
    What.BOXES: (10.0, 0.0, 0.2, 2.0),
    What.LEAVES: (10.0, 0.0, 0.2, 3.0),
    What.CHECK: (10.0, 0.0, 0.0, 0.0),
    What.OFF: (5.0, 0.3, 0.0, 0.0),
    What.CARRY: (10.0, 0.0, 0.0, 0.0),
}
#: The same for any other step (common practice).
_USUAL = (5.0, 0.0, 0.6, 3.0)
_COUNTED = frozenset({ThingKind.HOLE, ThingKind.FASTENER, ThingKind.FITTING, ThingKind.BAND})


def minutes(step: Step) -> int:
    """Return how long a step takes, to five minutes."""
    start, part, thing, put = _TIMES.get(step.what, _USUAL)
    count = sum(each.kind in _COUNTED for each in step.does)
    found = start + part * len(step.roles) + thing * count + put * len(step.puts)
    return max(5, round(found / 5) * 5)
