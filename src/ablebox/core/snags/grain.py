# SPDX-License-Identifier: GPL-3.0-or-later
"""Grain that is to run through fronts which no sheet holds in one place."""

from __future__ import annotations

from collections.abc import Iterator

from ..lengths import Length
from ..shop.made import Made
from .snag import Check, Level, Snag


def blocks_fit(made: Made) -> Iterator[Snag]:
    """A block of fronts larger than any sheet is cut piece by piece, and its grain does not run through."""
    write = made.units.write
    for code, blocks in made.blocks.items():
        planned = made.problems[code].blocks
        for block in blocks:
            if block in planned:
                continue
            goods = made.project.rack.sheet_goods(code)
            letter = block.members[0].code.partition("-")[0]
            text = (
                f"{block.code}: with the grain running through, these fronts are cut from one piece "
                f"{write(Length(block.length))} × {write(Length(block.width))}, and no sheet of {goods.name} is that "
                "large; they are planned one by one. Let the grain run up each column, or find a longer sheet."
            )
            yield Snag("grain.block", Level.WARN, text, letter)


CHECKS: tuple[Check, ...] = (blocks_fit,)
