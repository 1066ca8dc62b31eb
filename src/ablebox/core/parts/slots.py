# SPDX-License-Identifier: GPL-3.0-or-later
"""What a saw or router takes out of a part, one line for each thing a person does.

A channel that other parts fill piece by piece, a groove for a panel and the tongues beside it, is run in one go: pieces of one
section that touch are one slot. The cuts around a tongue are one tenon.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace

from ..assembly.part import Cut, CutKind, Face, Placed
from ..assembly.solid import Box
from ..lengths import Length
from .stretch import Stretch, face_at, stretch


@dataclass(frozen=True, slots=True)
class Slot:
    """A groove, dado, rabbet, notch, cut-out, half lap, mortise or tenon.

    Args:
        kind: which of them.
        name: what it is for.
        face: the face it is cut into.
        along: where it lies along the part's length; along the edge it is cut into.
        across: where it lies across the part's width; across its thickness where it is cut into an edge.
        depth: how deep it goes into its face.
        through: whether it takes the whole thickness.
        in_edge: whether it is cut into an edge, and leaves wood at both faces or at one.
        off: of a tongue what is taken off each face and edge of the part.
    """

    kind: CutKind
    name: str
    face: Face
    along: Stretch
    across: Stretch
    depth: Length
    through: bool = False
    in_edge: bool = False
    off: tuple[tuple[Face, Length], ...] = ()


#: What is run in one go, what names the whole first.
_CHANNELS = (CutKind.GROOVE, CutKind.DADO, CutKind.RABBET, CutKind.MORTISE)


def slots(part: Placed) -> list[Slot]:
    """Return everything that is cut out of a part."""
    cuts = [_as_rabbet(cut) if _is_short(part, cut) else cut for cut in part.cuts]
    channels = _joined(cut for cut in cuts if cut.kind is not CutKind.SHOULDER)
    return [*(_slot(part, cut) for cut in channels), *_tongues(part, cuts)]


def _is_short(part: Placed, cut: Cut) -> bool:
    """Whether a shoulder goes over a part of the width only, at one face: nobody would call that a tongue's."""
    _, across, through = part.axes
    low, high = cut.box.span(through)
    at_a_face = low == part.box.low[through] or high == part.box.high[through]
    return cut.kind is CutKind.SHOULDER and at_a_face and cut.box.span(across) != part.box.span(across)


def _as_rabbet(cut: Cut) -> Cut:
    return replace(cut, kind=CutKind.RABBET, filled=False)


def _joined(cuts: Iterable[Cut]) -> list[Cut]:
    """Return cuts, those that are pieces of one channel made one."""
    found: list[Cut] = []
    for cut in cuts:
        at = next((i for i, other in enumerate(found) if _is_one(other, cut)), None)
        while at is not None:
            other = found.pop(at)
            first = min(cut, other, key=lambda each: _CHANNELS.index(each.kind))
            cut = replace(first, box=_around(cut.box, other.box), filled=True)
            at = next((i for i, each in enumerate(found) if _is_one(each, cut)), None)
        found.append(cut)
    return found


def _is_one(one: Cut, two: Cut) -> bool:
    """Whether two cuts are pieces of one channel: of one section, and touching."""
    if one.kind not in _CHANNELS or two.kind not in _CHANNELS or one.face is not two.face:
        return False
    pieces = one.name == two.name or not (one.filled and two.filled) or CutKind.MORTISE in (one.kind, two.kind)
    other = [axis for axis in (0, 1, 2) if one.box.span(axis) != two.box.span(axis)]
    if not pieces or len(other) != 1 or other[0] == one.face.axis:
        return False
    (a, b), (c, d) = one.box.span(other[0]), two.box.span(other[0])
    return a <= d and c <= b


def _around(one: Box, two: Box) -> Box:
    low, high = (
        tuple(pick(a, b) for a, b in zip(x, y, strict=True))
        for pick, x, y in ((min, one.low, two.low), (max, one.high, two.high))
    )
    return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))


def _slot(part: Placed, cut: Cut) -> Slot:
    along, across, through = part.axes
    box, whole = cut.box, cut.box.span(through) == part.box.span(through)
    in_edge = cut.face.axis != through and not whole and not cut.kind.slants
    if not in_edge:
        first, second = stretch(part, along, *box.span(along)), stretch(part, across, *box.span(across))
        return Slot(cut.kind, cut.name, cut.face, first, second, box.size[through], whole)
    run = along if cut.face.axis != along else across
    first, second = stretch(part, run, *box.span(run)), stretch(part, through, *box.span(through))
    return Slot(cut.kind, cut.name, cut.face, first, second, box.size[cut.face.axis], in_edge=True)


def _tongues(part: Placed, cuts: Iterable[Cut]) -> list[Slot]:
    """Return the tongue at each end, told by what is taken off around it."""
    along, across, through = part.axes
    ends: dict[tuple[int, int, str], list[Cut]] = {}
    for cut in cuts:
        if cut.kind is CutKind.SHOULDER:
            ends.setdefault((*cut.box.span(along), cut.name), []).append(cut)
    found = []
    for (low, high, name), own in ends.items():
        off: list[tuple[Face, Length]] = []
        for cut in own:
            axis = across if cut.box.span(across) != part.box.span(across) else through
            side = -1 if cut.box.low[axis] == part.box.low[axis] else 1
            off.append((face_at(axis, side), cut.box.size[axis]))
        end, whole = stretch(part, along, low, high), stretch(part, across, *part.box.span(across))
        face = face_at(along, -1 if low == part.box.low[along] else 1)
        found.append(Slot(CutKind.SHOULDER, name, face, end, whole, end.size, off=tuple(off)))
    return found
