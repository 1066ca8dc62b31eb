# SPDX-License-Identifier: GPL-3.0-or-later
"""Story sticks: one strip of wood that carries every mark of a wall, or of a case's heights, instead of numbers."""

from __future__ import annotations

from dataclasses import dataclass

from ..assembly.role import BOXES
from ..lengths import ZERO, Length
from .made import Made


@dataclass(frozen=True, slots=True)
class Mark:
    """A mark on a stick.

    Args:
        at: from the stick's end.
        words: what begins or ends there.
        minor: whether it is only to be kept clear of, such as a stud.
    """

    at: Length
    words: str
    minor: bool = False


@dataclass(frozen=True, slots=True)
class Stick:
    """A stick.

    Args:
        name: what it is for.
        upright: whether it stands.
        length: of it.
        marks: in order, from its left or lower end.
    """

    name: str
    upright: bool
    length: Length
    marks: tuple[Mark, ...]


def wall_stick(made: Made, number: int) -> Stick:
    """Return the stick of a wall: where everything that stands or hangs there begins and ends, and what is on it."""
    room = made.rooms[number - 1]
    found: dict[Length, list[str]] = {}
    minor: dict[Length, list[str]] = {}
    for upper in (False, True):
        for place in made.line(number, upper).places:
            name = f"case {place.letter}" if place.letter else made.project.spaces[place.space - 1].name
            for at, words in ((place.x, "end panel begins"), (place.end, "end panel ends")):
                if place.panels[0 if at == place.x else 1]:
                    found.setdefault(at, []).append(words)
            found.setdefault(place.case_x, []).append(f"{name} begins")
            found.setdefault(place.case_x + place.case_width, []).append(f"{name} ends")
    for i, stud in enumerate(room.wall.studs, start=1):
        minor.setdefault(stud.at, []).append(f"{stud.kind.words} {i}")
    for obstacle in room.wall.obstacles:
        minor.setdefault(obstacle.x, []).append(obstacle.words)
        minor.setdefault(obstacle.x + obstacle.width, []).append(f"{obstacle.words} ends")
    end = max([*(room.governing.length for _ in (0,) if room.governing is not None), *found, ZERO])
    found.setdefault(ZERO, []).insert(0, "left end of the wall")
    return Stick(room.wall.name, False, end, _marks(found, minor))


def case_stick(made: Made, letter: str) -> Stick:
    """Return the stick of a case: floor, and every board that lies in it, lower and upper side."""
    case, assembly = made.project.case(letter), made.assembly(letter)
    place = made.place(letter)
    lift = place.low if place is not None else ZERO
    found: dict[Length, list[str]] = {}
    for part in assembly.parts:
        if part.axes[2] != 2 or part.stands == "front" or part.role.whole.kind in BOXES:
            continue
        low, high = (lift + Length(t) for t in part.box.span(2))
        found.setdefault(low, []).append(f"under {part.name}")
        found.setdefault(high, []).append(f"on {part.name}")
    found.setdefault(ZERO, []).insert(0, "floor")
    if lift > ZERO:
        found.setdefault(lift, []).insert(0, f"case {letter}, lower edge")
    top = lift + case.height
    found.setdefault(top, []).append(f"case {letter}, top")
    return Stick(f"case {letter}", True, max(found), _marks(found, {}))


def _marks(found: dict[Length, list[str]], minor: dict[Length, list[str]]) -> tuple[Mark, ...]:
    rows = [Mark(at, _said(words)) for at, words in found.items()]
    rows += [Mark(at, _said(words), True) for at, words in minor.items()]
    return tuple(sorted(rows, key=lambda mark: (mark.at, mark.minor)))


#: So many letters of a mark's words fit beside a stick.
_LONGEST = 40


def _said(words: list[str]) -> str:
    """Return what a mark stands for; of more than two things the first two, of long ones the first."""
    once = list(dict.fromkeys(words))
    told = 2 if len(", ".join(once[:2])) <= _LONGEST else 1
    return ", ".join(once[:told]) + (f" and {len(once) - told} more" if len(once) > told else "")
