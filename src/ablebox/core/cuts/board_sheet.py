# SPDX-License-Identifier: GPL-3.0-or-later
"""A board as a sheet: its strips beside each other, its pieces along them, so that it is walked and told as sheets are."""

from __future__ import annotations

from dataclasses import replace

from .plan import CutSheet
from .problem import Spot, Supply, Terms
from .rips import Ripped, RipPlan


def board_sheet(board: Ripped, plan: RipPlan, terms: Terms) -> tuple[CutSheet, Terms]:
    """Return a board with its pieces in their places, and how it is cut: ripped long before anything is cut short.

    Args:
        board: the board with its strips.
        plan: the plan it belongs to.
        terms: how the saw cuts; edges of boards are not trimmed as those of sheets are.
    """
    plank, kerf, y = board.plank, terms.kerf, 0
    spots: list[Spot] = []
    for strip in board.strips:
        x = plank.loss
        for stick in strip.cut.sticks:
            width = plan.widths.get(stick.code, strip.width)
            spots.append(Spot(stick.code, x, y, stick.length, width))
            x += stick.length + kerf
        y += strip.width + kerf
    sawing = replace(terms.sawing, stages=0, over=0, rough_cuts=None, by_line=False)
    how = Terms(kerf, 0, True, sawing)
    return CutSheet(Supply(plank.code, plank.length, plank.width), tuple(spots)), how
