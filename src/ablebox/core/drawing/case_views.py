# SPDX-License-Identifier: GPL-3.0-or-later
"""A case from the front, in section and in plan, drawn from its parts in place."""

from __future__ import annotations

from ..assembly.part import Assembly, Hand, Placed
from ..lengths import TICKS_PER_MM, Length
from ..parts.listing import Part
from ..reckoning import Reckoned
from ..shop.made import Made
from .cut_through import cut_part, cut_rects, outline
from .shapes import Area, Circle, Dimension, Drawing, Path


def codes_by_role(parts: list[Part], letter: str) -> dict[str, str]:
    """Return the code of each part of a case by its role."""
    return {role: part.code for part in parts if part.case == letter for role in part.roles}


def _dimension(
    made: Made, number: Reckoned, across: bool, start: float, end: float, base: float, level: float, field: bool = True
) -> Dimension:
    text = made.units.write(number.length)
    return Dimension(across, start, end, base, level, text, number.key, field)


def elevation(made: Made, letter: str, open_doors: bool = False) -> Drawing:
    """Return the case from the front.

    Args:
        made: what was made.
        letter: of the case.
        open_doors: leave the doors away and show what is behind them.
    """
    assembly = made.assembly(letter)
    codes = codes_by_role(made.parts, letter)
    drawing = Drawing(f"Case {letter}, front")
    for part in sorted(assembly.parts, key=lambda part: -part.box.high[1]):
        if open_doors and part.role.startswith("door"):
            continue
        _front_of(drawing, part, f"part:{codes[part.role]}")
    width, height, _ = assembly.outside
    w, h = width.length.mm, height.length.mm
    kick = made.numbers[f"{letter}/kick.height"]
    drawing.add(
        Path(((-40, 0), (w + 40, 0)), "quiet", 1.2),
        _dimension(made, width, True, 0, w, h, 1.05),
        _dimension(made, height, False, 0, h, 0, -1.1),
        _dimension(made, kick, False, 0, kick.length.mm, w, 1.05),
    )
    if open_doors:
        _inside_dimensions(made, drawing, letter)
    else:
        _door_dimensions(made, drawing, assembly)
    return drawing


def _front_of(drawing: Drawing, part: Placed, hot: str) -> None:
    x0, x1 = (Length(t).mm for t in part.box.span(0))
    y0, y1 = (Length(t).mm for t in part.box.span(2))
    if part.role == "kick":
        drawing.add(Area(x0, y0, x1 - x0, y1 - y0, "shade", "ink", 0.9, "", hot))
        return
    face_on = part.axes[2] == 1
    pattern = ("grain-y" if part.axes[0] == 2 else "grain-x") if face_on else "plies-x"
    fill = "wood" if face_on else "wood-edge"
    drawing.add(Area(x0, y0, x1 - x0, y1 - y0, fill, "ink", 1.1, pattern, hot))
    if part.role.startswith("door"):
        hinge, free = (x0, x1) if part.hand is Hand.LEFT else (x1, x0)
        middle = (y0 + y1) / 2
        drawing.add(Path(((free, y0), (hinge, middle), (free, y1)), "grain", 0.8, True))
        pull = free + (24 if part.hand is Hand.RIGHT else -24)
        drawing.add(Circle(pull, y1 - 90, 6, "ink", ""))


def _door_dimensions(made: Made, drawing: Drawing, assembly: Assembly) -> None:
    letter, numbers = assembly.letter, made.numbers
    left, right = assembly.part("door.left"), assembly.part("door.right")
    x0, x1 = (Length(t).mm for t in left.box.span(0))
    drawing.add(_dimension(made, left.width, True, x0, x1, 0, -0.8, field=False))
    z0, z1 = (Length(t).mm for t in left.box.span(2))
    w = assembly.outside[0].length.mm
    drawing.add(_dimension(made, left.length, False, z0, z1, w, 1.05, field=False))
    gap = numbers[f"{letter}/doors.gap"]
    x2, x3 = Length(left.box.high[0]).mm, Length(right.box.low[0]).mm
    drawing.add(_dimension(made, gap, True, x2, x3, 0, -0.8))


def _inside_dimensions(made: Made, drawing: Drawing, letter: str) -> None:
    assembly = made.assembly(letter)
    inside = made.numbers[f"{letter}/inside.width"]
    t = assembly.part("side.left").thickness.length.mm
    floor, ceiling = made.numbers[f"{letter}/floor"], made.numbers[f"{letter}/ceiling"]
    middle = (floor.length.mm + ceiling.length.mm) / 2
    drawing.add(_dimension(made, inside, True, t, t + inside.length.mm, middle + 40, 0, field=False))


def section(made: Made, letter: str) -> Drawing:
    """Return the case cut through from front to back, seen from the side."""
    assembly = made.assembly(letter)
    codes = codes_by_role(made.parts, letter)
    numbers = made.numbers
    drawing = Drawing(f"Case {letter}, section")
    middle = assembly.outside[0].length.ticks // 3
    side = assembly.part("side.left")
    found = cut_rects(side, "side", side.box.low[0])
    if found is not None:
        drawing.add(*outline(*found, "wood", "", "quiet", 0.8))
        rect = found[0]
        drawing.add(Area(rect[0] / TICKS_PER_MM, rect[2] / TICKS_PER_MM, (rect[1] - rect[0]) / TICKS_PER_MM,
                         (rect[3] - rect[2]) / TICKS_PER_MM, "", "", 0, "", f"part:{codes[side.role]}"))  # fmt: skip
    for holes in side.holes:
        for _, y, z in holes.centres:
            drawing.add(Circle(y / TICKS_PER_MM, z / TICKS_PER_MM, holes.diameter.mm / 2, "card", "quiet", 0.9))
    for part in assembly.parts:
        if part is not side:
            drawing.add(*cut_part(part, "side", middle, f"part:{codes[part.role]}"))
    _, height, depth = assembly.outside
    h, d = height.length.mm, depth.length.mm
    front = min(Length(part.box.low[1]).mm for part in assembly.parts)
    kick = numbers[f"{letter}/kick.depth"]
    rail = numbers[f"{letter}/rail.width"]
    stretcher = numbers[f"{letter}/stretcher.width"]
    clear = numbers[f"{letter}/inside.depth"]
    stretch = assembly.part("stretcher.front").box
    drawing.add(
        Path(((front - 20, 0), (d + 30, 0)), "quiet", 1.2),
        _dimension(made, depth, True, 0, d, h, 1.9),
        _dimension(made, stretcher, True, 0, Length(stretch.high[1]).mm, h, 0.9),
        _dimension(made, kick, True, 0, kick.length.mm, 0, -0.8),
        _dimension(made, rail, False, h - rail.length.mm, h, d, 0.7),
        _dimension(made, clear, True, 0, clear.length.mm, h * 0.42, 0, field=False),
    )
    return drawing


def plan(made: Made, letter: str) -> Drawing:
    """Return the case cut through level, seen from above; the front is at the lower edge."""
    assembly = made.assembly(letter)
    codes = codes_by_role(made.parts, letter)
    drawing = Drawing(f"Case {letter}, plan")
    height = assembly.outside[1].length.ticks
    at = height * 3 // 4
    for part in assembly.parts:
        drawing.add(*cut_part(part, "plan", at, f"part:{codes[part.role]}"))
    width, _, depth = assembly.outside
    inside = made.numbers[f"{letter}/inside.width"]
    w, d = width.length.mm, depth.length.mm
    t = assembly.part("side.left").thickness.length.mm
    drawing.add(
        _dimension(made, width, True, 0, w, d, 1.1),
        _dimension(made, depth, False, 0, d, 0, -1.2),
        _dimension(made, inside, True, t, t + inside.length.mm, d * 0.4, 0, field=False),
    )
    return drawing
