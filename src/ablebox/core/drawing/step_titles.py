# SPDX-License-Identifier: GPL-3.0-or-later
"""What steps are called: on tickets, in plans of days, on paper."""

from __future__ import annotations

from ..assembly.role import FRONTS
from ..bench.step import Step
from ..bench.verb import What
from . import fit_words

#: Titles: what a ticket says.
TITLES = {
    What.JIGS: "make blocks", What.SAW: "cut parts",
    What.MARK: "mark parts", What.TEST: "test cuts", What.MACHINE: "machine", What.BAND: "band edges", What.PINS: "pin holes",
    What.BORE: "bore", What.DRY_FIT: "dry fit", What.PREFINISH: "finish inside", What.FINISH: "finish", What.CASE: "bottom in",
    What.SIDE: "second side", What.PARTITIONS: "partitions in", What.SHELVES_FIXED: "shelves in", What.TOP_RAILS: "top rails",
    What.CASE_TOP: "top on", What.RAILS: "hanging rail", What.SQUARE: "square", What.BACK: "back on", What.FRAME_MADE: "make frame",
    What.FRAME: "frame on", What.BASE: "base", What.KICK: "kick on", What.END: "end panels", What.PACKERS: "packers",
    What.SLIDES: "slides", What.OPENINGS: "openings", What.BOXES: "make boxes", What.BOX_SLIDES: "box slides",
    What.LEAVES: "make doors", What.HINGES: "hinges", What.RACKS: "door racks", What.PLATES: "plates", What.BOXES_IN: "boxes in", What.DIVIDERS: "dividers",
    What.DOORS: "doors on", What.FRONTS: "fronts on", What.PULLS: "pulls", What.LATCHES: "latches", What.COUNTER_MADE: "make counter",
    What.COUNTER: "counter on", What.FITTINGS: "fittings", What.SHELVES: "loose shelves", What.CHECK: "check",
    What.OFF: "take out", What.CARRY: "carry in", **fit_words.TITLES,
}  # fmt: skip
#: What is done to the parts of the case and, later, to those of boxes and fronts.
_OF_LOTS = frozenset({What.SAW, What.MARK, What.TEST, What.MACHINE, What.BAND, What.PINS, What.BORE, What.PREFINISH})


def is_of_fronts(step: Step) -> bool:
    """Whether a step does to boxes and fronts what was done to the parts of the case before."""
    return (
        step.what in _OF_LOTS
        and bool(step.roles)
        and all(role.of is not None or role.kind in FRONTS for role in step.roles)
    )


def title_of(step: Step) -> str:
    """Return what a step is called."""
    return f"{TITLES[step.what]}: fronts" if is_of_fronts(step) else TITLES[step.what]
