# SPDX-License-Identifier: GPL-3.0-or-later
"""Small pictures of how a case is built, each cut from the very parts of a case.

To show another school of a thing, build the case with it and ask for the same picture again.
"""

from __future__ import annotations

from ..assembly.part import Assembly, Placed
from ..assembly.role import COUNTERS, FRAMES, PartKind, Role, Side
from ..assembly.turned import seen_from
from ..assembly.uses import Use
from ..case.shell import LEFT, RIGHT
from ..lengths import TICKS_PER_MM
from .case_views import stands, tilted
from .cut_through import cut_part, cut_rects, outline
from .shapes import Area, Drawing, Path

#: Each thing that is chosen by picture, in the order of building: what it is called.
THINGS: dict[str, str] = {
    "frame": "Front",
    "kick": "Base",
    "bottom": "Bottom",
    "top": "Top",
    "back": "Back",
    "inside": "Inside",
    "fronts": "Doors",
    "counter": "Counter",
}

_Window = tuple[int, int, int, int]


def joint(assembly: Assembly, thing: str) -> Drawing:
    """Return the picture of a thing in a case as built.

    Args:
        assembly: the case.
        thing: one of ``THINGS``.
    """
    if not assembly.parts:
        return Drawing(THINGS[thing])
    if thing in ("frame", "fronts", "inside"):
        assembly = seen_from(assembly, "front")
    way, at, window = _where(assembly, thing)
    drawing = Drawing(THINGS[thing])
    drawing.window = tuple(edge / TICKS_PER_MM for edge in window)  # type: ignore[assignment]
    side = assembly.part("side.right")
    if way == "side":
        found = cut_rects(side, "side", side.box.low[0])
        if found is not None:
            drawing.add(*outline(*found, "wood", "", "quiet", 0.8))
    if way == "face":
        _face(assembly, drawing)
        return drawing
    for part in assembly.parts:
        if part.role == RIGHT and way == "side":
            continue
        drawing.add(*cut_part(part, way, at, ""))
    if thing == "kick":
        drawing.add(*stands(assembly, 1))
        drawing.add(Path(((-1000.0, 0.0), (side.box.high[1] / TICKS_PER_MM, 0.0)), "ink", 1.4))
    if thing == "fronts":
        _cup(assembly, drawing, at)
    return drawing


def _where(assembly: Assembly, thing: str) -> tuple[str, int, _Window]:
    """Return the way of looking, where the cut lies, and what is shown."""
    width, height, depth = (size.length.ticks for size in assembly.outside)
    t = assembly.part(LEFT).thickness.length.ticks
    bottom = assembly.part("bottom").box
    middle = _middle(assembly)
    reach, front = 5 * t, assembly.part(LEFT).box.low[1]
    wide = (-t, bottom.low[2] - 2 * t, reach, bottom.low[2] + 3 * t)
    if thing == "kick":
        legs = [part for part in assembly.parts if part.role.kind is PartKind.LEG][:1]
        at = legs[0].box.low[0] + 1 if legs else middle
        start = assembly.slant.y_at(at) if assembly.slant is not None else 0
        if start:
            return "side", at, (start - 2 * t, min(0, bottom.low[2] - 3 * t), start + depth // 3, bottom.low[2] + 3 * t)
        return "side", at, (-2 * t, min(0, bottom.low[2] - 3 * t), depth // 3 + 3 * t, bottom.low[2] + 3 * t)
    if thing == "bottom":
        return "front", front + depth // 3, wide
    if thing == "top":
        full = any(part.role.kind is PartKind.TOP for part in assembly.parts)
        if full:
            return "front", front + depth // 3, (-t, height - 3 * t, reach, height + t)
        return "side", middle, (-2 * t, height - 6 * t, depth + 2 * t, height + 2 * t)
    if thing == "back":
        return "plan", clear_level(assembly), (-t, depth - 3 * t, reach, depth + t)
    if thing == "inside":
        return "face", 0, (-t, -t, width + t, height + t)
    if thing == "counter":
        lows = [part.box for part in assembly.parts if part.role.kind in COUNTERS]
        top = max((box.high[2] for box in lows), default=height + t)
        reach_y = min((box.low[1] for box in lows), default=front)
        if assembly.slant is not None and lows:
            reach_y = assembly.slant.y_at(middle)
        return "side", middle, (reach_y - t, height - 3 * t, reach_y + 7 * t, top + t)
    at = clear_level(assembly)
    if thing == "fronts":
        cups = [h.centres[0][2] for part in assembly.parts if _left_door(part) for h in part.holes]
        return "plan", cups[0] if cups else at, (-2 * t, -3 * t, reach, 3 * t)
    return "plan", at, (-2 * t, -2 * t, reach, 4 * t)


def clear_level(assembly: Assembly) -> int:
    """Return a height, near three quarters up, at which a level cut meets no shelf."""
    height = assembly.outside[1].length.ticks
    flat = [part.box for part in assembly.parts if part.axes[2] == 2]
    for percent in (75, 70, 80, 65, 60, 55, 85, 50, 45, 40):
        at = height * percent // 100
        if not any(box.low[2] <= at < box.high[2] for box in flat):
            return at
    return height * 3 // 4


def _middle(assembly: Assembly) -> int:
    if assembly.slant is not None:
        # Beside its left side the plane meets everything a corner case has.
        return assembly.part(LEFT).box.high[0] + 1
    if not assembly.bays:
        return assembly.outside[0].length.ticks // 3
    box = assembly.bays[0].box
    return (box.low[0] + box.high[0]) // 2


def _face(assembly: Assembly, drawing: Drawing) -> None:
    """The whole inside from the front, doors and frame left away."""
    parts = [p for p in assembly.parts if p.stands != "front" and p.role.kind not in FRAMES]
    for part in sorted(parts, key=lambda part: -part.box.high[1]):
        _flat(drawing, part)


def _flat(drawing: Drawing, part: Placed) -> None:
    x0, x1 = (t / TICKS_PER_MM for t in part.box.span(0))
    y0, y1 = (t / TICKS_PER_MM for t in part.box.span(2))
    face_on = part.axes[2] == 1
    if part.tilt is not None:
        heights = [z for _, z in tilted(part)]
        drawing.add(Area(x0, heights[0], x1 - x0, heights[3] - heights[0], "wood-edge", "ink", 0.8))
        return
    drawing.add(Area(x0, y0, x1 - x0, y1 - y0, "wood" if face_on else "wood-edge", "ink", 0.8))


def _cup(assembly: Assembly, drawing: Drawing, at: int) -> None:
    for part in assembly.parts:
        for cups in part.holes:
            if cups.use is Use.CUP and _left_door(part) and any(c[2] == at for c in cups.centres):
                radius, back = cups.diameter.mm / 2, part.box.high[1] / TICKS_PER_MM
                x = cups.centres[0][0] / TICKS_PER_MM
                drawing.add(Area(x - radius, back - cups.depth.mm, 2 * radius, cups.depth.mm, "card", "ink", 1.1))


def _left_door(part: Placed) -> bool:
    """Whether a part is the left door of a case that has one pair."""
    return part.role == Role(PartKind.DOOR, Side.LEFT)
