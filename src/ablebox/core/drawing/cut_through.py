# SPDX-License-Identifier: GPL-3.0-or-later
"""What a plane cuts through: outlines of parts with their grooves and notches taken out."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import pairwise

from ..assembly.footprint import span_at
from ..assembly.part import Placed
from ..lengths import TICKS_PER_MM
from .shapes import Area, Item, Path, Shape

#: For each way of looking: the axis to the right, the axis up, and the axis looked along.
WAYS = {"front": (0, 2, 1), "side": (1, 2, 0), "plan": (0, 1, 2)}

_Rect = tuple[int, int, int, int]


def _mm(ticks: int) -> float:
    return ticks / TICKS_PER_MM


def cut_rects(part: Placed, way: str, at: int) -> tuple[_Rect, list[_Rect]] | None:
    """Return a part's rectangle where a plane cuts it, and what is cut out of that; ``None`` if it misses.

    Args:
        part: the part.
        way: ``front``, ``side`` or ``plan``.
        at: where the plane stands along the axis looked along, in ticks.
    """
    right, up, along = WAYS[way]
    box = part.box
    if not box.low[along] <= at < box.high[along]:
        return None
    gaps = [
        (*cut.box.span(right), *cut.box.span(up))
        for cut in part.cuts
        if not cut.kind.slants and cut.box.low[along] <= at < cut.box.high[along]
    ]
    across = box.span(right)
    if part.footprint and way in ("side", "front"):
        # Of a form that is no rectangle from above, a plane meets only as much as there is of it there.
        met = span_at(part.footprint, along, at)
        if met is None:
            return None
        across = met
    return (*across, *box.span(up)), gaps


def cells(rect: _Rect, gaps: list[_Rect]) -> tuple[list[int], list[int], set[tuple[int, int]]]:
    """Return grid lines along both axes and the filled cells of a rectangle less the gaps."""
    xs = sorted({rect[0], rect[1], *(x for gap in gaps for x in gap[:2] if rect[0] < x < rect[1])})
    ys = sorted({rect[2], rect[3], *(y for gap in gaps for y in gap[2:] if rect[2] < y < rect[3])})
    filled = set()
    for i, (x0, x1) in enumerate(pairwise(xs)):
        for j, (y0, y1) in enumerate(pairwise(ys)):
            if not any(g[0] <= x0 and x1 <= g[1] and g[2] <= y0 and y1 <= g[3] for g in gaps):
                filled.add((i, j))
    return xs, ys, filled


def outline(rect: _Rect, gaps: list[_Rect], fill: str, pattern: str, line: str, weight: float) -> Iterator[Item]:
    """Yield the filled form of a rectangle less the gaps, with one line around it."""
    xs, ys, filled = cells(rect, gaps)
    for i, j in sorted(filled):
        x, y = _mm(xs[i]), _mm(ys[j])
        yield Area(x, y, _mm(xs[i + 1]) - x, _mm(ys[j + 1]) - y, fill, "", 0.0, pattern)
    for i, j in sorted(filled):
        for di, dj, start, end in (
            (-1, 0, (xs[i], ys[j]), (xs[i], ys[j + 1])),
            (1, 0, (xs[i + 1], ys[j]), (xs[i + 1], ys[j + 1])),
            (0, -1, (xs[i], ys[j]), (xs[i + 1], ys[j])),
            (0, 1, (xs[i], ys[j + 1]), (xs[i + 1], ys[j + 1])),
        ):
            if (i + di, j + dj) not in filled:
                yield Path(((_mm(start[0]), _mm(start[1])), (_mm(end[0]), _mm(end[1]))), line, weight)


def cut_part(part: Placed, way: str, at: int, hot: str, fill: str = "wood-edge") -> list[Item]:
    """Return a part where a plane cuts it: plies where its edge grain shows, grain where its face does."""
    found = cut_rects(part, way, at)
    if found is None:
        return []
    if part.footprint and way == "plan":
        ring = tuple((_mm(x), _mm(y)) for x, y in part.footprint)
        return [Shape(ring, fill, "ink", 1.1, False, hot)]
    rect, gaps = found
    right, up, _ = WAYS[way]
    thick = part.axes[2]
    pattern = "plies-y" if thick == right else "plies-x" if thick == up else ""
    items = list(outline(rect, gaps, fill, pattern, "ink", 1.1))
    x, y = _mm(rect[0]), _mm(rect[2])
    items.append(Area(x, y, _mm(rect[1]) - x, _mm(rect[3]) - y, "", "", 0.0, "", hot))
    return items
