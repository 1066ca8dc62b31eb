# SPDX-License-Identifier: GPL-3.0-or-later
"""What is fetched for a step: parts by their codes, edging, fasteners, and hardware as it is sold."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Iterator

from ..assembly.role import Role
from ..bench.bench import Bench
from ..bench.driven import screws
from ..bench.hardware_at import Hung, hardware_at
from ..bench.step import Step
from ..bench.verb import What
from ..parts.listing import Part
from ..parts.words import named, running


class Fetched:
    """What steps of a job ask for.

    Args:
        bench: the steps.
    """

    def __init__(self, bench: Bench) -> None:
        self.bench, self.units = bench, bench.made.units
        self._parts = {(part.case, role): part for part in bench.made.parts for role in part.roles}
        self._hung: dict[str, dict[str, list[Hung]]] = {}

    def rows(self, letter: str, step: Step) -> Iterator[tuple[str, str]]:
        """Return what a step of a case asks for: a code, how many or how much, and what it is called."""
        if step.puts:
            for part in self.parts(letter, [role for put in step.puts for role in put.roles]):
                yield part.code, part.name
        if step.what is What.BAND:
            for name, (_, run) in self.bands(letter, step).items():
                yield running(run, self.units), name
        for name, count in Counter(each.name for each in screws(self.bench, letter, step)).items():
            yield f"{count} ×", named(count, name)
        for row in self.hardware(letter, step):
            if row.fetched:
                yield f"{row.fetched} ×", named(row.fetched, row.name)

    def hardware(self, letter: str, step: Step) -> list[Hung]:
        """Return the hardware of a step of a case."""
        if letter not in self._hung:
            known = self.bench.is_case(letter)
            steps = self.bench.case(letter).steps
            self._hung[letter] = hardware_at(self.bench.assembly(letter), steps) if known else {}
        return self._hung[letter].get(step.key, [])

    def bands(self, letter: str, step: Step) -> dict[str, tuple[list[str], int]]:
        """Return which parts get each edging at a step, by its name, and how far it runs on them, in ticks."""
        found: dict[str, tuple[list[str], int]] = {}
        for part in filter(None, (self.part(letter, role) for role in step.roles)):
            for band in part.bands:
                codes, run = found.get(band.edging.name, ([], 0))
                found[band.edging.name] = (list(dict.fromkeys([*codes, part.code])), run + band.run.ticks)
        return found

    def part(self, letter: str, role: str) -> Part | None:
        """Return the part with a role in a case; ``None`` if there is none."""
        return self._parts.get((letter, role))

    def parts(self, letter: str, roles: Iterable[Role]) -> list[Part]:
        """Return the parts with some roles, each once."""
        found = (self.part(letter, role) for role in roles)
        return list({part.code: part for part in found if part is not None}.values())

    def codes(self, letter: str, roles: Iterable[Role]) -> list[str]:
        """Return the codes of some parts, each once."""
        return [part.code for part in self.parts(letter, roles)]
