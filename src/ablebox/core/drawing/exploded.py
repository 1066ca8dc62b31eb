# SPDX-License-Identifier: GPL-3.0-or-later
"""A case in space, its parts drawn apart, from any side: in vectors, with correct overlap.

Each part is taken apart into the boxes its cuts leave of it. Of two boxes that some plane along
the axes separates, the one beyond the plane, seen from the viewer, cannot hide the other; from
that follows an order in which to draw them, back to front (painter's algorithm, Newell and
others 1972, cited from memory).
"""

from __future__ import annotations

import heapq
import math
from dataclasses import dataclass
from itertools import pairwise, product

import numpy as np

from ..assembly.part import Assembly, Placed
from ..assembly.role import COUNTERS, PartKind
from ..lengths import TICKS_PER_MM
from .case_views import tilted
from .look import Corner, Look
from .shapes import Drawing, Path, Point, Shape

#: Fill of the faces that look along x, y and z.
_FILLS = ("wood-dark", "wood-edge", "wood")


@dataclass(slots=True)
class Piece:
    """A box of a part with what is seen of it: filled faces, and the lines around them."""

    low: Corner
    high: Corner
    faces: list[tuple[list[Corner], str, str]]
    lines: list[tuple[Corner, Corner]]
    ring: tuple[Point, ...] = ()


def exploded(assembly: Assembly, codes: dict[str, str], look: Look) -> Drawing:
    """Return a case with its parts drawn apart.

    Args:
        assembly: the case.
        codes: the code of each part by role.
        look: from where, and how far apart.
    """
    drawing = Drawing(f"Case {assembly.letter}, taken apart")
    if not assembly.parts:
        return drawing
    wide = assembly.outside[0].length.ticks
    # A top that goes on over the neighbours would make everything else small.
    lid = [part for part in assembly.parts if part.role.kind in COUNTERS]
    far = any(part.box.high[0] > 1.5 * wide for part in lid)
    parts = [part for part in assembly.parts if not (far and part in lid)]
    pieces = [piece for part in parts for piece in pieces_of(part, _offset(assembly, part, look), codes, look)]
    for at in back_to_front(pieces, look):
        piece = pieces[at]
        for corners, fill, hot in piece.faces:
            drawing.add(Shape(tuple(look.flat(c) for c in corners), fill, "", 0.0, False, hot))
        for one, other in piece.lines:
            drawing.add(Path((look.flat(one), look.flat(other)), "ink", 0.8))
    return drawing


def _offset(assembly: Assembly, part: Placed, look: Look) -> Corner:
    """Each part moves along its own thickness, away from the middle, so that nothing moves through anything."""
    width, height, depth = (size.length.ticks for size in assembly.outside)
    if part.role.kind in COUNTERS:
        # What lies on the case stays together, over it.
        return 0.0, 0.0, height * look.apart * 0.75 / TICKS_PER_MM
    if part.stands == "apart" and part.role.kind is not PartKind.END_PANEL:
        # What the case stands on stays together, under it.
        return 0.0, 0.0, -height * look.apart * 0.62 / TICKS_PER_MM
    axis = part.axes[2]
    middle = (width / 2, depth / 2, height / 2)[axis]
    centre = (part.box.low[axis] + part.box.high[axis]) / 2
    moved = [0.0, 0.0, 0.0]
    moved[axis] = (centre - middle) * look.apart * (1.5 if part.role.kind is PartKind.END_PANEL else 1.0)
    if part.straight is not None and assembly.slant is not None:
        # What stands across a corner moves straight away from it.
        by = (0.75 if part.stands == "front" else 0.4) * depth * look.apart / assembly.slant.length
        return -assembly.slant.a * by / TICKS_PER_MM, -assembly.slant.b * by / TICKS_PER_MM, 0.0
    if part.stands == "front":
        moved[1] -= depth * look.apart * 0.5
    return moved[0] / TICKS_PER_MM, moved[1] / TICKS_PER_MM, moved[2] / TICKS_PER_MM


def pieces_of(part: Placed, offset: Corner, codes: dict[str, str], look: Look) -> list[Piece]:
    """Return the boxes a part is drawn as.

    Args:
        part: the part.
        offset: how far it is moved, in mm.
        codes: the code of each part by role.
        look: from where it is looked at.
    """
    hot = f"part:{codes.get(part.role, '')}"
    if part.tilt is not None:
        return [_slanted(part, offset, hot, look)]
    if part.footprint:
        return [_prism(part, offset, hot, look)]
    grid, filled = _cells(part)
    return [_piece(run, grid, filled, offset, hot, look) for run in _runs(filled)]


def _cells(part: Placed) -> tuple[list[list[int]], set[tuple[int, int, int]]]:
    """Return the grid lines of a part along each axis, and the cells its cuts leave."""
    box = part.box
    cuts = [cut.box for cut in part.cuts if not cut.kind.slants]
    grid = [
        sorted({box.low[a], box.high[a], *(e for c in cuts for e in c.span(a) if box.low[a] < e < box.high[a])})
        for a in range(3)
    ]
    spans = [list(pairwise(line)) for line in grid]
    filled = set()
    for cell in product(*(range(len(span)) for span in spans)):
        low = [spans[a][cell[a]][0] for a in range(3)]
        high = [spans[a][cell[a]][1] for a in range(3)]
        if not any(all(c.low[a] <= low[a] and high[a] <= c.high[a] for a in range(3)) for c in cuts):
            filled.add((cell[0], cell[1], cell[2]))
    return grid, filled


def _runs(filled: set[tuple[int, int, int]]) -> list[list[tuple[int, int, int]]]:
    """Join cells into runs along z, which are boxes again."""
    runs: list[list[tuple[int, int, int]]] = []
    for cell in sorted(filled):
        if runs and runs[-1][-1] == (cell[0], cell[1], cell[2] - 1):
            runs[-1].append(cell)
        else:
            runs.append([cell])
    return runs


def _piece(
    run: list[tuple[int, int, int]], grid: list[list[int]], filled: set[tuple[int, int, int]], offset: Corner,
    hot: str, look: Look,
) -> Piece:  # fmt: skip
    def corner(index: tuple[int, int, int]) -> Corner:
        x, y, z = (grid[a][index[a]] / TICKS_PER_MM + offset[a] for a in range(3))
        return x, y, z

    first, last = run[0], run[-1]
    piece = Piece(corner(first), corner((last[0] + 1, last[1] + 1, last[2] + 1)), [], [])
    towards = look.towards
    for cell in run:
        for axis in range(3):
            if abs(towards[axis]) < 1e-9:
                continue
            side = 1 if towards[axis] > 0 else -1
            if _moved(cell, axis, side) in filled:
                continue
            _add_face(piece, cell, axis, side, corner, filled, hot)
    return piece


def _moved(cell: tuple[int, int, int], axis: int, step: int) -> tuple[int, int, int]:
    moved = list(cell)
    moved[axis] += step
    return moved[0], moved[1], moved[2]


def _add_face(piece: Piece, cell: tuple[int, int, int], axis: int, side: int, corner, filled, hot: str) -> None:  # type: ignore[no-untyped-def]
    """Add a face that is seen, and those of its edges beyond which the face does not go on."""
    u, v = (a for a in range(3) if a != axis)
    base = _moved(cell, axis, 1) if side > 0 else cell

    def at(du: int, dv: int) -> Corner:
        return corner(_moved(_moved(base, u, du), v, dv))  # type: ignore[no-any-return]

    piece.faces.append(([at(0, 0), at(1, 0), at(1, 1), at(0, 1)], _FILLS[axis], hot))
    for along, step, ends in (
        (u, -1, ((0, 0), (0, 1))),
        (u, 1, ((1, 0), (1, 1))),
        (v, -1, ((0, 0), (1, 0))),
        (v, 1, ((0, 1), (1, 1))),
    ):
        beside = _moved(cell, along, step)
        if beside in filled and _moved(beside, axis, side) not in filled:
            continue
        piece.lines.append((at(*ends[0]), at(*ends[1])))


def _slanted(part: Placed, offset: Corner, hot: str, look: Look) -> Piece:
    """A sloping shelf: its true form, ordered as the space around it."""
    box = part.box
    low, high = (tuple(edge[a] / TICKS_PER_MM + offset[a] for a in range(3)) for edge in (box.low, box.high))
    ring = [(y + offset[1], z + offset[2]) for y, z in tilted(part)]
    piece = Piece(low, high, [], [])  # type: ignore[arg-type]
    x0, x1 = low[0], high[0]
    towards = look.towards
    end = x1 if towards[0] > 0 else x0
    piece.faces.append(([(end, y, z) for y, z in ring], _FILLS[0], hot))
    for (ya, za), (yb, zb) in zip(ring, [*ring[1:], ring[0]], strict=True):
        # The ring runs from the lower front edge to the back and around: its outward normal is (dz, -dy).
        if (zb - za) * towards[1] - (yb - ya) * towards[2] > 0:
            fill = _FILLS[2] if abs(yb - ya) > abs(zb - za) else _FILLS[1]
            piece.faces.append(([(x0, ya, za), (x1, ya, za), (x1, yb, zb), (x0, yb, zb)], fill, hot))
    for corners, _, _ in piece.faces:
        piece.lines += list(zip(corners, [*corners[1:], corners[0]], strict=True))
    return piece


def _prism(part: Placed, offset: Corner, hot: str, look: Look) -> Piece:
    """A part whose form seen from above is no rectangle along the axes."""
    ring = [(x / TICKS_PER_MM + offset[0], y / TICKS_PER_MM + offset[1]) for x, y in part.footprint]
    if sum(x0 * y1 - x1 * y0 for (x0, y0), (x1, y1) in zip(ring, [*ring[1:], ring[0]], strict=True)) < 0:
        ring.reverse()
    z0, z1 = (edge / TICKS_PER_MM + offset[2] for edge in part.box.span(2))
    xs, ys = [x for x, _ in ring], [y for _, y in ring]
    piece = Piece((min(xs), min(ys), z0), (max(xs), max(ys), z1), [], [], tuple(ring))
    towards = look.towards
    level = z1 if towards[2] > 0 else z0
    piece.faces.append(([(x, y, level) for x, y in ring], _FILLS[2], hot))
    for (xa, ya), (xb, yb) in zip(ring, [*ring[1:], ring[0]], strict=True):
        if (yb - ya) * towards[0] - (xb - xa) * towards[1] > 0:
            fill = _FILLS[0] if abs(yb - ya) > abs(xb - xa) else _FILLS[1]
            piece.faces.append(([(xa, ya, z0), (xb, yb, z0), (xb, yb, z1), (xa, ya, z1)], fill, hot))
    for corners, _, _ in piece.faces:
        piece.lines += list(zip(corners, [*corners[1:], corners[0]], strict=True))
    return piece


def _parted(pieces: list[Piece], meet: np.ndarray, hides_not: np.ndarray, look: Look) -> None:
    """Note of forms that stand aslant what an upright plane along one of their faces says of others."""
    towards, slack = look.towards, 1e-4
    for i, piece in enumerate(pieces):
        for (xa, ya), (xb, yb) in (
            zip(piece.ring, [*piece.ring[1:], *piece.ring[:1]], strict=True) if piece.ring else ()
        ):
            n, m = yb - ya, xa - xb
            size = math.hypot(n, m)
            faces = (n * towards[0] + m * towards[1]) / size
            for j in np.flatnonzero(meet[i]):
                other = pieces[j]
                ring = other.ring or tuple(product((other.low[0], other.high[0]), (other.low[1], other.high[1])))
                if all(n * (x - xa) + m * (y - ya) >= -slack * size for x, y in ring):
                    # The other lies beyond this face.
                    hides_not[i, j] |= faces >= 0
                    hides_not[j, i] |= faces <= 0


def back_to_front(pieces: list[Piece], look: Look) -> list[int]:
    """Return the order in which pieces are drawn, so that nothing is drawn over what hides it."""
    count = len(pieces)
    low = np.array([p.low for p in pieces])
    high = np.array([p.high for p in pieces])
    towards = np.array(look.towards)
    slack = 1e-6
    hides_not = np.zeros((count, count), dtype=bool)  # [a, b]: a cannot hide b
    for axis in range(3):
        if abs(towards[axis]) < 1e-9:
            apart = (high[:, None, axis] <= low[None, :, axis] + slack) | (
                low[:, None, axis] >= high[None, :, axis] - slack
            )
            hides_not |= apart
        elif towards[axis] > 0:
            hides_not |= high[:, None, axis] <= low[None, :, axis] + slack
        else:
            hides_not |= low[:, None, axis] >= high[None, :, axis] - slack
    flat = np.array([[look.flat((x, y, z)) for x, y, z in product(*zip(p.low, p.high, strict=True))] for p in pieces])
    left, right = flat[:, :, 0].min(1), flat[:, :, 0].max(1)
    under, over = flat[:, :, 1].min(1), flat[:, :, 1].max(1)
    meet = (
        (left[:, None] < right[None, :] - slack) & (left[None, :] < right[:, None] - slack)
        & (under[:, None] < over[None, :] - slack) & (under[None, :] < over[:, None] - slack)
    )  # fmt: skip
    _parted(pieces, meet, hides_not, look)
    before = hides_not & ~hides_not.T & meet
    np.fill_diagonal(before, False)
    depth = (low + high) @ towards
    waiting = before.sum(0)
    ready = [(float(depth[i]), i) for i in range(count) if waiting[i] == 0]
    heapq.heapify(ready)
    done: list[int] = []
    left_over = set(range(count))
    while left_over:
        if ready:
            _, i = heapq.heappop(ready)
            if i not in left_over:
                continue
        else:
            # Three boxes may hide each other in a ring; the farthest goes first then.
            i = min(left_over, key=lambda n: float(depth[n]))
        left_over.discard(i)
        done.append(i)
        for j in np.flatnonzero(before[i]):
            waiting[j] -= 1
            if waiting[j] == 0 and int(j) in left_over:
                heapq.heappush(ready, (float(depth[j]), int(j)))
    return done
