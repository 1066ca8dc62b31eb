# SPDX-License-Identifier: GPL-3.0-or-later
"""One fastener of a joint: its length, head and tip, and the holes bored for it."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from ..assembly.fastener import Fastener, FastenerKind, Point
from ..assembly.joint import Way
from ..assembly.part import Face, Holes, Placed
from ..assembly.role import Role
from ..assembly.uses import Use
from ..hardware import Hardware
from ..lengths import Length, millimetres
from . import pocket
from .meeting import Meeting
from .occupied import Rod
from .sizes import DIAMETER, HEAD, INTO_EDGE, LEAST_THREAD, margin
from .wood import solid, spans

_FACES = {face.value: face for face in Face}
_KINDS = {Way.SCREWS: FastenerKind.SCREW, Way.CONNECTORS: FastenerKind.CONNECTOR, Way.NAILS: FastenerKind.NAIL}
_ITEMS = {Way.SCREWS: "case-screw", Way.CONNECTORS: "connector", Way.NAILS: "nail"}
#: Bits for the holes of case and connector screws (common practice).
_CLEAR, _PILOT, _STEM, _CORE = millimetres("4.5"), millimetres(3), millimetres(7), millimetres(5)
#: How far a dowel goes into a face, what its hole is deeper, how long the slot of a biscuit is,
#: and what a brad holds in at least, however thin the back is.
_INTO_FACE, _DEEPER, _BISCUIT, _BRAD = millimetres(12), millimetres(1), millimetres(60), millimetres(12)


@dataclass(frozen=True, slots=True)
class Placing:
    """What a fastener is chosen from.

    Args:
        items: the items of a kind of hardware that are to be had, the longest first.
        hard: codes of stock that is piloted for pocket screws.
        item: kind of hardware screws are chosen from; empty for what is usual.
    """

    items: Callable[[str], tuple[Hardware, ...]]
    hard: frozenset[str]
    item: str = ""


@dataclass(frozen=True, slots=True)
class Fit:
    """A fastener that fits.

    Args:
        fastener: the fastener.
        rods: the space it and its holes take in each part.
        holes: the holes, each with its part.
        sizes: what it goes through, how far in, and how thick what it ends in is.
        edge: whether it ends in an edge.
    """

    fastener: Fastener
    rods: tuple[tuple[Role, Rod], ...]
    holes: tuple[tuple[Role, Holes], ...]
    sizes: tuple[Length, Length, Length]
    edge: bool = False


def longest(items: tuple[Hardware, ...], most: Length) -> Hardware | None:
    """Return the longest item no longer than ``most``; ``None`` if there is none."""
    return max((item for item in items if item.length <= most), key=lambda item: item.length, default=None)


def _in_an_edge(found: Meeting) -> bool:
    return found.second.axes[2] != found.axis


def _point(found: Meeting, place: int, across: int, at: int) -> Point:
    point = [0, 0, 0]
    point[found.axis], point[found.along], point[found.across] = at, place, across
    return point[0], point[1], point[2]


def _piece(part: Placed, axis: int, at: Point, inside: int) -> tuple[int, int] | None:
    """Return the stretch of wood along an axis that holds a place."""
    return next(((low, high) for low, high in spans(part, axis, at) if low <= inside <= high), None)


def straight(found: Meeting, place: int, across: int, placing: Placing, way: Way) -> Fit | None:
    """Return a screw, connector or nail driven square through the first part; ``None`` if it does not fit there."""
    kind, axis, drive = _KINDS[way], found.axis, found.drive
    line = _point(found, place, across, found.leaves)
    own = _piece(found.first, axis, line, found.leaves - drive)
    other = _piece(found.second, axis, line, found.enters + drive)
    if own is None or other is None:
        return None
    head = own[0] if drive > 0 else own[1]
    if (
        way is not Way.NAILS
        and found.first.gaps
        and not found.first.footprint
        and not found.first.outline
        and not found.first.tilt
    ):
        outer = found.first.box.low[axis] if drive > 0 else found.first.box.high[axis]
        if head != outer:
            # The floor of a dado or groove is covered by what sits in it.
            return None
    through = Length(abs(found.leaves - head))
    deep = Length(other[1] - found.enters if drive > 0 else found.enters - other[0])
    keep, gap = margin(found.second.thickness.length), Length(abs(found.enters - found.leaves))
    want = max(through * 3, _BRAD) if way is Way.NAILS else INTO_EDGE
    least = through + gap + LEAST_THREAD
    item = longest(placing.items(placing.item or _ITEMS[way]), through + gap + min(deep - keep, want))
    if item is None or item.length < least:
        return None
    tip = head + drive * item.length.ticks
    radius, wide = DIAMETER[kind].ticks // 2, HEAD.get(kind, DIAMETER[kind]).ticks // 2
    if not solid(found.first, axis, line, head, found.leaves, wide):
        return None
    if not solid(found.second, axis, line, found.enters, tip + drive * keep.ticks, max(radius, keep.ticks)):
        return None
    one, two = _point(found, place, across, head), _point(found, place, across, tip)
    into = item.length - through - gap
    fastener = Fastener(kind, item.name, DIAMETER[kind], one, two, (found.first.role,), found.second.role)
    rod = Rod(one, two, radius)
    sunk = Rod(one, _point(found, place, across, head + drive * min(through.ticks, 2 * wide)), wide)
    holes: tuple[tuple[Role, Holes], ...] = ()
    if way is not Way.NAILS:
        face, entered = _FACES[(axis, -drive)], _FACES[(axis, -drive)]
        wider, core = (_STEM, _CORE) if way is Way.CONNECTORS else (_CLEAR, _PILOT)
        use = Use.CONNECTOR if way is Way.CONNECTORS else Use.CLEARANCE
        holes = (
            (found.first.role, Holes(use, face, wider, through, (one,))),
            (found.second.role, Holes(Use.PILOT, entered, core, into, (two,))),
        )
    return Fit(
        fastener,
        ((found.first.role, rod), (found.first.role, sunk), (found.second.role, rod)),
        holes,
        (through, into, found.second.thickness.length if _in_an_edge(found) else deep),
        _in_an_edge(found),
    )


def dowel(found: Meeting, place: int, across: int, placing: Placing, biscuit: bool) -> Fit | None:
    """Return a dowel or biscuit in both parts; ``None`` if there is no room for one."""
    axis, drive = found.axis, found.drive
    line = _point(found, place, across, found.leaves)
    own = _piece(found.first, axis, line, found.leaves - drive)
    other = _piece(found.second, axis, line, found.enters + drive)
    if own is None or other is None:
        return None
    kind = FastenerKind.BISCUIT if biscuit else FastenerKind.DOWEL
    rooms = [
        Length(found.leaves - own[0] if drive > 0 else own[1] - found.leaves) - margin(found.first.thickness.length) - _DEEPER,
        Length(other[1] - found.enters if drive > 0 else found.enters - other[0]) - margin(found.second.thickness.length) - _DEEPER,
    ]  # fmt: skip
    item = None
    for each in placing.items("biscuit" if biscuit else "dowel"):
        half = each.length.share(2)[0]
        short = min(min(rooms), half if biscuit else min(half, _INTO_FACE))
        deep = each.length - short
        if short >= LEAST_THREAD and deep <= max(rooms) and (not biscuit or short == half):
            item = each
            break
    if item is None:
        return None
    first = short if rooms[0] <= rooms[1] else deep
    head, tip = found.leaves - drive * first.ticks, found.enters + drive * (item.length - first).ticks
    radius = DIAMETER[kind].ticks // 2
    # Before its ends the hole goes a little on, and what is cut there is as far away as a face has to be.
    ends = [max(_DEEPER, margin(part.thickness.length)).ticks for part in (found.first, found.second)]
    web = millimetres("1.5").ticks
    long = _BISCUIT.ticks // 2 if biscuit else 0
    for off in (0, long // 2, -long // 2, long, -long) if biscuit else (0,):
        there = _point(found, place + off, across, found.leaves)
        if not solid(found.first, axis, there, head - drive * ends[0], found.leaves, radius + web) or not solid(
            found.second, axis, there, found.enters, tip + drive * ends[1], radius + web
        ):
            return None
    one, two = _point(found, place, across, head), _point(found, place, across, tip)
    fastener = Fastener(kind, item.name, DIAMETER[kind], one, two, (found.first.role,), found.second.role)
    use = Use.BISCUIT if biscuit else Use.DOWEL
    holes = (
        (found.first.role, Holes(use, _FACES[(axis, drive)], DIAMETER[kind], first + _DEEPER, (one,))),
        (found.second.role, Holes(use, _FACES[(axis, -drive)], DIAMETER[kind], item.length - first + _DEEPER, (two,))),
    )
    rod = Rod(
        _point(found, place, across, head - drive * _DEEPER.ticks),
        _point(found, place, across, tip + drive * _DEEPER.ticks),
        radius,
    )
    return Fit(
        fastener, ((found.first.role, rod), (found.second.role, rod)), holes, (first, item.length - first, item.length)
    )


def pocket_screw(found: Meeting, place: int, face: Face, placing: Placing) -> Fit | None:
    """Return a pocket screw bored from a face of the first part; ``None`` if it does not fit there."""
    axis, drive = found.axis, found.drive
    level, side = face.value
    if level == axis:
        # They meet at the face the pocket is bored in, or at the one behind it: it leads past the other part.
        return None
    first, second = found.first, found.second
    along = 3 - axis - level
    thick = first.thickness.length
    if first.box.high[level] - first.box.low[level] != thick.ticks:
        return None
    if first.box.high[axis] - first.box.low[axis] < pocket.shortest(thick).ticks:
        return None
    outer = first.box.high[level] if side > 0 else first.box.low[level]
    leaves = outer - side * thick.ticks // 2
    at = [0, 0, 0]
    at[axis], at[level], at[along] = found.enters, leaves, place
    exit_ = (at[0], at[1], at[2])
    wood = _piece(second, axis, exit_, found.enters + drive)
    if wood is None:
        return None
    deep = Length(wood[1] - found.enters if drive > 0 else found.enters - wood[0])
    keep, sits = margin(second.thickness.length), pocket.ledge(thick)
    for item in placing.items("pocket-screw"):
        into = item.length - sits
        reach = round(into.ticks * pocket.COS)
        if item.length > pocket.screw(thick) + pocket.ROUNDED or into < LEAST_THREAD or reach > (deep - keep).ticks:
            continue
        head, tip, mouth = list(exit_), list(exit_), list(exit_)
        head[axis] -= drive * round(sits.ticks * pocket.COS)
        head[level] += side * round(sits.ticks * pocket.SIN)
        tip[axis] += drive * reach
        tip[level] -= side * round(into.ticks * pocket.SIN)
        back = sits + pocket.depth(thick)
        mouth[axis] -= drive * round(back.ticks * pocket.COS)
        mouth[level] = outer
        one, two, three = ((p[0], p[1], p[2]) for p in (head, tip, mouth))
        if not _pocket_in_wood(found, level, exit_, one, two, three, keep.ticks):
            continue
        kind = FastenerKind.POCKET_SCREW
        fastener = Fastener(kind, item.name, DIAMETER[kind], one, two, (first.role,), second.role)
        toward = _FACES[(axis, drive)]
        holes: list[tuple[Role, Holes]] = [
            (first.role, Holes(Use.POCKET, face, pocket.WIDE, pocket.depth(thick), (three,), toward=toward))
        ]
        if second.goods in placing.hard:
            lean = Holes(
                Use.PILOT, _FACES[(axis, -drive)], _PILOT, into, (exit_,), toward=_FACES[(level, -side)], steep=True
            )
            holes.append((second.role, lean))
        rod = Rod(one, two, DIAMETER[kind].ticks // 2)
        bore = Rod(three, one, pocket.WIDE.ticks // 2)
        return Fit(
            fastener,
            ((first.role, rod), (first.role, bore), (second.role, rod)),
            tuple(holes),
            (thick, into, second.thickness.length if _in_an_edge(found) else deep),
            _in_an_edge(found),
        )
    return None


def _pocket_in_wood(
    found: Meeting, level: int, leaves: Point, head: Point, tip: Point, mouth: Point, keep: int
) -> bool:
    """Whether a pocket is clear of the edges, and its screw has wood around it."""
    along = 3 - found.axis - level
    low, high = found.first.box.span(along)
    edge = min(pocket.FROM_EDGE.ticks, (high - low) // 2)
    if not low + edge <= leaves[along] <= high - edge:
        return False
    inside = mouth[found.axis]
    reach = pocket.WIDE.ticks // 2
    a, b = found.first.box.span(found.axis)
    if not a + reach <= inside <= b - reach:
        return False
    if not solid(
        found.first, found.axis, leaves, head[found.axis], found.leaves, DIAMETER[FastenerKind.POCKET_SCREW].ticks // 2
    ):
        return False
    for share in (0.1, 0.3, 0.5, 0.7, 0.9):
        at = [round(mouth[a] + (leaves[a] - mouth[a]) * share) for a in range(3)]
        there = spans(found.first, along, (at[0], at[1], at[2]))
        if not any(low <= at[along] - reach and at[along] + reach <= high for low, high in there):
            return False
    radius = max(keep, DIAMETER[FastenerKind.POCKET_SCREW].ticks // 2)
    for point in (leaves, tip):
        if not solid(found.second, found.axis, point, found.enters, tip[found.axis] + found.drive * keep, radius):
            return False
    return True
