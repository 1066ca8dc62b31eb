# SPDX-License-Identifier: GPL-3.0-or-later
"""Cut plans as plain data, in millimetres; x runs along the sheet's length from its corner."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from ...cuts.plan import CutSheet, Plan
from ...cuts.saw_order import cuts_of
from ...parts.listing import Part
from ...shop.batches import in_order
from ...shop.made import Made
from ...shop.on_sheets import pieces_in
from ...shop.plans import verdict
from ...shop.rests import kept
from .bare_plan import mm, spot_tree
from .board_json import boards_tree
from .cut_json import cut_tree


def project_plan_tree(made: Made, plans: Mapping[str, Plan]) -> dict[str, Any]:
    """Return the plans of a project, one for each kind of sheet, with the cuts in order, and the boards."""
    saw = made.project.rack.saw
    by_code = {part.code: part for part in made.parts}
    return {
        "units": "mm",
        "project": made.project.name,
        "kerf": round(saw.kerf.mm, 6),
        "trim": round(saw.trim.mm, 6),
        "verdict": verdict(plans),
        "plans": [_plan(made, code, plan, by_code) for code, plan in plans.items()],
        "boards": boards_tree(made),
    }


def _plan(made: Made, code: str, plan: Plan, by_code: Mapping[str, Part]) -> dict[str, Any]:
    names = pieces_in(made, code, plan)
    orders: list[list[dict[str, Any]]] = [[] for _ in plan.sheets]
    for n, (number, cut) in enumerate(in_order(made, plan), start=1):
        keep = {given.strip for given in cut.gives if kept(made.project, code, given.board)}
        orders[number].append(cut_tree(n, cut, names[number], keep))
    return {
        "material": made.project.rack.sheet_goods(code).name,
        "sheets": [_sheet(made, plan, i, by_code, names[i], orders[i]) for i in range(len(plan.sheets))],
        "bound": {"sheets": plan.bound.sheets, "by_area": round(plan.bound.by_area, 4)},
        "proven": plan.proven,
    }


def _sheet(
    made: Made, plan: Plan, at: int, by_code: Mapping[str, Part], names: Sequence[str], order: list[dict[str, Any]]
) -> dict[str, Any]:
    sheet: CutSheet = plan.sheets[at]
    cutting = cuts_of(plan, sheet)
    spots = []
    for i, (spot, piece) in enumerate(zip(sheet.spots, names, strict=True)):
        tree = spot_tree(spot, mm(spot.length), mm(spot.width))
        tree["name"], tree["piece"], tree["strip"] = by_code[spot.code].name, piece, cutting.strip_of(i)
        spots.append(tree)
    return {
        "number": plan.numbers[at],
        "sheet": sheet.supply.code,
        "length": mm(sheet.supply.length),
        "width": mm(sheet.supply.width),
        "kerf": mm((sheet.terms or plan.problem.terms).kerf),
        "used": round(sheet.used, 4),
        "parts": spots,
        "cuts": [
            {"cut": cut.way.value, "setting": mm(cut.setting), "keeps": list(cut.codes), "trim": cut.trim}
            for cut in cutting.cuts
        ],
        "order": order,
        "left": [{"length": mm(rest.length), "width": mm(rest.width), "strip": name}
                 for rest, name in zip(cutting.rests, cutting.names, strict=True)],
    }  # fmt: skip
