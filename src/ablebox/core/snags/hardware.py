# SPDX-License-Identifier: GPL-3.0-or-later
"""Hardware the rack lacks: slides too long or too weak, hinges for another overlay, pins for other holes."""

from __future__ import annotations

from collections.abc import Iterator

from ..cabinet.design import Case
from ..cabinet.places import put
from ..shop.made import Made
from .snag import Check, Fix, Level, Snag


def hardware_lacking(made: Made) -> Iterator[Snag]:
    """Say what was asked for and is not on the rack, each once for a case."""
    for case, assembly in zip(made.project.cases, made.assemblies, strict=True):
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


CHECKS: tuple[Check, ...] = (hardware_lacking,)
