# SPDX-License-Identifier: GPL-3.0-or-later
"""Offers that let shelves and racks clear what is before them: shelves set back, racks kept from their door's sides."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from ..assembly.fitting import FittingKind
from ..assembly.proof import Fault, Finding
from ..assembly.role import PartKind, Role
from ..cabinet.design import Case
from ..cabinet.places import at, put
from ..cabinet.records import changed
from ..case.inside.layout import Rows
from ..case.inside.shelves_on_pins import PinShelves
from ..fronts.cell.racks import DoorRacks
from ..lengths import ZERO, Length, inches
from ..shop.made import Made
from .snag import Fix

#: What a shelf leaves free behind a rack, and by how much racks are moved at a time and at most (of our own).
_PLAY, _STEP, _STEPS = inches("1/4"), inches("1/2"), 8
#: What stands behind a rack, not beside it, and the shallowest rack that is of use (common practice).
_BEHIND, _SHALLOW = (FittingKind.ROD, FittingKind.SOCKET, FittingKind.ROD_SUPPORT), inches(2)


def set_back(made: Made, case: Case, role: Role, clear: Callable[[Length], Length]) -> Fix | None:
    """Return the fix that sets a shelf back; ``None`` for what cannot be.

    Args:
        made: the project.
        case: the case.
        role: of the shelf.
        clear: how far it is set back, of how far it is now.
    """
    path = "inside" + "".join(f".bays.{step - 1}" for step in role.number[:-1])
    write = made.units.write
    if role.kind is PartKind.FIXED_SHELF:
        rows = at(case, path)
        if isinstance(rows, Rows):
            i = role.number[-1] - 1
            far = clear(rows.setbacks[i] if i < len(rows.setbacks) else ZERO)
            setbacks = (*rows.setbacks[:i], far, *rows.setbacks[i + 1 :])
            after = put(case, path, replace(rows, setbacks=setbacks))
            return Fix(f"Set the fixed shelf back {write(far)}", made.project.with_case(after))
    if role.kind is PartKind.SHELF:
        for i, fitting in enumerate(getattr(at(case, path), "fittings", ())):
            if isinstance(fitting, PinShelves):
                far = clear(fitting.setback)
                after = put(case, f"{path}.fittings.{i}", replace(fitting, setback=far, setbacks=()))
                return Fix(f"Set the shelves back {write(far)}", made.project.with_case(after))
    return None


def off_the_rack(made: Made, case: Case, finding: Finding) -> Fix | None:
    """Return the fix that lets a rack on a door clear what it meets; ``None`` if none is known."""
    rack = finding.fitting
    assert rack is not None
    if finding.fault is Fault.CLASH:
        shelf = next((part for part in made.assembly(case.letter).parts if part.role == finding.roles[0]), None)
        by = Length(rack.box.high[1] - shelf.box.low[1]) + made.units.usual(_PLAY) if shelf is not None else ZERO
        found = set_back(made, case, finding.roles[0], lambda now: now + by)
        if found is not None:
            return found
    usual, write = made.units.usual, made.units.write
    if finding.beside is not None and finding.beside.kind in _BEHIND:
        deep = Length(finding.beside.box.low[1] - rack.box.low[1]) - usual(_PLAY)
        if deep >= usual(_SHALLOW):
            shallower = changed(case, (DoorRacks,), lambda racks: replace(racks, deep=min(racks.deep, deep)))
            return Fix(f"Take racks {write(deep)} deep", made.project.with_case(shallower))
    step = usual(_STEP)
    for i in range(1, _STEPS + 1):
        moved = changed(case, (DoorRacks,), lambda racks, by=step * i: replace(racks, side=racks.side + by))  # type: ignore[misc]
        project = made.project.with_case(moved)
        again = Made(project)
        if case.letter in again.unbuilt:
            return None
        if not any(
            each.fitting is not None and each.fitting.kind is FittingKind.DOOR_RACK
            for each in again.findings(case.letter)
        ):
            return Fix(f"Keep the racks {write(step * i)} further from the doors' sides", project)
    return None
