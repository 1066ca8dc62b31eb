# SPDX-License-Identifier: GPL-3.0-or-later
"""The whole run as a small elevation: how one moves between cases."""

from __future__ import annotations

from ..lengths import TICKS_PER_MM
from ..shop.made import Made
from .palette import tint
from .shapes import Area, Drawing, Label, Path

_APART = 150.0


def wall_view(made: Made, chosen: str) -> Drawing:
    """Return all cases side by side, free-standing ones a little apart, the chosen one outlined."""
    drawing = Drawing("The wall")
    x = 0.0
    inside = [case for case in made.project.cases if case.in_alcove]
    outside = [case for case in made.project.cases if not case.in_alcove]
    end = 0.0
    for group in (inside, outside):
        for case in group:
            size = made.assembly(case.letter).outside
            # A case turned by a quarter shows its side, and takes its depth of the wall.
            w, h = size[2 if case.turned % 2 else 0].length.mm, size[1].length.mm
            doors = [p for p in made.assembly(case.letter).parts if p.stands == "front" and not case.turned]
            kick = min((part.box.low[2] for part in doors), default=0) / TICKS_PER_MM
            hot = f"case:{case.letter}"
            drawing.add(
                Area(x, 0, w, h, tint(case.letter), "ink", 1.0, "", hot),
                Label(x, kick, case.letter, 11, "start", "ink", True, hot, shift=(5, 11)),
            )
            if doors:
                drawing.add(
                    Path(((x, kick), (x + w, kick)), "ink", 0.7),
                    Path(((x + w / 2, kick), (x + w / 2, h)), "ink", 0.7),
                )
            if case.letter == chosen:
                drawing.add(Area(x, 0, w, h, "", "select", 2.6))
            x += w if group is inside else w + _APART
            end = x
        x += _APART if inside else 0
    drawing.add(Path(((-120.0, 0.0), (end + 120.0, 0.0)), "quiet", 1.0))
    return drawing
