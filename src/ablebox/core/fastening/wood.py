# SPDX-License-Identifier: GPL-3.0-or-later
"""Where along a line there is wood of a part: its box, less what is cut out of it, within its true outline."""

from __future__ import annotations

from math import hypot

from ..assembly.fastener import Point
from ..assembly.part import Placed

#: From where to where along an axis, in ticks.
Span = tuple[int, int]
_Corners = list[tuple[float, float]]


def spans(part: Placed, axis: int, at: Point) -> list[Span]:
    """Return from where to where a line along an axis runs in the wood of a part.

    Args:
        part: the part.
        axis: 0, 1 or 2 along x, y or z.
        at: a point of the line; its place along the axis does not count.
    """
    low, high = part.box.low, part.box.high
    one, two = (axis + 1) % 3, (axis + 2) % 3
    if not (low[one] <= at[one] <= high[one] and low[two] <= at[two] <= high[two]):
        return []
    found = [(low[axis], high[axis])]
    form = _form(part)
    if form is not None:
        found = _within(form, axis, at, found)
    for gap in part.gaps:
        a, b = gap.low, gap.high
        if a[one] < at[one] < b[one] and a[two] < at[two] < b[two]:
            found = [piece for span in found for piece in _less(span, (a[axis], b[axis]))]
    return found


def solid(part: Placed, axis: int, at: Point, start: int, end: int, radius: int) -> bool:
    """Whether a rod of a radius along an axis lies in the wood of a part from ``start`` to ``end``."""
    if start > end:
        start, end = end, start
    one, two = (axis + 1) % 3, (axis + 2) % 3
    low, high = part.box.low, part.box.high
    a, b = at[one], at[two]
    if not (
        low[axis] <= start and end <= high[axis] and low[one] <= a - radius and a + radius <= high[one]
        and low[two] <= b - radius and b + radius <= high[two]
    ):  # fmt: skip
        return False
    if any(
        g.low[axis] < end and start < g.high[axis] and g.low[one] < a + radius and a - radius < g.high[one]
        and g.low[two] < b + radius and b - radius < g.high[two]
        for g in part.gaps
    ):  # fmt: skip
        return False
    if not (part.outline or part.footprint or part.tilt):
        return True
    aslant = radius * 5 // 7 + 1
    for by_one, by_two in (
        (0, 0), (radius, 0), (-radius, 0), (0, radius), (0, -radius),
        (aslant, aslant), (aslant, -aslant), (-aslant, aslant), (-aslant, -aslant),
    ):  # fmt: skip
        line = [0, 0, 0]
        line[one], line[two] = a + by_one, b + by_two
        if not any(first <= start and end <= last for first, last in spans(part, axis, (line[0], line[1], line[2]))):
            return False
    return True


def _less(span: Span, gap: Span) -> list[Span]:
    pieces = [(span[0], min(span[1], gap[0])), (max(span[0], gap[1]), span[1])]
    return [piece for piece in pieces if piece[1] > piece[0]] if gap[0] < span[1] and gap[1] > span[0] else [span]


def _form(part: Placed) -> tuple[int, int, _Corners] | None:
    """Return the two axes and the corners of a part's form, where that is no rectangle along the axes."""
    _, y, z = part.box.low
    if part.tilt is not None:
        run, rise = part.tilt.run.ticks, part.tilt.rise.ticks
        slant, wide, thick = hypot(run, rise), part.width.length.ticks, part.thickness.length.ticks
        c, s = run / slant, rise / slant
        first = (y + thick * s, float(z))
        second = (first[0] + wide * c, first[1] + wide * s)
        return 1, 2, [first, second, (second[0] - thick * s, second[1] + thick * c), (float(y), z + thick * c)]
    if part.footprint:
        return 0, 1, [(float(a), float(b)) for a, b in part.footprint]
    if part.outline:
        along, across, _ = part.axes
        start = part.box.low
        return along, across, [(float(start[along] + a.ticks), float(start[across] + b.ticks)) for a, b in part.outline]
    return None


def _within(form: tuple[int, int, _Corners], axis: int, at: Point, found: list[Span]) -> list[Span]:
    first, second, corners = form
    if axis not in (first, second):
        inside = any(a <= at[first] <= b for a, b in _crossed(corners, 0, at[second]))
        return found if inside else []
    crossed = _crossed(corners, 0 if axis == first else 1, at[second if axis == first else first])
    return [
        (max(low, int(a)), min(high, int(b)))
        for low, high in found
        for a, b in crossed
        if min(high, int(b)) > max(low, int(a))
    ]


def _crossed(corners: _Corners, way: int, at: float) -> list[tuple[float, float]]:
    """Return where a line inside a polygon begins and ends, told along ``way`` (0 or 1), at a place across it."""
    met = []
    for one, two in zip(corners, [*corners[1:], corners[0]], strict=True):
        low, high = sorted((one[1 - way], two[1 - way]))
        if low <= at < high:
            share = (at - one[1 - way]) / (two[1 - way] - one[1 - way])
            met.append(one[way] + (two[way] - one[way]) * share)
    met.sort()
    return list(zip(met[::2], met[1::2], strict=False))
