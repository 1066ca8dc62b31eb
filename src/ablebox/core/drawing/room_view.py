# SPDX-License-Identifier: GPL-3.0-or-later
"""A wall from the front, true to its readings, with what is on it and what stands at it.

Lean and bow are drawn larger than they are, and the drawing says so.
"""

from __future__ import annotations

from collections.abc import Sequence

from ..lengths import ZERO, inches
from ..room.obstacle import OBSTACLES
from ..room.reading import Reading
from ..room.wall import End, Level, Measured
from ..run.place import Place
from ..shop.made import Made
from .palette import tint
from .shapes import Area, Dimension, Drawing, Label, Path, Point, Shape

#: How much larger the differences between readings are drawn.
BOW = 12
_WALL = 150.0
_HEIGHT_IF_UNKNOWN = inches(90)
#: What is wider bears its name inside, in mm; half the room a name takes, as a share of a reading (of our own).
_BROAD, _WORD = 300.0, 0.09
#: Readings nearer above each other than this share of the height have their numbers apart.
_CLOSE = 0.25
#: Room for the name of a reading at the left: points for a letter, and so many letters at least and at most.
_LETTER, _FEWEST, _LETTERS = 7.6, 10, 16


def room_view(made: Made, number: int = 1, chosen: str = "") -> Drawing:
    """Return a wall with every reading, what governs, what is on it, and what stands at it.

    Args:
        made: what was made.
        number: of the wall, from 1.
        chosen: key of the obstacle, stud or height that is selected.
    """
    room = made.rooms[number - 1]
    longest = max([_FEWEST, *(len(width.words) for width in room.wall.widths)])
    drawing = Drawing(room.wall.name, beside=12 + min(longest, _LETTERS) * _LETTER)
    height = _height(room)
    widths = [width.length.mm for width in room.widths]
    smallest = min(widths, default=800.0)
    heights = reading_heights(room.wall.widths, height)
    # At an open end there is no wall to lean: all of the difference is at the other.
    share = {End.OPEN: 0.0}.get(room.wall.left, 1.0), {End.OPEN: 0.0}.get(room.wall.right, 1.0)
    whole = sum(share) or 1.0
    left = [(-(w - smallest) * share[0] / whole * BOW, h) for w, h in zip(widths, heights, strict=True)]
    right = [(smallest + (w - smallest) * share[1] / whole * BOW, h) for w, h in zip(widths, heights, strict=True)]
    in_order = [sorted(line, key=lambda point: point[1]) for line in (left, right)]
    _walls(drawing, in_order[0], in_order[1], smallest, height)
    _levels(made, drawing, room, smallest, height)
    _studs(drawing, room, height)
    _standing(made, drawing, number)
    for i, obstacle in enumerate(room.wall.obstacles, start=1):
        key = f"{room.prefix}obstacle.{i}.x"
        lit = chosen.startswith(f"{room.prefix}obstacle.{i}.")
        x, z, w, h = (value.mm for value in (obstacle.x, obstacle.low, obstacle.width, obstacle.height))
        drawing.add(
            Area(
                x,
                z,
                w,
                h,
                "select-wash" if lit else "card",
                "select" if lit else "dimension",
                2.0 if lit else 1.2,
                "",
                f"key:{key}",
            ),
            Label(
                x + w / 2,
                z + h / 2 if w > _BROAD else z,
                OBSTACLES[obstacle.kind].words,
                9,
                "middle",
                "dimension",
                hot=f"key:{key}",
                shift=(0, 0 if w > _BROAD else -9),
            ),
        )
    for i, (width, (x0, h), (x1, _)) in enumerate(zip(room.widths, left, right, strict=True)):
        governs = room.governing is not None and width.length == room.governing.length
        text = made.units.write(width.length)
        beside = [k for k, other in enumerate(heights) if k != i and abs(other - h) < height * _CLOSE]
        # Numbers of readings close above each other stand apart along their lines.
        wanted = 0.5 if not beside else 0.38 if i < min(beside) else 0.62
        where = _off_words(room, (x0, x1), h, height, wanted)
        drawing.add(Dimension(True, x0, x1, h, 0, text, room.width_key(i), True, where=where))
        place = room.wall.widths[i].words
        drawing.add(
            Label(-_WALL, h, place, 11, "end", "quiet", hot=f"key:{room.width_key(i)}", shift=(-8, 0)),
        )
        if governs:
            drawing.add(Label(smallest + _WALL, h, "● governs", 11, "start", "settled", True, shift=(8, 0)))
    if room.ceiling is not None:
        text = made.units.write(room.ceiling.length)
        drawing.add(Dimension(False, 0, height, smallest + _WALL, 4.2, text, room.ceiling.key, True))
    _asked_for(drawing, room, chosen, smallest, height)
    _diagonals(made, drawing, room, smallest, height)
    if room.mouth is not None:
        mouth = room.mouth.length.mm
        start = (smallest - mouth) / 2
        drawing.add(
            Dimension(True, start, start + mouth, -60, -1.0, made.units.write(room.mouth.length), room.mouth.key, True),
            Label(start, -60, "mouth", 11, "end", "quiet", hot=f"key:{room.mouth.key}", shift=(-12, -24)),
        )
    if len(set(widths)) > 1:
        drawing.add(Label(-_WALL, height, f"bows drawn ×{BOW}", 9, "end", "quiet", shift=(-8, 16)))
    return drawing


def _off_words(room: Measured, ends: tuple[float, float], at: float, height: float, wanted: float) -> float:
    """Return where along a reading its number stands, so that it covers no name of what is on the wall."""
    words = [
        (obstacle.x.mm + obstacle.width.mm / 2, obstacle.low.mm + (obstacle.height.mm / 2 if obstacle.width.mm > _BROAD else 0.0))
        for obstacle in room.wall.obstacles
    ]  # fmt: skip

    def free(where: float) -> bool:
        x = ends[0] + (ends[1] - ends[0]) * where
        return not any(abs(x - a) < (ends[1] - ends[0]) * _WORD and abs(at - b) < height * _CLOSE for a, b in words)

    return next((where for where in (wanted, 0.62, 0.38, 0.74, 0.26, 0.86, 0.14) if free(where)), wanted)


#: What stands where a number is to be typed that nobody has measured yet.
TO_BE_READ = "type it"


def _asked_for(drawing: Drawing, room: Measured, chosen: str, width: float, height: float) -> None:
    """Draw the place of a reading that is asked for and not there yet: the first width always is, others when they are selected."""
    following = room.width_key(len(room.widths))
    if not room.widths or chosen == following:
        level = height * (0.45 if not room.widths else 0.97)
        drawing.add(
            Dimension(True, 0, width, level, 0, TO_BE_READ, following, True, where=0.62 if room.widths else 0.5)
        )
    for key, there in (
        ("ceiling", room.ceiling),
        ("mouth", room.mouth),
        ("rising", room.rising),
        ("falling", room.falling),
    ):
        full = f"{room.prefix}{key}"
        if there is not None or chosen != full:
            continue
        if key == "ceiling":
            drawing.add(Dimension(False, 0, height, width + _WALL, 4.2, TO_BE_READ, full, True))
        elif key == "mouth":
            drawing.add(Dimension(True, 0, width, -60, -1.0, TO_BE_READ, full, True))
        else:
            ends = (0.0, height) if key == "rising" else (height, 0.0)
            drawing.add(Path(((0.0, ends[0]), (width, ends[1])), "dimension", 0.8, True))
            drawing.add(Dimension(True, 0, width, height * 0.3, 0, TO_BE_READ, full, True))


def _diagonals(made: Made, drawing: Drawing, room: Measured, width: float, height: float) -> None:
    """Draw the diagonals that were measured, each with its number."""
    for number, start, end in ((room.rising, 0.0, height), (room.falling, height, 0.0)):
        if number is not None:
            at = start + (end - start) * 0.22
            drawing.add(
                Path(((0.0, start), (width, end)), "dimension", 0.8, True),
                Label(width * 0.22, at, made.units.write(number.length), 11, "middle", "dimension", True, f"key:{number.key}",
                      ground="card"),
            )  # fmt: skip


def _height(room: Measured) -> float:
    known = [room.ceiling.length] if room.ceiling else []
    return max([*known, *(level.high for level in room.wall.ceilings)], default=_HEIGHT_IF_UNKNOWN).mm


def _levels(made: Made, drawing: Drawing, room: Measured, width: float, height: float) -> None:
    """Draw where floor and ceiling really run, each height with its number."""
    wall = room.wall
    for name, levels, read, colour in (
        ("floor", wall.floor_levels, wall.floor, "snag"), ("ceilings", wall.ceilings, wall.ceilings, "dimension"),
    ):  # fmt: skip
        # One line for each row: at the wall, and farther out, dashed.
        for row, out in enumerate(sorted({level.out for level in levels})):
            line = sorted((level for level in levels if level.out == out), key=lambda level: level.at)
            points = [_point(line[0], 0.0), *(_point(level, level.at.mm) for level in line), _point(line[-1], width)]
            if name == "ceilings":
                drawing.add(Shape((*points, (width, height), (0.0, height)), "", "", hatch=True))
            drawing.add(Path(tuple(points), colour, 1.6, row > 0))
        first = min((level.out for level in levels), default=ZERO)
        for i, (level, told) in enumerate(zip(levels, read, strict=True), start=1):
            key = f"{room.prefix}{name}.{i}.high"
            text, at_left = made.units.write(told.high), not level.at
            drawing.add(
                Label(
                    level.at.mm,
                    level.high.mm,
                    text,
                    10,
                    "start" if at_left else "end" if level.at.mm >= width else "middle",
                    colour,
                    True,
                    f"key:{key}",
                    shift=(4 if at_left else 0, 11 if level.out == first else -26),
                    ground="paper",
                )
            )


def _point(level: Level, x: float) -> Point:
    return x, level.high.mm


def _studs(drawing: Drawing, room: Measured, height: float) -> None:
    for i, stud in enumerate(room.wall.studs, start=1):
        key = f"key:{room.prefix}stud.{i}"
        drawing.add(
            Path(((stud.at.mm, 0.0), (stud.at.mm, height)), "line", 2.2, True),
            Label(stud.at.mm, 0, str(i), 9, "middle", "quiet", hot=key, shift=(0, -9)),
        )
    if room.wall.studs:
        drawing.add(Label(-_WALL, 0, "studs", 9, "end", "quiet", shift=(-8, -9)))


def _standing(made: Made, drawing: Drawing, number: int) -> None:
    for upper in (False, True):
        for place in made.line(number, upper).places:
            x, w, low, high = place.x.mm, place.width.length.mm, place.low.mm, place.high.mm
            if place.letter:
                _case(made, drawing, place, x, low, w, high - low)
            elif w > 0:
                space = made.project.spaces[place.space - 1]
                hot = f"key:space/{place.space}.width"
                drawing.add(
                    Area(x, low, w, high - low, "", "quiet", 1.0, "dots", hot, dashed=True),
                    Label(
                        x + w / 2,
                        low + (high - low) / 2,
                        space.name,
                        9,
                        "middle",
                        "quiet",
                        hot=hot,
                        within=w,
                        ground="paper",
                    ),
                )


def _case(made: Made, drawing: Drawing, place: Place, x: float, low: float, w: float, h: float) -> None:
    hot = f"case:{place.letter}"
    drawing.add(
        Area(
            x,
            low,
            w,
            h,
            tint(place.letter) if len(made.project.cases) > 1 else "wood",
            "snag",
            1.4,
            "",
            hot,
            dashed=True,
        ),
        Label(
            x + w / 2,
            low + h / 2,
            place.letter if len(made.project.cases) > 1 else f"case {place.letter} stands here",
            11,
            "middle",
            "ink",
            within=w,
        ),
    )


def reading_heights(readings: Sequence[Reading], height: float) -> list[float]:
    """Return the heights readings are drawn at: their own, or evenly from floor to top where nobody noted them.

    Those that would lie on each other are moved apart by as much as their numbers need.
    """
    count = len(readings)
    evenly = [height * 0.45] if count == 1 else [height * (0.07 + 0.86 * i / (count - 1)) for i in range(count)]
    wanted = [
        min(max(reading.up.mm, height * 0.05), height * 0.95) if reading.up is not None else at
        for reading, at in zip(readings, evenly, strict=True)
    ]
    found = list(wanted)
    apart, low = min(height * 0.1, height * 0.9 / max(1, count)), height * 0.03
    for i in sorted(range(count), key=lambda i: wanted[i]):
        found[i] = low = max(wanted[i], low)
        low += apart
    over = max([*found, height * 0.97]) - height * 0.97
    return [at - over if at - over > 0 else at for at in found]


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
