# SPDX-License-Identifier: GPL-3.0-or-later
"""How much of each kind of work a step is: cuts, set-ups, holes, feet of band, square feet of coat, pieces."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping

from ..assembly.part import Assembly
from ..assembly.put_on import PutOn
from ..bench.bench import Bench
from ..bench.step import Step
from ..bench.thing import ThingKind
from ..bench.verb import What
from ..coats.schedule import Coat
from ..finish.faces import FaceOf
from ..finish.needs import finished, schedule_of
from .rates import Rate

#: Square feet in a square metre, and millimetres in a foot (the international foot of 1959, 304.8 mm; from memory).
_FEET_OF_M2, _MM_OF_FOOT = 1 / 0.3048**2, 304.8
_ONLY_LOOKED = frozenset({What.SQUARE, What.OPENINGS, What.CHECK, What.DRY_FIT})
_COATED = frozenset({What.FINISH, What.PREFINISH})


class Amounts:
    """How much work steps are.

    Args:
        bench: the steps.
    """

    def __init__(self, bench: Bench) -> None:
        self.bench = bench
        self._faces: dict[str, list[FaceOf]] = {}

    def of(self, letter: str, step: Step) -> Mapping[Rate, float]:
        """Return how much of each kind of work a step of a case is, coats apart."""
        assembly = self.bench.assembly(letter)
        found: Counter[Rate] = Counter()
        match step.what:
            case What.JIGS | What.SAW:
                found[Rate.CUT] += len(step.roles)
            case What.MARK:
                found[Rate.MARK] += len(step.roles)
            case What.TEST | What.MACHINE:
                cuts = [cut.kind for role in step.roles for cut in assembly.part(role).told.cuts]
                found[Rate.SET_UP] += len(set(cuts))
                found[Rate.SLOT] += len(cuts) if step.what is What.MACHINE else len(set(cuts))
            case What.CARRY:
                found[Rate.CARRY] += 1
            case What.STAND | What.HANG_UP:
                found[Rate.STAND] += 1
                found[Rate.FASTENER] += self._driven_in_room(letter)
            case What.BEFORE:
                found[Rate.LINE] += len(self.bench.fit.before)
            case What.LINE:
                found[Rate.LINE] += max(1, len(self.bench.fit.lines))
            case What.SCRIBE | What.TRIM | What.WALL_RAILS:
                found[Rate.SCRIBE] += max(1, len(step.roles))
            case What.ADJUST:
                found[Rate.LOOK] += 2 * max(1, len(assembly.fronts))
            case What.LOOK:
                found[Rate.LOOK] += 2 * len(self.bench.fit.order)
            case What.OFF:
                found[Rate.LOOK] += len({role.whole for role in step.roles})
            case what if what in _ONLY_LOOKED:
                found[Rate.LOOK] += max(2, len(step.asks), len(step.roles))
            case what if what not in _COATED:
                found += self._worked(assembly, step)
        return {rate: float(count) * self.bench.copies_of(letter) for rate, count in found.items() if count}

    def _driven_in_room(self, letter: str) -> int:
        """Return how many screws hold a case to the building and to its neighbours."""
        made = self.bench.made
        return sum(each.letter == letter for each in made.joined)

    def _worked(self, assembly: Assembly, step: Step) -> Counter[Rate]:
        found: Counter[Rate] = Counter()
        uses = set()
        for thing in step.does:
            match thing.kind:
                case ThingKind.HOLE:
                    assert thing.role is not None
                    uses.add(assembly.part(thing.role).told.holes[thing.number].use)
                    found[Rate.HOLE] += 1
                case ThingKind.FASTENER:
                    found[Rate.FASTENER] += 1
                case ThingKind.FITTING:
                    found[Rate.FITTING] += 1
                case ThingKind.BAND:
                    assert thing.role is not None
                    part = assembly.part(thing.role)
                    face = part.bands[thing.number][0]
                    long = max(side.mm for a, side in enumerate(part.box.size) if a != face.axis)
                    found[Rate.BAND] += max(1, round(long / _MM_OF_FOOT))
        if step.what in (What.PINS, What.BORE):
            found[Rate.SET_UP] += len(uses)
        if step.what is What.LATCHES:
            found[Rate.FITTING] += sum(item.count for item in assembly.bought if item.put_on is PutOn.RUNNING)
        found[Rate.PUT] += len(step.puts)
        return found

    def faces(self, letter: str) -> list[FaceOf]:
        """Return the faces of a case that get a coat."""
        if letter not in self._faces:
            self._faces[letter] = finished(self.bench.made, letter) if self.bench.is_case(letter) else []
        return self._faces[letter]

    def coats(self, letter: str, step: Step) -> list[tuple[Coat, float]]:
        """Return the coats a step puts on, each with its square feet; none where it is no finish, or none is chosen."""
        if step.what not in _COATED:
            return []
        mine = set(step.roles)
        before = {
            role for each in self.bench.case(letter).steps if each.what in _COATED and each is not step
            for role in each.roles
        }  # fmt: skip
        found: list[tuple[Coat, float]] = []
        for row in self.faces(letter):
            if (mine and row.part.role not in mine) or (not mine and row.part.role in before):
                continue
            schedule = schedule_of(self.bench.made, row.where)
            for at, coat in enumerate(schedule.coats if schedule is not None else ()):
                area = row.area * _FEET_OF_M2 * self.bench.copies_of(letter) if row.edge or not coat.edges else 0.0
                if at == len(found):
                    found.append((coat, area))
                else:
                    # Where inside and outside differ, coats of one turn are put on together and wait for the slower.
                    slower = max(found[at][0], coat, key=lambda each: each.recoat)
                    found[at] = slower, found[at][1] + area
        return found
