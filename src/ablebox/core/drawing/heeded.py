# SPDX-License-Identifier: GPL-3.0-or-later
"""What is heeded at a step: guards, dust, edges, weights; the usual cautions of each kind of work (common practice)."""

from __future__ import annotations

from collections.abc import Iterator

from ..bench.bench import JobStep
from ..bench.verb import What
from ..materials import material
from . import fit_words
from .fetched import Fetched
from .finish_words import RAGS
from .way_words import dust


def heeded(fetched: Fetched, job: JobStep) -> Iterator[str]:
    """Return the cautions of a step.

    Args:
        fetched: what steps ask for.
        job: the step.
    """
    step = job.step
    match step.what:
        case What.SAW:
            yield "Guard and riving knife on, push stick at hand; whole sheets with two or broken down on the floor first."
            yield dust(_stuffs(fetched, job))
            if not fetched.bench.made.project.coats.outside:
                yield "The finish is not decided: show cuts and what is sanded to be seen wait for it."
        case What.JIGS:
            yield "Short pieces are cut off against a stop from a long strip, never ripped short by hand."
        case What.MACHINE | What.TEST:
            yield "Where guard and riving knife come off for a dado set: featherboard, push block, no through cuts. Router: against the feed, hold with a jig."
            yield dust(_stuffs(fetched, job))
        case What.PINS | What.BORE:
            yield "Stop on the bit; clamp the part, small ones in a jig."
        case What.LEAVES | What.BOXES:
            yield "Narrow parts are held in a jig, never freehand."
        case What.BAND:
            yield "Hot iron and sharp trimmer: cut away from the hand."
        case What.FINISH | What.PREFINISH:
            yield f"{RAGS} The maker’s sheet decides."
        case What.CARRY:
            yield "Lift with two, with straight backs; what can tip is tied to the wall. Wiring, gas and water are for licensed trades; local codes decide."
        case What.COUNTER:
            yield "Lift with two."
        case what if what in fit_words.TITLES:
            yield from fit_words.cautions(fetched.bench.fit, what, job.letters)


def _stuffs(fetched: Fetched, job: JobStep) -> set[str]:
    """Return what the parts of a step are made of."""
    rows = [
        (letter, role) for letter, each in job.rows for role in each.roles if fetched.part(letter, role) is not None
    ]
    rack = fetched.bench.made.project.rack
    return {material(rack.stock(fetched.bench.assembly(letter).part(role).goods).stuff).code for letter, role in rows}
