# SPDX-License-Identifier: GPL-3.0-or-later
"""How a board is cut, in words: the strips it is ripped into, and what comes off each."""

from __future__ import annotations

from collections.abc import Callable

from ..cuts.rips import Ripped
from ..lengths import Length


def rip_words(number: int, board: Ripped, write: Callable[[Length], str]) -> list[str]:
    """Return what to do with a board: one line for it, one for each strip.

    Args:
        number: of the board.
        board: with its strips.
        write: how sizes are written.
    """
    plank = board.plank
    whole = f"{number}. {plank.code}, {write(Length(plank.length))} long"
    if plank.count is not None:
        whole += ", from the rack" + (f", beginning {write(Length(plank.at))} from its end" if plank.at else "")
    lines = []
    for strip in board.strips:
        pieces = ", ".join(f"{stick.code} at {write(Length(stick.length))}" for stick in strip.cut.sticks)
        rest = f"; {write(Length(strip.cut.rest))} left" if strip.cut.rest else ""
        rip = f"rip {write(Length(strip.width))}: " if strip.width < plank.width else ""
        lines.append(f"{rip}{pieces}{rest}")
    if len(lines) == 1:
        return [f"{whole}: {lines[0]}"]
    return [whole, *(f"     {line}" for line in lines)]
