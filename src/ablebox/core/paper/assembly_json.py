# SPDX-License-Identifier: GPL-3.0-or-later
"""Cases as parts in space, for checks from outside: boxes in millimetres, and the boxes cut out of them.

Measured from each case's left front floor corner: x to the right, y to the back, z up. One object
for every piece; ``outline`` and ``tilt`` only where a piece is not a plain box.
"""

from __future__ import annotations

from typing import Any

from ..assembly.part import Placed
from ..assembly.solid import Box
from ..lengths import Length
from ..shop.made import Made
from .parts_json import mm


def assembly_tree(made: Made) -> list[dict[str, Any]]:
    """Return one object for each case."""
    codes = {(part.case, role): part.code for part in made.parts for role in part.roles}
    cases = []
    for assembly in made.assemblies:
        width, height, depth = (mm(size.length) for size in assembly.outside)
        parts = [_part(part, codes[assembly.letter, part.role]) for part in assembly.parts]
        cases.append({"case": assembly.letter, "outside": [width, depth, height], "parts": parts})
    return cases


def _part(part: Placed, code: str) -> dict[str, Any]:
    tree: dict[str, Any] = {
        "code": code,
        "name": part.name,
        **_box(part.box),
        "cuts": [{**_box(cut.box), "kind": cut.kind.value} for cut in part.cuts],
    }
    if part.outline:
        along, across = part.axes[:2]
        corners = []
        for a, b in part.outline:
            point = [mm(Length(low)) for low in part.box.low]
            point[along] = mm(Length(part.box.low[along]) + a)
            point[across] = mm(Length(part.box.low[across]) + b)
            corners.append(point)
        tree["outline"] = corners
    if part.tilt is not None:
        tree["tilt"] = {
            "axis": "x",
            "rise": mm(part.tilt.rise),
            "run": mm(part.tilt.run),
            "length": mm(part.length.length),
            "width": mm(part.width.length),
            "thickness": mm(part.thickness.length),
        }
    return tree


def _box(box: Box) -> dict[str, Any]:
    return {"at": [mm(Length(t)) for t in box.low], "size": [mm(size) for size in box.size]}
