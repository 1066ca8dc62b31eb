# SPDX-License-Identifier: GPL-3.0-or-later
"""Which piece lies where in a cut plan: one answer for screen, paper, labels and what is cut."""

from __future__ import annotations

from ..cuts.plan import Plan
from .held import own_sheet, places_on
from .made import Made


def places_in(made: Made, code: str, plan: Plan) -> tuple[tuple[str, ...], ...]:
    """Return which place in the design each piece of each sheet of a plan is for."""
    sheets = made.holdings[code].sheets
    owns = [own_sheet(sheets, plan, number) for number in range(1, len(plan.sheets) + 1)]
    return places_on(made.project, made.parts, plan.sheets, owns)


def pieces_in(made: Made, code: str, plan: Plan) -> tuple[tuple[str, ...], ...]:
    """Return the code of each piece of each sheet of a plan, numbered where there are several of a part."""
    names = {place: name for part in made.parts for place, name in zip(part.places, part.pieces, strict=True)}
    return tuple(tuple(names[place] for place in row) for row in places_in(made, code, plan))
