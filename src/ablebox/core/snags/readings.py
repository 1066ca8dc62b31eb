# SPDX-License-Identifier: GPL-3.0-or-later
"""Are the readings of the room to be trusted."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..lengths import inches
from ..room.reading import Method
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

_LIKE_THE_BODY = inches("3/8")


def body_forgotten(made: Made) -> Iterator[Snag]:
    """A reading short of the others by about the tape's body was taken with the body in the corner."""
    alcove, widths = made.project.alcove, made.room.widths
    if len(widths) < 2 or not alcove.tape_body:
        return
    widest = max(width.length for width in widths)
    for i, (reading, width) in enumerate(zip(alcove.widths, widths, strict=True)):
        short = widest - width.length
        near = abs((short - alcove.tape_body).ticks) <= _LIKE_THE_BODY.ticks
        if near and reading.method is Method.TAPE_ACROSS:
            write = made.units.write
            text = (
                f"The width at {reading.place} is {write(short)} less than the widest, about the length of the tape's "
                f"body ({write(alcove.tape_body)}): was the body in the corner?"
            )
            rows = list(alcove.widths)
            rows[i] = replace(reading, method=Method.TAPE_BODY)
            after = replace(made.project, alcove=replace(alcove, widths=tuple(rows)))
            fix = Fix(f"Add the tape's body at {reading.place}", after)
            yield Snag("room.tape-body", Level.WARN, text, "", f"room/width.{i + 1}", fix)


def too_few(made: Made) -> Iterator[Snag]:
    """One reading says nothing about walls that lean or bow."""
    count = len(made.room.widths)
    if count == 1:
        text = "The width was read at one place only; read it at floor, counter and top, the smallest governs."
        yield Snag("room.one-reading", Level.NOTE, text, "", "room/width.1")
    if count == 0 and any(case.in_alcove for case in made.project.cases):
        text = "The alcove has no width yet; read it at floor, counter and top."
        yield Snag("room.no-reading", Level.WARN, text)


CHECKS: tuple[Check, ...] = (body_forgotten, too_few)
