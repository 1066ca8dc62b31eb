# SPDX-License-Identifier: GPL-3.0-or-later
"""Fewer fence settings: what lies on a few sheets is laid anew on them, equal sizes beside each other.

The number of sheets stays as it is, and the largest remainder of the plan does not become smaller.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from random import Random

from ..divide import divided
from ..problem import Problem
from ..tidy import tidied
from .blanks import Blank, to_sheet
from .construct import Lay, Rule, lay_out, rules_for

#: Times sheets are laid anew for each of them, and how many are taken together.
_TRIES, _TOGETHER = 60, (1, 1, 2, 2, 3)


class Simpler:
    """Lays a few sheets at a time anew so that the fence is set less often.

    Args:
        problem: what is cut from what.
        rules: ways to lay.
        smallest: the smallest side of any blank.
        rng: for the orders.
    """

    def __init__(self, problem: Problem, rules: tuple[Rule, ...], smallest: int, rng: Random) -> None:
        self.problem, self.smallest, self.rng = problem, smallest, rng
        most = problem.sawing.stages or 4
        self.rules = (*rules, *(rule for stages in range(2, most) for rule in rules_for(stages)))
        self._known: dict[int, tuple[Lay, tuple[int, int, int]]] = {}

    def measured(self, lay: Lay) -> tuple[int, int, int]:
        """Return how often the fence is set for a sheet, its cuts, and the area of its largest remainder."""
        known = self._known.get(id(lay))
        if known is not None and known[0] is lay:
            return known[1]
        problem = self.problem
        tree = divided(tidied(to_sheet(problem, lay.bed, lay.placed), problem.terms), problem.terms)
        largest = max((rest.area for rest in tree.all_rests()), default=0)
        sizes = set()
        for _, node in tree.levels():
            if node.way is not None:
                spans = (part.board.span(node.way) for part in node.parts)
                sizes |= {high - low for low, high in spans}
        found = len(sizes), tree.count, largest
        self._known[id(lay)] = lay, found
        return found

    def _worth(self, lays: list[Lay]) -> tuple[int, int]:
        rows = [self.measured(lay) for lay in lays]
        return sum(row[0] for row in rows), sum(row[1] for row in rows)

    def _rest(self, lays: list[Lay]) -> int:
        return max((self.measured(lay)[2] for lay in lays if not lay.bed.supply.offcut), default=0)

    def lays(self, lays: list[Lay], stop: Callable[[], bool], tries: int = _TRIES) -> list[Lay]:
        """Return the layout with its sheets as simple as some tries make them.

        Args:
            lays: the layout.
            stop: asked before each try.
            tries: for each sheet, at most.
        """
        lays = list(lays)
        for _ in range(min(tries, _TRIES) * len(lays)):
            if stop():
                break
            count = min(len(lays), self.rng.choice(_TOGETHER))
            chosen = set(self.rng.sample(range(len(lays)), count))
            group, others = [lays[i] for i in chosen], [lay for i, lay in enumerate(lays) if i not in chosen]
            needed = self._rest(lays)
            if self._rest(others) >= needed:
                needed = 0
            single = [replace(lay.bed, count=1) for lay in group]
            order = self._order([blank for lay in group for blank, *_ in lay.placed])
            fresh = lay_out(order, single, self.rng.choice(self.rules), self.smallest, limit=count)
            if fresh is None or len(fresh) != count:
                continue
            own = {id(one): lay.bed for one, lay in zip(single, group, strict=True)}
            fresh = [Lay(own[id(lay.bed)], lay.placed, lay.free) for lay in fresh]
            if self._worth(fresh) < self._worth(group) and self._rest(fresh) >= needed:
                lays = [*others, *fresh]
        return lays

    def _order(self, blanks: list[Blank]) -> list[Blank]:
        """Return an order in which blanks of one width or one length follow each other."""
        by_length, weight = self.rng.random() < 0.5, dict[int, float]()
        sides = [blank.length if by_length else blank.width for blank in blanks]
        for side in sides:
            weight.setdefault(side, side * (0.5 + self.rng.random()))
        rows = sorted(zip(sides, blanks, strict=True), key=lambda row: (-weight[row[0]], -row[1].area))
        return [blank for _, blank in rows]
