# SPDX-License-Identifier: GPL-3.0-or-later
"""What is cut out of a part in words: what, how large, in which face, from which edge, how far.

Every size says by itself which way it lies: a place is told from a named edge or face, an extent by the edges it runs to. What is
told can be read back into the box that is cut; a test does so.
"""

from __future__ import annotations

from collections.abc import Sequence
from itertools import groupby

from ..assembly.part import CutKind
from ..units import Units
from .slots import Slot
from .stretch import Stretch


def slot_lines(slots: Sequence[Slot], units: Units) -> list[str]:
    """Return one line for each thing a person does: equal ones that differ in one place only are told together."""
    found = []
    for _, group in groupby(slots, key=_alike):
        same = list(group)
        if _all_around(same):
            found.append(_channel(same[0], units, "all around"))
        elif len(same) > 1 and not _at_an_edge(same[0]):
            found.append(_tell(same[0], units, [_place_of(each) for each in same]))
        else:
            found += [_tell(each, units, [_place_of(each)]) for each in same]
    return found


def _alike(slot: Slot) -> object:
    """What slots told in one line agree in: all but one place."""
    if _at_an_edge(slot):
        return slot.kind, slot.name, slot.face, slot.depth, min(slot.along, slot.across, key=_narrow).size
    place = _place_of(slot)
    return (
        slot.kind,
        slot.name,
        slot.face,
        slot.depth,
        slot.through,
        slot.in_edge,
        slot.off,
        place.edge,
        place.size,
        _kept(slot),
    )


def _at_an_edge(slot: Slot) -> bool:
    """Whether it lies along an edge of a face, where four of its like go all around."""
    if slot.kind not in (CutKind.RABBET, CutKind.RAISED) or slot.in_edge or slot.through:
        return False
    return not min(slot.along, slot.across, key=_narrow).start


def _narrow(stretch: Stretch) -> tuple[bool, int]:
    return stretch.whole, stretch.size.ticks


def _place_of(slot: Slot) -> Stretch:
    """Return the stretch that says where a slot is, the other one saying how far it runs."""
    if slot.in_edge:
        return slot.along if slot.kind is CutKind.MORTISE else slot.across
    if slot.through:
        return slot.across if not slot.along.start else slot.along
    return min(slot.along, slot.across, key=_narrow)


def _kept(slot: Slot) -> Stretch | None:
    """Return the other stretch."""
    return slot.across if _place_of(slot) is slot.along else slot.along


def _all_around(same: Sequence[Slot]) -> bool:
    """Whether four equal slots along the edges of one face go all around it."""
    edges = {min(slot.along, slot.across, key=_narrow).edge for slot in same}
    return len(same) == len(edges) == 4 and _at_an_edge(same[0])


def _tell(slot: Slot, units: Units, places: Sequence[Stretch]) -> str:
    if slot.kind in _SPECIAL:
        return _SPECIAL[slot.kind](slot, units)
    if slot.through:
        return _notch(slot, units, places)
    return _channel(slot, units, _where(slot, units, places))


def _channel(slot: Slot, units: Units, where: str) -> str:
    """Tell what is cut into a face or an edge and leaves wood under it."""
    wide = slot.across if slot.in_edge else min(slot.along, slot.across, key=_narrow)
    size = f"{units.write(wide.size)} wide, {units.write(slot.depth)} deep in the {slot.face.words} {'edge' if slot.in_edge else 'face'}"
    return f"{slot.kind.value} {size}, {where}, {slot.name}"


def _where(slot: Slot, units: Units, places: Sequence[Stretch]) -> str:
    if not slot.in_edge:
        kept = _kept(slot)
        assert kept is not None
        return f"{_at(places, units, 'edge')}, {_extent([kept], units)}"
    run = places if slot.kind is CutKind.MORTISE else [slot.along]
    return f"{_at([slot.across], units, 'face')}, {_extent(run, units)}"


def _at(places: Sequence[Stretch], units: Units, word: str) -> str:
    """Tell a place across a slot: its near side from the edge or face it is measured from."""
    first = places[0]
    if len(places) == 1 and not first.start:
        return f"along the {first.edge.words} {word}"
    if len(places) == 1 and first.centred and word == "face":
        return "in the middle"
    return f"{_listed([units.write(each.start) for each in places])} from the {first.edge.words} {word}"


def _extent(runs: Sequence[Stretch], units: Units) -> str:
    first = runs[0]
    if first.whole:
        return "end to end"
    if len(runs) == 1 and not first.start:
        return f"from the {first.edge.words} edge on, stopped {units.write(first.end)} from it"
    spans = _listed([f"{units.write(each.start)} to {units.write(each.end)}" for each in runs])
    return f"from {spans} off the {first.edge.words} edge"


def _listed(words: Sequence[str]) -> str:
    return words[0] if len(words) == 1 else f"{', '.join(words[:-1])} and {words[-1]}"


def _notch(slot: Slot, units: Units, places: Sequence[Stretch]) -> str:
    """Tell what is cut right through the thickness, from an edge or at a corner."""
    kept = _kept(slot)
    assert kept is not None
    if kept.start or kept.whole:
        return _cut_out(slot, units)
    if len(places) == 1 and not places[0].start and not places[0].whole:
        sizes = (f"{units.write(each.size)} from the {each.edge.words} edge" for each in (slot.along, slot.across))
        return f"{slot.kind.value} {' × '.join(sizes)}, {slot.name}"
    return f"{slot.kind.value} {units.write(kept.size)} into the {kept.edge.words} edge, {_extent(places, units)}, {slot.name}"


def _cut_out(slot: Slot, units: Units) -> str:
    size = f"{units.write(slot.along.size)} × {units.write(slot.across.size)}"
    places = " and ".join(f"{units.write(s.start)} from the {s.edge.words} edge" for s in (slot.along, slot.across))
    return f"{slot.kind.value} {size}, {places}, {slot.name}"


def _tongue(slot: Slot, units: Units) -> str:
    off = _listed([f"{units.write(size)} off the {face.words}" for face, size in slot.off])
    if len(slot.off) == 4 and len({size for _, size in slot.off}) == 1:
        off = f"{units.write(slot.off[0][1])} off all four sides"
    return f"tongue {units.write(slot.depth)} long at the {slot.face.words} end: {off}, {slot.name}"


def _mitre(slot: Slot, units: Units) -> str:
    return f"mitre, 45°, at the {slot.along.edge.words} end, long point at the outer edge, {slot.name}"


def _bevel(slot: Slot, units: Units) -> str:
    stretch = min((slot.along, slot.across), key=_narrow)
    return f"bevel the {stretch.edge.words} edge, {units.write(stretch.size)} off at the {slot.face.words} face, {slot.name}"


def _corner(slot: Slot, units: Units) -> str:
    sizes = f"{units.write(slot.along.size)} along the length, {units.write(slot.across.size)} along the width"
    return f"cut off the {slot.across.edge.words} {slot.along.edge.words} corner aslant: {sizes}, {slot.name}"


_SPECIAL = {
    CutKind.BEVEL: _bevel,
    CutKind.CORNER: _corner,
    CutKind.MITRE: _mitre,
    CutKind.WINDOW: _cut_out,
    CutKind.SHOULDER: _tongue,
}
