# SPDX-License-Identifier: GPL-3.0-or-later
"""The whole run as a small elevation: how one moves between cases."""

from __future__ import annotations

from ..lengths import TICKS_PER_MM, ZERO
from ..shop.made import Made
from .palette import tint
from .shapes import Area, Drawing, Label, Path

_APART = 150.0


def wall_view(made: Made, chosen: str) -> Drawing:
    """Return the runs of all walls side by side, free-standing cases a little apart, the chosen one outlined."""
    drawing = Drawing("The wall")
    x = 0.0
    for number in range(1, len(made.rooms) + 1):
        places = [place for upper in (False, True) for place in made.line(number, upper).places]
        if not places:
            continue
        start = min(place.x.mm for place in places)
        for place in places:
            at = x + place.x.mm - start
            if place.letter:
                _case(made, drawing, place.letter, at, place.low.mm, chosen)
            elif place.width.length > ZERO:
                size = place.width.length.mm, (place.high - place.low).mm
                drawing.add(
                    Area(at, place.low.mm, *size, "", "quiet", 0.7, "", f"key:space/{place.space}.width", dashed=True)
                )
        x += max(place.end.mm for place in places) - start + _APART
    for case in made.project.cases:
        if not case.in_alcove:
            x += _case(made, drawing, case.letter, x, 0.0, chosen) + _APART
    drawing.add(Path(((-120.0, 0.0), (x - _APART + 120.0, 0.0)), "quiet", 1.0))
    return drawing


def _case(made: Made, drawing: Drawing, letter: str, x: float, low: float, chosen: str) -> float:
    """Draw a case with its lower left corner at a place; return how wide it is."""
    assembly, case = made.assembly(letter), made.project.case(letter)
    size = assembly.outside
    # A case turned by a quarter shows its side, and takes its depth of the wall.
    w, h = size[2 if case.turned % 2 else 0].length.mm, size[1].length.mm
    doors = [p for p in assembly.parts if p.stands == "front" and not case.turned]
    kick = min((part.box.low[2] for part in doors), default=0) / TICKS_PER_MM
    hot = f"case:{letter}"
    drawing.add(
        Area(x, low, w, h, tint(letter), "ink", 1.0, "", hot),
        Label(x, low + kick, letter, 11, "start", "ink", True, hot, shift=(5, 11)),
    )
    if doors:
        drawing.add(
            Path(((x, low + kick), (x + w, low + kick)), "ink", 0.7),
            Path(((x + w / 2, low + kick), (x + w / 2, low + h)), "ink", 0.7),
        )
    if letter == chosen:
        drawing.add(Area(x, low, w, h, "", "select", 2.6))
    return w
