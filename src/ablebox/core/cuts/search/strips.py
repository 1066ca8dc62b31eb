# SPDX-License-Identifier: GPL-3.0-or-later
"""A first plan for very many blanks, in a blink: strips as wide as their widest blank, then strips onto sheets.

First fit by decreasing width, as surveyed by Lodi, Martello and Monaci, "Two-dimensional packing
problems: a survey" (2002), cited from memory.
"""

from __future__ import annotations

from dataclasses import dataclass, field

from .blanks import Bed, Blank, Placed
from .construct import Lay

#: Strips looked at for a place, the newest ones.
_LOOKED_AT = 80


@dataclass(slots=True)
class _Strip:
    width: int
    left: int
    placed: list[tuple[Blank, int, bool]] = field(default_factory=list)


def in_strips(blanks: list[Blank], bed: Bed) -> list[Lay] | None:
    """Return the blanks in strips on sheets of one kind; ``None`` if one does not fit or the sheets run out."""
    rows = []
    for blank in blanks:
        ways = [(blank.length, blank.width, False)]
        if not blank.fixed:
            ways.append((blank.width, blank.length, True))
        ways = [way for way in ways if way[0] <= bed.length and way[1] <= bed.width]
        if not ways:
            return None
        # Lying along the sheet a blank makes a narrow strip.
        long, wide, turned = max(ways)
        rows.append((wide, long, turned, blank))
    rows.sort(key=lambda row: (-row[0], -row[1]))
    strips: list[_Strip] = []
    for wide, long, turned, blank in rows:
        strip = next((each for each in strips[-_LOOKED_AT:] if each.left >= long), None)
        if strip is None:
            strip = _Strip(wide, bed.length)
            strips.append(strip)
        strip.placed.append((blank, bed.length - strip.left, turned))
        strip.left -= long
    lays: list[Lay] = []
    room: list[int] = []
    for strip in strips:
        at = next((i for i in range(max(0, len(lays) - _LOOKED_AT), len(lays)) if room[i] >= strip.width), None)
        if at is None:
            if bed.count is not None and len(lays) >= bed.count:
                return None
            at = len(lays)
            lays.append(Lay(bed))
            room.append(bed.width)
        y = bed.width - room[at]
        found: list[Placed] = [(blank, x, y, turned) for blank, x, turned in strip.placed]
        lays[at].placed += found
        room[at] -= strip.width
    return lays
