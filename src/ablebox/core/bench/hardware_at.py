# SPDX-License-Identifier: GPL-3.0-or-later
"""Which hardware is fetched at which step: all that is bought for a case, each thing once, as it is sold.

A pair of slides is four members, two on the case and two on the box: it is fetched when the case's are hung, and named again at the
box. What has no place of its own in space goes with the work it is put on with.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from ..assembly.fitting import FittingKind
from ..assembly.part import Assembly
from ..assembly.put_on import PutOn
from .step import Step
from .thing import ThingKind
from .verb import What

#: Of what is sold as several members, those that are hung first.
_FIRST = (FittingKind.SLIDE_CASE, FittingKind.HINGE_CUP)
#: Members that are hung by steps of their own.
_HUNG_APART = frozenset({
    FittingKind.SLIDE_CASE, FittingKind.SLIDE_BOX, FittingKind.SLIDE_LOCK, FittingKind.HINGE_CUP, FittingKind.HINGE_PLATE,
})  # fmt: skip
#: With which step goes what does not stand in space.
_WITH = {
    PutOn.LEAF: What.LEAVES, PutOn.PLATES: What.PLATES, PutOn.DOOR: What.DOORS, PutOn.FRONT: What.FRONTS, PutOn.PULLS: What.PULLS,
    PutOn.RUNNING: What.LATCHES, PutOn.LET_IN: What.CHECK,
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Hung:
    """Hardware at a step.

    Args:
        name: as it stands in the buying list.
        fetched: how many are fetched, as they are sold; 0 where they were fetched before.
        of: how many, as they are sold, what is hung then belongs to; no fewer than are fetched.
        kind: what of it is hung, if it is sold as several members; ``None`` for all of it.
        put_on: with which work it goes, if it does not stand in space.
    """

    name: str
    fetched: int
    of: int
    kind: FittingKind | None = None
    put_on: PutOn = PutOn.ITSELF


def hardware_at(assembly: Assembly, steps: Sequence[Step]) -> dict[str, list[Hung]]:
    """Return the hardware of each step of a case by the step's key, screws and other fasteners left out."""
    bought, members = assembly.hardware, Counter((each.name, each.kind) for each in assembly.fittings)
    hung: Counter[tuple[str, FittingKind]] = Counter()
    found: dict[str, list[Hung]] = {}
    for step in steps:
        here = Counter(
            (assembly.fittings[t.number].name, assembly.fittings[t.number].kind)
            for t in step.does if t.kind is ThingKind.FITTING
        )  # fmt: skip
        for (name, kind), count in here.items():
            whole = bought.get(name, 0)
            per = max(1, members[name, kind] // whole) if whole else 1
            before = -(-hung[name, kind] // per)
            hung[name, kind] += count
            fetched = -(-hung[name, kind] // per) - before if kind is _first(name, members) else 0
            is_part = per > 1 or len({k for n, k in members if n == name and k in _HUNG_APART}) > 1
            row = Hung(name, fetched, max(fetched, -(-count // per)), kind if is_part else None)
            found.setdefault(step.key, []).append(row)
    for key, row in _others(assembly, steps):
        found.setdefault(key, []).append(row)
    return found


def _first(name: str, members: Counter[tuple[str, FittingKind]]) -> FittingKind:
    """Return which members of what is sold under a name are hung first."""
    kinds = [kind for each, kind in members if each == name]
    return next((kind for kind in _FIRST if kind in kinds), kinds[0])


def _others(assembly: Assembly, steps: Sequence[Step]) -> Iterator[tuple[str, Hung]]:
    """Return what does not stand in space, each with the key of the first step it goes with."""
    rows: Counter[tuple[str, PutOn]] = Counter()
    for item in assembly.bought:
        if item.put_on is not PutOn.ITSELF and item.count:
            rows[item.name, item.put_on] += item.count
    for (name, put_on), count in rows.items():
        wanted = (_WITH[put_on], What.CHECK)
        step = next((step for what in wanted for step in steps if step.what is what), None)
        if step is not None:
            yield step.key, Hung(name, count, count, put_on=put_on)
