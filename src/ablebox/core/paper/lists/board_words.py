# SPDX-License-Identifier: GPL-3.0-or-later
"""How a board is cut, in words: the strips it is ripped into, and what comes off each."""

from __future__ import annotations

from collections.abc import Callable
from itertools import groupby

from ...cuts.boards import Stick
from ...cuts.rips import Ripped, RipPlan, Strip
from ...lengths import ZERO, Length


def rip_words(
    number: int,
    board: Ripped,
    plan: RipPlan,
    write: Callable[[Length], str],
    wider: Length = ZERO,
    longer: Length = ZERO,
) -> list[str]:
    """Return what to do with a board: one line for it, one for each strip; ripped first, then planed, then cut to size.

    Args:
        number: of the board.
        board: with its strips.
        plan: the plan it belongs to.
        write: how sizes are written.
        wider: how much wider than needed strips are ripped first, to be jointed and planed.
        longer: how much longer than needed pieces are cut first.
    """
    plank = board.plank
    whole = f"{number}. {plank.code}, {write(Length(plank.length))} long"
    if plank.count is not None:
        whole += ", from the rack" + (f", beginning {write(Length(plank.at))} from its end" if plank.at else "")
    lines = []
    for strip in board.strips:
        # What is cut alike in a row is told together.
        alike = groupby(strip.cut.sticks, key=lambda stick: _cut(stick, strip, plan, write, longer))
        pieces = "; ".join(f"{', '.join(stick.code for stick in sticks)} {cut}" for cut, sticks in alike)
        rest = f"; {write(Length(strip.cut.rest))} left" if strip.cut.rest else ""
        steps = [f"rip {write(Length(strip.width))}"] if strip.width < plank.width else []
        if wider:
            steps.append(f"joint an edge and plane to {write(Length(strip.width) - wider)}")
        lines.append(f"{', '.join(steps)}: {pieces}{rest}" if steps else f"{pieces}{rest}")
    if len(lines) == 1:
        return [f"{whole}: {lines[0]}"]
    return [whole, *(f"     {line}" for line in lines)]


def _cut(stick: Stick, strip: Strip, plan: RipPlan, write: Callable[[Length], str], longer: Length) -> str:
    """Return where a piece is cut off, and what is done to it then."""
    width = plan.widths.get(stick.code, strip.width)
    narrower = f", then ripped to {write(Length(width))}" if width < strip.width else ""
    squared = f", squared to {write(Length(stick.length) - longer)} after planing" if longer else ""
    return f"at {write(Length(stick.length))}{narrower}{squared}"
