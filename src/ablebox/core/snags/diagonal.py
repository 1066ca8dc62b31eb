# SPDX-License-Identifier: GPL-3.0-or-later
"""A face across a corner against the cases beside it: do fronts and pulls pass each other, do both sides fit?

Where two faces meet at an angle, what stands before each of them leans over the other's end: both have to be kept back by their
thickness times the tangent of half the angle, and by more where a drawer comes out past a corner (plane geometry).
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import pairwise

from ..assembly.footprint import Ring, apart, bounds, rectangle
from ..cabinet.design import Case
from ..case.plan_diagonal import Diagonal
from ..lengths import Length, inches
from ..room.wall import End
from ..run.place import Place
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag

#: How far a front is drawn out to see what is in its way (common practice).
_OUT = inches(20)


@dataclass(frozen=True, slots=True)
class _Beside:
    """A case beside a corner case.

    Args:
        case: the case.
        side: of the corner case: ``left``, or ``right`` for the run round the corner.
        wanted: depth it has.
        has: depth the corner case has there.
        fronts: what stands before its face, in the corner case's space, each with what it is and whether it comes straight out.
    """

    case: Case
    side: str
    fronts: tuple[tuple[Ring, str, bool], ...]


def _beside(made: Made) -> Iterator[tuple[Case, _Beside]]:
    """Return each corner case with each case that touches it, at its left and round the corner."""
    walls = [room for room in made.rooms if room.wall.island is None]
    following = {one.number: two for one, two in pairwise(walls) if two.wall.left is End.CORNER}
    for line in made.lines:
        last = line.places[-1] if line.places else None
        case = made.project.case(last.letter) if last is not None and last.letter else None
        if case is None or not isinstance(case.plan, Diagonal):
            continue
        width, depth = (made.assembly(case.letter).outside[i].length for i in (0, 2))
        if len(line.places) > 1 and line.places[-2].letter:
            other = made.project.case(line.places[-2].letter)
            yield case, _Beside(other, "left", _at_left(made, line.places[-2], depth))
        room = following.get(line.wall)
        first = made.line(room.number, line.upper).places[:1] if room is not None else ()
        if first and first[0].letter and first[0].x == depth:
            other = made.project.case(first[0].letter)
            yield case, _Beside(other, "right", _round(made, first[0], width))


def _fronts(made: Made, letter: str) -> Iterator[tuple[tuple[int, int, int, int], str, bool]]:
    assembly = made.assembly(letter)
    for space in assembly.fronts:
        for part in assembly.parts_of(space):
            if space.side == "front" and part.stands == "front" and part.straight is None:
                yield (*part.box.span(0), *part.box.span(1)), space.words, space.opens == "out"


def _at_left(made: Made, place: Place, depth: Length) -> tuple[tuple[Ring, str, bool], ...]:
    """Return the fronts of the case at the left: its right side is the corner case's 0, its back lies in one line."""
    assembly = made.assembly(place.letter)
    x, y = -(assembly.outside[0].length.ticks + place.panels[1].ticks), (depth - assembly.outside[2].length).ticks
    return tuple(
        (rectangle(a + x, b + x, c + y, d + y), words, out) for (a, b, c, d), words, out in _fronts(made, place.letter)
    )


def _round(made: Made, place: Place, width: Length) -> tuple[tuple[Ring, str, bool], ...]:
    """Return the fronts of the case round the corner: its left side is at 0 from before, its face looks to the left."""
    assembly = made.assembly(place.letter)
    x, y = (width - assembly.outside[2].length).ticks, -place.panels[0].ticks
    return tuple(
        (rectangle(c + x, d + x, y - b, y - a), words, out) for (a, b, c, d), words, out in _fronts(made, place.letter)
    )


def passes_its_neighbours(made: Made) -> Iterator[Snag]:
    """Closed fronts stand apart where faces meet, and a drawer comes out past the face across the corner."""
    for case, beside in _beside(made):
        assembly = made.assembly(case.letter)
        doors = [part for part in assembly.parts if part.stands == "front" and part.straight is not None]
        for ring, words, out in beside.fronts:
            path = _drawn_out(ring, beside.side) if out else ring
            if any(not apart(door.footprint, path) for door in doors):
                yield _in_the_way(made, case, beside, words, out)
                break


def _drawn_out(ring: Ring, side: str) -> Ring:
    x0, x1, y0, y1 = bounds(ring)
    far = _OUT.ticks
    return rectangle(x0, x1, y0 - far, y1) if side == "left" else rectangle(x0 - far, x1, y0, y1)


def _in_the_way(made: Made, case: Case, beside: _Beside, words: str, out: bool) -> Snag:
    plan, write = case.plan, made.units.write
    assert isinstance(plan, Diagonal)
    thick = max(
        (part.thickness.length for part in made.assembly(case.letter).parts if part.stands == "front"),
        default=inches(1),
    )
    what = "does not come out past" if out else "meets"
    text = (
        f"{beside.case.letter}'s {words} {what} {case.letter}'s front, which stands across the corner: keep that back by its thickness, "
        f"{write(thick)}, or put a filler between."
    )
    fix = None
    if plan.keep < thick:
        changed = replace(case, plan=replace(plan, keep=thick))
        fix = Fix(f"Keep {case.letter}'s fronts back by {write(thick)}", made.project.with_case(changed))
    return Snag("corner.fronts", Level.STOP, text, case.letter, f"{case.letter}/plan.keep", fix)


def sides_as_deep(made: Made) -> Iterator[Snag]:
    """Each side of a corner case is as deep as the case beside it, or their faces do not meet."""
    write = made.units.write
    for case, beside in _beside(made):
        plan, depth = case.plan, beside.case.depth
        assert isinstance(plan, Diagonal)
        own = plan.left if beside.side == "left" else plan.right
        if own == depth:
            continue
        text = (
            f"{case.letter}'s side beside {beside.case.letter} is {write(own)} deep and {beside.case.letter} is {write(depth)}: their faces do "
            "not meet."
        )
        sizes = {beside.side: depth}
        after = made.project.with_case(replace(case, plan=replace(plan, **sizes)))
        fix = Fix(f"Make it {write(depth)}", after)
        yield Snag("corner.depth", Level.WARN, text, case.letter, f"{case.letter}/plan.{beside.side}", fix)


def stands_in_its_corner(made: Made) -> Iterator[Snag]:
    """A corner case is the last of its run, at an end where the wall turns a corner."""
    for case in made.project.cases:
        if not isinstance(case.plan, Diagonal) or not case.in_alcove:
            continue
        line = next(line for line in made.lines if any(place.letter == case.letter for place in line.places))
        end: End = made.rooms[line.wall - 1].wall.right
        if line.places[-1].letter == case.letter and end is not End.OPEN:
            continue
        text = f"{case.letter} is built for the corner at the right end of a run: move it there, where its other side meets the next wall."
        yield Snag("corner.place", Level.STOP, text, case.letter)


CHECKS: tuple[Check, ...] = (passes_its_neighbours, sides_as_deep, stands_in_its_corner)
