# SPDX-License-Identifier: GPL-3.0-or-later
"""The sheets of a project as files of their own, one for each."""

from __future__ import annotations

import re
from collections.abc import Callable, Mapping

from ...cuts.plan import CutSheet, Plan
from ...drawing.sheet_view import sheet_view
from ...lengths import TICKS_PER_MM
from ...shop.made import Made
from ..canvas.svg_canvas import as_svg
from .sheet_dxf import sheets_dxf

#: Makes the bytes of one sheet: what was made, the code of its stock, its plan, the sheet, its title.
Maker = Callable[[Made, str, Plan, CutSheet, str], bytes]


def sheet_files(made: Made, plans: Mapping[str, Plan], suffix: str, make: Maker) -> dict[str, bytes]:
    """Return the files of all sheets by name, such as ``case-2.dxf``."""
    found: dict[str, bytes] = {}
    for code, plan in plans.items():
        name = made.project.rack.sheet_goods(code).name
        for number, sheet in zip(plan.numbers, plan.sheets, strict=True):
            title = f"{name}, sheet {number} of {len(plan.sheets)}"
            # A code comes from a file: nothing in it leads out of the folder.
            safe = re.sub(r"[^A-Za-z0-9_]+", "-", code)[:60].strip("-") or "stock"
            stem = (
                f"{safe}-{number}" if f"{safe}-{number}.{suffix}" not in found else f"{safe}-{len(found) + 1}-{number}"
            )
            found[f"{stem}.{suffix}"] = make(made, code, plan, sheet, title)
    return found


def sheet_dxf(made: Made, code: str, plan: Plan, sheet: CutSheet, title: str) -> bytes:
    """Return one sheet as DXF."""
    return sheets_dxf([(plan, sheet, title)])


def sheet_svg(made: Made, code: str, plan: Plan, sheet: CutSheet, title: str) -> bytes:
    """Return one sheet as SVG, true to scale."""
    by_code = {part.code: part for part in made.parts}
    view = sheet_view(plan, sheet, by_code, made.units, made.project.rack.sheet_goods(code).grained)
    return as_svg(view, sheet.supply.length / TICKS_PER_MM, sheet.supply.width / TICKS_PER_MM)


def all_sheets_dxf(made: Made, plans: Mapping[str, Plan]) -> bytes:
    """Return all sheets in one DXF file, above each other."""
    rows = []
    for code, plan in plans.items():
        name = made.project.rack.sheet_goods(code).name
        rows += [
            (plan, sheet, f"{name}, sheet {number} of {len(plan.sheets)}")
            for number, sheet in zip(plan.numbers, plan.sheets, strict=True)
        ]
    return sheets_dxf(rows)
