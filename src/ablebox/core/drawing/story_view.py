# SPDX-License-Identifier: GPL-3.0-or-later
"""A story stick as it looks on the bench: a strip of boxwood with every mark and what it stands for."""

from __future__ import annotations

from ..shop.story import Stick
from ..units import Units
from .shapes import Area, Drawing, Label, Path

#: How thick the stick is drawn, and how far apart words stand, as shares of its length.
_THICK, _APART = 0.035, 0.043


def story_view(stick: Stick, units: Units) -> Drawing:
    """Return a stick with its marks, standing; words that would meet step aside, with a line to their mark."""
    drawing = Drawing(f"story stick of {stick.name}")
    long = stick.length.mm
    thick, apart = long * _THICK, long * _APART
    spots = _spread([mark.at.mm for mark in stick.marks], apart, long)
    drawing.add(Area(0, 0, thick, long, "rule", "ink", 1.2))
    title = stick.name if stick.upright else f"{stick.name}, its left end below"
    drawing.add(Label(0, max([long, *spots]), title, 12, "start", "ink", True, shift=(0, 22)))
    for mark, at in zip(stick.marks, spots, strict=True):
        here, colour = mark.at.mm, "quiet" if mark.minor else "ink"
        text = f"{units.write(mark.at)}  {mark.words}"
        drawing.add(
            Path(((0, here), (thick, here)), "tick" if mark.minor else "ink", 1.6),
            Path(((thick, here), (thick * 1.8, at), (thick * 2.1, at)), colour, 0.6),
            Label(thick * 2.2, at, text, 9.5, "start", colour, not mark.minor),
        )
    # Room for the words, which are not counted as geometry.
    drawing.add(Area(thick, 0, long * 0.66, max([long, *spots]) + apart * 1.6, "", ""))
    return drawing


def _spread(wanted: list[float], apart: float, end: float) -> list[float]:
    """Return places in order that are so far apart at least and as near to the wanted ones as they can be."""
    found: list[float] = []
    for place in wanted:
        found.append(max(place, found[-1] + apart) if found else place)
    over = found[-1] - max(end, wanted[-1]) if found else 0.0
    if over > 0:
        limit = found[-1] - over
        for i in range(len(found) - 1, -1, -1):
            found[i] = min(found[i], limit)
            limit = found[i] - apart
    return found
