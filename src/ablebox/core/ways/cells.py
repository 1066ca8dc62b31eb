# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts as boxes of wood: what their cuts leave, in whole ticks.

Of a part that stands across a corner, and of one that slopes, slices are taken that lie inside it: nothing is in the way
that is not there.
"""

from __future__ import annotations

from itertools import pairwise, product

from ..assembly.footprint import bounds, span_at
from ..assembly.part import Placed
from ..assembly.solid import Box

#: Slices of what stands across a corner, and of what slopes: tools pass close to that (of our own).
_SLICES, _SLOPING = 16, 32


def cells(part: Placed) -> list[Box]:
    """Return the boxes a part is made of."""
    if part.footprint:
        return _sliced(part)
    if part.tilt is not None:
        return _sloping(part)
    return _left(part)


def _left(part: Placed) -> list[Box]:
    """Return what cuts leave of a part, joined into as few boxes as come of it along the longest way."""
    box = part.box
    gaps = [gap for gap in part.gaps if box.meets(gap)]
    if not gaps:
        return [box]
    grid = [
        sorted({*box.span(a), *(e for g in gaps for e in g.span(a) if box.low[a] < e < box.high[a])}) for a in range(3)
    ]
    spans = [list(pairwise(line)) for line in grid]
    long = max(range(3), key=lambda a: box.high[a] - box.low[a])
    one, two = (a for a in range(3) if a != long)
    found: list[Box] = []
    for i, j in product(range(len(spans[one])), range(len(spans[two]))):
        run: list[int] | None = None
        for k in range(len(spans[long])):
            at = [(0, 0)] * 3
            at[one], at[two], at[long] = spans[one][i], spans[two][j], spans[long][k]
            cell = Box((at[0][0], at[1][0], at[2][0]), (at[0][1], at[1][1], at[2][1]))
            if any(gap.meets(cell) for gap in gaps):
                run = None
                continue
            if run is None:
                run = [len(found)]
                found.append(cell)
            else:
                found[-1] = Box(found[-1].low, cell.high)
    return found


def _sliced(part: Placed) -> list[Box]:
    ring, (z0, z1) = part.footprint, part.box.span(2)
    x0, x1, _, _ = bounds(ring)
    found = []
    edges = [x0 + (x1 - x0) * i // _SLICES for i in range(_SLICES + 1)]
    for low, high in pairwise(edges):
        spans = [span_at(ring, 0, low), span_at(ring, 0, high)]
        if None in spans:
            continue
        (a, b), (c, d) = spans  # type: ignore[misc]
        if max(a, c) < min(b, d):
            found.append(Box((low, max(a, c), z0), (high, min(b, d), z1)))
    return found or [part.box]


def _sloping(part: Placed) -> list[Box]:
    """Return steps inside a sloping shelf: its underside rises from the front edge to the back."""
    assert part.tilt is not None
    box, thick = part.box, part.thickness.length.ticks
    rise, depth = part.tilt.rise.ticks, box.high[1] - box.low[1]
    found = []
    for i in range(_SLOPING):
        y0, y1 = box.low[1] + depth * i // _SLOPING, box.low[1] + depth * (i + 1) // _SLOPING
        low, high = box.low[2] + rise * (i + 1) // _SLOPING, box.low[2] + rise * i // _SLOPING + thick
        if low < high:
            found.append(Box((box.low[0], y0, low), (box.high[0], y1, min(high, box.high[2]))))
    return found or [box]
