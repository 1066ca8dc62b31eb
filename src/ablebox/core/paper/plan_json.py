# SPDX-License-Identifier: GPL-3.0-or-later
"""Cut plans as plain data, in millimetres; x runs along the sheet's length from its corner."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from ..cuts.plan import CutSheet, Plan, Spot
from ..cuts.saw_order import cutting
from ..lengths import TICKS_PER_MM
from ..parts.listing import Part
from ..shop.made import Made
from ..shop.plans import verdict
from .cutplan_csv import Lists


def _mm(ticks: int) -> float:
    return round(ticks / TICKS_PER_MM, 7)


def _spot(spot: Spot, length: float, width: float) -> dict[str, Any]:
    x, y = _mm(spot.x), _mm(spot.y)
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
    tree = _spot(spot, *lists.part_sizes[spot.code])
    tree["part"] = lists.part_names[spot.code]
    return tree


def project_plan_tree(made: Made, plans: Mapping[str, Plan]) -> dict[str, Any]:
    """Return the plans of a project, one for each kind of sheet, with the cuts in order."""
    saw = made.project.rack.saw
    by_code = {part.code: part for part in made.parts}
    return {
        "units": "mm",
        "project": made.project.name,
        "kerf": round(saw.kerf.mm, 6),
        "trim": round(saw.trim.mm, 6),
        "verdict": verdict(plans),
        "plans": [_plan(made, code, plan, by_code) for code, plan in plans.items()],
    }


def _plan(made: Made, code: str, plan: Plan, by_code: Mapping[str, Part]) -> dict[str, Any]:
    return {
        "material": made.project.rack.sheet_goods(code).name,
        "sheets": [_sheet(sheet, plan, by_code) for sheet in plan.sheets],
        "bound": {"sheets": plan.bound.sheets, "by_area": round(plan.bound.by_area, 4)},
        "proven": plan.proven,
    }


def _sheet(sheet: CutSheet, plan: Plan, by_code: Mapping[str, Part]) -> dict[str, Any]:
    order = cutting(sheet, plan.problem.kerf, plan.problem.trim)
    spots = []
    for spot in sheet.spots:
        tree = _spot(spot, _mm(spot.length), _mm(spot.width))
        tree["name"] = by_code[spot.code].name
        spots.append(tree)
    return {
        "sheet": sheet.supply.code,
        "length": _mm(sheet.supply.length),
        "width": _mm(sheet.supply.width),
        "used": round(sheet.used, 4),
        "parts": spots,
        "cuts": [
            {"cut": cut.way.value, "setting": _mm(cut.setting), "keeps": list(cut.codes), "trim": cut.trim}
            for cut in order.cuts
        ],
        "left": [{"length": _mm(rest.length), "width": _mm(rest.width)} for rest in order.rests],
    }
