# SPDX-License-Identifier: GPL-3.0-or-later
"""How a shop's saw cuts a kind of sheet: its own limits, and those of a usual shop where nobody has said."""

from __future__ import annotations

from collections.abc import Iterator

from ..cuts.problem import Limits, Sawing, Terms
from ..lengths import TICKS_PER_MM, ZERO, Length, inches
from ..materials import material
from ..stock import Saw, SawStyle, SheetGoods

#: How far a usual fence opens, and how deep a board a usual sled or gauge crosscuts (common practice).
USUAL_FENCE, USUAL_REACH = inches(30), inches(24)
#: Nothing shorter than this along the fence is ripped (common practice; the saw's manual decides).
ALONG = inches(12)
#: What one person lifts and pushes: the load constant of the NIOSH lifting equation, 23 kg (1991; from memory), in grams.
USUAL_HEAVIEST = 23_000
#: How much larger a heavy sheet is halved, where nobody has said (1/4 to 1/2 in, common practice).
USUAL_OVER = inches("1/4")


def terms(saw: Saw, goods: SheetGoods, thickness: Length | None = None) -> Terms:
    """Return how sheets of a kind are cut.

    Args:
        saw: the saw.
        goods: the kind of sheet.
        thickness: of the sheet, if it is not what the kind of sheet says now.
    """
    rough_cuts = saw.store_cuts if saw.style is SawStyle.STORE else None
    over = saw.over if saw.roughs else ZERO
    halve = saw.style is SawStyle.TABLE
    if halve:
        # A sheet too heavy to push across the saw alone is halved on the floor first.
        over, rough_cuts = saw.over or USUAL_OVER, 1
    by_line = saw.style is SawStyle.TRACK
    sawing = Sawing(saw.stages, over.ticks, rough_cuts, halve, by_line, _limits(saw, goods, thickness), saw.least.ticks)
    return Terms(saw.kerf.ticks, saw.trim.ticks, saw.four, sawing)


def _limits(saw: Saw, goods: SheetGoods, thickness: Length | None) -> Limits:
    longest = saw.longest.ticks if saw.longest is not None else None
    if saw.style is SawStyle.PANEL:
        # The sheet lies on the table of a sliding saw, or stands in a panel saw.
        opens = saw.opens.ticks if saw.opens is not None else None
        reach = saw.reach.ticks if saw.reach is not None else None
        heaviest = _area(saw.heaviest, goods, thickness) if saw.heaviest is not None else None
        return Limits(opens, reach, ALONG.ticks, longest, heaviest)
    return Limits(
        (saw.opens or USUAL_FENCE).ticks,
        (saw.reach or USUAL_REACH).ticks,
        ALONG.ticks,
        longest,
        _area(saw.heaviest or USUAL_HEAVIEST, goods, thickness),
    )


def _area(grams: int, goods: SheetGoods, thickness: Length | None) -> int:
    """Return how large a board of a kind of sheet weighs so much, in square ticks."""
    thick = (thickness or goods.thickness).mm
    return int(grams / (material(goods.stuff).density * 1e-6 * thick)) * TICKS_PER_MM**2


def assumed(saw: Saw) -> Iterator[str]:
    """Return what is taken as in a usual shop because nobody has said, in words without figures: what each limit is."""
    if saw.style is SawStyle.PANEL:
        return
    if saw.opens is None:
        yield "how far the fence opens"
    if saw.reach is None:
        yield "how deep a board is crosscut against a stop"
    if saw.heaviest is None:
        yield "how heavy a board one pushes alone"
    if saw.style is SawStyle.TABLE and not saw.over:
        yield "how much over size a heavy sheet is halved"
