# SPDX-License-Identifier: GPL-3.0-or-later
"""The room from above: its walls as they turn, what stands at each, and how far it comes into the room."""

from __future__ import annotations

from collections.abc import Sequence
from math import atan2, cos, pi, sin

from ..lengths import Length
from ..room.island import Island
from ..room.room import Corner
from ..room.wall import End, Measured
from ..run.place import Place
from ..run.space import SpaceKind
from ..shop.made import Made
from .palette import tint
from .shapes import Dimension, Drawing, Label, Path, Point, Shape

_THICK = 110.0


class _Frame:
    """A wall's own coordinates: along it to the right, and into the room."""

    def __init__(self, start: Point, angle: float) -> None:
        self.start, self.angle = start, angle

    def at(self, along: float, into: float) -> Point:
        """Return a point of the plan."""
        x, y = self.start
        c, s = cos(self.angle), sin(self.angle)
        # Along the wall to the right; into the room is to the right of that, seen from above with y up.
        return x + along * c + into * s, y + along * s - into * c


def plan_view(made: Made, number: int) -> Drawing:
    """Return the plan of the room, the wall at hand in red."""
    drawing = Drawing("the room from above")
    frames = _frames(made)
    for room in made.rooms:
        frame, width = frames[room.number], _width(made, room)
        lit = room.number == number
        if room.wall.island is None:
            end = frame.at(width, 0)
            back = [frame.at(0, -_THICK), frame.at(width, -_THICK)]
            drawing.add(Shape((frame.at(0, 0), end, back[1], back[0]), "", "", hatch=True))
            text = f"{room.wall.name}  {made.units.write(room.governing.length)}" if room.governing else room.wall.name
            _wall_name(drawing, frame, width, text)
        else:
            drawing.add(Path((frame.at(0, 0), frame.at(width, 0)), "select" if lit else "quiet", 1.6, True))
            drawing.add(Label(*frame.at(width / 2, -90), room.wall.name, 11, "middle", "dimension", True))
        for upper in (False, True):
            for place in made.line(room.number, upper).places:
                _place(made, drawing, frame, place, None if upper else made.line(room.number, True).places)
        for obstacle in room.wall.obstacles:
            a, b, out = obstacle.x.mm, (obstacle.x + obstacle.width).mm, max(30.0, obstacle.out.mm)
            ring = (frame.at(a, 0), frame.at(b, 0), frame.at(b, out), frame.at(a, out))
            drawing.add(Shape(ring, "card", "dimension", 1.0))
        if room.wall.island is None:
            drawing.add(Path((frame.at(0, 0), frame.at(width, 0)), "select" if lit else "ink", 2.4))
        elif lit:
            _stands(made, drawing, room, room.wall.island)
    return drawing


def _wall_name(drawing: Drawing, frame: _Frame, width: float, text: str) -> None:
    """Write a wall's name outside it: above one that lies level, beside one that runs up or down."""
    middle, out = frame.at(width / 2, -_THICK), frame.at(width / 2, -_THICK - 1)
    across = out[0] - middle[0]
    place, anchor, shift = ("middle", 0, 14) if abs(across) < 0.7 else ("start", 8, 0) if across > 0 else ("end", -8, 0)
    if not anchor and out[1] < middle[1]:
        shift = -14
    drawing.add(Label(*middle, text, 11, place, "dimension", True, shift=(anchor, shift)))
    # Words do not count for the size of a drawing: a line without colour keeps room for them.
    room = frame.at(width / 2, -_THICK - (700 if anchor else 150))
    drawing.add(Shape((middle, room, middle), "", ""))


def _width(made: Made, room: Measured) -> float:
    if room.governing is not None:
        return room.governing.length.mm
    return max((place.end.mm for place in made.line(room.number).places), default=2000.0)


def _frames(made: Made) -> dict[int, _Frame]:
    """Return where each wall lies, as one turns round the corners, and where islands stand before the first."""
    point, angle = (0.0, 0.0), 0.0
    corners = {corner.wall: corner for corner in made.project.room.corners}
    frames: dict[int, _Frame] = {}
    for room in made.rooms:
        if room.wall.island is not None:
            continue
        if frames and room.wall.left is not End.CORNER:
            # No corner with the wall before: it is drawn beside it, a little apart.
            point = (point[0] + 900.0, point[1])
        frames[room.number] = frame = _Frame(point, angle)
        point, angle = frame.at(_width(made, room), 0), angle - _turn(corners.get(room.number))
    first = frames[min(frames)] if frames else _Frame((0.0, 0.0), 0.0)
    for room in made.rooms:
        island = room.wall.island
        if island is None:
            continue
        along, away = island.along.mm, island.away.mm
        if island.faces_wall:
            deep = max((place.depth.mm for place in made.line(room.number).places), default=600.0)
            start = first.at(along + _width(made, room), away + deep)
            frames[room.number] = _Frame(start, first.angle + pi)
        else:
            frames[room.number] = _Frame(first.at(along, away), first.angle)
    return frames


def _stands(made: Made, drawing: Drawing, room: Measured, island: Island) -> None:
    """Tell where an island stands: as far along the first wall, and as far from it."""
    along, away, write = island.along.mm, island.away.mm, made.units.write
    key = f"{room.prefix}island"
    drawing.add(
        Dimension(True, 0, along, -away, 0, write(island.along), f"{key}.along", True),
        Dimension(False, -away, 0, along, 0, write(island.away), f"{key}.away", True),
    )


def _turn(corner: Corner | None) -> float:
    """Return the angle between two walls: a right one, or as measured by three lengths (law of cosines)."""
    if corner is None:
        return pi / 2
    a, b, c = corner.along.mm, corner.other.mm, corner.across.mm
    cosine = max(-1.0, min(1.0, (a * a + b * b - c * c) / (2 * a * b)))
    inside = atan2((1 - cosine * cosine) ** 0.5, cosine)
    return pi - inside


def _place(made: Made, drawing: Drawing, frame: _Frame, place: Place, above: Sequence[Place] | None) -> None:
    """Draw a member of a run: with what hangs above it, or as what hangs if that is ``None``."""
    a, b, deep, back = place.x.mm, place.end.mm, place.depth.mm, 0.0
    if b <= a:
        return
    if place.space and made.project.spaces[place.space - 1].kind is SpaceKind.FILLER:
        line = next(line for line in made.lines if place in line.places)
        deep = line.front(place).mm
        back = max(0.0, deep - place.depth.mm)
    ring: tuple[Point, ...] = (frame.at(a, back), frame.at(b, back), frame.at(b, deep), frame.at(a, deep))
    # Under what hangs a letter goes to the front, where no broken line crosses it.
    over = (p.depth.mm for p in above or () if p.x < place.end and place.x < p.end and p.depth < place.depth)
    middle = frame.at((a + b) / 2, (deep + max(over, default=0.0)) / 2)
    across = made.assembly(place.letter).ring if place.letter else ()
    if across:
        # Its front left corner is where no wood is: the form is told from there.
        points = [(Length(x).mm, Length(y).mm) for x, y in across]
        ring = tuple(frame.at(a + x, deep - y) for x, y in points)
        middle = frame.at(a + (b - a) * 0.58, deep * 0.42)
    if above is None:
        drawing.add(Path((*ring, ring[0]), "ink", 0.8, True))
        if place.letter:
            drawing.add(Label(*middle, place.letter, 9, "middle", "ink", False, f"case:{place.letter}", ground="paper"))
        return
    if place.letter:
        hot = f"case:{place.letter}"
        drawing.add(Shape(ring, tint(place.letter), "ink", 1.1, False, hot))
        drawing.add(Label(*middle, place.letter, 13, "middle", "ink", True, hot))
    else:
        drawing.add(Shape(ring, "", "quiet", 0.9, True, f"key:space/{place.space}.width"))
        if b - a > 250:
            name = made.project.spaces[place.space - 1].name
            drawing.add(Label(*middle, name, 9, "middle", "quiet", ground="paper"))
