# SPDX-License-Identifier: GPL-3.0-or-later
"""Proves from placement alone that a case can be built, in exact whole numbers.

It shares nothing with the code that places the parts: it sees boxes and cuts only.
"""

from __future__ import annotations

from dataclasses import dataclass
from itertools import combinations

from ..lengths import Length
from .footprint import Ring, Slant, apart, turned_box
from .part import Assembly, Cut, CutKind, Holes, Placed
from .solid import AXES, Box, pieces_left, volume_left


@dataclass(frozen=True, slots=True)
class Flaw:
    """Something that cannot be built as placed.

    Args:
        code: ``overlap``, ``outside``, ``empty``, ``loose``, ``stray`` or ``size``.
        parts: roles of the parts it is about.
        words: what is wrong.
    """

    code: str
    parts: tuple[str, ...]
    words: str


def check(assembly: Assembly) -> list[Flaw]:
    """Return every flaw in a case as placed; an empty list is the proof that it goes together."""
    return [
        *_solid_parts(assembly),
        *_shared_space(assembly),
        *_filled_cuts(assembly),
        *_outside_size(assembly),
    ]


def _solid_parts(assembly: Assembly) -> list[Flaw]:
    flaws = []
    for part in (each.told for each in assembly.parts):
        box = part.box
        if box.volume <= 0 or min(size.ticks for size in box.size) <= 0:
            flaws.append(Flaw("size", (part.role,), f"{part.name} has no size"))
        if sorted(part.axes) != [0, 1, 2]:
            flaws.append(Flaw("size", (part.role,), f"{part.name} lies along the same axis twice"))
        for cut in part.cuts:
            if cut.box.volume <= 0 or box.meet(cut.box) != cut.box:
                flaws.append(Flaw("stray", (part.role,), f"{cut.kind.value} {cut.name} is not inside {part.name}"))
            if cut.kind is not CutKind.SHOULDER and not _opens(box, cut):
                flaws.append(
                    Flaw("face", (part.role,), f"{cut.kind.value} {cut.name} is not at its face of {part.name}")
                )
        for holes in part.holes:
            if all(_inside(box, holes, centre) for centre in holes.centres):
                continue
            wood = [box, *(other.told.box for other in assembly.parts if part.glued and other.glued == part.glued)]
            if any(volume_left(_bored(box, holes, centre), wood) for centre in holes.centres):
                flaws.append(Flaw("stray", (part.role,), f"{holes.use.words} are not inside {part.name}"))
    return flaws


def _opens(box: Box, cut: Cut) -> bool:
    """Whether a cut begins at the face it is said to be cut into."""
    axis, side = cut.face.value
    return cut.box.high[axis] == box.high[axis] if side > 0 else cut.box.low[axis] == box.low[axis]


def _inside(box: Box, holes: Holes, centre: tuple[int, int, int]) -> bool:
    """Whether a hole keeps within one part's sides; its depth is that of the part at most."""
    reach, own = holes.diameter.ticks // 2, holes.face.axis
    low, high = box.low, box.high
    return all(
        axis == own or (low[axis] <= centre[axis] - reach and centre[axis] + reach <= high[axis]) for axis in (0, 1, 2)
    )


def _bored(box: Box, holes: Holes, centre: tuple[int, int, int]) -> Box:
    """Return the square block around a hole: beside its face as deep as the part is thick, never outside that."""
    reach, axis = holes.diameter.ticks // 2, holes.face.axis
    low, high = [at - reach for at in centre], [at + reach for at in centre]
    low[axis], high[axis] = box.span(axis)
    return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))


def _shared_space(assembly: Assembly) -> list[Flaw]:
    flaws = []
    for one, other in combinations(assembly.parts, 2):
        if one.straight is not None and other.straight is not None:
            # Both stand across the same corner: they are compared as one stands straight before them.
            one, other = one.straight, other.straight
        elif (one.footprint or other.footprint) and _apart(one, other):
            continue
        if one.box.meets(other.box) and volume_left(
            one.box.meet(other.box), [cut.box for cut in one.cuts + other.cuts]
        ):
            flaws.append(Flaw("overlap", (one.role, other.role), f"{one.name} and {other.name} are in the same place"))
    return flaws


def _apart(one: Placed, other: Placed) -> bool:
    """Whether two parts have no space in common, one of which is no rectangle along the axes."""
    if apart(one.ring, other.ring):
        return True
    (straight, slant), beside = (
        ((one.straight, one.slant), other) if one.slant else ((other.straight, other.slant), one)
    )
    if straight is None or slant is None or not straight.cuts:
        return False
    # What its cuts leave of a part that stands across, such as a lipped door, piece by piece.
    low, high = beside.box.span(2)
    return all(
        piece.high[2] <= low or high <= piece.low[2] or apart(_turned(slant, piece), beside.ring)
        for piece in pieces_left(straight.box, [cut.box for cut in straight.cuts])
    )


def _turned(slant: Slant, piece: Box) -> Ring:
    (x0, x1), (y0, y1) = piece.span(0), piece.span(1)
    return turned_box(slant, (Length(x0), Length(x1)), (Length(y0), Length(y1)))


def _filled_cuts(assembly: Assembly) -> list[Flaw]:
    flaws = []
    for placed in assembly.parts:
        part = placed.told
        beside = [other.told for other in assembly.parts if (other.straight is None) == (placed.straight is None)]
        for cut in part.cuts:
            if not cut.holds_a_part:
                continue
            mates = [other for other in beside if other is not part and other.box.meets(cut.box)]
            words = f"{cut.kind.value} {cut.name} in {part.name}"
            if not mates:
                flaws.append(Flaw("empty", (part.role,), f"nothing is in the {words}"))
            elif not _filled(mates, cut):
                roles = (part.role, *(mate.role for mate in mates))
                flaws.append(Flaw("loose", roles, f"{' and '.join(m.name for m in mates)} do not fill the {words}"))
    return flaws


def _filled(mates: list[Placed], cut: Cut) -> bool:
    """Whether parts fill a cut together: all of its width and length, and its depth but for the play.

    Where something of a mate is cut away, it fills nothing there.
    """
    depth_axis, side = cut.face.value
    low, high = list(cut.box.low), list(cut.box.high)
    if side > 0:
        low[depth_axis] += cut.play.ticks
    else:
        high[depth_axis] -= cut.play.ticks
    needed = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
    if needed.volume <= 0:
        return False
    open_pieces = [needed]
    for mate in mates:
        left = []
        for piece in open_pieces:
            left += _outside(piece, mate.box)
            # What the mate's own cuts take out of it there stays open.
            for gap in mate.cuts:
                if gap.kind in (CutKind.BEVEL, CutKind.CORNER) or (gap.kind is CutKind.GROOVE and not gap.filled):
                    # Beyond the slanting face there is no wood in either of them; a groove run on leaves a hole as small as
                    # itself in the joint.
                    continue
                common = piece.meet(mate.box).meet(gap.box)
                if common.volume:
                    left.append(common)
        open_pieces = left
    return not open_pieces


def _outside(space: Box, taken: Box) -> list[Box]:
    """Return what is left of a box without another, as boxes."""
    if not space.meets(taken):
        return [space]
    common = space.meet(taken)
    pieces, low, high = [], list(space.low), list(space.high)
    for axis in range(3):
        for start, end in ((low[axis], common.low[axis]), (common.high[axis], high[axis])):
            if end > start:
                a, b = list(low), list(high)
                a[axis], b[axis] = start, end
                pieces.append(Box((a[0], a[1], a[2]), (b[0], b[1], b[2])))
        low[axis], high[axis] = common.low[axis], common.high[axis]
    return pieces


def _outside_size(assembly: Assembly) -> list[Flaw]:
    """The carcass reaches exactly as far as designed each way.

    Doors stand before it and a base frame of several cases reaches beyond it; a face frame may stand
    proud of the sides; on feet or casters its own parts begin above the floor.
    """
    carcass = [part.box for part in assembly.parts if part.stands == "carcass"]
    flaws = []
    if not carcass:
        return [Flaw("outside", (), "the case has no parts")]
    width, height, depth = (size.length.ticks for size in assembly.outside)
    left, right = (proud.ticks for proud in assembly.proud)
    wanted = ((-left, width + right), (0, depth), (assembly.rests_on.ticks, height))
    for axis, (start, end) in enumerate(wanted):
        low = min(box.low[axis] for box in carcass)
        high = max(box.high[axis] for box in carcass)
        if (low, high) != (start, end):
            words = (
                f"along {AXES[axis]} the case reaches from {Length(low).mm:g} to {Length(high).mm:g} mm, "
                f"designed {Length(start).mm:g} to {Length(end).mm:g} mm"
            )
            flaws.append(Flaw("outside", (), words))
    return flaws
