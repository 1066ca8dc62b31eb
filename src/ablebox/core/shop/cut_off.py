# SPDX-License-Identifier: GPL-3.0-or-later
"""What is cut comes off the rack, and what is left of it goes back; a spoiled piece is planned again."""

from __future__ import annotations

from dataclasses import replace

from ..cuts.plan import CutSheet, Plan
from ..cuts.saw_order import cuts_of
from ..lengths import Length
from ..parts.listing import Part
from ..project.rack_edits import with_stock
from ..project.tree import DonePiece, Project
from ..stock import Sheet
from .held import own_sheet
from .made import Made
from .on_sheets import places_in
from .rests import kept


def sheet_cut(made: Made, code: str, plan: Plan, number: int) -> Project:
    """Return the project with a sheet cut: its pieces are done, it is off the rack, offcuts worth keeping are on it.

    Args:
        made: what was made.
        code: of the stock.
        plan: the plan the sheet belongs to.
        number: of the sheet in the plan, from 1.
    """
    project, sheet = made.project, plan.sheets[number - 1]
    own = own_sheet(made.holdings[code].sheets, plan, number)
    by_code = {part.code: part for part in made.parts}
    pieces = list(project.done)
    for spot, place in zip(sheet.spots, places_in(made, code, plan)[number - 1], strict=True):
        part = by_code[spot.code]
        pieces.append(DonePiece(place, code, part.cut_length.length, part.cut_width.length))
    if own is not None:
        project = replace(project, held=tuple(each for each in project.held if each is not own))
    rows = _without(list(project.rack.sheet_goods(code).sheets), sheet)
    for rest in cuts_of(plan, sheet).rests:
        if kept(project, code, rest):
            rows = _with_offcut(rows, Length(rest.length), Length(rest.width))
    return replace(with_stock(project, code, sheets=tuple(rows)), done=tuple(pieces))


def cut_already(project: Project, part: Part) -> int:
    """Return how many pieces of a part have been cut."""
    done = {piece.place for piece in project.done}
    return sum(place in done for place in part.places)


def spoiled(project: Project, part: Part, place: str = "") -> Project:
    """Return the project with one piece of a part to be made again; what else is cut stays cut.

    The spoiled piece goes onto the rack where it is as large as an offcut that is kept.

    Args:
        project: the project.
        part: the part.
        place: of the piece; the last one that was cut if not given.
    """
    own = {place} if place else set(part.places)
    last = next((piece for piece in reversed(project.done) if piece.place in own), None)
    project = replace(project, done=tuple(piece for piece in project.done if piece is not last))
    goods = {row.code: row for row in project.rack.goods}
    if last is None or last.goods not in goods or min(last.length, last.width) < project.rack.saw.least:
        return project
    rows = _with_offcut(list(goods[last.goods].sheets), last.length, last.width)
    return with_stock(project, last.goods, sheets=tuple(rows))


def _without(rows: list[Sheet], sheet: CutSheet) -> list[Sheet]:
    """Return the sheets of a stock with one less of those that are counted; used up offcuts disappear."""
    supply = sheet.supply
    size = (supply.length, supply.width, supply.offcut)
    for i, row in enumerate(rows):
        if (row.length.ticks, row.width.ticks, row.offcut) == size and row.count:
            left = replace(row, count=row.count - 1)
            gone = row.offcut and left.count == 0
            return [*rows[:i], *([] if gone else [left]), *rows[i + 1 :]]
    return rows


def _with_offcut(rows: list[Sheet], length: Length, width: Length) -> list[Sheet]:
    for i, row in enumerate(rows):
        if row.offcut and (row.length, row.width) == (length, width):
            return [*rows[:i], replace(row, count=(row.count or 0) + 1), *rows[i + 1 :]]
    return [*rows, Sheet(length, width, 1, True)]
