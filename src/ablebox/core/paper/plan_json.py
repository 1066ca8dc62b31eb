# SPDX-License-Identifier: GPL-3.0-or-later
"""Cut plans as plain data, in millimetres; x runs along the sheet's length from its corner."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from ..cuts.plan import CutSheet, Plan
from ..cuts.saw_order import cuts_of
from ..parts.listing import Part
from ..shop.made import Made
from ..shop.plans import verdict
from .bare_plan import mm, spot_tree


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
    order = cuts_of(plan, sheet)
    spots = []
    for spot in sheet.spots:
        tree = spot_tree(spot, mm(spot.length), mm(spot.width))
        tree["name"] = by_code[spot.code].name
        spots.append(tree)
    return {
        "sheet": sheet.supply.code,
        "length": mm(sheet.supply.length),
        "width": mm(sheet.supply.width),
        "used": round(sheet.used, 4),
        "parts": spots,
        "cuts": [
            {"cut": cut.way.value, "setting": mm(cut.setting), "keeps": list(cut.codes), "trim": cut.trim}
            for cut in order.cuts
        ],
        "left": [{"length": mm(rest.length), "width": mm(rest.width)} for rest in order.rests],
    }
