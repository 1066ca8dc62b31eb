# SPDX-License-Identifier: GPL-3.0-or-later
"""What is cut and bored into a part, with positions from the edges a person measures from.

Every position is taken from the nearer of two named edges of the finished part, so that a
fence or a tape can be set from it.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import isqrt

from ..assembly.part import CutKind, Face, Holes, Placed
from ..assembly.uses import Use
from ..lengths import ZERO, Length
from .slots import Slot, slots
from .stretch import Stretch, face_at, stretch, turned


@dataclass(frozen=True, slots=True)
class HoleRow:
    """Holes on one line: along the part's length on a face, along an edge in it, along an end for pockets bored towards it.

    Args:
        use: what they are for.
        face: the face they are bored into.
        diameter: of each.
        depth: of each.
        across: the line they stand on.
        edge: the edge from which ``at`` is measured.
        at: centres, nearest first.
        through: whether they go right through.
        toward: the end pockets are bored towards; ``None`` for holes square to their face.
        stock: thickness of the part, which a pocket's stop is set by.
        end: whether pockets go into an end of the part, not into an edge along it.
        in_edge: whether they are bored into an edge or an end, not into one of the two faces.
    """

    use: Use
    face: Face
    diameter: Length
    depth: Length
    across: Stretch
    edge: Face
    at: tuple[Length, ...]
    through: bool = False
    toward: Face | None = None
    stock: Length = ZERO
    end: bool = False
    in_edge: bool = False

    @property
    def pitch(self) -> Length | None:
        """The distance from hole to hole if all are equal and there are more than two."""
        steps = {b - a for a, b in zip(self.at, self.at[1:], strict=False)}
        return steps.pop() if len(self.at) > 2 and len(steps) == 1 else None


Machining = Slot | HoleRow


def machining(part: Placed) -> tuple[Machining, ...]:
    """Return everything cut and bored into a part."""
    # What is bored through other parts once they are clamped together is no work on this one.
    rows = [row for holes in part.holes if holes.use is not Use.PILOT for row in _rows(part, holes)]
    return (*slots(part), *rows)


def _rows(part: Placed, holes: Holes) -> list[HoleRow]:
    run, line_axis = _directions(part, holes)
    lines: dict[int, list[int]] = {}
    for centre in holes.centres:
        lines.setdefault(centre[line_axis], []).append(centre[run])
    low, high = part.box.span(run)
    from_high = turned(part, run)
    rows = [
        HoleRow(
            use=holes.use,
            face=holes.face,
            diameter=holes.diameter,
            depth=holes.depth,
            across=stretch(part, line_axis, line, line),
            edge=face_at(run, 1 if from_high else -1),
            at=tuple(sorted(Length(high - at if from_high else at - low) for at in centres)),
            through=holes.depth >= Length(part.box.high[holes.face.axis] - part.box.low[holes.face.axis]),
            toward=holes.toward,
            stock=part.thickness.length,
            end=holes.toward is not None and holes.toward.axis == part.axes[0],
            in_edge=holes.face.axis != part.axes[2],
        )
        for line, centres in lines.items()
    ]
    # Line by line from one edge, then from the other, the nearest first.
    first = 1 if turned(part, line_axis) else -1
    return sorted(rows, key=lambda row: (row.across.edge is not face_at(line_axis, first), row.across.start))


def _directions(part: Placed, holes: Holes) -> tuple[int, int]:
    """Return the axis a row of holes runs along, and the one across it on their face."""
    along, across, through = part.axes
    if holes.toward is not None and holes.face.axis != holes.toward.axis:
        return 3 - holes.face.axis - holes.toward.axis, holes.toward.axis
    if holes.face.axis == through:
        return along, across
    return (across if holes.face.axis == along else along), through


def aslant(outline: tuple[tuple[Length, Length], ...]) -> Length:
    """Return how long the slanting edges of a form are together, to the tick below."""
    total = 0
    for (a0, b0), (a1, b1) in zip(outline, [*outline[1:], outline[0]], strict=True):
        if a0 != a1 and b0 != b1:
            total += isqrt((a1 - a0).ticks ** 2 + (b1 - b0).ticks ** 2)
    return Length(total)


def edge_run(part: Placed, face: Face) -> Length:
    """Return how much of an edge there is to band: its length, less what notches take of it."""
    run_axis = next(axis for axis in part.axes[:2] if axis != face.axis)
    low, high = part.box.span(run_axis)
    if part.footprint and part.outline:
        return aslant(part.outline)
    total = high - low
    side = face.value[1]
    for cut in part.cuts:
        at = cut.box.high[face.axis] if side > 0 else cut.box.low[face.axis]
        edge = part.box.high[face.axis] if side > 0 else part.box.low[face.axis]
        if cut.kind is CutKind.NOTCH and at == edge:
            total -= cut.box.high[run_axis] - cut.box.low[run_axis]
    return max(Length(total), ZERO)
