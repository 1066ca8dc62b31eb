# SPDX-License-Identifier: GPL-3.0-or-later
"""Spaces kept free for cords: does anything stand in them, and what makes room."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from typing import Any

from ..assembly.part import Assembly, Placed
from ..assembly.role import BOXES, PartKind
from ..assembly.solid import Box, pieces_left
from ..cabinet.design import Case
from ..cabinet.records import changed
from ..case.extra.cord_notch import CordNotch
from ..case.extra.cord_space import CordSpace
from ..fronts.drawer.slides import CentreMount, SideMount, Undermount
from ..lengths import Length
from ..shop.made import Made
from .called import called
from .snag import Check, Fix, Level, Snag

#: What is notched at its back edge for cords.
_NOTCHED = (PartKind.SHELF, PartKind.FIXED_SHELF, PartKind.PARTITION)


def spaces_for_cords(made: Made) -> Iterator[Snag]:
    """Nothing of its case stands in a space that is kept free for cords."""
    for case, assembly in made.built:
        for number, extra in enumerate(case.extras):
            part = next((each for each in assembly.parts if each.role == extra.role), None)
            if not isinstance(extra, CordSpace) or part is None:
                continue
            space = extra.box(part)
            met = _standing_in(assembly, part, space)
            if met is None:
                continue
            by = _taken(met, part, space)
            text = (
                f"{case.letter}: the {called(assembly, met.role.whole)} takes {made.units.write(by)} of the "
                f"{made.units.write(extra.deep)} that are kept free for cords at the {part.name}: let it clear the cords, or move their space."
            )
            key = f"{case.letter}/extras.{number}.deep"
            yield Snag("cords.space", Level.WARN, text, case.letter, key, _room(made, case, met, space, by))


def _standing_in(assembly: Assembly, part: Placed, space: Box) -> Placed | None:
    """Return what reaches farthest into a space; what is notched out there does not."""
    met = [each for each in assembly.parts if each.role.whole != part.role.whole and _taken(each, part, space)]
    return max(met, key=lambda each: _taken(each, part, space), default=None)


def _taken(met: Placed, part: Placed, space: Box) -> Length:
    """Return how much of a space's depth something takes."""
    axis = part.axes[2]
    left = pieces_left(met.box.meet(space), met.gaps) if met.box.meets(space) else []
    return Length(
        max((piece.high[axis] for piece in left), default=0) - min((piece.low[axis] for piece in left), default=0)
    )


def _room(made: Made, case: Case, met: Placed, space: Box, by: Length) -> Fix | None:
    """Return what makes room: more left free behind slides, a shelf notched for the cords; ``None`` if nothing is known."""
    write = made.units.write
    if met.role.whole.kind in BOXES or met.role.whole.kind is PartKind.PULL_OUT:

        def further(record: Any) -> Any:
            return replace(record, behind=record.behind + by)

        project = made.project.with_case(changed(case, (SideMount, Undermount, CentreMount), further))
        return Fix(f"Leave {write(by)} more behind {case.letter}'s drawers", project)
    if met.role.kind in _NOTCHED:
        run, across = met.axes[0], met.axes[1]
        deep = Length(met.box.high[across] - space.low[across])
        along = Length((space.low[run] + space.high[run]) // 2 - met.box.low[run])
        long = Length(min(space.high[run], met.box.high[run]) - max(space.low[run], met.box.low[run]))
        if across == 1 and space.high[across] >= met.box.high[across]:
            notch = CordNotch(str(met.role), "high", along, long, deep)
            project = made.project.with_case(replace(case, extras=(*case.extras, notch)))
            return Fix(f"Notch the {met.name} for the cords", project)
    return None


CHECKS: tuple[Check, ...] = (spaces_for_cords,)
