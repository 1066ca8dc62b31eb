# SPDX-License-Identifier: GPL-3.0-or-later
"""A case from the front, in section and in plan, drawn from its parts in place."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import replace

from ..assembly.part import Assembly, Placed
from ..assembly.role import BASES, BOTH, PartKind, Role, Side
from ..assembly.solid import Box
from ..assembly.turned import seen_from
from ..case.base_feet import Feet
from ..case.kick_notched import NotchedKick
from ..case.rails import UPPER
from ..case.shell import LEFT, RIGHT
from ..lengths import TICKS_PER_MM, Length
from ..parts.listing import Part
from ..reckoning import Reckoned
from ..shop.made import Made
from .cord_marks import cord_spaces
from .cut_through import cut_part, cut_rects, outline
from .from_the_front import part_from_the_front, pulls_of, swing_of
from .rack_marks import racks_on
from .shapes import Area, Circle, Dimension, Drawing, Label, Path


def codes_by_role(parts: list[Part], letter: str) -> dict[str, str]:
    """Return the code of each part of a case by its role; empty for those of a case that cannot be built, which have none."""
    return defaultdict(str, {role: part.code for part in parts if part.case == letter for role in part.roles})


def _dimension(
    made: Made, number: Reckoned, across: bool, start: float, end: float, base: float, level: float, field: bool = True
) -> Dimension:
    text = made.units.write(number.length)
    return Dimension(across, start, end, base, level, text, number.key, field)


def _mm(ticks: int) -> float:
    return ticks / TICKS_PER_MM


def outside_alone(made: Made, letter: str, name: str, sizes: tuple[int, int]) -> Drawing:
    """Return the outside of a case of which nothing can be set out, with two of its sizes, by their number among the three."""
    drawing = Drawing(f"Case {letter}, {name}")
    wide, high = (made.assembly(letter).outside[i] for i in sizes)
    w, h = wide.length.mm, high.length.mm
    drawing.add(
        Area(0, 0, w, h, "", "quiet", 1.4, "", f"case:{letter}", dashed=True),
        Label(w / 2, h / 2, "not built", 11, "middle", "select", True),
        _dimension(made, wide, True, 0, w, h, 1.3),
        _dimension(made, high, False, 0, h, 0, -1.3),
    )
    return drawing


def elevation(made: Made, letter: str, open_doors: bool = False, bay_lit: str = "") -> Drawing:
    """Return the case from the front.

    Args:
        made: what was made.
        letter: of the case.
        open_doors: leave the doors away and show what is behind them.
        bay_lit: path of the bay that is selected.
    """
    if not made.assembly(letter).parts:
        return outside_alone(made, letter, "front", (0, 1))
    assembly = seen_from(made.assembly(letter), "front")
    codes = codes_by_role(made.parts, letter)
    drawing = Drawing(f"Case {letter}, front")
    closed = not open_doors and any(part.stands == "front" for part in assembly.parts)
    drawing.add(*stands(assembly, 0))
    for part in sorted(assembly.parts, key=lambda part: -part.box.high[1]):
        if part.stands == "front" and open_doors:
            continue
        drawing.add(*part_from_the_front(part, f"part:{codes[part.role]}", assembly.outside[0].length.mm))
    drawing.add(*carried_kick(made, letter))
    width, height, _ = assembly.outside
    w, h = width.length.mm, height.length.mm
    left, right = (proud.mm for proud in assembly.proud)
    drawing.add(
        Path(((-40 - left, 0), (w + 40 + right, 0)), "quiet", 1.2),
        _dimension(made, width, True, 0, w, h, 1.05),
        _dimension(made, height, False, 0, h, -left, -1.1),
    )
    line = made.numbers.get(f"{letter}/kick.height")
    if line is not None:
        drawing.add(_dimension(made, line, False, 0, line.length.mm, w + right, 1.05))
    if closed:
        for space in assembly.fronts:
            drawing.add(*(line for part in assembly.parts_of(space) for line in pulls_of(part)), *swing_of(space))
        _door_dimensions(made, drawing, assembly)
    else:
        for bay in assembly.bays:
            x0, x1, z0, z1 = (_mm(t) for t in (*bay.box.span(0), *bay.box.span(2)))
            drawing.add(
                Area(x0, z0, x1 - x0, z1 - z0, "", "select" if bay.path == bay_lit else "", 2.2, "", f"bay:{bay.path}")
            )
        drawing.add(*cord_spaces(made, letter, (0, 2)))
        _inside_dimensions(made, drawing, assembly)
    return drawing


def _door_dimensions(made: Made, drawing: Drawing, assembly: Assembly) -> None:
    letter, numbers = assembly.letter, made.numbers
    doors = {part.role: part for part in assembly.parts if part.stands == "front"}
    pair = [Role(PartKind.DOOR, side) for side in BOTH]
    if pair[0] not in doors:
        return
    left, right = (doors[role] for role in pair)
    x0, x1 = (Length(t).mm for t in left.box.span(0))
    drawing.add(_dimension(made, left.width, True, x0, x1, 0, -0.8, field=False))
    z0, z1 = (Length(t).mm for t in left.box.span(2))
    beyond = assembly.outside[0].length.mm + assembly.proud[1].mm
    drawing.add(_dimension(made, left.length, False, z0, z1, beyond, 1.05, field=False))
    gap = numbers.get(f"{letter}/fronts.fit.gap")
    if gap is None:
        return
    x2, x3 = Length(left.box.high[0]).mm, Length(right.box.low[0]).mm
    narrow = assembly.outside[1].length.mm > 4 * left.width.length.mm
    drawing.add(_dimension(made, gap, True, x2, x3, 0, -1.75 if narrow else -0.8))


def _inside_dimensions(made: Made, drawing: Drawing, assembly: Assembly) -> None:
    """The clear width of each bay below the case, its clear height beside it, where they are whole columns or rows."""
    letter, numbers = assembly.letter, made.numbers
    inside = numbers.get(f"{letter}/inside.width")
    if inside is None or not assembly.parts:
        return
    t = assembly.part(LEFT).thickness.length.mm
    beyond = assembly.outside[0].length.mm + assembly.proud[1].mm
    widths = [(f"{letter}/inside.widths.{i}", bays) for i, bays in _split(assembly, 0)]
    heights = [(f"{letter}/inside.heights.{i}", bays) for i, bays in _split(assembly, 2)]
    tall = assembly.outside[1].length > assembly.outside[0].length
    for i, (key, box) in enumerate(widths):
        if key in numbers:
            # On a tall case the numbers are wider than the bays: every other one stands lower.
            level = -1.75 if tall and i % 2 else -0.8
            drawing.add(_dimension(made, numbers[key], True, _mm(box.low[0]), _mm(box.high[0]), 0, level))
    if not any(key in numbers for key, _ in widths):
        drawing.add(_dimension(made, inside, True, t, t + inside.length.mm, 0, -0.8, field=False))
    for key, box in heights:
        if key in numbers:
            drawing.add(_dimension(made, numbers[key], False, _mm(box.low[2]), _mm(box.high[2]), beyond, 1.05))


def _split(assembly: Assembly, axis: int) -> list[tuple[int, Box]]:
    """Return the spaces of the first division of the inside, each as the box around its bays."""
    found: dict[int, Box] = {}
    for bay in assembly.bays:
        steps = bay.path.split(".")
        if len(steps) < 3 or steps[1] != "bays":
            continue
        at = int(steps[2])
        old = found.get(at, bay.box)
        low = [min(a, b) for a, b in zip(old.low, bay.box.low, strict=True)]
        high = [max(a, b) for a, b in zip(old.high, bay.box.high, strict=True)]
        found[at] = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
    boxes = sorted(found.items())
    moving = len({box.low[axis] for _, box in boxes}) > 1
    return boxes if moving else []


def carried_kick(made: Made, letter: str) -> list[Area]:
    """Return a neighbour's kick board where it goes on before a case, as it is seen from the front."""
    case = made.project.case(letter)
    if not isinstance(case.kick, (NotchedKick, Feet)) or not case.kick.carried:
        return []
    wide = made.assembly(letter).outside[0].length.mm
    return [Area(0, 0, wide, case.kick.height.mm, "shade", "quiet", 0.8, "", "", True)]


def stands(assembly: Assembly, axis: int) -> list[Area | Path | Circle]:
    """Return feet or casters, which are bought and no parts, as they are seen along an axis."""
    bought = {item.kind for item in assembly.bought}
    high = assembly.rests_on.mm
    if not high:
        return []
    low, end = (_mm(t) for t in assembly.part("bottom").box.span(axis))
    if not bought & {"foot", "caster"}:
        if any(part.role.kind in {*BASES, PartKind.LEG} for part in assembly.parts):
            return []
        # It stands on its neighbour's base frame.
        return [Area(low, 0, end - low, high, "shade", "quiet", 0.8, "", "", True)]
    found: list[Area | Path | Circle] = []
    for x in (low + 60, end - 60):
        if "foot" in bought:
            found += [
                Area(x - 9, 8, 18, high - 8, "card", "quiet", 0.9),
                Area(x - 26, 0, 52, 8, "card", "quiet", 0.9),
            ]
        else:
            radius = high * 0.36
            found += [
                Area(x - radius, high - 6, 2 * radius, 6, "card", "quiet", 0.9),
                Circle(x, radius, radius, "card", "quiet"),
            ]
    return found


def section(made: Made, letter: str, plane: int | None = None, pulled: frozenset[str] = frozenset()) -> Drawing:
    """Return the case cut through from front to back, seen from the left.

    Args:
        made: what was made.
        letter: of the case.
        plane: where it is cut, from its left side, in ticks; in the middle of its first bay if not given.
        pulled: roles of the parts of a drawer that is pulled out.
    """
    if not made.assembly(letter).parts:
        return outside_alone(made, letter, "section", (2, 1))
    assembly = made.assembly(letter)
    codes = codes_by_role(made.parts, letter)
    numbers = made.numbers
    drawing = Drawing(f"Case {letter}, section")
    at = _section_at(assembly) if plane is None else plane
    behind = _behind(assembly, at)
    for side in behind:
        found = cut_rects(side, "side", side.box.low[0])
        if found is not None:
            drawing.add(*outline(*found, "wood", "", "quiet", 0.8))
            x0, x1, y0, y1 = (_mm(t) for t in found[0])
            drawing.add(Area(x0, y0, x1 - x0, y1 - y0, "", "", 0, "", f"part:{codes[side.role]}"))
        for holes in side.holes:
            if holes.face.value == (0, -1):
                for _, y, z in holes.centres:
                    drawing.add(Circle(_mm(y), _mm(z), holes.diameter.mm / 2, "card", "quiet", 0.9))
    for part in assembly.parts:
        if part not in behind:
            if part.role in pulled:
                part = shifted(part, -assembly.outside[2].length.ticks * 3 // 5)
            drawing.add(*_cut(part, "side", at, f"part:{codes[part.role]}"))
    _, height, depth = assembly.outside
    h, d = height.length.mm, depth.length.mm
    drawing.add(*racks_on(assembly, (1, 2), at=at), *cord_spaces(made, letter, (1, 2), at), *stands(assembly, 1))
    front = min(_mm(part.box.low[1]) for part in assembly.parts)
    drawing.add(Path(((front - 20, 0), (d + 30, 0)), "quiet", 1.2), _dimension(made, depth, True, 0, d, h, 1.9))
    carcass = _mm(assembly.part(LEFT).box.low[1])
    if assembly.slant is not None:
        # Depth is clear from the inner face of the side round the corner; what lies across is told in the plan.
        carcass = assembly.part(RIGHT).thickness.length.mm
    clear = numbers[f"{letter}/inside.depth"]
    drawing.add(_dimension(made, clear, True, carcass, carcass + clear.length.mm, h * 0.42, 0, field=False))
    _section_dimensions(made, drawing, assembly, carcass)
    return drawing


def shifted(part: Placed, by: int) -> Placed:
    """Return a part moved front to back, with what is cut out of it."""
    cuts = tuple(
        replace(cut, box=Box((cut.box.low[0], cut.box.low[1] + by, cut.box.low[2]),
                             (cut.box.high[0], cut.box.high[1] + by, cut.box.high[2])))
        for cut in part.cuts
    )  # fmt: skip
    x, y, z = part.corner
    return replace(part, corner=(x, y + Length(by), z), cuts=cuts)


def _section_at(assembly: Assembly) -> int:
    if not assembly.bays:
        return assembly.outside[0].length.ticks // 3
    box = assembly.bays[0].box
    return box.low[0] + (box.high[0] - box.low[0]) * 2 // 5


def _behind(assembly: Assembly, at: int) -> list[Placed]:
    """Return the uprights that are seen beyond the cut: the nearest at the right."""
    uprights = [
        part for part in assembly.parts if part.axes[2] == 0 and part.role.kind in (PartKind.SIDE, PartKind.PARTITION)
    ]
    beyond = sorted((part for part in uprights if part.box.low[0] > at), key=lambda part: -part.box.low[0])
    return beyond


def _cut(part: Placed, way: str, at: int, hot: str) -> list[Area | Path | Circle]:
    """Return a part where a plane cuts it; a sloping shelf as the slanting plank it is."""
    if part.tilt is None or way != "side":
        return cut_part(part, way, at, hot)  # type: ignore[return-value]
    if not part.box.low[0] <= at < part.box.high[0]:
        return []
    corners = tilted(part)
    ring = (*corners, corners[0])
    box = part.box
    x, y = _mm(box.low[1]), _mm(box.low[2])
    return [
        Path(ring, "ink", 1.1),
        Area(x, y, _mm(box.high[1]) - x, _mm(box.high[2]) - y, "", "", 0.0, "", hot),
    ]


def tilted(part: Placed) -> list[tuple[float, float]]:
    """Return the corners of a sloping shelf from the side, in mm: y and z, from its lower front edge around."""
    assert part.tilt is not None
    rise, run = part.tilt.rise.mm, part.tilt.run.mm
    slant = (rise**2 + run**2) ** 0.5
    c, s = run / slant, rise / slant
    wide, t = part.width.length.mm, part.thickness.length.mm
    y, z = _mm(part.box.low[1]) + t * s, _mm(part.box.low[2])
    return [(y, z), (y + wide * c, z + wide * s), (y + wide * c - t * s, z + wide * s + t * c), (y - t * s, z + t * c)]


def _section_dimensions(made: Made, drawing: Drawing, assembly: Assembly, carcass: float) -> None:
    letter, numbers = assembly.letter, made.numbers
    h, d = assembly.outside[1].length.mm, assembly.outside[2].length.mm
    roles = {part.role: part for part in assembly.parts}
    deep = numbers.get(f"{letter}/kick.depth") or numbers.get(f"{letter}/kick.setback")
    if deep is not None and assembly.slant is None:
        drawing.add(_dimension(made, deep, True, carcass, carcass + deep.length.mm, 0, -0.8))
    rail = numbers.get(f"{letter}/back.rail")
    if rail is not None and UPPER in roles:
        z0, z1 = (_mm(t) for t in roles[UPPER].box.span(2))
        drawing.add(_dimension(made, rail, False, z0, z1, d, 0.7))
    stretcher = numbers.get(f"{letter}/top.width")
    front = Role(PartKind.STRETCHER, Side.FRONT)
    if stretcher is not None and front in roles:
        part = roles[front]
        if part.axes[2] == 2:
            y0, y1 = (_mm(t) for t in part.box.span(1))
            drawing.add(_dimension(made, stretcher, True, y0, y1, h, 0.9))
    for side, key in ((Side.TOP, "frame.top_rail"), (Side.BOTTOM, "frame.bottom_rail")):
        role = Role(PartKind.FRAME_RAIL, side)
        width = numbers.get(f"{letter}/{key}")
        if role in roles and width is not None:
            z0, z1 = (_mm(t) for t in roles[role].box.span(2))
            drawing.add(_dimension(made, width, False, z0, z1, min(0.0, _mm(roles[role].box.low[1])), -0.7))


def _plan_across(made: Made, drawing: Drawing, assembly: Assembly) -> Drawing:
    """Dimension a corner case from above: along both walls, both sides, and the face across."""
    slant, letter = assembly.slant, assembly.letter
    assert slant is not None
    width, _, depth = assembly.outside
    w, d, a, b = width.length.mm, depth.length.mm, _mm(slant.a), _mm(slant.b)
    left, right, across = (made.numbers[f"{letter}/plan.{name}"] for name in ("left", "right", "across"))
    middle = made.units.write(across.length)
    drawing.add(
        _dimension(made, width, True, 0, w, d, 1.1),
        _dimension(made, depth, False, 0, d, w, 1.1),
        _dimension(made, left, False, a, d, 0, -1.2),
        _dimension(made, right, True, b, w, 0, -1.2),
        Label(b * 0.5, a * 0.5, middle, 12, "middle", "dimension", hot=f"key:{across.key}", shift=(-30, -16)),
    )
    return drawing


def plan(made: Made, letter: str) -> Drawing:
    """Return the case cut through level, seen from above; the front is at the lower edge."""
    if not made.assembly(letter).parts:
        return outside_alone(made, letter, "plan", (0, 2))
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
    if assembly.slant is not None:
        return _plan_across(made, drawing, assembly)
    t = assembly.part(LEFT).thickness.length.mm
    drawing.add(
        _dimension(made, width, True, 0, w, d, 1.1),
        _dimension(made, depth, False, 0, d, 0, -1.2),
        _dimension(made, inside, True, t, t + inside.length.mm, d * 0.4, 0, field=False),
    )
    return drawing
