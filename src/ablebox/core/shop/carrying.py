# SPDX-License-Identifier: GPL-3.0-or-later
"""Every member of a case that carries or spans, as a beam: between which uprights, how it is held, and what stiffens it.

Found from where parts stand: uprights that it ends at or lies on, channels it is let into, boards on edge along it. Between two
uprights it is reckoned alone, though one that runs on over several would sag less.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise

from ..assembly.fitting import FittingKind
from ..assembly.moved import moved_part
from ..assembly.part import Assembly, CutKind, Placed
from ..assembly.role import BOXES, PartKind
from ..lengths import TICKS_PER_MM, Length, inches, millimetres
from ..materials import Load, Material, load_of, material
from ..parts.machining import aslant
from ..run.place import Line
from ..sag import Rail, Shelf
from ..stock import Grain, Rack

#: What carries something on its upper face.
_CARRIES = (
    PartKind.SHELF, PartKind.FIXED_SHELF, PartKind.PULL_OUT, PartKind.BOTTOM, PartKind.TOP, PartKind.COUNTER,
    PartKind.SLOPING_SHELF, PartKind.FALSE_BOTTOM,
)  # fmt: skip
#: Uprights: what stands across the way things span.
_UPRIGHTS = frozenset({
    PartKind.SIDE, PartKind.PARTITION, PartKind.LEG, PartKind.RUNG, PartKind.DIVIDER, PartKind.END_PANEL, PartKind.CLEAT,
    PartKind.PACKER,
})  # fmt: skip
_FEET = (FittingKind.FOOT, FittingKind.CASTER)
#: Boards on edge along a case.
_ON_EDGE = frozenset({
    PartKind.FRAME_RAIL, PartKind.MID_RAIL, PartKind.KICK, PartKind.STRIP, PartKind.RAIL, PartKind.STRETCHER, PartKind.BASE,
    PartKind.LEG_STRETCHER,
})  # fmt: skip
#: How near parts that touch are, how far an upright may end below what lies on it over a top, how far drawers hang over a bottom,
#: and up to where one puts things on a top: limits of our own.
_NEAR, _UNDER, _BOX_OVER, _REACHED = millimetres(2).ticks, inches(1).ticks, inches(4).ticks, inches(72)
#: No span is so short; a limit of our own.
_SLIVER = millimetres(60).ticks


@dataclass(frozen=True, slots=True)
class Member:
    """Something that spans.

    Args:
        part: the part.
        span: between its supports.
        beam: the same as a beam under its load.
        load: what it carries.
        stuff: what it is made of.
    """

    part: Placed
    span: Length
    beam: Shelf
    load: Load
    stuff: Material


def members(assembly: Assembly, beside: Sequence[Placed], rack: Rack, load: str) -> Iterator[Member]:
    """Return every span of a case that carries something.

    Args:
        assembly: the case.
        beside: uprights of its neighbours, in its axes, under what goes on over them.
        rack: the stock.
        load: code of what the case carries.
    """
    carried = load_of(load)
    for part in assembly.parts:
        if part.role.kind not in _CARRIES or part.straight is not None or not _loaded(assembly, part):
            continue
        goods = rack.stock(part.goods)
        stuff = material(goods.stuff)
        across = part.grain is Grain.WIDTH if part.axes[0] == 0 else part.grain is Grain.LENGTH
        across = goods.grained and (across or part.grain is Grain.ANY)
        person = carried.person if part.role.kind in (PartKind.TOP, PartKind.COUNTER) else 0.0
        for low, high, housed in _spans(assembly, part, beside):
            rails = tuple(_rails(assembly, part, rack, low, high))
            span = Length(high - low)
            depth = (part.box.high[1] - part.box.low[1]) / TICKS_PER_MM
            beam = Shelf(
                span.mm, depth, part.thickness.length.mm, stuff.along_span(across), stuff.density, carried.weight, housed,
                creep=stuff.creep, rails=rails, person=person, helped=_helped(assembly, part, rack, low, high),
            )  # fmt: skip
            yield Member(part, span, beam, carried, stuff)


def _loaded(assembly: Assembly, part: Placed) -> bool:
    """Whether anything is put on a part: not under a counter, out of reach, or under drawers that hang."""
    kind, top = part.role.kind, part.box.high[2]
    if kind is PartKind.TOP:
        under = any(other.role.kind is PartKind.COUNTER and other.box.touches(part.box) for other in assembly.parts)
        if under or Length(top) > _REACHED:
            return False
    middle = (part.box.low[0] + part.box.high[0]) // 2
    return not any(
        other.role.whole.kind in BOXES and 0 <= other.box.low[2] - top <= _BOX_OVER
        and other.box.low[0] <= middle <= other.box.high[0]
        for other in assembly.parts
    )  # fmt: skip


def _spans(assembly: Assembly, part: Placed, beside: Sequence[Placed]) -> Iterator[tuple[int, int, bool]]:
    """Return each stretch between two supports: from where to where, and whether both ends are let into them."""
    if part.footprint:
        half = max(part.length.length.share(2)[0], aslant(part.outline)).ticks
        yield 0, half, False
        return
    if part.role.kind is PartKind.PULL_OUT:
        yield part.box.low[0], part.box.high[0], False
        return
    low, high = part.box.span(0)
    held: list[tuple[int, int, bool]] = []
    for other in (*assembly.parts, *beside):
        if other.role.kind in _UPRIGHTS and other.axes[2] == 0 and _supports(other, part):
            a, b = max(low, other.box.low[0]), min(high, other.box.high[0])
            held.append((min(a, b), max(a, b), _lets_in(other, part)))
    if part.role.kind is PartKind.BOTTOM:
        held += [(*each.box.span(0), False) for each in assembly.fittings if each.kind in _FEET]
    held.sort()
    if part.role.kind is not PartKind.COUNTER and len(held) < 2:
        yield low, high, False
        return
    for one, two in pairwise(held):
        if two[0] - one[1] > _SLIVER:
            yield one[1], two[0], one[2] and two[2]


def _supports(upright: Placed, part: Placed) -> bool:
    """Whether a part ends at an upright, or lies on it."""
    (a0, a1), (b0, b1) = upright.box.span(1), part.box.span(1)
    if min(a1, b1) - max(a0, b0) < (b1 - b0) // 3:
        return False
    low, high = part.box.span(0)
    at = upright.box.span(0)
    beside = upright.box.low[2] <= part.box.low[2] and upright.box.high[2] >= part.box.high[2] - _NEAR
    if beside and (at[0] <= low + _NEAR <= at[1] + 2 * _NEAR or at[0] - 2 * _NEAR <= high - _NEAR <= at[1]):
        return True
    under = part.box.low[2] - upright.box.high[2]
    return -_NEAR - part.thickness.length.ticks < under <= _UNDER and at[0] < high and low < at[1]


def _lets_in(upright: Placed, part: Placed) -> bool:
    return any(cut.kind in (CutKind.DADO, CutKind.RABBET) and cut.box.meets(part.box) for cut in upright.cuts)


def _rails(assembly: Assembly, part: Placed, rack: Rack, low: int, high: int) -> Iterator[Rail]:
    """Return the boards on edge that go along a span and touch it."""
    for other in assembly.parts:
        if other.role.kind not in _ON_EDGE or other.straight is not None or other is part:
            continue
        (x0, x1), flat = other.box.span(0), other.axes[2] == 2
        if (
            x0 > low + _SLIVER
            or x1 < high - _SLIVER
            or not _touch(other, part)
            or (flat and part.role.kind is not PartKind.COUNTER)
        ):
            continue
        stuff = material(rack.stock(other.goods).stuff)
        wide, tall = ((other.box.high[a] - other.box.low[a]) / TICKS_PER_MM for a in (1, 2))
        middle = ((other.box.low[2] + other.box.high[2]) / 2 - part.box.low[2]) / TICKS_PER_MM
        yield Rail(wide, tall, middle, stuff.along_span(False))


def _helped(assembly: Assembly, part: Placed, rack: Rack, low: int, high: int) -> float:
    """Return the stiffness of a top that a partition on a bottom ties to it; 0 where none does."""
    if part.role.kind is not PartKind.BOTTOM:
        return 0.0
    ties = [
        each for each in assembly.parts
        if each.role.kind is PartKind.PARTITION and low < each.box.low[0] < high and _touch(each, part)
    ]  # fmt: skip
    for top in assembly.parts:
        if top.role.kind is PartKind.TOP and any(_touch(tie, top) for tie in ties):
            stuff = material(rack.stock(top.goods).stuff)
            stiff, wide = stuff.along_span(False), (top.box.high[1] - top.box.low[1]) / TICKS_PER_MM
            rails = tuple(_rails(assembly, top, rack, low, high))
            alone = Shelf(1.0, wide, top.thickness.length.mm, stiff, stuff.density, 0.0, rails=rails)
            return stiff * alone.second_moment
    return 0.0


def _touch(one: Placed, two: Placed) -> bool:
    return all(
        one.box.low[a] <= two.box.high[a] + _NEAR and two.box.low[a] <= one.box.high[a] + _NEAR for a in (0, 1, 2)
    )


def uprights_beside(line: Line, letter: str, assemblies: Sequence[Assembly]) -> list[Placed]:
    """Return the uprights of the other cases of a run, in the axes of one of them."""
    by_letter = {assembly.letter: assembly for assembly in assemblies}
    own = next(place for place in line.places if place.letter == letter)
    deep = by_letter[letter].outside[2].length
    found = []
    for place in line.places:
        other = by_letter.get(place.letter)
        if other is None or place is own or other.slant is not None:
            continue
        by = (
            (place.case_x - own.case_x).ticks, (deep - other.outside[2].length).ticks, (place.low - own.low).ticks,
        )  # fmt: skip
        found += [moved_part(part, by) for part in other.parts if part.role.kind in _UPRIGHTS]
    return found
