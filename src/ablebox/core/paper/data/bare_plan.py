# SPDX-License-Identifier: GPL-3.0-or-later
"""The cut plan of a bare list as plain data, in millimetres; x runs along the sheet's length from its corner."""

from __future__ import annotations

from typing import Any

from ...cuts.plan import Plan
from ...cuts.problem import Spot
from ...lengths import TICKS_PER_MM
from .cutplan_csv import Lists


def mm(ticks: int) -> float:
    """Return ticks in millimetres, to the last digit that counts."""
    return round(ticks / TICKS_PER_MM, 7)


def spot_tree(spot: Spot, length: float, width: float) -> dict[str, Any]:
    """Return a piece on a sheet, with its sizes as they are to be written."""
    x, y = mm(spot.x), mm(spot.y)
    return {"part": spot.code, "x": x, "y": y, "length": length, "width": width, "turned": spot.turned}


def bare_plan_tree(plan: Plan, lists: Lists) -> dict[str, Any]:
    """Return the plan of a bare list; sizes are given back exactly as they were written."""
    return {
        "units": "mm",
        "kerf": lists.kerf,
        "trim": lists.trim,
        "sheets": [
            {
                "sheet": lists.sheet_names[sheet.supply.code],
                "length": lists.sheet_sizes[sheet.supply.code][0],
                "width": lists.sheet_sizes[sheet.supply.code][1],
                "parts": [_bare_spot(spot, lists) for spot in sheet.spots],
            }
            for sheet in plan.sheets
        ],
        "bound": {"sheets": plan.bound.sheets},
    }


def _bare_spot(spot: Spot, lists: Lists) -> dict[str, Any]:
    tree = spot_tree(spot, *lists.part_sizes[spot.code])
    tree["part"] = lists.part_names[spot.code]
    return tree
