# SPDX-License-Identifier: GPL-3.0-or-later
"""Cases that cannot be built as they are designed: kept, and told with the reason, its place, and a way to build them.

A way is a change of one choice near the place, then what stands there taken out, then another size of the case, then two of them
together; each has been built before it is offered.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from functools import partial
from itertools import chain, islice

from ..cabinet import face_edits, inside_edits
from ..cabinet.design import Case
from ..cabinet.one_step import Step, steps
from ..errors import AbleBoxError, SizeImpossible
from ..lengths import Length, inches
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag, Sought

#: As many ways are tried at most, and as many changes are put together with a second one.
_MOST, _FIRST = 90, 8
#: By what a case is made larger, steps of our own.
_LARGER = (inches(1), inches(2), inches(4), inches(8))
#: Where else to look, by where it arose.
_BESIDE = {
    "inside": ("bottom", "back", "frame"), "fronts": ("fronts.fit", "fronts.box", "fronts.slides", "fronts.making", "frame"),
    "back": ("top", "bottom"), "top": ("back", "bottom", "counter"), "kick": ("bottom", "frame"), "counter": ("top",),
    "frame": ("fronts.fit",), "": ("kick", "bottom", "top", "back"),
}  # fmt: skip


def cannot_be_built(made: Made) -> Iterator[Snag]:
    """Tell each case that cannot be built, and why."""
    for letter, fault in made.unbuilt.items():
        text = f"{fault} Until then {letter} is left out of parts and plan."
        place = fault.place if isinstance(fault, SizeImpossible) else ""
        key = f"{letter}/{place}" if place else ""
        offer = Sought(partial(_way, made, made.project.case(letter), place))
        yield Snag("built.not", Level.STOP, text, letter, key, offer)


def _way(made: Made, case: Case, place: str) -> Iterator[Fix | None]:
    for step in islice(_ways(made, case, place), _MOST):
        project = made.project.with_case(step.case)
        try:
            if case.letter not in Made(project, made).unbuilt:
                yield Fix(f"{step.title[:1].upper()}{step.title[1:]}", project)
                return
        except (AbleBoxError, KeyError, ValueError):
            pass
        yield None


def _ways(made: Made, case: Case, place: str) -> Iterator[Step]:
    near = list(islice(_near(made, case, place), _MOST // 2))
    yield from near
    yield from _taken_out(case, place)
    yield from _larger(made, case)
    for first in chain(_taken_out(case, place), near[:_FIRST]):
        for second in islice(_near(made, first.case, place), _FIRST):
            yield Step(second.path, f"{first.title}, and {second.title[:1].lower()}{second.title[1:]}", second.case)


def _near(made: Made, case: Case, place: str) -> Iterator[Step]:
    rack = made.project.rack
    stock = {
        "sheets": {row.code: row.name for row in rack.goods},
        "boards": {row.code: row.name for row in rack.boards},
    }
    head = place.partition(".")[0]
    for path in (*([place] if place else []), *_BESIDE.get(head, ())):
        try:
            yield from steps(case, path, made.units, stock)
        except (AttributeError, IndexError, TypeError, ValueError):
            continue


def _taken_out(case: Case, place: str) -> Iterator[Step]:
    """Return the designs without what stands at the place, or with its bay or its front no longer divided."""
    head, _, last = place.rpartition(".fittings.")
    try:
        if head and last.isdigit():
            yield Step(head, "take that out of the bay", inside_edits.unfitted(case, head, int(last)))
        elif ".bays." in place:
            yield Step(place, "take that bay away", inside_edits.without(case, place)[0])
        elif ".cells." in place:
            yield Step(place, "take that front away", face_edits.without(case, place)[0])
    except (AttributeError, IndexError, TypeError, ValueError):
        return


def _larger(made: Made, case: Case) -> Iterator[Step]:
    for by in _LARGER:
        for name, words in (("height", "high"), ("depth", "deep"), ("width", "wide")):
            if name == "width" and case.follows:
                continue
            old: Length = getattr(case, name)
            size = old + made.units.usual(by)
            changed: dict[str, Length] = {name: size}
            yield Step(name, f"make it {made.units.write(size)} {words}", replace(case, **changed))  # type: ignore[arg-type]


CHECKS: tuple[Check, ...] = (cannot_be_built,)
