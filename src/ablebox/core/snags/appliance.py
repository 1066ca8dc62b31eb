# SPDX-License-Identifier: GPL-3.0-or-later
"""Appliances in their openings: each wants its size and the air its manual asks for."""

from __future__ import annotations

from collections.abc import Iterator

from ..cabinet.places import at
from ..fronts.cell.appliance import WORDS, ApplianceSpace
from ..lengths import Length
from ..shop.made import Made
from .snag import Check, Level, Snag


def appliances_fit(made: Made) -> Iterator[Snag]:
    """An opening smaller than its appliance and air; its depth handles included."""
    write = made.units.write
    for case, assembly in made.built:
        for space in assembly.fronts:
            cell = at(case, space.path)
            if not isinstance(cell, ApplianceSpace):
                continue
            numbers = {number.key: number for number in assembly.sums}
            for way, size, air in (
                ("width", cell.width, cell.air * 2),
                ("height", cell.height, cell.air_above),
                ("depth", cell.depth, cell.air_behind),
            ):
                key = f"{case.letter}/{space.key('appliance')}.opening/{way}"
                have = numbers[key].length
                if size is not None and size + air > have:
                    short = Length((size + air - have).ticks)
                    with_air = f" with {write(air)} of air" if air else ""
                    what = WORDS[cell.what]
                    text = (
                        f"{case.letter}: the {what} is {write(size)} in {way}{with_air}, its opening {write(have)}: "
                        f"{write(short)} too little; make the case larger there."
                    )
                    yield Snag("appliance.fit", Level.STOP, text, case.letter, key)


CHECKS: tuple[Check, ...] = (appliances_fit,)
