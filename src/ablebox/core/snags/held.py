# SPDX-License-Identifier: GPL-3.0-or-later
"""Pieces that have their place on a sheet, and no longer fit there."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ..shop.made import Made
from .snag import Check, Fix, Level, Snag


def held_no_longer(made: Made) -> Iterator[Snag]:
    """A sheet on which pieces were held, or which is being cut, and whose pieces have changed since."""
    write = made.units.write
    there = [sheet for holding in made.holdings.values() for sheet in holding.sheets]
    for sheet in made.project.held:
        if any(sheet is each for each in there):
            continue
        if any(piece.place.partition("/")[0] in made.unbuilt for piece in sheet.pieces):
            # Its case cannot be built as it is now; the sheet waits for that.
            continue
        parts = {made.left[piece.place].code for piece in sheet.pieces if piece.place in made.left}
        name = made.project.rack.sheet_goods(sheet.goods).name
        codes = ", ".join(sorted(parts)) or "pieces that are gone"
        size = f"{write(sheet.length)} × {write(sheet.width)}"
        without = replace(made.project, held=tuple(each for each in made.project.held if each is not sheet))
        if sheet.cuts:
            text = (
                f"{sheet.cuts} cuts are made on a sheet of {name}, {size}, and {codes} have changed since: "
                "change them back, or take what is left of the sheet as offcuts."
            )
            yield Snag("held.begun", Level.WARN, text, "", "", Fix("Forget the cuts of that sheet", without))
        else:
            text = f"{codes} were pinned on a sheet of {name}, {size}, and do not fit there any more: they are planned freely."
            yield Snag("held.gone", Level.NOTE, text, "", "", Fix("Let go of those pins", without))


CHECKS: tuple[Check, ...] = (held_no_longer,)
