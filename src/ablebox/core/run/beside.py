# SPDX-License-Identifier: GPL-3.0-or-later
"""Who stands beside whom: cases that touch in a run; cases by themselves are nobody's neighbour."""

from __future__ import annotations

from collections.abc import Sequence

from ..cabinet.design import Case
from .place import Line


def rows(cases: Sequence[Case], lines: Sequence[Line]) -> list[list[Case]]:
    """Return the cases in rows of those that touch, each from left to right; what stands between ends a row, an end panel too."""
    by_letter = {case.letter: case for case in cases}
    found: list[list[Case]] = []
    for line in lines:
        found.append([])
        for place in line.places:
            if place.letter:
                if place.panels[0]:
                    found.append([])
                found[-1].append(by_letter[place.letter])
            if place.panels[1] or not place.letter:
                found.append([])
    found += [[case] for case in cases if not case.in_alcove]
    return [row for row in found if row]
