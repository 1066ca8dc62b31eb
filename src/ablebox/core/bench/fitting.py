# SPDX-License-Identifier: GPL-3.0-or-later
"""The steps in the room: before carrying in, the line, each case carried and set, fillers, strips, fronts adjusted, the last look.

They come from how everything stands (``core/fit``). What is to be done by hand on the room itself has a row of its own, ``r``.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace

from ..assembly.part import Assembly
from ..fit.fit import Fit
from ..fit_book import GAP_HIGH, GAP_LOW, LEVEL, PLUMB
from ..lengths import inches
from ..order.order import Order
from ..parts.listing import Part
from ..project.placed import FILLER, STRIP
from ..reckoning import NOTHING
from .by_piece import role_of
from .step import CaseSteps, Step
from .verb import Verb, What

#: What the steps on the room itself are known by, and what it is called.
ROOM, ROOM_CALLED = "r", "The room"
#: Steps in the room, in their usual order.
IN_ROOM = (
    What.BEFORE, What.LINE, What.WALL_RAILS, What.STAND, What.HANG_UP, What.SCRIBE, What.TRIM, What.ADJUST, What.LOOK,
)  # fmt: skip
#: What may go on beyond its case, and how far beyond it is over the neighbours (of our own; a top hangs over by 1 1/2 in at most).
_WIDE, _BESIDE = frozenset({What.COUNTER, What.BASE, What.KICK}), inches(6).ticks


def bare_room() -> Assembly:
    """Return the room as what steps on it are about: nothing that is built."""
    return Assembly(ROOM, (NOTHING, NOTHING, NOTHING), (), ())


def room_steps(fit: Fit, order: Order) -> CaseSteps:
    """Return the steps on the room itself; none where nothing stands in a run."""
    steps = []
    if fit.order:
        steps = [Step(What.BEFORE.value, What.BEFORE, Verb.CHECK)]
        if fit.lines:
            steps.append(Step(What.LINE.value, What.LINE, Verb.LEVEL, after=(What.BEFORE.value,)))
        steps.append(Step(What.LOOK.value, What.LOOK, Verb.CHECK))
    return _keyed(CaseSteps(ROOM, order, tuple(steps)))


def with_fitting(fit: Fit, case: CaseSteps, assembly: Assembly) -> CaseSteps:
    """Return the steps of a case with those that set it in the room after it is carried in; as they are where it stands in no run."""
    entry = fit.entry(case.letter)
    if entry is None:
        return case
    hung = fit.made.project.case(case.letter).is_hung
    out = tuple(part.role for part in assembly.parts if part.role.comes_out)
    asks = (f"{case.letter}{LEVEL}",) if hung else (f"{case.letter}{LEVEL}", f"{case.letter}{PLUMB}")
    what, verb = (What.HANG_UP, Verb.LIFT) if hung else (What.STAND, Verb.STAND)
    stand = Step(what.value, what, verb, roles=out, after=(What.CARRY.value,), asks=asks)
    wide = {step.key for step in case.steps if step.what in _WIDE and _goes_beyond(assembly, step)}
    carry = next(i for i, step in enumerate(case.steps) if step.what is What.CARRY)
    # What goes on over, under or before others is put to them in the room: a base before what stands on it.
    at_bench = [
        replace(step, after=tuple(key for key in step.after if key not in wide)) if wide.intersection(step.after) else step
        for step in case.steps[: carry + 1] if step.key not in wide
    ]  # fmt: skip
    moved = [step for step in case.steps if step.key in wide]
    rest = [step for step in case.steps[carry + 1 :] if step.key not in wide]
    bases = [replace(step, asks=(f"{case.letter}/base{LEVEL}",)) for step in moved if step.what is What.BASE]
    found = [*at_bench, *bases, stand, *(step for step in moved if step.what is not What.BASE), *rest]
    if assembly.fronts:
        found.append(Step(What.ADJUST.value, What.ADJUST, Verb.ADJUST, after=(stand.key,)))
    return _keyed(replace(case, steps=tuple(found)))


def base_in_room(case: CaseSteps) -> bool:
    """Whether a case's base is set in the room before it: it goes on under others."""
    keys = [step.what for step in case.steps]
    return What.BASE in keys and What.CARRY in keys and keys.index(What.BASE) > keys.index(What.CARRY)


def _goes_beyond(assembly: Assembly, step: Step) -> bool:
    """Whether parts of a step go on over, under or before the cases beside their own."""
    wide = assembly.outside[0].length.ticks
    boxes = [assembly.part(role).box for role in step.roles]
    return any(box.low[0] < -_BESIDE or box.high[0] > wide + _BESIDE for box in boxes)


def pieces_fitted(fit: Fit, case: CaseSteps, parts: Sequence[Part]) -> CaseSteps:
    """Return the steps of fillers or strips with those that put them up."""
    steps = [*case.steps]
    if case.letter == FILLER:
        for part in parts:
            asks = tuple(ask for text in part.roles for ask in gaps(text))
            roles = tuple(role_of(text) for text in part.roles)
            key = f"{What.SCRIBE.value} {part.code}"
            steps.append(Step(key, What.SCRIBE, Verb.SCRIBE, roles=roles, after=(case.steps[-1].key,), asks=asks))
    elif case.letter == STRIP:
        on_wall = [part for part in parts if _is_rail(fit, part)]
        others = [part for part in parts if part not in on_wall]
        for what, rows in ((What.WALL_RAILS, on_wall), (What.TRIM, others)):
            roles = tuple(role_of(text) for part in rows for text in part.roles)
            if roles:
                steps.append(Step(what.value, what, Verb.SET, roles=roles, after=(case.steps[-1].key,)))
    return _keyed(replace(case, steps=tuple(steps)))


def gaps(text: str) -> tuple[str, str]:
    """Return the keys of the gap of a filler, at the floor and at the top, by the place of its part."""
    number = text.partition(".")[0]
    return f"space/{number}{GAP_LOW}", f"space/{number}{GAP_HIGH}"


def _strip(part: Part) -> int:
    return int(part.roles[0].partition(".")[0])


def _is_rail(fit: Fit, part: Part) -> bool:
    return fit.made.project.strips[_strip(part) - 1].sits.on_the_wall


def before_it(fit: Fit, letter: str, step: Step) -> Iterator[tuple[str, str]]:
    """Return which steps of others a step in the room needs: letter and key."""
    made = fit.made
    match step.what:
        case What.CARRY if fit.entry(letter) is not None:
            yield ROOM, What.BEFORE.value
        case What.WALL_RAILS:
            yield ROOM, What.BEFORE.value
        case What.STAND | What.HANG_UP:
            entry = fit.entry(letter)
            assert entry is not None
            if fit.lines:
                yield ROOM, What.LINE.value
            if made.project.case(letter).is_hung:
                yield STRIP, What.WALL_RAILS.value
            for other in entry.after:
                yield other, _stands(fit, other)
            owner = made.run.base_under(letter)
            if owner and owner != letter:
                yield owner, What.BASE.value
        case What.BASE if fit.entry(letter) is not None:
            yield ROOM, What.LINE.value
        case What.SCRIBE:
            wall = made.project.spaces[int(step.roles[0].partition(".")[0]) - 1].wall
            for each in fit.order:
                if each.wall == wall:
                    yield each.letter, _stands(fit, each.letter)
        case What.TRIM:
            for each in fit.order:
                yield each.letter, _stands(fit, each.letter)
        case What.COUNTER:
            for other in made.run.under_tops.get(letter, ()):
                if other != letter and fit.entry(other) is not None:
                    yield other, _stands(fit, other)
        case _:
            return


def _topped(fit: Fit, letter: str) -> list[str]:
    """Return the letters of the cases whose tops lie on what a case stands on."""
    on = fit.made.project.case(letter).on
    return [owner for owner, under in fit.made.run.under_tops.items() if on is not None and on.letter in under]


def _stands(fit: Fit, letter: str) -> str:
    what = What.HANG_UP if fit.made.project.case(letter).is_hung else What.STAND
    return str(what.value)


def _keyed(case: CaseSteps) -> CaseSteps:
    return replace(case, keys={step.key: number for number, step in enumerate(case.steps)})
