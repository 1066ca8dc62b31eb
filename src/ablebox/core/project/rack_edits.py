# SPDX-License-Identifier: GPL-3.0-or-later
"""What a person does to the rack, as changes of the project: sheets and boards, bands, prices, another rack."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace
from typing import Any

from ..hardware import Hardware, usual
from ..lengths import ZERO, Length, inches, millimetres
from ..stock import Board, BoardGoods, Bought, Rack, SawStyle, Sheet
from ..units import System
from .tree import Choices, Project, first_boards, first_rack, named_stock


def rows_of(stock: Bought) -> tuple[Sheet, ...] | tuple[Board, ...]:
    """Return the sizes in which a kind of stock comes."""
    return stock.boards if isinstance(stock, BoardGoods) else stock.sheets


def used_codes(project: Project) -> set[str]:
    """Return the codes of all stock the cases are built from, of every option."""
    found = {sheet.goods for sheet in project.held}
    every: tuple[Project | Choices, ...] = (project, *project.options.values())
    for each in every:
        found |= {part.goods for part in each.loose} | {strip.goods for strip in each.strips}
        found |= {space.goods for space in each.spaces if space.goods}
        found |= {code for case in each.cases for _, code in named_stock(case)}
    return found


def with_stock(project: Project, code: str, **changes: Any) -> Project:
    """Return the project with a kind of sheet or board changed.

    Raises:
        KeyError: if there is none of this code.
    """
    old = project.rack.stock(code)
    new = replace(old, **changes)
    name = "boards" if isinstance(old, BoardGoods) else "goods"
    kinds = tuple(new if row is old else row for row in getattr(project.rack, name))
    return _with_rack(project, **{name: kinds})


def with_row(project: Project, code: str, at: int, **changes: Any) -> Project:
    """Return the project with one size of a kind of stock changed."""
    rows: list[Any] = list(rows_of(project.rack.stock(code)))
    rows[at] = replace(rows[at], **changes)
    return _with_rows(project, code, rows)


def without_row(project: Project, code: str, at: int) -> Project:
    """Return the project without one size of a kind of stock."""
    rows: list[Any] = list(rows_of(project.rack.stock(code)))
    del rows[at]
    return _with_rows(project, code, rows)


def with_another_row(project: Project, code: str, offcut: bool = False) -> Project:
    """Return the project with another size of a kind of stock: like a usual one, an offcut of half a sheet, or a board at hand."""
    stock = project.rack.stock(code)
    if isinstance(stock, BoardGoods):
        board = replace(stock.boards[-1], name="another board") if stock.boards else _usual_boards(project).boards[0]
        own = replace(board, name="own board", price=None, count=1, defects=())
        return _with_rows(project, code, [*stock.boards, own if offcut else replace(board, count=None, defects=())])
    usual = next((sheet for sheet in stock.sheets if not sheet.offcut), None) or _usual_sheet(project)
    half = Sheet(usual.length.share(2)[0], usual.width.share(2)[0], 1, True)
    return _with_rows(project, code, [*stock.sheets, half if offcut else replace(usual, count=None)])


def with_another_kind(project: Project, boards: bool = False) -> Project:
    """Return the project with another kind of sheet, like the first one, or of board in the usual sizes."""
    rack, taken = project.rack, _codes(project.rack)
    if boards:
        new = replace(_usual_boards(project), code=_free("boards", taken), name="another kind of board")
        return _with_rack(project, boards=(*rack.boards, new))
    first = rack.goods[0] if rack.goods else first_rack(project.units.system).goods[0]
    sheet = replace(first, code=_free("stock", taken), name="another sheet", measured=None, sheets=first.sheets[:1])
    return _with_rack(project, goods=(*rack.goods, sheet))


def without_kind(project: Project, code: str) -> Project:
    """Return the project without a kind of sheet or board.

    Raises:
        ValueError: if a case is built from it.
    """
    rack = project.rack
    goods, boards = (tuple(row for row in rows if row.code != code) for rows in (rack.goods, rack.boards))
    return _with_rack(project, goods=goods, boards=boards)


def with_band(project: Project, code: str, **changes: Any) -> Project:
    """Return the project with a band changed."""
    rows = tuple(replace(row, **changes) if row.code == code else row for row in project.rack.edgings)
    return _with_rack(project, edgings=rows)


def with_another_band(project: Project) -> Project:
    """Return the project with another band like the thickest one, or a solid one."""
    rows = project.rack.edgings or first_rack(project.units.system).edgings
    code = _free("band", {row.code for row in project.rack.edgings})
    new = replace(max(rows, key=lambda row: row.thickness), code=code, name="another band", price=None)
    return _with_rack(project, edgings=(*project.rack.edgings, new))


def with_hardware(project: Project, item: str, **changes: Any) -> Project:
    """Return the project with an item of hardware changed; the usual items of its kind become the rack's own.

    Raises:
        KeyError: if there is no such item.
        ValueError: if two items would have the same name, or a figure cannot be.
    """
    rows = _adopted(project, item)
    if rows is None:
        raise KeyError(item)
    return _with_rack(project, hardware=tuple(replace(row, **changes) if row.name == item else row for row in rows))


def with_another_hardware(project: Project, kind: str) -> Project:
    """Return the project with another item of a kind of hardware, like the last one."""
    known = project.rack.hardware_of(kind, project.units.system)
    last = known[-1] if known else Hardware("hardware", kind)
    rows = _adopted(project, last.name) or project.rack.hardware
    names = {row.name for row in rows}
    name = next(each for i in range(1, 1000) if (each := f"{last.name}, another {i}") not in names)
    return _with_rack(project, hardware=(*rows, replace(last, name=name, price=None)))


def without_hardware(project: Project, name: str) -> Project:
    """Return the project without an item of hardware."""
    rows = _adopted(project, name) or project.rack.hardware
    return _with_rack(project, hardware=tuple(row for row in rows if row.name != name))


def with_hardware_price(project: Project, name: str, price: int | None) -> Project:
    """Return the project with the price of a piece of hardware, in hundredths; ``None`` if it is not known."""
    rows = _adopted(project, name)
    if rows is None:
        return _with_rack(project, hardware=(*project.rack.hardware, Hardware(name, price=price)))
    kept = tuple(
        replace(row, price=price) if row.name == name else row
        for row in rows
        if row.name != name or row.kind != "other" or price is not None
    )
    return _with_rack(project, hardware=kept)


def with_saw(project: Project, **changes: Any) -> Project:
    """Return the project with the saw changed."""
    return _with_rack(project, saw=replace(project.rack.saw, **changes))


def with_blocks(project: Project, blocks: Iterable[Length]) -> Project:
    """Return the project with these spacer blocks kept, the shortest first, each once."""
    return _with_rack(project, blocks=tuple(sorted(set(blocks))))


def with_saw_style(project: Project, style: SawStyle) -> Project:
    """Return the project with sheets cut another way, and what is usual with it.

    A track saw's and a store's cuts are made over size by 1/4 in (6 mm) and trued up; a panel saw changes direction
    three times at most (common practice).
    """
    inch = project.units.system is System.INCH
    rough = style in (SawStyle.TRACK, SawStyle.STORE)
    over = (inches("1/4") if inch else millimetres(6)) if rough else ZERO
    return with_saw(project, style=style, over=over, stages=3 if style is SawStyle.PANEL else 0)


def _adopted(project: Project, name: str) -> tuple[Hardware, ...] | None:
    """Return the rack's hardware with the usual items of the kind a named one is of; ``None`` if nobody knows it."""
    rows = project.rack.hardware
    if any(row.name == name for row in rows):
        return rows
    usual_rows = usual(project.units.system)
    kind = next((row.kind for row in usual_rows if row.name == name), None)
    if kind is None or any(row.kind == kind for row in rows):
        return None
    return (*rows, *(row for row in usual_rows if row.kind == kind))


def merged(project: Project, own: Rack) -> Rack:
    """Return another rack with what the project's cases need and it lacks taken over from the project's own."""
    needed, old = used_codes(project), project.rack
    stock = _codes(own)
    bands = {row.code for row in own.edgings}
    return replace(
        own,
        goods=(*own.goods, *(row for row in old.goods if row.code in needed - stock)),
        boards=(*own.boards, *(row for row in old.boards if row.code in needed - stock)),
        edgings=(*own.edgings, *(row for row in old.edgings if row.code in needed - bands)),
    )


def _codes(rack: Rack) -> set[str]:
    return rack.codes["sheets"] | rack.codes["boards"]


def _with_rack(project: Project, **changes: Any) -> Project:
    return replace(project, rack=replace(project.rack, **changes))


def _with_rows(project: Project, code: str, rows: list[Any]) -> Project:
    name = "boards" if isinstance(project.rack.stock(code), BoardGoods) else "sheets"
    return with_stock(project, code, **{name: tuple(rows)})


def _usual_sheet(project: Project) -> Sheet:
    whole = (sheet for goods in project.rack.goods for sheet in goods.sheets if not sheet.offcut)
    return next(whole, None) or first_rack(project.units.system).goods[0].sheets[0]


def _usual_boards(project: Project) -> BoardGoods:
    return first_boards(project.units.system)[0]


def _free(stem: str, taken: set[str]) -> str:
    return next(f"{stem}-{i}" for i in range(1, 1000) if f"{stem}-{i}" not in taken)
