# SPDX-License-Identifier: GPL-3.0-or-later
"""A case as one stands before it: its parts, the pulls on its fronts, and how these swing."""

from __future__ import annotations

from ..assembly.part import FrontSpace, Placed
from ..assembly.role import BASES, COUNTERS, PartKind, Side
from ..assembly.uses import Use
from ..lengths import Length
from .shapes import Area, Circle, Path

#: How far a top that goes on over the neighbours is drawn beyond the case, in mm.
_BEYOND = 80.0


def part_from_the_front(part: Placed, hot: str, wide: float) -> list[Area]:
    """Return a part as seen from before it.

    Args:
        part: the part.
        hot: what a click on it is about.
        wide: width of the case in mm, where a base frame or a top that goes on is cut off.
    """
    x0, x1, z0, z1 = (Length(t).mm for t in (*part.box.span(0), *part.box.span(2)))
    if part.role.kind in {PartKind.KICK, *BASES, *COUNTERS}:
        # What goes on under or over the neighbours is broken off a little behind the case.
        x1 = min(x1, wide + (_BEYOND if part.role.kind in COUNTERS else 0.0))
        if x1 <= x0:
            return []
    if part.role.kind is PartKind.KICK or (part.role.kind, part.role.side) == (PartKind.BASE, Side.FRONT):
        return [Area(x0, z0, x1 - x0, z1 - z0, "shade", "ink", 0.9, "", hot)]
    face_on = part.axes[2] == 1
    pattern = ("grain-y" if part.axes[0] == 2 else "grain-x") if face_on else "plies-x" if part.axes[2] == 2 else ""
    sunk = part.role.kind is PartKind.PANEL
    return [Area(x0, z0, x1 - x0, z1 - z0, "wood" if face_on and not sunk else "wood-edge", "ink", 1.1, pattern, hot)]


def pulls_of(part: Placed) -> list[Circle | Path]:
    """Return the pulls on a front as seen from before it: a bar from screw to screw, or a knob."""
    found: list[Circle | Path] = []
    for holes in part.holes:
        if holes.use is not Use.PULL:
            continue
        points = [(Length(x).mm, Length(z).mm) for x, _, z in holes.centres]
        bars = list(zip(points[::2], points[1::2], strict=False)) if holes.pairs else []
        found += [Path(bar, "ink", 3.0) for bar in bars]
        found += [] if holes.pairs else [Circle(x, z, 8, "ink", "") for x, z in points]
    return found


def swing_of(space: FrontSpace) -> list[Path]:
    """Return the lines that meet at the hinged edge of each door or flap, as on any elevation."""
    x0, x1, z0, z1 = (edge.mm for edge in space.front)
    middle, high = (x0 + x1) / 2, (z0 + z1) / 2
    lines = []
    for side in space.hinged:
        a, b = leaf_of(space, side)
        hinge, free = (a, b) if side == "left" else (b, a)
        lines.append(((free, z0), (hinge, high), (free, z1)))
    if space.opens in ("up", "down"):
        hinge, free = (z1, z0) if space.opens == "up" else (z0, z1)
        lines.append(((x0, free), (middle, hinge), (x1, free)))
    return [Path(points, "grain", 0.8, True) for points in lines]


def leaf_of(space: FrontSpace, side: str) -> tuple[float, float]:
    """Return from where to where the door hung at a side reaches, in mm: half of a pair, or the whole front."""
    left, right = space.front[0].mm, space.front[1].mm
    middle = (left + right) / 2
    if space.opens != "pair":
        return left, right
    return (left, middle) if side == "left" else (middle, right)
