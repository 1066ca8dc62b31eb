# SPDX-License-Identifier: GPL-3.0-or-later
"""What a filler has to close: its gap at the floor and at the top, as the wall leans, or as it was measured in the room."""

from __future__ import annotations

from dataclasses import dataclass

from ..lengths import ZERO, Length
from ..run.place import Line, Place
from .fit import Fit


@dataclass(frozen=True, slots=True)
class Gap:
    """The gap a filler closes.

    Args:
        low: how wide it is at the floor, or at the lower edge of what hangs.
        high: how wide at the top.
        measured: whether that was measured in the room.
    """

    low: Length
    high: Length
    measured: bool


def gap_of(fit: Fit, number: int) -> Gap:
    """Return the gap of a filler, by the number of its space."""
    came_out = fit.made.project.fit.came_out
    told = [came_out.get(f"space/{number}.gap.{end}") for end in ("low", "high")]
    found = _place(fit, number)
    if found is None:
        return Gap(told[0] or ZERO, told[1] or told[0] or ZERO, told[0] is not None)
    line, place = found
    if told[0] is not None:
        return Gap(told[0], told[1] if told[1] is not None else told[0], True)
    wall = fit.made.rooms[line.wall - 1]
    lean = ZERO
    if line.places and place is line.places[0] and not line.open_left:
        lean = wall.wall.lean_left
    elif line.places and place is line.places[-1] and not line.open_right:
        lean = wall.wall.lean_right
    over = wall.ceiling.length if wall.ceiling is not None else place.high
    width = place.width.length
    return Gap(_at(width, lean, place.low, over), _at(width, lean, place.high, over), False)


@dataclass(frozen=True, slots=True)
class OpenEnd:
    """What is open between the end of a case and a wall that leans, where no filler closes it.

    Args:
        side: ``left`` or ``right``.
        low: how much at the floor, or at the lower edge of what hangs, more than at its nearest.
        high: how much at the top.
    """

    side: str
    low: Length
    high: Length


def open_ends(fit: Fit, letter: str) -> list[OpenEnd]:
    """Return the ends of a case that stand at a wall that leans: each a taper with its two numbers."""
    place = fit.made.place(letter)
    line = next((line for line in fit.made.lines if place in line.places), None) if place is not None else None
    if place is None or line is None:
        return []
    wall = fit.made.rooms[line.wall - 1]
    over = wall.ceiling.length if wall.ceiling is not None else place.high
    found = []
    for side, at, is_open, lean in (
        ("left", line.places[0], line.open_left, wall.wall.lean_left), ("right", line.places[-1], line.open_right, wall.wall.lean_right),
    ):  # fmt: skip
        if at is place and not is_open and lean:
            low, high = _at(ZERO, lean, place.low, over), _at(ZERO, lean, place.high, over)
            nearest = min(low, high)
            found.append(OpenEnd(side, low - nearest, high - nearest))
    return found


def _at(width: Length, lean: Length, height: Length, over: Length) -> Length:
    """Return how wide the gap is at a height: the wall's top stands in by its lean over the height of the room."""
    if over <= ZERO:
        return width
    return width - Length(lean.ticks * height.ticks // over.ticks)


def _place(fit: Fit, number: int) -> tuple[Line, Place] | None:
    return next(
        ((line, place) for line in fit.made.lines for place in line.places if place.space == number and not place.letter), None
    )  # fmt: skip
