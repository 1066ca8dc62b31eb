# SPDX-License-Identifier: GPL-3.0-or-later
"""A laid sheet put in order: pieces pushed together, the widest first, equal ones beside each other.

Where the first cuts are made over size, the strips are then pulled apart as far as the room at the end allows.
"""

from __future__ import annotations

from dataclasses import replace

from .divide import Board, CutWay, divided, rough_room, slices, turns_of
from .plan import CutSheet
from .problem import Spot, Terms


def tidied(sheet: CutSheet, terms: Terms) -> CutSheet:
    """Return the sheet with every piece pushed to the low corner of the board it is cut from.

    Waste then lies behind the pieces, where a fence does not have to be set for it.

    Args:
        sheet: the sheet.
        terms: how it is cut.
    """
    board = Board(*terms.usable(sheet.supply))
    spots = tuple(_pushed(board, list(sheet.spots), terms.kerf, bool(terms.sawing.stages)))
    return spread(replace(sheet, spots=spots), terms)


def spread(sheet: CutSheet, terms: Terms) -> CutSheet:
    """Return a sheet with room for cuts over size between its first strips, from the low side, for as many as it has."""
    over = terms.over(sheet.supply)
    if not over:
        return sheet
    node = divided(sheet, replace(terms, sawing=replace(terms.sawing, over=0)))
    if node.way is None:
        return sheet
    most = terms.sawing.rough_cuts
    room = node.board.span(node.way)[1] - node.parts[-1].board.span(node.way)[1]
    shift, made, spots = 0, 0, []
    for number, part in enumerate(node.parts):
        spots += [_shifted(spot, node.way, shift) for spot in part.spots]
        last = number + 1 == len(node.parts)
        needed = rough_room(number, last, over)
        if not last and needed <= room - shift and (most is None or made < most) and made == number:
            shift, made = shift + needed, made + 1
    return replace(sheet, spots=tuple(spots))


def _shifted(spot: Spot, way: CutWay, by: int) -> Spot:
    if way is CutWay.RIP:
        return replace(spot, y=spot.y + by)
    return replace(spot, x=spot.x + by)


def _pushed(board: Board, spots: list[Spot], kerf: int, limited: bool) -> list[Spot]:
    low_x, low_y = min(spot.x for spot in spots), min(spot.y for spot in spots)
    moved = [replace(spot, x=spot.x - low_x + board.x, y=spot.y - low_y + board.y) for spot in spots]
    if len(moved) == 1:
        return moved
    way, parts = max(
        ((way, [part for part in slices(board, moved, kerf, way) if part[1]]) for way in (CutWay.RIP, CutWay.CROSS)),
        key=lambda found: (-turns_of(found[1], kerf) if limited else 0, len(found[1])),
    )
    done: list[Spot] = []
    at = board.span(way)[0]
    # The widest first and equal ones beside each other: one setting after another, each only once.
    sized = [(part[0].span(way), part) for part in parts]
    sized.sort(key=lambda row: row[0][0] - row[0][1])
    for (low, high), (piece, inside) in sized:
        done += _pushed(piece.cut_to(way, at, at + high - low), inside, kerf, limited)
        at += high - low + kerf
    return done
