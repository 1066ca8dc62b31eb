# SPDX-License-Identifier: GPL-3.0-or-later
"""Hardware the rack lacks: slides too long or too weak, hinges for another overlay, pins for other holes."""

from __future__ import annotations

from collections.abc import Iterator

from ..assembly.fitting import FittingKind
from ..cabinet.design import Case
from ..cabinet.places import put
from ..hardware import usual
from ..materials import load_of
from ..shop.made import Made
from ..shop.weights import contents, kilograms
from .snag import Check, Fix, Level, Snag


def hardware_lacking(made: Made) -> Iterator[Snag]:
    """Say what was asked for and is not on the rack, each once for a case."""
    for case, assembly in made.built:
        said = set()
        for item in assembly.bought:
            if item.lacks and item.lacks not in said:
                said.add(item.lacks)
                text = f"{case.letter}: {item.lacks}; {item.name} is on the list now. Choose another, or add one to the rack."
                yield Snag("hardware.lacks", Level.WARN, text, case.letter, "", _any_length(made, case, item.kind))


def _any_length(made: Made, case: Case, kind: str) -> Fix | None:
    """Return the fix that takes the longest slides that fit, where a length was asked for."""
    for place, fronts in case.faces:
        if fronts.slides.kind == kind and fronts.slides.length is not None:
            free = put(case, f"{place}.slides.length", None)
            return Fix("Take the longest slides that fit", made.project.with_case(free))
    return None


def stands_on_too_little(made: Made) -> Iterator[Snag]:
    """What a case stands on bears it and what is in it; of casters one may hang free on an uneven floor (common practice)."""
    known = {item.name: item for item in (*usual(made.units.system), *made.project.rack.hardware)}
    weigh = made.units.weigh
    for case, assembly in made.built:
        under = [each for each in assembly.fittings if each.kind in (FittingKind.FOOT, FittingKind.CASTER)]
        item = next((known[each.name] for each in under if each.name in known), None)
        if item is None or item.kilograms is None:
            continue
        rolls = under[0].kind is FittingKind.CASTER
        bears = item.kilograms * (max(1, len(under) - 1) if rolls else len(under))
        own, full = kilograms(made, assembly, counters=True), contents(made, assembly)
        if own + full <= bears:
            continue
        how = f"its {len(under)} {'casters bear' if rolls else 'feet bear'} {weigh(bears)}"
        if rolls:
            how += ", one hanging free"
        text = (
            f"{case.letter}: it weighs {weigh(own)} and holds {weigh(full)} of {load_of(case.load).name}; {how}: take stronger ones, or "
            "more cases."
        )
        yield Snag("hardware.bears", Level.WARN, text, case.letter)


CHECKS: tuple[Check, ...] = (hardware_lacking, stands_on_too_little)
