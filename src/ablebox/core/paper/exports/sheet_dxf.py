# SPDX-License-Identifier: GPL-3.0-or-later
"""Sheets as DXF, in millimetres, each with the layers OUTLINE, PARTS, OFFCUTS and LABELS.

x runs along the sheet's length from its corner, y across it; several sheets lie above each other.
"""

from __future__ import annotations

import io
from collections.abc import Sequence

from ezdxf import units as dxf_units
from ezdxf._options import options
from ezdxf.enums import TextEntityAlignment
from ezdxf.filemanagement import new

from ...cuts.plan import CutSheet, Plan
from ...cuts.saw_order import cuts_of
from ...lengths import TICKS_PER_MM

#: Colours by their number in the format: the layers are told apart by name all the same.
LAYERS = {"OUTLINE": 8, "PARTS": 7, "OFFCUTS": 3, "LABELS": 5}
_APART = 200.0


def sheets_dxf(sheets: Sequence[tuple[Plan, CutSheet, str]]) -> bytes:
    """Return sheets as the text of a DXF file.

    Args:
        sheets: each with its plan and its title.
    """
    options.write_fixed_meta_data_for_testing = True
    document = new("R2010", setup=True)
    document.units = dxf_units.MM
    for name, colour in LAYERS.items():
        document.layers.add(name, color=colour)
    space = document.modelspace()
    up = 0.0
    for plan, sheet, title in sheets:
        length, width = sheet.supply.length / TICKS_PER_MM, sheet.supply.width / TICKS_PER_MM
        space.add_lwpolyline(_corners(0, up, length, width), close=True, dxfattribs={"layer": "OUTLINE"})
        _text(space, title, 0, up + width + 25, 30, TextEntityAlignment.LEFT)
        for spot in sheet.spots:
            dx, dy = (reach / TICKS_PER_MM for reach in spot.reach)
            x, y = spot.x / TICKS_PER_MM, up + spot.y / TICKS_PER_MM
            space.add_lwpolyline(_corners(x, y, dx, dy), close=True, dxfattribs={"layer": "PARTS"})
            _text(space, spot.code, x + dx / 2, y + dy / 2, min(40.0, dy * 0.5, dx / max(4, len(spot.code))),
                  TextEntityAlignment.MIDDLE_CENTER)  # fmt: skip
        for rest in cuts_of(plan, sheet).rests:
            x, y, dx, dy = (value / TICKS_PER_MM for value in (rest.x, rest.y, rest.length, rest.width))
            space.add_lwpolyline(_corners(x, up + y, dx, dy), close=True, dxfattribs={"layer": "OFFCUTS"})
        up += width + _APART
    stream = io.StringIO()
    document.write(stream)
    return stream.getvalue().encode("utf-8")


def _corners(x: float, y: float, dx: float, dy: float) -> list[tuple[float, float]]:
    return [(x, y), (x + dx, y), (x + dx, y + dy), (x, y + dy)]


def _text(space, text: str, x: float, y: float, high: float, align: TextEntityAlignment) -> None:  # type: ignore[no-untyped-def]
    made = space.add_text(text, height=high, dxfattribs={"layer": "LABELS"})
    made.set_placement((x, y), align=align)
