# SPDX-License-Identifier: GPL-3.0-or-later
"""A wall with its true floor: level line, shims, studs, screws, and in which order everything goes in; and the same from above.

The floor's unevenness is drawn several times as large as it is, and says how many; its numbers stand beside it.
"""

from __future__ import annotations

from collections.abc import Mapping

from ..fit.fit import Fit
from ..fit.links import anchors_of
from ..fit.shims import Shim
from ..fit.struck import Struck, floor_of, out_of
from ..lengths import ZERO, Length
from ..room.backing import Found
from ..room.wall import End
from ..run.place import Place
from ..run.space import SpaceKind
from .palette import tint
from .shapes import Area, Circle, Drawing, Label, Path, Shape

_SIDE, _GROUND, _LEDGE, _DOT, _WEDGE = 110.0, 290.0, 40.0, 12.0, 46.0
#: The ring around the number of a case, and how far above it, in points, the letter of a narrow case stands.
_RING, _OVER_RING = 58.0, 23.0
#: How many times as large the floor is drawn, the largest that keeps its fall under so much of the height.
_TIMES, _SHARE = (1, 2, 5, 10, 20), 0.06


def times(fit: Fit, number: int) -> int:
    """Return how many times as large as it is the floor of a wall is drawn."""
    line, high = fit.line(number), _height(fit, number)
    fall = line.fall.mm if line is not None else 0.0
    return max([k for k in _TIMES if fall * k <= high * _SHARE] or [1])


def fit_view(fit: Fit, number: int, chosen: str = "", done: Mapping[str, bool] | None = None) -> Drawing:
    """Return a wall as it is fitted.

    Args:
        fit: the fitting.
        number: of the wall.
        chosen: letter of the case that is set now; empty for none.
        done: which cases stand already, by letter.
    """
    made, done = fit.made, done or {}
    room = made.rooms[number - 1]
    drawing = Drawing(f"fitting {room.wall.name}", beside=58.0)
    wide, high = _width(fit, number), _height(fit, number)
    for side, end in ((0.0, room.wall.left), (wide, room.wall.right)):
        if end is not End.OPEN:
            x = side if side else -_SIDE
            drawing.add(Shape(((x, 0), (x + _SIDE, 0), (x + _SIDE, high), (x, high)), "", "", hatch=True))
            drawing.add(Path(((side, 0.0), (side, high)), "ink", 1.4))
    _studs(drawing, fit, number, high)
    for obstacle in room.wall.obstacles:
        x, z, w, h = (each.mm for each in (obstacle.x, obstacle.low, obstacle.width, obstacle.height))
        drawing.add(Area(x, z, w, h, "card", "dimension", 1.0))
        drawing.add(Label(x + w / 2, z + h / 2, obstacle.words, 9, colour="dimension", within=w))
    line = fit.line(number)
    if line is not None:
        _floor(drawing, fit, number, line, wide)
    order = {entry.letter: i for i, entry in enumerate(fit.order, start=1)}
    for upper in (False, True):
        for place in made.line(number, upper).places:
            _member(drawing, fit, place, place.letter == chosen and bool(chosen), done.get(place.letter, False), order)
    for anchor in (a for e in fit.order if e.wall == number for a in anchors_of(fit, e.letter)):
        spot = made.place(anchor.letter)
        if spot is not None and anchor.axis == 1:
            x = spot.case_x.mm + Length(anchor.fastener.head[0]).mm
            z = spot.low.mm + Length(anchor.fastener.head[2]).mm
            colour = "select" if anchor.letter == chosen else "ink"
            drawing.add(Circle(x, z, _DOT, colour, colour, 2.4))
    if line is not None:
        _packed(drawing, fit, number, line, chosen)
    return drawing


def _width(fit: Fit, number: int) -> float:
    room = fit.made.rooms[number - 1]
    ends = [p.end.mm for upper in (False, True) for p in fit.made.line(number, upper).places]
    return max([room.governing.length.mm if room.governing is not None else 0.0, *ends, 600.0])


def _height(fit: Fit, number: int) -> float:
    room = fit.made.rooms[number - 1]
    tops = [p.high.mm for upper in (False, True) for p in fit.made.line(number, upper).places]
    return max([room.ceiling.length.mm if room.ceiling is not None else 2300.0, *tops])


def _studs(drawing: Drawing, fit: Fit, number: int, high: float) -> None:
    wall, write = fit.made.rooms[number - 1].wall, fit.made.units.write
    last = -1e9
    for stud in wall.studs:
        x = stud.at.mm
        drawing.add(Path(((x, 0.0), (x, high)), "ply", 1.8 if stud.found is Found.HOLE else 1.0, True))
        if x - last > _width(fit, number) * 0.05:
            drawing.add(Label(x, high, write(stud.at), 11, colour="snag", shift=(0, 9)))
            last = x
    if wall.studs:
        drawing.add(Label(0.0, high, "studs at", 11, "end", "quiet", shift=(-8, 9)))


def _floor(drawing: Drawing, fit: Fit, number: int, line: Struck, wide: float) -> None:
    """Draw the floor under the front of the run as it was read, and the level line."""
    factor, floor = times(fit, number), floor_of(fit.made, number)
    places = [p for p in fit.made.line(number).places if p.letter]
    out = max((out_of(fit.made, place) for place in places), default=ZERO)
    inside = [each.at for each in floor.ground.levels if 0.0 < each.at.mm < wide]
    along = sorted({ZERO, Length(int(wide * 16_000)), *inside})
    top = [(at.mm, (floor.at(at, out) - line.line).mm * factor) for at in along]
    under = min(z for _, z in top) - _GROUND
    drawing.add(Shape((*top, (top[-1][0], under), (top[0][0], under)), "", "", hatch=True))
    drawing.add(Path(tuple(top), "ink", 1.8))
    drawing.add(Path(((-_SIDE, 0.0), (wide + _SIDE, 0.0)), "dimension", 1.8, True))
    if line.read:
        x = line.highest[0].mm
        drawing.add(Shape(((x, -8.0), (x - 34, -76.0), (x + 34, -76.0)), "dimension", ""))


def _member(drawing: Drawing, fit: Fit, place: Place, lit: bool, stands: bool, order: Mapping[str, int]) -> None:
    x, low, w, h = place.x.mm, place.low.mm, place.width.length.mm, (place.high - place.low).mm
    if w <= 0:
        return
    if not place.letter:
        space = fit.made.project.spaces[place.space - 1]
        filler = space.kind is SpaceKind.FILLER
        drawing.add(
            Area(x, low, w, h, "wood" if filler else "", "quiet", 0.9, "grain-y" if filler else "dots", dashed=True)
        )
        drawing.add(
            Label(x + w / 2, low + h / 2, space.name, 10, colour="quiet", within=w, ground="" if filler else "paper")
        )
        return
    hot, case = f"case:{place.letter}", fit.made.project.case(place.letter)
    fill = "settled-wash" if stands else tint(place.letter) if lit else "card"
    line = "settled" if stands else "select" if lit else "ink"
    drawing.add(Area(x, low, w, h, fill, line, 2.6 if lit else 1.2, "", hot, dashed=not stands and not lit))
    if not case.turned:
        for anchor in {a.fastener.head[2] for a in anchors_of(fit, place.letter) if a.axis == 1}:
            rail = Length(anchor).mm
            drawing.add(Area(place.case_x.mm + 12, low + rail - 42, max(1.0, w - 24), 84, "wood-edge", "ply", 0.8))
    if case.is_hung and not stands:
        drawing.add(Area(x, low - _LEDGE, w, _LEDGE, "wood", "ink", 0.9, "plies-x"))
    number = order.get(place.letter)
    where = low + h * 0.45
    colour = line if lit or stands else "ink"
    narrow = w < _RING * 6
    at, ring = (x + w / 2, where - _RING) if narrow else (x + w / 2 + _RING * 1.4, where), min(_RING, w * 0.4)
    drawing.add(
        Label(
            x + w / 2,
            at[1],
            place.letter,
            17,
            "middle" if narrow else "end",
            colour,
            True,
            hot,
            (0, _OVER_RING) if narrow else (-6, 0),
            ground=fill,
        )
    )
    if number is not None:
        drawing.add(Circle(*at, ring, fill, colour, 9.0))
        drawing.add(Label(*at, str(number), 13, "middle", colour, lit, hot))
    if stands:
        drawing.add(
            Label(
                x + w / 2,
                where,
                "stands ✓",
                11,
                "middle",
                "settled",
                hot=hot,
                shift=(0, -40 if narrow else -22),
                within=w,
            )
        )


def _packed(drawing: Drawing, fit: Fit, number: int, line: Struck, chosen: str) -> None:
    """Draw what is packed under the front of each case, with its numbers."""
    factor, write = times(fit, number), fit.made.units.write
    wide, under = _width(fit, number), min(0.0, -(line.fall.mm * factor)) - _GROUND
    last = -1e9
    for shim in sorted(_front(fit, number), key=lambda each: each.along):
        x, low = shim.along.mm, -(line.line - shim.floor).mm * factor
        lit = shim.letter == chosen
        if shim.thickness > ZERO:
            drawing.add(
                Area(x - _WEDGE, low, 2 * _WEDGE, -low, "wood-edge", "select" if lit else "ply", 1.0, "grain-x")
            )
        if x - last > wide * 0.045:
            drawing.add(
                Label(
                    x,
                    under,
                    write(shim.thickness),
                    13,
                    colour="select" if lit else "ink",
                    bold=lit,
                    shift=(0, 11),
                    ground="paper",
                )
            )
            last = x


def _front(fit: Fit, number: int) -> list[Shim]:
    """Return what is packed under the fronts of the cases of a wall: of places one behind the other the front one."""
    letters = {place.letter for place in fit.made.line(number).places}
    rows: dict[tuple[str, Length], Shim] = {}
    for shim in fit.shims:
        if shim.letter in letters:
            known = rows.get((shim.letter, shim.along))
            if known is None or shim.out > known.out:
                rows[shim.letter, shim.along] = shim
    return list(rows.values())


def fit_plan(fit: Fit, number: int, chosen: str = "", done: Mapping[str, bool] | None = None) -> Drawing:
    """Return a wall as it is fitted, from above: what is packed under each corner, front and back.

    Args:
        fit: the fitting.
        number: of the wall.
        chosen: letter of the case that is set now.
        done: which cases stand already.
    """
    made, write, done = fit.made, fit.made.units.write, done or {}
    drawing = Drawing(f"fitting {made.rooms[number - 1].wall.name}, from above")
    wide = _width(fit, number)
    drawing.add(Path(((-_SIDE, 0.0), (wide + _SIDE, 0.0)), "ink", 1.8))
    for stud in made.rooms[number - 1].wall.studs:
        drawing.add(Area(stud.at.mm - stud.wide.mm / 2, 0.0, stud.wide.mm, 90.0, "", "ply", 0.9, "hatch"))
    for place in made.line(number).places:
        if not place.letter:
            continue
        deep, lit = out_of(made, place).mm, place.letter == chosen
        fill = "settled-wash" if done.get(place.letter) else tint(place.letter) if lit else "card"
        drawing.add(
            Area(
                place.x.mm,
                -deep,
                place.width.length.mm,
                deep,
                fill,
                "select" if lit else "ink",
                2.2 if lit else 1.0,
                "",
                f"case:{place.letter}",
            )
        )
        drawing.add(Label(place.x.mm + place.width.length.mm / 2, -deep / 2, place.letter, 14, bold=True, ground=fill))
    for shim in fit.shims:
        if shim.letter in {p.letter for p in made.line(number).places}:
            lit = shim.letter == chosen
            drawing.add(Circle(shim.along.mm, -shim.out.mm, 16.0, "wood-edge", "select" if lit else "ply", 2.0))
            if lit or not chosen:
                drawing.add(
                    Label(
                        shim.along.mm,
                        -shim.out.mm,
                        write(shim.thickness),
                        11,
                        colour="select" if lit else "ink",
                        shift=(0, 11),
                    )
                )
    return drawing
