# SPDX-License-Identifier: GPL-3.0-or-later
"""The numbers of the stock that a person may set: thicknesses and sheet sizes.

``stock/case/thickness`` is the measured thickness, ``stock/case/nominal`` the one in the name,
``stock/case/sheet.2.length`` the length of the second sheet, ``stock/frame/board.1.width`` of a board,
``edging/solid/thickness`` a band, ``hardware/NAME/takes`` what slides or a hinge say of themselves.
"""

from __future__ import annotations

import re
from functools import partial

from ..hardware import KINDS, usual
from ..lengths import ZERO, Length, millimetres
from ..stock import Board, BoardGoods
from .choice import Choice
from .rack_edits import rows_of, with_band, with_hardware, with_row, with_stock
from .tree import Project

#: The figures of a slide's members, in their order.
MEMBERS = {"high": "height", "line": "holes above the lower edge", "first": "first hole", "pitch": "hole to hole"}
_THIN = millimetres("0.1")
#: What is set by each thickness, and what it is called.
_THICKNESSES = {"thickness": ("measured", "measured thickness"), "nominal": ("nominal", "nominal thickness")}


def stock_choice(project: Project, key: str, code: str, what: str) -> Choice | None:
    """Return the choice behind a number of a kind of sheet or board; ``None`` if there is none."""
    try:
        stock = project.rack.stock(code)
    except KeyError:
        return None
    if what in _THICKNESSES:
        name, words = _THICKNESSES[what]
        put = partial(_put_thickness, project, code, name)
        return Choice(key, f"{words} of {stock.name}", getattr(stock, what), _THIN, put)
    if what in ("extra_length", "extra_width") and isinstance(stock, BoardGoods):
        side = what.removeprefix("extra_")
        put = partial(_put_thickness, project, code, what)
        return Choice(key, f"what parts of {stock.name} are cut larger in {side}", getattr(stock, what), ZERO, put)
    found = re.fullmatch(r"(sheet|board)\.(\d+)\.(length|width)", what)
    rows, row_word = rows_of(stock), "board" if isinstance(stock, BoardGoods) else "sheet"
    if found is None or found[1] != row_word or not 1 <= int(found[2]) <= len(rows):
        return None
    at, side = int(found[2]) - 1, found[3]
    row = rows[at]
    title = f"{side} of {row.name} in {stock.name}" if isinstance(row, Board) else f"{side} of a sheet of {stock.name}"
    return Choice(key, title, getattr(row, side), _THIN, lambda value: with_row(project, code, at, **{side: value}))


def _put_thickness(project: Project, code: str, name: str, value: Length) -> Project:
    return with_stock(project, code, **{name: value})


def edging_choice(project: Project, key: str, code: str) -> Choice | None:
    """Return the choice behind the thickness of a band; ``None`` if there is none."""
    edging = next((row for row in project.rack.edgings if row.code == code), None)
    if edging is None:
        return None
    put = partial(_put_band, project, code)
    return Choice(key, f"thickness of {edging.name}", edging.thickness, ZERO, put)


def _put_band(project: Project, code: str, value: Length) -> Project:
    return with_band(project, code, thickness=value)


def hardware_choice(project: Project, key: str, name: str, what: str) -> Choice | None:
    """Return the choice behind a figure of an item of hardware; ``None`` if there is none."""
    known = (*project.rack.hardware, *usual(project.units.system))
    item = next((row for row in known if row.name == name), None)
    if item is None or what not in ("size", "takes", *MEMBERS):
        return None
    if what in MEMBERS:
        value = item.members[list(MEMBERS).index(what)]
        return Choice(
            key, f"{MEMBERS[what]} of {name}", value, _THIN, lambda new: with_hardware(project, name, **{what: new})
        )
    words, value = getattr(KINDS[item.kind], what), getattr(item, what)
    if not words or value is None:
        return None
    return Choice(key, f"{words} of {name}", value, ZERO, lambda new: with_hardware(project, name, **{what: new}))
