# SPDX-License-Identifier: GPL-3.0-or-later
"""Parts as they stand in the axes of another case: moved along, out and up."""

from __future__ import annotations

from dataclasses import replace

from ..lengths import Length
from .fastener import Fastener, Point
from .fitting import Fitting
from .part import Placed
from .solid import Box


def moved_point(at: Point, by: Point) -> Point:
    """Return a point moved by ticks along x, y and z."""
    return at[0] + by[0], at[1] + by[1], at[2] + by[2]


def moved_box(box: Box, by: Point) -> Box:
    """Return a box moved."""
    return Box(moved_point(box.low, by), moved_point(box.high, by))


def moved_part(part: Placed, by: Point) -> Placed:
    """Return a part moved, with what is cut and bored into it."""
    x, y, z = part.corner
    return replace(
        part,
        corner=(x + Length(by[0]), y + Length(by[1]), z + Length(by[2])),
        cuts=tuple(replace(cut, box=moved_box(cut.box, by)) for cut in part.cuts),
        footprint=tuple((a + by[0], b + by[1]) for a, b in part.footprint),
        holes=tuple(replace(h, centres=tuple(moved_point(c, by) for c in h.centres)) for h in part.holes),
    )


def moved_fastener(fastener: Fastener, by: Point) -> Fastener:
    """Return a fastener moved."""
    return replace(fastener, head=moved_point(fastener.head, by), tip=moved_point(fastener.tip, by))


def moved_fitting(fitting: Fitting, by: Point) -> Fitting:
    """Return a piece of hardware moved."""
    return replace(fitting, box=moved_box(fitting.box, by))
