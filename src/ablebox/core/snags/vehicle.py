# SPDX-License-Identifier: GPL-3.0-or-later
"""What stands in a vehicle: every front that opens is latched, or it opens in the first bend (common practice).

A wall is a vehicle's where ribs or threaded inserts are behind it.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..cabinet.records import changed
from ..fronts.pulls import Pulls
from ..fronts.side_face import PLACES
from ..room.backing import HoldKind
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

_OF_VEHICLES = frozenset({HoldKind.RIB, HoldKind.INSERT})


def latched(made: Made) -> Iterator[Snag]:
    """Doors, flaps and drawers in a vehicle are latched."""
    for case in made.project.cases:
        place = made.place(case.letter)
        if place is None or case.letter in made.unbuilt:
            continue
        if not any(stud.kind in _OF_VEHICLES for stud in made.rooms[case.wall - 1].wall.studs):
            continue
        opening = [space for space in made.assembly(case.letter).fronts if space.opens and space.roles]
        sides = {PLACES[space.side] for space in opening}
        if all(fronts.pulls.latched for side, fronts in case.faces if side in sides):
            continue
        shut = changed(case, (Pulls,), lambda pulls: replace(pulls, latched=True))
        text = f"{case.letter} stands in a vehicle, and nothing keeps its {opening[0].words} shut while it is driven: a latch on everything that opens."
        fix = Fix(f"Latch what opens of {case.letter}", made.project.with_case(shut))
        yield Snag("vehicle.latch", Level.WARN, text, case.letter, f"{case.letter}/fronts.pulls.latched", fix)


CHECKS: tuple[Check, ...] = (latched,)
