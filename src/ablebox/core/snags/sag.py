# SPDX-License-Identifier: GPL-3.0-or-later
"""Does anything that carries sag more than the eye forgives: shelves, bottoms, tops, seats, counters."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..lengths import TICKS_PER_MM, Length, inches
from ..shop.carrying import Member, members, uprights_beside
from ..shop.made import Made
from .snag import Check, Level, Snag

#: The strip that is offered under a front edge (common practice).
_STRIP = inches("1 1/2")


def carried(made: Made, letter: str) -> list[Member]:
    """Return every span of a case that carries something; none of one that cannot be built."""
    if letter in made.unbuilt:
        return []
    line = next((line for line in made.lines if any(place.letter == letter for place in line.places)), None)
    case = made.project.case(letter)
    beside = uprights_beside(line, letter, made.assemblies) if line is not None and not case.turned else []
    return list(members(made.assembly(letter), beside, made.project.rack, case.load))


def shelves_sag(made: Made) -> Iterator[Snag]:
    """The member of each case that sags most beyond what the eye forgives, with what would help."""
    write, step = made.units.write, made.units.step
    strip = made.units.usual(_STRIP)
    for assembly in made.assemblies:
        worst = max(carried(made, assembly.letter), key=lambda member: member.beam.ratio, default=None)
        if worst is None or not worst.beam.seen:
            continue
        beam = worst.beam
        sag = write(Length(round(beam.in_years * TICKS_PER_MM)))
        longest = made.units.whole_steps(Length(int(beam.longest * TICKS_PER_MM)))
        stiff = Length(round(replace(beam, strip=strip.mm).in_years * TICKS_PER_MM))
        held = write(stiff) if stiff >= step else f"less than {write(step)}"
        text = (
            f"{assembly.letter}: a {worst.part.name} that spans {write(worst.span)} sags {sag} in years under {worst.load.name}; "
            f"keep it under {write(longest)}, or glue a strip {write(strip)} high under its front edge, then it sags {held}."
        )
        yield Snag("shelf.sag", Level.WARN, text, assembly.letter, worst.part.length.key)


CHECKS: tuple[Check, ...] = (shelves_sag,)
