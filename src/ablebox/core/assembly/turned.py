# SPDX-License-Identifier: GPL-3.0-or-later
"""A case as seen from another of its sides: everything turned about the vertical by quarters.

After one quarter its right end is where its front was, after two its back, after three its left end.
"""

from __future__ import annotations

from dataclasses import dataclass, replace

from ..lengths import Length
from .fastener import Fastener
from .fitting import Fitting
from .footprint import Slant, rectangle
from .part import Assembly, BaySpace, Cut, Face, Holes, Placed
from .role import PartKind, Role, Side
from .solid import Box

#: Sides of a case and the quarters that bring each to the front.
SIDES = {"front": 0, "right": 1, "rear": 2, "left": 3}
_ROUND = (Face.FRONT, Face.RIGHT, Face.BACK, Face.LEFT)


@dataclass(frozen=True, slots=True)
class Turn:
    """A turn of everything within a rectangle.

    Args:
        quarters: 0 to 3.
        width: of the rectangle before it, left to right, in ticks.
        depth: front to back.
    """

    quarters: int
    width: int
    depth: int

    @property
    def back(self) -> Turn:
        """The turn that undoes it."""
        width, depth = (self.depth, self.width) if self.quarters % 2 else (self.width, self.depth)
        return Turn(-self.quarters % 4, width, depth)

    def point(self, at: tuple[int, int, int]) -> tuple[int, int, int]:
        """Return where a point comes to."""
        x, y, z = at
        if self.quarters == 1:
            return y, self.width - x, z
        if self.quarters == 2:
            return self.width - x, self.depth - y, z
        if self.quarters == 3:
            return self.depth - y, x, z
        return at

    def box(self, box: Box) -> Box:
        """Return where a box comes to."""
        one, two = self.point(box.low), self.point(box.high)
        low, high = (
            [min(a, b) for a, b in zip(one, two, strict=True)],
            [max(a, b) for a, b in zip(one, two, strict=True)],
        )
        return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))

    def face(self, face: Face) -> Face:
        """Return which way a face looks after it."""
        return _ROUND[(_ROUND.index(face) - self.quarters) % 4] if face in _ROUND else face

    def axis(self, axis: int) -> int:
        """Return along which axis something lies after it."""
        return 1 - axis if self.quarters % 2 and axis < 2 else axis

    def cut(self, cut: Cut) -> Cut:
        """Return a cut after it."""
        return replace(cut, box=self.box(cut.box), face=self.face(cut.face))

    def holes(self, holes: Holes) -> Holes:
        """Return holes after it."""
        centres = tuple(self.point(centre) for centre in holes.centres)
        toward = self.face(holes.toward) if holes.toward is not None else None
        return replace(holes, centres=centres, face=self.face(holes.face), toward=toward)

    def fastener(self, fastener: Fastener) -> Fastener:
        """Return a fastener after it."""
        return replace(fastener, head=self.point(fastener.head), tip=self.point(fastener.tip))

    def fitting(self, fitting: Fitting) -> Fitting:
        """Return a piece of hardware after it."""
        return replace(fitting, box=self.box(fitting.box))

    def bay(self, bay: BaySpace) -> BaySpace:
        """Return a clear space after it; after a half turn its uprights have changed places."""
        left, right = (bay.right, bay.left) if self.quarters == 2 else (bay.left, bay.right)
        return replace(bay, box=self.box(bay.box), left=left, right=right)

    def part(self, part: Placed) -> Placed:
        """Return a part after it, with what is cut and bored into it."""
        x, y, z = self.box(part.box).low
        axes = (self.axis(part.axes[0]), self.axis(part.axes[1]), self.axis(part.axes[2]))
        sizes = (part.length.length, part.width.length)
        runs = [self._runs_back(axis) for axis in part.axes[:2]]
        outline = tuple(
            (sizes[0] - a if runs[0] else a, sizes[1] - b if runs[1] else b) for a, b in part.outline
        )  # fmt: skip
        return replace(
            part,
            axes=axes,
            corner=(Length(x), Length(y), Length(z)),
            cuts=tuple(self.cut(cut) for cut in part.cuts),
            holes=tuple(self.holes(holes) for holes in part.holes),
            bands=tuple((self.face(face), edging) for face, edging in part.bands),
            shows=self.face(part.shows) if part.shows is not None else None,
            outline=outline,
            footprint=tuple(self.point((a, b, 0))[:2] for a, b in part.footprint),
        )

    def _runs_back(self, axis: int) -> bool:
        """Whether what ran up along an axis runs down after it."""
        start, end = [0, 0, 0], [0, 0, 0]
        end[axis] = 1
        one, two = self.point((start[0], start[1], start[2])), self.point((end[0], end[1], end[2]))
        return sum(two) < sum(one)


def seen_from(assembly: Assembly, side: str) -> Assembly:
    """Return a case as it is for someone standing before one of its sides, with the fronts of that side only."""
    fronts = tuple(space for space in assembly.fronts if space.side == side)
    if side == "front" and assembly.slant is not None:
        return _straight_on(assembly, assembly.slant)
    if side == "front":
        return assembly if len(fronts) == len(assembly.fronts) else replace(assembly, fronts=fronts)
    width, height, depth = assembly.outside
    turn = Turn(SIDES[side], width.length.ticks, depth.length.ticks)
    outside = (depth, height, width) if turn.quarters % 2 else assembly.outside
    return replace(
        assembly,
        outside=outside,
        parts=tuple(turn.part(part) for part in assembly.parts),
        bays=tuple(turn.bay(bay) for bay in assembly.bays),
        fronts=fronts,
    )


def _straight_on(assembly: Assembly, slant: Slant) -> Assembly:
    """Return a corner case as one sees it straight before its face: what stands beside the face is left away."""
    face = next(number for number in assembly.sums if number.key.endswith("/plan.across"))
    parts = []
    for part in assembly.parts:
        if part.straight is not None and part.role.kind is not PartKind.KICK:
            parts.append(part.straight)
            continue
        seen = [slant.seen(corner) for corner in part.ring]
        left, right = max(0, min(u for u, _ in seen)), min(slant.length, max(u for u, _ in seen))
        if left < right:
            near, far = min(v for _, v in seen), max(v for _, v in seen)
            thick = part.thickness.length.ticks
            if part.axes[2] != 2:
                # Uprights run away aslant: of a side its front edge counts, of a back its face.
                near, far = (far - thick, far) if part.role.kind is PartKind.BACK else (near, near + thick)
            ring = rectangle(left, right, near, far)
            parts.append(replace(part, cuts=(), holes=(), footprint=ring, straight=part))
    bays = tuple(_face_of(bay, parts, slant) for bay in assembly.bays)
    return replace(assembly, outside=(face, *assembly.outside[1:]), parts=tuple(parts), bays=bays, slant=None, ring=())


def _face_of(bay: BaySpace, parts: list[Placed], slant: Slant) -> BaySpace:
    """Return the space behind a face across a corner, as wide as the face is open."""
    left = next(part.box.high[0] for part in parts if part.role == Role(PartKind.SIDE, Side.LEFT))
    right = next(part.box.low[0] for part in parts if part.role == Role(PartKind.SIDE, Side.RIGHT))
    low, high = (left, 0, bay.box.low[2]), (right, slant.length // 2, bay.box.high[2])
    return replace(bay, box=Box(low, high))
