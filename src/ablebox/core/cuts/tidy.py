# SPDX-License-Identifier: GPL-3.0-or-later
"""A laid sheet put in order: pieces pushed together, the widest first, equal ones beside each other."""

from __future__ import annotations

from dataclasses import replace

from .plan import CutSheet
from .problem import Spot
from .saw_order import Board, CutWay, left_of, parts_of, turns_of


def tidied(sheet: CutSheet, kerf: int, trim: int, limited: bool = False) -> CutSheet:
    """Return the sheet with every piece pushed to the low corner of the board it is cut from.

    Waste then lies behind the pieces, where a fence does not have to be set for it.

    Args:
        sheet: the sheet.
        kerf: width of a cut.
        trim: what is cut off each factory edge first.
        limited: whether the direction of cuts is to change as seldom as can be.
    """
    board = Board(trim, trim, sheet.supply.length - 2 * trim, sheet.supply.width - 2 * trim)
    return CutSheet(sheet.supply, tuple(_pushed(board, list(sheet.spots), kerf, limited)))


def _pushed(board: Board, spots: list[Spot], kerf: int, limited: bool) -> list[Spot]:
    low_x, low_y = min(spot.x for spot in spots), min(spot.y for spot in spots)
    moved = [replace(spot, x=spot.x - low_x + board.x, y=spot.y - low_y + board.y) for spot in spots]
    if len(moved) == 1:
        return moved
    way, parts = max(
        ((way, [part for part in parts_of(board, moved, kerf, way) if part[1]]) for way in (CutWay.RIP, CutWay.CROSS)),
        key=lambda found: (-turns_of(found[1], kerf) if limited else 0, len(found[1])),
    )
    done: list[Spot] = []
    at = board
    rip = way is CutWay.RIP
    # The widest first and equal ones beside each other: one setting after another, each only once.
    parts.sort(key=lambda part: -(part[0].width if rip else part[0].length))
    for piece, inside in parts:
        size = piece.width if rip else piece.length
        done += _pushed(Board(at.x, at.y, piece.length, piece.width), inside, kerf, limited)
        at = left_of(at, size + kerf, rip)
    return done
