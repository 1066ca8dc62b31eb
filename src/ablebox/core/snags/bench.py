# SPDX-License-Identifier: GPL-3.0-or-later
"""The order of work: what has no place in any, what was ticked before what it needs, and gates with a line still open.

Steps take a moment to be worked out; while a case's are not known yet nothing is told of them.
"""

from __future__ import annotations

from collections.abc import Iterator
from functools import partial

from ..assembly.part import Assembly
from ..bench.bench import Bench, is_known, steps_of
from ..bench.gates import is_open
from ..bench.step import Step
from ..bench.taking_apart import Stuck
from ..bench.thing import ThingKind
from ..bench.verb import Gate
from ..order.order import QUESTIONS, Order
from ..project.bench_edits import ordered
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag, Sought

#: Questions whose other answers may make room.
_MAKE_ROOM = ("back", "frame", "slides", "pins", "top")
_GATES = {
    Gate.GLUE: "the glue", Gate.BACK: "the back", Gate.STAND: "it stands up", Gate.TOP: "the top", Gate.FINISH: "the finish",
    Gate.CARRY: "it is carried in",
}  # fmt: skip


def no_place(made: Made) -> Iterator[Snag]:
    """Tell each step for which no free way, or no tool, was found."""
    for case, assembly in made.built:
        order = made.project.bench.order_of(case.letter)
        if not is_known(assembly, order, made.project.bench.reach):
            continue
        for step in steps_of(assembly, order, made.project.bench.reach).stuck:
            assert step.stuck is not None
            text = f"{case.letter}: {_why(made, assembly, step.stuck)}"
            offer = Sought(partial(_another, made, case.letter, assembly, order))
            yield Snag("bench.order", Level.WARN, text, case.letter, offer=offer)


def _why(made: Made, assembly: Assembly, stuck: Stuck) -> str:
    codes: dict[str, str] = {
        role: part.code for part in made.parts if part.case == assembly.letter for role in part.roles
    }
    by = _listed(_atoms(assembly, codes, stuck.by))
    about = _listed([codes.get(role, role) for role in stuck.item.roles]) or "this step"
    if stuck.clamps:
        return (
            f"no clamp reaches across the glued joint of {about}: {by or 'what stands'} is in the way. "
            "Fasten it with screws that draw it together, or leave that off until the glue has set."
        )
    if not stuck.things:
        return f"{about} cannot come in whichever way it goes: {by or 'what stands'} is in the way. Make it smaller, or leave it out until later."
    told = [thing for thing in stuck.item.does if thing.kind is ThingKind.FASTENER]
    names = sorted({assembly.fasteners[thing.number].name for thing in told})
    what = f"the {names[0]}" if names else "what fastens it"
    return (
        f"no tool reaches {what} of {about} in any order of work: {by or 'what stands'} closes it off. "
        "Fasten it another way, or from another side."
    )


def _atoms(assembly: Assembly, codes: dict[str, str], atoms: tuple[int, ...]) -> list[str]:
    count = len(assembly.parts)
    return [
        codes.get(assembly.parts[atom].role, assembly.parts[atom].name)
        if atom < count
        else assembly.fittings[atom - count].name
        for atom in atoms
    ]


def _listed(names: list[str]) -> str:
    found = list(dict.fromkeys(names))
    return (
        f"{', '.join(found[:3])} and others"
        if len(found) > 4
        else " and ".join([", ".join(found[:-1]), found[-1]] if len(found) > 1 else found)
    )


def _another(made: Made, letter: str, assembly: Assembly, order: Order) -> Iterator[Fix | None]:
    """Look for another school of order by which everything has its place, if there is one."""
    for question in _MAKE_ROOM:
        for answer in QUESTIONS[question]:
            project = ordered(made.project, letter, question, answer)
            other = project.bench.order_of(letter)
            if other != order and not steps_of(assembly, other, made.project.bench.reach).stuck:
                yield Fix(f"{letter}: {answer.words}", project)
                return
            yield None


def ticked_too_soon(made: Made) -> Iterator[Snag]:
    """Tell a step that is ticked though one it needs is not, and a gate that was passed with a line open."""
    book = made.project.bench
    if not book.ticked or not all(
        is_known(built, book.order_of(case.letter), book.reach) for case, built in made.built
    ):
        return
    bench = Bench(made)
    for case in bench.cases:
        for step in case.steps:
            if not bench.done(case.letter, step.key):
                continue
            missing = [key for key in step.after if not bench.done(case.letter, key)]
            if missing:
                text = f"{case.letter}: “{step.what.value}” is ticked, “{case.steps[case.keys[missing[0]]].what.value}” is not, and it comes first."
                yield Snag("bench.early", Level.WARN, text, case.letter)
            elif step.gate is not Gate.NONE:
                yield from _gate(bench, case.letter, step, True)
    here = bench.at_hand
    if here is not None:
        for letter, step in here.rows:
            yield from _gate(bench, letter, step, False)


def _gate(bench: Bench, letter: str, step: Step, passed: bool) -> Iterator[Snag]:
    left = is_open(bench, letter, step)
    if left:
        count = f"{len(left)} line{'s' if len(left) > 1 else ''} of the gate {'are' if len(left) > 1 else 'is'} open"
        when = "was passed" if passed else "comes next"
        text = (
            f"{letter}: {count} before {_GATES[step.gate]}, which {when}. Tick what is done on Bench, do what is not."
        )
        yield Snag("bench.gate", Level.WARN if passed else Level.NOTE, text, letter)


CHECKS: tuple[Check, ...] = (no_place, ticked_too_soon)
