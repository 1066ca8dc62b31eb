# SPDX-License-Identifier: GPL-3.0-or-later
"""Are the readings of the room to be trusted."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..lengths import ZERO, Length, inches
from ..project.room_edits import with_method
from ..room.reading import Method
from ..room.wall import SINGLE, End
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

#: A reading this near to one without the tape's body was taken without it; a limit of our own.
_LIKE_THE_BODY = inches("3/8")


def body_forgotten(made: Made) -> Iterator[Snag]:
    """A reading short of the others by about the tape's body was taken with the body in the corner."""
    body = made.project.room.tape_body
    for room in made.rooms:
        if len(room.widths) < 2 or not body:
            continue
        widest = max(width.length for width in room.widths)
        for i, (reading, width) in enumerate(zip(room.wall.widths, room.widths, strict=True)):
            short = widest - width.length
            near = abs((short - body).ticks) <= _LIKE_THE_BODY.ticks
            if near and reading.method in (Method.TAPE_ACROSS, Method.UNSAID):
                write = made.units.write
                text = (
                    f"The width at {reading.words} is {write(short)} less than the widest, about the length of the tape's "
                    f"body ({write(body)}): was the body in the corner?"
                )
                rows = list(room.wall.widths)
                rows[i] = replace(reading, method=Method.TAPE_BODY)
                after = made.project.with_wall(room.number, replace(room.wall, widths=tuple(rows)))
                fix = Fix(f"Add the tape's body at {reading.words}", after)
                yield Snag("room.tape-body", Level.WARN, text, "", room.width_key(i), fix)


def how_it_was_read(made: Made) -> Iterator[Snag]:
    """Of readings nobody has said how they were taken: the tape's body may still be to add."""
    body, write = made.project.room.tape_body, made.units.write
    for room in made.rooms:
        wall = room.wall
        found: list[tuple[int | str, str]] = [
            (i, room.width_key(i)) for i, each in enumerate(wall.widths) if each.method is Method.UNSAID
        ]
        found += [
            (name, f"{room.prefix}{name}")
            for name in SINGLE
            if (each := getattr(wall, name)) is not None and each.method is Method.UNSAID
        ]
        if not found or not body:
            continue
        text = (
            f"Was the tape's body in the corner when {wall.name} was read? Then {write(body)} are still to be added; say on the tape "
            "how it was taken."
        )
        after = with_method(made.project, room.number, found[0][0], Method.TAPE_BODY)
        yield Snag("room.method", Level.NOTE, text, "", found[0][1], Fix(f"Add the body's {write(body)}", after))


def too_few(made: Made) -> Iterator[Snag]:
    """One reading says nothing about walls that lean or bow."""
    for room in made.rooms:
        if room.wall.island is not None:
            continue
        count, of = len(room.widths), "" if len(made.rooms) == 1 else f" of {room.wall.name}"
        if count == 1:
            text = f"The width{of} was read at one place only; read it at floor, counter and top, the smallest governs."
            yield Snag("room.one-reading", Level.NOTE, text, "", room.width_key(0))
        if count == 0 and any(case.in_alcove and case.wall == room.number for case in made.project.cases):
            name = "The alcove" if len(made.rooms) == 1 else room.wall.name
            text = f"{name} has no width yet; read it at floor, counter and top."
            yield Snag("room.no-reading", Level.WARN, text)


def leaning(made: Made) -> Iterator[Snag]:
    """Walls that lean leave a plumb case less room than any width says: by the lean over its height."""
    write = made.units.write
    for room in made.rooms:
        lean, line = room.lean, made.line(room.number)
        if not lean or room.ceiling is None or End.OPEN in (room.wall.left, room.wall.right):
            continue
        tallest = max((place.high for place in line.places if place.letter), default=ZERO)
        over = Length(abs(lean.ticks) * min(tallest, room.ceiling.length).ticks // room.ceiling.length.ticks)
        if over <= room.wall.allowance or over <= ZERO:
            continue
        way = "right" if lean > ZERO else "left"
        text = (
            f"{room.wall.name} leans {write(Length(abs(lean.ticks)))} to the {way}: over {write(tallest)} of height that takes {write(over)} of a "
            f"plumb run, and {write(room.wall.allowance)} is left free."
        )
        wall = replace(room.wall, allowance=over)
        fix = Fix(f"Leave {write(over)} free", made.project.with_wall(room.number, wall))
        yield Snag("room.lean", Level.WARN, text, "", f"{room.prefix}rising", fix)


CHECKS: tuple[Check, ...] = (body_forgotten, how_it_was_read, too_few, leaning)
