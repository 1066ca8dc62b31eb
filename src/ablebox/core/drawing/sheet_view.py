# SPDX-License-Identifier: GPL-3.0-or-later
"""A sheet with the pieces that are cut from it, true to scale."""

from __future__ import annotations

from collections.abc import Mapping

from ..cuts.plan import CutSheet, Plan
from ..cuts.saw_order import Board, cutting
from ..lengths import TICKS_PER_MM, Length, inches
from ..parts.listing import Part
from ..units import Units
from .palette import tint
from .shapes import Area, Dimension, Drawing, Label

#: Rests with both sides at least this long are worth keeping (strips under about 2 in are scrap, common practice).
WORTH_KEEPING = inches(4)


def worth_keeping(rest: Board) -> bool:
    """Whether a rest is an offcut to keep rather than scrap."""
    return min(rest.length, rest.width) >= WORTH_KEEPING.ticks


def sheet_view(
    plan: Plan, sheet: CutSheet, parts: Mapping[str, Part], units: Units, grained: bool, small: bool = False
) -> Drawing:
    """Return a sheet, its length to the right.

    Args:
        plan: the plan it belongs to.
        sheet: the sheet.
        parts: the parts by code.
        units: how sizes are written.
        grained: whether the grain runs along the sheet.
        small: leave words and dimensions away.
    """
    length, width = sheet.supply.length / TICKS_PER_MM, sheet.supply.width / TICKS_PER_MM
    drawing = Drawing(sheet.supply.code)
    drawing.add(Area(0, 0, length, width, "card", "quiet", 0.9, "" if small else "hatch"))
    order = cutting(sheet, plan.problem.kerf, plan.problem.trim)
    for rest in order.rests:
        if worth_keeping(rest):
            _rest(drawing, rest, units, small)
    for spot in sheet.spots:
        dx, dy = (reach / TICKS_PER_MM for reach in spot.reach)
        x, y = spot.x / TICKS_PER_MM, spot.y / TICKS_PER_MM
        part = parts[spot.code]
        pattern = ("grain-x" if grained else "") if not small else ""
        drawing.add(Area(x, y, dx, dy, tint(part.case), "ink", 0.6 if small else 1.2, pattern, f"part:{part.code}"))
        if not small:
            _words(drawing, part, x, y, dx, dy, units)
    if not small:
        drawing.add(
            Dimension(True, 0, length, width, 1.0, units.write(Length(sheet.supply.length))),
            Dimension(False, 0, width, 0, -1.1, units.write(Length(sheet.supply.width))),
        )
    return drawing


def _words(drawing: Drawing, part: Part, x: float, y: float, dx: float, dy: float, units: Units) -> None:
    size = f"{units.write(part.cut_length.length)} × {units.write(part.cut_width.length)}"
    middle_x, middle_y = x + dx / 2, y + dy / 2
    hot = f"part:{part.code}"
    if dy > 190:
        drawing.add(
            Label(middle_x, middle_y, part.code, 12, bold=True, shift=(0, 15), hot=hot, within=dx),
            Label(middle_x, middle_y, part.name, 10, within=dx),
            Label(middle_x, middle_y, size, 10, shift=(0, -15), within=dx),
        )
    elif dx > 420 and dy > 45:
        drawing.add(Label(middle_x, middle_y, f"{part.code}  {part.name}  {size}", 10, bold=True, hot=hot, within=dx))
        if dx < 700:
            drawing.items.pop()
            drawing.add(Label(middle_x, middle_y, f"{part.code}  {size}", 10, bold=True, hot=hot, within=dx))
    elif dy > dx and dy > 420:
        drawing.add(Label(middle_x, middle_y, f"{part.code}  {size}", 10, bold=True, hot=hot, upright=True))
    else:
        drawing.add(Label(middle_x, middle_y, part.code, 10, bold=True, hot=hot, within=dx))


def _rest(drawing: Drawing, rest: Board, units: Units, small: bool) -> None:
    x, y, dx, dy = (t / TICKS_PER_MM for t in (rest.x, rest.y, rest.length, rest.width))
    drawing.add(Area(x, y, dx, dy, "settled-wash", "settled", 0.6 if small else 1.0, "" if small else "dots"))
    if small:
        return
    size = f"{units.write(Length(rest.length))} × {units.write(Length(rest.width))}"
    if dy > 190 and dx > 230:
        drawing.add(
            Label(x + dx / 2, y + dy / 2, "keep", 12, colour="settled", bold=True, shift=(0, 8), within=dx),
            Label(x + dx / 2, y + dy / 2, size, 10, colour="settled", shift=(0, -8), within=dx),
        )
    elif dx > 420:
        drawing.add(Label(x + dx / 2, y + dy / 2, f"keep  {size}", 10, colour="settled", bold=True, within=dx))
