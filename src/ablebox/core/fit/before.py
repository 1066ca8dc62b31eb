# SPDX-License-Identifier: GPL-3.0-or-later
"""What is done in the room before anything is carried in, line by line, each known by what it is about.

Trim is taken off and kept, outlets and pipes are seen to by those who may, old paint and old soffits are looked at first, studs are
proven, floors and doors protected (common practice; what old paint, floors and soffits may hold is for local rules).
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from ..case.extra.apply import Wired
from ..room.backing import Backing, Found
from ..room.obstacle import OBSTACLES, Deal, Obstacle, Trade
from ..run.place import Place
from ..shop.made import Made
from .carried import lift, passes


@dataclass(frozen=True, slots=True)
class Line:
    """A line of the list.

    Args:
        key: what it is ticked by.
        wall: number of the wall; 0 for all.
        words: what is done.
        who: who does it.
        done: whether it is ticked.
    """

    key: str
    wall: int
    words: str
    who: Trade
    done: bool


def before(made: Made) -> list[Line]:
    """Return the lines of the list."""
    done = set(made.project.fit.done)
    return [Line(key, wall, words, who, key in done) for key, wall, words, who in _lines(made)]


def _lines(made: Made) -> Iterator[tuple[str, int, str, Trade]]:
    write = made.units.write
    for room in made.rooms:
        places = [p for upper in (False, True) for p in made.line(room.number, upper).places if p.letter]
        if not places:
            continue
        for number, obstacle in enumerate(room.wall.obstacles, start=1):
            behind = [place.letter for place in places if _behind(place, obstacle)]
            if behind:
                said = _obstacle(made, obstacle, behind)
                if said is not None:
                    yield f"{room.prefix}obstacle.{number}", room.number, *said
        unproven = [i for i, stud in enumerate(room.wall.studs, start=1) if stud.found is Found.FINDER]
        used = {anchor.stud for anchor in made.anchors if anchor.letter in {p.letter for p in places}}
        if unproven and used & set(unproven):
            listed = ", ".join(str(i) for i in unproven if i in used)
            yield (
                f"{room.prefix}studs", room.number,
                f"Prove stud {listed} of {room.wall.name} by a small hole where a case hides it: a finder takes pipes, straps and edges for studs.",
                Trade.OWN,
            )  # fmt: skip
        elif not room.wall.studs and room.wall.island is None and room.wall.backing is Backing.FRAMED:
            yield (
                f"{room.prefix}studs",
                room.number,
                f"Find and mark the studs of {room.wall.name}, and type them in.",
                Trade.OWN,
            )
        if not room.wall.floor:
            yield (
                f"{room.prefix}floor",
                room.number,
                f"Read the floor before {room.wall.name}: nobody has yet.",
                Trade.OWN,
            )
    for case in made.project.cases:
        if not case.in_alcove or case.letter in made.unbuilt:
            continue
        lights = dict.fromkeys(extra.words for extra in case.extras if isinstance(extra, Wired))
        if lights:
            yield (
                f"{case.letter}/wired", case.wall,
                f"{case.letter}: a lead for its {' and '.join(lights)} comes out of the wall before it stands there; power off and tested, and "
                "wired by whoever may.",
                Trade.ELECTRICIAN,
            )  # fmt: skip
        room_number = made.rooms[case.wall - 1].wall.room
        for each in passes(made, case.letter, room_number):
            if each.bare and each.goes:
                yield (
                    f"{case.letter}/bare", case.wall,
                    f"{case.letter}: doors and drawers off and numbered; it passes the {each.way.name} only so, with {write(each.spare)} to spare.",
                    Trade.OWN,
                )  # fmt: skip
                break
        else:
            if lift(made, case.letter).bare:
                yield (
                    f"{case.letter}/bare",
                    case.wall,
                    f"{case.letter}: drawers, shelves and doors out and numbered, for its weight.",
                    Trade.OWN,
                )
    if made.project.cases:
        yield "way", 0, "Clear the way, protect floor and doors, count who is there to lift.", Trade.OWN


def _behind(place: Place, obstacle: Obstacle) -> bool:
    across = place.x < obstacle.x + obstacle.width and obstacle.x < place.end
    return across and place.low < obstacle.low + obstacle.height and obstacle.low < place.high


def _obstacle(made: Made, obstacle: Obstacle, behind: list[str]) -> tuple[str, Trade] | None:
    write, words = made.units.write, obstacle.words
    where = f"behind {', '.join(behind)}"
    kind = OBSTACLES[obstacle.kind]
    if obstacle.deal is Deal.REMOVE:
        kept = f" {kind.keep}" if kind.keep else ""
        return f"Take the {words} off {where}{kept}. {kind.old}".rstrip(), kind.trade
    if obstacle.deal is Deal.CUT:
        x, z = write(obstacle.x), write(obstacle.low)
        if kind.work:
            return f"The {words} {where}, {x} from the left and {z} up: {kind.work}.", kind.trade
        return (
            f"The {words} {where}: mark its middle, {x} from the left and {z} up; drill a look hole first.",
            Trade.OWN,
        )
    if obstacle.deal is Deal.NOTCH:
        return f"Measure the {words} {where} once more before it is notched round.", Trade.OWN
    return None
