# SPDX-License-Identifier: GPL-3.0-or-later
"""Which part is cut from which board: strips from the widest that pays, the rack's own boards first."""

from __future__ import annotations

from ..cuts.problem import Limits, Sawing, Terms
from ..cuts.rips import Plank, RipPlan, Wanted, plan_rips
from ..lengths import Length, inches
from ..stock import Board, BoardGoods
from .made import Made
from .sawing import ALONG, USUAL_FENCE, USUAL_REACH

#: What each end of a board loses to checks (common practice).
END_LOSS = inches(1)


def board_plans(made: Made) -> list[tuple[BoardGoods, RipPlan]]:
    """Return the plan for each kind of board that is needed: the least that has to be bought."""
    kerf, found = made.project.rack.saw.kerf.ticks, []
    for goods in made.project.rack.boards:
        wanted = [
            Wanted(code, (part.cut_length.length + goods.extra_length).ticks, (part.cut_width.length + goods.extra_width).ticks)
            for part in made.parts
            if part.goods.code == goods.code and min(part.sawn) > 0
            for code in part.pieces
        ]  # fmt: skip
        if wanted:
            planks = [plank for board in goods.boards for plank in _planks(board)]
            found.append((goods, plan_rips(wanted, planks, kerf)))
    return found


def board_terms(made: Made) -> Terms:
    """Return how boards are cut: as the saw cuts sheets, without what counts for whole sheets only."""
    saw = made.project.rack.saw
    opens, reach = (saw.opens or USUAL_FENCE).ticks, (saw.reach or USUAL_REACH).ticks
    sawing = Sawing(
        limits=Limits(opens, reach, ALONG.ticks, saw.longest.ticks if saw.longest else None), least=saw.least.ticks
    )
    return Terms(saw.kerf.ticks, 0, True, sawing)


def _planks(board: Board) -> list[Plank]:
    """Return a board as it can be used: whole, or in stretches clear of defects."""
    length, width, loss = board.length.ticks, board.width.ticks, END_LOSS.ticks
    if board.count is None:
        return [Plank(board.name, length, width, None, board.price, 0, loss)]
    found = []
    for start, clear in board.clear:
        low = start.ticks + (loss if start == Length(0) else 0)
        high = (start + clear).ticks - (loss if start + clear == board.length else 0)
        if high > low:
            found.append(Plank(board.name, high - low, width, board.count, board.price, low))
    return found
