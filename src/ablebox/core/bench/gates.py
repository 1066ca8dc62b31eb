# SPDX-License-Identifier: GPL-3.0-or-later
"""Gates: before a step closes something off, everything that must come first is asked for, line by line.

Which steps close off which work is common practice (a back closes pins and squeezed-out glue, standing up the underside,
a top what is under it); what no tool reaches any more comes from the reckoning in space on top of that.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum

from ..assembly.part import CutKind
from ..assembly.role import FRAMES, PartKind
from ..assembly.uses import Use
from .bench import Bench, place_of
from .fitting import ROOM
from .step import CaseSteps, Step
from .thing import Thing, ThingKind
from .verb import Gate, What


class Ask(Enum):
    """What is asked for at a gate beside the steps that come first; the value is what it is ticked by."""

    WIPED = "wiped"
    OPENINGS = "openings"
    DIAGONALS = "diagonals"
    UNDERSIDE = "underside"
    TAPE = "tape"
    LAID_OUT = "laid-out"
    TWO = "two"


#: Holes that something is hung in later.
_HUNG_IN = frozenset({Use.PIN, Use.SLIDE, Use.SLIDE_REAR, Use.PLATE, Use.ROD})
_STEPS = {
    Gate.GLUE: (What.TEST, What.MACHINE, What.BAND, What.PINS, What.BORE, What.PREFINISH, What.DRY_FIT),
    Gate.BACK: (What.PINS, What.SQUARE, What.PREFINISH),
    Gate.STAND: (What.BACK, What.RAILS, What.FRAME, What.BASE, What.KICK, What.END),
    Gate.TOP: (What.PACKERS, What.SLIDES, What.BOXES_IN, What.FITTINGS),
    Gate.FINISH: (What.PINS, What.SLIDES, What.PULLS, What.LATCHES, What.OFF, What.CHECK),
    Gate.CARRY: (What.FINISH, What.OFF, What.CHECK),
}
_ASKS = {
    Gate.GLUE: (), Gate.BACK: (Ask.DIAGONALS, Ask.WIPED), Gate.STAND: (Ask.UNDERSIDE,), Gate.TOP: (), Gate.FINISH: (), Gate.CARRY: (Ask.TWO,),
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class GateLine:
    """A line of a gate.

    Args:
        place: what it is ticked by, as steps are.
        step: the step that must be done; ``None`` for what is looked at.
        ask: what is looked at; ``None`` for a step.
        done: whether it is ticked.
    """

    place: str
    step: Step | None
    ask: Ask | None
    done: bool


def lines(bench: Bench, letter: str, step: Step, copy: int = 1) -> list[GateLine]:
    """Return the lines of the gate before a step; empty if there is none."""
    if step.gate is Gate.NONE:
        return []
    case = bench.case(letter)
    at = case.keys[step.key]
    shut = closed(bench, letter, step)
    found = []
    for before in case.steps[:at]:
        if before.what in _STEPS[step.gate] or shut & set(before.does):
            place = place_of(letter, copy, before.key)
            found.append(GateLine(place, before, None, bench.done(letter, before.key, copy)))
    if step.gate is Gate.CARRY and bench.fit.entry(letter) is not None:
        before = bench.case(ROOM).steps[0]
        found.append(GateLine(place_of(ROOM, 1, before.key), before, None, bench.done(ROOM, before.key)))
    for ask in (*_ASKS[step.gate], *_designed(bench, letter, step)):
        key = f"{step.gate.value}.{ask.value}"
        found.append(GateLine(place_of(letter, copy, key), None, ask, bench.done(letter, key, copy)))
    return found


def gate_before(bench: Bench, letter: str, step: Step) -> Gate:
    """Return the gate that stands before a step; none where nothing is asked there."""
    return step.gate if lines(bench, letter, step) else Gate.NONE


def closed(bench: Bench, letter: str, step: Step) -> frozenset[Thing]:
    """Return the holes something is still hung in that no tool reaches any more behind a gate."""
    case, assembly = bench.case(letter), bench.assembly(letter)
    at = case.keys[step.key]
    return frozenset(
        thing
        for each in case.steps[at : _until(case, at)]
        for thing in each.closes
        if thing.kind is ThingKind.HOLE and thing.role is not None
        and assembly.part(thing.role).told.holes[thing.number].use in _HUNG_IN
    )  # fmt: skip


def _until(case: CaseSteps, at: int) -> int:
    """Return the step before which the next gate stands."""
    return next((i for i in range(at + 1, len(case.steps)) if case.steps[i].gate is not Gate.NONE), at + 1)


def _designed(bench: Bench, letter: str, step: Step) -> list[Ask]:
    """Return what the design asks for: openings in a back, tape on drawers that a top would trap."""
    assembly = bench.assembly(letter)
    found = []
    if step.gate is Gate.GLUE and any(part.role.kind in FRAMES for part in assembly.parts):
        found.append(Ask.LAID_OUT)
    if step.gate is Gate.BACK and any(
        cut.kind is CutKind.WINDOW for part in assembly.parts if part.role.kind is PartKind.BACK for cut in part.cuts
    ):
        found.append(Ask.OPENINGS)
    if step.gate is Gate.TOP and any(
        part.role.kind is PartKind.DRAWER_FRONT and part.box.high[1] > 0 for part in assembly.parts
    ):
        found.append(Ask.TAPE)
    return found


def is_open(bench: Bench, letter: str, step: Step) -> list[GateLine]:
    """Return the lines of a gate that are still open."""
    return [line for line in lines(bench, letter, step) if not line.done]
