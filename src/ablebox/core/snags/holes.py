# SPDX-License-Identifier: GPL-3.0-or-later
"""Do holes run into each other or out of the wood, and do doors hang well."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..assembly.part import Holes
from ..lengths import Length, inches, millimetres
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

_WEB = millimetres(2)
_WIDEST_DOOR = inches(24)


def _near(one: Holes, other: Holes) -> Length | None:
    """Return the least distance of two kinds of holes, centre to centre, if their rims come close."""
    reach = (one.diameter.ticks + other.diameter.ticks) // 2 + _WEB.ticks
    found = [
        (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2
        for a in one.centres
        for b in other.centres
        if abs(a[1] - b[1]) < reach and abs(a[2] - b[2]) < reach
    ]
    near = min(found, default=None)
    return None if near is None or near >= reach**2 else Length(int(near**0.5))


def pins_meet_hinges(made: Made) -> Iterator[Snag]:
    """Pin holes and the holes of hinge plates stand in the same side."""
    for case in made.project.cases:
        side = made.assembly(case.letter).part("side.left")
        by_name = {holes.name: holes for holes in side.holes}
        pins, plates = by_name.get("shelf pins"), by_name.get("hinge plates")
        if pins is None or plates is None:
            continue
        near = _near(pins, plates)
        if near is not None:
            write = made.units.write
            moved = replace(case, shelves=replace(case.shelves, inset=case.shelves.inset + inches("1/2")))
            text = (
                f"{case.letter}: pin holes and hinge plates run into each other in the sides, {write(near)} apart; "
                "move the pin rows away from the hinges."
            )
            fix = Fix(f"Set the pin rows {write(moved.shelves.inset)} in", made.project.with_case(moved))
            yield Snag("holes.meet", Level.WARN, text, case.letter, f"{case.letter}/pins.inset", fix)


def cups_through(made: Made) -> Iterator[Snag]:
    """Under a hinge cup 2 mm of the door must be left, or the drill's point comes through."""
    for case in made.project.cases:
        left = made.project.rack.sheet_goods(case.fronts.goods).thickness - case.fronts.hinge.depth
        if left < _WEB:
            write = made.units.write
            text = (
                f"{case.letter}: cups {write(case.fronts.hinge.depth)} deep leave {write(left)} of the door; "
                "the drill's point comes through the face. Use thicker doors or shallower cups."
            )
            yield Snag("hinge.through", Level.STOP, text, case.letter, f"{case.letter}/hinge.depth")


def wide_doors(made: Made) -> Iterator[Snag]:
    """Doors over about 24 in wide hang badly on two hinges (common practice)."""
    for case in made.project.cases:
        width = made.assembly(case.letter).part("door.left").width
        if width.length > _WIDEST_DOOR:
            write = made.units.write
            text = (
                f"{case.letter}: each door is {write(width.length)} wide; over {write(_WIDEST_DOOR)} doors sag and "
                "swing far, make the case narrower or two of it."
            )
            yield Snag("door.wide", Level.WARN, text, case.letter, width.key)


CHECKS: tuple[Check, ...] = (cups_through, pins_meet_hinges, wide_doors)
