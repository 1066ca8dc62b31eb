# SPDX-License-Identifier: GPL-3.0-or-later
"""Cases as parts in space, for checks from outside: boxes in millimetres, and the boxes cut out of them.

Measured from each case's left front floor corner: x to the right, y to the back, z up. One object
for every piece; ``outline`` and ``tilt`` only where a piece is not a plain box.
"""

from __future__ import annotations

from typing import Any

from ..assembly.part import Placed
from ..assembly.role import BASES, COUNTERS
from ..assembly.solid import Box
from ..lengths import Length
from ..shop.made import Made
from .parts_json import mm


def assembly_tree(made: Made) -> list[dict[str, Any]]:
    """Return one object for each case, and one for each counter and each base frame that reaches beyond its case.

    The latter are measured from their own left front lower corner.
    """
    codes = {(part.case, role): part.code for part in made.parts for role in part.roles}
    found = []
    for assembly in made.assemblies:
        width, height, depth = (mm(size.length) for size in assembly.outside)
        counter = [part for part in assembly.parts if part.role.kind in COUNTERS]
        base = [part for part in assembly.parts if part.role.kind in BASES]
        if not any(part.box.high[0] > assembly.outside[0].length.ticks for part in base):
            base = []
        own = [part for part in assembly.parts if part not in counter and part not in base]
        parts = [_part(part, codes[assembly.letter, part.role], (0, 0, 0)) for part in own]
        found.append({"case": assembly.letter, "outside": [width, depth, height], "parts": parts})
        for words, beyond in (("counter", counter), ("base frame", base)):
            if beyond:
                found.append(_beyond(f"{assembly.letter} {words}", beyond, codes, assembly.letter))
    return found


def _beyond(name: str, parts: list[Placed], codes: dict[tuple[str, str], str], letter: str) -> dict[str, Any]:
    low = tuple(min(part.box.low[a] for part in parts) for a in range(3))
    high = tuple(max(part.box.high[a] for part in parts) for a in range(3))
    corner = (low[0], low[1], low[2])
    outside = [mm(Length(h - b)) for b, h in zip(low, high, strict=True)]
    return {
        "case": name,
        "outside": outside,
        "parts": [_part(part, codes[letter, part.role], corner) for part in parts],
    }


def _part(part: Placed, code: str, origin: tuple[int, int, int]) -> dict[str, Any]:
    tree: dict[str, Any] = {
        "code": code,
        "name": part.name,
        **_box(part.box, origin),
        "cuts": [{**_box(cut.box, origin), "kind": cut.kind.value} for cut in part.cuts],
    }
    if part.outline:
        along, across = part.axes[:2]
        corners = []
        for a, b in part.outline:
            point = [mm(Length(low - start)) for low, start in zip(part.box.low, origin, strict=True)]
            point[along] = mm(Length(part.box.low[along] - origin[along]) + a)
            point[across] = mm(Length(part.box.low[across] - origin[across]) + b)
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


def _box(box: Box, origin: tuple[int, int, int]) -> dict[str, Any]:
    at = [mm(Length(low - start)) for low, start in zip(box.low, origin, strict=True)]
    return {"at": at, "size": [mm(size) for size in box.size]}
