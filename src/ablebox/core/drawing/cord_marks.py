# SPDX-License-Identifier: GPL-3.0-or-later
"""Spaces that are kept free for cords, as they are drawn: dashed, on the case, in its section, and on the part they lie against."""

from __future__ import annotations

from ..case.extra.cord_space import CordSpace
from ..lengths import TICKS_PER_MM
from ..parts.listing import Part
from ..shop.made import Made
from .part_view import Lying
from .shapes import Area, Label

#: What stands in one, and how large, in points.
_WORDS, _TYPE = "cords", 9.0


def cord_spaces(made: Made, letter: str, axes: tuple[int, int], at: int | None = None) -> list[Area | Label]:
    """Return the outlines of a case's spaces for cords.

    Args:
        made: what was made.
        letter: of the case.
        axes: the two axes one sees, across and up.
        at: where the case is cut, across the axis one looks along: only spaces there are seen; ``None`` for all.
    """
    a, b = axes
    across = 3 - a - b
    parts = {str(part.role): part for part in made.assembly(letter).parts}
    found: list[Area | Label] = []
    for extra in made.project.case(letter).extras:
        part = parts.get(extra.role)
        if not isinstance(extra, CordSpace) or part is None:
            continue
        box = extra.box(part)
        if at is None or box.low[across] <= at <= box.high[across]:
            x, y, x1, y1 = (each / TICKS_PER_MM for each in (box.low[a], box.low[b], box.high[a], box.high[b]))
            found += _outline(x, y, x1 - x, y1 - y)
    return found


def cord_spaces_at(made: Made, part: Part) -> list[Area | Label]:
    """Return the outlines of the spaces for cords that lie against a part, as it lies on the bench."""
    bench, found = Lying(part), list[Area | Label]()
    extras = next((case.extras for case in made.project.cases if case.letter == part.case), ())
    for extra in extras:
        if isinstance(extra, CordSpace) and extra.role in part.roles:
            x, y = bench.point(extra.along.mm, extra.across.mm)
            found += _outline(x - extra.long.mm / 2, y - extra.wide.mm / 2, extra.long.mm, extra.wide.mm)
    return found


def _outline(x: float, y: float, wide: float, high: float) -> list[Area | Label]:
    return [
        Area(x, y, wide, high, "", "dimension", 1.1, dashed=True),
        Label(x + wide / 2, y + high / 2, _WORDS, _TYPE, colour="dimension", within=wide, ground="card"),
    ]
