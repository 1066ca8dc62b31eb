# SPDX-License-Identifier: GPL-3.0-or-later
"""What lines on a page run through: other lines, places, and rectangles."""

from __future__ import annotations

from math import hypot

from ...drawing.shapes import Point
from .recorded import Box


def from_line(at: Point, one: Point, two: Point) -> float:
    """Return how far a place is from the line between two others."""
    dx, dy = two[0] - one[0], two[1] - one[1]
    share = ((at[0] - one[0]) * dx + (at[1] - one[1]) * dy) / max(dx * dx + dy * dy, 1e-9)
    share = min(max(share, 0.0), 1.0)
    return hypot(one[0] + share * dx - at[0], one[1] + share * dy - at[1])


def cross(one: Point, two: Point, three: Point, four: Point) -> bool:
    """Whether the lines between two and two places run through each other."""

    def side(a: Point, b: Point, c: Point) -> bool:
        return (b[0] - a[0]) * (c[1] - a[1]) > (b[1] - a[1]) * (c[0] - a[0])

    return side(one, two, three) != side(one, two, four) and side(three, four, one) != side(three, four, two)


def runs_through(one: Point, two: Point, box: Box) -> bool:
    """Whether the line between two places runs through a rectangle."""
    left, top, right, low = box
    if (
        max(one[0], two[0]) < left
        or min(one[0], two[0]) > right
        or max(one[1], two[1]) < top
        or min(one[1], two[1]) > low
    ):
        return False
    corners = ((left, top), (right, low)), ((left, low), (right, top))
    return (left < one[0] < right and top < one[1] < low) or any(cross(one, two, *line) for line in corners)
