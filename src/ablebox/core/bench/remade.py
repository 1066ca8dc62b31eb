# SPDX-License-Identifier: GPL-3.0-or-later
"""What is made again: pieces told to be less far than a ticked step of their case had made them."""

from __future__ import annotations

from ..assembly.role import Role
from ..order.book import PartState
from .bench import Bench, place_of
from .states import MAKES, RANK
from .step import Step


def remade(bench: Bench, letter: str, step: Step) -> tuple[Role, ...]:
    """Return the parts for which a step of a case is done once more, though it is ticked.

    Args:
        bench: the steps.
        letter: the case.
        step: the step.
    """
    makes, told = MAKES.get(step.verb), bench.book.states
    if makes is None or not told:
        return ()
    short: set[str] = set()
    for part in bench.made.parts:
        if part.case == letter:
            for at, place in enumerate(part.places):
                copy, role = at // len(part.roles) + 1, part.roles[at % len(part.roles)]
                state = told.get(place)
                if (
                    state is not None and state is not PartState.SPOILED and RANK[state] < RANK[makes]
                    and bench.is_ticked(place_of(letter, copy, step.key))
                ):  # fmt: skip
                    short.add(role)
    return tuple(role for role in step.roles if role in short)
