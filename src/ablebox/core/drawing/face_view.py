# SPDX-License-Identifier: GPL-3.0-or-later
"""The face of a case drawn true: fronts, what shows between them, cups and pulls, each front's size a field."""

from __future__ import annotations

import math
from dataclasses import dataclass
from itertools import pairwise

from ..assembly.part import Assembly, FrontSpace, Placed
from ..assembly.turned import seen_from
from ..assembly.uses import Use
from ..fronts.face import FaceTree, Line, Stack
from ..lengths import TICKS_PER_MM
from ..shop.made import Made
from .case_views import carried_kick, codes_by_role, outside_alone, shifted, stands
from .cut_through import cut_part
from .from_the_front import leaf_of, part_from_the_front, pulls_of, swing_of
from .rack_marks import racks_on
from .shapes import Area, Circle, Dimension, Drawing, Label, Path, Shape

#: How far an open drawer is drawn out, as a share of the case's depth.
_PULLED_OUT = 0.6


def _mm(ticks: int) -> float:
    return ticks / TICKS_PER_MM


def face_view(made: Made, letter: str, lit: str, opened: frozenset[str], side: str = "front") -> Drawing:
    """Return the case's face, or another of its sides with the fronts there.

    Args:
        made: what was made.
        letter: of the case.
        lit: path of the cell that is selected.
        opened: paths of the cells whose front is left away, so that what is behind it shows.
        side: ``front``, ``rear``, ``left`` or ``right``.
    """
    if not made.assembly(letter).parts:
        return outside_alone(made, letter, "face", (0, 1))
    assembly = seen_from(made.assembly(letter), side)
    codes = codes_by_role(made.parts, letter)
    drawing = Drawing(f"Case {letter}, face")
    drawing.add(*stands(assembly, 0))
    gone = {role for space in assembly.fronts if space.path in opened for role in space.roles}
    for part in sorted(assembly.parts, key=lambda part: -part.box.high[1]):
        if part.stands == "front" and part.role in gone:
            continue
        drawing.add(*part_from_the_front(part, f"part:{codes[part.role]}", assembly.outside[0].length.mm))
    if side == "front":
        drawing.add(*carried_kick(made, letter))
    for space in assembly.fronts:
        _cell(drawing, made, assembly, space, space.path == lit, space.path in opened)
    width, height, _ = assembly.outside
    w, h = width.length.mm, height.length.mm
    left, right = (proud.mm for proud in assembly.proud)
    drawing.add(
        Path(((-40 - left, 0), (w + 40 + right, 0)), "quiet", 1.2),
        Dimension(True, 0, w, h, 1.05, made.units.write(width.length), width.key, True),
        Dimension(False, 0, h, -left, -1.1, made.units.write(height.length), height.key, True),
    )
    _sizes(drawing, made, assembly, w + right)
    return drawing


def _cell(drawing: Drawing, made: Made, assembly: Assembly, space: FrontSpace, lit: bool, opened: bool) -> None:
    x0, x1, z0, z1 = (edge.mm for edge in space.front)
    hot = f"cell:{space.path}"
    if not opened:
        _hardware(drawing, assembly, space)
    if not space.roles:
        drawing.add(Label((x0 + x1) / 2, (z0 + z1) / 2, space.words, 10, colour="quiet", within=x1 - x0))
    drawing.add(Area(x0, z0, x1 - x0, z1 - z0, "", "select" if lit else "", 2.4, "", hot))


def _hardware(drawing: Drawing, assembly: Assembly, space: FrontSpace) -> None:
    """Cups where they are bored, the swing of doors, and pulls where hands look for them."""
    for part in assembly.parts_of(space):
        drawing.add(*pulls_of(part))
        for holes in part.holes:
            if holes.use is Use.CUP:
                for x, _, z in holes.centres:
                    drawing.add(Circle(_mm(x), _mm(z), holes.diameter.mm / 2, "", "quiet"))
    drawing.add(*swing_of(space), *racks_on(assembly, (0, 2), space.roles))


def _sizes(drawing: Drawing, made: Made, assembly: Assembly, beyond: float) -> None:
    """Heights at the right, widths below, each front once, as fields where they can be typed over."""
    numbers = made.numbers
    seen: set[tuple[float, float]] = set()
    rows: dict[str, float] = {}
    for space in assembly.fronts:
        x0, x1, z0, z1 = (edge.mm for edge in space.front)
        if (z0, z1) not in seen:
            seen.add((z0, z1))
            key = _size_key(assembly.letter, space.path, "heights")
            number = numbers.get(key) or space.height
            level = rows.setdefault(space.path.rpartition(".cells.")[0], 1.05 + 1.9 * len(rows))
            drawing.add(
                Dimension(False, z0, z1, beyond, level, made.units.write(number.length), number.key, key in numbers)
            )
    spans: list[tuple[float, float]] = []
    for space in assembly.fronts:
        x0, x1 = (edge.mm for edge in space.front[:2])
        if (x0, x1) in spans:
            continue
        overlaps = sum(1 for a, b in spans if a < x1 and x0 < b)
        spans.append((x0, x1))
        key = _size_key(assembly.letter, space.path, "widths")
        number = numbers.get(key) or space.width
        text = made.units.write(number.length)
        drawing.add(Dimension(True, x0, x1, 0, -0.8 - 0.95 * overlaps, text, number.key, key in numbers))


def _size_key(letter: str, path: str, name: str) -> str:
    head, _, last = path.rpartition(".cells.")
    return f"{letter}/{head}.{name}.{last}" if head else ""


def side_section(made: Made, letter: str, space: FrontSpace, pulled: bool) -> Drawing:
    """Return the case cut upright through a front of another side than its front, that side at the left.

    Args:
        made: what was made.
        letter: of the case.
        space: the front.
        pulled: whether it is a drawer that is pulled out.
    """
    assembly = seen_from(made.assembly(letter), space.side)
    codes = codes_by_role(made.parts, letter)
    drawing = Drawing(f"Case {letter}, section")
    at = (space.front[0].ticks * 3 + space.front[1].ticks * 2) // 5
    by = assembly.outside[2].length.ticks * 3 // 5 if pulled and space.opens == "out" else 0
    for part in assembly.parts:
        moved = shifted(part, -by) if by and part.role in space.roles else part
        drawing.add(*cut_part(moved, "side", at, f"part:{codes[part.role]}"))
    _, height, depth = assembly.outside
    h, d = height.length.mm, depth.length.mm
    write = made.units.write
    drawing.add(
        *racks_on(assembly, (1, 2), at=at),
        *stands(assembly, 1),
        Path(((-40, 0), (d + 30, 0)), "quiet", 1.2),
        Dimension(True, 0, d, h, 1.2, write(depth.length), depth.key, True),
        Dimension(False, 0, h, d, 1.2, write(height.length), height.key, True),
    )
    return drawing


def swing_plan(made: Made, letter: str, space: FrontSpace, opened: bool) -> Drawing:
    """Return the case cut level through one front, seen from above, its door swung or drawer pulled out if opened."""
    assembly = seen_from(made.assembly(letter), space.side)
    codes = codes_by_role(made.parts, letter)
    drawing = Drawing(f"Case {letter}, plan")
    at = ((space.front[2] + space.front[3]).ticks) // 2
    by = _PULLED_OUT * assembly.outside[2].length.mm
    for part in assembly.parts:
        own = opened and part.role in space.roles
        if own and space.swings:
            if part.box.low[2] <= at < part.box.high[2]:
                _swung(drawing, part, space)
            continue
        for item in cut_part(part, "plan", at, f"part:{codes[part.role]}"):
            drawing.add(_moved(item, -by if own and space.opens == "out" else 0.0))
    return drawing


def _moved(item, by: float):  # type: ignore[no-untyped-def]
    """Return an item of a cut moved towards the front."""
    if not by:
        return item
    if isinstance(item, Area):
        return Area(
            item.x, item.y + by, item.width, item.height, item.fill, item.line, item.weight, item.pattern, item.hot
        )
    return Path(tuple((x, y + by) for x, y in item.points), item.colour, item.weight, item.dashed)


def _swung(drawing: Drawing, part: Placed, space: FrontSpace) -> None:
    """A door opened by a right angle about its hinged edge, and the way its free edge took."""
    x0, x1 = (_mm(t) for t in part.box.span(0))
    y0, y1 = (_mm(t) for t in part.box.span(1))
    middle = (x0 + x1) / 2
    side = next(s for s in space.hinged if leaf_of(space, s)[0] <= middle <= leaf_of(space, s)[1])
    left, right = leaf_of(space, side)
    hinge, sign = (left, 1.0) if side == "left" else (right, -1.0)
    corners = [(x0, y0), (x1, y0), (x1, y1), (x0, y1)]
    turned = tuple((hinge + sign * (y - y0), y0 - sign * (x - hinge)) for x, y in corners)
    drawing.add(Shape(turned, "wood-edge", "ink", 1.1))
    radius = right - left
    arc = []
    for i in range(13):
        a = math.radians(90 * i / 12)
        arc.append((hinge + sign * radius * math.cos(a), y0 - radius * math.sin(a)))
    drawing.add(Path(tuple(arc), "quiet", 0.8, True))


@dataclass(frozen=True, slots=True)
class Boundary:
    """A line between two neighbours of a division, which can be dragged.

    Args:
        path: of the division.
        number: of the front above or left of it.
        level: whether it runs level, between fronts above each other.
        at: its height, or its distance from the case's left side, in mm.
        start: where it begins along its way.
        end: where it ends.
        size: of the front above or left of it, in mm.
    """

    path: str
    number: int
    level: bool
    at: float
    start: float
    end: float
    size: float


def boundaries(assembly: Assembly, face: FaceTree, place: str = "fronts") -> list[Boundary]:
    """Return every line between two neighbours on a face.

    Args:
        assembly: the case.
        face: how its face is divided.
        place: where its fronts stand in the design.
    """
    found: list[Boundary] = []

    def around(path: str) -> tuple[float, float, float, float]:
        inside = [s.front for s in assembly.fronts if s.path == path or s.path.startswith(path + ".")]
        return (
            min(f[0].mm for f in inside), max(f[1].mm for f in inside),
            min(f[2].mm for f in inside), max(f[3].mm for f in inside),
        )  # fmt: skip

    def walk(tree: FaceTree, path: str) -> None:
        if not isinstance(tree, (Stack, Line)):
            return
        boxes = [around(f"{path}.cells.{i}") for i in range(len(tree.cells))]
        for i, (one, other) in enumerate(pairwise(boxes)):
            if isinstance(tree, Stack):
                found.append(Boundary(path, i, True, (one[2] + other[3]) / 2, one[0], one[1], one[3] - one[2]))
            else:
                found.append(Boundary(path, i, False, (one[1] + other[0]) / 2, one[2], one[3], one[1] - one[0]))
        for i, cell in enumerate(tree.cells):
            walk(cell, f"{path}.cells.{i}")

    walk(face, f"{place}.face")
    return found
