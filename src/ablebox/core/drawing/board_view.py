# SPDX-License-Identifier: GPL-3.0-or-later
"""Boards with the strips and pieces that are cut from them, true to scale, one below the other."""

from __future__ import annotations

from ..cuts.rips import Ripped, RipPlan
from ..lengths import TICKS_PER_MM, Length
from ..stock import BoardGoods
from ..units import Units
from .palette import tint
from .shapes import Area, Drawing, Label

#: Room above each board for its words, in mm.
_ABOVE = 70.0


def board_view(goods: BoardGoods, plan: RipPlan, units: Units, kerf: int) -> Drawing:
    """Return all boards of one kind.

    Args:
        goods: the kind.
        plan: what is cut from which board.
        units: how sizes are written.
        kerf: width of a cut, in ticks.
    """
    drawing = Drawing(f"boards of {goods.name}")
    low = 0.0
    # Nothing to be seen: keeps the words above the first board on the drawing.
    drawing.add(Area(0, 0, 1, 1, "", ""))
    for number, board in enumerate(plan.boards, start=1):
        low -= board.plank.width / TICKS_PER_MM + _ABOVE
        _board(drawing, number, board, low, units, kerf, plan)
    return drawing


def _board(drawing: Drawing, number: int, board: Ripped, low: float, units: Units, kerf: int, plan: RipPlan) -> None:
    plank = board.plank
    length, width = plank.length / TICKS_PER_MM, plank.width / TICKS_PER_MM
    source = "from the rack" if plank.count is not None else "bought"
    words = f"{number}  {plank.code}, {units.write(Length(plank.length))} long, {source}"
    drawing.add(
        Label(0, low + width, words, 11, "start", bold=True, shift=(0, 10)),
        Area(0, low, length, width, "card", "quiet", 0.9, "hatch"),
    )
    y = low + width
    for strip in board.strips:
        high = strip.width / TICKS_PER_MM
        y -= high
        x = plank.loss / TICKS_PER_MM
        for stick in strip.cut.sticks:
            long = stick.length / TICKS_PER_MM
            letter = stick.code.partition("-")[0]
            own = plan.widths.get(stick.code, strip.width) / TICKS_PER_MM
            drawing.add(Area(x, y + high - own, long, own, tint(letter), "ink", 1.0, "grain-x"))
            text = f"{stick.code}  {units.write(Length(stick.length))}"
            drawing.add(Label(x + long / 2, y + high - own / 2, text, 9.5, bold=True, within=long, short=stick.code))
            x += long + kerf / TICKS_PER_MM
        y -= kerf / TICKS_PER_MM
