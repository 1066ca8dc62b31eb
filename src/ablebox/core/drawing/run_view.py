# SPDX-License-Identifier: GPL-3.0-or-later
"""The runs of a wall from the front: what stands on the floor, what hangs above it, and what is left over."""

from __future__ import annotations

from ..lengths import ZERO, Length
from ..room.wall import End, Measured
from ..run.place import Line, Place
from ..run.space import SpaceKind
from ..shop.made import Made
from .palette import tint
from .shapes import Area, Dimension, Drawing, Label, Path, Shape

_SIDE = 110.0
#: Share of the run below which a member is too narrow for its number.
_NARROW = 0.06
#: A run is drawn at least so wide; so wide are a figure, one of a fraction, and what is around a number, in points.
_SMALL, _FIGURE, _FRACTION, _AROUND = 180.0, 6.6, 4.0, 16.0
#: Rows of numbers there are at most.
_ROWS = 3


def run_view(made: Made, number: int, chosen: str) -> Drawing:
    """Return the runs of a wall with their widths.

    Args:
        made: what was made.
        number: of the wall, from 1.
        chosen: letter of the case, or number of the space, that is selected.
    """
    room = made.rooms[number - 1]
    drawing = Drawing(f"the run of {room.wall.name}")
    floor, upper = made.line(number), made.line(number, True)
    width = room.governing.length.mm if room.governing else max((p.end.mm for p in floor.places), default=1000.0)
    width = max([width, *(place.end.mm for line in (floor, upper) for place in line.places)])
    ceiling = room.ceiling.length.mm if room.ceiling else 2300.0
    height = max([ceiling, *(place.high.mm for line in (floor, upper) for place in line.places)])
    _room(drawing, room, width, height, ceiling)
    for line in (floor, upper):
        for place in line.places:
            _member(made, drawing, place, chosen in (place.letter, str(place.space)) and bool(chosen))
        _widths(made, drawing, line, height)
    return drawing


def _room(drawing: Drawing, room: Measured, width: float, height: float, ceiling: float) -> None:
    """Draw floor, ceiling, the walls at both ends, and what is on this one."""
    wall = room.wall
    for side, end in ((0.0, wall.left), (width, wall.right)):
        if end is not End.OPEN:
            x = side if side else -_SIDE
            drawing.add(Shape(((x, 0), (x + _SIDE, 0), (x + _SIDE, ceiling), (x, ceiling)), "", "", hatch=True))
            drawing.add(Path(((side, 0.0), (side, ceiling)), "ink", 1.4))
    drawing.add(Path(((-_SIDE, 0.0), (width + _SIDE, 0.0)), "ink", 1.6))
    if wall.ceilings:
        rows = sorted(wall.ceilings, key=lambda level: level.at)
        points = [(0.0, rows[0].high.mm), *((r.at.mm, r.high.mm) for r in rows), (width, rows[-1].high.mm)]
        drawing.add(
            Shape((*points, (width, height), (0.0, height)), "", "", hatch=True), Path(tuple(points), "ink", 1.2)
        )
    elif room.ceiling is not None:
        drawing.add(Path(((-_SIDE, ceiling), (width + _SIDE, ceiling)), "ink", 1.2))
    for stud in wall.studs:
        drawing.add(Path(((stud.at.mm, 0.0), (stud.at.mm, ceiling)), "line", 1.4, True))
    for obstacle in wall.obstacles:
        x, z = obstacle.x.mm, obstacle.low.mm
        drawing.add(
            Area(x, z, obstacle.width.mm, obstacle.height.mm, "card", "dimension", 1.0, "", f"key:{room.prefix}width.1")
        )


def _member(made: Made, drawing: Drawing, place: Place, lit: bool) -> None:
    x, low, w, h = place.x.mm, place.low.mm, place.width.length.mm, (place.high - place.low).mm
    if w <= 0:
        return
    if place.letter:
        hot = f"case:{place.letter}"
        for at, panel in ((x, place.panels[0]), (place.end.mm - place.panels[1].mm, place.panels[1])):
            if panel:
                drawing.add(Area(at, low, panel.mm, h, "wood", "ink", 1.0, "grain-y", hot))
        x, w = place.case_x.mm, place.case_width.mm
        drawing.add(Area(x, low, w, h, tint(place.letter), "ink", 1.2, "", hot))
        if not made.project.case(place.letter).turned:
            for part in made.assembly(place.letter).parts:
                if part.stands == "front":
                    a, b, c, d = (Length(t).mm for t in (*part.box.span(0), *part.box.span(2)))
                    drawing.add(Area(x + a, low + c, b - a, d - c, "", "ink", 0.8))
        drawing.add(
            Label(x + w / 2, low + h / 2, place.letter, 15, "middle", "ink", True, hot, ground=tint(place.letter))
        )
    else:
        space = made.project.spaces[place.space - 1]
        hot = f"key:space/{place.space}.width"
        pattern = "grain-y" if space.kind is SpaceKind.FILLER else "dots"
        fill = "wood" if space.kind is SpaceKind.FILLER else ""
        drawing.add(Area(x, low, w, h, fill, "quiet", 1.0, pattern, hot, dashed=space.kind is not SpaceKind.FILLER))
        if space.ridge > ZERO and space.ridge.mm < h:
            drawing.add(Path(((x, low + space.ridge.mm), (x + w, low + space.ridge.mm)), "quiet", 1.6))
        upright = w < 220
        if w < 60:
            return _outline(drawing, x, low, w, h, lit)
        drawing.add(
            Label(
                x + w / 2,
                low + h / 2,
                space.name,
                10,
                "middle",
                "ink",
                hot=hot,
                upright=upright,
                within=0 if upright else w,
                ground="paper" if space.kind is not SpaceKind.FILLER and not upright else "",
            )
        )
    _outline(drawing, x, low, w, h, lit)


def _outline(drawing: Drawing, x: float, low: float, w: float, h: float, lit: bool) -> None:
    if lit:
        drawing.add(Area(x, low, w, h, "", "select", 2.6))


def _points(text: str) -> float:
    """Return how wide a number is with what is around it, in points; fractions are set small."""
    return _AROUND + sum(len(word) * (_FRACTION if "/" in word else _FIGURE) for word in text.split())


def _row(ends: list[float], middle: float, text: str, whole: float) -> int:
    """Return the first row in which a number stands clear of those before it, even in a small window.

    Args:
        ends: where the last number of each row ends, in mm; a row is added where none is free.
        middle: where the number stands.
        text: the number.
        whole: width of the run in mm, drawn over ``_SMALL`` points at least.
    """
    half = _points(text) / 2 * whole / _SMALL
    for row, end in enumerate(ends):
        if middle - half >= end:
            ends[row] = middle + half
            return row + 1
    if len(ends) < _ROWS:
        ends.append(middle + half)
        return len(ends)
    row = min(range(len(ends)), key=lambda i: ends[i])
    ends[row] = middle + half
    return row + 1


def _widths(made: Made, drawing: Drawing, line: Line, height: float) -> None:
    """Draw the width of each member, the sum, what there is for it, and what is left over."""
    write = made.units.write
    sign, base = (1.0, height) if line.upper else (-1.0, 0.0)
    whole = sum(place.width.length.mm for place in line.places)
    ends: list[float] = []
    for place in line.places:
        # What is typed over is the thing itself, the air or the panels beside it left out.
        if place.letter:
            width, first = place.case_width, place.case_x
            turned = made.project.case(place.letter).turned % 2
            key = f"{place.letter}/{'depth' if turned else 'width'}"
        else:
            air = made.project.spaces[place.space - 1].air
            width, first, key = place.width.length - air * 2, place.x + air, f"space/{place.space}.width"
        if width > ZERO:
            # What is too narrow for its number beside its neighbours' carries it over its own head.
            narrow = width.mm < _NARROW * whole
            start, end, text = first.mm, (first + width).mm, write(width)
            row = 0.9 if narrow else sign * _row(ends, (start + end) / 2, text, whole)
            at = place.high.mm if narrow else base
            drawing.add(Dimension(True, start, end, at, row, text, key, True, stays=not narrow))
    rows = max(1, len(ends))
    if line.total is None or not line.places:
        return
    start, end = line.places[0].x.mm, line.places[-1].end.mm
    words, colour = write(line.total.length), "dimension"
    over = line.left_over
    if over is not None and over > ZERO:
        words, colour = f"{words}, {write(over)} left over", "quiet" if line.upper else "snag"
    elif over is not None and over < ZERO:
        words, colour = f"{words}, {write(ZERO - over)} too wide", "select"
    drawing.add(Dimension(True, start, end, base, (1 + rows) * sign, words, line.total.key, colour=colour))
