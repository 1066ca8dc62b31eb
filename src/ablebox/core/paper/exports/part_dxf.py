# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts as DXF, one file each, in millimetres, for those who have a router cut them: a layer for each operation.

A part lies with its machined face up, its length to the right, as its drawing shows it; its corner is at 0, 0. The layer says what is
done, how deep, and with holes how wide: ``GROOVE_Z6.35``, ``PIN_D6.35_Z12.7``. ``OUTLINE`` is the finished form, ``CUT`` the size at the saw
where bands make it smaller, ``OPENING`` goes right through. What is worked from the other face ends in ``_BELOW``, what is worked from an
edge in ``_EDGE``; the code stands on ``LABEL``.
"""

from __future__ import annotations

import io
import re
from collections.abc import Mapping

from ezdxf import units as dxf_units
from ezdxf._options import options
from ezdxf.document import Drawing as Document
from ezdxf.filemanagement import new
from ezdxf.layouts.layout import Modelspace

from ...drawing.part_view import Lying
from ...parts.listing import Part
from ...parts.machining import HoleRow
from ...parts.slots import Slot
from ...shop.made import Made

_OUTLINE, _CUT, _LABEL = "OUTLINE", "CUT", "LABEL"
_COLOURS = {_OUTLINE: 7, _CUT: 8, _LABEL: 5}


def part_files(made: Made) -> dict[str, bytes]:
    """Return a file for each distinct part by its name, such as ``A-01.dxf``."""
    return {f"{part.code}.dxf": part_dxf(part) for part in made.parts}


def part_dxf(part: Part) -> bytes:
    """Return one part."""
    options.write_fixed_meta_data_for_testing = True
    document = new("R2010", setup=True)
    document.units = dxf_units.MM
    space, lying = document.modelspace(), Lying(part)
    made = _Made(document, space)
    long, wide = lying.length, lying.width
    form = [lying.point(a.mm, b.mm) for a, b in part.outline] or _corners(0, 0, long, wide)
    made.closed(_OUTLINE, form)
    cut = part.cut_length.length.mm, part.cut_width.length.mm
    if cut != (long, wide):
        made.closed(_CUT, _corners(0, 0, *cut))
    for item in part.machining:
        if isinstance(item, Slot):
            _slot(made, lying, part, item)
        else:
            _holes(made, lying, part, item)
    text = space.add_text(
        f"{part.code} {part.name}", height=min(20.0, wide * 0.4), dxfattribs={"layer": made.layer(_LABEL)}
    )
    text.set_placement((long * 0.03, wide * 0.03))
    stream = io.StringIO()
    document.write(stream)
    return stream.getvalue().encode("utf-8")


class _Made:
    """A file on its way: its layers come to be as they are needed."""

    def __init__(self, document: Document, space: Modelspace) -> None:
        self.document, self.space = document, space

    def layer(self, name: str, colours: Mapping[str, int] = _COLOURS) -> str:
        """Return a layer's name; it is there from then on."""
        if name not in self.document.layers:
            self.document.layers.add(name, color=colours.get(name, 1 + sum(map(ord, name)) % 6))
        return name

    def closed(self, layer: str, points: list[tuple[float, float]]) -> None:
        """Draw a closed line."""
        self.space.add_lwpolyline(points, close=True, dxfattribs={"layer": self.layer(layer)})


def _named(text: str) -> str:
    return re.sub(r"[^A-Z0-9]+", "_", text.upper()).strip("_")


def _size(value: float) -> str:
    return f"{round(value, 3):g}"


def _where(part: Part, item: Slot | HoleRow) -> str:
    if item.in_edge:
        return "_EDGE"
    return "" if item.face is part.bench_face else "_BELOW"


def _slot(made: _Made, lying: Lying, part: Part, slot: Slot) -> None:
    (x0, x1), (y0, y1) = lying.xs(slot.along), (0.0, lying.width)
    if slot.in_edge:
        deep = slot.depth.mm
        layer = f"{_named(slot.kind.value)}_Z{_size(deep)}_EDGE"
        if slot.face in (lying.below, lying.above):
            y0, y1 = (0.0, deep) if slot.face is lying.below else (lying.width - deep, lying.width)
        else:
            (y0, y1), (x0, x1) = (
                lying.ys(slot.along),
                ((0.0, deep) if slot.face is lying.left else (lying.length - deep, lying.length)),
            )
        made.closed(layer, _corners(x0, y0, x1 - x0, y1 - y0))
        return
    if not slot.off:
        y0, y1 = lying.ys(slot.across)
    layer = "OPENING" if slot.through else f"{_named(slot.kind.value)}_Z{_size(slot.depth.mm)}{_where(part, slot)}"
    made.closed(layer, _corners(x0, y0, x1 - x0, y1 - y0))


def _holes(made: _Made, lying: Lying, part: Part, row: HoleRow) -> None:
    deep = "THROUGH" if row.through else f"Z{_size(row.depth.mm)}"
    layer = made.layer(f"{_named(row.use.words)}_D{_size(row.diameter.mm)}_{deep}{_where(part, row)}")
    for x, y in lying.centres(row):
        made.space.add_circle((x, y), row.diameter.mm / 2, dxfattribs={"layer": layer})


def _corners(x: float, y: float, dx: float, dy: float) -> list[tuple[float, float]]:
    return [(x, y), (x + dx, y), (x + dx, y + dy), (x, y + dy)]
