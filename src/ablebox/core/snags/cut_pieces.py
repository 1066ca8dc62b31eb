# SPDX-License-Identifier: GPL-3.0-or-later
"""Pieces that are cut, and no longer fit what is designed."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..shop.made import Made
from .snag import Check, Fix, Level, Snag


def cut_otherwise(made: Made) -> Iterator[Snag]:
    """A piece that was cut to another size than it has now, or that nothing needs any more."""
    write = made.units.write
    parts = {place: part for part in made.parts for place in part.places}
    for piece in made.project.done:
        part = parts.get(piece.place)
        letter = piece.place.partition("/")[0]
        if letter in made.unbuilt:
            # What is cut is kept until it is known what it is for.
            continue
        without = replace(made.project, done=tuple(other for other in made.project.done if other is not piece))
        was = f"{write(piece.length)} × {write(piece.width)}"
        if part is None:
            text = f"{letter}: a piece {was} was cut and nothing needs it any more; keep it as an offcut."
            yield Snag("cut.not-needed", Level.NOTE, text, letter, "", Fix("Forget that piece", without))
            continue
        now = (part.cut_length.length, part.cut_width.length)
        if (piece.length, piece.width) != now or piece.goods != part.goods.code:
            is_now = f"{write(now[0])} × {write(now[1])}"
            text = (
                f"{part.code} ({part.name}) was cut {was} and is {is_now} now: make it again, or change the case back."
            )
            fix = Fix(f"Make {part.code} again", without)
            yield Snag("cut.otherwise", Level.WARN, text, letter, part.cut_length.key, fix)


CHECKS: tuple[Check, ...] = (cut_otherwise,)
