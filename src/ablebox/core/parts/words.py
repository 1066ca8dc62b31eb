# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts in words: edges, grain and machining as they stand on paper and on screen."""

from __future__ import annotations

from ..assembly.part import CutKind
from ..assembly.uses import Use
from ..lengths import Length
from ..stock import Grain
from ..units import System, Units
from .listing import Part
from .machining import HoleRow, Machining, Slot, Stretch


def edges(part: Part) -> str:
    """Return the banded edges, as in ``front · iron-on veneer``."""
    by_edging: dict[str, list[str]] = {}
    for band in part.bands:
        aslant = part.outline and any(item.kind is CutKind.CORNER for item in part.machining if isinstance(item, Slot))
        by_edging.setdefault(band.edging.name, []).append("slanting edge" if aslant else band.edge.words)
    texts = []
    for name, faces in by_edging.items():
        texts.append(f"{'all four' if len(faces) == 4 else ', '.join(faces)} · {name}")
    return "; ".join(texts)


def grain(part: Part) -> str:
    """Return which way the grain runs, in a word or two."""
    return {Grain.LENGTH: "along length", Grain.WIDTH: "across", Grain.ANY: "either way"}[part.grain]


def describe(item: Machining, units: Units) -> str:
    """Return one line of machining, with every position from a named edge."""
    if isinstance(item, Slot):
        return _slot(item, units)
    return _row(item, units)


def _slot(slot: Slot, units: Units) -> str:
    write = units.write
    if slot.kind in _SPECIAL:
        return _SPECIAL[slot.kind](slot, units)
    wide, long = sorted((slot.along, slot.across), key=lambda stretch: stretch.size)
    if slot.through:
        size = f"{write(slot.along.size)} × {write(slot.across.size)}"
        corner = f"{slot.along.edge.words} {slot.across.edge.words} corner"
        return f"{slot.kind.value} {size} at the {corner}, {slot.name}"
    place = (
        f"{write(wide.start)} from the {wide.edge.words} edge" if wide.start else f"along the {wide.edge.words} edge"
    )
    text = f"{slot.kind.value} {write(wide.size)} wide, {write(slot.depth)} deep, {place}"
    return f"{text}, {_extent(long, units)}, {slot.name}"


def _cut_out(slot: Slot, units: Units) -> str:
    size = f"{units.write(slot.along.size)} × {units.write(slot.across.size)}"
    places = " and ".join(f"{units.write(s.start)} from the {s.edge.words} edge" for s in (slot.along, slot.across))
    return f"cut-out {size}, {places}, {slot.name}"


def _tenon(slot: Slot, units: Units) -> str:
    size = f"{units.write(slot.along.size)} long, {units.write(slot.depth)} off each face, shouldered all around"
    return f"tenon {size}, at the {slot.along.edge.words} end, {slot.name.removeprefix('of the tenon ')}"


def _mortise(slot: Slot, units: Units) -> str:
    size = f"{units.write(slot.along.size)} × {units.write(slot.across.size)}, {units.write(slot.depth)} deep"
    place = f"{units.write(slot.along.start)} from the {slot.along.edge.words} end"
    return f"mortise {size} in the {slot.face.words} edge, {place}, {slot.name}"


def _lap(slot: Slot, units: Units) -> str:
    size = f"{units.write(slot.along.size)} × {units.write(slot.across.size)}, {units.write(slot.depth)} deep"
    place = f"at the {slot.along.edge.words} end" if not slot.along.start else (
        f"{units.write(slot.along.start)} from the {slot.along.edge.words} end"
    )  # fmt: skip
    return f"half lap {size}, from the {slot.face.words}, {place}, {slot.name}"


def _mitre(slot: Slot, units: Units) -> str:
    return f"mitre, 45°, at the {slot.along.edge.words} end, long point at the outer edge"


def _bevel(slot: Slot, units: Units) -> str:
    stretch = min((slot.along, slot.across), key=lambda each: (each.whole, each.size))
    return f"bevel the {stretch.edge.words} edge, {units.write(stretch.size)} off at the {slot.face.words} face, {slot.name}"


def _corner(slot: Slot, units: Units) -> str:
    sizes = f"{units.write(slot.along.size)} along the length, {units.write(slot.across.size)} along the width"
    return f"cut off the {slot.across.edge.words} {slot.along.edge.words} corner aslant: {sizes}, {slot.name}"


_SPECIAL = {
    CutKind.BEVEL: _bevel,
    CutKind.CORNER: _corner,
    CutKind.MITRE: _mitre,
    CutKind.WINDOW: _cut_out,
    CutKind.SHOULDER: _tenon,
    CutKind.MORTISE: _mortise,
    CutKind.LAP: _lap,
}


def _extent(stretch: Stretch, units: Units) -> str:
    if stretch.whole:
        return "edge to edge"
    if not stretch.start:
        return f"stops {units.write(stretch.end)} from the {stretch.edge.words} edge"
    return f"from {units.write(stretch.start)} to {units.write(stretch.end)} off the {stretch.edge.words} edge"


def drill(length: Length, units: Units) -> str:
    """Return a bit's size: bits sold in millimetres keep them in an inch shop, where no fraction is exact."""
    _, mark = units.rounded(length)
    if units.system is System.INCH and mark:
        return f"{Units(System.MM, mm_step='0.1').write(length)} mm"
    return units.write(length)


def hole_words(use: Use, count: int) -> str:
    """Return what so many holes of a use are called."""
    return use.words if count > 1 else _ONE.get(use, use.words.removesuffix("s"))


_ONE = {Use.THROUGH: "hole right through"}


def _row(row: HoleRow, units: Units) -> str:
    if row.use is Use.POCKET and row.toward is not None:
        return _pockets(row, units)
    line = f"{units.write(row.across.start)} from the {row.across.edge.words} edge"
    deep = "right through" if row.through else f"× {drill(row.depth, units)} deep"
    size = f"{hole_words(row.use, len(row.at))}, {drill(row.diameter, units)} {deep}{_MORE.get(row.use, '')}, {line}"
    if row.pitch is not None:
        first = f"first {units.write(row.at[0])} from the {row.edge.words} edge"
        return f"{len(row.at)} {size}: {first}, every {units.write(row.pitch)}"
    return f"{len(row.at)} {size}: {_places(row, units)}"


#: What else is done to holes of a use.
_MORE = {
    Use.CLEARANCE: ", countersunk, piloted 3 mm into what is behind once clamped",
    Use.CONNECTOR: ", stepped, 5 mm into what is behind once clamped",
}


def _pockets(row: HoleRow, units: Units) -> str:
    """Tell pockets by the end they go into and the stock the jig is set for."""
    assert row.toward is not None
    name = hole_words(row.use, len(row.at))
    jig = f"set for {units.write(row.stock)} stock"
    return f"{len(row.at)} {name} from the {row.face.words} face into the {row.toward.words} {'end' if row.end else 'edge'}, {jig}: {_places(row, units)}"


def _places(row: HoleRow, units: Units) -> str:
    return f"{', '.join(units.write(at) for at in row.at)} from the {row.edge.words} edge"
