# SPDX-License-Identifier: GPL-3.0-or-later
"""How far each piece has come: what a person told of it, else what was cut, begun and ticked says."""

from __future__ import annotations

from ..order.book import PartState
from ..parts.listing import Part
from ..shop.made import Made
from .bench import place_of
from .step import CaseSteps
from .verb import Verb, What

#: What a step that is done makes of the parts it is about.
MAKES = {
    Verb.CUT: PartState.CUT, Verb.MACHINE: PartState.MACHINED, Verb.BORE: PartState.MACHINED, Verb.BAND: PartState.BANDED, Verb.FASTEN: PartState.FITTED,
    Verb.SET: PartState.FITTED,
}  # fmt: skip
#: How far each state is.
RANK = {state: number for number, state in enumerate(PartState)}


def states(made: Made, part: Part, case: CaseSteps | None) -> list[PartState]:
    """Return the state of each piece of a part, in the order of its places.

    Args:
        made: what the project comes to.
        part: the part.
        case: the steps of its case; ``None`` if it has none, or they are not known yet.
    """
    project = made.project
    cut = {piece.place for piece in project.done}
    rough = {piece.place for sheet in project.held if sheet.cuts for piece in sheet.pieces}
    ticked = set(project.bench.ticked)
    found = []
    for at, place in enumerate(part.places):
        told = project.bench.states.get(place)
        if told is not None:
            found.append(told)
            continue
        state = PartState.CUT if place in cut else PartState.ROUGH if place in rough else PartState.PLANNED
        if case is not None and ticked:
            copy, role = at // len(part.roles) + 1, part.roles[at % len(part.roles)]
            for step in case.steps:
                if place_of(part.case, copy, step.key) in ticked and (role in step.roles or step.what is What.FINISH):
                    makes = PartState.FINISHED if step.what is What.FINISH else MAKES.get(step.verb, state)
                    state = max(state, makes, key=RANK.__getitem__)
        found.append(state)
    return found


def in_words(found: list[PartState]) -> str:
    """Return the states of several pieces in a few words: the least of them, and how many are as far."""
    if not found:
        return ""
    least = min(found, key=RANK.__getitem__)
    count = sum(state is least for state in found)
    return least.value if count == len(found) else f"{least.value}, {count} of {len(found)}"
