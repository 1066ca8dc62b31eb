# SPDX-License-Identifier: GPL-3.0-or-later
"""Boards as plain data, in millimetres, in the form of sheets; x runs along the board."""

from __future__ import annotations

from typing import Any

from ...cuts.board_sheet import board_sheet
from ...cuts.saw_cut import Becomes, Cutting
from ...cuts.saw_order import cutting
from ...shop.boards import board_plans, board_terms
from ...shop.made import Made
from .bare_plan import mm, spot_tree
from .cut_json import cut_tree


def boards_tree(made: Made) -> list[dict[str, Any]]:
    """Return the boards of each kind that is needed, with their cuts in order."""
    found: list[dict[str, Any]] = []
    for goods, plan in board_plans(made):
        n, boards = 0, []
        for number, board in enumerate(plan.boards, start=1):
            sheet, terms = board_sheet(board, plan, board_terms(made))
            order = cutting(sheet, terms)
            names = [spot.code for spot in sheet.spots]
            rows = [cut_tree(n + i, cut, names, _kept(order)) for i, cut in enumerate(order.cuts, start=1)]
            n += len(order.cuts)
            boards.append(
                {
                    "number": number,
                    "board": sheet.supply.code,
                    "length": mm(sheet.supply.length),
                    "width": mm(sheet.supply.width),
                    "kerf": mm(terms.kerf),
                    "parts": [
                        {
                            **spot_tree(spot, mm(spot.length), mm(spot.width)),
                            "piece": spot.code,
                            "strip": order.strip_of(i),
                        }
                        for i, spot in enumerate(sheet.spots)
                    ],
                    "order": rows,
                    "left": [
                        {"length": mm(rest.length), "width": mm(rest.width), "strip": name}
                        for rest, name in zip(order.rests, order.names, strict=True)
                    ],
                }
            )
        found.append({"material": goods.name, "boards": boards, "proven": plan.proven})
    return found


def _kept(order: Cutting) -> set[str]:
    """Return the names of what is left over and long enough to be a board again."""
    return {given.strip for cut in order.cuts for given in cut.gives if given.what is Becomes.KEEP}
