# SPDX-License-Identifier: GPL-3.0-or-later
"""What stands on what, and sizes that follow another's: gaps, overhangs and what is not there, told to the thirty-second."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from itertools import pairwise

from ..assembly.role import PartKind
from ..assembly.uses import Use
from ..cabinet.design import Case
from ..lengths import ZERO, Length
from ..run.place import Place
from ..run.tie import has
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag


def stands_on_something(made: Made) -> Iterator[Snag]:
    """What stands on something stands on it with all its width and depth, and at its wall."""
    write = made.units.write
    for case in made.project.cases:
        on = case.on
        if on is None:
            continue
        name = f"case {on.letter}" if on.letter else f"space {on.space}"
        place, below = made.place(case.letter), _below(made, case)
        if below is None or place is None:
            after = made.project.with_case(replace(case, on=None))
            text = f"{case.letter} is to stand on {name}, which is not at its wall: choose what it stands on, or the floor."
            yield Snag("stands.gone", Level.STOP, text, case.letter, "", Fix("Stand it on the floor", after))
            continue
        under = _all_under(made, case, place, below)
        left, right = below.x - place.x, place.end - max(p.end for p in under)
        for side, over in (("left", left), ("right", right)):
            if over > ZERO:
                text = f"{case.letter} stands out beyond {name} by {write(over)} at the {side}: make it narrower, move it, or close the gap under it."
                fix = None
                if side == "left":
                    fix = Fix(
                        f"Set {case.letter} flush at the left",
                        made.project.with_case(replace(case, on=replace(on, along=on.along + over))),
                    )
                elif case.width > over:
                    fix = Fix(
                        f"Make {case.letter} {write(case.width - over)} wide",
                        made.project.with_case(replace(case, width=case.width - over, follows=False)),
                    )
                yield Snag("stands.beyond", Level.WARN, text, case.letter, f"{case.letter}/width", fix)
        gaps = [(one, two) for one, two in pairwise(under) if two.x > one.end]
        for one, two in gaps:
            text = f"{case.letter} goes on over a gap of {write(two.x - one.end)} between {one.name} and {two.name}: close its underside there."
            yield Snag("stands.gap", Level.NOTE, text, case.letter)
        high = {p.high for p in under}
        if len(high) > 1:
            text = f"{case.letter} stands on {' and '.join(p.name for p in under)}, which end at {' and '.join(write(h) for h in sorted(high))}: pack it, or make them alike."
            yield Snag("stands.uneven", Level.STOP, text, case.letter)
        deep = min(p.depth for p in under)
        if place.depth > deep:
            text = f"{case.letter} is {write(place.depth - deep)} deeper than {name} under it: its front stands out over that."
            yield Snag(
                "stands.deep",
                Level.WARN,
                text,
                case.letter,
                f"{case.letter}/depth",
                Fix(f"Make {case.letter} {write(deep)} deep", made.project.with_case(replace(case, depth=deep))),
            )


def _below(made: Made, case: Case) -> Place | None:
    assert case.on is not None
    name = case.on.letter or f"space {case.on.space}"
    return next(
        (p for upper in (False, True) for p in made.line(case.wall, upper).places if p.name == name and p.letter != case.letter), None
    )  # fmt: skip


def _all_under(made: Made, case: Case, place: Place, below: Place) -> list[Place]:
    """Return everything that carries a case: what it stands on, and what stands beside that under it, as high."""
    line = next(line for line in made.lines if below in line.places)
    found = [p for p in line.places if p is below or (p.x < place.end and place.x < p.end and p.letter)]
    return sorted(found, key=lambda p: p.x)


def ties_hold(made: Made) -> Iterator[Snag]:
    """A size that follows another's has something to follow."""
    for number, tie in enumerate(made.project.ties, start=1):
        case = next((c for c in made.project.cases if c.letter == tie.case), None)
        stands = made.run.stands.get(tie.case)
        followed = stands is not None and tie.same.value in stands.tied
        if case is not None and not followed:
            what = f"case {tie.letter}" if tie.letter else f"space {tie.space}"
            gone = tuple(each for i, each in enumerate(made.project.ties, start=1) if i != number)
            text = f"{tie.case}: its {tie.same.words} follows {what}, which is not there or has none: it keeps its own."
            fix = Fix("Let it be its own again", replace(made.project, ties=gone))
            yield Snag(
                "stands.tie",
                Level.WARN,
                text,
                tie.case,
                f"{tie.case}/{tie.same.value}",
                fix if has(case, tie.same) or gone != made.project.ties else None,
            )


def pins_level(made: Made) -> Iterator[Snag]:
    """Rows of pin holes of cases side by side are level, so that shelves are."""
    write = made.units.write
    for line in made.lines:
        rows = [(p, _pins(made, p)) for p in line.places if p.letter and p.letter not in made.unbuilt]
        known = [(p, pins) for p, pins in rows if pins]
        for (one, first), (two, second) in pairwise(known):
            if one.end != two.x or not first or not second or len(first) < 2 or len(second) < 2:
                continue
            pitch = first[1] - first[0]
            if pitch <= 0 or second[1] - second[0] != pitch:
                continue
            off = (second[0] - first[0]) % pitch
            off = min(off, pitch - off)
            if off > 800:
                text = f"The rows of pins of {one.letter} and {two.letter} are off by {write(Length(off), True)}: shelves beside each other will not be level."
                yield Snag("stands.pins", Level.NOTE, text, two.letter)


def _pins(made: Made, place: Place) -> list[int]:
    """Return how high the pin holes of a case are over the floor."""
    found = set()
    for part in made.assembly(place.letter).parts:
        if part.role.kind in (PartKind.SIDE, PartKind.PARTITION):
            for holes in part.told.holes:
                if holes.use is Use.PIN:
                    found |= {place.low.ticks + centre[2] for centre in holes.centres}
    return sorted(found)


CHECKS: tuple[Check, ...] = (stands_on_something, ties_hold, pins_level)
