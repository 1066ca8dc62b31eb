# SPDX-License-Identifier: GPL-3.0-or-later
"""Scribed edges: a panel follows what was measured along it: a bowed wall, a curved van, a slope.

An edge is given as stations along it and how much is taken off there; between stations it runs
straight. The panel keeps its rectangle on the sheet; its true form is cut from a full-size
template.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from itertools import pairwise

from ..assembly.part import Face, Placed
from ..assembly.solid import Box
from ..lengths import ZERO, Length, millimetres
from .shell import Shell


@dataclass(frozen=True, slots=True)
class Station:
    """One place along an edge.

    Args:
        at: from the edge's lower, front or left end.
        off: what is taken off there.
    """

    at: Length
    off: Length


@dataclass(frozen=True, slots=True)
class Scribe:
    """A scribed edge of a part.

    Args:
        role: which part.
        edge: which of its edges.
        stations: in order along the edge; the first and last values go on to its ends.
    """

    role: str
    edge: Face
    stations: tuple[Station, ...]

    def __post_init__(self) -> None:
        if not self.stations:
            raise ValueError("a scribed edge has one station at least")
        ats = [station.at for station in self.stations]
        if any(b <= a for a, b in pairwise(ats)) or any(s.off < ZERO for s in self.stations):
            raise ValueError("stations go forward along the edge, and nothing is added to it")


def scribed(shell: Shell, scribes: tuple[Scribe, ...], parts: tuple[Placed, ...]) -> tuple[Placed, ...]:
    """Return the parts with their true outlines.

    Raises:
        SizeImpossible: if an edge is scribed away where a joint, a hole or another part needs it.
    """
    found = list(parts)
    for scribe in scribes:
        at = next((i for i, part in enumerate(found) if part.role == scribe.role), None)
        if at is None:
            raise shell.refuse(f"scribed {scribe.role}", "the case has no such part", "Take the scribe away.")
        if found[at].outline:
            raise shell.refuse(
                found[at].name, "two of its edges are scribed", "Scribe one, and trim the other by hand."
            )
        found[at] = _one(shell, scribe, found[at], parts)
    return tuple(found)


def _one(shell: Shell, scribe: Scribe, part: Placed, parts: tuple[Placed, ...]) -> Placed:
    axis, side = scribe.edge.value
    if axis == part.axes[2]:
        raise shell.refuse(part.name, f"its {scribe.edge.words} is a face, not an edge", "Name one of its four edges.")
    run = next(a for a in part.axes[:2] if a != axis)
    long, deep = part.box.size[run], part.box.size[axis]
    points = [(station.at, station.off) for station in scribe.stations]
    if points[0][0] < ZERO or points[-1][0] > long:
        raise shell.refuse(
            part.name, "a station lies beyond its edge", f"Measure from 0 to {shell.units.write(long, True)}."
        )
    if points[0][0] > ZERO:
        points.insert(0, (ZERO, points[0][1]))
    if points[-1][0] < long:
        points.append((long, points[-1][1]))
    most = max(off for _, off in points)
    shell.need(deep - most, millimetres(10), f"what the scribe leaves of the {part.name}", "Take less off.")
    low, high = list(part.box.low), list(part.box.high)
    if side > 0:
        low[axis] = high[axis] - most.ticks
    else:
        high[axis] = low[axis] + most.ticks
    lost = Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))
    for cut in part.cuts:
        if cut.holds_a_part and cut.box.meet(lost).volume:
            raise shell.refuse(part.name, f"the scribe reaches the {cut.kind.value} {cut.name}", "Take less off.")
    for other in parts:
        if other is not part and other.box.meet(_grown(lost, part)).volume:
            raise shell.refuse(part.name, f"the scribe reaches what holds the {other.name}", "Take less off.")
    return replace(part, outline=_outline(part, axis, side, run, points))


def _grown(box: Box, part: Placed) -> Box:
    """The lost strip and what touches it at the part's faces."""
    axis = part.axes[2]
    low, high = list(box.low), list(box.high)
    low[axis] -= 1
    high[axis] += 1
    return Box((low[0], low[1], low[2]), (high[0], high[1], high[2]))


def _outline(
    part: Placed, axis: int, side: int, run: int, points: list[tuple[Length, Length]]
) -> tuple[tuple[Length, Length], ...]:
    """Return the corners, as distances from the part's corner along its length and its width."""
    deep, long = part.box.size[axis], part.box.size[run]
    edge = [(at, deep - off) if side > 0 else (at, off) for at, off in points]
    other = ZERO if side > 0 else deep
    corners = [*edge, (long, other), (ZERO, other)]
    along_is_run = part.axes[0] == run
    return tuple((a, b) if along_is_run else (b, a) for a, b in corners)
