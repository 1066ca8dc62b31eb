# SPDX-License-Identifier: GPL-3.0-or-later
"""The alcove from the front, true to its readings; lean and bow are drawn larger than they are."""

from __future__ import annotations

from ..lengths import inches
from ..shop.made import Made
from .shapes import Area, Dimension, Drawing, Label, Path, Point, Shape

#: How much larger the differences between readings are drawn.
BOW = 12
_WALL = 150.0
_HEIGHT_IF_UNKNOWN = inches(90)


def alcove_view(made: Made) -> Drawing:
    """Return the alcove with every reading, what governs, and the cases that stand in it."""
    room = made.room
    drawing = Drawing(made.project.alcove.name)
    height = (room.ceiling.length if room.ceiling else _HEIGHT_IF_UNKNOWN).mm
    widths = [width.length.mm for width in room.widths]
    smallest = min(widths, default=800.0)
    heights = reading_heights(len(widths), height)
    left = [(-(w - smallest) / 2 * BOW, h) for w, h in zip(widths, heights, strict=True)]
    right = [(smallest + (w - smallest) / 2 * BOW, h) for w, h in zip(widths, heights, strict=True)]
    _walls(drawing, left, right, smallest, height)
    _cases(made, drawing, smallest)
    for i, (width, (x0, h), (x1, _)) in enumerate(zip(room.widths, left, right, strict=True)):
        governs = room.governing is not None and width.length == room.governing.length
        text = made.units.write(width.length)
        drawing.add(Dimension(True, x0, x1, h, 0, text, room.width_key(i), True))
        place = made.project.alcove.widths[i].place
        drawing.add(
            Label(-_WALL, h, place, 11, "end", "quiet", hot=f"key:{room.width_key(i)}", shift=(-8, 0)),
        )
        if governs:
            drawing.add(Label(smallest + _WALL, h, "● governs", 11, "start", "settled", True, shift=(8, 0)))
    if room.ceiling is not None:
        text = made.units.write(room.ceiling.length)
        drawing.add(Dimension(False, 0, height, smallest + _WALL, 4.2, text, room.ceiling.key, True))
    if room.mouth is not None:
        mouth = room.mouth.length.mm
        start = (smallest - mouth) / 2
        drawing.add(
            Dimension(True, start, start + mouth, -60, -1.0, made.units.write(room.mouth.length), room.mouth.key, True),
            Label(start, -60, "mouth", 11, "end", "quiet", hot=f"key:{room.mouth.key}", shift=(-12, -24)),
        )
    if len(set(widths)) > 1:
        drawing.add(Label(-_WALL, height, f"bows drawn ×{BOW}", 9, "end", "quiet", shift=(-8, 0)))
    return drawing


def reading_heights(count: int, height: float) -> list[float]:
    """Return heights to draw ``count`` readings at, floor to top, evenly."""
    if count == 1:
        return [height * 0.45]
    return [height * (0.07 + 0.86 * i / (count - 1)) for i in range(count)]


def _walls(drawing: Drawing, left: list[Point], right: list[Point], width: float, height: float) -> None:
    x_left, x_right = left or [(0.0, 0.0)], right or [(width, 0.0)]
    inner_left = [(x_left[0][0], 0.0), *left, (x_left[-1][0], height)]
    inner_right = [(x_right[0][0], 0.0), *right, (x_right[-1][0], height)]
    drawing.add(
        Shape((*inner_left, *reversed(inner_right)), "card", ""),
        Shape(((-_WALL, -60.0), (-_WALL, height + 60), (inner_left[-1][0], height + 60), *reversed(inner_left),
               (inner_left[0][0], -60.0)), "", "", hatch=True),
        Shape(((width + _WALL, -60.0), (width + _WALL, height + 60), (inner_right[-1][0], height + 60),
               *reversed(inner_right), (inner_right[0][0], -60.0)), "", "", hatch=True),
        Shape(((inner_left[-1][0], height), (inner_left[-1][0], height + 60), (inner_right[-1][0], height + 60),
               (inner_right[-1][0], height)), "", "", hatch=True),
        Shape(((inner_left[0][0], -60.0), (inner_left[0][0], 0.0), (inner_right[0][0], 0.0),
               (inner_right[0][0], -60.0)), "", "", hatch=True),
        Path((*inner_left, *reversed(inner_right), inner_left[0]), "ink", 1.6),
    )  # fmt: skip


def _cases(made: Made, drawing: Drawing, width: float) -> None:
    standing = [case for case in made.project.cases if case.in_alcove]
    total = sum(made.assembly(case.letter).outside[0].length.mm for case in standing)
    x = (width - total) / 2
    for case in standing:
        size = made.assembly(case.letter).outside
        w, h = size[0].length.mm, size[1].length.mm
        drawing.add(
            Area(x, 0, w, h, "wood", "snag", 1.4, "", f"case:{case.letter}", dashed=True),
            Label(x + w / 2, h / 2, f"case {case.letter} stands here", 11, "middle", "ink", within=w),
        )
        x += w
