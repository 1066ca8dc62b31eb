# SPDX-License-Identifier: GPL-3.0-or-later
"""The numbers of the stock that a person may set: thicknesses and sheet sizes.

``stock/case/thickness`` is the measured thickness, ``stock/case/nominal`` the one in the name,
``stock/case/sheet.2.length`` the length of the second sheet, ``stock/frame/board.1.width`` of a board, ``edging/solid/thickness`` a band.
"""

from __future__ import annotations

import re
from dataclasses import replace
from typing import Any

from ..lengths import ZERO, Length, millimetres
from ..stock import BoardGoods, Rack, SheetGoods
from .choice import Choice
from .tree import Project, named_stock

_THIN = millimetres("0.1")


def with_goods(project: Project, old: SheetGoods, new: SheetGoods) -> Project:
    """Return the project with one kind of sheet in place of another."""
    rows = tuple(new if row is old else row for row in project.rack.goods)
    return replace(project, rack=replace(project.rack, goods=rows))


def merged(project: Project, own: Rack) -> Rack:
    """Return another rack with what the project's cases need and it lacks taken over from the project's own."""
    needed = {code for case in project.cases for _, code in named_stock(case)}
    sheets, boards = {row.code for row in own.goods}, {row.code for row in own.boards}
    bands = {row.code for row in own.edgings}
    old = project.rack
    return replace(
        own,
        goods=(*own.goods, *(row for row in old.goods if row.code in needed and row.code not in sheets | boards)),
        boards=(*own.boards, *(row for row in old.boards if row.code in needed and row.code not in sheets | boards)),
        edgings=(*own.edgings, *(row for row in old.edgings if row.code in needed and row.code not in bands)),
    )


def with_boards(project: Project, old: BoardGoods, new: BoardGoods) -> Project:
    """Return the project with one kind of boards in place of another."""
    rows = tuple(new if row is old else row for row in project.rack.boards)
    return replace(project, rack=replace(project.rack, boards=rows))


def _board_choice(project: Project, key: str, goods: BoardGoods, what: str) -> Choice | None:
    def put(**changes: Any) -> Project:
        return with_boards(project, goods, replace(goods, **changes))

    if what == "thickness":
        title = f"measured thickness of {goods.name}"
        return Choice(key, title, goods.thickness, _THIN, lambda value: put(measured=value))
    if what == "nominal":
        return Choice(key, f"thickness of {goods.name}", goods.nominal, _THIN, lambda value: put(nominal=value))
    found = re.fullmatch(r"board\.(\d+)\.(length|width)", what)
    if found is None or not 1 <= int(found[1]) <= len(goods.boards):
        return None
    at, side = int(found[1]) - 1, found[2]

    def put_side(value: Length) -> Project:
        boards = list(goods.boards)
        boards[at] = replace(boards[at], length=value) if side == "length" else replace(boards[at], width=value)
        return put(boards=tuple(boards))

    board = goods.boards[at]
    return Choice(key, f"{side} of {board.name} in {goods.name}", getattr(board, side), _THIN, put_side)


def stock_choice(project: Project, key: str, code: str, what: str) -> Choice | None:
    """Return the choice behind a number of a kind of sheet or board; ``None`` if there is none."""
    boards = next((row for row in project.rack.boards if row.code == code), None)
    if boards is not None:
        return _board_choice(project, key, boards, what)
    goods = next((row for row in project.rack.goods if row.code == code), None)
    if goods is None:
        return None

    def put(**changes: Any) -> Project:
        return with_goods(project, goods, replace(goods, **changes))

    if what == "thickness":
        title = f"measured thickness of {goods.name}"
        return Choice(key, title, goods.thickness, _THIN, lambda value: put(measured=value))
    if what == "nominal":
        return Choice(key, f"nominal thickness of {goods.name}", goods.nominal, _THIN, lambda v: put(nominal=v))
    found = re.fullmatch(r"sheet\.(\d+)\.(length|width)", what)
    if found is None or not 1 <= int(found[1]) <= len(goods.sheets):
        return None
    at, side = int(found[1]) - 1, found[2]

    def put_side(value: Length) -> Project:
        sheets = list(goods.sheets)
        old = sheets[at]
        sheets[at] = replace(old, length=value) if side == "length" else replace(old, width=value)
        return put(sheets=tuple(sheets))

    return Choice(key, f"{side} of a sheet of {goods.name}", getattr(goods.sheets[at], side), _THIN, put_side)


def edging_choice(project: Project, key: str, code: str) -> Choice | None:
    """Return the choice behind the thickness of a band; ``None`` if there is none."""
    edging = next((row for row in project.rack.edgings if row.code == code), None)
    if edging is None:
        return None

    def put(value: Length) -> Project:
        rows = tuple(replace(row, thickness=value) if row is edging else row for row in project.rack.edgings)
        return replace(project, rack=replace(project.rack, edgings=rows))

    return Choice(key, f"thickness of {edging.name}", edging.thickness, ZERO, put)
